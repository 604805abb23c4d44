#include "grade/grade_json.h"
#include "base/error.h"
#include "base/file.h"
#include "grade/schema_check.h"

#include <algorithm>
#include <cmath>
#include <cstring>
#include <set>

namespace baryton {

namespace {

constexpr std::size_t kMostFileBytes = std::size_t(256) << 20;

/// The fields of `json` that are not in `known`, or null when there are none.
Json unknownFields(const Json& json, std::initializer_list<const char*> known) {
    Json rest;
    for (const auto& [key, value] : json.items())
        if (std::find_if(known.begin(), known.end(), [&](const char* k) { return key == k; }) == known.end())
            rest[key] = value;
    return rest;
}

template <class T>
std::optional<T> optionalField(const Json& json, const char* key) {
    const auto at = json.find(key);
    if (at == json.end()) return std::nullopt;
    return at->get<T>();
}

std::string floatsToText(const std::vector<float>& floats) {
    static_assert(std::endian::native == std::endian::little, "files hold little-endian floats");
    return base64Encode({reinterpret_cast<const std::uint8_t*>(floats.data()), floats.size() * sizeof(float)});
}

std::vector<float> floatsFromText(const Json& json, const char* key, const std::string& path) {
    const auto at = json.find(key);
    if (at == json.end()) return {};
    const std::string place = path + "/" + key;
    std::vector<std::uint8_t> bytes;
    try {
        bytes = base64Decode(at->get_ref<const std::string&>());
    } catch (const Error& e) {
        throw Error("", place, e.problem(), e.hint());
    }
    std::vector<float> floats(bytes.size() / sizeof(float));
    if (!floats.empty()) std::memcpy(floats.data(), bytes.data(), floats.size() * sizeof(float));
    const bool finite = std::all_of(floats.begin(), floats.end(), [](float f) { return std::isfinite(f); });
    if (bytes.size() % (3 * sizeof(float)) != 0 || !finite)
        throw Error("", place, "the LUT in the file is damaged", "add the LUT again from its own file");
    return floats;
}

void readRange(const Json& json, const char* key, std::array<float, 3>& low, std::array<float, 3>& high,
               const std::string& path) {
    const auto at = json.find(key);
    if (at == json.end()) return;
    for (std::size_t i = 0; i < 3; ++i) low[i] = (*at)[i].get<float>(), high[i] = (*at)[i + 3].get<float>();
    for (std::size_t i = 0; i < 3; ++i)
        if (!(low[i] < high[i]) || !std::isfinite(low[i]) || !std::isfinite(high[i]))
            throw Error("", path + "/" + key, "the lower ends of the range must lie below the upper ones",
                        "write six numbers: three low, three high");
}

Json rangeToJson(const std::array<float, 3>& low, const std::array<float, 3>& high) {
    return {low[0], low[1], low[2], high[0], high[1], high[2]};
}

LutContent lutFromJson(const Json& json, const std::string& path) {
    // Named without its content: the grade stands, the stage passes the picture through and says so.
    if (!json.contains("shaper") && !json.contains("grid")) return {json.at("lut").get<std::string>(), nullptr};
    auto table = std::make_shared<LutTable>();
    table->title = json.value("title", "");
    table->shaper = floatsFromText(json, "shaper", path);
    table->grid = floatsFromText(json, "grid", path);
    readRange(json, "shaperRange", table->shaperMin, table->shaperMax, path);
    readRange(json, "gridRange", table->gridMin, table->gridMax, path);
    const auto n = static_cast<std::size_t>(table->gridSize());
    if (table->grid.size() != 3 * n * n * n || n == 1 || n > 256 || table->shaperSize() == 1 ||
        table->shaperSize() > 65536 || (table->grid.empty() && table->shaper.empty()))
        throw Error("", path, "the LUT in the file has an impossible size", "add the LUT again from its own file");
    return {json.at("lut").get<std::string>(), std::move(table)};
}

Value valueFromJson(const Json& json, const std::string& path) {
    if (json.is_boolean()) return json.get<bool>();
    if (json.is_number()) return json.get<double>();
    if (json.is_string()) return json.get<std::string>();
    if (json.is_object()) return lutFromJson(json, path);
    Curve curve;
    for (const auto& point : json) curve.push_back({point[0].get<double>(), point[1].get<double>()});
    return curve;
}

Stage stageFromJson(const Json& json, const std::string& path) {
    Stage stage;
    stage.id = json.value("id", "");
    stage.type = json.at("type").get<std::string>();
    stage.label = json.value("label", "");
    stage.enabled = optionalField<bool>(json, "enabled");
    stage.strength = optionalField<double>(json, "strength");
    if (const auto at = json.find("parameters"); at != json.end())
        for (const auto& [id, value] : at->items())
            stage.parameters[id] = valueFromJson(value, path + "/parameters/" + id);
    stage.unknown = unknownFields(json, {"id", "type", "label", "enabled", "strength", "parameters"});
    return stage;
}

std::vector<Stage> stagesFromJson(const Json& json, const char* key, const std::string& path) {
    std::vector<Stage> stages;
    if (const auto at = json.find(key); at != json.end())
        for (std::size_t i = 0; i < at->size(); ++i)
            stages.push_back(stageFromJson((*at)[i], path + "/" + key + "/" + std::to_string(i)));
    return stages;
}

template <class Item>
Json commonToJson(const Item& item) {
    Json json = item.unknown.is_object() ? item.unknown : Json::object();
    if (!item.id.empty()) json["id"] = item.id;
    if (item.enabled) json["enabled"] = *item.enabled;
    if (item.strength) json["strength"] = *item.strength;
    return json;
}

Json stagesToJson(const std::vector<Stage>& stages) {
    Json all = Json::array();
    for (const auto& stage : stages) {
        Json json = commonToJson(stage);
        json["type"] = stage.type;
        if (!stage.label.empty()) json["label"] = stage.label;
        for (const auto& [id, value] : stage.parameters) json["parameters"][id] = valueToJson(value);
        all.push_back(std::move(json));
    }
    return all;
}

/// Gives every stage and layer an id of its own where a file written by hand has none or the same twice.
void repairIds(Grade& grade) {
    std::set<std::string> seen;
    const auto repair = [&](auto& item, const std::string& stem) {
        if (item.id.empty() || !seen.insert(item.id).second) {
            item.id.clear();
            int n = 1;
            do item.id = stem + "-" + std::to_string(n++);
            while (!seen.insert(item.id).second);
        }
    };
    for (auto& stage : grade.prep) repair(stage, stage.type);
    for (auto& layer : grade.look) {
        repair(layer, "layer");
        for (auto& stage : layer.stages) repair(stage, stage.type);
    }
    for (auto& stage : grade.finish) repair(stage, stage.type);
}

/// Every number of the file must be finite: JSON has no NaN, but 1e999 reads as infinity.
void checkFinite(const Json& json, const std::string& path) {
    if (json.is_number_float() && !std::isfinite(json.get<double>()))
        throw Error("", path, "the number is too large", "write a number within the range of its parameter");
    if (json.is_structured())
        for (const auto& [key, value] : json.items()) checkFinite(value, path + "/" + key);
}

Json parseChecked(const std::string& text, const std::string& format) {
    Json json;
    try {
        // Deep nesting would exhaust the stack later on; no file of ours is deeper than this.
        json = Json::parse(text, [](int depth, Json::parse_event_t, Json&) {
            if (depth > 64) throw Error("", "", "the JSON is nested too deeply", "this can't be a file of Baryton");
            return true;
        });
    } catch (const Json::parse_error& e) {
        const auto upTo = static_cast<std::ptrdiff_t>(std::min<std::size_t>(e.byte, text.size()));
        const auto line = 1 + std::count(text.begin(), text.begin() + upTo, '\n');
        throw Error("", "line " + std::to_string(line), "this is not valid JSON",
                    "mend the line in a text editor, or take the file from a backup");
    } catch (const Json::out_of_range&) {
        throw Error("", "", "a number in the file is too large",
                    "write numbers within the ranges of their parameters");
    }
    if (!json.is_object() || !json.contains("format") || !json["format"].is_string() || json["format"] != format)
        throw Error("", "/format",
                    "this is not a " + std::string(format == "baryton-grade" ? "grade" : "preset") +
                        " of Baryton (\"format\" should be \"" + format + "\")",
                    "choose another file");
    if (json.contains("version") && json["version"].is_number_integer() && json["version"] > kFileVersion)
        throw Error("", "/version",
                    "the file was written by a newer version (" + json["version"].dump() + "; this one reads up to " +
                        std::to_string(kFileVersion) + ")",
                    "open it with the newer Baryton; the file was not changed");
    checkFinite(json, "");
    checkAgainstSchema(json);
    return json;
}

Grade gradeFromJson(const Json& json) {
    Grade grade;
    grade.prep = stagesFromJson(json, "prep", "");
    if (const auto at = json.find("look"); at != json.end())
        for (std::size_t i = 0; i < at->size(); ++i) {
            const Json& item = (*at)[i];
            Layer layer;
            layer.id = item.value("id", "");
            layer.name = item.value("name", "");
            layer.enabled = optionalField<bool>(item, "enabled");
            layer.strength = optionalField<double>(item, "strength");
            layer.stages = stagesFromJson(item, "stages", "/look/" + std::to_string(i));
            layer.blend = optionalField<std::string>(item, "blend");
            layer.unknown = unknownFields(item, {"id", "name", "enabled", "strength", "blend", "stages"});
            grade.look.push_back(std::move(layer));
        }
    grade.finish = stagesFromJson(json, "finish", "");
    repairIds(grade);
    return grade;
}

void gradeIntoJson(const Grade& grade, Json& json) {
    json["prep"] = stagesToJson(grade.prep);
    json["look"] = Json::array();
    for (const auto& layer : grade.look) {
        Json item = commonToJson(layer);
        item["name"] = layer.name;
        if (layer.blend) item["blend"] = *layer.blend;
        item["stages"] = stagesToJson(layer.stages);
        json["look"].push_back(std::move(item));
    }
    json["finish"] = stagesToJson(grade.finish);
}

Json fileJson(const Json& unknown, const char* format) {
    Json json = unknown.is_object() ? unknown : Json::object();
    json["format"] = format;
    json["version"] = kFileVersion;
    return json;
}

template <class Parse>
auto readAnd(const std::filesystem::path& file, Parse parse) {
    const std::string text = readFile(file, kMostFileBytes);
    try {
        return parse(text);
    } catch (const Error& e) {
        throw e.inFile(file.string());
    }
}

std::string toText(const Json& json) {
    return json.dump(1, ' ', false, Json::error_handler_t::replace) + "\n";
}

} // namespace

Json valueToJson(const Value& value) {
    if (const auto* curve = std::get_if<Curve>(&value)) {
        Json json = Json::array();
        for (const auto& p : *curve) json.push_back({p.x, p.y});
        return json;
    }
    if (const auto* lut = std::get_if<LutContent>(&value)) {
        Json json = {{"lut", lut->name}};
        if (!lut->table) return json;
        if (!lut->table->title.empty()) json["title"] = lut->table->title;
        if (!lut->table->shaper.empty()) {
            json["shaper"] = floatsToText(lut->table->shaper);
            json["shaperRange"] = rangeToJson(lut->table->shaperMin, lut->table->shaperMax);
        }
        if (!lut->table->grid.empty()) {
            json["grid"] = floatsToText(lut->table->grid);
            json["gridRange"] = rangeToJson(lut->table->gridMin, lut->table->gridMax);
        }
        return json;
    }
    if (const auto* number = std::get_if<double>(&value)) return *number;
    if (const auto* toggle = std::get_if<bool>(&value)) return *toggle;
    return std::get<std::string>(value);
}

Grade gradeFromText(const std::string& text) {
    const Json json = parseChecked(text, "baryton-grade");
    Grade grade = gradeFromJson(json);
    grade.unknown = unknownFields(json, {"format", "version", "prep", "look", "finish"});
    return grade;
}

std::string gradeToText(const Grade& grade) {
    Json json = fileJson(grade.unknown, "baryton-grade");
    gradeIntoJson(grade, json);
    return toText(json);
}

PictureWork workFromText(const std::string& text) {
    const Json json = parseChecked(text, "baryton-grade");
    PictureWork work;
    work.grade = gradeFromJson(json);
    work.grade.unknown = unknownFields(json, {"format", "version", "prep", "look", "finish", "take", "takes"});
    if (!json.contains("take")) return work;
    for (const Json& item : json.value("takes", Json::array())) {
        Take take{item.value("name", ""), gradeFromJson(item)};
        take.grade.unknown = unknownFields(item, {"name", "prep", "look", "finish"});
        work.takes.push_back(std::move(take));
    }
    const Json& now = json.at("take");
    work.active = std::min<std::size_t>(now.value("place", 0U), work.takes.size());
    work.takes.insert(work.takes.begin() + static_cast<std::ptrdiff_t>(work.active),
                      {now.value("name", ""), work.grade});
    return work;
}

std::string workToText(const PictureWork& work) {
    Json json = fileJson(work.grade.unknown, "baryton-grade");
    gradeIntoJson(work.grade, json);
    if (work.takes.empty()) return toText(json);
    json["take"] = {{"name", work.takes.at(work.active).name}, {"place", work.active}};
    json["takes"] = Json::array();
    for (std::size_t i = 0; i < work.takes.size(); ++i) {
        if (i == work.active) continue;
        Json item = work.takes[i].grade.unknown.is_object() ? work.takes[i].grade.unknown : Json::object();
        item["name"] = work.takes[i].name;
        gradeIntoJson(work.takes[i].grade, item);
        json["takes"].push_back(std::move(item));
    }
    return toText(json);
}

Preset presetFromText(const std::string& text) {
    const Json json = parseChecked(text, "baryton-preset");
    Preset preset;
    preset.name = json.value("name", "");
    if (preset.name.empty()) throw Error("", "/name", "the preset has no name", "add a \"name\"");
    preset.notes = json.value("notes", "");
    preset.carried = gradeFromJson(json);
    preset.unknown = unknownFields(json, {"format", "version", "name", "notes", "prep", "look", "finish"});
    return preset;
}

std::string presetToText(const Preset& preset) {
    Json json = fileJson(preset.unknown, "baryton-preset");
    json["name"] = preset.name;
    if (!preset.notes.empty()) json["notes"] = preset.notes;
    gradeIntoJson(preset.carried, json);
    return toText(json);
}

Grade readGradeFile(const std::filesystem::path& file) {
    return readAnd(file, gradeFromText);
}
PictureWork readWorkFile(const std::filesystem::path& file) {
    return readAnd(file, workFromText);
}
void writeWorkFile(const std::filesystem::path& file, const PictureWork& work) {
    writeFileAtomically(file, workToText(work));
}
Preset readPresetFile(const std::filesystem::path& file) {
    return readAnd(file, presetFromText);
}
void writePresetFile(const std::filesystem::path& file, const Preset& preset) {
    writeFileAtomically(file, presetToText(preset));
}

} // namespace baryton
