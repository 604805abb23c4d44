#include "app/render_image.h"
#include "base/file.h"
#include "lut/bake.h"
#include "picture/profile.h"
#include "picture/quantise.h"
#include "picture/soft_proof.h"

#include <algorithm>
#include <array>
#include <memory>
#include <mutex>
#include <new>
#include <vector>

namespace baryton {

namespace {

/// What is done to graded pixels for the screen.
struct Shown {
    std::shared_ptr<const Program> monitor; ///< from the working encoding to the monitor's numbers; none for sRGB
    std::shared_ptr<const Program>
        outside; ///< how far a colour is outside of what is proofed, in tens of ΔE; or none
    std::string id;
};

struct Screens {
    std::array<Shown, kMonitors> monitors;
    std::string proofName;
};

std::mutex screensLock;
Screens screensNow;

Screens screens() {
    const std::lock_guard<std::mutex> guard(screensLock);
    return screensNow;
}

constexpr int kCube = 33;

/// A program that looks colours up in what a function makes of a grid of them.
template <class Fill>
std::shared_ptr<const Program> cubeOf(Fill fill) {
    LutTable table = bakeLook(Grade{}, kCube, "screen");
    fill(table.grid.data(), table.grid.size() / 3);
    return std::make_shared<const Program>(Program::compile(lutGrade(table, "screen")));
}

/// From the monitor's profile and the proof, as they are set.
Shown madeShown(const std::string& icc, const SoftProof* proofed, bool marks) {
    Shown made;
    const bool isPlain = icc.empty() || profileKind(icc) == ProfileKind::Srgb;
    if (proofed)
        made.monitor =
            cubeOf([&](float* rgb, std::size_t count) { proofed->show(isPlain ? std::string() : icc, rgb, count); });
    else if (!isPlain)
        made.monitor = cubeOf([&](float* rgb, std::size_t count) { toDevice(icc, rgb, count); });
    if (proofed && marks)
        made.outside = cubeOf([&](float* rgb, std::size_t count) {
            std::vector<float> distance(count);
            proofed->outside(rgb, distance.data(), count);
            for (std::size_t i = 0; i < count; ++i) rgb[3 * i] = rgb[3 * i + 1] = rgb[3 * i + 2] = distance[i] / 10;
        });
    if (made.monitor)
        made.id = (isPlain ? std::string() : contentHash(icc)) + (proofed ? proofed->id() : std::string());
    return made;
}

/// A picture as the region that shows all of it.
ViewSource wholeOf(const Picture& picture) {
    ViewSource source;
    source.pixels = picture;
    source.frame = FrameMap::whole(picture);
    source.width = picture.width(), source.height = picture.height();
    source.wanted = {0, 0, source.width, source.height};
    return source;
}

QImage quantisedImage(const Program& program, const ViewSource& source, const Task* task) {
    QImage image(source.width, source.height, QImage::Format_RGB32);
    if (image.isNull()) throw std::bad_alloc();
    uchar* const bits = image.bits();
    const auto stride = static_cast<std::size_t>(image.bytesPerLine());
    runOverView(
        program, source,
        [&](int x, int y, int count, const float* r, const float* g, const float* b) {
            thread_local std::vector<float> opaque;
            if (opaque.size() < static_cast<std::size_t>(count)) opaque.resize(static_cast<std::size_t>(count), 1.0F);
            // Blue, green, red, opaque: as the screen has them in memory.
            quantise8(b, g, r, opaque.data(), static_cast<std::size_t>(count),
                      bits + stride * static_cast<std::size_t>(y) + 4 * static_cast<std::size_t>(x));
        },
        0, task);
    return image;
}

} // namespace

std::function<void()> prepareScreens(const ScreenWish& wish) {
    Screens made;
    std::unique_ptr<const SoftProof> proof;
    if (wish.proof) proof = std::make_unique<const SoftProof>(*wish.proof), made.proofName = proof->name();
    for (std::size_t i = 0; i < kMonitors; ++i) {
        if (!wish.profiles[i]) continue;
        const bool isAsMain = i > 0 && wish.profiles[i] == wish.profiles[0];
        made.monitors[i] = isAsMain ? made.monitors[0]
                                    : madeShown(*wish.profiles[i], proof.get(), proof && wish.proof->marksOutside);
    }
    return [made = std::move(made)] {
        const std::lock_guard<std::mutex> guard(screensLock);
        screensNow = made;
    };
}

void checkMonitorProfile(const std::string& icc) {
    float grey[3] = {0.5F, 0.5F, 0.5F};
    if (!icc.empty() && profileKind(icc) != ProfileKind::Srgb) toDevice(icc, grey, 1);
}

std::string proofName() {
    return screens().proofName;
}

std::string screenId(Monitor monitor) {
    return screens().monitors[static_cast<std::size_t>(monitor)].id;
}

namespace {

/// Thin lines over what is outside, a dark one beside a light one: what lies below stays to be seen.
void markOutside(QImage& image, const Program& outside, const Picture& graded) {
    constexpr float limit = SoftProof::kOutside / 10;
    constexpr int apart = 8;
    constexpr QRgb dark = 0xff202020, light = 0xfff0f0f0;
    uchar* const bits = image.bits(); // rows are written from several threads
    const auto stride = static_cast<std::size_t>(image.bytesPerLine());
    runOverView(outside, wholeOf(graded), [&](int x, int y, int count, const float* far, const float*, const float*) {
        auto* out = reinterpret_cast<QRgb*>(bits + stride * static_cast<std::size_t>(y)) + x;
        for (int i = 0; i < count; ++i) {
            const int line = (x + i + y) % apart;
            if (line < 2 && far[i] > limit) out[i] = line == 0 ? dark : light;
        }
    });
}

} // namespace

QImage imageOf(const Program& program, const ViewSource& source, Monitor monitor, const Task* task) {
    const Shown screen = screens().monitors[static_cast<std::size_t>(monitor)];
    if (!screen.monitor) return quantisedImage(program, source, task);
    Picture graded(source.width, source.height);
    runOverView(program, source, into(graded), 0, task);
    QImage image = quantisedImage(*screen.monitor, wholeOf(graded), task);
    if (screen.outside) markOutside(image, *screen.outside, graded);
    return image;
}

QImage greyOf(const Program& program, const ViewSource& source) {
    QImage image(source.width, source.height, QImage::Format_Grayscale8);
    if (image.isNull()) throw std::bad_alloc();
    uchar* const bits = image.bits();
    const auto stride = static_cast<std::size_t>(image.bytesPerLine());
    runOverView(program, source, [&](int x, int y, int count, const float* grey, const float*, const float*) {
        uchar* out = bits + stride * static_cast<std::size_t>(y) + static_cast<std::size_t>(x);
        for (int i = 0; i < count; ++i) out[i] = static_cast<uchar>(std::clamp(grey[i], 0.0F, 1.0F) * 255 + 0.5F);
    });
    return image;
}

QImage imageOf(const Program& program, const Picture& picture, const Task* task) {
    return imageOf(program, wholeOf(picture), Monitor::Main, task);
}

QImage imageOf(const Picture& graded) {
    return imageOf(Program::compile(Grade{}), graded);
}

QImage imageOf(const Grade& grade, const Picture& picture) {
    return imageOf(Program::compile(grade), picture);
}

} // namespace baryton
