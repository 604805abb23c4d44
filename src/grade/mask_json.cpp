#include "base/error.h"
#include "base/words.h"
#include "grade/json_parts.h"
#include "grade/mask_numbers.h"

#include <array>
#include <stdexcept>

namespace baryton {

namespace {

constexpr std::array kWays = {"add", "take-away", "intersect"};
/// As the forms of a shape stand in their variant; the last has a word of its own.
constexpr std::array kForms = {"ellipse", "ramp", "brush", "tones", "colours", "layer"};

/// Reads the numbers that are there; the others stay at their defaults.
template <class Form>
Form& numbersFromJson(MaskShape& shape, const Json& json) {
    auto& form = shape.form.emplace<Form>();
    for (const auto& number : kMaskNumbers<Form>) form.*number.member = json.value(number.word, form.*number.member);
    return form;
}

SharedStroke strokeFromJson(const Json& json, const std::string& path) {
    MaskStroke stroke;
    stroke.size = json.value("size", stroke.size), stroke.softness = json.value("softness", stroke.softness);
    stroke.flow = json.value("flow", stroke.flow), stroke.erases = json.value("erases", false);
    if (const auto at = json.find("colour"); at != json.end()) stroke.colour = at->get<std::array<double, 3>>();
    try {
        stroke.points = strokePoints(json.at("path").get<std::string>());
    } catch (const std::invalid_argument&) {
        throw Error("", path + "/path", words("this is not the path of a stroke"),
                    words("it is \"x y, x y, …\" in shares of the picture; take the stroke out"));
    }
    return {std::make_shared<const MaskStroke>(std::move(stroke))};
}

Json strokeToJson(const MaskStroke& stroke) {
    Json json = {{"size", stroke.size}, {"softness", stroke.softness}, {"path", strokePath(stroke.points)}};
    if (stroke.flow != 1) json["flow"] = stroke.flow;
    if (stroke.erases) json["erases"] = true;
    if (stroke.colour) json["colour"] = *stroke.colour;
    return json;
}

Mask maskAt(const Json& json, const std::string& path, int depth);

void formFromJson(MaskShape& shape, const Json& json, const std::string& path, int depth) {
    const std::string kind = json.value("shape", "");
    if (kind == "ellipse") {
        numbersFromJson<MaskEllipse>(shape, json);
    } else if (kind == "ramp") {
        numbersFromJson<MaskRamp>(shape, json);
    } else if (kind == "tones") {
        numbersFromJson<MaskTones>(shape, json);
    } else if (kind == "colours") {
        numbersFromJson<MaskColours>(shape, json);
    } else if (kind == "brush") {
        auto& brush = numbersFromJson<MaskBrush>(shape, json);
        const Json strokes = json.value("strokes", Json::array());
        for (std::size_t i = 0; i < strokes.size(); ++i)
            brush.strokes.push_back(strokeFromJson(strokes[i], path + "/strokes/" + std::to_string(i)));
    } else if (kind == "layer") {
        auto& other = shape.form.emplace<MaskOfLayer>();
        other.layer = json.value("layer", "");
        if (other.layer.empty())
            other.mask = std::make_shared<const Mask>(maskAt(json.at("mask"), path + "/mask", depth + 1));
    } else {
        shape.form = MaskUnknown{kind, json.dump()};
    }
}

void formIntoJson(const MaskShape& shape, Json& json) {
    std::visit(
        [&](const auto& form) {
            using Form = std::decay_t<decltype(form)>;
            if constexpr (std::is_same_v<Form, MaskOfLayer>) {
                if (form.layer.empty())
                    json["mask"] = maskToJson(form.mask ? *form.mask : Mask());
                else
                    json["layer"] = form.layer;
            }
            for (const auto& number : kMaskNumbers<Form>) json[number.word] = form.*number.member;
        },
        shape.form);
    if (const auto* brush = std::get_if<MaskBrush>(&shape.form)) {
        json["strokes"] = Json::array();
        for (const SharedStroke& stroke : brush->strokes) json["strokes"].push_back(strokeToJson(*stroke));
    }
}

Mask maskAt(const Json& json, const std::string& path, int depth) {
    if (depth > kDeepestMask)
        throw Error("", path, words("masks stand too deep in masks"), words("take this shape out"));
    Mask mask;
    const Json& shapes = json.at("shapes");
    for (std::size_t i = 0; i < shapes.size(); ++i) {
        MaskShape shape;
        formFromJson(shape, shapes[i], path + "/shapes/" + std::to_string(i), depth);
        const std::string way = shapes[i].value("way", kWays[0]);
        for (std::size_t k = 0; k < kWays.size(); ++k)
            if (way == kWays[k]) shape.way = static_cast<MaskShape::Way>(k);
        shape.isInverted = shapes[i].value("inverted", false);
        shape.name = shapes[i].value("name", "");
        mask.shapes.push_back(std::move(shape));
    }
    mask.isInverted = json.value("inverted", false);
    mask.density = json.value("density", 1.0);
    return mask;
}

} // namespace

Mask maskFromJson(const Json& json, const std::string& path) {
    return maskAt(json, path, 0);
}

Json maskToJson(const Mask& mask) {
    Json json = {{"shapes", Json::array()}};
    for (const MaskShape& shape : mask.shapes) {
        const auto* unknown = std::get_if<MaskUnknown>(&shape.form);
        Json item = unknown ? Json::parse(unknown->json) : Json{{"shape", kForms[shape.form.index()]}};
        if (!unknown) {
            formIntoJson(shape, item);
            if (!shape.name.empty()) item["name"] = shape.name;
        }
        item.erase("way"), item.erase("inverted");
        if (shape.way != MaskShape::Way::Add) item["way"] = kWays[static_cast<std::size_t>(shape.way)];
        if (shape.isInverted) item["inverted"] = true;
        json["shapes"].push_back(std::move(item));
    }
    if (mask.isInverted) json["inverted"] = true;
    if (mask.density != 1) json["density"] = mask.density;
    return json;
}

} // namespace baryton
