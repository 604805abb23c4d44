#pragma once
#include "grade/grade.h"

#include <nlohmann/json.hpp>

namespace baryton {

// Only where files are read and written: the library's header is dear to compile.
using Json = nlohmann::json;

/// The object that unknown fields are the text of; an empty object for none.
Json unknownToJson(const UnknownFields& unknown);
/// The text of an object of fields; empty when it has none.
UnknownFields unknownFromJson(const Json& fields);

/// One value as it stands in a file; used wherever values are shown as text.
Json valueToJson(const Value& value);

} // namespace baryton
