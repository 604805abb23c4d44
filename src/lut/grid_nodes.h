#pragma once
#include "base/parallel.h"
#include "base/task.h"

#include <algorithm>
#include <array>
#include <cstddef>
#include <cstdint>
#include <functional>
#include <utility>
#include <vector>

namespace baryton {

// What those have in common who seek the nodes of a grid: where colours lie between them, and sums over many.

using GridValues = std::vector<std::array<float, 3>>; ///< of each node, red fastest

/// The four nodes that a colour lies between, and their weights.
struct GridPlace {
    std::array<std::uint32_t, 4> node{};
    std::array<float, 4> weight{};
};

inline GridPlace placeInGrid(const std::array<float, 3>& rgb, int size) {
    std::array<std::uint32_t, 3> index{};
    std::array<std::pair<float, std::size_t>, 3> fraction;
    const auto n = static_cast<std::uint32_t>(size);
    for (std::size_t k = 0; k < 3; ++k) {
        const float at = std::clamp(rgb[k], 0.0F, 1.0F) * static_cast<float>(size - 1);
        index[k] = std::min(static_cast<std::uint32_t>(at), n - 2);
        fraction[k] = {at - static_cast<float>(index[k]), k};
    }
    std::sort(fraction.begin(), fraction.end(), std::greater<>());
    GridPlace place;
    float before = 1;
    for (std::size_t step = 0; step <= 3; ++step) {
        const float next = step < 3 ? fraction[step].first : 0;
        place.node[step] = index[0] + n * (index[1] + n * index[2]);
        place.weight[step] = before - next;
        before = next;
        if (step < 3) ++index[fraction[step].second];
    }
    return place;
}

/// What the nodes make of a sample.
inline std::array<float, 3> interpolated(const GridPlace& place, const GridValues& nodes) {
    std::array<float, 3> sum{};
    for (std::size_t corner = 0; corner < 4; ++corner)
        for (std::size_t k = 0; k < 3; ++k) sum[k] += place.weight[corner] * nodes[place.node[corner]][k];
    return sum;
}

/// Sums are made in so many parts, whatever the number of threads, so that they come out the same.
constexpr std::size_t kChunks = 8;

/// Calls visit(chunk, from, to) for each stretch of 0…count.
template <class F>
void inChunks(std::size_t count, F visit) {
    inPieces(static_cast<int>(kChunks), 1, 0, [&](int first, int last) {
        for (int chunk = first; chunk < last; ++chunk) {
            const std::size_t from = count * static_cast<std::size_t>(chunk) / kChunks,
                              to = count * static_cast<std::size_t>(chunk + 1) / kChunks;
            visit(static_cast<std::size_t>(chunk), from, to);
        }
    });
}

inline double product(const GridValues& a, const GridValues& b) {
    double sum = 0;
    for (std::size_t n = 0; n < a.size(); ++n)
        for (std::size_t k = 0; k < 3; ++k) sum += double(a[n][k]) * b[n][k];
    return sum;
}

/// Conjugate gradients (Hestenes and Stiefel 1952): moves `nodes` to where normal(nodes) is what `rest` says is still
/// missing of it, in so many steps at most, or until the square of what is missing is `enough` or less.
template <class Normal>
void conjugateSteps(GridValues& nodes, GridValues rest, const Normal& normal, int steps, double enough,
                    const Task* task) {
    GridValues way = rest;
    double length = product(rest, rest);
    for (int step = 0; step < steps && length > enough; ++step) {
        if (task) task->throwIfCancelled();
        const GridValues bent = normal(way);
        const auto far = static_cast<float>(length / product(way, bent));
        for (std::size_t n = 0; n < nodes.size(); ++n)
            for (std::size_t k = 0; k < 3; ++k) nodes[n][k] += far * way[n][k], rest[n][k] -= far * bent[n][k];
        const double next = product(rest, rest);
        const auto share = static_cast<float>(next / length);
        for (std::size_t n = 0; n < nodes.size(); ++n)
            for (std::size_t k = 0; k < 3; ++k) way[n][k] = rest[n][k] + share * way[n][k];
        length = next;
    }
}

} // namespace baryton
