#include "grade/grade.h"

#include <algorithm>

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

namespace {

/// Raises the number of the id's stem to the id's. What is no stem and number, or one of more than eight digits, was
/// given by a hand and can't clash with what freeId makes.
void note(GivenIds& given, const std::string& id) {
    const auto dash = id.rfind('-');
    if (dash == std::string::npos) return;
    const std::string number = id.substr(dash + 1);
    constexpr std::size_t mostDigits = 8;
    if (number.empty() || number.size() > mostDigits || number[0] == '0') return;
    if (number.find_first_not_of("0123456789") != std::string::npos) return;
    int& highest = given.highest[id.substr(0, dash)];
    highest = std::max(highest, std::stoi(number));
}

void noteAll(GivenIds& given, const Grade& grade) {
    for (const auto& place : stagePlaces(grade)) note(given, stageAt(grade, place).id);
    for (const auto& layer : grade.look) note(given, layer.id);
}

} // namespace

std::string freeId(const Grade& grade, const std::string& stem) {
    GivenIds given = grade.given;
    noteAll(given, grade);
    return stem + "-" + std::to_string(given.highest[stem] + 1);
}

void noteGivenIds(Grade& grade, const GivenIds& others) {
    for (const auto& [stem, number] : others.highest) {
        int& highest = grade.given.highest[stem];
        highest = std::max(highest, number);
    }
    noteAll(grade.given, grade);
}

} // namespace baryton
