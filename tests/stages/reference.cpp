#include "stages/reference.h"
#include "colour/illuminant.h"
#include "colour/spaces.h"
#include "colour/transfer.h"
#include "stages/blend.h"
#include "stages/film_response.h"
#include "stages/lut_kernel.h"
#include "stages/spline.h"
#include "support/samples.h"

#include <algorithm>
#include <cmath>
#include <gtest/gtest.h>

namespace baryton::test {

namespace {

double smoothstep(double low, double high, double v) {
    const double t = std::clamp((v - low) / (high - low), 0.0, 1.0);
    return t * t * (3 - 2 * t);
}

Vec3 scaled(const Vec3& v, double k) {
    return {v[0] * k, v[1] * k, v[2] * k};
}

Vec3 held(Vec3 v) {
    for (double& c : v) c = std::clamp(c, -64.0, 64.0);
    return v;
}

/// Film and print as film_constants.h has them, from the character and the parameters alone.
class FilmReference {
public:
    explicit FilmReference(const ParameterReader& p)
        : film_(filmCharacters()[static_cast<std::size_t>(p.choiceIndex("response") - 1)]),
          anchor_(p.number("anchor")), coupling_(film_.coupling + 0.4 * p.number("coupling")),
          lift_(0.15 * anchor_ * std::clamp(film_.blackLift + p.number("black.lift"), 0.0, 1.0)) {
        const double crossover[3] = {p.number("crossover.red"), 0, p.number("crossover.blue")};
        for (std::size_t k = 0; k < 3; ++k) {
            layer_[k] = film_.film;
            layer_[k].gamma *= (1 + 0.4 * p.number("contrast")) * film_.layerGamma[k];
            layer_[k].toe *= std::exp2(p.number("toe")), layer_[k].shoulder *= std::exp2(p.number("shoulder"));
            speed_[k] = film_.layerSpeed[k];
            bend_[k] = 0.25 * crossover[k];
            anchorDensity_[k] = density(layer_[k], exposure(anchor_) + speed_[k]);
        }
        const double gamma = film_.grade * (1 + 0.4 * p.number("grade"));
        paper_ = {gamma, -1.2, -1.2 + 2.3 / gamma, 0.14, 0.14};
        print();
        const char* printers[] = {"printer.red", "printer.green", "printer.blue"};
        for (std::size_t k = 0; k < 3; ++k) setting(k) += (isReversal() ? 0.15 : -0.15) * p.number(printers[k]);
    }

    Vec3 operator()(Vec3 light) const {
        for (double& c : light) c = std::max(c, 0.0);
        if (film_.kind == FilmCharacter::Kind::Mono)
            light.fill(light[0] * film_.sensitivity[0] + light[1] * film_.sensitivity[1] +
                       light[2] * film_.sensitivity[2]);
        Vec3 out{};
        for (std::size_t k = 0; k < 3; ++k) {
            const double x = (passed(k, light) - black_) / std::max(white_ - black_, 1e-3);
            out[k] = x + lift_ * std::pow(std::max(1 - x / anchor_, 0.0), 2);
        }
        return out;
    }

private:
    bool isReversal() const { return film_.kind == FilmCharacter::Kind::Reversal; }
    double& setting(std::size_t k) { return isReversal() ? speed_[k] : printer_[k]; }
    static double exposure(double light) { return std::log10(light + 0.0006); }
    static double softplus(double z, double k) {
        return k * std::log(1 + std::exp(-std::abs(z) / k)) + std::max(z, 0.0);
    }
    static double density(const CharacteristicCurve& c, double x) {
        return c.gamma * (softplus(x - c.toeAt, c.toe) - softplus(x - c.shoulderAt, c.shoulder));
    }
    double passed(std::size_t k, const Vec3& light) const {
        Vec3 d{};
        for (std::size_t j = 0; j < 3; ++j) d[j] = density(layer_[j], exposure(light[j]) + speed_[j]);
        double own = d[k] + coupling_ * (d[k] - (d[0] + d[1] + d[2]) / 3);
        own += bend_[k] * (own - anchorDensity_[k]);
        const double full = layer_[k].gamma * (layer_[k].shoulderAt - layer_[k].toeAt);
        return std::pow(10, -(isReversal() ? full - own : density(paper_, printer_[k] - own)));
    }
    double grey(std::size_t k, double light) const { return passed(k, {light, light, light}); }

