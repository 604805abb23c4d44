#pragma once
#include "grade/grade.h"

#include <functional>
#include <span>
#include <string>
#include <vector>

namespace baryton {

/// A number of a stage that is sought: where the search begins (where the stage does nothing), how far it may go,
/// and how large a step shows what it does.
struct SoughtNumber {
    double start = 0, lowest = -1, highest = 1, step = 0.01;
    bool isFine = false; ///< it says where others act: it stays where it is until they are about right
};

/// A stage whose numbers are sought, so that it can be written as parameters that anybody can change.
struct SoughtStage {
    std::string type; ///< the id of a stage type
    std::vector<SoughtNumber> numbers;
    /// Puts the numbers into a stage of the type.
    std::function<void(std::span<const double>, Stage&)> write;
};

/// Channel mix: its nine shares and three offsets.
SoughtStage soughtMix();
/// Curves: the common curve and the channels' own, as heights over seven even places each.
SoughtStage soughtCurves();
/// Wheels: the pull of the three tones as points of the disc, and their levels.
SoughtStage soughtWheels();
/// Hue bands: shift, saturation and lightness of eight even bands; and, fine, where each lies and how wide.
SoughtStage soughtHueBands();
/// Saturation: of all, of muted and of vivid colours.
SoughtStage soughtSaturation();
/// Gamut compression.
SoughtStage soughtGamut();
/// Monochrome, whole: how light each family of hues comes out.
SoughtStage soughtMonochrome();
/// Gradient map, whole: the colours of eight even stops.
SoughtStage soughtGradient();

/// Curves with what its three channels have in common in the common curve, so that theirs say no more than how they
/// differ; other stages, and curves of which that can't be said, as they are. Between its points it may differ a
/// little.
Stage withCommonCurve(Stage stage);

/// The stage as a hand would leave it: numbers rounded to what can be seen, points that a curve passes through anyway
/// left out, and so whatever does next to nothing: an eighth of a level of 8 bits, about, times
/// `coarseness`.
Stage tidied(Stage stage, double coarseness = 1);

} // namespace baryton
