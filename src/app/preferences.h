#pragma once
#include "app/settings.h"

#include <QDialog>

namespace baryton {

/// The user's preferences; every change takes effect at once and is kept.
class PreferencesSheet : public QDialog {
    Q_OBJECT
public:
    explicit PreferencesSheet(QWidget* parent = nullptr);

Q_SIGNALS:
    void changed(const baryton::Settings& settings);

private:
    void take(const std::function<void(Settings&)>& change);
    Settings settings_;
};

/// Puts settings into effect that concern the whole program: theme, surround, monitor profile, threads. What is wrong
/// with the profile is returned, empty when all is well.
QString applySettings(const Settings& settings);

} // namespace baryton
