#pragma once
#include <QWidget>
#include <filesystem>

namespace baryton {

/// The table of keys, as it stands in docs/keys.md.
void showKeys(QWidget* parent);
/// What the program is, its licence, and where presets are kept.
void showAbout(QWidget* parent, const std::filesystem::path& presets);

} // namespace baryton
