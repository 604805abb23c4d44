// Grain: density that varies from place to place as in a film. Formulas in grain.h.
#include "stages/grain.h"
#include "stages/kept_grain.h"
#include "stages/stage_type.h"

#ifndef BARYTON_KERNEL_GROUP
#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "stages/grain.cpp"
#include <hwy/foreach_target.h>
#endif

#include "stages/spline-inl.h"

HWY_BEFORE_NAMESPACE();
namespace baryton {
namespace HWY_NAMESPACE {

using DU = hn::Rebind<std::uint32_t, D>;

/// Mixes the bits of a number so that each bit of the result depends on all of it (a multiply-and-shift hash).
HWY_INLINE hn::Vec<DU> Hashed(hn::Vec<DU> x) {
    const DU d;
    x = hn::Xor(x, hn::ShiftRight<16>(x));
    x = hn::Mul(x, hn::Set(d, 0x7FEB352DU));
    x = hn::Xor(x, hn::ShiftRight<15>(x));
    x = hn::Mul(x, hn::Set(d, 0x846CA68BU));
    return hn::Xor(x, hn::ShiftRight<16>(x));
}

/// One row of a lattice at the height of a block: the sum over its rows, weighed, of the numbers of the points first,
/// first + 1 … for `fields` fields. The bytes of each point's hash are those numbers, with mean 0 and variance 1.
template <int fields>
void SumLattice(const LatticeRows& rows, std::int32_t first, std::size_t count, float* const* out) {
    const D d;
    const DU du;
    const hn::Rebind<std::int32_t, D> di;
    constexpr float deviation = 73.90027F, middle = 127.5F; // of 0…255, all alike
    const auto byte = hn::Set(du, 255U);
    for (std::size_t i = 0; i < count; i += hn::Lanes(d)) {
        const auto point = hn::Mul(hn::Iota(du, static_cast<std::uint32_t>(first) + static_cast<std::uint32_t>(i)),
                                   hn::Set(du, 0x9E3779B1U));
        V sum[fields];
        for (int f = 0; f < fields; ++f) sum[f] = Splat(-middle * rows.sum / deviation);
        for (std::size_t t = 0; t < rows.count; ++t) {
            auto bits = Hashed(hn::Add(point, hn::Set(du, rows.keys[t])));
            const V weight = Splat(rows.weights[t] / deviation);
            for (int f = 0; f < fields; ++f) {
                sum[f] = hn::MulAdd(hn::ConvertTo(d, hn::BitCast(di, hn::And(bits, byte))), weight, sum[f]);
                bits = hn::ShiftRight<8>(bits);
            }
        }
        for (int f = 0; f < fields; ++f) hn::StoreU(sum[f], d, out[f] + i);
    }
}

void SumLatticeFor(int fields, const LatticeRows& rows, std::int32_t first, std::size_t count, float* const* out) {
    if (fields == 1)
        SumLattice<1>(rows, first, count, out);
    else
        SumLattice<4>(rows, first, count, out);
}

/// Adds an octave (the first one: puts it) to the fields at `count` pixels from column `at` of its tables; lattice[f]
/// begins with point `origin`. The points of a vector of pixels are gathered, or where they lie close enough together
/// loaded once and permuted.
template <int fields>
void AddOctave(const GrainOctave& o, std::size_t at, const float* const* lattice, std::int32_t origin,
               std::size_t count, bool isFirst, float* const* out) {
    const D d;
    const hn::Rebind<std::int32_t, D> di;
    const auto lanes = static_cast<std::int32_t>(hn::Lanes(d));
    const V amplitude = Splat(o.amplitude);
    const bool isClose = o.pixel * (lanes - 1) + 1 < lanes;
    for (std::size_t i = 0; i < count; i += hn::Lanes(d)) {
        const std::int32_t* const firsts = o.first.data() + at + i;
        const auto place = hn::Sub(hn::LoadU(di, firsts), hn::Set(di, firsts[0]));
        const std::int32_t from = firsts[0] - origin;
        V sum[fields];
        for (int f = 0; f < fields; ++f) sum[f] = hn::Zero(d);
        const float* weights = o.weights.data() + at + i;
        if (isClose) {
            const auto indices = hn::IndicesFromVec(d, place);
            for (std::size_t t = 0; t < o.taps; ++t, weights += o.columns) {
                const V w = hn::LoadU(d, weights);
                for (int f = 0; f < fields; ++f)
                    sum[f] = hn::MulAdd(
                        w,
                        hn::TableLookupLanes(hn::LoadU(d, lattice[f] + from + static_cast<std::int32_t>(t)), indices),
                        sum[f]);
            }
        } else {
            for (std::size_t t = 0; t < o.taps; ++t, weights += o.columns) {
                const V w = hn::LoadU(d, weights);
                for (int f = 0; f < fields; ++f)
                    sum[f] = hn::MulAdd(
                        w, hn::GatherIndex(d, lattice[f] + from + static_cast<std::int32_t>(t), place), sum[f]);
            }
        }
        for (int f = 0; f < fields; ++f)
            hn::StoreU(isFirst ? hn::Mul(amplitude, sum[f]) : hn::MulAdd(amplitude, sum[f], hn::LoadU(d, out[f] + i)),
                       d, out[f] + i);
    }
}

void AddOctaveTo(int fields, const GrainOctave& o, std::size_t at, const float* const* lattice, std::int32_t origin,
                 std::size_t count, bool isFirst, float* const* out) {
    if (fields == 1)
        AddOctave<1>(o, at, lattice, origin, count, isFirst, out);
    else
        AddOctave<4>(o, at, lattice, origin, count, isFirst, out);
}

/// Adds (the first time: puts) a share of a row to another.
void AddRow(const float* row, float share, std::size_t count, bool isFirst, float* out) {
    const D d;
    const V weight = Splat(share);
    for (std::size_t i = 0; i < count; i += hn::Lanes(d)) {
        const V part = hn::LoadU(d, row + i);
        hn::StoreU(isFirst ? hn::Mul(weight, part) : hn::MulAdd(weight, part, hn::LoadU(d, out + i)), d, out + i);
    }
}

/// The fields laid over the block as density.
template <bool isColoured>
void LayFields(const GrainConstants& c, const float* const* field, const Block& block) {
    const D d;
    const SplineLanes curve(c.curve);
    constexpr float ln10 = 2.302585093F, log2e = 1.442695041F, perLog10 = 0.30102999566F;
    const V zero = hn::Zero(d), one = Splat(1.0F);
    const V strength = Splat(-ln10 * log2e * 2 * c.amount), half = Splat(c.variance / (2 * log2e));
    ForEachVector(block, [&](V& r, V& g, V& b, std::size_t i) {
        const V y = Luma(r, g, b);
        const V lit = hn::Max(y, Splat(1e-9F));
        const V density =
            hn::Min(hn::Max(hn::Mul(Log2(lit), Splat(-perLog10)), zero), Splat(GrainConstants::kMostDensity));
        const V tone = ToEncoded(hn::Min(lit, one));
        const V share = hn::Min(hn::Max(curve(tone), zero), one);
        V k = hn::Mul(hn::Mul(strength, hn::Sqrt(density)), share); // −k·log₂ e
        k = hn::IfThenElseZero(hn::Gt(y, zero), k);
        const V mean = hn::Mul(hn::Mul(k, k), half); // k²·v/2 · log₂ e
        const V n0 = hn::Mul(Splat(c.common), hn::LoadU(d, field[0] + i));
        V* channels[] = {&r, &g, &b};
        for (int layer = 0; layer < 3; ++layer) {
            V n = n0;
            if constexpr (isColoured) n = hn::MulAdd(Splat(c.coloured), hn::LoadU(d, field[layer + 1] + i), n0);
            V& v = *channels[layer];
            const V laid = hn::Mul(v, Exp2(hn::MulSub(k, n, mean)));
            v = hn::IfThenElse(hn::Gt(v, zero), laid, v);
        }
    });
}

void LayGrain(const GrainConstants& c, int fields, const float* const* field, const Block& block) {
    if (fields == 1)
        LayFields<false>(c, field, block);
    else
        LayFields<true>(c, field, block);
}

} // namespace HWY_NAMESPACE
} // namespace baryton
HWY_AFTER_NAMESPACE();

