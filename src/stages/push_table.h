#pragma once
#include "stages/oklab.h"

namespace baryton {

/// The constants of Push table. Each row is a range of tones (as a limit's tone range, on luma) or a family of hues
/// (as a band's window, with the fades); its weight is w. A channel is pushed toward its column by w·amount times the
/// room left, so that nothing is pushed past an end:
///
///     amount > 0: v += w·amount·0.5·(1 − v)      amount < 0: v += w·amount·0.5·v      v held to 0…1 for the room
///
/// red by the first column, green by the second, blue by the third; density pushes all three, positive toward black.
/// All rows see the same input; their pushes are added and held so that together they never pass the room. With luma
/// held, what the colours moved is given back to all channels.
struct PushTableConstants {
    static constexpr int kMost = 8;
    static constexpr float kReach = 0.5F;
    struct Row {
        bool isHue = false;
        float low = 0, high = 1, perSoftness = 10;
        HueWindow window;
        float push[3]{}, density = 0;
    };
    int count = 0;
    bool holdLuma = false, anyHue = false;
    Row rows[kMost];
};

} // namespace baryton
