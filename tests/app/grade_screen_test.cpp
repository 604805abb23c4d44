// The rest of the Grade screen: the shelf, finding, and what stands around the picture.
#include "app/palette.h"
#include "app/render_image.h"
#include "app/screen_helpers.h"
#include "base/file.h"
#include "picture/memory_limit.h"
#include "picture/picture_file.h"

#include <gtest/gtest.h>

namespace baryton::test {

TEST(Shelf, AClickTriesTheNextReplacesAnEditKeeps) {
    Driver d({"lake-fog.jpg"});
    d.start();
    GradePage* grade = d.window().gradePage();
    d.click(d.named<QPushButton>(grade->editorPanel(), tr8("Shelf")));
    QTest::qWait(200);
    QListView* shelf = grade->shelf()->list();
    d.chooseRow(shelf, Driver::presetRow(shelf, 0));
    const Grade first = d.state().keyGrade();
    d.chooseRow(shelf, Driver::presetRow(shelf, 1));
    EXPECT_NE(d.state().keyGrade(), first);
    EXPECT_EQ(d.state().history(0).size(), 1) << "the second took the first one's place";
    d.undo();
    EXPECT_TRUE(isNeutral(d.state().keyGrade()));
    // At half strength the numbers go half the way.
    d.chooseRow(shelf, Driver::presetRow(shelf, 0));
    const Grade whole = d.state().keyGrade();
    d.type(grade->shelf()->strengthRow()->field(), tr8("50"), true);
    d.chooseRow(shelf, Driver::presetRow(shelf, 0));
    int halved = 0;
    for (const Change& change : diff(startingGrade(), whole)) {
        if (!change.after || !std::holds_alternative<double>(*change.after)) continue;
        const auto place = findStage(d.state().keyGrade(), change.path.stage);
        if (!place) continue;
        const StageType* type = findStageType(stageAt(whole, *findStage(whole, change.path.stage)).type);
        const ParameterType* parameter = type->parameter(change.path.parameter);
        if (!parameter || parameter->wraps) continue;
        const double from = std::get<double>(parameter->defaultValue), to = std::get<double>(*change.after);
        EXPECT_NEAR(numberOf(d.state().keyGrade(), change.path.stage, change.path.parameter), (from + to) / 2, 1e-9);
        ++halved;
    }
    EXPECT_GT(halved, 0);
    // Edited, it is kept: the next comes on top.
    d.chooseStage("exposure");
    d.type(d.named<NumberField>(grade->editorPanel(), tr8("Stops")), tr8("0.5"), true);
    d.chooseRow(shelf, Driver::presetRow(shelf, 1));
    EXPECT_EQ(numberOf(d.state().keyGrade(), "exposure-1", "stops"), 0.5);
}

TEST(Finding, CommandsStagesPresetsAndPictures) {
    Driver d({"lake-fog.jpg", "snow-yard.jpg"});
    d.start();
    const auto find = [&](const char* words) {
        QTest::keyClick(&d.window(), Qt::Key_K, Qt::ControlModifier);
        QTest::qWait(20);
        auto* palette = d.window().findChild<Palette*>();
        ASSERT_NE(palette, nullptr);
        QTest::keyClicks(palette->search(), tr8(words));
        QTest::keyClick(palette->search(), Qt::Key_Return);
        QTest::qWait(30);
        QApplication::setActiveWindow(&d.window());
    };
    find("snow");
    EXPECT_EQ(d.state().key(), 1);
    find("add primaries");
    EXPECT_TRUE(findStage(d.state().keyGrade(), "primaries-1"));
    find("limelight");
    EXPECT_FALSE(isNeutral(d.state().keyGrade()));
    find("undo");
    find("keep a take");
    EXPECT_EQ(d.state().keyWork().takes.size(), 1u);
}

TEST(Around, ThemesSurroundAndMonitorProfile) {
    Driver d({"red-curtain.jpg"});
    d.start();
    d.menu(tr8("File"), tr8("Preferences…"));
    const QColor dark = d.window().gradePage()->editorPanel()->grab().toImage().pixelColor(3, 3);
    auto* segments = d.named<Segments>(d.sheet(), tr8("Theme"));
    d.click(segments->button(1));
    QTest::qWait(60);
    const QColor light = d.window().gradePage()->editorPanel()->grab().toImage().pixelColor(3, 3);
    EXPECT_GT(light.lightness(), dark.lightness() + 100);
    d.click(segments->button(0));
    auto* memory = d.named<NumberField>(d.sheet(), tr8("Memory for one picture, MB"));
    d.type(memory, tr8("700"), true);
    EXPECT_EQ(memoryLimit(), std::size_t(700) << 20);
    d.type(memory, tr8("0"), true);
    EXPECT_GT(memoryLimit(), std::size_t(700) << 20) << "of the machine";
    d.click(d.named<Segments>(d.sheet(), tr8("Surround"))->button(2));
    EXPECT_GT(d.window().gradePage()->view()->grab().toImage().pixelColor(2, 2).lightness(), 180);
    // The monitor's profile from a file, and what is wrong with one.
    const auto takeProfile = [&](const std::filesystem::path& file) {
        d.click(d.named<Segments>(d.sheet(), tr8("Monitor profile"))->button(2));
        auto* dialog = d.window().findChild<QFileDialog*>();
        Q_EMIT dialog->fileSelected(QString::fromStdString(file.string()));
        dialog->close();
        QTest::qWait(30);
    };
    const std::string icc = QColorSpace(QColorSpace::DisplayP3).iccProfile().toStdString();
    writeFileAtomically(d.root() / "wide.icc", icc);
    takeProfile(d.root() / "wide.icc");
    EXPECT_TRUE(Driver::waitFor([&] { return screenId() == contentHash(icc); }));
    takeProfile(d.root() / "none.icc");
    EXPECT_TRUE(Driver::waitFor([&] { return screenId().empty(); }));
    EXPECT_TRUE(d.isTold("none.icc"));
    d.click(d.named<Segments>(d.sheet(), tr8("Monitor profile"))->button(1));
    d.click(d.button(d.sheet(), tr8("Close")));
    EXPECT_EQ(loadSettings().surround, theme::Surround::Light);
    theme::setSurround(theme::Surround::Dark);
    // A wide monitor: the same red needs smaller numbers there.
    const Picture red = [] {
        Picture p(8, 8);
        for (int y = 0; y < 8; ++y)
            for (int x = 0; x < 8; ++x) p.row(0, y)[x] = 1;
        return p;
    }();
    EXPECT_EQ(imageOf(Grade{}, red).pixelColor(4, 4), QColor(255, 0, 0));
    prepareScreens({{icc, std::nullopt}})();
    const QColor wide = imageOf(Grade{}, red).pixelColor(4, 4);
    EXPECT_NEAR(wide.red(), 234, 2); // sRGB's red in Display P3, as CSS Color 4 has it
    EXPECT_NEAR(wide.green(), 51, 2);
    EXPECT_NEAR(wide.blue(), 35, 3);
    prepareScreens({})();
}

TEST(Around, ThePictureIsWrittenStraightFromHere) {
    Driver d({"lake-fog.jpg"});
    d.start();
    d.chooseStage("exposure");
    d.type(d.named<NumberField>(d.window().gradePage()->editorPanel(), tr8("Stops")), tr8("-1"), true);
    d.menu(tr8("File"), tr8("Write this picture…"));
    auto* dialog = qobject_cast<QFileDialog*>(d.sheet());
    ASSERT_NE(dialog, nullptr);
    const auto target = d.root() / "fog out.jpg";
    dialog->selectFile(QString::fromStdString(target.string()));
    Q_EMIT dialog->fileSelected(QString::fromStdString(target.string()));
    dialog->close();
    ASSERT_TRUE(Driver::waitFor([&] { return std::filesystem::exists(target); }));
    QTest::qWait(200);
    const Picture out = readPicture(target).picture, in = readPicture(d.folder() / "lake-fog.jpg").picture;
    EXPECT_LT(out.row(1, 100)[100], in.row(1, 100)[100] - 0.1F);
    EXPECT_FALSE(std::filesystem::equivalent(target, d.folder() / "lake-fog.jpg"));
}

} // namespace baryton::test
