// The parts of the state, each alone and without a window.
#include "app/before.h"
#include "app/gestures.h"
#include "app/preset_library.h"
#include "app/selection.h"
#include "app/trial.h"
#include "app/undo_parts.h"
#include "stages/stage_type.h"
#include "support/temp_folder.h"

#include <QSignalSpy>
#include <QTest>
#include <gtest/gtest.h>

namespace baryton::test {

namespace {

PictureWork exposed(double stops) {
    PictureWork work{startingGrade(), {}, kStartTake, {}};
    work.grade.prep[0].parameters["stops"] = stops;
    return work;
}

double stopsOf(const Grade& grade) {
    return ParameterReader(*findStageType("exposure"), grade.prep.at(0)).number("stops");
}

/// A preset that exposes the Look.
Preset exposing(const std::string& name, double stops) {
    Preset preset;
    preset.name = name;
    Grade grade;
    grade.look.emplace_back();
    grade.look[0].id = "layer-1";
    grade.look[0].stages.push_back(makeStage(grade, "exposure"));
    grade.look[0].stages[0].parameters["stops"] = stops;
    preset.carried = grade;
    return preset;
}

} // namespace

TEST(Selection, KnowsWhatAnEditChanges) {
    Selection selection;
    EXPECT_FALSE(selection.hasKey());
    selection.setKey(3);
    EXPECT_TRUE(selection.choose({5, 3, 1}));
    EXPECT_FALSE(selection.choose({1, 3, 5})) << "in any order they are the same";
    EXPECT_EQ(selection.targets(), (std::vector<int>{3, 1, 5})) << "the key picture first";
    selection.setEditsAll(false);
    EXPECT_EQ(selection.targets(), std::vector<int>{3});
    // A choice of one ends that; the next choice of several is edited together.
    EXPECT_TRUE(selection.choose({3}));
    EXPECT_FALSE(selection.editsAll()) << "of one there is no all";
    EXPECT_TRUE(selection.choose({3, 4}));
    EXPECT_TRUE(selection.editsAll());
    selection.clear();
    EXPECT_FALSE(selection.hasKey());
    EXPECT_TRUE(selection.chosen().empty());
}

TEST(Selection, TheNearestTakesTheKeysPlace) {
    Selection selection;
    selection.setKey(4);
    selection.choose({0, 4, 6});
    const auto without = selection.toggled(4);
    ASSERT_TRUE(without);
    EXPECT_EQ(without->key, 6);
    EXPECT_EQ(without->chosen, (std::vector<int>{0, 6}));
    const auto with = selection.toggled(5);
    ASSERT_TRUE(with);
    EXPECT_EQ(with->key, 4);
    EXPECT_EQ(with->chosen, (std::vector<int>{0, 4, 5, 6}));
    selection.choose({4});
    EXPECT_FALSE(selection.toggled(4)) << "the last one stays";
}

TEST(Gestures, EditsOfOneNameOrOfOneHandAreOneStep) {
    Gestures gestures;
    const int first = gestures.numberFor(QStringLiteral("stops"));
    EXPECT_EQ(gestures.numberFor(QStringLiteral("stops")), first);
    EXPECT_EQ(gestures.current(), first);
    EXPECT_NE(gestures.numberFor(QStringLiteral("tint")), first);
    const int alone = gestures.numberFor({});
    EXPECT_NE(gestures.numberFor({}), alone) << "without a name each stands alone";
    EXPECT_EQ(gestures.current(), 0);
    const int again = gestures.numberFor(QStringLiteral("stops"));
    gestures.end();
    EXPECT_NE(gestures.numberFor(QStringLiteral("stops")), again);
    // A hand: whatever it sets, and whatever ends meanwhile.
    gestures.begin();
    const int held = gestures.held();
    EXPECT_EQ(gestures.numberFor(QStringLiteral("hue")), held);
    gestures.end();
    EXPECT_EQ(gestures.numberFor(QStringLiteral("amount")), held);
    gestures.letGo();
    EXPECT_EQ(gestures.held(), 0);
    EXPECT_EQ(gestures.lastHeld(), held);
    EXPECT_EQ(gestures.numberFor(QStringLiteral("amount")), held) << "what it set last may still be set";
    gestures.end();
    EXPECT_NE(gestures.numberFor(QStringLiteral("amount")), held);
}

TEST(Trial, IsShownOnEveryPictureAndKeptOnNone) {
    Trial trial;
    EXPECT_EQ(trial.shown(), nullptr);
    EXPECT_EQ(stopsOf(trial.of(exposed(1))), 1);
    const auto brighter = [](const PictureWork& work) { return exposed(stopsOf(work.grade) + 2); };
    trial.start(brighter, exposed(-1));
    ASSERT_TRUE(trial.isOn());
    EXPECT_EQ(stopsOf(*trial.shown()), 1);
    EXPECT_EQ(stopsOf(trial.of(exposed(1))), 3) << "each from its own";
    trial.start({}, exposed(-1));
    EXPECT_FALSE(trial.isOn());
    EXPECT_EQ(stopsOf(trial.of(exposed(1))), 1);
}

TEST(Before, IsWhatItsKindSays) {
    PictureWork work = exposed(1);
    work.grade.look[0].stages.clear();
    work.takes.push_back({"Dusk", exposed(3).grade, {}});
    Grade step = exposed(-2).grade;
    step.look[0].name = "of the step";
    EXPECT_EQ(gradeBefore({}, work, work.grade, true), Grade());
    const Grade prepOnly = gradeBefore({Before::Kind::PrepOnly, {}, {}}, work, work.grade, true);
    EXPECT_EQ(stopsOf(prepOnly), 1);
    EXPECT_TRUE(prepOnly.look.empty());
    EXPECT_EQ(stopsOf(gradeBefore({Before::Kind::Take, QStringLiteral("Dusk"), {}}, work, work.grade, true)), 3);
    EXPECT_EQ(gradeBefore({Before::Kind::Take, QStringLiteral("Dawn"), {}}, work, work.grade, true), Grade());
    const Before before{Before::Kind::Step, QStringLiteral("a step"), step};
    EXPECT_EQ(gradeBefore(before, work, work.grade, true), step);
    const Grade other = gradeBefore(before, work, work.grade, false);
    EXPECT_EQ(other.look, step.look);
    EXPECT_EQ(stopsOf(other), 1) << "another picture keeps its own Prep";
}

TEST(PresetLibrary, SeesWhatIsPutThereByHandAndUndoesItsChanges) {
    const TempFolder folder;
    std::filesystem::create_directories(folder.path() / "Evenings");
    PresetLibrary library(folder.path());
    QSignalSpy changed(&library, &PresetLibrary::changed), problems(&library, &PresetLibrary::problem);
    library.reload();
    EXPECT_EQ(changed.count(), 1);
    EXPECT_TRUE(library.entries().empty());

    LibraryEdit edit = library.files().add(exposing("Lamplight", 1), "Evenings");
    ASSERT_TRUE(library.change([&] { perform(edit); }));
    ASSERT_EQ(library.entries().size(), 1u);
    const std::string item = library.entries()[0].item();
    ASSERT_NE(library.entry(item), nullptr);
    EXPECT_EQ(library.entry("Evenings/nothing"), nullptr);
    InForce worn;
    worn.preset.name = "Lamplight";
    EXPECT_EQ(library.sourceOf(worn), library.entry(item));
    LibraryPart part(library, std::move(edit));
    EXPECT_TRUE(part.undo());
    EXPECT_TRUE(library.entries().empty());
    EXPECT_EQ(library.sourceOf(worn), nullptr);
    EXPECT_TRUE(part.redo());
    EXPECT_EQ(library.entries().size(), 1u);

    // A file put there by hand appears by itself.
    std::filesystem::copy_file(library.entries()[0].file, folder.path() / "Evenings" / "by hand.bpreset");
    EXPECT_TRUE(QTest::qWaitFor([&] { return library.entries().size() == 2; }, 5000));
    EXPECT_EQ(problems.count(), 0);
    // What fails is told, and the files are as they are.
    EXPECT_FALSE(library.change([&] { perform(library.files().add(exposing("", 1), "Evenings")); }));
    EXPECT_EQ(problems.count(), 1);
    EXPECT_EQ(library.entries().size(), 2u);
}

TEST(PresetLibrary, AnImportThatIsUndoneWhileItsLutIsReadLeavesNoGhost) {
    const TempFolder folder;
    PresetLibrary library(folder / "library");
    // Large enough to be read for longer than it takes to undo.
    std::string cube = "LUT_3D_SIZE 64\n";
    for (int i = 0; i < 64 * 64 * 64; ++i) cube += "0.123456 0.234567 0.345678\n";
    const LibraryEdit import = library.files().addFile(cube, "Large.cube", "Lantern");
    ASSERT_TRUE(library.change([&] { perform(import); }));
    ASSERT_EQ(library.entries().size(), 1U);
    ASSERT_TRUE(library.entries()[0].isPending);
    QTest::qWait(15);
    ASSERT_TRUE(library.change([&] { revert(import); }));
    EXPECT_TRUE(library.entries().empty());
    QTest::qWait(1500);
    EXPECT_TRUE(library.entries().empty()) << "what was read for the look before is dropped";
}

TEST(PresetLibrary, SaysOnceThatTheStartOfNewPicturesIsGone) {
    const TempFolder folder;
    std::filesystem::create_directories(folder.path() / "Evenings");
    PresetLibrary library(folder.path());
    library.reload();
    ASSERT_TRUE(library.change([&] { perform(library.files().add(exposing("Lamplight", 1), "Evenings")); }));
    LibraryIndex index = library.index();
    index.start = library.entries().at(0).item();
    ASSERT_TRUE(library.change([&] { perform(library.files().setIndex(index, "start")); }));
    QSignalSpy problems(&library, &PresetLibrary::problem);
    EXPECT_EQ(library.startOf("meadow.jpg", "").inForce.size(), 1u);
    std::filesystem::remove(library.entries()[0].file);
    library.reload();
    EXPECT_TRUE(library.startOf("meadow.jpg", "").inForce.empty());
    EXPECT_TRUE(library.startOf("lake.jpg", "").inForce.empty());
    EXPECT_EQ(problems.count(), 1);
}

} // namespace baryton::test
