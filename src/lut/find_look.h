#pragma once
#include "lut/bake.h"

#include <functional>
#include <vector>

namespace baryton {

/// What became of colours: those before, and the same after, in the working encoding, and how much each counts.
struct ColourPairs {
    std::vector<std::array<float, 3>> before, after;
    std::vector<float> weights;

    std::size_t size() const { return before.size(); }
    void add(const std::array<float, 3>& from, const std::array<float, 3>& to, float weight);
};
/// What a Look makes of colours all over the cube, of greys, and of those of the given pictures.
ColourPairs pairsOf(const Grade& look, const std::vector<Picture>& pictures = {});

struct FoundLook {
    std::vector<Stage> stages;                    ///< in the order they act; none where nothing needs doing
    double mean = 0, percentile99 = 0, worst = 0; ///< what is left between the pairs and them, about CIEDE2000
};

/// How a Look is sought.
struct LookSearch {
    /// A thorough search takes some seconds; else it ends with the first stages that were sought, none left out.
    bool isThorough = true;
    /// How firmly numbers are held to where they do nothing: the CIEDE2000, of all colours alike, that one may cost
    /// which went the whole of its range. More where the pairs hold few of all colours.
    double pull = 0.02;
    /// Called with what there is as the search goes on, in its thread.
    std::function<void(const FoundLook&)> soFar{};
};

/// A Look of as few stages as do it that comes as near as it can to what became of the colours: nothing but stages
/// that anybody can change, six at most. Channel mix, Curves, Wheels, Hue bands and Saturation are sought together,
/// in several orders, or Monochrome or a Gradient map with Curves, where what comes out has but one colour for each
/// lightness; what still helps is added to the best of them, and stages whose leaving does next to no harm go, those
/// that matter least first.
///
/// The sum of squared differences, as CIEDE2000 counts them around each wanted colour (its metric there, a matrix a
/// colour), is made least within the ranges of the parameters by Ceres (Levenberg and Marquardt; the derivatives are
/// differences of the stages themselves). The same pairs give the same stages, whatever the number of threads.
///
/// Asked to finish up, it ends with what it has; throws Cancelled when the task says so, and Error where there are no
/// pairs.
FoundLook findLook(const ColourPairs& pairs, const LookSearch& how = {}, const Task* task = nullptr);

/// A grade of one layer with the stages.
Grade gradeOf(std::vector<Stage> stages, const std::string& layerName);

} // namespace baryton
