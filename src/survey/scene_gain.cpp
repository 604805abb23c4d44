#include "survey/scene_gain.h"
#include "colour/spaces.h"
#include "colour/transfer.h"
#include "lut/pair_place.h"
#include "picture/light.h"
#include "survey/skin.h"

#include <algorithm>
#include <cmath>
#include <numeric>
#include <vector>

namespace baryton {

namespace {

constexpr double kDarkest = 10.0 / 255, kBrightest = 248.0 / 255; ///< what lies between is not clipped
constexpr double kTrusted = 3;                                    ///< the weight of skin and neutrals
constexpr int kGlance = 96;        ///< long side at which two pictures are laid on each other first
constexpr double kMostZoom = 1.14; ///< between two shots of a scene; the search finds shifts of an eighth
/// Likeness of edges at which two pictures are of two scenes, or of one. At a first look, unturned: of the demo
/// scenes those that differ come to 0.27 at most, shots of one to 0.49 at least, nearly all to 0.74. At a glance with
/// a turn, and then looked at closer: to 0.35 at most, to 0.53 at least.
constexpr double kUnlikeUnturned = 0.25, kAlikeUnturned = 0.7, kUnlike = 0.35, kAlikeAtOnce = 0.7, kLike = 0.45;

const Mat3& conesOfSrgb() {
    static const Mat3 cones = kCat16 * kSrgbToXyz;
    return cones;
}

Vec3 encodedAt(const Picture& p, int x, int y) {
    return {p.row(0, y)[x], p.row(1, y)[x], p.row(2, y)[x]};
}

bool isWithin(const Vec3& v) {
    return std::min({v[0], v[1], v[2]}) > kDarkest && std::max({v[0], v[1], v[2]}) < kBrightest;
}

Vec3 linearOf(const Vec3& v) {
    return {srgbToLinear(v[0]), srgbToLinear(v[1]), srgbToLinear(v[2])};
}

Vec3 logCones(const Vec3& v) {
    Vec3 cones = conesOfSrgb() * linearOf(v);
    for (double& c : cones) c = std::log2(std::max(c, 1e-4));
    return cones;
}

struct Weighed {
    double value, weight;
};

/// The value below which `part` of the weight lies.
double quantile(std::vector<Weighed>& values, double part) {
    std::sort(values.begin(), values.end(), [](const Weighed& a, const Weighed& b) { return a.value < b.value; });
    double all = 0, sum = 0;
    for (const Weighed& w : values) all += w.weight;
    for (const Weighed& w : values)
        if ((sum += w.weight) >= part * all) return w.value;
    return 0;
}

} // namespace

Picture sceneVersion(const Picture& picture) {
    return scaledDownTo(picture, kSceneSide);
}

bool isSameScene(const Picture& first, const Picture& other) {
    PlaceSearch search{kGlance, kGlance, kMostZoom, 1 / kMostZoom, kUnlikeUnturned, kAlikeUnturned};
    const double likeness = likeliestPlace(first, other, search).likeness;
    if (likeness < kUnlike || likeness >= kAlikeAtOnce) return likeness >= kAlikeAtOnce;
    search.fineSide = kSceneSide; // two faces in the middle are alike at a glance
    return likeliestPlace(first, other, search).likeness >= kLike;
}

SceneGain sceneGain(const Picture& first, const Picture& other, const Task* task) {
    const PlaceSearch search{kGlance, kSceneSide, kMostZoom, 1 / kMostZoom};
    const PairPlace place = likeliestPlace(first, other, search, task);
    SceneGain gain;
    gain.likeness = place.likeness;
    if (gain.likeness <= 0) return gain;
    std::vector<char> inside;
    const Picture laid = laidOnto(other, place, first.width(), first.height(), inside);
    std::array<std::vector<Weighed>, 3> ratios;
    std::size_t i = 0;
    for (int y = 0; y < first.height(); ++y)
        for (int x = 0; x < first.width(); ++x, ++i) {
            const Vec3 a = encodedAt(first, x, y), b = encodedAt(laid, x, y);
            if (!inside[i] || !isWithin(a) || !isWithin(b)) continue;
            const Vec3 one = logCones(a), two = logCones(b);
            const double weight = isNearGrey(a) || isSkin(a) ? kTrusted : 1;
            for (unsigned k = 0; k < 3; ++k) ratios[k].push_back({one[k] - two[k], weight});
        }
    gain.share = static_cast<double>(ratios[0].size()) / static_cast<double>(inside.size());
    if (ratios[0].empty()) return gain;
    for (unsigned k = 0; k < 3; ++k) gain.cones[k] = quantile(ratios[k], 0.5);
    // The second cone is near luminance.
    gain.spread = quantile(ratios[1], 0.75) - quantile(ratios[1], 0.25);
    return gain;
}

SceneLight sceneLight(const Picture& picture) {
    struct Pixel {
        float luminance;
        std::array<float, 3> linear;
    };
    std::vector<Pixel> pixels;
    std::vector<float> all;
    constexpr double enough = 6000; // pixels, spread evenly
    const double ratio = double(picture.width()) * picture.height() / enough;
    const int step = std::max(1, static_cast<int>(std::lround(std::sqrt(ratio))));
    const auto width = static_cast<std::size_t>(picture.width());
    std::array<std::vector<float>, 3> linear{std::vector<float>(width), std::vector<float>(width),
                                             std::vector<float>(width)};
    constexpr float least = 1e-4F, red = luma(1, 0, 0), green = luma(0, 1, 0), blue = luma(0, 0, 1);
    for (int y = 0; y < picture.height(); y += step) {
        for (unsigned k = 0; k < 3; ++k) rowToLinear(picture.row(static_cast<int>(k), y), linear[k].data(), width);
        for (std::size_t x = 0; x < width; x += static_cast<std::size_t>(step)) {
            const std::array<float, 3> v{linear[0][x], linear[1][x], linear[2][x]};
            const float light = std::log2(std::max(red * v[0] + green * v[1] + blue * v[2], least));
            all.push_back(light);
            if (isWithin(encodedAt(picture, static_cast<int>(x), y))) pixels.push_back({light, v});
        }
    }
    SceneLight scene;
    auto from = all.begin();
    for (std::size_t d = 0; d < 9; ++d) {
        const auto at = all.begin() + static_cast<std::ptrdiff_t>(all.size() * (d + 1) / 10);
        std::nth_element(from, at, all.end());
        scene.deciles[d] = *at;
        from = at;
    }
    scene.luminance = std::accumulate(scene.deciles.begin(), scene.deciles.end(), 0.0) / 9;
    scene.share = static_cast<double>(pixels.size()) / static_cast<double>(all.size());
    const auto isDarker = [](const Pixel& a, const Pixel& b) { return a.luminance < b.luminance; };
    const auto tenth = static_cast<std::ptrdiff_t>(pixels.size() / 10);
    const auto first = pixels.begin() + tenth, last = pixels.end() - tenth;
    if (first == last) return scene;
    std::nth_element(pixels.begin(), first, pixels.end(), isDarker);
    if (last != pixels.end()) std::nth_element(first, last, pixels.end(), isDarker);
    for (auto pixel = first; pixel != last; ++pixel) {
        const Vec3 cones = conesOfSrgb() * Vec3{pixel->linear[0], pixel->linear[1], pixel->linear[2]};
        for (unsigned k = 0; k < 3; ++k) scene.cones[k] += std::log2(std::max(static_cast<float>(cones[k]), least));
    }
    for (double& cone : scene.cones) cone /= static_cast<double>(last - first);
    return scene;
}

bool hasLikeTones(const SceneLight& a, const SceneLight& b) {
    constexpr double alike = 0.45;
    double sum = 0;
    for (std::size_t d = 0; d < 9; ++d) {
        const double apart = (a.deciles[d] - a.luminance) - (b.deciles[d] - b.luminance);
        sum += apart * apart;
    }
    return std::sqrt(sum / 9) < alike;
}

} // namespace baryton
