#include "package/grade_store.h"
#include "package/library.h"
#include "stages/stage_type.h"
#include "support/expect_error.h"
#include "support/samples.h"
#include "support/temp_folder.h"

#include <map>

namespace baryton::test {

namespace fs = std::filesystem;

namespace {

Preset named(const std::string& name, double stops = 0.5) {
    Preset preset;
    preset.name = name;
    preset.carried.prep.push_back(makeStage({}, "exposure"));
    preset.carried.prep[0].parameters["stops"] = stops;
    return preset;
}

std::map<std::string, std::string> bytesOf(const fs::path& folder) {
    std::map<std::string, std::string> all;
    for (const auto& entry : fs::recursive_directory_iterator(folder))
        if (entry.is_regular_file()) all[entry.path().string()] = readFile(entry.path());
    return all;
}

} // namespace

TEST(GradeStore, KeepsAGradeBesideItsPicture) {
    const TempFolder folder;
    const auto picture = folder.file("a.jpg", "not read here");
    EXPECT_FALSE(loadGrade(picture).has_value());
    Random random(1);
    Grade grade = randomGrade(random);
    EXPECT_EQ(storeGrade(picture, grade), gradeFileBeside(picture));
    EXPECT_EQ(*loadGrade(picture), grade);
    EXPECT_EQ(readFile(picture), "not read here");
    grade.prep[0].parameters["stops"] = 77.0; // a hand-written file may say anything
    storeGrade(picture, grade);
    EXPECT_EQ(std::get<double>(loadGrade(picture)->prep[0].parameters.at("stops")), 5);
}

TEST(GradeStore, GoesToTheDataFolderWhereItCannotWrite) {
    if (::geteuid() == 0) GTEST_SKIP() << "everything can be written to as root";
    const TempFolder folder;
    const auto picture = folder.file("locked/a.jpg", "x");
    fs::permissions(folder / "locked", fs::perms::owner_read | fs::perms::owner_exec);
    ::setenv("XDG_DATA_HOME", (folder / "data").c_str(), 1);
    EXPECT_EQ(storeGrade(picture, startingGrade()), gradeFileInDataFolder(picture));
    EXPECT_TRUE(loadGrade(picture).has_value());
    ::unsetenv("XDG_DATA_HOME");
    fs::permissions(folder / "locked", fs::perms::owner_all);
}

TEST(GradeStore, LeavesABrokenFileAsItIs) {
    const TempFolder folder;
    const auto picture = folder.file("a.jpg", "x");
    const auto grade = folder.file("a.jpg.bgrade", "{ broken");
    EXPECT_EQ(errorOf([&] { loadGrade(picture); }).file(), grade.string());
    EXPECT_EQ(readFile(grade), "{ broken");
}

TEST(Library, ListsGroupsPresetsAndBrokenFiles) {
    const TempFolder folder;
    const Library library(folder.path());
    EXPECT_TRUE(library.entries().empty());
    Library::perform(library.add(named("Dusk"), "Alley"));
    Library::perform(library.add(named("Dawn"), "Meadow"));
    folder.file("Alley/hand made.bpreset", "{");
    folder.file("Alley/readme.txt", "no preset");
    const auto entries = library.entries();
    ASSERT_EQ(entries.size(), 3u);
    EXPECT_EQ(library.groups(), (std::vector<std::string>{"Alley", "Meadow"}));
    EXPECT_EQ(entries[0].name, "Dusk");
    EXPECT_FALSE(entries[1].preset.has_value());
    EXPECT_NE(entries[1].error.find("hand made.bpreset"), std::string::npos);
}

TEST(Library, SameNameReplacesOrIsNumbered) {
    const TempFolder folder;
    const Library library(folder.path());
    Library::perform(library.add(named("Dusk", 1), "G"));
    const LibraryEdit replace = library.add(named("Dusk", 2), "G");
    Library::perform(replace);
    EXPECT_EQ(library.entries().size(), 1u);
    Library::revert(replace);
    EXPECT_EQ(*library.entries()[0].preset, named("Dusk", 1));
    Library::perform(library.add(named("Dusk", 3), "G", true));
    EXPECT_EQ(library.entries()[1].name, "Dusk 2");
}

TEST(Library, NamesCannotLeadOutOfIt) {
    const TempFolder folder;
    const Library library(folder / "presets");
    Library::perform(library.add(named("../../evil"), "../up"));
    EXPECT_EQ(library.entries().size(), 1u);
    EXPECT_EQ(library.entries()[0].name, "../../evil") << "the name itself is kept";
    for (const auto& entry : fs::directory_iterator(folder.path())) EXPECT_EQ(entry.path().filename(), "presets");
}

TEST(Library, UndoingAnySequenceRestoresTheBytes) {
    Random random(77);
    for (int round = 0; round < 20; ++round) {
        const TempFolder folder;
        const Library library(folder.path());
        for (int i = 0; i < 3; ++i)
            Library::perform(library.add(named("P" + std::to_string(i), i), "G" + std::to_string(i % 2)));
        const auto before = bytesOf(folder.path());
        std::vector<LibraryEdit> edits;
        for (int step = 0; step < 12; ++step) {
            const auto entries = library.entries();
            try {
                LibraryEdit edit;
                if (random() % 3 == 0 || entries.empty())
                    edit = library.add(named("P" + std::to_string(random() % 5), uniform(random, -1, 1)),
                                       "G" + std::to_string(random() % 3), random() % 2);
                else if (random() % 2)
                    edit = library.remove(entries[random() % entries.size()]);
                else
                    edit = library.rename(entries[random() % entries.size()], "R" + std::to_string(random() % 4));
                Library::perform(edit);
                edits.push_back(edit);
            } catch (const Error&) {
                // a name that is taken: nothing was changed
            }
        }
        const auto after = bytesOf(folder.path());
        for (auto edit = edits.rbegin(); edit != edits.rend(); ++edit) Library::revert(*edit);
        EXPECT_EQ(bytesOf(folder.path()), before);
        for (const auto& edit : edits) Library::perform(edit);
        EXPECT_EQ(bytesOf(folder.path()), after);
    }
}

TEST(Library, RefusesNamesThatAreNone) {
    const TempFolder folder;
    const Library library(folder.path());
    Library::perform(library.add(named("A"), "G"));
    Library::perform(library.add(named("B"), "G"));
    const auto entry = library.entries()[0];
    errorOf([&] { library.rename(entry, "  "); });
    errorOf([&] { library.rename(entry, "B"); });
}

} // namespace baryton::test
