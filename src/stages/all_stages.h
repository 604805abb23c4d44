#pragma once

namespace baryton {

class StageType;

/// One function for each stage type, each defined in the file of its name.
const StageType& rawType();
const StageType& lensType();
const StageType& frameType();
const StageType& noiseType();
const StageType& defringeType();
const StageType& exposureType();
const StageType& whiteBalanceType();
const StageType& warmthType();
const StageType& toneType();
const StageType& levelsType();
const StageType& splitToneType();
const StageType& hueBandsType();
const StageType& pushTableType();
const StageType& primariesType();
const StageType& gamutType();
const StageType& channelMixType();
const StageType& monochromeType();
const StageType& gradientMapType();
const StageType& filmResponseType();
const StageType& curvesType();
const StageType& wheelsType();
const StageType& saturationType();
const StageType& lutType();
const StageType& detailType();
const StageType& bloomType();
const StageType& halationType();
const StageType& localContrastType();
const StageType& vignetteType();
const StageType& overlayType();
const StageType& grainType();
const StageType& fillType();
const StageType& barsType();

} // namespace baryton
