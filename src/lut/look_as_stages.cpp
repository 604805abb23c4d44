#include "lut/look_as_stages.h"
#include "base/words.h"
#include "lut/scattered_table.h"

#include <memory>

namespace baryton {

namespace {

constexpr int kRestSize = 33;

std::vector<Stage> withRestBehind(std::vector<Stage> stages, const LutTable& rest) {
    Stage stage;
    stage.type = "lut";
    stage.label = words("Rest");
    stage.parameters["file"] = LutContent{stage.label, std::make_shared<const LutTable>(rest)};
    stages.push_back(std::move(stage));
    return stages;
}

} // namespace

LookAsStages lookAsStages(const Grade& look, const std::vector<Picture>& pictures, const LookSearch& how,
                          const Task* task) {
    return behindStages(findLook(pairsOf(look, pictures), how, task).stages, look, pictures, task);
}

LookAsStages behindStages(std::vector<Stage> stages, const Grade& look, const std::vector<Picture>& pictures,
                          const Task* task) {
    LookAsStages found;
    found.stages = std::move(stages);
    found.apart = compareLooks(look, gradeOf(found.stages, {}), pictures, task);
    found.rest = restBehind(found.stages, look, kRestSize, task);
    found.withRest = compareLooks(look, gradeOf(withRestBehind(found.stages, *found.rest), {}), pictures, task);
    const Difference &alone = found.apart.cube, &both = found.withRest->cube;
    if (both.mean >= alone.mean || both.percentile99 >= alone.percentile99)
        found.rest.reset(), found.withRest.reset();
    return found;
}

Preset presetOf(const LookAsStages& found, bool withRest, const std::string& name, const std::string& whence) {
    Preset preset;
    preset.name = name;
    const bool hasRest = withRest && found.rest;
    const Difference& left = hasRest ? found.withRest->cube : found.apart.cube;
    preset.notes = hasRest
                       ? inWords("Found in {}, what was left behind it as a LUT; over all colours ΔE {:.2f} in the "
                                 "mean, {:.2f} at worst.",
                                 whence, left.mean, left.worst)
                       : inWords("Found in {}; over all colours ΔE {:.2f} in the mean, {:.2f} at worst.", whence,
                                 left.mean, left.worst);
    preset.carried = gradeOf(hasRest ? withRestBehind(found.stages, *found.rest) : found.stages, name);
    return preset;
}

} // namespace baryton
