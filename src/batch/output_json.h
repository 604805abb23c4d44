#pragma once
#include "grade/json.h"
#include "render/output.h"

#include <string>
#include <vector>

namespace baryton {

/// One kind of file as plans and runs keep it: a flat object of the fields below, those that are as usual left out.
Json outputToJson(const OutputSettings& output);
/// Fields that are not there stay as they are in `usual`. Throws Error for values that can't be.
OutputSettings outputFromJson(const Json& json, const OutputSettings& usual = {});

/// The same from a line of words: "tiff,bits=16", "jpeg,size=1200 px,quality=80": the format, then fields. Throws
/// Error for unknown fields.
OutputSettings outputFromText(const std::string& text, const OutputSettings& usual);
/// The names of the fields.
std::vector<std::string> outputFields();

} // namespace baryton
