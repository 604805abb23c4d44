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

/// The signed distance from the line where weights pass a half, in pixels, positive within.
cv::Mat distancesOf(const cv::Mat& weights) {
    const cv::Mat inside = weights >= 0.5F, outside = weights < 0.5F;
    cv::Mat within, without;
    cv::distanceTransform(inside, within, cv::DIST_L2, cv::DIST_MASK_PRECISE);
    cv::distanceTransform(outside, without, cv::DIST_L2, cv::DIST_MASK_PRECISE);
    cv::Mat distances(weights.size(), CV_32F);
    for (std::size_t i = 0; i < distances.total(); ++i) {
        const float in = within.ptr<float>()[i], out = without.ptr<float>()[i];
        // At the line itself the weights say where in the pixel it runs.
        distances.ptr<float>()[i] = in + out > 1 ? (in > 0 ? in - 0.5F : 0.5F - out) : weights.ptr<float>()[i] - 0.5F;
    }
    return distances;
}

Raster made(const std::string& encoded, bool asDistances) {
    cv::Mat weights;
    try {
        const PictureSize size = carriedSize(encoded);
        if (std::max(size.width, size.height) > kMostObjectSide) return nullptr;
        const QuantisedPicture pixels = decodeCarried(encoded);
        weights.create(pixels.height, pixels.width, CV_32F);
        for (std::size_t i = 0; i < weights.total(); ++i)
            weights.ptr<float>()[i] =
                static_cast<float>(pixels.bytes[i * static_cast<std::size_t>(pixels.channels)]) / 255.0F;
    } catch (const Error&) {
        return nullptr; // its layer acts nowhere
    }
    cv::copyMakeBorder(weights, weights, 1, 1, 1, 1, cv::BORDER_CONSTANT);
    if (asDistances) weights = distancesOf(weights);
    auto raster = std::make_shared<ObjectRaster>();
    raster->width = weights.cols, raster->height = weights.rows;
    raster->values.assign(weights.ptr<float>(), weights.ptr<float>() + weights.total());
    return raster;
}

struct Known {
    std::shared_ptr<const std::string> encoded;
    bool asDistances = false;
    Raster raster;
};

} // namespace

Raster objectRaster(const MaskObject& object, bool asDistances) {
    const auto& encoded = object.found.encoded;
    if (!encoded) return nullptr;
    static std::mutex lock;
    static std::deque<Known> known;
    constexpr std::size_t most = 12;
    {
        const std::lock_guard<std::mutex> guard(lock);
        for (const Known& each : known)
            if (each.encoded == encoded && each.asDistances == asDistances) return each.raster;
    }
    // Two that want the same at once both make it.
    Raster raster = made(*encoded, asDistances);
    const std::lock_guard<std::mutex> guard(lock);
    if (known.size() == most) known.pop_back();
    known.push_front({encoded, asDistances, raster});
    return raster;
}

ObjectWeights::ObjectWeights(const MaskObject& object, double width, double height)
    : isByDistance_(object.grow != 0 || object.feather != 0), raster_(objectRaster(object, isByDistance_)) {
    if (!raster_) return;
    const double angle = std::remainder(object.turn, 360) * std::numbers::pi / 180, c = std::cos(angle),
                 s = std::sin(angle);
    const double perX = (raster_->width - 2) / object.width, perY = (raster_->height - 2) / object.height;
    const auto number = [](double v) { return static_cast<float>(v); };
    ux_ = number(c * width * perX), uy_ = number(s * height * perX);
    u0_ = number(-(c * width * object.x + s * height * object.y) * perX + raster_->width / 2.0 - 0.5);
    vx_ = number(-s * width * perY), vy_ = number(c * height * perY);
    v0_ = number(-(-s * width * object.x + c * height * object.y) * perY + raster_->height / 2.0 - 0.5);
    if (!isByDistance_) return;
    const double fade = std::max(object.feather * perX, 1.5); // a step would have no edge to be averaged
    grow_ = number(object.grow * perX), perFade_ = number(1 / fade);
    beyond_ = std::max(number(object.grow * perX + fade / 2), 0.0F);
}

void ObjectWeights::operator()(const float* x, const float* y, std::size_t count, float* weights) const {
    if (!raster_) return void(std::fill(weights, weights + count, 0.0F));
    const auto across = static_cast<float>(raster_->width - 1), down = static_cast<float>(raster_->height - 1);
    const auto stride = static_cast<std::size_t>(raster_->width);
    for (std::size_t i = 0; i < count; ++i) {
        const float u = ux_ * x[i] + uy_ * y[i] + u0_, v = vx_ * x[i] + vy_ * y[i] + v0_;
        weights[i] = 0;
        if (!(u > -beyond_ && v > -beyond_ && u < across + beyond_ && v < down + beyond_)) continue;
        const float nearU = std::clamp(u, 0.0F, across), nearV = std::clamp(v, 0.0F, down);
        const float column = std::min(std::floor(nearU), across - 1), row = std::min(std::floor(nearV), down - 1);
        const float right = nearU - column, below = nearV - row;
        const float* at =
            raster_->values.data() + static_cast<std::size_t>(row) * stride + static_cast<std::size_t>(column);
        const float upper = at[0] + right * (at[1] - at[0]),
                    lower = at[stride] + right * (at[stride + 1] - at[stride]);
        const float value = upper + below * (lower - upper);
        if (!isByDistance_) {
            weights[i] = value;
            continue;
        }
        // Beyond the raster it goes on as far as its nearest pixel says.
        const float distance = value - std::hypot(u - nearU, v - nearV);
        const float t = std::clamp((distance + grow_) * perFade_ + 0.5F, 0.0F, 1.0F);
        weights[i] = t * t * (3 - 2 * t);
    }
}

bool ObjectWeights::reaches(float left, float top, float right, float bottom) const {
    if (!raster_) return false;
    const float beyond = beyond_ + 1; // places there are rounded another way
    const auto isApart = [&](float perX, float perY, float start, int size) {
        const float x0 = perX * left, x1 = perX * right, y0 = perY * top, y1 = perY * bottom;
        return std::max(x0, x1) + std::max(y0, y1) + start < -beyond ||
               std::min(x0, x1) + std::min(y0, y1) + start > static_cast<float>(size) + beyond;
    };
    return !isApart(ux_, uy_, u0_, raster_->width) && !isApart(vx_, vy_, v0_, raster_->height);
}

} // namespace baryton
