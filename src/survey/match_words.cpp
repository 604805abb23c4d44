// What is said of a match, in words.
#include "base/words.h"
#include "survey/match.h"

#include <cmath>

namespace baryton {

std::string matchWords(const Match& match) {
    if (match.by == MatchedBy::Itself) return words("the others of its run are matched to this one");
    if (match.by == MatchedBy::Nothing) return words("shows too little of what the others show: left as it was");
    const double stops = std::abs(match.stopsOff), mireds = std::abs(match.miredsOff);
    std::string off;
    const auto add = [&off](const std::string& part) { off += (off.empty() ? "" : ", ") + part; };
    if (stops >= 0.05)
        add(match.stopsOff < 0 ? inWords("{:.2f} stops darker", stops) : inWords("{:.2f} stops brighter", stops));
    if (mireds >= 2)
        add(match.miredsOff > 0 ? inWords("{:.0f} mired warmer", mireds) : inWords("{:.0f} mired cooler", mireds));
    if (off.empty()) add(words("lay right"));
    if (match.by == MatchedBy::Tones) add(words("told by its tones on the whole"));
    if (match.isHeld) add(words("more than the limit: set as far as that"));
    return off;
}

} // namespace baryton
