#pragma once
#include <QString>
#include <QStringList>

namespace baryton {

/// The languages that the interface speaks, as codes: "en", "de".
QStringList languages();
/// A language's own name for itself.
QString languageName(const QString& code);

/// Makes the interface, the core's words and the toolkit's dialogs speak a language from here on; an empty code
/// stands for the system's, where there is none of it for English. To be called before anything is shown.
void speak(const QString& code);
/// The code of the language that is spoken.
QString spokenLanguage();

} // namespace baryton
