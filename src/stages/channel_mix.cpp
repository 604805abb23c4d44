// Channel mix: each channel as a sum of shares of all three, plus a constant; on the working encoding.
//
// With sums kept, each row is divided by its sum, so that greys keep their place; a sum below a quarter counts as a
// quarter, else a row of opposed shares would explode.
#include "stages/channel_mix.h"
#include "stages/stage_type.h"

#ifndef BARYTON_KERNEL_GROUP
#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "stages/channel_mix.cpp"
#include <hwy/foreach_target.h>
#endif

#include "stages/simd-inl.h"

HWY_BEFORE_NAMESPACE();
namespace baryton {
namespace HWY_NAMESPACE {

void RunChannelMix(const ChannelMixConstants& c, const Block& block) {
    ForEachVector(block, [&](V& r, V& g, V& b, std::size_t) {
        const V r0 = r, g0 = g, b0 = b;
        r = Hold(hn::Add(MatrixRow(c.matrix, 0, r0, g0, b0), Splat(c.offset[0])));
        g = Hold(hn::Add(MatrixRow(c.matrix, 1, r0, g0, b0), Splat(c.offset[1])));
        b = Hold(hn::Add(MatrixRow(c.matrix, 2, r0, g0, b0), Splat(c.offset[2])));
    });
}

} // namespace HWY_NAMESPACE
} // namespace baryton
HWY_AFTER_NAMESPACE();

#if HWY_ONCE
#include "stages/all_stages.h"
#include "stages/describe.h"
#include "stages/settings.h"

#include <algorithm>

namespace baryton {

HWY_EXPORT(RunChannelMix);

namespace {

struct ChannelMixSettings {
    struct Row {
        std::array<double, 3> from{};
        double offset = 0;

        bool operator==(const Row&) const = default;
    };
    std::array<Row, 3> rows{{{{1, 0, 0}}, {{0, 1, 0}}, {{0, 0, 1}}}}; ///< of red, green, blue
    bool keepsSums = false;
};

SettingList<ChannelMixSettings> channelMixSettings() {
    using namespace describe;
    using S = ChannelMixSettings;
    constexpr const char* names[][2] = {{"red", "Red"}, {"green", "Green"}, {"blue", "Blue"}};
    SettingList<S> all;
    for (std::size_t i = 0; i < 3; ++i) {
        const std::string to = names[i][0], name = names[i][1];
        for (std::size_t k = 0; k < 3; ++k) {
            const std::string from = names[k][0];
            all.emplace_back([i, k](S& s) -> double& { return s.rows[i].from[k]; },
                             percent(to + ".from." + from, name + " from " + from, -200, 200, i == k ? 100 : 0,
                                     "How much of the picture's " + from + " goes into " + to + "."));
        }
        all.emplace_back(entry(&S::rows, i, &S::Row::offset),
                         percent(to + ".offset", name + " offset", -50, 50, 0, "Added to " + to + " everywhere."));
    }
    all.emplace_back(&S::keepsSums,
                     toggle("keep.sums", "Keep sums", "Scales each row so that greys keep their lightness."));
    return all;
}

Kernel channelMixKernel(const ChannelMixSettings& s) {
    ChannelMixConstants c;
    for (std::size_t i = 0; i < 3; ++i) {
        const auto& row = s.rows[i];
        double sum = 0;
        for (const double share : row.from) sum += share;
        const double scale = s.keepsSums ? 1 / std::max(sum, 0.25) : 1;
        for (std::size_t k = 0; k < 3; ++k) c.matrix[3 * i + k] = static_cast<float>(row.from[k] * scale);
        c.offset[i] = static_cast<float>(row.offset);
    }
    return kernelOf(Domain::Encoded, c, [](const auto& k, const Block& block) {
        HWY_DYNAMIC_DISPATCH(RunChannelMix)(k, block);
    });
}

} // namespace

const StageType& channelMixType() {
    using S = ChannelMixSettings;
    static const StageType type = stageType<S>({
        .id = "channel-mix",
        .name = "Channel mix",
        .summary = "Makes each channel anew from shares of all three.",
        .parts = {Part::Look},
        .settings = channelMixSettings(),
        .isNeutral = [](const S& s) { return s.rows == S().rows; },
        .compile = channelMixKernel,
    });
    return type;
}

} // namespace baryton
#endif
