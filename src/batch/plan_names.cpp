#include "base/enum_names.h"
#include "batch/batch.h"

namespace baryton {

namespace {

constexpr EnumNames<3> kPrepChoices = {"own", "none", "matched"};
constexpr EnumNames<3> kIfExists = {"number", "skip", "replace"};
constexpr EnumNames<8> kStates = {"waiting", "running",   "done",     "skipped",
                                  "failed",  "cancelled", "left-out", "elsewhere"};

} // namespace

std::string jobStateName(JobState state) {
    return nameIn(kStates, state);
}
std::string prepChoiceName(PrepChoice choice) {
    return nameIn(kPrepChoices, choice);
}
std::optional<PrepChoice> prepChoiceFromName(std::string_view name) {
    return valueIn<PrepChoice>(kPrepChoices, name);
}
std::string ifExistsName(IfExists choice) {
    return nameIn(kIfExists, choice);
}
std::optional<IfExists> ifExistsFromName(std::string_view name) {
    return valueIn<IfExists>(kIfExists, name);
}

} // namespace baryton
