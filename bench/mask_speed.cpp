#include "mask_speed.h"
#include "picture/placement.h"
#include "render/find_object.h"
#include "render/program.h"
#include "render/view.h"
#include "rows.h"
#include "sample_picture.h"
#include "stages/source.h"
#include "support/outlining_hand.h"

namespace baryton::bench {

namespace {

/// Ten layers of a curve and a saturation, each with ten shapes spread over the picture, or with none.
Grade tenLayers(bool masked) {
    Grade grade;
    for (int l = 0; l < 10; ++l) {
        Layer& layer = grade.look.emplace_back();
        layer.id = "layer-" + std::to_string(l);
        layer.stages.push_back(makeStage(grade, "curves"));
        layer.stages.back().parameters["rgb"] = Curve{{0, 0.01}, {0.5, 0.5 + 0.004 * (l + 1)}, {1, 1}};
        layer.stages.push_back(makeStage(grade, "saturation"));
        layer.stages.back().parameters["overall"] = 0.05;
        if (!masked) continue;
        Mask mask;
        for (int i = 0; i < 10; ++i) {
            const double x = 0.08 * i + 0.02 * l, y = 0.1 * ((3 * i + l) % 10);
            MaskShape shape;
            if (i % 3 == 2)
                shape.form = MaskRamp{x, y, x + 0.2, y + 0.1};
            else
                shape.form = MaskEllipse{x, y, 0.1, 0.15, 12.0 * i, 0.5};
            shape.way = i % 4 == 3 ? MaskShape::Way::TakeAway : MaskShape::Way::Add;
            mask.shapes.push_back(shape);
        }
        layer.mask = mask;
    }
    return grade;
}

void compareOver(const Picture& picture, const std::string& where) {
    const Program masked = Program::compile(tenLayers(true)), plain = Program::compile(tenLayers(false));
    const auto run = [&](const Program& program) {
        program.run(
            picture, FrameMap::whole(picture), [](int, int, int, const float*, const float*, const float*) {}, 2);
    };
    const auto t = sideBySide({[&] { run(masked); }, [&] { run(plain); }}, kRounds);
    row("100 shapes in ten layers, " + where, t[0].median, times(t[0].median / t[1].median) + " without masks");
}

/// What looks around in a masked layer, against the same over the whole frame.
void compareLocal(const Picture& picture) {
    Grade whole;
    whole.look.emplace_back();
    for (const char* type : {"curves", "detail"}) {
        Stage& stage = whole.look[0].stages.emplace_back(makeStage(whole, type));
        if (type == std::string("detail")) stage.parameters["amount"] = 1.0;
        if (type == std::string("curves")) stage.parameters["rgb"] = Curve{{0, 0.01}, {0.5, 0.45}, {1, 1}};
    }
    Grade local = whole;
    local.look[0].mask = Mask{{{MaskEllipse{}, MaskShape::Way::Add, false}}, false, 1};
    const Program masked = Program::compile(local), plain = Program::compile(whole);
    const auto run = [&](const Program& program) {
        program.run(
            picture, FrameMap::whole(picture), [](int, int, int, const float*, const float*, const float*) {}, 2);
    };
    const auto t = sideBySide({[&] { run(masked); }, [&] { run(plain); }}, kRounds);
    row("Detail in a masked layer, 24 MP", t[0].median, times(t[0].median / t[1].median) + " over the whole frame");
}

/// An object of a demo picture enlarged to 24 MP, from its outline alone and after a stroke.
void objectFromItsOutline() {
    const TrueObject object = trueObject("meadow-cart");
    const Pyramid picture(resized(object.picture->full(), 6000, 4000));
    MaskObject drawn;
    drawn.outline = outlineRound(object.truth, 0.02, true);
    const MaskObject found = foundObject(picture, drawn);
    MaskObject corrected = found;
    if (const auto stroke = strokeFor(weightsOf(found, object.truth.size()), object.truth))
        corrected.strokes.push_back({std::make_shared<const MaskStroke>(*stroke)});
    const auto t =
        sideBySide({[&] { foundObject(picture, drawn); }, [&] { foundObject(picture, corrected); }}, kRounds);
    row("an object from one outline, 24 MP", t[0].median, std::to_string(found.found.encoded->size() / 1000) + " kB");
    row("after a stroke", t[1].median, times(t[1].median / t[0].median) + " that");
}

} // namespace

void compareMasks(const Picture& picture) {
    compareOver(picture, "24 MP");
    compareLocal(picture);
    const Picture view = scaledDown(picture, 1200, 800);
    compareOver(view, "1200 × 800");
    Geometry turned;
    turned.frame.angle = 1.3, turned.frame.turn.tilt = 6;
    objectFromItsOutline();
    compareOver(placed(view, placementOf(turned, view.width(), view.height())), "the same made straight");
}

} // namespace baryton::bench
