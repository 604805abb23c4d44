#include "app/translation.h"
#include "base/words.h"

#include <QCoreApplication>
#include <QLibraryInfo>
#include <QLocale>
#include <QTranslator>

// Of the library that this file is in; the macro can't stand in a namespace.
static void initTranslations() {
    Q_INIT_RESOURCE(translations);
}

namespace baryton {

namespace {

QString spoken = QStringLiteral("en");

} // namespace

QStringList languages() {
    return {QStringLiteral("en"), QStringLiteral("de")};
}

QString languageName(const QString& code) {
    return QLocale(code).nativeLanguageName();
}

void speak(const QString& code) {
    initTranslations();
    static QTranslator own, toolkit;
    for (QTranslator* each : {&own, &toolkit}) QCoreApplication::removeTranslator(each);
    QString chosen = code.isEmpty() ? QLocale::system().name().section(u'_', 0, 0) : code;
    if (!languages().contains(chosen)) chosen = QStringLiteral("en");
    spoken = chosen;
    // English has a file as well: it holds the plurals.
    if (own.load(QStringLiteral(":/translations/baryton_") + chosen)) QCoreApplication::installTranslator(&own);
    if (toolkit.load(QStringLiteral("qtbase_") + chosen, QLibraryInfo::path(QLibraryInfo::TranslationsPath)))
        QCoreApplication::installTranslator(&toolkit);
    setTranslator([](const std::string& english) {
        // What the collector of texts takes for the class of a text of the core.
        for (const char* context :
             {"baryton", "baryton::Journal", "baryton::Library", "baryton::LutLines", "baryton::PendingFile",
              "baryton::PictureReader::Decoder", "baryton::ProfileConversion::Lcms", "baryton::Read", "fs", "std",
              "std::filesystem", "vips"})
            if (const QString text = own.translate(context, english.c_str()); !text.isEmpty())
                return text.toStdString();
        return english;
    });
}

QString spokenLanguage() {
    return spoken;
}

} // namespace baryton
