// What a survey says, in words.
#include "base/words.h"
#include "survey/survey.h"

#include <cmath>

namespace baryton {

std::string faultName(FaultKind kind) {
    static constexpr const char* names[] = {"clips",  "loses-folds", "shows-bands", "turns-skin", "moves-sample",
                                            "darker", "lighter",     "warmer",      "cooler",     "idle-stage"};
    return names[static_cast<std::size_t>(kind)];
}

std::string faultTitle(FaultKind kind) {
    switch (kind) {
    case FaultKind::Clips:
        return words("Clips");
    case FaultKind::LosesFolds:
        return words("Loses folds");
    case FaultKind::ShowsBands:
        return words("May show bands");
    case FaultKind::TurnsSkin:
        return words("Skin leaves its place");
    case FaultKind::MovesSample:
        return words("A sampled colour leaves its place");
    case FaultKind::Darker:
        return words("Darker than the others");
    case FaultKind::Lighter:
        return words("Lighter than the others");
    case FaultKind::Warmer:
        return words("Warmer than the others");
    case FaultKind::Cooler:
        return words("Cooler than the others");
    case FaultKind::Idle:
        break;
    }
    return words("A stage does nothing here");
}

std::string faultWords(const Fault& fault) {
    const double percent = fault.figure * 100;
    const auto colourWords = [&](const std::string& what) {
        if (fault.figure > 0) return inWords("{} turns {:.0f}° toward yellow", what, fault.figure);
        if (fault.figure < 0) return inWords("{} turns {:.0f}° toward red", what, -fault.figure);
        return inWords("{} has {:.1f} times the colour that it has on the key", what, fault.chroma);
    };
    switch (fault.kind) {
    case FaultKind::Clips:
        return inWords("{:.1f} % clipped", percent);
    case FaultKind::LosesFolds:
        return inWords("{:.1f} % loses its folds", percent);
    case FaultKind::ShowsBands:
        return inWords("{:.0f} % is smooth and drawn apart", percent);
    case FaultKind::TurnsSkin:
        return colourWords(words("skin"));
    case FaultKind::MovesSample: {
        if (fault.figure == 0) return colourWords(inWords("sample {}", fault.sample + 1));
        return inWords("sample {} turns {:.0f}°", fault.sample + 1, std::abs(fault.figure));
    }
    case FaultKind::Darker:
        return inWords("{:.1f} stops darker", fault.figure);
    case FaultKind::Lighter:
        return inWords("{:.1f} stops lighter", fault.figure);
    case FaultKind::Warmer:
        return inWords("{:.0f} mired warmer", fault.figure);
    case FaultKind::Cooler:
        return inWords("{:.0f} mired cooler", fault.figure);
    case FaultKind::Idle:
        break;
    }
    return words("changes nothing here");
}

} // namespace baryton
