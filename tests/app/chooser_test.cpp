// Files are asked for by the desktop's own chooser, where there is one: against a portal on a bus of the test's own.
#include "app/desktop_chooser.h"
#include "app/driver.h"
#include "base/file.h"

#include <QDBusArgument>
#include <QDBusConnection>
#include <QDBusConnectionInterface>
#include <QDBusMessage>
#include <QDBusVirtualObject>
#include <QFileDialog>
#include <QTest>
#include <QTimer>
#include <gtest/gtest.h>

namespace baryton::test {

namespace {

/// What a desktop's portal does when it is asked for a file: it says that it asks, and tells later what was chosen.
class Portal : public QDBusVirtualObject {
public:
    QString introspect(const QString&) const override { return {}; }
    bool handleMessage(const QDBusMessage& message, const QDBusConnection& bus) override {
        if (message.member() == tr8("Get"))
            return bus.send(message.createReply(QVariant::fromValue(QDBusVariant(QVariant(3U)))));
        if (message.member() != tr8("OpenFile") && message.member() != tr8("SaveFile")) return false;
        asked.append(message.member());
        titles.append(message.arguments().value(1).toString());
        const auto options = qdbus_cast<QVariantMap>(message.arguments().value(2));
        const QString path = tr8("/org/freedesktop/portal/desktop/request/%1").arg(asked.size());
        if (!bus.send(message.createReply(QVariant::fromValue(QDBusObjectPath(path))))) return false;
        QTimer::singleShot(100, [this, path, bus] {
            QDBusMessage answer =
                QDBusMessage::createSignal(path, tr8("org.freedesktop.portal.Request"), tr8("Response"));
            answer.setArguments({chosen.isEmpty() ? 1U : 0U, QVariantMap{{tr8("uris"), chosen}}});
            bus.send(answer);
        });
        return true;
    }
    QStringList asked, titles, chosen;
};

} // namespace

TEST(Chooser, TheDesktopsOwnIsAskedForFiles) {
    ASSERT_EQ(qgetenv("QT_QPA_PLATFORMTHEME"), "xdgdesktopportal");
    QDBusConnection bus = QDBusConnection::sessionBus();
    Portal portal;
    // Where the machine has a portal, it is there already.
    ASSERT_TRUE(bus.interface()->registerService(tr8("org.freedesktop.portal.Desktop"),
                                                 QDBusConnectionInterface::ReplaceExistingService));
    ASSERT_TRUE(bus.registerVirtualObject(tr8("/org/freedesktop/portal/desktop"), &portal, QDBusConnection::SubPath));
    Driver d({"lake-fog.jpg", "snow-yard.jpg"});
    d.start();
    ASSERT_EQ(d.state().pictures().size(), 2);
    portal.chosen = {QUrl::fromLocalFile(QString::fromStdString((d.folder() / "snow-yard.jpg").string())).toString()};
    d.menu(tr8("File"), tr8("Open pictures…"));
    ASSERT_TRUE(Driver::waitFor([&] { return d.state().pictures().size() == 1; }));
    EXPECT_EQ(d.state().pictures().at(0).name(), tr8("snow-yard.jpg"));
    EXPECT_EQ(portal.asked, QStringList{tr8("OpenFile")});
    EXPECT_EQ(portal.titles, QStringList{tr8("Open pictures")});
    // Where a picture goes, too; a chooser that was closed changes nothing.
    d.settle();
    const auto target = d.root() / "chosen.png";
    portal.chosen = {QUrl::fromLocalFile(QString::fromStdString(target.string())).toString()};
    d.menu(tr8("File"), tr8("Write this picture…"));
    EXPECT_TRUE(Driver::waitFor([&] { return std::filesystem::exists(target); }));
    EXPECT_EQ(portal.asked.value(1), tr8("SaveFile"));
    portal.chosen.clear();
    d.menu(tr8("File"), tr8("Open folder…"));
    EXPECT_TRUE(Driver::waitFor([&] { return portal.asked.size() == 3; }));
    EXPECT_TRUE(Driver::waitFor([&] { return d.window().findChildren<QFileDialog*>().isEmpty(); }));
    EXPECT_EQ(d.state().pictures().size(), 1);
    bus.unregisterService(tr8("org.freedesktop.portal.Desktop"));
}

TEST(Chooser, IsTakenWhereADesktopHasAPortalWithOne) {
    const QTemporaryDir temporary;
    const std::filesystem::path data = temporary.path().toStdString(), portals = data / "xdg-desktop-portal/portals";
    const auto has = [&] { return hasDesktopChooser({data / "none", data}); };
    EXPECT_FALSE(has());
    std::filesystem::create_directories(data / "dbus-1/services");
    std::filesystem::create_directories(portals);
    writeFileAtomically(data / "dbus-1/services/org.freedesktop.portal.Desktop.service", "[D-BUS Service]\n");
    writeFileAtomically(portals / "bare.portal", "[portal]\nInterfaces=org.freedesktop.impl.portal.Settings;\n");
    EXPECT_FALSE(has()) << "nobody behind it asks for files";
    writeFileAtomically(portals / "full.portal", "[portal]\nInterfaces=org.freedesktop.impl.portal.FileChooser;\n");
    EXPECT_TRUE(has());
    // By the environment of a session; a choice that is made already stays.
    qputenv("XDG_DATA_DIRS", ("/none:" + data.string()).c_str());
    qputenv("DBUS_SESSION_BUS_ADDRESS", "unix:path=/none");
    qputenv("QT_QPA_PLATFORMTHEME", "own");
    preferDesktopChooser();
    EXPECT_EQ(qgetenv("QT_QPA_PLATFORMTHEME"), "own");
    qunsetenv("QT_QPA_PLATFORMTHEME");
    qputenv("XDG_DATA_DIRS", "/none");
    preferDesktopChooser();
    EXPECT_FALSE(qEnvironmentVariableIsSet("QT_QPA_PLATFORMTHEME"));
    qputenv("XDG_DATA_DIRS", ("/none:" + data.string()).c_str());
    preferDesktopChooser();
    EXPECT_EQ(qgetenv("QT_QPA_PLATFORMTHEME"), "xdgdesktopportal");
}

} // namespace baryton::test
