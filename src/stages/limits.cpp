#include "stages/limits.h"
#include "colour/smooth_step.h"
#include "colour/spaces.h"
#include "colour/transfer.h"
#include "stages/describe.h"
#include "stages/settings.h"

#include <algorithm>
#include <cmath>

namespace baryton {

namespace {

struct LimitSettings {
    double toneLow = 0, toneHigh = 1, toneSoftness = 0.2;   ///< of luma
    double hueCentre = 0, hueWidth = 360, hueSoftness = 30; ///< degrees
};

const SettingList<LimitSettings>& limitSettings() {
    using namespace describe;
    using S = LimitSettings;
    const std::vector<std::string> ends = {"limits.tone.low", "limits.tone.high"}, width = {"limits.hue.width"};
    static const SettingList<S> all = {
        {&S::toneLow, percent("limits.tone.low", "Tones from", 0, 100, 0, "The stage acts on tones from here up.")},
        {&S::toneHigh, percent("limits.tone.high", "Tones to", 0, 100, 100, "The stage acts on tones up to here.")},
        {&S::toneSoftness, through(ends, percent("limits.tone.softness", "Tone softness", 10, 60, 20,
                                                 "How gently the stage sets in at the ends."))},
        {&S::hueCentre, through(width, hue("limits.hue.centre", "Hue", "The hue that the stage acts on."))},
        {&S::hueWidth,
         number("limits.hue.width", "Hue width", 10, 360, 1, 360,
                "How many degrees of hue the stage acts on; 360 is all of them, and grey.", Unit::Degrees)},
        {&S::hueSoftness, through(width, number("limits.hue.softness", "Hue softness", 15, 90, 1, 30,
                                                "How gently the hues fade out.", Unit::Degrees))},
    };
    return all;
}

} // namespace

const std::vector<ParameterType>& limitParameters() {
    static const auto all = parametersOf(limitSettings());
    return all;
}

std::optional<Limits> Limits::of(const Stage& stage) {
    const LimitSettings s = readSettings(limitSettings(), stage);
    if (s.toneLow <= 0 && s.toneHigh >= 1 && s.hueWidth >= 360) return std::nullopt;
    Limits limits;
    limits.low = static_cast<float>(s.toneLow);
    limits.high = static_cast<float>(std::max(s.toneLow, s.toneHigh));
    limits.perSoftness = static_cast<float>(1 / s.toneSoftness);
    limits.hue = HueWindow(s.hueCentre, s.hueWidth, s.hueSoftness);
    limits.openHue = static_cast<float>(smoothStep(s.hueWidth, 300, 1.0 / 60));
    return limits;
}

double Limits::weight(const Vec3& encoded) const {
    const double y = std::clamp(luma(encoded[0], encoded[1], encoded[2]), 0.0, 1.0);
    const double tone = smoothStep(y, low - 1 / perSoftness, perSoftness) * (1 - smoothStep(y, high, perSoftness));
    if (openHue >= 1) return tone;
    const double closed = hue.share(encoded);
    return tone * (closed + (1 - closed) * openHue);
}

} // namespace baryton
