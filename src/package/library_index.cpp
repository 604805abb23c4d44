#include "package/library_index.h"
#include "grade/file_json.h"

namespace baryton {

std::string LibraryIndex::startFor(const std::string& camera, const std::string& type) const {
    if (const auto at = startByCamera.find(camera); at != startByCamera.end()) return at->second;
    if (const auto at = startByType.find(type); at != startByType.end()) return at->second;
    return start;
}

void LibraryIndex::rename(const std::string& from, const std::string& to) {
    const bool isGroup = from.ends_with('/');
    const auto renamed = [&](const std::string& item) -> std::optional<std::string> {
        if (item != from && !(isGroup && item.starts_with(from))) return item;
        if (to.empty()) return std::nullopt;
        return to + item.substr(from.size());
    };
    std::map<std::string, Item> kept;
    for (auto& [item, value] : items)
        if (const auto name = renamed(item)) kept[*name] = value;
    items = std::move(kept);
    start = renamed(start).value_or("");
    for (auto* rules : {&startByCamera, &startByType})
        for (auto rule = rules->begin(); rule != rules->end();) {
            const auto name = renamed(rule->second);
            rule->second = name.value_or("");
            rule = name ? std::next(rule) : rules->erase(rule);
        }
    if (!isGroup) return;
    const std::string group = from.substr(0, from.size() - 1);
    for (auto at = groupOrder.begin(); at != groupOrder.end();)
        if (*at == group && to.empty())
            at = groupOrder.erase(at);
        else
            *at = *at == group ? to.substr(0, to.size() - 1) : *at, ++at;
}

LibraryIndex libraryIndexFromText(const std::string& text) {
    Json json = parseFileJson(text, "baryton-library");
    LibraryIndex index;
    index.groupOrder = json.value("groups", std::vector<std::string>{});
    const Json items = json.value("items", Json::object());
    for (const auto& [item, value] : items.items())
        index.items[item] = {value.value("favourite", false), value.value("key", "")};
    const Json start = json.value("start", Json::object());
    index.start = start.value("any", "");
    index.startByCamera = start.value("cameras", std::map<std::string, std::string>{});
    index.startByType = start.value("types", std::map<std::string, std::string>{});
    for (const char* known : {"format", "version", "groups", "items", "start"}) json.erase(known);
    index.unknown = unknownFromJson(json);
    return index;
}

std::string libraryIndexToText(const LibraryIndex& index) {
    Json json = unknownToJson(index.unknown);
    json["format"] = "baryton-library";
    json["version"] = 1;
    json["groups"] = index.groupOrder;
    for (const auto& [item, value] : index.items) {
        if (value == LibraryIndex::Item{}) continue;
        Json& entry = json["items"][item] = Json::object();
        if (value.isFavourite) entry["favourite"] = true;
        if (!value.key.empty()) entry["key"] = value.key;
    }
    Json start = Json::object();
    if (!index.start.empty()) start["any"] = index.start;
    if (!index.startByCamera.empty()) start["cameras"] = index.startByCamera;
    if (!index.startByType.empty()) start["types"] = index.startByType;
    if (!start.empty()) json["start"] = std::move(start);
    return fileText(json);
}

} // namespace baryton
