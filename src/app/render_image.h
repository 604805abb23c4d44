#pragma once
#include "render/program.h"
#include "render/view.h"

#include <QImage>

namespace baryton {

/// Graded pixels as the screen takes them: 8 bits, quantised exactly as a file would be.
QImage imageOf(const Program& program, const Picture& picture, const FrameMap& frame, const Task* task = nullptr);

/// The same of a whole picture.
QImage imageOf(const Grade& grade, const Picture& picture);

/// One pixel of a picture run through a program, at its own place in the frame.
std::array<float, 3> colourAt(const Program& program, const Picture& picture, int x, int y);

} // namespace baryton
