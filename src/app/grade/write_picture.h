#pragma once
#include "app/app_state.h"

#include <filesystem>
#include <functional>

namespace baryton {

/// Writes the key picture with its grade to a file, behind the window: JPEG by the extension .jpg, TIFF and PNG with
/// 16 bits. What `filter` (of a file dialog) names is added where the extension is missing. The outcome is told;
/// `done` is called where it was written.
void writeKeyPicture(AppState& state, std::filesystem::path file, const QString& filter,
                     const std::function<void()>& done = {});

} // namespace baryton
