#pragma once
#include <array>
#include <vector>

namespace baryton {

/// A mixture of normal distributions over colours in OKLab and, loosely, over where in a picture these lie.
class ColourMixture {
public:
    static constexpr int kNumbers = 5;
    using Sample = std::array<float, kNumbers>; ///< L, a, b, x, y, each already in the weight it is to have

    /// Parted by k-means (the same for the same samples), each part then taken as one normal distribution. At least
    /// one sample.
    explicit ColourMixture(const std::vector<Sample>& samples);

    /// −log of its density at a sample.
    double unlikeness(const Sample& sample) const;

private:
    struct Part {
        Sample mean{};
        std::array<double, kNumbers*(kNumbers + 1) / 2> inverse{}; ///< of its covariance, the upper triangle by rows
        double logWeight = 0;
    };
    std::vector<Part> parts_;
};

} // namespace baryton
