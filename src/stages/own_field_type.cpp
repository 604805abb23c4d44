#include "stages/own_field_type.h"
#include "base/words.h"
#include "stages/blend.h"
#include "stages/describe.h"

#include <stdexcept>

namespace baryton {

const ParameterType& ownFieldType(const std::string& word) {
    using namespace describe;
    static const std::vector<ParameterType> types = [] {
        ParameterType enabled = toggle(kEnabledWord, words("Switch"), {});
        enabled.defaultValue = true;
        ParameterType blend;
        blend.id = kBlendWord, blend.name = words("Blend"), blend.kind = ParameterKind::Choice;
        blend.options = blendModes();
        blend.defaultValue = std::string("normal");
        ParameterType mask;
        mask.id = kMaskWord, mask.name = words("Mask"), mask.kind = ParameterKind::Mask;
        mask.defaultValue = Mask();
        return std::vector{std::move(enabled), percent(kStrengthWord, words("Strength"), 0, 100, 100, {}),
                           std::move(blend), std::move(mask)};
    }();
    for (const ParameterType& type : types)
        if (type.id == word) return type;
    throw std::logic_error("no stage or layer has a field \"" + word + "\"");
}

} // namespace baryton
