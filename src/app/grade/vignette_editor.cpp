#include "app/grade/vignette_editor.h"

#include <QLineF>
#include <cmath>
#include <numbers>

namespace baryton {

namespace {

/// Where smoothstep from 0 to 1 has the value v.
double smoothStepInverse(double v) {
    return 0.5 - std::sin(std::asin(1 - 2 * v) / 3);
}

/// "−⅓", "+1⅔".
QString stopsText(int thirds, bool isLoss) {
    const char16_t* parts[] = {u"", u"⅓", u"⅔"};
    QString text = isLoss ? QStringLiteral("−") : QStringLiteral("+");
    if (thirds >= 3) text += QString::number(thirds / 3);
    return text + QString::fromUtf16(parts[thirds % 3]);
}

} // namespace

QPointF VignetteEditor::Ellipse::at(double angle, double scale) const {
    const double a = across * std::cos(angle) * scale, b = down * std::sin(angle) * scale;
    return centre + QPointF(a * std::cos(turn) - b * std::sin(turn), a * std::sin(turn) + b * std::cos(turn));
}

QPointF VignetteEditor::Ellipse::inside(QPointF place) const {
    const QPointF d = place - centre;
    return {(d.x() * std::cos(turn) + d.y() * std::sin(turn)) / across,
            (d.y() * std::cos(turn) - d.x() * std::sin(turn)) / down};
}

VignetteEditor::Ellipse VignetteEditor::ellipse() const {
    Ellipse e;
    e.centre = heights({number("centre.x"), number("centre.y")});
    e.across = number("radius.x") * aspect() / 2, e.down = number("radius.y") / 2;
    e.turn = number("turn") * std::numbers::pi / 180;
    return e;
}

PictureFigure VignetteEditor::figure() const {
    PictureFigure figure;
    const Ellipse e = ellipse();
    const auto add = [&](double scale, bool isFaint, const QString& label) {
        constexpr int pieces = 96;
        QPolygonF points;
        for (int i = 0; i <= pieces; ++i) points.append(share(e.at(2 * std::numbers::pi * i / pieces, scale)));
        figure.lines.append({points, isFaint, label});
    };
    const double stops = number("stops"), falloff = number("falloff");
    const int step = std::abs(stops) > 2 ? 3 : 1; // thirds of a stop from line to line
    for (int thirds = step; thirds < std::abs(stops) * 3; thirds += step) {
        const double t = smoothStepInverse(thirds / 3.0 / std::abs(stops));
        add(1 - falloff + 2 * falloff * t, true, stopsText(thirds, stops < 0));
    }
    add(1, false, {});
    figure.handles.append(share(e.centre));
    for (int quarter = 0; quarter < 4; ++quarter) figure.handles.append(share(e.at(quarter * std::numbers::pi / 2)));
    return figure;
}

VignetteEditor::Pull VignetteEditor::pull(QPointF at, QSizeF reach) const {
    const Ellipse e = ellipse();
    const QPointF place = heights(at);
    const double near = reach.height(); // heights are as long either way
    for (int quarter = 0; quarter < 4; ++quarter)
        if (QLineF(place, e.at(quarter * std::numbers::pi / 2)).length() < near)
            return quarter % 2 == 0 ? Pull::Width : Pull::Height;
    const QPointF in = e.inside(place);
    const double from = std::hypot(in.x(), in.y());
    const double away = std::abs(from - 1) * QLineF(place, e.centre).length() / std::max(from, 1e-6);
    if (away < near) return Pull::Size;
    return from < 1 ? Pull::Centre : Pull::Turn;
}

Qt::CursorShape VignetteEditor::pullAt(QPointF at, QSizeF reach) const {
    switch (pull(at, reach)) {
    case Pull::Width:
    case Pull::Height: {
        const bool isFlat = (pull(at, reach) == Pull::Width) == (std::abs(number("turn")) < 45);
        return isFlat ? Qt::SizeHorCursor : Qt::SizeVerCursor;
    }
    case Pull::Size:
        return Qt::SizeFDiagCursor;
    case Pull::Turn:
        return Qt::CrossCursor;
    case Pull::Centre:
        break;
    }
    return Qt::SizeAllCursor;
}

void VignetteEditor::startPull(QPointF at, QSizeF reach) {
    pull_ = pull(at, reach);
    from_ = heights(at);
    pulledFrom_ = ellipse();
}

void VignetteEditor::pullTo(QPointF at) {
    const Ellipse& e = pulledFrom_;
    const QPointF place = heights(at), began = e.inside(from_), now = e.inside(place);
    const auto wider = [&](double by) { return kept("radius.x", 2 * e.across * by / aspect()); };
    const auto higher = [&](double by) { return kept("radius.y", 2 * e.down * by); };
    switch (pull_) {
    case Pull::Centre: {
        const QPointF centre = share(e.centre + place - from_);
        return set({{"centre.x", kept("centre.x", centre.x())}, {"centre.y", kept("centre.y", centre.y())}}, false);
    }
    case Pull::Width:
        return set({{"radius.x", wider(std::abs(now.x()) + 1 - std::abs(began.x()))}}, false);
    case Pull::Height:
        return set({{"radius.y", higher(std::abs(now.y()) + 1 - std::abs(began.y()))}}, false);
    case Pull::Size: {
        const double by = std::hypot(now.x(), now.y()) / std::max(std::hypot(began.x(), began.y()), 1e-6);
        return set({{"radius.x", wider(by)}, {"radius.y", higher(by)}}, false);
    }
    case Pull::Turn: {
        const auto angle = [&](QPointF p) { return std::atan2((p - e.centre).y(), (p - e.centre).x()); };
        const double turn = (e.turn + angle(place) - angle(from_)) * 180 / std::numbers::pi;
        return set({{"turn", kept("turn", std::remainder(turn, 180))}}, false); // half a turn is none
    }
    }
}

} // namespace baryton
