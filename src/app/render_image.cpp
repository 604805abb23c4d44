#include "app/render_image.h"
#include "base/file.h"
#include "lut/bake.h"
#include "picture/profile.h"
#include "picture/quantise.h"

#include <algorithm>
#include <memory>
#include <mutex>
#include <vector>

namespace baryton {

namespace {

std::mutex monitorLock;
std::shared_ptr<const Program> monitor; ///< from the working encoding to the monitor's numbers
std::string monitorId;

std::shared_ptr<const Program> monitorProgram() {
    const std::lock_guard<std::mutex> guard(monitorLock);
    return monitor;
}

QImage quantisedImage(const Program& program, const Picture& picture, const FrameMap& frame, const Task* task) {
    QImage image(picture.width(), picture.height(), QImage::Format_RGB32);
    uchar* const bits = image.bits();
    const auto stride = static_cast<std::size_t>(image.bytesPerLine());
    program.run(
        picture, frame,
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

void setMonitorProfile(const std::string& icc) {
    {
        const std::lock_guard<std::mutex> guard(monitorLock);
        if (monitor && monitorId == contentHash(icc)) return;
    }
    std::shared_ptr<const Program> program;
    if (!icc.empty() && profileKind(icc) != ProfileKind::Srgb) {
        constexpr int size = 33;
        LutTable table = bakeLook(Grade{}, size, "monitor");
        toDevice(icc, table.grid.data(), table.grid.size() / 3);
        program = std::make_shared<const Program>(Program::compile(lutGrade(table, "monitor")));
    }
    const std::lock_guard<std::mutex> guard(monitorLock);
    monitor = std::move(program);
    monitorId = monitor ? contentHash(icc) : std::string();
}

std::string monitorProfileId() {
    const std::lock_guard<std::mutex> guard(monitorLock);
    return monitorId;
}

QImage imageOf(const Program& program, const Picture& picture, const FrameMap& frame, const Task* task) {
    if (const auto toMonitor = monitorProgram()) {
        Picture graded = picture;
        std::array<float*, 3> planes{graded.row(0, 0), graded.row(1, 0), graded.row(2, 0)};
        program.run(
            picture, frame,
            [&](int x, int y, int count, const float* r, const float* g, const float* b) {
                const float* from[] = {r, g, b};
                for (std::size_t k = 0; k < 3; ++k)
                    std::copy_n(from[k], count, planes[k] + graded.stride() * static_cast<std::size_t>(y) + x);
            },
            0, task);
        return quantisedImage(*toMonitor, graded, FrameMap::whole(picture.width(), picture.height()), task);
    }
    return quantisedImage(program, picture, frame, task);
}

QImage imageOf(const Grade& grade, const Picture& picture) {
    return imageOf(Program::compile(grade), picture, FrameMap::whole(picture.width(), picture.height()));
}

std::array<float, 3> colourAt(const Program& program, const Picture& picture, int x, int y) {
    std::array<float, 3> colour{};
    const FrameMap whole = FrameMap::whole(picture.width(), picture.height());
    FrameMap frame = whole;
    frame.left = x * whole.perPixelX;
    frame.top = y * whole.perPixelY;
    program.run(
        cropped(picture, x, y, 1, 1), frame,
        [&](int, int, int, const float* r, const float* g, const float* b) {
            colour = {*r, *g, *b};
        },
        1);
    return colour;
}

} // namespace baryton
