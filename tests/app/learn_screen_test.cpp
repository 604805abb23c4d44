// Grades from elsewhere: a pattern goes out, comes back graded, and is kept as a LUT; a LUT from a file says what it
// does.
#include "app/grade/lut_editor.h"
#include "app/guide_pictures.h"
#include "app/package/learn_sheet.h"
#include "app/screen_helpers.h"
#include "base/file.h"
#include "colour/encodings.h"
#include "colour/transfer.h"
#include "edits/preset_words.h"
#include "lut/bake.h"
#include "lut/lut_file.h"
#include "lut/pattern.h"
#include "picture/picture_file.h"
#include "render/program.h"

#include "app/widgets/limits_strip.h"

#include <QFileDialog>
#include <cmath>
#include <gtest/gtest.h>

namespace baryton::test {

namespace fs = std::filesystem;

namespace {

LearnSheet* open(Driver& d) {
    d.menu(tr8("File"), tr8("Learn a LUT…"));
    return qobject_cast<LearnSheet*>(d.sheet());
}

void answer(LearnSheet* sheet, const fs::path& file) {
    auto* files = sheet->findChild<QFileDialog*>();
    ASSERT_NE(files, nullptr);
    Q_EMIT files->fileSelected(QString::fromStdString(file.string()));
    files->close();
}

/// What another program makes of it: warmer and flatter, a little smaller, saved with 16 bits.
void gradeElsewhere(const fs::path& from, const fs::path& to) {
    Grade grade = startingGrade();
    grade.look[0].stages[0].parameters["rgb"] = Curve{{0, 0.08}, {0.5, 0.55}, {1, 0.95}};
    grade.look[0].stages[2].parameters["overall"] = -0.4;
    const Picture graded = Program::compile(grade).graded(readPicture(from).picture);
    const Picture smaller = resized(graded, graded.width() * 8 / 10, graded.height() * 8 / 10);
    writePicture(to, Program::compile({}).quantised(smaller, 16, false), {}, {FileFormat::Png, 16, 90});
}

} // namespace

TEST(LearnScreen, APatternGoesOutComesBackAndIsKept) {
    Driver d({"lake-fog.jpg"});
    d.start();
    d.countFromHere();
    LearnSheet* sheet = open(d);
    ASSERT_NE(sheet, nullptr);
    auto* keep = d.button(sheet, tr8("Keep as a preset"));
    EXPECT_FALSE(keep->isEnabled());
    const fs::path pattern = d.root() / "pattern.png", back = d.root() / "back.png";
    d.click(d.button(sheet, tr8("17")));
    d.click(d.button(sheet, tr8("Write the pattern…")));
    answer(sheet, pattern);
    ASSERT_TRUE(Driver::waitFor([&] { return isSaid(sheet, "pattern.png · "); }));
    EXPECT_EQ(readPictureSize(pattern).width, PatternLayout(17).width());
    gradeElsewhere(pattern, back);
    d.click(d.button(sheet, tr8("Choose what came back…")));
    answer(sheet, back);
    ASSERT_TRUE(Driver::waitFor([&] { return keep->isEnabled(); }));
    EXPECT_TRUE(isSaid(sheet, "17 points"));
    EXPECT_TRUE(isSaid(sheet, "80 × 80 %")) << "what befell it is told";
    keepSheet(d, "grade-from-elsewhere");
    d.click(keep);
    ASSERT_TRUE(Driver::waitFor([&] { return d.sheetIfAny() == nullptr; }));
    EXPECT_LE(d.actions() + 2, 8) << "with the two choices of a file";
    // It is a preset like any other, and does what was done there.
    const auto& presets = d.state().presets();
    const auto kept =
        std::find_if(presets.begin(), presets.end(), [](const LibraryEntry& each) { return each.name == "back"; });
    ASSERT_TRUE(kept != presets.end());
    EXPECT_EQ(kept->group, "Learned");
    const auto grey = Program::compile(kept->preset->carried)({0.5F, 0.5F, 0.5F});
    for (const float v : grey) EXPECT_NEAR(v, 0.55, 0.005);
    const auto black = Program::compile(kept->preset->carried)({0, 0, 0});
    for (const float v : black) EXPECT_NEAR(v, 0.08, 0.005);
    d.state().editKey(applied(d.state().keyGrade(), *kept->preset, ApplyMode::Set));
    keepResult(d, "grade-from-elsewhere");
    EXPECT_TRUE(d.undo());
    // One undo takes it off the shelf.
    EXPECT_TRUE(d.undo());
    EXPECT_TRUE(std::none_of(d.state().presets().begin(), d.state().presets().end(),
                             [](const LibraryEntry& each) { return each.name == "back"; }));
}

TEST(LearnScreen, WhatIsNoPatternIsToldAndASquareCubeMayBeDropped) {
    Driver d({"lake-fog.jpg"});
    d.start();
    LearnSheet* sheet = open(d);
    sheet->learnFrom(QString::fromStdString((d.folder() / "lake-fog.jpg").string()));
    ASSERT_TRUE(Driver::waitFor([&] { return isSaid(sheet, "no pattern is found"); }));
    EXPECT_FALSE(d.button(sheet, tr8("Keep as a preset"))->isEnabled());
    d.click(d.button(sheet, tr8("Square cube")));
    d.click(d.button(sheet, tr8("36")));
    const fs::path cube = d.root() / "cube.tif";
    sheet->findChild<PatternStep*>()->writeTo(QString::fromStdString(cube.string()));
    ASSERT_TRUE(Driver::waitFor([&] { return isSaid(sheet, "cube.tif · "); }));
    EXPECT_EQ(readPictureSize(cube).width, 216);
    d.drop(sheet, {cube});
    ASSERT_TRUE(Driver::waitFor([&] { return isSaid(sheet, "36 points"); }));
    EXPECT_TRUE(isSaid(sheet, "pixel by pixel"));
    // No picture is written over, nor is another kind of file made than the name says.
    const fs::path lake = d.folder() / "lake-fog.jpg";
    const std::string original = readFile(lake);
    sheet->findChild<PatternStep*>()->writeTo(QString::fromStdString(lake.string()));
    ASSERT_TRUE(Driver::waitFor([&] { return isSaid(sheet, "a PNG or a TIFF"); }));
    const fs::path png = d.folder() / "mine.png";
    fs::copy(std::string(BARYTON_SOURCE) + "/docs/screenshots/welcome.png", png);
    const std::string mine = readFile(png);
    sheet->findChild<PatternStep*>()->writeTo(QString::fromStdString(png.string()));
    ASSERT_TRUE(Driver::waitFor([&] { return isSaid(sheet, "mine.png: "); }));
    EXPECT_EQ(readFile(lake), original);
    EXPECT_EQ(readFile(png), mine);
    // Where it can't be written is told, too.
    sheet->findChild<PatternStep*>()->writeTo(QString::fromStdString((cube / "pattern.png").string())); // no folder
    EXPECT_TRUE(Driver::waitFor([&] { return isSaid(sheet, "cannot make the folder"); }));
}

TEST(LutScreen, ALutForAnotherSpaceIsToldWithItsRemedy) {
    Driver d({"lake-fog.jpg"});
    d.start();
    constexpr int n = 17;
    LutTable table;
    for (int b = 0; b < n; ++b)
        for (int g = 0; g < n; ++g)
            for (int r = 0; r < n; ++r)
                for (const int v : {r, g, b})
                    table.grid.push_back(std::clamp(
                        static_cast<float>(linearToSrgb(decode(Encoding::AcesCct, v / (n - 1.0)))), 0.0F, 1.0F));
    const fs::path log = d.root() / "night.cube", plain = d.root() / "plain.cube";
    writeLutFile(log, table, LutFormat::Cube);
    writeLutFile(plain, bakeLook({}, n, "plain"), LutFormat::Cube);
    d.addStage(tr8("LUT"));
    const auto load = [&](const fs::path& file) {
        d.click(d.button(d.window().gradePage()->editorPanel(), tr8("Load LUT…")));
        auto* files = d.window().findChild<QFileDialog*>();
        Q_EMIT files->fileSelected(QString::fromStdString(file.string()));
        files->close();
        d.settle();
    };
    load(log);
    auto* editor = qobject_cast<LutEditor*>(d.window().gradePage()->editorPanel()->editor());
    ASSERT_NE(editor, nullptr);
    ASSERT_TRUE(Driver::waitFor([&] { return editor->healthText().contains(tr8("made for pictures in ACEScct")); }));
    const auto remedy = [&]() -> QPushButton* {
        for (auto* each : editor->findChildren<QPushButton*>())
            if (each->isVisible() && each->text() == tr8("Read it as ACEScct")) return each;
        return nullptr;
    };
    ASSERT_NE(remedy(), nullptr);
    const QPoint place = editor->findChild<LimitsStrip*>()->mapTo(editor, QPoint());
    d.click(remedy());
    const auto& stage = stageAt(d.state().keyGrade(), *findStage(d.state().keyGrade(), d.state().chosenStage()));
    EXPECT_EQ(stage.parameters.at("reads"), Value(std::string("acescct")));
    ASSERT_TRUE(Driver::waitFor([&] {
        return !editor->healthText().contains(tr8("made for")) && !editor->healthText().contains(tr8("looked at"));
    }));
    EXPECT_EQ(remedy(), nullptr);
    EXPECT_EQ(editor->findChild<LimitsStrip*>()->mapTo(editor, QPoint()), place) << "nothing below it moves";
    EXPECT_TRUE(d.undo());
    ASSERT_TRUE(Driver::waitFor([&] { return remedy() != nullptr; }));
    load(plain);
    ASSERT_TRUE(Driver::waitFor([&] { return editor->healthText().startsWith(tr8("Nothing stands out")); }));
    EXPECT_EQ(remedy(), nullptr);
}

TEST(LutStageScreen, APictureThatIsALutIsLoadedAndTakenBack) {
    Driver d({"lake-fog.jpg"});
    d.start();
    const fs::path cube = d.root() / "graded cube.png";
    Grade grade = startingGrade();
    grade.look[0].stages[0].parameters["rgb"] = Curve{{0, 0.1}, {0.5, 0.6}, {1, 0.95}};
    const QuantisedPicture identity = squareCube(4, 16);
    writePicture(d.root() / "plain.png", identity, {}, {FileFormat::Png, 16, 90});
    writePicture(cube,
                 Program::compile({}).quantised(
                     Program::compile(grade).graded(readPicture(d.root() / "plain.png").picture), 16, false),
                 {}, {FileFormat::Png, 16, 90});
    d.addStage(tr8("LUT"));
    const Picture before = d.state().pictures().smallOf(0);
    const auto lut = [&] {
        const Stage& stage = stageAt(d.state().keyGrade(), *findStage(d.state().keyGrade(), d.state().chosenStage()));
        const auto file = stage.parameters.find("file");
        return file == stage.parameters.end() ? LutContent{} : std::get<LutContent>(file->second);
    };
    const auto load = [&](const fs::path& file) {
        d.click(d.button(d.window().gradePage()->editorPanel(), tr8("Load LUT…")));
        auto* files = d.window().findChild<QFileDialog*>();
        Q_EMIT files->fileSelected(QString::fromStdString(file.string()));
        files->close();
    };
    auto* invert = d.button(d.window().gradePage()->editorPanel(), tr8("Invert"));
    EXPECT_FALSE(invert->isEnabled()) << "there is nothing to take back";
    // A photograph is none, and that is said; nothing is put in.
    load(d.state().pictures().at(0).file);
    ASSERT_TRUE(Driver::waitFor([&] { return isSaid(&d.window(), "the picture is no LUT"); }));
    EXPECT_EQ(lut().table, nullptr);
    load(cube);
    ASSERT_TRUE(Driver::waitFor([&] { return lut().table != nullptr; }));
    EXPECT_EQ(lut().name, "graded cube.png");
    EXPECT_EQ(lut().table->gridSize(), 16);
    // Its inverse in a second stage behind it: the picture is as it was.
    const auto moved = [&] { return compareLooks({}, d.state().keyGrade(), {before}).pictures.percentile99; };
    EXPECT_GT(moved(), 3);
    d.addStage(tr8("LUT"));
    load(cube);
    ASSERT_TRUE(Driver::waitFor([&] { return lut().table != nullptr; }));
    const auto* first = lut().table.get();
    d.click(d.button(d.window().gradePage()->editorPanel(), tr8("Invert")));
    ASSERT_TRUE(Driver::waitFor([&] { return lut().table.get() != first; }, 30));
    EXPECT_TRUE(isSaid(&d.window(), "come back within"));
    EXPECT_LT(moved(), 1);
    EXPECT_TRUE(d.undo());
    EXPECT_EQ(lut().name, "graded cube.png") << "one step";
}

TEST(LutStageScreen, ALutThatIsBeingInvertedGoesToNoOtherPicture) {
    Driver d({"lake-fog.jpg", "snow-yard.jpg"});
    d.start();
    Grade grade = startingGrade();
    Stage stage = makeStage(grade, "lut");
    LutTable table = bakeLook({}, 33, "t");
    for (float& v : table.grid) v = 0.1F + 0.8F * v * v;
    stage.parameters["file"] = LutContent{"t.cube", std::make_shared<const LutTable>(table)};
    const std::string id = stage.id;
    grade.look[0].stages.push_back(std::move(stage));
    for (const int key : {1, 0}) {
        d.state().setKey(key);
        d.state().editKey(grade);
    }
    d.settle();
    d.state().chooseStage(id); // both pictures have a stage of that name
    d.settle();
    const Grade other = d.state().pictures().at(1).work.grade;
    // The hand is quicker than the inverse: no event is served between the two.
    d.button(d.window().gradePage()->editorPanel(), tr8("Invert"))->click();
    d.state().setKey(1);
    ASSERT_TRUE(Driver::waitFor(
        [&] {
            return isSaid(&d.window(), "Another picture was chosen") ||
                   d.window().gradePage()->editorPanel()->editor() == nullptr;
        },
        30));
    d.settle();
    EXPECT_EQ(d.state().pictures().at(1).work.grade, other);
    EXPECT_EQ(d.state().pictures().at(0).work.grade, grade);
}

} // namespace baryton::test
