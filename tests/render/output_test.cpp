// What comes behind the grade on the way into a file: enlarging, sharpening, a mark.
#include "picture/picture_file.h"
#include "render/graded_file.h"
#include "render/output.h"
#include "render/output_rows.h"
#include "support/expect_error.h"
#include "support/samples.h"
#include "support/temp_folder.h"

#include <cmath>

namespace baryton::test {

namespace fs = std::filesystem;

namespace {

RowSource sourceRows(const Picture& picture) {
    return {picture.width(), picture.height(), picture.hasAlpha(), 1,
            [picture](int y, int count) { return cropped(picture, 0, y, picture.width(), count); }};
}

/// All rows, asked for in bands of so many.
Picture allRows(const RowSource& source, int band) {
    Picture whole(source.width, source.height, source.hasAlpha);
    for (int y = 0; y < source.height; y += band) {
        const int count = std::min(band, source.height - y);
        const Picture rows = source.rows(y, count);
        for (int plane = 0; plane < (source.hasAlpha ? 4 : 3); ++plane)
            for (int i = 0; i < count; ++i) std::copy_n(rows.row(plane, i), source.width, whole.row(plane, y + i));
    }
    return whole;
}

double contrastOf(const Picture& picture) {
    double sum = 0;
    for (int y = 0; y < picture.height(); ++y)
        for (int x = 1; x < picture.width(); ++x) sum += std::abs(picture.row(1, y)[x] - picture.row(1, y)[x - 1]);
    return sum / (picture.width() * picture.height());
}

} // namespace

TEST(OutputRows, AreTheSameInWhateverBandsTheyAreAskedFor) {
    const Picture picture = paintedPicture(90, 70);
    const auto larger = [&] { return enlargedRows(sourceRows(picture), 231, 180, 2); };
    const auto sharper = [&] { return sharpenedRows(larger(), {0.9, 1.4}, 2, nullptr); };
    for (const auto& make : {std::function<RowSource()>(larger), std::function<RowSource()>(sharper)}) {
        const Picture whole = allRows(make(), 1000);
        for (const int band : {1, 7, 64}) EXPECT_TRUE(sameBytes(allRows(make(), band), whole)) << band;
    }
}

TEST(OutputRows, EnlargingRingsNowhereAndComesBack) {
    Picture edges(40, 30);
    for (int y = 0; y < 30; ++y)
        for (int x = 0; x < 40; ++x)
            for (int c = 0; c < 3; ++c) edges.row(c, y)[x] = (x / 5 + y / 7) % 2 ? 0.9F : 0.1F;
    const Picture large = allRows(enlargedRows(sourceRows(edges), 160, 120, 1), 50);
    for (int y = 0; y < large.height(); ++y)
        for (int x = 0; x < large.width(); ++x) {
            ASSERT_GE(large.row(0, y)[x], 0.1F);
            ASSERT_LE(large.row(0, y)[x], 0.9F);
        }
    const Picture smooth = scaledDown(paintedPicture(400, 300), 80, 60);
    const Picture back = scaledDown(allRows(enlargedRows(sourceRows(smooth), 240, 180, 1), 50), 80, 60);
    EXPECT_LT(meanApart(back, smooth), 1.2);
}

TEST(OutputSharpening, GoesByPaperAndResolution) {
    OutputSettings settings;
    EXPECT_EQ(sharpeningFor(settings, 300).amount, 0);
    const auto radius = [&](SharpenFor what, double dotsPerInch) {
        settings.sharpenFor = what;
        return sharpeningFor(settings, dotsPerInch).radius;
    };
    EXPECT_GT(radius(SharpenFor::Matt, 300), radius(SharpenFor::Gloss, 300));
    EXPECT_GT(radius(SharpenFor::Matt, 600), 1.8 * radius(SharpenFor::Matt, 300)) << "as wide on paper";
    EXPECT_EQ(radius(SharpenFor::Screen, 600), radius(SharpenFor::Screen, 72));
    EXPECT_EQ(radius(SharpenFor::Matt, 0), radius(SharpenFor::Matt, 300));
    settings.sharpening = 0;
    EXPECT_EQ(sharpeningFor(settings, 300).amount, 0);
}

TEST(Output, FilesAreEnlargedSharpenedAndMarkedBehindTheGrade) {
    const TempFolder folder;
    const Picture painted = scaledDown(paintedPicture(600, 400), 200, 133);
    const fs::path in = folder / "in.png";
    writePicture(in, Program().quantised(painted, 16, false), {}, {FileFormat::Png, 16});
    const auto made = [&](const OutputSettings& settings) {
        FileSource source(in, {}, settings.size, 1);
        writeGraded(folder / "out.png", source, Program(), Output(settings), 2, nullptr);
        return readPicture(folder / "out.png").picture;
    };
    OutputSettings settings;
    settings.format = {FileFormat::Png, 16};
    EXPECT_LT(largestDifference(made(settings), painted), 2e-5);
    settings.sharpenFor = SharpenFor::Matt;
    const Picture sharp = made(settings);
    EXPECT_GT(contrastOf(sharp), 1.05 * contrastOf(painted));
    settings.sharpening = 2;
    EXPECT_GT(contrastOf(made(settings)), 1.03 * contrastOf(sharp));
    settings.sharpenFor = SharpenFor::None;
    settings.size = sizeWishFromText("400");
    EXPECT_EQ(made(settings).width(), 200) << "not unless it is asked for";
    settings.size.enlarges = true;
    const Picture large = made(settings);
    EXPECT_EQ(large.width(), 400);
    EXPECT_EQ(large.height(), 266);
    EXPECT_LT(meanApart(scaledDown(large, 200, 133), painted), 1.2);
    // A mark lies where it is said, and nowhere else.
    settings.size = {};
    settings.mark.text = "Heron";
    settings.mark.size = 12;
    settings.mark.strength = 1;
    for (int place = 0; place < 9; ++place) {
        settings.mark.place = static_cast<MarkPlace>(place);
        const Picture marked = made(settings);
        const MarkRaster raster = *Output(settings).markIn(200, 133);
        double inside = 0, outside = 0;
        for (int y = 0; y < 133; ++y)
            for (int x = 0; x < 200; ++x) {
                const bool isIn = x >= raster.x && x < raster.x + raster.pixels.width() && y >= raster.y &&
                                  y < raster.y + raster.pixels.height();
                (isIn ? inside : outside) += std::abs(marked.row(1, y)[x] - painted.row(1, y)[x]);
            }
        EXPECT_GT(inside, 20) << place;
        EXPECT_LT(outside, 1) << place;
        EXPECT_EQ(raster.x < 60, place % 3 == 0) << place;
        EXPECT_EQ(raster.y < 40, place / 3 == 0) << place;
    }
    // A picture for a mark: by its alpha, never larger than it is.
    Picture badge(20, 10, true);
    for (int y = 0; y < 10; ++y)
        for (int x = 0; x < 20; ++x) badge.row(0, y)[x] = 1, badge.row(3, y)[x] = x < 10 ? 1 : 0;
    writePicture(folder / "badge.png", Program().quantised(badge, 8, true), {}, {FileFormat::Png, 8});
    settings.mark.picture = folder / "badge.png";
    settings.mark.size = 50;
    settings.mark.place = MarkPlace::Middle;
    const MarkRaster raster = *Output(settings).markIn(200, 133);
    EXPECT_EQ(raster.pixels.width(), 20);
    const Picture marked = made(settings);
    EXPECT_NEAR(marked.row(0, 66)[raster.x + 4], 1, 1e-3);
    EXPECT_NEAR(marked.row(1, 66)[raster.x + 4], 0, 1e-3);
    EXPECT_NEAR(marked.row(1, 66)[raster.x + 16], painted.row(1, 66)[raster.x + 16], 1e-4) << "where it is clear";
    settings.mark.picture = folder / "none.png";
    errorOf([&] { Output{settings}; });
    settings.mark = {};
    settings.format = {FileFormat::Jpeg, 16};
    errorOf([&] { Output{settings}; });
}

} // namespace baryton::test
