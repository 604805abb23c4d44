#pragma once
#include "grade/grade.h"

#include <QPainter>

namespace baryton {

// Miniatures of stages that change places rather than colours.

/// The frame on a sheet that is turned, or made straight, under it.
void paintFrame(QPainter& painter, const QRectF& area, const Stage& stage);
/// A square that a lens has bent, and the same made straight.
void paintLens(QPainter& painter, const QRectF& area, const Stage& stage);

} // namespace baryton
