#pragma once
#include "grade/grade.h"

namespace baryton {

// Masks that are those of other layers (MaskOfLayer): values name the other layer, what computes needs its mask.

/// Gives every link the mask that its layer has now; one whose layer is gone, and one that leads back to itself,
/// keeps what it had (nothing, in a grade as it was read) and lets nothing through. For copies that are computed from
/// only: in the values that are kept, a link has no mask.
void resolveLinks(std::vector<Layer>& look);
/// One layer's mask as it is computed from.
Mask resolvedMask(const std::vector<Layer>& look, const Layer& layer);

/// Turns links into copies of what they link to now: those to a layer (before it goes), or all that lead to layers
/// outside `stays` (before a part is taken out).
void cutLinks(std::vector<Layer>& look, const std::string& layer);
void cutLinksOutOf(std::vector<Layer>& part, const std::vector<Layer>& whole);
/// A mask with one link cut: where the link is all there is, the other's shapes themselves; else a copy in its place.
Mask withoutLink(const std::vector<Layer>& look, const Mask& mask, std::size_t shape);

/// Links given other ids, where layers went to another grade.
void renameLinks(Mask& mask, const std::map<std::string, std::string>& newIds);
/// The ids that a mask links to.
std::vector<std::string> linksOf(const Mask& mask);
/// Whether a layer's mask may link to another's: not to itself, nor to one that is linked to it.
bool canLink(const std::vector<Layer>& look, const std::string& from, const std::string& to);

} // namespace baryton
