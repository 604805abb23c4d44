// Local contrast: texture made stronger or weaker, edges left as they are. Formula in local_contrast.h.
#include "stages/local_contrast.h"
#include "stages/stage_type.h"

#ifndef BARYTON_KERNEL_GROUP
#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "stages/local_contrast.cpp"
#include <hwy/foreach_target.h>
#endif

#include "stages/laid_over-inl.h"

HWY_BEFORE_NAMESPACE();
namespace baryton {
namespace HWY_NAMESPACE {

void RunLocalContrast(const LaidRows& laid, const Block& block) {
    constexpr float per = 1 / LocalContrastConstants::kEnds;
    ForEachVector(block, [&](V& r, V& g, V& b, std::size_t i) {
        const V change = LaidLanes<true>(laid, block, i)(0);
        const V y = Luma(r, g, b);
        const V end = hn::Mul(SmoothStep(y, 0, per), SmoothStep(hn::Sub(Splat(1.0F), y), 0, per));
        const V more = hn::Mul(change, end);
        r = hn::Add(r, more);
        g = hn::Add(g, more);
        b = hn::Add(b, more);
    });
}

// Rows of the pyramids: of tones, and of tones remapped. Those that are written to have room for a vector more.

template <class Row>
HWY_INLINE void ForEachOf(std::size_t count, const Row& row) {
    const D d;
    const std::size_t lanes = hn::Lanes(d);
    std::size_t x = 0;
    for (; x + lanes <= count; x += lanes) row(d, x);
    for (; x < count; ++x) row(hn::CappedTag<float, 1>(), x);
}

/// f_g of a row of tones.
void RemapRow(const float* tones, float g, std::size_t count, float* out) {
    constexpr float per = 1 / LocalContrastConstants::kEdge;
    ForEachOf(count, [&](auto d, std::size_t x) {
        const auto apart = hn::Sub(hn::LoadU(d, tones + x), hn::Set(d, g)), u = hn::Mul(apart, hn::Set(d, per));
        const auto v = hn::Max(hn::NegMulAdd(u, u, hn::Set(d, 1.0F)), hn::Zero(d));
        hn::StoreU(hn::Mul(apart, hn::Mul(v, hn::Mul(v, v))), d, out + x);
    });
}

/// [1 4 6 4 1] / 16 down five rows.
void ReduceDown(const float* const* rows, std::size_t count, float* out) {
    ForEachOf(count, [&](auto d, std::size_t x) {
        const auto in = [&](std::size_t k) { return hn::LoadU(d, rows[k] + x); };
        const auto inner = hn::MulAdd(hn::Set(d, 4.0F), hn::Add(in(1), in(3)), hn::Mul(hn::Set(d, 6.0F), in(2)));
        hn::StoreU(hn::Mul(hn::Set(d, 1.0F / 16), hn::Add(hn::Add(in(0), in(4)), inner)), d, out + x);
    });
}

/// The same across, for every other sample; `in` begins two samples ahead of the row.
void ReduceAcross(const float* in, std::size_t count, float* out) {
    const D d;
    const auto weigh = [](auto tag, auto a, auto b, auto c, auto e, auto f) {
        const auto inner = hn::MulAdd(hn::Set(tag, 4.0F), hn::Add(b, e), hn::Mul(hn::Set(tag, 6.0F), c));
        return hn::Mul(hn::Set(tag, 1.0F / 16), hn::Add(hn::Add(a, f), inner));
    };
    const std::size_t lanes = hn::Lanes(d);
    std::size_t x = 0;
    for (; x + lanes <= count; x += lanes) {
        V a, b, c, e, f, unused;
        hn::LoadInterleaved2(d, in + 2 * x, a, b);
        hn::LoadInterleaved2(d, in + 2 * x + 2, c, e);
        hn::LoadInterleaved2(d, in + 2 * x + 4, f, unused);
        hn::StoreU(weigh(d, a, b, c, e, f), d, out + x);
    }
    const hn::CappedTag<float, 1> one;
    for (; x < count; ++x) {
        const auto at = [&](std::size_t k) { return hn::Set(one, in[2 * x + k]); };
        hn::StoreU(weigh(one, at(0), at(1), at(2), at(3), at(4)), one, out + x);
    }
}

/// Three rows, weighed.
void ExpandDown(const float* const* rows, const float* weights, std::size_t count, float* out) {
    ForEachOf(count, [&](auto d, std::size_t x) {
        auto sum = hn::Mul(hn::Set(d, weights[0]), hn::LoadU(d, rows[0] + x));
        for (std::size_t k = 1; k < 3; ++k) sum = hn::MulAdd(hn::Set(d, weights[k]), hn::LoadU(d, rows[k] + x), sum);
        hn::StoreU(sum, d, out + x);
    });
}

/// A row at twice its width; `in` begins one sample ahead of it.
void ExpandAcross(const float* in, std::size_t count, float* out) {
    const D d;
    const std::size_t lanes = hn::Lanes(d);
    for (std::size_t x = 0; x < count; x += lanes) {
        const V before = hn::LoadU(d, in + x), here = hn::LoadU(d, in + x + 1), after = hn::LoadU(d, in + x + 2);
        const V even = hn::MulAdd(Splat(6.0F / 8), here, hn::Mul(Splat(1.0F / 8), hn::Add(before, after)));
        hn::StoreInterleaved2(even, hn::Mul(Splat(0.5F), hn::Add(here, after)), d, out + 2 * x);
    }
}

/// Adds what `fine` has more than `rough`, by how near a tone is to g.
void AddTexture(const float* tones, const float* fine, const float* rough, float g, std::size_t count, float* out) {
    constexpr float steps = LocalContrastConstants::kSteps;
    ForEachOf(count, [&](auto d, std::size_t x) {
        const auto apart = hn::Abs(hn::Sub(hn::LoadU(d, tones + x), hn::Set(d, g)));
        const auto share = hn::Max(hn::NegMulAdd(apart, hn::Set(d, steps), hn::Set(d, 1.0F)), hn::Zero(d));
        const auto texture = hn::Sub(hn::LoadU(d, fine + x), hn::LoadU(d, rough + x));
        hn::StoreU(hn::MulAdd(share, texture, hn::LoadU(d, out + x)), d, out + x);
    });
}

} // namespace HWY_NAMESPACE
} // namespace baryton
HWY_AFTER_NAMESPACE();

