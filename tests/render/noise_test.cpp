// Noise: what a sensor adds by chance.
#include "lut/accelerate.h"
#include "render/plan.h"
#include "render/view.h"
#include "stages/measured_noise.h"
#include "stages/noise.h"
#include "support/dispatch.h"
#include "support/samples.h"

#include <algorithm>
#include <cmath>

namespace baryton::test {

namespace {

Grade noiseOf(double luma, double colour) {
    Grade grade;
    grade.prep.push_back(makeStage(grade, "noise"));
    grade.prep.front().parameters = {{"luma", luma}, {"colour", colour}};
    return grade;
}

/// Grey with edges and a fine weave, and what a sensor of each channel adds to it.
Picture clean(int width, int height) {
    Picture picture(width, height);
    for (int y = 0; y < height; ++y)
        for (int x = 0; x < width; ++x) {
            float v = x < width / 2 ? 0.3F : 0.65F;
            if (y > height / 2 && x % 4 < 2) v += 0.2F; // well above the noise
            for (int k = 0; k < 3; ++k) picture.row(k, y)[x] = v;
        }
    return picture;
}
Picture noisy(const Picture& picture, double sigma, unsigned seed) {
    Picture out = picture;
    Random random(seed);
    std::normal_distribution<float> normal(0, static_cast<float>(sigma));
    for (int k = 0; k < 3; ++k)
        for (int y = 0; y < out.height(); ++y)
            for (int x = 0; x < out.width(); ++x) out.row(k, y)[x] += normal(random);
    return out;
}

double lumaAt(const Picture& p, int x, int y) {
    return 0.2126 * double(p.row(0, y)[x]) + 0.7152 * double(p.row(1, y)[x]) + 0.0722 * double(p.row(2, y)[x]);
}

struct Spread {
    double mean = 0, deviation = 0;
};
template <class Value>
Spread spreadOf(const PixelRect& rect, Value value) {
    double sum = 0, squares = 0;
    for (int y = rect.y; y < rect.y + rect.height; ++y)
        for (int x = rect.x; x < rect.x + rect.width; ++x) {
            const double v = value(x, y);
            sum += v, squares += v * v;
        }
    const double n = double(rect.width) * rect.height;
    return {sum / n, std::sqrt(std::max(0.0, squares / n - sum / n * (sum / n)))};
}

/// The formula of noise.h for one plane, past whose edges the last pixel repeats.
std::vector<double> left(const std::vector<double>& plane, int width, int height, const std::vector<double>& t) {
    // Enough around it that edges of the levels above the first are those of the repeated plane.
    const int margin = 2 * ((1 << t.size()) - 1), wide = width + 2 * margin, high = height + 2 * margin;
    std::vector<double> c(static_cast<std::size_t>(wide * high)), result(plane.size());
    const auto at = [&](std::vector<double>& p, int x, int y) -> double& {
        return p[static_cast<std::size_t>(std::clamp(y, 0, high - 1) * wide + std::clamp(x, 0, wide - 1))];
    };
    for (int y = 0; y < high; ++y)
        for (int x = 0; x < wide; ++x)
            at(c, x, y) = plane[static_cast<std::size_t>(std::clamp(y - margin, 0, height - 1) * width +
                                                         std::clamp(x - margin, 0, width - 1))];
    constexpr double taps[] = {1 / 16.0, 4 / 16.0, 6 / 16.0, 4 / 16.0, 1 / 16.0};
    for (std::size_t level = 0; level < t.size(); ++level) {
        std::vector<double> next(c.size());
        for (int y = 0; y < high; ++y)
            for (int x = 0; x < wide; ++x)
                for (int j = -2; j <= 2; ++j)
                    for (int i = -2; i <= 2; ++i)
                        at(next, x, y) +=
                            taps[i + 2] * taps[j + 2] * at(c, x + i * (1 << level), y + j * (1 << level));
        for (int y = 0; y < height; ++y)
            for (int x = 0; x < width; ++x) {
                const double w = at(c, x + margin, y + margin) - at(next, x + margin, y + margin);
                result[static_cast<std::size_t>(y * width + x)] +=
                    w == 0 ? 0 : w * std::max(0.0, 1 - std::pow(t[level] / w, 4));
            }
        c = next;
    }
    for (int y = 0; y < height; ++y)
        for (int x = 0; x < width; ++x)
            result[static_cast<std::size_t>(y * width + x)] += at(c, x + margin, y + margin);
    return result;
}

} // namespace

TEST(Noise, IsItsFormulaAtEveryDispatchLevel) {
    const int width = 53, height = 41;
    const Picture source = noisy(clean(width, height), 0.05, 3);
    std::vector<double> planes[3];
    for (int y = 0; y < height; ++y)
        for (int x = 0; x < width; ++x) {
            const double luma = lumaAt(source, x, y);
            planes[0].push_back(luma);
            planes[1].push_back(double(source.row(0, y)[x]) - luma);
            planes[2].push_back(double(source.row(2, y)[x]) - luma);
        }
    const double a = 0.6, b = 0.5;
    const auto y = left(planes[0], width, height, {0.15 * a * a * 0.80, 0.15 * a * a * 0.35, 0.15 * a * a * 0.16});
    const std::vector<double> shares{0.25 * b * b * 0.80, 0.25 * b * b * 0.45, 0.25 * b * b * 0.25,
                                     0.25 * b * b * 0.13};
    const auto red = left(planes[1], width, height, shares), blue = left(planes[2], width, height, shares);
    const Program program = Program::compile(noiseOf(a, b));
    atEveryDispatchLevel([&] {
        const Picture out = program.graded(source);
        for (int row = 0; row < height; ++row)
            for (int x = 0; x < width; ++x) {
                const auto i = static_cast<std::size_t>(row * width + x);
                EXPECT_NEAR(out.row(0, row)[x], y[i] + red[i], 3e-6) << x << ", " << row;
                EXPECT_NEAR(out.row(2, row)[x], y[i] + blue[i], 3e-6);
                EXPECT_NEAR(lumaAt(out, x, row), y[i], 3e-6);
            }
    });
}

TEST(Noise, GoesFromEvenPartsAndLeavesEdgesAndStructure) {
    const int side = 256;
    const Picture known = clean(side, side), source = noisy(known, 0.02, 5);
    const Picture out = Program::compile(noiseOf(0.5, 0.5)).graded(source);
    const PixelRect even{20, 10, 90, 100}, weave{20, 150, 90, 90};
    const auto luma = [](const Picture& p) { return [&p](int x, int y) { return lumaAt(p, x, y); }; };
    const auto redness = [](const Picture& p) {
        return [&p](int x, int y) { return double(p.row(0, y)[x]) - lumaAt(p, x, y); };
    };
    EXPECT_LT(spreadOf(even, luma(out)).deviation, 0.35 * spreadOf(even, luma(source)).deviation);
    EXPECT_LT(spreadOf(even, redness(out)).deviation, 0.25 * spreadOf(even, redness(source)).deviation);
    EXPECT_NEAR(spreadOf(even, luma(out)).mean, spreadOf(even, luma(source)).mean, 5e-4);
    // The weave keeps its strength, and the edge its place and height.
    EXPECT_GT(spreadOf(weave, luma(out)).deviation, 0.95 * spreadOf(weave, luma(known)).deviation);
    double before = 0, after = 0;
    for (int y = 10; y < 110; ++y)
        before += lumaAt(known, side / 2, y) - lumaAt(known, side / 2 - 1, y),
            after += lumaAt(out, side / 2, y) - lumaAt(out, side / 2 - 1, y);
    EXPECT_NEAR(after / before, 1, 0.03);
    // Colour alone leaves brightness as it is.
    const Picture colour = Program::compile(noiseOf(0, 0.6)).graded(source);
    for (int y = 0; y < side; y += 7)
        for (int x = 0; x < side; ++x) EXPECT_NEAR(lumaAt(colour, x, y), lumaAt(source, x, y), 2e-6);
}

TEST(Noise, IsTheSameBytesHoweverThePictureIsCut) {
    const Picture source = randomPicture(601, 203, 7); // more than a tile
    Grade grade = noiseOf(0.9, 0.8);
    grade.prep.push_back(makeStage(grade, "exposure"));
    grade.prep.back().parameters["stops"] = 0.5;
    grade.prep.front().strength = 0.7;
    const Program program = Program::compile(grade);
    const Plan plan(program, FrameMap::whole(source), source);
    EXPECT_EQ(plan.margin(), 30);
    const Picture whole = program.graded(source, 1);
    EXPECT_TRUE(sameBytes(program.graded(source, 3), whole));
    for (const PixelRect rect : {PixelRect{0, 0, 70, 40}, PixelRect{311, 90, 37, 23}, PixelRect{590, 190, 11, 13}}) {
        Picture part(rect.width, rect.height);
        plan.run(source, rect, into(part, rect.x, rect.y), 1);
        EXPECT_TRUE(sameBytes(part, cropped(whole, rect.x, rect.y, rect.width, rect.height))) << rect.x;
    }
}

TEST(Noise, ASmallerViewShowsWhatTheFileWillHave) {
    const Picture source = noisy(paintedPicture(1024, 768), 0.02, 9); // as of a small sensor in the evening
    const Program program = Program::compile(noiseOf(0.45, 0.6));
    const Picture file = program.graded(source);
    for (const int parts : {2, 3, 4, 8}) {
        const int width = 1024 / parts, height = 768 / parts;
        const Picture small = program.graded(scaledDown(source, width, height));
        EXPECT_LT(meanApart(small, scaledDown(file, width, height)), 0.5) << parts;
    }
    // Where the noise has gone into the averages there is nothing left to do.
    EXPECT_EQ(program.needs(1.0 / 32).margin, 0);
    EXPECT_GT(program.needs(0.25).margin, 0);
    EXPECT_LT(program.needs(0.25).margin, program.needs(1).margin);
}

TEST(MeasuredNoise, IsWhatWasAddedWhateverElseIsInThePicture) {
    // Half of it is even, half a weave far stronger than the noise.
    const Picture known = clean(512, 384);
    for (const double sigma : {0.004, 0.01, 0.03}) {
        const MeasuredNoise noise = measuredNoise(noisy(known, sigma, 13));
        ASSERT_TRUE(noise.isKnown);
        // White noise leaves 0.889 and 0.200 of itself in the two finest levels (Starck and Murtagh 1994).
        const double luma = sigma * std::sqrt(0.2126 * 0.2126 + 0.7152 * 0.7152 + 0.0722 * 0.0722);
        const double blueness = sigma * std::sqrt(0.2126 * 0.2126 + 0.7152 * 0.7152 + 0.9278 * 0.9278);
        EXPECT_NEAR(noise.luma[0] / (0.889 * luma), 1, 0.12) << sigma;
        EXPECT_NEAR(noise.colour[0] / (0.889 * blueness), 1, 0.12) << sigma;
        EXPECT_NEAR(noise.luma[1] / (0.200 * luma), 1, 0.2) << sigma;
    }
    const MeasuredNoise none = measuredNoise(known);
    ASSERT_TRUE(none.isKnown);
    EXPECT_EQ(noiseParametersFor(none), (std::map<std::string, Value>{{"luma", 0.0}, {"colour", 0.0}}));
    // Nothing but what is cut off at an end of the range, and less than a patch: nothing is said of them.
    Picture white(400, 300);
    for (int k = 0; k < 3; ++k)
        for (int y = 0; y < white.height(); ++y) std::fill_n(white.row(k, y), white.width(), 1.0F);
    EXPECT_FALSE(measuredNoise(white).isKnown);
    EXPECT_FALSE(measuredNoise(randomPicture(30, 500, 3)).isKnown);
}

TEST(MeasuredNoise, SetsAmountsThatTakeItOutAndLeaveStructure) {
    const Picture known = clean(512, 384);
    const PixelRect even{20, 10, 200, 150}, weave{20, 220, 200, 150};
    const auto luma = [](const Picture& p) { return [&p](int x, int y) { return lumaAt(p, x, y); }; };
    double before = 0;
    for (const double sigma : {0.004, 0.012, 0.03}) {
        const Picture source = noisy(known, sigma, 17);
        Grade grade = noiseOf(0, 0);
        for (const auto& [id, value] : noiseParametersFor(measuredNoise(source)))
            grade.prep.front().parameters[id] = value;
        const double amount = std::get<double>(grade.prep.front().parameters.at("luma"));
        EXPECT_GT(amount, before) << "more noise, more of it";
        before = amount;
        const Picture out = Program::compile(grade).graded(source);
        EXPECT_LT(spreadOf(even, luma(out)).deviation, 0.35 * spreadOf(even, luma(source)).deviation) << sigma;
        if (sigma < 0.02) // 0.2 peak to peak is six deviations and more
            EXPECT_GT(spreadOf(weave, luma(out)).deviation, 0.9 * spreadOf(weave, luma(known)).deviation) << sigma;
    }
}

TEST(Noise, StandsAheadOfWhatAMovingControlIsShownBy) {
    const Picture source = noisy(clean(300, 200), 0.04, 11);
    Grade grade = noiseOf(0.8, 0.8);
    grade.prep.push_back(makeStage(grade, "exposure"));
    grade.prep.back().parameters["stops"] = 0.4;
    EXPECT_LT(meanApart(Accelerator().accelerated(grade).graded(source), Program::compile(grade).graded(source)),
              0.6);
    EXPECT_GT(meanApart(Program::compile(grade).graded(source), Program::compile(noiseOf(0, 0)).graded(source)), 3);
    EXPECT_TRUE(Program::compile(noiseOf(0, 0)).isEmpty());
    EXPECT_EQ(leftOutOfLut(grade), std::vector<std::string>{"Noise"});
}

} // namespace baryton::test
