#include "base/file.h"
#include "base/output.h"
#include "support/expect_error.h"
#include "support/temp_folder.h"

#include <gtest/gtest.h>
#include <set>
#include <sys/stat.h>
#include <thread>
#include <unistd.h>
#include <vector>

namespace baryton::test {

namespace fs = std::filesystem;

namespace {

bool isText(const fs::path& file) {
    return readFile(file).starts_with("text");
}

} // namespace

TEST(Output, IsNeverAnInputNorAnotherKindNorADevice) {
    const TempFolder folder;
    const auto input = folder.file("input.txt", "text one"), other = folder.file("other.txt", "text two");
    fs::create_symlink(input, folder / "link");
    fs::create_hard_link(input, folder / "again");
    InputSet inputs;
    inputs.add(input);
    inputs.add(folder / "not there");
    const auto refused = [&](const fs::path& target) {
        const Error e = errorOf([&] { requireOutput(target, inputs, isText, "a text"); });
        EXPECT_EQ(e.file(), target.string());
        EXPECT_FALSE(e.hint().empty());
        return e.problem();
    };
    for (const char* name : {"input.txt", "link", "again"})
        EXPECT_NE(refused(folder / name).find("is read here"), std::string::npos) << name;
    folder.file("numbers", "12");
    EXPECT_NE(refused(folder / "numbers").find("a text"), std::string::npos);
    refused(folder.path());
    refused("/dev/null");
    ASSERT_EQ(::mkfifo((folder / "pipe").c_str(), 0600), 0);
    refused(folder / "pipe");
    fs::create_symlink(folder / "nowhere", folder / "dangling");
    refused(folder / "dangling");

    requireOutput(other, inputs, isText, "a text");
    requireOutput(folder / "new", inputs, isText, "a text");
    requireOutput(folder.file("empty", ""), inputs, isText, "a text");
}

TEST(PendingFile, ANameIsTakenInOneStep) {
    const TempFolder folder;
    constexpr int each = 40;
    std::vector<std::set<fs::path>> taken(4);
    std::vector<std::thread> threads;
    for (auto& mine : taken)
        threads.emplace_back([&] {
            for (int i = 0; i < each; ++i) {
                PendingFile file(folder / "same.txt");
                file.write("x");
                mine.insert(file.keep({[](const fs::path&) { return false; }, true, {}}));
            }
        });
    for (auto& thread : threads) thread.join();
    std::set<fs::path> all;
    for (const auto& mine : taken) all.insert(mine.begin(), mine.end());
    EXPECT_EQ(all.size(), 4u * each) << "what one has written no other writes over";
    EXPECT_EQ(folder.entries(), 4u * each) << "and nothing is left beside";
}

TEST(PendingFile, NumbersReplacesOrGivesUp) {
    const TempFolder folder;
    const auto there = folder.file("a.txt", "old");
    const auto put = [&](const Placing& placing) {
        PendingFile file(there);
        file.write("new");
        return file.keep(placing);
    };
    const auto never = [](const fs::path&) { return false; };
    EXPECT_EQ(put({never, false, {}}), fs::path());
    EXPECT_EQ(folder.entries(), 1u);
    EXPECT_EQ(put({never, true, {}}), folder / "a-2.txt");
    EXPECT_EQ(put({never, true, [&](const fs::path& file) { return file == folder / "a-3.txt"; }}),
              folder / "a-4.txt")
        << "a free name that is meant for another stays free";
    EXPECT_EQ(readFile(there), "old");
    EXPECT_EQ(put({[&](const fs::path& file) { return readFile(file) == "old"; }, true, {}}), there);
    EXPECT_EQ(readFile(there), "new");
}

TEST(PendingFile, WhatDeadRunsLeftIsClearedAndNothingElse) {
    const TempFolder folder;
    // No process has so high a number.
    folder.file(".a.jpg.baryton-999999999-0123456789abcdef.part", "half");
    const std::string own = std::to_string(::getpid());
    const auto alive = folder.file(".b.jpg.baryton-" + own + "-0123456789abcdef.part", "half");
    const auto foreign = folder.file(".c.jpg.999999999-1.part", "another program's");
    const auto visible = folder.file("d.baryton-999999999-0.part", "named by somebody");
    // Each folder is looked through once, when the first file is written there.
    fs::create_directory(folder / "sub");
    fs::copy_file(folder / ".a.jpg.baryton-999999999-0123456789abcdef.part",
                  folder / "sub/.a.jpg.baryton-999999999-0123456789abcdef.part");
    for (const auto& each : {alive, foreign, visible}) fs::copy_file(each, folder / "sub" / each.filename());
    {
        PendingFile inHand(folder / "sub" / "x.jpg");
        EXPECT_EQ(std::distance(fs::directory_iterator(folder / "sub"), fs::directory_iterator()), 4);
        EXPECT_FALSE(fs::exists(folder / "sub/.a.jpg.baryton-999999999-0123456789abcdef.part"));
    }
    EXPECT_EQ(std::distance(fs::directory_iterator(folder / "sub"), fs::directory_iterator()), 3);
}

TEST(File, APipeIsNotWaitedFor) {
    const TempFolder folder;
    ASSERT_EQ(::mkfifo((folder / "pipe").c_str(), 0600), 0);
    for (const auto& file : {folder / "pipe", fs::path("/dev/zero")}) {
        EXPECT_NE(errorOf([&] { readFile(file); }).problem().find("no ordinary file"), std::string::npos);
        errorOf([&] { requireReadable(file); });
    }
    errorOf([&] { requireReadable(folder.path()); });
    errorOf([&] { requireReadable(folder / "not there"); });
    requireReadable(folder.file("file", "x"));
}

} // namespace baryton::test
