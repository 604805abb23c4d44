#pragma once

namespace baryton {

class StageType;

/// One function for each stage type, each defined in the file of its name.
const StageType& exposureType();
const StageType& whiteBalanceType();
const StageType& curvesType();
const StageType& wheelsType();
const StageType& saturationType();
const StageType& lutType();
const StageType& vignetteType();

} // namespace baryton
