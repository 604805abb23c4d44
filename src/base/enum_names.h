#pragma once
#include <array>
#include <optional>
#include <string>
#include <string_view>

namespace baryton {

/// The names of an enum's values as they stand in files, in the order of the values, which count from 0.
template <std::size_t N>
using EnumNames = std::array<std::string_view, N>;

template <class Enum, std::size_t N>
std::string nameIn(const EnumNames<N>& names, Enum value) {
    return std::string(names[static_cast<std::size_t>(value)]);
}

/// Nothing for another word.
template <class Enum, std::size_t N>
std::optional<Enum> valueIn(const EnumNames<N>& names, std::string_view name) {
    for (std::size_t i = 0; i < N; ++i)
        if (names[i] == name) return static_cast<Enum>(i);
    return std::nullopt;
}

} // namespace baryton
