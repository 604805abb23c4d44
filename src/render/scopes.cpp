#include "render/scopes.h"
#include "colour/hue_scale.h"
#include "colour/spaces.h"
#include "colour/transfer.h"
#include "stages/oklab.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace baryton {

namespace {

std::size_t level(double v) {
    return static_cast<std::size_t>(std::lround(std::clamp(v, 0.0, 1.0) * 255));
}

double degreesOf(double y, double x) {
    return std::fmod(std::atan2(y, x) * 180 / std::numbers::pi + 360, 360);
}

} // namespace

Waveform waveformOf(const Picture& picture, int columns) {
    Waveform w;
    w.columns = columns;
    const std::size_t cells = static_cast<std::size_t>(columns) * 256;
    for (auto* counts : {&w.luma, &w.r, &w.g, &w.b}) counts->assign(cells, 0);
    for (int y = 0; y < picture.height(); ++y) {
        const float *r = picture.row(0, y), *g = picture.row(1, y), *b = picture.row(2, y);
        for (int x = 0; x < picture.width(); ++x) {
            const std::size_t start = static_cast<std::size_t>(x) * static_cast<std::size_t>(columns) /
                                      static_cast<std::size_t>(picture.width()) * 256;
            ++w.r[start + level(r[x])];
            ++w.g[start + level(g[x])];
            ++w.b[start + level(b[x])];
            ++w.luma[start + level(luma(r[x], g[x], b[x]))];
        }
    }
    return w;
}

Vectorscope vectorscopeOf(const Picture& picture, int size) {
    Vectorscope v;
    v.size = size;
    v.counts.assign(static_cast<std::size_t>(size) * static_cast<std::size_t>(size), 0);
    const auto cell = [size](double c) {
        return static_cast<std::size_t>(std::clamp(static_cast<int>((c + 0.5) * size), 0, size - 1));
    };
    for (int y = 0; y < picture.height(); ++y)
        for (int x = 0; x < picture.width(); ++x) {
            const auto c = chromaPlane({picture.row(0, y)[x], picture.row(1, y)[x], picture.row(2, y)[x]});
            ++v.counts[(static_cast<std::size_t>(size) - 1 - cell(c[1])) * static_cast<std::size_t>(size) +
                       cell(c[0])];
        }
    return v;
}

std::array<double, 360> hueHistogramOf(const Picture& picture) {
    std::array<double, 360> bins{};
    for (int y = 0; y < picture.height(); ++y)
        for (int x = 0; x < picture.width(); ++x) {
            const Vec3 lab = oklabFromLinear({srgbToLinear(picture.row(0, y)[x]), srgbToLinear(picture.row(1, y)[x]),
                                              srgbToLinear(picture.row(2, y)[x])});
            const double chroma = std::hypot(lab[1], lab[2]);
            bins[static_cast<std::size_t>(degreesOf(lab[2], lab[1])) % 360] += chroma * hueFade(lab[0], chroma);
        }
    return bins;
}

SampledPoint samplePoint(const std::array<float, 3>& before, const std::array<float, 3>& after) {
    SampledPoint point{before, after};
    const auto c = chromaPlane({after[0], after[1], after[2]});
    point.chroma = std::hypot(c[0], c[1]);
    const Vec3 colour = {after[0], after[1], after[2]};
    point.hue = hueOf(colour);
    point.opposite = oppositeHue(point.hue);
    point.lightness = oklabFromLinear({srgbToLinear(colour[0]), srgbToLinear(colour[1]), srgbToLinear(colour[2])})[0];
    return point;
}

} // namespace baryton
