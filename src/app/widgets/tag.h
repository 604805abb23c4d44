#pragma once
#include <QPainter>

namespace baryton {

/// Draws a word on a dark plate at a corner of a picture: left or right, at the top unless Qt::AlignBottom is given.
void drawTag(QPainter& painter, const QRectF& over, const QString& text, Qt::Alignment side);

} // namespace baryton
