#include "lut/health.h"
#include "base/words.h"
#include "colour/spaces.h"
#include "colour/transfer.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace baryton {

namespace {

constexpr int kSide = 33;

double brightnessOf(const Vec3& v) {
    return luma(v[0], v[1], v[2]);
}

Vec3 oklabOf(const Vec3& encoded) {
    Vec3 linear{};
    for (std::size_t k = 0; k < 3; ++k) linear[k] = srgbToLinear(std::clamp(encoded[k], 0.0, 1.0));
    return oklabFromLinear(linear);
}

double degreesOf(double a, double b) {
    const double degrees = std::atan2(b, a) * 180 / std::numbers::pi;
    return degrees < 0 ? degrees + 360 : degrees;
}

/// A table in use, from sRGB to sRGB, for one colour.
class InUse {
public:
    InUse(const LutTable& table, const LutUse& use)
        : table_(table), use_(use), toReads_(toEncodingPrimaries(use.reads)),
          fromWrites_(inverse(toEncodingPrimaries(use.writes))) {}

    Vec3 operator()(const Vec3& encoded) const {
        if (use_.isPlain()) return looked(encoded);
        Vec3 linear{};
        for (std::size_t k = 0; k < 3; ++k) linear[k] = srgbToLinear(encoded[k]);
        Vec3 numbers = toReads_ * linear;
        for (double& v : numbers) v = encode(use_.reads, v);
        Vec3 light = looked(numbers);
        for (double& v : light) v = decode(use_.writes, v);
        light = fromWrites_ * light;
        for (double& v : light) v = linearToSrgb(v);
        return light;
    }

private:
    Vec3 looked(const Vec3& at) const { return applyLut(table_, at, use_.interpolation, use_.outside); }
    const LutTable& table_;
    LutUse use_;
    Mat3 toReads_, fromWrites_;
};

struct Colours {
    std::vector<Vec3> out;

