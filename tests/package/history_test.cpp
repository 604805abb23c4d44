#include "base/error.h"
#include "base/file.h"
#include "base/natural_order.h"
#include "package/history_store.h"
#include "package/import.h"
#include "stages/stage_type.h"
#include "support/expect_error.h"
#include "support/samples.h"
#include "support/temp_folder.h"

#include <algorithm>
#include <gtest/gtest.h>

namespace baryton::test {

namespace fs = std::filesystem;

namespace {

/// The user's data folder, for as long as it lives.
struct DataFolder {
    explicit DataFolder(const fs::path& path) { ::setenv("XDG_DATA_HOME", path.c_str(), 1); }
    ~DataFolder() { ::unsetenv("XDG_DATA_HOME"); }
};

/// Steps that follow each other, each at another exposure.
std::vector<KeptStep> stepsOf(int count) {
    std::vector<KeptStep> steps;
    PictureWork work{startingGrade(), {}, kStartTake, {}};
    for (int i = 1; i <= count; ++i) {
        const PictureWork before = work;
        work.grade.prep[0].parameters["stops"] = i * 0.01;
        steps.push_back({"Step " + std::to_string(i), before, work});
    }
    return steps;
}

} // namespace

TEST(History, ComesBackAndIsBounded) {
    const TempFolder folder;
    const DataFolder here(folder / "data");
    const fs::path picture = folder.file("set/heron.jpg", "x");
    EXPECT_TRUE(loadHistory(picture, {}).empty()) << "none was kept";
    const auto steps = stepsOf(3);
    storeHistory(picture, steps);
    EXPECT_FALSE(fs::exists(folder.path() / "set/heron.jpg.history")) << "nothing beside the picture";
    EXPECT_EQ(fs::directory_iterator(folder.path() / "set")->path().filename(), "heron.jpg");
    EXPECT_EQ(loadHistory(picture, steps.back().after), steps);
    // The grade was changed by something else meanwhile: the steps lead elsewhere and are left out.
    EXPECT_TRUE(loadHistory(picture, steps.front().after).empty());
    const auto many = stepsOf(100);
    storeHistory(picture, many);
    const auto kept = loadHistory(picture, many.back().after);
    ASSERT_EQ(kept.size(), kMostKeptSteps);
    EXPECT_EQ(kept.back(), many.back());
    storeHistory(picture, {});
    EXPECT_FALSE(fs::exists(historyFile(picture)));
}

TEST(History, TellsWhatIsDamaged) {
    const TempFolder folder;
    const DataFolder here(folder / "data");
    const fs::path picture = folder.file("heron.jpg", "x");
    const std::string good = historyToText(stepsOf(2));
    const auto spoilt = [&](const std::string& from, const std::string& to) {
        std::string text = good;
        const auto at = text.find(from);
        EXPECT_NE(at, std::string::npos) << from;
        return text.replace(at, from.size(), to);
    };
    for (const std::string& text :
         {std::string("{"), std::string("[]"), spoilt("baryton-history", "other"), spoilt("\"to\": 1", "\"to\": 77"),
          spoilt("\"to\": 1", "\"to\": \"x\""), good.substr(0, good.size() / 2)}) {
        fs::create_directories(historyFile(picture).parent_path());
        writeFileAtomically(historyFile(picture), text);
        const Error error = errorOf([&] { loadHistory(picture, stepsOf(2).back().after); });
        EXPECT_EQ(error.file(), historyFile(picture).string());
        EXPECT_FALSE(error.hint().empty());
    }
}

TEST(NaturalOrder, IsThatOfPeople) {
    std::vector<std::string> names = {"take 10", "Zebra", "äther", "take 2", "Atem", "apple", "Take 1"};
    std::sort(names.begin(), names.end(), naturallyBefore);
    EXPECT_EQ(names, (std::vector<std::string>{"apple", "Atem", "äther", "Take 1", "take 2", "take 10", "Zebra"}));
    EXPECT_FALSE(naturallyBefore("\xff", "\xff")) << "what is no text is ordered too";
}

TEST(Import, NoticesACopyUnderAnotherNameOrInAnotherGroup) {
    const TempFolder folder;
    const Library library(folder.path() / "library");
    Preset ember;
    ember.name = "Ember";
    ember.carried.prep.push_back({"", "exposure", "", {}, {}, {{"stops", 0.5}}, {}});
    perform(library.add(ember, "Dusk"));
    const std::string cube = "LUT_3D_SIZE 2\n0 0 0\n.9 0 0\n0 1 0\n1 1 0\n0 0 1\n1 0 1\n0 1 1\n1 1 1\n";
    fs::create_directories(library.root() / "Kit");
    writeFileAtomically(library.root() / "Kit/Low red.cube", cube);
    Preset copy = ember;
    copy.name = "Glow";
    copy.notes = "the same, called otherwise";
    Preset other = ember;
    other.name = "Brighter";
    other.carried.prep[0].parameters["stops"] = 0.75;
    for (const Preset& each : {copy, other}) folder.file("in/" + each.name + ".bpreset", presetToText(each));
    folder.file("in/Renamed.cube", cube);
    const ImportAccount account = accountOfImport({folder.path() / "in"}, library);
    const auto stateOf = [&](const char* name) {
        for (const auto& item : account.items)
            if (item.name == name) return item;
        ADD_FAILURE() << name;
        return ImportItem{};
    };
    EXPECT_EQ(stateOf("Glow").state, ImportItem::State::Same);
    EXPECT_EQ(stateOf("Glow").choice, ImportItem::Choice::LeaveOut);
    EXPECT_EQ(stateOf("Glow").reason, "the library has it as Dusk / Ember");
    EXPECT_EQ(stateOf("Brighter").state, ImportItem::State::New);
    EXPECT_EQ(stateOf("Renamed").reason, "the library has it as Kit / Low red");
}

} // namespace baryton::test
