#pragma once
#include <fmt/format.h>
#include <iostream>
#include <string>

namespace baryton::bench {

constexpr int kRounds = 7;

/// A row of the table that is printed.
inline void row(const std::string& work, double ms, const std::string& against = {}) {
    std::cout << fmt::format("| {:<58} | {:>9.1f} | {:>24} |\n", work, ms, against) << std::flush;
}
inline std::string times(double ratio) {
    return fmt::format("{:.2f}×", ratio);
}

} // namespace baryton::bench
