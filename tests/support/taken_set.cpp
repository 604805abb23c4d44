#include "support/taken_set.h"
#include "colour/illuminant.h"
#include "colour/spaces.h"
#include "colour/transfer.h"
#include "picture/picture_file.h"
#include "render/program.h"
#include "support/samples.h"
#include "survey/skin.h"

#include <opencv2/imgproc.hpp>

namespace baryton::test {

namespace {

Mat3 lightMatrix(const Taken& taken) {
    const double gain = std::exp2(taken.stops);
    if (!taken.isByChannels) {
        Mat3 m = inverse(whiteBalanceMatrix(taken.kelvin, 0));
        for (double& v : m) v *= gain;
        return m;
    }
    Vec3 white = kXyzToSrgb * illuminant(taken.kelvin, 0);
    for (double& v : white) v = std::max(v, 0.02) * gain;
    return diagonal(white);
}

} // namespace

const std::vector<std::string>& demoScenes() {
    static const std::vector<std::string> names = {
        "backstage-mixed", "chart-table",    "dusk-horizon", "lake-fog",  "lantern-alley", "meadow-cart",
        "portrait-dark",   "portrait-light", "red-curtain",  "snow-yard", "spotlight",     "workshop-window"};
    return names;
}

Picture demoScene(const std::string& name, int longSide) {
    return readThumbnail(std::filesystem::path(BARYTON_SOURCE) / "demo/pictures" / (name + ".jpg"), longSide);
}

Picture takenAs(const Picture& scene, const Taken& taken, bool isReframed) {
    const Mat3 light = lightMatrix(taken);
    const int w = scene.width(), h = scene.height();
    Picture lit(w, h);
    for (int y = 0; y < h; ++y)
        for (int x = 0; x < w; ++x) {
            Vec3 v{};
            for (int k = 0; k < 3; ++k) v[static_cast<unsigned>(k)] = srgbToLinear(scene.row(k, y)[x]);
            v = light * v;
            for (int k = 0; k < 3; ++k) {
                const double held = std::clamp(linearToSrgb(v[static_cast<unsigned>(k)]), 0.0, 1.0);
                lit.row(k, y)[x] = static_cast<float>(std::round(held * 255) / 255);
            }
        }
    if (!isReframed) return lit;
    Picture framed(w, h);
    const cv::Matx23d map(taken.size, 0, w * (taken.shiftX + (1 - taken.size) / 2), 0, taken.size,
                          h * (taken.shiftY + (1 - taken.size) / 2));
    for (int k = 0; k < 3; ++k) {
        cv::Mat plane(h, w, CV_32F), there;
        for (int y = 0; y < h; ++y) std::copy_n(lit.row(k, y), w, plane.ptr<float>(y));
        cv::warpAffine(plane, there, map, {w, h}, cv::INTER_LINEAR, cv::BORDER_REFLECT);
        for (int y = 0; y < h; ++y) std::copy_n(there.ptr<float>(y), w, framed.row(k, y));
    }
    return framed;
}

std::vector<Taken> runOfEight(unsigned seed) {
    Random random(seed);
    std::vector<Taken> run(1);
    for (int i = 1; i < 8; ++i) {
        Taken t;
        t.stops = uniform(random, -1.5, 1.5);
        t.kelvin = 1e6 / uniform(random, 1e6 / 9000, 1e6 / 3000);
        t.shiftX = uniform(random, -0.05, 0.05), t.shiftY = uniform(random, -0.05, 0.05);
        t.size = uniform(random, 0.95, 1.06);
        t.isByChannels = i % 2 == 0;
        run.push_back(t);
    }
    return run;
}

double trustedApart(const Picture& wanted, const Picture& shot, const PrepLight& light) {
    const Picture set = Program::compile(withPrepLight(startingGrade(), light)).graded(shot);
    const auto at = [](const Picture& p, int x, int y) {
        return Vec3{p.row(0, y)[x], p.row(1, y)[x], p.row(2, y)[x]};
    };
    const auto isWhole = [](const Vec3& v) {
        return *std::min_element(v.begin(), v.end()) > 0.02 && *std::max_element(v.begin(), v.end()) < 0.99;
    };
    double sums[2]{}, counts[2]{};
    for (int y = 0; y < wanted.height(); y += 2)
        for (int x = 0; x < wanted.width(); x += 2) {
            const Vec3 was = at(wanted, x, y);
            if (!isWhole(was) || !isWhole(at(shot, x, y))) continue;
            Vec3 now = at(set, x, y);
            for (double& v : now) v = std::clamp(v, 0.0, 1.0);
            const double apart = deltaE2000(labFromSrgb(was), labFromSrgb(now));
            for (int kind = 0; kind < 2; ++kind)
                if (kind == 1 || isNearGrey(was) || isSkin(was)) sums[kind] += apart, ++counts[kind];
        }
    const int kind = counts[0] > 200 ? 0 : 1;
    return counts[kind] > 0 ? sums[kind] / counts[kind] : 0;
}

} // namespace baryton::test
