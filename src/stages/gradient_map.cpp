// Gradient map: the colour of each tone from a gradient, laid over the picture. See gradient_map.h.
#include "stages/gradient_map.h"
#include "stages/stage_type.h"

#ifndef BARYTON_KERNEL_GROUP
#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "stages/gradient_map.cpp"
#include <hwy/foreach_target.h>
#endif

#include "stages/blend-inl.h"

HWY_BEFORE_NAMESPACE();
namespace baryton {
namespace HWY_NAMESPACE {

void RunGradientMap(const GradientMapConstants& c, const Block& block) {
    const D d;
    const hn::Rebind<std::int32_t, D> di;
    constexpr float steps = GradientMapConstants::kSteps;
    const V amount = Splat(c.amount);
    ForEachVector(block, [&](V& r, V& g, V& b, std::size_t) {
        const V y = hn::Min(hn::Max(Luma(r, g, b), hn::Zero(d)), Splat(1.0F));
        const V at = hn::Mul(y, Splat(steps)), whole = hn::Min(hn::Floor(at), Splat(steps - 1)),
                f = hn::Sub(at, whole);
        const auto index = hn::ConvertTo(di, whole);
        const auto entry = [&](int k) {
            const V low = hn::GatherIndex(d, c.table[k].data(), index),
                    high = hn::GatherIndex(d, c.table[k].data() + 1, index);
            return hn::MulAdd(hn::Sub(high, low), f, low);
        };
        const Colour out = Blended(c.mode, {r, g, b}, {entry(0), entry(1), entry(2)});
        r = Hold(Mixed(r, out.r, amount)), g = Hold(Mixed(g, out.g, amount)), b = Hold(Mixed(b, out.b, amount));
    });
}

} // namespace HWY_NAMESPACE
} // namespace baryton
HWY_AFTER_NAMESPACE();

#if HWY_ONCE
#include "colour/spaces.h"
#include "colour/transfer.h"
#include "stages/all_stages.h"
#include "stages/describe.h"
#include "stages/settings.h"

#include <algorithm>

