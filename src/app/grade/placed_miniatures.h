#pragma once
#include "grade/grade.h"

#include <QPainter>

namespace baryton {

// Miniatures of stages that have a place in the frame.

/// A grey frame with the ellipse and what lies outside it.
void paintVignette(QPainter& painter, const QRectF& area, const Stage& stage);
/// A grey frame and what is laid over it.
void paintOverlay(QPainter& painter, const QRectF& area, const Stage& stage);

} // namespace baryton
