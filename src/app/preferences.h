#pragma once
#include "app/settings.h"
#include "app/widgets/sheet.h"

#include <QFormLayout>
#include <QScreen>

namespace baryton {

/// The user's preferences; every change takes effect at once and is kept.
class PreferencesSheet : public Sheet {
    Q_OBJECT
public:
    /// `second`: the screen of the second window, null where that is closed.
    explicit PreferencesSheet(const QScreen* second, QWidget* parent = nullptr);

Q_SIGNALS:
    void changed(const baryton::Settings& settings);

private:
    void addMonitor(QFormLayout* form, const QString& name, const QString& tip, MonitorWish Settings::*of,
                    const QScreen* screen);
    void addLanguage(QFormLayout* form);
    void take(const std::function<void(Settings&)>& change);
    Settings settings_;
};

/// Puts settings into effect that concern the whole program: theme, surround, threads.
void applySettings(const Settings& settings);

} // namespace baryton
