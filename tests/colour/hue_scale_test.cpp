#include "colour/hue_scale.h"
#include "colour/spaces.h"
#include "edits/changed.h"

#include <cmath>
#include <gtest/gtest.h>

namespace baryton {

TEST(HueScale, HuesOfThePrimariesAsPublished) {
    // CSS Color 4 gives oklch() of the sRGB primaries.
    EXPECT_NEAR(hueOf({1, 0, 0}), 29.23, 0.05);
    EXPECT_NEAR(hueOf({0, 1, 0}), 142.50, 0.05);
    EXPECT_NEAR(hueOf({0, 0, 1}), 264.05, 0.05);
}

TEST(HueScale, GoesOnceRoundWithTheVectorscopeAndBack) {
    double travelled = 0;
    for (double angle = 0.05; angle < 360; angle += 0.1) {
        const double step = std::remainder(hueOfDirection(angle + 0.1) - hueOfDirection(angle), 360);
        EXPECT_GT(step, 0) << angle << ": it never turns back or stands";
        EXPECT_LT(step, 1) << angle << ": nor jumps";
        travelled += step;
        EXPECT_NEAR(std::remainder(directionOfHue(hueOfDirection(angle)) - angle, 360), 0, 1e-9) << angle;
    }
    EXPECT_NEAR(travelled, 360, 0.2);
    // It is the hue that a grey takes when it is pulled so.
    for (const double angle : {12.0, 123.0, 251.5}) {
        const Vec3 d = hueDirection(angle);
        EXPECT_NEAR(std::remainder(
                        hueOf({0.5 + 0.1 * d[0], 0.5 + 0.1 * d[1], 0.5 + 0.1 * d[2]}) - hueOfDirection(angle), 360),
                    0, 0.05);
    }
}

TEST(HueScale, TheOppositeTakesAPullBack) {
    for (double hue = 0; hue < 360; hue += 15) {
        const Vec3 there = hueDirection(directionOfHue(hue)), back = hueDirection(directionOfHue(oppositeHue(hue)));
        for (std::size_t k = 0; k < 3; ++k) EXPECT_NEAR(there[k] + back[k], 0, 1e-9) << hue;
    }
}

TEST(HueScale, EveryHueIsShownOnIt) {
    for (const StageType* type : stageTypes())
        for (const ParameterType& p : type->parameters) {
            if (!p.wraps) continue;
            for (double shown = 0; shown < 360; shown += 7)
                EXPECT_NEAR(std::remainder(shownNumber(p, storedNumber(p, shown)) - shown, 360), 0, 1e-6)
                    << type->id << ' ' << p.id;
            EXPECT_TRUE(shownText(p, storedNumber(p, 29)) == "29°") << type->id << ' ' << p.id;
        }
    EXPECT_TRUE(findStageType("wheels")->parameter("shadows.hue")->onVectorscope);
}

TEST(Changed, WhatActsThroughNothingIsNoPartOfAStyle) {
    Grade grade = startingGrade();
    Stage bands = makeStage(grade, "hue-bands");
    bands.parameters = {{"band1.centre", 12.0}, {"band2.centre", 40.0}, {"band2.shift", 10.0}, {"band3.width", 50.0}};
    grade.look.front().stages.push_back(bands);
    EXPECT_FALSE(isFelt(bands, "band1.centre"));
    EXPECT_TRUE(isFelt(bands, "band2.centre"));
    EXPECT_TRUE(isFelt(bands, "band2.shift"));
    std::vector<std::string> found;
    for (const CarryPath& path : changedIn(grade))
        if (path.stage == bands.id) found.push_back(path.parameter);
    EXPECT_EQ(found, (std::vector<std::string>{"band2.centre", "band2.shift"}));
    // What they name is there, and of the same stage.
    for (const StageType* type : stageTypes())
        for (const ParameterType& p : type->parameters)
            for (const std::string& through : p.actsThrough)
                EXPECT_NE(type->parameter(through), nullptr) << type->id << ' ' << p.id << ' ' << through;
}

/// Whatever is left out as not felt must not change the picture: the stage without it compiles to the same kernel.
TEST(Changed, LeavingOutWhatIsNotFeltChangesNothing) {
    for (const StageType* type : stageTypes())
        for (const ParameterType& p : type->parameters) {
            if (p.actsThrough.empty() || p.kind != ParameterKind::Number) continue;
            Stage stage;
            stage.type = type->id;
            stage.id = "one";
            stage.parameters = {{p.id, p.minimum + 0.3 * (p.maximum - p.minimum)}};
            EXPECT_FALSE(isFelt(stage, p.id));
            EXPECT_TRUE(isNeutral(stage)) << type->id << ' ' << p.id;
        }
}

} // namespace baryton
