#include "colour/spaces.h"
#include "colour/transfer.h"
#include "picture/development.h"
#include "picture/metadata.h"
#include "picture/picture_reader.h"
#include "picture/raw_file.h"
#include "render/graded_file.h"
#include "stages/raw.h"
#include "support/dispatch.h"
#include "support/dng.h"
#include "support/expect_error.h"
#include "support/samples.h"
#include "support/temp_folder.h"

#include <cstdlib>
#include <fstream>
#include <gtest/gtest.h>

namespace baryton::test {
namespace {

constexpr int kPatch = 24;     ///< pixels of a patch of the chart
constexpr double kGain = 0.55; ///< how bright it is: white of the scene as a share of what green can take

/// 24 patches, 6 in a row, in linear sRGB; the last six are grey.
Vec3 patch(int i) {
    if (i >= 18) {
        const double grey = 0.9 * std::pow(0.55, i - 18);
        return {grey, grey, grey};
    }
    const double angle = i * 2.4, chroma = 0.05 + 0.012 * (i % 6);
    return linearFromOklab({0.4 + 0.025 * i, chroma * std::cos(angle), chroma * std::sin(angle)});
}

Vec3 withGreen(Vec3 v, double green) {
    const double k = green / v[1];
    for (double& each : v) each *= k;
    return v;
}

/// The chart under a light, white as shot being that light.
Dng chart(const Mat3& camera, const Vec3& light, int side = kPatch) {
    const double k = kGain / seenBy(camera, light, {1, 1, 1})[1];
    Dng dng;
    dng.width = 6 * side, dng.height = 4 * side;
    dng.scene = [=](int x, int y) {
        Vec3 seen = seenBy(camera, light, patch(y / side * 6 + x / side));
        for (double& v : seen) v *= k;
        return seen;
    };
    dng.neutral = withGreen(seenBy(camera, light, {1, 1, 1}), 1);
    return dng;
}

Dng flat(const Vec3& numbers) {
    Dng dng;
    dng.width = 32, dng.height = 24;
    dng.scene = [numbers](int, int) { return numbers; };
    return dng;
}

Vec3 at(const Picture& p, int x, int y) {
    return {p.row(0, y)[x], p.row(1, y)[x], p.row(2, y)[x]};
}
Vec3 middleOf(const Picture& p) {
    return at(p, p.width() / 2, p.height() / 2);
}
Vec3 encoded(Vec3 linear, double k = 1) {
    for (double& v : linear) v = linearToSrgb(v * k);
    return linear;
}
double apart(const Vec3& a, const Vec3& b) {
    return deltaE2000(labFromSrgb(a), labFromSrgb(b));
}

Picture read(const TempFolder& folder, const Dng& dng, const RawSettings& settings = {}) {
    writeDng(folder / "shot.dng", dng);
    return readPicture(folder / "shot.dng", settings).picture;
}

RawSettings whiteSet(double kelvin, double tint = 0) {
    RawSettings settings;
    settings.isAsShot = false, settings.kelvin = kelvin, settings.tint = tint;
    return settings;
}

} // namespace

TEST(Raw, ColoursOfAChartComeBack) {
    const TempFolder folder;
    for (const RawDemosaic demosaic : {RawDemosaic::Fine, RawDemosaic::Quick}) {
        RawSettings settings;
        settings.demosaic = demosaic;
        const Picture picture = read(folder, chart(kDayCamera, illuminant(6504, 0)), settings);
        ASSERT_EQ(picture.width(), 6 * kPatch);
        for (int i = 0; i < 24; ++i)
            EXPECT_LT(apart(at(picture, i % 6 * kPatch + kPatch / 2, i / 6 * kPatch + kPatch / 2),
                            encoded(patch(i), kGain)),
                      0.3)
                << i;
    }
}

TEST(Raw, AGreyCardIsGreyUnderThreeLightsAndBetweenTwoMatrices) {
    const TempFolder folder;
    for (const double kelvin : {2856.0, 4200.0, 6504.0}) {
        Dng dng = flat({});
        dng.matrices = {{17, kLampCamera}, {21, kDayCamera}};
        CameraColour camera;
        camera.matrices = {{2856, kLampCamera}, {6504, kDayCamera}};
        const Vec3 light = illuminant(kelvin, 0.004);
        const Vec3 card = withGreen(cameraFromXyz(camera, kelvin) * light, 0.2);
        dng.neutral = withGreen(card, 1);
        dng.scene = [card](int, int) { return card; };
        const Vec3 grey = encoded({0.2, 0.2, 0.2});
        EXPECT_LT(apart(middleOf(read(folder, dng)), grey), 0.3) << kelvin;
        // The same by the numbers of that light, and by a press on the card.
        const auto shot = readRawHeader(folder / "shot.dng").colour;
        const CameraWhite white = whiteAsShot(shot);
        EXPECT_NEAR(white.named.kelvin / kelvin, 1, 0.01);
        EXPECT_NEAR(white.named.tint, 0.2, 0.02);
        EXPECT_LT(apart(middleOf(read(folder, dng, whiteSet(white.named.kelvin, white.named.tint))), grey), 0.3);
        // Shot with the white of other light, it is made neutral by that of this one.
        dng.neutral = {0.5, 1, 0.7};
        const Vec3 set = middleOf(read(folder, dng, whiteSet(kelvin, 0.2)));
        EXPECT_LT(apart(set, {set[1], set[1], set[1]}), 0.5) << kelvin;
        EXPECT_GT(apart(middleOf(read(folder, dng)), grey), 4);
    }
}

TEST(Raw, WarmerLightIsMadeBluer) {
    const TempFolder folder;
    const Dng dng = chart(kDayCamera, illuminant(5500, 0));
    const auto warmth = [](const Vec3& v) { return v[0] - v[2]; };
    const int x = kPatch / 2, y = 3 * kPatch + kPatch / 2; // grey
    EXPECT_LT(warmth(at(read(folder, dng, whiteSet(3200)), x, y)), -0.1);
    EXPECT_GT(warmth(at(read(folder, dng, whiteSet(9000)), x, y)), 0.05);
}

TEST(Raw, AllMosaicsMarginsAndOddSizes) {
    const TempFolder folder;
    // A wedge of grey: a wrong order of colours would colour it, a wrong margin move it.
    const std::string sixBySix = "GBGGRGRGRBGBGBGGRGGRGGBGBGBRGRGRGGBG";
    for (const std::string& pattern :
         {std::string("RGGB"), std::string("BGGR"), std::string("GRBG"), std::string("GBRG"), sixBySix}) {
        constexpr int large = 132; // the library takes no smaller picture of the larger pattern than 512 × 512
        const int side = pattern.size() > 4 ? large : kPatch;
        SCOPED_TRACE(pattern);
        Dng dng = chart(kDayCamera, illuminant(6504, 0), side);
        dng.pattern = pattern;
        dng.left = 6, dng.top = 12, dng.right = 3, dng.bottom = 5;
        dng.width = 6 * side - 1, dng.height = 4 * side - 3;
        const Picture picture = read(folder, dng);
        ASSERT_EQ(picture.width(), dng.width);
        ASSERT_EQ(picture.height(), dng.height);
        for (int i = 0; i < 24; ++i)
            EXPECT_LT(apart(at(picture, i % 6 * side + side / 2, i / 6 * side + side / 2), encoded(patch(i), kGain)),
                      0.5)
                << i;
    }
}

TEST(Raw, BlownLightsStayNeutralOrAreRebuilt) {
    const TempFolder folder;
    RawSettings rebuilt;
    rebuilt.highlights = RawHighlights::Rebuilt;
    const Vec3 neutral = Dng().neutral;
    // White light of growing strength: green ends first, then blue, then red.
    double last = 0, lastRebuilt = 0;
    for (const double light : {0.5, 0.9, 1.1, 1.4, 1.8, 2.5}) {
        const Dng dng = flat({neutral[0] * light, neutral[1] * light, neutral[2] * light});
        const Vec3 kept = middleOf(read(folder, dng));
        EXPECT_LT(apart(kept, {kept[1], kept[1], kept[1]}), 0.3) << light;
        EXPECT_NEAR(kept[1], linearToSrgb(std::min(light, 1.0)), 0.01) << light;
        EXPECT_GE(kept[1], last - 1e-3);
        last = kept[1];
        const Vec3 grown = middleOf(read(folder, dng, rebuilt));
        EXPECT_GE(grown[1], lastRebuilt - 1e-3) << light;
        lastRebuilt = grown[1];
        if (light > 1.9) continue; // all have ended: how bright it was nobody can tell
        EXPECT_NEAR(srgbToLinear(grown[1]), light, 0.06 * light) << light;
        EXPECT_NEAR(srgbToLinear(grown[0]), light, 0.06 * light) << light;
    }
    // A red lamp whose red alone has ended stays red.
    const Vec3 lamp = middleOf(read(folder, flat({2, 0.1, 0.05}), rebuilt));
    EXPECT_GT(lamp[0], 1.1);
    EXPECT_LT(lamp[1], 0.5);
    // Of a light bluer than white, in which green and blue have ended, nothing turns purple.
    const Vec3 window = middleOf(read(folder, flat({0.45, 1.3, 1.4}), rebuilt));
    EXPECT_LT(window[0], window[1]);
    EXPECT_LT(window[1], window[2] + 0.01);
    // By the multipliers in force, not those as shot: white stays white when the white is set anew.
    for (const double kelvin : {3000.0, 9000.0}) {
        const Vec3 white = middleOf(read(folder, flat({4, 4, 4}), whiteSet(kelvin)));
        EXPECT_LT(apart(white, {1, 1, 1}), 0.5) << kelvin;
    }
}

TEST(Raw, WhiteDoesNotMoveWithWhatIsInThePicture) {
    const TempFolder folder;
    const auto darkPlace = [&](double brightest) {
        Dng dng = flat({});
        dng.scene = [=](int x, int) { return x < 20 ? Vec3{0.05, 0.1, 0.06} : Vec3{0.9, 0.9, 0.9}; };
        if (brightest < 0.5) dng.scene = [](int, int) { return Vec3{0.05, 0.1, 0.06}; };
        return at(read(folder, dng), 8, 12);
    };
    EXPECT_LT(apart(darkPlace(0.9), darkPlace(0.1)), 0.02);
}

TEST(Raw, ExposureBlackAndResponse) {
    const TempFolder folder;
    const Vec3 neutral = Dng().neutral;
    Dng dng = flat({neutral[0] * 0.18, neutral[1] * 0.18, neutral[2] * 0.18});
    dng.exposure = 1;
    EXPECT_NEAR(srgbToLinear(middleOf(read(folder, dng))[1]), 0.36, 0.003);
    dng.exposure = 0, dng.black = 1024;
    EXPECT_NEAR(srgbToLinear(middleOf(read(folder, dng))[1]), 0.18, 0.002);
    RawSettings settings;
    settings.response = RawResponse::Flat;
    EXPECT_NEAR(middleOf(read(folder, dng, settings))[1], 0.45, 0.003);
    settings.highlights = RawHighlights::Rebuilt;
    EXPECT_NEAR(middleOf(read(folder, dng, settings))[1], 0.45, 0.003);
}

TEST(Raw, DevelopmentIsItsFormulaAndHasAWayBack) {
    CameraColour camera;
    camera.matrices = {{6504, kDayCamera}};
    camera.neutral = {0.45, 1, 0.7};
    const Vec3 toSensor{0.5, 1, 0.8};
    Random random(3);
    std::vector<std::array<float, 3>> numbers;
    for (int i = 0; i < 1000; ++i)
        numbers.push_back({static_cast<float>(uniform(random, 0, 1.9)), static_cast<float>(uniform(random, 0, 1)),
                           static_cast<float>(uniform(random, 0, 1.2))});
    for (const bool rebuilt : {false, true})
        for (const bool isFlat : {false, true}) {
            RawSettings settings = whiteSet(4300, -0.3);
            settings.highlights = rebuilt ? RawHighlights::Rebuilt : RawHighlights::Neutral;
            settings.response = isFlat ? RawResponse::Flat : RawResponse::Even;
            const Development development(camera, toSensor, settings);
            const CameraWhite white = whiteOf(camera, settings);
            const Mat3 matrix = linearFromBalanced(camera, white);
            atEveryDispatchLevel([&] {
                alignas(64) float planes[3][1008]{};
                for (std::size_t i = 0; i < numbers.size(); ++i)
                    for (std::size_t c = 0; c < 3; ++c) planes[c][i] = numbers[i][c];
                development(planes[0], planes[1], planes[2], numbers.size());
                for (std::size_t i = 0; i < numbers.size(); ++i) {
                    Vec3 b{}, m{}, w{};
                    const double least = std::min({1 / white.neutral[0], 1.0, 1 / white.neutral[2]});
                    double sum = 0, left = 0;
                    for (std::size_t c = 0; c < 3; ++c) {
                        m[c] = 1 / white.neutral[c] / least;
                        const double share = numbers[i][c] * toSensor[c];
                        b[c] = m[c] * share;
                        const double u = std::clamp((share - 0.96) / 0.04, 0.0, 1.0);
                        w[c] = u * u * (3 - 2 * u);
                        sum += (1 - w[c]) * b[c], left += 1 - w[c];
                    }
                    const double missing = std::clamp(2 - left, 0.02, 1.0);
                    const double expected = (sum + missing * std::max({b[0], b[1], b[2]})) / (left + missing);
                    bool hasEnded = false;
                    for (std::size_t c = 0; c < 3; ++c) {
                        const double before = b[c];
                        b[c] = rebuilt ? b[c] + w[c] * std::max(0.0, expected - b[c]) : std::min(b[c], 1.0);
                        hasEnded |= b[c] != before;
                    }
                    const Vec3 linear = matrix * b;
                    Vec3 got;
                    for (std::size_t c = 0; c < 3; ++c) {
                        const double want =
                            isFlat ? std::copysign(std::log(1 + 60 * std::abs(linear[c])) / std::log(241), linear[c])
                                   : linearToSrgb(linear[c]);
                        got[c] = planes[c][i];
                        EXPECT_NEAR(got[c], want, 2e-5) << i << " " << rebuilt << isFlat;
                    }
                    if (hasEnded) continue;
                    const Vec3 back = development.sensorOf(got);
                    for (std::size_t c = 0; c < 3; ++c) EXPECT_NEAR(back[c], numbers[i][c] * toSensor[c], 1e-4);
                }
            });
        }
}

TEST(Raw, OrientedReadInBandsReducedAndAgain) {
    const TempFolder folder;
    for (const int orientation : {1, 3, 6, 8}) {
        Dng dng = chart(kDayCamera, illuminant(6504, 0));
        dng.orientation = orientation;
        const Picture upright = read(folder, dng);
        const bool isTurned = orientation > 4;
        const PictureSize size = readPictureSize(folder / "shot.dng");
        EXPECT_EQ(size.width, isTurned ? dng.height : dng.width);
        ASSERT_EQ(upright.width(), size.width);
        const SharePoint first =
            toOriented(orientationFromExif(orientation), {0.5 / 6, 0.5 / 4}); // where patch 0 is seen
        EXPECT_LT(apart(at(upright, static_cast<int>(first.x * upright.width()),
                           static_cast<int>(first.y * upright.height())),
                        encoded(patch(0), kGain)),
                  0.5);
        // What the window develops anew is the same as what files are made from.
        const PictureFile file = readPicture(folder / "shot.dng");
        EXPECT_TRUE(sameBytes(developed(*file.raw, {}), file.picture));
        PictureReader reader(folder / "shot.dng");
        reader.rows(0, 10);
        reader.rewind();
        Picture band = reader.rows(0, 20);
        EXPECT_TRUE(sameBytes(band, cropped(file.picture, 0, 0, size.width, 20)));
        const Picture half = readThumbnail(folder / "shot.dng", std::max(size.width, size.height) / 4);
        EXPECT_NEAR(half.width(), size.width / 4.0, 1);
    }
    const PictureFile file = readPicture(folder / "shot.dng");
    const RawPixels small(*file.raw, 3);
    EXPECT_EQ(small.width(), file.raw->width() / 3);
    EXPECT_NEAR(developed(small, {}).scale(), 1.0 / 3, 1e-9);
}

TEST(Raw, FilesAreMadeByTheGradesOwnSettings) {
    const TempFolder folder;
    writeDng(folder / "shot.dng", chart(kDayCamera, illuminant(5000, 0)));
    Grade grade = withRaw(startingGrade());
    EXPECT_EQ(grade.prep.front().type, kRawType);
    EXPECT_EQ(withRaw(grade).prep.size(), grade.prep.size());
    EXPECT_EQ(rawOf(grade), RawSettings());
    grade.prep.front().parameters = {{"white", std::string("set")}, {"temperature", 3500.0}, {"tint", 0.1}};
    EXPECT_EQ(rawOf(grade), whiteSet(3500, 0.1));
    FileSource source(folder / "shot.dng", sourceSettingsOf(grade), {}, 1);
    writeGraded(folder / "out.png", source, Program::compile(grade), Output({.format = {FileFormat::Png, 16}}), 2,
                nullptr);
    const Picture want = readPicture(folder / "shot.dng", whiteSet(3500, 0.1)).picture,
                  got = readPicture(folder / "out.png").picture;
    EXPECT_LT(meanApart(want, got), 0.02);
    EXPECT_EQ(readMetadata(folder / "out.png").camera, "Tin Heron Heron One");
    grade.prep.front().enabled = false;
    EXPECT_EQ(rawOf(grade), RawSettings());
}

TEST(Raw, ThePreviewComesFirstAndIsOriented) {
    const TempFolder folder;
    const Picture camerasOwn =
        resized(readPicture(std::string(BARYTON_SOURCE) + "/demo/pictures/meadow-cart.jpg").picture, 96, 64);
    writePicture(folder / "own.jpg", Program::compile({}).quantised(camerasOwn, 8, false), {}, {});
    Dng dng = chart(kDayCamera, illuminant(6504, 0));
    dng.previewJpeg = readFile(folder / "own.jpg");
    dng.orientation = 6;
    writeDng(folder / "shot.dng", dng);
    const auto preview = readPreview(folder / "shot.dng", 1400);
    ASSERT_TRUE(preview);
    EXPECT_EQ(preview->width(), 64);
    EXPECT_EQ(preview->height(), 96);
    EXPECT_FALSE(readPreview(folder / "own.jpg", 1400));
    writeDng(folder / "without.dng", chart(kDayCamera, illuminant(6504, 0)));
    EXPECT_FALSE(readPreview(folder / "without.dng", 1400));
    // The file itself is what the sensor saw all the same.
    EXPECT_EQ(readPictureSize(folder / "shot.dng").width, dng.height);
}

TEST(Raw, ARawFileAndItsJpegAreOnePictureOfAFolderByChoice) {
    const TempFolder folder;
    for (const char* name : {"a.dng", "a.jpg", "b.JPG", "b.DNG", "c.jpg", "d.dng", "a.tif"})
        std::ofstream(folder / name) << "x";
    auto files = picturesInFolder(folder.path());
    EXPECT_EQ(files.size(), 7U);
    EXPECT_EQ(leaveOutPairs(files), 2U);
    EXPECT_EQ(files, (std::vector<std::filesystem::path>{folder / "a.dng", folder / "a.tif", folder / "b.DNG",
                                                         folder / "c.jpg", folder / "d.dng"}));
}

TEST(Raw, WhatTheLibrarysOwnProgramsSayOfOurFiles) {
    const TempFolder folder;
    Dng dng = chart(kDayCamera, illuminant(6504, 0));
    dng.left = 4, dng.top = 2;
    writeDng(folder / "shot.dng", dng);
    const std::string file = (folder / "shot.dng").string();
    ASSERT_EQ(std::system(("raw-identify -v " + file + " > " + file + ".txt").c_str()), 0);
    const std::string said = readFile(file + ".txt");
    EXPECT_NE(said.find("Image size:   144 x 96"), std::string::npos) << said;
    // Its own development to camera numbers, 16 bits, as shot: the patches stand in the same places.
    ASSERT_EQ(std::system(("dcraw_emu -T -6 -o 0 -g 1 1 -W -w -H 1 -c 0 -q 3 " + file).c_str()), 0);
    const Picture theirs = readPicture(file + ".tiff").picture;
    const PictureFile ours = readPicture(file);
    ASSERT_EQ(theirs.width(), ours.raw->width());
    for (int i = 0; i < 24; ++i) {
        const int x = i % 6 * kPatch + kPatch / 2, y = i / 6 * kPatch + kPatch / 2;
        const std::uint16_t* numbers =
            ours.raw->data() + 3 * (static_cast<std::size_t>(y) * 6 * kPatch + static_cast<std::size_t>(x));
        for (int c = 0; c < 3; ++c) EXPECT_NEAR(numbers[c] / 65535.0, theirs.row(c, y)[x], 0.002) << i;
    }
}

TEST(RawBad, FilesThatAreNoneOrDamagedSayWhatIsWrong) {
    const TempFolder folder;
    const std::filesystem::path file = folder / "shot.dng";
    const auto expectProblem = [&](const std::string& bytes, const char* what) {
        std::ofstream(file, std::ios::binary) << bytes;
        const Error e = errorOf([&] { readPicture(file); });
        EXPECT_EQ(e.file(), file.string());
        EXPECT_NE(e.problem().find(what), std::string::npos) << e.what();
        return e;
    };
    const Dng good = chart(kDayCamera, illuminant(6504, 0));
    const std::string bytes = dngBytes(good);
    expectProblem("", "empty");
    expectProblem("no picture at all, just words", "no raw file");
    expectProblem(bytes.substr(0, 6), "no raw file");
    EXPECT_NE(expectProblem(bytes.substr(0, bytes.size() / 2), "ends early").place().find("byte"), std::string::npos);
    Dng odd = good;
    odd.black = 17000;
    expectProblem(dngBytes(odd), "black level");
    odd = good;
    odd.matrices.clear();
    expectProblem(dngBytes(odd), "colours of its camera");
    odd.matrices = {{21, Mat3{}}};
    expectProblem(dngBytes(odd), "colours of its camera");
    odd = good;
    odd.pattern.clear();
    expectProblem(dngBytes(odd), "without colours");
    expectProblem(std::string(bytes.size(), '\0'), "no raw file");
}

TEST(RawBad, RandomDamageIsRefusedOrRead) {
    const TempFolder folder;
    const std::string bytes = dngBytes(chart(kDayCamera, illuminant(6504, 0)));
    Random random(7);
    int readable = 0;
    for (int i = 0; i < 300; ++i) {
        std::string damaged = bytes;
        const std::size_t reach = i % 4 == 0 ? bytes.size() : 600; // anywhere, or in the directory
        for (unsigned n = 0; n < 1 + random() % 4; ++n) damaged[random() % reach] = static_cast<char>(random());
        std::ofstream(folder / "shot.dng", std::ios::binary) << damaged;
        try {
            const PictureFile file = readPicture(folder / "shot.dng");
            for (int k = 0; k < 3; ++k)
                for (int y = 0; y < file.picture.height(); ++y)
                    for (int x = 0; x < file.picture.width(); ++x)
                        ASSERT_TRUE(std::abs(file.picture.row(k, y)[x]) <= 64) << i;
            ++readable;
        } catch (const Error& e) {
            EXPECT_FALSE(e.hint().empty());
        }
    }
    EXPECT_GT(readable, 50);
    EXPECT_LT(readable, 290);
}

} // namespace baryton::test
