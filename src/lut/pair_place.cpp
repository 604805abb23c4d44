#include "lut/pair_place.h"
#include "base/words.h"
#include "lut/luma_plane.h"

#include <opencv2/imgproc.hpp>
#include <opencv2/video/tracking.hpp>

#include <algorithm>
#include <cmath>
#include <numbers>
#include <vector>

namespace baryton {

namespace {

constexpr double kLeastLikeness = 0.35;

/// How much edge there is, whatever its contrast became: slopes against those around them.
cv::Mat edgesOf(const cv::Mat& plane) {
    cv::Mat soft, across, down, slope, around;
    cv::GaussianBlur(plane, soft, {}, 1);
    cv::Sobel(soft, across, CV_32F, 1, 0);
    cv::Sobel(soft, down, CV_32F, 0, 1);
    cv::magnitude(across, down, slope);
    cv::GaussianBlur(slope, around, {}, std::max(plane.cols, plane.rows) / 24.0);
    return slope / (slope + around + 0.004F);
}

/// A plane made another size, and where its pixels come to lie.
struct Sized {
    cv::Mat plane;
    cv::Matx33d fromWhole; ///< counted from the middle of the first pixel in both
};

Sized sized(const cv::Mat& whole, double factor) {
    Sized small;
    const cv::Size size(std::max(8, static_cast<int>(std::lround(whole.cols * factor))),
                        std::max(8, static_cast<int>(std::lround(whole.rows * factor))));
    cv::resize(whole, small.plane, size, 0, 0, factor < 1 ? cv::INTER_AREA : cv::INTER_LINEAR);
    const double fx = double(size.width) / whole.cols, fy = double(size.height) / whole.rows;
    small.fromWhole = {fx, 0, 0.5 * fx - 0.5, 0, fy, 0.5 * fy - 0.5, 0, 0, 1};
    return small;
}

cv::Matx33d matrixOf(const std::array<double, 6>& map) {
    return {map[0], map[1], map[2], map[3], map[4], map[5], 0, 0, 1};
}

/// A map between two planes made smaller, as one between the whole ones, and the other way.
std::array<double, 6> widened(const cv::Matx33d& map, const Sized& before, const Sized& after) {
    const cv::Matx33d wide = after.fromWhole.inv() * map * before.fromWhole;
    return {wide(0, 0), wide(0, 1), wide(0, 2), wide(1, 0), wide(1, 1), wide(1, 2)};
}
cv::Matx33d narrowed(const std::array<double, 6>& wide, const Sized& before, const Sized& after) {
    return after.fromWhole * matrixOf(wide) * before.fromWhole.inv();
}

/// The place and size at which the one after fits best into the one before, unturned.
PairPlace roughly(const cv::Mat& before, const cv::Mat& after, const PlaceSearch& search, const Task* task) {
    const double factor = std::min(1.0, double(search.coarseSide) / std::max(before.cols, before.rows));
    const Sized smallBefore = sized(before, factor);
    const cv::Mat scene = edgesOf(smallBefore.plane);
    // What was cut away, or added, at the edges may be missing on either side.
    const int room = std::max(scene.cols, scene.rows) / 8;
    cv::Mat wide;
    cv::copyMakeBorder(scene, wide, room, room, room, room, cv::BORDER_CONSTANT, cv::mean(scene));
    // At `part` 1 the longer side of the one after is as long as that of the one before.
    const double whole = std::min(double(before.cols) / after.cols, double(before.rows) / after.rows);
    PairPlace best;
    std::vector<double> parts;
    for (double part = search.largest; part > search.smallest; part *= 0.97) parts.push_back(part);
    // The likeliest first: nothing was cut away.
    std::stable_sort(parts.begin(), parts.end(),
                     [](double a, double b) { return std::abs(std::log(a)) < std::abs(std::log(b)); });
    for (const double part : parts) {
        if (best.likeness >= search.enough) break;
        if (task) task->throwIfCancelled();
        const double scale = whole * part * factor;
        const Sized smallAfter = sized(after, scale);
        const cv::Mat piece = edgesOf(smallAfter.plane);
        if (piece.cols > wide.cols || piece.rows > wide.rows || std::min(piece.cols, piece.rows) < 16) continue;
        cv::Mat scores;
        cv::matchTemplate(wide, piece, scores, cv::TM_CCOEFF_NORMED);
        double score = 0;
        cv::Point at;
        cv::minMaxLoc(scores, nullptr, &score, nullptr, &at);
        if (score <= best.likeness) continue;
        best.likeness = score;
        best.toAfter =
            widened({1, 0, double(room - at.x), 0, 1, double(room - at.y), 0, 0, 1}, smallBefore, smallAfter);
    }
    return best;
}

void refine(PairPlace& place, const cv::Mat& before, const cv::Mat& after, int side, const Task* task) {
    if (task) task->throwIfCancelled();
    const double factor = std::min(1.0, double(side) / std::max(before.cols, before.rows));
    const Sized one = sized(before, factor), other = sized(after, std::min(1.0, factor / place.scale()));
    cv::Mat map;
    cv::Mat(narrowed(place.toAfter, one, other)).rowRange(0, 2).convertTo(map, CV_32F);
    const cv::TermCriteria enough(cv::TermCriteria::COUNT | cv::TermCriteria::EPS, 40, 1e-5);
    try {
        place.likeness = cv::findTransformECC(edgesOf(one.plane), edgesOf(other.plane), map, cv::MOTION_AFFINE,
                                              enough, cv::noArray(), 5);
    } catch (const cv::Exception&) {
        place.likeness = 0; // it does not converge where there is nothing in common
        return;
    }
    const cv::Mat_<float> found(map);
    place.toAfter =
        widened({found(0, 0), found(0, 1), found(0, 2), found(1, 0), found(1, 1), found(1, 2), 0, 0, 1}, one, other);
}

} // namespace

double PairPlace::scale() const {
    return std::sqrt(std::abs(toAfter[0] * toAfter[4] - toAfter[1] * toAfter[3]));
}

double PairPlace::turn() const {
    return std::atan2(toAfter[3] - toAfter[1], toAfter[0] + toAfter[4]) * 180 / std::numbers::pi;
}

PairPlace likeliestPlace(const Picture& before, const Picture& after, const PlaceSearch& search, const Task* task) {
    const cv::Mat one = lumaPlane(before), other = lumaPlane(after);
    PairPlace place = roughly(one, other, search, task);
    if (place.likeness > search.least && place.likeness < search.enough) {
        refine(place, one, other, search.coarseSide, task);
        if (place.likeness > kLeastLikeness && search.fineSide > search.coarseSide)
            refine(place, one, other, search.fineSide, task);
    }
    return place;
}

PairPlace findPairPlace(const Picture& before, const Picture& after, const Task* task) {
    PairPlace place = likeliestPlace(before, after, {}, task);
    if (place.likeness < kLeastLikeness)
        throw Error("", "", words("these are not one picture: their edges do not fit on each other"),
                    words("choose a picture and a graded version of it, turned alike"));
    return place;
}

Picture laidOnto(const Picture& after, const PairPlace& place, int width, int height, std::vector<char>& inside) {
    // Made smaller first, so that no pixel is passed over.
    const double factor = std::min(1.0, 1 / place.scale());
    Picture laid(width, height);
    cv::Size source;
    cv::Matx33d map;
    for (int k = 0; k < 3; ++k) {
        cv::Mat plane(after.height(), after.width(), CV_32F);
        for (int y = 0; y < after.height(); ++y) std::copy_n(after.row(k, y), after.width(), plane.ptr<float>(y));
        const Sized small = sized(plane, factor);
        map = small.fromWhole * matrixOf(place.toAfter);
        source = small.plane.size();
        cv::Mat there;
        cv::warpAffine(small.plane, there, map.get_minor<2, 3>(0, 0), {width, height},
                       cv::INTER_LINEAR | cv::WARP_INVERSE_MAP, cv::BORDER_REPLICATE);
        for (int y = 0; y < height; ++y) std::copy_n(there.ptr<float>(y), width, laid.row(k, y));
    }
    inside.assign(static_cast<std::size_t>(width) * static_cast<std::size_t>(height), 0);
    for (int y = 0; y < height; ++y)
        for (int x = 0; x < width; ++x) {
            const cv::Vec3d at = map * cv::Vec3d(x, y, 1);
            inside[static_cast<std::size_t>(y) * static_cast<std::size_t>(width) + static_cast<std::size_t>(x)] =
                at[0] >= 1 && at[1] >= 1 && at[0] <= source.width - 2 && at[1] <= source.height - 2;
        }
    return laid;
}

} // namespace baryton
