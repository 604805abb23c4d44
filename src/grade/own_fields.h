#pragma once
#include "grade/grade.h"

#include <optional>
#include <string>
#include <vector>

namespace baryton {

/// What a stage or a layer has of its own, apart from its parameters and what stands in it. Described once, here:
/// files, include-sets, apply, diff, presets in force, carrying over and the trees walk these lists as they walk the
/// parameters of a stage type. What a field is called and which values it takes is said by `ownFieldType`
/// (stages/own_field_type.h).
template <class Item>
struct OwnField {
    std::string word; ///< as it stands in files and in a CarryPath; no parameter may be called so
    Value defaultValue;
    /// Nothing where it stands at its default.
    std::optional<Value> (*get)(const Item& item);
    /// A value of another kind than the field's counts as nothing.
    void (*set)(Item& item, const std::optional<Value>& value);

    Value getOrDefault(const Item& item) const { return get(item).value_or(defaultValue); }
};

inline const std::string kEnabledWord = "enabled", kStrengthWord = "strength", kBlendWord = "blend",
                         kMaskWord = "mask";

const std::vector<OwnField<Stage>>& ownFieldsOf(const Stage& stage);
const std::vector<OwnField<Layer>>& ownFieldsOf(const Layer& layer);

/// The field with this word, or null.
template <class Item>
const OwnField<Item>* ownField(const Item& item, const std::string& word) {
    for (const auto& field : ownFieldsOf(item))
        if (field.word == word) return &field;
    return nullptr;
}

/// Whether any of its own fields is away from its default.
template <class Item>
bool hasOwnFields(const Item& item) {
    for (const auto& field : ownFieldsOf(item))
        if (field.get(item)) return true;
    return false;
}

/// Sets on `target` what is present in `carried`.
template <class Item>
void setOwnFields(Item& target, const Item& carried) {
    for (const auto& field : ownFieldsOf(carried))
        if (const auto value = field.get(carried)) field.set(target, value);
}

} // namespace baryton
