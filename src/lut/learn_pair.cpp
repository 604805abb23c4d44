#include "lut/learn_pair.h"
#include "base/words.h"
#include "colour/spaces.h"
#include "colour/transfer.h"
#include "lut/colour_rows.h"
#include "lut/grid_nodes.h"
#include "lut/scattered_table.h"

#include <opencv2/core.hpp>

#include <algorithm>
#include <cmath>

namespace baryton {

namespace {

using Rgb = std::array<float, 3>;

constexpr double kWorkPixels = 700000; ///< that a pair is looked at
constexpr int kBlocksAlong = 24;       ///< along the longer side
constexpr std::size_t kMostSought = 3200;
constexpr double kPullOfPairs = 0.3; ///< a picture shows a small part of all colours
constexpr float kFlat = 0.012F;      ///< how much neighbours may differ to count whole
constexpr int kMostRounds = 3;
constexpr double kLeastVignette = 0.04, kPlainlyOther = 1.5, kTimesOther = 4;

Rgb pixel(const Picture& p, int x, int y) {
    return {p.row(0, y)[x], p.row(1, y)[x], p.row(2, y)[x]};
}

Picture reduced(const Picture& picture, double factor) {
    const auto side = [&](int length) { return std::max(1, static_cast<int>(length * factor)); };
    return factor < 1 ? scaledDown(picture, side(picture.width()), side(picture.height())) : picture;
}

/// How far a pixel's neighbours lie from it, in any channel.
float unevenness(const Picture& p, int x, int y) {
    float most = 0;
    for (int k = 0; k < 3; ++k) {
        const float here = p.row(k, y)[x];
        for (const auto& [dx, dy] : {std::pair(-1, 0), {1, 0}, {0, -1}, {0, 1}}) {
            const int nx = std::clamp(x + dx, 0, p.width() - 1), ny = std::clamp(y + dy, 0, p.height() - 1);
            most = std::max(most, std::abs(p.row(k, ny)[nx] - here));
        }
    }
    return most;
}

double apart(const Rgb& a, const Rgb& b) {
    Vec3 one{}, other{};
    for (std::size_t k = 0; k < 3; ++k) {
        one[k] = std::clamp(double(a[k]), 0.0, 1.0), other[k] = std::clamp(double(b[k]), 0.0, 1.0);
    }
    return deltaE2000(labFromSrgb(one), labFromSrgb(other));
}

double lightOf(const Rgb& c) {
    return luma(srgbToLinear(double(c[0])), srgbToLinear(double(c[1])), srgbToLinear(double(c[2])));
}

/// The value below which so much of them lies; 0 for none.
double shareOf(std::vector<float> values, double share) {
    if (values.empty()) return 0;
    const auto at = values.begin() + static_cast<std::ptrdiff_t>(share * double(values.size() - 1));
    std::nth_element(values.begin(), at, values.end());
    return *at;
}

/// A pair at working size, the one after laid onto the one before.
class LaidPair {
public:
    LaidPair(const PicturePair& pair, double pixels, const Task* task) {
        before_ = reduced(pair.before, std::sqrt(pixels / (double(pair.before.width()) * pair.before.height())));
        account.place = findPairPlace(before_, pair.after, task);
        std::vector<char> inside;
        after_ = laidOnto(pair.after, account.place, before_.width(), before_.height(), inside);
        const double factor = double(before_.width()) / pair.before.width();
        // Told between the pictures as they came.
        for (const std::size_t at : {0, 1, 3, 4}) account.place.toAfter[at] *= factor;
        for (const std::size_t at : {2, 5})
            account.place.toAfter[at] +=
                (account.place.toAfter[at - 2] + account.place.toAfter[at - 1]) * 0.5 * (1 - 1 / factor);
        weights_.resize(inside.size());
        inPieces(before_.height(), 16, 0, [&](int first, int last) {
            for (int y = first; y < last; ++y)
                for (int x = 0; x < before_.width(); ++x) {
                    const float uneven = std::max(unevenness(before_, x, y), unevenness(after_, x, y)) / kFlat;
                    weights_[at(x, y)] = inside[at(x, y)] ? 1 / (1 + uneven * uneven) : 0.0F;
                }
        });
        account.overlap = double(std::count(inside.begin(), inside.end(), 1)) / double(inside.size());
        side_ = std::max(1, (std::max(before_.width(), before_.height()) + kBlocksAlong - 1) / kBlocksAlong);
        account.columns = (before_.width() + side_ - 1) / side_,
        account.rows = (before_.height() + side_ - 1) / side_;
        account.blocks.assign(static_cast<std::size_t>(account.columns) * static_cast<std::size_t>(account.rows), 0);
    }

