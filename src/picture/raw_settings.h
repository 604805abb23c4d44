#pragma once

namespace baryton {

/// What becomes of light that was more than the sensor could take, in channels that end at different values.
enum class RawHighlights {
    Neutral, ///< all channels end where the first of them ends: white stays white
    Rebuilt, ///< a channel that has ended takes what the others still tell
};

/// The curve from the sensor's light to the picture.
enum class RawResponse {
    Even, ///< none: light as it was measured
    Flat, ///< logarithmic, with two stops above white: for those who grade from flat
};

/// How the colour of each pixel is made from its neighbours' (named in raw_file.h).
enum class RawDemosaic { Fine, Quick };

/// How a raw file becomes a picture. A plain value; other files take no notice of it.
struct RawSettings {
    bool isAsShot = true; ///< white as the camera set it; else kelvin and tint
    double kelvin = 5500; ///< of the light that becomes neutral, 2 000…25 000
    double tint = 0;      ///< −1…1, as in colour/illuminant.h
    RawHighlights highlights = RawHighlights::Neutral;
    RawResponse response = RawResponse::Even;
    RawDemosaic demosaic = RawDemosaic::Fine;

    bool operator==(const RawSettings&) const = default;
};

} // namespace baryton