    /// All layers alike until the green one leaves the anchored grey where it is, on the side that is printed lighter
    /// than its deepest; then the others until it is neutral.
    void print() {
        const double way = isReversal() ? 1 : -1;
        const auto anchored = [&](double at) {
            for (std::size_t k = 0; k < 3; ++k) setting(k) = way * at;
            black_ = grey(1, 0), white_ = grey(1, 1);
            return (grey(1, anchor_) - black_) / std::max(white_ - black_, 1e-9);
        };
        double low = -3, deepest = 2;
        for (int i = 0; i <= 120; ++i)
            if (const double v = anchored(-3 + 0.05 * i); v >= 0 && v < deepest) deepest = v, low = -3 + 0.05 * i;
        const double at = crossing(low, 3, [&](double v) { return anchored(v) - anchor_; });
        anchored(at);
        const double wanted = grey(1, anchor_);
        for (const std::size_t k : {std::size_t(0), std::size_t(2)})
            setting(k) = way * crossing(-4, 4, [&](double v) {
                             setting(k) = way * v;
                             return grey(k, anchor_) - wanted;
                         });
        // As they are printed in the end.
        black_ = grey(1, 0), white_ = grey(1, 1);
    }
    template <class F>
    static double crossing(double low, double high, F rises) {
        for (int i = 0; i < 80; ++i) {
            const double middle = (low + high) / 2;
            (rises(middle) < 0 ? low : high) = middle;
        }
        return (low + high) / 2;
    }

