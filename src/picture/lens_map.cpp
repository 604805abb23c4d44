#include "picture/lens_map.h"

#include <algorithm>
#include <cmath>
#include <lensfun/lensfun.h>

namespace baryton {

namespace {

constexpr int kSamples = 1024;

/// Lensfun's view of a correction, for pictures of one size. Its pixels have their centres at whole numbers.
class Calibrated {
public:
    Calibrated(const LensCorrection& c, int width, int height)
        : lens_(lensOf(c)), modifier_(&lens_, float(c.crop), width, height) {
        lfLensCalibDistortion distortion{static_cast<lfDistortionModel>(c.distortionModel), float(c.focal), {}};
        std::copy(c.distortion.begin(), c.distortion.end(), distortion.Terms);
        hasDistortion_ = modifier_.AddCoordCallbackDistortion(distortion);
        lfLensCalibTCA fringes{static_cast<lfTCAModel>(c.fringeModel), float(c.focal), {}};
        std::copy(c.fringes.begin(), c.fringes.end(), fringes.Terms);
        hasFringes_ = modifier_.AddSubpixelCallbackTCA(fringes);
        lfLensCalibVignetting shading{static_cast<lfVignettingModel>(c.shadingModel), float(c.focal), 0, 0, {}};
        std::copy(c.shading.begin(), c.shading.end(), shading.Terms);
        hasShading_ = modifier_.AddColorCallbackVignetting(shading, LF_PF_F32);
    }

