// A picture laid over the frame: where its pixels come to lie, how they blend, and how it is carried.
#include "base/error.h"
#include "base/file.h"
#include "colour/transfer.h"
#include "grade/content_pool.h"
#include "grade/grade_json.h"
#include "package/history_store.h"
#include "picture/carried_picture.h"
#include "picture/motion_blur.h"
#include "picture/vips_support.h"
#include "render/diagnose.h"
#include "render/plan.h"
#include "render/view.h"
#include "stages/overlay.h"
#include "stages/validate.h"
#include "support/dispatch.h"
#include "support/expect_error.h"
#include "support/samples.h"
#include "support/sanitized.h"
#include "support/temp_folder.h"

#include <algorithm>
#include <cmath>
#include <cstring>
#include <numbers>

namespace baryton::test {

namespace {

PictureContent carried(const Picture& picture, const char* name = "over") {
    return {name, std::make_shared<const std::string>(encodeCarried(picture))};
}

Picture even(int width, int height, std::array<float, 3> colour, bool withAlpha = false) {
    Picture picture(width, height, withAlpha);
    for (int k = 0; k < (withAlpha ? 4 : 3); ++k)
        for (int y = 0; y < height; ++y)
            std::fill_n(picture.row(k, y), width, k == 3 ? 1.0F : colour[static_cast<std::size_t>(k)]);
    return picture;
}

/// Smooth waves in three directions.
Picture slantedWaves(int width, int height) {
    Picture picture(width, height);
    for (int k = 0; k < 3; ++k)
        for (int y = 0; y < height; ++y)
            for (int x = 0; x < width; ++x)
                picture.row(k, y)[x] =
                    0.5F + 0.4F * std::sin(0.11F * static_cast<float>(x + k * y) + 0.07F * static_cast<float>(y));
    return picture;
}

Grade laid(const PictureContent& content, std::map<std::string, Value> parameters = {}) {
    parameters["picture"] = content;
    return finishOf({{"overlay", std::move(parameters)}});
}

Picture graded(const Grade& grade, const Picture& source) {
    return Program::compile(grade).graded(source);
}

double keys(double x) {
    x = std::abs(x);
    return x < 1 ? (1.5 * x - 2.5) * x * x + 1 : x < 2 ? ((-0.5 * x + 2.5) * x - 4) * x + 2 : 0;
}

/// The overlay in double, as overlay.h has it, for one that is not made smaller.
struct OverlayJudge {
    Picture over;
    double scale = 1, turn = 0, x = 0, y = 0; ///< degrees; fractions of the frame
    bool mirror = false;

