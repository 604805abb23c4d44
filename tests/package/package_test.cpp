#include "package/grade_store.h"
#include "package/library.h"
#include "stages/stage_type.h"
#include "support/bytes_of.h"
#include "support/expect_error.h"
#include "support/limits.h"
#include "support/samples.h"
#include "support/temp_folder.h"

#include <map>

namespace baryton::test {

namespace fs = std::filesystem;

namespace {

/// Any of the library's edits.
LibraryEdit anyEdit(const Library& library, Random& random) {
    const auto entries = library.entries();
    const auto groups = library.groups();
    const std::string group = "G" + std::to_string(random() % 4);
    const auto preset = exposurePreset("P" + std::to_string(random() % 5), uniform(random, -1, 1));
    if (entries.empty() || groups.empty()) return library.add(preset, group);
    const LibraryEntry& entry = entries[random() % entries.size()];
    const std::string& old = groups[random() % groups.size()];
    LibraryIndex index = library.index();
    switch (random() % 12) {
    case 0:
        return library.remove({entry});
    case 1:
        return library.rename(entry, "R" + std::to_string(random() % 4));
    case 2:
        return library.move({entry, entries.back()}, group);
    case 3:
        return library.duplicate(entry);
    case 4:
        return library.change(entry, preset, "Change");
    case 5:
        return library.addGroup(group);
    case 6:
        return library.renameGroup(old, group);
    case 7:
        return library.removeGroup(old);
    case 8:
        return library.orderGroups({groups.rbegin(), groups.rend()});
    case 9:
        index.items[entry.item()] = {true, "Ctrl+" + std::to_string(random() % 9)};
        index.start = entry.item();
        return library.setIndex(index, "Favourite");
    case 10:
        return library.addFile("LUT_1D_SIZE 2\n0 0 0\n1 1 1\n", "Plain.cube", group, random() % 2);
    default:
        return library.add(preset, group, random() % 2);
    }
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
    // A hand-written file may say anything.
    const auto exposure = [](Grade& of) -> Stage& {
        return *std::find_if(of.prep.begin(), of.prep.end(), [](const Stage& s) { return s.type == "exposure"; });
    };
    exposure(grade).parameters["stops"] = 77.0;
    storeGrade(picture, grade);
    Grade back = *loadGrade(picture);
    EXPECT_EQ(std::get<double>(exposure(back).parameters.at("stops")), 5);
}

TEST(GradeStore, GoesToTheDataFolderWhereItCannotWrite) {
    const TempFolder folder;
    const auto picture = folder.file("locked/a.jpg", "x");
    Grade first = startingGrade(), second = first;
    first.prep[0].parameters["stops"] = 1.0;
    second.prep[0].parameters["stops"] = 2.0;
    EXPECT_EQ(storeGrade(picture, first), gradeFileBeside(picture));
    fs::permissions(folder.path(), fs::perms::all);
    fs::permissions(folder / "locked",
                    fs::perms::owner_read | fs::perms::owner_exec | fs::perms::others_read | fs::perms::others_exec);
    openToAll(folder / "data");
    ::setenv("XDG_DATA_HOME", (folder / "data").c_str(), 1);
    {
        const Unprivileged nobody;
        ASSERT_FALSE(nobody.isPrivileged());
        std::string why;
        EXPECT_EQ(storeWork(picture, {second, {}, kStartTake, {}}, &why), gradeFileInDataFolder(picture));
        EXPECT_NE(why.find("locked"), std::string::npos) << why;
        EXPECT_EQ(*loadGrade(picture), second) << "the newer one counts, though an older one lies beside the picture";
    }
    fs::permissions(folder / "locked", fs::perms::owner_all);
    EXPECT_EQ(storeGrade(picture, first), gradeFileBeside(picture));
    EXPECT_EQ(*loadGrade(picture), first) << "and now the one beside it is the newer one";
    ::unsetenv("XDG_DATA_HOME");
}

TEST(GradeStore, SaysWhatIsWrongBesideThePictureWhenNeitherPlaceTakesIt) {
    const TempFolder folder;
    const auto picture = folder.file("a.jpg", "x");
    ::setenv("XDG_DATA_HOME", (folder / "data").c_str(), 1);
    storeGrade(picture, startingGrade());
    const std::string kept = readFile(gradeFileBeside(picture));
    Grade next = startingGrade();
    next.prep[0].parameters["stops"] = 1.0;
    const FullDisk full(64);
    EXPECT_NE(errorOf([&] { storeGrade(picture, next); }).file().find("a.jpg.bgrade"), std::string::npos);
    EXPECT_EQ(readFile(gradeFileBeside(picture)), kept);
    EXPECT_FALSE(fs::exists(gradeFileInDataFolder(picture)));
    ::unsetenv("XDG_DATA_HOME");
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
    perform(library.add(exposurePreset("Dusk"), "Alley"));
    perform(library.add(exposurePreset("Dawn"), "Meadow"));
    folder.file("Alley/hand made.bpreset", "{");
    folder.file("Alley/readme.txt", "no preset");
    const auto entries = library.entries();
    ASSERT_EQ(entries.size(), 3u);
    EXPECT_EQ(library.groups(), (std::vector<std::string>{"Alley", "Meadow"}));
    EXPECT_EQ(entries[0].name, "Dusk");
    EXPECT_FALSE(bool(entries[1].preset));
    EXPECT_NE(entries[1].error.find("hand made.bpreset"), std::string::npos);
}

TEST(Library, SameNameReplacesOrIsNumbered) {
    const TempFolder folder;
    const Library library(folder.path());
    perform(library.add(exposurePreset("Dusk", 1), "G"));
    const LibraryEdit replace = library.add(exposurePreset("Dusk", 2), "G");
    perform(replace);
    EXPECT_EQ(library.entries().size(), 1u);
    revert(replace);
    EXPECT_EQ(*library.entries()[0].preset, exposurePreset("Dusk", 1));
    perform(library.add(exposurePreset("Dusk", 3), "G", true));
    EXPECT_EQ(library.entries()[1].name, "Dusk 2");
}

TEST(Library, NamesCannotLeadOutOfIt) {
    const TempFolder folder;
    const Library library(folder / "presets");
    perform(library.add(exposurePreset("../../evil"), "../up"));
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
            perform(library.add(exposurePreset("P" + std::to_string(i), i), "G" + std::to_string(i % 2)));
        const auto before = bytesOf(folder.path());
        std::vector<LibraryEdit> edits;
        for (int step = 0; step < 16; ++step) {
            try {
                const LibraryEdit edit = anyEdit(library, random);
                perform(edit);
                edits.push_back(edit);
            } catch (const Error&) {
                // a name that is taken: nothing was changed
            }
        }
        const auto after = bytesOf(folder.path());
        for (auto edit = edits.rbegin(); edit != edits.rend(); ++edit) revert(*edit);
        EXPECT_EQ(bytesOf(folder.path()), before);
        for (const auto& edit : edits) perform(edit);
        EXPECT_EQ(bytesOf(folder.path()), after);
    }
}

TEST(Library, FavouritesKeysAndStartsFollowTheirItems) {
    const TempFolder folder;
    const Library library(folder.path());
    perform(library.add(exposurePreset("Dusk"), "Evening"));
    LibraryIndex index;
    index.items["Evening/Dusk.bpreset"] = {true, "Ctrl+Alt+1"};
    index.start = index.startByCamera["Heronflex"] = "Evening/Dusk.bpreset";
    perform(library.setIndex(index, "Favourite"));
    const auto follow = [&](const LibraryEdit& edit, const std::string& item) {
        perform(edit);
        EXPECT_EQ(library.index().items.count(item), 1u) << item;
        EXPECT_EQ(library.index().start, item);
        EXPECT_EQ(library.index().startFor("Heronflex", "jpg"), item);
    };
    follow(library.rename(library.entries()[0], "Nightfall"), "Evening/Nightfall.bpreset");
    follow(library.renameGroup("Evening", "Late"), "Late/Nightfall.bpreset");
    follow(library.move(library.entries(), "Later"), "Later/Nightfall.bpreset");
    perform(library.removeGroup("Later"));
    EXPECT_TRUE(library.index().items.empty());
    EXPECT_TRUE(library.index().startFor("Heronflex", "jpg").empty());
}

TEST(Library, GroupsStandInTheirOwnOrder) {
    const TempFolder folder;
    const Library library(folder.path());
    for (const char* group : {"A", "B", "C", "D"}) perform(library.addGroup(group));
    perform(library.orderGroups({"C", "A"}));
    EXPECT_EQ(library.groups(), (std::vector<std::string>{"C", "A", "B", "D"}));
    errorOf([&] { library.addGroup("B"); });
    errorOf([&] { library.renameGroup("A", "B"); });
    errorOf([&] { library.addGroup(" "); });
}

TEST(Library, ListsLutFilesAndReadsThemWhenAsked) {
    const TempFolder folder;
    const Library library(folder.path());
    folder.file("Luts/plain.cube", "LUT_1D_SIZE 2\n0 0 0\n1 1 1\n");
    folder.file("Luts/broken.cube", "LUT_3D_SIZE x\n");
    auto entries = library.entries(Library::Luts::Pending);
    ASSERT_EQ(entries.size(), 2u);
    EXPECT_TRUE(entries[0].isPending && entries[1].isPending);
    entries = library.entries();
    EXPECT_FALSE(entries[0].error.empty());
    ASSERT_TRUE(entries[1].preset);
    EXPECT_EQ(entries[1].preset->name, "plain");
    EXPECT_FALSE(library.entries(Library::Luts::Pending)[1].isPending) << "what is known stays known";
    perform(library.rename(entries[1], "Straight"));
    EXPECT_EQ(library.entries()[1].file.filename(), "Straight.cube") << "b before S: as people sort";
}

TEST(Library, ABrokenIndexLosesNoPreset) {
    const TempFolder folder;
    const Library library(folder.path());
    perform(library.add(exposurePreset("Dusk"), "G"));
    for (const char* text : {"{", "[]", R"({"format":"baryton-library","version":1,"groups":3})", ""}) {
        folder.file("library.json", text);
        std::string error;
        EXPECT_EQ(library.index(&error), LibraryIndex{});
        EXPECT_NE(error.find("library.json"), std::string::npos);
        EXPECT_EQ(library.entries().size(), 1u);
    }
    EXPECT_FALSE(library.fileOf("../x.bpreset"));
    EXPECT_FALSE(library.fileOf("/etc/passwd"));
    EXPECT_TRUE(library.fileOf("G/Dusk.bpreset"));
}

TEST(Library, AnEditThatFailsHalfWayIsTakenBack) {
    const TempFolder folder;
    const Library library(folder.path());
    perform(library.add(exposurePreset("A"), "G"));
    LibraryEdit edit = library.remove(library.entries());
    edit.changes.push_back({FileChange::Kind::Move, folder / "nothing", {}, {}, folder / "nowhere"});
    const auto before = bytesOf(folder.path());
    errorOf([&] { perform(edit); });
    EXPECT_EQ(bytesOf(folder.path()), before);
}

TEST(Library, RefusesNamesThatAreNone) {
    const TempFolder folder;
    const Library library(folder.path());
    perform(library.add(exposurePreset("A"), "G"));
    perform(library.add(exposurePreset("B"), "G"));
    const auto entry = library.entries()[0];
    errorOf([&] { library.rename(entry, "  "); });
    errorOf([&] { library.rename(entry, "B"); });
}

TEST(Library, WhatWasDeletedIsKeptForSixtyDaysOrUntilAskedFor) {
    const TempFolder folder;
    const Library library(folder / "presets");
    for (const char* group : {"Rehearsal", "First night"}) {
        perform(library.add(exposurePreset("Dim", -0.5), group));
        perform(library.removeGroup(group));
    }
    EXPECT_EQ(library.deleted().groups, 2);
    EXPECT_GT(library.deleted().bytes, 100U);
    constexpr std::time_t day = 24 * 3600;
    EXPECT_EQ(library.emptyDeleted(), 0) << "they were deleted today";
    EXPECT_EQ(library.emptyDeleted(Library::kDeletedDays, std::time(nullptr) + 59 * day), 0);
    // A group of old files counts from the day it was deleted.
    perform(library.add(exposurePreset("Dim", -0.5), "Old"));
    fs::last_write_time(folder / "presets/Old/Dim.bpreset",
                        fs::file_time_type::clock::now() - std::chrono::hours(24 * 400));
    perform(library.removeGroup("Old"));
    EXPECT_EQ(library.emptyDeleted(), 0);
    EXPECT_EQ(library.emptyDeleted(Library::kDeletedDays, std::time(nullptr) + 61 * day), 3);
    EXPECT_EQ(library.deleted().groups, 0);
    perform(library.add(exposurePreset("Dim", -0.5), "Again"));
    perform(library.removeGroup("Again"));
    EXPECT_EQ(library.emptyDeleted(0, std::time(nullptr) + 1), 1);
    EXPECT_EQ(Library(folder / "nothing").emptyDeleted(), 0);
}

} // namespace baryton::test
