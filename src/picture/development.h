#pragma once
#include "picture/camera_colour.h"

#include <cstddef>

namespace baryton {

/// From a camera's numbers, with a colour for each pixel, to the working encoding, by vector code.
///
/// With c the share of what the sensor can take (0…1), m = 1 / neutral scaled so that the least is 1, b = m·c:
///   Neutral: b = min(b, 1), the least value at which a channel ends.
///   Rebuilt: b += w·max(0, E − b), where w goes from 0 to 1 as c goes from 0.96 to 1 and E is the mean of what is
///   left:
///            of the channels by 1 − w, and of the largest of them by what is missing to two, at least 0.02, at
///            most 1.
/// Then linear sRGB by `linearFromBalanced`, and the sRGB curve; or, for the flat response, log(1 + 60·L) / log(241),
/// odd below 0, which puts light two stops above white at 1 and grey of 18 % at 0.45.
class Development {
public:
    /// `toSensor`: what makes the numbers given a share of what the sensor can take.
    Development(const CameraColour& camera, const Vec3& toSensor, const RawSettings& settings);

    /// In place over rows of planes; reads and writes up to the next multiple of kRowPad.
    void operator()(float* r, float* g, float* b, std::size_t count) const;

    /// The share of the sensor's range that becomes a colour of the working encoding, as if nothing had ended.
    Vec3 sensorOf(const Vec3& encoded) const;

    struct Constants {
        float toBalanced[3], multiplier[3], matrix[9];
    };

private:
    Constants constants_{};
    Mat3 linearFromBalanced_{};
    Vec3 multipliers_{};
    bool isRebuilt_, isFlat_;
};

} // namespace baryton