#if HWY_ONCE
#include "base/parallel.h"
#include "stages/all_stages.h"
#include "stages/describe.h"
#include "stages/settings.h"

#include <algorithm>
#include <array>
#include <cmath>

namespace baryton {

HWY_EXPORT(RunLocalContrast);
HWY_EXPORT(RemapRow);
HWY_EXPORT(ReduceDown);
HWY_EXPORT(ReduceAcross);
HWY_EXPORT(ExpandDown);
HWY_EXPORT(ExpandAcross);
HWY_EXPORT(AddTexture);

namespace {

void runLocalContrast(const void* constants, const Block& block) {
    const auto& c = *static_cast<const LocalContrastConstants*>(constants);
    const LaidRows laid = laidRows(c.laid, block, kTwoTablesStep);
    HWY_DYNAMIC_DISPATCH(RunLocalContrast)(laid, block);
}

constexpr std::size_t kRoom = 2 * kRowPad; ///< behind a row that is worked on by vectors

/// Rows of a plane: in this thread where sharing them out would take longer than the work.
template <class Row>
void rowsOf(const Plane& plane, const Row& row) {
    constexpr int few = 200000;
    if (plane.width * plane.height > few) return forRows(plane.height, row);
    for (int y = 0; y < plane.height; ++y) row(y);
}

Plane halfThe(const Plane& plane) {
    return {(plane.width + 1) / 2, (plane.height + 1) / 2};
}

/// The next level of a Gaussian pyramid (Burt and Adelson 1983): [1 4 6 4 1] / 16 both ways, every other sample; past
/// the ends the last one repeats.
void reduce(const Plane& from, Plane& to) {
    rowsOf(to, [&](int y) {
        const float* rows[5];
        for (int k = 0; k < 5; ++k) rows[k] = from.nearestRow(2 * y - 2 + k);
        const auto width = static_cast<std::size_t>(from.width);
        static thread_local std::vector<float> down;
        down.resize(width + 4 + kRoom);
        float* const sums = down.data() + 2;
        HWY_DYNAMIC_DISPATCH(ReduceDown)(rows, width, sums);
        down[0] = down[1] = sums[0];
        sums[width] = sums[width + 1] = sums[width - 1];
        HWY_DYNAMIC_DISPATCH(ReduceAcross)(down.data(), static_cast<std::size_t>(to.width), to.row(y));
    });
}

/// Row `y` of a level laid out at twice its size, the same filter's way back; it stays this thread's until the next.
const float* expandedRow(const Plane& from, int y) {
    static thread_local std::vector<float> down, wide;
    const auto count = static_cast<std::size_t>(from.width);
    down.resize(count + 2 + kRoom), wide.resize(2 * count + 2 * kRoom);
    const float* rows[3];
    for (int k = 0; k < 3; ++k) rows[k] = from.nearestRow(y / 2 - 1 + k);
    constexpr float even[] = {1.0F / 8, 6.0F / 8, 1.0F / 8}, odd[] = {0, 0.5F, 0.5F};
    HWY_DYNAMIC_DISPATCH(ExpandDown)(rows, y % 2 == 0 ? even : odd, count, down.data() + 1);
    down[0] = down[1];
    down[count + 1] = down[count];
    HWY_DYNAMIC_DISPATCH(ExpandAcross)(down.data(), count, wide.data());
    return wide.data();
}

Plane lumaOf(const Picture& base) {
    Plane luma(base.width(), base.height());
    forRows(base.height(), [&](int y) {
        const float *r = base.row(0, y), *g = base.row(1, y), *b = base.row(2, y);
        float* const out = luma.row(y);
        for (int x = 0; x < base.width(); ++x)
            out[x] = std::clamp(0.2126F * r[x] + 0.7152F * g[x] + 0.0722F * b[x], 0.0F, 1.0F);
    });
    return luma;
}

/// Adds to the levels of the texture what every other step finds, from `step` on.
void addSteps(int step, const std::vector<Plane>& tones, std::vector<Plane>& texture) {
    constexpr int steps = LocalContrastConstants::kSteps;
    std::vector<Plane> levels = texture; // of a step, and one that is coarser
    levels.push_back(halfThe(levels.back()));
    for (; step <= steps; step += 2) {
        const float g = static_cast<float>(step) / steps;
        rowsOf(levels[0], [&](int y) {
            HWY_DYNAMIC_DISPATCH(RemapRow)
            (tones[0].row(y), g, static_cast<std::size_t>(tones[0].width), levels[0].row(y));
        });
        for (std::size_t l = 0; l < texture.size(); ++l) {
            reduce(levels[l], levels[l + 1]);
            rowsOf(levels[l], [&](int y) {
                HWY_DYNAMIC_DISPATCH(AddTexture)
                (tones[l].row(y), levels[l].row(y), expandedRow(levels[l + 1], y), g,
                 static_cast<std::size_t>(levels[l].width), texture[l].row(y));
            });
        }
    }
}

/// Δ at the base level's size; `shares` of the levels, from the finest.
Plane textureOf(const Picture& base, const std::vector<float>& shares) {
    std::vector<Plane> tones{lumaOf(base)};
    while (tones.size() < shares.size()) {
        Plane coarser = halfThe(tones.back());
        reduce(tones.back(), coarser);
        tones.push_back(std::move(coarser));
    }
    // A tone lies between two steps, so what every other finds is one summand of each pixel: the order is free.
    std::array<std::vector<Plane>, 2> found;
    for (auto& each : found)
        for (const Plane& level : tones) each.emplace_back(level.width, level.height);
    inPieces(2, 1, 0, [&](int first, int last) {
        for (int i = first; i < last; ++i) addSteps(i, tones, found[static_cast<std::size_t>(i)]);
    });
    std::vector<Plane>& texture = found[0];
    for (std::size_t l = shares.size(); l-- > 0;)
        rowsOf(texture[l], [&](int y) {
            float* const out = texture[l].row(y);
            const float* const other = found[1][l].row(y);
            for (int x = 0; x < texture[l].width; ++x) out[x] = (out[x] + other[x]) * shares[l];
            if (l + 1 == shares.size()) return;
            const float* const smooth = expandedRow(texture[l + 1], y);
            for (int x = 0; x < texture[l].width; ++x) out[x] += smooth[x];
        });
    return std::move(texture[0]);
}

struct LocalContrastSettings {
    double amount = 0, reach = 20; ///< −1…1; thousandths of the long side
};

Kernel localContrastKernel(const LocalContrastSettings& s, const Picture& base) {
    // A level is as coarse as twice the one before it; the first holds what is about two pixels wide.
    const double levels = std::max(std::log2(s.reach / 1000 * base.longSide()), 1.0);
    std::vector<float> shares;
    for (int l = 0; l < levels && (std::min(base.width(), base.height()) >> l) > 1; ++l)
        shares.push_back(static_cast<float>(std::min(levels - l, 1.0)));
    if (shares.empty()) shares.push_back(0);
    Plane texture = textureOf(base, shares);
    const auto amount = static_cast<float>(s.amount);
    for (float& v : texture.values) v *= amount;
    auto constants = std::make_shared<LocalContrastConstants>();
    constants->laid = LaidOver(std::move(texture));
    Kernel kernel;
    kernel.domain = Domain::Encoded;
    kernel.constants = std::move(constants);
    kernel.run = runLocalContrast;
    return kernel;
}

} // namespace

const StageType& localContrastType() {
    using namespace describe;
    using S = LocalContrastSettings;
    static const StageType type = stageType<S>({
        .id = "local-contrast",
        .name = "Local contrast",
        .summary = "Brings out what is faint beside its surroundings, or calms it, and leaves edges as they are.",
        .parts = {Part::Look, Part::Finish},
        .footprint = Footprint::Wide,
        .settings = {{&S::amount, percent("amount", "Amount", -100, 100, 0,
                                          "How much clearer (right) or calmer (left) texture becomes.")},
                     {&S::reach, through({"amount"}, number("reach", "Reach", 1, 100, 1, 20,
                                                            "How coarse the texture is that it works on, in "
                                                            "thousandths of the frame's long side.",
                                                            Unit::PerMille))}},
        .isNeutral = [](const S& s) { return s.amount == 0; },
        .compileWide = localContrastKernel,
        .lateDomain = Domain::Encoded,
        .starters = {{"amount", 0.5}},
    });
    return type;
}

} // namespace baryton
#endif
