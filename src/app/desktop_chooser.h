#pragma once
#include <filesystem>
#include <vector>

namespace baryton {

/// Has files asked for by the desktop's own chooser (its portal, org.freedesktop.portal.FileChooser) where there is
/// one: it knows the desktop's places and what was used there. Qt takes it as the application is made, so call it
/// before that. Whoever set QT_QPA_PLATFORMTHEME is left alone.
void preferDesktopChooser();

/// Whether a desktop that has its data in these folders has a portal, and a program behind it that asks for files.
bool hasDesktopChooser(const std::vector<std::filesystem::path>& dataFolders);

} // namespace baryton
