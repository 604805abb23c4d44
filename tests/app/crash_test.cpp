// What the next start says of a run that was not closed: against the program itself, killed for real.
#include "app/crash_sheet.h"
#include "app/screen_helpers.h"
#include "base/file.h"

#include <QClipboard>
#include <QPlainTextEdit>
#include <QProcess>
#include <csignal>

namespace baryton::test {

namespace {

/// The program on the driver's folder, until its record says what is open.
struct Running {
    explicit Running(Driver& d) {
        QProcessEnvironment environment = QProcessEnvironment::systemEnvironment();
        environment.insert(tr8("QT_QPA_PLATFORM"), tr8("offscreen"));
        environment.insert(tr8("XDG_CONFIG_HOME"), QString::fromStdString((d.root() / "config").string()));
        process.setProcessEnvironment(environment);
        process.setStandardErrorFile(QProcess::nullDevice());
        process.start(tr8(BARYTON_APP), {QString::fromStdString(d.folder().string())});
        process.waitForStarted();
        const auto record = RunRecord::usersFolder() / (std::to_string(process.processId()) + ".run");
        isOpen = Driver::waitFor(
            [&] { return std::filesystem::exists(record) && readFile(record).find("\nopen ") != std::string::npos; });
    }
    void end(int signal) {
        ::kill(static_cast<pid_t>(process.processId()), signal);
        process.waitForFinished();
    }
    QProcess process;
    bool isOpen = false;
};

} // namespace

TEST(Crash, IsToldAtTheNextStartWithWhatWasOpenAndAReport) {
    Driver d({"lake-fog.jpg"});
    Running first(d);
    ASSERT_TRUE(first.isOpen);
    EXPECT_TRUE(RunRecord::takeBroken().empty()) << "it still runs";
    first.end(SIGSEGV);
    EXPECT_EQ(first.process.exitStatus(), QProcess::CrashExit) << "the system sees it as well";
    const auto broken = RunRecord::takeBroken();
    ASSERT_EQ(broken.size(), 1U);
    EXPECT_EQ(broken[0].open, std::vector{d.folder()});
    EXPECT_NE(broken[0].report.find("signal 11"), std::string::npos) << broken[0].report;
    EXPECT_NE(broken[0].report.find("Baryton "), std::string::npos);
    EXPECT_GT(std::count(broken[0].report.begin(), broken[0].report.end(), '\n'), 5) << "where it happened";
    EXPECT_TRUE(RunRecord::takeBroken().empty()) << "it is told once";

    MainWindow window(d.libraryRoot());
    window.show();
    window.tellOfCrash(broken);
    auto* sheet = window.findChild<CrashSheet*>();
    ASSERT_NE(sheet, nullptr);
    d.click(d.button(sheet, tr8("Copy the report")));
    EXPECT_EQ(QGuiApplication::clipboard()->text().toStdString(), broken[0].report);
    d.click(d.button(sheet, tr8("Open it again")));
    EXPECT_EQ(window.state().pictures().size(), 1);
}

TEST(Crash, ALockThatAKilledRunLeftEmptyHoldsNobodyUp) {
    Driver d({"lake-fog.jpg"});
    writeFileAtomically(d.root() / "config/baryton/baryton.ini.lock", "");
    Running next(d);
    EXPECT_TRUE(next.isOpen) << "half a minute would be waited for it";
    next.end(SIGTERM);
}

TEST(Crash, ARunThatIsKilledIsToldAndOneThatIsAskedToEndIsNot) {
    Driver d({"lake-fog.jpg"});
    Running killed(d);
    ASSERT_TRUE(killed.isOpen);
    killed.end(SIGKILL);
    const auto broken = RunRecord::takeBroken();
    ASSERT_EQ(broken.size(), 1U);
    EXPECT_EQ(broken[0].open, std::vector{d.folder()});
    EXPECT_EQ(broken[0].report, "");
    Running asked(d);
    ASSERT_TRUE(asked.isOpen);
    asked.end(SIGTERM);
    EXPECT_TRUE(RunRecord::takeBroken().empty());
    // A record of nonsense, or one that is no file, tells nothing and stops nothing.
    writeFileAtomically(RunRecord::usersFolder() / "1.run", std::string("\0\xff\nopen", 7));
    std::filesystem::create_directory(RunRecord::usersFolder() / "2.run");
    for (const BrokenRun& each : RunRecord::takeBroken()) EXPECT_TRUE(each.open.empty());
    {
        RunRecord record;
        record.setOpen({d.folder()});
        EXPECT_TRUE(RunRecord::takeBroken().empty());
    }
    EXPECT_TRUE(RunRecord::takeBroken().empty()) << "it was closed";
}

} // namespace baryton::test
