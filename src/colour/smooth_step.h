#pragma once
#include <algorithm>
#include <type_traits>

namespace baryton {

/// From 0 at `low` to 1 at `low + 1 / perWidth` with slope 0 at both ends: t²(3 − 2t). The vector code has its own in
/// stages/simd-inl.h.
template <class Number>
Number smoothStep(Number v, std::type_identity_t<Number> low, std::type_identity_t<Number> perWidth) {
    const Number t = std::clamp((v - low) * perWidth, Number(0), Number(1));
    return t * t * (3 - 2 * t);
}

} // namespace baryton
