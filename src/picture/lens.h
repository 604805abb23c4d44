#pragma once
#include "picture/shot.h"

#include <array>
#include <filesystem>
#include <string>
#include <vector>

namespace baryton {

/// What is wanted of a lens. Corrections are shares of what the lens is known to need, 0…1; what is set by hand comes
/// on top.
struct LensSettings {
    bool isWanted = false;
    std::string lens; ///< the name of one of knownLenses(); empty: the picture's own
    double distortion = 1, fringes = 1, shading = 1;
    double barrel =
        0; ///< −0.12…0.12: at the corners lengths are pushed out by this share; negative against pincushion
    double red = 0, blue = 0; ///< the red and the blue picture made larger by this share, −0.005…0.005
    double corners = 0;       ///< stops of light added in the corners, as the square of the distance

    bool operator==(const LensSettings&) const = default;
};

/// What is done about a lens: its calibration as Lensfun has it for one shot (models named as there; no model where
/// nothing is known), and what is wanted of it. A plain value; of itself it needs no database.
struct LensCorrection {
    LensSettings settings;
    std::string lens; ///< whose calibration this is; empty where none is known
    int distortionModel = 0, fringeModel = 0, shadingModel = 0;
    std::array<float, 3> distortion{}, shading{};
    std::array<float, 6> fringes{};
    double focal = 0;                      ///< mm, of the shot
    double lensCrop = 1, lensAspect = 1.5; ///< of the pictures that it was measured by
    double crop = 1;                       ///< of the camera: 43.27 mm over its sensor's diagonal
    double centreX = 0, centreY = 0;       ///< where the lens's axis lies beside the middle, in Lensfun's units
    Orientation orientation{};             ///< of the file

    bool changesPlaces() const;
    bool movesColoursApart() const;
    bool lightens() const;
    bool isNone() const { return !changesPlaces() && !movesColoursApart() && !lightens(); }
    bool operator==(const LensCorrection&) const = default;
};

/// What a shot's lens, or the one that is chosen, needs: from the database of Lensfun and files of its format in
/// userLensFolder. The first to ask has them read, which takes some 150 ms.
LensCorrection correctionFor(const LensSettings& settings, const Shot& shot);

/// What keeps a wanted correction from being complete, in words; empty where nothing does.
std::string lensProblem(const LensCorrection& correction, const Shot& shot);

/// The focal length of a shot for a frame of 36 × 24 mm, in mm: as its file says, or by its camera's crop factor; 0
/// where neither is known.
double focalFor35(const Shot& shot);

/// The names of all lenses that corrections are known for, those that fit the shot's camera first (their number in
/// `fitting`); by name.
std::vector<std::string> knownLenses(const Shot& shot, std::size_t& fitting);

/// Where people put files of their own lenses (*.xml, as Lensfun has them).
std::filesystem::path userLensFolder();
/// Reads the files of another folder as well.
void addLensFolder(const std::filesystem::path& folder);
/// Those that could not be read: what they hold is not known.
std::vector<std::filesystem::path> unreadLensFiles();

} // namespace baryton