    /// Where r, along a line from the centre to the right, lies in the source; and the same for red, green and blue.
    double distorted(PlacedPoint centre, double r) const {
        float place[2];
        const float x = float(centre.x - 0.5 + r), y = float(centre.y - 0.5);
        return hasDistortion_ && modifier_.ApplyGeometryDistortion(x, y, 1, 1, place) ? place[0] + 0.5 - centre.x : r;
    }
    std::array<double, 3> distances(PlacedPoint centre, double r) const {
        float places[6];
        const float x = float(centre.x - 0.5 + r), y = float(centre.y - 0.5);
        if (hasFringes_ && modifier_.ApplySubpixelGeometryDistortion(x, y, 1, 1, places))
            return {places[0] + 0.5 - centre.x, places[2] + 0.5 - centre.x, places[4] + 0.5 - centre.x};
        const double all = distorted(centre, r);
        return {all, all, all};
    }
    double gain(PlacedPoint centre, double r) const {
        float pixel[3] = {1, 1, 1};
        if (hasShading_)
            modifier_.ApplyColorModification(pixel, float(centre.x - 0.5 + r), float(centre.y - 0.5), 1, 1,
                                             LF_CR_3(RED, GREEN, BLUE), sizeof pixel);
        return pixel[1];
    }

private:
    static lfLens lensOf(const LensCorrection& c) {
        lfLens lens;
        lens.CropFactor = float(c.lensCrop), lens.AspectRatio = float(c.lensAspect);
        lens.CenterX = float(c.centreX), lens.CenterY = float(c.centreY);
        return lens;
    }
    lfLens lens_;
    lfModifier modifier_;
    bool hasDistortion_ = false, hasFringes_ = false, hasShading_ = false;
};

/// Half of what Lensfun counts as 1, in pixels (lfModifier's constructor, version 0.3).
double unitOf(const LensCorrection& c, int width, int height) {
    const double w = std::max(1, width - 1), h = std::max(1, height - 1), size = std::min(w, h);
    const double aspect = w > h ? w / h : h / w;
    const double correction =
        1 / std::sqrt(aspect * aspect + 1) * c.lensCrop / c.crop * std::sqrt(c.lensAspect * c.lensAspect + 1);
    return size / 2 / correction;
}

} // namespace

bool LensCorrection::changesPlaces() const {
    return (distortionModel != 0 && settings.distortion != 0) || settings.barrel != 0;
}
bool LensCorrection::movesColoursApart() const {
    return (fringeModel != 0 && settings.fringes != 0) || settings.red != 0 || settings.blue != 0;
}
bool LensCorrection::lightens() const {
    return (shadingModel != 0 && settings.shading != 0) || settings.corners != 0;
}

std::shared_ptr<const LensMap> LensMap::of(const LensCorrection& correction, int width, int height,
                                           const Orientation& turned) {
    if (!correction.settings.isWanted || correction.isNone()) return nullptr;
    return std::shared_ptr<const LensMap>(new LensMap(correction, width, height, turned));
}

LensMap::LensMap(const LensCorrection& correction, int width, int height, const Orientation& turned)
    : correction_(correction), width_(width), height_(height), turned_(turned) {
    const LensSettings& wanted = correction.settings;
    const double unit = unitOf(correction, width, height);
    // The axis beside the middle, as the file's pixels stand; from there as the picture stands.
    const bool isSwapped = correction.orientation.swapsSides() != turned.swapsSides();
    const double fileWidth = isSwapped ? height : width, fileHeight = isSwapped ? width : height;
    const SharePoint inFile{0.5 + correction.centreX * unit / fileWidth,
                            0.5 + correction.centreY * unit / fileHeight};
    const SharePoint here = toOriented(turned, toOriented(correction.orientation, inFile));
    centre_ = {here.x * width, here.y * height};
    const double corner = std::hypot(width, height) / 2;
    reach_ = 1.5 * (corner + std::hypot(centre_.x - width / 2.0, centre_.y - height / 2.0));

    const Calibrated calibrated(correction, width, height);
    // Lensfun's own centre, about which it goes round.
    const PlacedPoint own{width / 2.0 + correction.centreX * unit, height / 2.0 + correction.centreY * unit};
    samples_.resize(kSamples + 1);
    for (int i = 1; i <= kSamples; ++i) {
        Sample& sample = samples_[static_cast<std::size_t>(i)];
        const double r = reach_ * i / kSamples, share = r / corner;
        const double byHand = 1 - wanted.barrel * share * share, first = r * byHand;
        const double straight = calibrated.distorted(own, first);
        const auto colours = calibrated.distances(own, first);
        const double ratio = byHand * (1 + wanted.distortion * (straight / first - 1));
        const std::array<double, 3> larger = {1 + wanted.red, 1, 1 + wanted.blue};
        for (std::size_t k = 0; k < 3; ++k)
            sample.ratios[k] = ratio * (1 + wanted.fringes * (colours[k] / straight - 1)) / larger[k];
        const double there = std::min(r * sample.ratios[1], 1.2 * reach_);
        sample.gain =
            std::pow(calibrated.gain(own, there), wanted.shading) * std::exp2(wanted.corners * share * share);
    }
    samples_[0] = samples_[1];
    if (!correction.changesPlaces()) return;
    double low = 0.3, high = 3; // as far as a lens can need
    for (int i = 0; i < 50; ++i) {
        const double middle = (low + high) / 2;
        (fills(middle) ? low : high) = middle;
    }
    scale_ = low;
}

LensMap::Sample LensMap::at(double r) const {
    const double place = std::min(r / reach_ * kSamples, double(kSamples));
    const auto first = std::min(static_cast<std::size_t>(place), static_cast<std::size_t>(kSamples - 1));
    const double share = place - double(first);
    const Sample &a = samples_[first], &b = samples_[first + 1];
    Sample result;
    for (std::size_t k = 0; k < 3; ++k) result.ratios[k] = a.ratios[k] + share * (b.ratios[k] - a.ratios[k]);
    result.gain = a.gain + share * (b.gain - a.gain);
    return result;
}

bool LensMap::fills(double scale) const {
    constexpr int parts = 32;
    const auto isInside = [&](double x, double y) {
        const double dx = (x - centre_.x) * scale, dy = (y - centre_.y) * scale,
                     ratio = at(std::hypot(dx, dy)).ratios[1];
        const double sx = centre_.x + dx * ratio, sy = centre_.y + dy * ratio;
        return sx >= 0 && sx <= width_ && sy >= 0 && sy <= height_;
    };
    for (int i = 0; i <= parts; ++i) {
        const double x = double(width_) * i / parts, y = double(height_) * i / parts;
        if (!isInside(x, 0) || !isInside(x, height_) || !isInside(0, y) || !isInside(width_, y)) return false;
    }
    return true;
}

LensMap::Places LensMap::toSource(PlacedPoint p) const {
    const double dx = (p.x - centre_.x) * scale_, dy = (p.y - centre_.y) * scale_;
    const Sample sample = at(std::sqrt(dx * dx + dy * dy));
    Places places;
    for (std::size_t k = 0; k < 3; ++k)
        places.colours[k] = {centre_.x + dx * sample.ratios[k], centre_.y + dy * sample.ratios[k]};
    places.gain = sample.gain;
    return places;
}

PlacedPoint LensMap::fromSource(PlacedPoint source) const {
    const double dx = source.x - centre_.x, dy = source.y - centre_.y, far = std::hypot(dx, dy);
    if (far < 1e-9) return source;
    // r · ratio grows with r as far as the samples go.
    double low = 0, high = reach_;
    for (int i = 0; i < 50; ++i) {
        const double middle = (low + high) / 2;
        (middle * at(middle).ratios[1] < far ? low : high) = middle;
    }
    const double share = low / far / scale_;
    return {centre_.x + dx * share, centre_.y + dy * share};
}

} // namespace baryton
