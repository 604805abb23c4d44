#include "lut/accelerate.h"
#include "lut/bake.h"

#include <algorithm>
#include <cmath>
#include <random>

namespace baryton {

Accelerated accelerated(const Grade& grade, int size) {
    Grade quick = lutGrade(bakeLook(grade, size, "preview", true), "preview");
    const Program cube = Program::compile(quick);
    CompileOptions options;
    options.finish = false;
    const Program exact = Program::compile(grade, options);
    constexpr int samples = 512;
    Picture in(samples, 1);
    std::minstd_rand random(7);
    for (int k = 0; k < 3; ++k)
        for (int x = 0; x < samples; ++x) in.row(k, 0)[x] = static_cast<float>(random() % 10001) / 10000;
    const Picture a = cube.graded(in, 1), b = exact.graded(in, 1);
    Accelerated result;
    for (int k = 0; k < 3; ++k)
        for (int x = 0; x < samples; ++x)
            result.worstError = std::max(result.worstError, std::abs(double(a.row(k, 0)[x]) - b.row(k, 0)[x]));
    quick.finish = grade.finish;
    result.program = Program::compile(quick);
    return result;
}

} // namespace baryton
