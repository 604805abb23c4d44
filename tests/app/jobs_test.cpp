// What people set out to do, done through the window on the demo set; the actions it took are counted, and what must
// hold in the end is measured on the pictures.
#include "app/driver.h"
#include "app/grade/colour_editors.h"
#include "app/grade/samples.h"
#include "base/file.h"
#include "colour/spaces.h"
#include "grade/grade_json.h"
#include "picture/picture_file.h"

#include <fstream>
#include <gtest/gtest.h>

namespace baryton::test {

namespace {

QString tr8(const char* text) {
    return QString::fromUtf8(text);
}

/// A place of a picture before and after its grade.
struct Place {
    std::array<float, 3> before, after;
    double hueMoved() const { return std::remainder(perceptualHue(after) - perceptualHue(before), 360); }
    double difference() const {
        const auto lab = [](const std::array<float, 3>& c) { return labFromSrgb({c[0], c[1], c[2]}); };
        return deltaE2000(lab(before), lab(after));
    }
};
Place placeOf(const Picture& picture, const Grade& grade, QPointF share) {
    const auto before = meanColour(picture, share);
    return {before, Program::compile(grade)(before)};
}

} // namespace

TEST(Jobs, PlumCurtain) {
    Driver d({"red-curtain.jpg", "spotlight.jpg"});
    d.start();
    GradePage* grade = d.window().gradePage();
    // The other picture already wears something.
    d.chooseRow(grade->tray(), 1);
    d.settle();
    d.state().applyPreset(readPresetFile(d.libraryRoot() / "Tin Heron/Limelight.bpreset"));
    const Grade worn = d.state().keyGrade();
    d.chooseRow(grade->tray(), 0);
    d.settle();

    d.countFromHere();
    d.addStage(tr8("Hue bands"));
    d.key("P");
    d.drag(grade->view(), d.onPicture({0.63, 0.60}), d.onPicture({0.63, 0.60}) + QPointF(-150, 0));
    const int band = qobject_cast<HueBandsEditor*>(grade->editorPanel()->editor())->lanes()->chosen() + 1;
    const auto field = [&](const char* name) {
        return d.named<NumberField>(grade->editorPanel(), tr8("Band %1 %2").arg(band).arg(tr8(name)));
    };
    d.type(field("width"), tr8("10"), true);
    d.type(field("feather"), tr8("12"), true);
    d.chooseStage("wheels");
    auto* wheel = qobject_cast<WheelsEditor*>(grade->editorPanel()->editor())->wheel(0);
    d.drag(wheel, wheel->puck(), wheel->discPoint(60, 0.06));
    d.key("Ctrl+S");
    d.type(d.named<QLineEdit>(d.sheet(), tr8("Preset name")), tr8("Plum"), true); // Enter saves
    QTest::qWait(100);
    EXPECT_EQ(d.sheetIfAny(), nullptr);
    d.chooseRow(grade->tray(), 1);
    d.click(d.named<QPushButton>(grade->editorPanel(), tr8("Shelf")));
    QTest::qWait(100);
    int row = -1;
    for (int i = 0; i < grade->shelf()->list()->model()->rowCount(); ++i)
        if (grade->shelf()->list()->model()->index(i, 0).data().toString() == tr8("Plum")) row = i;
    ASSERT_GE(row, 0);
    d.chooseRow(grade->shelf()->list(), row);
    EXPECT_LE(d.actions(), 14);

    const Picture picture = readPicture(d.folder() / "red-curtain.jpg").picture;
    const Grade& made = d.state().pictures().at(0).work.grade;
    EXPECT_GE(std::abs(placeOf(picture, made, {0.63, 0.60}).hueMoved()), 25) << "the curtain";
    EXPECT_LT(placeOf(picture, made, {0.933, 0.43}).difference(), 3) << "gold";
    EXPECT_LT(placeOf(picture, made, {0.408, 0.345}).difference(), 3) << "the face";
    // On the other picture nothing but band and wheel changed.
    for (const Change& change : diff(worn, d.state().keyGrade())) {
        const Grade& now = d.state().keyGrade();
        const auto place = findStage(now, change.path.stage);
        ASSERT_TRUE(place);
        const std::string& type = stageAt(now, *place).type;
        EXPECT_TRUE(type == "hue-bands" || (type == "wheels" && change.path.parameter.rfind("shadows.", 0) == 0))
            << type << ' ' << change.path.parameter;
    }
}

TEST(Jobs, LateStraw) {
    Driver d({"meadow-cart.jpg"});
    d.start();
    GradePage* grade = d.window().gradePage();
    d.countFromHere();
    d.addStage(tr8("Hue bands"));
    d.key("P");
    d.drag(grade->view(), d.onPicture({0.3, 0.93}), d.onPicture({0.3, 0.93}) + QPointF(-116, 10));
    d.key("O"); // this stage alone
    EXPECT_TRUE(grade->isAlone());
    d.key("O");
    EXPECT_LE(d.actions(), 18);
    const Picture picture = readPicture(d.folder() / "meadow-cart.jpg").picture;
    double moved = 0;
    const QPointF greens[] = {{0.3, 0.93}, {0.1, 0.9}, {0.6, 0.95}, {0.45, 0.18}};
    for (const QPointF& green : greens)
        moved += std::abs(placeOf(picture, d.state().keyGrade(), green).hueMoved()) / 4;
    EXPECT_GE(moved, 20);
    EXPECT_LE(moved, 40);
    EXPECT_LT(placeOf(picture, d.state().keyGrade(), {0.73, 0.25}).difference(), 4) << "the face";
    EXPECT_LT(placeOf(picture, d.state().keyGrade(), {0.21, 0.55}).difference(), 4) << "the cart";
}

TEST(Jobs, InkPages) {
    Driver d; // all twelve; seven of them are the pages
    d.start();
    GradePage* grade = d.window().gradePage();
    d.countFromHere();
    d.chooseRow(grade->tray(), 0);
    QTest::mouseClick(grade->tray()->viewport(), Qt::LeftButton, Qt::ShiftModifier,
                      grade->tray()->visualRect(grade->tray()->model()->index(6, 0)).center());
    EXPECT_EQ(grade->compareBar()->chip()->text(), tr8("Edits: these 7"));
    d.addStage(tr8("Monochrome"));
    d.type(d.named<NumberField>(grade->editorPanel(), tr8("Reds")), tr8("30"), true);
    // Levels drawn in for uncoated paper.
    d.addStage(tr8("Levels"));
    d.type(d.named<NumberField>(grade->editorPanel(), tr8("RGB black out")), tr8("8"), true);
    d.type(d.named<NumberField>(grade->editorPanel(), tr8("RGB white out")), tr8("94"), true);
    d.key("Ctrl+T");                // a take of the key picture
    EXPECT_LE(d.actions() + 1, 22); // the click with Shift
    d.settle();
    for (int i = 0; i < 7; ++i) {
        const auto& work = d.state().pictures().at(i).work;
        const Picture small = readThumbnail(d.state().pictures().at(i).file, 64);
        const Picture out = Program::compile(work.grade).graded(small);
        for (int y = 0; y < out.height(); y += 7)
            for (int x = 0; x < out.width(); x += 7) {
                EXPECT_NEAR(out.row(0, y)[x], out.row(2, y)[x], 2e-3) << i;
                EXPECT_GT(out.row(0, y)[x], 0.07) << "no ink is blacker than that";
            }
    }
    EXPECT_TRUE(isNeutral(d.state().pictures().at(8).work.grade)) << "the others are left alone";
    for (int i = 0; i < 7; ++i) EXPECT_EQ(d.state().pictures().at(i).work.takes.size(), 2u) << "a take of each";
    // A hue band behind the monochrome has nothing to act on, and its card says so.
    d.addStage(tr8("Hue bands"));
    auto* lanes = qobject_cast<HueBandsEditor*>(grade->editorPanel()->editor())->lanes();
    d.drag(lanes, lanes->handle(2, HueLanes::Shift), lanes->handle(2, HueLanes::Shift) - QPointF(0, 12));
    const auto place = findStage(d.state().keyGrade(), d.state().chosenStage());
    const std::string id = stageAt(d.state().keyGrade(), *place).id;
    EXPECT_TRUE(
        Driver::waitFor([&] { return grade->chain()->card(id)->toolTip().contains(tr8("nothing to work on")); }));
    // One undo takes it from all seven.
    d.state().undoStack().undo();
    d.state().undoStack().undo();
    for (int i = 0; i < 7; ++i) EXPECT_FALSE(findStage(d.state().pictures().at(i).work.grade, "hue-bands-1")) << i;
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
    bool told = false;
    for (auto* label : d.window().findChildren<QLabel*>())
        told = told || (label->isVisible() && label->text().contains(tr8("changed by someone else")));
    EXPECT_TRUE(told);
}

} // namespace baryton::test
