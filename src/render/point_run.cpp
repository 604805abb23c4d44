#include "render/point_run.h"
#include "render/mask_weights.h"
#include "render/steps.h"

#include <algorithm>
#include <cstring>

namespace baryton {

namespace {
struct alignas(64) Kept {
    float planes[kKeepSlots][3][kBlockPixels];
    float weights[kKeepSlots][kBlockPixels];
    float input[3][kBlockPixels];
};

constexpr auto ones = [] {
    std::array<float, kBlockPixels> all{};
    all.fill(1);
    return all;
}();
} // namespace

void PointRun::operator()(const Block& whole, const CarriedRows& takes, const CarriedRows& leaves) const {
    static thread_local Kept kept;
    // What Keep sets aside is as large as a block, so a longer run is cut into blocks.
    for (std::size_t start = 0; start < whole.count; start += kBlockPixels) {
        Block block = whole;
        block.r += start, block.g += start, block.b += start;
        block.count = std::min(kBlockPixels, whole.count - start);
        block.first += static_cast<float>(start);
        const std::array<float*, 3> colours{block.r, block.g, block.b};
        const std::array<float*, 3> first{kept.planes[0][0], kept.planes[0][1], kept.planes[0][2]};
        const std::array<float*, 3> input{kept.input[0], kept.input[1], kept.input[2]};
        const auto copied = [&](const std::array<float*, 3>& a, const std::array<float*, 3>& b) {
            for (std::size_t k = 0; k < 3; ++k) std::memcpy(b[k], a[k], block.count * sizeof(float));
        };
        const auto part = [&](const std::array<float*, 3>& rows) {
            return std::array{rows[0] + start, rows[1] + start, rows[2] + start};
        };
        if (takes.kept[0]) copied(part(takes.kept), first);
        if (takes.input[0]) copied(part(takes.input), input);
        for (std::size_t at = 0; at < steps.size(); ++at) {
            const PointStep& step = steps[at];
            const float* under = kept.planes[step.slot][0];
            switch (step.kind) {
            case PointStep::Kind::Stage:
                step.kernel.run(step.kernel.constants.get(), block);
                break;
            case PointStep::Kind::Matrix:
                runMatrix(step.matrix.data(), block);
                break;
            case PointStep::Kind::ToLinear:
                runToLinear(block);
                break;
            case PointStep::Kind::ToEncoded:
                runToEncoded(block);
                break;
            case PointStep::Kind::Keep: {
                auto& slot = kept.planes[step.slot];
                copied(colours, {slot[0], slot[1], slot[2]});
                break;
            }
            case PointStep::Kind::Weigh:
                runLimitWeights(under, kBlockPixels, step.limits, block.count, kept.weights[step.slot]);
                break;
            case PointStep::Kind::KeepInput:
                copied(colours, input);
                break;
            case PointStep::Kind::Mask:
                if (!(*step.mask)(block, input.data(), kept.weights[step.slot])) at += step.skip - 1;
                break;
            case PointStep::Kind::ShowMask:
                for (float* plane : {block.r, block.g, block.b})
                    std::memcpy(plane, kept.weights[step.slot], block.count * sizeof(float));
                break;
            case PointStep::Kind::Mix:
                if (step.isWeighted)
                    runMixWeighted(under, kBlockPixels, step.strength, kept.weights[step.slot], block);
                else
                    runMix(under, kBlockPixels, step.strength, block);
                break;
            case PointStep::Kind::Blend:
                runBlend(under, kBlockPixels, step.strength, step.isWeighted ? kept.weights[step.slot] : ones.data(),
                         step.mode, block);
                break;
            }
        }
        if (leaves.kept[0]) copied(first, part(leaves.kept));
        if (leaves.input[0]) copied(input, part(leaves.input));
    }
}

} // namespace baryton
