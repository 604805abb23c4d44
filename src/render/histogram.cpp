#include "render/histogram.h"
#include "colour/spaces.h"
#include "colour/transfer.h"
#include "grade/mask_links.h"
#include "stages/curves.h"
#include "stages/saturation.h"

#include <algorithm>
#include <cmath>

namespace baryton {

namespace {

template <class Number>
std::size_t level(Number v) {
    return static_cast<std::size_t>(std::clamp(v, Number(0), Number(1)) * Number(255) + Number(0.5));
}

Vec3 oklabOf(float r, float g, float b) {
    return oklabFromLinear({srgbToLinear(r), srgbToLinear(g), srgbToLinear(b)});
}

double chromaShare(const Vec3& lab) {
    return std::hypot(lab[1], lab[2]) / SaturationConstants::kChromaSpan;
}

} // namespace

double chromaOnCurve(const std::array<float, 3>& colour) {
    return chromaShare(oklabOf(colour[0], colour[1], colour[2]));
}

OklabHistogram oklabHistogramOf(const Picture& picture) {
    OklabHistogram h;
    for (int y = 0; y < picture.height(); ++y) {
        const float *r = picture.row(0, y), *g = picture.row(1, y), *b = picture.row(2, y);
        for (int x = 0; x < picture.width(); ++x) {
            const Vec3 lab = oklabOf(r[x], g[x], b[x]);
            ++h.lightness[level(lab[0])];
            ++h.a[level(lab[1] / CurvesConstants::axisSpan + 0.5)];
            ++h.b[level(lab[2] / CurvesConstants::axisSpan + 0.5)];
            ++h.chroma[level(chromaShare(lab))];
        }
    }
    return h;
}

Histogram histogramOf(const Picture& picture) {
    Histogram h;
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
    if (!place) {
        const auto isIt = [&](const Layer& layer) { return layer.id == stageId; };
        if (std::any_of(grade.look.begin(), grade.look.end(), isIt)) before.look.clear(), before.finish.clear();
        return before;
    }
    resolveLinks(before.look); // while the layers that they lead to are there
    auto& stages = stagesOf(before, *place);
    stages.erase(stages.begin() + static_cast<std::ptrdiff_t>(place->index), stages.end());
    if (place->part == Part::Look) {
        before.look.resize(place->layer + 1);
        // Within its layer a stage works on what the layer has made so far, not yet laid over anything.
        Layer& layer = before.look.back();
        layer.strength.reset(), layer.blend.reset(), layer.enabled.reset(), layer.mask.reset();
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
    resolveLinks(rest.look);
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
        if (!layer.isLaidOverWhole() && place->index > 0) return {};
        // Masks that see colours see what enters the Look, which the rest no longer knows of.
        const bool isFirst = place->layer == 0 && place->index == 0;
        if (!isFirst && std::any_of(rest.look.begin() + static_cast<std::ptrdiff_t>(place->layer), rest.look.end(),
                                    [](const Layer& each) { return each.isMasked() && each.mask->seesColours(); }))
            return {};
        rest.look.erase(rest.look.begin(), rest.look.begin() + static_cast<std::ptrdiff_t>(place->layer));
        cut(rest.look.front().stages);
        return rest;
    }
    rest.look.clear();
    cut(rest.finish);
    return rest;
}

} // namespace baryton
