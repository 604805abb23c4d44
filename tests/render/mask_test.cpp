// Masks: where a layer acts, whatever is done to the frame, however a picture is cut, and at any size.
#include "base/error.h"
#include "grade/grade_json.h"
#include "grade/preset.h"
#include "lut/accelerate.h"
#include "lut/bake.h"
#include "picture/frame_place.h"
#include "picture/picture_file.h"
#include "render/graded_file.h"
#include "render/mask_weights.h"
#include "render/plan.h"
#include "render/view.h"
#include "stages/frame.h"
#include "stages/lens.h"
#include "stages/source.h"
#include "stages/validate.h"
#include "support/samples.h"
#include "support/sanitized.h"
#include "support/temp_folder.h"

#include <cmath>
#include <gtest/gtest.h>
#include <numbers>

namespace baryton::test {

namespace {

/// A grade with one layer that lightens, held to a mask.
Grade lightened(const Mask& mask) {
    Grade grade;
    Layer& layer = grade.look.emplace_back();
    layer.id = "layer-1", layer.name = "Lamp";
    layer.mask = mask;
    layer.stages.push_back(makeStage(grade, "curves"));
    layer.stages[0].parameters["rgb"] = Curve{{0, 0.1}, {0.5, 0.72}, {1, 1}};
    return grade;
}

Mask ellipse(const MaskEllipse& form) {
    return {{{form, MaskShape::Way::Add, false}}, false, 1};
}

/// What is painted at a place, by the definition: through all pieces of all strokes, in double; lengths of the long
/// side.
double paintedByHand(const MaskBrush& brush, double x, double y, double w, double h) {
    double painted = 0;
    for (const SharedStroke& stroke : brush.strokes) {
        double nearest = 1e9;
        const std::size_t last = stroke->points.size() - 1;
        for (std::size_t i = 0; i < std::max<std::size_t>(last, 1); ++i) {
            const StrokePoint &a = stroke->points[i], &b = stroke->points[std::min(i + 1, last)];
            const double dx = (b.x - a.x) * w, dy = (b.y - a.y) * h, px = x - a.x * w, py = y - a.y * h;
            const double square = dx * dx + dy * dy;
            const double t = square > 0 ? std::clamp((px * dx + py * dy) / square, 0.0, 1.0) : 0;
            const double radius = stroke->size / (1 / a.width + t * (1 / b.width - 1 / a.width));
            nearest = std::min(nearest, std::hypot(px - t * dx, py - t * dy) / radius);
        }
        const double fade = std::max(stroke->softness, 0.002);
        const double s = std::clamp((nearest - (1 - fade)) / fade, 0.0, 1.0),
                     laid = stroke->flow * (1 - s * s * (3 - 2 * s));
        painted = stroke->erases ? painted * (1 - laid) : 1 - (1 - painted) * (1 - laid);
    }
    return brush.ceiling * painted;
}

/// The weight by the definition, in double.
double weightByHand(const Mask& mask, double x, double y, double aspect) {
    const double w = std::min(1.0, aspect), h = std::min(1.0, 1 / aspect);
    double total = mask.shapes.front().way == MaskShape::Way::Add ? 0 : 1;
    for (const MaskShape& shape : mask.shapes) {
        double own = 0;
        if (const auto* e = std::get_if<MaskEllipse>(&shape.form)) {
            const double a = e->turn * std::numbers::pi / 180, dx = (x - e->x) * w, dy = (y - e->y) * h;
            const double r = std::hypot((dx * std::cos(a) + dy * std::sin(a)) / e->radiusX,
                                        (dy * std::cos(a) - dx * std::sin(a)) / e->radiusY);
            const double t = std::clamp((r - (1 - e->feather)) / e->feather, 0.0, 1.0);
            own = 1 - t * t * (3 - 2 * t);
        } else if (const auto* brush = std::get_if<MaskBrush>(&shape.form)) {
            own = paintedByHand(*brush, x * w, y * h, w, h);
        } else {
            const auto& r = std::get<MaskRamp>(shape.form);
            const double ax = (r.toX - r.fromX) * w, ay = (r.toY - r.fromY) * h;
            const double t =
                std::clamp(((x - r.fromX) * w * ax + (y - r.fromY) * h * ay) / (ax * ax + ay * ay), 0.0, 1.0);
            own = 1 - (6 * std::pow(t, 5) - 15 * std::pow(t, 4) + 10 * std::pow(t, 3));
        }
        if (shape.isInverted) own = 1 - own;
        total = shape.way == MaskShape::Way::Add        ? 1 - (1 - total) * (1 - own)
                : shape.way == MaskShape::Way::TakeAway ? total * (1 - own)
                                                        : total * own;
    }
    return mask.density * (mask.isInverted ? 1 - total : total);
}

/// The weights of a picture's pixels, as a layer shows them that makes black white.
Picture weightsOf(const Mask& mask, int width, int height) {
    FrameMap map;
    map.aspect = double(width) / height;
    const MaskWeights weights(mask, map);
    Picture out(width, height);
    std::vector<float> row(out.stride());
    Block block;
    block.count = static_cast<std::size_t>(width);
    block.dx = 1.0F / static_cast<float>(width), block.x = 0.5F * block.dx;
    for (int y = 0; y < height; ++y) {
        block.y = (static_cast<float>(y) + 0.5F) / static_cast<float>(height);
        weights(block, nullptr, row.data());
        for (int k = 0; k < 3; ++k) std::copy_n(row.data(), width, out.row(k, y));
    }
    return out;
}

std::string problemIn(const std::string& mask) {
    try {
        const Grade grade = gradeFromText(
            R"({"format":"baryton-grade","version":1,"look":[{"name":"A","stages":[],"mask":)" + mask + "}]}");
        requireValid(grade);
    } catch (const Error& e) {
        return e.place();
    }
    return "none";
}

} // namespace

TEST(Mask, IsItsFormula) {
    Random random(4);
    for (int i = 0; i < roundsOf(60); ++i) {
        const Mask mask = randomMask(random);
        const int width = 40 + static_cast<int>(random() % 200), height = 40 + static_cast<int>(random() % 200);
        const Picture weights = weightsOf(mask, width, height);
        for (int y = 0; y < height; y += 3)
            for (int x = 0; x < width; x += 3)
                ASSERT_NEAR(weights.row(0, y)[x],
                            weightByHand(mask, (x + 0.5) / width, (y + 0.5) / height, double(width) / height), 2e-4)
                    << i << " at " << x << ", " << y;
    }
}

TEST(Mask, IsWrittenAndReadBackAndTravelsAsEveryOtherValue) {
    Random random(5);
    for (int i = 0; i < roundsOf(60); ++i) {
        const Grade grade = lightened(randomMask(random, true));
        EXPECT_EQ(gradeFromText(gradeToText(grade)), grade);
        // It is one value of its layer: carried, applied, told as a change.
        Preset preset;
        preset.name = "Lamp";
        preset.carried = carve(grade, {{Part::Look, "layer-1", "", kMaskWord}}, {});
        EXPECT_EQ(presetFromText(presetToText(preset)), preset);
        Grade bare = grade;
        bare.look[0].mask.reset();
        EXPECT_EQ(applied(bare, preset, ApplyMode::Set), grade);
        const auto changes = diff(bare, grade);
        ASSERT_EQ(changes.size(), 1u);
        EXPECT_EQ(changes[0].path.parameter, kMaskWord);
    }
}

TEST(Mask, OfNonsenseIsRefusedWithItsPlace) {
    EXPECT_EQ(problemIn(R"({"shapes":[]})"), "none");
    EXPECT_EQ(problemIn(R"({"shapes":[{"shape":"ellipse","feather":7}]})"), "/look/0/mask/shapes/0/feather");
    EXPECT_EQ(problemIn(R"({"shapes":[{"shape":"ramp"},{"shape":"ellipse","x":1e30}]})"), "/look/0/mask/shapes/1/x");
    EXPECT_EQ(problemIn(R"({"shapes":[{"shape":"ellipse","radiusX":0}]})"), "/look/0/mask/shapes/0/radiusX");
    EXPECT_EQ(problemIn(R"({"shapes":[{"shape":"brush","strokes":[{"path":"0 0","size":9}]}]})"),
              "/look/0/mask/shapes/0/strokes/0/size");
    EXPECT_EQ(problemIn(R"({"shapes":[{"shape":"layer","mask":{"shapes":[{"shape":"tones","low":2}]}}]})"),
              "/look/0/mask/shapes/0/mask/shapes/0/low");
    for (const char* path : {"0.1", "0.1 x", "1 1;2 2", "1e999 1", "0 0 1 1", "nan 0"})
        EXPECT_EQ(problemIn(R"({"shapes":[{"shape":"brush","strokes":[{"path":")" + std::string(path) + R"("}]}]})"),
                  "/look/0/mask/shapes/0/strokes/0/path")
            << path;
    EXPECT_EQ(problemIn(R"({"shapes":[{"shape":"ramp","fromX":0.5,"toX":0.5,"fromY":0.5,"toY":0.5}]})"),
              "/look/0/mask/shapes/0");
    EXPECT_NE(problemIn(R"({"shapes":[{"shape":"ellipse","way":"sideways"}]})"), "none");
    EXPECT_NE(problemIn(R"({"shapes":3})"), "none");
    EXPECT_NE(problemIn(R"({"density":0.5})"), "none");
    EXPECT_NE(problemIn(R"({"shapes":[],"density":-1})"), "none");
    std::string many = R"({"shape":"ramp"})";
    for (int i = 0; i < 200; ++i) many += R"(,{"shape":"ramp"})";
    EXPECT_NE(problemIn("{\"shapes\":[" + many + "]}"), "none");
    // A picture's own file is opened all the same, without what can't be.
    Grade grade = lightened(ellipse({0.5, 0.5, -3, 0.2, 0, 0.5}));
    EXPECT_FALSE(repaired(grade).look[0].mask);
}

TEST(Mask, WhatDoesNothingChangesNoBit) {
    Random random(6);
    for (int i = 0; i < 20; ++i) {
        const Mask mask = randomMask(random);
        const Picture plain = weightsOf(mask, 160, 90);
        // A shape that is nowhere, added or taken away, and one that is everywhere, kept of it.
        for (const auto& [form, way] : {std::pair(MaskEllipse{3, 3, 0.1, 0.1, 0, 1}, MaskShape::Way::Add),
                                        {MaskEllipse{3, 3, 0.1, 0.1, 0, 1}, MaskShape::Way::TakeAway},
                                        {MaskEllipse{0.5, 0.5, 4, 4, 0, 0.1}, MaskShape::Way::Intersect}}) {
            Mask more = mask;
            more.shapes.push_back({form, way, false});
            EXPECT_TRUE(sameBytes(weightsOf(more, 160, 90), plain)) << i << ' ' << static_cast<int>(way);
        }
        // The only shape turned round and all of it turned round once more.
        Mask one = ellipse({0.4, 0.5, 0.3, 0.2, 30, 0.5});
        const Picture once = weightsOf(one, 160, 90);
        one.isInverted = one.shapes[0].isInverted = true;
        EXPECT_LT(largestDifference(weightsOf(one, 160, 90), once), 1e-6);
        // Turned round, the two of them are everything.
        Mask other = mask;
        other.isInverted = !mask.isInverted;
        const Picture rest = weightsOf(other, 160, 90);
        for (int y = 0; y < 90; ++y)
            for (int x = 0; x < 160; ++x) ASSERT_NEAR(plain.row(0, y)[x] + rest.row(0, y)[x], mask.density, 1e-6);
    }
    EXPECT_TRUE(sameBytes(weightsOf(ellipse({0.4, 0.6, 0.3, 0.1, 360, 0.4}), 160, 90),
                          weightsOf(ellipse({0.4, 0.6, 0.3, 0.1, 0, 0.4}), 160, 90)));
}

TEST(Mask, HoldsALayerWithWhateverModeAndStrength) {
    const Picture source = randomPicture(170, 110, 5);
    Random random(8);
    const Mask mask = randomMask(random);
    const Picture weights = weightsOf(mask, 170, 110);
    for (const char* mode : {"normal", "multiply", "luminosity"})
        for (const double strength : {1.0, 0.6}) {
            Grade grade = lightened(mask), whole = lightened(mask);
            for (Grade* each : {&grade, &whole}) {
                each->look[0].blend = mode, each->look[0].strength = strength;
                each->look[0].stages[0].strength = 0.7; // a mix within the mix
            }
            whole.look[0].mask.reset();
            const Picture held = Program::compile(grade).graded(source), all = Program::compile(whole).graded(source);
            for (int k = 0; k < 3; ++k)
                for (int y = 0; y < 110; ++y)
                    for (int x = 0; x < 170; ++x) {
                        const float a = source.row(k, y)[x], b = all.row(k, y)[x], w = weights.row(0, y)[x];
                        ASSERT_NEAR(held.row(k, y)[x], a + w * (b - a), 3e-5 * std::max(1.0F, std::abs(b)))
                            << mode << ' ' << strength << " at " << x << ", " << y;
                    }
        }
    // Without shapes there is no mask; where it lets nothing through no bit changes.
    Grade grade = lightened(Mask()), whole = lightened(Mask());
    whole.look[0].mask.reset();
    EXPECT_TRUE(sameBytes(Program::compile(grade).graded(source), Program::compile(whole).graded(source)));
    EXPECT_TRUE(sameBytes(Program::compile(lightened(ellipse({3, 3, 0.1, 0.1, 0, 1}))).graded(source), source));
}

TEST(Mask, IsTheSameBytesHoweverThePictureIsCut) {
    const Picture source = placed(randomPicture(5000, 90, 2), placementOf({{}, {1.8, 0.9, 0.4, 0.5, 3.0}}, 5000, 90));
    Random random(9);
    for (int i = 0; i < roundsOf(12); ++i) {
        const Program program = Program::compile(lightened(randomMask(random, true)));
        const FrameMap map = FrameMap::whole(source);
        const Picture whole = program.graded(source, 1);
        EXPECT_TRUE(sameBytes(program.graded(source, 7), whole));
        const int x = static_cast<int>(random() % 60), width = source.width() - x - static_cast<int>(random() % 60);
        for (const int rows : {1, 16, 23}) {
            const int y = static_cast<int>(random() % static_cast<unsigned>(source.height() - rows));
            const Picture part = cropped(source, x, y, width, rows);
            Picture out(width, rows);
            program.run(part, map.part(x, y), into(out));
            EXPECT_TRUE(sameBytes(out, cropped(whole, x, y, width, rows))) << i << ", " << rows;
        }
    }
}

TEST(Mask, ShowsFittedWhatTheFileWillLookLike) {
    Random random(10);
    for (int i = 0; i < roundsOf(12); ++i) {
        const Mask mask = randomMask(random);
        const Picture large = weightsOf(mask, 1440, 960), small = weightsOf(mask, 360, 240);
        double sum = 0;
        for (int y = 0; y < 240; ++y)
            for (int x = 0; x < 360; ++x) {
                double mean = 0;
                for (int k = 0; k < 16; ++k) mean += double(large.row(0, 4 * y + k / 4)[4 * x + k % 4]) / 16;
                sum += std::abs(mean - double(small.row(0, y)[x]));
            }
        EXPECT_LT(sum / (360 * 240), 1.0 / 255) << i;
    }
}

TEST(Mask, StaysOnWhatItWasDrawnOn) {
    // Placed and graded, or graded and placed: the same, but for what interpolating costs.
    const Picture source = paintedPicture(900, 600);
    const Grade grade = lightened({{{MaskEllipse{0.35, 0.4, 0.2, 0.12, 30, 0.6}, MaskShape::Way::Add, false},
                                    {MaskRamp{0.2, 0.2, 0.6, 0.7}, MaskShape::Way::Intersect, false}},
                                   false,
                                   1});
    const Program program = Program::compile(grade);
    const Picture all = program.graded(source);
    ASSERT_GT(meanApart(all, source), 0.3);
    struct Case {
        std::map<std::string, Value> frame, lens;
        int quarters;
        bool mirror;
    };
    const Case cases[] = {{{{"size", 0.6}, {"x", 0.3}, {"y", 0.4}}, {}, 0, false},
                          {{{"angle", 12.0}}, {}, 0, false},
                          {{{"angle", -7.0}, {"tilt", 12.0}, {"swing", -9.0}}, {}, 0, false},
                          {{{"angle", 4.0}}, {{"barrel", 0.06}}, 1, false},
                          {{}, {}, 3, true},
                          {{{"tilt", 8.0}}, {{"barrel", -0.04}}, 2, true}};
    for (const Case& c : cases) {
        Grade geometry = startingGrade();
        Stage lens = makeStage(geometry, kLensType), frame = makeStage(geometry, "frame");
        lens.parameters = c.lens, frame.parameters = c.frame;
        for (int i = 0; i < c.quarters; ++i)
            for (const auto& [id, value] : quarterTurned(frame, true)) frame.parameters[id] = value;
        if (c.mirror)
            for (const auto& [id, value] : mirrored(frame)) frame.parameters[id] = value;
        geometry.prep = {lens, frame};
        const Placement placement = placementOf(geometryOf(geometry, {}), source.width(), source.height());
        const Picture here = program.graded(placed(source, placement)), there = placed(all, placement);
        EXPECT_LT(meanApart(here, there), 0.12) << c.quarters;
        // And in a smaller view, or made smaller first, it lies where it did.
        const Picture whole = placed(source, placement);
        const Pyramid pyramid(whole);
        const int width = whole.width() / 3, height = static_cast<int>(std::lround(whole.height() / 3.0));
        Picture shown(width, height);
        runOverView(program, viewSource(pyramid, {0, 0, width, height, double(width) / whole.width()}, {}),
                    into(shown));
        EXPECT_LT(meanApart(shown, program.graded(scaledDown(whole, width, height))), 0.2) << c.quarters;
    }
}

TEST(Mask, AFileIsTheSameAsThePicture) {
    const TempFolder folder;
    Random random(12);
    writePicture(folder / "in.tif", Program().quantised(paintedPicture(420, 300), 16, false), {},
                 {FileFormat::Tiff, 16});
    const Picture source = readPicture(folder / "in.tif").picture;
    for (int i = 0; i < 6; ++i) {
        Grade grade = lightened(randomMask(random, i >= 3));
        Stage frame = makeStage(grade, "frame");
        frame.parameters = {{"size", 0.8}, {"angle", i % 2 ? 5.0 : 0.0}};
        if (i % 3 == 1)
            for (const auto& [id, value] : quarterTurned(frame, true)) frame.parameters[id] = value;
        if (i % 3 == 2)
            for (const auto& [id, value] : mirrored(frame)) frame.parameters[id] = value;
        grade.prep.push_back(frame);
        grade.finish =
            finishOf({{"bloom", {{"amount", 0.7}, {"threshold", 0.5}}}}).finish; // sees masks on its base level
        const Program program = Program::compile(grade);
        const Picture here = placed(source, placementOf(geometryOf(grade, {}), source.width(), source.height()));
        FileSource file(folder / "in.tif", sourceSettingsOf(grade), {}, 1);
        writeGraded(folder / "out.tif", file, program, Output({.format = {FileFormat::Tiff, 16}}), 2, nullptr);
        writePicture(folder / "whole.tif", program.quantised(here, 16, false), {}, {FileFormat::Tiff, 16});
        EXPECT_TRUE(sameBytes(readPicture(folder / "out.tif").picture, readPicture(folder / "whole.tif").picture))
            << i;
        // Made smaller first, and graded then: the mask is where it was.
        FileSource smaller(folder / "in.tif", sourceSettingsOf(grade), sizeWishFromText("120"), 1);
        writeGraded(folder / "small.tif", smaller, program, Output({.format = {FileFormat::Tiff, 16}}), 2, nullptr);
        const Picture small = readPicture(folder / "small.tif").picture;
        EXPECT_LT(meanApart(small, scaledDown(program.graded(here), small.width(), small.height())), 1.5) << i;
        std::filesystem::remove(folder / "out.tif"), std::filesystem::remove(folder / "whole.tif");
        std::filesystem::remove(folder / "small.tif");
    }
}

TEST(Mask, IsLeftOutOfLutsByNameAndQuickFramesHaveIt) {
    Random random(13);
    Grade grade = lightened(ellipse({0.5, 0.5, 0.3, 0.3, 0, 0.5}));
    Layer plain;
    plain.id = "layer-2", plain.name = "Plain";
    plain.stages.push_back(makeStage(grade, "saturation"));
    plain.stages[0].parameters["overall"] = 0.4;
    grade.look.push_back(plain);
    const auto names = leftOutOfLut(grade);
    ASSERT_EQ(names.size(), 1u);
    EXPECT_NE(names[0].find("Lamp"), std::string::npos);
    Grade without = grade;
    without.look.erase(without.look.begin());
    EXPECT_EQ(bakeLook(grade, 9, "").grid, bakeLook(without, 9, "").grid);
    // By choice it acts everywhere instead.
    const WithoutPlaces everywhere = withoutPlaces(grade);
    EXPECT_EQ(everywhere.layers, std::vector<std::string>{"Lamp"});
    EXPECT_TRUE(leftOutOfLut(everywhere.grade).empty());
    Grade bare = grade;
    bare.look[0].mask.reset();
    EXPECT_EQ(bakeLook(everywhere.grade, 9, "").grid, bakeLook(bare, 9, "").grid);
    EXPECT_NE(bakeLook(everywhere.grade, 9, "").grid, bakeLook(without, 9, "").grid);
    // While a control moves.
    const Picture source = paintedPicture(240, 160);
    const Picture exact = Program::compile(grade).graded(source),
                  quick = Accelerator().accelerated(grade).graded(source);
    EXPECT_LT(meanApart(exact, quick), 0.3);
    EXPECT_GT(meanApart(Program::compile(without).graded(source), exact), 0.5);
    // A colour that fills the frame is asked in its middle.
    const auto middle = Program::compile(grade)({0.4F, 0.4F, 0.4F});
    EXPECT_GT(middle[0], Program::compile(without)({0.4F, 0.4F, 0.4F})[0] + 0.05F);
}

TEST(Mask, SaysHowMuchItCovers) {
    const auto cover = [](const Mask& mask) { return coverOf(weightsOver(mask, {}, 90, 60)); };
    EXPECT_TRUE(cover(ellipse({2.5, 0.5, 0.3, 0.3, 0, 0.5})).isNothing());
    EXPECT_TRUE(cover(ellipse({0.5, 0.5, 3, 3, 0, 0.2})).isEverything());
    const MaskCover half = cover({{{MaskRamp{0.5, 0.4, 0.5, 0.6}, MaskShape::Way::Add, false}}, false, 1});
    EXPECT_NEAR(half.mean, 0.5, 0.01);
    EXPECT_FALSE(half.isNothing() || half.isEverything());
}

} // namespace baryton::test
