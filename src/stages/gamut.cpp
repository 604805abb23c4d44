// Gamut compression. Formula in gamut.h; the limit of sRGB along a line of OKLab is sought for the few colours that
// lie near it, all others pass untouched.
#include "stages/gamut.h"
#include "stages/stage_type.h"

#ifndef BARYTON_KERNEL_GROUP
#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "stages/gamut.cpp"
#include <hwy/foreach_target.h>
#endif

#include "stages/oklab-inl.h"

HWY_BEFORE_NAMESPACE();
namespace baryton {
namespace HWY_NAMESPACE {

/// The three channels in linear light along the line from a grey to a colour, each a cubic in the way along it: 0 at
/// the grey, 1 at the colour.
struct ColourLine {
    V constant, linear[3], square[3], cube[3];

    ColourLine(const OklabMatrices& m, const Perceived& p, V grey) {
        const V three = Splat(3.0F), up = hn::Sub(p.lightness, grey), squared = hn::Mul(grey, grey);
        constant = hn::Mul(squared, grey); // the rows of the matrix sum to 1
        V k[3], kk[3], kkk[3];
        for (int i = 0; i < 3; ++i) {
            k[i] = hn::MulAdd(Splat(m.toRoots[3 * i + 1]), p.a, hn::MulAdd(Splat(m.toRoots[3 * i + 2]), p.b, up));
            kk[i] = hn::Mul(k[i], k[i]), kkk[i] = hn::Mul(kk[i], k[i]);
        }
        for (int row = 0; row < 3; ++row) {
            linear[row] = hn::Mul(hn::Mul(three, squared), MatrixRow(m.toRgb, row, k[0], k[1], k[2]));
            square[row] = hn::Mul(hn::Mul(three, grey), MatrixRow(m.toRgb, row, kk[0], kk[1], kk[2]));
            cube[row] = MatrixRow(m.toRgb, row, kkk[0], kkk[1], kkk[2]);
        }
    }

    /// Which lanes lie within sRGB there.
    HWY_INLINE hn::Mask<D> holds(V way) const {
        V low = constant, high = constant;
        for (int row = 0; row < 3; ++row) {
            const V v =
                hn::MulAdd(hn::MulAdd(hn::MulAdd(cube[row], way, square[row]), way, linear[row]), way, constant);
            low = hn::Min(low, v), high = hn::Max(high, v);
        }
        return hn::And(hn::Ge(low, hn::Zero(D())), hn::Le(high, Splat(1.0F)));
    }
};

void RunGamut(const GamutConstants& c, const Block& block) {
    const OklabMatrices& m = oklabMatrices();
    const V zero = hn::Zero(D()), one = Splat(1.0F), half = Splat(0.5F), knee = Splat(c.knee);
    const auto cubed = [](V x) { return hn::Mul(hn::Mul(x, x), x); };
    ForEachVector(block, [&](V& r, V& g, V& b, std::size_t) {
        const V l0 = MatrixRow(m.toCones, 0, r, g, b), m0 = MatrixRow(m.toCones, 1, r, g, b),
                s0 = MatrixRow(m.toCones, 2, r, g, b);
        const V l1 = hn::Max(l0, zero), m1 = hn::Max(m0, zero), s1 = hn::Max(s0, zero);
        const Perceived p = Perceive(m, l1, m1, s1);
        const V pastWhite = SmoothStep(hn::Max(r, hn::Max(g, b)), 1, 1 / GamutConstants::kDarkensOver);
        const V colourful = SmoothStep(p.chroma, 0, 1 / GamutConstants::kColourful);
        const V grey = hn::Mul(p.lightness, hn::NegMulAdd(Splat(c.darkening), hn::Mul(pastWhite, colourful), one));
        const ColourLine line(m, p, grey);
        V outside = Splat(1 / c.knee), inside = zero;
        const auto isPast = hn::And(hn::Not(line.holds(outside)), hn::Gt(p.chroma, Splat(GamutConstants::kGrey)));
        if (hn::AllFalse(D(), isPast)) return;
        for (int i = 0; i < GamutConstants::kHalvings; ++i) {
            const V middle = hn::Mul(hn::Add(inside, outside), half);
            const auto isIn = line.holds(middle);
            inside = hn::IfThenElse(isIn, middle, inside);
            outside = hn::IfThenElse(isIn, outside, middle);
        }
        const V limit = hn::Max(inside, Splat(1e-6F));
        const V past = hn::Sub(hn::Div(one, limit), knee), x = hn::Mul(past, Splat(1 / c.scale));
        const V folded = hn::Mul(hn::Add(knee, hn::Div(past, hn::Sqrt(hn::MulAdd(x, x, one)))), limit);
        const V way = hn::MulAdd(hn::Sub(folded, one), Splat(c.amount), one);
        const V lightness = hn::MulAdd(hn::Sub(p.lightness, grey), way, grey);
        const V a = hn::Mul(p.a, way), bb = hn::Mul(p.b, way);
        // What was cut off below the cones' range lies past the limit and is given up with it.
        const V rest = Splat(1 - c.amount);
        const auto back = [&](int row, V before, V held) {
            return hn::MulAdd(hn::Sub(before, held), rest, cubed(MatrixRow(m.toRoots, row, lightness, a, bb)));
        };
        const V l2 = back(0, l0, l1), m2 = back(1, m0, m1), s2 = back(2, s0, s1);
        r = hn::IfThenElse(isPast, MatrixRow(m.toRgb, 0, l2, m2, s2), r);
        g = hn::IfThenElse(isPast, MatrixRow(m.toRgb, 1, l2, m2, s2), g);
        b = hn::IfThenElse(isPast, MatrixRow(m.toRgb, 2, l2, m2, s2), b);
    });
}

} // namespace HWY_NAMESPACE
} // namespace baryton
HWY_AFTER_NAMESPACE();