#if HWY_ONCE
#include "stages/all_stages.h"
#include "stages/describe.h"
#include "stages/settings.h"

#include <algorithm>
#include <array>
#include <atomic>
#include <cmath>
#include <numbers>

namespace baryton {

HWY_EXPORT(SumLatticeFor);
HWY_EXPORT(AddOctaveTo);
HWY_EXPORT(AddRow);
HWY_EXPORT(LayGrain);

namespace {

/// The same mix of bits as the vector code's.
std::uint32_t hashed(std::uint32_t x) {
    x ^= x >> 16U;
    x *= 0x7FEB352DU;
    x ^= x >> 15U;
    x *= 0x846CA68BU;
    return x ^ x >> 16U;
}

/// ∫ of the cubic B-spline from −∞ to x.
double splineIntegral(double x) {
    const double a = std::min(std::abs(x), 2.0);
    const double u = 2 - a;
    const double half = a < 1 ? a * (2.0 / 3 - a * a / 3 + a * a * a / 8) : 0.5 - u * u * u * u / 24;
    return x < 0 ? 0.5 - half : 0.5 + half;
}

/// The same from a table, as exact as a float: it is asked for a hundred thousand times for a view.
class SplineIntegral {
public:
    SplineIntegral() {
        for (std::size_t i = 0; i < values_.size(); ++i)
            values_[i] = splineIntegral(static_cast<double>(i) / kPerCell - 2);
    }
    double operator()(double x) const {
        const double at = (x + 2) * kPerCell;
        if (at <= 0) return 0;
        if (at >= 4 * kPerCell) return 1;
        const auto step = static_cast<std::size_t>(at);
        return values_[step] + (at - static_cast<double>(step)) * (values_[step + 1] - values_[step]);
    }

private:
    static constexpr std::size_t kPerCell = 1024;
    std::array<double, 4 * kPerCell + 1> values_;
};

constexpr double kLobes = 3; ///< of the Lanczos kernel

double lanczos(double t) {
    if (std::abs(t) < 1e-9) return 1;
    const double u = std::numbers::pi * t;
    return kLobes * std::sin(u) * std::sin(u / kLobes) / (u * u);
}

/// A row of an octave at the pixels of a block, at one height.
void sumRow(const GrainOctave& o, int used, double y, std::size_t at, std::size_t count, bool isFirst,
            float* const* out) {
    static thread_local GrainFields lattice;
    static thread_local LatticeRows rows;
    const std::int32_t left = o.first[at], right = o.first[at + count - 1];
    const std::size_t points = static_cast<std::size_t>(right - left) + o.taps;
    lattice.makeRoom(used, points);
    rows.take(o, y);
    HWY_DYNAMIC_DISPATCH(SumLatticeFor)(used, rows, left, points, lattice.rows);
    HWY_DYNAMIC_DISPATCH(AddOctaveTo)(used, o, at, lattice.rows, left, count, isFirst, out);
}

/// A row of an octave at the height of one square of a halving; the rows of pixels one below the other share most of
/// theirs.
struct SquareRow {
    std::uint64_t serial = 0;
    int square = 0;
    std::size_t at = 0, count = 0;
    GrainFields fields;
};

/// The fields at the pixels of a block.
void sumFields(const GrainConstants& c, const Block& block, std::size_t at, int used, GrainFields& fields) {
    static thread_local std::array<std::array<SquareRow, 16>, GrainConstants::kOctaves> kept;
    fields.makeRoom(used, block.count);
    for (std::size_t index = 0; index < c.octaves.size(); ++index) {
        const GrainOctave& o = c.octaves[index];
        const double y = static_cast<double>(block.y) * c.longY * o.perLong + o.shift;
        if (!o.across.isOfSquares()) {
            sumRow(o, used, y, at, block.count, index == 0, fields.rows);
            continue;
        }
        const GrainWeights::Squares squares = o.across.squaresAt(y);
        for (int i = 0; i < squares.count; ++i) {
            const int square = squares.first + i;
            SquareRow& row = kept[index][static_cast<unsigned>(square) % kept[index].size()];
            if (row.serial != c.serial || row.square != square || row.at != at || row.count != block.count) {
                row.fields.makeRoom(used, block.count);
                sumRow(o, used, o.across.middleOf(square), at, block.count, true, row.fields.rows);
                row.serial = c.serial, row.square = square, row.at = at, row.count = block.count;
            }
            const auto share = static_cast<float>(squares.shares[static_cast<std::size_t>(i)]);
            for (int f = 0; f < used; ++f) HWY_DYNAMIC_DISPATCH(AddRow)
            (row.fields.rows[f], share, block.count, index == 0 && i == 0, fields.rows[f]);
        }
    }
}

struct GrainSettings {
    double amount = 0, size = 0.4; ///< 0…1; thousandths of the long side
    double clumping = 0.4, colour = 0.25;
    Curve curve;
    double seed = 1;
};

void runGrain(const void* constants, const Block& block) {
    const auto& c = *static_cast<const GrainConstants*>(constants);
    static thread_local GrainFields made;
    if (c.octaves.empty()) return;
    const int used = c.coloured > 0 ? static_cast<int>(GrainFields::kMost) : 1;
    const auto at = static_cast<std::size_t>(static_cast<int>(block.first) - c.first);
    const GrainFields* fields = c.kept ? c.kept->find(block.y, at, block.count) : nullptr;
    if (!fields) {
        sumFields(c, block, at, used, made);
        if (c.kept) c.kept->keep(block.y, at, block.count, made, used);
        fields = &made;
    }
    HWY_DYNAMIC_DISPATCH(LayGrain)(c, used, fields->rows, block);
}

/// The octave's weights for columns of pixels, and beyond them for what a vector computes along.
void tabulate(GrainOctave& o, const PixelColumns& columns, double longX) {
    o.columns = static_cast<std::size_t>(columns.count) + 2 * kRowPad;
    o.taps = o.across.taps();
    o.weights.resize(o.taps * o.columns);
    o.first.resize(o.columns);
    std::vector<double> weights(o.taps);
    for (std::size_t i = 0; i < o.columns; ++i) {
        const double column = columns.first + static_cast<double>(i);
        const double x = (columns.x + column * columns.dx) * longX * o.perLong + o.shift;
        o.first[i] = o.across.firstAt(x);
        o.across.at(x, weights.data());
        for (std::size_t t = 0; t < o.taps; ++t) o.weights[t * o.columns + i] = static_cast<float>(weights[t]);
    }
}

Kernel grainKernel(const GrainSettings& s, const PixelColumns& columns) {
    static std::atomic<std::uint64_t> made{0};
    GrainConstants c;
    c.serial = ++made;
    c.first = columns.first;
    if (columns.isMoving)
        c.kept = KeptGrain::of({s.size, s.clumping, s.seed, s.colour > 0, columns.x, columns.dx, columns.aspect,
                                columns.scale, columns.first, columns.count});
    c.longX = std::min(columns.aspect, 1.0), c.longY = std::min(1 / columns.aspect, 1.0);
    c.amount = static_cast<float>(s.amount) * GrainConstants::kMostAmount;
    c.common = static_cast<float>(std::sqrt(1 - s.colour)), c.coloured = static_cast<float>(std::sqrt(s.colour));
    c.curve = Spline(s.curve);
    // A grain is about two cells wide: the field stays like itself over that.
    const double finest = 2000 / s.size;
    double share = 1, sum = 0, variance = 0, fine = 0;
    constexpr double hardlyThere = 0.02, quick = 0.9; // cells: close enough for AddOctave
    const double pixelLong = columns.dx * c.longX;
    const auto add = [&](int number, double pixel, double amplitude) {
        const double shift = 0.37 * (number + 1);
        GrainOctave o(columns.isMoving ? GrainWeights(pixel) : GrainWeights(pixel, columns.scale, shift));
        o.perLong = pixel / pixelLong, o.pixel = pixel, o.shift = shift;
        o.key = hashed(static_cast<std::uint32_t>(s.seed) * 16U + static_cast<std::uint32_t>(number));
        o.amplitude = static_cast<float>(amplitude);
        c.octaves.push_back(std::move(o));
    };
    for (int i = 0; i < GrainConstants::kOctaves && share > hardlyThere; ++i, share *= s.clumping) {
        sum += share * share;
        const double pixel = pixelLong * finest / std::pow(GrainConstants::kOctaveStep, i);
        if (columns.isMoving && pixel > quick) {
            // As strong, but all on one lattice about as wide as the pixels: the exact pattern comes when the hand
            // rests.
            const double left = share * GrainWeights(pixel).varianceLeft() / GrainWeights(quick).varianceLeft();
            fine += left * left;
        } else {
            add(i, pixel, share);
        }
    }
    if (fine > 0) add(0, quick, std::sqrt(fine));
    for (GrainOctave& o : c.octaves) {
        constexpr double cell = 151.0 / 315; // the mean square of the spline's weights, along one side
        const double left = o.across.varianceLeft();
        const double amplitude = static_cast<double>(o.amplitude) / std::sqrt(sum);
        const bool isThere = amplitude * left > hardlyThere;
        o.amplitude = isThere ? static_cast<float>(amplitude / cell) : 0;
        if (isThere) variance += amplitude * amplitude * left * left;
    }
    std::erase_if(c.octaves, [](const GrainOctave& o) { return o.amplitude == 0; });
    for (GrainOctave& o : c.octaves) tabulate(o, columns, c.longX);
    c.variance = static_cast<float>(variance);
    Kernel kernel;
    kernel.domain = Domain::Linear;
    kernel.constants = std::make_shared<const GrainConstants>(std::move(c));
    kernel.run = runGrain;
    return kernel;
}

} // namespace

GrainWeights::GrainWeights(double pixel, double scale, double corner) : GrainWeights(pixel) {
    const double smaller = 1 / scale;
    constexpr double none = 1.001;
    if (smaller < none) return;
    square_ = pixel * std::exp2(std::floor(std::log2(smaller) + 1e-3)) / smaller;
    corner_ = corner;
    reach_ = 2 + square_ / 2;
    if (pixel / square_ > none) reach_ += kLobes * pixel;
}

std::size_t GrainWeights::taps() const {
    return static_cast<std::size_t>(std::ceil(2 * reach_));
}

std::int32_t GrainWeights::firstAt(double x) const {
    return static_cast<std::int32_t>(std::floor(x - reach_)) + 1;
}

void GrainWeights::at(double x, double* weights) const {
    const std::size_t count = taps();
    const double first = firstAt(x);
    std::fill_n(weights, count, 0.0);
    static const SplineIntegral integral;
    const auto addSquare = [&](double middle, double share) {
        const double place = middle - first, reach = 2 + square_ / 2;
        const auto end = static_cast<std::size_t>(std::clamp(place + reach + 1, 0.0, static_cast<double>(count)));
        for (auto t = static_cast<std::size_t>(std::max(place - reach, 0.0)); t < end; ++t) {
            const double away = place - static_cast<double>(t);
            weights[t] += share / square_ * (integral(away + square_ / 2) - integral(away - square_ / 2));
        }
    };
    if (!isOfSquares()) return addSquare(x, 1);
    const Squares squares = squaresAt(x);
    for (int i = 0; i < squares.count; ++i)
        addSquare(middleOf(squares.first + i), squares.shares[static_cast<std::size_t>(i)]);
}

GrainWeights::Squares GrainWeights::squaresAt(double x) const {
    const double place = (x - corner_) / square_ - 0.5, wide = kLobes * pixel_ / square_;
    Squares squares;
    squares.first = static_cast<int>(std::ceil(place - wide));
    squares.count = std::min(static_cast<int>(std::floor(place + wide)) - squares.first + 1,
                             static_cast<int>(squares.shares.size()));
    double sum = 0;
    for (int i = 0; i < squares.count; ++i) {
        double& share = squares.shares[static_cast<std::size_t>(i)];
        share = lanczos((squares.first + i - place) * square_ / pixel_);
        sum += share;
    }
    for (double& share : squares.shares) share /= sum;
    return squares;
}

double GrainWeights::varianceLeft() const {
    constexpr int places = 64;
    std::vector<double> weights(std::max<std::size_t>(taps(), 5));
    const auto meanSquare = [&](const GrainWeights& of, double step) {
        double sum = 0;
        for (int i = 0; i < places; ++i) {
            of.at(i * step, weights.data());
            for (std::size_t t = 0; t < of.taps(); ++t) sum += weights[t] * weights[t];
        }
        return sum / places;
    };
    // Steps that fall on all places within a cell, and within a square.
    return meanSquare(*this, 0.6180339887) / meanSquare(GrainWeights(1e-3), 1.0 / places);
}

void LatticeRows::take(const GrainOctave& octave, double y) {
    static thread_local std::vector<double> exact;
    count = octave.down.taps();
    exact.resize(count), keys.resize(count), weights.resize(count);
    octave.down.at(y, exact.data());
    const std::int32_t top = octave.down.firstAt(y);
    sum = 0;
    for (std::size_t t = 0; t < count; ++t) {
        keys[t] = hashed((static_cast<std::uint32_t>(top) + static_cast<std::uint32_t>(t)) ^ octave.key);
        weights[t] = static_cast<float>(exact[t]);
        sum += weights[t];
    }
}

const StageType& grainType() {
    using namespace describe;
    using S = GrainSettings;
    ParameterType overTone = curve("curve", "Curve over tone",
                                   "Across: the tone, black at the left. Up: how much of the amount is laid there; "
                                   "the middle is as a film has it.");
    overTone.defaultValue = Curve{{0, 0.5}, {1, 0.5}};
    static const StageType type = stageType<S>({
        .id = "grain",
        .name = "Grain",
        .summary = "Density that varies from place to place as in a film, the same at every size. Judge it at 100 %.",
        .parts = {Part::Finish},
        .footprint = Footprint::Place,
        .settings = {{&S::amount, percent("amount", "Amount", 0, 100, 0, "How strong the grain is.")},
                     {&S::size,
                      through({"amount"}, number("size", "Size", 0.15, 3, 0.05, 0.4,
                                                 "How large the grains are, in thousandths of the frame's long side: "
                                                 "0.4 is a little over two pixels of 24 megapixels.",
                                                 Unit::PerMille))},
                     {&S::clumping, through({"amount"}, percent("clumping", "Clumping", 0, 80, 40,
                                                                "How far grains gather in clumps; 0 is even."))},
                     {&S::colour,
                      through({"amount"}, percent("colour", "Colour", 0, 100, 25,
                                                  "The share of colour: at 0 all layers have the same grain and "
                                                  "grey stays grey, at 100 each has its own."))},
                     {&S::seed, through({"amount"}, number("seed", "Pattern", 1, 999, 1, 1,
                                                           "Another number is another pattern of the same grain."))},
                     {&S::curve, through({"amount"}, std::move(overTone))}},
        .isNeutral = [](const S& s) { return s.amount == 0; },
        .compileForPixels = grainKernel,
        .starters = {{"amount", 0.4}},
    });
    return type;
}

} // namespace baryton
#endif
