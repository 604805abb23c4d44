// Pixels of pictures as they lie in their files, of which LUTs are measured.
#include "base/file.h"
#include "picture/own_pixels.h"
#include "support/expect_error.h"
#include "support/samples.h"
#include "support/temp_folder.h"

namespace baryton::test {

namespace fs = std::filesystem;

TEST(OwnPixels, AreThoseOfTheFileEveryNthOfEveryNthRow) {
    const TempFolder folder;
    const fs::path file = folder / "cart.png";
    const Picture whole = randomPicture(401, 299);
    writePlain(file, whole, {FileFormat::Png, 16});
    const Picture read = readPicture(file).picture;
    for (const std::size_t most : {std::size_t(1), std::size_t(7), std::size_t(5000), std::size_t(401 * 299)}) {
        const Picture own = readOwnPixels({file}, most);
        EXPECT_LE(std::size_t(own.width()) * std::size_t(own.height()), most);
        const int n = static_cast<int>(std::lround(1 / own.scale()));
        if (most == 401 * 299) EXPECT_TRUE(sameBytes(own, read));
        if (most == 5000) EXPECT_EQ(n, 5) << "the finest that fits";
        for (int y = 0; y < own.height(); ++y)
            for (int x = 0; x < own.width(); ++x)
                for (int k = 0; k < 3; ++k)
                    ASSERT_EQ(own.row(k, y)[x],
                              read.row(k, std::min(n / 2 + y * n, 298))[std::min(n / 2 + x * n, 400)]);
    }
}

TEST(OwnPixels, OfARawFileNoneIsAMean) {
    const fs::path raw = demo() / "pictures/stage-door.dng";
    const PictureSize size = readPictureSize(raw);
    const Picture own = readOwnPixels({raw}, OwnPixels::kMostPixels);
    EXPECT_LE(own.width(), size.width / 2);
    RawSettings warmer;
    warmer.isAsShot = false, warmer.kelvin = 9000;
    EXPECT_GT(largestDifference(readOwnPixels({raw, warmer}, OwnPixels::kMostPixels), own), 0.05);
}

TEST(OwnPixels, AreKeptUntilTheFileChanges) {
    const TempFolder folder;
    const fs::path a = folder / "a.png", b = folder / "b.png";
    writePlain(a, paintedPicture(64, 40), {FileFormat::Png, 16});
    writePlain(b, lampsAtNight(50, 30), {FileFormat::Png, 16});
    OwnPixels pixels;
    const std::vector<SourceFile> both = {{b}, {folder / "gone.png"}, {a}};
    const auto first = pixels.of(both);
    ASSERT_EQ(first.size(), 2U) << "one that can't be read is left out";
    EXPECT_EQ(first[0].width(), 50);
    const auto again = pixels.of(both);
    EXPECT_EQ(again[1].row(0, 0), first[1].row(0, 0)) << "the very same memory";
    writePlain(a, lampsAtNight(64, 40), {FileFormat::Png, 8});
    const auto changed = pixels.of(both);
    EXPECT_EQ(changed[0].row(0, 0), first[0].row(0, 0));
    EXPECT_GT(largestDifference(changed[1], first[1]), 0.2);
    Task task;
    task.cancel();
    EXPECT_THROW(pixels.of({{a}}, &task), Cancelled);
}

} // namespace baryton::test
