#pragma once
#include "lut/lut_file.h"

#include <string_view>

namespace baryton {

// The Common LUT Format (S-2014-006 of the Academy and the ASC), an open standard in XML, read and written by
// OpenColorIO. That is a plug of its own, which the program looks for beside itself and runs without.

/// Whether the plug is there; it is loaded when the first file is read or written.
bool hasClf();

/// By how it begins: a list of steps that says which version of CLF it keeps to.
bool looksLikeClf(std::string_view text);

/// 1D and 3D tables, also with scales ahead of them, as they are; other steps as a table of what they do within 0…1,
/// with a remark. Throws Error for what is none, what refers to other files, and where the plug is missing.
ParsedLut parseClf(const std::string& text);

/// The table with its domain, with eight digits a number; the spaces stand in its description. At most 129 nodes
/// along an edge. Throws Error where it is larger, and where the plug is missing.
std::string clfText(const LutTable& table, const LutSpaces& spaces = {});

} // namespace baryton
