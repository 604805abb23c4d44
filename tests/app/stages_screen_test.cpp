// A LUT turned into stages, and a grade learned from pictures before and after it, in the real window.
#include "app/grade/lut_editor.h"
#include "app/guide_pictures.h"
#include "app/package/learn_sheet.h"
#include "app/package/stages_sheet.h"
#include "app/screen_helpers.h"
#include "grade/grade_json.h"
#include "lut/bake.h"
#include "lut/lut_file.h"
#include "picture/picture_file.h"

#include <QComboBox>
#include <QDropEvent>
#include <QFileDialog>
#include <QMimeData>
#include <algorithm>
#include <gtest/gtest.h>

namespace baryton::test {

namespace fs = std::filesystem;

namespace {

Grade lookOfOurs(const std::string& name) {
    Grade look;
    look.look = readPresetFile(std::string(BARYTON_SOURCE) + "/share/presets/" + name + ".bpreset").carried.look;
    return look;
}

/// Answers the file dialog that is open within a widget.
void choose(QWidget* within, const fs::path& file) {
    auto* files = within->findChild<QFileDialog*>();
    ASSERT_NE(files, nullptr);
    Q_EMIT files->fileSelected(QString::fromStdString(file.string()));
    files->close();
    QCoreApplication::sendPostedEvents(files, QEvent::DeferredDelete);
}

/// A LUT stage with a table of ours, loaded by hand.
LutEditor* wearLut(Driver& d, const Grade& look) {
    const fs::path file = d.root() / "found.cube";
    writeLutFile(file, bakeLook(look, 33, "found"), LutFormat::Cube);
    d.addStage(tr8("LUT"));
    d.click(d.button(d.window().gradePage()->editorPanel(), tr8("Load LUT…")));
    choose(&d.window(), file);
    d.settle();
    return qobject_cast<LutEditor*>(d.window().gradePage()->editorPanel()->editor());
}

StagesSheet* turn(Driver& d, QWidget* within) {
    d.click(d.button(within, tr8("Turn into stages…")));
    return qobject_cast<StagesSheet*>(d.sheet());
}

std::vector<std::string> typesIn(const Grade& grade) {
    std::vector<std::string> types;
    for (const Layer& layer : grade.look)
        for (const Stage& stage : layer.stages)
            if (!isNeutral(stage)) types.push_back(stage.type);
    return types;
}

/// A picture before and what another program made of it, with darker corners, as files.
struct PairOfFiles {
    fs::path before, after;
};
PairOfFiles gradedElsewhere(const fs::path& folder, const std::string& name, const Grade& look) {
    const PairOfFiles files{folder / (name + "-before.png"), folder / (name + "-after.png")};
    const Picture before = readThumbnail(fs::path(BARYTON_SOURCE) / "demo/pictures" / (name + ".jpg"), 500);
    Grade grade = look;
    Stage vignette = makeStage(grade, "vignette");
    vignette.parameters["stops"] = -1.2;
    grade.finish.push_back(vignette);
    writePicture(files.before, Program::compile({}).quantised(before, 8, false), {}, {FileFormat::Png, 8, 90});
    writePicture(files.after, Program::compile(grade).quantised(before, 8, false), {}, {FileFormat::Png, 8, 90});
    return files;
}

} // namespace

TEST(StagesScreen, ALutsStagesTakeItsPlaceAndOneUndoBringsItBack) {
    Driver d({"lake-fog.jpg"});
    d.start();
    const Grade look = lookOfOurs("Stage light/Limelight");
    LutEditor* editor = wearLut(d, look);
    const Grade worn = d.state().keyGrade();
    d.countFromHere();
    StagesSheet* sheet = turn(d, editor);
    ASSERT_NE(sheet, nullptr);
    auto* place = d.button(sheet, tr8("Put in place of the LUT"));
    EXPECT_FALSE(place->isEnabled());
    ASSERT_TRUE(Driver::waitFor([&] { return sheet->isDone(); }, 60));
    EXPECT_TRUE(isSaid(sheet, "stages come near it"));
    const QString stages = sheet->findChild<StageRow*>()->accessibleName();
    EXPECT_TRUE(stages.contains(tr8("Curves"))) << stages.toStdString();
    keepSheet(d, "what-is-in-this-lut");
    d.click(place);
    d.settle();
    keepResult(d, "what-is-in-this-lut");
    EXPECT_LE(d.actions(), 3);
    const std::vector<std::string> types = typesIn(d.state().keyGrade());
    EXPECT_EQ(std::count(types.begin(), types.end(), "lut"), 0);
    EXPECT_LE(types.size(), 6U);
    EXPECT_LT(compareLooks(look, d.state().keyGrade(), {}).cube.mean, 0.3);
    EXPECT_TRUE(findStage(d.state().keyGrade(), d.state().chosenStage()));
    EXPECT_TRUE(d.undo());
    EXPECT_EQ(d.state().keyGrade(), worn);
}

TEST(StagesScreen, TheSearchCanBeEndedAndTheRestKeptBehindAsAPreset) {
    Driver d({"lake-fog.jpg"});
    d.start();
    LutEditor* editor = wearLut(d, lookOfOurs("Stage light/Velvet"));
    StagesSheet* sheet = turn(d, editor);
    ASSERT_NE(sheet, nullptr);
    auto* rest = d.button(sheet, tr8("Behind them as a LUT"));
    EXPECT_FALSE(rest->isEnabled());
    ASSERT_TRUE(Driver::waitFor([&] { return isSaid(sheet, "so far"); }));
    d.click(d.button(sheet, tr8("That is near enough")));
    ASSERT_TRUE(Driver::waitFor([&] { return sheet->isDone(); }));
    ASSERT_TRUE(rest->isEnabled());
    d.click(rest);
    EXPECT_TRUE(sheet->findChild<StageRow*>()->accessibleName().endsWith(tr8("Rest")));
    d.click(d.button(sheet, tr8("Keep as a preset")));
    d.settle();
    const auto& presets = d.state().presets();
    const auto kept =
        std::find_if(presets.begin(), presets.end(), [](const LibraryEntry& each) { return each.name == "found"; });
    ASSERT_TRUE(kept != presets.end());
    EXPECT_EQ(kept->preset->carried.look[0].stages.back().type, "lut");
    EXPECT_NE(kept->preset->notes.find("“found”"), std::string::npos) << kept->preset->notes;
    EXPECT_LT(compareLooks(lookOfOurs("Stage light/Velvet"), kept->preset->carried, {}).cube.mean, 0.5);
    // The picture still wears the LUT.
    const auto types = typesIn(d.state().keyGrade());
    EXPECT_EQ(std::count(types.begin(), types.end(), "lut"), 1);
    // Closed in the middle of a search, it leaves nothing behind.
    StagesSheet* again = turn(d, d.window().gradePage()->editorPanel()->editor());
    ASSERT_TRUE(Driver::waitFor([&] { return isSaid(again, "so far"); }));
    d.click(d.button(again, tr8("Cancel")));
    d.settle();
    EXPECT_EQ(typesIn(d.state().keyGrade()), types);
}

TEST(StagesScreen, PackageTurnsItsLutsIntoStagesAndPresetsNeedNot) {
    Driver d({"lake-fog.jpg"});
    std::filesystem::create_directories(d.libraryRoot() / "Kit");
    writeLutFile(d.libraryRoot() / "Kit/old print.cube",
                 bakeLook(lookOfOurs("Stage light/Limelight"), 17, "old print"), LutFormat::Cube);
    d.start();
    d.click(d.button(&d.window(), tr8("Package")));
    PackagePage* page = d.window().packagePage();
    EXPECT_TRUE(Driver::waitFor([&] { return page->tiles()->model()->rowCount() > 0; }));
    const auto offered = [&]() -> QPushButton* {
        for (auto* each : page->findChildren<QPushButton*>())
            if (each->isVisible() && each->text() == tr8("Turn into stages…")) return each;
        return nullptr;
    };
    d.chooseRow(page->tiles(), Driver::rowOf(page->tiles(), tr8("Limelight")));
    EXPECT_EQ(offered(), nullptr);
    d.chooseRow(page->tiles(), Driver::rowOf(page->tiles(), tr8("old print")));
    ASSERT_NE(offered(), nullptr);
    d.click(offered());
    auto* sheet = qobject_cast<StagesSheet*>(d.sheet());
    ASSERT_NE(sheet, nullptr);
    EXPECT_TRUE(isSaid(sheet, "“old print”"));
    ASSERT_TRUE(Driver::waitFor([&] { return sheet->isDone(); }, 60));
    const auto before = d.state().presets().size();
    d.click(d.button(sheet, tr8("Keep as a preset")));
    d.settle();
    EXPECT_EQ(d.state().presets().size(), before + 1);
}

TEST(LearnScreen, PicturesBeforeAndAfterTeachALutThatTellsWhatItHasSeen) {
    Driver d({"lake-fog.jpg"});
    d.start();
    const Grade look = lookOfOurs("Meadow and lake/Harvest meadow");
    const PairOfFiles meadow = gradedElsewhere(d.root(), "meadow-cart", look),
                      curtain = gradedElsewhere(d.root(), "red-curtain", look);
    d.countFromHere();
    d.menu(tr8("File"), tr8("Learn a LUT…"));
    auto* sheet = qobject_cast<LearnSheet*>(d.sheet());
    ASSERT_NE(sheet, nullptr);
    d.click(d.button(sheet, tr8("From pictures before and after")));
    auto* keep = d.button(sheet, tr8("Keep as a preset"));
    const auto isWhole = [&] { return isSaid(sheet, "held back"); };
    d.click(d.button(sheet, tr8("Choose a picture before…")));
    choose(sheet, meadow.before);
    d.click(d.button(sheet, tr8("Choose what became of it…")));
    choose(sheet, meadow.after);
    EXPECT_TRUE(isSaid(sheet, "meadow-cart-after.png"));
    ASSERT_TRUE(Driver::waitFor(isWhole, 60));
    EXPECT_TRUE(isSaid(sheet, "a vignette of"));
    EXPECT_TRUE(keep->isEnabled());
    EXPECT_LE(d.actions() + 3, 8) << "with the two choices of a file, and keeping it";
    // What was never seen is told on the picture.
    auto* before = d.named<ShownPicture>(sheet, tr8("The picture before"));
    const QImage plain = before->pixmap().toImage();
    d.click(d.button(sheet, tr8("What was seen")));
    EXPECT_NE(before->pixmap().toImage(), plain);
    d.click(keep);
    d.settle();
    const auto& presets = d.state().presets();
    const auto kept = std::find_if(presets.begin(), presets.end(),
                                   [](const LibraryEntry& each) { return each.name == "meadow-cart-after"; });
    ASSERT_TRUE(kept != presets.end());
    const Picture photo = readThumbnail(fs::path(BARYTON_SOURCE) / "demo/pictures/meadow-cart.jpg", 200);
    EXPECT_LT(compareLooks(look, kept->preset->carried, {photo}).pictures.mean, 1.5);
    // Several together; two that are dropped are a pair; one that is none is told.
    d.menu(tr8("File"), tr8("Learn a LUT…"));
    sheet = qobject_cast<LearnSheet*>(d.sheet());
    const auto drop = [&](const fs::path& one, const fs::path& other) {
        QMimeData data;
        data.setUrls({QUrl::fromLocalFile(QString::fromStdString(one.string())),
                      QUrl::fromLocalFile(QString::fromStdString(other.string()))});
        QDragEnterEvent enter({20, 20}, Qt::CopyAction, &data, Qt::LeftButton, Qt::NoModifier);
        QApplication::sendEvent(sheet, &enter);
        EXPECT_TRUE(enter.isAccepted());
        QDropEvent dropped({20, 20}, Qt::CopyAction, &data, Qt::LeftButton, Qt::NoModifier);
        QApplication::sendEvent(sheet, &dropped);
    };
    drop(meadow.before, meadow.after);
    drop(curtain.before, curtain.after);
    EXPECT_TRUE(isSaid(sheet, "2 pairs"));
    ASSERT_TRUE(Driver::waitFor(isWhole, 60));
    d.click(d.button(sheet, tr8("Start anew")));
    EXPECT_FALSE(d.button(sheet, tr8("Keep as a preset"))->isEnabled());
    drop(meadow.before, curtain.after);
    EXPECT_TRUE(Driver::waitFor([&] { return isSaid(sheet, "not one picture"); }));
}

TEST(LearnScreen, WhatWasLearnedTurnsIntoStagesAtOnce) {
    Driver d({"lake-fog.jpg"});
    d.start();
    const Grade look = lookOfOurs("Meadow and lake/Harvest meadow");
    const PairOfFiles meadow = gradedElsewhere(d.root(), "meadow-cart", look);
    d.menu(tr8("File"), tr8("Learn a LUT…"));
    auto* sheet = qobject_cast<LearnSheet*>(d.sheet());
    d.click(d.button(sheet, tr8("From pictures before and after")));
    sheet->findChild<PairStep*>()->take(
        {QString::fromStdString(meadow.before.string()), QString::fromStdString(meadow.after.string())});
    ASSERT_TRUE(Driver::waitFor([&] { return isSaid(sheet, "held back"); }, 60));
    d.click(d.button(sheet, tr8("Turn into stages…")));
    auto* stages = sheet->findChild<StagesSheet*>();
    ASSERT_NE(stages, nullptr);
    ASSERT_TRUE(Driver::waitFor([&] { return stages->isDone(); }));
    d.click(d.button(stages, tr8("Keep as a preset")));
    ASSERT_TRUE(Driver::waitFor([&] { return d.sheetIfAny() == nullptr; }));
    const auto& presets = d.state().presets();
    const auto kept = std::find_if(presets.begin(), presets.end(),
                                   [](const LibraryEntry& each) { return each.name == "meadow-cart-after"; });
    ASSERT_TRUE(kept != presets.end());
    const auto types = typesIn(kept->preset->carried);
    EXPECT_EQ(std::count(types.begin(), types.end(), "lut"), 0);
    EXPECT_GE(types.size(), 1U);
}

TEST(LutScreen, ALutIsWrittenForTheSpacesThatAreChosen) {
    Driver d({"lake-fog.jpg"});
    d.start();
    Grade grade = d.state().keyGrade();
    grade.look = lookOfOurs("Stage light/Limelight").look;
    d.state().editKey(grade);
    d.settle();
    d.menu(tr8("File"), tr8("Export LUT…"));
    QDialog* sheet = d.sheet();
    const auto choosePast = [&](const char* box, int entries) {
        auto* list = d.named<QComboBox>(sheet, tr8(box));
        list->setFocus();
        for (int i = 0; i < entries; ++i) QTest::keyClick(list, Qt::Key_Down);
    };
    choosePast("Reads", 4);
    choosePast("Writes", 1);
    const fs::path file = d.root() / "log.cube";
    d.type(d.named<QLineEdit>(sheet, tr8("LUT file")), QString::fromStdString(file.string()));
    d.click(d.button(sheet, tr8("Export LUT")));
    ASSERT_TRUE(Driver::waitFor([&] { return isSaid(sheet, "Written and read back"); }));
    const LutTable table = readLutFile(file).table;
    EXPECT_TRUE(table.title.ends_with("(ACEScct → Rec. 709)")) << table.title;
    const LutSpaces spaces{Encoding::AcesCct, Encoding::Rec709};
    EXPECT_LT(measureFidelity(table, grade, {}, {.spaces = spaces}).cube.mean, 0.5);
    // Light needs a table in front, for which the other format has no room.
    QTest::keyClick(d.named<QComboBox>(sheet, tr8("Reads")), Qt::Key_Up);
    d.click(d.button(sheet, tr8(".3dl")));
    EXPECT_TRUE(Driver::waitFor([&] { return isSaid(sheet, "no room for the 1D table"); }));
}

} // namespace baryton::test
