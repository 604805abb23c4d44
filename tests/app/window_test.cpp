// The real window, driven through menus, mouse and keys.
#include "app/driver.h"
#include "app/grade/colour_editors.h"
#include "app/grade/tone_editors.h"
#include "app/render_image.h"
#include "base/file.h"
#include "batch/names.h"
#include "lut/lut_file.h"
#include "package/grade_store.h"
#include "stages/lut_kernel.h"

#include <QCheckBox>
#include <QComboBox>
#include <QDialog>
#include <QKeySequence>
#include <QLabel>
#include <QMenu>
#include <QSignalSpy>
#include <QTableWidget>
#include <QTest>
#include <gtest/gtest.h>

namespace baryton::test {

namespace fs = std::filesystem;

namespace {

double numberOf(const Grade& grade, const char* stage, const char* parameter) {
    const auto place = findStage(grade, stage);
    const auto& values = stageAt(grade, *place).parameters;
    return values.contains(parameter) ? std::get<double>(values.at(parameter)) : 0;
}

/// The numbers of a picture file against a grade run by the core.
void expectRendered(const fs::path& file, const fs::path& source, const Grade& grade, int bits) {
    const Picture want = Program::compile(grade).graded(readPicture(source).picture), got = readPicture(file).picture;
    ASSERT_EQ(got.width(), want.width());
    const double step = 0.51 / ((1 << bits) - 1);
    double worst = 0;
    for (int k = 0; k < 3; ++k)
        for (int y = 0; y < want.height(); y += 11)
            for (int x = 0; x < want.width(); x += 7)
                worst = std::max(worst, std::abs(std::clamp(double(want.row(k, y)[x]), 0.0, 1.0) - got.row(k, y)[x]));
    EXPECT_LE(worst, step) << file;
}

CurvesEditor* curvesEditor(Driver& d) {
    d.chooseStage("curves");
    return qobject_cast<CurvesEditor*>(d.window().gradePage()->editorPanel()->editor());
}

WheelsEditor* wheelsEditor(Driver& d) {
    d.chooseStage("wheels");
    return qobject_cast<WheelsEditor*>(d.window().gradePage()->editorPanel()->editor());
}

QString noticeText(Driver& d) {
    for (auto* label : d.window().findChildren<QLabel*>())
        if (label->property("role") == tr8("error") && label->isVisible()) return label->text();
    return {};
}

} // namespace

TEST(Window, TheWholeSlice) {
    Driver d({"lantern-alley.jpg", "lake-fog.jpg", "meadow-cart.jpg", "portrait-dark.jpg"});
    d.start();
    GradePage* grade = d.window().gradePage();
    ASSERT_EQ(d.state().pictures().size(), 4);
    EXPECT_EQ(d.state().key(), 0);
    const std::string lakeBefore = readFile(d.folder() / "lake-fog.jpg");

    // A curve point by mouse, then its number typed.
    CurvesEditor* curves = curvesEditor(d);
    ASSERT_NE(curves, nullptr);
    d.drag(curves->view(), curves->view()->toWidget({0.25, 0.25}), curves->view()->toWidget({0.25, 0.4}));
    d.type(d.named<NumberField>(curves, tr8("Point out")), tr8("100+2"), true);
    const Curve curve = std::get<Curve>(
        stageAt(d.state().keyGrade(), *findStage(d.state().keyGrade(), "curves-1")).parameters.at("rgb"));
    ASSERT_EQ(curve.size(), 3u);
    EXPECT_NEAR(curve[1].x, 0.25, 0.01);
    EXPECT_NEAR(curve[1].y, 102 / 255.0, 1e-9);

    // A handle of the disc by mouse: one gesture is one step of undo.
    WheelsEditor* wheels = wheelsEditor(d);
    const std::size_t steps = d.state().history(d.state().key()).size();
    d.click(wheels->axis(), wheels->axis()->name(1));
    d.pull(wheels->disc(), 1, 120, 0.4);
    EXPECT_EQ(d.state().history(d.state().key()).size(), steps + 1);
    EXPECT_NEAR(numberOf(d.state().keyGrade(), "wheels-1", "midtones.amount"), 0.4, 0.05);

    // Exposure in Prep, which a preset must not carry unasked; and a vignette.
    d.chooseStage("exposure");
    d.type(d.named<NumberField>(grade->editorPanel(), tr8("Stops")), tr8("0.5"), true);
    d.chooseStage("vignette");
    d.type(d.named<NumberField>(grade->editorPanel(), tr8("Stops")), tr8("-1"), true);
    EXPECT_EQ(numberOf(d.state().keyGrade(), "exposure-1", "stops"), 0.5);
    const Grade made = d.state().keyGrade();

    // What the viewer shows is what the core makes of the same pixels.
    d.settle();
    const PictureView::Region r = grade->view()->region();
    const Pyramid pyramid(readPicture(d.folder() / "lake-fog.jpg").picture);
    const ViewSource source = viewSource(pyramid, {r.left, r.top, r.width, r.height, r.scale});
    EXPECT_EQ(grade->view()->shownAfter(), imageOf(Program::compile(made), source));

    // The preset: one tick taken away, Prep left out by itself.
    d.menu(tr8("File"), tr8("Save preset…"));
    QDialog* sheet = d.sheet();
    auto* tree = sheet->findChild<CarryTree*>();
    const auto items = tree->findItems(tr8("Midtones hue"), Qt::MatchExactly | Qt::MatchRecursive);
    ASSERT_EQ(items.size(), 1);
    EXPECT_EQ(items[0]->checkState(0), Qt::Checked);
    tree->scrollToItem(items[0]);
    const QRect row = tree->visualItemRect(items[0]);
    d.click(tree->viewport(), QPointF(row.left() + 8, row.center().y()));
    EXPECT_EQ(items[0]->checkState(0), Qt::Unchecked);
    d.type(d.named<QLineEdit>(sheet, tr8("Preset name")), tr8("Fog lifted"));
    d.click(d.button(sheet, tr8("Save preset")));
    ASSERT_TRUE(Driver::waitFor([&] { return fs::exists(d.libraryRoot() / "Tin Heron/Fog lifted.bpreset"); }));
    const Preset saved = readPresetFile(d.libraryRoot() / "Tin Heron/Fog lifted.bpreset");
    EXPECT_TRUE(saved.carried.prep.empty());
    ASSERT_EQ(saved.carried.look.size(), 1u);
    ASSERT_EQ(saved.carried.look[0].stages.size(), 2u);
    EXPECT_FALSE(saved.carried.look[0].stages[1].parameters.contains("midtones.hue"));
    EXPECT_TRUE(saved.carried.look[0].stages[1].parameters.contains("midtones.amount"));
    EXPECT_EQ(saved.carried.finish.size(), 1u);

    // On another picture, whose own exposure stays.
    d.chooseRow(grade->tray(), 1);
    d.settle();
    d.chooseStage("exposure");
    d.type(d.named<NumberField>(grade->editorPanel(), tr8("Stops")), tr8("-0.25"), true);
    d.click(d.named<QPushButton>(grade->editorPanel(), tr8("Shelf")));
    ASSERT_TRUE(Driver::waitFor([&] { return Driver::presetsOn(grade->shelf()->list()) == 4; }));
    const Grade untouched = d.state().keyGrade();
    const QModelIndex pointed =
        grade->shelf()->list()->model()->index(Driver::presetRow(grade->shelf()->list(), 0), 0);
    QTest::mouseMove(grade->shelf()->list()->viewport(), grade->shelf()->list()->visualRect(pointed).center());
    QTest::qWait(50);
    EXPECT_FALSE(d.state().shownGrade() == untouched) << "pointing tries it";
    EXPECT_EQ(d.state().keyGrade(), untouched) << "and changes nothing";
    d.chooseRow(grade->shelf()->list(), pointed.row());
    EXPECT_EQ(numberOf(d.state().keyGrade(), "exposure-1", "stops"), -0.25);
    EXPECT_EQ(numberOf(d.state().keyGrade(), "vignette-1", "stops"), -1);
    const Grade onSecond = d.state().keyGrade();

    // A LUT that says what it left out.
    d.menu(tr8("File"), tr8("Export LUT…"));
    sheet = d.sheet();
    const fs::path lut = d.root() / "second.cube";
    d.type(d.named<QLineEdit>(sheet, tr8("LUT file")), QString::fromStdString(lut.string()));
    d.click(d.button(sheet, tr8("Export LUT")));
    ASSERT_TRUE(Driver::waitFor([&] {
        for (auto* label : sheet->findChildren<QLabel*>())
            if (label->text().contains(tr8("Written and read back")) && label->text().contains(tr8("Vignette")))
                return true;
        return false;
    }));
    const LutTable table = readLutFile(lut).table;
    EXPECT_EQ(table.gridSize(), 33);
    CompileOptions look;
    look.prep = false, look.onlyWhatBakes = true;
    const Program exact = Program::compile(onSecond, look);
    for (const float v : {0.1F, 0.4F, 0.8F}) {
        const auto want = exact({v, 0.5F, 1 - v});
        const Vec3 got = applyLut(table, {v, 0.5F, 1 - v});
        for (std::size_t k = 0; k < 3; ++k) EXPECT_NEAR(got[k], want[k], 0.01);
    }
    d.click(d.button(sheet, tr8("Close")));

    // A batch of four with two looks, against the core.
    d.click(d.button(&d.window(), tr8("Batch")));
    BatchPage* batch = d.window().batchPage();
    d.chooseLook(tr8("Limelight"));
    d.chooseFormat(tr8("PNG"), 16);
    d.type(d.named<QLineEdit>(batch, tr8("Output folder")), QString::fromStdString((d.root() / "out").string()),
           true);
    d.click(d.button(batch, tr8("Start")));
    ASSERT_TRUE(Driver::waitFor([&] { return !batch->isRunning(); }, 120));
    const Preset limelight = readPresetFile(d.libraryRoot() / "Tin Heron/Limelight.bpreset");
    for (int i = 0; i < 4; ++i) {
        const OpenPicture& picture = d.state().pictures().at(i);
        const std::string stem = picture.file.stem().string();
        expectRendered(d.root() / "out" / (stem + "-own-grade.png"), picture.file, picture.work.grade, 16);
        Grade lit = startingGrade();
        lit.prep = picture.work.grade.prep;
        lit.look.clear(), lit.finish.clear();
        expectRendered(d.root() / "out" / (stem + "-limelight.png"), picture.file,
                       applied(lit, limelight, ApplyMode::AddAbove), 16);
    }
    // The same from the command line, byte for byte.
    const std::string command = std::string(BARYTON_CLI) + " apply --preset '" +
                                (d.libraryRoot() / "Tin Heron/Limelight.bpreset").string() + "' --out '" +
                                (d.root() / "cli").string() + "' --format png --bits 16 '" + d.folder().string() +
                                "' > /dev/null";
    ASSERT_EQ(std::system(command.c_str()), 0);
    for (const char* stem : {"lantern-alley", "lake-fog", "meadow-cart", "portrait-dark"})
        EXPECT_EQ(contentHash(readFile(d.root() / "cli" / (std::string(stem) + "-limelight.png"))),
                  contentHash(readFile(d.root() / "out" / (std::string(stem) + "-limelight.png"))))
            << stem;

    // Reopened, everything is as it was; and the originals were never touched.
    d.stop();
    d.start();
    EXPECT_EQ(d.state().pictures().at(0).work.grade, made);
    EXPECT_EQ(d.state().pictures().at(1).work.grade, onSecond);
    EXPECT_EQ(readFile(d.folder() / "lake-fog.jpg"), lakeBefore);
}

TEST(Window, UndoGoesBackThroughEverything) {
    Driver d({"lake-fog.jpg", "snow-yard.jpg"});
    d.start();
    GradePage* grade = d.window().gradePage();
    const Grade start = d.state().keyGrade();
    d.chooseStage("saturation");
    d.type(d.named<NumberField>(grade->editorPanel(), tr8("Saturation")), tr8("40"), true);
    d.click(grade->chain()->card("saturation-1"), grade->chain()->card("saturation-1")->dot().center());
    EXPECT_FALSE(d.state().keyGrade().look[0].stages[2].isEnabled());
    const Grade first = d.state().keyGrade();
    d.menu(tr8("Picture"), tr8("Next picture"));
    d.settle();
    EXPECT_EQ(d.state().key(), 1);
    d.chooseStage("wheels");
    d.type(d.named<NumberField>(grade->editorPanel(), tr8("Shadows amount")), tr8("30"), true);
    d.menu(tr8("Edit"), tr8("Undo Wheels: Shadows amount 30"));
    EXPECT_TRUE(isNeutral(d.state().keyGrade()));
    d.menu(tr8("Picture"), tr8("Previous picture"));
    d.settle();
    EXPECT_EQ(d.state().key(), 0);
    d.menu(tr8("Edit"), tr8("Undo Saturation off"));
    EXPECT_TRUE(d.state().keyGrade().look[0].stages[2].isEnabled());
    QTest::keySequence(&d.window(), QKeySequence(tr8("Ctrl+Z")));
    EXPECT_EQ(d.state().keyGrade(), start);
    QTest::keySequence(&d.window(), QKeySequence(tr8("Ctrl+Shift+Z")));
    QTest::keySequence(&d.window(), QKeySequence(tr8("Ctrl+Shift+Z")));
    EXPECT_EQ(d.state().keyGrade(), first);
}

TEST(Window, APresetIsSavedOverWithThePicturesValues) {
    Driver d({"lake-fog.jpg"});
    d.start();
    GradePage* grade = d.window().gradePage();
    d.state().applyPreset(readPresetFile(d.libraryRoot() / "Tin Heron/Limelight.bpreset"));
    const Preset before = readPresetFile(d.libraryRoot() / "Tin Heron/Limelight.bpreset");
    d.chooseStage("wheels");
    auto* disc = qobject_cast<WheelsEditor*>(grade->editorPanel()->editor())->disc();
    d.pull(disc, 0, 250, 0.4);
    d.chooseStage("exposure");
    d.type(d.named<NumberField>(grade->editorPanel(), tr8("Stops")), tr8("1"), true);
    d.click(d.button(&d.window(), tr8("Package")));
    PackagePage* package = d.window().packagePage();
    for (int row = 0; row < package->tiles()->model()->rowCount(); ++row)
        if (package->tiles()->model()->index(row, 0).data().toString() == tr8("Limelight"))
            d.chooseRow(package->tiles(), row);
    d.click(d.button(package, tr8("Save over")));
    const Preset after = readPresetFile(d.libraryRoot() / "Tin Heron/Limelight.bpreset");
    EXPECT_NE(after.carried, before.carried);
    EXPECT_EQ(presentIn(after.carried), presentIn(before.carried)) << "no exposure slips in";
    d.undo();
    EXPECT_EQ(readPresetFile(d.libraryRoot() / "Tin Heron/Limelight.bpreset"), before);
}

TEST(Window, PresetsAreRenamedAndDeletedAndComeBack) {
    Driver d({"lake-fog.jpg"});
    d.start();
    d.click(d.button(&d.window(), tr8("Package")));
    PackagePage* package = d.window().packagePage();
    ASSERT_TRUE(Driver::waitFor([&] { return package->tiles()->model()->rowCount() == 3; }));
    d.chooseRow(package->tiles(), 2);
    const fs::path file = d.libraryRoot() / "Tin Heron/Limelight.bpreset";
    const std::string bytes = readFile(file);
    d.type(d.named<QLineEdit>(package, tr8("Preset name")), tr8("Footlights"), true);
    EXPECT_FALSE(fs::exists(file));
    EXPECT_TRUE(fs::exists(d.libraryRoot() / "Tin Heron/Footlights.bpreset"));
    d.chooseRow(package->tiles(), 0);
    d.click(d.button(package, tr8("Delete")));
    EXPECT_EQ(package->tiles()->model()->rowCount(), 2);
    d.click(d.button(&d.window(), tr8("Grade")));
    d.menu(tr8("Edit"), tr8("Undo Delete Footlights"));
    EXPECT_EQ(package->tiles()->model()->rowCount(), 3) << "what was just done is undone from Grade too";
    d.menu(tr8("Edit"), tr8("Undo Rename Limelight to Footlights"));
    EXPECT_EQ(readFile(file), bytes);
    EXPECT_EQ(package->tiles()->model()->rowCount(), 3);
    // A file put there by hand appears; a broken one is listed with its error.
    writeFileAtomically(d.libraryRoot() / "By hand/broken.bpreset", "{ oh");
    d.click(d.button(&d.window(), tr8("Grade")));
    d.click(d.button(&d.window(), tr8("Package")));
    EXPECT_EQ(package->tiles()->model()->rowCount(), 4);
    d.chooseRow(package->tiles(), 0);
    EXPECT_TRUE(noticeText(d).contains(tr8("broken.bpreset")));
}

TEST(Window, BeforeIsHeldByKeyAndWipedByButton) {
    Driver d({"lake-fog.jpg"});
    d.start();
    PictureView* view = d.window().gradePage()->view();
    d.chooseStage("exposure");
    d.type(d.named<NumberField>(d.window().gradePage()->editorPanel(), tr8("Stops")), tr8("1.5"), true);
    d.settle();
    view->setFocus();
    const auto middle = [&] {
        return view->grab().toImage().pixelColor(view->width() / 4, view->height() / 2).lightness();
    };
    const int after = middle();
    QTest::keyPress(view, Qt::Key_B);
    d.settle();
    const int before = middle();
    QTest::keyRelease(view, Qt::Key_B);
    d.settle();
    EXPECT_LT(before, after);
    EXPECT_EQ(middle(), after);
    QTest::keyClick(view, Qt::Key_W);
    d.settle();
    EXPECT_EQ(view->compare(), PictureView::Compare::Wipe);
    EXPECT_EQ(middle(), before) << "before lies on the left";
    // Before = Prep only: exposure is Prep, so both sides are alike.
    auto* means = d.named<QComboBox>(d.window().gradePage(), tr8("What before means"));
    means->setFocus();
    QTest::keyClick(means, Qt::Key_Down);
    d.settle();
    EXPECT_EQ(middle(), after);
}

TEST(Window, ANeutralIsPickedFromThePicture) {
    Driver d({"snow-yard.jpg"});
    d.start();
    d.chooseStage("white-balance");
    GradePage* grade = d.window().gradePage();
    d.click(d.button(grade->editorPanel(), tr8("Pick a neutral…")));
    const Picture full = readPicture(d.folder() / "snow-yard.jpg").picture;
    const QPointF snow(full.width() * 0.15, full.height() * 0.9);
    d.click(grade->view(), grade->view()->fromPicture(snow));
    ASSERT_FALSE(isNeutral(d.state().keyGrade()));
    const auto c = Plan(Program::compile(d.state().keyGrade()), FrameMap::whole(full), full)
                       .mean(full, {static_cast<int>(snow.x()), static_cast<int>(snow.y()), 1, 1});
    const auto source = full.row(2, static_cast<int>(snow.y()))[static_cast<int>(snow.x())] -
                        full.row(0, static_cast<int>(snow.y()))[static_cast<int>(snow.x())];
    EXPECT_GT(source, 0.05F) << "the snow was blue";
    EXPECT_NEAR(c[0], c[2], 0.04) << "and is not any more";
}

TEST(Window, BadPicturesAndGradesAreToldAndNothingIsLost) {
    Driver d({"lake-fog.jpg", "snow-yard.jpg"});
    writeFileAtomically(d.folder() / "a-words.jpg", "only words");
    writeFileAtomically(d.folder() / "snow-yard.jpg.bgrade", "{ broken");
    d.start();
    EXPECT_TRUE(noticeText(d).contains(tr8("snow-yard.jpg.bgrade")));
    ASSERT_EQ(d.state().pictures().size(), 3);
    EXPECT_FALSE(d.state().pictures().at(0).error.isEmpty());
    d.menu(tr8("Picture"), tr8("Next picture"));
    d.menu(tr8("Picture"), tr8("Next picture"));
    d.settle();
    d.chooseStage("saturation");
    d.type(d.named<NumberField>(d.window().gradePage()->editorPanel(), tr8("Saturation")), tr8("-100"), true);
    ASSERT_TRUE(Driver::waitFor([&] { return fs::exists(d.folder() / "snow-yard.jpg.bgrade.unreadable"); }));
    EXPECT_EQ(readFile(d.folder() / "snow-yard.jpg.bgrade.unreadable"), "{ broken");
    // Written while the window is open: a kill would lose nothing.
    ASSERT_TRUE(Driver::waitFor([&] { return fs::exists(d.folder() / "snow-yard.jpg.bgrade"); }));
    EXPECT_EQ(numberOf(*loadGrade(d.folder() / "snow-yard.jpg"), "saturation-1", "overall"), -1);
}

TEST(Window, StagesAreAddedMovedAndDeleted) {
    Driver d({"lake-fog.jpg"});
    d.start();
    d.chooseStage("wheels");
    d.menu(tr8("Look"), tr8("Duplicate the stage"));
    ASSERT_EQ(d.state().keyGrade().look[0].stages.size(), 4u);
    EXPECT_EQ(d.state().chosenStage(), "wheels-2");
    d.menu(tr8("Look"), tr8("Move the stage later"));
    EXPECT_EQ(d.state().keyGrade().look[0].stages[3].id, "wheels-2");
    d.menu(tr8("Look"), tr8("Delete the stage"));
    EXPECT_EQ(d.state().keyGrade().look[0].stages.size(), 3u);
    d.menu(tr8("Edit"), tr8("Undo Delete a stage"));
    EXPECT_EQ(d.state().keyGrade().look[0].stages.size(), 4u);
    StageCard* card = d.window().gradePage()->chain()->card("curves-1");
    card->setFocus();
    QTest::keyClick(card, Qt::Key_Space);
    EXPECT_FALSE(d.state().keyGrade().look[0].stages[0].isEnabled());
    QTest::keyClick(card, Qt::Key_Right);
    EXPECT_EQ(d.state().chosenStage(), "wheels-1");
}

TEST(Window, NewStagesWorkAndSayWhatTheyDo) {
    Driver d({"meadow-cart.jpg"});
    d.start();
    GradePage* grade = d.window().gradePage();
    // Added from the card behind the chain: it starts with something to see.
    d.addStage(tr8("monochr"));
    ASSERT_EQ(d.state().keyGrade().look[0].stages.size(), 4u);
    EXPECT_FALSE(isNeutral(d.state().keyGrade()));
    // A saturation behind it has nothing left to work on, and says so.
    d.menu(tr8("Look"), tr8("Move the stage earlier"));
    d.chooseStage("saturation");
    d.type(d.named<NumberField>(grade->editorPanel(), tr8("Saturation")), tr8("60"), true);
    StageCard* card = grade->chain()->card("saturation-1");
    ASSERT_TRUE(Driver::waitFor([&] { return card->toolTip().contains(tr8("nothing to work on")); }));
    // A choice, a curve on lightness and a limit, through their own controls.
    d.chooseStage("curves");
    auto* curves = qobject_cast<CurvesEditor*>(grade->editorPanel()->editor());
    d.click(curves->channels()->button(5));
    d.drag(curves->view(), curves->view()->toWidget({0.5, 0.5}), curves->view()->toWidget({0.5, 0.6}));
    d.click(d.button(curves, tr8("Natural")));
    const Grade now = d.state().keyGrade();
    const auto& parameters = stageAt(now, *findStage(now, "curves-1")).parameters;
    EXPECT_TRUE(parameters.contains("lab.l"));
    EXPECT_EQ(std::get<std::string>(parameters.at("spline")), "natural");
    // The layer is laid over by another mode.
    const QPoint middle = grade->chain()->card("curves-1")->geometry().center();
    d.click(grade->chain(), QPoint(middle.x(), 30)); // its title, over the cards
    auto* blend = d.named<QComboBox>(grade->editorPanel(), tr8("Blend mode"));
    blend->setFocus();
    QTest::keyClick(blend, Qt::Key_Down);
    EXPECT_EQ(d.state().keyGrade().look[0].blendOrNormal(), "multiply");
}

TEST(Window, AMovingControlComesToRestExactly) {
    Driver d({"meadow-cart.jpg"});
    d.start();
    GradePage* grade = d.window().gradePage();
    for (const char* type : {"scale from dark", "Split tone", "Hue bands"}) d.addStage(tr8(type));
    auto* bands = qobject_cast<HueBandsEditor*>(grade->editorPanel()->editor());
    ASSERT_NE(bands, nullptr);
    d.click(bands->lanes(), bands->lanes()->handle(4, HueLanes::Shift));
    d.type(d.named<NumberField>(grade->editorPanel(), tr8("Band 5 shift")), tr8("30"), true);
    d.chooseStage("tone");
    d.type(d.named<NumberField>(grade->editorPanel(), tr8("Contrast")), tr8("30"), true);
    WheelsEditor* wheels = wheelsEditor(d);
    d.click(wheels->axis(), wheels->axis()->name(1));
    d.pull(wheels->disc(), 1, 200, 0.5);
    d.settle();
    const PictureView::Region r = grade->view()->region();
    const Pyramid pyramid(readPicture(d.folder() / "meadow-cart.jpg").picture);
    const ViewSource source = viewSource(pyramid, {r.left, r.top, r.width, r.height, r.scale});
    EXPECT_EQ(grade->view()->shownAfter(), imageOf(Program::compile(d.state().keyGrade()), source));
}

TEST(Window, TheShelfIsSearchedAndAPresetIsAddedAbove) {
    Driver d({"lake-fog.jpg"});
    d.start();
    GradePage* grade = d.window().gradePage();
    d.click(d.named<QPushButton>(grade->editorPanel(), tr8("Shelf")));
    auto* search = grade->shelf()->findChild<QLineEdit*>();
    d.type(search, tr8("lantern"));
    ASSERT_EQ(grade->shelf()->list()->model()->rowCount(), 2);
    EXPECT_EQ(grade->shelf()->list()->model()->index(0, 0).data().toString(), tr8("Tin Heron")) << "its group";
    EXPECT_EQ(grade->shelf()->list()->model()->index(1, 0).data().toString(), tr8("Lantern blue"));
    // What it does is told in the status bar, read aloud, and in no tooltip over the picture.
    auto* list = grade->shelf()->list();
    const QModelIndex first = list->model()->index(1, 0);
    QTest::mouseMove(list->viewport(), list->visualRect(first).center());
    EXPECT_TRUE(Driver::waitFor([&] { return d.isTold("leaves exposure and white balance"); }, 5));
    EXPECT_TRUE(first.data(Qt::AccessibleDescriptionRole).toString().contains(tr8("leaves exposure")));
    EXPECT_EQ(first.data(Qt::ToolTipRole).toString(), QString());
    d.click(d.named<QPushButton>(grade->shelf(), tr8("Close the shelf")));
    EXPECT_EQ(grade->side(), GradePage::Side::None);
    // From Package, above what is there, under its own name.
    d.click(d.button(&d.window(), tr8("Package")));
    PackagePage* package = d.window().packagePage();
    d.chooseRow(package->tiles(), 1);
    d.click(d.button(package, tr8("Add above")));
    d.click(d.button(package, tr8("Apply to key picture")));
    ASSERT_EQ(d.state().keyGrade().look.size(), 2u);
    EXPECT_EQ(d.state().keyGrade().look[1].name, "Lantern blue");
    EXPECT_TRUE(isNeutral(d.state().keyGrade().look[0].stages[0])) << "what was there stays";
    // Its layer is chosen by its bracket, turned down, renamed and deleted; undo brings it back.
    d.click(d.button(&d.window(), tr8("Grade")));
    const std::string id = d.state().keyGrade().look[1].id;
    StageCard* last = grade->chain()->card(d.state().keyGrade().look[1].stages.back().id);
    d.click(grade->chain(), QPointF(last->geometry().right() + 4, last->geometry().center().y()));
    ASSERT_EQ(d.state().chosenStage(), id);
    d.type(d.named<NumberField>(grade->editorPanel(), tr8("Strength")), tr8("40"), true);
    EXPECT_EQ(d.state().keyGrade().look[1].strengthOrFull(), 0.4);
    d.type(d.named<QLineEdit>(grade->editorPanel(), tr8("Layer name")), tr8("Night"), true);
    EXPECT_EQ(d.state().keyGrade().look[1].name, "Night");
    const Grade before = d.state().keyGrade();
    d.click(d.button(grade->editorPanel(), tr8("Delete layer")));
    EXPECT_EQ(d.state().keyGrade().look.size(), 1u);
    d.undo();
    EXPECT_EQ(d.state().keyGrade(), before);
}

TEST(Window, ResettingGoesFromTheStageToThePicture) {
    Driver d({"lake-fog.jpg"});
    d.start();
    GradePage* grade = d.window().gradePage();
    d.chooseStage("wheels");
    d.type(d.named<NumberField>(grade->editorPanel(), tr8("Shadows amount")), tr8("25"), true);
    d.chooseStage("saturation");
    d.type(d.named<NumberField>(grade->editorPanel(), tr8("Saturation")), tr8("-30"), true);
    d.click(d.button(grade->editorPanel(), tr8("Reset")));
    EXPECT_TRUE(isNeutral(d.state().keyGrade().look[0].stages[2]));
    EXPECT_FALSE(isNeutral(d.state().keyGrade().look[0].stages[1]));
    d.menu(tr8("Edit"), tr8("Reset the picture"));
    EXPECT_TRUE(isNeutral(d.state().keyGrade()));
    // A number that is none is marked and changes nothing.
    auto* field = d.named<NumberField>(grade->editorPanel(), tr8("Saturation"));
    d.type(field, tr8("much"), true);
    EXPECT_TRUE(field->property("wrong").toBool());
    EXPECT_TRUE(isNeutral(d.state().keyGrade()));
}

TEST(Window, ZoomIsReachedByMenuAndShowsThePicturesOwnPixels) {
    Driver d({"chart-table.jpg"});
    d.start();
    PictureView* view = d.window().gradePage()->view();
    d.menu(tr8("View"), tr8("Full size (100 %)"));
    d.settle();
    EXPECT_EQ(view->scale(), 1);
    const PictureView::Region r = view->region();
    const Picture full = readPicture(d.folder() / "chart-table.jpg").picture;
    const QImage shown = view->shownAfter();
    for (int y = 0; y < r.height; y += 37)
        for (int x = 0; x < r.width; x += 41)
            EXPECT_EQ(qRed(shown.pixel(x, y)),
                      std::lround(full.row(0, static_cast<int>(r.top) + y)[static_cast<int>(r.left) + x] * 255));
    d.menu(tr8("View"), tr8("Larger"));
    EXPECT_GT(view->scale(), 1);
    d.menu(tr8("View"), tr8("Fit the window"));
    EXPECT_TRUE(view->isFitted());
}

TEST(Window, SavingUnderATakenNameReplacesAndUndoBringsItBack) {
    Driver d({"lake-fog.jpg"});
    d.start();
    const fs::path file = d.libraryRoot() / "Tin Heron/Limelight.bpreset";
    const std::string before = readFile(file);
    d.chooseStage("saturation");
    d.type(d.named<NumberField>(d.window().gradePage()->editorPanel(), tr8("Saturation")), tr8("20"), true);
    QTest::keySequence(&d.window(), QKeySequence(tr8("Ctrl+S")));
    QDialog* sheet = d.sheet();
    EXPECT_FALSE(d.button(sheet, tr8("Save preset"))->isEnabled()) << "it has no name yet";
    d.type(d.named<QLineEdit>(sheet, tr8("Preset name")), tr8("Limelight"));
    EXPECT_TRUE(d.button(sheet, tr8("Replace preset"))->isEnabled());
    d.click(d.button(sheet, tr8("None")));
    EXPECT_FALSE(d.button(sheet, tr8("Replace preset"))->isEnabled()) << "nothing would be carried";
    d.click(d.button(sheet, tr8("All")));
    d.click(d.button(sheet, tr8("Only changed")));
    d.click(d.button(sheet, tr8("Replace preset")));
    ASSERT_TRUE(Driver::waitFor([&] { return readFile(file) != before; }));
    const Preset replaced = readPresetFile(file);
    EXPECT_EQ(presentIn(replaced.carried).size(), 1u);
    EXPECT_TRUE(replaced.carried.prep.empty());
    d.undo();
    EXPECT_EQ(readFile(file), before);
}

TEST(Window, ABatchGoesOnPastABrokenFileAndCanBeCancelled) {
    Driver d({"lake-fog.jpg", "snow-yard.jpg", "meadow-cart.jpg"});
    d.start();
    fs::resize_file(d.folder() / "meadow-cart.jpg", 20000);
    d.click(d.button(&d.window(), tr8("Batch")));
    BatchPage* batch = d.window().batchPage();
    const fs::path out = d.root() / "out";
    d.type(d.named<QLineEdit>(batch, tr8("Output folder")), QString::fromStdString(out.string()), true);
    d.click(d.button(batch, tr8("Start")));
    ASSERT_TRUE(Driver::waitFor([&] { return !batch->isRunning(); }, 60));
    auto* table = batch->findChild<QTableWidget*>();
    const auto cell = [&](int row) { return table->item(row, 3)->text(); };
    EXPECT_TRUE(cell(0).startsWith(tr8("done")));
    EXPECT_TRUE(cell(1).startsWith(tr8("failed"))) << qPrintable(cell(1));
    EXPECT_TRUE(table->item(1, 3)->toolTip().contains(tr8("copy it again"))) << "and says what to do";
    EXPECT_TRUE(cell(2).startsWith(tr8("done")));
    EXPECT_TRUE(fs::exists(out / "lake-fog-own-grade.jpg"));
    EXPECT_FALSE(fs::exists(out / "meadow-cart-own-grade.jpg"));
    // Started again and cancelled at once: what is there is whole.
    d.click(d.button(batch, tr8("Start")));
    d.click(d.button(batch, tr8("Cancel")));
    ASSERT_TRUE(Driver::waitFor([&] { return !batch->isRunning(); }, 60));
    for (const auto& entry : fs::directory_iterator(out)) EXPECT_NO_THROW(readPicture(entry.path())) << entry.path();
    EXPECT_TRUE(batch->startButton()->isEnabled());
}

TEST(Window, ARunIsNotForgottenWhenTheWindowCloses) {
    Driver d({"lake-fog.jpg", "snow-yard.jpg", "meadow-cart.jpg", "red-curtain.jpg", "spotlight.jpg"});
    d.start();
    d.click(d.button(&d.window(), tr8("Batch")));
    BatchPage* batch = d.window().batchPage();
    const fs::path out = d.root() / "out";
    d.type(d.named<QLineEdit>(batch, tr8("Output folder")), QString::fromStdString(out.string()), true);
    d.chooseFormat(tr8("PNG"), 16); // slow enough to be met while it runs
    const auto made = [&] {
        std::size_t count = 0;
        std::error_code ignored;
        for (const auto& entry : fs::directory_iterator(out, ignored)) count += entry.path().extension() == ".png";
        return count;
    };
    // It asks, and staying changes nothing.
    d.click(d.button(batch, tr8("Start")));
    ASSERT_TRUE(batch->isRunning());
    EXPECT_FALSE(d.window().close());
    d.click(d.button(d.sheet(), tr8("Stay")));
    EXPECT_TRUE(d.window().isVisible());
    // Stopped after what is in hand, then closed.
    EXPECT_FALSE(d.window().close());
    d.click(d.button(d.sheet(), tr8("Stop after the files in hand")));
    ASSERT_TRUE(Driver::waitFor([&] { return !d.window().isVisible(); }, 60));
    const std::size_t before = made();
    ASSERT_GT(before, 0u);
    ASSERT_LT(before, 5u);
    d.stop();
    for (const auto& entry : fs::directory_iterator(out)) EXPECT_NO_THROW(readPicture(entry.path())) << entry.path();
    // The next start knows all of it and makes the rest, each once.
    d.start();
    d.click(d.button(&d.window(), tr8("Batch")));
    batch = d.window().batchPage();
    EXPECT_EQ(batch->settings().folder, out.string());
    EXPECT_EQ(batch->settings().outputs[0].format.bits, 16);
    auto* table = batch->findChild<QTableWidget*>();
    const auto cells = [&](const char* begins) {
        int count = 0;
        for (int row = 0; row < table->rowCount(); ++row)
            count += table->item(row, 3)->text().startsWith(tr8(begins));
        return count;
    };
    EXPECT_EQ(cells("done"), static_cast<int>(before));
    EXPECT_EQ(cells("not made"), 5 - static_cast<int>(before));
    std::map<fs::path, fs::file_time_type> written;
    for (const auto& entry : fs::directory_iterator(out)) written[entry.path()] = entry.last_write_time();
    d.click(d.button(batch, tr8("Continue")));
    ASSERT_TRUE(Driver::waitFor([&] { return !batch->isRunning(); }, 60));
    EXPECT_EQ(cells("done"), 5);
    EXPECT_EQ(made(), 5u) << "none twice";
    for (const auto& [file, time] : written) EXPECT_EQ(fs::last_write_time(file), time) << file;
    EXPECT_EQ(batch->startButton()->text(), tr8("Start"));
}

TEST(Window, OpeningAnotherSetLeavesARunAlone) {
    Driver d({"lake-fog.jpg", "snow-yard.jpg", "meadow-cart.jpg"});
    d.start();
    d.click(d.button(&d.window(), tr8("Batch")));
    BatchPage* batch = d.window().batchPage();
    const fs::path out = d.root() / "out";
    d.type(d.named<QLineEdit>(batch, tr8("Output folder")), QString::fromStdString(out.string()), true);
    d.chooseFormat(tr8("PNG"), 16);
    d.click(d.button(batch, tr8("Start")));
    ASSERT_TRUE(batch->isRunning());
    d.click(d.button(batch, tr8("Pause"))); // so that it is not over before the rest is looked at
    const fs::path other = d.root() / "other";
    fs::create_directories(other);
    fs::copy_file(d.folder() / "lake-fog.jpg", other / "one.jpg");
    d.window().openPaths({other});
    EXPECT_TRUE(batch->isRunning());
    EXPECT_TRUE(batch->progressText().contains(tr8("of 3 files"))) << qPrintable(batch->progressText());
    EXPECT_EQ(batch->settings().folder, (other / "finished").string()) << "each set has settings of its own";
    // What is begun here comes after it.
    d.click(d.button(&d.window(), tr8("Batch")));
    EXPECT_EQ(batch->startButton()->text(), tr8("Queue"));
    d.click(batch->startButton());
    EXPECT_TRUE(batch->progressText().endsWith(tr8("1 more in the queue"))) << qPrintable(batch->progressText());
    EXPECT_FALSE(batch->startButton()->isEnabled()) << "it is in the queue";
    d.click(d.button(batch, tr8("Go on")));
    ASSERT_TRUE(Driver::waitFor([&] { return !batch->isRunning(); }, 60));
    EXPECT_TRUE(fs::exists(other / "finished" / "one-own-grade.png")) << "set as the one before it";
    d.window().openPaths({d.folder()});
    EXPECT_EQ(batch->settings().folder, out.string());
    EXPECT_EQ(batch->settings().outputs[0].format.bits, 16);
    EXPECT_TRUE(batch->progressText().contains(tr8("made 3 of 3 files"))) << qPrintable(batch->progressText());
    EXPECT_EQ(std::distance(fs::directory_iterator(out), {}), 3);
}

TEST(Window, ARunGoesOnInTheBackground) {
    Driver d({"lake-fog.jpg", "snow-yard.jpg", "meadow-cart.jpg"});
    d.start();
    d.click(d.button(&d.window(), tr8("Batch")));
    BatchPage* batch = d.window().batchPage();
    const fs::path out = d.root() / "out";
    d.type(d.named<QLineEdit>(batch, tr8("Output folder")), QString::fromStdString(out.string()), true);
    d.chooseFormat(tr8("PNG"), 16);
    QSignalSpy ended(&d.window(), &MainWindow::endedInBackground);
    d.click(d.button(batch, tr8("Start")));
    EXPECT_FALSE(d.window().close());
    d.click(d.button(d.sheet(), tr8("Go on in the background")));
    EXPECT_FALSE(d.window().isVisible());
    ASSERT_TRUE(Driver::waitFor([&] { return ended.count() == 1; }, 60)) << "then the program ends by itself";
    int files = 0;
    for (const auto& entry : fs::directory_iterator(out)) {
        EXPECT_NO_THROW(readPicture(entry.path()));
        ++files;
    }
    EXPECT_EQ(files, 3);
    QGuiApplication::setQuitOnLastWindowClosed(true);
}

TEST(Window, BatchSettingsAreUndoneAndTemplatesChecked) {
    Driver d({"lake-fog.jpg"});
    d.start();
    d.click(d.button(&d.window(), tr8("Batch")));
    BatchPage* batch = d.window().batchPage();
    d.chooseFormat(tr8("TIFF"), 8);
    EXPECT_EQ(batch->settings().outputs[0].format.format, FileFormat::Tiff);
    d.type(d.named<QLineEdit>(batch, tr8("Name template")), tr8("../{stem}.{ext}"));
    EXPECT_FALSE(d.button(batch, tr8("Start"))->isEnabled()) << "a name that leads out of the folder";
    d.type(d.named<QLineEdit>(batch, tr8("Name template")), tr8("{n}-{stem}.{ext}"), true);
    EXPECT_TRUE(d.button(batch, tr8("Start"))->isEnabled());
    d.menu(tr8("Edit"), tr8("Undo Batch: names"));
    d.menu(tr8("Edit"), tr8("Undo Batch: format"));
    EXPECT_EQ(batch->settings().outputs[0].format.format, FileFormat::Jpeg);
}

} // namespace baryton::test
