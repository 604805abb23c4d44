// Masks that presets carry: they lie in the frame, and come to stand in another picture's frame as they stood in one.
#include "batch/batch.h"
#include "edits/apply_strength.h"
#include "edits/framed_masks.h"
#include "edits/in_force.h"
#include "grade/grade_json.h"
#include "package/grade_store.h"
#include "picture/picture_file.h"
#include "picture/placement.h"
#include "render/program.h"
#include "stages/frame.h"
#include "support/expect_error.h"
#include "support/samples.h"
#include "support/sanitized.h"
#include "support/temp_folder.h"

#include <cmath>
#include <gtest/gtest.h>

namespace baryton::test {

namespace {

using Parameters = std::map<std::string, Value>;

/// A grade of a picture of this shape, in a frame.
Grade framedGrade(double aspect, const Parameters& frame) {
    Grade grade = startingGrade();
    grade.picture.aspect = aspect;
    if (frame.empty()) return grade;
    grade.prep.insert(grade.prep.begin(), makeStage(grade, kFrameType));
    grade.prep[0].parameters = frame;
    return grade;
}

Parameters tightFrame() {
    return {{"ratio", std::string("2:1")}, {"size", 0.8}, {"centre.x", 0.4}, {"centre.y", 0.55}, {"angle", 7.0}};
}

Mask maskOf(std::vector<MaskShape> shapes) {
    Mask mask;
    mask.shapes = std::move(shapes);
    return mask;
}

Mask roundMask() {
    return maskOf({{MaskEllipse{0.35, 0.6, 0.15, 0.08, 30, 0.6}, MaskShape::Way::Add, false},
                   {MaskRamp{0.2, 0.3, 0.5, 0.9}, MaskShape::Way::Intersect, true}});
}

Layer maskedLayer(const Mask& mask) {
    Layer layer;
    layer.id = "layer-7", layer.name = "There";
    layer.mask = mask;
    layer.stages.push_back(makeStage({}, "exposure"));
    layer.stages[0].parameters["stops"] = 1.0;
    return layer;
}

Preset presetWith(const Mask& mask) {
    Preset preset;
    preset.name = "There";
    preset.carried.look.push_back(maskedLayer(mask));
    return preset;
}

/// The numbers of a mask's ellipses, ramps and strokes.
std::vector<double> numbersOf(const Mask& mask) {
    std::vector<double> all{mask.density, mask.grow, mask.feather};
    for (const MaskShape& shape : mask.shapes) {
        if (const auto* e = std::get_if<MaskEllipse>(&shape.form)) {
            const double angle = e->turn * 3.141592653589793 / 90; // half a turn is none
            all.insert(all.end(), {e->x, e->y, e->radiusX, e->radiusY, std::cos(angle), std::sin(angle), e->feather});
        }
        if (const auto* r = std::get_if<MaskRamp>(&shape.form))
            all.insert(all.end(), {r->fromX, r->fromY, r->toX, r->toY});
        if (const auto* b = std::get_if<MaskBrush>(&shape.form))
            for (const SharedStroke& stroke : b->strokes) {
                all.push_back(stroke->size);
                for (const StrokePoint& p : stroke->points) all.insert(all.end(), {p.x, p.y, p.width});
            }
    }
    return all;
}

/// The weights of a layer's mask over the frame of a grade, in a picture of that shape.
Picture shownIn(const Grade& grade, const std::string& layer, int longSide) {
    const double aspect = grade.picture.aspect;
    const Picture source(static_cast<int>(longSide * std::min(1.0, aspect)),
                         static_cast<int>(longSide * std::min(1.0, 1 / aspect)));
    const Picture framed = placed(source, placementOf(frameOf(grade), source.width(), source.height()));
    return resized(Program::ofMask(grade, layer).graded(framed), 200, 100);
}

const Mask& maskIn(const Grade& grade) {
    return *grade.look.back().mask;
}

} // namespace

TEST(FramedMasks, GoIntoAFrameAndBack) {
    Random random(5);
    for (const double aspect : {1.5, 0.8, 1.0})
        for (const Parameters& more :
             {Parameters{}, Parameters{{"mirror", true}}, Parameters{{"turns", std::string("right")}},
              Parameters{{"mirror", true}, {"turns", std::string("left")}}, Parameters{{"tilt", 12.0}}}) {
            Parameters frame = tightFrame();
            frame.insert(more.begin(), more.end());
            const Grade of = framedGrade(aspect, frame);
            for (int i = 0; i < roundsOf(10); ++i) {
                Mask mask = randomMask(random);
                mask.placement = {};
                mask.grow = 0.01, mask.feather = 0.02;
                const auto there = masksInFrame({maskedLayer(mask)}, of);
                const auto back = masksInPicture(there, of);
                EXPECT_TRUE(problemOf(*there[0].mask).what.empty()) << problemOf(*there[0].mask).what;
                const auto want = numbersOf(mask), got = numbersOf(*back[0].mask);
                ASSERT_EQ(want.size(), got.size());
                for (std::size_t k = 0; k < want.size(); ++k) ASSERT_NEAR(got[k], want[k], 2e-5) << k;
            }
        }
    // Where the frame is the picture, or its shape is not known, not a bit is changed.
    for (const Grade& of : {framedGrade(1.5, {}), framedGrade(0, tightFrame())})
        EXPECT_EQ(masksInFrame({maskedLayer(roundMask())}, of)[0].mask, roundMask());
    // Nor of ranges, which lie nowhere.
    const Mask tones = maskOf({{MaskTones{0.2, 0.7, 0.1}, MaskShape::Way::Add, false}});
    EXPECT_EQ(masksInFrame({maskedLayer(tones)}, framedGrade(1.5, tightFrame()))[0].mask, tones);
}

TEST(FramedMasks, StandInAnotherFrameAsTheyStoodInOne) {
    Grade one = framedGrade(1.5, tightFrame());
    one.look.push_back(maskedLayer(roundMask()));
    Preset preset;
    preset.name = "There";
    IncludeSet include;
    for (const CarryPath& path : presentIn(one))
        if (path.layer == "layer-7") include.push_back(path);
    preset.carried = presetOf(one, include);
    ASSERT_EQ(preset.carried.look.size(), 1U);
    const Picture want = shownIn(one, "layer-7", 1500);

    // An upright picture, cut to the same shape elsewhere and turned the other way.
    Parameters frame = tightFrame();
    frame["size"] = 0.9, frame["centre.y"] = 0.3, frame["angle"] = -4.0;
    const Grade other = framedGrade(0.7, frame);
    const Grade worn = appliedWithStrength(other, preset, ApplyMode::AddAbove, 1);
    EXPECT_FALSE(maskIn(worn) == roundMask());
    EXPECT_LT(largestDifference(shownIn(worn, worn.look.back().id, 2000), want), 0.02);
    // Without a frame: the same shares of the picture's sides, and what was round is round.
    const Grade plain = appliedWithStrength(framedGrade(1.0, {}), preset, ApplyMode::AddAbove, 1);
    EXPECT_EQ(maskIn(plain), *preset.carried.look[0].mask);
    // A frame that the preset brings along is the one that counts.
    Preset cutting = preset;
    cutting.carried.prep.push_back(one.prep[0]);
    const Grade cut = appliedWithStrength(framedGrade(1.5, {}), cutting, ApplyMode::AddAbove, 1);
    EXPECT_LT(largestDifference(shownIn(cut, cut.look.back().id, 1500), want), 0.02);
}

TEST(FramedMasks, StayWhereTheyWereLaidWhenTheFrameChangesLater) {
    PictureWork work;
    work.grade = framedGrade(1.5, tightFrame());
    const Preset preset = presetWith(roundMask());
    PictureWork worn = withPreset(work, preset, ApplyMode::AddAbove);
    ASSERT_EQ(worn.inForce.size(), 1U);
    const Mask laid = maskIn(worn.grade);
    EXPECT_FALSE(laid == roundMask());
    EXPECT_FALSE(isChangedSince(worn, 0));
    EXPECT_EQ(*presetAsWorn(worn, 0).carried.look[0].mask, roundMask()) << "what nobody touched is the preset's own";
    // Through a file, and cut anew: its strength may change, its place does not.
    worn.grade.prep[0].parameters["size"] = 0.3;
    worn = workFromText(workToText(worn));
    ASSERT_TRUE(worn.inForce[0].laidIn);
    EXPECT_EQ(worn.grade.picture.aspect, 1.5);
    InForce wanted = worn.inForce[0];
    wanted.strength = 0.5;
    const PictureWork weaker = withPresetChanged(worn, 0, wanted);
    EXPECT_EQ(maskIn(weaker.grade), laid);
    EXPECT_NE(weaker.grade, worn.grade);
    // Saved over it is what is seen in the frame now; put on again it is laid anew.
    const Preset saved = presetAsWorn(worn, 0);
    EXPECT_FALSE(*saved.carried.look[0].mask == roundMask());
    const PictureWork over = withPresetSavedOver(worn, 0, saved);
    EXPECT_FALSE(isChangedSince(over, 0));
    wanted = over.inForce[0];
    wanted.strength = 0.7;
    const auto again = numbersOf(maskIn(withPresetChanged(over, 0, wanted).grade)), there = numbersOf(laid);
    for (std::size_t k = 0; k < there.size(); ++k) EXPECT_NEAR(again[k], there[k], 1e-5);
    wanted = worn.inForce[0];
    wanted.preset.name = "Another";
    EXPECT_FALSE(maskIn(withPresetChanged(worn, 0, wanted).grade) == laid);
    // Taken off nothing is left.
    EXPECT_EQ(withoutPreset(weaker, 0).grade.look.size(), work.grade.look.size());
}

TEST(FramedMasks, AHostileShapeOfAPictureIsNone) {
    for (const char* aspect : {"1.5", "0", "-1", "1e9", "\"wide\"", "[]"}) {
        const std::string rest = std::string(R"("aspect": )") + aspect + "}";
        if (aspect != std::string("1.5"))
            EXPECT_EQ(errorOf([&] { gradeFromText(R"({"format": "baryton-grade", "version": 1, )" + rest); }).place(),
                      "/aspect");
    }
}

TEST(FramedMasks, BeyondAllBoundsTheyAreDrawnInAndCoverWhatTheyCovered) {
    Parameters tiny = tightFrame();
    tiny["size"] = 0.05, tiny["centre.x"] = 0.2, tiny["centre.y"] = 0.2;
    const Grade of = framedGrade(1.5, tiny);
    for (const auto& [form, weight] :
         {std::pair<decltype(MaskShape::form), double>{MaskEllipse{0.9, 0.9, 2.0, 2.0, 0, 0.1}, 1}, // over the frame
          {MaskEllipse{0.9, 0.9, 0.2, 0.3, 0, 0.5}, 0},
          {MaskRamp{0.9, 0.8, 0.95, 0.9}, 1}, // the frame lies ahead of it
          {MaskRamp{0.95, 0.9, 0.9, 0.8}, 0}}) {
        const Mask mask = maskOf({{form, MaskShape::Way::Add, false}});
        const auto held = masksInFrame({maskedLayer(mask)}, of);
        EXPECT_TRUE(problemOf(*held[0].mask).what.empty()) << problemOf(*held[0].mask).what;
        Grade there = framedGrade(2, {}); // the frame as a picture of its own
        there.look = held;
        const Picture shown = shownIn(there, "layer-7", 400);
        EXPECT_NEAR(shown.row(0, 50)[100], weight, 1e-3);
    }
}

TEST(FramedMasks, BatchLaysThemIntoEachPicturesFrame) {
    const TempFolder folder;
    BatchPlan plan;
    plan.folder = folder.path() / "out";
    plan.outputs[0].format = {FileFormat::Png, 16, 90};
    plan.looks.push_back({"there", {presetWith(roundMask())}});
    const std::pair<int, int> sizes[] = {{90, 60}, {50, 80}};
    for (int i = 0; i < 2; ++i) {
        const auto file = folder.path() / ("picture-" + std::to_string(i) + ".png");
        writePicture(file, Program::compile({}).quantised(paintedPicture(sizes[i].first, sizes[i].second), 16, false),
                     {}, plan.outputs[0].format);
        Grade own = framedGrade(0, tightFrame()); // a grade of before its picture's shape was kept
        own.prep[0].parameters["angle"] = 0.0;
        storeGrade(file, own);
        plan.pictures.push_back(file);
    }
    const auto jobs = runBatch(plan);
    for (const BatchJob& job : jobs) {
        ASSERT_EQ(job.state, JobState::Done) << job.error;
        const Picture source = readPicture(plan.pictures[job.picture]).picture;
        Grade own = framedGrade(double(source.width()) / source.height(), tightFrame());
        own.prep[0].parameters["angle"] = 0.0;
        own = appliedWithStrength(own, plan.looks[0].presets[0], ApplyMode::Set, 1);
        const Picture framed = placed(source, placementOf(frameOf(own), source.width(), source.height()));
        const Picture want = Program::compile(own).graded(framed), got = readPicture(job.file).picture;
        ASSERT_EQ(got.width(), want.width());
        double most = 0;
        for (int y = 0; y < want.height(); ++y)
            for (int x = 0; x < want.width(); ++x)
                most = std::max(most, std::abs(double(got.row(1, y)[x]) - std::clamp(want.row(1, y)[x], 0.0F, 1.0F)));
        EXPECT_LT(most, 1e-4);
        EXPECT_GT(largestDifference(want, framed), 0.05);
    }
}

} // namespace baryton::test