namespace baryton {

HWY_EXPORT(RunGradientMap);

Vec3 GradientMapConstants::at(double y) const {
    const double at = std::clamp(y, 0.0, 1.0) * kSteps;
    const auto i = std::min(static_cast<std::size_t>(at), static_cast<std::size_t>(kSteps - 1));
    Vec3 colour;
    for (std::size_t k = 0; k < 3; ++k)
        colour[k] = table[k][i] + (double(table[k][i + 1]) - table[k][i]) * (at - static_cast<double>(i));
    return colour;
}

namespace {

constexpr std::size_t kMostStops = 8;

enum class GradientSpace : std::uint8_t { Oklab, Encoded, Linear };

struct Stop {
    double position = 0;
    Vec3 colour{}; ///< in the working encoding
};

struct GradientMapSettings {
    double amount = 0;
    BlendMode blend = BlendMode::Normal;
    GradientSpace space = GradientSpace::Oklab;
    double count = 2; ///< of the stops that count
    std::array<Stop, kMostStops> stops;
};

Vec3 each(const Vec3& v, double (*f)(double)) {
    return {f(v[0]), f(v[1]), f(v[2])};
}

/// The colour at y of stops in rising order, in the space chosen.
Vec3 gradientAt(const std::vector<Stop>& stops, GradientSpace space, double y) {
    constexpr double leastDistance = 1e-3; // closer stops would be a jump
    std::size_t i = 0;
    while (i + 1 < stops.size() && stops[i + 1].position < y) ++i;
    if (i + 1 == stops.size() || y <= stops.front().position)
        return y <= stops.front().position ? stops.front().colour : stops.back().colour;
    const double t = std::clamp(
        (y - stops[i].position) / std::max(stops[i + 1].position - stops[i].position, leastDistance), 0.0, 1.0);
    const auto into = [&](const Vec3& v) {
        if (space == GradientSpace::Encoded) return v;
        const Vec3 linear = each(v, srgbToLinear);
        return space == GradientSpace::Linear ? linear : oklabFromLinear(linear);
    };
    const Vec3 a = into(stops[i].colour), b = into(stops[i + 1].colour);
    const Vec3 mixed = {a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t, a[2] + (b[2] - a[2]) * t};
    if (space == GradientSpace::Encoded) return mixed;
    return each(space == GradientSpace::Linear ? mixed : linearFromOklab(mixed), linearToSrgb);
}

/// The stops that count, in rising order.
std::vector<Stop> stopsOf(const GradientMapSettings& s) {
    std::vector<Stop> stops(s.stops.begin(), s.stops.begin() + static_cast<std::ptrdiff_t>(s.count));
    std::stable_sort(stops.begin(), stops.end(),
                     [](const Stop& a, const Stop& b) { return a.position < b.position; });
    return stops;
}

SettingList<GradientMapSettings> gradientMapSettings() {
    using namespace describe;
    using S = GradientMapSettings;
    SettingList<S> all = {
        {&S::amount, percent("amount", "Amount", 0, 100, 0, "How much of the gradient is felt.")},
        {&S::blend, choice("blend", "Blend", blendModes(), "How the gradient's colours are laid over the picture.")},
        {&S::space,
         choice("space", "Space", {{"oklab", "Perceptual"}, {"encoded", "As encoded"}, {"linear", "Linear light"}},
                "In which space the colours between two stops are found.")},
        {&S::count, number("stops", "Stops", 2, kMostStops, 1, 2, "How many of the stops below count.")}};
    constexpr const char* channels[][2] = {{"r", "red"}, {"g", "green"}, {"b", "blue"}};
    for (std::size_t i = 0; i < kMostStops; ++i) {
        const std::string id = "stop" + std::to_string(i + 1), name = "Stop " + std::to_string(i + 1);
        const double standard = i == 0 ? 0 : i == 1 ? 100 : 50;
        all.emplace_back(entry(&S::stops, i, &Stop::position),
                         percent(id + ".position", name + " position", 0, 100, standard,
                                 "The tone that takes this stop's colour."));
        for (std::size_t k = 0; k < 3; ++k) {
            const std::string word = channels[k][1];
            all.emplace_back([i, k](S& s) -> double& { return s.stops[i].colour[k]; },
                             percent(id + "." + channels[k][0], name + " " + word, 0, 100, standard,
                                     "The " + word + " of this stop's colour."));
        }
    }
    return all;
}

Kernel gradientMapKernel(const GradientMapSettings& s) {
    const std::vector<Stop> stops = stopsOf(s);
    GradientMapConstants c;
    c.mode = s.blend;
    c.amount = static_cast<float>(s.amount);
    for (int i = 0; i <= GradientMapConstants::kSteps; ++i) {
        const Vec3 colour = gradientAt(stops, s.space, double(i) / GradientMapConstants::kSteps);
        for (std::size_t k = 0; k < 3; ++k) c.table[k].push_back(static_cast<float>(colour[k]));
    }
    return kernelOf(Domain::Encoded, std::move(c), [](const auto& k, const Block& block) {
        HWY_DYNAMIC_DISPATCH(RunGradientMap)(k, block);
    });
}

} // namespace

Vec3 gradientColour(const Stage& stage, double y) {
    static const auto list = gradientMapSettings();
    const GradientMapSettings s = readSettings(list, stage);
    return gradientAt(stopsOf(s), s.space, y);
}

const StageType& gradientMapType() {
    using S = GradientMapSettings;
    static const StageType type = stageType<S>({
        .id = "gradient-map",
        .name = "Gradient map",
        .summary = "Gives every tone the colour of a gradient, and lays it over the picture.",
        .parts = {Part::Look},
        .settings = gradientMapSettings(),
        .isNeutral = [](const S& s) { return s.amount == 0; },
        .compile = gradientMapKernel,
        .starters = {{"amount", 1.0}},
    });
    return type;
}

} // namespace baryton
#endif