    /// Its colour at the middle of a pixel of a frame; nothing outside, or within half a pixel of its edge.
    std::optional<Vec3> at(int column, int row, int width, int height) const {
        const double cover = std::max(double(width), double(height) * over.width() / over.height()) * scale;
        const double perPixel = over.width() / cover, angle = turn * std::numbers::pi / 180;
        const double dx = column + 0.5 - (0.5 + x) * width, dy = row + 0.5 - (0.5 + y) * height;
        const double u =
            (dx * std::cos(angle) + dy * std::sin(angle)) * (mirror ? -1 : 1) * perPixel + over.width() / 2.0;
        const double v = (dy * std::cos(angle) - dx * std::sin(angle)) * perPixel + over.height() / 2.0;
        const double edge = 0.51 * perPixel;
        if (u < edge || v < edge || u > over.width() - edge || v > over.height() - edge) return std::nullopt;
        const int left = static_cast<int>(std::floor(u - 0.5)), top = static_cast<int>(std::floor(v - 0.5));
        Vec3 colour{};
        for (int k = 0; k < 3; ++k) {
            double sum = 0, least = 1e9, most = -1e9;
            for (int j = -1; j <= 2; ++j)
                for (int i = -1; i <= 2; ++i) {
                    const double value = over.row(
                        k, std::clamp(top + j, 0, over.height() - 1))[std::clamp(left + i, 0, over.width() - 1)];
                    sum += value * keys(u - 0.5 - (left + i)) * keys(v - 0.5 - (top + j));
                    if (i >= 0 && i <= 1 && j >= 0 && j <= 1)
                        least = std::min(least, value), most = std::max(most, value);
                }
            colour[static_cast<std::size_t>(k)] = std::clamp(sum, least, most);
        }
        return colour;
    }
};

double lightOf(const Picture& picture, int plane, int y) {
    double sum = 0;
    for (int x = 0; x < picture.width(); ++x) sum += srgbToLinear(picture.row(plane, y)[x]);
    return sum;
}

} // namespace

TEST(Overlay, LiesWhereItsNumbersSayAtEveryDispatchLevel) {
    const PictureContent content = carried(slantedWaves(60, 44));
    const OverlayJudge plain{pictureOf(decodeCarried(*content.encoded))};
    Picture source = randomPicture(241, 167, 3);
    struct Case {
        double scale, turn, x, y;
        bool mirror;
    };
    atEveryDispatchLevel([&] {
        for (const Case& c : {Case{1, 0, 0, 0, false}, Case{1.7, 0, 0.1, -0.2, true}, Case{1, 90, 0, 0, false},
                              Case{1.2, 33, -0.15, 0.3, false}, Case{2.5, -141, 0.4, 0.1, true}})
            for (const char* mode : {"normal", "screen", "luminosity"}) {
                if (kSanitized && std::string(mode) != "screen") continue;
                OverlayJudge judge = plain;
                judge.scale = c.scale, judge.turn = c.turn, judge.x = c.x, judge.y = c.y, judge.mirror = c.mirror;
                const Picture out = graded(laid(content, {{"scale", c.scale},
                                                          {"turn", c.turn},
                                                          {"shift.x", c.x},
                                                          {"shift.y", c.y},
                                                          {"mirror", c.mirror},
                                                          {"blend", std::string(mode)}}),
                                           source);
                int inside = 0;
                for (int y = 0; y < source.height(); ++y)
                    for (int x = 0; x < source.width(); ++x) {
                        const auto upper = judge.at(x, y, source.width(), source.height());
                        if (!upper) continue;
                        ++inside;
                        const Vec3 lower{source.row(0, y)[x], source.row(1, y)[x], source.row(2, y)[x]};
                        const Vec3 want = blended(blendModeFrom(mode), lower, *upper);
                        for (int k = 0; k < 3; ++k) // ten bits, and what floats lose of a place
                            ASSERT_NEAR(out.row(k, y)[x], want[static_cast<std::size_t>(k)], 4e-3)
                                << mode << ' ' << c.turn << " at " << x << ", " << y;
                    }
                EXPECT_GT(inside, 8000) << c.turn;
            }
    });
}

TEST(Overlay, ChangesNoBitWhereItIsNotAndAsMuchAsItIsStrong) {
    const Picture source = randomPicture(200, 130, 4);
    EXPECT_TRUE(Program::compile(laid({})).isEmpty()) << "without a picture";
    const PictureContent white = carried(even(30, 20, {1, 1, 1}));
    Grade grade = laid(white, {{"scale", 0.25}, {"blend", std::string("normal")}});
    const Picture out = graded(grade, source);
    for (int k = 0; k < 3; ++k) {
        EXPECT_EQ(out.row(k, 65)[100], 1) << "in the middle";
        EXPECT_EQ(0, std::memcmp(out.row(k, 10), source.row(k, 10), 200 * sizeof(float))) << "above it";
        EXPECT_EQ(out.row(k, 65)[60], source.row(k, 65)[60]) << "left of it";
    }
    // Half a quarter of 200 pixels to either side; there the edge runs between two pixels.
    EXPECT_EQ(out.row(0, 65)[75], 1);
    EXPECT_EQ(out.row(0, 65)[74], source.row(0, 65)[74]);
    grade.finish[0].strength = 0.3;
    const Picture part = graded(grade, source);
    EXPECT_NEAR(part.row(1, 65)[100], source.row(1, 65)[100] * 0.7 + 0.3, 1e-5);
    // Moved by half a pixel, the edge is half there.
    grade.finish[0].strength = 1;
    grade.finish[0].parameters["shift.x"] = 0.5 / 200;
    const Picture moved = graded(grade, source);
    EXPECT_NEAR(moved.row(0, 65)[75], (1 + source.row(0, 65)[75]) / 2, 2e-3);
}

TEST(Overlay, CoversTheFrameWhateverItsShape) {
    const Picture source = even(120, 80, {0.3F, 0.4F, 0.5F});
    for (const auto& [width, height] : {std::pair(1, 1), std::pair(1, 50), std::pair(70, 3), std::pair(90, 60)})
        for (const bool isTall : {false, true}) {
            const Picture frame = isTall ? even(80, 120, {0.3F, 0.4F, 0.5F}) : source;
            const Picture out = graded(
                laid(carried(even(width, height, {0.8F, 0.8F, 0.8F})), {{"blend", std::string("normal")}}), frame);
            for (const auto& [x, y] : {std::pair(0, 0), std::pair(frame.width() - 1, frame.height() - 1),
                                       std::pair(frame.width() - 1, 0), std::pair(frame.width() / 2, 7)})
                EXPECT_NEAR(out.row(1, y)[x], 0.8, 3e-3) << width << " × " << height << " at " << x << ", " << y;
        }
}

TEST(Overlay, TransparentPartsDoNotShow) {
    Picture over = even(40, 40, {1, 0, 0}, true);
    for (int y = 0; y < 40; ++y)
        for (int x = 0; x < 40; ++x) {
            if (x >= 20) over.row(3, y)[x] = y < 20 ? 0.0F : 0.5F;
            if (x >= 20 && y < 20) over.row(0, y)[x] = 0, over.row(2, y)[x] = 1; // hidden blue
        }
    const PictureContent content = carried(over);
    EXPECT_EQ(decodeCarried(*content.encoded).channels, 4);
    EXPECT_EQ(likelyBlend(content), BlendMode::Normal);
    const Picture source = even(160, 160, {0.2F, 0.6F, 0.4F});
    const Picture out = graded(laid(content, {{"blend", std::string("normal")}}), source);
    EXPECT_NEAR(out.row(0, 40)[30], 1, 2e-3);
    EXPECT_NEAR(out.row(1, 40)[30], 0, 2e-3);
    EXPECT_EQ(out.row(0, 40)[140], source.row(0, 40)[140]);
    EXPECT_NEAR(out.row(0, 130)[140], 0.6, 4e-3) << "half of it";
    EXPECT_NEAR(out.row(1, 130)[140], 0.3, 4e-3);
    for (int x = 0; x < 160; ++x) EXPECT_LE(out.row(2, 40)[x], 0.4F + 2e-3F) << "the hidden blue at " << x;
    // One that is opaque everywhere is kept as a JPEG.
    EXPECT_EQ(decodeCarried(encodeCarried(even(5, 5, {1, 0, 0}, true))).channels, 3);
}

/// Rows that run along the raster's are read by other code than those that do not. (Not where rows lie on one another
/// to a hair: between which two a pixel lies, whose range holds it, is chance there.)
TEST(Overlay, AHairsTurnChangesNothing) {
    const Picture source = randomPicture(243, 101, 3);
    const Picture glass = randomPicture(400, 170, 4);
    Picture seen(400, 170, true); // also what is half transparent
    for (int k = 0; k < 4; ++k)
        for (int y = 0; y < 170; ++y) std::copy_n(glass.row(k % 3, y), 400, seen.row(k, y));
    atEveryDispatchLevel([&] {
        for (const Picture* over : {&glass, static_cast<const Picture*>(&seen)})
            for (const double scale : {0.31, 1.0, 3.7})
                for (const bool mirror : {false, true}) {
                    Grade grade =
                        laid(carried(*over),
                             {{"scale", scale}, {"mirror", mirror}, {"shift.x", 0.0715}, {"shift.y", 0.033}});
                    const Picture along = graded(grade, source);
                    grade.finish[0].parameters["turn"] = 1e-5; // degrees
                    const Picture turned = graded(grade, source);
                    EXPECT_LT(largestDifference(along, turned), 1e-3) << scale << (mirror ? " mirrored" : "");
                    EXPECT_GT(largestDifference(along, source), 0.1);
                }
    });
}

TEST(Overlay, ShowsFittedWhatTheFileWillLookLike) {
    const std::filesystem::path overlays = std::filesystem::path(BARYTON_SOURCE) / "demo/overlays";
    const auto demo = [&](const char* name) {
        return PictureContent{name, std::make_shared<const std::string>(carriedFrom(overlays / name).encoded)};
    };
    // Noise and lines of a pixel: laid over and made smaller is not made smaller and laid over, for most blend modes.
    const PictureContent lamps = carried(lampsAtNight(1500, 1000));
    const std::string multiply = "multiply", normal = "normal";
    const std::pair<Grade, double> all[] = {
        {laid(demo("steam.jpg")), 0.5},
        {laid(demo("paper.jpg"), {{"blend", multiply}, {"turn", 90.0}}), 0.5},
        {laid(lamps, {{"scale", 0.7}, {"turn", 24.0}, {"shift.x", 0.1}, {"blend", normal}}), 0.5},
        {laid(lamps,
              {{"scale", 1.6}, {"turn", -70.0}, {"mirror", true}, {"blur.length", 60.0}, {"blur.angle", 30.0}}),
         0.5},
        {laid(lamps), 0.7}};
    for (const auto& [width, height] : {std::pair(1224, 816), std::pair(3000, 2000)}) {
        if (kSanitized && width > 1224) continue;
        const Picture source = paintedPicture(width, height);
        const Pyramid pyramid(source);
        constexpr int w = 600, h = 400;
        const ViewRegion fitted{0, 0, w, h, double(w) / width};
        const Picture without = scaledDown(source, w, h);
        for (const auto& [grade, most] : all) {
            const Program program = Program::compile(grade);
            const Picture file = scaledDown(program.graded(source), w, h);
            const ViewSource view = viewSource(pyramid, fitted, program.needs(fitted.scale));
            Picture shown(w, h);
            runOverView(program, view, into(shown));
            const double effect = meanApart(file, without);
            EXPECT_GT(effect, 1) << "there is something to agree on";
            EXPECT_LT(meanApart(shown, file), std::min(most, 0.1 * effect)) << width;
        }
    }
}

TEST(Overlay, IsTheSameBytesHoweverThePictureIsCut) {
    const Picture source = randomPicture(301, 173, 21);
    const Program program =
        Program::compile(laid(carried(slantedWaves(90, 70)),
                              {{"turn", 17.0}, {"scale", 0.8}, {"blur.length", 20.0}, {"blur.angle", -40.0}}));
    const Picture whole = program.graded(source, 1);
    EXPECT_TRUE(sameBytes(program.graded(source, 5), whole));
    for (int y = 0; y < 173; y += 40) {
        const int rows = std::min(40, 173 - y);
        const Picture band = cropped(source, 100, y, 150, rows);
        Picture out(150, rows);
        program.run(band, FrameMap::whole(source).part(100, y), into(out));
        EXPECT_TRUE(sameBytes(out, cropped(whole, 100, y, 150, rows))) << y;
    }
}

TEST(Overlay, GuessesFromItsTonesHowItIsMeant) {
    EXPECT_EQ(likelyBlend(carried(even(50, 30, {0.05F, 0.1F, 0.1F}))), BlendMode::Screen);
    EXPECT_EQ(likelyBlend(carried(even(50, 30, {0.9F, 0.9F, 0.85F}))), BlendMode::Multiply);
    EXPECT_EQ(likelyBlend(carried(even(50, 30, {0.5F, 0.5F, 0.5F}))), BlendMode::SoftLight);
}

TEST(MotionBlur, IsABoxAlongItsDirectionInLinearLight) {
    Picture picture = even(101, 101, {0, 0, 0});
    for (int k = 0; k < 3; ++k) picture.row(k, 50)[50] = 1;
    const Picture across = motionBlurred(picture, 9, 0);
    EXPECT_NEAR(lightOf(across, 1, 50), 1, 1e-3) << "no light comes or goes";
    for (int x = 40; x < 61; ++x)
        EXPECT_NEAR(srgbToLinear(across.row(1, 50)[x]), x >= 46 && x <= 54 ? 1.0 / 9 : 0, 1e-4) << x;
    const Picture down = motionBlurred(picture, 9, std::numbers::pi / 2);
    for (int i = 40; i < 61; ++i) EXPECT_NEAR(down.row(0, i)[50], across.row(0, 50)[i], 1e-5);
    // Any other direction: all the light, about its middle, spread as far along as it is long and hardly across.
    for (const double degrees : {20.0, 45.0, 60.0, 110.0, -33.0}) {
        const double angle = degrees * std::numbers::pi / 180, c = std::cos(angle), s = std::sin(angle);
        const Picture out = motionBlurred(picture, 30, angle);
        double light = 0, along = 0, aside = 0, middle = 0;
        for (int y = 0; y < 101; ++y)
            for (int x = 0; x < 101; ++x) {
                const double v = srgbToLinear(out.row(2, y)[x]), u = (x - 50) * c + (y - 50) * s,
                             w = (y - 50) * c - (x - 50) * s;
                light += v, middle += v * u, along += v * u * u, aside += v * w * w;
            }
        EXPECT_NEAR(light, 1, 0.01) << degrees;
        EXPECT_NEAR(middle / light, 0, 0.05) << degrees;
        EXPECT_NEAR(std::sqrt(12 * along / light), 30, 0.6) << degrees;
        EXPECT_LT(std::sqrt(aside / light), 0.75) << degrees;
    }
    const Picture grey = even(40, 30, {0.4F, 0.5F, 0.6F});
    EXPECT_LT(largestDifference(motionBlurred(grey, 25, 0.6), grey), 1e-5) << "past the edge its pixels repeat";
    EXPECT_TRUE(sameBytes(motionBlurred(picture, 0, 1), picture));
}

TEST(CarriedPicture, IsAnyFileMadeSmallUprightAndBare) {
    const TempFolder folder;
    Metadata metadata;
    metadata.dotsPerInch = 300;
    const auto write = [&](const char* name, const Picture& picture, OutputFormat format) {
        const auto file = folder / name;
        writePicture(file, Program::compile({}).quantised(picture, format.bits, true), metadata, format);
        return file;
    };
    const Picture small = slantedWaves(120, 80);
    CarriedPicture taken = carriedFrom(write("small.tif", small, {FileFormat::Tiff, 16}));
    EXPECT_TRUE(taken.remarks.empty());
    EXPECT_LT(meanApart(pictureOf(decodeCarried(taken.encoded)), small), 0.8);
    EXPECT_EQ(taken.encoded.find("Exif"), std::string::npos);
    EXPECT_EQ(encodeCarried(pictureOf(decodeCarried(taken.encoded))).substr(0, 3), "\xff\xd8\xff");
    taken = carriedFrom(write("huge.jpg", even(6100, 900, {0.2F, 0.3F, 0.4F}), {FileFormat::Jpeg, 8}));
    EXPECT_EQ(decodeCarried(taken.encoded).width, 3000);
    ASSERT_EQ(taken.remarks.size(), 1u);
    EXPECT_NE(taken.remarks[0].find("3000 × 443"), std::string::npos) << taken.remarks[0];
    // Noise in every channel, transparent in places: smaller still, until its bytes are few enough.
    Picture noise(2400, kSanitized ? 1300 : 1800, true);
    Random random(9);
    for (int k = 0; k < 4; ++k)
        for (int y = 0; y < noise.height(); ++y)
            for (int x = 0; x < noise.width(); ++x) noise.row(k, y)[x] = static_cast<float>(random() & 0xFFU) / 255;
    taken = carriedFrom(write("noise.png", noise, {FileFormat::Png, 8}));
    EXPECT_LE(taken.encoded.size(), kMostCarriedBytes);
    EXPECT_LT(carriedSize(taken.encoded).width, 2400);
    ASSERT_EQ(taken.remarks.size(), 1u);

    const auto ink = folder / "ink.jpg"; // CMYK, half of every ink
    std::vector<std::uint8_t> inks(std::size_t(4) * 24 * 16, 128);
    vips::VImage::new_from_memory(inks.data(), inks.size(), 24, 16, 4, VIPS_FORMAT_UCHAR)
        .copy(vips::VImage::option()->set("interpretation", VIPS_INTERPRETATION_CMYK))
        .jpegsave(ink.c_str());
    taken = carriedFrom(ink);
    EXPECT_EQ(decodeCarried(taken.encoded).channels, 3);
    const Picture seen = pictureOf(decodeCarried(taken.encoded));
    EXPECT_GT(seen.row(1, 8)[12], 0.1F);
    EXPECT_LT(seen.row(1, 8)[12], 0.6F);

    EXPECT_EQ(errorOf([&] { carriedFrom(folder / "gone.jpg"); }).file(), (folder / "gone.jpg").string());
    writeFileAtomically(folder / "text.jpg", "no picture");
    EXPECT_FALSE(errorOf([&] { carriedFrom(folder / "text.jpg"); }).hint().empty());
}

TEST(CarriedPicture, SurvivesAnyDamageAndTellsIt) {
    const std::string whole = encodeCarried(slantedWaves(200, 150));
    Grade grade = laid({"torn.jpg", std::make_shared<const std::string>(whole.substr(0, whole.size() / 2))});
    grade.finish.insert(grade.finish.begin(), makeStage(grade, "vignette"));
    grade.finish.front().parameters["stops"] = -1.0;
    const Picture source = randomPicture(60, 40, 6);
    Grade without = grade;
    without.finish.pop_back();
    EXPECT_LT(largestDifference(graded(grade, source), graded(without, source)), 1e-6) << "the rest goes on";
    const auto errors = validate(grade);
    ASSERT_EQ(errors.size(), 1u);
    EXPECT_EQ(errors[0].place(), "/finish/1/parameters/picture");
    EXPECT_FALSE(errors[0].hint().empty());
    const auto reports = diagnose(grade, source);
    const auto told = std::find_if(reports.begin(), reports.end(), [](const StageReport& r) { return r.isWarning; });
    ASSERT_NE(told, reports.end());
    EXPECT_NE(told->sentence.find("torn.jpg"), std::string::npos) << told->sentence;
    EXPECT_EQ(gradeFromText(gradeToText(grade)), grade) << "and nothing is lost";

    grade.finish.back().parameters["picture"] = PictureContent{"away.jpg", nullptr};
    EXPECT_TRUE(sameBytes(graded(grade, source), graded(without, source)));
    ASSERT_EQ(validate(grade).size(), 1u);
    EXPECT_NE(validate(grade)[0].problem().find("away.jpg"), std::string::npos);

    // Too many pixels by the header alone, other numbers than RGB of 8 bits, nothing, and noise.
    const auto png = [](int width, int height, int bands, VipsBandFormat format) {
        const vips::VImage image =
            vips::VImage::black(width, height, vips::VImage::option()->set("bands", bands)).cast(format);
        const vips::VImage named = image.copy(vips::VImage::option()->set(
            "interpretation", format == VIPS_FORMAT_USHORT ? VIPS_INTERPRETATION_RGB16 : VIPS_INTERPRETATION_sRGB));
        VipsBlob* blob = named.pngsave_buffer();
        std::size_t size = 0;
        const auto* data = static_cast<const char*>(vips_blob_get(blob, &size));
        std::string bytes(data, size);
        vips_area_unref(VIPS_AREA(blob));
        return bytes;
    };
    for (const std::string& bytes :
         {png(kMostCarriedSide + 1, 2, 3, VIPS_FORMAT_UCHAR), png(8, 8, 3, VIPS_FORMAT_USHORT), std::string(),
          std::string("\xff\xd8\xff"), std::string(300, 'x')})
        EXPECT_FALSE(errorOf([&] { decodeCarried(bytes); }).hint().empty());
    EXPECT_EQ(decodeCarried(png(8, 4, 1, VIPS_FORMAT_UCHAR)).channels, 3) << "grey stands for itself";
    Random random(12);
    for (int i = 0; i < 200; ++i) {
        std::string torn = whole;
        for (int hits = 0; hits < 4; ++hits) torn[random() % torn.size()] = static_cast<char>(random());
        try {
            const QuantisedPicture pixels = decodeCarried(torn);
            EXPECT_LE(pixels.width, kMostCarriedSide);
        } catch (const Error&) {
        }
    }
}

TEST(CarriedPicture, StandsInAFileOnceAndIsSharedWhenItIsReadAgain) {
    PictureWork work{startingGrade(), {}, kStartTake, {}};
    work.grade.finish.push_back(makeStage(work.grade, kOverlayType));
    work.grade.finish.back().parameters["picture"] = carried(randomPicture(300, 200, 8));
    const std::size_t content =
        std::get<PictureContent>(work.grade.finish.back().parameters.at("picture")).encoded->size();
    ASSERT_GT(content, 20000u);
    for (int i = 0; i < 3; ++i) {
        work = withTakeKept(work);
        work.grade.finish.back().parameters["turn"] = 10.0 * i;
    }
    const std::string text = workToText(work);
    EXPECT_LT(text.size(), 2 * content);
    const PictureWork back = workFromText(text);
    EXPECT_EQ(back, work);
    const auto pictureIn = [](const Grade& grade) {
        return std::get<PictureContent>(grade.finish.back().parameters.at("picture")).encoded;
    };
    EXPECT_EQ(pictureIn(back.grade), pictureIn(back.takes[2].grade));
    EXPECT_EQ(workFromText(gradeToText(gradeFromText(text))), work) << "readers that know no takes lose none";

    std::vector<KeptStep> steps;
    for (int i = 0; i < 40; ++i) {
        PictureWork next = work;
        next.grade.finish.back().parameters["turn"] = 100.0 + i;
        steps.push_back({"step", work, next});
        work = next;
    }
    const std::string history = historyToText(steps);
    EXPECT_LT(history.size(), 3 * content);
    const std::vector<KeptStep> again = historyFromText(history);
    EXPECT_EQ(again, steps);
    EXPECT_EQ(pictureIn(again[3].before.grade), pictureIn(again[30].after.grade));

    std::string broken = text;
    broken.replace(broken.find("\"image\": \"") + 10, 4, "?!?!");
    EXPECT_FALSE(validate(workFromText(broken).grade).empty()) << "told, and the rest is there";
}

} // namespace baryton::test
