#pragma once
#include "grade/grade.h"

#include <QColor>
#include <QPainter>
#include <QVector>

namespace baryton {

/// Draws a stage at work, from its parameters, into a small rectangle: its curve, its wheels, its ellipse.
void paintMiniature(QPainter& painter, const QRectF& where, const Stage& stage);

/// The colour of an angle of the vectorscope at a middle grey, as wheels and hue strips show it.
QColor hueColour(double degrees);

/// The colour of an OKLCh hue at a middle lightness, as hue bands and limits show it.
QColor perceptualHueColour(double degrees);

/// Curve points as the widgets take them, and back.
QVector<QPointF> toPoints(const Curve& curve);
Curve toCurve(const QVector<QPointF>& points);

} // namespace baryton
