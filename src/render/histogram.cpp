#include "render/histogram.h"
#include "colour/spaces.h"
#include "colour/transfer.h"
#include "grade/cut_grade.h"
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

Histogram histogramBefore(const Picture& picture, const Grade& grade, const std::string& stageId) {
    return histogramOf(Program::compile(upTo(grade, stageId)).graded(picture));
}

} // namespace baryton
