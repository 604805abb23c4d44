#pragma once
#include "stages/lut_kernel.h"

#include <array>
#include <optional>
#include <string>
#include <vector>

namespace baryton {

/// What a table does to colours that whoever wears it would want to know, own or foreign, in the way that it is used:
/// from sRGB to sRGB through the spaces that it reads and writes. Judged at 33³ colours over 0…1 and along the greys.
struct LutHealth {
    /// Of each channel the share of colours that it takes to an end, black or white, which was not there: what is
    /// alike afterwards was not alike before.
    std::array<double, 3> clippedLow{}, clippedHigh{};
    /// The share of steps along a channel (33 levels, all else equal) at which the channel itself goes back by more
    /// than half a level of 8 bits: there light and dark change places.
    double folded = 0;
    std::array<double, 3> foldedAt{}; ///< the colour at which it goes back farthest
    /// The largest step between neighbouring levels of an 8-bit grey ramp, in levels of what comes out.
    double largestStep = 0, largestStepAt = 0;
    /// Greys: the largest chroma that they get (OKLab), at which level (0…1), and its hue in degrees (OKLCh).
    double neutralDrift = 0, neutralDriftAt = 0, neutralDriftHue = 0;
    double black = 0, white = 1; ///< luma of what comes out for black and white
    /// Skin as it is met (OKLCh hue 35…75°, chroma 0.04…0.13, lightness 0.4…0.85): the mean turn of its hue in
    /// degrees, toward yellow above 0; the mean factor of its chroma; the mean change of its lightness.
    double skinTurn = 0, skinChroma = 1, skinLightness = 0;
    /// The space that a table read as sRGB seems made for: under it, it would leave greys nearly where they are, and
    /// as it is read now it throws them far.
    std::optional<Encoding> seemsMadeFor;

    std::vector<std::string> sentences; ///< what of it is worth knowing, in words; empty where all is well
};

LutHealth healthOf(const LutTable& table, const LutUse& use = {});

} // namespace baryton
