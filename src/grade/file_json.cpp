#include "grade/file_json.h"
#include "base/error.h"
#include "base/utf8.h"
#include "base/words.h"
#include "grade/grade_json.h"
#include "grade/schema_text.h" // made by CMake from share/schemas

#include <algorithm>
#include <cmath>
#include <memory>

#pragma GCC diagnostic push
#pragma GCC diagnostic ignored "-Wshadow"
#pragma GCC diagnostic ignored "-Wunused-parameter"
#pragma GCC diagnostic ignored "-Wpedantic"
#pragma GCC diagnostic ignored "-Wnon-virtual-dtor"
#include <valijson/adapters/nlohmann_json_adapter.hpp>
#include <valijson/schema.hpp>
#include <valijson/schema_parser.hpp>
#include <valijson/validator.hpp>
#pragma GCC diagnostic pop

namespace baryton {

const std::string& schemaText(const std::string& format) {
    static const std::map<std::string, std::string> others = {
        {"baryton-library", kLibrarySchema}, {"baryton-pack", kPackSchema}, {"baryton-plan", kPlanSchema}};
    static const std::string grade = kGradeSchema;
    const auto other = others.find(format);
    return other == others.end() ? grade : other->second;
}

namespace {

using Schema = std::unique_ptr<const valijson::Schema>;

Schema parsedSchema(const std::string& format) {
    const Json document = Json::parse(schemaText(format));
    auto parsed = std::make_unique<valijson::Schema>();
    valijson::SchemaParser parser;
    parser.populateSchema(valijson::adapters::NlohmannJsonAdapter(document), *parsed);
    return parsed;
}

constexpr int kMostObjects = 100000, kDeepest = 64;

Error tooManyObjects() {
    return {"", "", inWords("it holds more than {} objects", kMostObjects),
            words("take takes and stages out that are not needed")};
}

Error tooDeep() {
    return {"", "", words("the JSON is nested too deeply"), words("this can't be a file of Baryton")};
}

/// Walks through a JSON and keeps nothing. Deep nesting would exhaust the stack later on, and millions of objects
/// keep everything busy for minutes; no file of ours has either, and it throws Error for them. What is no JSON ends
/// the walk; whoever reads it says why.
class Bounds : public nlohmann::json_sax<Json> {
public:
    bool null() override { return true; }
    bool boolean(bool) override { return true; }
    bool number_integer(number_integer_t) override { return true; }
    bool number_unsigned(number_unsigned_t) override { return true; }
    bool number_float(number_float_t, const string_t&) override { return true; }
    bool string(string_t&) override { return true; }
    bool binary(binary_t&) override { return true; }
    bool key(string_t&) override { return true; }
    bool start_object(std::size_t) override {
        if (++objects_ > kMostObjects) throw tooManyObjects();
        return deeper();
    }
    bool start_array(std::size_t) override { return deeper(); }
    bool end_object() override { return higher(); }
    bool end_array() override { return higher(); }
    bool parse_error(std::size_t, const std::string&, const nlohmann::detail::exception&) override { return false; }

private:
    bool deeper() {
        if (++depth_ > kDeepest) throw tooDeep();
        return true;
    }
    bool higher() {
        --depth_;
        return true;
    }
    int objects_ = 0, depth_ = 0;
};

std::string between(const std::string& text, const std::string& before, const std::string& after) {
    const std::size_t from = text.find(before) + before.size();
    return text.substr(from, text.find(after, from) - from);
}

/// What the checker of schemas finds wrong, in words that say it to people who know no schemas.
std::string inPlainWords(const std::string& found) {
    const auto begins = [&](const char* with) { return found.starts_with(with); };
    if (begins("Missing required property")) return inWords("\"{}\" is missing", between(found, "'", "'"));
    if (begins("Value type not permitted")) return words("this is another kind of value than belongs here");
    if (begins("Array should contain no more than"))
        return inWords("there are more than {} of them", between(found, "no more than ", " "));
    if (begins("Array should contain no fewer than"))
        return inWords("there are fewer than {} of them", between(found, "no fewer than ", " "));
    if (begins("String should be no more than"))
        return inWords("the text is longer than {} characters", between(found, "no more than ", " "));
    if (begins("String should be no fewer than")) return words("the text is too short");
    if (begins("Object contains a property")) return words("there is a field that does not belong here");
    return words("the value does not fit the format");
}

/// Throws Error with the JSON path of the deepest place that does not fit.
void checkAgainstSchema(const Json& json, const std::string& format) {
    static const Schema grade = parsedSchema("baryton-grade"), library = parsedSchema("baryton-library"),
                        pack = parsedSchema("baryton-pack"), plan = parsedSchema("baryton-plan");
    const Schema& schema = format == "baryton-library" ? library
                           : format == "baryton-pack"  ? pack
                           : format == "baryton-plan"  ? plan
                                                       : grade;
    valijson::Validator validator;
    valijson::ValidationResults results;
    if (validator.validate(*schema, valijson::adapters::NlohmannJsonAdapter(json), &results)) return;
    std::string path, what = words("the value does not fit the format");
    valijson::ValidationResults::Error error;
    while (results.popError(error)) { // the deepest place tells the most
        std::string at;
        for (const auto& part : error.context) {
            if (part == "<root>") continue;
            at += "/";
            for (const char c : part)
                if (c != '[' && c != ']') at += c;
        }
        if (at.size() >= path.size()) path = at, what = inPlainWords(error.description);
    }
    throw Error("", path.empty() ? "/" : path, what, words("see docs/formats for what may stand there"));
}

/// Every number of the file must be finite: JSON has no NaN, but 1e999 reads as infinity.
void checkFinite(const Json& json, const std::string& path) {
    if (json.is_number_float() && !std::isfinite(json.get<double>()))
        throw Error("", path, words("the number is too large"),
                    words("write a number within the range of its parameter"));
    if (json.is_structured())
        for (const auto& [key, value] : json.items()) checkFinite(value, path + "/" + key);
}

} // namespace

Json parseFileJson(const std::string& given, const std::string& format) {
    const std::string text = asUtf8(given); // older programs write Latin-1
    Json json;
    try {
        // By itself, ahead of the reading: a reader that is asked at every value looks through all before it each
        // time.
        Bounds bounds;
        Json::sax_parse(text, &bounds);
        json = Json::parse(text);
    } catch (const Json::parse_error& e) {
        const auto upTo = static_cast<std::ptrdiff_t>(std::min<std::size_t>(e.byte, text.size()));
        const auto line = 1 + std::count(text.begin(), text.begin() + upTo, '\n');
        throw Error("", inWords("line {}", line), words("this is not valid JSON"),
                    words("mend the line in a text editor, or take the file from a backup"));
    } catch (const Json::out_of_range&) {
        throw Error("", "", words("a number in the file is too large"),
                    words("write numbers within the ranges of their parameters"));
    }
    if (!json.is_object() || !json.contains("format") || !json["format"].is_string() || json["format"] != format)
        throw Error("", "/format", inWords("this is another kind of file (its \"format\" should be \"{}\")", format),
                    words("choose another file"));
    if (json.contains("version") && json["version"].is_number_integer() && json["version"] > kFileVersion)
        throw Error("", "/version",
                    inWords("the file was written by a newer version ({}; this one reads up to {})",
                            json["version"].dump(), kFileVersion),
                    words("open it with the newer Baryton; the file was not changed"));
    checkFinite(json, "");
    checkAgainstSchema(json, format);
    return json;
}

std::string fileText(const Json& json) {
    return json.dump(1, ' ', false, Json::error_handler_t::replace) + "\n";
}

} // namespace baryton
