#pragma once
#include "base/task.h"
#include "colour/matrix.h"
#include "grade/grade.h"
#include "picture/picture.h"

#include <string>
#include <vector>

namespace baryton {

/// A picture as a survey sees it.
struct SurveyPicture {
    Picture small;       ///< the source in its frame; made no longer than kSurveySide
    bool isFine = false; ///< it has more than 8 bits: its levels lie too near each other to show as bands
};
constexpr int kSurveySide = 360;

/// What becomes of a colour that is to keep its place: of skin, or of one that was sampled.
struct ColourMeasure {
    double share = 0;  ///< of the picture that has it, with its Prep and before the Look
    double turn = 0;   ///< degrees of OKLCh hue that it is turned by in the mean
    double chroma = 1; ///< by which its chroma is multiplied in the mean
};

/// What a grade makes of one picture, measured; what is at fault is told by comparing (survey.h).
struct LookMeasure {
    bool isMeasured = false; ///< false where there is nothing to measure
    /// Share of the picture that comes out black, or white or with a channel cut off in the lights, and was not so
    /// or nearly so in the source.
    double clipped = 0;
    /// Share of the picture whose folds and texture are gone (render/detail.h).
    double lost = 0;
    /// Share of the picture that is smooth and whose neighbouring 8-bit levels come out more than 4 apart.
    double banded = 0;
    ColourMeasure skin;
    std::vector<ColourMeasure> sampled; ///< in the order asked for
    double lightness = 0;               ///< log2 of the luminance that comes out, in the mean of the deciles
    double warmth = 0;                  ///< of what comes out, in mired: log2 of red over blue cones, scaled
    std::vector<std::string>
        idle; ///< ids of stages that are on and change less than a thousandth of the picture by ΔE 0.5
};

/// `sampled`: colours in the working encoding as they are with the key picture's Prep. `graded` receives what comes
/// out, where it is wanted. Throws Cancelled.
LookMeasure measureLook(const Grade& grade, const SurveyPicture& picture, const std::vector<Vec3>& sampled = {},
                        const Task* task = nullptr, Picture* graded = nullptr);

} // namespace baryton
