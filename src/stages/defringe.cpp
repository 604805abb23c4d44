// Defringe: takes the colour out of seams that a lens leaves beside strong edges. Formulas in defringe.h.
#include "stages/defringe.h"
#include "stages/stage_type.h"

#ifndef BARYTON_KERNEL_GROUP
#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "stages/defringe.cpp"
#include <hwy/foreach_target.h>
#endif

#include "stages/simd-inl.h"

HWY_BEFORE_NAMESPACE();
namespace baryton {
namespace HWY_NAMESPACE {

// Rows are padded: all work on whole vectors, and what stands past their ends is never looked at.

void FringeLumaRow(const float* r, const float* g, const float* b, std::size_t count, float* out) {
    const D d;
    for (std::size_t i = 0; i < count; i += hn::Lanes(d))
        hn::StoreU(Luma(hn::LoadU(d, r + i), hn::LoadU(d, g + i), hn::LoadU(d, b + i)), d, out + i);
}

/// The least and the most of rows, or of one row at several places.
void RangeRow(const float* const* least, const float* const* most, int rows, std::size_t count, float* outLeast,
              float* outMost) {
    const D d;
    for (std::size_t i = 0; i < count; i += hn::Lanes(d)) {
        V low = hn::LoadU(d, least[0] + i), high = hn::LoadU(d, most[0] + i);
        for (int k = 1; k < rows; ++k)
            low = hn::Min(low, hn::LoadU(d, least[k] + i)), high = hn::Max(high, hn::LoadU(d, most[k] + i));
        hn::StoreU(low, d, outLeast + i);
        hn::StoreU(high, d, outMost + i);
    }
}

HWY_INLINE V Between(V value, float from, float to) {
    const V t =
        hn::Min(hn::Max(hn::Mul(hn::Sub(value, Splat(from)), Splat(1 / (to - from))), Splat(0.0F)), Splat(1.0F));
    return hn::Mul(hn::Mul(t, t), hn::NegMulAdd(Splat(2.0F), t, Splat(3.0F)));
}

void DefringeRow(const DefringeConstants& c, const float* const* in, const float* least, const float* most,
                 std::size_t count, float* const* out) {
    const D d;
    constexpr float purple[] = {0.52991926F, 0.84804810F}, green[] = {-0.58778525F, -0.80901699F}; // 58°, 234°
    constexpr float nothing = 0.70710678F, full = 0.90630779F; // cos 45°, cos 25°
    for (std::size_t i = 0; i < count; i += hn::Lanes(d)) {
        const V red = hn::LoadU(d, in[0] + i), blue = hn::LoadU(d, in[2] + i);
        const V y = Luma(red, hn::LoadU(d, in[1] + i), blue), u = hn::Sub(red, y), v = hn::Sub(blue, y);
        const V length = hn::Sqrt(hn::MulAdd(u, u, hn::MulAdd(v, v, Splat(1e-12F))));
        const auto window = [&](const float* middle) {
            const V cosine = hn::Div(hn::MulAdd(u, Splat(middle[0]), hn::Mul(v, Splat(middle[1]))), length);
            return Between(cosine, nothing, full);
        };
        const V edge = Between(hn::Sub(hn::LoadU(d, most + i), hn::LoadU(d, least + i)), c.edge, 2 * c.edge);
        const V share = hn::Max(hn::Mul(Splat(c.purple), window(purple)), hn::Mul(Splat(c.green), window(green)));
        const V kept = hn::NegMulAdd(edge, share, Splat(1.0F)), newU = hn::Mul(kept, u), newV = hn::Mul(kept, v);
        const V down = hn::MulAdd(Splat(0.2126F / 0.7152F), newU, hn::Mul(Splat(0.0722F / 0.7152F), newV));
        hn::StoreU(Hold(hn::Add(y, newU)), d, out[0] + i);
        hn::StoreU(Hold(hn::Sub(y, down)), d, out[1] + i);
        hn::StoreU(Hold(hn::Add(y, newV)), d, out[2] + i);
    }
}

} // namespace HWY_NAMESPACE
} // namespace baryton
HWY_AFTER_NAMESPACE();

#if HWY_ONCE
#include "stages/all_stages.h"
#include "stages/describe.h"
#include "stages/padded_plane.h"
#include "stages/settings.h"

#include <algorithm>
#include <cmath>

