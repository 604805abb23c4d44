#include "grade/grade_json.h"
#include "base/error.h"
#include "base/file.h"
#include "base/words.h"
#include "grade/file_json.h"
#include "grade/json_parts.h"
#include "grade/own_fields.h"

#include <algorithm>
#include <map>
#include <set>

namespace baryton {

namespace {

constexpr std::size_t kMostFileBytes = std::size_t(256) << 20;

/// The fields of `json` that are not in `known`.
UnknownFields unknownFields(const Json& json, const std::vector<std::string>& known) {
    Json rest;
    for (const auto& [key, value] : json.items())
        if (std::find(known.begin(), known.end(), key) == known.end()) rest[key] = value;
    return unknownFromJson(rest);
}

} // namespace

Json unknownToJson(const UnknownFields& unknown) {
    return unknown.empty() ? Json::object() : Json::parse(unknown);
}

UnknownFields unknownFromJson(const Json& fields) {
    return fields.empty() ? UnknownFields() : fields.dump();
}

Value valueFromJson(const Json& json, const std::string& path, ContentPool* pool) {
    if (json.is_boolean()) return json.get<bool>();
    if (json.is_number()) return json.get<double>();
    if (json.is_string()) return json.get<std::string>();
    if (json.is_object() && json.contains("shapes")) return maskFromJson(json, path, pool);
    if (json.is_object()) return contentFromJson(json, path, pool);
    Curve curve;
    for (const auto& point : json) curve.push_back({point[0].get<double>(), point[1].get<double>()});
    return curve;
}

namespace {

/// Reads the id and the own fields of a stage or layer, and keeps the fields that are in neither them nor `others`.
template <class Item>
void commonFromJson(Item& item, const Json& json, std::vector<std::string> others, const std::string& path,
                    ContentPool* pool) {
    item.id = json.value("id", "");
    others.emplace_back("id");
    for (const auto& field : ownFieldsOf(item)) {
        if (const auto at = json.find(field.word); at != json.end())
            field.set(item, valueFromJson(*at, path + "/" + field.word, pool));
        others.push_back(field.word);
    }
    item.unknown = unknownFields(json, others);
}

Stage stageFromJson(const Json& json, const std::string& path, ContentPool* pool) {
    Stage stage;
    commonFromJson(stage, json, {"type", "label", "parameters"}, path, pool);
    stage.type = json.at("type").get<std::string>();
    stage.label = json.value("label", "");
    if (const auto at = json.find("parameters"); at != json.end())
        for (const auto& [id, value] : at->items())
            stage.parameters[id] = valueFromJson(value, path + "/parameters/" + id, pool);
    return stage;
}

} // namespace

std::vector<Stage> stagesFromJson(const Json& json, const char* key, const std::string& path, ContentPool* pool) {
    std::vector<Stage> stages;
    if (const auto at = json.find(key); at != json.end())
        for (std::size_t i = 0; i < at->size(); ++i)
            stages.push_back(stageFromJson((*at)[i], path + "/" + key + "/" + std::to_string(i), pool));
    return stages;
}

namespace {

template <class Item>
Json commonToJson(const Item& item, ContentPool* pool) {
    Json json = unknownToJson(item.unknown);
    if (!item.id.empty()) json["id"] = item.id;
    for (const auto& field : ownFieldsOf(item))
        if (const auto value = field.get(item)) json[field.word] = valueToJson(*value, pool);
    return json;
}

} // namespace

Json stagesToJson(const std::vector<Stage>& stages, ContentPool* pool) {
    Json all = Json::array();
    for (const auto& stage : stages) {
        Json json = commonToJson(stage, pool);
        json["type"] = stage.type;
        if (!stage.label.empty()) json["label"] = stage.label;
        for (const auto& [id, value] : stage.parameters) json["parameters"][id] = valueToJson(value, pool);
        all.push_back(std::move(json));
    }
    return all;
}

namespace {

/// Gives every stage and layer an id of its own where a file written by hand has none or the same twice.
void repairIds(Grade& grade) {
    std::set<std::string> seen;
    std::map<std::string, int> tried; // numbers, by their stem, that are known to be taken
    const auto repair = [&](auto& item, const std::string& stem) {
        if (!item.id.empty() && seen.insert(item.id).second) return;
        int& last = tried[stem];
        do item.id = stem + "-" + std::to_string(++last);
        while (!seen.insert(item.id).second);
    };
    for (auto& stage : grade.prep) repair(stage, stage.type);
    for (auto& layer : grade.look) {
        repair(layer, "layer");
        for (auto& stage : layer.stages) repair(stage, stage.type);
    }
    for (auto& stage : grade.finish) repair(stage, stage.type);
}

/// Only numbers that the ids in the grade don't tell by themselves are written.
Json givenToJson(const Grade& grade) {
    Grade bare = grade;
    bare.given = {};
    noteGivenIds(bare);
    Json json = Json::object();
    for (const auto& [stem, number] : grade.given.highest) {
        const auto known = bare.given.highest.find(stem);
        if (known == bare.given.highest.end() || known->second < number) json[stem] = number;
    }
    return json;
}

} // namespace

std::vector<Layer> layersFromJson(const Json& json, const char* key, const std::string& path, ContentPool* pool) {
    std::vector<Layer> layers;
    const auto at = json.find(key);
    if (at == json.end()) return layers;
    for (std::size_t i = 0; i < at->size(); ++i) {
        const Json& item = (*at)[i];
        const std::string place = path + "/" + key + "/" + std::to_string(i);
        Layer layer;
        commonFromJson(layer, item, {"name", "stages"}, place, pool);
        layer.name = item.value("name", "");
        layer.stages = stagesFromJson(item, "stages", place, pool);
        layers.push_back(std::move(layer));
    }
    return layers;
}

Json layersToJson(const std::vector<Layer>& layers, ContentPool* pool) {
    Json all = Json::array();
    for (const auto& layer : layers) {
        Json item = commonToJson(layer, pool);
        item["name"] = layer.name;
        item["stages"] = stagesToJson(layer.stages, pool);
        all.push_back(std::move(item));
    }
    return all;
}

Grade gradeFromJson(const Json& json, const std::string& path, ContentPool* pool) {
    Grade grade;
    grade.prep = stagesFromJson(json, "prep", path, pool);
    grade.look = layersFromJson(json, "look", path, pool);
    grade.finish = stagesFromJson(json, "finish", path, pool);
    if (const std::size_t count = stagePlaces(grade).size(); count > kMostStages)
        throw Error("", path.empty() ? "/" : path, inWords("it has {} stages; {} is the most", count, kMostStages),
                    words("take some out, or spread them over several presets"));
    repairIds(grade);
    const auto given = json.find("givenIds");
    if (given != json.end())
        for (const auto& [stem, number] : given->items()) grade.given.highest[stem] = number.get<int>();
    noteGivenIds(grade);
    const auto aspect = json.find("aspect");
    if (aspect != json.end() && aspect->is_number() && *aspect > 1 / kMostAspect && *aspect < kMostAspect)
        grade.picture.aspect = *aspect;
    return grade;
}

void gradeIntoJson(const Grade& grade, Json& json, ContentPool* pool) {
    json["prep"] = stagesToJson(grade.prep, pool);
    json["look"] = layersToJson(grade.look, pool);
    json["finish"] = stagesToJson(grade.finish, pool);
    if (Json given = givenToJson(grade); !given.empty()) json["givenIds"] = std::move(given);
    if (grade.picture.aspect > 0) json["aspect"] = grade.picture.aspect;
}

Preset presetFromJson(const Json& json, const std::string& path, ContentPool* pool) {
    Preset preset;
    preset.name = json.value("name", "");
    if (preset.name.empty())
        throw Error("", path + "/name", words("the preset has no name"), words("add a \"name\""));
    preset.notes = json.value("notes", "");
    preset.author = json.value("author", "");
    const Json covers = json.value("covers", Json::array());
    for (std::size_t i = 0; i < covers.size(); ++i) {
        const std::string place = path + "/covers/" + std::to_string(i);
        try {
            const auto bytes = base64Decode(covers[i].get_ref<const std::string&>());
            preset.covers.emplace_back(bytes.begin(), bytes.end());
        } catch (const Error& e) {
            throw Error("", place, e.problem(), words("take the cover out, or write a JPEG as base64"));
        }
        if (!preset.covers.back().starts_with("\xff\xd8\xff"))
            throw Error("", place, words("the cover is not a JPEG"),
                        words("take the cover out, or write a JPEG as base64"));
    }
    preset.carried = gradeFromJson(json, path, pool);
    preset.carried.picture = {}; // it has none
    preset.unknown = unknownFields(json, {"format", "version", "name", "notes", "author", "covers", "prep", "look",
                                          "finish", "givenIds", "aspect"});
    return preset;
}

void presetIntoJson(const Preset& preset, Json& json, ContentPool* pool) {
    json["name"] = preset.name;
    if (!preset.notes.empty()) json["notes"] = preset.notes;
    if (!preset.author.empty()) json["author"] = preset.author;
    for (const std::string& cover : preset.covers)
        json["covers"].push_back(base64Encode({reinterpret_cast<const std::uint8_t*>(cover.data()), cover.size()}));
    gradeIntoJson(preset.carried, json, pool);
}

namespace {

Json fileJson(const UnknownFields& unknown, const char* format) {
    Json json = unknownToJson(unknown);
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

} // namespace

Json valueToJson(const Value& value, ContentPool* pool) {
    if (const auto* curve = std::get_if<Curve>(&value)) {
        Json json = Json::array();
        for (const auto& p : *curve) json.push_back({p.x, p.y});
        return json;
    }
    if (const auto* lut = std::get_if<LutContent>(&value)) return contentToJson(*lut, pool);
    if (const auto* picture = std::get_if<PictureContent>(&value)) return contentToJson(*picture, pool);
    if (const auto* mask = std::get_if<Mask>(&value)) return maskToJson(*mask, pool);
    if (const auto* number = std::get_if<double>(&value)) return *number;
    if (const auto* toggle = std::get_if<bool>(&value)) return *toggle;
    return std::get<std::string>(value);
}

Grade gradeFromText(const std::string& text) {
    const Json json = parseFileJson(text, "baryton-grade");
    ContentPool pool;
    pool.lookThrough(json);
    Grade grade = gradeFromJson(json, {}, &pool);
    Json rest;
    for (const auto& [key, value] : json.items())
        if (key != "prep" && key != "look" && key != "finish") rest[key] = pool.whole(value);
    grade.unknown = unknownFields(rest, {"format", "version", "givenIds", "aspect"});
    return grade;
}

std::string gradeToText(const Grade& grade) {
    Json json = fileJson(grade.unknown, "baryton-grade");
    gradeIntoJson(grade, json);
    return fileText(json);
}

PictureWork workFromText(const std::string& text) {
    ContentPool pool;
    return workFromText(text, pool);
}

PictureWork workFromText(const std::string& text, ContentPool& pool) {
    const Json json = parseFileJson(text, "baryton-grade");
    pool.lookThrough(json);
    PictureWork work;
    work.grade = gradeFromJson(json, {}, &pool);
    work.grade.unknown = unknownFields(json, {"format", "version", "prep", "look", "finish", "givenIds", "aspect",
                                              "take", "takes", "from", "inForce"});
    work.inForce = inForceFromJson(json, "", &pool);
    const Json takes = json.value("takes", Json::array());
    for (std::size_t i = 0; i < takes.size(); ++i) {
        const std::string path = "/takes/" + std::to_string(i);
        Take take{takes[i].value("name", ""), gradeFromJson(takes[i], path, &pool),
                  inForceFromJson(takes[i], path, &pool)};
        take.grade.unknown =
            unknownFields(takes[i], {"name", "prep", "look", "finish", "givenIds", "aspect", "inForce"});
        work.takes.push_back(std::move(take));
    }
    work.from = std::clamp(json.value("from", kStartTake), kStartTake, static_cast<int>(work.takes.size()) - 1);
    // Until November 2026 the one in hand was itself a take, and stood only at the top.
    if (const auto now = json.find("take"); now != json.end()) {
        work.from = static_cast<int>(std::min<std::size_t>(now->value("place", 0U), work.takes.size()));
        work.takes.insert(work.takes.begin() + work.from, {now->value("name", ""), work.grade, work.inForce});
    }
    return work;
}

std::string workToText(const PictureWork& work) {
    ContentPool pool;
    return workToText(work, pool);
}

std::string workToText(const PictureWork& work, ContentPool& pool) {
    Json json = fileJson(work.grade.unknown, "baryton-grade");
    gradeIntoJson(work.grade, json, &pool); // with the contents, for readers who know of nothing else
    if (!work.inForce.empty()) json["inForce"] = inForceToJson(work.inForce, &pool);
    if (!work.takes.empty()) {
        if (work.from != kStartTake) json["from"] = work.from;
        json["takes"] = Json::array();
        for (const Take& take : work.takes) {
            Json item = unknownToJson(take.grade.unknown);
            item["name"] = take.name;
            gradeIntoJson(take.grade, item, &pool);
            if (!take.inForce.empty()) item["inForce"] = inForceToJson(take.inForce, &pool);
            json["takes"].push_back(std::move(item));
        }
    }
    return fileText(json);
}

Preset presetFromText(const std::string& text) {
    return presetFromJson(parseFileJson(text, "baryton-preset"));
}

std::string presetToText(const Preset& preset) {
    Json json = fileJson(preset.unknown, "baryton-preset");
    presetIntoJson(preset, json);
    return fileText(json);
}

Grade readGradeFile(const std::filesystem::path& file) {
    return readAnd(file, gradeFromText);
}
PictureWork readWorkFile(const std::filesystem::path& file) {
    return readAnd(file, [](const std::string& text) { return workFromText(text); });
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
