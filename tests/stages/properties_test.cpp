// What colour stages promise, swept over random parameters and colours.
#include "colour/spaces.h"
#include "colour/transfer.h"
#include "render/program.h"
#include "stages/blend.h"
#include "stages/film_response.h"
#include "stages/primaries.h"
#include "stages/tone_curve.h"
#include "support/samples.h"

#include <cmath>
#include <map>

namespace baryton::test {

namespace {

using Colour = std::array<float, 3>;

/// One stage alone, from working encoding to working encoding.
Program programOf(const Stage& stage) {
    Grade grade;
    grade.look.emplace_back();
    grade.look[0].stages.push_back(stage);
    return Program::compile(grade);
}

std::vector<const StageType*> lookTypes() {
    std::vector<const StageType*> all;
    for (const StageType* type : stageTypes())
        if (type->standsIn(Part::Look)) all.push_back(type);
    return all;
}

double apart(const Colour& a, const Colour& b) {
    return std::max({std::abs(a[0] - b[0]), std::abs(a[1] - b[1]), std::abs(a[2] - b[2])});
}

Colour randomColour(Random& random, double low = 0, double high = 1) {
    return {static_cast<float>(uniform(random, low, high)), static_cast<float>(uniform(random, low, high)),
            static_cast<float>(uniform(random, low, high))};
}

} // namespace

TEST(Properties, FiniteInFiniteOutInAnyOrder) {
    Random random(101);
    for (int i = 0; i < 60; ++i) {
        const Program program = Program::compile(randomGrade(random));
        const Picture out = program.graded(randomPicture(64, 8, static_cast<unsigned>(i)));
        for (int k = 0; k < 3; ++k)
            for (int y = 0; y < 8; ++y)
                for (int x = 0; x < 64; ++x) {
                    ASSERT_TRUE(std::isfinite(out.row(k, y)[x])) << i;
                    ASSERT_LE(std::abs(out.row(k, y)[x]), 64.01F) << i;
                }
    }
}

TEST(Properties, ASmallStepOfColourIsASmallStepOfTheResult) {
    // A step of 1/1000 in a channel moves no channel by more than 1/20 within 0…1. Stages that hold several curves or
    // levels one on another multiply their slopes, and Channel mix throws colours far outside; they have bounds of
    // their own, told in the table.
    const std::map<std::string, double> bounds = {
        {"levels", 0.9}, {"curves", 0.25}, {"lut", 0.2}, {"channel-mix", 0.15}};
    Random random(7);
    for (const StageType* type : lookTypes())
        for (int i = 0; i < 60; ++i) {
            Stage stage = randomStage(random, {}, type->id, 1);
            if (type->id == "curves") { // one curve at a time: how steep they are together is for the user to say
                const char* curves[] = {"rgb", "luma", "r", "g", "b"};
                const std::string kept = curves[random() % 5];
                const Value curve = stage.parameters.at(kept);
                stage.parameters = {{kept, curve}};
            }
            if (isNeutral(stage)) continue;
            const Program program = programOf(stage);
            const auto bound = bounds.find(type->id);
            for (int c = 0; c < 60; ++c) {
                Colour in = randomColour(random);
                if (c % 3 == 0) in = {in[0], in[0], in[0]}; // along the greys, where hues meet
                if (c % 7 == 0)
                    for (float& v : in) v *= 0.02F; // and near black
                Colour beside = in;
                const std::size_t k = static_cast<std::size_t>(c) % 3;
                beside[k] = std::min(1.0F, beside[k] + 0.001F);
                EXPECT_LE(apart(program(in), program(beside)), bound == bounds.end() ? 0.05 : bound->second)
                    << type->id << " at " << in[0] << ' ' << in[1] << ' ' << in[2];
            }
        }
}

TEST(Properties, ASmallStepOfAParameterIsASmallStepOfTheResult) {
    Random random(17);
    for (const StageType* type : lookTypes()) {
        if (type->id == "lut") continue;
        for (int i = 0; i < 40; ++i) {
            Stage stage = randomStage(random, {}, type->id, 1);
            stage.strength.reset(), stage.enabled.reset();
            const auto& parameters = type->parameters;
            const ParameterType& p = parameters[random() % parameters.size()];
            // How many stops a gradient has is a count, not a quantity.
            if (p.kind != ParameterKind::Number || p.id == "stops") continue;
            double& value = std::get<double>(stage.parameters[p.id]);
            if (i % 3 == 0) value = std::get<double>(p.defaultValue); // away from its default, too
            const double step = (p.maximum - p.minimum) / 1000;
            if (value + step > p.maximum) value -= step;
            const Program before = programOf(stage);
            value += step;
            const Program after = programOf(stage);
            for (int c = 0; c < 40; ++c) {
                const Colour in = randomColour(random);
                // In Levels the channels' own come after the common ones: their slopes multiply. Channel mix throws
                // colours far, so that moving its limits moves them far.
                // Between two stops of a gradient that lie close, all colours change when one of them moves.
                const bool isStop = type->id == "gradient-map" && p.id.ends_with("position");
                const double bound = type->id == "levels" || isStop ? 0.4 : type->id == "channel-mix" ? 0.15 : 0.05;
                EXPECT_LE(apart(before(in), after(in)), bound) << type->id << ' ' << p.id << " at " << value;
            }
        }
    }
}

TEST(Properties, BeginningToDoSomethingIsNoJump) {
    // A number that just leaves its default moves nothing yet, whatever the others stand at: what shares with others
    // must not take its share at a stroke.
    Random random(18);
    for (const StageType* type : lookTypes())
        for (const ParameterType& p : type->parameters) {
            // Two stops of a gradient at one place are an edge, and which comes first is told by the slightest step.
            const bool isStop = type->id == "gradient-map" && p.id.ends_with("position");
            if (p.kind != ParameterKind::Number || p.id == "stops" || isStop) continue;
            for (int i = 0; i < 6; ++i) {
                Stage stage = randomStage(random, {}, type->id, i % 2 ? 1 : 0.5);
                const double standard = std::get<double>(p.defaultValue), step = (p.maximum - p.minimum) * 1e-6;
                stage.parameters[p.id] = standard;
                const Program before = programOf(stage);
                stage.parameters[p.id] = standard + (standard + step > p.maximum ? -step : step);
                const Program after = programOf(stage);
                for (int c = 0; c < 60; ++c) {
                    const Colour in = randomColour(random);
                    // Next to black the perceptual spaces of a gradient are steep.
                    EXPECT_LE(apart(before(in), after(in)), 5e-3) << type->id << ' ' << p.id;
                }
            }
        }
}

TEST(Properties, StrengthNoughtIsOff) {
    Random random(3);
    for (const StageType* type : lookTypes()) {
        Stage stage = randomStage(random, {}, type->id, 1);
        stage.strength = 0.0;
        EXPECT_TRUE(programOf(stage).isEmpty()) << type->id;
        stage.strength = 1e-6;
        const Colour in = {0.3F, 0.5F, 0.7F};
        EXPECT_LT(apart(programOf(stage)(in), in), 1e-3) << type->id;
    }
}

TEST(Properties, GreyStaysGreyInStagesThatDoNotTint) {
    // Curves, Levels, Wheels, Split tone, Push table, Channel mix, Monochrome, Gradient map, LUT, Warmth and Film
    // response are there to tint; of the others none may.
    Random random(4);
    for (const char* id : {"exposure", "tone", "saturation", "hue-bands", "primaries"})
        for (int i = 0; i < 40; ++i) {
            const Stage stage = randomStage(random, {}, id, 1);
            const Program program = programOf(stage);
            for (float v = 0.02F; v < 1; v += 0.07F) {
                const Colour out = program({v, v, v});
                EXPECT_LT(apart(out, {out[1], out[1], out[1]}), 3e-5 * std::max(1.0F, std::abs(out[1]))) << id;
            }
        }
}

TEST(Properties, HuesHaveNoSeam) {
    Random random(5);
    for (const char* id : {"hue-bands", "push-table", "monochrome", "saturation"})
        for (int i = 0; i < 30; ++i) {
            const Program program = programOf(randomStage(random, {}, id, 1));
            Colour before{};
            for (int step = 0; step <= 720; ++step) {
                const double angle = (step * 0.5 - 2) * M_PI / 180;
                const Vec3 linear = linearFromOklab({0.6, 0.12 * std::cos(angle), 0.12 * std::sin(angle)});
                const Colour out =
                    program({static_cast<float>(linearToSrgb(linear[0])), static_cast<float>(linearToSrgb(linear[1])),
                             static_cast<float>(linearToSrgb(linear[2]))});
                if (step > 0) EXPECT_LT(apart(out, before), 0.1) << id << ' ' << step * 0.5;
                before = out;
            }
        }
}

TEST(Tone, IsMonotoneAtEverySetting) {
    Random random(6);
    for (int i = 0; i < 400; ++i) {
        const auto any = [&] { return random() % 3 == 0 ? (random() % 2 ? 1.0 : -1.0) : uniform(random, -1, 1); };
        const Spline curve(toneCurve({any(), any(), any(), uniform(random, 0.2, 0.8), any(), any()}));
        double before = curve(-0.2);
        for (double x = -0.2; x <= 1.2; x += 2e-3) {
            EXPECT_GT(curve(x), before - 1e-6);
            before = curve(x);
        }
    }
}

TEST(Primaries, KeepWhiteAndAreNeverSingular) {
    Random random(8);
    bool anySlid = false;
    for (int i = 0; i < 500; ++i) {
        PrimariesSettings s;
        for (std::size_t k = 0; k < 3; ++k) {
            s.turn[k] = random() % 3 == 0 ? 45.0 : uniform(random, -45, 45);
            s.reach[k] = random() % 3 == 0 ? -0.6 : uniform(random, -0.6, 0.4);
        }
        double slid = 0;
        const Mat3 m = primariesMatrix(s, &slid);
        anySlid = anySlid || slid < 1;
        const Vec3 white = m * Vec3{1, 1, 1};
        for (const double v : white) EXPECT_NEAR(v, 1, 1e-6);
        const Mat3 back = inverse(m) * m;
        for (std::size_t k = 0; k < 9; ++k) EXPECT_NEAR(back[k], k % 4 == 0 ? 1 : 0, 1e-6);
    }
    EXPECT_TRUE(anySlid);
    const Mat3 still = primariesMatrix({});
    for (std::size_t k = 0; k < 9; ++k) EXPECT_NEAR(still[k], k % 4 == 0 ? 1 : 0, 1e-9);
}

TEST(Blend, GivesTheRecommendationsValuesAndStaysBounded) {
    // Worked by hand from the recommendation's formulas.
    const Vec3 b = {0.6, 0.3, 0.2}, s = {0.2, 0.7, 0.5};
    const auto expect = [&](BlendMode mode, const Vec3& want) {
        const Vec3 got = blended(mode, b, s);
        for (std::size_t k = 0; k < 3; ++k) EXPECT_NEAR(got[k], want[k], 1e-9) << static_cast<int>(mode);
    };
    expect(BlendMode::Multiply, {0.12, 0.21, 0.1});
    expect(BlendMode::Screen, {0.68, 0.79, 0.6});
    expect(BlendMode::Overlay, {0.36, 0.42, 0.2});
    expect(BlendMode::HardLight, {0.24, 0.58, 0.2});
    expect(BlendMode::Difference, {0.4, 0.4, 0.3});
    expect(BlendMode::Darken, {0.2, 0.3, 0.2});
    expect(BlendMode::Lighten, {0.6, 0.7, 0.5});
    expect(BlendMode::SoftLight, {0.456, 0.3 + 0.4 * (std::sqrt(0.3) - 0.3), 0.2});
    const double lum = 0.3 * 0.6 + 0.59 * 0.3 + 0.11 * 0.2;
    const Vec3 colour = blended(BlendMode::Colour, b, s);
    EXPECT_NEAR(0.3 * colour[0] + 0.59 * colour[1] + 0.11 * colour[2], lum, 1e-9);
    Random random(9);
    for (std::size_t mode = 0; mode < blendModes().size(); ++mode) {
        EXPECT_EQ(static_cast<std::size_t>(blendModeFrom(blendModes()[mode].id)), mode);
        for (int i = 0; i < 300; ++i) {
            Vec3 lower, upper;
            for (std::size_t k = 0; k < 3; ++k) lower[k] = uniform(random, -8, 8), upper[k] = uniform(random, -8, 8);
            const Vec3 out = blended(static_cast<BlendMode>(mode), lower, upper);
            for (const double v : out) {
                EXPECT_TRUE(std::isfinite(v));
                EXPECT_LT(std::abs(v), 17);
            }
        }
    }
}

TEST(Film, EveryResponseRisesKeepsItsGreyAndTintsLittle) {
    const StageType& type = *findStageType("film-response");
    ASSERT_GE(filmCharacters().size(), 14u);
    for (const FilmCharacter& film : filmCharacters()) {
        EXPECT_FALSE(film.summary.empty());
        Stage stage = makeStage({}, "film-response");
        stage.parameters["response"] = film.id;
        ASSERT_FALSE(isNeutral(stage));
        const Program program = programOf(stage);
        const float grey = static_cast<float>(linearToSrgb(0.18));
        const Colour out = program({grey, grey, grey});
        EXPECT_NEAR(out[1], grey, 2e-3) << film.id;
        EXPECT_NEAR(out[0], grey, 2e-3) << film.id;
        EXPECT_NEAR(out[2], grey, 2e-3) << film.id;
        float before = -1;
        for (float v = 0; v <= 1.0001F; v += 0.01F) {
            const Colour c = program({v, v, v});
            EXPECT_GT(c[1], before) << film.id << " at " << v;
            before = c[1];
        }
        const Colour white = program({1, 1, 1}), black = program({0, 0, 0});
        EXPECT_NEAR(white[1], 1, 0.01) << film.id;
        EXPECT_GE(black[1], -0.01) << film.id;
        EXPECT_LT(black[1], 0.25) << film.id;
    }
    EXPECT_EQ(type.parameter("response")->options.size(), filmCharacters().size() + 1);
}

TEST(Film, CrossoverTurnsTheEndsAndLeavesTheAnchor) {
    Stage stage = makeStage({}, "film-response");
    stage.parameters["response"] = std::string("touring");
    stage.parameters["crossover.blue"] = -0.6;
    const Program program = programOf(stage);
    const float grey = static_cast<float>(linearToSrgb(0.18));
    const Colour middle = program({grey, grey, grey}), dark = program({0.12F, 0.12F, 0.12F}),
                 light = program({0.85F, 0.85F, 0.85F});
    EXPECT_NEAR(middle[2], middle[1], 3e-3);
    EXPECT_GT(dark[2], dark[1]) << "shadows a little blue";
    EXPECT_LT(light[2], light[1]) << "lights a little warm";
}

TEST(Limits, HoldAStageToItsTones) {
    Stage stage = makeStage({}, "channel-mix");
    stage.parameters["red.from.red"] = 0.0;
    stage.parameters["limits.tone.low"] = 0.6;
    stage.parameters["limits.tone.softness"] = 0.2;
    const Program program = programOf(stage);
    EXPECT_EQ(program({0.2F, 0.2F, 0.2F})[0], 0.2F) << "below the range nothing happens";
    EXPECT_NEAR(program({0.8F, 0.8F, 0.8F})[0], 0, 1e-5);
    Stage hue = makeStage({}, "saturation");
    hue.parameters["overall"] = -1.0;
    hue.parameters["limits.hue.centre"] = 29.0;
    hue.parameters["limits.hue.width"] = 40.0;
    const Program reds = programOf(hue);
    const Colour red = reds({0.8F, 0.2F, 0.15F}), blue = reds({0.15F, 0.25F, 0.8F});
    EXPECT_LT(apart(red, {red[1], red[1], red[1]}), 0.05);
    EXPECT_LT(apart(blue, {0.15F, 0.25F, 0.8F}), 1e-3);
}

} // namespace baryton::test