namespace baryton {

HWY_EXPORT(FringeLumaRow);
HWY_EXPORT(RangeRow);
HWY_EXPORT(DefringeRow);

namespace {

void runDefringe(const void* constants, const AreaTile& tile) {
    const auto& c = *static_cast<const DefringeConstants*>(constants);
    static thread_local PaddedPlane luma, least, most, rows[5];
    const int reach = c.reach, width = tile.width + 2 * reach, height = tile.height + 2 * reach,
              around = 2 * reach + 1;
    luma.reset(width, height), least.reset(tile.width, height), most.reset(tile.width, height);
    for (PaddedPlane& row : rows) row.reset(tile.width, 1);
    std::vector<const float*> places(static_cast<std::size_t>(around)), others(places.size());
    const auto inRow = [&](int plane, int y) { return tile.in[plane] + tile.inStride * static_cast<std::size_t>(y); };
    for (int y = 0; y < height; ++y) {
        HWY_DYNAMIC_DISPATCH(FringeLumaRow)
        (inRow(0, y), inRow(1, y), inRow(2, y), wholeVectors(width), luma.row(y));
        for (int k = 0; k < around; ++k) places[static_cast<std::size_t>(k)] = luma.row(y) + k;
        HWY_DYNAMIC_DISPATCH(RangeRow)
        (places.data(), places.data(), around, wholeVectors(tile.width), least.row(y), most.row(y));
    }
    for (int y = 0; y < tile.height; ++y) {
        for (int k = 0; k < around; ++k)
            places[static_cast<std::size_t>(k)] = least.row(y + k),
            others[static_cast<std::size_t>(k)] = most.row(y + k);
        float *low = rows[3].row(0), *high = rows[4].row(0);
        HWY_DYNAMIC_DISPATCH(RangeRow)
        (places.data(), others.data(), around, wholeVectors(tile.width), low, high);
        const float* in[] = {inRow(0, y + reach) + reach, inRow(1, y + reach) + reach, inRow(2, y + reach) + reach};
        float* out[] = {rows[0].row(0), rows[1].row(0), rows[2].row(0)};
        HWY_DYNAMIC_DISPATCH(DefringeRow)(c, in, low, high, wholeVectors(tile.width), out);
        for (int k = 0; k < 3; ++k)
            std::copy_n(out[k], tile.width, tile.out[k] + tile.outStride * static_cast<std::size_t>(y));
    }
}

struct DefringeSettings {
    double purple = 0, green = 0, reach = 2, edge = 0.2; ///< shares; pixels of the full-size picture; of luma
};

AreaKernel defringeKernel(const DefringeSettings& s, double scale) {
    constexpr double least = 0.2; // pixels: a narrower seam has gone into the averages
    const double reach = s.reach * scale;
    if (reach < least) return {};
    DefringeConstants c;
    c.reach = std::max(1, static_cast<int>(std::lround(reach)));
    // Where a pixel holds more than the seam, less of it goes.
    const double share = std::min(1.0, std::sqrt(reach));
    c.purple = static_cast<float>(s.purple * share), c.green = static_cast<float>(s.green * share);
    c.edge = static_cast<float>(s.edge);
    return {c.reach, std::make_shared<const DefringeConstants>(c), runDefringe};
}

} // namespace

const StageType& defringeType() {
    using namespace describe;
    using S = DefringeSettings;
    static const StageType type = stageType<S>({
        .id = "defringe",
        .name = "Defringe",
        .summary = "Takes the colour out of the purple and green seams that a lens leaves beside strong edges.",
        .parts = {Part::Prep},
        .footprint = Footprint::Narrow,
        .settings = {{&S::purple, percent("purple", "Purple", 0, 100, 0, "How much of a purple seam's colour goes.")},
                     {&S::green, percent("green", "Green", 0, 100, 0, "How much of a green seam's colour goes.")},
                     {&S::reach, through({"purple", "green"},
                                         number("reach", "Width", 1, 6, 0.5, 2,
                                                "How far from an edge a seam may lie, in pixels of the full-size "
                                                "picture.",
                                                Unit::Pixels))},
                     {&S::edge, through({"purple", "green"},
                                        percent("edge", "Edge", 5, 60, 20,
                                                "How strong an edge must be: below it colours are left alone."))}},
        .isNeutral = [](const S& s) { return s.purple == 0 && s.green == 0; },
        .compileNarrow = defringeKernel,
        .starters = {{"purple", 0.8}, {"green", 0.6}},
    });
    return type;
}

} // namespace baryton
#endif
