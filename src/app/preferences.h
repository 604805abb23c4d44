#pragma once
#include "app/settings.h"
#include "app/widgets/sheet.h"

#include <QFormLayout>

namespace baryton {

/// The user's preferences; every change takes effect at once and is kept.
class PreferencesSheet : public Sheet {
    Q_OBJECT
public:
    explicit PreferencesSheet(QWidget* parent = nullptr);

Q_SIGNALS:
    void changed(const baryton::Settings& settings);

private:
    void addMonitor(QFormLayout* form);
    void addLanguage(QFormLayout* form);
    void take(const std::function<void(Settings&)>& change);
    Settings settings_;
};

/// Puts settings into effect that concern the whole program: theme, surround, threads.
void applySettings(const Settings& settings);

} // namespace baryton
