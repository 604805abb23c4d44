#include "lut/fit.h"
#include "colour/spaces.h"
#include "lut/colour_rows.h"
#include "lut/grid_nodes.h"

#include <algorithm>
#include <cmath>

namespace baryton {

namespace {

/// Of the cube by the number of nodes, up to what they are worth, and of all pictures together.
constexpr std::size_t kLeastCubeSamples = 40000, kCubeSamplesPerNode = 100, kMostCubeSamples = 400000,
                      kPictureSamples = 60000;
constexpr float kPull = 1.5F; ///< λ, beside some ten samples a node
constexpr int kRounds = 3, kSteps = 14;

struct Samples {
    std::vector<GridPlace> places;
    GridValues wanted;
    std::vector<float> weights;
};

/// Colours of the cube, some of them on its faces, where pictures end, and a share of those of pictures; in the
/// numbers that the grid reads.
Picture coloursFor(std::size_t nodes, const std::vector<Picture>& pictures, const LutSpaces& spaces,
                   std::size_t& count) {
    std::vector<std::array<float, 3>> colours;
    const std::size_t ofCube = std::min(kLeastCubeSamples + kCubeSamplesPerNode * nodes, kMostCubeSamples);
    ColoursByChance chance(20261130);
    for (std::size_t i = 0; i < ofCube; ++i) {
        std::array<float, 3> rgb = chance.anywhere();
        if (i % 16 == 0) rgb[i / 16 % 3] = i / 48 % 2 ? 1.0F : 0.0F;
        colours.push_back(rgb);
    }
    for (const Picture& picture : pictures)
        for (std::size_t i = 0; i < kPictureSamples / pictures.size() && !picture.isEmpty(); ++i)
            colours.push_back(fromWorking(spaces.gridReads(), chance.of(picture)));
    count = colours.size();
    return colourRows(colours);
}

/// Of numbers that a LUT writes.
Vec3 labOf(const std::array<float, 3>& rgb, Encoding writes) {
    const std::array<float, 3> working = toWorking(writes, rgb);
    Vec3 v{};
    for (std::size_t k = 0; k < 3; ++k) v[k] = std::clamp(double(working[k]), 0.0, 1.0);
    return labFromSrgb(v);
}

double labApart(const Vec3& a, const Vec3& b) {
    return std::hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]);
}

/// How much CIELAB changes with the numbers at a colour, squared.
float sensitivityAt(const std::array<float, 3>& rgb, Encoding writes) {
    constexpr float step = 1.0F / 128;
    const Vec3 here = labOf(rgb, writes);
    double sum = 0;
    for (std::size_t k = 0; k < 3; ++k) {
        std::array<float, 3> beside = rgb;
        beside[k] = std::clamp(rgb[k], 0.0F, 1.0F) < 0.5F ? std::clamp(rgb[k], 0.0F, 1.0F) + step
                                                          : std::clamp(rgb[k], 0.0F, 1.0F) - step;
        const double change = labApart(labOf(beside, writes), here);
        sum += change * change;
    }
    return static_cast<float>(sum);
}

/// The normal equations, with what is held taken out: (Aᵀ W A + λ) x.
class Normal {
public:
    Normal(const Samples& samples, std::vector<bool> held)
        : samples_(samples), held_(std::move(held)), parts_(kChunks, GridValues(held_.size())) {}

    GridValues operator()(const GridValues& nodes) const {
        return gathered(nodes, [&](std::size_t i, const std::array<float, 3>& made) {
            std::array<float, 3> value{};
            for (std::size_t k = 0; k < 3; ++k) value[k] = samples_.weights[i] * made[k];
            return value;
        });
    }
    /// Aᵀ W (y − A x): which way the nodes should go.
    GridValues missing(const GridValues& nodes) const {
        GridValues zero(nodes.size());
        return gathered(
            nodes,
            [&](std::size_t i, const std::array<float, 3>& made) {
                std::array<float, 3> value{};
                for (std::size_t k = 0; k < 3; ++k)
                    value[k] = samples_.weights[i] * (samples_.wanted[i][k] - made[k]);
                return value;
            },
            false);
    }

private:
    template <class F>
    GridValues gathered(const GridValues& nodes, F valueOf, bool withPull = true) const {
        inChunks(samples_.places.size(), [&](std::size_t chunk, std::size_t from, std::size_t to) {
            GridValues& sum = parts_[chunk];
            std::fill(sum.begin(), sum.end(), std::array<float, 3>{});
            for (std::size_t i = from; i < to; ++i) {
                const GridPlace& place = samples_.places[i];
                const auto value = valueOf(i, interpolated(place, nodes));
                for (std::size_t corner = 0; corner < 4; ++corner)
                    for (std::size_t k = 0; k < 3; ++k) sum[place.node[corner]][k] += place.weight[corner] * value[k];
            }
        });
        GridValues all(nodes.size());
        for (std::size_t n = 0; n < all.size(); ++n) {
            if (held_[n]) continue;
            for (const GridValues& part : parts_)
                for (std::size_t k = 0; k < 3; ++k) all[n][k] += part[n][k];
            if (withPull)
                for (std::size_t k = 0; k < 3; ++k) all[n][k] += kPull * nodes[n][k];
        }
        return all;
    }
    const Samples& samples_;
    std::vector<bool> held_;
    mutable std::vector<GridValues> parts_;
};

