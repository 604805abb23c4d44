#pragma once
#include "grade/grade.h"

#include <string>

namespace baryton {

/// What mends a fault that `diagnose` warns of, in one step.
struct Remedy {
    enum class Kind {
        HoldColours,  ///< a Gamut compression at the end of the Look
        RollOff,      ///< a Tone at the end of the Look that rolls the lights off by `amount`
        Ease,         ///< the stage at `amount` of its strength
        FlattenFirst, ///< a Tone ahead of the stage: less contrast by `amount`, both ends drawn in by half of it
        MoveAhead,    ///< the stage moved ahead of `otherId`, in that one's layer
    };
    Kind kind = Kind::Ease;
    std::string stageId; ///< the stage at fault
    double amount = 0;   ///< 0…1
    std::string otherId{};

    bool operator==(const Remedy&) const = default;
};

/// The grade with the remedy taken. Where it does not fit (the stage is gone) the grade comes back as it was.
Grade remedied(const Grade& grade, const Remedy& remedy);

/// A few words for the button: "Ease to 60 %".
std::string remedyWords(const Grade& grade, const Remedy& remedy);

} // namespace baryton
