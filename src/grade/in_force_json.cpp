#include "base/error.h"
#include "base/file.h"
#include "grade/grade_json.h"
#include "grade/json_parts.h"

namespace baryton {

namespace {

std::string text(const Json& json, const char* key) {
    return json.value(key, "");
}

Change changeFromJson(const Json& json, const std::string& path, ContentPool* pool) {
    Change change;
    const std::string part = text(json, "part");
    change.path.part = part == "prep" ? Part::Prep : part == "finish" ? Part::Finish : Part::Look;
    change.path.layer = text(json, "layer");
    change.path.stage = text(json, "stage");
    change.path.parameter = text(json, "parameter");
    if (json.contains("before")) change.before = valueFromJson(json["before"], path + "/before", pool);
    if (json.contains("after")) change.after = valueFromJson(json["after"], path + "/after", pool);
    return change;
}

Json changeToJson(const Change& change, ContentPool* pool) {
    Json json = {{"part", partName(change.path.part)}, {"parameter", change.path.parameter}};
    if (!change.path.layer.empty()) json["layer"] = change.path.layer;
    if (!change.path.stage.empty()) json["stage"] = change.path.stage;
    if (change.before) json["before"] = valueToJson(*change.before, pool);
    if (change.after) json["after"] = valueToJson(*change.after, pool);
    return json;
}

} // namespace

std::vector<InForce> inForceFromJson(const Json& json, const std::string& path, ContentPool* pool) {
    std::vector<InForce> all;
    const auto at = json.find("inForce");
    if (at == json.end()) return all;
    for (std::size_t i = 0; i < at->size(); ++i) {
        const Json& item = (*at)[i];
        const std::string place = path + "/inForce/" + std::to_string(i);
        InForce entry;
        entry.preset = presetFromJson(item.at("preset"), place + "/preset", pool);
        entry.mode = applyModeFromId(text(item, "mode")).value_or(ApplyMode::Set);
        entry.strength = item.value("strength", 1.0);
        entry.isOn = item.value("on", true);
        entry.place = item.value("place", std::size_t(0));
        const Json changes = item.value("set", Json::array());
        for (std::size_t c = 0; c < changes.size(); ++c)
            entry.set.push_back(changeFromJson(changes[c], place + "/set/" + std::to_string(c), pool));
        if (const auto frame = item.find("laidIn"); frame != item.end())
            entry.laidIn = gradeFromJson(*frame, place + "/laidIn", pool);
        entry.madeStages = stagesFromJson(item, "stages", place, pool);
        entry.madeLayers = layersFromJson(item, "layers", place, pool);
        entry.replacedLook = layersFromJson(item, "replacedLook", place, pool);
        entry.replaced = inForceFromJson(item.value("replaced", Json::object()), place + "/replaced", pool);
        all.push_back(std::move(entry));
    }
    return all;
}

Json inForceToJson(const std::vector<InForce>& presets, ContentPool* pool) {
    Json all = Json::array();
    for (const InForce& entry : presets) {
        Json item = {{"mode", applyModeId(entry.mode)}, {"strength", entry.strength}, {"place", entry.place}};
        item["preset"] = Json::object();
        presetIntoJson(entry.preset, item["preset"], pool);
        if (!entry.isOn) item["on"] = false;
        for (const Change& change : entry.set) item["set"].push_back(changeToJson(change, pool));
        if (!entry.madeStages.empty()) item["stages"] = stagesToJson(entry.madeStages, pool);
        if (!entry.madeLayers.empty()) item["layers"] = layersToJson(entry.madeLayers, pool);
        if (!entry.replacedLook.empty()) item["replacedLook"] = layersToJson(entry.replacedLook, pool);
        if (entry.laidIn) gradeIntoJson(*entry.laidIn, item["laidIn"], pool);
        if (!entry.replaced.empty()) item["replaced"]["inForce"] = inForceToJson(entry.replaced, pool);
        all.push_back(std::move(item));
    }
    return all;
}

} // namespace baryton
