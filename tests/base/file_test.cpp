#include "base/file.h"
#include "support/expect_error.h"
#include "support/limits.h"
#include "support/temp_folder.h"

namespace baryton::test {

TEST(File, WritesWholeFilesAndMakesFolders) {
    const TempFolder folder;
    const auto file = folder / "a/b/c.txt";
    writeFileAtomically(file, "one");
    writeFileAtomically(file, "two");
    EXPECT_EQ(readFile(file), "two");
    EXPECT_EQ(folder.entries(), 3u) << "nothing but the two folders and the file may be left";
}

TEST(File, AFailedWriteLeavesTheOldFile) {
    const TempFolder folder;
    const auto file = folder.file("kept.txt", "old");
    // A folder where the file should go: the rename fails after the new content was written beside it.
    std::filesystem::create_directory(folder / "taken");
    writeFileAtomically(folder / "taken" / "inside", "x");
    const Error e = errorOf([&] { writeFileAtomically(folder / "taken", "new"); });
    EXPECT_NE(e.file().find("taken"), std::string::npos);
    EXPECT_EQ(readFile(file), "old");
    EXPECT_EQ(folder.entries(), 3u);
}

TEST(File, AWriteThatRunsOutOfRoomKeepsTheOldFileAndLeavesNothing) {
    const TempFolder folder;
    const auto file = folder.file("kept.txt", "old");
    const Error e = [&] {
        const FullDisk full(4096);
        return errorOf([&] { writeFileAtomically(file, std::string(100000, 'x')); });
    }();
    EXPECT_NE(std::string(e.what()).find("kept.txt"), std::string::npos);
    EXPECT_EQ(readFile(file), "old");
    EXPECT_EQ(folder.entries(), 1u) << "nothing half written may be left beside it";
}

TEST(File, ReadingSaysWhatIsWrong) {
    const TempFolder folder;
    EXPECT_EQ(errorOf([&] { readFile(folder / "none"); }).file(), (folder / "none").string());
    errorOf([&] { readFile(folder.path()); });
    const auto large = folder.file("large", std::string(2000, 'x'));
    errorOf([&] { readFile(large, 1000); });
}

TEST(File, HashIsTheStandardFnv1a) {
    EXPECT_EQ(contentHash(""), "cbf29ce484222325");
    EXPECT_EQ(contentHash("a"), "af63dc4c8601ec8c");
}

TEST(File, SafeNamesCannotLeaveTheirFolder) {
    for (const char* name : {"../up", "/root", "a/b", "..", ".", "", ".hidden", "tab\there", "new\nline"}) {
        const std::string safe = safeFileName(name);
        EXPECT_FALSE(safe.empty());
        EXPECT_EQ(safe.find('/'), std::string::npos) << safe;
        EXPECT_NE(safe[0], '.') << safe;
        for (const char c : safe) EXPECT_GE(static_cast<unsigned char>(c), 32) << name;
    }
    EXPECT_EQ(safeFileName("Blaue Stunde · für Möwen"), "Blaue Stunde · für Möwen");
}

TEST(File, Base64RoundTripsAndRefusesOtherText) {
    std::vector<std::uint8_t> bytes;
    for (int n = 0; n < 40; ++n) {
        EXPECT_EQ(base64Decode(base64Encode(bytes)), bytes) << n;
        bytes.push_back(static_cast<std::uint8_t>(n * 37));
    }
    EXPECT_EQ(base64Encode(std::vector<std::uint8_t>{'M', 'a'}), "TWE="); // RFC 4648's own alphabet
    for (const char* wrong : {"TWE", "TW=E", "T", "TWE=TWE=", "T E=", "TW\xc3\xa4="})
        errorOf([&] { base64Decode(wrong); });
}

} // namespace baryton::test
