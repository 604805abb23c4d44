#include "colour/spaces.h"
#include "colour/transfer.h"
#include "render/program.h"
#include "stages/reference.h"
#include "stages/spline.h"
#include "stages/wheels.h"
#include "support/dispatch.h"
#include "support/samples.h"
#include "support/sanitized.h"

#include <cmath>
#include <memory>
#include <set>

namespace baryton::test {

namespace {

bool hasKernel(const Stage& stage) {
    const StageType& type = *findStageType(stage.type);
    // What looks around has none of its own: see render/around_test.cpp.
    return type.compile && !type.isNeutral(stage);
}

} // namespace

TEST(Kernels, EveryStageMeetsItsReferenceAtEveryLevel) {
    struct Case {
        const Kernel* kernel;
        Vec3 in, want, beside;
        std::string type;
    };
    Random random(2);
    std::vector<std::unique_ptr<Kernel>> kernels;
    std::vector<Case> cases;
    for (const StageType* type : stageTypes())
        for (int i = 0; i < roundsOf(30); ++i) {
            const Stage stage = randomStage(random, {}, type->id);
            if (!hasKernel(stage)) continue;
            const Kernel& kernel = *kernels.emplace_back(std::make_unique<Kernel>(kernelOf(stage)));
            for (int c = 0; c < 60; ++c) {
                const bool wild = c % 4 == 0;
                Vec3 in;
                for (double& v : in) v = static_cast<float>(wild ? uniform(random, -1, 4) : uniform(random, 0, 1));
                if (kernel.domain == Domain::Linear)
                    for (double& v : in) v = static_cast<float>(srgbToLinear(v));
                cases.push_back({&kernel, in, reference(stage, in),
                                 reference(stage, {in[0] + 1e-5, in[1] - 1e-5, in[2] + 1e-5}), type->id});
            }
        }
    atEveryDispatchLevel([&] {
        for (const Case& c : cases) {
            const Vec3 got = throughKernel(*c.kernel, c.in);
            // Where a random curve is steep, rounding of the input weighs more.
            for (std::size_t k = 0; k < 3; ++k)
                ASSERT_NEAR(got[k], c.want[k],
                            1e-4 * std::max({1.0, std::abs(c.want[k]), std::abs(c.beside[k] - c.want[k]) / 1e-5}))
                    << c.type << " at " << c.in[0] << ' ' << c.in[1] << ' ' << c.in[2];
        }
    });
}

TEST(Kernels, PositionsCountWhereTheyShould) {
    Random random(4);
    for (int i = 0; i < 20; ++i) {
        Stage stage = randomStage(random, {}, "vignette", 1);
        const Kernel kernel = kernelOf(stage);
        constexpr std::size_t n = 64;
        alignas(64) float r[n], g[n], b[n];
        std::fill(r, r + n, 0.4F), std::fill(g, g + n, 0.3F), std::fill(b, b + n, 0.2F);
        Block block{r, g, b, n, 0, 0.5F / n, 1.0F / n, 0.2F, 1.5F};
        kernel.run(kernel.constants.get(), block);
        for (std::size_t x = 0; x < n; x += 5) {
            const Vec3 want = reference(stage, {0.4F, 0.3F, 0.2F}, (double(x) + 0.5) / n, 0.2F, 1.5);
            EXPECT_NEAR(r[x], want[0], 2e-5 * std::max(1.0, want[0]));
            EXPECT_NEAR(b[x], want[2], 2e-5 * std::max(1.0, want[2]));
        }
    }
}

TEST(Stages, DescribeThemselvesWhole) {
    std::set<std::string> ids;
    for (const StageType* type : stageTypes()) {
        EXPECT_TRUE(ids.insert(type->id).second);
        EXPECT_EQ(findStageType(type->id), type);
        EXPECT_FALSE(type->summary.empty());
        EXPECT_EQ(type->summary.back(), '.') << type->id;
        EXPECT_FALSE(type->parts.empty());
        std::set<std::string> parameters;
        for (const ParameterType& p : type->parameters) {
            EXPECT_TRUE(parameters.insert(p.id).second) << p.id;
            EXPECT_FALSE(p.name.empty());
            EXPECT_FALSE(p.tooltip.empty()) << type->id << ' ' << p.id;
            if (p.kind != ParameterKind::Number) continue;
            EXPECT_LT(p.minimum, p.maximum);
            EXPECT_GE(std::get<double>(p.defaultValue), p.minimum);
            EXPECT_LE(std::get<double>(p.defaultValue), p.maximum);
            EXPECT_NEAR(storedNumber(p, shownNumber(p, 0.3)), 0.3, 1e-12);
        }
        const Stage bare = makeStage({}, type->id);
        EXPECT_TRUE(isNeutral(bare)) << type->id << " is neutral at its defaults";
    }
}

TEST(Stages, ShownTextReadsAsPeopleWrite) {
    const StageType& exposure = *findStageType("exposure");
    EXPECT_EQ(shownText(*exposure.parameter("stops"), 0.4), "+0.40");
    EXPECT_EQ(shownText(*exposure.parameter("stops"), -1.0), "−1.00");
    EXPECT_EQ(shownText(*exposure.parameter("stops"), -1e-9), "0.00");
    EXPECT_EQ(shownText(*findStageType("white-balance")->parameter("temperature"), 5200.0), "5200 K");
    EXPECT_EQ(shownText(*findStageType("curves")->parameter("rgb"), Curve{{0, 0}, {1, 1}}), "2 points");
}

TEST(Stages, StayFinite) {
    Random random(8);
    for (const StageType* type : stageTypes())
        for (int i = 0; i < 60; ++i) {
            const Stage stage = randomStage(random, {}, type->id, 1);
            if (!hasKernel(stage)) continue;
            const Kernel kernel = kernelOf(stage);
            for (const double v : {-64.0, -4.0, -1.0, -1e-6, 0.0, 1e-9, 0.5, 1.0, 4.0, 64.0})
                for (const double w : {-64.0, 0.0, 1.0, 64.0}) {
                    const Vec3 out = throughKernel(kernel, {v, w, 0.3});
                    for (const double c : out) ASSERT_TRUE(std::isfinite(c)) << type->id << ' ' << v << ' ' << w;
                }
        }
}

TEST(Stages, StrengthMixesWhatCameInWithWhatTheStageMakesOfIt) {
    Random random(8);
    for (const StageType* type : stageTypes())
        for (int i = 0; i < 10; ++i) {
            Stage stage = randomStage(random, {}, type->id, 1);
            if (!hasKernel(stage)) continue;
            const auto at = [&](double strength, const std::array<float, 3>& in) {
                stage.strength = strength;
                Grade grade;
                (type->standsIn(Part::Prep)   ? grade.prep
                 : type->standsIn(Part::Look) ? grade.look.emplace_back().stages
                                              : grade.finish) = {stage};
                return Program::compile(grade)(in);
            };
            for (int c = 0; c < 8; ++c) {
                const auto number = [&] { return static_cast<float>(uniform(random, 0, 1)); };
                const std::array<float, 3> in = {number(), number(), number()};
                const auto whole = at(1, in), part = at(0.3, in), none = at(0, in);
                EXPECT_EQ(none, in) << type->id;
                for (std::size_t k = 0; k < 3; ++k)
                    ASSERT_NEAR(part[k], in[k] + 0.3 * (whole[k] - in[k]), 2e-6 * std::max(1.F, std::abs(whole[k])))
                        << type->id;
            }
        }
}

TEST(Stages, GreyStaysGreyWhereNoTintIsMeant) {
    Random random(6);
    for (const char* id : {"exposure", "saturation", "vignette"})
        for (int i = 0; i < 20; ++i) {
            const Stage stage = randomStage(random, {}, id, 1);
            if (!hasKernel(stage)) continue;
            for (double v = 0; v <= 1; v += 0.05) {
                const Vec3 out = throughKernel(kernelOf(stage), {v, v, v});
                EXPECT_NEAR(out[0], out[1], 8e-6 * std::max(1.0, std::abs(out[1]))) << id;
                EXPECT_NEAR(out[2], out[1], 8e-6 * std::max(1.0, std::abs(out[1]))) << id;
            }
        }
}

TEST(Spline, PassesThroughItsPointsAndKeepsMonotonePointsMonotone) {
    Random random(9);
    for (int i = 0; i < 200; ++i) {
        Curve points = std::get<Curve>(randomValue(random, *findStageType("curves")->parameter("rgb")));
        const bool rising = i % 2 == 0;
        if (rising) {
            double y = 0;
            for (auto& p : points) p.y = y += uniform(random, 0, 0.2);
        }
        const Spline spline(points);
        for (const auto& p : points) EXPECT_NEAR(spline(p.x), p.y, 2e-6);
        double before = spline(-0.5);
        for (double x = -0.5; x <= 1.5; x += 1e-3) {
            const double y = spline(x);
            if (rising) EXPECT_GE(y, before - 1e-6);
            before = y;
        }
        const double slope = (spline(-0.1) - spline(-0.2)) / 0.1;
        EXPECT_NEAR((spline(-0.2) - spline(-0.3)) / 0.1, slope, 1e-4) << "straight beyond the ends";
    }
    EXPECT_NEAR(Spline(Curve{})(0.37), 0.37, 1e-9);
    EXPECT_TRUE(isStraight({}));
    EXPECT_TRUE(isStraight({{0, 0}, {0.5, 0.5}, {1, 1}}));
    EXPECT_FALSE(isStraight({{0, 0.01}, {1, 1}}));
}

TEST(Wheels, NeverFoldAtAnySetting) {
    Random random(12);
    const StageType& type = *findStageType("wheels");
    double least = 1;
    for (int i = 0; i < 800; ++i) {
        Stage stage = makeStage({}, "wheels");
        // Corners as well as the middle: folds live where everything is at its end.
        for (const auto& p : type.parameters)
            stage.parameters[p.id] =
                random() % 2 ? (random() % 2 ? p.minimum : p.maximum) : uniform(random, p.minimum, p.maximum);
        if (!hasKernel(stage)) continue;
        const Kernel kernel = kernelOf(stage);
        const auto& c = *static_cast<const WheelsConstants*>(kernel.constants.get());
        least = std::min(least, c.leastSlope());
        for (double y = 0; y <= 1; y += 0.01) {
            double s = 0, m = 0, h = 0;
            c.weights(y, s, m, h);
            EXPECT_GE(std::min({s, m, h}), -1e-6);
            EXPECT_NEAR(s + m + h, 1, 1e-9);
        }
    }
    EXPECT_GE(least, 0.049);
}

TEST(Wheels, PullTheTraceTheWayTheWheelIsPulled) {
    for (int degrees = 0; degrees < 360; degrees += 30) {
        Stage stage = makeStage({}, "wheels");
        stage.parameters["midtones.hue"] = double(degrees);
        stage.parameters["midtones.amount"] = 0.2;
        const Vec3 out = throughKernel(kernelOf(stage), {0.5, 0.5, 0.5});
        const auto c = chromaPlane(out);
        EXPECT_NEAR(std::remainder(std::atan2(c[1], c[0]) * 180 / M_PI - degrees, 360), 0, 0.5);
        EXPECT_NEAR(luma(out[0], out[1], out[2]), 0.5, 1e-5) << "a colour direction has no luma";
    }
}

} // namespace baryton::test