/// Moves the nodes to where the weighted error, and how far they went from where they began, are least together.
void settleNodes(GridValues& nodes, const GridValues& sampled, const Samples& samples, const std::vector<bool>& held,
                 const Task* task) {
    const Normal normal(samples, held);
    GridValues rest = normal.missing(nodes);
    for (std::size_t n = 0; n < nodes.size(); ++n)
        for (std::size_t k = 0; k < 3 && !held[n]; ++k) rest[n][k] += kPull * (sampled[n][k] - nodes[n][k]);
    const double enough = 1e-8 * product(rest, rest);
    conjugateSteps(nodes, std::move(rest), normal, kSteps, enough, task);
}

std::vector<bool> heldNodes(int size) {
    const auto n = static_cast<std::size_t>(size);
    std::vector<bool> held(n * n * n);
    for (std::size_t i = 0; i < n; ++i) held[i + n * (i + n * i)] = true;
    for (const std::size_t r : {std::size_t(0), n - 1})
        for (const std::size_t g : {std::size_t(0), n - 1})
            for (const std::size_t b : {std::size_t(0), n - 1}) held[r + n * (g + n * b)] = true;
    return held;
}

} // namespace

LutTable fittedLook(const Grade& grade, int size, const std::string& title, const std::vector<Picture>& pictures,
                    const BakeOptions& options, const Task* task) {
    const LutSpaces& spaces = options.spaces;
    LutTable table = bakeLook(grade, size, title, options);
    Samples samples;
    std::size_t count = 0;
    const Picture colours = coloursFor(table.grid.size() / 3, pictures, spaces, count);
    const Picture looked = fromWorking(spaces.writes, Program::compile(grade, {options.withPrep, true, true, true})
                                                          .graded(toWorking(spaces.gridReads(), colours), 0, task));
    samples.places.resize(count), samples.wanted.resize(count), samples.weights.resize(count);
    std::vector<double> sums(kChunks);
    inChunks(count, [&](std::size_t chunk, std::size_t from, std::size_t to) {
        for (std::size_t i = from; i < to; ++i) {
            samples.places[i] = placeInGrid(colourIn(colours, i), size);
            samples.wanted[i] = colourIn(looked, i);
            samples.weights[i] = sensitivityAt(samples.wanted[i], spaces.writes);
            sums[chunk] += samples.weights[i];
        }
    });
    double mean = 0;
    for (const double sum : sums) mean += sum / double(count);
    for (float& weight : samples.weights) weight /= static_cast<float>(mean);
    const std::vector<float> first = samples.weights;
    GridValues sampled(table.grid.size() / 3);
    for (std::size_t n = 0; n < sampled.size(); ++n)
        for (std::size_t k = 0; k < 3; ++k) sampled[n][k] = table.grid[3 * n + k];
    GridValues nodes = sampled;
    const std::vector<bool> held = heldNodes(size);
    for (int round = 0; round < kRounds; ++round) {
        if (round > 0) {
            // What is far off still counts more.
            std::vector<float> errors(count);
            std::vector<double> parts(kChunks);
            inChunks(count, [&](std::size_t chunk, std::size_t from, std::size_t to) {
                for (std::size_t i = from; i < to; ++i) {
                    errors[i] =
                        static_cast<float>(labApart(labOf(interpolated(samples.places[i], nodes), spaces.writes),
                                                    labOf(samples.wanted[i], spaces.writes)));
                    parts[chunk] += errors[i];
                }
            });
            double average = 1e-9;
            for (const double part : parts) average += part / double(count);
            constexpr float mostGrown = 25;
            for (std::size_t i = 0; i < count; ++i)
                samples.weights[i] = first[i] * (1 + std::min(errors[i] / static_cast<float>(average), mostGrown));
        }
        settleNodes(nodes, sampled, samples, held, task);
    }
    for (std::size_t n = 0; n < nodes.size(); ++n)
        for (std::size_t k = 0; k < 3; ++k) table.grid[3 * n + k] = nodes[n][k];
    return table;
}

namespace {

/// Better in the mean, at the far end and at worst, but for what nobody could see.
bool isBetter(const Difference& fitted, const Difference& sampled) {
    constexpr double unseen = 0.02; // ΔE
    return fitted.mean <= sampled.mean && fitted.percentile99 <= sampled.percentile99 + unseen &&
           fitted.worst <= sampled.worst + unseen;
}

} // namespace

ChosenNodes chosenNodes(const Grade& grade, int size, const std::string& title, NodeWay way,
                        const std::vector<Picture>& pictures, const BakeOptions& options, const Task* task) {
    const auto measured = [&](const LutTable& table) {
        return measureFidelity(asWritten(table, options.format, options.spaces), grade, pictures, options, task);
    };
    ChosenNodes sampled{bakeLook(grade, size, title, options), false, {}, {}};
    if (way != NodeWay::Fitted) sampled.fidelity = measured(sampled.table);
    if (way == NodeWay::Sampled || size > kFinestFit) return sampled;
    ChosenNodes fitted{fittedLook(grade, size, title, pictures, options, task), true, {}, {}};
    fitted.fidelity = measured(fitted.table);
    if (way == NodeWay::Fitted) return fitted;
    if (!isBetter(fitted.fidelity.cube, sampled.fidelity.cube) ||
        !isBetter(fitted.fidelity.pictures, sampled.fidelity.pictures))
        return sampled;
    fitted.sampled = sampled.fidelity;
    return fitted;
}

} // namespace baryton
