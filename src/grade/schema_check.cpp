#include "grade/schema_check.h"
#include "base/error.h"
#include "grade/grade_json.h"
#include "grade/schema_text.h" // made by CMake from share/schemas

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

const std::string& gradeSchemaText() {
    static const std::string text = kSchemaText;
    return text;
}

void checkAgainstSchema(const Json& json) {
    static const auto schema = [] {
        const Json document = Json::parse(gradeSchemaText());
        auto parsed = std::make_unique<valijson::Schema>();
        valijson::SchemaParser parser;
        parser.populateSchema(valijson::adapters::NlohmannJsonAdapter(document), *parsed);
        return parsed;
    }();
    valijson::Validator validator;
    valijson::ValidationResults results;
    if (validator.validate(*schema, valijson::adapters::NlohmannJsonAdapter(json), &results)) return;
    std::string path, what = "the value does not fit the format";
    valijson::ValidationResults::Error error;
    while (results.popError(error)) { // the deepest place tells the most
        std::string at;
        for (const auto& part : error.context) {
            if (part == "<root>") continue;
            at += "/";
            for (const char c : part)
                if (c != '[' && c != ']') at += c;
        }
        if (at.size() >= path.size()) path = at, what = error.description;
    }
    throw Error("", path.empty() ? "/" : path, what, "see docs/formats/preset.md for what may stand there");
}

} // namespace baryton
