#include "app/render_image.h"
#include "base/file.h"
#include "lut/bake.h"
#include "picture/profile.h"
#include "picture/quantise.h"

#include <algorithm>
#include <memory>
#include <mutex>
#include <new>
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

QImage imageOf(const Program& program, const ViewSource& source, const Task* task) {
    const auto toMonitor = monitorProgram();
    if (!toMonitor) return quantisedImage(program, source, task);
    Picture graded(source.width, source.height);
    runOverView(program, source, into(graded), 0, task);
    return quantisedImage(*toMonitor, wholeOf(graded), task);
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
    return imageOf(program, wholeOf(picture), task);
}

QImage imageOf(const Picture& graded) {
    return imageOf(Program::compile(Grade{}), graded);
}

QImage imageOf(const Grade& grade, const Picture& picture) {
    return imageOf(Program::compile(grade), picture);
}

} // namespace baryton