    /// Every fifth block, in no row or column more than elsewhere.
    static bool isHeldBack(int column, int row) { return (column + 2 * row) % 5 == 0; }

    void gather(ColourPairs& pairs, bool heldBack) const {
        forPixels([&](int x, int y, float weight) {
            if (isHeldBack(x / side_, y / side_) == heldBack)
                pairs.add(pixel(before_, x, y), pixel(after_, x, y), weight);
        });
    }

    /// Fits a vignette to what `look` leaves unexplained of the light, and takes it out of the one after. Returns
    /// whether there was one.
    bool takeVignetteOut(const Program& look) {
        const Picture made = look.graded(before_);
        // stops = a + b·r² + c·r⁴, weighted; r is 1 in the corners.
        cv::Matx33d products = cv::Matx33d::zeros();
        cv::Vec3d sums(0, 0, 0);
        double squares = 0;
        forPixels([&](int x, int y, float weight) {
            const double from = lightOf(pixel(made, x, y)), to = lightOf(pixel(after_, x, y));
            constexpr double dark = 0.01, light = 0.9; // where noise and clipping don't tell
            if (from < dark || to < dark || from > light || to > light) return;
            const double r = squaredRadius(x, y), stops = std::clamp(std::log2(to / from), -2.0, 2.0);
            const cv::Vec3d powers(1, r, r * r);
            products += weight * powers * powers.t();
            sums += weight * stops * powers;
            squares += weight * stops * stops;
        });
        constexpr double least = 100; // pixels
        if (products(0, 0) < least) return false;
        const cv::Vec3d fit = products.solve(sums, cv::DECOMP_CHOLESKY);
        const double plain = squares - sums[0] * sums[0] / products(0, 0), left = squares - fit.dot(sums),
                     corner = fit[1] + fit[2];
        constexpr double leastExplained = 0.25;
        if (std::abs(corner) < kLeastVignette || left > (1 - leastExplained) * plain) return false;
        for (int y = 0; y < after_.height(); ++y)
            for (int x = 0; x < after_.width(); ++x) {
                const double r = squaredRadius(x, y), gain = std::exp2(-r * (fit[1] + r * fit[2]));
                for (int k = 0; k < 3; ++k) {
                    float& v = after_.row(k, y)[x];
                    v = static_cast<float>(linearToSrgb(srgbToLinear(double(v)) * gain));
                }
            }
        account.cornerStops += corner;
        return true;
    }

    /// Leaves out the blocks where what became of colours is plainly not what `look` makes of them.
    bool leaveOtherOut(const Program& look) {
        const Picture made = look.graded(before_);
        std::vector<std::vector<float>> errors(account.blocks.size());
        forPixels([&](int x, int y, float weight) {
            if (weight > 0.3F)
                errors[block(x, y)].push_back(static_cast<float>(apart(pixel(made, x, y), pixel(after_, x, y))));
        });
        // The blocks whose middle is far off, and of those around them what is partly so.
        const auto enough = [&](std::size_t i) { return errors[i].size() > 8; };
        std::vector<float> middles;
        for (std::size_t i = 0; i < errors.size(); ++i)
            if (enough(i)) middles.push_back(static_cast<float>(shareOf(errors[i], 0.5)));
        const double limit = std::max(kPlainlyOther, kTimesOther * shareOf(middles, 0.5));
        std::vector<char> found(errors.size());
        for (std::size_t i = 0; i < errors.size(); ++i) {
            // What is held back may be far off for colours that were never learned: it is left out only beside
            // others.
            const int column = static_cast<int>(i) % account.columns, row = static_cast<int>(i) / account.columns;
            found[i] = !isHeldBack(column, row) && enough(i) && shareOf(errors[i], 0.5) > limit;
        }
        bool has = false;
        for (std::size_t i = 0; i < errors.size(); ++i) {
            const bool isBeside = enough(i) && shareOf(errors[i], 0.9) > limit && touches(found, i);
            if (found[i] || isBeside) account.blocks[i] = 1, has = true;
        }
        account.leftOut =
            double(std::count(account.blocks.begin(), account.blocks.end(), 1)) / double(account.blocks.size());
        return has;
    }

