#pragma once

namespace baryton {

/// One channel of Levels: a straight line, a bend, a straight line.
///
///     t = (v − inBlack)·perIn      u = ((t + a)^(1/γ) − a^(1/γ)) / ((1 + a)^(1/γ) − a^(1/γ))      out = u·scale +
///     shift
///
/// A plain power has no finite slope at black; the offset a = 0.01 gives it one, at most 9 for γ = 3, and moves the
/// middle by up to 0.05 there. Below black and above white it goes on straight with the slope it has there.
struct LevelsChannel {
    float inBlack = 0, perIn = 1, exponent = 1, offsetPower = 0, perRange = 1, slope0 = 1, slope1 = 1;
    float scale = 1, shift = 0;
    static constexpr double kOffset = 0.01;

    LevelsChannel() = default;
    LevelsChannel(double inBlack, double gamma, double inWhite, double outBlack, double outWhite);
    double operator()(double v) const;
};

struct LevelsConstants {
    LevelsChannel common, channel[3];
    bool hasCommon = false, hasChannel[3] = {};
};

} // namespace baryton
