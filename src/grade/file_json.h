#pragma once
#include "grade/json.h"

namespace baryton {

/// What all files of Baryton that are JSON have in common: a `format`, a `version`, and a schema in share/schemas
/// that each file is checked against.

/// The newest version that is written and read.
constexpr int kFileVersion = 1;

/// The parsed file. Throws Error naming the line (broken JSON) or the JSON path (another format, a newer version, a
/// number that is not finite, what does not fit the schema). `format` is one of "baryton-grade", "baryton-preset",
/// "baryton-library", "baryton-pack", "baryton-plan".
Json parseFileJson(const std::string& text, const std::string& format);

/// The file's text, indented by one, with a line end.
std::string fileText(const Json& json);

/// The JSON Schema (draft 7) of a format, as shipped.
const std::string& schemaText(const std::string& format);

} // namespace baryton
