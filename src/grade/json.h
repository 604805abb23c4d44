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

class ContentPool;

/// One value as it stands in a file; used wherever values are shown as text. Large contents go by the pool, where
/// there is one.
Json valueToJson(const Value& value, ContentPool* pool = nullptr);

} // namespace baryton
