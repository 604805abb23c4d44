// Defringe: seams of colour beside strong edges.
#include "render/plan.h"
#include "support/dispatch.h"
#include "support/samples.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace baryton::test {

namespace {

Grade defringeOf(std::map<std::string, Value> values) {
    Grade grade;
    grade.prep.push_back(makeStage(grade, "defringe"));
    grade.prep.front().parameters = std::move(values);
    return grade;
}

Vec3 colourAt(const Picture& p, int x, int y) {
    return {p.row(0, y)[x], p.row(1, y)[x], p.row(2, y)[x]};
}
double lumaOf(const Vec3& c) {
    return 0.2126 * c[0] + 0.7152 * c[1] + 0.0722 * c[2];
}
double chromaOf(const Vec3& c) {
    return std::hypot(c[0] - lumaOf(c), c[2] - lumaOf(c));
}

void setColour(Picture& p, int x, int y, const Vec3& c) {
    for (int k = 0; k < 3; ++k) p.row(k, y)[x] = static_cast<float>(c[static_cast<std::size_t>(k)]);
}

/// Branches before a sky: dark beside bright, with a purple seam on one side and a green one on the other, and a
/// purple cloth far from any edge.
Picture branches(int width, int height, int period = 60) {
    Picture picture(width, height);
    for (int y = 0; y < height; ++y)
        for (int x = 0; x < width; ++x) {
            const int at = x % period;
            Vec3 c = at < 20 ? Vec3{0.1, 0.1, 0.1} : Vec3{0.9, 0.9, 0.9};
            if (at == 20 || at == 21) c = {0.72, 0.5, 0.85};
            if (at >= period - 2) c = {0.5, 0.75, 0.5};
            if (y > height / 2) c = {0.5, 0.3, 0.6};
            setColour(picture, x, y, c);
        }
    return picture;
}

} // namespace

TEST(Defringe, TakesSeamsBesideEdgesAndLeavesColoursElsewhere) {
    const Picture source = branches(240, 120);
    const Picture out = Program::compile(defringeOf({{"purple", 1.0}, {"green", 1.0}})).graded(source);
    for (int y = 0; y < 50; y += 7)
        for (int x = 0; x < 236; ++x) { // the last seam has no edge beside it
            const Vec3 was = colourAt(source, x, y), is = colourAt(out, x, y);
            EXPECT_NEAR(lumaOf(is), lumaOf(was), 1e-5);
            EXPECT_LT(chromaOf(is), std::max(0.15 * chromaOf(was), 1e-5)) << x;
        }
    for (int x = 0; x < 240; x += 11) EXPECT_EQ(colourAt(out, x, 90), colourAt(source, x, 90)) << "cloth";
    // A blue sky beside a branch is none.
    Picture sky = branches(120, 20);
    for (int y = 0; y < 20; ++y)
        for (int x = 0; x < 120; ++x)
            if (x % 60 > 21) setColour(sky, x, y, {0.45, 0.5, 0.7});
    EXPECT_LT(largestDifference(cropped(Program::compile(defringeOf({{"purple", 1.0}})).graded(sky), 22, 0, 30, 10),
                                cropped(sky, 22, 0, 30, 10)),
              1e-5);
    // One colour alone.
    const Picture purple = Program::compile(defringeOf({{"purple", 1.0}})).graded(source);
    EXPECT_LT(chromaOf(colourAt(purple, 80, 20)), 0.05);
    EXPECT_NEAR(chromaOf(colourAt(purple, 59, 20)), chromaOf(colourAt(source, 59, 20)), 1e-5);
    EXPECT_TRUE(Program::compile(defringeOf({{"reach", 5.0}})).isEmpty());
}

TEST(Defringe, IsItsFormulaAtEveryDispatchLevel) {
    const int width = 61, height = 37;
    const Picture source = randomPicture(width, height, 13);
    const int reach = 2;
    const double edge = 0.3, purple = 0.9, green = 0.7;
    const auto smooth = [](double v, double from, double to) {
        const double t = std::clamp((v - from) / (to - from), 0.0, 1.0);
        return t * t * (3 - 2 * t);
    };
    const auto radians = [](double degrees) { return degrees * std::numbers::pi / 180; };
    const Program program = Program::compile(
        defringeOf({{"purple", purple}, {"green", green}, {"reach", double(reach)}, {"edge", edge}}));
    atEveryDispatchLevel([&] {
        const Picture out = program.graded(source);
        for (int y = 0; y < height; ++y)
            for (int x = 0; x < width; ++x) {
                double least = 1e9, most = -1e9;
                for (int dy = -reach; dy <= reach; ++dy)
                    for (int dx = -reach; dx <= reach; ++dx) {
                        const double l = lumaOf(
                            colourAt(source, std::clamp(x + dx, 0, width - 1), std::clamp(y + dy, 0, height - 1)));
                        least = std::min(least, l), most = std::max(most, l);
                    }
                const Vec3 c = colourAt(source, x, y);
                const double luma = lumaOf(c), u = c[0] - luma, v = c[2] - luma, angle = std::atan2(v, u);
                const auto window = [&](double degrees) {
                    return smooth(std::cos(angle - radians(degrees)), std::cos(radians(45)), std::cos(radians(25)));
                };
                const double kept =
                    1 - smooth(most - least, edge, 2 * edge) * std::max(purple * window(58), green * window(234));
                const Vec3 is = colourAt(out, x, y);
                EXPECT_NEAR(is[0], luma + kept * u, 2e-5) << x << ", " << y;
                EXPECT_NEAR(is[2], luma + kept * v, 2e-5);
                EXPECT_NEAR(lumaOf(is), luma, 2e-5);
            }
    });
}

TEST(Defringe, ASmallerViewShowsWhatTheFileWillHave) {
    const Picture source = branches(960, 640, 160);
    const Program program = Program::compile(defringeOf({{"purple", 1.0}, {"green", 1.0}, {"reach", 3.0}}));
    const Picture file = program.graded(source);
    for (const int parts : {2, 4, 8})
        EXPECT_LT(meanApart(program.graded(scaledDown(source, 960 / parts, 640 / parts)),
                            scaledDown(file, 960 / parts, 640 / parts)),
                  0.5)
            << parts;
    EXPECT_EQ(program.needs(1.0 / 16).margin, 0);
}

} // namespace baryton::test
