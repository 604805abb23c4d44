// A LUT stage where colours lie outside its table's domain.
#include "lut/bake.h"
#include "stages/lut_kernel.h"
#include "support/dispatch.h"
#include "support/samples.h"

#include <algorithm>
#include <cmath>

namespace baryton::test {

namespace {

LutTable smoothTable(int size, bool isShaped) {
    LutTable table;
    table.gridMin = {-0.25F, 0, 0.1F}, table.gridMax = {1, 1.5F, 0.9F};
    for (int b = 0; b < size; ++b)
        for (int g = 0; g < size; ++g)
            for (int r = 0; r < size; ++r) {
                const double x = r / (size - 1.0), y = g / (size - 1.0), z = b / (size - 1.0);
                for (const double v : {x * x + 0.2 * y, y + 0.3 * std::sin(2 * x * z), 1.2 * z - 0.4 * x * y})
                    table.grid.push_back(static_cast<float>(v));
            }
    constexpr int entries = 7;
    for (int i = 0; isShaped && i < entries; ++i)
        for (const double power : {0.8, 1.0, 1.6})
            table.shaper.push_back(static_cast<float>(std::pow(i / (entries - 1.0), power)));
    return table;
}

Grade continuing(const LutTable& table, const char* interpolation = "tetrahedral") {
    Grade grade = lutGrade(table, "on");
    grade.look[0].stages[0].parameters["outside"] = std::string("continue");
    grade.look[0].stages[0].parameters["interpolation"] = std::string(interpolation);
    return grade;
}

} // namespace

TEST(LutOutside, WhatIsStraightGoesOnStraight) {
    LutTable table;
    const auto want = [](int k, double r, double g, double b) {
        return k == 0 ? 0.1 + 0.7 * r + 0.2 * b : k == 1 ? 0.9 * g - 0.1 * r : 0.3 + 0.5 * b + 0.1 * g;
    };
    constexpr int n = 5;
    for (int i = 0; i < n * n * n; ++i)
        for (int k = 0; k < 3; ++k)
            table.grid.push_back(
                static_cast<float>(want(k, (i % n) / (n - 1.0), (i / n % n) / (n - 1.0), (i / n / n) / (n - 1.0))));
    Random random(3);
    for (const char* interpolation : {"tetrahedral", "trilinear"}) {
        const Program program = Program::compile(continuing(table, interpolation));
        for (int i = 0; i < 200; ++i) {
            std::array<float, 3> in;
            for (float& v : in) v = static_cast<float>(uniform(random, -2, 3));
            const auto out = program(in);
            for (std::size_t k = 0; k < 3; ++k)
                EXPECT_NEAR(out[k], want(int(k), in[0], in[1], in[2]), 1e-4) << interpolation;
        }
    }
}

TEST(LutOutside, IsWhatTheFormulaSaysAtEveryDispatchLevel) {
    Random random(8);
    Picture in(61, 9); // some runs lie inside as a whole, and one ends in the middle of a vector
    for (int y = 0; y < in.height(); ++y)
        for (int x = 0; x < in.width(); ++x)
            for (int k = 0; k < 3; ++k)
                in.row(k, y)[x] = static_cast<float>(y < 3 ? uniform(random, 0.1, 0.9) : uniform(random, -3, 4));
    for (const bool isShaped : {false, true})
        for (const auto interpolation : {Interpolation::Tetrahedral, Interpolation::Trilinear}) {
            const LutTable table = smoothTable(9, isShaped);
            const Grade grade =
                continuing(table, interpolation == Interpolation::Trilinear ? "trilinear" : "tetrahedral");
            atEveryDispatchLevel([&] {
                const Picture out = Program::compile(grade).graded(in);
                double worst = 0, beyond = 0;
                for (int y = 0; y < in.height(); ++y)
                    for (int x = 0; x < in.width(); ++x) {
                        const Vec3 at = {in.row(0, y)[x], in.row(1, y)[x], in.row(2, y)[x]};
                        const Vec3 want = applyLut(table, at, interpolation, OutsideDomain::Continue);
                        const Vec3 edge = applyLut(table, at, interpolation);
                        for (std::size_t k = 0; k < 3; ++k) {
                            const double made = out.row(int(k), y)[x];
                            worst = std::max(worst, std::abs(made - want[k]) / std::max(1.0, std::abs(want[k])));
                            beyond = std::max(beyond, std::abs(made - edge[k]));
                        }
                    }
                EXPECT_LT(worst, 3e-5);
                EXPECT_GT(beyond, 1) << "else it is only clamped";
            });
        }
}

TEST(LutOutside, NothingJumpsOutThereAndNothingChangesWithin) {
    const LutTable table = smoothTable(9, false);
    Random random(5);
    for (const auto interpolation : {Interpolation::Tetrahedral, Interpolation::Trilinear})
        for (int line = 0; line < 40; ++line) {
            Vec3 from{}, to{};
            for (std::size_t k = 0; k < 3; ++k) from[k] = uniform(random, -2, 3), to[k] = uniform(random, -2, 3);
            constexpr int steps = 4000;
            Vec3 before{};
            for (int i = 0; i <= steps; ++i) {
                Vec3 at{};
                for (std::size_t k = 0; k < 3; ++k) at[k] = from[k] + (to[k] - from[k]) * i / steps;
                const Vec3 out = applyLut(table, at, interpolation, OutsideDomain::Continue);
                bool isWithin = true;
                for (std::size_t k = 0; k < 3; ++k) {
                    isWithin = isWithin && at[k] >= table.gridMin[k] && at[k] <= table.gridMax[k];
                    // A step of at most 0.00125 a channel, slopes and their changes over a cell below 20.
                    if (i > 0) ASSERT_LT(std::abs(out[k] - before[k]), 0.06);
                }
                if (isWithin) ASSERT_EQ(out, applyLut(table, at, interpolation));
                before = out;
            }
        }
}

TEST(LutOutside, HugeValuesStayWhereStagesHoldThem) {
    Grade grade = continuing(smoothTable(5, true));
    for (const float v : {-64.0F, 64.0F}) {
        const auto out = Program::compile(grade)({v, -v, v});
        for (const float each : out) EXPECT_LE(std::abs(each), 64.0F);
    }
}

} // namespace baryton::test
