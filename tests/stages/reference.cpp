#include "stages/reference.h"
#include "colour/illuminant.h"
#include "colour/spaces.h"
#include "colour/transfer.h"
#include "stages/lut_kernel.h"
#include "stages/spline.h"
#include "stages/wheels.h"
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

Vec3 curves(const ParameterReader& p, Vec3 v) {
    const char* ids[] = {"r", "g", "b"};
    for (std::size_t k = 0; k < 3; ++k) {
        v[k] = std::clamp(Spline(p.curve("rgb"))(v[k]), -64.0, 64.0);
        v[k] = std::clamp(Spline(p.curve(ids[k]))(v[k]), -64.0, 64.0);
    }
    return v;
}

Vec3 saturation(const ParameterReader& p, const Vec3& linear) {
    const Vec3 cones = kOklabCones * linear;
    Vec3 root, inside;
    for (std::size_t k = 0; k < 3; ++k) {
        inside[k] = std::max(cones[k], 0.0);
        root[k] = std::cbrt(inside[k]);
    }
    Vec3 lab = kOklabFromRoots * root;
    lab[1] *= 1 + p.number("overall");
    lab[2] *= 1 + p.number("overall");
    const Vec3 back = inverse(kOklabFromRoots) * lab;
    Vec3 out;
    for (std::size_t k = 0; k < 3; ++k) out[k] = cones[k] + back[k] * back[k] * back[k] - inside[k];
    return inverse(kOklabCones) * out;
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

} // namespace

Vec3 reference(const Stage& stage, const Vec3& rgb, double x, double y, double aspect) {
    const ParameterReader p(*findStageType(stage.type), stage);
    if (stage.type == "exposure") return scaled(rgb, std::exp2(p.number("stops")));
    if (stage.type == "white-balance") return whiteBalanceMatrix(p.number("temperature"), p.number("tint")) * rgb;
    if (stage.type == "curves") return curves(p, rgb);
    if (stage.type == "saturation") return saturation(p, rgb);
    if (stage.type == "vignette") return vignette(p, rgb, x, y, aspect);
    if (stage.type == "lut") return applyLut(*p.lut("file").table, rgb);
    if (stage.type == "wheels") {
        // The constants hold the fold guard; the formula itself is evaluated in double.
        const Kernel kernel = kernelOf(stage);
        double v[3] = {rgb[0], rgb[1], rgb[2]};
        static_cast<const WheelsConstants*>(kernel.constants.get())->apply(v);
        return held({v[0], v[1], v[2]});
    }
    ADD_FAILURE() << "there is no reference for " << stage.type;
    return rgb;
}

} // namespace baryton::test
