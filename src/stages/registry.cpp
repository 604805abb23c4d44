#include "stages/all_stages.h"
#include "stages/stage_type.h"

namespace baryton {

const std::vector<const StageType*>& stageTypes() {
    static const std::vector<const StageType*> types = {
        &exposureType(),   &whiteBalanceType(), &curvesType(),   &wheelsType(),
        &saturationType(), &lutType(),          &vignetteType(),
    };
    return types;
}

} // namespace baryton
