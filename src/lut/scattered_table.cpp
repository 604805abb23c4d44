#include "lut/scattered_table.h"
#include "lut/colour_rows.h"
#include "lut/grid_nodes.h"

#include <cmath>

namespace baryton {

namespace {

constexpr float kSmooth = 0.02F, kKeep = 2e-4F; ///< μ and ε
constexpr int kCoarsest = 5, kCoarseSteps = 40, kFineSteps = 25;

struct Scattered {
    std::vector<GridPlace> places;
    GridValues missing; ///< what the prior lacks at each
    std::vector<float> weights;
};

/// The left side of the normal equations for the deviation d.
class SmoothNormal {
public:
    SmoothNormal(const Scattered& data, int size) : data_(data), size_(static_cast<std::size_t>(size)) {
        // Second differences of one smooth field shrink with the square of the distance between nodes.
        const float finer = static_cast<float>(size - 1) / 32;
        smooth_ = kSmooth * finer;
        parts_.assign(kChunks, GridValues(size_ * size_ * size_));
    }
    GridValues right() const {
        return spread([&](std::size_t i) { return data_.missing[i]; });
    }
    GridValues operator()(const GridValues& d) const {
        GridValues sum = spread([&](std::size_t i) { return interpolated(data_.places[i], d); });
        addSmoothness(d, sum);
        for (std::size_t n = 0; n < d.size(); ++n)
            for (std::size_t k = 0; k < 3; ++k) sum[n][k] += kKeep * d[n][k];
        return sum;
    }

private:
    template <class F>
    GridValues spread(F valueOf) const {
        inChunks(data_.places.size(), [&](std::size_t chunk, std::size_t from, std::size_t to) {
            GridValues& part = parts_[chunk];
            std::fill(part.begin(), part.end(), std::array<float, 3>{});
            for (std::size_t i = from; i < to; ++i) {
                const GridPlace& place = data_.places[i];
                const auto value = valueOf(i);
                for (std::size_t corner = 0; corner < 4; ++corner)
                    for (std::size_t k = 0; k < 3; ++k)
                        part[place.node[corner]][k] += data_.weights[i] * place.weight[corner] * value[k];
            }
        });
        GridValues all(parts_[0].size());
        inChunks(all.size(), [&](std::size_t, std::size_t from, std::size_t to) {
            for (const GridValues& part : parts_)
                for (std::size_t n = from; n < to; ++n)
                    for (std::size_t k = 0; k < 3; ++k) all[n][k] += part[n][k];
        });
        return all;
    }
    /// D²ᵀ D² d along each axis.
    void addSmoothness(const GridValues& d, GridValues& sum) const {
        const std::size_t strides[] = {1, size_, size_ * size_};
        for (std::size_t axis = 0; axis < 3; ++axis) {
            const std::size_t s = strides[axis], t1 = strides[(axis + 1) % 3], t2 = strides[(axis + 2) % 3];
            for (std::size_t a = 0; a < size_; ++a)
                for (std::size_t b = 0; b < size_; ++b) {
                    const std::size_t line = a * t1 + b * t2;
                    for (std::size_t i = 1; i + 1 < size_; ++i) {
                        const std::size_t n = line + i * s;
                        for (std::size_t k = 0; k < 3; ++k) {
                            const float bend = smooth_ * (d[n - s][k] - 2 * d[n][k] + d[n + s][k]);
                            sum[n - s][k] += bend, sum[n][k] -= 2 * bend, sum[n + s][k] += bend;
                        }
                    }
                }
        }
    }
    const Scattered& data_;
    std::size_t size_;
    float smooth_ = 0;
    mutable std::vector<GridValues> parts_;
};

void solve(GridValues& d, const Scattered& data, int size, int steps, const Task* task) {
    const SmoothNormal normal(data, size);
    GridValues rest = normal.right();
    const double enough = 1e-7 * product(rest, rest);
    const GridValues now = normal(d);
    for (std::size_t n = 0; n < d.size(); ++n)
        for (std::size_t k = 0; k < 3; ++k) rest[n][k] -= now[n][k];
    conjugateSteps(d, std::move(rest), normal, steps, enough, task);
}

std::array<float, 3> colourOfNode(std::size_t n, int size) {
    const auto s = static_cast<std::size_t>(size);
    const auto at = [&](std::size_t i) { return static_cast<float>(i) / static_cast<float>(size - 1); };
    return {at(n % s), at(n / s % s), at(n / (s * s))};
}

/// The same field on a grid of another size.
GridValues onGrid(const GridValues& d, int from, int to) {
    const auto n = static_cast<std::size_t>(to);
    GridValues other(n * n * n);
    for (std::size_t i = 0; i < other.size(); ++i) other[i] = interpolated(placeInGrid(colourOfNode(i, to), from), d);
    return other;
}

GridValues nodesOf(const LutTable& table) {
    GridValues nodes(table.grid.size() / 3);
    for (std::size_t n = 0; n < nodes.size(); ++n)
        for (std::size_t k = 0; k < 3; ++k) nodes[n][k] = table.grid[3 * n + k];
    return nodes;
}

} // namespace

LutTable tableThrough(const ColourPairs& pairs, const LutTable& prior, const Task* task) {
    const int size = prior.gridSize();
    const GridValues ahead = nodesOf(prior);
    Scattered data;
    data.weights = pairs.weights;
    data.missing.resize(pairs.size()), data.places.resize(pairs.size());
    for (std::size_t i = 0; i < pairs.size(); ++i) {
        const auto already = interpolated(placeInGrid(pairs.before[i], size), ahead);
        for (std::size_t k = 0; k < 3; ++k) data.missing[i][k] = pairs.after[i][k] - already[k];
    }
    std::vector<int> sizes{size};
    while (sizes.front() > 2 * kCoarsest - 2) sizes.insert(sizes.begin(), (sizes.front() - 1) / 2 + 1);
    GridValues d;
    for (std::size_t level = 0; level < sizes.size(); ++level) {
        const int now = sizes[level];
        const auto n = static_cast<std::size_t>(now);
        d = level == 0 ? GridValues(n * n * n) : onGrid(d, sizes[level - 1], now);
        for (std::size_t i = 0; i < pairs.size(); ++i) data.places[i] = placeInGrid(pairs.before[i], now);
        solve(d, data, now, now == size ? kFineSteps : kCoarseSteps, task);
    }
    LutTable table = prior;
    for (std::size_t n = 0; n < d.size(); ++n)
        for (std::size_t k = 0; k < 3; ++k) table.grid[3 * n + k] += d[n][k];
    return table;
}

std::vector<float> confidenceOf(const ColourPairs& pairs, int size) {
    const auto n = static_cast<std::size_t>(size);
    std::vector<float> sums(n * n * n);
    for (std::size_t i = 0; i < pairs.size(); ++i) {
        const GridPlace place = placeInGrid(pairs.before[i], size);
        for (std::size_t corner = 0; corner < 4; ++corner)
            sums[place.node[corner]] += pairs.weights[i] * place.weight[corner];
    }
    for (float& sum : sums) sum = 1 - std::exp(-4 * sum);
    return sums;
}

ColourPairs gathered(const ColourPairs& pairs, int cells) {
    const auto n = static_cast<std::size_t>(cells);
    struct Cell {
        Vec3 before{}, after{};
        double weight = 0;
    };
    std::vector<Cell> all(n * n * n);
    for (std::size_t i = 0; i < pairs.size(); ++i) {
        std::size_t at = 0;
        for (std::size_t k = 3; k-- > 0;)
            at = at * n + std::min(static_cast<std::size_t>(std::clamp(pairs.before[i][k], 0.0F, 1.0F) *
                                                            static_cast<float>(cells)),
                                   n - 1);
        Cell& cell = all[at];
        const double weight = pairs.weights[i];
        for (std::size_t k = 0; k < 3; ++k)
            cell.before[k] += weight * pairs.before[i][k], cell.after[k] += weight * pairs.after[i][k];
        cell.weight += weight;
    }
    ColourPairs few;
    for (const Cell& cell : all) {
        if (cell.weight <= 0) continue;
        std::array<float, 3> before{}, after{};
        for (std::size_t k = 0; k < 3; ++k) {
            before[k] = static_cast<float>(cell.before[k] / cell.weight);
            after[k] = static_cast<float>(cell.after[k] / cell.weight);
        }
        few.add(before, after, static_cast<float>(cell.weight));
    }
    return few;
}

LutTable restBehind(const std::vector<Stage>& stages, const Grade& look, int size, const Task* task) {
    constexpr std::size_t colours = 150000;
    ColoursByChance chance(20261202);
    ColourPairs pairs;
    for (std::size_t i = 0; i < colours; ++i) pairs.add(chance.anywhere(), {}, 1);
    const Picture rows = colourRows(pairs.before);
    const CompileOptions onlyLook{false, true, false, true};
    const Picture found = Program::compile(gradeOf(stages, {}), onlyLook).graded(rows, 0, task),
                  wanted = Program::compile(look, onlyLook).graded(rows, 0, task);
    for (std::size_t i = 0; i < colours; ++i) {
        pairs.before[i] = colourIn(found, i), pairs.after[i] = colourIn(wanted, i);
        for (float& v : pairs.before[i]) v = std::clamp(v, 0.0F, 1.0F);
    }
    return tableThrough(gathered(pairs, 2 * (size - 1)), bakeLook({}, size, {}), task);
}

} // namespace baryton
