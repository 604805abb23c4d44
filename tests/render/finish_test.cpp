// What lies over the whole frame: grain, halation, local contrast, bars.
#include "colour/spaces.h"
#include "colour/transfer.h"
#include "render/plan.h"
#include "render/view.h"
#include "stages/grain.h"
#include "support/dispatch.h"
#include "support/samples.h"
#include "support/sanitized.h"

#include <algorithm>
#include <cmath>
#include <complex>
#include <numbers>

namespace baryton::test {

namespace {

Picture evenPicture(int width, int height, float value) {
    Picture picture(width, height);
    for (int k = 0; k < 3; ++k)
        for (int y = 0; y < height; ++y) std::fill_n(picture.row(k, y), width, value);
    return picture;
}

Picture throughFinish(const Grade& grade, const Picture& source) {
    return Program::compile(grade).graded(source);
}

/// Light of one plane, less its mean, as a share of it.
std::vector<std::vector<double>> variation(const Picture& picture, int plane) {
    std::vector<std::vector<double>> rows(static_cast<std::size_t>(picture.height()));
    double sum = 0;
    for (int y = 0; y < picture.height(); ++y)
        for (int x = 0; x < picture.width(); ++x) {
            rows[static_cast<std::size_t>(y)].push_back(srgbToLinear(picture.row(plane, y)[x]));
            sum += rows[static_cast<std::size_t>(y)].back();
        }
    const double mean = sum / (double(picture.width()) * picture.height());
    for (auto& row : rows)
        for (double& v : row) v = v / mean - 1;
    return rows;
}

double correlation(const std::vector<std::vector<double>>& a, const std::vector<std::vector<double>>& b, int dx = 0,
                   int dy = 0) {
    double ab = 0, aa = 0, bb = 0;
    for (std::size_t y = 0; y + static_cast<std::size_t>(dy) < a.size(); ++y)
        for (std::size_t x = 0; x + static_cast<std::size_t>(dx) < a[y].size(); ++x) {
            const double u = a[y][x], v = b[y + static_cast<std::size_t>(dy)][x + static_cast<std::size_t>(dx)];
            ab += u * v, aa += u * u, bb += v * v;
        }
    return ab / std::sqrt(aa * bb);
}

/// Power in bands of frequency along the rows (cycles per pixel up to a half), mean over all rows.
std::vector<double> powerAlong(const std::vector<std::vector<double>>& rows, int bands) {
    std::vector<double> power(static_cast<std::size_t>(bands));
    const std::size_t n = rows[0].size();
    for (const auto& row : rows)
        for (std::size_t f = 1; f < n / 2; ++f) {
            std::complex<double> sum = 0;
            const std::complex<double> turn = std::polar(1.0, -2 * std::numbers::pi * double(f) / double(n));
            std::complex<double> at = 1;
            for (const double v : row) sum += v * at, at *= turn;
            power[f * 2 * static_cast<std::size_t>(bands) / n] += std::norm(sum) / (double(n) * double(rows.size()));
        }
    return power;
}

/// The variance that B-spline noise of variance 1 keeps in pixels of `pixel` cells, along one side:
/// ∫ (h − |x|) / h² · β₇(x) / β₇(0) dx over −h…h, where β₇ is the cubic B-spline convolved with itself.
double varianceLeft(double pixel) {
    const auto beta7 = [](double x) {
        double sum = 0, binomial = 1;
        for (int k = 0; k < 8; ++k) {
            sum += (k % 2 == 0 ? 1 : -1) * binomial * std::pow(std::max(4 - std::abs(x) - k, 0.0), 7);
            binomial = binomial * (8 - k) / (k + 1);
        }
        return sum / 5040;
    };
    double sum = 0;
    constexpr int steps = 2000;
    for (int i = 0; i < steps; ++i) {
        const double x = (i + 0.5) / steps * pixel;
        sum += (pixel - x) * beta7(x) * pixel / steps;
    }
    return 2 * sum / (pixel * pixel) / beta7(0);
}

} // namespace

TEST(Grain, IsTheSameAtHalfTheSize) {
    // The frame stands for 24 megapixels by the size of its grain: 2.4 pixels.
    const Picture full = evenPicture(768, 512, 0.5F), half = evenPicture(384, 256, 0.5F);
    for (const double clumping : {0.0, 0.6}) {
        if (kSanitized && clumping == 0.0) continue;
        const Grade grade =
            finishOf({{"grain", {{"amount", 0.5}, {"size", 3.0}, {"clumping", clumping}, {"colour", 0.0}}}});
        const auto large = variation(scaledDown(throughFinish(grade, full), 384, 256), 1),
                   small = variation(throughFinish(grade, half), 1);
        EXPECT_GT(correlation(large, small), 0.998);
        const auto a = powerAlong(large, 6), b = powerAlong(small, 6);
        for (std::size_t band = 0; band < a.size(); ++band)
            EXPECT_NEAR(b[band] / a[band], 1, 0.05) << "band " << band << " clumping " << clumping;
    }
}

TEST(Grain, AnswersToToneAlikeAtEverySizeAndKeepsTheMeanOfLight) {
    for (const float tone : {0.1F, 0.3F, 0.6F, 0.9F}) {
        const Grade grade = finishOf({{"grain", {{"amount", 0.6}, {"size", 3.0}, {"colour", 0.0}}}});
        const Picture full = throughFinish(grade, evenPicture(768, 512, tone)),
                      half = throughFinish(grade, evenPicture(384, 256, tone));
        const auto deviation = [](const Picture& p) {
            double sum = 0, squares = 0;
            for (int y = 0; y < p.height(); ++y)
                for (int x = 0; x < p.width(); ++x) {
                    const double light = srgbToLinear(p.row(1, y)[x]);
                    sum += light, squares += light * light;
                }
            const double n = double(p.width()) * p.height(), mean = sum / n;
            return std::pair(mean, std::sqrt(squares / n - mean * mean));
        };
        const auto large = deviation(scaledDown(full, 384, 256)), small = deviation(half);
        EXPECT_NEAR(small.second / large.second, 1, 0.05) << tone;
        const double light = srgbToLinear(tone);
        EXPECT_NEAR(deviation(full).first / light, 1, 0.01) << tone;
        EXPECT_NEAR(small.first / light, 1, 0.01) << tone;
        // Granularity by the root of density: k = ln 10 · amount · √D of a field whose variance is known.
        const double k = std::log(10) * 0.6 * double(GrainConstants::kMostAmount) * std::sqrt(-std::log10(light));
        double variance = 0, shares = 0;
        for (int i = 0; i < GrainConstants::kOctaves; ++i) {
            const double share = std::pow(0.4, 2 * i), cells = 2000 / 3.0 / std::pow(GrainConstants::kOctaveStep, i);
            variance += share * std::pow(varianceLeft(cells / 768), 2), shares += share;
        }
        const double spread = deviation(full).second / light; // of exp(−k·n − k²v/2)
        EXPECT_NEAR(spread, std::sqrt(std::exp(k * k * variance / shares) - 1), 0.05 * spread) << tone;
    }
}

TEST(Grain, LeavesBlackAndWhiteAndGreyAlone) {
    for (const float end : {0.0F, 1.0F, -0.2F, 1.7F}) {
        const Picture even = evenPicture(100, 60, end);
        EXPECT_LT(
            largestDifference(throughFinish(finishOf({{"grain", {{"amount", 1.0}, {"colour", 1.0}}}}), even), even),
            2e-4)
            << end;
    }
    const Picture grey = evenPicture(300, 200, 0.4F);
    const Picture out = throughFinish(finishOf({{"grain", {{"amount", 1.0}, {"colour", 0.0}}}}), grey);
    double coloured = 0;
    const Picture layers = throughFinish(finishOf({{"grain", {{"amount", 1.0}, {"colour", 1.0}}}}), grey);
    for (int y = 0; y < 200; ++y)
        for (int x = 0; x < 300; ++x) {
            ASSERT_EQ(out.row(0, y)[x], out.row(1, y)[x]);
            ASSERT_EQ(out.row(2, y)[x], out.row(1, y)[x]);
            coloured = std::max(coloured, std::abs(double(layers.row(0, y)[x]) - double(layers.row(2, y)[x])));
        }
    EXPECT_GT(largestDifference(out, grey), 0.05);
    EXPECT_GT(coloured, 0.05) << "each layer its own";
    EXPECT_LT(std::abs(correlation(variation(layers, 0), variation(layers, 1))), 0.05);
}

TEST(Grain, FollowsItsCurveOverTone) {
    const Picture dark = evenPicture(200, 200, 0.2F), light = evenPicture(200, 200, 0.8F);
    const auto spread = [](const Picture& even, const Curve& curve) {
        return largestDifference(
            throughFinish(finishOf({{"grain", {{"amount", 0.5}, {"curve", curve}, {"colour", 0.0}}}}), even), even);
    };
    const Curve plain{{0, 0.5}, {1, 0.5}}, quietLights{{0, 0.5}, {0.4, 0.5}, {0.7, 0}, {1, 0}};
    EXPECT_LT(spread(light, quietLights), 1e-5);
    EXPECT_GT(spread(light, plain), 0.02);
    EXPECT_NEAR(spread(dark, quietLights), spread(dark, plain), 1e-3);
}

TEST(Grain, RepeatsNowhereAndHasNoDirection) {
    const Grade grade = finishOf({{"grain", {{"amount", 0.6}, {"size", 1.5}, {"clumping", 0.3}, {"colour", 0.0}}}});
    const auto field = variation(throughFinish(grade, evenPicture(1500, 300, 0.5F)), 1);
    for (const int dx : {16, 32, 64, 100, 128, 255, 256, 257, 512, 700, 1024})
        EXPECT_LT(std::abs(correlation(field, field, dx, 0)), 0.03) << dx;
    for (const int dy : {16, 64, 128, 200}) EXPECT_LT(std::abs(correlation(field, field, 0, dy)), 0.03) << dy;
    EXPECT_NEAR(correlation(field, field, 1, 0), correlation(field, field, 0, 1), 0.02);
    const double along = correlation(field, field, 3, 4), across = correlation(field, field, 5, 0);
    EXPECT_NEAR(along, across, 0.03) << "as far in every direction";
    const Grade other =
        finishOf({{"grain", {{"amount", 0.6}, {"size", 1.5}, {"clumping", 0.3}, {"colour", 0.0}, {"seed", 2.0}}}});
    const auto second = variation(throughFinish(other, evenPicture(1500, 300, 0.5F)), 1);
    EXPECT_LT(std::abs(correlation(field, second)), 0.03);
}

TEST(Grain, IsAsStrongWhileAControlMoves) {
    // A small view of a large picture: the exact pattern waits for the hand to rest.
    const Program program =
        Program::compile(finishOf({{"grain", {{"amount", 0.6}, {"size", 1.0}, {"colour", 0.0}}}}));
    EXPECT_TRUE(program.needs(0.2).time);
    EXPECT_FALSE(Program::compile(finishOf({{"vignette", {{"stops", -1.0}}}})).needs(0.2).time);
    Picture small = evenPicture(400, 300, 0.5F);
    small.setScale(0.2);
    FrameMap map = FrameMap::whole(small);
    Picture exact(400, 300), moving(400, 300);
    program.run(small, map, into(exact));
    map.isMoving = true;
    program.run(small, map, into(moving));
    const auto spread = [](const Picture& p) {
        double sum = 0, squares = 0;
        for (int y = 0; y < p.height(); ++y)
            for (int x = 0; x < p.width(); ++x) sum += p.row(1, y)[x], squares += p.row(1, y)[x] * p.row(1, y)[x];
        const double n = double(p.width()) * p.height();
        return std::sqrt(squares / n - sum / n * (sum / n));
    };
    EXPECT_GT(spread(exact), 0.005);
    EXPECT_NEAR(spread(moving) / spread(exact), 1, 0.12);
}

TEST(Halation, IsLightFromBehindAndOnlyOutsideOfLights) {
    atEveryDispatchLevel([] {
        constexpr int side = 241, middle = 120;
        Picture night = evenPicture(side, side, 0.1F);
        for (int k = 0; k < 3; ++k)
            for (int y = middle - 3; y <= middle + 3; ++y) std::fill_n(night.row(k, y) + middle - 3, 7, 1.0F);
        constexpr double amount = 0.5, reach = 20, sigma = reach / 1000 * side;
        const Picture out = throughFinish(finishOf({{"halation", {{"amount", amount}, {"reach", reach}}}}), night);
        const double ground = srgbToLinear(0.1F);
        for (const int distance : {8, 12, 20}) {
            double glow = 0;
            for (int y = -3; y <= 3; ++y)
                for (int x = -3; x <= 3; ++x) {
                    const double d2 = (distance - x) * (distance - x) + y * y;
                    for (const double s : {sigma, 2 * sigma})
                        glow += 0.5 * std::exp(-d2 / (2 * s * s)) / (2 * std::numbers::pi * s * s);
                }
            EXPECT_NEAR(srgbToLinear(out.row(0, middle)[middle + distance]), ground + amount * glow,
                        0.03 * amount * glow + 1e-4)
                << distance;
            const double green = srgbToLinear(out.row(1, middle)[middle + distance]) - ground;
            EXPECT_LT(green, 0.5 * amount * glow) << "it is warm";
            EXPECT_GT(green, 0);
        }
        EXPECT_NEAR(out.row(0, middle)[middle], 1, 1e-5) << "a light itself stays";
        // All that is given, and what would have fallen on the lamp, is amount times the lamp's light.
        double given = 0;
        for (int y = 0; y < side; ++y)
            for (int x = 0; x < side; ++x) given += srgbToLinear(out.row(0, y)[x]) - srgbToLinear(night.row(0, y)[x]);
        EXPECT_LT(given, amount * 49);
        EXPECT_GT(given, 0.7 * amount * 49);
    });
}

TEST(Halation, OfAMonoPictureHasNoColour) {
    Picture night = evenPicture(120, 80, 0.1F);
    for (int k = 0; k < 3; ++k)
        for (int y = 36; y < 44; ++y) std::fill_n(night.row(k, y) + 56, 8, 1.0F);
    const Picture out =
        throughFinish(finishOf({{"halation", {{"amount", 0.8}, {"reach", 20.0}, {"tint", 0.0}}}}), night);
    EXPECT_GT(out.row(0, 40)[50], 0.15F);
    for (int x = 0; x < 120; ++x) ASSERT_NEAR(out.row(0, 40)[x], out.row(2, 40)[x], 1e-6);
}

TEST(LocalContrast, MakesTextureStrongerAndNoHalo) {
    constexpr int width = 400, height = 60;
    for (const double step : {0.4, 0.6, 0.8}) {
        Picture edge(width, height);
        for (int k = 0; k < 3; ++k)
            for (int y = 0; y < height; ++y)
                for (int x = 0; x < width; ++x)
                    edge.row(k, y)[x] = static_cast<float>(0.5 + (x < width / 2 ? -step : step) / 2);
        const Picture out = throughFinish(finishOf({{"local-contrast", {{"amount", 1.0}, {"reach", 100.0}}}}), edge);
        EXPECT_LT(largestDifference(out, edge), 0.03 * step) << step;
    }
    Picture texture(width, height);
    for (int k = 0; k < 3; ++k)
        for (int y = 0; y < height; ++y)
            for (int x = 0; x < width; ++x) texture.row(k, y)[x] = static_cast<float>(0.5 + 0.03 * std::sin(x * 0.7));
    const auto swing = [](const Picture& p) {
        const float* row = p.row(1, height / 2) + 100;
        return double(*std::max_element(row, row + 200)) - double(*std::min_element(row, row + 200));
    };
    const auto with = [&](double amount) {
        return swing(throughFinish(finishOf({{"local-contrast", {{"amount", amount}, {"reach", 50.0}}}}), texture));
    };
    EXPECT_GT(with(1.0), 1.7 * swing(texture));
    EXPECT_LT(with(-1.0), 0.45 * swing(texture));
    EXPECT_NEAR(with(0.5) - swing(texture), (with(1.0) - swing(texture)) / 2, 0.004) << "even steps";
}

TEST(LocalContrast, WorksOnWhatIsFinerThanItsReachAndLeavesTheEndsAlone) {
    constexpr int width = 600, height = 400;
    Picture waves(width, height);
    const auto fill = [&](double period, double middle) {
        for (int k = 0; k < 3; ++k)
            for (int y = 0; y < height; ++y)
                for (int x = 0; x < width; ++x)
                    waves.row(k, y)[x] =
                        static_cast<float>(middle + 0.02 * std::sin(2 * std::numbers::pi * x / period));
    };
    const auto changed = [&](double period, double middle, double reach) {
        fill(period, middle);
        return largestDifference(
            throughFinish(finishOf({{"local-contrast", {{"amount", 1.0}, {"reach", reach}}}}), waves), waves);
    };
    EXPECT_GT(changed(8, 0.5, 20), 0.012);
    EXPECT_LT(changed(200, 0.5, 5), 0.004) << "coarser than its reach";
    EXPECT_GT(changed(200, 0.5, 100), 2 * changed(200, 0.5, 20)) << "a wider reach takes it";
    EXPECT_LT(changed(8, 0.02, 20), 0.4 * changed(8, 0.5, 20)) << "beside black";
    EXPECT_LT(changed(8, 0.98, 20), 0.4 * changed(8, 0.5, 20)) << "beside white";
}

TEST(Bars, CoverWhatIsOutsideTheRatio) {
    const Picture grey = evenPicture(300, 200, 0.5F);
    const auto rows = [&](const std::map<std::string, Value>& values, const Picture& source) {
        const Picture out = throughFinish(finishOf({{"bars", values}}), source);
        std::string seen; // down the middle: o open, b bar
        for (int y = 0; y < out.height(); y += 10) seen += out.row(0, y)[out.width() / 2] == 0.5F ? 'o' : 'b';
        return seen;
    };
    EXPECT_EQ(rows({{"ratio", std::string("2:1")}}, grey), "bbbooooooooooooooobb");
    EXPECT_EQ(rows({{"ratio", std::string("2:1")}, {"place", 0.0}}, grey), "ooooooooooooooobbbbb");
    EXPECT_EQ(rows({{"ratio", std::string("1:1")}}, grey), "oooooooooooooooooooo") << "these stand at the sides";
    const Picture sides =
        throughFinish(finishOf({{"bars", {{"ratio", std::string("1:1")}, {"lightness", 1.0}}}}), grey);
    for (const auto& [x, value] : {std::pair(49, 1.0), std::pair(50, 0.5), std::pair(249, 0.5), std::pair(250, 1.0)})
        EXPECT_NEAR(sides.row(1, 100)[x], value, 2e-5) << x;
    // The frame's own ratio leaves no bar, not even a hair's breadth.
    for (const auto& [width, height] : {std::pair(300, 200), std::pair(999, 666), std::pair(3000, 2000)}) {
        const Picture even = evenPicture(width, height, 0.5F);
        EXPECT_TRUE(sameBytes(throughFinish(finishOf({{"bars", {{"ratio", std::string("3:2")}}}}), even), even));
    }
}

TEST(Finish, ShowsFittedWhatTheFileWillLookLike) {
    const Grade all = finishOf({{"local-contrast", {{"amount", 1.0}, {"reach", 40.0}}},
                                {"bloom", {{"amount", 0.6}, {"threshold", 0.6}, {"reach", 20.0}}},
                                {"halation", {{"amount", 0.8}, {"threshold", 0.6}, {"reach", 8.0}}},
                                {"vignette", {{"stops", -1.5}}},
                                {"detail", {{"amount", 0.5}}},
                                {"grain", {{"amount", 0.3}, {"size", 0.6}}},
                                {"bars", {{"ratio", std::string("2.39:1")}}}});
    for (const auto& [width, height] : {std::pair(1224, 816), std::pair(3000, 2000)}) {
        if (kSanitized && width > 1224) continue;
        const Picture source = lampsAtNight(width, height);
        const Pyramid pyramid(source);
        constexpr int w = 600, h = 400;
        const ViewRegion fitted{0, 0, w, h, double(w) / width};
        std::vector<Grade> grades{all};
        for (const Stage& stage : all.finish) {
            if (kSanitized) break;
            grades.emplace_back();
            grades.back().finish = {stage};
        }
        for (const Grade& grade : grades) {
            const Program program = Program::compile(grade);
            const Picture file = scaledDown(program.graded(source), w, h);
            const ViewSource view = viewSource(pyramid, fitted, program.needs(fitted.scale));
            Picture shown(w, h);
            runOverView(program, view, into(shown));
            const std::string name = grade.finish.size() > 1 ? "all" : grade.finish[0].type;
            EXPECT_LT(meanApart(shown, file), 0.5) << name << " at " << width;
            const double effect = meanApart(file, scaledDown(source, w, h));
            if (name == "detail") continue; // little is left of it: see the test of its own
            EXPECT_GT(effect, 0.2) << name << " at " << width << ": there is something to agree on";
            EXPECT_LT(meanApart(shown, file), 0.3 * effect) << name << " at " << width;
        }
    }
}

} // namespace baryton::test
