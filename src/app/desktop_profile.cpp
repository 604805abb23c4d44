#include "app/desktop_profile.h"
#include "app/behind.h"
#include "base/error.h"
#include "base/file.h"

#include <QDBusArgument>
#include <QDBusConnection>
#include <QDBusMessage>
#include <QDBusObjectPath>
#include <QDBusVariant>
#include <QGuiApplication>
#include <QPointer>
#include <QScreen>
#include <QThreadPool>
#include <cstdlib>
#include <memory>
#include <xcb/xcb.h>

namespace baryton {

namespace {

constexpr std::size_t kMostProfileBytes = 16 << 20;
constexpr int kMostMilliseconds = 500; ///< a call to the colour service may take

/// Replies of the X server are the caller's to free.
template <class T>
std::unique_ptr<T, void (*)(void*)> owned(T* reply) {
    return {reply, std::free};
}

std::string xProfile(int monitor) {
    auto* x11 = qGuiApp->nativeInterface<QNativeInterface::QX11Application>();
    if (!x11) return {};
    xcb_connection_t* const connection = x11->connection();
    const std::string name = monitor == 0 ? "_ICC_PROFILE" : "_ICC_PROFILE_" + std::to_string(monitor);
    const auto atom = owned(xcb_intern_atom_reply(
        connection, xcb_intern_atom(connection, true, static_cast<std::uint16_t>(name.size()), name.c_str()),
        nullptr));
    if (!atom || atom->atom == XCB_ATOM_NONE) return {};
    const xcb_window_t root = xcb_setup_roots_iterator(xcb_get_setup(connection)).data->root;
    const auto property = owned(xcb_get_property_reply(
        connection,
        xcb_get_property(connection, false, root, atom->atom, XCB_GET_PROPERTY_TYPE_ANY, 0, kMostProfileBytes / 4),
        nullptr));
    if (!property || property->format != 8 || property->bytes_after > 0) return {};
    return {static_cast<const char*>(xcb_get_property_value(property.get())),
            static_cast<std::size_t>(xcb_get_property_value_length(property.get()))};
}

} // namespace

std::string colordProfile(const QString& output) {
    const QString service = QStringLiteral("org.freedesktop.ColorManager");
    const QDBusConnection bus = QDBusConnection::systemBus();
    const auto call = [&](const QString& path, const QString& interface, const QString& method,
                          const QVariantList& arguments) {
        QDBusMessage message = QDBusMessage::createMethodCall(service, path, interface, method);
        message.setArguments(arguments);
        const QDBusMessage reply = bus.call(message, QDBus::Block, kMostMilliseconds);
        return reply.type() == QDBusMessage::ReplyMessage ? reply.arguments().value(0) : QVariant();
    };
    const auto property = [&](const QDBusObjectPath& of, const char* interface, const char* name) {
        return call(of.path(), QStringLiteral("org.freedesktop.DBus.Properties"), QStringLiteral("Get"),
                    {service + QLatin1String(interface), QString::fromLatin1(name)})
            .value<QDBusVariant>()
            .variant();
    };
    const auto devices =
        qdbus_cast<QList<QDBusObjectPath>>(call(QStringLiteral("/org/freedesktop/ColorManager"), service,
                                                QStringLiteral("GetDevicesByKind"), {QStringLiteral("display")}));
    for (const QDBusObjectPath& device : devices) {
        const auto metadata = qdbus_cast<QMap<QString, QString>>(property(device, ".Device", "Metadata"));
        if (metadata.value(QStringLiteral("XRANDR_name")) != output) continue;
        // The first one is the one in force.
        const auto profiles = qdbus_cast<QList<QDBusObjectPath>>(property(device, ".Device", "Profiles"));
        if (profiles.isEmpty()) return {};
        const QString file = property(profiles.first(), ".Profile", "Filename").toString();
        try {
            return readFile(file.toStdString(), kMostProfileBytes);
        } catch (const Error&) {
            return {}; // the service names a file that is gone: as if there were none
        }
    }
    return {};
}

void fetchMonitorProfile(const MonitorWish& wish, const QScreen* screen, QObject* context,
                         const std::function<void(const std::string& icc, const QString& problem)>& take) {
    if (wish.kind == MonitorWish::Kind::File && !wish.file.isEmpty()) {
        try {
            take(readFile(wish.file.toStdString(), kMostProfileBytes), {});
        } catch (const Error& e) {
            take({}, QString::fromStdString(e.what()));
        }
        return;
    }
    const QString platform = QGuiApplication::platformName();
    const bool isX = platform == QLatin1String("xcb");
    if (wish.kind != MonitorWish::Kind::Desktop || !screen ||
        (!isX && !platform.startsWith(QLatin1String("wayland"))))
        return take({}, {});
    // Both count monitors with the primary one first.
    const std::string ofX = isX ? xProfile(static_cast<int>(QGuiApplication::screens().indexOf(screen))) : "";
    if (!ofX.empty()) return take(ofX, {});
    runBehind(*QThreadPool::globalInstance(), [output = screen->name(), context = QPointer(context), take] {
        const std::string icc = colordProfile(output);
        tellWindow(qGuiApp, [context, take, icc] {
            if (context) take(icc, {});
        });
    });
}

} // namespace baryton
