// Push table: ranges of tones and hues pushed along the three opposite pairs and in density. Formula in push_table.h.
#include "stages/push_table.h"
#include "stages/stage_type.h"

#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "stages/push_table.cpp"
#include <hwy/foreach_target.h>

#include "stages/oklab-inl.h"

HWY_BEFORE_NAMESPACE();
namespace baryton {
namespace HWY_NAMESPACE {

void RunPushTable(const PushTableConstants& c, const Block& block) {
    const OklabMatrices& m = oklabMatrices();
    const V one = Splat(1.0F), zero = hn::Zero(D());
    ForEachVector(block, [&](V& r, V& g, V& b, std::size_t) {
        const V before = Luma(r, g, b), y = hn::Min(hn::Max(before, zero), one);
        Perceived p{};
        if (c.anyHue) p = PerceiveLinear(m, ToLinear(r), ToLinear(g), ToLinear(b));
        V up[3] = {zero, zero, zero}, down[3] = {zero, zero, zero}, denser = zero, lighter = zero;
        for (int i = 0; i < c.count; ++i) {
            const auto& row = c.rows[i];
            V w;
            if (row.isHue)
                w = hn::Mul(WindowWeight(row.window, p), p.fade);
            else
                w = hn::Mul(SmoothStep(y, row.low - 1 / row.perSoftness, row.perSoftness),
                            hn::Sub(one, SmoothStep(y, row.high, row.perSoftness)));
            const auto add = [&](float amount, V& more, V& less) {
                if (amount > 0) more = hn::MulAdd(w, Splat(amount), more);
                if (amount < 0) less = hn::MulAdd(w, Splat(-amount), less);
            };
            for (int k = 0; k < 3; ++k) add(row.push[k], up[k], down[k]);
            add(row.density, denser, lighter);
        }
        const auto share = [&](V amount) { return hn::Mul(Splat(PushTableConstants::kReach), hn::Min(amount, one)); };
        V* channels[3] = {&r, &g, &b};
        for (int k = 0; k < 3; ++k) {
            const V v = *channels[k], held = hn::Min(hn::Max(v, zero), one), room = hn::Sub(one, held);
            *channels[k] = hn::NegMulAdd(share(down[k]), held, hn::MulAdd(share(up[k]), room, v));
        }
        if (c.holdLuma) {
            const V back = hn::Sub(before, Luma(r, g, b));
            r = hn::Add(r, back), g = hn::Add(g, back), b = hn::Add(b, back);
        }
        for (V* channel : channels) {
            const V v = *channel, held = hn::Min(hn::Max(v, zero), one), room = hn::Sub(one, held);
            *channel = Hold(hn::NegMulAdd(share(denser), held, hn::MulAdd(share(lighter), room, v)));
        }
    });
}

} // namespace HWY_NAMESPACE
} // namespace baryton
HWY_AFTER_NAMESPACE();

#if HWY_ONCE
#include "stages/all_stages.h"
#include "stages/describe.h"

#include <algorithm>

namespace baryton {

HWY_EXPORT(RunPushTable);

namespace {

constexpr const char* kColumns[] = {"cyan.red", "magenta.green", "yellow.blue", "density"};

std::string rowId(int index) {
    return "row" + std::to_string(index + 1);
}

bool doesNothing(const ParameterReader& p, const std::string& id) {
    return std::all_of(std::begin(kColumns), std::end(kColumns),
                       [&](const char* column) { return p.number(id + "." + column) == 0; });
}

std::vector<ParameterType> rowParameters() {
    using namespace describe;
    std::vector<ParameterType> all = {toggle("hold.luma", "Hold luma", "Colours move, lightness stays.")};
    // The first rows stand for the darks, the middle and the lights; the rest wait to be set.
    constexpr double starts[][2] = {{0, 25}, {40, 60}, {75, 100}};
    for (int i = 0; i < PushTableConstants::kMost; ++i) {
        const std::string id = rowId(i), name = "Row " + std::to_string(i + 1);
        const double low = i < 3 ? starts[i][0] : 0, high = i < 3 ? starts[i][1] : 100;
        std::vector<std::string> pushes;
        for (const char* column : kColumns) pushes.push_back(id + "." + column);
        all.push_back(through(pushes, choice(id + ".kind", name + " takes", {{"tones", "Tones"}, {"hues", "Hues"}},
                                             "Whether the row is a range of tones or a family of hues.")));
        all.push_back(
            through(pushes, percent(id + ".low", name + " tones from", 0, 100, low, "The dark end of the range.")));
        all.push_back(
            through(pushes, percent(id + ".high", name + " tones to", 0, 100, high, "The light end of the range.")));
        all.push_back(
            through(pushes, percent(id + ".softness", name + " softness", 10, 50, 20, "How gently the range ends.")));
        all.push_back(through(pushes, hue(id + ".centre", name + " hue", "The middle of the family of hues.")));
        all.push_back(through(pushes, number(id + ".width", name + " width", 5, 180, 1, 30,
                                             "How many degrees of hue it takes whole.", Unit::Degrees)));
        all.push_back(through(pushes, number(id + ".feather", name + " feather", 10, 90, 1, 30,
                                             "How gently the family ends.", Unit::Degrees)));
        all.push_back(
            percent(id + ".cyan.red", name + " cyan–red", -100, 100, 0, "Left toward cyan, right toward red."));
        all.push_back(percent(id + ".magenta.green", name + " magenta–green", -100, 100, 0,
                              "Left toward magenta, right toward green."));
        all.push_back(percent(id + ".yellow.blue", name + " yellow–blue", -100, 100, 0,
                              "Left toward yellow, right toward blue."));
        all.push_back(percent(id + ".density", name + " density", -100, 100, 0, "Left lighter, right denser."));
    }
    return all;
}

} // namespace

const StageType& pushTableType() {
    static const StageType type = {
        "push-table",
        "Push table",
        "Pushes ranges of tones and families of hues toward red or cyan, green or magenta, blue or yellow, and in "
        "density.",
        {Part::Look},
        Footprint::Colour,
        rowParameters(),
        [](const ParameterReader& p) {
            for (int i = 0; i < PushTableConstants::kMost; ++i)
                if (!doesNothing(p, rowId(i))) return false;
            return true;
        },
        [](const ParameterReader& p) {
            PushTableConstants c;
            c.holdLuma = p.toggle("hold.luma");
            for (int i = 0; i < PushTableConstants::kMost; ++i) {
                const std::string id = rowId(i);
                if (doesNothing(p, id)) continue;
                auto& row = c.rows[c.count++];
                row.isHue = p.choice(id + ".kind") == "hues";
                c.anyHue = c.anyHue || row.isHue;
                row.low = static_cast<float>(p.number(id + ".low"));
                row.high = static_cast<float>(std::max(p.number(id + ".low"), p.number(id + ".high")));
                row.perSoftness = static_cast<float>(1 / p.number(id + ".softness"));
                row.window = HueWindow(p.number(id + ".centre"), p.number(id + ".width"), p.number(id + ".feather"));
                for (int k = 0; k < 3; ++k) row.push[k] = static_cast<float>(p.number(id + "." + kColumns[k]));
                row.density = static_cast<float>(p.number(id + ".density"));
            }
            Kernel kernel;
            kernel.constants = std::make_shared<PushTableConstants>(c);
            kernel.run = [](const void* constants, const Block& block) {
                HWY_DYNAMIC_DISPATCH(RunPushTable)(*static_cast<const PushTableConstants*>(constants), block);
            };
            return kernel;
        },
        {},
    };
    return type;
}

} // namespace baryton
#endif
