#include "picture/small_picture.h"
#include "support/expect_error.h"
#include "support/samples.h"
#include "support/temp_folder.h"

namespace baryton::test {

namespace fs = std::filesystem;

namespace {

struct Kept {
    TempFolder folder;
    fs::path file = folder / "cart.png";
    SmallStore store{folder / "small", 0};

    explicit Kept(int width = 64, int height = 40) { write(paintedPicture(width, height)); }
    void write(const Picture& picture) const { writePlain(file, picture, {FileFormat::Png, 16}); }
    std::vector<fs::path> files() const {
        std::vector<fs::path> all;
        for (const auto& entry : fs::directory_iterator(folder / "small")) all.push_back(entry.path());
        return all;
    }
    /// Makes the kept version one that can be told from the picture's own.
    void swapForAnother() const {
        const auto written = fs::last_write_time(file);
        const std::uintmax_t bytes = fs::file_size(file);
        const std::string real = readFile(file);
        writeFileAtomically(file, "no picture" + real.substr(10));
        ASSERT_EQ(fs::file_size(file), bytes);
        fs::last_write_time(file, written);
    }
};

} // namespace

TEST(SmallPicture, IsTheSamePixelsReadFirstAndKept) {
    const Kept kept(700, 300);
    const SmallPicture plain = readSmallPicture(kept.file), first = kept.store.read(kept.file);
    ASSERT_EQ(kept.files().size(), 1U);
    kept.swapForAnother(); // whoever reads the file itself now finds no picture
    EXPECT_EQ(errorOf([&] { readSmallPicture(kept.file); }).file(), kept.file.string());
    const SmallPicture again = kept.store.read(kept.file);
    EXPECT_TRUE(sameBytes(first.picture, again.picture));
    EXPECT_LT(largestDifference(plain.picture, again.picture), 1e-5);
    EXPECT_EQ(again.picture.longSide(), kSmallSide);
    EXPECT_EQ(again.picture.scale(), plain.picture.scale());
    EXPECT_EQ(again.size.width, 700);
    EXPECT_TRUE(again.size.isFine());
}

TEST(SmallPicture, KeepsValuesPastTheEndsAndHowItWasTaken) {
    const TempFolder folder;
    const SmallStore store(folder / "small", 0);
    const fs::path raw = demo() / "pictures/stage-door.dng";
    const SmallPicture plain = readSmallPicture(raw), first = store.read(raw), again = store.read(raw);
    EXPECT_FALSE(plain.shot.cameraModel.empty());
    EXPECT_EQ(plain.shot, again.shot);
    EXPECT_TRUE(sameBytes(first.picture, again.picture));
    EXPECT_LT(largestDifference(plain.picture, again.picture), 1e-4);
    RawSettings warmer;
    warmer.isAsShot = false, warmer.kelvin = 9000;
    EXPECT_GT(largestDifference(store.read(raw, warmer).picture, again.picture), 0.05);
    EXPECT_TRUE(sameBytes(store.read(raw).picture, first.picture));
}

TEST(SmallPicture, AFileThatChangedIsReadAnew) {
    const Kept kept;
    const SmallPicture first = kept.store.read(kept.file);
    kept.write(lampsAtNight(64, 40));
    EXPECT_GT(largestDifference(first.picture, kept.store.read(kept.file).picture), 0.2);
    EXPECT_EQ(kept.files().size(), 1U); // in the old one's place
    fs::remove(kept.file);
    EXPECT_EQ(errorOf([&] { kept.store.read(kept.file); }).file(), kept.file.string());
}

TEST(SmallPicture, WhateverLiesInTheFolderThePictureIsRight) {
    const Kept kept;
    const SmallPicture first = kept.store.read(kept.file);
    const fs::path there = kept.files().at(0);
    const std::string whole = readFile(there);
    Random random(7);
    const auto any = [&](std::size_t below) {
        return std::uniform_int_distribution<std::size_t>(0, below - 1)(random);
    };
    for (int i = 0; i < 400; ++i) {
        std::string damaged = whole;
        if (i % 4 == 0)
            damaged.resize(any(whole.size()));
        else if (i % 4 == 1)
            damaged += damaged.substr(any(whole.size()));
        else // half of them in the header
            for (int k = 0; k < 3; ++k)
                damaged[any(i % 4 == 2 ? 500 : whole.size())] ^= static_cast<char>(1 + any(255));
        writeFileAtomically(there, damaged);
        const SmallPicture again = kept.store.read(kept.file);
        ASSERT_TRUE(sameBytes(again.picture, first.picture)) << i;
        ASSERT_EQ(again.size.width, first.size.width) << i;
        ASSERT_EQ(again.shot, first.shot) << i;
        ASSERT_EQ(again.size.bits, first.size.bits) << i;
    }
    writeFileAtomically(kept.folder / "notes.txt", "The tin heron sleeps.");
    const SmallStore blocked(kept.folder / "notes.txt/small", 0); // no folder can be made there
    EXPECT_TRUE(sameBytes(blocked.read(kept.file).picture, first.picture));
}

TEST(KnownPicture, IsWhatWasKeptOfThisFileInThisDrawingAndNothingElse) {
    const Kept kept;
    const SmallPicture small = kept.store.read(kept.file);
    EXPECT_FALSE(kept.store.known(kept.file, "plain"));
    Shot shot;
    shot.cameraModel = "Heron 3", shot.focal = 35;
    kept.store.keep(kept.file, "plain", {shot, small.size, small.state, "a drawing\0of it"});
    const auto known = kept.store.known(kept.file, "plain");
    ASSERT_TRUE(known);
    EXPECT_EQ(known->shot, shot);
    EXPECT_EQ(known->size.width, small.size.width);
    EXPECT_EQ(known->size.bits, 16);
    EXPECT_EQ(known->state, small.state);
    EXPECT_EQ(known->drawn, "a drawing\0of it");
    EXPECT_FALSE(kept.store.known(kept.file, "warmer"));
    EXPECT_FALSE(kept.store.known(kept.folder / "other.png", "plain"));
    // The last drawing is the one that stays; the small version beside it is another matter.
    kept.store.keep(kept.file, "warmer", {shot, small.size, small.state, "warm"});
    EXPECT_FALSE(kept.store.known(kept.file, "plain"));
    EXPECT_EQ(kept.files().size(), 2U);
    EXPECT_TRUE(sameBytes(kept.store.read(kept.file).picture, small.picture));
    // Damaged anywhere it is none; so it is when the file changes, before it was kept or after.
    fs::path there;
    for (const fs::path& each : kept.files())
        if (each.extension() == ".known") there = each;
    const std::string whole = readFile(there);
    for (std::size_t i = 0; i < whole.size(); i += 7) {
        std::string damaged = whole;
        damaged[i] = static_cast<char>(damaged[i] ^ 0x21);
        writeFileAtomically(there, damaged);
        ASSERT_FALSE(kept.store.known(kept.file, "warmer")) << i;
        writeFileAtomically(there, whole.substr(0, i));
        ASSERT_FALSE(kept.store.known(kept.file, "warmer")) << i;
    }
    writeFileAtomically(there, whole);
    ASSERT_TRUE(kept.store.known(kept.file, "warmer"));
    kept.write(paintedPicture(80, 50));
    EXPECT_FALSE(kept.store.known(kept.file, "warmer"));
    kept.store.keep(kept.file, "late", {shot, small.size, small.state, "of what it was"});
    EXPECT_FALSE(kept.store.known(kept.file, "late"));
}

TEST(SmallPicture, IsNotKeptWhereThereIsLittleRoomOrNoFolder) {
    const Kept kept;
    const SmallStore full(kept.folder / "full", ~std::uintmax_t(0)), none{fs::path()};
    EXPECT_TRUE(sameBytes(full.read(kept.file).picture, none.read(kept.file).picture));
    EXPECT_TRUE(!fs::exists(kept.folder / "full") || fs::is_empty(kept.folder / "full"));
}

TEST(SmallPicture, WhatWasNotUsedForLongestGoesFirst) {
    const Kept kept;
    std::vector<fs::path> files;
    std::uintmax_t each = 0;
    for (int i = 0; i < 4; ++i) {
        files.push_back(kept.folder / ("cart-" + std::to_string(i) + ".png"));
        fs::copy_file(kept.file, files.back());
        kept.store.read(files.back());
        for (const fs::path& there : kept.files()) {
            each = fs::file_size(there);
            fs::last_write_time(there, fs::last_write_time(there) - std::chrono::minutes(5));
        }
    }
    kept.store.read(files[0]); // used again
    std::vector<fs::path> newest = kept.files();
    std::sort(newest.begin(), newest.end(),
              [](const fs::path& a, const fs::path& b) { return fs::last_write_time(a) > fs::last_write_time(b); });
    kept.store.trim(each * 2 + each / 2);
    EXPECT_EQ(kept.files().size(), 2U);
    EXPECT_TRUE(fs::exists(newest[0]) && fs::exists(newest[1]));
    EXPECT_GT(fs::last_write_time(newest[0]), fs::last_write_time(newest[1]) + std::chrono::minutes(4));
    kept.store.trim(0);
    EXPECT_TRUE(kept.files().empty());
}

} // namespace baryton::test
