// LUT: a look-up table as a stage; its content lives in the grade. See lut_kernel.h.
#include "stages/lut_constants.h"
#include "stages/lut_kernel.h"

#ifndef BARYTON_KERNEL_GROUP
#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "stages/lut.cpp"
#include <hwy/foreach_target.h>
#endif

#include "stages/simd-inl.h"

HWY_BEFORE_NAMESPACE();
namespace baryton {
namespace HWY_NAMESPACE {

HWY_INLINE V HeldInRange(V v) {
    return hn::Min(hn::Max(v, Splat(-kHeldRange)), Splat(kHeldRange));
}

HWY_INLINE void RunShaper(const LutConstants& c, V& v, int channel) {
    const D d;
    const hn::Rebind<std::int32_t, D> di;
    const auto& table = c.shaper[channel];
    const float last = static_cast<float>(table.size() - 1);
    const V free = hn::MulAdd(v, Splat(c.shaperScale[channel]), Splat(c.shaperShift[channel]));
    const V held = hn::Min(hn::Max(free, hn::Zero(d)), Splat(last));
    const V whole = hn::Min(hn::Floor(held), Splat(last - 1));
    const auto index = hn::ConvertTo(di, whole);
    const V low = hn::GatherIndex(d, table.data(), index), high = hn::GatherIndex(d, table.data() + 1, index);
    if (c.use.outside == OutsideDomain::Clamp)
        v = hn::MulAdd(hn::Sub(held, whole), hn::Sub(high, low), low);
    else
        v = HeldInRange(hn::MulAdd(hn::Sub(free, whole), hn::Sub(high, low), low));
}

/// Pixels are worked on in runs: first, for a run, the corners and the fractions of each pixel as whole vectors; then
/// pixel by pixel the four nodes, each by one 128-bit load, summed up and turned back into planes four at a time.
/// Gathers would fetch the same twelve numbers one by one.
void RunGrid(const LutConstants& c, const Block& block) {
    const D d;
    const hn::Rebind<std::int32_t, D> di;
    using VI = hn::Vec<decltype(di)>;
    const hn::FixedTag<float, 4> d4;
    using V4 = hn::Vec<decltype(d4)>;
    constexpr std::size_t run = 64; // a multiple of every vector's lanes and of kRowPad
    HWY_ALIGN std::int32_t corners[3][run];
    HWY_ALIGN float ways[3][run];
    const std::size_t lanes = hn::Lanes(d);
    const float last = static_cast<float>(c.size - 1);
    const VI stepR = hn::Set(di, 4), stepG = hn::Set(di, 4 * c.size), stepB = hn::Set(di, 4 * c.size * c.size);
    const VI stepAll = hn::Set(di, 4 * (1 + c.size + c.size * c.size));
    const float* nodes = c.grid.data();
    const float* whiteNodes = nodes + 4 * (1 + c.size + c.size * c.size);
    for (std::size_t start = 0; start < block.count; start += run) {
        const std::size_t n = block.count - start < run ? block.count - start : run;
        float *r = block.r + start, *g = block.g + start, *b = block.b + start;
        for (std::size_t i = 0; i < n; i += lanes) {
            const auto cell = [&](const float* from, int k, V& fraction) {
                V at = hn::MulAdd(hn::LoadU(d, from + i), Splat(c.gridScale[k]), Splat(c.gridShift[k]));
                at = hn::Min(hn::Max(at, hn::Zero(d)), Splat(last));
                const V whole = hn::Min(hn::Floor(at), Splat(last - 1));
                fraction = hn::Sub(at, whole);
                return hn::ConvertTo(di, whole);
            };
            V fr, fg, fb;
            const VI ir = cell(r, 0, fr), ig = cell(g, 1, fg), ib = cell(b, 2, fb);
            const VI origin = hn::Add(hn::Mul(ir, stepR), hn::Add(hn::Mul(ig, stepG), hn::Mul(ib, stepB)));
            // Walk from the cell's black corner to its white one, first along the axis with the largest fraction.
            const V high = hn::Max(fr, hn::Max(fg, fb)), low = hn::Min(fr, hn::Min(fg, fb));
            const V middle = hn::Max(hn::Min(fr, fg), hn::Min(hn::Max(fr, fg), fb));
            const auto rFirst = hn::RebindMask(di, hn::And(hn::Ge(fr, fg), hn::Ge(fr, fb)));
            const auto gFirst = hn::RebindMask(di, hn::Ge(fg, fb));
            const VI first = hn::IfThenElse(rFirst, stepR, hn::IfThenElse(gFirst, stepG, stepB));
            const auto bLast = hn::RebindMask(di, hn::And(hn::Lt(fb, fr), hn::Lt(fb, fg)));
            const auto gLast = hn::RebindMask(di, hn::Lt(fg, fr));
            const VI final = hn::IfThenElse(bLast, stepB, hn::IfThenElse(gLast, stepG, stepR));
            const VI white = hn::Add(origin, stepAll);
            hn::Store(origin, di, corners[0] + i);
            hn::Store(hn::Add(origin, first), di, corners[1] + i);
            hn::Store(hn::Sub(white, final), di, corners[2] + i);
            hn::Store(high, d, ways[0] + i);
            hn::Store(middle, d, ways[1] + i);
            hn::Store(low, d, ways[2] + i);
        }
        // From corner to corner, each step as far as its axis' fraction: one load less than four weights would take.
        const auto colour = [&](std::size_t i) {
            const V4 n0 = hn::LoadU(d4, nodes + corners[0][i]), n1 = hn::LoadU(d4, nodes + corners[1][i]);
            const V4 n2 = hn::LoadU(d4, nodes + corners[2][i]), n3 = hn::LoadU(d4, whiteNodes + corners[0][i]);
            V4 sum = hn::MulAdd(hn::Set(d4, ways[0][i]), hn::Sub(n1, n0), n0);
            sum = hn::MulAdd(hn::Set(d4, ways[1][i]), hn::Sub(n2, n1), sum);
            return hn::MulAdd(hn::Set(d4, ways[2][i]), hn::Sub(n3, n2), sum);
        };
        for (std::size_t i = 0; i < n; i += 4) {
            const V4 p0 = colour(i), p1 = colour(i + 1), p2 = colour(i + 2), p3 = colour(i + 3);
            // r0 r2 g0 g2 | b0 b2 …, then rows of one channel
            const V4 rg02 = hn::InterleaveLower(d4, p0, p2), rg13 = hn::InterleaveLower(d4, p1, p3);
            const V4 b02 = hn::InterleaveUpper(d4, p0, p2), b13 = hn::InterleaveUpper(d4, p1, p3);
            hn::StoreU(hn::InterleaveLower(d4, rg02, rg13), d4, r + i);
            hn::StoreU(hn::InterleaveUpper(d4, rg02, rg13), d4, g + i);
            hn::StoreU(hn::InterleaveLower(d4, b02, b13), d4, b + i);
        }
    }
}

/// All eight corners of the cell, two at a time from one row of nodes.
void RunGridTrilinear(const LutConstants& c, const Block& block) {
    const hn::FixedTag<float, 4> d4;
    using V4 = hn::Vec<decltype(d4)>;
    const std::ptrdiff_t stepG = 4 * std::ptrdiff_t{c.size}, stepB = stepG * c.size;
    const float last = static_cast<float>(c.size - 1);
    for (std::size_t i = 0; i < block.count; ++i) {
        std::ptrdiff_t cell[3];
        float fraction[3];
        float* planes[3] = {block.r + i, block.g + i, block.b + i};
        for (int k = 0; k < 3; ++k) {
            float at = *planes[k] * c.gridScale[k] + c.gridShift[k];
            at = at > 0 ? (at < last ? at : last) : 0;
            cell[k] = static_cast<std::ptrdiff_t>(at);
            if (cell[k] > c.size - 2) cell[k] = c.size - 2;
            fraction[k] = at - static_cast<float>(cell[k]);
        }
        const float* origin = c.grid.data() + 4 * cell[0] + stepG * cell[1] + stepB * cell[2];
        const V4 fr = hn::Set(d4, fraction[0]), fg = hn::Set(d4, fraction[1]), fb = hn::Set(d4, fraction[2]);
        const auto along = [&](const float* row) {
            const V4 low = hn::LoadU(d4, row);
            return hn::MulAdd(fr, hn::Sub(hn::LoadU(d4, row + 4), low), low);
        };
        const auto face = [&](const float* corner) {
            const V4 low = along(corner);
            return hn::MulAdd(fg, hn::Sub(along(corner + stepG), low), low);
        };
        const V4 near = face(origin);
        HWY_ALIGN float node[4];
        hn::Store(hn::MulAdd(fb, hn::Sub(face(origin + stepB), near), near), d4, node);
        for (int k = 0; k < 3; ++k) *planes[k] = node[k];
    }
}

void RunGridWithin(const LutConstants& c, const Block& block) {
    if (c.use.interpolation == Interpolation::Trilinear)
        RunGridTrilinear(c, block);
    else
        RunGrid(c, block);
}

/// Where a run holds colours outside the domain, the grid is asked twice: at the edge, and a cell inwards from it.
void RunGridContinued(const LutConstants& c, const Block& block) {
    const D d;
    constexpr std::size_t run = 64; // as in RunGrid
    HWY_ALIGN float inner[3][run];
    HWY_ALIGN float beyond[run];
    const std::size_t lanes = hn::Lanes(d);
    const float last = static_cast<float>(c.size - 1);
    for (std::size_t start = 0; start < block.count; start += run) {
        const std::size_t n = block.count - start < run ? block.count - start : run;
        float* const planes[3] = {block.r + start, block.g + start, block.b + start};
        V most = hn::Zero(d);
        for (std::size_t i = 0; i < n; i += lanes) {
            V edge[3], out[3], m = hn::Zero(d);
            for (int k = 0; k < 3; ++k) {
                const V at = hn::MulAdd(hn::LoadU(d, planes[k] + i), Splat(c.gridScale[k]), Splat(c.gridShift[k]));
                edge[k] = hn::Min(hn::Max(at, hn::Zero(d)), Splat(last));
                out[k] = hn::Sub(at, edge[k]);
                m = hn::Max(m, hn::Abs(out[k]));
            }
            const V one = hn::Div(Splat(1), hn::Max(m, Splat(1e-6F)));
            for (int k = 0; k < 3; ++k) {
                const V at = hn::NegMulAdd(out[k], one, edge[k]);
                hn::Store(hn::Div(hn::Sub(at, Splat(c.gridShift[k])), Splat(c.gridScale[k])), d, inner[k] + i);
            }
            hn::Store(m, d, beyond + i);
            most = hn::Max(most, m);
        }
        const Block here{planes[0], planes[1], planes[2], n};
        RunGridWithin(c, here);
        if (hn::AllTrue(d, hn::Eq(most, hn::Zero(d)))) continue;
        RunGridWithin(c, {inner[0], inner[1], inner[2], n});
        for (std::size_t i = 0; i < n; i += lanes)
            for (int k = 0; k < 3; ++k) {
                const V edge = hn::LoadU(d, planes[k] + i);
                const V slope = hn::Sub(edge, hn::Load(d, inner[k] + i));
                const V continued = hn::MulAdd(hn::Load(d, beyond + i), slope, edge);
                hn::StoreU(HeldInRange(continued), d, planes[k] + i);
            }
    }
}

HWY_INLINE V Encoded(Encoding to, V linear) {
    switch (to) {
    case Encoding::Srgb:
    case Encoding::DisplayP3:
        return ToEncoded(linear);
    case Encoding::Rec709:
    case Encoding::Rec2020: {
        const V power = Power(hn::Max(hn::Abs(linear), Splat(1e-12F)), 1 / 2.4F);
        return hn::CopySign(hn::IfThenElseZero(hn::Gt(hn::Abs(linear), Splat(1e-12F)), power), linear);
    }
    case Encoding::Linear:
        return linear;
    case Encoding::AcesCct:
        break;
    }
    using namespace acescct;
    const V light = hn::Min(linear, Splat(static_cast<float>(kMost)));
    const V log = hn::Mul(
        hn::Add(Log2(hn::Max(light, Splat(static_cast<float>(kCutLinear)))), Splat(static_cast<float>(kLogShift))),
        Splat(static_cast<float>(1 / kLogScale)));
    return hn::IfThenElse(hn::Le(light, Splat(static_cast<float>(kCutLinear))),
                          hn::MulAdd(light, Splat(static_cast<float>(kSlope)), Splat(static_cast<float>(kOffset))),
                          log);
}

HWY_INLINE V Decoded(Encoding from, V value) {
    switch (from) {
    case Encoding::Srgb:
    case Encoding::DisplayP3:
        return ToLinear(value);
    case Encoding::Rec709:
    case Encoding::Rec2020: {
        const V power = Power(hn::Max(hn::Abs(value), Splat(1e-6F)), 2.4F);
        return hn::CopySign(hn::IfThenElseZero(hn::Gt(hn::Abs(value), Splat(1e-6F)), power), value);
    }
    case Encoding::Linear:
        return value;
    case Encoding::AcesCct:
        break;
    }
    using namespace acescct;
    const V curved =
        hn::Min(Exp2(hn::MulSub(value, Splat(static_cast<float>(kLogScale)), Splat(static_cast<float>(kLogShift)))),
                Splat(static_cast<float>(kMost)));
    const V straight =
        hn::Mul(hn::Sub(value, Splat(static_cast<float>(kOffset))), Splat(static_cast<float>(1 / kSlope)));
    return hn::IfThenElse(hn::Le(value, Splat(static_cast<float>(kCutEncoded))), straight, curved);
}

void RunLut(const LutConstants& c, const Block& block) {
    if (!c.use.isPlain())
        ForEachVector(block, [&](V& r, V& g, V& b, std::size_t) {
            const V x = MatrixRow(c.toReads, 0, r, g, b), y = MatrixRow(c.toReads, 1, r, g, b);
            b = Encoded(c.use.reads, MatrixRow(c.toReads, 2, r, g, b));
            r = Encoded(c.use.reads, x), g = Encoded(c.use.reads, y);
        });
    if (!c.shaper[0].empty())
        ForEachVector(block, [&](V& r, V& g, V& b, std::size_t) {
            RunShaper(c, r, 0);
            RunShaper(c, g, 1);
            RunShaper(c, b, 2);
        });
    if (c.size > 0) {
        if (c.use.outside == OutsideDomain::Continue)
            RunGridContinued(c, block);
        else
            RunGridWithin(c, block);
    }
    if (!c.use.isPlain())
        ForEachVector(block, [&](V& r, V& g, V& b, std::size_t) {
            const V x = Decoded(c.use.writes, r), y = Decoded(c.use.writes, g), z = Decoded(c.use.writes, b);
            r = MatrixRow(c.fromWrites, 0, x, y, z);
            g = MatrixRow(c.fromWrites, 1, x, y, z);
            b = MatrixRow(c.fromWrites, 2, x, y, z);
        });
}

} // namespace HWY_NAMESPACE
} // namespace baryton
HWY_AFTER_NAMESPACE();

