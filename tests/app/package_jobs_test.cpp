// What people set out to do with presets, through the window on the demo set, with the actions counted.
#include "app/driver.h"
#include "app/grade/colour_editors.h"
#include "app/grade/samples.h"
#include "app/guide_pictures.h"
#include "base/file.h"
#include "edits/in_force.h"
#include "grade/grade_json.h"
#include "lut/bake.h"
#include "lut/lut_file.h"
#include "package/archive.h"
#include "picture/picture_file.h"
#include "stages/lut_kernel.h"
#include "stages/stage_type.h"

#include <QComboBox>
#include <QTest>
#include <gtest/gtest.h>

namespace baryton::test {

namespace fs = std::filesystem;

namespace {

/// A preset of one value in the layer that every picture has.
void keepPreset(Driver& d, const char* name, const char* type, const char* parameter, double value) {
    Preset preset;
    preset.name = name;
    Layer layer;
    layer.name = startingGrade().look[0].name;
    layer.stages.push_back(makeStage({}, type));
    layer.stages[0].parameters[parameter] = value;
    preset.carried.look.push_back(layer);
    writePresetFile(d.libraryRoot() / "Kit" / (preset.name + ".bpreset"), preset);
}

/// A preset of one stage in Finish.
void keepFinish(Driver& d, const char* name, const char* type, const char* parameter, double value) {
    Preset preset;
    preset.name = name;
    preset.carried.finish.push_back(makeStage({}, type));
    preset.carried.finish[0].parameters[parameter] = value;
    writePresetFile(d.libraryRoot() / "Kit" / (preset.name + ".bpreset"), preset);
}

double grainOf(const Grade& grade) {
    for (const Stage& stage : grade.finish)
        if (stage.type == "grain") return ParameterReader(*findStageType("grain"), stage).number("amount");
    return 0;
}

std::vector<std::string> inForce(Driver& d, int picture) {
    std::vector<std::string> names;
    for (const InForce& entry : d.state().pictures().at(picture).work.inForce) names.push_back(entry.preset.name);
    return names;
}

} // namespace

TEST(Jobs, ScarfAndCoat) {
    Driver d({"snow-yard.jpg", "lake-fog.jpg", "red-curtain.jpg"});
    d.start();
    GradePage* grade = d.window().gradePage();
    d.chooseRow(grade->tray(), Driver::rowOf(grade->tray(), tr8("snow-yard.jpg")));
    d.settle();
    d.countFromHere();
    d.addStage(tr8("Hue bands"));
    d.key("P");
    const QPointF scarf = d.onPicture({0.372, 0.45}), coat = d.onPicture({0.333, 0.583});
    d.drag(grade->view(), scarf, scarf + QPointF(-20, 30)); // to copper: redder, quieter
    d.drag(grade->view(), coat, coat + QPointF(150, 60));   // to slate
    keepWork(d, "scarf-and-coat");
    keepResult(d, "scarf-and-coat");
    d.key("Ctrl+S");
    d.type(d.sheet()->findChild<QComboBox*>()->lineEdit(), tr8("Yard")); // a new group
    d.type(d.named<QLineEdit>(d.sheet(), tr8("Preset name")), tr8("Copper and slate"), true);
    QTest::qWait(100);
    const fs::path file = d.libraryRoot() / "Yard/Copper and slate.bpreset";
    ASSERT_TRUE(fs::exists(file));
    const Preset first = readPresetFile(file);
    auto* lanes = qobject_cast<HueBandsEditor*>(grade->editorPanel()->editor())->lanes();
    const int band = lanes->chosen() + 1;
    d.type(d.named<NumberField>(grade->editorPanel(), tr8("Band %1 saturation").arg(band)), tr8("-55"), true);
    d.click(d.button(&d.window(), tr8("Package"))); // what was saved last is chosen, and tried on the check pictures
    PackagePage* page = d.window().packagePage();
    EXPECT_EQ(page->tiles()->currentIndex().data().toString(), tr8("Copper and slate"));
    d.click(d.button(page, tr8("Save over")));
    const Preset second = readPresetFile(file);
    EXPECT_EQ(presentIn(second.carried), presentIn(first.carried));
    EXPECT_NE(second, first);
    // One entry is dropped, without a picture.
    auto* tree = page->details()->findChild<CarryTree*>();
    const QString dropped = tr8("Band %1 shift").arg(band);
    for (QTreeWidgetItemIterator it(tree); *it; ++it)
        if ((*it)->text(0) == dropped) {
            (*it)->parent()->setExpanded(true);
            tree->scrollToItem(*it);
            d.click(tree->viewport(), tree->visualItemRect(*it).center());
            break;
        }
    QTest::keyClick(tree, Qt::Key_Delete);
    QTest::qWait(60);
    EXPECT_LE(d.actions() + 1, 16);
    EXPECT_EQ(presentIn(readPresetFile(file).carried).size() + 1, presentIn(second.carried).size());
    // The scarf went towards red, the coat towards blue, the face and the snow stayed.
    const Picture picture = readPicture(d.folder() / "snow-yard.jpg").picture;
    const Program program = Program::compile(d.state().keyGrade());
    const auto moved = [&](double x, double y) {
        const std::array<float, 3> before = meanColour(picture, {x, y}), after = program(before);
        return std::max(
            {std::abs(before[0] - after[0]), std::abs(before[1] - after[1]), std::abs(before[2] - after[2])});
    };
    EXPECT_GT(moved(0.372, 0.45), 0.04);
    EXPECT_GT(moved(0.333, 0.583), 0.01); // a muted cloth
    EXPECT_LT(moved(0.6, 0.95), 0.02) << "the snow";
}

TEST(Jobs, AKitOfSmallPieces) {
    Driver d({"snow-yard.jpg", "lake-fog.jpg", "red-curtain.jpg", "portrait-light.jpg", "meadow-cart.jpg",
              "dusk-horizon.jpg"});
    keepPreset(d, "Cooling", "wheels", "shadows.amount", 0.1);
    keepPreset(d, "Haze cut", "levels", "rgb.in.black", 0.06);
    keepFinish(d, "Fine grain", "grain", "amount", 0.2);
    keepFinish(d, "Coarse grain", "grain", "amount", 0.5);
    d.start();
    GradePage* grade = d.window().gradePage();
    d.countFromHere();
    d.key("Ctrl+A"); // on all six, at once
    d.click(d.named<QPushButton>(grade, tr8("Shelf")));
    Shelf* shelf = grade->shelf();
    const auto wear = [&](const char* name, Qt::KeyboardModifiers modifiers) {
        const QModelIndex index = shelf->list()->model()->index(Driver::rowOf(shelf->list(), tr8(name)), 0);
        shelf->list()->scrollTo(index);
        QTest::mouseClick(shelf->list()->viewport(), Qt::LeftButton, modifiers,
                          shelf->list()->visualRect(index).center());
        QTest::qWait(30);
    };
    wear("Cooling", Qt::NoModifier);
    wear("Haze cut", Qt::ControlModifier);
    wear("Fine grain", Qt::ControlModifier);
    for (int i = 0; i < 6; ++i) {
        EXPECT_EQ(inForce(d, i), (std::vector<std::string>{"Cooling", "Haze cut", "Fine grain"})) << i;
        EXPECT_EQ(grainOf(d.state().pictures().at(i).work.grade), 0.2) << i;
    }
    keepWork(d, "kit");
    keepResult(d, "kit", {0, 2});
    std::vector<QPushButton*> swaps;
    for (auto* button : shelf->inForce()->findChildren<QPushButton*>())
        if (button->text() == tr8("Swap")) swaps.push_back(button);
    ASSERT_EQ(swaps.size(), 3u);
    d.click(swaps[2]);
    wear("Coarse grain", Qt::NoModifier);
    d.click(d.named<QPushButton>(shelf->inForce(), tr8("Take the preset off"))); // the first one
    for (int i = 0; i < 6; ++i) EXPECT_EQ(inForce(d, i), (std::vector<std::string>{"Haze cut", "Coarse grain"})) << i;
    d.key("Ctrl+S");
    d.type(d.named<QLineEdit>(d.sheet(), tr8("Preset name")), tr8("Sum"), true);
    QTest::qWait(100);
    // The brightest gets its own exposure and keeps the look.
    d.click(d.named<QPushButton>(shelf, tr8("Close the shelf")));
    d.chooseRow(grade->tray(), Driver::rowOf(grade->tray(), tr8("portrait-light.jpg")));
    d.chooseStage("exposure");
    d.type(d.named<NumberField>(grade->editorPanel(), tr8("Stops")), tr8("-0.7"), true);
    EXPECT_EQ(inForce(d, d.state().key()), (std::vector<std::string>{"Haze cut", "Coarse grain"}));
    for (int i = 0; i < 6; ++i) {
        const Grade& each = d.state().pictures().at(i).work.grade;
        EXPECT_EQ(each.prep[0].parameters.contains("stops"), i == d.state().key()) << i;
        EXPECT_EQ(each.look, d.state().keyGrade().look) << i;
        EXPECT_EQ(grainOf(each), 0.5) << i;
    }
    d.click(d.button(&d.window(), tr8("Package")));
    d.type(d.named<QLineEdit>(d.window().packagePage(), tr8("Preset name")), tr8("Road kit"), true);
    EXPECT_LE(d.actions() + 4, 16); // the four clicks on the shelf are not counted by themselves
    const fs::path root = d.libraryRoot();
    const bool renamed = fs::exists(root / "Kit/Road kit.bpreset") || fs::exists(root / "Tin Heron/Road kit.bpreset");
    EXPECT_TRUE(renamed);
    // The sum holds the grain too.
    const fs::path sum = fs::exists(root / "Kit/Road kit.bpreset") ? root / "Kit" : root / "Tin Heron";
    EXPECT_EQ(grainOf(readPresetFile(sum / "Road kit.bpreset").carried), 0.5);
}

TEST(Jobs, ABoxOfLuts) {
    Driver d({"portrait-dark.jpg", "lake-fog.jpg", "meadow-cart.jpg"});
    d.start();
    // A zip as downloaded: folders, the same look in two formats, broken files and files of other kinds.
    std::vector<ArchiveFile> files;
    for (int i = 0; i < 25; ++i) {
        Grade look = startingGrade();
        look.look[0].stages[2].parameters["overall"] = -0.4 + 0.03 * i;
        look.look[0].stages[1].parameters["shadows.amount"] = 0.02 * i;
        const LutTable table = bakeLook(look, 9, "Box");
        const std::string stem =
            "Box of looks/" + std::string(i % 2 ? "Cool" : "Warm") + "/Look " + std::to_string(i);
        files.push_back({stem + ".cube", cubeText(table)});
        if (i < 4) files.push_back({stem + ".3dl", threeDlText(table)});
    }
    for (const char* name : {"torn", "cut", "empty"})
        files.push_back({"Box of looks/" + std::string(name) + ".cube", "LUT_3D_SIZE 9\n0 0 0\n"});
    for (const char* name : {"read me.txt", "sheet.pdf"}) files.push_back({"Box of looks/" + std::string(name), "x"});
    ASSERT_EQ(files.size(), 34u);
    const auto zip = d.root() / "Box of looks.zip";
    writeFileAtomically(zip, writeZip(files));
    d.countFromHere();
    d.window().openPaths({zip}); // as if dropped
    constexpr int dropped = 1, added = 1;
    ASSERT_NE(d.sheet(), nullptr);
    QString account;
    for (auto* label : d.sheet()->findChildren<QLabel*>()) account += label->text() + u' ';
    EXPECT_TRUE(account.contains(tr8("25"))) << account.toStdString();
    QTest::keyClick(d.sheet(), Qt::Key_Return); // it adds
    ASSERT_TRUE(Driver::waitFor([&] {
        const auto& all = d.state().presets();
        return std::count_if(all.begin(), all.end(),
                             [](const auto& e) { return e.kind == LibraryEntry::Kind::Lut && e.preset; }) == 25;
    }));
    d.key("Ctrl+L");
    Shelf* shelf = d.window().gradePage()->shelf();
    QTest::qWait(200);
    d.type(shelf->strengthRow()->field(), tr8("70"), true);
    const int first = Driver::presetRow(shelf->list(), 0);
    d.chooseRow(shelf->list(), first);
    const QModelIndex second = shelf->list()->model()->index(first + 1, 0);
    QTest::mouseClick(shelf->list()->viewport(), Qt::LeftButton, Qt::ControlModifier,
                      shelf->list()->visualRect(second).center());
    constexpr int clicked = 1;
    QTest::qWait(50);
    ASSERT_EQ(d.state().keyWork().inForce.size(), 2u);
    EXPECT_EQ(d.state().keyWork().inForce[0].strength, 0.7);
    keepWork(d, "box-of-luts");
    keepResult(d, "box-of-luts");
    d.key("Ctrl+E");
    const fs::path lut = d.named<QLineEdit>(d.sheet(), tr8("LUT file"))->text().toStdString();
    QTest::keyClick(d.sheet(), Qt::Key_Return);
    constexpr int enter = 1;
    EXPECT_LE(d.actions() + dropped + added + clicked + enter, 8);
    ASSERT_TRUE(Driver::waitFor([&] { return fs::exists(lut); }));
    const LutTable both = readLutFile(lut).table;
    const Program exact = Program::compile(d.state().keyGrade());
    for (const float v : {0.1F, 0.4F, 0.8F}) {
        const auto want = exact({v, 0.5F, 1 - v});
        const Vec3 got = applyLut(both, {v, 0.5F, 1 - v});
        for (std::size_t k = 0; k < 3; ++k) EXPECT_NEAR(got[k], want[k], 0.02);
    }
}

TEST(Jobs, BetterOnTheSecond) {
    Driver d({"meadow-cart.jpg", "lake-fog.jpg"});
    d.start();
    GradePage* grade = d.window().gradePage();
    d.state().setSelection({0, 1});
    const fs::path file = d.libraryRoot() / "Tin Heron/Harvest meadow.bpreset";
    const Preset before = readPresetFile(file);
    d.state().applyPreset(before); // both wear it already
    d.countFromHere();
    d.chooseRow(grade->tray(), Driver::rowOf(grade->tray(), tr8("lake-fog.jpg")));
    d.chooseStage("saturation");
    d.type(d.named<NumberField>(grade->editorPanel(), tr8("Saturation")), tr8("-25"), true);
    d.chooseStage("curves");
    auto* curve = qobject_cast<CurvesEditor*>(grade->editorPanel()->editor())->view();
    d.drag(curve, curve->toWidget({0.3, 0.31}), curve->toWidget({0.3, 0.26}));
    d.click(d.named<QPushButton>(grade, tr8("Shelf")));
    keepWork(d, "better-on-the-second");
    keepResult(d, "better-on-the-second", {0, 1});
    d.click(d.button(grade->shelf()->inForce(), tr8("Save over")));
    EXPECT_LE(d.actions() + 1, 8); // and one to undo
    const Preset after = readPresetFile(file);
    EXPECT_EQ(presentIn(after.carried), presentIn(before.carried));
    const auto changes = diff(before.carried, after.carried);
    EXPECT_EQ(changes.size(), 2u) << "just those two";
    EXPECT_FALSE(isChangedSince(d.state().keyWork(), 0));
    d.key("Ctrl+Z");
    EXPECT_EQ(readPresetFile(file), before);
    EXPECT_TRUE(isChangedSince(d.state().keyWork(), 0)) << "the picture keeps what was done to it";
}

TEST(Jobs, KeepWhatIJustDid) {
    Driver d({"meadow-cart.jpg", "lake-fog.jpg"});
    d.start();
    GradePage* grade = d.window().gradePage();
    d.chooseRow(grade->tray(), Driver::rowOf(grade->tray(), tr8("meadow-cart.jpg")));
    d.settle();
    for (const auto& [name, stage, value] :
         {std::tuple("Muted colours", "saturation", "12"), std::tuple("Vivid colours", "saturation", "-15"),
          std::tuple("Midtones amount", "wheels", "20"), std::tuple("Stops", "exposure", "0.4")}) {
        d.chooseStage(stage);
        for (auto* field : grade->editorPanel()->findChildren<NumberField*>())
            if (field->accessibleName() == tr8(name) && field->isVisible()) d.type(field, tr8(value), true);
    }
    const Grade made = d.state().keyGrade();
    d.countFromHere();
    d.key("Ctrl+S"); // what was changed is ticked, the picture's own exposure is not
    d.type(d.named<QLineEdit>(d.sheet(), tr8("Preset name")), tr8("Kept"), true);
    QTest::qWait(100);
    d.chooseRow(grade->tray(), Driver::rowOf(grade->tray(), tr8("lake-fog.jpg")));
    d.click(d.named<QPushButton>(grade, tr8("Shelf")));
    d.chooseRow(grade->shelf()->list(), Driver::rowOf(grade->shelf()->list(), tr8("Kept")));
    EXPECT_LE(d.actions(), 5);
    keepWork(d, "presets");
    keepResult(d, "presets", {0, 1});
    EXPECT_EQ(d.state().keyGrade().look, made.look);
    EXPECT_FALSE(d.state().keyGrade().prep[0].parameters.contains("stops"));
    // And on the folder.
    d.click(d.button(&d.window(), tr8("Batch")));
    BatchPage* batch = d.window().batchPage();
    d.chooseRow(batch->looks()->list(), Driver::rowOf(batch->looks()->list(), tr8("Kept")));
    d.click(batch->startButton());
    EXPECT_LE(d.actions(), 8);
    ASSERT_TRUE(Driver::waitFor([&] { return !batch->isRunning(); }, 120));
    for (const char* name : {"meadow-cart-kept.jpg", "lake-fog-kept.jpg"})
        EXPECT_TRUE(fs::exists(d.folder() / "finished" / name)) << name;
}

} // namespace baryton::test
