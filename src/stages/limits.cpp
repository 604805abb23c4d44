#include "stages/limits.h"
#include "colour/spaces.h"
#include "colour/transfer.h"
#include "stages/describe.h"

#include <algorithm>
#include <cmath>

namespace baryton {

const std::vector<ParameterType>& limitParameters() {
    using namespace describe;
    static const std::vector<ParameterType> all = {
        percent("limits.tone.low", "Tones from", 0, 100, 0, "The stage acts on tones from here up."),
        percent("limits.tone.high", "Tones to", 0, 100, 100, "The stage acts on tones up to here."),
        through({"limits.tone.low", "limits.tone.high"}, percent("limits.tone.softness", "Tone softness", 10, 60, 20,
                                                                 "How gently the stage sets in at the ends.")),
        through({"limits.hue.width"}, hue("limits.hue.centre", "Hue", "The hue that the stage acts on.")),
        number("limits.hue.width", "Hue width", 10, 360, 1, 360,
               "How many degrees of hue the stage acts on; 360 is all of them, and grey.", Unit::Degrees),
        through({"limits.hue.width"}, number("limits.hue.softness", "Hue softness", 15, 90, 1, 30,
                                             "How gently the hues fade out.", Unit::Degrees)),
    };
    return all;
}

std::optional<Limits> Limits::of(const ParameterReader& p) {
    Limits limits;
    const double low = p.number("limits.tone.low"), high = p.number("limits.tone.high"),
                 width = p.number("limits.hue.width");
    if (low <= 0 && high >= 1 && width >= 360) return std::nullopt;
    limits.low = static_cast<float>(low);
    limits.high = static_cast<float>(std::max(low, high));
    limits.perSoftness = static_cast<float>(1 / p.number("limits.tone.softness"));
    limits.hue = HueWindow(p.number("limits.hue.centre"), width, p.number("limits.hue.softness"));
    const double t = std::clamp((width - 300) / 60, 0.0, 1.0);
    limits.openHue = static_cast<float>(t * t * (3 - 2 * t));
    return limits;
}

double Limits::weight(const Vec3& encoded) const {
    const auto step = [&](double start, double v) {
        const double t = std::clamp((v - start) * perSoftness, 0.0, 1.0);
        return t * t * (3 - 2 * t);
    };
    const double y = std::clamp(luma(encoded[0], encoded[1], encoded[2]), 0.0, 1.0);
    const double tone = step(low - 1 / perSoftness, y) * (1 - step(high, y));
    if (openHue >= 1) return tone;
    const double closed = hue.share(encoded);
    return tone * (closed + (1 - closed) * openHue);
}

} // namespace baryton
