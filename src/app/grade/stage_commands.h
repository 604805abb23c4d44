#pragma once
#include "app/app_state.h"
#include "stages/stage_type.h"

namespace baryton {

// Changes to the key picture's chain that menus offer; each is one step of undo. Only stages of the Look can be
// duplicated and moved; for others the call does nothing.

/// Puts a new stage behind the chosen one (or at the end of the Look), or at the end whatever is chosen, and chooses
/// it. In Prep and Finish it goes to its place there; where the part has one of the type already that is just chosen.
enum class AddAt { Chosen, End };
/// Into the part that is named; else into its usual one.
void addStage(AppState& state, const std::string& type, AddAt at = AddAt::Chosen, std::optional<Part> part = {});
/// The same with a LUT read from a file; throws Error when it can't be read.
void addLutStage(AppState& state, const std::filesystem::path& file);
/// Puts the stage where `addStage` does, in a grade that has layers; `chosen`: the stage or layer that is worked in.
void putStage(Grade& grade, Stage stage, Part part, AddAt at, const std::string& chosen);
/// Whether stages of the type are added to the part: those of Prep that every picture has are there already.
bool canAddStage(const StageType& type, Part part);
inline bool canAddStage(const StageType& type) {
    return canAddStage(type, type.usualPart());
}
/// A stage to choose where no part is named. What may stand over the whole frame and in a layer is offered as both.
struct StageOffer {
    const StageType* type = nullptr;
    Part part = Part::Look;
    QString title; ///< with the part where it is not the Look's own
};
std::vector<StageOffer> stageOffers();
/// Whether Prep or Finish has one of the type; the Look may hold any number.
bool holds(const Grade& grade, Part part, const std::string& type);
/// Whether the part has room for one more: the Look always has, Prep and Finish hold each type once.
bool canAddTo(const Grade& grade, Part part);
/// Those that every picture has, in Prep and Finish, stay.
bool canRemoveStage(const Grade& grade, const StagePlace& place);
void removeStage(AppState& state, const std::string& stageId);
/// Others, one after the other, in the place of a stage of the Look; the first of them is chosen.
void replaceStage(AppState& state, const std::string& stageId, const std::vector<Stage>& others);
void duplicateStage(AppState& state, const std::string& stageId);
void moveStage(AppState& state, const std::string& stageId, int step);
/// Puts a stage into a layer of the Look at a place among its stages (as counted without it).
void moveStageTo(AppState& state, const std::string& stageId, const std::string& layerId, std::size_t index);
/// First back to how the picture was opened; where the stage already is as it was then, to its defaults, on, at full
/// strength.
void resetStage(AppState& state, const std::string& stageId);
/// The same for a layer (named by itself or by one of its stages), for a part, and for all of each target.
void resetLayer(AppState& state, const std::string& id);
void resetPart(AppState& state, Part part);
void resetPicture(AppState& state);

void addLayer(AppState& state, const std::optional<Mask>& mask = {});
void removeLayer(AppState& state, const std::string& layerId);
/// The stages of the layer from the given one on become a layer of their own above it.
void splitLayer(AppState& state, const std::string& stageId);
/// Puts the stages of a layer behind those of the layer below; only where both are laid over plainly.
bool canMergeDown(const Grade& grade, const std::string& layerId);
void mergeLayerDown(AppState& state, const std::string& layerId);
void moveLayer(AppState& state, const std::string& layerId, int step);

/// The grade with all of Look and Finish off but one stage, or one layer.
Grade aloneIn(const Grade& grade, const std::string& id);
/// The grade with all layers off that have a mask.
Grade withoutMaskedLayers(const Grade& grade);
/// The grade with one stage off.
Grade without(const Grade& grade, const std::string& stageId);

} // namespace baryton
