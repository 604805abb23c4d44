// What is wrong on the disk: told where it happened, nothing lost, the window goes on.
#include "app/driver.h"
#include "app/preview_service.h"
#include "base/file.h"
#include "package/grade_store.h"
#include "support/limits.h"

#include <QDesktopServices>
#include <QDir>
#include <QTest>
#include <fstream>
#include <gtest/gtest.h>

namespace baryton::test {

/// Takes what would be opened with another program.
class OtherProgram : public QObject {
    Q_OBJECT
public:
    OtherProgram() { QDesktopServices::setUrlHandler(QStringLiteral("file"), this, "take"); }
    ~OtherProgram() override { QDesktopServices::unsetUrlHandler(QStringLiteral("file")); }
    QStringList files;

public Q_SLOTS:
    void take(const QUrl& url) { files.append(url.toLocalFile()); }
};

TEST(BadInput, AFrameThatThereIsNoMemoryForIsToldAndTheNextOneComes) {
    PreviewService service;
    QString told;
    std::atomic<int> frames = 0;
    QObject::connect(&service, &PreviewService::failed, &service, [&](const QString& why) { told = why; });
    QObject::connect(&service, &PreviewService::frameReady, &service, [&](const PreviewFrame&) { ++frames; });
    const auto pyramid = std::make_shared<const Pyramid>(Picture(60, 40));
    constexpr int tooMany = 300000; // on either side
    service.request({pyramid, {0, 0, tooMany, tooMany, 5000}, startingGrade(), {}, {}});
    ASSERT_TRUE(Driver::waitFor([&] { return !told.isEmpty(); }));
    EXPECT_EQ(frames, 0);
    service.request({pyramid, {0, 0, 60, 40, 1}, startingGrade(), {}, {}});
    EXPECT_TRUE(Driver::waitFor([&] { return frames == 1; }));
}

TEST(BadInput, APictureThatVanishesAndAGradeOfNonsense) {
    Driver d({"lake-fog.jpg", "snow-yard.jpg"});
    {
        std::ofstream nonsense(d.folder() / "snow-yard.jpg.bgrade");
        nonsense << "{\"format\": \"baryton-grade\", \"version\": 1, \"look\": 7}";
    }
    d.start();
    GradePage* grade = d.window().gradePage();
    EXPECT_TRUE(d.state().pictures().at(1).gradeUnreadable);
    // The file goes while the window is open: what is shown stays, and it can be graded on.
    std::filesystem::remove(d.folder() / "lake-fog.jpg");
    d.chooseStage("saturation");
    d.type(d.named<NumberField>(grade->editorPanel(), tr8("Saturation")), tr8("40"), true);
    d.settle();
    EXPECT_FALSE(grade->view()->shownAfter().isNull());
    // The other one turns unreadable before it is looked at.
    std::filesystem::resize_file(d.folder() / "snow-yard.jpg", 2000);
    d.chooseRow(grade->tray(), 1);
    ASSERT_TRUE(Driver::waitFor([&] { return !d.state().pictures().at(1).error.isEmpty(); }));
    EXPECT_TRUE(d.state().pictures().at(1).error.contains(tr8("snow-yard.jpg")));
    // Graded all the same, its nonsense is set aside, not lost.
    d.chooseStage("exposure");
    d.type(d.named<NumberField>(grade->editorPanel(), tr8("Stops")), tr8("1"), true);
    d.state().pictures().flush();
    EXPECT_TRUE(std::filesystem::exists(d.folder() / "snow-yard.jpg.bgrade.unreadable"));
    EXPECT_TRUE(std::filesystem::exists(d.folder() / "snow-yard.jpg.bgrade"));
}

TEST(BadInput, AFullDiskIsToldAndTriedAgainAndNothingIsLost) {
    Driver d({"lake-fog.jpg", "snow-yard.jpg"});
    d.start();
    d.chooseStage("exposure");
    auto* stops = d.named<NumberField>(d.window().gradePage()->editorPanel(), tr8("Stops"));
    d.type(stops, tr8("0.5"), true);
    ASSERT_TRUE(d.state().pictures().flush());
    const auto file = d.folder() / "lake-fog.jpg.bgrade";
    const std::string kept = readFile(file);
    {
        const FullDisk full(100);
        d.type(stops, tr8("1.5"), true);
        EXPECT_TRUE(Driver::waitFor([&] { return d.isTold("lake-fog.jpg.bgrade"); }));
        EXPECT_EQ(readFile(file), kept) << "what was on the disk stays whole";
        EXPECT_FALSE(d.window().close()) << "closing would lose it: said first";
        EXPECT_TRUE(d.isTold("close it once more"));
        d.type(stops, tr8("2"), true);
        EXPECT_FALSE(d.window().close()) << "there is more to lose now: said again";
        const int before = d.state().pictures().size();
        d.window().openPaths({d.folder() / "snow-yard.jpg"});
        EXPECT_EQ(d.state().pictures().size(), before) << "nor is another set opened";
    }
    // Room again: it goes to the disk by itself.
    EXPECT_TRUE(Driver::waitFor([&] { return d.isTold("on the disk again"); }));
    EXPECT_NE(readFile(file), kept);
    EXPECT_EQ(loadWork(d.folder() / "lake-fog.jpg")->grade, d.state().keyGrade());
    EXPECT_TRUE(d.window().close());
}

TEST(BadInput, AFolderThatCannotBeWrittenKeepsItsGradesElsewhere) {
    Driver d({"lake-fog.jpg"});
    namespace fs = std::filesystem;
    fs::permissions(d.root(), fs::perms::all);
    fs::permissions(d.folder(),
                    fs::perms::owner_read | fs::perms::owner_exec | fs::perms::others_read | fs::perms::others_exec);
    openToAll(d.root() / "data/baryton/grades");
    openToAll(d.root() / "data/baryton");
    d.start();
    d.chooseStage("exposure");
    Grade made;
    {
        const Unprivileged nobody;
        ASSERT_FALSE(nobody.isPrivileged());
        d.type(d.named<NumberField>(d.window().gradePage()->editorPanel(), tr8("Stops")), tr8("1.5"), true);
        EXPECT_TRUE(d.state().pictures().flush());
        made = d.state().keyGrade();
    }
    EXPECT_FALSE(fs::exists(d.folder() / "lake-fog.jpg.bgrade"));
    EXPECT_TRUE(d.isTold("kept in")) << "the status bar says where";
    d.stop();
    d.start();
    EXPECT_EQ(d.state().keyGrade(), made);
    fs::permissions(d.folder(), fs::perms::owner_all);
}

TEST(BadInput, WhatAnotherWindowWroteIsKept) {
    Driver d({"lake-fog.jpg"});
    d.start();
    GradePage* grade = d.window().gradePage();
    d.chooseStage("exposure");
    d.type(d.named<NumberField>(grade->editorPanel(), tr8("Stops")), tr8("1"), true);
    d.state().pictures().flush();
    const auto file = d.folder() / "lake-fog.jpg.bgrade";
    const std::string ours = readFile(file);
    // Written again from here there is nothing to tell.
    d.type(d.named<NumberField>(grade->editorPanel(), tr8("Stops")), tr8("1.5"), true);
    d.state().pictures().flush();
    EXPECT_FALSE(std::filesystem::exists(d.folder() / "lake-fog.jpg.bgrade.other"));
    // Another window on the same folder.
    writeFileAtomically(file, ours);
    d.type(d.named<NumberField>(grade->editorPanel(), tr8("Stops")), tr8("2"), true);
    d.state().pictures().flush();
    EXPECT_EQ(readFile(d.folder() / "lake-fog.jpg.bgrade.other"), ours);
    EXPECT_NE(readFile(file), ours);
    QTest::qWait(50);
    EXPECT_TRUE(d.isTold("changed by someone else"));
}

TEST(BadInput, WhatAnotherWindowWroteForAPictureThatHadNoGradeIsKeptToo) {
    Driver d({"lake-fog.jpg"});
    d.start();
    const auto file = d.folder() / "lake-fog.jpg.bgrade";
    ASSERT_FALSE(std::filesystem::exists(file));
    const std::vector<std::string> theirs = {gradeToText(startingGrade()), gradeToText(startingGrade()) + "\n"};
    int stops = 0;
    for (const std::string& each : theirs) {
        writeFileAtomically(file, each);
        d.chooseStage("exposure");
        d.type(d.named<NumberField>(d.window().gradePage()->editorPanel(), tr8("Stops")), QString::number(++stops),
               true);
        d.state().pictures().flush();
    }
    EXPECT_EQ(readFile(d.folder() / "lake-fog.jpg.bgrade.other"), theirs[0]);
    EXPECT_EQ(readFile(d.folder() / "lake-fog.jpg.bgrade 2.other"), theirs[1]) << "the first one stays";
    EXPECT_TRUE(d.isTold("changed by someone else"));
}

TEST(OpenWith, EachFileIsItsOwnAndOutlastsTheProgram) {
    OtherProgram other;
    {
        Driver d({"lake-fog.jpg"});
        d.start();
        for (int i = 1; i <= 2; ++i) {
            d.menu(tr8("File"), tr8("Open this picture with…"));
            ASSERT_TRUE(Driver::waitFor([&] { return other.files.size() == i; }));
        }
    }
    EXPECT_NE(other.files[0], other.files[1]) << "the same name in folders of their own";
    for (const QString& file : other.files) {
        EXPECT_EQ(QFileInfo(file).fileName(), QStringLiteral("lake-fog.tif"));
        EXPECT_TRUE(QFileInfo::exists(file)) << "it may still be open there";
        const QFileInfo folder(QFileInfo(file).path());
        EXPECT_EQ(folder.permissions() & (QFile::ReadGroup | QFile::ReadOther | QFile::ExeOther), 0)
            << "nobody else can look";
        QDir(folder.filePath()).removeRecursively();
    }
}

} // namespace baryton::test

#include "bad_input_test.moc"
