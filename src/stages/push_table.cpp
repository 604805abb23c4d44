// Push table: ranges of tones and hues pushed along the three opposite pairs and in density. Formula in push_table.h.
#include "stages/push_table.h"
#include "stages/stage_type.h"

#ifndef BARYTON_KERNEL_GROUP
#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "stages/push_table.cpp"
#include <hwy/foreach_target.h>
#endif

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
#include "stages/settings.h"

#include <algorithm>

namespace baryton {

HWY_EXPORT(RunPushTable);

namespace {

struct PushTableSettings {
    enum class Kind : std::uint8_t { Tones, Hues };
    struct Row {
        Kind kind = Kind::Tones;
        double low = 0, high = 1, softness = 0.2;                          ///< of a range of tones
        double centre = 0, width = 30, feather = 30;                       ///< of a family of hues, degrees
        double cyanRed = 0, magentaGreen = 0, yellowBlue = 0, density = 0; ///< −1…1

        bool doesNothing() const { return cyanRed == 0 && magentaGreen == 0 && yellowBlue == 0 && density == 0; }
    };
    std::array<Row, PushTableConstants::kMost> rows;
    bool holdsLuma = false;
};

SettingList<PushTableSettings> pushTableSettings() {
    using namespace describe;
    using S = PushTableSettings;
    using Row = S::Row;
    SettingList<S> all = {{&S::holdsLuma, toggle("hold.luma", "Hold luma", "Colours move, lightness stays.")}};
    // The first rows stand for the darks, the middle and the lights; the rest wait to be set.
    constexpr double starts[][2] = {{0, 25}, {40, 60}, {75, 100}};
    for (std::size_t i = 0; i < PushTableConstants::kMost; ++i) {
        const std::string id = "row" + std::to_string(i + 1), name = "Row " + std::to_string(i + 1);
        const double low = i < 3 ? starts[i][0] : 0, high = i < 3 ? starts[i][1] : 100;
        const std::vector<std::string> pushes = {id + ".cyan.red", id + ".magenta.green", id + ".yellow.blue",
                                                 id + ".density"};
        const auto add = [&](auto Row::*member, ParameterType type) {
            all.emplace_back(entry(&S::rows, i, member), std::move(type));
        };
        add(&Row::kind, through(pushes, choice(id + ".kind", name + " takes", {{"tones", "Tones"}, {"hues", "Hues"}},
                                               "Whether the row is a range of tones or a family of hues.")));
        add(&Row::low,
            through(pushes, percent(id + ".low", name + " tones from", 0, 100, low, "The dark end of the range.")));
        add(&Row::high,
            through(pushes, percent(id + ".high", name + " tones to", 0, 100, high, "The light end of the range.")));
        add(&Row::softness,
            through(pushes, percent(id + ".softness", name + " softness", 10, 50, 20, "How gently the range ends.")));
        add(&Row::centre, through(pushes, hue(id + ".centre", name + " hue", "The middle of the family of hues.")));
        add(&Row::width, through(pushes, number(id + ".width", name + " width", 5, 180, 1, 30,
                                                "How many degrees of hue it takes whole.", Unit::Degrees)));
        add(&Row::feather, through(pushes, number(id + ".feather", name + " feather", 10, 90, 1, 30,
                                                  "How gently the family ends.", Unit::Degrees)));
        add(&Row::cyanRed,
            percent(id + ".cyan.red", name + " cyan–red", -100, 100, 0, "Left toward cyan, right toward red."));
        add(&Row::magentaGreen, percent(id + ".magenta.green", name + " magenta–green", -100, 100, 0,
                                        "Left toward magenta, right toward green."));
        add(&Row::yellowBlue, percent(id + ".yellow.blue", name + " yellow–blue", -100, 100, 0,
                                      "Left toward yellow, right toward blue."));
        add(&Row::density, percent(id + ".density", name + " density", -100, 100, 0, "Left lighter, right denser."));
    }
    return all;
}

Kernel pushTableKernel(const PushTableSettings& s) {
    PushTableConstants c;
    c.holdLuma = s.holdsLuma;
    for (const auto& from : s.rows) {
        if (from.doesNothing()) continue;
        auto& row = c.rows[c.count++];
        row.isHue = from.kind == PushTableSettings::Kind::Hues;
        c.anyHue = c.anyHue || row.isHue;
        row.low = static_cast<float>(from.low);
        row.high = static_cast<float>(std::max(from.low, from.high));
        row.perSoftness = static_cast<float>(1 / from.softness);
        row.window = HueWindow(from.centre, from.width, from.feather);
        row.push[0] = static_cast<float>(from.cyanRed);
        row.push[1] = static_cast<float>(from.magentaGreen);
        row.push[2] = static_cast<float>(from.yellowBlue);
        row.density = static_cast<float>(from.density);
    }
    return kernelOf(Domain::Encoded, c, [](const auto& k, const Block& block) {
        HWY_DYNAMIC_DISPATCH(RunPushTable)(k, block);
    });
}

} // namespace

const StageType& pushTableType() {
    using S = PushTableSettings;
    static const StageType type = stageType<S>({
        .id = "push-table",
        .name = "Push table",
        .summary =
            "Pushes ranges of tones and families of hues toward red or cyan, green or magenta, blue or yellow, "
            "and in density.",
        .parts = {Part::Look},
        .settings = pushTableSettings(),
        .isNeutral =
            [](const S& s) {
                return std::all_of(s.rows.begin(), s.rows.end(), [](const auto& r) { return r.doesNothing(); });
            },
        .compile = pushTableKernel,
    });
    return type;
}

} // namespace baryton
#endif
