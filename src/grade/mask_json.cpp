#include "base/error.h"
#include "base/words.h"
#include "grade/json_parts.h"

#include <array>

namespace baryton {

namespace {

constexpr std::array kWays = {"add", "take-away", "intersect"};

/// Reads the numbers that are there; the others stay at their defaults.
struct Reader {
    const Json& json;
    void operator()(const char* key, double& number) const { number = json.value(key, number); }
};
struct Writer {
    Json& json;
    void operator()(const char* key, const double& number) const { json[key] = number; }
};

template <class Ellipse, class Visit>
void visitEllipse(Ellipse& e, const Visit& visit) {
    visit("x", e.x), visit("y", e.y), visit("radiusX", e.radiusX), visit("radiusY", e.radiusY);
    visit("turn", e.turn), visit("feather", e.feather);
}
template <class Ramp, class Visit>
void visitRamp(Ramp& r, const Visit& visit) {
    visit("fromX", r.fromX), visit("fromY", r.fromY), visit("toX", r.toX), visit("toY", r.toY);
}

MaskShape shapeFromJson(const Json& json, const std::string& path) {
    MaskShape shape;
    const std::string form = json.value("shape", "");
    if (form == "ellipse") {
        visitEllipse(shape.form.emplace<MaskEllipse>(), Reader{json});
    } else if (form == "ramp") {
        visitRamp(shape.form.emplace<MaskRamp>(), Reader{json});
    } else {
        throw Error("", path + "/shape", inWords("there is no shape \"{}\" in this version", form.substr(0, 40)),
                    words("open it with a newer Baryton, or take the shape out"));
    }
    const std::string way = json.value("way", kWays[0]);
    for (std::size_t i = 0; i < kWays.size(); ++i)
        if (way == kWays[i]) shape.way = static_cast<MaskShape::Way>(i);
    shape.isInverted = json.value("inverted", false);
    return shape;
}

} // namespace

Mask maskFromJson(const Json& json, const std::string& path) {
    Mask mask;
    const Json& shapes = json.at("shapes");
    for (std::size_t i = 0; i < shapes.size(); ++i)
        mask.shapes.push_back(shapeFromJson(shapes[i], path + "/shapes/" + std::to_string(i)));
    mask.isInverted = json.value("inverted", false);
    mask.density = json.value("density", 1.0);
    return mask;
}

Json maskToJson(const Mask& mask) {
    Json json = {{"shapes", Json::array()}};
    for (const MaskShape& shape : mask.shapes) {
        Json item = Json::object();
        if (const auto* ellipse = std::get_if<MaskEllipse>(&shape.form)) {
            item["shape"] = "ellipse";
            visitEllipse(*ellipse, Writer{item});
        } else {
            item["shape"] = "ramp";
            visitRamp(std::get<MaskRamp>(shape.form), Writer{item});
        }
        if (shape.way != MaskShape::Way::Add) item["way"] = kWays[static_cast<std::size_t>(shape.way)];
        if (shape.isInverted) item["inverted"] = true;
        json["shapes"].push_back(std::move(item));
    }
    if (mask.isInverted) json["inverted"] = true;
    if (mask.density != 1) json["density"] = mask.density;
    return json;
}

} // namespace baryton
