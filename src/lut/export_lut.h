#pragma once
#include "lut/fit.h"
#include "lut/lut_file.h"

namespace baryton {

/// Spaces other than plain ones stand in its title; a .3dl has no room for the shaper of light.
struct LutExport : BakeOptions {
    std::filesystem::path file;
    int size = 33;
    std::string title;
    NodeWay nodes = NodeWay::Best;
};
struct LutExportReport {
    Fidelity fidelity;                ///< of the written file, read back
    bool isFitted = false;            ///< its nodes, rather than sampled
    std::optional<Fidelity> sampled;  ///< of sampled nodes, where fitted ones were chosen over them
    std::vector<std::string> leftOut; ///< names of stages that can't be in a LUT
};
/// Bakes, writes, reads the written file back and measures it.
LutExportReport exportLut(const Grade& grade, const LutExport& wanted, const std::vector<Picture>& pictures,
                          const Task* task = nullptr);

} // namespace baryton