    explicit Colours(const InUse& lut) : out(std::size_t(kSide) * kSide * kSide) {
        each([&](int r, int g, int b) { out[index(r, g, b)] = lut(in(r, g, b)); });
    }
    static Vec3 in(int r, int g, int b) { return {r / (kSide - 1.0), g / (kSide - 1.0), b / (kSide - 1.0)}; }
    static std::size_t index(int r, int g, int b) {
        return std::size_t(r) + kSide * (std::size_t(g) + kSide * std::size_t(b));
    }
    template <class F>
    static void each(F visit) {
        for (int b = 0; b < kSide; ++b)
            for (int g = 0; g < kSide; ++g)
                for (int r = 0; r < kSide; ++r) visit(r, g, b);
    }
};

void judgeEnds(LutHealth& health, const Colours& colours) {
    constexpr double end = 0.5 / 255;
    std::array<int, 3> low{}, high{};
    Colours::each([&](int r, int g, int b) {
        const Vec3 in = Colours::in(r, g, b), &out = colours.out[Colours::index(r, g, b)];
        for (std::size_t k = 0; k < 3; ++k) {
            low[k] += out[k] < end && in[k] > end;
            high[k] += out[k] > 1 - end && in[k] < 1 - end;
        }
    });
    for (std::size_t k = 0; k < 3; ++k) {
        health.clippedLow[k] = double(low[k]) / double(colours.out.size());
        health.clippedHigh[k] = double(high[k]) / double(colours.out.size());
    }
}

void judgeFolds(LutHealth& health, const Colours& colours) {
    constexpr double seen = 0.5 / 255;
    int folded = 0, steps = 0;
    double farthest = 0;
    Colours::each([&](int r, int g, int b) {
        const std::array<int, 3> place{r, g, b};
        for (std::size_t k = 0; k < 3; ++k) {
            if (place[k] + 1 == kSide) continue;
            std::array<int, 3> next = place;
            ++next[k];
            const double back =
                colours.out[Colours::index(r, g, b)][k] - colours.out[Colours::index(next[0], next[1], next[2])][k];
            ++steps;
            folded += back > seen;
            if (back > std::max(seen, farthest)) farthest = back, health.foldedAt = Colours::in(r, g, b);
        }
    });
    health.folded = double(folded) / steps;
}

void judgeGreys(LutHealth& health, const InUse& lut) {
    health.black = brightnessOf(lut({0, 0, 0})), health.white = brightnessOf(lut({1, 1, 1}));
    double before = health.black;
    for (int level = 0; level < 256; ++level) {
        const double v = level / 255.0;
        const Vec3 out = lut({v, v, v}), lab = oklabOf(out);
        const double chroma = std::hypot(lab[1], lab[2]);
        if (chroma > health.neutralDrift) {
            health.neutralDrift = chroma, health.neutralDriftAt = v;
            health.neutralDriftHue = degreesOf(lab[1], lab[2]);
        }
        const double step = 255 * std::abs(brightnessOf(out) - before);
        if (level > 0 && step > health.largestStep) health.largestStep = step, health.largestStepAt = v;
        before = brightnessOf(out);
    }
}

void judgeSkin(LutHealth& health, const InUse& lut) {
    double count = 0, turn = 0, chroma = 0, lightness = 0;
    for (double h = 35; h <= 75; h += 5)
        for (double c = 0.04; c <= 0.131; c += 0.03)
            for (double l = 0.4; l <= 0.851; l += 0.075) {
                const double angle = h * std::numbers::pi / 180;
                const Vec3 linear = linearFromOklab({l, c * std::cos(angle), c * std::sin(angle)});
                if (*std::min_element(linear.begin(), linear.end()) < 0 ||
                    *std::max_element(linear.begin(), linear.end()) > 1)
                    continue;
                const Vec3 lab =
                    oklabOf(lut({linearToSrgb(linear[0]), linearToSrgb(linear[1]), linearToSrgb(linear[2])}));
                const double after = std::hypot(lab[1], lab[2]);
                ++count;
                lightness += lab[0] - l, chroma += after / c;
                constexpr double grey = 0.01; // has no hue to speak of
                if (after > grey) turn += std::remainder(degreesOf(lab[1], lab[2]) - h, 360);
            }
    health.skinTurn = turn / count, health.skinChroma = chroma / count, health.skinLightness = lightness / count;
}

/// How far greys would be thrown, on the whole, if the table read its numbers in a space.
double throwOf(const LutTable& table, Encoding reads) {
    double sum = 0;
    int count = 0;
    for (double v = 0.05; v <= 0.951; v += 0.05, ++count) {
        const double number = encode(reads, srgbToLinear(v));
        sum += std::abs(brightnessOf(applyLut(table, {number, number, number})) - v);
    }
    return sum / count;
}

void judgeSpace(LutHealth& health, const LutTable& table) {
    const double asRead = throwOf(table, Encoding::Srgb);
    constexpr double far = 0.09; // more than looks do to greys
    double nearest = asRead / 2; // it must fit plainly better
    if (asRead < far) return;
    for (const Encoding each : {Encoding::Linear, Encoding::AcesCct})
        if (const double there = throwOf(table, each); there < nearest) nearest = there, health.seemsMadeFor = each;
}

// Texts stand in free functions, where the collector of texts finds them without a class.
const char* hueWord(double degrees) {
    // In OKLCh: red lies near 29°, yellow 110°, green 142°, cyan 195°, blue 264°, magenta 328°.
    if (degrees < 10 || degrees >= 345) return marked("pink");
    if (degrees < 45) return marked("red");
    if (degrees < 85) return marked("orange");
    if (degrees < 120) return marked("yellow");
    if (degrees < 170) return marked("green");
    if (degrees < 230) return marked("cyan");
    if (degrees < 290) return marked("blue");
    return marked("magenta");
}

const char* channelWord(std::size_t k) {
    return k == 0 ? marked("red") : k == 1 ? marked("green") : marked("blue");
}

/// Those that are plainly clipped, in words.
std::string clippedChannels(const std::array<double, 3>& shares) {
    constexpr double plain = 0.02;
    std::string channels;
    for (std::size_t k = 0; k < 3; ++k)
        if (shares[k] > plain) channels += (channels.empty() ? "" : ", ") + words(channelWord(k));
    return channels;
}

std::string spaceName(Encoding encoding) {
    return encodings()[static_cast<std::size_t>(encoding)].name;
}

std::vector<std::string> sentencesOn(const LutHealth& h) {
    std::vector<std::string> all;
    if (h.seemsMadeFor) // all else that it does comes of that
        return {inWords("it seems made for pictures in {}: read so it would leave greys where they are",
                        spaceName(*h.seemsMadeFor))};
    constexpr double plainlyFolded = 0.002;
    if (const std::string channels = clippedChannels(h.clippedHigh); !channels.empty())
        all.push_back(inWords("it clips {} at the light end, in up to {:.0f} % of all colours", channels,
                              100 * *std::max_element(h.clippedHigh.begin(), h.clippedHigh.end())));
    if (const std::string channels = clippedChannels(h.clippedLow); !channels.empty())
        all.push_back(inWords("it clips {} at the dark end, in up to {:.0f} % of all colours", channels,
                              100 * *std::max_element(h.clippedLow.begin(), h.clippedLow.end())));
    if (h.folded > plainlyFolded)
        all.push_back(inWords("it turns tones round at {:.1f} % of its steps, most at {:.2f} {:.2f} {:.2f}: what was "
                              "lighter becomes darker there",
                              100 * h.folded, h.foldedAt[0], h.foldedAt[1], h.foldedAt[2]));
    constexpr double largeStep = 4;
    if (h.largestStep > largeStep)
        all.push_back(inWords(
            "it draws neighbouring greys {:.0f} levels apart near {:.0f} %: a picture of 8 bits may show bands",
            h.largestStep, 100 * h.largestStepAt));
    constexpr double tinted = 0.02;
    if (h.neutralDrift > tinted)
        all.push_back(inWords("it tints greys, most at {:.0f} %, toward {}", 100 * h.neutralDriftAt,
                              words(hueWord(h.neutralDriftHue))));
    constexpr double plainTurn = 6;
    if (std::abs(h.skinTurn) > plainTurn)
        all.push_back(h.skinTurn > 0 ? inWords("it turns skin by {:.0f}° toward yellow", h.skinTurn)
                                     : inWords("it turns skin by {:.0f}° toward red", -h.skinTurn));
    if (h.skinChroma < 0.6 || h.skinChroma > 1.5)
        all.push_back(inWords("it makes skin {:.1f} times as colourful", h.skinChroma));
    return all;
}

} // namespace

LutHealth healthOf(const LutTable& table, const LutUse& use) {
    LutHealth health;
    const InUse lut(table, use);
    const Colours colours(lut);
    judgeEnds(health, colours);
    judgeFolds(health, colours);
    judgeGreys(health, lut);
    judgeSkin(health, lut);
    if (use.reads == Encoding::Srgb) judgeSpace(health, table);
    health.sentences = sentencesOn(health);
    return health;
}

} // namespace baryton
