#include "base/error.h"
#include "base/file.h"
#include "grade/grade_json.h"
#include "grade/json_parts.h"

namespace baryton {

namespace {

std::string text(const Json& json, const char* key) {
    return json.value(key, "");
}

Change changeFromJson(const Json& json, const std::string& path) {
    Change change;
    const std::string part = text(json, "part");
    change.path.part = part == "prep" ? Part::Prep : part == "finish" ? Part::Finish : Part::Look;
    change.path.layer = text(json, "layer");
    change.path.stage = text(json, "stage");
    change.path.parameter = text(json, "parameter");
    if (json.contains("before")) change.before = valueFromJson(json["before"], path + "/before");
    if (json.contains("after")) change.after = valueFromJson(json["after"], path + "/after");
    return change;
}

Json changeToJson(const Change& change) {
    Json json = {{"part", partName(change.path.part)}, {"parameter", change.path.parameter}};
    if (!change.path.layer.empty()) json["layer"] = change.path.layer;
    if (!change.path.stage.empty()) json["stage"] = change.path.stage;
    if (change.before) json["before"] = valueToJson(*change.before);
    if (change.after) json["after"] = valueToJson(*change.after);
    return json;
}

bool isLut(const Json& json) {
    return json.is_object() && json.contains("lut") && json["lut"].is_string();
}

/// Calls `visit` for each LUT, the grade in hand first, so that readers that know of no shared content find it there.
template <class Visit>
void forEachLut(Json& json, const Visit& visit) {
    if (isLut(json)) return visit(json);
    if (!json.is_structured()) return;
    if (json.is_object() && json.contains("look")) forEachLut(json["look"], visit);
    for (auto& [key, value] : json.items())
        if (!json.is_object() || key != "look") forEachLut(value, visit);
}

const char* const kContentFields[] = {"title", "shaper", "shaperRange", "grid", "gridRange"};

} // namespace

std::vector<InForce> inForceFromJson(const Json& json, const std::string& path) {
    std::vector<InForce> all;
    const auto at = json.find("inForce");
    if (at == json.end()) return all;
    for (std::size_t i = 0; i < at->size(); ++i) {
        const Json& item = (*at)[i];
        const std::string place = path + "/inForce/" + std::to_string(i);
        InForce entry;
        entry.preset = presetFromJson(item.at("preset"), place + "/preset");
        entry.mode = applyModeFromId(text(item, "mode")).value_or(ApplyMode::Set);
        entry.strength = item.value("strength", 1.0);
        entry.isOn = item.value("on", true);
        entry.place = item.value("place", std::size_t(0));
        const Json changes = item.value("set", Json::array());
        for (std::size_t c = 0; c < changes.size(); ++c)
            entry.set.push_back(changeFromJson(changes[c], place + "/set/" + std::to_string(c)));
        entry.madeStages = stagesFromJson(item, "stages", place);
        entry.madeLayers = layersFromJson(item, "layers", place);
        entry.replacedLook = layersFromJson(item, "replacedLook", place);
        entry.replaced = inForceFromJson(item.value("replaced", Json::object()), place + "/replaced");
        all.push_back(std::move(entry));
    }
    return all;
}

Json inForceToJson(const std::vector<InForce>& presets) {
    Json all = Json::array();
    for (const InForce& entry : presets) {
        Json item = {{"mode", applyModeId(entry.mode)}, {"strength", entry.strength}, {"place", entry.place}};
        item["preset"] = Json::object();
        presetIntoJson(entry.preset, item["preset"]);
        if (!entry.isOn) item["on"] = false;
        for (const Change& change : entry.set) item["set"].push_back(changeToJson(change));
        if (!entry.madeStages.empty()) item["stages"] = stagesToJson(entry.madeStages);
        if (!entry.madeLayers.empty()) item["layers"] = layersToJson(entry.madeLayers);
        if (!entry.replacedLook.empty()) item["replacedLook"] = layersToJson(entry.replacedLook);
        if (!entry.replaced.empty()) item["replaced"]["inForce"] = inForceToJson(entry.replaced);
        all.push_back(std::move(item));
    }
    return all;
}

void shareLuts(Json& json) {
    std::map<std::string, int> seen;
    const auto keyOf = [](const Json& lut) {
        std::string content;
        for (const char* field : kContentFields) content += lut.contains(field) ? lut[field].dump() + "|" : "|";
        return contentHash(content);
    };
    forEachLut(json, [&](Json& lut) {
        if (lut.contains("grid") || lut.contains("shaper")) ++seen[keyOf(lut)];
    });
    std::map<std::string, bool> written;
    forEachLut(json, [&](Json& lut) {
        if (!lut.contains("grid") && !lut.contains("shaper")) return;
        const std::string key = keyOf(lut);
        if (seen[key] < 2) return;
        lut["content"] = key;
        if (!written[key]) {
            written[key] = true;
            return;
        }
        for (const char* field : kContentFields) lut.erase(field);
    });
}

void unshareLuts(Json& json) {
    std::map<std::string, Json> contents;
    forEachLut(json, [&](Json& lut) {
        if (!lut.contains("content")) return;
        if (lut.contains("grid") || lut.contains("shaper")) contents[lut["content"].get<std::string>()] = lut;
    });
    forEachLut(json, [&](Json& lut) {
        if (!lut.contains("content")) return;
        const auto at = contents.find(lut["content"].get<std::string>());
        if (at != contents.end())
            for (const char* field : kContentFields)
                if (at->second.contains(field)) lut[field] = at->second[field];
        lut.erase("content");
    });
}

} // namespace baryton
