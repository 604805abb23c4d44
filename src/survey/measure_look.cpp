#include "survey/measure_look.h"
#include "colour/illuminant.h"
#include "colour/spaces.h"
#include "colour/transfer.h"
#include "render/detail.h"
#include "render/program.h"
#include "stages/stage_type.h"
#include "survey/scene_gain.h"
#include "survey/skin.h"

#include <algorithm>
#include <cmath>
#include <functional>
#include <numbers>

namespace baryton {

namespace {

constexpr float kHalfLevel = 0.5F / 255;
constexpr float kSmooth = 1.2F / 255;                     ///< between neighbours of a smooth area
constexpr float kNearBlack = 0.035F, kNearWhite = 0.955F; ///< luma of a source that had little left to lose
constexpr float kLights = 0.85F;                          ///< luma from which on a channel at its end is a burn
constexpr double kApart = 4;                              ///< levels between neighbouring levels that show as a band
constexpr double kFilled = 1.0 / 4000; ///< of the picture, from which on an area may be made of a level
constexpr double kSeen = 0.5;          ///< ΔE
constexpr double kIdleShare = 0.001;   ///< of the picture, up to which a change is none
constexpr double kNear = 0.06;         ///< OKLab, from a sampled colour
constexpr int kIdleSide = 120, kGlanceSide = 24;

Vec3 pixel(const Picture& p, int x, int y) {
    return {p.row(0, y)[x], p.row(1, y)[x], p.row(2, y)[x]};
}
double lowest(const Vec3& v) {
    return std::min({v[0], v[1], v[2]});
}
double highest(const Vec3& v) {
    return std::max({v[0], v[1], v[2]});
}
Vec3 held(Vec3 v) {
    for (double& c : v) c = std::clamp(c, 0.0, 1.0);
    return v;
}
Vec3 oklabOfPixel(const Vec3& v) {
    return oklabFromLinear({srgbToLinear(v[0]), srgbToLinear(v[1]), srgbToLinear(v[2])});
}

/// The luma of each pixel, held to 0…1, row after row.
std::vector<float> lumas(const Picture& p) {
    const auto width = static_cast<std::size_t>(p.width());
    std::vector<float> all(width * static_cast<std::size_t>(p.height()));
    constexpr float red = luma(1, 0, 0), green = luma(0, 1, 0), blue = luma(0, 0, 1);
    for (int y = 0; y < p.height(); ++y) {
        const float *r = p.row(0, y), *g = p.row(1, y), *b = p.row(2, y);
        float* out = all.data() + static_cast<std::size_t>(y) * width;
        for (std::size_t x = 0; x < width; ++x)
            out[x] = std::min(std::max(red * r[x] + green * g[x] + blue * b[x], 0.0F), 1.0F);
    }
    return all;
}

/// A picture before and after, and the lumas of both.
struct BeforeAfter {
    const Picture &in, &out;
    std::vector<float> lumaIn = lumas(in), lumaOut = lumas(out);
};

double clippedShare(const BeforeAfter& pair) {
    int count = 0;
    const int width = pair.in.width(), height = pair.in.height();
    for (int y = 0; y < height; ++y) {
        const float *red = pair.in.row(0, y), *green = pair.in.row(1, y), *blue = pair.in.row(2, y);
        const float *r = pair.out.row(0, y), *g = pair.out.row(1, y), *b = pair.out.row(2, y);
        const auto at = static_cast<std::ptrdiff_t>(y) * width;
        const float *was = pair.lumaIn.data() + at, *is = pair.lumaOut.data() + at;
        for (int x = 0; x < width; ++x) { // without branches: it is worked on in vectors
            const float highest = std::max(std::max(r[x], g[x]), b[x]);
            const float highestWas = std::max(std::max(red[x], green[x]), blue[x]);
            // One channel at its end in a deep colour is no loss that is seen; where folds go by it, they are
            // counted.
            const int isBlack = (highest < kHalfLevel) & (was[x] > kNearBlack);
            const int isWhite = (highest > 1 + kHalfLevel) & (is[x] > kLights) & (was[x] < kNearWhite) &
                                (highestWas < 1 - kHalfLevel);
            count += isBlack | isWhite;
        }
    }
    return double(count) / (double(width) * height);
}

/// By how much what differs a little between neighbours in smooth areas differs after it, level by level: with the
/// sign of the difference, so that grain and a vignette, which follow no tone, fall out.
double bandedShare(const BeforeAfter& pair) {
    struct Level {
        double before = 0, after = 0;
        int smooth = 0, all = 0;
    };
    std::array<Level, 256> levels;
    const auto width = static_cast<std::size_t>(pair.in.width()), height = static_cast<std::size_t>(pair.in.height());
    constexpr std::size_t every = 2; // a band is higher than a row
    for (std::size_t y = 0; y + 1 < height; y += every)
        for (std::size_t x = 0; x + 1 < width; ++x) {
            const std::size_t at = y * width + x;
            const float here = pair.lumaIn[at];
            Level& level = levels[static_cast<std::size_t>(255 * here + 0.5F)];
            ++level.all;
            bool isSmooth = true;
            for (const std::size_t next : {at + 1, at + width}) {
                const float step = pair.lumaIn[next] - here;
                isSmooth = isSmooth && std::abs(step) < kSmooth;
                if (std::abs(step) >= kSmooth) continue;
                level.before += std::abs(step);
                const float made = pair.lumaOut[next] - pair.lumaOut[at];
                level.after += step < 0 ? -made : made;
            }
            level.smooth += isSmooth;
        }
    double banded = 0;
    const auto pixels = double(width) * double(height / every);
    for (const Level& level : levels)
        if (level.all > pixels * kFilled && level.after > kApart * level.before) banded += level.smooth;
    return banded / pixels;
}

/// What becomes of the colours that `has` takes, from before the Look to what comes out.
ColourMeasure colourMeasure(const Picture& before, const Picture& out, const std::function<bool(const Vec3&)>& has) {
    ColourMeasure m;
    double turn = 0, turned = 0, chroma = 0, count = 0;
    constexpr int step = 3;
    double asked = 0;
    for (int y = 0; y < before.height(); y += step)
        for (int x = 0; x < before.width(); x += step) {
            const Vec3 was = pixel(before, x, y);
            ++asked;
            if (lowest(was) < 0 || highest(was) > 1 || !has(was)) continue;
            const Vec3 a = oklabOfPixel(was), b = oklabOfPixel(held(pixel(out, x, y)));
            const double chromaBefore = std::hypot(a[1], a[2]), chromaAfter = std::hypot(b[1], b[2]);
            ++count;
            chroma += chromaAfter / std::max(chromaBefore, 0.01);
            const double weight = std::min(chromaBefore, chromaAfter);
            turn += weight * std::remainder(std::atan2(b[2], b[1]) - std::atan2(a[2], a[1]), 2 * std::numbers::pi);
            turned += weight;
        }
    m.share = count / asked;
    if (count > 0) m.chroma = chroma / count;
    constexpr double grey = 0.01; // has no hue to speak of
    if (count > 0 && turned / count > grey) m.turn = turn / turned * 180 / std::numbers::pi;
    return m;
}

Picture heldPicture(const Picture& p) {
    Picture all(p.width(), p.height());
    for (int k = 0; k < 3; ++k)
        for (int y = 0; y < p.height(); ++y)
            std::transform(p.row(k, y), p.row(k, y) + p.width(), all.row(k, y),
                           [](float v) { return std::clamp(v, 0.0F, 1.0F); });
    return all;
}

/// log2 of red over blue cones that a mired makes, near daylight.
double warmthOfAMired() {
    static const double slope = [] {
        const auto ratio = [](double kelvin) {
            const Vec3 cones = kCat16 * illuminant(kelvin, 0);
            return std::log2(cones[0] / cones[2]);
        };
        return (ratio(1e6 / 200) - ratio(1e6 / 150)) / 50;
    }();
    return slope;
}

Picture sampledDown(const Picture& p, int longSide) {
    const int step = std::max(1, p.longSide() / longSide);
    Picture small((p.width() + step - 1) / step, (p.height() + step - 1) / step);
    small.setScale(p.scale() / step);
    for (int k = 0; k < 3; ++k)
        for (int y = 0; y < small.height(); ++y)
            for (int x = 0; x < small.width(); ++x) small.row(k, y)[x] = p.row(k, y * step)[x * step];
    return small;
}

/// How many pixels are seen to differ; not counted on from `most`.
std::size_t seenToDiffer(const Picture& whole, const Picture& other, std::size_t most) {
    std::size_t seen = 0;
    for (int y = 0; y < whole.height(); ++y)
        for (int x = 0; x < whole.width(); ++x) {
            const Vec3 a = held(pixel(whole, x, y)), b = held(pixel(other, x, y));
            constexpr double slight = 1e-3;
            if (std::max({std::abs(a[0] - b[0]), std::abs(a[1] - b[1]), std::abs(a[2] - b[2])}) <= slight) continue;
            seen += deltaE2000(labFromSrgb(a), labFromSrgb(b)) >= kSeen;
            if (seen >= most) return seen;
        }
    return seen;
}

std::vector<std::string> idleStages(const Grade& grade, const Picture& small, const Task* task) {
    std::vector<std::string> idle;
    const Picture few = sampledDown(small, kIdleSide), fewest = sampledDown(small, kGlanceSide);
    const Program program = Program::compile(grade);
    const Picture glance = program.graded(fewest, 1, task);
    Picture whole; // made where a glance does not do
    for (const StagePlace& place : stagePlaces(grade)) {
        const Stage& stage = stageAt(grade, place);
        const StageType* type = findStageType(stage.type);
        if (!type || place.part == Part::Prep || !stage.isEnabled() || isNeutral(stage)) continue;
        if (place.part == Part::Look && !grade.look[place.layer].isEnabled()) continue;
        // What works on pixels of the full size may do much there and nothing here.
        if (type->footprint == Footprint::Narrow || type->compileForPixels) continue;
        Grade without = grade;
        stageAt(without, place).enabled = false;
        const Program other = Program::compile(without);
        constexpr std::size_t plain = 8; // so many of so few pixels are no chance
        if (seenToDiffer(glance, other.graded(fewest, 1, task), plain) >= plain) continue;
        if (whole.isEmpty()) whole = program.graded(few, 1, task);
        const auto enough = static_cast<std::size_t>(kIdleShare * few.width() * few.height()) + 1;
        if (seenToDiffer(whole, other.graded(few, 1, task), enough) < enough) idle.push_back(stage.id);
    }
    return idle;
}

} // namespace

LookMeasure measureLook(const Grade& grade, const SurveyPicture& picture, const std::vector<Vec3>& sampled,
                        const Task* task, Picture* graded) {
    LookMeasure m;
    if (picture.small.isEmpty()) return m;
    if (task) task->throwIfCancelled();
    const Picture& source = picture.small;
    Grade prep;
    prep.prep = grade.prep;
    prep.picture = grade.picture;
    const Picture before = Program::compile(prep).graded(source, 1, task);
    const Picture out = Program::compile(grade).graded(source, 1, task);
    m.isMeasured = true;
    const BeforeAfter pair{source, out};
    m.clipped = clippedShare(pair);
    m.lost = lostDetail(detailOf(source), out).share;
    if (!picture.isFine) m.banded = bandedShare(pair);
    m.skin = colourMeasure(before, out, isSkin);
    for (const Vec3& colour : sampled) {
        const Vec3 lab = oklabOfPixel(colour);
        m.sampled.push_back(colourMeasure(before, out, [&lab, &colour](const Vec3& v) {
            constexpr double far = 0.25; // of the encoding: no need to ask closer
            if (std::abs(v[1] - colour[1]) > far || std::abs(v[0] - colour[0]) > far) return false;
            const Vec3 other = oklabOfPixel(v);
            return std::hypot(other[0] - lab[0], other[1] - lab[1], other[2] - lab[2]) < kNear;
        }));
    }
    const SceneLight light = sceneLight(heldPicture(out));
    m.lightness = light.luminance;
    m.warmth = (light.cones[0] - light.cones[2]) / warmthOfAMired();
    m.idle = idleStages(grade, source, task);
    if (graded) *graded = out;
    return m;
}

} // namespace baryton
