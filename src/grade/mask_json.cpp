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
constexpr std::array kForms = {"ellipse", "ramp", "brush", "tones", "colours", "layer", "object"};

/// Reads the numbers that are there; the others stay at their defaults.
template <class Form>
Form& numbersFromJson(MaskShape& shape, const Json& json) {
    auto& form = shape.form.emplace<Form>();
    for (const auto& number : kMaskNumbers<Form>) form.*number.member = json.value(number.word, form.*number.member);
    return form;
}

std::vector<StrokePoint> pathFromJson(const Json& json, const char* key, const std::string& path) {
    try {
        return strokePoints(json.at(key).get<std::string>());
    } catch (const std::invalid_argument&) {
        throw Error("", path + "/" + key, words("this is not the path of a stroke"),
                    words("it is \"x y, x y, …\" in shares of the picture; take the stroke out"));
    }
}

SharedStroke strokeFromJson(const Json& json, const std::string& path) {
    MaskStroke stroke;
    stroke.size = json.value("size", stroke.size), stroke.softness = json.value("softness", stroke.softness);
    stroke.flow = json.value("flow", stroke.flow), stroke.erases = json.value("erases", false);
    if (const auto at = json.find("colour"); at != json.end()) stroke.colour = at->get<std::array<double, 3>>();
    stroke.points = pathFromJson(json, "path", path);
    return {std::make_shared<const MaskStroke>(std::move(stroke))};
}

Json strokeToJson(const MaskStroke& stroke) {
    Json json = {{"size", stroke.size}, {"softness", stroke.softness}, {"path", strokePath(stroke.points)}};
    if (stroke.flow != 1) json["flow"] = stroke.flow;
    if (stroke.erases) json["erases"] = true;
    if (stroke.colour) json["colour"] = *stroke.colour;
    return json;
}

std::vector<SharedStroke> strokesFromJson(const Json& json, const std::string& path) {
    std::vector<SharedStroke> strokes;
    const Json list = json.value("strokes", Json::array());
    for (std::size_t i = 0; i < list.size(); ++i)
        strokes.push_back(strokeFromJson(list[i], path + "/strokes/" + std::to_string(i)));
    return strokes;
}

Json strokesToJson(const std::vector<SharedStroke>& strokes) {
    Json list = Json::array();
    for (const SharedStroke& stroke : strokes) list.push_back(strokeToJson(*stroke));
    return list;
}

Mask maskAt(const Json& json, const std::string& path, int depth, ContentPool* pool);

void formFromJson(MaskShape& shape, const Json& json, const std::string& path, int depth, ContentPool* pool) {
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
        numbersFromJson<MaskBrush>(shape, json).strokes = strokesFromJson(json, path);
    } else if (kind == "object") {
        auto& object = numbersFromJson<MaskObject>(shape, json);
        object.strokes = strokesFromJson(json, path);
        if (json.contains("outline")) object.outline = pathFromJson(json, "outline", path);
        if (json.contains("found"))
            object.found = std::get<PictureContent>(contentFromJson(json["found"], path + "/found", pool));
    } else if (kind == "layer") {
        auto& other = shape.form.emplace<MaskOfLayer>();
        other.layer = json.value("layer", "");
        if (other.layer.empty())
            other.mask = std::make_shared<const Mask>(maskAt(json.at("mask"), path + "/mask", depth + 1, pool));
    } else {
        shape.form = MaskUnknown{kind, json.dump()};
    }
}

void formIntoJson(const MaskShape& shape, Json& json, ContentPool* pool) {
    std::visit(
        [&](const auto& form) {
            using Form = std::decay_t<decltype(form)>;
            if constexpr (std::is_same_v<Form, MaskOfLayer>) {
                if (form.layer.empty())
                    json["mask"] = maskToJson(form.mask ? *form.mask : Mask(), pool);
                else
                    json["layer"] = form.layer;
            }
            for (const auto& number : kMaskNumbers<Form>) json[number.word] = form.*number.member;
        },
        shape.form);
    if (const auto* brush = std::get_if<MaskBrush>(&shape.form)) json["strokes"] = strokesToJson(brush->strokes);
    if (const auto* object = std::get_if<MaskObject>(&shape.form)) {
        if (!object->outline.empty()) json["outline"] = strokePath(object->outline);
        if (!object->strokes.empty()) json["strokes"] = strokesToJson(object->strokes);
        if (object->found.encoded) json["found"] = contentToJson(object->found, pool);
    }
}

Mask maskAt(const Json& json, const std::string& path, int depth, ContentPool* pool) {
    if (depth > kDeepestMask)
        throw Error("", path, words("masks stand too deep in masks"), words("take this shape out"));
    Mask mask;
    const Json& shapes = json.at("shapes");
    for (std::size_t i = 0; i < shapes.size(); ++i) {
        MaskShape shape;
        formFromJson(shape, shapes[i], path + "/shapes/" + std::to_string(i), depth, pool);
        const std::string way = shapes[i].value("way", kWays[0]);
        for (std::size_t k = 0; k < kWays.size(); ++k)
            if (way == kWays[k]) shape.way = static_cast<MaskShape::Way>(k);
        shape.isInverted = shapes[i].value("inverted", false);
        shape.name = shapes[i].value("name", "");
        mask.shapes.push_back(std::move(shape));
    }
    mask.isInverted = json.value("inverted", false);
    for (const auto& number : kWholeMaskNumbers) mask.*number.member = json.value(number.word, mask.*number.member);
    if (const auto at = json.find("placement"); at != json.end())
        for (const auto& number : kMaskNumbers<MaskPlacement>)
            mask.placement.*number.member = at->value(number.word, mask.placement.*number.member);
    return mask;
}

} // namespace

Mask maskFromJson(const Json& json, const std::string& path, ContentPool* pool) {
    return maskAt(json, path, 0, pool);
}

Json maskToJson(const Mask& mask, ContentPool* pool) {
    Json json = {{"shapes", Json::array()}};
    for (const MaskShape& shape : mask.shapes) {
        const auto* unknown = std::get_if<MaskUnknown>(&shape.form);
        Json item = unknown ? Json::parse(unknown->json) : Json{{"shape", kForms[shape.form.index()]}};
        if (!unknown) {
            formIntoJson(shape, item, pool);
            if (!shape.name.empty()) item["name"] = shape.name;
        }
        item.erase("way"), item.erase("inverted");
        if (shape.way != MaskShape::Way::Add) item["way"] = kWays[static_cast<std::size_t>(shape.way)];
        if (shape.isInverted) item["inverted"] = true;
        json["shapes"].push_back(std::move(item));
    }
    if (mask.isInverted) json["inverted"] = true;
    for (const auto& number : kWholeMaskNumbers)
        if (mask.*number.member != Mask().*number.member) json[number.word] = mask.*number.member;
    if (mask.placement != MaskPlacement())
        for (const auto& number : kMaskNumbers<MaskPlacement>)
            json["placement"][number.word] = mask.placement.*number.member;
    return json;
}

} // namespace baryton
