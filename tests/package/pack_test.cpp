#include "base/file.h"
#include "lut/bake.h"
#include "lut/lut_file.h"
#include "lut/pattern.h"
#include "package/import.h"
#include "render/program.h"
#include "stages/stage_type.h"
#include "support/bytes_of.h"
#include "support/expect_error.h"
#include "support/samples.h"
#include "support/temp_folder.h"

#include <clocale>
#include <cstring>
#include <set>

namespace baryton::test {

namespace fs = std::filesystem;

namespace {

using State = ImportItem::State;
using Choice = ImportItem::Choice;

LutTable warmTable(int size) {
    LutTable table;
    for (int b = 0; b < size; ++b)
        for (int g = 0; g < size; ++g)
            for (int r = 0; r < size; ++r)
                for (const double value : {std::pow(r / (size - 1.0), 0.9), g / (size - 1.0), b / (size - 1.0) * 0.9})
                    table.grid.push_back(static_cast<float>(value));
    return table;
}

/// An account of one archive made of these files.
ImportAccount accountOf(const TempFolder& folder, const std::vector<ArchiveFile>& files, const Library& library) {
    return accountOfImport({folder.file("kit.zip", writeZip(files))}, library);
}

const ImportItem& item(const ImportAccount& account, const std::string& path) {
    for (const auto& each : account.items)
        if (each.path == path) return each;
    ADD_FAILURE() << "no " << path;
    return account.items.front();
}

/// Puts other bytes of the same length in place of a name, in the entry and in the directory of a zip.
std::string renamed(std::string zip, const std::string& from, const std::string& to) {
    EXPECT_EQ(from.size(), to.size());
    for (std::size_t at = 0; (at = zip.find(from, at)) != std::string::npos; at += to.size())
        zip.replace(at, from.size(), to);
    return zip;
}

} // namespace

TEST(Archive, GivesBackWhatWentIn) {
    Random random(3);
    std::vector<ArchiveFile> files;
    for (int i = 0; i < 20; ++i) {
        std::string bytes(random() % 5000, '\0');
        for (char& c : bytes) c = static_cast<char>(random());
        files.push_back({"Gruppe ä" + std::to_string(i % 3) + "/File " + std::to_string(i) + ".cube", bytes});
    }
    EXPECT_EQ(readZip(writeZip(files)), files);
    EXPECT_EQ(writeZip(files), writeZip(files));
    EXPECT_TRUE(readZip(writeZip({})).empty());
}

TEST(Archive, RefusesWhatIsNotToBeTrusted) {
    const std::string good = writeZip({{"AAAA/evil.txt", "x"}});
    EXPECT_EQ(errorOf([&] { readZip(renamed(good, "AAAA/", "../..")); }).place().substr(0, 3), "../");
    for (const std::string& path : {std::string("/AAA/"), std::string("C:/A/"), std::string("A\\..\\")})
        errorOf([&] { readZip(renamed(good, "AAAA/", path)); });
    errorOf([&] { readZip(renamed(good, "AAAA/", std::string("AA\x01/A"))); });
    const std::string twice = writeZip({{"one.txt", "x"}, {"two.txt", "y"}});
    EXPECT_NE(errorOf([&] { readZip(renamed(twice, "two", "ONE")); }).problem().find("twice"), std::string::npos);
    // A symbolic link is a file whose mode says so: in the directory, the upper two bytes of the external attributes.
    std::string link = writeZip({{"link", "/etc/passwd"}});
    const auto directory = link.find("PK\x01\x02");
    const std::uint32_t mode = 0120777U << 16;
    std::memcpy(link.data() + directory + 38, &mode, 4);
    EXPECT_NE(errorOf([&] { readZip(link); }).problem().find("link"), std::string::npos);
}

TEST(Archive, HasLimits) {
    const std::string bomb = writeZip({{"bomb.cube", std::string(std::size_t(40) << 20, '0')}});
    EXPECT_LT(bomb.size(), std::size_t(1) << 20);
    ArchiveLimits limits;
    limits.fileBytes = std::size_t(8) << 20;
    EXPECT_EQ(errorOf([&] { readZip(bomb, limits); }).place(), "bomb.cube");
    std::vector<ArchiveFile> many;
    for (int i = 0; i < 200; ++i) many.push_back({std::to_string(i), ""});
    limits.entries = 100;
    errorOf([&] { readZip(writeZip(many), limits); });
    limits = {};
    limits.allBytes = 1000;
    errorOf([&] { readZip(writeZip({{"a", std::string(600, 'a')}, {"b", std::string(600, 'b')}}), limits); });
}

TEST(Archive, SurvivesAnyDamage) {
    Random random(9);
    const std::string good = writeZip({{"a/b.cube", std::string(3000, 'a')}, {"c.txt", "hello"}});
    for (int i = 0; i < 600; ++i) {
        std::string damaged = good;
        if (i % 2)
            damaged.resize(random() % good.size());
        else
            for (int k = 0; k < 4; ++k) damaged[random() % good.size()] = static_cast<char>(random());
        try {
            readZip(damaged);
        } catch (const Error& e) {
            EXPECT_FALSE(e.problem().empty());
        }
    }
    errorOf([] { readZip("this is no archive"); });
    errorOf([] { readZip(""); });
}

TEST(Pack, TravelsWhole) {
    const TempFolder folder;
    const Library here(folder / "here"), there(folder / "there");
    perform(here.add(exposurePreset("Limelight"), "Stage light"));
    perform(here.add(exposurePreset("Dusk"), "Evening"));
    perform(here.addFile(cubeText(warmTable(5)), "Warm.cube", "Stage light"));
    PackInfo info{"Season 4", "The Tin Heron Company", "free to use", "for the programme", "\xff\xd8\xff jpeg"};
    const auto pack = folder.file("season.bpack", packBytes(info, here.entries()));
    const ImportAccount account = accountOfImport({pack}, there);
    EXPECT_EQ(account.info, info);
    EXPECT_EQ(account.items.size(), 3u);
    EXPECT_EQ(account.count(State::New), 3u);
    const auto before = bytesOf(folder / "there");
    const LibraryEdit edit = importEdit(account, there);
    EXPECT_EQ(bytesOf(folder / "there"), before) << "nothing is written before it is performed";
    perform(edit);
    const auto entries = there.entries();
    ASSERT_EQ(entries.size(), 3u);
    for (const auto& entry : entries)
        EXPECT_EQ(readFile(entry.file), readFile(folder / "here" / entry.item())) << entry.item();
    EXPECT_EQ(accountOfImport({pack}, there).count(State::Same), 3u);
    revert(edit);
    EXPECT_EQ(bytesOf(folder / "there"), before);
}

TEST(Pack, WhatIsWrittenIsReadAgainWhateverItIsCalled) {
    // The command may be started in a locale that knows no letters but English ones.
    const std::string before = std::setlocale(LC_ALL, nullptr);
    std::setlocale(LC_ALL, "C");
    Random random(11);
    const std::vector<std::string> parts = {
        ":", "C:",       "..",           "a",         "A",  "ä",  "Ä", "舞台",     "\\", "/", "\x1b[31m", " ",
        ".", "__MACOSX", "library.json", "Thumbs.db", "%s", "\"", "🎭", "pack.json"};
    const auto ugly = [&] {
        std::string name;
        for (unsigned n = 1 + random() % 3; n > 0; --n) name += parts[random() % parts.size()];
        return name.find_first_not_of(' ') == std::string::npos ? "x" : name;
    };
    for (int round = 0; round < 20; ++round) {
        const TempFolder folder;
        const Library here(folder / "here"), there(folder / "there");
        for (int i = 0; i < 8; ++i) {
            const std::string group = ugly();
            perform(here.add(exposurePreset(ugly(), uniform(random, -1, 1)), group, true));
            if (i % 3 == 0) perform(here.addFile(cubeText(warmTable(3 + i)), ugly() + ".cube", group, true));
        }
        std::string error;
        (void)here.index(&error);
        ASSERT_TRUE(error.empty()) << error;
        const auto pack = folder.file("kit.bpack", packBytes({"Kit", "", "", "", ""}, here.entries()));
        ImportAccount account = accountOfImport({pack}, there);
        for (ImportItem& item : account.items) {
            ASSERT_TRUE(item.preset) << item.path << ": " << item.reason;
            item.choice = Choice::KeepBoth;
        }
        perform(importEdit(account, there));
        (void)there.index(&error);
        ASSERT_TRUE(error.empty()) << error;
        const auto all = [](const Library& library) {
            std::multiset<std::string> found;
            for (const LibraryEntry& entry : library.entries())
                found.insert(entry.group + "|" + (entry.kind == LibraryEntry::Kind::Preset ? entry.name : "LUT") +
                             "|" + readFile(entry.file));
            return found;
        };
        EXPECT_EQ(all(here), all(there)) << "round " << round;
    }
    std::setlocale(LC_ALL, before.c_str());
}

TEST(Pack, AGroupNeverTakesThePlaceOfTheIndex) {
    const TempFolder folder;
    const Library library(folder / "library");
    perform(library.add(exposurePreset("Dusk"), "library.json"));
    perform(library.addGroup("Library.json"));
    LibraryIndex index;
    index.items["x/y.bpreset"].isFavourite = true;
    perform(library.setIndex(index, "favourite"));
    std::string error;
    EXPECT_EQ(library.index(&error), index);
    EXPECT_TRUE(error.empty()) << error;
    EXPECT_EQ(library.entries().size(), 1U);
}

TEST(Pack, SaysWhatItNamesAndDoesNotHold) {
    const TempFolder folder;
    const Library library(folder / "library");
    const std::string contents =
        R"({"format":"baryton-pack","version":1,"name":"Kit","groups":[{"name":"G","items":["a.bpreset","gone.cube"]}]})";
    const auto account =
        accountOfImport({folder.file("kit.bpack", writeZip({{"pack.json", contents},
                                                            {"a.bpreset", presetToText(exposurePreset("A"))},
                                                            {"more/b.bpreset", presetToText(exposurePreset("B"))}}))},
                        library);
    EXPECT_EQ(item(account, "a.bpreset").group, "G");
    EXPECT_EQ(item(account, "gone.cube").state, State::Refused);
    EXPECT_EQ(item(account, "more/b.bpreset").group, "more") << "a file that the pack does not name is found too";
    const auto broken = folder.file("broken.bpack", writeZip({{"pack.json", R"({"format":"baryton-pack"})"}}));
    EXPECT_EQ(errorOf([&] { accountOfImport({broken}, library); }).file(), broken.string());
    const auto newer = folder.file(
        "newer.bpack", writeZip({{"pack.json", R"({"format":"baryton-pack","version":2,"name":"x","groups":[]})"}}));
    EXPECT_EQ(errorOf([&] { accountOfImport({newer}, library); }).place(), "/version");
}

TEST(Import, TakesAZipAsDownloaded) {
    const TempFolder folder;
    const Library library(folder / "library");
    const std::string cube = cubeText(warmTable(17)), same = threeDlText(warmTable(17));
    LutTable other = warmTable(17);
    for (float& value : other.grid) value = 1 - value;
    const auto account = accountOf(folder,
                                   {{"Season kit/Warm/Straw.cube", cube},
                                    {"Season kit/Warm/Straw.3dl", same},
                                    {"Season kit/Warm/Ink.cube", cube},
                                    {"Season kit/Warm/Ink.3dl", threeDlText(other)},
                                    {"Season kit/Deep/Night/Moon.cube", cube},
                                    {"Season kit/broken.cube", "LUT_3D_SIZE 2\n0 0 0\n"},
                                    {"Season kit/not a lut.cube", std::string("\0\0\0", 3)},
                                    {"Season kit/readme.txt", "hello"},
                                    {"Season kit/cover.jpg", "\xff\xd8\xff"},
                                    {"Season kit/inner.zip", "PK"},
                                    {"__MACOSX/Season kit/._x", "litter"}},
                                   library);
    EXPECT_EQ(account.items.size(), 10u) << "litter is not spoken of";
    EXPECT_EQ(item(account, "Season kit/Warm/Straw.cube").group, "Warm");
    EXPECT_EQ(item(account, "Season kit/Deep/Night/Moon.cube").group, "Deep – Night");
    EXPECT_EQ(item(account, "Season kit/Warm/Straw.3dl").state, State::Twice);
    EXPECT_EQ(item(account, "Season kit/Warm/Ink.3dl").state, State::New) << "it does something else";
    EXPECT_EQ(item(account, "Season kit/broken.cube").state, State::Refused);
    EXPECT_EQ(item(account, "Season kit/broken.cube").group, "Season kit");
    EXPECT_EQ(item(account, "Season kit/not a lut.cube").state, State::Refused);
    for (const char* foreign : {"readme.txt", "cover.jpg", "inner.zip"}) {
        const ImportItem& each = item(account, std::string("Season kit/") + foreign);
        EXPECT_EQ(each.state, State::Foreign);
        EXPECT_FALSE(each.reason.empty());
    }
    perform(importEdit(account, library));
    EXPECT_EQ(library.entries().size(), 4u);
    for (const auto& entry : library.entries()) EXPECT_TRUE(entry.preset) << entry.error;
}

TEST(Import, PicturesThatAreLutsBecomeLuts) {
    const TempFolder folder;
    const Library library(folder / "library");
    fs::create_directory(folder / "box");
    const LutTable warm = warmTable(16);
    const Program program = Program::compile(lutGrade(warm, "warm"));
    const auto graded = [&](const QuantisedPicture& pattern, const std::string& name) {
        writePicture(folder / "plain.png", pattern, {}, {FileFormat::Png, 16, 92});
        writePicture(folder / "box" / name, program.quantised(readPicture(folder / "plain.png").picture, 16, false),
                     {}, {FileFormat::Png, 16, 92});
    };
    graded(squareCube(4, 16), "Straw.png");
    graded(ownPattern(16, 16), "Own straw.png");
    fs::copy_file(folder / "plain.png", folder / "box/Nobody graded this.png");
    // Pictures of the very size of a square cube, and of none.
    const Picture photo = readThumbnail(demo() / "pictures/meadow-cart.jpg", 600);
    Picture icon(64, 64), evening(64, 64);
    for (std::size_t k = 0; k < 3; ++k)
        for (int y = 0; y < 64; ++y)
            for (int x = 0; x < 64; ++x) {
                icon.row(k, y)[x] = (x / 16 + y / 16) % 2 ? 0.9F : 0.1F; // tiles that lie as the rows of a cube do
                evening.row(k, y)[x] = float(x + y) / 128;
            }
    const auto asPng = [&](const Picture& picture, const char* name) {
        writePicture(folder / "box" / name, Program::compile({}).quantised(picture, 8, false), {},
                     {FileFormat::Png, 8, 92});
    };
    asPng(icon, "icon.png"), asPng(evening, "evening.png"), asPng(photo, "photo.png");
    asPng(resized(photo, 512, 512), "square.png");
    for (const bool isZipped : {false, true}) {
        std::vector<ArchiveFile> files;
        for (const auto& entry : fs::directory_iterator(folder / "box"))
            files.push_back({entry.path().filename().string(), readFile(entry.path())});
        const ImportAccount account =
            isZipped ? accountOf(folder, files, library) : accountOfImport({folder / "box"}, library);
        EXPECT_EQ(account.items.size(), 7u);
        EXPECT_EQ(account.count(State::New), 2u);
        for (const char* name : {"Nobody graded this.png", "icon.png", "evening.png", "photo.png", "square.png"})
            EXPECT_EQ(item(account, name).state, State::Foreign) << name;
        for (const char* name : {"Straw.png", "Own straw.png"}) {
            const ImportItem& straw = item(account, name);
            EXPECT_EQ(straw.kind, LibraryEntry::Kind::Lut);
            EXPECT_NE(straw.reason.find("16"), std::string::npos);
            const LutTable table = parseLut(straw.bytes).table;
            ASSERT_EQ(table.gridSize(), 16);
            for (std::size_t i = 0; i < table.grid.size(); ++i) ASSERT_NEAR(table.grid[i], warm.grid[i], 2e-5);
        }
        if (isZipped) perform(importEdit(account, library));
    }
    EXPECT_TRUE(fs::exists(library.folderOf("kit") / "Straw.cube"));
    EXPECT_EQ(library.entries().size(), 2u);
}

TEST(Import, ClashesAreKeptReplacedOrLeftOut) {
    const TempFolder folder;
    const Library library(folder / "library");
    perform(library.add(exposurePreset("Dusk", 1), "G"));
    perform(library.add(exposurePreset("Dawn", 1), "G"));
    ImportAccount account = accountOf(folder,
                                      {{"Kit/G/Dusk.bpreset", presetToText(exposurePreset("Dusk", 2))},
                                       {"Kit/G/Dawn.bpreset", presetToText(exposurePreset("Dawn", 1))},
                                       {"Kit/H/Dusk.bpreset", presetToText(exposurePreset("Dusk", 2))}},
                                      library);
    EXPECT_EQ(item(account, "Kit/G/Dusk.bpreset").state, State::Differing);
    EXPECT_EQ(item(account, "Kit/G/Dusk.bpreset").choice, Choice::KeepBoth);
    EXPECT_EQ(item(account, "Kit/G/Dawn.bpreset").state, State::Same);
    EXPECT_EQ(item(account, "Kit/H/Dusk.bpreset").state, State::New);
    const auto before = bytesOf(folder.path());
    const LibraryEdit both = importEdit(account, library);
    perform(both);
    ASSERT_EQ(library.entries().size(), 4u);
    EXPECT_EQ(library.entries()[2].name, "Dusk 2") << "called as its file is";
    EXPECT_EQ(library.entries()[2].preset->carried, exposurePreset("Dusk", 2).carried);
    revert(both);
    EXPECT_EQ(bytesOf(folder.path()), before);
    for (auto& each : account.items)
        each.choice = each.state == State::Differing ? Choice::Replace : Choice::LeaveOut;
    perform(importEdit(account, library));
    EXPECT_EQ(library.entries().size(), 2u);
    EXPECT_EQ(*library.entries()[1].preset, exposurePreset("Dusk", 2));
}

TEST(Import, ReadsFoldersAndLooseFiles) {
    const TempFolder folder;
    const Library library(folder / "library");
    folder.file("box/Deep/a.bpreset", presetToText(exposurePreset("A")));
    folder.file("box/top.bpreset", presetToText(exposurePreset("Top")));
    folder.file("box/note.txt", "x");
    fs::create_directory_symlink("/", folder / "box" / "everything");
    const auto loose = folder.file("loose.bpreset", presetToText(exposurePreset("Loose")));
    const auto account = accountOfImport({folder / "box", loose}, library);
    EXPECT_EQ(account.items.size(), 4u) << "links are not followed";
    EXPECT_EQ(item(account, "top.bpreset").group, "box");
    EXPECT_EQ(item(account, "Deep/a.bpreset").group, "Deep");
    EXPECT_EQ(item(account, "loose.bpreset").group, "Added");
    errorOf([&] { accountOfImport({folder / "none.bpack"}, library); });
}

} // namespace baryton::test
