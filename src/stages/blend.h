#pragma once
#include "stages/stage_type.h"

namespace baryton {

/// How a colour is laid over another: the modes of the W3C recommendation Compositing and Blending Level 1, on the
/// working encoding.
///
/// They are defined for 0…1: both colours are held to that for the formula, and what the lower one had outside is
/// added back. Hue fades toward the lower's grey as the upper has less colour than 0.08, saturation toward the lower
/// itself as the lower has less, because a grey has no hue to give.
enum class BlendMode {
    Normal,
    Multiply,
    Screen,
    Overlay,
    SoftLight,
    HardLight,
    Darken,
    Lighten,
    Difference,
    Hue,
    Saturation,
    Colour,
    Luminosity
};

/// The modes by id and name, in the order of the enum.
const std::vector<ParameterType::Option>& blendModes();
/// Normal for an unknown word.
BlendMode blendModeFrom(const std::string& id);

/// One colour over another; what the vector code is tested against.
Vec3 blended(BlendMode mode, const Vec3& lower, const Vec3& upper);

} // namespace baryton
