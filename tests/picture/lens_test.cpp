#include "base/librarys_leaks.h"
#include "picture/lens.h"
#include "picture/lens_map.h"
#include "picture/light.h"
#include "picture/picture_file.h"
#include "picture/placement.h"
#include "render/graded_file.h"
#include "stages/source.h"
#include "support/lenses.h"
#include "support/samples.h"
#include "support/temp_folder.h"

#include <cmath>
#include <fstream>
#include <gtest/gtest.h>
#include <lensfun/lensfun.h>

namespace baryton::test {

namespace {

LensSettings wanted(const char* lens = "") {
    LensSettings settings;
    settings.isWanted = true, settings.lens = lens;
    return settings;
}
Shot stagelightShot() {
    return {"Tin Heron", "Model One", kStagelight, 24, 36, 2, 0, {}};
}
Placement placedBy(const LensCorrection& lens, int width, int height, const FrameSettings& frame = {}) {
    return placementOf(Geometry{lens, frame}, width, height);
}

/// What the library itself makes of a lens of its database.
class Judge {
public:
    explicit Judge(const std::filesystem::path& own = {}) {
        const LibrarysLeaks nameOfItsFolder;
        all_.Load();
        if (!own.empty()) all_.Load(own.c_str());
    }
    const lfLens* find(const std::string& name) const {
        const lfLens* lens = nullptr;
        for (const lfLens* const* each = all_.GetLenses(); *each; ++each) {
            const std::string maker = lf_mlstr_get((*each)->Maker), model = lf_mlstr_get((*each)->Model);
            if (model == name || maker + " " + model == name) lens = *each;
        }
        return lens;
    }

private:
    lfDatabase all_;
};

} // namespace

TEST(Lens, PlacesAndLightAreLensfunsOwn) {
    const TempFolder folder;
    addOwnLenses(folder.path());
    const Shot shot = stagelightShot();
    const LensCorrection correction = correctionFor(wanted(), shot);
    ASSERT_EQ(correction.lens, kStagelight);
    EXPECT_EQ(lensProblem(correction, shot), "");
    const Judge judge(folder.path() / "own.xml");
    const lfLens* lens = judge.find(kStagelight);
    ASSERT_TRUE(lens);
    for (const auto& [width, height] : {std::pair(6000, 4000), {800, 533}, {400, 600}}) {
        lfModifier modifier(lens, 1.5F, width, height);
        modifier.Initialize(lens, LF_PF_F32, 24, 2, 1000, 1, lens->Type,
                            LF_MODIFY_DISTORTION | LF_MODIFY_TCA | LF_MODIFY_VIGNETTING, false);
        const Placement placement = placedBy(correction, width, height);
        ASSERT_TRUE(placement.lens);
        const double scale = placement.lens->scale();
        Random random(3);
        for (int i = 0; i < 400; ++i) {
            const PlacedPoint at{uniform(random, 0, width), uniform(random, 0, height)};
            const float x = static_cast<float>((at.x - width / 2.0) * scale + width / 2.0 - 0.5),
                        y = static_cast<float>((at.y - height / 2.0) * scale + height / 2.0 - 0.5);
            float places[6];
            ASSERT_TRUE(modifier.ApplySubpixelGeometryDistortion(x, y, 1, 1, places));
            for (std::size_t k = 0; k < 3; ++k) {
                const PlacedPoint ours = toSource(placement, at, k);
                ASSERT_NEAR(ours.x, places[2 * k] + 0.5, 0.01) << width << " colour " << k;
                ASSERT_NEAR(ours.y, places[2 * k + 1] + 0.5, 0.01);
            }
            float pixel[3] = {1, 1, 1};
            modifier.ApplyColorModification(pixel, places[2], places[3], 1, 1, LF_CR_3(RED, GREEN, BLUE), 12);
            ASSERT_NEAR(gainAt(placement, at), pixel[1], 0.002);
            const PlacedPoint back = fromSource(placement, toSource(placement, at));
            ASSERT_NEAR(back.x, at.x, 0.01);
            ASSERT_NEAR(back.y, at.y, 0.01);
        }
    }
}

TEST(Lens, HoldsForWhatIsInTheDatabase) {
    std::size_t fitting = 0;
    const std::vector<std::string> all = knownLenses({}, fitting);
    ASSERT_GT(all.size(), 300U);
    EXPECT_EQ(fitting, 0U) << "no camera is known";
    const Judge judge;
    int judged = 0;
    for (std::size_t i = 0; i < all.size(); i += 37) {
        const lfLens* lens = judge.find(all[i]);
        ASSERT_TRUE(lens);
        Shot shot;
        shot.focal = lens->MinFocal, shot.aperture = lens->MinAperture;
        const LensCorrection correction = correctionFor(wanted(all[i].c_str()), shot);
        ASSERT_EQ(correction.lens, all[i]);
        if (!correction.changesPlaces() || correction.lensCrop != lens->CropFactor) continue; // one of several
        lfModifier modifier(lens, float(correction.crop), 3000, 2000);
        modifier.Initialize(lens, LF_PF_F32, float(shot.focal), float(shot.aperture), 1000, 1, lens->Type,
                            LF_MODIFY_DISTORTION, false);
        const Placement placement = placedBy(correction, 3000, 2000);
        const double scale = placement.lens->scale();
        for (const PlacedPoint at : {PlacedPoint{40, 60}, {1200, 700}, {2980, 1990}, {1500, 10}}) {
            float there[2];
            ASSERT_TRUE(modifier.ApplyGeometryDistortion(float((at.x - 1500) * scale + 1499.5),
                                                         float((at.y - 1000) * scale + 999.5), 1, 1, there));
            const PlacedPoint ours = toSource(placement, at);
            ASSERT_NEAR(ours.x, there[0] + 0.5, 0.01);
            ASSERT_NEAR(ours.y, there[1] + 0.5, 0.01);
        }
        ++judged;
    }
    EXPECT_GT(judged, 8);
}

TEST(Lens, TheCorrectedPictureIsFilledAndNoSmallerThanItMust) {
    const TempFolder folder;
    addOwnLenses(folder.path());
    for (const double barrel : {-0.12, -0.04, 0.0, 0.05, 0.12})
        for (const double share : {0.0, 0.5, 1.0}) {
            LensSettings settings = wanted();
            settings.distortion = share, settings.barrel = barrel;
            const LensCorrection correction = correctionFor(settings, stagelightShot());
            const Placement p = placedBy(correction, 900, 600);
            if (share == 0 && barrel == 0) {
                EXPECT_EQ(p.lens->scale(), 1) << "no place is moved but by the fringes";
                continue;
            }
            double room = 1e9;
            for (int i = 0; i <= 60; ++i)
                for (const PlacedPoint at :
                     {PlacedPoint{15.0 * i, 0}, {15.0 * i, 600}, {0, 10.0 * i}, {900, 10.0 * i}}) {
                    const PlacedPoint there = toSource(p, at);
                    room = std::min({room, there.x, there.y, 900 - there.x, 600 - there.y});
                }
            EXPECT_GT(room, -0.1) << barrel << ' ' << share;
            EXPECT_LT(room, 0.5) << "it reaches the picture's edge";
        }
}

TEST(Lens, StraightLinesComeOutStraightAndSeamsOfColourAreGone) {
    const TempFolder folder;
    addOwnLenses(folder.path());
    const LensCorrection correction = correctionFor(wanted(), stagelightShot());
    const Placement p = placedBy(correction, 720, 480);
    // What the lens makes of upright boards: each colour is looked up where it comes from, by going the way back.
    const auto board = [](double x) { return 0.5 + 0.3 * std::sin(x * 2 * M_PI / 45); };
    Picture seen(720, 480);
    for (std::size_t k = 0; k < 3; ++k)
        for (int y = 0; y < 480; ++y)
            for (int x = 0; x < 720; ++x) {
                PlacedPoint at{x + 0.5, y + 0.5};
                for (int i = 0; i < 9; ++i) { // where toSource leads to this pixel
                    const PlacedPoint there = toSource(p, at, k);
                    at = {at.x + (x + 0.5 - there.x), at.y + (y + 0.5 - there.y)};
                }
                seen.row(static_cast<int>(k), y)[x] = static_cast<float>(board(at.x));
            }
    LensCorrection noLight = correction;
    noLight.settings.shading = 0;
    const Picture straight = placed(seen, placedBy(noLight, 720, 480));
    double most = 0, apart = 0;
    for (int y = 8; y < 472; ++y)
        for (int x = 8; x < 712; ++x) {
            most = std::max(most, std::abs(straight.row(1, y)[x] - board(x + 0.5)));
            apart = std::max<double>(apart, std::abs(straight.row(0, y)[x] - straight.row(2, y)[x]));
        }
    // The steepest slope is 0.042 a pixel: a line is nowhere off by 0.3 pixels, nor are the colours.
    EXPECT_LT(most, 0.0125);
    EXPECT_LT(apart, 0.0125);
    EXPECT_GT(std::abs(seen.row(0, 20)[20] - seen.row(2, 20)[20]), 0.01F) << "there was a seam";
}

TEST(Lens, DarkCornersAreLightAgainInLinearLight) {
    const TempFolder folder;
    addOwnLenses(folder.path());
    LensSettings settings = wanted();
    settings.distortion = settings.fringes = 0;
    const LensCorrection correction = correctionFor(settings, stagelightShot());
    const Placement p = placedBy(correction, 300, 200);
    Picture seen(300, 200);
    for (int k = 0; k < 3; ++k)
        for (int y = 0; y < 200; ++y) {
            for (int x = 0; x < 300; ++x)
                seen.row(k, y)[x] = static_cast<float>(0.18 * (k + 1) / gainAt(p, {x + 0.5, y + 0.5}));
            rowToEncoded(seen.row(k, y), seen.row(k, y), 300);
        }
    EXPECT_GT(gainAt(p, {1, 1}), 1.6) << "the corners were dark";
    const Picture even = placed(seen, p);
    for (int k = 0; k < 3; ++k)
        for (const auto& [x, y] : {std::pair(0, 0), {299, 199}, {150, 100}, {40, 180}}) {
            float light = even.row(k, y)[x];
            rowToLinear(&light, &light, 1);
            EXPECT_NEAR(light, 0.18 * (k + 1), 0.0005 * (k + 1));
        }
    // By hand: that many stops in the corners, none in the middle.
    settings.shading = 0, settings.corners = 1;
    const Placement byHand = placedBy(correctionFor(settings, {}), 300, 200);
    EXPECT_NEAR(gainAt(byHand, {0, 0}), 2, 0.01);
    EXPECT_NEAR(gainAt(byHand, {150, 100}), 1, 0.001);
}

TEST(Lens, IsTheSameInWhateverBandsAndComposesWithTheFrameInOneSampling) {
    const TempFolder folder;
    addOwnLenses(folder.path());
    const LensCorrection correction = correctionFor(wanted(), stagelightShot());
    FrameSettings frame;
    frame.size = 0.8, frame.angle = 3, frame.turn = {6, -3, 35}, frame.x = 0.45;
    const Placement p = placedBy(correction, 150, 130, frame);
    for (const bool withAlpha : {false, true}) {
        Picture source = randomPicture(150, 130, 4);
        if (withAlpha) {
            Picture clear(150, 130, true);
            for (int k = 0; k < 3; ++k)
                for (int y = 0; y < 130; ++y) std::copy_n(source.row(k, y), 150, clear.row(k, y));
            for (int y = 0; y < 130; ++y) std::fill_n(clear.row(3, y), 150, y < 60 ? 1.0F : 0.3F);
            source = clear;
        }
        const Picture whole = placed(source, p, 1);
        for (const int count : {1, 9, 40})
            for (int y = 0; y < p.height; y += count) {
                const int n = std::min(count, p.height - y);
                const RowRange range = rowsBehind(p, 130, y, n);
                const Picture part =
                    placedRows(cropped(source, 0, range.top, 150, range.count), range.top, 130, p, y, n, 2);
                ASSERT_TRUE(sameBytes(part, cropped(whole, 0, y, p.width, n))) << count << ' ' << y;
            }
    }
    // First the frame's way to the picture, then the lens's to the source.
    Placement without = p;
    without.lens = nullptr;
    const PlacedPoint at{30, 70}, inPicture = toSource(without, at), want = p.lens->toSource(inPicture).colours[0];
    EXPECT_EQ(toSource(p, at, 0).x, want.x);
    EXPECT_EQ(toSource(p, at, 0).y, want.y);
}

TEST(Lens, IsFoundInTheFileChosenOrSetByHandAndWhatLacksIsTold) {
    const TempFolder folder;
    addOwnLenses(folder.path() / "lenses");
    const std::filesystem::path jpeg = folder.path() / "shot.jpg";
    QuantisedPicture small(240, 160, 3, 8);
    for (std::size_t i = 0; i < small.bytes.size(); ++i)
        small.bytes[i] = static_cast<std::uint8_t>(60 + (i / 720 + i / 3 % 240) % 100 + i % 3 * 20);
    writePicture(jpeg, small, {}, {});
    writeShot(jpeg, kStagelight, 24, 8);
    const Shot shot = readShot(jpeg);
    EXPECT_EQ(shot.lens, kStagelight);
    EXPECT_EQ(shot.focal, 24);
    EXPECT_EQ(shot.aperture, 8);
    EXPECT_NEAR(focalFor35(shot), 36, 1e-4) << "by the camera's crop factor";
    EXPECT_EQ(focalFor35({}), 0);
    EXPECT_EQ(correctionFor(wanted(), shot).lens, kStagelight);
    EXPECT_EQ(correctionFor({}, shot), LensCorrection()) << "nobody wants it";
    std::size_t fitting = 0;
    const auto names = knownLenses(shot, fitting);
    ASSERT_EQ(fitting, 1U) << "of the two that fit the camera one has this focal length";
    EXPECT_EQ(names[0], kStagelight);

    writeShot(jpeg, "Nobody's 12mm", 12, 8);
    const Shot unknown = readShot(jpeg);
    const LensCorrection none = correctionFor(wanted(), unknown);
    EXPECT_TRUE(none.isNone());
    // A part of a name is none where the camera is not known: many lenses have the same numbers.
    EXPECT_TRUE(correctionFor(wanted(), {"", "", "35mm f/2", 35, 0, 4, 0, {}}).isNone());
    EXPECT_EQ(correctionFor(wanted(), {"", "", kStagelight, 24, 0, 4, 0, {}}).lens, kStagelight);
    EXPECT_NE(lensProblem(none, unknown).find("Nobody's 12mm"), std::string::npos);
    EXPECT_NE(lensProblem(correctionFor(wanted(), {}), {}), "");
    EXPECT_NE(lensProblem(correctionFor(wanted("gone"), unknown), unknown).find("gone"), std::string::npos);
    // Chosen, it is used though the file names another; of this one the shading is not known.
    const LensCorrection chosen = correctionFor(wanted(kPlain), unknown);
    EXPECT_TRUE(chosen.changesPlaces());
    EXPECT_NE(lensProblem(chosen, unknown), "");
    LensSettings byHand = wanted();
    byHand.barrel = 0.05;
    EXPECT_TRUE(correctionFor(byHand, unknown).changesPlaces());
    // A file is corrected by what it says, and told of where that is nothing.
    Grade grade = startingGrade();
    grade.prep.insert(grade.prep.begin(), makeStage(grade, kLensType));
    EXPECT_TRUE(isNeutral(grade.prep[0]));
    grade.prep[0].parameters = {{"distortion", 1.0}, {"fringes", 1.0}, {"shading", 1.0}};
    FileSource unmoved(jpeg, sourceSettingsOf(grade), {}, 1);
    ASSERT_EQ(unmoved.remarks().size(), 1U);
    writeShot(jpeg, kStagelight, 24, 8);
    FileSource moved(jpeg, sourceSettingsOf(grade), {}, 1);
    EXPECT_TRUE(moved.remarks().empty()) << moved.remarks()[0];
    const std::filesystem::path out = folder.path() / "out.png";
    writeGraded(out, moved, Program(), Output({.format = {FileFormat::Png, 16, 90}}), 1, nullptr, {});
    const Picture source = readPicture(jpeg).picture;
    const Picture want =
        placed(source, placementOf(geometryOf(grade, readShot(jpeg)), source.width(), source.height()));
    EXPECT_LT(largestDifference(readPicture(out).picture, want), 2e-5);
    EXPECT_GT(meanApart(source, want), 1) << "and that is not nothing";
    // At half its strength, half of it.
    grade.prep[0].strength = 0.5;
    EXPECT_EQ(lensOf(grade).distortion, 0.5);
    grade.prep[0].enabled = false;
    EXPECT_FALSE(lensOf(grade).isWanted);
}

TEST(Lens, FilesOfLensesThatAreDamagedAreNamedAndTheOthersRead) {
    const TempFolder folder;
    std::ofstream(folder.path() / "broken.xml") << "<lensdatabase version=\"1\"><lens></maker>";
    std::ofstream(folder.path() / "other.xml") << "no lenses at all";
    std::ofstream(folder.path() / "short.xml") << "<lensdatabase version=\"1\"><lens><maker>Tin";
    addOwnLenses(folder.path());
    const auto unread = unreadLensFiles();
    EXPECT_EQ(std::count(unread.begin(), unread.end(), folder.path() / "broken.xml"), 1);
    EXPECT_EQ(std::count(unread.begin(), unread.end(), folder.path() / "other.xml"), 1);
    EXPECT_EQ(correctionFor(wanted(), stagelightShot()).lens, kStagelight);
}

} // namespace baryton::test
