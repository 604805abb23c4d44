#include "stages/glow.h"
#include "base/parallel.h"
#include "picture/blur.h"

#include <algorithm>
#include <cmath>

namespace baryton {

Picture glowOf(const Picture& lights, double sigma, float farTimes, float nearShare, float amount) {
    constexpr double spread = 0.75 / 4 + 1.0 / 3;
    const auto blurOf = [&](double s) { return blurred(lights, std::sqrt(std::max(s * s - spread, 0.0))); };
    const Picture near = blurOf(sigma), far = blurOf(static_cast<double>(farTimes) * sigma);
    Picture glow(lights.width(), lights.height());
    float* const planes[] = {glow.row(0, 0), glow.row(1, 0), glow.row(2, 0)};
    forRows(glow.height(), [&](int y) {
        for (int k = 0; k < 3; ++k) {
            const float *a = near.row(k, y), *b = far.row(k, y);
            float* const out = planes[k] + glow.stride() * static_cast<std::size_t>(y);
            for (int x = 0; x < glow.width(); ++x) out[x] = amount * (nearShare * a[x] + (1 - nearShare) * b[x]);
        }
    });
    return glow;
}

} // namespace baryton
