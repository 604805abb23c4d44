#pragma once
#include "stages/blend.h"
#include "stages/kernel.h"
#include "stages/limits.h"

#include <array>
#include <memory>
#include <vector>

namespace baryton {

class MaskWeights;

/// One step over single pixels.
struct PointStep {
    /// Keep sets the colours aside in a slot; Weigh and Mask make a slot's plane of weights, by which its Mix or
    /// Blend is then laid over the kept colours. KeepInput sets aside what enters the Look, for masks that see
    /// colours; ShowMask puts a slot's weights in the colours' place.
    enum class Kind { Stage, Matrix, ToLinear, ToEncoded, Keep, KeepInput, Weigh, Mask, ShowMask, Mix, Blend };
    Kind kind = Kind::Stage;
    Kernel kernel;                 ///< Stage
    std::array<float, 9> matrix{}; ///< Matrix
    int slot = 0;                  ///< Keep, Weigh, Mask, ShowMask, Mix, Blend
    float strength = 1;            ///< Mix, Blend: result · strength + kept · (1 − strength)
    Limits limits;                 ///< Weigh: by the kept colours
    std::size_t skip = 0; ///< Mask: how many steps to the one behind its Mix or Blend, where it lets nothing through
    std::shared_ptr<const MaskWeights> mask; ///< Mask: by the pixels' places
    bool isWeighted = false;                 ///< Mix, Blend: the strength is multiplied by the slot's weights
    BlendMode mode = BlendMode::Normal;      ///< Blend
};

/// What a run leaves set aside for the run behind a stage that looks around: the colours of the first slot, those
/// that enter the Look.
struct Carries {
    bool kept = false, input = false;
    bool any() const { return kept || input; }
};
/// Where they are for the pixels of a run; null where nothing is carried.
struct CarriedRows {
    std::array<float*, 3> kept{}, input{};
};

/// Neighbouring stages that look at single pixels, fused: what enters and leaves is in the working encoding.
struct PointRun {
    std::vector<PointStep> steps;

    /// Over a run of pixels in place, of any length.
    void operator()(const Block& block) const { (*this)(block, {}, {}); }
    void operator()(const Block& block, const CarriedRows& takes, const CarriedRows& leaves) const;
};

/// The most pixels that are worked on at a time: three planes and the kept ones stay within the fast caches.
constexpr std::size_t kBlockPixels = 2048;
constexpr int kKeepSlots = 2; ///< a stage's mix within a layer's mix

} // namespace baryton
