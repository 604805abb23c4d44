#pragma once
#include "grade/mask.h"

#include <array>

namespace baryton {

/// A number of a shape's form: its word in files and the range that it must lie in. Files, checks and editors walk
/// these lists.
template <class Form>
struct MaskNumber {
    const char* word;
    double Form::*member;
    double low, high;
};

/// Those of each form; none for a form that is not numbers.
template <class Form>
inline constexpr std::array<MaskNumber<Form>, 0> kMaskNumbers{};

template <>
inline constexpr std::array kMaskNumbers<MaskEllipse> = {
    MaskNumber<MaskEllipse>{"x", &MaskEllipse::x, -kMaskReach, kMaskReach},
    MaskNumber<MaskEllipse>{"y", &MaskEllipse::y, -kMaskReach, kMaskReach},
    MaskNumber<MaskEllipse>{"radiusX", &MaskEllipse::radiusX, kLeastMaskLength, kMaskReach},
    MaskNumber<MaskEllipse>{"radiusY", &MaskEllipse::radiusY, kLeastMaskLength, kMaskReach},
    MaskNumber<MaskEllipse>{"turn", &MaskEllipse::turn, -360, 360},
    MaskNumber<MaskEllipse>{"feather", &MaskEllipse::feather, 0, 1},
};
template <>
inline constexpr std::array kMaskNumbers<MaskRamp> = {
    MaskNumber<MaskRamp>{"fromX", &MaskRamp::fromX, -kMaskReach, kMaskReach},
    MaskNumber<MaskRamp>{"fromY", &MaskRamp::fromY, -kMaskReach, kMaskReach},
    MaskNumber<MaskRamp>{"toX", &MaskRamp::toX, -kMaskReach, kMaskReach},
    MaskNumber<MaskRamp>{"toY", &MaskRamp::toY, -kMaskReach, kMaskReach},
};
template <>
inline constexpr std::array kMaskNumbers<MaskBrush> = {
    MaskNumber<MaskBrush>{"ceiling", &MaskBrush::ceiling, 0, 1},
};
template <>
inline constexpr std::array kMaskNumbers<MaskTones> = {
    MaskNumber<MaskTones>{"low", &MaskTones::low, 0, 1},
    MaskNumber<MaskTones>{"high", &MaskTones::high, 0, 1},
    MaskNumber<MaskTones>{"softness", &MaskTones::softness, kLeastRangeSoftness, 1},
};
template <>
inline constexpr std::array kMaskNumbers<MaskColours> = {
    MaskNumber<MaskColours>{"hue", &MaskColours::hue, -360, 360},
    MaskNumber<MaskColours>{"hueWidth", &MaskColours::hueWidth, 0, 360},
    MaskNumber<MaskColours>{"hueSoftness", &MaskColours::hueSoftness, 1, 180},
    MaskNumber<MaskColours>{"chromaLow", &MaskColours::chromaLow, 0, 0.5},
    MaskNumber<MaskColours>{"chromaHigh", &MaskColours::chromaHigh, 0, 0.5},
    MaskNumber<MaskColours>{"chromaSoftness", &MaskColours::chromaSoftness, kLeastRangeSoftness, 0.5},
    MaskNumber<MaskColours>{"lightnessLow", &MaskColours::lightnessLow, 0, 1},
    MaskNumber<MaskColours>{"lightnessHigh", &MaskColours::lightnessHigh, 0, 1},
    MaskNumber<MaskColours>{"lightnessSoftness", &MaskColours::lightnessSoftness, kLeastRangeSoftness, 1},
};

template <>
inline constexpr std::array kMaskNumbers<MaskObject> = {
    MaskNumber<MaskObject>{"x", &MaskObject::x, -kMaskReach, kMaskReach},
    MaskNumber<MaskObject>{"y", &MaskObject::y, -kMaskReach, kMaskReach},
    MaskNumber<MaskObject>{"width", &MaskObject::width, kLeastMaskLength, kMaskReach},
    MaskNumber<MaskObject>{"height", &MaskObject::height, kLeastMaskLength, kMaskReach},
    MaskNumber<MaskObject>{"turn", &MaskObject::turn, -360, 360},
    MaskNumber<MaskObject>{"grow", &MaskObject::grow, -kMostMaskGrowth, kMostMaskGrowth},
    MaskNumber<MaskObject>{"feather", &MaskObject::feather, 0, kMostMaskFeather},
};

/// Those of a whole mask.
inline constexpr std::array kWholeMaskNumbers = {
    MaskNumber<Mask>{"density", &Mask::density, 0, 1},
    MaskNumber<Mask>{"grow", &Mask::grow, -kMostMaskGrowth, kMostMaskGrowth},
    MaskNumber<Mask>{"feather", &Mask::feather, 0, kMostMaskFeather},
};
/// Those of where all its shapes lie.
template <>
inline constexpr std::array kMaskNumbers<MaskPlacement> = {
    MaskNumber<MaskPlacement>{"x", &MaskPlacement::x, -kMaskReach, kMaskReach},
    MaskNumber<MaskPlacement>{"y", &MaskPlacement::y, -kMaskReach, kMaskReach},
    MaskNumber<MaskPlacement>{"moveX", &MaskPlacement::moveX, -kMaskReach, kMaskReach},
    MaskNumber<MaskPlacement>{"moveY", &MaskPlacement::moveY, -kMaskReach, kMaskReach},
    MaskNumber<MaskPlacement>{"scale", &MaskPlacement::scale, kLeastMaskScale, kMostMaskScale},
    MaskNumber<MaskPlacement>{"turn", &MaskPlacement::turn, -360, 360},
};

} // namespace baryton
