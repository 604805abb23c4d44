#include "grade/grade.h"

#include <set>

namespace baryton {

std::string partName(Part part) {
    return part == Part::Prep ? "prep" : part == Part::Look ? "look" : "finish";
}

std::vector<StagePlace> stagePlaces(const Grade& grade) {
    std::vector<StagePlace> places;
    for (std::size_t i = 0; i < grade.prep.size(); ++i) places.push_back({Part::Prep, 0, i});
    for (std::size_t l = 0; l < grade.look.size(); ++l)
        for (std::size_t i = 0; i < grade.look[l].stages.size(); ++i) places.push_back({Part::Look, l, i});
    for (std::size_t i = 0; i < grade.finish.size(); ++i) places.push_back({Part::Finish, 0, i});
    return places;
}

std::vector<Stage>& stagesOf(Grade& grade, const StagePlace& place) {
    return place.part == Part::Prep     ? grade.prep
           : place.part == Part::Finish ? grade.finish
                                        : grade.look.at(place.layer).stages;
}

Stage& stageAt(Grade& grade, const StagePlace& place) {
    return stagesOf(grade, place).at(place.index);
}

const Stage& stageAt(const Grade& grade, const StagePlace& place) {
    return stageAt(const_cast<Grade&>(grade), place);
}

std::optional<StagePlace> findStage(const Grade& grade, const std::string& stageId) {
    for (const auto& place : stagePlaces(grade))
        if (stageAt(grade, place).id == stageId) return place;
    return std::nullopt;
}

std::string freeId(const Grade& grade, const std::string& stem) {
    std::set<std::string> taken;
    for (const auto& place : stagePlaces(grade)) taken.insert(stageAt(grade, place).id);
    for (const auto& layer : grade.look) taken.insert(layer.id);
    for (int n = 1;; ++n)
        if (std::string id = stem + "-" + std::to_string(n); !taken.contains(id)) return id;
}

} // namespace baryton
