#include "lut/invert_lut.h"
#include "base/error.h"
#include "base/words.h"
#include "lut/grid_nodes.h"
#include "stages/lut_kernel.h"

#include <Eigen/Dense>

#include <algorithm>
#include <cmath>

namespace baryton {

namespace {

constexpr std::size_t kEntries = 4096;
constexpr int kCoarse = 11; ///< of the sampling that says where to begin
constexpr int kMostSteps = 40;
constexpr double kFound = 1e-5; ///< of a channel

using Eigen::Matrix3d;
using Eigen::Vector3d;

Vector3d asVector(const Vec3& v) {
    return {v[0], v[1], v[2]};
}

/// A table with the box of colours that it knows of.
class Forward {
public:
    explicit Forward(const LutTable& table) : table_(table) {
        const bool isShaped = !table.shaper.empty();
        for (std::size_t k = 0; k < 3; ++k) {
            const auto at = static_cast<Eigen::Index>(k);
            low_[at] = isShaped ? table.shaperMin[k] : table.gridMin[k];
            high_[at] = isShaped ? table.shaperMax[k] : table.gridMax[k];
        }
        for (int b = 0; b < kCoarse; ++b)
            for (int g = 0; g < kCoarse; ++g)
                for (int r = 0; r < kCoarse; ++r) {
                    const Vector3d share = Vector3d(r, g, b) / (kCoarse - 1);
                    const Vector3d colour = low_ + share.cwiseProduct(high_ - low_);
                    starts_.push_back({colour, (*this)(colour)});
                }
    }
    Vector3d operator()(const Vector3d& rgb) const { return asVector(applyLut(table_, {rgb[0], rgb[1], rgb[2]})); }

    struct Found {
        Vector3d colour;
        bool isThere = false;
    };
    /// The colour that comes nearest to `wanted`.
    Found find(const Vector3d& wanted) const {
        const Start* nearest = &starts_.front();
        for (const Start& start : starts_)
            if ((start.made - wanted).squaredNorm() < (nearest->made - wanted).squaredNorm()) nearest = &start;
        Vector3d x = nearest->colour;
        Vector3d miss = nearest->made - wanted;
        double damping = 1e-3;
        for (int step = 0; step < kMostSteps && miss.cwiseAbs().maxCoeff() > kFound; ++step) {
            const Matrix3d slope = slopeAt(x);
            const Matrix3d square = slope.transpose() * slope;
            const Matrix3d damped = square + damping * (square.trace() / 3 + 1e-9) * Matrix3d::Identity();
            const Vector3d next = (x - damped.ldlt().solve(slope.transpose() * miss)).cwiseMax(low_).cwiseMin(high_);
            const Vector3d left = (*this)(next)-wanted;
            const bool isBetter = left.squaredNorm() < miss.squaredNorm();
            constexpr double easier = 0.3, harder = 8, most = 1e6;
            damping *= isBetter ? easier : harder;
            if (isBetter) x = next, miss = left;
            if (damping > most) break; // nothing nearer that way
        }
        constexpr double seen = 0.002; // half a level of 8 bits
        return {x, miss.cwiseAbs().maxCoeff() < seen};
    }

private:
    struct Start {
        Vector3d colour, made;
    };
    /// Differences over a step that stays within the box; the table is flat from node to node.
    Matrix3d slopeAt(const Vector3d& x) const {
        Matrix3d slope;
        for (Eigen::Index k = 0; k < 3; ++k) {
            const double step = (high_[k] - low_[k]) / 256;
            Vector3d up = x, down = x;
            up[k] = std::min(x[k] + step, high_[k]), down[k] = std::max(x[k] - step, low_[k]);
            slope.col(k) = ((*this)(up) - (*this)(down)) / (up[k] - down[k]);
        }
        return slope;
    }
    const LutTable& table_;
    Vector3d low_, high_;
    std::vector<Start> starts_;
};

LutTable invertedTones(const LutTable& table) {
    const std::size_t entries = table.shaperSize();
    LutTable inverse;
    inverse.shaper.resize(3 * kEntries);
    for (std::size_t k = 0; k < 3; ++k) {
        std::vector<double> made;
        for (std::size_t i = 0; i < entries; ++i) {
            made.push_back(table.shaper[3 * i + k]);
            if (i > 0 && made[i] < made[i - 1])
                throw Error("", inWords("entry {}", i + 1),
                            words("tones go back here: two become one, and can't be told again"),
                            words("only a table that rises throughout can be undone"));
        }
        if (!(made.front() < made.back()))
            throw Error("", "", words("all tones become one, and can't be told again"),
                        words("only a table that rises throughout can be undone"));
        inverse.shaperMin[k] = static_cast<float>(made.front()),
        inverse.shaperMax[k] = static_cast<float>(made.back());
        for (std::size_t i = 0; i < kEntries; ++i) {
            const double wanted = made.front() + (made.back() - made.front()) * double(i) / double(kEntries - 1);
            // Where it stands still any of these is as good; their middle is the nearest to all of them.
            const auto first = std::lower_bound(made.begin(), made.end(), wanted);
            const auto after = std::upper_bound(made.begin(), made.end(), wanted);
            const auto placeOf = [&](auto at) {
                const auto upper = std::clamp<std::ptrdiff_t>(at - made.begin(), 1, std::ptrdiff_t(entries) - 1);
                const double low = made[std::size_t(upper - 1)], high = made[std::size_t(upper)];
                return double(upper - 1) + (high > low ? std::clamp((wanted - low) / (high - low), 0.0, 1.0) : 1.0);
            };
            const double place = (placeOf(first) + placeOf(after)) / 2 / double(entries - 1);
            const double low = table.shaperMin[k], high = table.shaperMax[k];
            inverse.shaper[3 * i + k] = static_cast<float>(low + (high - low) * place);
        }
    }
    return inverse;
}

} // namespace

InvertedLut invertedLut(const LutTable& table, int size, const Task* task) {
    InvertedLut inverted;
    if (table.grid.empty()) {
        inverted.table = invertedTones(table);
    } else {
        const Forward forward(table);
        const auto n = static_cast<std::size_t>(size);
        std::vector<float>& grid = inverted.table.grid;
        grid.resize(3 * n * n * n);
        std::vector<std::size_t> missing(kChunks);
        inChunks(n * n * n, [&](std::size_t chunk, std::size_t from, std::size_t to) {
            for (std::size_t i = from; i < to; ++i) {
                if (task && i % n == 0) task->throwIfCancelled();
                const Vector3d wanted = Vector3d(double(i % n), double(i / n % n), double(i / n / n)) / double(n - 1);
                const Forward::Found found = forward.find(wanted);
                missing[chunk] += !found.isThere;
                for (std::size_t k = 0; k < 3; ++k)
                    grid[3 * i + k] = static_cast<float>(found.colour[static_cast<Eigen::Index>(k)]);
            }
        });
        for (const std::size_t count : missing) inverted.unreached += double(count) / double(n * n * n);
    }
    if (!table.title.empty()) inverted.table.title = inWords("{}, taken back", table.title);
    Grade back = lutGrade(table, "there");
    const Grade second = lutGrade(inverted.table, "back");
    back.look.front().stages.push_back(second.look.front().stages.front());
    back.look.front().stages.back().id += "-back";
    inverted.thereAndBack = compareLooks({}, back, {}, task).cube;
    return inverted;
}

} // namespace baryton
