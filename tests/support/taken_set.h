#pragma once
#include "colour/matrix.h"
#include "picture/picture.h"
#include "survey/match.h"

#include <string>
#include <vector>

namespace baryton::test {

/// How one shot of a scene differs from the scene as it was rendered.
struct Taken {
    double stops = 0, kelvin = 6504;
    double shiftX = 0, shiftY = 0, size = 1; ///< shares of the frame
    bool isByChannels = false;               ///< the light is the camera's own three channels, not cone responses
};

/// The names of the twelve demo scenes.
const std::vector<std::string>& demoScenes();
/// A demo picture, `longSide` pixels long.
Picture demoScene(const std::string& name, int longSide = 480);
/// The scene as such a shot has it, in 8 bits; without reframing where only its light is asked for.
Picture takenAs(const Picture& scene, const Taken& taken, bool isReframed = true);

/// A run of eight: the scene as it is, and seven that differ by up to 1.5 stops, lights of 3 000…9 000 K, and a
/// little framing.
std::vector<Taken> runOfEight(unsigned seed);

/// Mean CIEDE2000 of the greys and the skin of a picture (all its colours where it has too few) between it and a shot
/// of the same scene, framed alike, with such a Prep, where neither is clipped.
double trustedApart(const Picture& wanted, const Picture& shot, const PrepLight& light);

} // namespace baryton::test