#if HWY_ONCE
#include "stages/all_stages.h"
#include "stages/describe.h"
#include "stages/settings.h"

#include <algorithm>
#include <cmath>

namespace baryton {

HWY_EXPORT(RunLut);

namespace {

struct LutSettings {
    LutContent file;
    LutUse use;
};

ParameterType encodingChoice(std::string id, std::string name, std::string tooltip) {
    std::vector<ParameterType::Option> options;
    for (const EncodingType& type : encodings()) options.push_back({type.id, type.name});
    return describe::choice(std::move(id), std::move(name), std::move(options), std::move(tooltip));
}

using Fractions = std::pair<double, std::size_t>[3]; ///< of a cell, with the axis of each

Vec3 trilinear(const LutTable& table, const std::size_t (&index)[3], const Fractions& at) {
    const auto n = static_cast<std::size_t>(table.gridSize());
    Vec3 sum{};
    for (std::size_t corner = 0; corner < 8; ++corner) {
        double weight = 1;
        std::size_t place[3];
        for (std::size_t k = 0; k < 3; ++k) {
            const std::size_t up = corner >> k & 1;
            weight *= up ? at[k].first : 1 - at[k].first;
            place[k] = index[k] + up;
        }
        const float* node = &table.grid[3 * (place[0] + n * (place[1] + n * place[2]))];
        for (std::size_t k = 0; k < 3; ++k) sum[k] += weight * node[k];
    }
    return sum;
}

/// The grid at a place in cells, which lies in it.
Vec3 gridAt(const LutTable& table, const Vec3& at, Interpolation interpolation) {
    const auto n = static_cast<std::size_t>(table.gridSize());
    std::size_t index[3];
    Fractions fraction;
    for (std::size_t k = 0; k < 3; ++k) {
        index[k] = std::min(static_cast<std::size_t>(at[k]), n - 2);
        fraction[k] = {at[k] - static_cast<double>(index[k]), k};
    }
    if (interpolation == Interpolation::Trilinear) return trilinear(table, index, fraction);
    std::sort(std::begin(fraction), std::end(fraction), std::greater<>());
    Vec3 sum{};
    double before = 1;
    for (int step = 0; step <= 3; ++step) { // corner by corner along the tetrahedron
        const double next = step < 3 ? fraction[step].first : 0;
        const float* node = &table.grid[3 * (index[0] + n * (index[1] + n * index[2]))];
        for (std::size_t k = 0; k < 3; ++k) sum[k] += (before - next) * node[k];
        before = next;
        if (step < 3) ++index[fraction[step].second];
    }
    return sum;
}

} // namespace

Kernel lutKernel(const LutTable& table, const LutUse& use) {
    LutConstants c;
    c.use = use;
    const Mat3 &to = toEncodingPrimaries(use.reads), from = inverse(toEncodingPrimaries(use.writes));
    std::transform(to.begin(), to.end(), c.toReads, [](double v) { return static_cast<float>(v); });
    std::transform(from.begin(), from.end(), c.fromWrites, [](double v) { return static_cast<float>(v); });
    c.size = table.gridSize();
    for (std::size_t k = 0; k < 3; ++k) {
        for (std::size_t i = k; i < table.shaper.size(); i += 3)
            c.shaper[k].push_back(std::clamp(table.shaper[i], -kHeldRange, kHeldRange));
        const auto axis = [](float low, float high, std::size_t n, float& scale, float& shift) {
            scale = static_cast<float>((static_cast<double>(n) - 1) / (double(high) - low));
            shift = -low * scale;
        };
        axis(table.shaperMin[k], table.shaperMax[k], table.shaperSize(), c.shaperScale[k], c.shaperShift[k]);
        axis(table.gridMin[k], table.gridMax[k], static_cast<std::size_t>(c.size), c.gridScale[k], c.gridShift[k]);
    }
    c.grid.resize(table.grid.size() / 3 * 4);
    for (std::size_t node = 0; node < table.grid.size() / 3; ++node)
        for (std::size_t k = 0; k < 3; ++k)
            c.grid[node * 4 + k] = std::clamp(table.grid[node * 3 + k], -kHeldRange, kHeldRange);
    return kernelOf(use.isPlain() ? Domain::Encoded : Domain::Linear, std::move(c),
                    [](const auto& k, const Block& block) {
                        HWY_DYNAMIC_DISPATCH(RunLut)
                        (k, block);
                    });
}

Vec3 applyLut(const LutTable& table, const Vec3& rgb, Interpolation interpolation, OutsideDomain outside) {
    Vec3 v = rgb;
    const bool continues = outside == OutsideDomain::Continue;
    const auto held = [](double each) { return std::clamp<double>(each, -kHeldRange, kHeldRange); };
    if (const std::size_t n = table.shaperSize(); n > 0)
        for (std::size_t k = 0; k < 3; ++k) {
            const double last = static_cast<double>(n - 1);
            const double free =
                (v[k] - table.shaperMin[k]) / (double(table.shaperMax[k]) - table.shaperMin[k]) * last;
            const double at = std::clamp(free, 0.0, last);
            const auto i = std::min(static_cast<std::size_t>(at), n - 2);
            const double f = (continues ? free : at) - static_cast<double>(i);
            v[k] = table.shaper[3 * i + k] * (1 - f) + table.shaper[3 * (i + 1) + k] * f;
            if (continues) v[k] = held(v[k]);
        }
    if (table.grid.empty()) return v;
    const double last = table.gridSize() - 1;
    Vec3 edge, out;
    double most = 0;
    for (std::size_t k = 0; k < 3; ++k) {
        const double at = (v[k] - table.gridMin[k]) / (double(table.gridMax[k]) - table.gridMin[k]) * last;
        edge[k] = std::clamp(at, 0.0, last), out[k] = at - edge[k];
        most = std::max(most, std::abs(out[k]));
    }
    const Vec3 there = gridAt(table, edge, interpolation);
    if (!continues || most == 0) return there;
    Vec3 inner;
    for (std::size_t k = 0; k < 3; ++k) inner[k] = std::clamp(edge[k] - out[k] / most, 0.0, last);
    const Vec3 before = gridAt(table, inner, interpolation);
    for (std::size_t k = 0; k < 3; ++k) v[k] = held(there[k] + most * (there[k] - before[k]));
    return v;
}

const StageType& lutType() {
    using S = LutSettings;
    static const StageType type = stageType<S>({
        .id = "lut",
        .name = "LUT",
        .summary = "Passes every colour through a look-up table from a file, which is kept inside the grade.",
        .parts = {Part::Look},
        .settings = {{&S::file,
                      {"file", "LUT", ParameterKind::LutFile, Unit::None, 0, 1, 1, LutContent{},
                       "The look-up table, kept inside the grade whatever becomes of its file."}},
                     {[](S& s) -> Encoding& { return s.use.reads; },
                      encodingChoice("reads", "Reads", "The space in which the table expects its colours.")},
                     {[](S& s) -> Encoding& { return s.use.writes; },
                      encodingChoice("writes", "Writes", "The space in which the table gives its colours.")},
                     {[](S& s) -> Interpolation& { return s.use.interpolation; },
                      describe::choice("interpolation", "Interpolation",
                                       {{"tetrahedral", "Tetrahedral"}, {"trilinear", "Trilinear"}},
                                       "Tetrahedral keeps greys cleaner; trilinear is what some older programs do.")},
                     {[](S& s) -> OutsideDomain& { return s.use.outside; },
                      describe::choice("outside", "Outside", {{"clamp", "Clamp"}, {"continue", "Continue"}},
                                       "Colours beyond those that the table is made for: all as at its edge, or on "
                                       "as it slopes there. Lights brighter than white then stay apart.")}},
        .isNeutral = [](const S& s) { return !s.file.table; },
        .compile = [](const S& s) { return lutKernel(*s.file.table, s.use); },
    });
    return type;
}

} // namespace baryton
#endif
