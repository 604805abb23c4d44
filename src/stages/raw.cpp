// Raw: how a raw file becomes a picture. It touches no colour of the working encoding: whoever reads the file
// develops it by these settings (see picture/development.h), and of other files they say nothing.
#include "stages/raw.h"
#include "colour/illuminant.h"
#include "stages/all_stages.h"
#include "stages/describe.h"
#include "stages/settings.h"

#include <algorithm>

namespace baryton {

namespace {

enum class RawWhite { AsShot, Set };

/// A Raw stage's parameters as they stand in it.
struct RawParameters {
    RawWhite white = RawWhite::AsShot;
    double temperature = 5500, tint = 0;
    RawHighlights highlights = RawHighlights::Neutral;
    RawResponse response = RawResponse::Even;
    RawDemosaic demosaic = RawDemosaic::Fine;

    RawSettings settings() const {
        RawSettings all;
        all.isAsShot = white == RawWhite::AsShot;
        if (!all.isAsShot) all.kelvin = temperature, all.tint = tint; // else they count for nothing
        all.highlights = highlights, all.response = response, all.demosaic = demosaic;
        return all;
    }
};

SettingList<RawParameters> rawParameters() {
    using namespace describe;
    using P = RawParameters;
    ParameterType temperature =
        number("temperature", "Temperature", kLowestTemperature, kHighestTemperature, 50, 5500,
               "The colour of the light the picture was taken in, through the camera's own colours: lower for lamps "
               "(the picture turns bluer), higher for shade (it turns warmer).",
               Unit::Kelvin);
    temperature.inverse = true;
    return {{&P::white, choice("white", "White", {{"as-shot", "As shot"}, {"set", "Temperature and tint"}},
                               "What light of the scene becomes neutral.")},
            {&P::temperature, onlyWith("white", "set", temperature)},
            {&P::tint, onlyWith("white", "set",
                                percent("tint", "Tint", -100, 100, 0,
                                        "Takes away a green cast (to the right) or a magenta one (to the left)."))},
            {&P::highlights,
             choice("highlights", "Blown lights", {{"neutral", "Kept neutral"}, {"rebuilt", "Rebuilt"}},
                    "Where the sensor could take no more: all channels end together, or those that have ended follow "
                    "the others. Rebuilt lights are brighter than white; Exposure or a curve brings them down.")},
            {&P::response,
             choice("response", "Response", {{"even", "Even"}, {"flat", "Flat"}},
                    "Even: light as it was measured. Flat: low in contrast, with room above white, to grade from.")},
            {&P::demosaic, choice("demosaic", "Detail", {{"fine", "Fine"}, {"quick", "Quick"}},
                                  "How a colour is found for each pixel of the sensor. Quick takes half the time.")}};
}

} // namespace

RawSettings rawOf(const Stage& stage) {
    static const auto list = rawParameters();
    return readSettings(list, stage).settings();
}

RawSettings rawOf(const Grade& grade) {
    for (const Stage& stage : grade.prep)
        if (stage.type == kRawType && stage.isEnabled() && stage.strengthOrFull() > 0) return rawOf(stage);
    return {};
}

Grade withRaw(Grade grade) {
    const bool isThere =
        std::any_of(grade.prep.begin(), grade.prep.end(), [](const Stage& stage) { return stage.type == kRawType; });
    if (!isThere) grade.prep.insert(grade.prep.begin(), makeStage(grade, kRawType));
    return grade;
}

const StageType& rawType() {
    using P = RawParameters;
    static const StageType type = stageType<P>({
        .id = kRawType,
        .name = "Raw",
        .summary = "Makes a picture of what the camera's sensor saw: its white, blown lights, response. It "
                   "acts on raw files only.",
        .parts = {Part::Prep},
        .footprint = Footprint::Source,
        .settings = rawParameters(),
        .isNeutral = [](const P& p) { return p.settings() == RawSettings(); },
    });
    return type;
}

} // namespace baryton
