#include "base/words.h"
#include "stages/all_stages.h"
#include "stages/limits.h"

namespace baryton {

namespace {

/// Names and tooltips in the language of the interface.
void translate(StageType& type) {
    type.name = words(type.name), type.summary = words(type.summary);
    for (ParameterType& parameter : type.parameters) {
        parameter.name = words(parameter.name), parameter.tooltip = words(parameter.tooltip);
        for (auto& option : parameter.options) option.name = words(option.name);
    }
}

/// Those that can be held to limits have them beside their own parameters.
std::vector<StageType> withLimits(std::initializer_list<const StageType*> types) {
    std::vector<StageType> all;
    for (const StageType* type : types) {
        all.push_back(*type);
        if (!type->hasLimits()) continue;
        const auto& limits = limitParameters();
        all.back().parameters.insert(all.back().parameters.end(), limits.begin(), limits.end());
    }
    for (StageType& type : all) translate(type);
    return all;
}

} // namespace

const std::vector<const StageType*>& stageTypes() {
    static const std::vector<StageType> owned = withLimits(
        {&rawType(),         &lensType(),         &frameType(),        &noiseType(),      &defringeType(),
         &exposureType(),    &whiteBalanceType(), &warmthType(),       &toneType(),       &levelsType(),
         &curvesType(),      &wheelsType(),       &splitToneType(),    &hueBandsType(),   &pushTableType(),
         &saturationType(),  &gamutType(),        &primariesType(),    &channelMixType(), &monochromeType(),
         &gradientMapType(), &fillType(),         &filmResponseType(), &lutType(),        &localContrastType(),
         &bloomType(),       &halationType(),     &vignetteType(),     &detailType(),     &overlayType(),
         &grainType(),       &barsType()});
    static const std::vector<const StageType*> types = [] {
        std::vector<const StageType*> pointers;
        for (const StageType& type : owned) pointers.push_back(&type);
        return pointers;
    }();
    return types;
}

} // namespace baryton
