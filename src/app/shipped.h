#pragma once
#include <filesystem>

namespace baryton {

/// A folder that comes with the program: where it is installed (below share/baryton), or in the source tree. Empty
/// when it is in neither.
std::filesystem::path shippedFolder(const char* installed, const char* inSource);

} // namespace baryton
