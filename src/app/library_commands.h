#pragma once
#include "app/app_state.h"

#include <QWidget>

class QShortcut;

namespace baryton {

/// Adds packs, archives, presets, LUTs and folders of them to the library, with an account first; one new preset by
/// itself goes in at once. Problems are told.
void importFiles(AppState& state, const std::vector<std::filesystem::path>& files, QWidget* parent);
void openImportDialog(AppState& state, QWidget* parent);
/// Offers the presets that come with the program once more.
void bringGivenPresets(AppState& state, QWidget* parent);
/// Removes the groups that were deleted for good, after asking.
void emptyDeleted(AppState& state, QWidget* parent);

/// The keys that presets have, in a window: each puts its preset on.
class PresetKeys : public QObject {
    Q_OBJECT
public:
    PresetKeys(AppState& state, QWidget* window);

private:
    void bind();
    AppState& state_;
    QWidget* window_;
    std::vector<QShortcut*> keys_;
};

} // namespace baryton
