#include "colour/hue_scale.h"
#include "colour/spaces.h"
#include "colour/transfer.h"
#include "grade/grade_json.h"
#include "render/diagnose.h"
#include "render/histogram.h"
#include "render/scopes.h"
#include "support/samples.h"
#include "support/temp_folder.h"

#include <algorithm>
#include <cmath>
#include <gtest/gtest.h>
#include <numeric>

namespace baryton::test {

namespace {

Picture demoPicture(const char* name) {
    return readThumbnail(demo() / "pictures" / name, 240);
}

StageReport reportOf(const Grade& grade, const Picture& picture, const std::string& stage) {
    for (const auto& report : diagnose(grade, picture))
        if (report.stageId == stage) return report;
    ADD_FAILURE() << "no report on " << stage;
    return {};
}

Stage& add(Grade& grade, const std::string& type) {
    grade.look[0].stages.push_back(makeStage(grade, type));
    return grade.look[0].stages.back();
}

} // namespace

TEST(Diagnose, SaysNothingOfAGradeThatIsWell) {
    Grade grade = startingGrade();
    EXPECT_TRUE(diagnose(grade, demoPicture("lake-fog.jpg")).empty()) << "neutral stages are not reported on";
    grade.look[0].stages[1].parameters["midtones.amount"] = 0.2;
    const StageReport report = reportOf(grade, demoPicture("lake-fog.jpg"), "wheels-1");
    EXPECT_GT(report.largestChange, 1);
    EXPECT_TRUE(report.mark.empty()) << report.sentence;
}

TEST(Diagnose, WarnsWhereTheFinishedPictureBurnsOutAndMendsIt) {
    Grade grade = startingGrade();
    grade.prep[0].parameters["stops"] = 0.6;
    const Picture picture = demoPicture("portrait-light.jpg");
    const StageReport report = reportOf(grade, picture, "exposure-1");
    EXPECT_EQ(report.mark, "burns out");
    EXPECT_TRUE(report.isWarning);
    EXPECT_GT(report.lostShare, 0.01);
    EXPECT_GT(report.newWhite[0], 0.05);
    EXPECT_EQ(report.newBlack[0], 0);
    EXPECT_NE(report.sentence.find("above white"), std::string::npos) << "the rest is told after it";
    ASSERT_TRUE(report.remedy);
    EXPECT_EQ(report.remedy->kind, Remedy::Kind::RollOff);
    EXPECT_EQ(remedyWords(grade, *report.remedy), "Roll off the lights");
    for (const auto& after : diagnose(remedied(grade, *report.remedy), picture))
        EXPECT_FALSE(after.isWarning) << after.stageId << ' ' << after.sentence;
}

TEST(Diagnose, WhatALaterStageBringsBackIsNoWarning) {
    Grade grade = startingGrade();
    grade.prep[0].parameters["stops"] = 0.6;
    add(grade, "tone").parameters["roll.off"] = 0.7;
    const StageReport report = reportOf(grade, demoPicture("portrait-light.jpg"), "exposure-1");
    EXPECT_GT(report.newWhite[0], 0.05);
    EXPECT_FALSE(report.isWarning);
    EXPECT_TRUE(report.mark.empty());
    EXPECT_NE(report.sentence.find("above white"), std::string::npos) << "it stays a finding";
}

TEST(Diagnose, WarnsOnceOfColoursThatAreCutAtTheStageMostAtFaultAndHoldsThemIn) {
    const Picture picture = demoPicture("red-curtain.jpg");
    Grade grade = startingGrade();
    grade.look[0].stages[2].parameters["overall"] = 0.05;
    Stage& bands = add(grade, "hue-bands");
    bands.parameters = {{"band1.centre", 25.0}, {"band1.width", 45.0}, {"band1.saturation", 0.35}};
    int warnings = 0;
    for (const auto& report : diagnose(grade, picture)) warnings += report.isWarning;
    EXPECT_EQ(warnings, 1);
    const StageReport report = reportOf(grade, picture, "hue-bands-1");
    EXPECT_EQ(report.mark, "cuts colours");
    ASSERT_TRUE(report.remedy);
    EXPECT_EQ(report.remedy->kind, Remedy::Kind::HoldColours);
    const Grade mended = remedied(grade, *report.remedy);
    EXPECT_EQ(mended.look.back().stages.back().type, "gamut");
    for (const auto& after : diagnose(mended, picture)) EXPECT_FALSE(after.isWarning) << after.sentence;
    // Again, on a grade that has it: there is still one.
    EXPECT_EQ(remedied(mended, *report.remedy), mended);
}

TEST(Diagnose, TellsWhatIsDeadBehindAnotherStage) {
    const Picture picture = demoPicture("meadow-cart.jpg");
    Grade grade = startingGrade();
    grade.look[0].stages[2].parameters["overall"] = -1.0;
    Stage& bands = add(grade, "hue-bands");
    bands.parameters["band5.shift"] = 40.0;
    bands.parameters["band5.width"] = 120.0;
    StageReport report = reportOf(grade, picture, "hue-bands-1");
    EXPECT_TRUE(report.isDead);
    EXPECT_TRUE(report.isWarning);
    EXPECT_EQ(report.mark, "no effect here");
    ASSERT_TRUE(report.remedy);
    EXPECT_EQ(remedyWords(grade, *report.remedy), "Move ahead of Saturation");
    // A move alone: the stage acts there, and nothing else has changed.
    const Grade moved = remedied(grade, *report.remedy);
    EXPECT_EQ(moved.look[0].stages.size(), grade.look[0].stages.size());
    EXPECT_EQ(findStage(moved, "hue-bands-1")->index, 2u);
    EXPECT_GT(reportOf(moved, picture, "hue-bands-1").largestChange, 5);
    grade.look[0].stages[2].enabled = false;
    report = reportOf(grade, picture, "hue-bands-1");
    EXPECT_FALSE(report.isDead);
    EXPECT_GT(report.largestChange, 5);
}

TEST(Diagnose, TellsWhichParametersThisPictureHasNoColoursFor) {
    Picture picture(48, 48); // greens of every strength: what acts on magentas has nothing here
    for (int y = 0; y < 48; ++y)
        for (int x = 0; x < 48; ++x) {
            picture.row(0, y)[x] = picture.row(2, y)[x] = static_cast<float>(x) / 60;
            picture.row(1, y)[x] = 0.8F;
        }
    Grade grade = startingGrade();
    Stage& bands = add(grade, "hue-bands");
    bands.parameters["band5.saturation"] = -0.8;
    bands.parameters["band11.saturation"] = -0.8;
    const StageReport report = reportOf(grade, picture, "hue-bands-1");
    EXPECT_EQ(report.deadParameters, std::vector<std::string>{"band11.saturation"});
    EXPECT_NE(report.sentence.find("no colours here"), std::string::npos);
    EXPECT_FALSE(report.isWarning);
    EXPECT_TRUE(report.mark.empty()) << "it is no matter for the card";
    // What acts on nothing anywhere, a hue without an amount, is no news.
    Stage& wheels = grade.look[0].stages[1];
    wheels.parameters["shadows.hue"] = 120.0;
    wheels.parameters["highlights.amount"] = 0.3;
    EXPECT_TRUE(reportOf(grade, picture, wheels.id).deadParameters.empty());
}

TEST(Diagnose, TellsOfALutThatIsNamedButNotThere) {
    Grade named = startingGrade();
    add(named, "lut").parameters["file"] = LutContent{"dusk.cube", nullptr};
    const Grade grade = gradeFromText(gradeToText(named));
    const Picture picture = demoPicture("lake-fog.jpg");
    const StageReport report = reportOf(grade, picture, "lut-1");
    EXPECT_EQ(report.mark, "LUT missing");
    EXPECT_TRUE(report.isWarning);
    EXPECT_NE(report.sentence.find("dusk.cube"), std::string::npos);
    EXPECT_TRUE(sameBytes(Program::compile(grade).graded(picture), picture)) << "the picture passes through";
}

TEST(Diagnose, TellsWhatDoesNothingOnThisPicture) {
    Grade still = startingGrade();
    still.look[0].stages[2].parameters["overall"] = 0.5;
    Picture grey(32, 32);
    for (int k = 0; k < 3; ++k)
        for (int y = 0; y < 32; ++y) std::fill(grey.row(k, y), grey.row(k, y) + 32, 0.4F);
    EXPECT_EQ(reportOf(still, grey, "saturation-1").mark, "changes nothing");
    EXPECT_FALSE(reportOf(still, grey, "saturation-1").isWarning) << "on the next picture it may";
}

TEST(Diagnose, TellsOfBandingAndOfContrastySources) {
    Grade grade = startingGrade();
    grade.look[0].stages[0].parameters["rgb"] = Curve{{0, 0}, {0.4, 0.05}, {0.55, 0.95}, {1, 1}};
    Picture ramp(512, 64);
    for (int k = 0; k < 3; ++k)
        for (int y = 0; y < 64; ++y)
            for (int x = 0; x < 512; ++x) ramp.row(k, y)[x] = 0.3F + 0.4F * static_cast<float>(x) / 511;
    const StageReport banding = reportOf(grade, ramp, "curves-1");
    EXPECT_GT(banding.stretchedLevels, 20);
    EXPECT_NE(banding.sentence.find("may show bands"), std::string::npos);
    // A toe so firm that what lies on it is lost, and a softer one.
    grade.look[0].stages[0].parameters["rgb"] = Curve{{0, 0}, {0.45, 0.02}, {1, 1}};
    const StageReport firm = reportOf(grade, ramp, "curves-1");
    EXPECT_NE(firm.sentence.find("almost together"), std::string::npos);
    EXPECT_LT(firm.flatFrom, 85) << "from the darkest there is";
    EXPECT_GT(firm.flatShare, 0.1);
    grade.look[0].stages[0].parameters["rgb"] = Curve{{0, 0}, {0.45, 0.25}, {1, 1}};
    EXPECT_EQ(reportOf(grade, ramp, "curves-1").mark, "");
    Grade film = startingGrade();
    add(film, "film-response").parameters["response"] = std::string("touring");
    const StageReport contrasty = reportOf(film, demoPicture("spotlight.jpg"), "film-response-1");
    EXPECT_TRUE(contrasty.tooContrasty);
    EXPECT_TRUE(contrasty.isWarning);
    ASSERT_TRUE(contrasty.remedy);
    EXPECT_EQ(contrasty.remedy->kind, Remedy::Kind::FlattenFirst);
    const Grade flat = remedied(film, *contrasty.remedy);
    EXPECT_EQ(findStage(flat, "tone-1")->index + 1, findStage(flat, "film-response-1")->index);
    EXPECT_FALSE(reportOf(flat, demoPicture("spotlight.jpg"), "film-response-1").tooContrasty);
    EXPECT_FALSE(reportOf(film, demoPicture("lake-fog.jpg"), "film-response-1").tooContrasty);
}

TEST(Scopes, CountEveryPixelWhereItLies) {
    const Picture picture = randomPicture(64, 32);
    const Waveform w = waveformOf(picture, 16);
    for (const auto* counts : {&w.luma, &w.r, &w.g, &w.b})
        EXPECT_EQ(std::accumulate(counts->begin(), counts->end(), 0u), 64u * 32u);
    EXPECT_EQ(std::accumulate(w.luma.begin(), w.luma.begin() + 256, 0u), 4u * 32u)
        << "four columns of pixels in the first";
    const Vectorscope v = vectorscopeOf(picture, 65);
    EXPECT_EQ(std::accumulate(v.counts.begin(), v.counts.end(), 0u), 64u * 32u);
    Picture grey(8, 8);
    EXPECT_EQ(vectorscopeOf(grey, 65).counts[32 * 65 + 32], 64u) << "grey lies in the middle";
}

TEST(Scopes, HuesAndSamplesReadAsTheyShould) {
    Picture red(16, 16);
    for (int y = 0; y < 16; ++y)
        for (int x = 0; x < 16; ++x) red.row(0, y)[x] = 0.8F, red.row(1, y)[x] = 0.1F, red.row(2, y)[x] = 0.1F;
    const auto hues = hueHistogramOf(red);
    const auto most = std::max_element(hues.begin(), hues.end()) - hues.begin();
    EXPECT_NEAR(static_cast<double>(most), 27, 4) << "red lies at 29° in OKLCh";
    EXPECT_EQ(std::accumulate(hues.begin(), hues.end(), 0.0), hues[static_cast<std::size_t>(most)]);
    // The same red on the curves over OKLab: L 0.55, a 0.19, b 0.10, C 0.21 on axes of 0.8 and 0.4.
    const OklabHistogram lab = oklabHistogramOf(red);
    const Vec3 exact = oklabFromLinear({srgbToLinear(0.8), srgbToLinear(0.1), srgbToLinear(0.1)});
    const auto place = [](double share) { return static_cast<std::size_t>(share * 255 + 0.5); };
    EXPECT_EQ(lab.lightness[place(exact[0])], 256u);
    EXPECT_EQ(lab.a[place(exact[1] / 0.8 + 0.5)], 256u);
    EXPECT_EQ(lab.b[place(exact[2] / 0.8 + 0.5)], 256u);
    EXPECT_EQ(lab.chroma[place(std::hypot(exact[1], exact[2]) / 0.4)], 256u);
    EXPECT_NEAR(chromaOnCurve({0.8F, 0.1F, 0.1F}), 0.53, 0.03);
    EXPECT_NEAR(chromaOnCurve({0.5F, 0.5F, 0.5F}), 0, 1e-4);
    const SampledPoint point = samplePoint({0.5F, 0.5F, 0.5F}, {0.8F, 0.1F, 0.1F});
    EXPECT_NEAR(point.hue, 29, 8) << "red, as OKLCh counts";
    EXPECT_NEAR(std::abs(directionOfHue(point.hue) - directionOfHue(point.opposite)), 180, 1e-9)
        << "opposite on the vectorscope";
    EXPECT_NEAR(point.lightness, exact[0], 1e-6);
    const SampledPoint skin = samplePoint({}, {0.80F, 0.60F, 0.50F});
    EXPECT_NEAR(directionOfHue(skin.hue), kSkinLineDegrees, 15) << "a complexion lies along the skin line";
}

} // namespace baryton::test
