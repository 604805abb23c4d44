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

} // namespace HWY_NAMESPACE
} // namespace baryton
HWY_AFTER_NAMESPACE();

#if HWY_ONCE
#include "base/parallel.h"
#include "stages/all_stages.h"
#include "stages/describe.h"
#include "stages/settings.h"

#include <algorithm>
#include <cmath>

namespace baryton {

HWY_EXPORT(RunLocalContrast);

namespace {

void runLocalContrast(const void* constants, const Block& block) {
    const auto& c = *static_cast<const LocalContrastConstants*>(constants);
    const LaidRows laid = laidRows(c.laid, block, kTwoTablesStep);
    HWY_DYNAMIC_DISPATCH(RunLocalContrast)(laid, block);
}

/// The next level of a Gaussian pyramid (Burt and Adelson 1983): [1 4 6 4 1] / 16 both ways, every other sample; past
/// the ends the last one repeats.
Plane reduced(const Plane& from) {
    Plane to((from.width + 1) / 2, (from.height + 1) / 2);
    forRows(to.height, [&](int y) {
        const auto in = [&](int at) { return from.nearestRow(at); };
        const float *a = in(2 * y - 2), *b = in(2 * y - 1), *c = in(2 * y), *d = in(2 * y + 1), *e = in(2 * y + 2);
        const auto width = static_cast<std::size_t>(from.width);
        std::vector<float> down(width + 4);
        float* const sums = down.data() + 2;
        for (std::size_t x = 0; x < width; ++x)
            sums[x] = (1.0F / 16) * (a[x] + e[x]) + (4.0F / 16) * (b[x] + d[x]) + (6.0F / 16) * c[x];
        down[0] = down[1] = sums[0];
        sums[width] = sums[width + 1] = sums[width - 1];
        float* const out = to.row(y);
        for (std::size_t x = 0; x < static_cast<std::size_t>(to.width); ++x) {
            const float* at = down.data() + 2 * x;
            out[x] = (1.0F / 16) * (at[0] + at[4]) + (4.0F / 16) * (at[1] + at[3]) + (6.0F / 16) * at[2];
        }
    });
    return to;
}

/// Row `y` of a level laid out at twice its size, the same filter's way back.
void expandedRow(const Plane& from, int y, int width, std::vector<float>& down, float* out) {
    const auto in = [&](int at) { return from.nearestRow(at); };
    const auto count = static_cast<std::size_t>(from.width);
    down.resize(count + 2);
    if (y % 2 == 0) {
        const float *a = in(y / 2 - 1), *b = in(y / 2), *c = in(y / 2 + 1);
        for (std::size_t x = 0; x < count; ++x) down[x + 1] = (1.0F / 8) * (a[x] + c[x]) + (6.0F / 8) * b[x];
    } else {
        const float *a = in(y / 2), *b = in(y / 2 + 1);
        for (std::size_t x = 0; x < count; ++x) down[x + 1] = 0.5F * (a[x] + b[x]);
    }
    down[0] = down[1];
    down[count + 1] = down[count];
    const float* const at = down.data();
    for (std::size_t x = 0; 2 * x < static_cast<std::size_t>(width); ++x)
        out[2 * x] = (1.0F / 8) * (at[x] + at[x + 2]) + (6.0F / 8) * at[x + 1];
    for (std::size_t x = 0; 2 * x + 1 < static_cast<std::size_t>(width); ++x)
        out[2 * x + 1] = 0.5F * (at[x + 1] + at[x + 2]);
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

/// f_g of a plane.
Plane remapped(const Plane& luma, float g) {
    constexpr float per = 1 / LocalContrastConstants::kEdge;
    Plane out(luma.width, luma.height);
    forRows(luma.height, [&](int y) {
        const float* in = luma.row(y);
        float* const to = out.row(y);
        for (int x = 0; x < luma.width; ++x) {
            const float d = in[x] - g, u = d * per, v = std::max(1 - u * u, 0.0F);
            to[x] = d * v * v * v;
        }
    });
    return out;
}

/// Δ at the base level's size; `shares` of the levels, from the finest.
Plane textureOf(const Picture& base, const std::vector<float>& shares) {
    std::vector<Plane> tones{lumaOf(base)};
    while (tones.size() < shares.size()) tones.push_back(reduced(tones.back()));
    std::vector<Plane> texture;
    texture.reserve(tones.size());
    for (const Plane& level : tones) texture.emplace_back(level.width, level.height);
    constexpr int steps = LocalContrastConstants::kSteps;
    for (int step = 0; step <= steps; ++step) {
        const float g = static_cast<float>(step) / steps;
        Plane level = remapped(tones[0], g);
        for (std::size_t l = 0; l < shares.size(); ++l) {
            const Plane coarser = reduced(level);
            forRows(level.height, [&](int y) {
                static thread_local std::vector<float> down, smooth;
                smooth.resize(static_cast<std::size_t>(level.width));
                expandedRow(coarser, y, level.width, down, smooth.data());
                const float *tone = tones[l].row(y), *fine = level.row(y), *rough = smooth.data();
                float* const out = texture[l].row(y);
                for (int x = 0; x < level.width; ++x)
                    out[x] += std::max(1 - std::abs(tone[x] - g) * steps, 0.0F) * (fine[x] - rough[x]);
            });
            level = coarser;
        }
    }
    for (std::size_t l = shares.size(); l-- > 0;)
        forRows(texture[l].height, [&](int y) {
            static thread_local std::vector<float> down, smooth;
            float* const out = texture[l].row(y);
            for (int x = 0; x < texture[l].width; ++x) out[x] *= shares[l];
            if (l + 1 == shares.size()) return;
            smooth.resize(static_cast<std::size_t>(texture[l].width));
            expandedRow(texture[l + 1], y, texture[l].width, down, smooth.data());
            for (int x = 0; x < texture[l].width; ++x) out[x] += smooth[static_cast<std::size_t>(x)];
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
