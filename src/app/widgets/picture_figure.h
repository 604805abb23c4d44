#pragma once
#include <QPointF>
#include <QPolygonF>
#include <QString>
#include <QVector>
#include <functional>

class QPainter;

namespace baryton {

/// What a stage is placed by on the picture: thin lines and the handles that can be pulled, in fractions of the
/// frame.
struct PictureFigure {
    struct Line {
        QPolygonF points;
        bool isFaint = false; ///< one that only tells something
        QString label;        ///< stands at its highest point
        bool operator==(const Line&) const = default;
    };
    QVector<Line> lines;
    QVector<QPointF> handles;

    bool operator==(const PictureFigure&) const = default;
};

/// Draws it; `place` is where a fraction of the frame is seen.
void drawFigure(QPainter& painter, const PictureFigure& figure, const std::function<QPointF(QPointF share)>& place);

} // namespace baryton
