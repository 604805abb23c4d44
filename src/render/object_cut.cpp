#include "render/object_cut.h"
#include "base/parallel.h"
#include "render/colour_mixture.h"

#include <opencv2/imgproc.hpp>
#include <opencv2/imgproc/detail/gcgraph.hpp>

#include <algorithm>
#include <cmath>
#include <limits>
#include <optional>
#include <queue>

namespace baryton {

namespace {

using Graph = cv::detail::GCGraph<double>;
using Sample = ColourMixture::Sample;

// Chosen on the demo pictures, whose objects are known (tests/render/find_object_test.cpp).
constexpr int kCoarseSide = 500;
constexpr double kMostByColour = 12; ///< how much a pixel's colour can say, in logarithms of likelihood
constexpr double kEdge = 12;         ///< what a cut between two pixels alike costs
constexpr double kContrast = 0.8;    ///< how much of a step of colour is an edge
constexpr double kPerChroma = 3;     ///< of OKLab's a and b beside its L
constexpr double kPerPlace = 0.15;   ///< of the surroundings' long side beside L
constexpr double kByDepth = 4;       ///< how much the depth within the outline can say
constexpr double kLooseness = 0.035; ///< how far outside an outline is drawn, of the surroundings' long side
constexpr double kByStroke = 10;     ///< how much a stroke says of what lies beside it
constexpr double kByBefore = 8;      ///< and how much is kept of what was found before, far from the last one
constexpr double kStrokeReach = 4;   ///< how far that goes, of its radius
constexpr int kMostRounds = 4, kMostRoundsAfterStroke = 2;
constexpr double kBand = 3;             ///< half the width of the fine cut's band, in pixels of the coarse one
constexpr double kByColourAtEdge = 0.3; ///< of what colours say, in the fine cut
constexpr double kEdgeAtEdge = 18, kContrastAtEdge = 0.5;

Sample sampleOf(const cv::Vec3f& lab, double x, double y, double longSide) {
    return {lab[0], static_cast<float>(kPerChroma) * lab[1], static_cast<float>(kPerChroma) * lab[2],
            static_cast<float>(kPerPlace * x / longSide), static_cast<float>(kPerPlace * y / longSide)};
}

/// The square of how far two colours are apart.
double apart(const Sample& a, const Sample& b) {
    double sum = 0;
    for (std::size_t k = 0; k < 3; ++k) sum += (double(a[k]) - double(b[k])) * (double(a[k]) - double(b[k]));
    return sum;
}

/// The four neighbours of a pixel that come after it; with the other way round all eight.
struct Neighbour {
    int x, y;
    double distance;
};
constexpr std::array kAfter = {Neighbour{1, 0, 1}, Neighbour{0, 1, 1}, Neighbour{1, 1, std::numbers::sqrt2},
                               Neighbour{-1, 1, std::numbers::sqrt2}};

/// Samples at the places of a part of an image of colours.
std::vector<Sample> samplesOf(const cv::Mat& colours, const cv::Rect& part) {
    std::vector<Sample> samples;
    samples.reserve(static_cast<std::size_t>(part.area()));
    const double longSide = std::max(colours.cols, colours.rows);
    for (int y = part.y; y < part.y + part.height; ++y)
        for (int x = part.x; x < part.x + part.width; ++x)
            samples.push_back(sampleOf(colours.at<cv::Vec3f>(y, x), x, y, longSide));
    return samples;
}

/// 1 / (2 × the mean square of how far neighbours are apart): the scale on which a step of colour is an edge.
double contrastOf(const std::vector<Sample>& samples, const cv::Size& size) {
    double sum = 0, count = 0;
    std::size_t at = 0;
    for (int y = 0; y < size.height; ++y)
        for (int x = 0; x < size.width; ++x, ++at) {
            if (x + 1 < size.width) sum += apart(samples[at], samples[at + 1]), ++count;
            if (y + 1 < size.height)
                sum += apart(samples[at], samples[at + static_cast<std::size_t>(size.width)]), ++count;
        }
    return 1 / (2 * sum / std::max(count, 1.0) + 1e-12);
}

/// Parts the pixels among `labels` that are listed anew; the others stay as they are and hold on to their neighbours.
/// `favour`: what is said for the object of each listed pixel. False where nothing changed.
bool part(const std::vector<Sample>& samples, const std::vector<int>& pixels, const std::vector<double>& favour,
          double edge, double contrast, cv::Mat& labels) {
    std::vector<int> vertex(labels.total(), -1);
    for (std::size_t i = 0; i < pixels.size(); ++i) vertex[static_cast<std::size_t>(pixels[i])] = static_cast<int>(i);
    Graph graph(static_cast<unsigned>(pixels.size()), static_cast<unsigned>(8 * pixels.size()));
    for (std::size_t i = 0; i < pixels.size(); ++i) graph.addVtx();
    for (std::size_t i = 0; i < pixels.size(); ++i) {
        const int column = pixels[i] % labels.cols, row = pixels[i] / labels.cols;
        for (const Neighbour& after : kAfter)
            for (const int sign : {1, -1}) {
                const int x = column + sign * after.x, y = row + sign * after.y;
                if (x < 0 || y < 0 || x >= labels.cols || y >= labels.rows) continue;
                const int to = y * labels.cols + x, other = vertex[static_cast<std::size_t>(to)];
                if (other >= 0 && sign < 0) continue; // each pair once
                const double cost = edge / after.distance *
                                    std::exp(-contrast * apart(samples[static_cast<std::size_t>(pixels[i])],
                                                               samples[static_cast<std::size_t>(to)]));
                if (other >= 0)
                    graph.addEdges(static_cast<int>(i), other, cost, cost);
                else
                    graph.addTermWeights(static_cast<int>(i), labels.data[to] ? cost : 0, labels.data[to] ? 0 : cost);
            }
        graph.addTermWeights(static_cast<int>(i), std::max(favour[i], 0.0), std::max(-favour[i], 0.0));
    }
    graph.maxFlow();
    bool isOther = false;
    for (std::size_t i = 0; i < pixels.size(); ++i) {
        const std::uint8_t label = graph.inSourceSegment(static_cast<int>(i)) ? 1 : 0;
        isOther = isOther || label != labels.data[pixels[i]];
        labels.data[pixels[i]] = label;
    }
    return isOther;
}

/// Colours of the object and of what is around it.
struct Colours {
    ColourMixture object, rest;
    double favour(const Sample& sample) const {
        return std::clamp(rest.unlikeness(sample) - object.unlikeness(sample), -kMostByColour, kMostByColour);
    }
};

class Coarse {
public:
    Coarse(const ObjectSurroundings& around, const cv::Mat& before);
    void cut(const Task* task);
    /// Not 0 where the labels, or what is known, may differ from those before: everywhere, without any.
    cv::Mat changed(const cv::Size& size) const;