    PairAccount account;

private:
    std::size_t at(int x, int y) const {
        return static_cast<std::size_t>(y) * static_cast<std::size_t>(before_.width()) + static_cast<std::size_t>(x);
    }
    std::size_t block(int x, int y) const {
        return static_cast<std::size_t>(y / side_) * static_cast<std::size_t>(account.columns) +
               static_cast<std::size_t>(x / side_);
    }
    /// Whether a block lies beside one of these.
    bool touches(const std::vector<char>& found, std::size_t i) const {
        const int column = static_cast<int>(i) % account.columns, row = static_cast<int>(i) / account.columns;
        for (int y = std::max(0, row - 1); y <= std::min(account.rows - 1, row + 1); ++y)
            for (int x = std::max(0, column - 1); x <= std::min(account.columns - 1, column + 1); ++x)
                if (found[static_cast<std::size_t>(y) * static_cast<std::size_t>(account.columns) +
                          static_cast<std::size_t>(x)])
                    return true;
        return false;
    }
    /// 1 in the corners: a vignette is taken to lie about the middle.
    double squaredRadius(int x, int y) const {
        const double dx = (2.0 * x + 1) / before_.width() - 1, dy = (2.0 * y + 1) / before_.height() - 1;
        return (dx * dx + dy * dy) / 2;
    }
    template <class F>
    void forPixels(F visit) const {
        for (int y = 0; y < before_.height(); ++y)
            for (int x = 0; x < before_.width(); ++x)
                if (weights_[at(x, y)] > 0 && !account.blocks[block(x, y)]) visit(x, y, weights_[at(x, y)]);
    }
    Picture before_, after_;
    std::vector<float> weights_;
    int side_ = 1;
};

ColourPairs allOf(const std::vector<LaidPair>& pairs, bool heldBack) {
    ColourPairs all;
    for (const LaidPair& pair : pairs) pair.gather(all, heldBack);
    if (all.size() == 0)
        throw Error("", "", words("nowhere do the two pictures show the same thing alike"),
                    words("choose a version with less done to its parts"));
    return all;
}

/// Few enough to seek stages by, all that were seen, those that are frequent counting more, but not by how many.
ColourPairs forSearch(const ColourPairs& all) {
    ColourPairs few;
    for (int cells = 32; cells >= 8; cells -= 4) {
        few = gathered(all, cells);
        if (few.size() <= kMostSought) break;
    }
    for (float& weight : few.weights) weight = std::sqrt(weight);
    return few;
}

/// What a table is made to pass through: a cell that many pixels agree on counts whole.
ColourPairs forTable(const ColourPairs& all, int size) {
    constexpr float enough = 12;
    ColourPairs cells = gathered(all, 2 * (size - 1));
    for (float& weight : cells.weights) weight = weight / (weight + enough);
    return cells;
}

Difference differenceOn(const ColourPairs& pairs, const Program& look) {
    Difference result;
    constexpr std::size_t enough = 40000;
    constexpr float flat = 0.3F; // at edges colours are mixed: what differs there is no fault of the table
    ColourPairs some;
    const std::size_t step = std::max<std::size_t>(1, pairs.size() / enough);
    for (std::size_t i = 0; i < pairs.size(); i += step)
        if (pairs.weights[i] > flat) some.add(pairs.before[i], pairs.after[i], pairs.weights[i]);
    const Picture made = look.graded(colourRows(some.before));
    std::vector<float> all;
    double sum = 0, weights = 0;
    for (std::size_t i = 0; i < some.size(); ++i) {
        const double e = apart(colourIn(made, i), some.after[i]);
        all.push_back(static_cast<float>(e));
        sum += e * some.weights[i], weights += some.weights[i];
        if (e > result.worst) result.worst = e, result.worstAt = some.before[i];
    }
    result.samples = all.size();
    if (all.empty()) return result;
    result.mean = sum / weights;
    result.percentile99 = shareOf(std::move(all), 0.99);
    return result;
}

std::vector<std::string> remarksOn(const PairAccount& a) {
    std::vector<std::string> all;
    constexpr double sameSize = 0.002, noTurn = 0.05, whole = 0.97;
    if (std::abs(a.place.scale() - 1) > sameSize)
        all.push_back(
            inWords("the one after is {:.1f} % as large: it was laid on the one before", 100 * a.place.scale()));
    if (std::abs(a.place.turn()) > noTurn)
        all.push_back(inWords("it is turned by {:.2f}°: that was undone", a.place.turn()));
    if (a.overlap < whole)
        all.push_back(inWords("it shows {:.0f} % of the picture before: the rest was left out", 100 * a.overlap));
    if (a.cornerStops != 0)
        all.push_back(inWords("a vignette of {}{:.2f} stops in the corners was taken out",
                              a.cornerStops < 0 ? "−" : "+", std::abs(a.cornerStops)));
    if (a.leftOut > 0)
        all.push_back(inWords("in {:.0f} % of it something else was done than elsewhere: a painted light, a mask, a "
                              "retouch; that was left out",
                              std::max(1.0, 100 * a.leftOut)));
    return all;
}

} // namespace

LearntFromPairs learnFromPairs(std::size_t count, const std::function<PicturePair(std::size_t)>& pairAt, int size,
                               const Task* task, const std::function<void(const LearntFromPairs&)>& soFar) {
    std::vector<LaidPair> pairs;
    // Of very many each is looked at less closely, so that all together take no more.
    constexpr std::size_t few = 4;
    const double pixels = kWorkPixels * few / double(std::max(few, count));
    for (std::size_t i = 0; i < count; ++i) pairs.emplace_back(pairAt(i), pixels, task);
    LearntFromPairs learnt;
    const auto seek = [&](bool isThorough) {
        const ColourPairs seen = allOf(pairs, false);
        const auto tell = [&](const FoundLook& look) {
            if (!soFar) return;
            LearntFromPairs first;
            first.stages = look.stages;
            first.table = bakeLook(gradeOf(look.stages, {}), size, {});
            first.confidence = confidenceOf(forTable(seen, size), size);
            soFar(first);
        };
        return findLook(forSearch(seen), {isThorough, kPullOfPairs, tell}, task).stages;
    };
    learnt.stages = seek(false);
    const auto program = [&] { return Program::compile(gradeOf(learnt.stages, {})); };
    // What differs between places goes out as far as the stages do not explain it by colours, a few times: each time
    // they try less to.
    for (int round = 0; round < kMostRounds; ++round) {
        bool isOther = false;
        for (LaidPair& pair : pairs) {
            isOther |= pair.takeVignetteOut(program());
            isOther |= pair.leaveOtherOut(program());
        }
        if (!isOther) break;
        learnt.stages = seek(false);
    }
    learnt.stages = seek(true);
    const ColourPairs seen = forTable(allOf(pairs, false), size), held = allOf(pairs, true);
    learnt.table = tableThrough(seen, bakeLook(gradeOf(learnt.stages, {}), size, {}), task);
    learnt.confidence = confidenceOf(seen, size);
    learnt.stagesAlone = differenceOn(held, program());
    learnt.heldBack = differenceOn(held, Program::compile(lutGrade(learnt.table, "LUT")));
    for (LaidPair& pair : pairs) {
        pair.account.remarks = remarksOn(pair.account);
        learnt.pairs.push_back(std::move(pair.account));
    }
    return learnt;
}

std::vector<float> confidenceOn(const Picture& picture, const std::vector<float>& confidence, int size) {
    std::vector<float> all;
    all.reserve(static_cast<std::size_t>(picture.width()) * static_cast<std::size_t>(picture.height()));
    for (int y = 0; y < picture.height(); ++y)
        for (int x = 0; x < picture.width(); ++x) {
            const GridPlace place = placeInGrid(pixel(picture, x, y), size);
            float sum = 0;
            for (std::size_t corner = 0; corner < 4; ++corner)
                sum += place.weight[corner] * confidence[place.node[corner]];
            all.push_back(sum);
        }
    return all;
}

} // namespace baryton
