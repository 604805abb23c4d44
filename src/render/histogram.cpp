#include "render/histogram.h"
#include "colour/transfer.h"

#include <algorithm>

namespace baryton {

Histogram histogramOf(const Picture& picture) {
    Histogram h;
    const auto level = [](float v) { return static_cast<std::size_t>(std::clamp(v, 0.0F, 1.0F) * 255.0F + 0.5F); };
    for (int y = 0; y < picture.height(); ++y) {
        const float *r = picture.row(0, y), *g = picture.row(1, y), *b = picture.row(2, y);
        for (int x = 0; x < picture.width(); ++x) {
            ++h.r[level(r[x])];
            ++h.g[level(g[x])];
            ++h.b[level(b[x])];
            ++h.luma[level(static_cast<float>(luma(r[x], g[x], b[x])))];
        }
    }
    h.pixels = static_cast<std::uint64_t>(picture.width()) * static_cast<std::uint64_t>(picture.height());
    return h;
}

Grade upTo(const Grade& grade, const std::string& stageId) {
    const auto place = findStage(grade, stageId);
    Grade before = grade;
    if (!place) return before;
    auto& stages = stagesOf(before, *place);
    stages.erase(stages.begin() + static_cast<std::ptrdiff_t>(place->index), stages.end());
    if (place->part == Part::Look) {
        before.look.resize(place->layer + 1);
        // Within its layer a stage works on what the layer has made so far, not yet laid over anything.
        Layer& layer = before.look.back();
        layer.strength.reset(), layer.blend.reset(), layer.enabled.reset();
    }
    if (place->part != Part::Finish) before.finish.clear();
    if (place->part == Part::Prep) before.look.clear();
    return before;
}

Histogram histogramBefore(const Picture& picture, const Grade& grade, const std::string& stageId) {
    return histogramOf(Program::compile(upTo(grade, stageId)).graded(picture));
}

std::optional<Grade> fromOn(const Grade& grade, const std::string& stageId) {
    const auto place = findStage(grade, stageId);
    if (!place) return {};
    Grade rest = grade;
    const auto cut = [&](std::vector<Stage>& stages) {
        stages.erase(stages.begin(), stages.begin() + static_cast<std::ptrdiff_t>(place->index));
    };
    if (place->part == Part::Prep) {
        cut(rest.prep);
        return rest;
    }
    rest.prep.clear();
    if (place->part == Part::Look) {
        const Layer& layer = grade.look[place->layer];
        const bool isPlain = layer.isEnabled() && layer.strengthOrFull() == 1 && layer.blendOrNormal() == "normal";
        if (!isPlain && place->index > 0) return {};
        rest.look.erase(rest.look.begin(), rest.look.begin() + static_cast<std::ptrdiff_t>(place->layer));
        cut(rest.look.front().stages);
        return rest;
    }
    rest.look.clear();
    cut(rest.finish);
    return rest;
}

} // namespace baryton
