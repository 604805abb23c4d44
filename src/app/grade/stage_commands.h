#pragma once
#include "app/app_state.h"

namespace baryton {

// Changes to the key picture's chain that menus offer; each is one step of undo. Only stages of the Look can be
// added, deleted, duplicated and moved; for others the call does nothing.

/// Puts a new stage behind the chosen one (or at the end of the Look) and chooses it.
void addStage(AppState& state, const std::string& type);
void removeStage(AppState& state, const std::string& stageId);
void duplicateStage(AppState& state, const std::string& stageId);
void moveStage(AppState& state, const std::string& stageId, int step);
/// All parameters back to their defaults, on, at full strength.
void resetStage(AppState& state, const std::string& stageId);

} // namespace baryton
