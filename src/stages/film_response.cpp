// Film response: film and print by their characteristic curves. Formula in film_constants.h.
#include "stages/film_constants.h"
#include "stages/stage_type.h"

#ifndef BARYTON_KERNEL_GROUP
#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "stages/film_response.cpp"
#include <hwy/foreach_target.h>
#endif

#include "stages/simd-inl.h"

HWY_BEFORE_NAMESPACE();
namespace baryton {
namespace HWY_NAMESPACE {

constexpr float kFlare = 0.0006F, kLog10Of2 = 0.30103F, kLog2Of10 = 3.3219281F;

/// scale·log2(1 + 2^(z·per)), which is k·ln(1 + e^(z/k)); straight where the power would overflow.
HWY_INLINE V Soft(V z, float per, float scale) {
    const V t = hn::Mul(z, Splat(per));
    const V folded = hn::Neg(hn::Abs(t)); // log2(1 + 2^t) = max(t, 0) + log2(1 + 2^−|t|)
    return hn::Mul(Splat(scale), hn::Add(hn::Max(t, hn::Zero(D())), Log2(hn::Add(Splat(1.0F), Exp2(folded)))));
}

HWY_INLINE V Density(const FilmConstants::Knee& k, V x) {
    const V toe = Soft(hn::Sub(x, Splat(k.toeAt)), k.perToe, k.toeScale);
    const V shoulder = Soft(hn::Sub(x, Splat(k.shoulderAt)), k.perShoulder, k.shoulderScale);
    return hn::Mul(Splat(k.gamma), hn::Sub(toe, shoulder));
}

void RunFilm(const FilmConstants& c, const Block& block) {
    const V zero = hn::Zero(D());
    ForEachVector(block, [&](V& r, V& g, V& b, std::size_t) {
        V light[3] = {hn::Max(r, zero), hn::Max(g, zero), hn::Max(b, zero)};
        if (c.isMono) {
            const V sum =
                hn::MulAdd(light[0], Splat(c.sensitivity[0]),
                           hn::MulAdd(light[1], Splat(c.sensitivity[1]), hn::Mul(light[2], Splat(c.sensitivity[2]))));
            light[0] = light[1] = light[2] = sum;
        }
        V density[3], mean = zero;
        for (int k = 0; k < 3; ++k) {
            const V e = hn::MulAdd(Log2(hn::Add(light[k], Splat(kFlare))), Splat(kLog10Of2), Splat(c.speed[k]));
            density[k] = Density(c.film[k], e);
            mean = hn::MulAdd(density[k], Splat(1.0F / 3), mean);
        }
        V* channels[3] = {&r, &g, &b};
        for (int k = 0; k < 3; ++k) {
            V dd = hn::MulAdd(Splat(c.coupling), hn::Sub(density[k], mean), density[k]);
            dd = hn::MulAdd(Splat(c.bend[k]), hn::Sub(dd, Splat(c.anchorDensity[k])), dd);
            const V p =
                c.isReversal ? hn::Sub(Splat(c.full[k]), dd) : Density(c.print, hn::Sub(Splat(c.printer[k]), dd));
            const V passed = Exp2(hn::Mul(p, Splat(-kLog2Of10)));
            const V x = hn::Mul(hn::Sub(passed, Splat(c.subtract)), Splat(c.perRange));
            const V below = hn::Max(hn::NegMulAdd(x, Splat(c.perAnchor), Splat(1.0F)), zero);
            *channels[k] = hn::MulAdd(hn::Mul(below, below), Splat(c.lift), x);
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
#include <cmath>
#include <numbers>

namespace baryton {

HWY_EXPORT(RunFilm);

namespace {

constexpr double kFlareLight = 0.0006;

double soft(double z, double k) {
    return z > 0 ? z + k * std::log1p(std::exp(-z / k)) : k * std::log1p(std::exp(z / k));
}

double densityOf(const FilmConstants::Knee& k, double x) {
    // The scales are k in units of log2: turned back here so that both codes hold the same numbers.
    const double toe = k.toeScale / std::numbers::ln2, shoulder = k.shoulderScale / std::numbers::ln2;
    return k.gamma * (soft(x - k.toeAt, toe) - soft(x - k.shoulderAt, shoulder));
}

FilmConstants::Knee kneeOf(const CharacteristicCurve& c) {
    const auto f = [](double v) { return static_cast<float>(v); };
    const double log2e = std::numbers::log2e;
    return {f(c.gamma),           f(c.toeAt),      f(log2e / c.toe),
            f(c.toe / log2e),     f(c.shoulderAt), f(log2e / c.shoulder),
            f(c.shoulder / log2e)};
}

/// What a grey of this light passes in layer k, before the ends are set.
double passedGrey(const FilmConstants& c, std::size_t k, double light) {
    double d = densityOf(c.film[k], std::log10(light + kFlareLight) + c.speed[k]);
    double mean = 0;
    for (std::size_t j = 0; j < 3; ++j)
        mean += densityOf(c.film[j], std::log10(light + kFlareLight) + c.speed[j]) / 3;
    d += c.coupling * (d - mean);
    d += c.bend[k] * (d - c.anchorDensity[k]);
    return std::pow(10, -(c.isReversal ? c.full[k] - d : densityOf(c.print, c.printer[k] - d)));
}

/// Finds the printer setting (or, for a reversal, the speed) that leaves the anchored grey where it is.
void anchorLayers(FilmConstants& c, double anchor) {
    float* settings = c.isReversal ? c.speed : c.printer;
    const double sign = c.isReversal ? 1 : -1; // more speed passes more light, more printer light less
    const auto result = [&](double setting) {
        for (std::size_t k = 0; k < 3; ++k) settings[k] = static_cast<float>(sign * setting);
        const double black = passedGrey(c, 1, 0), white = passedGrey(c, 1, 1);
        return (passedGrey(c, 1, anchor) - black) / std::max(white - black, 1e-9);
    };
    // Printed far too dark or far too light, grey and white are one. Between lies the deepest grey; from there on to
    // the lighter side it rises, and that is where the right print is.
    double low = -3, deepest = 2;
    for (double at = -3; at <= 3; at += 0.05)
        if (const double grey = result(at); grey >= 0 && grey < deepest) deepest = grey, low = at;
    double high = 3;
    for (int round = 0; round < 60; ++round) {
        const double middle = (low + high) / 2;
        (result(middle) < anchor ? low : high) = middle;
    }
    result(low);
    // The other layers are printed so that the anchored grey is neutral.
    const double wanted = passedGrey(c, 1, anchor);
    for (const std::size_t k : {std::size_t(0), std::size_t(2)}) {
        double from = -4, to = 4;
        for (int round = 0; round < 60; ++round) {
            const double middle = (from + to) / 2;
            settings[k] = static_cast<float>(sign * middle);
            (passedGrey(c, k, anchor) < wanted ? from : to) = middle;
        }
    }
}

struct FilmSettings {
    std::size_t response = 0;                                 ///< 0 none, then those of filmCharacters()
    double contrast = 0, toe = 0, shoulder = 0, coupling = 0; ///< −1…1, as all below but the anchor
    double grade = 0, blackLift = 0, crossoverRed = 0, crossoverBlue = 0;
    std::array<double, 3> printer{}; ///< red, green, blue
    double anchor = 0.18;            ///< in linear light
};

FilmConstants filmConstants(const FilmSettings& s) {
    const FilmCharacter& film = filmCharacters()[s.response - 1];
    FilmConstants c;
    c.isMono = film.kind == FilmCharacter::Kind::Mono;
    c.isReversal = film.kind == FilmCharacter::Kind::Reversal;
    const double contrast = 1 + 0.4 * s.contrast, toe = std::exp2(s.toe), shoulder = std::exp2(s.shoulder);
    const double crossover[3] = {s.crossoverRed, 0, s.crossoverBlue};
    const double anchor = s.anchor;
    for (std::size_t k = 0; k < 3; ++k) {
        CharacteristicCurve curve = film.film;
        curve.gamma *= contrast * film.layerGamma[k];
        curve.toe *= toe, curve.shoulder *= shoulder;
        c.film[k] = kneeOf(curve);
        c.speed[k] = static_cast<float>(film.layerSpeed[k]);
        c.sensitivity[k] = static_cast<float>(film.sensitivity[k]);
        c.bend[k] = static_cast<float>(0.25 * crossover[k]);
        c.full[k] = static_cast<float>(curve.gamma * (curve.shoulderAt - curve.toeAt));
    }
    c.coupling = static_cast<float>(film.coupling + 0.4 * s.coupling);
    CharacteristicCurve paper;
    paper.gamma = film.grade * (1 + 0.4 * s.grade);
    paper.toeAt = -1.2, paper.shoulderAt = paper.toeAt + 2.3 / paper.gamma; // 2.3: the density of a good black
    paper.toe = paper.shoulder = 0.14;
    c.print = kneeOf(paper);
    for (std::size_t k = 0; k < 3; ++k)
        c.anchorDensity[k] = static_cast<float>(densityOf(c.film[k], std::log10(anchor + kFlareLight) + c.speed[k]));
    const double lift = std::clamp(film.blackLift + s.blackLift, 0.0, 1.0);
    anchorLayers(c, anchor);
    c.lift = static_cast<float>(0.15 * anchor * lift);
    c.perAnchor = static_cast<float>(1 / anchor);
    const double black = passedGrey(c, 1, 0), white = passedGrey(c, 1, 1);
    c.subtract = static_cast<float>(black);
    c.perRange = static_cast<float>(1 / std::max(white - black, 1e-3));
    for (std::size_t k = 0; k < 3; ++k)
        (c.isReversal ? c.speed : c.printer)[k] += static_cast<float>((c.isReversal ? 0.15 : -0.15) * s.printer[k]);
    return c;
}

SettingList<FilmSettings> filmSettings() {
    using namespace describe;
    using S = FilmSettings;
    std::vector<ParameterType::Option> responses = {{"none", "None"}};
    for (const FilmCharacter& film : filmCharacters()) responses.push_back({film.id, film.name});
    return {
        {&S::response, choice("response", "Response", std::move(responses), "The character of film and print.")},
        {&S::contrast, percent("contrast", "Film contrast", -100, 100, 0, "The slope of the film itself.")},
        {&S::toe, percent("toe", "Toe", -100, 100, 0, "How gently the shadows end.")},
        {&S::shoulder, percent("shoulder", "Shoulder", -100, 100, 0, "How gently the lights end.")},
        {&S::coupling, percent("coupling", "Coupling", -50, 100, 0,
                               "How much the layers hold one another back: more makes colours stronger.")},
        {&S::grade, percent("grade", "Print grade", -100, 100, 0, "The contrast of the print.")},
        {&S::blackLift, percent("black.lift", "Black lift", -100, 100, 0,
                                "Makes the blacks more or less matte; the anchored grey stays.")},
        {&S::crossoverRed, percent("crossover.red", "Crossover red", -100, 100, 0,
                                   "Right: red lights over cyan shadows; the anchored grey stays.")},
        {&S::crossoverBlue, percent("crossover.blue", "Crossover blue", -100, 100, 0,
                                    "Right: blue lights over yellow shadows; left: warm lights over blue shadows.")},
        {entry(&S::printer, 0), percent("printer.red", "Printer red", -100, 100, 0, "Red light in the print.")},
        {entry(&S::printer, 1), percent("printer.green", "Printer green", -100, 100, 0, "Green light in the print.")},
        {entry(&S::printer, 2), percent("printer.blue", "Printer blue", -100, 100, 0, "Blue light in the print.")},
        {&S::anchor,
         percent("anchor", "Anchored grey", 5, 50, 18, "The grey, in linear light, that stays where it is.")}};
}

} // namespace

double CharacteristicCurve::operator()(double logExposure) const {
    return gamma * (soft(logExposure - toeAt, toe) - soft(logExposure - shoulderAt, shoulder));
}

const StageType& filmResponseType() {
    using S = FilmSettings;
    static const StageType type = stageType<S>({
        .id = "film-response",
        .name = "Film response",
        .summary = "Answers to light as film and print do: with a toe, a straight part and a shoulder in each layer.",
        .parts = {Part::Look},
        .settings = filmSettings(),
        .isNeutral = [](const S& s) { return s.response == 0; },
        .compile =
            [](const S& s) {
                return kernelOf(Domain::Linear, filmConstants(s), [](const auto& c, const Block& block) {
                    HWY_DYNAMIC_DISPATCH(RunFilm)(c, block);
                });
            },
        .starters = {{"response", std::string("touring")}},
    });
    return type;
}

} // namespace baryton
#endif