    const FilmCharacter& film_;
    CharacteristicCurve layer_[3], paper_;
    double anchor_, coupling_, lift_, black_ = 0, white_ = 1;
    double speed_[3]{}, printer_[3]{}, bend_[3]{}, anchorDensity_[3]{};
};

/// Of hue and chroma stages in what is dark or grey.
double fadeOf(double lightness, double chroma) {
    return smoothstep(0.01, 0.06, chroma) * smoothstep(0.05, 0.20, lightness);
}

/// OKLab with chroma and fade, of cone responses held at 0 or above; `f` changes the Lab.
template <class F>
Vec3 throughOklab(const Vec3& linear, F f) {
    const Vec3 cones = kOklabCones * linear;
    Vec3 root, inside;
    for (std::size_t k = 0; k < 3; ++k) {
        inside[k] = std::max(cones[k], 0.0);
        root[k] = std::cbrt(inside[k]);
    }
    Vec3 lab = kOklabFromRoots * root;
    const double chroma = std::hypot(lab[1], lab[2]), fade = fadeOf(lab[0], chroma);
    f(lab, chroma, fade);
    const Vec3 back = inverse(kOklabFromRoots) * lab;
    Vec3 out;
    for (std::size_t k = 0; k < 3; ++k) out[k] = cones[k] + back[k] * back[k] * back[k] - inside[k];
    return inverse(kOklabCones) * out;
}

/// From the text of oklab.h: whole within half the width (degrees), falling over the softness, on the cosine.
double windowOf(double centre, double width, double softness, const Vec3& lab, double chroma) {
    const double half = std::min(width / 2, 180.0) * M_PI / 180,
                 far = std::min(width / 2 + softness, 180.0) * M_PI / 180;
    const double inner = std::cos(half), outer = std::min(std::cos(far), inner - 0.02);
    const double middle = centre * M_PI / 180;
    return smoothstep(outer, inner, (lab[1] * std::cos(middle) + lab[2] * std::sin(middle)) / std::max(chroma, 1e-6));
}

Vec3 each(const Vec3& v, double (*f)(double)) {
    return {f(v[0]), f(v[1]), f(v[2])};
}

Vec3 onLuma(const Spline& s, const Vec3& v) {
    const double y = luma(v[0], v[1], v[2]), shift = s(y) - y;
    return held({v[0] + shift, v[1] + shift, v[2] + shift});
}

Vec3 curves(const ParameterReader& p, Vec3 v) {
    const auto kind = p.choice("spline") == "natural" ? SplineKind::Natural : SplineKind::Monotone;
    const auto spline = [&](const char* id) { return Spline(p.curve(id), kind); };
    const Spline rgb = spline("rgb");
    const auto hold = [](double c) { return std::clamp(c, -64.0, 64.0); };
    if (p.choice("response") == "channels") {
        for (double& c : v) c = hold(rgb(c));
    } else if (p.choice("response") == "luma") {
        v = onLuma(rgb, v);
    } else {
        const double low = std::min({v[0], v[1], v[2]}), high = std::max({v[0], v[1], v[2]});
        const double stretch = (hold(rgb(high)) - hold(rgb(low))) / std::max(high - low, 1e-6);
        for (double& c : v) c = hold(rgb(low)) + (c - low) * stretch;
    }
    const char* ids[] = {"r", "g", "b"};
    for (std::size_t k = 0; k < 3; ++k) v[k] = hold(spline(ids[k])(v[k]));
    v = onLuma(spline("luma"), v);
    const Spline l = spline("lab.l"), a = spline("lab.a"), b = spline("lab.b");
    if (l.knots + a.knots + b.knots == 0) return v;
    const auto axis = [&](const Spline& s, double c) {
        return s.knots == 0 ? c : (hold(s(c / 0.8 + 0.5)) - 0.5) * 0.8;
    };
    const Vec3 out = throughOklab(each(v, srgbToLinear), [&](Vec3& lab, double, double) {
        lab = {hold(l(lab[0])), axis(a, lab[1]), axis(b, lab[2])};
    });
    return held(each(out, linearToSrgb));
}

Vec3 throughLut(const ParameterReader& p, const Vec3& rgb) {
    const LutUse use = {static_cast<Encoding>(p.choiceIndex("reads")), static_cast<Encoding>(p.choiceIndex("writes")),
                        p.choice("interpolation") == "trilinear" ? Interpolation::Trilinear
                                                                 : Interpolation::Tetrahedral,
                        p.choice("outside") == "continue" ? OutsideDomain::Continue : OutsideDomain::Clamp};
    const auto looked = [&](const Vec3& at) {
        return applyLut(*p.lut("file").table, at, use.interpolation, use.outside);
    };
    if (use.isPlain()) return looked(rgb);
    Vec3 v = toEncodingPrimaries(use.reads) * rgb;
    for (double& c : v) c = encode(use.reads, c);
    v = looked(v);
    for (double& c : v) c = decode(use.writes, c);
    return inverse(toEncodingPrimaries(use.writes)) * v;
}

Vec3 saturation(const ParameterReader& p, const Vec3& linear) {
    return throughOklab(linear, [&](Vec3& lab, double chroma, double fade) {
        const double v = smoothstep(0.03, 0.17, chroma);
        double gain = std::max(0.0, 1 + p.number("overall") + p.number("muted") * (1 - v) + p.number("vivid") * v);
        if (const Spline curve(p.curve("chroma")); curve.knots > 0) {
            const double x = chroma / 0.4,
                         bent = std::clamp(std::clamp(curve(x), -64.0, 64.0) / std::max(x, 1e-4), 0.0, 8.0);
            gain *= 1 + (bent - 1) * fade;
        }
        const double guarded = windowOf(p.number("guard.hue"), p.number("guard.width"), 30, lab, chroma);
        gain += (1 - gain) * guarded * fade * p.number("guard.strength");
        lab[1] *= gain, lab[2] *= gain;
    });
}

/// How far one can go from a grey toward a colour (1) and beyond with every channel within 0…1.
double wayToLimit(double grey, const Vec3& lab) {
    double inside = 0, outside = 4;
    for (int i = 0; i < 60; ++i) {
        const double way = (inside + outside) / 2;
        const Vec3 roots = inverse(kOklabFromRoots) * Vec3{grey + way * (lab[0] - grey), way * lab[1], way * lab[2]};
        const Vec3 rgb =
            inverse(kOklabCones) * Vec3{std::pow(roots[0], 3), std::pow(roots[1], 3), std::pow(roots[2], 3)};
        const bool isIn = std::min({rgb[0], rgb[1], rgb[2]}) >= 0 && std::max({rgb[0], rgb[1], rgb[2]}) <= 1;
        (isIn ? inside : outside) = way;
    }
    return inside;
}

Vec3 gamut(const ParameterReader& p, const Vec3& linear) {
    const double amount = p.number("amount"), knee = p.number("knee"), far = p.number("reach") - knee,
                 near = 1 - knee;
    Vec3 cones = kOklabCones * linear, roots, cut;
    for (std::size_t k = 0; k < 3; ++k) {
        cut[k] = std::min(cones[k], 0.0);
        roots[k] = std::cbrt(cones[k] - cut[k]);
    }
    Vec3 lab = kOklabFromRoots * roots;
    const double chroma = std::hypot(lab[1], lab[2]);
    if (chroma <= 1e-5) return linear;
    const double most = std::max({linear[0], linear[1], linear[2]});
    const double grey = lab[0] * (1 - p.number("darkening") * smoothstep(1, 1.5, most) * smoothstep(0, 0.1, chroma));
    const double limit = std::max(wayToLimit(grey, lab), 1e-6), d = 1 / limit;
    if (d <= knee) return linear;
    const double scale = far * near / std::sqrt(far * far - near * near), x = (d - knee) / scale;
    const double way = 1 + amount * ((knee + (d - knee) / std::sqrt(1 + x * x)) * limit - 1);
    const Vec3 back = inverse(kOklabFromRoots) * Vec3{grey + way * (lab[0] - grey), way * lab[1], way * lab[2]};
    for (std::size_t k = 0; k < 3; ++k) cones[k] = back[k] * back[k] * back[k] + (1 - amount) * cut[k];
    return inverse(kOklabCones) * cones;
}

/// The common scale of colours at which no channel along the greys rises by less than 0.05: `answer` of a grey and a
/// scale.
template <class Answer>
double foldGuard(Answer answer) {
    const auto least = [&](double scale) {
        constexpr int steps = 512;
        double slope = 1e9;
        for (int i = 1; i <= steps; ++i) {
            const Vec3 low = answer(double(i - 1) / steps, scale), high = answer(double(i) / steps, scale);
            for (std::size_t k = 0; k < 3; ++k) slope = std::min(slope, (high[k] - low[k]) * steps);
        }
        return slope;
    };
    constexpr double allowed = 0.05;
    const double plain = least(0), full = least(1);
    return full < allowed ? (plain - allowed) / (plain - full) : 1;
}

/// From the text of wheels.h.
Vec3 wheels(const ParameterReader& p, const Vec3& rgb) {
    const double lift = 0.25 * p.number("shadows.level"), bend = 0.7 * p.number("midtones.level"),
                 gain = 0.35 * p.number("highlights.level"), offset = 0.2 * p.number("whole.level");
    const double soft = p.number("softness"), dark = p.number("shadows.pivot"),
                 light = std::max(p.number("highlights.pivot"), dark);
    const auto colour = [&](const std::string& range) {
        return scaled(hueDirection(p.number(range + ".hue")), 0.25 * p.number(range + ".amount"));
    };
    const Vec3 s = colour("shadows"), m = colour("midtones"), h = colour("highlights"), w = colour("whole");
    const auto tone = [&](double v) {
        v += lift * (1 - v);
        if (v < 0)
            v *= 1 + bend; // the parabola's slope at 0
        else if (v > 1)
            v = 1 + (v - 1) * (1 - bend); // and at 1
        else
            v += bend * v * (1 - v);
        return v * (1 + gain) + offset;
    };
    const auto all = [&](const Vec3& in, double scale) {
        const double y = 0.2126 * in[0] + 0.7152 * in[1] + 0.0722 * in[2];
        const double ws = 1 - smoothstep(dark - soft, dark + soft, y), wh = smoothstep(light - soft, light + soft, y);
        Vec3 out;
        for (std::size_t k = 0; k < 3; ++k)
            out[k] = tone(in[k]) + scale * (ws * s[k] + (1 - ws - wh) * m[k] + wh * h[k]) + w[k];
        return out;
    };
    return held(all(rgb, foldGuard([&](double v, double scale) { return all({v, v, v}, scale); })));
}

/// From the text of split_tone.h.
Vec3 splitTone(const ParameterReader& p, const Vec3& rgb) {
    const double crossing = 0.5 - 0.35 * p.number("balance");
    const auto colour = [&](const std::string& range) {
        return scaled(hueDirection(p.number(range + ".hue")), 0.35 * p.number(range + ".amount"));
    };
    const Vec3 s = colour("shadows"), h = colour("highlights");
    const auto all = [&](const Vec3& in, double scale) {
        const double y = 0.2126 * in[0] + 0.7152 * in[1] + 0.0722 * in[2];
        const double wh = smoothstep(crossing - 0.35, crossing + 0.35, y);
        const double ends = p.toggle("hold") ? smoothstep(0, 0.15, y) * (1 - smoothstep(0.85, 1, y)) : 1;
        Vec3 out;
        for (std::size_t k = 0; k < 3; ++k) out[k] = in[k] + scale * ends * ((1 - wh) * s[k] + wh * h[k]);
        return out;
    };
    return held(all(rgb, foldGuard([&](double v, double scale) { return all({v, v, v}, scale); })));
}

/// From the text of hue_bands.h.
Vec3 hueBands(const ParameterReader& p, const Vec3& linear) {
    return throughOklab(linear, [&](Vec3& lab, double chroma, double fade) {
        double sum = 0, shift = 0, gain = 0, light = 0;
        for (int i = 1; i <= 12; ++i) {
            const std::string id = "band" + std::to_string(i) + ".";
            const double turn = p.number(id + "shift"), saturation = p.number(id + "saturation"),
                         lightness = p.number(id + "lightness");
            const double w =
                windowOf(p.number(id + "centre"), p.number(id + "width"), p.number(id + "feather"), lab, chroma);
            const double most = std::max({std::abs(turn) / 60, std::abs(saturation), std::abs(lightness)});
            sum += w * smoothstep(0, 0.05, most), shift += w * turn * M_PI / 180, gain += w * saturation,
                light += w * lightness;
        }
        const double share = fade / std::max(sum, 1.0), turn = shift * share, stretch = 1 + gain * share;
        const double a = lab[1], b = lab[2];
        lab[1] = stretch * (a * std::cos(turn) - b * std::sin(turn));
        lab[2] = stretch * (a * std::sin(turn) + b * std::cos(turn));
        lab[0] += light * share * 0.25 * smoothstep(0, 0.15, chroma);
    });
}

/// From the text of monochrome.h.
Vec3 monochrome(const ParameterReader& p, const Vec3& linear) {
    const std::pair<const char*, double> families[] = {{"red", 29},     {"orange", 60},  {"yellow", 105},
                                                       {"green", 142},  {"cyan", 195},   {"blue", 255},
                                                       {"violet", 300}, {"magenta", 345}};
    const double amount = p.number("amount"), hue = p.number("tint.hue") * M_PI / 180,
                 reach = 0.08 * p.number("tint.amount");
    return throughOklab(linear, [&](Vec3& lab, double chroma, double fade) {
        double sum = 0, light = 0;
        for (const auto& [family, centre] : families) {
            const double lightness = p.number(std::string(family) + ".lightness") * p.number("filter");
            const double w = windowOf(centre, 20, 40, lab, chroma);
            sum += w * smoothstep(0, 0.05, std::abs(lightness)), light += w * lightness;
        }
        const double l = lab[0] + light / std::max(sum, 1.0) * 0.35 * fade * smoothstep(0, 0.15, chroma);
        const double inside = std::clamp(l, 0.0, 1.0), tint = 4 * inside * (1 - inside);
        lab[0] += (l - lab[0]) * amount;
        lab[1] += (tint * reach * std::cos(hue) - lab[1]) * amount;
        lab[2] += (tint * reach * std::sin(hue) - lab[2]) * amount;
    });
}

/// From the text of push_table.h.
Vec3 pushTable(const ParameterReader& p, Vec3 v) {
    const double before = luma(v[0], v[1], v[2]), y = std::clamp(before, 0.0, 1.0);
    const Vec3 lab = oklabFromLinear(each(v, srgbToLinear));
    const double chroma = std::hypot(lab[1], lab[2]), fade = fadeOf(lab[0], chroma);
    double up[4] = {}, down[4] = {};
    for (int i = 1; i <= 8; ++i) {
        const std::string id = "row" + std::to_string(i) + ".";
        const double low = p.number(id + "low"), high = std::max(low, p.number(id + "high")),
                     soft = p.number(id + "softness");
        const double w =
            p.choice(id + "kind") == "hues"
                ? windowOf(p.number(id + "centre"), p.number(id + "width"), p.number(id + "feather"), lab, chroma) *
                      fade
                : smoothstep(low - soft, low, y) * (1 - smoothstep(high, high + soft, y));
        const double amounts[] = {p.number(id + "cyan.red"), p.number(id + "magenta.green"),
                                  p.number(id + "yellow.blue"), -p.number(id + "density")}; // denser goes down
        for (int k = 0; k < 4; ++k) (amounts[k] > 0 ? up[k] : down[k]) += w * std::abs(amounts[k]);
    }
    const auto pushed = [](double value, double more, double less) {
        const double inside = std::clamp(value, 0.0, 1.0);
        return value + 0.5 * std::min(more, 1.0) * (1 - inside) - 0.5 * std::min(less, 1.0) * inside;
    };
    for (std::size_t k = 0; k < 3; ++k) v[k] = pushed(v[k], up[k], down[k]);
    if (p.toggle("hold.luma")) {
        const double back = before - luma(v[0], v[1], v[2]);
        for (double& channel : v) channel += back;
    }
    for (double& channel : v) channel = pushed(channel, up[3], down[3]);
    return held(v);
}

/// From the text of tone_curve.h.
Vec3 tone(const ParameterReader& p, Vec3 v) {
    Curve points;
    for (int i = 0; i <= 12; ++i) {
        const double x = i / 12.0, m = 1 - x;
        double to = x + 0.45 * p.number("contrast") * (x - p.number("pivot")) * 4 * x * m;
        to += 0.20 * p.number("shadows") * 12.2 * x * m * m * m * m;
        to += 0.20 * p.number("highlights") * 12.2 * m * x * x * x * x;
        to += 0.15 * p.number("black.end") * std::pow(m, 6) + 0.15 * p.number("white.end") * std::pow(x, 6);
        if (i > 0) to = std::max(to, points.back().y + 0.08 / 12);
        points.push_back({x, to});
    }
    const double y = luma(v[0], v[1], v[2]), bent = std::clamp(Spline(points)(y), -64.0, 64.0);
    const double t = std::max(bent - 0.7, 0.0) / 0.3,
                 f = bent > 0.7 ? 0.7 + 0.3 * t / (1 + p.number("roll.off") * t) : bent;
    const double scaled = smoothstep(0.04, 0.16, y), gain = f / std::max(y, 0.04);
    for (double& channel : v) channel += (f - y) + scaled * (channel * gain - channel - (f - y));
    const double most = std::max({v[0], v[1], v[2]}), over = std::max(most - std::max(1.0, f), 0.0);
    const double keep = 1 - 0.5 * over / std::max(most - f, 1e-4);
    for (double& channel : v) channel = f + (channel - f) * keep;
    return held(v);
}

/// From the text of levels.h: one channel.
double levelled(const ParameterReader& p, const std::string& id, double v) {
    const double black = p.number(id + ".in.black"), power = 1 / p.number(id + ".gamma"), offset = 0.01;
    const double t = (v - black) / std::max(p.number(id + ".in.white") - black, 0.2);
    const double low = std::pow(offset, power), range = std::pow(1 + offset, power) - low;
    const auto slope = [&](double at) { return power * std::pow(at + offset, power - 1) / range; };
    const double u = t < 0   ? t * slope(0)
                     : t > 1 ? 1 + (t - 1) * slope(1)
                             : (std::pow(t + offset, power) - low) / range;
    const double from = p.number(id + ".out.black");
    return std::clamp(from + u * (p.number(id + ".out.white") - from), -64.0, 64.0);
}

Vec3 levels(const ParameterReader& p, Vec3 v) {
    const char* ids[] = {"r", "g", "b"};
    for (std::size_t k = 0; k < 3; ++k) v[k] = levelled(p, ids[k], levelled(p, "rgb", v[k]));
    return v;
}

/// From the text of gradient_map.h.
Vec3 gradientMap(const ParameterReader& p, const Vec3& v) {
    std::vector<std::pair<double, Vec3>> stops;
    for (int i = 1; i <= static_cast<int>(p.number("stops")); ++i) {
        const std::string id = "stop" + std::to_string(i) + ".";
        stops.push_back({p.number(id + "position"), {p.number(id + "r"), p.number(id + "g"), p.number(id + "b")}});
    }
    std::stable_sort(stops.begin(), stops.end(), [](const auto& a, const auto& b) { return a.first < b.first; });
    const std::string space = p.choice("space");
    const auto colourAt = [&](double y) {
        if (y <= stops.front().first) return stops.front().second;
        for (std::size_t i = 1; i < stops.size(); ++i) {
            if (y > stops[i].first) continue;
            const double t =
                std::min(1.0, (y - stops[i - 1].first) / std::max(stops[i].first - stops[i - 1].first, 1e-3));
            Vec3 a = stops[i - 1].second, b = stops[i].second;
            if (space != "encoded") a = each(a, srgbToLinear), b = each(b, srgbToLinear);
            if (space == "oklab") a = oklabFromLinear(a), b = oklabFromLinear(b);
            Vec3 mixed;
            for (std::size_t k = 0; k < 3; ++k) mixed[k] = a[k] * (1 - t) + b[k] * t;
            if (space == "oklab") mixed = linearFromOklab(mixed);
            return space == "encoded" ? mixed : each(mixed, linearToSrgb);
        }
        return stops.back().second;
    };
    const double at = std::clamp(luma(v[0], v[1], v[2]), 0.0, 1.0) * 1024, step = std::min(std::floor(at), 1023.0);
    const Vec3 low = colourAt(step / 1024), high = colourAt((step + 1) / 1024);
    Vec3 colour, out;
    for (std::size_t k = 0; k < 3; ++k) colour[k] = low[k] + (high[k] - low[k]) * (at - step);
    const Vec3 laid = blended(blendModeFrom(p.choice("blend")), v, colour);
    for (std::size_t k = 0; k < 3; ++k) out[k] = v[k] + (laid[k] - v[k]) * p.number("amount");
    return held(out);
}

Vec3 channelMix(const ParameterReader& p, const Vec3& v) {
    const char* names[] = {"red", "green", "blue"};
    Vec3 out;
    for (std::size_t to = 0; to < 3; ++to) {
        const std::string id = names[to];
        double sum = 0, shares = 0;
        for (std::size_t from = 0; from < 3; ++from) {
            const double share = p.number(id + ".from." + names[from]);
            sum += share * v[from], shares += share;
        }
        out[to] = sum / (p.toggle("keep.sums") ? std::max(shares, 0.25) : 1) + p.number(id + ".offset");
    }
    return held(out);
}

Vec3 vignette(const ParameterReader& p, const Vec3& linear, double x, double y, double aspect) {
    const double turn = p.number("turn") * M_PI / 180;
    const double u = (x - p.number("centre.x")) * aspect, v = y - p.number("centre.y");
    const double ex = (u * std::cos(turn) + v * std::sin(turn)) / (p.number("radius.x") * aspect / 2);
    const double ey = (v * std::cos(turn) - u * std::sin(turn)) / (p.number("radius.y") / 2);
    const double f = p.number("falloff");
    const double w = smoothstep(1 - f, 1 + f, std::hypot(ex, ey));
    const double keep = 1 - p.number("spare") * smoothstep(0.2, 1, luma(linear[0], linear[1], linear[2]));
    return scaled(linear, std::exp2(p.number("stops") * w * keep));
}

Vec3 bars(const ParameterReader& p, const Vec3& v, double x, double y, double aspect, double pixel) {
    const std::string ratio = p.choice("ratio");
    const double open =
        ratio == "own" ? p.number("proportions") : std::stod(ratio) / std::stod(ratio.substr(ratio.find(':') + 1));
    // How much of a pixel lies within the opening along a side; where the opening is the whole side, all of it.
    const auto within = [&](double middle, double size, double width) {
        if (width >= 1) return 1.0;
        const double low = (1 - width) * p.number("place");
        return std::clamp((std::min(middle + size / 2, low + width) - std::max(middle - size / 2, low)) / size, 0.0,
                          1.0);
    };
    const double share = within(x, pixel, open / aspect) * within(y, pixel * aspect, aspect / open);
    const double hue = p.number("hue") * M_PI / 180, chroma = 0.15 * p.number("tint");
    Vec3 colour = linearFromOklab({p.number("lightness"), chroma * std::cos(hue), chroma * std::sin(hue)}), out;
    for (std::size_t k = 0; k < 3; ++k) {
        colour[k] = std::clamp(colour[k], 0.0, 1.0);
        out[k] = share >= 1 ? v[k] : linearToSrgb(colour[k] + share * (srgbToLinear(v[k]) - colour[k]));
    }
    return out;
}

/// From the text of fill.cpp.
Vec3 fill(const ParameterReader& p, double x, double y, double aspect) {
    const auto colour = [&](const std::string& of) {
        const double hue = p.number(of + "hue") * M_PI / 180, chroma = 0.2 * p.number(of + "chroma");
        Vec3 c = linearFromOklab({p.number(of + "lightness"), chroma * std::cos(hue), chroma * std::sin(hue)});
        for (double& v : c) v = linearToSrgb(std::clamp(v, 0.0, 1.0));
        return c;
    };
    const Vec3 first = colour("");
    if (p.choice("fill") == "colour") return first;
    const Vec3 second = colour("to.");
    const double a = p.number("turn") * M_PI / 180;
    const double t = ((x - 0.5) * aspect * std::sin(a) + (y - 0.5) * std::cos(a)) /
                         (aspect * std::abs(std::sin(a)) + std::abs(std::cos(a))) +
                     0.5;
    const double part = std::clamp((t - p.number("start")) / (p.number("end") - p.number("start")), 0.0, 1.0);
    Vec3 out;
    for (std::size_t k = 0; k < 3; ++k) out[k] = first[k] + part * (second[k] - first[k]);
    return out;
}

} // namespace

Vec3 reference(const Stage& stage, const Vec3& rgb, double x, double y, double aspect, double pixel) {
    const ParameterReader p(*findStageType(stage.type), stage);
    if (stage.type == "exposure") return scaled(rgb, std::exp2(p.number("stops")));
    if (stage.type == "white-balance") return whiteBalanceMatrix(p.number("temperature"), p.number("tint")) * rgb;
    if (stage.type == "curves") return curves(p, rgb);
    if (stage.type == "saturation") return saturation(p, rgb);
    if (stage.type == "vignette") return vignette(p, rgb, x, y, aspect);
    if (stage.type == "fill") return fill(p, x, y, aspect);
    if (stage.type == "bars") return bars(p, rgb, x, y, aspect, pixel);
    if (stage.type == "lut") return throughLut(p, rgb);
    if (stage.type == "wheels") return wheels(p, rgb);
    if (stage.type == "split-tone") return splitTone(p, rgb);
    if (stage.type == "film-response") return FilmReference(p)(rgb);
    if (stage.type == "gamut") return gamut(p, rgb);
    if (stage.type == "hue-bands") return hueBands(p, rgb);
    if (stage.type == "monochrome") return monochrome(p, rgb);
    if (stage.type == "push-table") return pushTable(p, rgb);
    if (stage.type == "tone") return tone(p, rgb);
    if (stage.type == "levels") return levels(p, rgb);
    if (stage.type == "gradient-map") return gradientMap(p, rgb);
    if (stage.type == "channel-mix") return channelMix(p, rgb);
    // Their matrices have tests of their own.
    if (stage.type == "warmth" || stage.type == "primaries") return *kernelOf(stage).matrix * rgb;
    ADD_FAILURE() << "there is no reference for " << stage.type;
    return rgb;
}

} // namespace baryton::test