    cv::Mat labels;
    std::optional<Colours> colours; ///< of the last cut; nothing where one side is next to empty

private:
    void addDepth();
    void addStroke();
    void keepToStroke();
    std::vector<double> wayFrom(const cv::Mat& places, double perWay) const;

    cv::Mat known_, isLast_;
    cv::Mat before_; ///< labels; empty for none
    std::vector<Sample> samples_;
    std::uint8_t lastSays_ = 0; ///< of the last stroke: 1 for the object
    double lastRadius_ = 1;
    int mostRounds_ = kMostRounds;
    std::vector<double> byPlace_; ///< what the place of each pixel says for the object
};

Coarse::Coarse(const ObjectSurroundings& around, const cv::Mat& before) {
    const cv::Size whole = around.colours.size();
    const double by = std::min(1.0, double(kCoarseSide) / std::max(whole.width, whole.height));
    const cv::Size size(std::max(4, static_cast<int>(std::lround(whole.width * by))),
                        std::max(4, static_cast<int>(std::lround(whole.height * by))));
    cv::Mat small;
    cv::resize(around.colours, small, size, 0, 0, cv::INTER_AREA);
    samples_ = samplesOf(small, {{}, size});
    const auto share = [&](const cv::Mat& is) {
        cv::Mat part;
        cv::resize(is, part, size, 0, 0, cv::INTER_AREA);
        return part;
    };
    constexpr int half = 127, someOf = 80; // a thin stroke covers no whole pixel
    const cv::Mat stroked = share(around.isStroked), of = share(around.known == kOfObject);
    cv::Mat withoutStrokes = around.known != kNotOfObject;
    withoutStrokes.setTo(255, around.isStroked);
    const cv::Mat open = share(withoutStrokes);
    known_ = cv::Mat(size, CV_8U, cv::Scalar(kNotOfObject));
    known_.setTo(kToBeFound, open > half);
    known_.setTo(kNotOfObject, stroked > someOf);
    known_.setTo(kOfObject, of > someOf);
    byPlace_.assign(samples_.size(), 0);
    addDepth();
    labels = cv::Mat(size, CV_8U);
    isLast_ = share(around.isLast) > 0;
    lastSays_ = around.lastSays == kOfObject ? 1 : 0;
    lastRadius_ = std::max(around.lastRadius * by, 1.0);
    if (!before.empty()) before_ = (share(before * 255) > half) / 255, mostRounds_ = kMostRoundsAfterStroke;
    addStroke();
    for (std::size_t i = 0; i < samples_.size(); ++i) {
        const std::uint8_t what = known_.data[i];
        labels.data[i] = what != kToBeFound ? what == kOfObject : before_.empty() ? byPlace_[i] > 0 : before_.data[i];
    }
}

/// A pixel close to the outline is the surroundings that it was drawn through, one deep within is the object.
void Coarse::addDepth() {
    cv::Mat bordered, depth;
    cv::copyMakeBorder(known_ != kNotOfObject, bordered, 1, 1, 1, 1,
                       cv::BORDER_REPLICATE); // not at the picture's end
    cv::distanceTransform(bordered, depth, cv::DIST_L2, 5);
    const double loose = kLooseness * std::max(known_.cols, known_.rows);
    std::size_t at = 0;
    for (int y = 0; y < known_.rows; ++y)
        for (int x = 0; x < known_.cols; ++x)
            byPlace_[at++] += kByDepth * std::tanh(double(depth.at<float>(y + 1, x + 1)) / loose - 1);
}

/// The way to each pixel from the nearest of some: short along a surface, long across edges.
std::vector<double> Coarse::wayFrom(const cv::Mat& places, double perWay) const {
    constexpr double perColour = 12, farthest = 8;
    const double longSide = std::max(known_.cols, known_.rows);
    std::vector<double> way(samples_.size(), farthest);
    using Step = std::pair<double, int>;
    std::priority_queue<Step, std::vector<Step>, std::greater<>> open;
    for (int i = 0; i < static_cast<int>(samples_.size()); ++i)
        if (places.data[i]) way[static_cast<std::size_t>(i)] = 0, open.emplace(0, i);
    while (!open.empty()) {
        const auto [soFar, at] = open.top();
        open.pop();
        if (soFar > way[static_cast<std::size_t>(at)]) continue;
        for (const Neighbour& after : kAfter)
            for (const int sign : {1, -1}) {
                const int x = at % known_.cols + sign * after.x, y = at / known_.cols + sign * after.y;
                if (x < 0 || y < 0 || x >= known_.cols || y >= known_.rows) continue;
                const int to = y * known_.cols + x;
                const double next = soFar + perWay * after.distance / longSide +
                                    perColour * std::sqrt(apart(samples_[static_cast<std::size_t>(at)],
                                                                samples_[static_cast<std::size_t>(to)]));
                if (next >= way[static_cast<std::size_t>(to)]) continue;
                way[static_cast<std::size_t>(to)] = next;
                open.emplace(next, to);
            }
    }
    return way;
}

/// What the last stroke says falls off with the way from it, a broad one's more slowly; where it does not reach, what
/// was found stays.
void Coarse::addStroke() {
    if (cv::countNonZero(isLast_) == 0) return;
    const double longSide = std::max(known_.cols, known_.rows);
    const double said = (lastSays_ ? 1 : -1) * kByStroke;
    const std::vector<double> way = wayFrom(isLast_, longSide / (kStrokeReach * lastRadius_));
    for (std::size_t i = 0; i < way.size(); ++i) {
        byPlace_[i] += said * std::exp(-way[i]);
        if (!before_.empty()) byPlace_[i] += (before_.data[i] ? 1 : -1) * kByBefore * (1 - std::exp(-way[i] / 2));
    }
}

void Coarse::cut(const Task* task) {
    const auto count = static_cast<int>(samples_.size());
    const double contrast = kContrast * contrastOf(samples_, known_.size());
    std::vector<int> open;
    for (int i = 0; i < count; ++i)
        if (known_.data[i] == kToBeFound) open.push_back(i);
    std::vector<double> favour(open.size());
    for (int round = 0; round < mostRounds_; ++round) {
        if (task) task->throwIfCancelled(), task->report(0.2 + 0.4 * round / mostRounds_);
        std::vector<Sample> ofObject, ofRest;
        for (int i = 0; i < count; ++i)
            (labels.data[i] ? ofObject : ofRest).push_back(samples_[static_cast<std::size_t>(i)]);
        constexpr std::size_t few = 50;
        if (ofObject.size() < few || ofRest.size() < few) return;
        colours.emplace(Colours{ColourMixture(ofObject), ColourMixture(ofRest)});
        inPieces(static_cast<int>(open.size()), 1000, 0, [&](int first, int last) {
            for (auto i = static_cast<std::size_t>(first); i < static_cast<std::size_t>(last); ++i) {
                const auto at = static_cast<std::size_t>(open[i]);
                favour[i] = colours->favour(samples_[at]) + byPlace_[at];
            }
        });
        if (!part(samples_, open, favour, kEdge, contrast, labels)) break;
    }
    keepToStroke();
}

/// Of what changed after a stroke, what hangs together with it and is what it says; the rest stays as it was.
void Coarse::keepToStroke() {
    if (before_.empty() || cv::countNonZero(isLast_) == 0) return;
    cv::Mat reach;
    cv::dilate(isLast_, reach, cv::getStructuringElement(cv::MORPH_RECT, {5, 5}));
    cv::Mat changed = labels != before_, parts;
    changed.setTo(0, labels != lastSays_);
    const int count = cv::connectedComponents(changed, parts);
    std::vector<bool> isReached(static_cast<std::size_t>(count), false);
    for (int i = 0; i < static_cast<int>(parts.total()); ++i)
        if (reach.data[i]) isReached[static_cast<std::size_t>(parts.ptr<int>()[i])] = true;
    isReached[0] = false; // what did not change
    for (std::size_t i = 0; i < parts.total(); ++i)
        if (known_.data[i] == kToBeFound)
            labels.data[i] = isReached[static_cast<std::size_t>(parts.ptr<int>()[i])] ? lastSays_ : before_.data[i];
}

cv::Mat Coarse::changed(const cv::Size& size) const {
    if (before_.empty()) return cv::Mat(size, CV_8U, cv::Scalar(255));
    cv::Mat places = (labels != before_) | isLast_, whole;
    constexpr int reach = 2 * static_cast<int>(kBand) + 1;
    cv::dilate(places, places, cv::getStructuringElement(cv::MORPH_RECT, {reach, reach}));
    cv::resize(places, whole, size, 0, 0, cv::INTER_NEAREST);
    return whole;
}

/// The same at full size, between what the coarse cut is sure of; of what was found before only where that changed.
CutOut fineCut(const ObjectSurroundings& around, const Coarse& coarse, const cv::Mat& before) {
    const cv::Size size = around.colours.size();
    cv::Mat soft;
    coarse.labels.convertTo(soft, CV_32F);
    cv::resize(soft, soft, size, 0, 0, cv::INTER_CUBIC);
    CutOut cut{(soft > 0.5F) / 255, coarse.changed(size)};
    if (!before.empty()) before.copyTo(cut.labels, cut.isNew == 0);
    if (!coarse.colours) return cut;
    const double band = kBand * size.width / coarse.labels.cols;
    // Just where there is something new, and what is next to it.
    const int beside = static_cast<int>(std::ceil(band)) + 1;
    cv::Rect box = cv::boundingRect(cut.isNew);
    box = cv::Rect(box.x - beside, box.y - beside, box.width + 2 * beside, box.height + 2 * beside) &
          cv::Rect({}, size);
    cv::Mat labels = cut.labels(box).clone(), within, without;
    const cv::Mat isNew = cut.isNew(box).clone(), known = around.known(box).clone();
    cv::distanceTransform(labels, within, cv::DIST_L2, 3);
    cv::distanceTransform(1 - labels, without, cv::DIST_L2, 3);
    std::vector<int> pixels;
    for (std::size_t i = 0; i < labels.total(); ++i) {
        if (known.data[i] != kToBeFound)
            labels.data[i] = known.data[i] == kOfObject ? 1 : 0;
        else if (isNew.data[i] && std::max(double(within.ptr<float>()[i]), double(without.ptr<float>()[i])) <= band)
            pixels.push_back(static_cast<int>(i));
    }
    const std::vector<Sample> samples = samplesOf(around.colours, box);
    const auto at = [&](int pixel) -> const Sample& { return samples[static_cast<std::size_t>(pixel)]; };
    double sum = 0, count = 0;
    for (const int pixel : pixels)
        if (pixel % box.width + 1 < box.width) sum += apart(at(pixel), at(pixel + 1)), ++count;
    const double contrast = kContrastAtEdge / (2 * sum / std::max(count, 1.0) + 1e-12);
    std::vector<double> favour(pixels.size());
    inPieces(static_cast<int>(pixels.size()), 1000, 0, [&](int first, int last) {
        for (auto i = static_cast<std::size_t>(first); i < static_cast<std::size_t>(last); ++i)
            favour[i] = kByColourAtEdge * coarse.colours->favour(at(pixels[i]));
    });
    part(samples, pixels, favour, kEdgeAtEdge, contrast, labels);
    labels.copyTo(cut.labels(box));
    return cut;
}

} // namespace

CutOut cutOut(const ObjectSurroundings& around, const cv::Mat& before, const Task* task) {
    Coarse coarse(around, before);
    coarse.cut(task);
    if (task) task->throwIfCancelled(), task->report(0.65);
    return fineCut(around, coarse, before);
}

} // namespace baryton
