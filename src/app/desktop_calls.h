#pragma once
#include <QDBusUnixFileDescriptor>
#include <QObject>
#include <QString>

namespace baryton {

// What is asked of the desktop over D-Bus. Where there is no bus, or nobody answers, nothing happens; nothing is
// waited for.

/// Keeps the machine awake while it lives (logind's inhibitor lock, "sleep:idle").
class KeptAwake : public QObject {
    Q_OBJECT
public:
    explicit KeptAwake(const QString& why, QObject* parent = nullptr);

private:
    QDBusUnixFileDescriptor lock_; ///< held until it is closed
};

/// A notification on the desktop (the freedesktop.org specification, Notify).
void notifyDesktop(const QString& title, const QString& text);

} // namespace baryton
