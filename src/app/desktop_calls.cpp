#include "app/desktop_calls.h"

#include <QDBusConnection>
#include <QDBusMessage>
#include <QDBusPendingCallWatcher>
#include <QDBusPendingReply>
#include <QVariantMap>

namespace baryton {

namespace {
constexpr int kMostAnswer = 5000; // milliseconds
}

KeptAwake::KeptAwake(const QString& why, QObject* parent) : QObject(parent) {
    QDBusConnection bus = QDBusConnection::systemBus();
    if (!bus.isConnected()) return;
    QDBusMessage inhibit = QDBusMessage::createMethodCall(
        QStringLiteral("org.freedesktop.login1"), QStringLiteral("/org/freedesktop/login1"),
        QStringLiteral("org.freedesktop.login1.Manager"), QStringLiteral("Inhibit"));
    inhibit << QStringLiteral("sleep:idle") << QStringLiteral("Baryton") << why << QStringLiteral("block");
    auto* watcher = new QDBusPendingCallWatcher(bus.asyncCall(inhibit, kMostAnswer), this);
    connect(watcher, &QDBusPendingCallWatcher::finished, this, [this, watcher] {
        const QDBusPendingReply<QDBusUnixFileDescriptor> reply = *watcher;
        if (reply.isValid()) lock_ = reply.value();
        watcher->deleteLater();
    });
}

void notifyDesktop(const QString& title, const QString& text) {
    QDBusConnection bus = QDBusConnection::sessionBus();
    if (!bus.isConnected()) return;
    QDBusMessage notify = QDBusMessage::createMethodCall(
        QStringLiteral("org.freedesktop.Notifications"), QStringLiteral("/org/freedesktop/Notifications"),
        QStringLiteral("org.freedesktop.Notifications"), QStringLiteral("Notify"));
    constexpr uint replacesNone = 0;
    constexpr int asLongAsUsual = -1;
    notify << QStringLiteral("Baryton") << replacesNone << QStringLiteral("baryton") << title << text.toHtmlEscaped()
           << QStringList() << QVariantMap() << asLongAsUsual;
    bus.asyncCall(notify, kMostAnswer);
}

} // namespace baryton
