#include "base/error.h"
#include "base/file.h"
#include "base/words.h"
#include "grade/json_parts.h"

#include <algorithm>
#include <cmath>
#include <cstring>
#include <functional>

namespace baryton {

namespace {

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
        throw Error("", place, words("the LUT in the file is damaged"), words("add the LUT again from its own file"));
    return floats;
}

void readRange(const Json& json, const char* key, std::array<float, 3>& low, std::array<float, 3>& high,
               const std::string& path) {
    const auto at = json.find(key);
    if (at == json.end()) return;
    for (std::size_t i = 0; i < 3; ++i) low[i] = (*at)[i].get<float>(), high[i] = (*at)[i + 3].get<float>();
    for (std::size_t i = 0; i < 3; ++i)
        if (!(low[i] < high[i]) || !std::isfinite(low[i]) || !std::isfinite(high[i]))
            throw Error("", path + "/" + key, words("the lower ends of the range must lie below the upper ones"),
                        words("write six numbers: three low, three high"));
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
        throw Error("", path, words("the LUT in the file has an impossible size"),
                    words("add the LUT again from its own file"));
    return {json.at("lut").get<std::string>(), std::move(table)};
}

/// One may be named without its content, as a LUT may. What is not base64 is kept as content that can't be decoded:
/// its stage passes the picture through and says so.
PictureContent pictureFromJson(const Json& json) {
    PictureContent picture{json.at("picture").get<std::string>(), nullptr};
    const auto at = json.find("image");
    if (at == json.end()) return picture;
    std::vector<std::uint8_t> bytes;
    try {
        bytes = base64Decode(at->get_ref<const std::string&>());
    } catch (const Error&) {
        bytes.clear();
    }
    picture.encoded = std::make_shared<const std::string>(bytes.begin(), bytes.end());
    return picture;
}

/// A value's large content, shared with all others under its key.
template <class Content>
void share(Content& content, std::map<std::string, Content>& known, const Json& json, const ContentPool& pool,
           const std::function<Content(const Json&)>& read) {
    const std::string key = json.value("content", "");
    if (key.empty()) return;
    Content& kept = known[key];
    if (!kept && content) kept = content;
    if (!kept)
        if (const Json* other = pool.at(key)) kept = read(*other);
    content = kept;
}

} // namespace

Value contentFromJson(const Json& json, const std::string& path, ContentPool* pool) {
    if (json.contains("picture")) {
        PictureContent picture = pictureFromJson(json);
        if (pool)
            share<std::shared_ptr<const std::string>>(
                picture.encoded, pool->pictures, json, *pool,
                [](const Json& other) { return pictureFromJson(other).encoded; });
        return picture;
    }
    LutContent lut = lutFromJson(json, path);
    if (pool)
        share<std::shared_ptr<const LutTable>>(lut.table, pool->tables, json, *pool,
                                               [&](const Json& other) { return lutFromJson(other, path).table; });
    return lut;
}

namespace {

/// Notes the key of a content, and says whether the content itself is to stand there too.
template <class Content>
bool isToBeWritten(const Content& content, ContentPool* pool, Json& json) {
    if (!content) return false;
    if (!pool) return true;
    const std::string key = pool->keyOf(content);
    json["content"] = key;
    return pool->isNew(key);
}

} // namespace

Json contentToJson(const LutContent& lut, ContentPool* pool) {
    Json json = {{"lut", lut.name}};
    if (!isToBeWritten(lut.table, pool, json)) return json;
    if (!lut.table->title.empty()) json["title"] = lut.table->title;
    if (!lut.table->shaper.empty()) {
        json["shaper"] = floatsToText(lut.table->shaper);
        json["shaperRange"] = rangeToJson(lut.table->shaperMin, lut.table->shaperMax);
    }
    if (!lut.table->grid.empty()) {
        json["grid"] = floatsToText(lut.table->grid);
        json["gridRange"] = rangeToJson(lut.table->gridMin, lut.table->gridMax);
    }
    return json;
}

Json contentToJson(const PictureContent& picture, ContentPool* pool) {
    Json json = {{"picture", picture.name}};
    if (isToBeWritten(picture.encoded, pool, json))
        json["image"] =
            base64Encode({reinterpret_cast<const std::uint8_t*>(picture.encoded->data()), picture.encoded->size()});
    return json;
}

} // namespace baryton
