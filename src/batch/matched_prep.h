#pragma once
#include "batch/batch.h"
#include "picture/small_picture.h"

namespace baryton {

/// Finds what sets the Prep of a plan's pictures so that one look sits alike (survey/match.h) and puts it into the
/// plan (`lights`, `prep`), which from then on holds it, whatever becomes of the pictures. `key` is matched to as it
/// stands, whether it is among them or not. Says of which pictures it found nothing: they keep their own. Throws
/// Error where the key picture can't be read, Cancelled.
std::vector<std::string> matchPrep(BatchPlan& plan, const std::filesystem::path& key, double betweenRuns,
                                   const SmallStore& store, const Task* task = nullptr);

} // namespace baryton
