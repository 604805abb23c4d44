#include "lut/accelerate.h"
#include "grade/mask_links.h"
#include "lut/bake.h"
#include "stages/stage_type.h"

#include <algorithm>
#include <utility>

namespace baryton {

const std::vector<Stage>& Accelerator::cubeOf(const Grade& part) {
    constexpr std::size_t most = 8; // of 33³ nodes: half a megabyte each
    const auto known = std::find_if(kept_.begin(), kept_.end(), [&](const Baked& each) { return each.part == part; });
    if (known != kept_.end()) {
        std::rotate(kept_.begin(), known, known + 1);
    } else {
        kept_.push_front(
            {part, lutGrade(bakeLook(part, size_, "preview", {.withPrep = true}), "preview").look.front().stages});
        if (kept_.size() > most) kept_.pop_back();
    }
    return kept_.front().stages;
}

Program Accelerator::accelerated(const Grade& grade) {
    Grade quick;
    quick.finish = grade.finish; // the Finish runs behind the cubes, also what of it could be baked
    // And so does what looks at neighbours, ahead of them.
    for (const Stage& stage : grade.prep) {
        const StageType* type = findStageType(stage.type);
        if (type && type->footprint == Footprint::Narrow) quick.prep.push_back(stage);
    }
    // Layers are one cube as far as they follow one another; one with a mask has a cube of its own, behind its mask.
    Grade run;
    std::vector<Layer> look = grade.look;
    resolveLinks(look);
    // A mask that sees colours sees those between Prep and the Look.
    if (std::any_of(look.begin(), look.end(),
                    [](const Layer& each) { return each.isMasked() && each.mask->seesColours(); }))
        quick.prep = grade.prep;
    else
        run.prep = grade.prep;
    const auto baked = [&](Grade part, Layer into) {
        into.stages = cubeOf(part);
        quick.look.push_back(std::move(into));
    };
    const auto bakeRun = [&] {
        if (!isNeutral(run)) baked(run, {});
        run = {};
    };
    const auto hasAPlace = [](const Stage& stage) {
        const StageType* type = findStageType(stage.type);
        return type && !type->bakes() && !isNeutral(stage);
    };
    for (const Layer& layer : look) {
        if (std::any_of(layer.stages.begin(), layer.stages.end(), hasAPlace)) {
            bakeRun();
            quick.look.push_back(layer); // no cube knows of places
        } else if (!layer.isMasked()) {
            run.look.push_back(layer);
        } else if (layer.isEnabled()) {
            bakeRun();
            Grade alone;
            alone.look.emplace_back().stages = layer.stages;
            baked(std::move(alone), layer);
        }
    }
    bakeRun();
    return Program::compile(quick);
}

} // namespace baryton