#if HWY_ONCE
#include "stages/all_stages.h"
#include "stages/describe.h"
#include "stages/settings.h"

#include <cmath>

namespace baryton {

HWY_EXPORT(RunGamut);

GamutConstants::GamutConstants(double amount_, double knee_, double reach, double darkening_)
    : amount(static_cast<float>(amount_)), knee(static_cast<float>(knee_)),
      darkening(static_cast<float>(darkening_)) {
    const double far = reach - knee_, near = 1 - knee_;
    scale = static_cast<float>(far * near / std::sqrt(far * far - near * near));
}

namespace {

struct GamutSettings {
    double amount = 0, knee = 0.8, reach = 1.5, darkening = 0.6;
};

} // namespace

const StageType& gamutType() {
    using namespace describe;
    using S = GamutSettings;
    static const StageType type = stageType<S>({
        .id = "gamut",
        .name = "Gamut compression",
        .summary = "Holds strong colours in: what is more colourful than a file can hold is folded toward the limit "
                   "and keeps its folds, its lightness and its hue.",
        .parts = {Part::Look},
        .settings =
            {{&S::amount, percent("amount", "Amount", 0, 100, 0, "How much of the fold is felt.")},
             {&S::knee, through({"amount"}, percent("knee", "Knee", 40, 95, 80,
                                                    "The share of the limit up to which colours stay as they are."))},
             {&S::reach,
              through({"amount"},
                      percent("reach", "Reach", 105, 300, 150,
                              "How far past the limit a colour may lie and still come to lie inside it."))},
             {&S::darkening,
              through({"amount"},
                      percent("darkening", "Darkening", 0, 100, 60,
                              "How far colours that are past white may darken so as not to pale: at 0 all keep "
                              "their lightness."))}},
        .isNeutral = [](const S& s) { return s.amount == 0; },
        .compile =
            [](const S& s) {
                return kernelOf(Domain::Linear, GamutConstants(s.amount, s.knee, s.reach, s.darkening),
                                [](const auto& c, const Block& block) {
                                    HWY_DYNAMIC_DISPATCH(RunGamut)
                                    (c, block);
                                });
            },
        .starters = {{"amount", 1.0}},
    });
    return type;
}

} // namespace baryton
#endif
