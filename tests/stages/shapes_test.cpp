// The one-variable functions and windows that stages are built from, and what single stages are known for.
#include "colour/illuminant.h"
#include "colour/spaces.h"
#include "colour/transfer.h"
#include "edits/preset_words.h"
#include "render/program.h"
#include "stages/gradient_map.h"
#include "stages/levels.h"
#include "stages/limits.h"
#include "stages/oklab.h"
#include "stages/spline.h"
#include "stages/validate.h"
#include "support/samples.h"

#include <cmath>

namespace baryton::test {

namespace {

using Colour = std::array<float, 3>;

Colour throughStage(const Stage& stage, const Colour& in) {
    Grade grade;
    grade.look.emplace_back();
    grade.look[0].stages.push_back(stage);
    return Program::compile(grade)(in);
}

Stage stageWith(const char* type, std::map<std::string, Value> values) {
    Stage stage = makeStage({}, type);
    stage.parameters = std::move(values);
    return stage;
}

double hueOf(const Colour& c) {
    const Vec3 lab = oklabFromLinear({srgbToLinear(c[0]), srgbToLinear(c[1]), srgbToLinear(c[2])});
    return std::fmod(std::atan2(lab[2], lab[1]) * 180 / M_PI + 360, 360);
}

double chromaOf(const Colour& c) {
    const Vec3 lab = oklabFromLinear({srgbToLinear(c[0]), srgbToLinear(c[1]), srgbToLinear(c[2])});
    return std::hypot(lab[1], lab[2]);
}

} // namespace

TEST(NaturalSpline, IsSmoothAndMeetsItsPoints) {
    Random random(1);
    for (int i = 0; i < 100; ++i) {
        const Curve points = std::get<Curve>(randomValue(random, *findStageType("curves")->parameter("rgb")));
        const Spline spline(points, SplineKind::Natural);
        if (spline.knots == 0) continue;
        for (const auto& p : points) EXPECT_NEAR(spline(p.x), p.y, 5e-6);
        // First and second derivative go on through every inner point; the second is 0 at the ends.
        const double h = 1e-3;
        for (std::size_t k = 1; k + 1 < points.size(); ++k) {
            const double x = points[k].x;
            if (x - points[k - 1].x < 0.05 || points[k + 1].x - x < 0.05) continue;
            const double left = (spline(x) - spline(x - h)) / h, right = (spline(x + h) - spline(x)) / h;
            const double bend = std::abs(right - left) / h;
            const double near = std::abs(spline(x - h) - 2 * spline(x - 2 * h) + spline(x - 3 * h)) / (h * h);
            EXPECT_NEAR(bend, near, 0.2 * near + 40 * h * 100) << "at " << x;
        }
    }
}

TEST(NaturalSpline, IsTheKnownOneThroughThreePoints) {
    // Through (0, 0), (0.5, 1), (1, 0): the natural spline's slopes are 3, 0, −3.
    const Spline spline({{0, 0}, {0.5, 1}, {1, 0}}, SplineKind::Natural);
    EXPECT_NEAR(spline(0.25), 0.6875, 1e-6);
    EXPECT_NEAR((spline(1e-4) - spline(0)) / 1e-4, 3, 1e-2);
    EXPECT_NEAR(spline(0.75), 0.6875, 1e-6);
}

TEST(HueWindow, IsWholeInsideAndNothingFarOutside) {
    const HueWindow window(350, 40, 20);
    const auto at = [&](double hue) { return window.weight(std::cos((hue - 350) * M_PI / 180)); };
    EXPECT_EQ(at(350), 1);
    EXPECT_NEAR(at(5), 1, 1e-6) << "across the seam";
    EXPECT_NEAR(at(331), 1, 1e-6);
    EXPECT_GT(at(20), 0.05);
    EXPECT_LT(at(20), 0.95);
    EXPECT_EQ(at(40), 0);
    EXPECT_EQ(at(170), 0);
    const HueWindow all(10, 360, 30);
    for (int hue = 0; hue < 360; ++hue) EXPECT_NEAR(all.weight(std::cos((hue - 10) * M_PI / 180)), 1, 1e-5);
}

TEST(HueFade, LeavesGreyAndDarkAlone) {
    EXPECT_EQ(hueFade(0.6, 0), 0);
    EXPECT_EQ(hueFade(0.02, 0.2), 0) << "noise in the dark has a hue, but no say";
    EXPECT_EQ(hueFade(0.6, 0.2), 1);
}

TEST(Levels, DoWhatTheirNumbersSay) {
    const LevelsChannel plain(0, 1, 1, 0, 1);
    for (double v = -0.5; v <= 1.5; v += 0.1) EXPECT_NEAR(plain(v), v, 1e-6);
    const LevelsChannel drawn(0.2, 1, 0.8, 0.1, 0.9);
    EXPECT_NEAR(drawn(0.2), 0.1, 1e-6);
    EXPECT_NEAR(drawn(0.8), 0.9, 1e-6);
    EXPECT_NEAR(drawn(0.5), 0.5, 1e-6);
    const LevelsChannel lighter(0, 2, 1, 0, 1), darker(0, 0.5, 1, 0, 1);
    EXPECT_NEAR(lighter(0.5), std::sqrt(0.5), 0.05);
    EXPECT_NEAR(darker(0.5), 0.25, 0.05);
    for (const auto* channel : {&lighter, &darker}) {
        EXPECT_NEAR((*channel)(0), 0, 1e-6);
        EXPECT_NEAR((*channel)(1), 1, 1e-6);
        double before = (*channel)(-0.2);
        for (double v = -0.2; v < 1.3; v += 1e-3) {
            EXPECT_GE((*channel)(v), before - 1e-9);
            before = (*channel)(v);
        }
    }
}

TEST(Warmth, IsRelativeAndEvenInMired) {
    const Colour grey = {0.5F, 0.5F, 0.5F};
    const Colour warm = throughStage(stageWith("warmth", {{"warmth", 30.0}}), grey),
                 cool = throughStage(stageWith("warmth", {{"warmth", -30.0}}), grey);
    EXPECT_GT(warm[0], warm[2]);
    EXPECT_LT(cool[0], cool[2]);
    const double kelvin = 1e6 / (1e6 / kNeutralTemperature - 30);
    const Vec3 same = whiteBalanceMatrix(kelvin, 0) * Vec3{srgbToLinear(0.5), srgbToLinear(0.5), srgbToLinear(0.5)};
    EXPECT_NEAR(warm[0], linearToSrgb(same[0]), 1e-4) << "as White balance at that light";
}

TEST(Exposure, InTheLookComesOnTop) {
    Grade grade;
    grade.prep.push_back(stageWith("exposure", {{"stops", 1.0}}));
    grade.look.emplace_back();
    grade.look[0].stages.push_back(stageWith("exposure", {{"stops", -0.5}}));
    EXPECT_NEAR(Program::compile(grade)({0.3F, 0.3F, 0.3F})[0], linearToSrgb(srgbToLinear(0.3) * std::sqrt(2.0)),
                1e-4);
}

TEST(HueBands, TurnTheirHuesAndLeaveTheRest) {
    const Colour green = {0.25F, 0.6F, 0.2F}, red = {0.7F, 0.2F, 0.2F};
    const double hue = hueOf(green);
    const Stage stage =
        stageWith("hue-bands", {{"band1.centre", hue}, {"band1.width", 40.0}, {"band1.shift", -30.0}});
    EXPECT_NEAR(std::remainder(hueOf(throughStage(stage, green)) - hue, 360), -30, 1);
    EXPECT_NEAR(chromaOf(throughStage(stage, green)), chromaOf(green), 0.01);
    const Colour still = throughStage(stage, red);
    for (std::size_t k = 0; k < 3; ++k) EXPECT_NEAR(still[k], red[k], 1e-4);
    const Stage quiet = stageWith("hue-bands", {{"band1.centre", hue}, {"band1.saturation", -1.0}});
    EXPECT_LT(chromaOf(throughStage(quiet, green)), 0.01);
}

TEST(Saturation, GuardsItsHueAndTellsMutedFromVivid) {
    const Colour skin = {0.80F, 0.60F, 0.50F}, blue = {0.2F, 0.3F, 0.8F}, muted = {0.52F, 0.50F, 0.47F};
    const Stage guarded =
        stageWith("saturation", {{"overall", -0.8}, {"guard.hue", hueOf(skin)}, {"guard.strength", 1.0}});
    EXPECT_NEAR(chromaOf(throughStage(guarded, skin)), chromaOf(skin), 0.003);
    EXPECT_LT(chromaOf(throughStage(guarded, blue)), 0.3 * chromaOf(blue));
    const Stage onlyMuted = stageWith("saturation", {{"muted", 1.0}});
    EXPECT_NEAR(chromaOf(throughStage(onlyMuted, blue)), chromaOf(blue), 0.01);
    EXPECT_GT(chromaOf(throughStage(onlyMuted, muted)), 1.6 * chromaOf(muted));
}

TEST(Gamut, FoldsWhatLiesPastTheLimitInsideAtItsLightnessAndHueAndKeepsTheOrder) {
    const Stage stage = stageWith("gamut", {{"amount", 1.0}, {"reach", 3.0}});
    int folded = 0;
    for (double hue = 0; hue < 360; hue += 10)
        for (const double lightness : {0.3, 0.55, 0.75}) {
            double before = -1;
            for (double chroma = 0.01; chroma < 0.4; chroma += 0.005) {
                const double u = std::cos(hue * M_PI / 180), v = std::sin(hue * M_PI / 180);
                const Vec3 linear = linearFromOklab({lightness, chroma * u, chroma * v});
                // Past white it may darken, and past what cones can answer hue and lightness have no meaning.
                const Vec3 cones = kOklabCones * linear;
                if (std::max({linear[0], linear[1], linear[2]}) > 1 ||
                    std::min({cones[0], cones[1], cones[2]}) < 0.003)
                    break;
                Colour in;
                for (std::size_t k = 0; k < 3; ++k) in[k] = static_cast<float>(linearToSrgb(linear[k]));
                const Colour out = throughStage(stage, in);
                const double now = chromaOf(out);
                EXPECT_GT(now, before - 2e-4) << "what was more colourful stays so";
                before = now;
                if (std::min({in[0], in[1], in[2]}) < 0) {
                    ++folded;
                    EXPECT_GE(std::min({out[0], out[1], out[2]}), -1e-3) << hue << ' ' << lightness << ' ' << chroma;
                }
                EXPECT_NEAR(std::remainder(hueOf(out) - hue, 360), 0, 0.1);
                const Vec3 lab = oklabFromLinear({srgbToLinear(out[0]), srgbToLinear(out[1]), srgbToLinear(out[2])});
                EXPECT_NEAR(lab[0], lightness, 1e-3);
            }
        }
    EXPECT_GT(folded, 500);
    for (const Colour& quiet : {Colour{0.5F, 0.5F, 0.5F}, Colour{0.8F, 0.6F, 0.5F}, Colour{1, 1, 1}})
        for (std::size_t k = 0; k < 3; ++k)
            EXPECT_NEAR(throughStage(stage, quiet)[k], quiet[k], 2e-6) << "what is no way near the limit passes";
}

TEST(Gamut, ColoursPastWhiteDarkenRatherThanPale) {
    const Colour lamp = {1.3F, 1.1F, -0.05F};
    const auto by = [&](double darkening) {
        return throughStage(stageWith("gamut", {{"amount", 1.0}, {"darkening", darkening}}), lamp);
    };
    EXPECT_LT(chromaOf(by(0)), 0.03) << "at its lightness there is no room for colour";
    EXPECT_GT(chromaOf(by(0.6)), 0.1);
    EXPECT_LE(std::max(by(0.6)[0], by(0.6)[1]), 1.01F);
    EXPECT_NEAR(hueOf(by(0.6)), hueOf(lamp), 0.5);
}

TEST(Tone, RollsLightsOffIntoALowerWhiteAndLeavesTheRest) {
    const auto by = [](double amount, float grey) {
        return throughStage(stageWith("tone", {{"roll.off", amount}}), {grey, grey, grey})[1];
    };
    EXPECT_NEAR(by(1, 0.6F), 0.6F, 1e-6F);
    EXPECT_NEAR(by(1, 1), 0.85, 1e-4) << "0.7 + 0.3 / 2";
    EXPECT_NEAR(by(0.5, 1), 0.9, 1e-4) << "0.7 + 0.3 / 1.5";
    for (const float over : {1.2F, 2.0F, 8.0F}) EXPECT_LT(by(1, over), 1) << "whatever lies past white comes back";
    float before = 0;
    for (float v = 0.5F; v < 3; v += 0.05F) {
        EXPECT_GT(by(1, v), before);
        before = by(1, v);
    }
}

TEST(Monochrome, IsGreyAndItsFilterMovesHues) {
    const Colour red = {0.7F, 0.2F, 0.2F}, blue = {0.2F, 0.2F, 0.7F};
    const Colour plain = throughStage(stageWith("monochrome", {{"amount", 1.0}}), red);
    EXPECT_NEAR(plain[0], plain[1], 1e-4);
    EXPECT_NEAR(plain[2], plain[1], 1e-4);
    const Stage filtered = stageWith("monochrome", {{"amount", 1.0}, {"red.lightness", 0.8}});
    EXPECT_GT(throughStage(filtered, red)[1], plain[1] + 0.1F);
    EXPECT_NEAR(throughStage(filtered, blue)[1], throughStage(stageWith("monochrome", {{"amount", 1.0}}), blue)[1],
                0.01);
    const Colour tinted = throughStage(
        stageWith("monochrome", {{"amount", 1.0}, {"tint.hue", 70.0}, {"tint.amount", 1.0}}), {0.5F, 0.5F, 0.5F});
    EXPECT_NEAR(hueOf(tinted), 70, 3);
    const Colour white = throughStage(stageWith("monochrome", {{"amount", 1.0}, {"tint.amount", 1.0}}), {1, 1, 1});
    EXPECT_NEAR(white[0], white[2], 2e-3) << "white stays neutral";
}

TEST(GradientMap, GivesTonesTheirStopsColours) {
    const Stage stage = stageWith("gradient-map", {{"amount", 1.0},
                                                   {"space", std::string("encoded")},
                                                   {"stops", 3.0},
                                                   {"stop1.r", 0.1},
                                                   {"stop1.g", 0.0},
                                                   {"stop1.b", 0.2},
                                                   {"stop2.position", 1.0},
                                                   {"stop2.r", 1.0},
                                                   {"stop2.g", 0.9},
                                                   {"stop2.b", 0.8},
                                                   {"stop3.position", 0.5},
                                                   {"stop3.r", 0.6},
                                                   {"stop3.g", 0.1},
                                                   {"stop3.b", 0.1}});
    const Colour black = throughStage(stage, {0, 0, 0}), middle = throughStage(stage, {0.5F, 0.5F, 0.5F}),
                 quarter = throughStage(stage, {0.25F, 0.25F, 0.25F});
    EXPECT_NEAR(black[2], 0.2, 1e-4);
    EXPECT_NEAR(middle[0], 0.6, 1e-3) << "stops count in the order of their positions";
    EXPECT_NEAR(quarter[0], 0.35, 1e-3);
    // Laid over by luminosity, a picture keeps its colours and takes the gradient's light.
    Stage light = stage;
    light.parameters["blend"] = std::string("luminosity");
    const Colour red = {0.7F, 0.2F, 0.2F};
    EXPECT_NEAR(std::remainder(hueOf(throughStage(light, red)) - hueOf(red), 360), 0, 6);
}

TEST(PushTable, PushesRangesAndNeverPastAnEnd) {
    const Stage blueShadows = stageWith("push-table", {{"row1.yellow.blue", 1.0}});
    EXPECT_GT(throughStage(blueShadows, {0.1F, 0.1F, 0.1F})[2], 0.4F);
    EXPECT_NEAR(throughStage(blueShadows, {0.9F, 0.9F, 0.9F})[2], 0.9, 1e-5);
    Random random(2);
    for (int i = 0; i < 40; ++i) {
        Stage stage = randomStage(random, {}, "push-table", 1);
        stage.parameters["hold.luma"] = false;
        for (int c = 0; c < 20; ++c) {
            const Colour out = throughStage(stage, {static_cast<float>(uniform(random, 0, 1)),
                                                    static_cast<float>(uniform(random, 0, 1)),
                                                    static_cast<float>(uniform(random, 0, 1))});
            for (const float v : out) {
                EXPECT_GE(v, -1e-5F);
                EXPECT_LE(v, 1 + 1e-5F);
            }
        }
    }
    const Stage held = stageWith("push-table", {{"hold.luma", true}, {"row2.cyan.red", 0.8}});
    const Colour out = throughStage(held, {0.5F, 0.5F, 0.5F});
    EXPECT_GT(out[0], out[1]);
    EXPECT_NEAR(luma(out[0], out[1], out[2]), 0.5, 1e-5);
}

TEST(Tone, MovesItsPartsAndKeepsHues) {
    const auto at = [](std::map<std::string, Value> values, float v) {
        return throughStage(stageWith("tone", std::move(values)), {v, v, v})[1];
    };
    EXPECT_GT(at({{"shadows", 0.8}}, 0.2F), 0.25F);
    EXPECT_NEAR(at({{"shadows", 0.8}}, 0), 0, 1e-4);
    EXPECT_LT(at({{"highlights", -0.8}}, 0.8F), 0.75F);
    EXPECT_GT(at({{"black.end", 1.0}}, 0), 0.1F);
    EXPECT_LT(at({{"white.end", -1.0}}, 1), 0.9F);
    EXPECT_NEAR(at({{"contrast", 1.0}, {"pivot", 0.5}}, 0.5F), 0.5, 2e-3);
    const Colour orange = {0.6F, 0.4F, 0.25F}, moved = throughStage(stageWith("tone", {{"contrast", 0.6}}), orange);
    EXPECT_NEAR(double(moved[0]) / moved[2], double(orange[0]) / orange[2], 0.02) << "channels keep their ratio";
}

TEST(Choices, AreValidatedAndRepaired) {
    Grade grade = startingGrade();
    grade.look[0].stages[0].parameters["response"] = std::string("sideways");
    grade.look[0].blend = "wonder";
    const auto problems = validate(grade);
    ASSERT_EQ(problems.size(), 2u);
    EXPECT_EQ(problems[0].place(), "/look/0/blend");
    EXPECT_EQ(problems[1].place(), "/look/0/stages/0/parameters/response");
    EXPECT_FALSE(repaired(grade).look[0].stages[0].parameters.contains("response"));
    EXPECT_EQ(shownText(*findStageType("curves")->parameter("response"), std::string("hold-hue")), "Hold hue");
}

TEST(Layers, AnEmptyOneLaidOverByMultiplyStillCounts) {
    Grade grade = startingGrade();
    EXPECT_TRUE(isNeutral(grade));
    grade.look[0].blend = "multiply";
    EXPECT_FALSE(isNeutral(grade));
    EXPECT_NEAR(Program::compile(grade)({0.5F, 0.5F, 0.5F})[0], 0.25, 1e-5);
    grade.look[0].strength = 0.5;
    EXPECT_NEAR(Program::compile(grade)({0.5F, 0.5F, 0.5F})[0], 0.375, 1e-5);
    grade.look[0].enabled = false;
    EXPECT_TRUE(Program::compile(grade).isEmpty());
}

TEST(Validate, ALutThatIsNamedAndNotThereIsAProblem) {
    Grade grade = startingGrade();
    grade.look[0].stages.push_back(makeStage(grade, "lut"));
    EXPECT_TRUE(validate(grade).empty()) << "an empty place for one is none";
    LutContent missing;
    missing.name = "harbour.cube";
    grade.look[0].stages.back().parameters["file"] = missing;
    const auto problems = validate(grade);
    ASSERT_EQ(problems.size(), 1u);
    EXPECT_NE(problems[0].problem().find("harbour.cube"), std::string::npos);
}

} // namespace baryton::test
