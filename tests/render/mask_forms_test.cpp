// Masks that follow colours, that are painted, and that are those of other layers.
#include "colour/spaces.h"
#include "colour/transfer.h"
#include "edits/carry_over.h"
#include "grade/cut_grade.h"
#include "grade/grade_json.h"
#include "grade/mask_links.h"
#include "grade/mask_moves.h"
#include "lut/accelerate.h"
#include "lut/bake.h"
#include "picture/placement.h"
#include "render/histogram.h"
#include "render/kept_paint.h"
#include "render/mask_ranges.h"
#include "render/program.h"
#include "stages/frame.h"
#include "stages/source.h"
#include "stages/validate.h"
#include "support/samples.h"
#include "support/sanitized.h"

#include <cmath>
#include <gtest/gtest.h>
#include <numbers>

namespace baryton::test {

namespace {

Mask maskOfForm(decltype(MaskShape::form) form, bool isInverted = false) {
    return {{{std::move(form), MaskShape::Way::Add, isInverted}}, false, 1};
}

Layer& addMasked(Grade& grade, const std::string& id, const Mask& mask) {
    Layer& layer = grade.look.emplace_back();
    layer.id = id, layer.name = "Layer " + id, layer.mask = mask;
    layer.stages.push_back(makeStage(grade, "curves"));
    layer.stages[0].parameters["rgb"] = Curve{{0, 0.2}, {0.5, 0.8}, {1, 1}};
    return layer;
}

Mask linkedTo(const std::string& layer, bool isInverted = false) {
    return maskOfForm(MaskOfLayer{layer, nullptr}, isInverted);
}

SharedStroke strokeThrough(std::vector<StrokePoint> points, double size = 0.05, double flow = 1) {
    MaskStroke stroke;
    stroke.size = size, stroke.flow = flow, stroke.points = std::move(points);
    return {std::make_shared<const MaskStroke>(std::move(stroke))};
}

Picture shownMask(const Grade& grade, const std::string& layer, const Picture& source) {
    return Program::ofMask(grade, layer).graded(source);
}

/// A path that bends, at so many places.
std::vector<StrokePoint> bend(int places) {
    std::vector<StrokePoint> points;
    for (int i = 0; i <= places; ++i) {
        const double t = double(i) / places;
        points.push_back({0.2 + 0.6 * t, 0.5 + 0.2 * std::sin(4 * t), 0.5 + 0.5 * t});
    }
    return points;
}

std::array<double, 3> encodedOf(double lightness, double chroma, double degrees) {
    const double a = degrees * std::numbers::pi / 180;
    const Vec3 linear = linearFromOklab({lightness, chroma * std::cos(a), chroma * std::sin(a)});
    return {linearToSrgb(linear[0]), linearToSrgb(linear[1]), linearToSrgb(linear[2])};
}

} // namespace

TEST(MaskForms, ARangeIsItsFormula) {
    Random random(3);
    const Picture source = randomPicture(64, 16, 9);
    std::vector<float> weights(source.stride());
    for (int i = 0; i < roundsOf(60); ++i) {
        const Mask mask = randomMask(random, true);
        for (const MaskShape& shape : mask.shapes) {
            const auto* tones = std::get_if<MaskTones>(&shape.form);
            const auto* colours = std::get_if<MaskColours>(&shape.form);
            if (!tones && !colours) continue;
            const RangeWeights range = tones ? RangeWeights(*tones) : RangeWeights(*colours);
            for (int y = 4; y < 16; ++y) { // colours that a file can hold
                const float* rgb[] = {source.row(0, y), source.row(1, y), source.row(2, y)};
                runRangeWeights(range, rgb, 64, weights.data());
                for (int x = 0; x < 64; ++x)
                    ASSERT_NEAR(weights[static_cast<std::size_t>(x)],
                                range.weight({double(rgb[0][x]), double(rgb[1][x]), double(rgb[2][x])}), 3e-4);
            }
        }
    }
}

TEST(MaskForms, AColourRangeHasNoSeamAndTakesNoGreysByHueAlone) {
    MaskColours red = coloursAround(encodedOf(0.6, 0.15, 2));
    const RangeWeights range(red);
    // Round the whole circle a step of a degree is a small one, at 0° as elsewhere.
    for (double h = 0; h < 360; h += 0.5) {
        const double here = range.weight(encodedOf(0.6, 0.15, h)), next = range.weight(encodedOf(0.6, 0.15, h + 0.5));
        ASSERT_LT(std::abs(here - next), 0.06) << h;
    }
    EXPECT_NEAR(range.weight(encodedOf(0.6, 0.15, 2)), 1, 1e-9);
    EXPECT_NEAR(range.weight(encodedOf(0.6, 0.15, 358)), 1, 1e-6) << "the other side of 0°";
    for (const double v : {0.0, 0.2, 0.5, 0.8, 1.0}) EXPECT_LT(range.weight({v, v, v}), 1e-6) << v;
    // Pressed on again it takes in what was pressed, and keeps what it had.
    for (const auto& more : {encodedOf(0.4, 0.05, 40), encodedOf(0.85, 0.2, 310), encodedOf(0.5, 0.0, 0)}) {
        const MaskColours wider = widenedBy(red, more);
        EXPECT_GT(RangeWeights(wider).weight(more), 0.98);
        EXPECT_GT(RangeWeights(wider).weight(encodedOf(0.6, 0.15, 2)), 0.98);
        red = wider;
    }
    EXPECT_TRUE(problemOf(maskOfForm(red)).what.empty());
    // A grey is one by its lack of a hue, whatever the hue of its noise.
    const RangeWeights grey(coloursAround({0.5, 0.503, 0.5}));
    EXPECT_GT(grey.weight({0.503, 0.5, 0.5}), 0.9);
    EXPECT_LT(grey.weight(encodedOf(0.6, 0.15, 140)), 1e-6);
    const MaskTones tones = widenedBy(tonesAround({0.2, 0.2, 0.2}), {0.7, 0.7, 0.7});
    for (const double v : {0.2, 0.45, 0.7}) EXPECT_NEAR(RangeWeights(tones).weight({v, v, v}), 1, 1e-9);
}

TEST(MaskForms, RangesSeeWhatEntersTheLookWhateverStandsAhead) {
    const Picture source = paintedPicture(210, 140);
    Grade grade = startingGrade();
    grade.look.clear();
    grade.prep[0].parameters["stops"] = 0.4;
    addMasked(grade, "a", maskOfForm(MaskEllipse{}));
    addMasked(grade, "b", maskOfForm(MaskTones{0.4, 0.8, 0.2}));
    const Picture before = shownMask(grade, "b", source);
    Grade other = grade;
    other.look[0].stages[0].parameters["rgb"] = Curve{{0, 0.9}, {1, 0.1}};
    EXPECT_TRUE(sameBytes(shownMask(other, "b", source), before));
    other.prep[0].parameters["stops"] = -0.5;
    EXPECT_FALSE(sameBytes(shownMask(other, "b", source), before)) << "but for Prep";
    // What is shown is what holds the layer.
    const Picture out = Program::compile(grade).graded(source),
                  ahead = Program::compile(upTo(grade, "b")).graded(source);
    ASSERT_TRUE(sameBytes(ahead,
                          [&] {
                              Grade prep = grade;
                              prep.look.clear();
                              return Program::compile(prep).graded(source);
                          }()))
        << "what a layer's mask sees";
    Grade without = grade;
    without.look.pop_back();
    const Picture below = Program::compile(without).graded(source);
    int held = 0;
    for (int y = 0; y < source.height(); ++y)
        for (int x = 0; x < source.width(); ++x)
            if (before.row(0, y)[x] == 0) {
                ASSERT_EQ(out.row(0, y)[x], below.row(0, y)[x]);
                ++held;
            }
    EXPECT_GT(held, 100);
    // Quick frames have it too, and a grade can't be cut where its masks would see other colours.
    EXPECT_LT(meanApart(Accelerator().accelerated(grade).graded(source), out), 0.4);
    EXPECT_FALSE(fromOn(grade, grade.look[1].stages[0].id));
    EXPECT_TRUE(fromOn(grade, grade.look[0].stages[0].id) || !grade.look[0].isLaidOverWhole());
}

TEST(MaskForms, ARangeOfColoursIsPartOfALut) {
    Grade grade;
    addMasked(grade, "a", maskOfForm(MaskTones{0.3, 0.7, 0.4}));
    EXPECT_TRUE(leftOutOfLut(grade).empty());
    const Program exact = Program::compile(grade), lut = Program::compile(lutGrade(bakeLook(grade, 65, ""), "LUT"));
    const Picture source = paintedPicture(120, 80);
    EXPECT_GT(meanApart(exact.graded(source), source), 1);
    EXPECT_LT(meanApart(exact.graded(source), lut.graded(source)), 0.3);
    grade.look[0].mask->shapes.push_back({MaskRamp{}, MaskShape::Way::Intersect, false});
    EXPECT_EQ(leftOutOfLut(grade).size(), 1u) << "not where it has a place as well";
}

TEST(MaskForms, AStrokeIsTheSameHoweverItsEventsWereSplit) {
    const auto weightsOf = [](const MaskBrush& brush) {
        Grade grade;
        addMasked(grade, "a", maskOfForm(brush));
        return shownMask(grade, "a", Picture(300, 200));
    };
    const Picture once = weightsOf({{strokeThrough(simplified(bend(600), 1.5))}});
    for (const int places : {150, 1201, 4999}) {
        const auto few = simplified(bend(places), 1.5);
        EXPECT_LT(few.size(), 60u);
        EXPECT_LT(largestDifference(weightsOf({{strokeThrough(few)}}), once), 0.05) << places;
        EXPECT_EQ(few, simplified(few, 1.5)) << "it is as simple as it gets";
        // The same as it is drawn, at each place that the hand goes through.
        DrawnPath drawn(1.5, 0.0004);
        for (const StrokePoint& place : bend(places)) {
            drawn.add(place);
            ASSERT_EQ(drawn.points().back().x, simplified({place}, 1.5).back().x);
        }
        EXPECT_LT(drawn.points().size(), 90u) << places;
        EXPECT_LT(largestDifference(weightsOf({{strokeThrough(drawn.points())}}), once), 0.05) << places;
    }
    // A straight one is its two ends, whatever lay between.
    EXPECT_EQ(simplified({{0.1, 0.1}, {0.2, 0.2}, {0.2, 0.2}, {0.35, 0.35}, {0.5, 0.5}}, 1.5),
              (std::vector<StrokePoint>{{0.1, 0.1}, {0.5, 0.5}}));
    DrawnPath straight(1.5, 0.0004);
    for (int i = 0; i <= 1000; ++i) straight.add({0.1 + i * 0.0008, 0.3});
    EXPECT_EQ(straight.points(), (std::vector<StrokePoint>{{0.1, 0.3}, {0.9, 0.3}}));
    // Over itself, and over others, it never passes the ceiling; one stroke never builds up on itself.
    MaskBrush brush{{strokeThrough({{0.2, 0.5}, {0.8, 0.5}, {0.2, 0.5}, {0.8, 0.5}}, 0.1, 0.3)}, 0.8};
    const float single = weightsOf(brush).row(0, 100)[150];
    EXPECT_NEAR(single, 0.8 * 0.3, 1e-5);
    float before = single;
    for (int i = 0; i < 30; ++i) {
        brush.strokes.push_back(brush.strokes[0]);
        const Picture all = weightsOf(brush);
        EXPECT_GE(all.row(0, 100)[150], before);
        before = all.row(0, 100)[150];
        for (int y = 0; y < 200; ++y)
            for (int x = 0; x < 300; ++x) ASSERT_LE(all.row(0, y)[x], 0.8F);
    }
    EXPECT_GT(before, 0.799F);
}

TEST(MaskForms, WhatIsKeptOfAPaintedMaskGivesTheSameBytes) {
    Random random(31);
    const Picture source = placed(paintedPicture(300, 200), placementOf({{}, {1.8, 0.9, 0.4, 0.5, 3.0}}, 300, 200));
    FrameMap kept = FrameMap::whole(source);
    kept.painted = std::make_shared<KeptPaint>();
    MaskBrush brush;
    for (int i = 0; i < 40; ++i) {
        // Mostly a stroke more; now and then some are taken back, or another view is asked for.
        if (i % 9 == 8)
            brush.strokes.resize(brush.strokes.size() / 2);
        else
            brush.strokes.push_back(randomBrush(random).strokes[0]);
        if (i == 20) brush.ceiling = 0.7;
        Grade grade;
        addMasked(grade, "a", maskOfForm(brush)), addMasked(grade, "b", linkedTo("a", true));
        const Program program = Program::compile(grade);
        const Picture part = i % 5 == 4 ? cropped(source, 31, 17, 200, 120) : source;
        const FrameMap plain = i % 5 == 4 ? FrameMap::whole(source).part(31, 17) : FrameMap::whole(source);
        FrameMap with = i % 5 == 4 ? kept.part(31, 17) : kept;
        Picture one = part, two = part;
        program.run(part, plain, into(one)), program.run(part, with, into(two), i % 3);
        ASSERT_TRUE(sameBytes(one, two)) << i;
    }
}

TEST(MaskForms, AStrokeThatKeepsToItsColourStopsWhereThatEnds) {
    Picture halves(200, 100);
    for (int y = 0; y < 100; ++y)
        for (int x = 0; x < 200; ++x)
            halves.row(0, y)[x] = x < 100 ? 0.7F : 0.2F, halves.row(1, y)[x] = 0.3F,
                          halves.row(2, y)[x] = x < 100 ? 0.2F : 0.7F;
    MaskStroke stroke = *strokeThrough({{0.2, 0.5}, {0.8, 0.5}}, 0.1);
    stroke.softness = 0.1;
    stroke.colour = oklabOf({0.7, 0.3, 0.2});
    Grade grade;
    addMasked(grade, "a", maskOfForm(MaskBrush{{{std::make_shared<const MaskStroke>(stroke)}}, 1}));
    EXPECT_TRUE(grade.look[0].mask->seesColours());
    const Picture shown = shownMask(grade, "a", halves);
    EXPECT_NEAR(shown.row(0, 50)[90], 1, 1e-5);
    EXPECT_LT(shown.row(0, 50)[110], 1e-5);
    EXPECT_EQ(gradeFromText(gradeToText(grade)), grade);
}

TEST(MaskForms, ALinkedMaskIsTheComplementAndFollows) {
    Random random(17);
    const Picture source = paintedPicture(180, 120);
    for (int i = 0; i < roundsOf(20); ++i) {
        Grade grade;
        addMasked(grade, "a", randomMask(random, true)), addMasked(grade, "b", linkedTo("a", true));
        if (i % 2) std::swap(grade.look[0], grade.look[1]); // whichever acts first
        const auto complement = [&] {
            const Picture one = shownMask(grade, "a", source), two = shownMask(grade, "b", source);
            for (int y = 0; y < source.height(); ++y)
                for (int x = 0; x < source.width(); ++x) ASSERT_NEAR(one.row(0, y)[x] + two.row(0, y)[x], 1, 1e-6);
        };
        complement();
        for (Layer& layer : grade.look)
            if (layer.id == "a") layer.mask = randomMask(random, true);
        complement();
        EXPECT_EQ(gradeFromText(gradeToText(grade)), grade);
        // Both stay as they are where the link is cut, and then go their own ways.
        const Picture linked = shownMask(grade, "b", source);
        Layer& b = grade.look[i % 2 ? 0 : 1];
        b.mask = withoutLink(grade.look, *b.mask, 0);
        EXPECT_TRUE(linksOf(*b.mask).empty());
        EXPECT_LT(largestDifference(shownMask(grade, "b", source), linked), 1e-6);
        EXPECT_EQ(gradeFromText(gradeToText(grade)), grade);
    }
}

TEST(MaskForms, LinksThatLeadNowhereOrBackLetNothingThrough) {
    const Picture source = paintedPicture(60, 40);
    Grade grade;
    addMasked(grade, "a", linkedTo("b")), addMasked(grade, "b", linkedTo("a", true)),
        addMasked(grade, "c", linkedTo("gone"));
    EXPECT_TRUE(sameBytes(Program::compile(grade).graded(source), source));
    EXPECT_FALSE(canLink(grade.look, "a", "b")) << "it would lead back";
    EXPECT_FALSE(canLink(grade.look, "a", "gone"));
    grade.look[0].mask = maskOfForm(MaskEllipse{});
    EXPECT_TRUE(canLink(grade.look, "c", "b"));
    EXPECT_FALSE(sameBytes(Program::compile(grade).graded(source), source));
    // The mask of a layer that goes stays as a copy.
    const Picture before = shownMask(grade, "b", source);
    cutLinks(grade.look, "a");
    grade.look.erase(grade.look.begin());
    EXPECT_LT(largestDifference(shownMask(grade, "b", source), before), 1e-6);
}

TEST(MaskForms, LinksTravelWithTheirLayersAndAreCopiesWithoutThem) {
    Grade grade;
    addMasked(grade, "a", maskOfForm(MaskEllipse{})), addMasked(grade, "b", linkedTo("a", true));
    Preset preset;
    preset.name = "Both";
    preset.carried = carve(grade, presentIn(grade), {});
    EXPECT_EQ(presetFromText(presetToText(preset)), preset);
    Grade target;
    addMasked(target, "layer-7", maskOfForm(MaskRamp{})).name = "Layer a";
    for (const ApplyMode mode : {ApplyMode::Set, ApplyMode::AddAbove, ApplyMode::Replace}) {
        const Grade made = applied(target, preset, mode);
        const Layer& ellipse = made.look[made.look.size() - 2];
        EXPECT_EQ(linksOf(*made.look.back().mask), std::vector<std::string>{ellipse.id});
        EXPECT_TRUE(std::holds_alternative<MaskEllipse>(ellipse.mask->shapes[0].form));
    }
    // The second alone can't be linked to what is not there.
    IncludeSet second;
    for (const CarryPath& path : presentIn(grade))
        if (path.layer == "b") second.push_back(path);
    preset.carried = carve(grade, second, {});
    const Picture source = paintedPicture(60, 40);
    EXPECT_TRUE(linksOf(*preset.carried.look[0].mask).empty());
    const Grade made = applied({}, preset, ApplyMode::Set);
    EXPECT_LT(largestDifference(shownMask(made, made.look[0].id, source), shownMask(grade, "b", source)), 1e-6);
    // Carried to another picture it is linked to the layer of that name there.
    Grade other = grade, changed = grade;
    other.look[0].id = "layer-3", other.look[1].id = "layer-4";
    other.look[1].mask = linkedTo("layer-3", true);
    other.look[0].stages[0].id = "curves-8", other.look[1].stages[0].id = "curves-9";
    changed.look[1].mask->density = 0.5;
    const Grade carried = carriedOver(other, grade, changed);
    EXPECT_EQ(linksOf(*carried.look[1].mask), std::vector<std::string>{"layer-3"});
    EXPECT_EQ(carried.look[1].mask->density, 0.5);
}

TEST(MaskForms, AFillIsLaidOverByModeMaskAndStrength) {
    const Picture source = paintedPicture(120, 80);
    Grade grade;
    Layer& layer = addMasked(grade, "a", maskOfForm(MaskRamp{0.5, 0.1, 0.5, 0.9}));
    layer.stages = {makeStage(grade, "fill")};
    layer.stages[0].parameters = {{"fill", std::string("gradient")}, {"turn", 90.0}};
    layer.blend = "multiply", layer.strength = 0.6;
    Grade only;
    only.look.emplace_back().stages = layer.stages;
    const Picture fill = Program::compile(only).graded(source), weights = shownMask(grade, "a", source);
    EXPECT_GT(fill.row(0, 40)[2], fill.row(0, 40)[117] + 0.2F) << "from the left to the right";
    EXPECT_NEAR(fill.row(0, 3)[60], fill.row(0, 76)[60], 1e-6) << "and the same all the way down";
    const Picture out = Program::compile(grade).graded(source);
    for (int k = 0; k < 3; ++k)
        for (int y = 0; y < 80; ++y)
            for (int x = 0; x < 120; ++x) {
                const float under = source.row(k, y)[x], w = 0.6F * weights.row(0, y)[x];
                ASSERT_NEAR(out.row(k, y)[x], under + w * (under * fill.row(k, y)[x] - under), 2e-5);
            }
    // It has a place, so no cube holds it: not while a control moves, and in no LUT.
    EXPECT_LT(meanApart(Accelerator().accelerated(grade).graded(source), out), 0.05);
    layer.mask.reset();
    EXPECT_EQ(leftOutOfLut(grade).size(), 1u);
    EXPECT_LT(meanApart(Accelerator().accelerated(grade).graded(source), Program::compile(grade).graded(source)),
              0.05);
}

TEST(MaskForms, AShapeOfANewerVersionIsKeptAndActsNowhere) {
    const std::string text =
        R"({"format":"baryton-grade","version":1,"look":[{"name":"A","stages":[{"type":"saturation","parameters":{"overall":0.1}}],
        "mask":{"shapes":[{"shape":"star","points":5,"inside":{"deep":[1,2]}},{"shape":"ellipse","name":"Lamp"}]}}]})";
    const Grade grade = gradeFromText(text);
    requireValid(grade);
    EXPECT_EQ(gradeFromText(gradeToText(grade)), grade);
    EXPECT_NE(gradeToText(grade).find("\"deep\""), std::string::npos);
    EXPECT_EQ(grade.look[0].mask->shapes[1].name, "Lamp");
    const Picture source = paintedPicture(60, 40);
    EXPECT_TRUE(sameBytes(Program::compile(grade).graded(source), source));
}

