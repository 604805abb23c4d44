#include "batch/plan_file.h"
#include "base/file.h"
#include "base/utf8.h"
#include "base/words.h"
#include "batch/output_json.h"
#include "grade/file_json.h"
#include "grade/grade_json.h"

namespace baryton {

namespace fs = std::filesystem;

namespace {

constexpr const char* kPlanFormat = "baryton-plan";

Json lookToJson(const BatchLook& look) {
    Json presets = Json::array();
    for (const Preset& preset : look.presets) presets.push_back(Json::parse(presetToText(preset)));
    return {{"name", look.name},
            {"ownGrade", look.ownGrade},
            {"take", look.take},
            {"presets", std::move(presets)},
            {"mode", applyModeId(look.mode)},
            {"strength", look.strength}};
}

BatchLook lookFromJson(const Json& json, const std::string& place) {
    BatchLook look;
    look.name = json.at("name").get<std::string>();
    look.ownGrade = json.value("ownGrade", false);
    look.take = json.value("take", "");
    look.mode = applyModeFromId(json.value("mode", "add")).value_or(ApplyMode::AddAbove);
    look.strength = json.value("strength", 1.0);
    std::size_t number = 0;
    for (const Json& preset : json.value("presets", Json::array())) {
        try {
            look.presets.push_back(presetFromText(preset.dump()));
        } catch (const Error& e) {
            throw Error("", place + "/presets/" + std::to_string(number) + e.place(), e.problem(), e.hint());
        }
        ++number;
    }
    if (look.presets.empty() && !look.ownGrade)
        throw Error("", place, words("the look holds no preset"), words("make the plan anew"));
    return look;
}

void readMatched(BatchPlan& plan, const Json& json) {
    plan.matchedTo = json.value("key", "");
    plan.betweenRuns = json.value("between", 0.0);
    std::size_t number = 0;
    for (const Json& light : json.value("lights", Json::array())) {
        const auto picture = light.at("picture").get<std::size_t>();
        if (picture >= plan.pictures.size())
            throw Error("", "/matched/lights/" + std::to_string(number), words("there is no such picture or look"),
                        words("count both from 0"));
        plan.lights[picture] = {light.at("stops"), light.at("kelvin"), light.at("tint")};
        ++number;
    }
}

} // namespace

std::string planToText(const NamedPlan& named) {
    const BatchPlan& plan = named.plan;
    Json pictures = Json::array(), looks = Json::array(), wishes = Json::array(), outputs = Json::array();
    for (const OutputSettings& output : plan.outputs) outputs.push_back(outputToJson(output));
    for (const fs::path& picture : plan.pictures) pictures.push_back(asUtf8(picture.string()));
    for (const BatchLook& look : plan.looks) looks.push_back(lookToJson(look));
    for (const auto& [at, wish] : plan.wishes) {
        Json json = {
            {"picture", at.first}, {"look", at.second}, {"leftOut", wish.isLeftOut}, {"strength", wish.strength}};
        if (wish.instead) json["instead"] = lookToJson(*wish.instead);
        wishes.push_back(std::move(json));
    }
    Json json = {{"format", kPlanFormat},
                 {"version", kFileVersion},
                 {"name", named.name},
                 {"pictures", std::move(pictures)},
                 {"looks", std::move(looks)},
                 {"prep", prepChoiceName(plan.prep)},
                 {"files", std::move(outputs)},
                 {"folder", asUtf8(plan.folder.string())},
                 {"names", plan.name},
                 {"exists", ifExistsName(plan.ifExists)},
                 {"ignoreUnreadableGrades", plan.goesWithoutUnreadableGrades},
                 {"instructions", plan.instructions},
                 {"wishes", std::move(wishes)}};
    if (plan.prep == PrepChoice::Matched) {
        Json lights = Json::array();
        for (const auto& [picture, light] : plan.lights)
            lights.push_back(
                {{"picture", picture}, {"stops", light.stops}, {"kelvin", light.kelvin}, {"tint", light.tint}});
        json["matched"] = {
            {"key", asUtf8(plan.matchedTo.string())}, {"between", plan.betweenRuns}, {"lights", std::move(lights)}};
    }
    return fileText(json);
}

NamedPlan planFromText(const std::string& text) {
    const Json json = parseFileJson(text, kPlanFormat);
    NamedPlan named;
    named.name = json.at("name").get<std::string>();
    BatchPlan& plan = named.plan;
    for (const Json& picture : json.at("pictures")) plan.pictures.emplace_back(picture.get<std::string>());
    for (const Json& look : json.at("looks"))
        plan.looks.push_back(lookFromJson(look, "/looks/" + std::to_string(plan.looks.size())));
    plan.prep = prepChoiceFromName(json.value("prep", "own")).value_or(PrepChoice::Own);
    if (plan.prep == PrepChoice::Matched) readMatched(plan, json.value("matched", Json::object()));
    plan.outputs.clear();
    for (const Json& file : json.at("files")) {
        try {
            plan.outputs.push_back(outputFromJson(file));
        } catch (const Error& e) {
            throw Error("", "/files/" + std::to_string(plan.outputs.size()) + e.place(), e.problem(), e.hint());
        }
    }
    plan.folder = json.at("folder").get<std::string>();
    plan.name = json.value("names", BatchPlan().name);
    plan.ifExists = ifExistsFromName(json.value("exists", "number")).value_or(IfExists::Number);
    plan.instructions = json.value("instructions", "");
    plan.goesWithoutUnreadableGrades = json.value("ignoreUnreadableGrades", false);
    std::size_t number = 0;
    for (const Json& wish : json.value("wishes", Json::array())) {
        const std::pair at{wish.at("picture").get<std::size_t>(), wish.at("look").get<std::size_t>()};
        if (at.first >= plan.pictures.size() || at.second >= plan.looks.size())
            throw Error("", "/wishes/" + std::to_string(number), words("there is no such picture or look"),
                        words("count both from 0"));
        PictureWish& wished = plan.wishes[at];
        wished = {wish.value("leftOut", false), wish.value("strength", 1.0), {}};
        if (wish.contains("instead"))
            wished.instead = lookFromJson(wish["instead"], "/wishes/" + std::to_string(number) + "/instead");
        ++number;
    }
    return named;
}

NamedPlan readPlanFile(const fs::path& file) {
    try {
        return planFromText(readFile(file));
    } catch (const Error& e) {
        throw e.file().empty() ? e.inFile(file.string()) : e;
    }
}

bool isPlanFile(const fs::path& file) {
    try {
        readPlanFile(file);
        return true;
    } catch (const Error&) {
        return false;
    }
}

std::string planHash(const NamedPlan& plan) {
    return contentHash(planToText(plan));
}

} // namespace baryton
