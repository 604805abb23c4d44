// Against a real X server and a real D-Bus, both started for the test alone (see CMakeLists.txt).
#include "app/batch/batch_page.h"
#include "app/desktop_profile.h"
#include "app/driver.h"
#include "app/render_image.h"
#include "app/widgets/segments.h"
#include "base/file.h"

#include <QColorSpace>
#include <QDBusConnection>
#include <QDBusMessage>
#include <QDBusMetaType>
#include <QDBusUnixFileDescriptor>
#include <QDBusVirtualObject>
#include <QScreen>
#include <QTest>
#include <fcntl.h>
#include <gtest/gtest.h>
#include <unistd.h>
#include <xcb/xcb.h>

namespace baryton::test {

namespace {

/// Sets the root window's profile, as a desktop's settings would.
void setRootProfile(const QByteArray& icc) {
    xcb_connection_t* connection = xcb_connect(nullptr, nullptr);
    ASSERT_EQ(xcb_connection_has_error(connection), 0);
    const char name[] = "_ICC_PROFILE";
    auto* atom =
        xcb_intern_atom_reply(connection, xcb_intern_atom(connection, false, sizeof name - 1, name), nullptr);
    const xcb_window_t root = xcb_setup_roots_iterator(xcb_get_setup(connection)).data->root;
    const auto change =
        xcb_change_property_checked(connection, XCB_PROP_MODE_REPLACE, root, atom->atom, XCB_ATOM_CARDINAL, 8,
                                    static_cast<std::uint32_t>(icc.size()), icc.constData());
    EXPECT_EQ(xcb_request_check(connection, change), nullptr);
    std::free(atom);
    xcb_disconnect(connection);
}

/// A colour service with one display, "Stage-1", and one profile.
class ColourService : public QDBusVirtualObject {
public:
    explicit ColourService(QString file) : file_(std::move(file)) {}
    QString introspect(const QString&) const override { return {}; }
    bool handleMessage(const QDBusMessage& message, const QDBusConnection& bus) override {
        const QString asked = message.arguments().value(1).toString();
        QVariant answer;
        if (message.member() == tr8("GetDevicesByKind"))
            answer = QVariant::fromValue(QList<QDBusObjectPath>{QDBusObjectPath(tr8("/device"))});
        else if (asked == tr8("Metadata"))
            answer = QVariant::fromValue(
                QDBusVariant(QVariant::fromValue(QMap<QString, QString>{{tr8("XRANDR_name"), tr8("Stage-1")}})));
        else if (asked == tr8("Profiles"))
            answer = QVariant::fromValue(
                QDBusVariant(QVariant::fromValue(QList<QDBusObjectPath>{QDBusObjectPath(tr8("/profile"))})));
        else if (asked == tr8("Filename"))
            answer = QVariant::fromValue(QDBusVariant(file_));
        else
            return false;
        return bus.send(message.createReply(answer));
    }

private:
    QString file_;
};

/// What a desktop is asked for: the locks of logind, and notifications.
class AskedDesktop : public QDBusVirtualObject {
public:
    QString introspect(const QString&) const override { return {}; }
    bool handleMessage(const QDBusMessage& message, const QDBusConnection& bus) override {
        if (message.member() == tr8("Inhibit")) {
            // The caller holds one end until it lets the machine sleep.
            if (::pipe2(ends_, O_CLOEXEC | O_NONBLOCK) != 0) return false;
            locks.append(message.arguments());
            const bool isSent = bus.send(message.createReply(QVariant::fromValue(QDBusUnixFileDescriptor(ends_[1]))));
            ::close(ends_[1]);
            return isSent;
        }
        if (message.member() == tr8("Notify")) {
            notices.append(message.arguments());
            return bus.send(message.createReply(QVariant::fromValue(1U)));
        }
        return false;
    }
    /// Whether the lock that was given is held no more.
    bool isLetGo() const {
        char byte = 0;
        return !locks.isEmpty() && ::read(ends_[0], &byte, 1) == 0;
    }
    QList<QVariantList> locks, notices;

private:
    int ends_[2] = {-1, -1};
};

} // namespace

TEST(Desktop, ABatchKeepsTheMachineAwakeAndTellsItsEnd) {
    QDBusConnection bus = QDBusConnection::systemBus(), session = QDBusConnection::sessionBus();
    AskedDesktop desktop;
    ASSERT_TRUE(bus.registerService(tr8("org.freedesktop.login1")));
    ASSERT_TRUE(bus.registerVirtualObject(tr8("/org/freedesktop/login1"), &desktop, QDBusConnection::SubPath));
    ASSERT_TRUE(session.registerService(tr8("org.freedesktop.Notifications")));
    ASSERT_TRUE(
        session.registerVirtualObject(tr8("/org/freedesktop/Notifications"), &desktop, QDBusConnection::SubPath));
    Driver d({"lake-fog.jpg", "snow-yard.jpg"});
    d.start();
    d.click(d.button(&d.window(), tr8("Batch")));
    BatchPage* batch = d.window().batchPage();
    d.type(d.named<QLineEdit>(batch, tr8("Output folder")), QString::fromStdString((d.root() / "out").string()),
           true);
    d.chooseFormat(tr8("PNG"), 16);
    d.click(d.button(batch, tr8("Start")));
    d.click(d.button(batch, tr8("Pause")));
    ASSERT_TRUE(Driver::waitFor([&] { return desktop.locks.size() == 1; }));
    EXPECT_EQ(desktop.locks[0].value(0), tr8("sleep:idle"));
    EXPECT_EQ(desktop.locks[0].value(3), tr8("block"));
    EXPECT_FALSE(desktop.isLetGo());
    d.click(d.button(&d.window(), tr8("Grade"))); // nobody looks on
    for (QPushButton* each : batch->findChildren<QPushButton*>())
        if (each->text() == tr8("Go on")) each->click();
    ASSERT_TRUE(Driver::waitFor([&] { return !batch->isRunning(); }, 60));
    EXPECT_TRUE(Driver::waitFor([&] { return desktop.isLetGo(); }));
    ASSERT_TRUE(Driver::waitFor([&] { return desktop.notices.size() == 1; }));
    EXPECT_EQ(desktop.notices[0].value(3), tr8("The Tin Heron Company"));
    EXPECT_TRUE(desktop.notices[0].value(4).toString().startsWith(tr8("2 of 2 files")));
    bus.unregisterService(tr8("org.freedesktop.login1"));
    session.unregisterService(tr8("org.freedesktop.Notifications"));
}

TEST(Desktop, TheProfileOfTheXServerIsAppliedToWhatIsShown) {
    ASSERT_EQ(QGuiApplication::platformName(), tr8("xcb"));
    Driver d({"red-curtain.jpg"});
    d.start();
    PictureView* view = d.window().gradePage()->view();
    const QPoint place = view->mapToGlobal(d.onPicture({0.12, 0.3}).toPoint());
    // What the server has on its screen, not what the window thinks it has painted.
    const auto onScreen = [&] { return d.window().screen()->grabWindow(0).toImage().pixelColor(place); };
    const QColor plain = onScreen();
    ASSERT_GT(plain.red(), plain.green() + 40) << "the curtain";
    setRootProfile(QColorSpace(QColorSpace::DisplayP3).iccProfile());
    d.menu(tr8("File"), tr8("Preferences…"));
    auto* choice = d.named<Segments>(d.sheet(), tr8("Monitor profile"));
    auto* account = d.named<QLabel>(d.sheet(), tr8("Monitor profile in force"));
    EXPECT_EQ(account->text(), QColorSpace(QColorSpace::DisplayP3).description());
    d.click(choice->button(1));
    d.click(choice->button(0));
    d.click(d.button(d.sheet(), tr8("Close")));
    ASSERT_TRUE(Driver::waitFor([&] { return onScreen() != plain; }));
    const QColor fitted = onScreen();
    const QColor expected = plain.toRgb();
    QImage judge(1, 1, QImage::Format_RGB32);
    judge.setPixelColor(0, 0, expected);
    judge.setColorSpace(QColorSpace::SRgb);
    judge.convertToColorSpace(QColorSpace::DisplayP3);
    EXPECT_NEAR(fitted.red(), judge.pixelColor(0, 0).red(), 2);
    EXPECT_NEAR(fitted.green(), judge.pixelColor(0, 0).green(), 2);
    EXPECT_NEAR(fitted.blue(), judge.pixelColor(0, 0).blue(), 2);
    // A profile that is none is told once; pictures are shown as before.
    setRootProfile("no profile");
    d.menu(tr8("File"), tr8("Preferences…"));
    d.click(d.named<Segments>(d.sheet(), tr8("Monitor profile"))->button(1));
    d.click(d.named<Segments>(d.sheet(), tr8("Monitor profile"))->button(0));
    d.click(d.button(d.sheet(), tr8("Close")));
    EXPECT_TRUE(d.isTold("the monitor's profile"));
    EXPECT_TRUE(Driver::waitFor([&] { return onScreen() == plain; }));
}

TEST(Desktop, TheColourServiceIsAskedForTheOutput) {
    QDBusConnection bus = QDBusConnection::systemBus();
    ASSERT_TRUE(bus.isConnected());
    EXPECT_EQ(colordProfile(tr8("Stage-1")), "") << "nobody there";
    qDBusRegisterMetaType<QMap<QString, QString>>();
    const QTemporaryDir folder;
    const std::filesystem::path file = std::filesystem::path(folder.path().toStdString()) / "stage.icc";
    const std::string icc = QColorSpace(QColorSpace::Primaries::DciP3D65, 2.2F).iccProfile().toStdString();
    writeFileAtomically(file, icc);
    ColourService service(QString::fromStdString(file.string()));
    ASSERT_TRUE(bus.registerService(tr8("org.freedesktop.ColorManager")));
    ASSERT_TRUE(bus.registerVirtualObject(tr8("/"), &service, QDBusConnection::SubPath));
    EXPECT_EQ(colordProfile(tr8("Stage-1")), icc);
    EXPECT_EQ(colordProfile(tr8("Stage-2")), "") << "another output has none";
    std::filesystem::remove(file);
    EXPECT_EQ(colordProfile(tr8("Stage-1")), "");
    bus.unregisterService(tr8("org.freedesktop.ColorManager"));
}

} // namespace baryton::test
