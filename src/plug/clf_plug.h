#pragma once
#include "grade/lut_table.h"

#include <string>
#include <vector>

namespace baryton {

/// What the plug for CLF gives: the one way to OpenColorIO, which the program runs without. Both are of one build.
struct ClfPlug {
    enum class Steps { AsTheyAre, SampledColours, SampledTones };
    struct Read {
        LutTable table;
        Steps steps = Steps::AsTheyAre;
        std::vector<std::string> warnings; ///< of OpenColorIO: what it left out
    };
    /// The text of a CLF file, numbers with eight digits; `description` may be empty. Throws
    /// std::exception for what the format can't hold.
    std::string (*write)(const LutTable& table, const std::string& description);
    /// A CLF file, which must be one by its text (`looksLikeClf`). 1D and 3D tables, with scales ahead of them, come
    /// as they are; of other chains of steps what they make of 65³ colours within 0…1, or of 4 096 tones where no
    /// channel acts on another. Throws std::exception for what is none.
    Read (*read)(const std::string& file);
};

/// By this name in the plug.
using ClfPlugFunction = const ClfPlug* (*)();
constexpr const char* kClfPlugSymbol = "barytonClfPlug";
constexpr const char* kClfPlugFile = "baryton-clf.so";

} // namespace baryton
