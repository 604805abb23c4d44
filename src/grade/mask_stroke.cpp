#include "grade/mask_stroke.h"

#include <algorithm>
#include <charconv>
#include <cmath>
#include <stdexcept>

namespace baryton {

namespace {

constexpr double kPathSteps = 1e5; // of a side: a seventeenth of a pixel of a picture 6 000 wide

double asWritten(double v) {
    return std::round(v * kPathSteps) / kPathSteps;
}

void writeNumber(std::string& text, double v) {
    char digits[32];
    const auto end = std::to_chars(digits, digits + sizeof digits, asWritten(v)).ptr;
    text.append(digits, end);
}

} // namespace

std::vector<StrokePoint> simplified(const std::vector<StrokePoint>& points, double aspect, double tolerance) {
    std::vector<StrokePoint> rounded;
    rounded.reserve(points.size());
    for (const StrokePoint& p : points) {
        const StrokePoint next{asWritten(p.x), asWritten(p.y), std::round(p.width * 100) / 100};
        if (rounded.empty() || !(rounded.back() == next)) rounded.push_back(next);
    }
    if (rounded.size() < 3) return rounded;
    const double width = std::min(1.0, aspect), height = std::min(1.0, 1 / aspect);
    const auto farFrom = [&](const StrokePoint& p, const StrokePoint& a, const StrokePoint& b) {
        const double dx = (b.x - a.x) * width, dy = (b.y - a.y) * height, px = (p.x - a.x) * width,
                     py = (p.y - a.y) * height;
        const double square = dx * dx + dy * dy;
        const double t = square > 0 ? std::clamp((px * dx + py * dy) / square, 0.0, 1.0) : 0;
        constexpr double perWidth = 0.02; // a width that is a fiftieth off counts as one of these
        const double ex = px - t * dx, ey = py - t * dy;
        return std::sqrt(ex * ex + ey * ey) + std::abs(p.width - (a.width + t * (b.width - a.width))) * perWidth;
    };
    std::vector<bool> stays(rounded.size(), false);
    stays.front() = stays.back() = true;
    std::vector<std::pair<std::size_t, std::size_t>> open = {{0, rounded.size() - 1}};
    while (!open.empty()) {
        const auto [first, last] = open.back();
        open.pop_back();
        double most = tolerance;
        std::size_t at = 0;
        for (std::size_t i = first + 1; i < last; ++i)
            if (const double d = farFrom(rounded[i], rounded[first], rounded[last]); d > most) most = d, at = i;
        if (at == 0) continue;
        stays[at] = true;
        open.emplace_back(first, at), open.emplace_back(at, last);
    }
    std::vector<StrokePoint> left;
    for (std::size_t i = 0; i < rounded.size(); ++i)
        if (stays[i]) left.push_back(rounded[i]);
    return left;
}

void DrawnPath::add(const StrokePoint& point) {
    constexpr std::size_t many = 64;
    open_.push_back(point);
    if (open_.size() < thinned_ + many) return;
    // What is thinned again and again is thinned little each time, so that no more than the tolerance is lost.
    open_ = simplified(open_, aspect_, tolerance_ / 4);
    if (open_.size() > many) {
        const std::vector<StrokePoint> left = simplified(open_, aspect_, tolerance_);
        settled_.insert(settled_.end(), left.begin(), left.end() - 1);
        open_ = {left.back()};
    }
    thinned_ = open_.size();
}

std::vector<StrokePoint> DrawnPath::points() const {
    std::vector<StrokePoint> all = settled_;
    const std::vector<StrokePoint> left = simplified(open_, aspect_, tolerance_);
    all.insert(all.end(), left.begin(), left.end());
    return all;
}

double strokeTolerance(double size) {
    return std::clamp(0.02 * size, 0.0002, 0.002);
}

std::string strokePath(const std::vector<StrokePoint>& points) {
    std::string text;
    for (const StrokePoint& p : points) {
        if (!text.empty()) text += ", ";
        writeNumber(text, p.x), text += ' ', writeNumber(text, p.y);
        if (p.width != 1) text += ' ', writeNumber(text, p.width);
    }
    return text;
}

std::vector<StrokePoint> strokePoints(const std::string& path) {
    std::vector<StrokePoint> points;
    const char *at = path.data(), *end = at + path.size();
    const auto skip = [&] {
        while (at < end && *at == ' ') ++at;
    };
    const auto number = [&] {
        skip();
        double v = 0;
        const auto [next, problem] = std::from_chars(at, end, v);
        if (problem != std::errc() || !std::isfinite(v)) throw std::invalid_argument("a number is missing");
        at = next;
        return v;
    };
    while (at < end) {
        if (points.size() == kMostStrokePoints) throw std::invalid_argument("too many points");
        StrokePoint p;
        p.x = number(), p.y = number();
        skip();
        if (at < end && *at != ',') p.width = number(), skip();
        points.push_back(p);
        if (at == end) break;
        if (*at++ != ',') throw std::invalid_argument("a comma is missing");
    }
    return points;
}

} // namespace baryton
