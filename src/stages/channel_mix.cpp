// Channel mix: each channel as a sum of shares of all three, plus a constant; on the working encoding.
//
// With sums kept, each row is divided by its sum, so that greys keep their place; a sum below a quarter counts as a
// quarter, else a row of opposed shares would explode.
#include "stages/channel_mix.h"
#include "stages/stage_type.h"

#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "stages/channel_mix.cpp"
#include <hwy/foreach_target.h>

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

#include <algorithm>

namespace baryton {

HWY_EXPORT(RunChannelMix);

const StageType& channelMixType() {
    using namespace describe;
    static const StageType type = [] {
        std::vector<ParameterType> parameters;
        const char* names[][2] = {{"red", "Red"}, {"green", "Green"}, {"blue", "Blue"}};
        for (const auto& [to, toName] : names) {
            for (const auto& [from, fromName] : names)
                parameters.push_back(
                    percent(std::string(to) + ".from." + from, std::string(toName) + " from " + from, -200, 200,
                            std::string(to) == from ? 100 : 0,
                            std::string("How much of the picture's ") + from + " goes into " + to + "."));
            parameters.push_back(percent(std::string(to) + ".offset", std::string(toName) + " offset", -50, 50, 0,
                                         std::string("Added to ") + to + " everywhere."));
        }
        parameters.push_back(toggle("keep.sums", "Keep sums", "Scales each row so that greys keep their lightness."));
        return StageType{
            "channel-mix",
            "Channel mix",
            "Makes each channel anew from shares of all three.",
            {Part::Look},
            Footprint::Colour,
            parameters,
            [parameters](const ParameterReader& p) {
                return std::all_of(parameters.begin(), parameters.end(), [&](const auto& q) {
                    return q.kind != ParameterKind::Number || p.number(q.id) == std::get<double>(q.defaultValue);
                });
            },
            [](const ParameterReader& p) {
                const char* channels[] = {"red", "green", "blue"};
                ChannelMixConstants c;
                for (std::size_t row = 0; row < 3; ++row) {
                    double shares[3], sum = 0;
                    for (std::size_t k = 0; k < 3; ++k)
                        sum += shares[k] = p.number(std::string(channels[row]) + ".from." + channels[k]);
                    const double scale = p.toggle("keep.sums") ? 1 / std::max(sum, 0.25) : 1;
                    for (std::size_t k = 0; k < 3; ++k) c.matrix[3 * row + k] = static_cast<float>(shares[k] * scale);
                    c.offset[row] = static_cast<float>(p.number(std::string(channels[row]) + ".offset"));
                }
                Kernel kernel;
                kernel.constants = std::make_shared<ChannelMixConstants>(c);
                kernel.run = [](const void* constants, const Block& block) {
                    HWY_DYNAMIC_DISPATCH(RunChannelMix)(*static_cast<const ChannelMixConstants*>(constants), block);
                };
                return kernel;
            },
            {},
        };
    }();
    return type;
}

} // namespace baryton
#endif
