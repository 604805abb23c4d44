#include "app/render_image.h"

namespace baryton {

QImage imageOf(const Program& program, const Picture& picture, const FrameMap& frame, const Task* task) {
    QuantisedPicture pixels(picture.width(), picture.height(), 3, 8);
    program.run(
        picture, frame,
        [&](int x, int y, int count, const float* r, const float* g, const float* b) {
            pixels.setRow(y, x, count, r, g, b, nullptr);
        },
        0, task);
    return QImage(pixels.bytes.data(), pixels.width, pixels.height, pixels.width * 3, QImage::Format_RGB888)
        .convertToFormat(QImage::Format_RGB32);
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
