#pragma once
#include "base/task.h"
#include "lut/lut_file.h"
#include "lut/lut_spaces.h"
#include "picture/picture.h"
#include "render/program.h"

namespace baryton {

/// How a Look is baked, beside its size.
struct BakeOptions {
    LutFormat format = LutFormat::Cube; ///< of the file that it is for: .3dl holds whole numbers of 0…1
    LutSpaces spaces{};                 ///< whose numbers it takes and gives
    bool withPrep = false;              ///< holds Exposure and White balance too
};

/// Evaluates the part of a grade that bakes, Prep left out unless asked for, on a grid of `size`³ over 0…1. Nodes are
/// not clipped. Size 2…129. The nodes are in the numbers of the spaces; where those that it reads need a shaper, it
/// has one of 4096 entries.
LutTable bakeLook(const Grade& grade, int size, const std::string& title, const BakeOptions& options = {});

/// Colour differences (CIEDE2000, D65, both sides clipped to the output range) between a LUT and the exact Look.
struct Difference {
    double mean = 0, percentile99 = 0, worst = 0;
    std::array<float, 3> worstAt{}; ///< the input colour with the worst difference
    std::size_t samples = 0;
};

/// How faithful a LUT is: applied by the tetrahedral kernel, against the exact program.
/// `cube` is measured on a fixed pseudo-random sample of the whole cube; `pictures` on every pixel of the given small
/// pictures.
struct Fidelity {
    Difference cube, pictures;
};
Fidelity measureFidelity(const LutTable& table, const Grade& grade, const std::vector<Picture>& pictures,
                         const BakeOptions& options = {}, const Task* task = nullptr);

/// How far a LUT is from the Look at each pixel of a picture, whose numbers are held to 0…1: CIEDE2000 in the first
/// plane.
Picture missedOn(const Picture& picture, const LutTable& table, const Grade& grade, const BakeOptions& options = {},
                 const Task* task = nullptr);

/// The same between any two grades, of what of them bakes: how far `other` is from `grade`.
Fidelity compareLooks(const Grade& grade, const Grade& other, const std::vector<Picture>& pictures,
                      const Task* task = nullptr);

/// How far two Looks are apart at each pixel of a picture, as missedOn tells it.
Picture apartOn(const Picture& picture, const Grade& one, const Grade& other, const Task* task = nullptr);
/// What stands in the first plane of such a picture; where the worst is, it does not tell.
Difference differenceIn(const Picture& apart);

/// A grade with a LUT as its only stage, made for these spaces.
Grade lutGrade(const LutTable& table, const std::string& name, const LutSpaces& spaces = {});

/// The grade with its layers acting everywhere that are held to a mask with a place, and their names: what a LUT
/// holds when masks are ignored. Masks of colours alone stay.
struct WithoutPlaces {
    Grade grade;
    std::vector<std::string> layers;
};
WithoutPlaces withoutPlaces(const Grade& grade);

} // namespace baryton
