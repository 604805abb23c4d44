// Stages that look around, or lie over the frame, within a layer: as in the Finish, and where the layer's mask lets
// them.
#include "lut/accelerate.h"
#include "picture/carried_picture.h"
#include "render/base_level.h"
#include "stages/blend.h"
#include "stages/validate.h"
#include "support/samples.h"

#include <algorithm>
#include <gtest/gtest.h>

namespace baryton::test {

namespace {

using Parameters = std::map<std::string, Value>;

Stage made(const std::string& type, const Parameters& parameters, double strength = 1) {
    Stage stage = makeStage({}, type);
    stage.parameters = parameters;
    if (strength < 1) stage.strength = strength;
    return stage;
}

Layer layerOf(const std::string& id, std::vector<Stage> stages) {
    Layer layer;
    layer.id = layer.name = id;
    layer.stages = std::move(stages);
    for (Stage& stage : layer.stages) stage.id += "-" + id;
    return layer;
}

Stage darker() {
    return made("curves", {{"rgb", Curve{{0, 0.02}, {0.5, 0.4}, {1, 0.97}}}});
}

/// What stands in the Finish and in layers.
std::vector<Stage> localStages(double strength) {
    const PictureContent flag{"flag", std::make_shared<const std::string>(encodeCarried(paintedPicture(30, 20)))};
    return {made("detail", {{"amount", 1.2}, {"radius", 2.0}}, strength),
            made("local-contrast", {{"amount", 0.9}, {"reach", 30.0}}, strength),
            made("bloom", {{"amount", 0.8}, {"threshold", 0.5}, {"reach", 12.0}}, strength),
            made("overlay", {{"picture", flag}, {"scale", 0.5}, {"turn", 20.0}}, strength)};
}

Mask softMask() {
    Mask mask;
    mask.shapes.push_back({MaskRamp{0.3, 0.2, 0.6, 0.7}, MaskShape::Way::Add, false});
    mask.shapes.push_back({MaskTones{0.05, 0.7, 0.3}, MaskShape::Way::Intersect, false});
    return mask;
}

Picture throughLayers(std::vector<Layer> look, std::vector<Stage> finish, const Picture& source) {
    Grade grade;
    grade.look = std::move(look), grade.finish = std::move(finish);
    return Program::compile(grade).graded(source);
}

} // namespace

TEST(Local, InAPlainLayerAStageDoesWhatItDoesInTheFinish) {
    const Picture source = lampsAtNight(330, 220);
    for (const Stage& stage : localStages(0.7)) {
        const Picture inLayer = throughLayers({layerOf("a", {darker(), stage})}, {}, source);
        EXPECT_TRUE(sameBytes(inLayer, throughLayers({layerOf("a", {darker()})}, {stage}, source))) << stage.type;
        EXPECT_GT(largestDifference(inLayer, throughLayers({layerOf("a", {darker()})}, {}, source)), 0.01)
            << stage.type;
    }
}

TEST(Local, AMaskedLayerIsLaidOverWhateverLooksAroundInIt) {
    const Picture source = lampsAtNight(330, 220);
    const Stage saturation = made("saturation", {{"overall", 0.6}});
    for (const std::string mode : {"normal", "soft-light"})
        for (const Stage& stage : localStages(0.6)) {
            Grade grade;
            grade.look = {layerOf("a", {darker()}), layerOf("b", {saturation, stage, darker()}),
                          layerOf("c", {made("warmth", {{"warmth", 30.0}})})};
            Layer& layer = grade.look[1];
            layer.mask = softMask(), layer.strength = 0.8, layer.blend = mode;
            for (const Error& error : validate(grade)) ADD_FAILURE() << error.what();
            const Picture out = Program::compile(grade).graded(source);
            // The same in pieces, each a program of its own.
            const Picture below = throughLayers({layerOf("a", {darker()})}, {}, source);
            const Picture upper = throughLayers({layerOf("b", {darker()})}, {},
                                                throughLayers({layerOf("b", {saturation})}, {stage}, below));
            const Picture weights = Program::ofMask(grade, "b").graded(source);
            Picture laid = below;
            int held = 0;
            for (int y = 0; y < source.height(); ++y)
                for (int x = 0; x < source.width(); ++x) {
                    Vec3 lower{}, over{};
                    for (int k = 0; k < 3; ++k)
                        lower[static_cast<std::size_t>(k)] = below.row(k, y)[x],
                        over[static_cast<std::size_t>(k)] = upper.row(k, y)[x];
                    const Vec3 full = blended(blendModeFrom(mode), lower, over);
                    const double share = 0.8 * weights.row(0, y)[x];
                    held += share == 0;
                    for (std::size_t k = 0; k < 3; ++k)
                        laid.row(static_cast<int>(k), y)[x] =
                            static_cast<float>(lower[k] + share * (full[k] - lower[k]));
                }
            EXPECT_GT(held, 1000);
            const Picture want = throughLayers({grade.look[2]}, {}, laid);
            EXPECT_LT(largestDifference(out, want), 5e-5) << stage.type;
            EXPECT_GT(largestDifference(out, throughLayers({grade.look[0], grade.look[2]}, {}, source)), 0.03);
        }
}

TEST(Local, SeveralOfAKindEachActInTheirLayer) {
    const Picture source = lampsAtNight(240, 160);
    const Stage detail = localStages(1)[0], contrast = localStages(1)[1];
    Layer left = layerOf("a", {detail, contrast, detail}), right = layerOf("b", {contrast, detail});
    left.stages[2].id = "detail-again";
    left.mask = softMask(), right.mask = softMask();
    right.mask->isInverted = true;
    Grade grade;
    grade.look = {left, right};
    grade.finish = {contrast, detail};
    const Program program = Program::compile(grade);
    const Picture out = program.graded(source);
    EXPECT_TRUE(sameBytes(out, program.graded(source, 1)));
    // Layer after layer, and then the Finish.
    Grade first, second;
    first.look = {left}, second.look = {right};
    for (auto& shape : second.look[0].mask->shapes) // tones are those that enter the Look: not so in pieces
        if (std::holds_alternative<MaskTones>(shape.form)) shape.form = MaskEllipse{};
    Grade both = grade;
    both.look[1] = second.look[0];
    both.finish.clear();
    const Picture pieces = Program::compile(second).graded(Program::compile(first).graded(source));
    EXPECT_LT(largestDifference(Program::compile(both).graded(source), pieces), 1e-5);
}

TEST(Local, KeepsAnEvenColourAndStaysOutOfLuts) {
    for (const Stage& stage : localStages(1)) {
        if (stage.type == "overlay") continue; // lies over what is there
        Grade grade;
        grade.look = {layerOf("a", {darker(), stage, made("saturation", {{"overall", 0.4}})})};
        Grade without = grade;
        without.look[0].stages.erase(without.look[0].stages.begin() + 1);
        for (const std::array<float, 3> rgb : {std::array{0.2F, 0.4F, 0.1F}, std::array{0.7F, 0.6F, 0.65F}}) {
            const auto out = Program::compile(grade)(rgb), want = Program::compile(without)(rgb);
            for (std::size_t k = 0; k < 3; ++k) EXPECT_NEAR(out[k], want[k], 1e-6) << stage.type;
        }
        EXPECT_EQ(leftOutOfLut(grade), std::vector<std::string>{stageTitle(stage)});
        // A quick frame holds it too, and the stages around it.
        const Picture source = lampsAtNight(240, 160);
        EXPECT_LT(meanApart(Accelerator().accelerated(grade).graded(source), Program::compile(grade).graded(source)),
                  0.3);
    }
}

TEST(BaseLevel, KeepsWhatIsAskedForAgain) {
    const BaseLevel base(lampsAtNight(120, 80));
    const auto kernelOf = [&](double amount) {
        return base.kernelOf(made("local-contrast", {{"amount", amount}}), {}).constants;
    };
    const auto first = kernelOf(0.5);
    for (int i = 1; i <= 20; ++i) {
        kernelOf(0.5 + 0.01 * i); // one stage that moves, others that stay
        ASSERT_EQ(kernelOf(0.5), first) << i;
    }
}

} // namespace baryton::test
