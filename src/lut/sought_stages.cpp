#include "lut/sought_stages.h"
#include "stages/spline.h"
#include "stages/stage_type.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <numbers>

namespace baryton {

namespace {

constexpr std::size_t kCurveKnots = 7, kBands = 8, kStops = 8;
constexpr const char* kChannels[] = {"red", "green", "blue"};
constexpr double kBandDegrees = 360.0 / kBands;

double knotAt(std::size_t i) {
    return double(i) / (kCurveKnots - 1);
}

/// A point of the disc as the hue and the amount that it stands for.
void writePull(double x, double y, const std::string& id, Stage& stage) {
    const double angle = std::atan2(y, x) * 180 / std::numbers::pi;
    stage.parameters[id + ".hue"] = angle < 0 ? angle + 360 : angle;
    stage.parameters[id + ".amount"] = std::min(std::hypot(x, y), 1.0);
}

} // namespace

SoughtStage soughtMix() {
    SoughtStage sought;
    sought.type = "channel-mix";
    for (std::size_t to = 0; to < 3; ++to) {
        for (std::size_t from = 0; from < 3; ++from) sought.numbers.push_back({to == from ? 1.0 : 0.0, -2, 2, 0.004});
        sought.numbers.push_back({0, -0.5, 0.5, 0.004});
    }
    sought.write = [](std::span<const double> x, Stage& stage) {
        for (std::size_t to = 0; to < 3; ++to) {
            const std::string row = kChannels[to];
            for (std::size_t from = 0; from < 3; ++from)
                stage.parameters[row + ".from." + kChannels[from]] = x[4 * to + from];
            stage.parameters[row + ".offset"] = x[4 * to + 3];
        }
    };
    return sought;
}

SoughtStage soughtCurves() {
    SoughtStage sought;
    sought.type = "curves";
    for (std::size_t curve = 0; curve < 4; ++curve)
        for (std::size_t i = 0; i < kCurveKnots; ++i) sought.numbers.push_back({knotAt(i), 0, 1, 0.004});
    sought.write = [](std::span<const double> x, Stage& stage) {
        constexpr const char* ids[] = {"rgb", "r", "g", "b"};
        for (std::size_t curve = 0; curve < 4; ++curve) {
            Curve points;
            for (std::size_t i = 0; i < kCurveKnots; ++i) points.push_back({knotAt(i), x[curve * kCurveKnots + i]});
            stage.parameters[ids[curve]] = std::move(points);
        }
    };
    return sought;
}

SoughtStage soughtWheels() {
    constexpr const char* tones[] = {"shadows", "midtones", "highlights"};
    SoughtStage sought;
    sought.type = "wheels";
    for (std::size_t tone = 0; tone < std::size(tones); ++tone) {
        for (int axis = 0; axis < 2; ++axis) sought.numbers.push_back({0, -0.7, 0.7, 0.01});
        sought.numbers.push_back({0, -1, 1, 0.01});
    }
    sought.write = [tones](std::span<const double> x, Stage& stage) {
        for (std::size_t tone = 0; tone < std::size(tones); ++tone) {
            writePull(x[3 * tone], x[3 * tone + 1], tones[tone], stage);
            stage.parameters[std::string(tones[tone]) + ".level"] = x[3 * tone + 2];
        }
    };
    return sought;
}

SoughtStage soughtHueBands() {
    SoughtStage sought;
    sought.type = "hue-bands";
    for (std::size_t band = 0; band < kBands; ++band) {
        sought.numbers.push_back({0, -60, 60, 0.5});
        for (int i = 0; i < 2; ++i) sought.numbers.push_back({0, -1, 1, 0.01});
        const double centre = kBandDegrees * double(band);
        sought.numbers.push_back({centre, centre - kBandDegrees / 2, centre + kBandDegrees / 2, 0.5, true});
        sought.numbers.push_back({10, 5, 90, 1, true});
    }
    sought.write = [](std::span<const double> x, Stage& stage) {
        for (std::size_t band = 0; band < kBands; ++band) {
            const std::string id = "band" + std::to_string(band + 1);
            stage.parameters[id + ".shift"] = x[5 * band];
            stage.parameters[id + ".saturation"] = x[5 * band + 1];
            stage.parameters[id + ".lightness"] = x[5 * band + 2];
            stage.parameters[id + ".centre"] = std::fmod(x[5 * band + 3] + 360, 360);
            stage.parameters[id + ".width"] = x[5 * band + 4];
            // Wide enough that no hue falls between two: where they overlap, they share.
            stage.parameters[id + ".feather"] = kBandDegrees;
        }
    };
    return sought;
}

SoughtStage soughtSaturation() {
    SoughtStage sought;
    sought.type = "saturation";
    sought.numbers.assign(3, {0, -1, 1, 0.01});
    sought.write = [](std::span<const double> x, Stage& stage) {
        stage.parameters["overall"] = x[0];
        stage.parameters["muted"] = x[1];
        stage.parameters["vivid"] = x[2];
    };
    return sought;
}

SoughtStage soughtGamut() {
    SoughtStage sought;
    sought.type = "gamut";
    sought.numbers = {{0, 0, 1, 0.01}, {0.8, 0.4, 0.95, 0.01}, {1.5, 1.05, 3, 0.02}, {0.6, 0, 1, 0.02}};
    sought.write = [](std::span<const double> x, Stage& stage) {
        constexpr const char* ids[] = {"amount", "knee", "reach", "darkening"};
        for (std::size_t i = 0; i < std::size(ids); ++i) stage.parameters[ids[i]] = x[i];
    };
    return sought;
}

SoughtStage soughtMonochrome() {
    constexpr const char* families[] = {"red", "orange", "yellow", "green", "cyan", "blue", "violet", "magenta"};
    SoughtStage sought;
    sought.type = "monochrome";
    sought.numbers.assign(std::size(families), {0, -1, 1, 0.01});
    sought.write = [families](std::span<const double> x, Stage& stage) {
        stage.parameters["amount"] = 1.0;
        for (std::size_t i = 0; i < std::size(families); ++i)
            stage.parameters[std::string(families[i]) + ".lightness"] = x[i];
    };
    return sought;
}

SoughtStage soughtGradient() {
    SoughtStage sought;
    sought.type = "gradient-map";
    for (std::size_t stop = 0; stop < kStops; ++stop)
        sought.numbers.insert(sought.numbers.end(), 3, {double(stop) / (kStops - 1), 0, 1, 0.01});
    sought.write = [](std::span<const double> x, Stage& stage) {
        constexpr const char* channels[] = {"r", "g", "b"};
        stage.parameters["amount"] = 1.0;
        stage.parameters["stops"] = double(kStops);
        for (std::size_t stop = 0; stop < kStops; ++stop) {
            const std::string id = "stop" + std::to_string(stop + 1);
            stage.parameters[id + ".position"] = double(stop) / (kStops - 1);
            for (std::size_t k = 0; k < 3; ++k) stage.parameters[id + "." + channels[k]] = x[3 * stop + k];
        }
    };
    return sought;
}

namespace {

constexpr double kFinest = 0.0001; ///< what numbers are rounded to
/// Of a curve's height, of a share of 0…1, of degrees.
constexpr double kUnseenHeight = 0.0005, kUnseenChange = 0.001, kUnseenTurn = 0.15;

double farthestApart(const Curve& one, const Curve& other) {
    const Spline a(one), b(other);
    double most = 0;
    for (int i = 0; i <= 256; ++i) most = std::max(most, std::abs(a(i / 256.0) - b(i / 256.0)));
    return most;
}

/// Without the points that it passes through anyway, those that matter least going first; nothing for a curve that is
/// straight but for what nobody could see.
Curve withFewestPoints(const Curve& whole, double unseen) {
    if (farthestApart(whole, {}) < unseen) return {};
    Curve few = whole;
    while (few.size() > 2) {
        std::size_t least = 0;
        double change = unseen;
        for (std::size_t i = 1; i + 1 < few.size(); ++i) {
            Curve without = few;
            without.erase(without.begin() + static_cast<std::ptrdiff_t>(i));
            const double apart = farthestApart(without, whole);
            if (apart < change) least = i, change = apart;
        }
        if (least == 0) break;
        few.erase(few.begin() + static_cast<std::ptrdiff_t>(least));
    }
    return few;
}

} // namespace

Stage withCommonCurve(Stage stage) {
    constexpr const char* channels[] = {"r", "g", "b"};
    const auto curveOf = [&](const char* id) {
        const auto found = stage.parameters.find(id);
        const Curve* curve = found == stage.parameters.end() ? nullptr : std::get_if<Curve>(&found->second);
        return curve ? *curve : Curve{};
    };
    const Curve whole = curveOf("rgb");
    if (stage.type != "curves" || whole.size() < 2) return stage;
    const Spline first(whole);
    Curve common;
    std::array<Curve, 3> own;
    for (const CurvePoint& point : whole) {
        double sum = 0, ends[3];
        for (std::size_t k = 0; k < 3; ++k) {
            ends[k] = std::clamp(Spline(curveOf(channels[k]))(first(point.x)), 0.0, 1.0);
            sum += ends[k] / 3;
        }
        if (!common.empty() && sum < common.back().y + 2 * kLeastPointDistance) return stage; // it turns back there
        common.push_back({point.x, sum});
        for (std::size_t k = 0; k < 3; ++k) own[k].push_back({sum, ends[k]});
    }
    stage.parameters["rgb"] = common;
    for (std::size_t k = 0; k < 3; ++k) stage.parameters[channels[k]] = own[k];
    return stage;
}

Stage tidied(Stage stage, double coarseness) {
    const StageType* type = findStageType(stage.type);
    for (auto& [id, value] : stage.parameters) {
        const ParameterType* parameter = type->parameter(id);
        if (auto* curve = std::get_if<Curve>(&value)) {
            *curve = withFewestPoints(*curve, coarseness * kUnseenHeight);
            for (CurvePoint& point : *curve)
                point = {std::round(point.x / kFinest) * kFinest, std::round(point.y / kFinest) * kFinest};
        }
        auto* number = std::get_if<double>(&value);
        if (!number || parameter->kind != ParameterKind::Number) continue;
        const double standard = std::get<double>(parameter->defaultValue);
        const bool isAngle = parameter->unit == Unit::Degrees;
        const double unit = isAngle ? 0.1 : kFinest;
        *number = std::round(*number / unit) * unit;
        if (parameter->actsThrough.empty() &&
            std::abs(*number - standard) < coarseness * (isAngle ? kUnseenTurn : kUnseenChange))
            *number = standard;
    }
    // What acts only through numbers that are at rest, and what stands at its default, need not be there.
    const auto rests = [&](const std::string& id) {
        const auto found = stage.parameters.find(id);
        return found == stage.parameters.end() || found->second == type->parameter(id)->defaultValue;
    };
    std::erase_if(stage.parameters, [&](const auto& entry) {
        const auto& through = type->parameter(entry.first)->actsThrough;
        if (!through.empty()) return std::all_of(through.begin(), through.end(), rests);
        return entry.second == type->parameter(entry.first)->defaultValue;
    });
    return stage;
}

} // namespace baryton
