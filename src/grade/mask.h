#pragma once
#include "grade/mask_stroke.h"
#include "grade/picture_content.h"

#include <memory>
#include <string>
#include <variant>
#include <vector>

namespace baryton {

// Where a layer acts: a list of shapes as values, free of any resolution. Places are fractions of the sides of the
// picture as its file has it (upright, neither cut nor turned), so that a frame that changes moves no mask; lengths
// are fractions of its long side, so that a circle stays one in a picture of another shape. Ranges see the colours
// that enter the Look, whatever the layers ahead do to them.

struct Mask;

/// Whole inside, nothing outside: 1 − smoothstep(1 − feather, 1, r), r the distance from the middle in radii.
struct MaskEllipse {
    double x = 0.5, y = 0.5;               ///< middle
    double radiusX = 0.25, radiusY = 0.25; ///< along its own axes, of the long side
    double turn = 0;                       ///< degrees clockwise as it is seen
    double feather = 0.5;                  ///< 0…1: the part of the radius over which it fades
    bool operator==(const MaskEllipse&) const = default;
};

/// Whole up to a line through one place, nothing from one through another on; both lie across the way between the two
/// places: 1 − smootherstep.
struct MaskRamp {
    double fromX = 0.5, fromY = 0.25; ///< where it begins to fade
    double toX = 0.5, toY = 0.75;     ///< where nothing is left
    bool operator==(const MaskRamp&) const = default;
};

/// What was painted, in its order: c (1 − Π (1 − f a)) over the strokes, a a stroke's own weight, f its flow and c
/// the ceiling; a stroke that erases multiplies what there is by 1 − f a.
struct MaskBrush {
    std::vector<SharedStroke> strokes;
    double ceiling = 1; ///< 0…1
    bool operator==(const MaskBrush&) const = default;
};

/// Tones, by luma in the working encoding: whole from low to high, fading over the softness on either side.
struct MaskTones {
    double low = 0, high = 1, softness = 0.2; ///< 0…1
    bool operator==(const MaskTones&) const = default;
};

/// Colours in OKLCh: the product of three windows, each whole within and fading over its softness on either side. The
/// window of hue opens where colours without a hue are wanted: as the least chroma falls from 0.02 to 0.
struct MaskColours {
    double hue = 0, hueWidth = 40, hueSoftness = 20;                     ///< degrees
    double chromaLow = 0.04, chromaHigh = 0.5, chromaSoftness = 0.03;    ///< 0…0.5
    double lightnessLow = 0, lightnessHigh = 1, lightnessSoftness = 0.1; ///< 0…1
    bool operator==(const MaskColours&) const = default;
};

/// The mask of another layer: linked by that layer's id, so that one edit changes both; or, without an id, a copy
/// that goes its own way.
struct MaskOfLayer {
    std::string layer;
    std::shared_ptr<const Mask> mask; ///< the copy; of a link what `resolveLinks` found, null while unknown
    bool operator==(const MaskOfLayer& other) const;
};

/// An object of one picture: drawn round, loosely, and found within by a graph cut (render/find_object.h), which
/// strokes then correct: over what belongs to it, or where they erase, over what does not. What was found is kept
/// with it, so that it stays what it was seen to be. Its weights are laid over a box, evenly between their middles;
/// growing and fading go by the distance from the line where they pass a half.
struct MaskObject {
    std::vector<StrokePoint> outline; ///< closed by itself; empty while nothing is drawn
    std::vector<SharedStroke> strokes;
    PictureContent found;         ///< a grey PNG; without content nothing is let through
    double x = 0.5, y = 0.5;      ///< the middle of the box
    double width = 1, height = 1; ///< of the box, of the long side
    double turn = 0;              ///< of the box, degrees clockwise
    double grow = 0;              ///< of the long side
    double feather = 0;           ///< over how much it fades, of the long side
    bool operator==(const MaskObject&) const = default;
};

/// A kind of shape of a newer version: kept as it is and let through nothing.
struct MaskUnknown {
    std::string kind;
    std::string json; ///< the whole shape as it was read
    bool operator==(const MaskUnknown&) const = default;
};

/// One shape and what it does to those ahead of it, a and b being their weights and its own:
/// added 1 − (1 − a)(1 − b), taken away a(1 − b), intersected ab.
struct MaskShape {
    enum class Way { Add, TakeAway, Intersect };
    std::variant<MaskEllipse, MaskRamp, MaskBrush, MaskTones, MaskColours, MaskOfLayer, MaskObject, MaskUnknown> form;
    Way way = Way::Add;
    bool isInverted = false;
    std::string name = {}; ///< given by hand; empty: called by its kind
    bool operator==(const MaskShape&) const = default;
};

/// All drawn shapes of a mask taken together elsewhere: made larger and turned about a place of the picture, then
/// moved. Ranges stay: they follow colours wherever these are.
struct MaskPlacement {
    double x = 0.5, y = 0.5;     ///< the place that stays, before it is moved
    double moveX = 0, moveY = 0; ///< of the long side
    double scale = 1;
    double turn = 0; ///< degrees clockwise
    bool operator==(const MaskPlacement&) const = default;
};

/// The weight of a layer from place to place: its shapes in their order, ahead of them nothing (everything, where the
/// first takes away or intersects), turned round as a whole by choice, times the density. Without shapes there is no
/// mask.
struct Mask {
    std::vector<MaskShape> shapes;
    bool isInverted = false;
    double density = 1; ///< 0…1
    /// How much larger all that it covers is, and over how much more every edge fades; of the long side. Both are
    /// felt by drawn shapes alone, each by itself.
    double grow = 0, feather = 0;
    MaskPlacement placement = {};

    bool isEmpty() const { return shapes.empty(); }
    /// Whether its weights follow colours, wholly or in part; and whether they follow nothing else, so that it can be
    /// part of a LUT. Links count as far as they are resolved.
    bool seesColours() const;
    bool seesOnlyColours() const;
    /// Whether it follows what one picture holds, by brush or as an object: on another it would lie beside it.
    bool isOfOnePicture() const;
    bool operator==(const Mask&) const = default;
};

/// How many shapes a mask may have, and how deep masks may stand in masks.
constexpr std::size_t kMostMaskShapes = 200;
constexpr int kDeepestMask = 8;
/// How far places may lie outside the picture, and how long a radius may be, in sides of it.
constexpr double kMaskReach = 4;
/// Radii, and the way between a ramp's two places, are at least this.
constexpr double kLeastMaskLength = 0.001;
constexpr double kMostMaskGrowth = 0.1, kMostMaskFeather = 0.2, kLeastMaskScale = 0.05, kMostMaskScale = 20;
/// Below this softness a range would have no edge to be averaged.
constexpr double kLeastRangeSoftness = 0.01;

/// What is wrong with a mask's numbers, and where below it ("/shapes/2/feather"); empty texts where nothing is.
struct MaskProblem {
    std::string place, what;
};
MaskProblem problemOf(const Mask& mask);

} // namespace baryton
