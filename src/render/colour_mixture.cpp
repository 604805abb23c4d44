#include "render/colour_mixture.h"

#include <opencv2/core.hpp>

#include <algorithm>
#include <cmath>

namespace baryton {

namespace {

constexpr int kParts = 10;
/// Samples that a mixture is made of at most: more change nothing that can be seen.
constexpr std::size_t kMostSamples = 8000;
/// Added to each variance, so that no part is narrower than the noise of a picture.
constexpr double kLeastVariance = 1e-4;

using Square = cv::Matx<double, ColourMixture::kNumbers, ColourMixture::kNumbers>;

} // namespace

ColourMixture::ColourMixture(const std::vector<Sample>& all) {
    std::vector<Sample> samples;
    const std::size_t step = std::max<std::size_t>(1, all.size() / kMostSamples);
    for (std::size_t i = 0; i < all.size(); i += step) samples.push_back(all[i]);
    const auto count = static_cast<int>(samples.size());
    const int parts = std::clamp(count / 20, 1, kParts);
    const cv::Mat rows(count, kNumbers, CV_32F, samples.data());
    cv::Mat labels;
    cv::theRNG().state = 1; // of this thread: the same parts every time
    cv::kmeans(rows, parts, labels, cv::TermCriteria(cv::TermCriteria::COUNT, 10, 0), 1, cv::KMEANS_PP_CENTERS);

    for (int k = 0; k < parts; ++k) {
        std::array<double, kNumbers> mean{};
        Square covariance = Square::zeros();
        double weight = 0;
        for (int i = 0; i < count; ++i) {
            if (labels.at<int>(i) != k) continue;
            ++weight;
            for (std::size_t a = 0; a < mean.size(); ++a) mean[a] += double(samples[static_cast<std::size_t>(i)][a]);
        }
        if (weight == 0) continue;
        for (double& m : mean) m /= weight;
        for (int i = 0; i < count; ++i) {
            if (labels.at<int>(i) != k) continue;
            const Sample& sample = samples[static_cast<std::size_t>(i)];
            for (std::size_t a = 0; a < mean.size(); ++a)
                for (std::size_t b = 0; b < mean.size(); ++b)
                    covariance(static_cast<int>(a), static_cast<int>(b)) +=
                        (double(sample[a]) - mean[a]) * (double(sample[b]) - mean[b]) / weight;
        }
        for (int a = 0; a < kNumbers; ++a) covariance(a, a) += kLeastVariance;
        const Square inverse = covariance.inv();
        Part part;
        for (std::size_t a = 0; a < mean.size(); ++a) part.mean[a] = static_cast<float>(mean[a]);
        std::size_t at = 0;
        for (int a = 0; a < kNumbers; ++a)
            for (int b = a; b < kNumbers; ++b) part.inverse[at++] = (a == b ? 1 : 2) * inverse(a, b);
        part.logWeight = std::log(weight / count) - 0.5 * std::log(cv::determinant(covariance));
        parts_.push_back(part);
    }
}

double ColourMixture::unlikeness(const Sample& sample) const {
    double logs[kParts];
    double most = -1e300;
    for (std::size_t k = 0; k < parts_.size(); ++k) {
        const Part& part = parts_[k];
        double away[kNumbers];
        for (std::size_t a = 0; a < sample.size(); ++a) away[a] = double(sample[a]) - double(part.mean[a]);
        double square = 0;
        std::size_t at = 0;
        for (int a = 0; a < kNumbers; ++a)
            for (int b = a; b < kNumbers; ++b) square += part.inverse[at++] * away[a] * away[b];
        logs[k] = part.logWeight - square / 2;
        most = std::max(most, logs[k]);
    }
    double sum = 0;
    for (std::size_t k = 0; k < parts_.size(); ++k) sum += std::exp(logs[k] - most);
    return -(most + std::log(sum));
}

} // namespace baryton