TEST(MaskForms, ManyStrokesAreSmallInFilesAndShared) {
    MaskBrush forty;
    for (int i = 0; i < 40; ++i) {
        auto points = bend(400);
        for (StrokePoint& p : points) p.y += 0.01 * i + 0.01 * std::sin(p.x * 60);
        forty.strokes.push_back(strokeThrough(simplified(points, 1.5)));
    }
    Grade grade;
    addMasked(grade, "a", maskOfForm(forty));
    EXPECT_LT(gradeToText(grade).size(), 100'000u);
    const Grade step = grade; // as undo keeps it
    EXPECT_EQ(std::get<MaskBrush>(step.look[0].mask->shapes[0].form).strokes[7].stroke.get(),
              std::get<MaskBrush>(grade.look[0].mask->shapes[0].form).strokes[7].stroke.get());
    // No more than a hand could paint.
    MaskBrush endless;
    endless.strokes.assign(kMostBrushPoints / 5000 + 1, strokeThrough(std::vector<StrokePoint>(5000)));
    EXPECT_EQ(problemOf(maskOfForm(endless)).place, "/shapes/0/strokes");
    // Ten thousand are opened, and worked with.
    MaskBrush many;
    for (int i = 0; i < 10'000 / (kSanitized ? 10 : 1); ++i)
        many.strokes.push_back(forty.strokes[static_cast<std::size_t>(i % 40)]);
    grade.look[0].mask = maskOfForm(many);
    const Grade read = gradeFromText(gradeToText(grade));
    EXPECT_EQ(read, grade);
    EXPECT_EQ(problemOf(*read.look[0].mask).what, "");
    EXPECT_GT(shownMask(read, "a", Picture(90, 60)).row(0, 45)[45], 0.9F);
}

TEST(MaskForms, TheMirroredCopyLiesInTheMirror) {
    Random random(23);
    for (int i = 0; i < 12; ++i) {
        for (const MaskShape& shape : randomMask(random).shapes) {
            ASSERT_TRUE(canMirror(shape));
            Grade grade;
            addMasked(grade, "a", {{shape}, false, 1}), addMasked(grade, "b", {{mirrored(shape)}, false, 1});
            const Picture one = shownMask(grade, "a", Picture(96, 64)), two = shownMask(grade, "b", Picture(96, 64));
            for (int y = 0; y < 64; ++y)
                for (int x = 0; x < 96; ++x) ASSERT_NEAR(one.row(0, y)[x], two.row(0, y)[95 - x], 2e-4);
        }
    }
    EXPECT_FALSE(canMirror({MaskTones{}, {}, false}));
}

} // namespace baryton::test
