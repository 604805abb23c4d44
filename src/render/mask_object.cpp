#include "render/mask_object.h"
#include "base/error.h"
#include "picture/carried_picture.h"

#include <opencv2/imgproc.hpp>

#include <algorithm>
#include <cmath>
#include <deque>
#include <mutex>
#include <numbers>

namespace baryton {

namespace {

using Raster = std::shared_ptr<const ObjectRaster>;

/// Weights by the signed distance from the line where they pass a half, in pixels: that line moved by `grow`, fading
/// over `feather`.
cv::Mat grown(const cv::Mat& weights, double grow, double feather) {
    const cv::Mat inside = weights >= 0.5F, outside = weights < 0.5F;
    cv::Mat within, without;
    cv::distanceTransform(inside, within, cv::DIST_L2, cv::DIST_MASK_PRECISE);
    cv::distanceTransform(outside, without, cv::DIST_L2, cv::DIST_MASK_PRECISE);
    cv::Mat next(weights.size(), CV_32F);
    const double fade = std::max(feather, 1.5); // a step would have no edge to be averaged
    for (int y = 0; y < next.rows; ++y)
        for (int x = 0; x < next.cols; ++x) {
            const double in = double(within.at<float>(y, x)), out = double(without.at<float>(y, x));
            // At the line itself the weights say where in the pixel it runs.
            const double d = in + out > 1 ? (in > 0 ? in - 0.5 : 0.5 - out) : double(weights.at<float>(y, x)) - 0.5;
            const double t = std::clamp((d + grow) / fade + 0.5, 0.0, 1.0);
            next.at<float>(y, x) = static_cast<float>(t * t * (3 - 2 * t));
        }
    return next;
}

Raster made(const MaskObject& object) {
    cv::Mat weights;
    try {
        const PictureSize size = carriedSize(*object.found.encoded);
        if (std::max(size.width, size.height) > kMostObjectSide) return nullptr;
        const QuantisedPicture pixels = decodeCarried(*object.found.encoded);
        weights.create(pixels.height, pixels.width, CV_32F);
        for (std::size_t i = 0; i < weights.total(); ++i)
            weights.ptr<float>()[i] =
                static_cast<float>(pixels.bytes[i * static_cast<std::size_t>(pixels.channels)]) / 255.0F;
    } catch (const Error&) {
        return nullptr; // its layer acts nowhere
    }
    const double perPixel = object.width / weights.cols;
    const bool isGrown = object.grow != 0 || object.feather != 0;
    const double reach = isGrown ? std::max(object.grow + object.feather / 2, 0.0) / perPixel : 0;
    constexpr int most = 2000; // of a box of a few pixels
    const int border = 1 + std::min(static_cast<int>(std::ceil(reach)), most);
    cv::copyMakeBorder(weights, weights, border, border, border, border, cv::BORDER_CONSTANT);
    if (isGrown) weights = grown(weights, object.grow / perPixel, object.feather / perPixel);
    auto raster = std::make_shared<ObjectRaster>();
    raster->width = weights.cols, raster->height = weights.rows;
    raster->border = border * perPixel;
    raster->weights.assign(weights.ptr<float>(), weights.ptr<float>() + weights.total());
    return raster;
}

struct Known {
    std::shared_ptr<const std::string> encoded;
    double width = 1, grow = 0, feather = 0;
    Raster raster;
};

} // namespace

Raster objectRaster(const MaskObject& object) {
    if (!object.found.encoded) return nullptr;
    static std::mutex lock;
    static std::deque<Known> known;
    constexpr std::size_t most = 12;
    {
        const std::lock_guard<std::mutex> guard(lock);
        for (const Known& each : known)
            if (each.encoded == object.found.encoded && each.width == object.width && each.grow == object.grow &&
                each.feather == object.feather)
                return each.raster;
    }
    // Two that want the same at once both make it.
    Raster raster = made(object);
    const std::lock_guard<std::mutex> guard(lock);
    if (known.size() == most) known.pop_back();
    known.push_front({object.found.encoded, object.width, object.grow, object.feather, raster});
    return raster;
}

ObjectWeights::ObjectWeights(const MaskObject& object, double width, double height) : raster_(objectRaster(object)) {
    if (!raster_) return;
    const double angle = std::remainder(object.turn, 360) * std::numbers::pi / 180, c = std::cos(angle),
                 s = std::sin(angle);
    const double perX = raster_->width / (object.width + 2 * raster_->border),
                 perY = raster_->height / (object.height + 2 * raster_->border);
    const auto number = [](double v) { return static_cast<float>(v); };
    ux_ = number(c * width * perX), uy_ = number(s * height * perX);
    u0_ = number(-(c * width * object.x + s * height * object.y) * perX + raster_->width / 2.0 - 0.5);
    vx_ = number(-s * width * perY), vy_ = number(c * height * perY);
    v0_ = number(-(-s * width * object.x + c * height * object.y) * perY + raster_->height / 2.0 - 0.5);
}

void ObjectWeights::operator()(const float* x, const float* y, std::size_t count, float* weights) const {
    if (!raster_) return void(std::fill(weights, weights + count, 0.0F));
    const auto across = static_cast<float>(raster_->width - 1), down = static_cast<float>(raster_->height - 1);
    const auto stride = static_cast<std::size_t>(raster_->width);
    for (std::size_t i = 0; i < count; ++i) {
        const float u = ux_ * x[i] + uy_ * y[i] + u0_, v = vx_ * x[i] + vy_ * y[i] + v0_;
        weights[i] = 0;
        if (!(u > 0 && v > 0 && u < across && v < down)) continue; // its outermost pixels are 0
        const float column = std::floor(u), row = std::floor(v), right = u - column, below = v - row;
        const float* at =
            raster_->weights.data() + static_cast<std::size_t>(row) * stride + static_cast<std::size_t>(column);
        const float upper = at[0] + right * (at[1] - at[0]),
                    lower = at[stride] + right * (at[stride + 1] - at[stride]);
        weights[i] = upper + below * (lower - upper);
    }
}

bool ObjectWeights::reaches(float left, float top, float right, float bottom) const {
    if (!raster_) return false;
    constexpr float beyond = 1; // places there are rounded another way
    const auto isApart = [&](float perX, float perY, float start, int size) {
        const float x0 = perX * left, x1 = perX * right, y0 = perY * top, y1 = perY * bottom;
        return std::max(x0, x1) + std::max(y0, y1) + start < -beyond ||
               std::min(x0, x1) + std::min(y0, y1) + start > static_cast<float>(size) + beyond;
    };
    return !isApart(ux_, uy_, u0_, raster_->width) && !isApart(vx_, vy_, v0_, raster_->height);
}

} // namespace baryton
