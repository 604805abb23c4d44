// Frame: which part of the picture is shown, and how it is turned. It touches no colour: whoever holds a picture
// places it before the grade is run over it (see placementOf). Formulas in frame.h.
#include "stages/frame.h"
#include "picture/lens.h"
#include "stages/all_stages.h"
#include "stages/describe.h"
#include "stages/frame_room.h"
#include "stages/ratios.h"
#include "stages/settings.h"

#include <algorithm>
#include <cmath>
#include <numbers>
#include <utility>

namespace baryton {

namespace {

/// The choices that stand before the ratios of aspectRatios().
enum : std::size_t { kOriginal, kFree, kNamed };

/// A Frame stage's parameters as they stand in it.
struct FrameParameters {
    std::size_t ratio = kOriginal;
    double proportions = 0; ///< where the ratio is free
    double size = 1, x = 0.5, y = 0.5, angle = 0;
    std::size_t turns = 0;
    bool mirrored = false;
    CameraTurn turn;

    FrameSettings settings() const {
        const double chosen = ratio == kOriginal ? 0
                              : ratio == kFree   ? proportions
                                                 : aspectRatios()[ratio - kNamed].proportions;
        // Without a turn the focal length counts for nothing.
        return {chosen, size, x, y, angle, {static_cast<int>(turns), mirrored}, turn.isNone() ? CameraTurn() : turn};
    }
};

/// The place of a part of the camera's turn.
auto turnPart(double CameraTurn::*part) {
    return [part](FrameParameters& p) -> double& { return p.turn.*part; };
}

SettingList<FrameParameters> frameParameters() {
    using namespace describe;
    using P = FrameParameters;
    std::vector<ParameterType::Option> ratios{{"original", "Original"}, {"free", "Free"}};
    for (const AspectRatio& each : aspectRatios()) ratios.push_back({each.id, each.name});
    ParameterType focal =
        through({"tilt", "swing"},
                number("focal", "Focal length", kShortestFocal, kLongestFocal, 1, 35,
                       "Of the lens, for a frame of 36 × 24 mm: how strongly lines ran together, and whether what is "
                       "made straight is neither too tall nor too flat.",
                       Unit::Millimetres));
    focal.inverse = true; // even steps of it are even steps of what it does
    return {
        {&P::ratio, choice("ratio", "Ratio", std::move(ratios), "Width to height of the frame.")},
        {&P::proportions, number("proportions", "Proportions", 0, 10, 0.01, 0,
                                 "Width over height, where the ratio is free; 0 is the picture's own.")},
        {&P::size, percent("size", "Size", 5, 100, 100, "How large the frame is; 100 is the largest that fits.")},
        {&P::x, percent("centre.x", "Middle across", 0, 100, 50,
                        "Where the frame's middle lies, from the picture's left edge to the right.")},
        {&P::y, percent("centre.y", "Middle down", 0, 100, 50,
                        "Where the frame's middle lies, from the picture's top edge to the bottom.")},
        {&P::angle, number("angle", "Angle", -45, 45, 0.1, 0,
                           "Turns the picture under the frame until the horizon is level.", Unit::Degrees)},
        {&P::turns, choice("turns", "Quarter turns",
                           {{"none", "None"}, {"right", "Right"}, {"half", "Upside down"}, {"left", "Left"}},
                           "Turns the picture as a whole, for one that lies on its side.")},
        {&P::mirrored, toggle("mirror", "Mirrored", "Left and right change places.")},
        {turnPart(&CameraTurn::tilt),
         number("tilt", "Camera tilt", -kMostTurn, kMostTurn, 0.1, 0,
                "How far the camera looked up, or down where it is negative: makes uprights parallel again.",
                Unit::Degrees)},
        {turnPart(&CameraTurn::swing),
         number("swing", "Camera swing", -kMostTurn, kMostTurn, 0.1, 0,
                "How far the camera looked to the right of what stands square before it, or to the left where it is "
                "negative: makes level lines parallel again.",
                Unit::Degrees)},
        {turnPart(&CameraTurn::focal), focal}};
}

double radians(double degrees) {
    return degrees * std::numbers::pi / 180;
}

double proportionsIn(double chosen, double width, double height) {
    constexpr double narrowest = 0.05; // a file may say anything
    return chosen > 0 ? std::max(chosen, narrowest) : width / height;
}

/// Half the width and height of the largest frame that fits a picture that is straight.
std::pair<double, double> largest(double proportions, double angle, double width, double height) {
    const double p = proportionsIn(proportions, width, height);
    const double c = std::abs(std::cos(radians(angle))), s = std::abs(std::sin(radians(angle)));
    const double b = std::min(width / (2 * (p * c + s)), height / (2 * (p * s + c)));
    return {p * b, b};
}

} // namespace

std::optional<double> proportionsOf(const std::string& ratio) {
    if (ratio == "free") return std::nullopt;
    for (const AspectRatio& each : aspectRatios())
        if (each.id == ratio) return each.proportions;
    return 0.0;
}

FrameSettings frameOf(const Stage& stage) {
    static const auto list = frameParameters();
    return readSettings(list, stage).settings();
}

FrameSettings frameOf(const Grade& grade) {
    for (const Stage& stage : grade.prep)
        if (stage.type == kFrameType && stage.isEnabled() && stage.strengthOrFull() > 0) return frameOf(stage);
    return {};
}

namespace {

/// "4:5" for "5:4"; the same for what has no other way round, such as "2.39:1".
std::string otherWayRound(const std::string& ratio) {
    const auto colon = ratio.find(':');
    if (colon == std::string::npos) return ratio;
    std::string other = ratio.substr(colon + 1) + ":" + ratio.substr(0, colon);
    const auto& all = aspectRatios();
    const bool isThere =
        std::any_of(all.begin(), all.end(), [&](const AspectRatio& each) { return each.id == other; });
    return isThere ? other : ratio;
}

std::string turnsWord(int quarterTurns) {
    return frameType().parameter("turns")->options[static_cast<std::size_t>(quarterTurns)].id;
}

} // namespace

double knownFocal(const Shot& shot) {
    const double focal = std::round(focalFor35(shot));
    return focal >= kShortestFocal && focal <= kLongestFocal ? focal : CameraTurn().focal;
}

std::map<std::string, Value> sidesSwapped(const Stage& stage) {
    const ParameterReader read(frameType(), stage);
    const std::string ratio = read.choice("ratio");
    const std::optional<double> named = proportionsOf(ratio);
    const double own = named ? *named : read.number("proportions");
    if (own == 0) return {}; // the picture's own: as it turns, so does the frame
    if (named && otherWayRound(ratio) != ratio) return {{"ratio", otherWayRound(ratio)}};
    if (own == 1) return {};
    return {{"ratio", std::string("free")}, {"proportions", 1 / own}};
}

std::map<std::string, Value> quarterTurned(const Stage& stage, bool clockwise) {
    const FrameSettings frame = frameOf(stage);
    Orientation turned = frame.orientation;
    for (int i = 0; i < (clockwise ? 1 : 3); ++i) turned = turnedOnce(turned);
    auto values = sidesSwapped(stage);
    if (!frame.turn.isNone()) {
        const Straightening next = turnedByQuarter({frame.turn, frame.angle}, clockwise);
        values["tilt"] = next.turn.tilt, values["swing"] = next.turn.swing, values["angle"] = next.angle;
    }
    values["turns"] = turnsWord(turned.quarterTurns);
    values["centre.x"] = clockwise ? 1 - frame.y : frame.y;
    values["centre.y"] = clockwise ? frame.x : 1 - frame.x;
    return values;
}

std::map<std::string, Value> mirrored(const Stage& stage) {
    const FrameSettings frame = frameOf(stage);
    const Orientation turned = mirroredOnce(frame.orientation);
    std::map<std::string, Value> values = {{"turns", turnsWord(turned.quarterTurns)},
                                           {"mirror", turned.mirrored},
                                           {"centre.x", 1 - frame.x},
                                           {"angle", -frame.angle}};
    if (!frame.turn.isNone()) values["swing"] = -frame.turn.swing;
    return values;
}

namespace {

/// A frame in a picture that is made straight.
Placement madeStraight(const FrameSettings& frame, int width, int height) {
    Placement placement;
    placement.orientation = frame.orientation;
    placement.angle = radians(frame.angle);
    placement.perspective = straightToPicture(frame.turn, width, height);
    const double p = proportionsIn(frame.proportions, width, height);
    const FrameRoom room(straightOutline(placement.perspective, width, height), p, placement.angle);
    const double b = room.largest() * frame.size;
    placement.width = std::max(1, static_cast<int>(std::floor(2 * p * b + 1e-6)));
    placement.height = std::max(1, static_cast<int>(std::floor(2 * b + 1e-6)));
    const PlacedPoint wanted = toStraight(placement.perspective, {frame.x * width, frame.y * height}, width, height);
    const PlacedPoint middle = room.middleNear(wanted, b * (1 - 1e-9));
    placement.centreX = middle.x, placement.centreY = middle.y;
    return placement;
}

} // namespace

Placement placementOf(const FrameSettings& frame, int width, int height) {
    if (frame == FrameSettings()) return wholeOf(width, height);
    if (frame.orientation.swapsSides()) std::swap(width, height);
    if (!frame.turn.isNone()) return madeStraight(frame, width, height);
    const auto [mostA, mostB] = largest(frame.proportions, frame.angle, width, height);
    const double a = mostA * frame.size, b = mostB * frame.size;
    Placement placement;
    placement.orientation = frame.orientation;
    placement.angle = radians(frame.angle);
    if (frame.angle == 0) {
        placement.width = std::clamp(static_cast<int>(std::lround(2 * a)), 1, width);
        placement.height = std::clamp(static_cast<int>(std::lround(2 * b)), 1, height);
        const auto start = [](double centre, int whole, int part) {
            return std::clamp<double>(std::round(centre * whole - part / 2.0), 0, whole - part);
        };
        placement.centreX = start(frame.x, width, placement.width) + placement.width / 2.0;
        placement.centreY = start(frame.y, height, placement.height) + placement.height / 2.0;
        return placement;
    }
    const double c = std::abs(std::cos(placement.angle)), s = std::abs(std::sin(placement.angle));
    placement.width = std::max(1, static_cast<int>(std::floor(2 * a + 1e-6)));
    placement.height = std::max(1, static_cast<int>(std::floor(2 * b + 1e-6)));
    const auto within = [](double centre, double reach, int whole) {
        return reach * 2 >= whole ? whole / 2.0 : std::clamp(centre * whole, reach, whole - reach);
    };
    placement.centreX = within(frame.x, a * c + b * s, width);
    placement.centreY = within(frame.y, a * s + b * c, height);
    return placement;
}

FrameSettings frameFrom(double centreX, double centreY, double width, double height, double angle,
                        const CameraTurn& turn, int pictureWidth, int pictureHeight) {
    FrameSettings frame;
    frame.proportions = width / height;
    frame.angle = angle;
    frame.turn = turn;
    PlacedPoint middle{centreX, centreY};
    double most = 0;
    if (turn.isNone()) {
        most = largest(frame.proportions, angle, pictureWidth, pictureHeight).first;
    } else {
        const Mat3 perspective = straightToPicture(turn, pictureWidth, pictureHeight);
        middle = through(perspective, middle);
        most = frame.proportions *
               FrameRoom(straightOutline(perspective, pictureWidth, pictureHeight), frame.proportions, radians(angle))
                   .largest();
    }
    frame.x = middle.x / pictureWidth, frame.y = middle.y / pictureHeight;
    frame.size = std::min(1.0, width / (2 * most));
    return frame;
}

bool fitsPicture(double centreX, double centreY, double width, double height, double angle, const CameraTurn& turn,
                 int pictureWidth, int pictureHeight) {
    const Mat3 perspective = straightToPicture(turn, pictureWidth, pictureHeight);
    const FrameRoom room(straightOutline(perspective, pictureWidth, pictureHeight), width / height, radians(angle));
    return room.roomAround({centreX, centreY}, height / 2) > -0.5;
}

const StageType& frameType() {
    using P = FrameParameters;
    static const StageType type = stageType<P>({
        .id = kFrameType,
        .name = "Frame",
        .summary = "Shows a part of the picture, level and in the proportions you want. What is outside is kept.",
        .parts = {Part::Prep},
        .footprint = Footprint::Source,
        .settings = frameParameters(),
        .isNeutral =
            [](const P& p) {
                const FrameSettings frame = p.settings();
                return frame.proportions == 0 && frame.size == 1 && frame.angle == 0 && frame.orientation.isNone() &&
                       frame.turn.isNone();
            },
        .starters = {{"ratio", std::string("free")}},
    });
    return type;
}

} // namespace baryton
