#pragma once
#include "stages/stage_type.h"

#include <array>
#include <cstddef>
#include <functional>
#include <memory>
#include <type_traits>
#include <utility>

namespace baryton {

// A stage's parameters as a plain struct: its code computes from members with types, and only the description knows
// by which ids they stand in files.

/// A parameter and the member of `Settings` that it fills: a double from a number (held to its range), a bool from a
/// toggle, an enum or an index from a choice (whose options stand in the enum's order), a Curve, a LutContent, a
/// PictureContent.
///
/// `place` is a pointer to the member, or a function from Settings& to a reference to it. A member that does not fit
/// the parameter's kind throws std::bad_variant_access as soon as the type is described.
template <class Settings>
struct Setting {
    ParameterType parameter;
    std::function<void(const ParameterType&, const Value&, Settings&)> fill;

    template <class Place>
    Setting(Place place, ParameterType described) : parameter(std::move(described)) {
        fill = [place](const ParameterType& type, const Value& value, Settings& settings) {
            auto& member = std::invoke(place, settings);
            using Member = std::remove_reference_t<decltype(member)>;
            if constexpr (std::is_enum_v<Member> || std::is_same_v<Member, std::size_t>)
                member = static_cast<Member>(optionIndex(type, value));
            else
                member = std::get<Member>(value);
        };
        Settings trial;
        fill(parameter, parameter.defaultValue, trial);
    }
};

template <class Settings>
using SettingList = std::vector<Setting<Settings>>;

/// The place of a member of entry `index` of a list.
template <class Settings, class Entry, std::size_t count, class Member>
auto entry(std::array<Entry, count> Settings::*list, std::size_t index, Member Entry::*member) {
    return [=](Settings& settings) -> Member& { return (settings.*list)[index].*member; };
}
template <class Settings, class Entry, std::size_t count>
auto entry(std::array<Entry, count> Settings::*list, std::size_t index) {
    return [=](Settings& settings) -> Entry& { return (settings.*list)[index]; };
}

/// What a stage says, with the defaults filled in and numbers held to their ranges.
template <class Settings>
Settings readSettings(const SettingList<Settings>& list, const Stage& stage) {
    Settings settings;
    for (const auto& setting : list) setting.fill(setting.parameter, valueIn(setting.parameter, stage), settings);
    return settings;
}

template <class Settings>
std::vector<ParameterType> parametersOf(const SettingList<Settings>& list) {
    std::vector<ParameterType> parameters;
    for (const auto& setting : list) parameters.push_back(setting.parameter);
    return parameters;
}

/// A stage type with its functions over `Settings`; the members are those of StageType.
template <class Settings>
struct StageDescription {
    std::string id, name, summary;
    std::vector<Part> parts;
    Footprint footprint = Footprint::Colour;
    SettingList<Settings> settings;
    bool (*isNeutral)(const Settings&) = nullptr;
    Kernel (*compile)(const Settings&) = nullptr;
    AreaKernel (*compileNarrow)(const Settings&, double scale) = nullptr;
    Kernel (*compileForPixels)(const Settings&, const PixelColumns&) = nullptr;
    Kernel (*compileWide)(const Settings&, const Picture& base) = nullptr;
    Domain lateDomain = Domain::Linear;
    std::map<std::string, Value> starters{};
};

template <class Settings>
StageType stageType(StageDescription<Settings> d) {
    const auto list = std::make_shared<const SettingList<Settings>>(std::move(d.settings));
    StageType type;
    type.id = std::move(d.id), type.name = std::move(d.name), type.summary = std::move(d.summary);
    type.parts = std::move(d.parts), type.footprint = d.footprint;
    type.parameters = parametersOf(*list);
    type.isNeutral = [list, f = d.isNeutral](const Stage& stage) { return f(readSettings(*list, stage)); };
    if (d.compile) type.compile = [list, f = d.compile](const Stage& stage) { return f(readSettings(*list, stage)); };
    if (d.compileNarrow)
        type.compileNarrow = [list, f = d.compileNarrow](const Stage& stage, double scale) {
            return f(readSettings(*list, stage), scale);
        };
    if (d.compileForPixels)
        type.compileForPixels = [list, f = d.compileForPixels](const Stage& stage, const PixelColumns& columns) {
            return f(readSettings(*list, stage), columns);
        };
    if (d.compileWide)
        type.compileWide = [list, f = d.compileWide](const Stage& stage, const Picture& base) {
            return f(readSettings(*list, stage), base);
        };
    type.lateDomain = d.lateDomain;
    type.starters = std::move(d.starters);
    return type;
}

} // namespace baryton
