#include "grade/own_fields.h"

namespace baryton {

namespace {

template <class Item, class T, std::optional<T> Item::*Member>
OwnField<Item> field(std::string word, Value defaultValue) {
    return {std::move(word), std::move(defaultValue),
            [](const Item& item) {
                const auto& held = item.*Member;
                return held ? std::optional<Value>(*held) : std::nullopt;
            },
            [](Item& item, const std::optional<Value>& value) {
                const T* held = value ? std::get_if<T>(&*value) : nullptr;
                item.*Member = held ? std::optional<T>(*held) : std::nullopt;
            }};
}

} // namespace

const std::vector<OwnField<Stage>>& ownFieldsOf(const Stage&) {
    static const std::vector<OwnField<Stage>> fields = {
        field<Stage, bool, &Stage::enabled>(kEnabledWord, true),
        field<Stage, double, &Stage::strength>(kStrengthWord, 1.0),
    };
    return fields;
}

const std::vector<OwnField<Layer>>& ownFieldsOf(const Layer&) {
    static const std::vector<OwnField<Layer>> fields = {
        field<Layer, bool, &Layer::enabled>(kEnabledWord, true),
        field<Layer, double, &Layer::strength>(kStrengthWord, 1.0),
        field<Layer, std::string, &Layer::blend>(kBlendWord, std::string("normal")),
        field<Layer, Mask, &Layer::mask>(kMaskWord, Mask()),
    };
    return fields;
}

} // namespace baryton
