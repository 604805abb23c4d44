#pragma once
#include "grade/preset.h"
#include "lut/find_look.h"

#include <optional>

namespace baryton {

/// A Look that is known only by what it does, a table or a stack of them, as stages that can be changed.
struct LookAsStages {
    std::vector<Stage> stages;
    Fidelity apart;                   ///< of the stages alone from the look
    std::optional<LutTable> rest;     ///< what they leave, to stand behind them as a LUT stage, where that is nearer
    std::optional<Fidelity> withRest; ///< of both together, then
};

/// Seeks the stages (findLook, on colours all over the cube and those of the pictures) and measures what they leave,
/// and what a table of 33³ nodes behind them makes of that: it is kept where it is measured to be nearer, which it is
/// not where stages leave less than a grid misses, or bring together what no table can part again.
LookAsStages lookAsStages(const Grade& look, const std::vector<Picture>& pictures, const LookSearch& how = {},
                          const Task* task = nullptr);

/// The same of stages that are known already.
LookAsStages behindStages(std::vector<Stage> stages, const Grade& look, const std::vector<Picture>& pictures,
                          const Task* task = nullptr);

/// The stages, with the rest behind them where it is wanted, as a preset that says where it came from: "Found in
/// WHENCE; mean ΔE …".
Preset presetOf(const LookAsStages& found, bool withRest, const std::string& name, const std::string& whence);

} // namespace baryton
