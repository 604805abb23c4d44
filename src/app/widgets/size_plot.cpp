#include "app/widgets/size_plot.h"
#include "app/theme/theme.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QPainterPath>
#include <algorithm>
#include <cmath>
#include <utility>

namespace baryton {

SizePlot::SizePlot(QWidget* parent) : QWidget(parent) {
    setFocusPolicy(Qt::TabFocus);
    setMouseTracking(true);
    setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Expanding);
}

void SizePlot::setColumns(const QVector<Column>& columns) {
    if (columns_ == columns) return;
    columns_ = columns;
    update();
    announce(this);
}

void SizePlot::setChosen(int column) {
    chosen_ = column;
    update();
}

void SizePlot::setEnough(double amiss) {
    enough_ = std::clamp(amiss, kLeast, kMost);
    update();
}

QRectF SizePlot::plot() const {
    constexpr double left = 44, top = 8, right = 8;
    return QRectF(rect()).adjusted(left, top, -right, -(2.0 * fontMetrics().height() + 2));
}

double SizePlot::yOf(double amiss) const {
    const QRectF area = plot();
    const double share = std::log(std::clamp(amiss, kLeast, kMost) / kLeast) / std::log(kMost / kLeast);
    return area.bottom() - share * area.height();
}

QPointF SizePlot::column(int index) const {
    const QRectF area = plot();
    return {area.left() + area.width() * (index + 0.5) / std::max<qsizetype>(columns_.size(), 1), area.center().y()};
}

double SizePlot::lineY() const {
    return yOf(enough_);
}

void SizePlot::paintEvent(QPaintEvent*) {
    QPainter p(this);
    const auto& c = theme::colours();
    p.fillRect(rect(), c.well);
    const QRectF area = plot();
    const double line = fontMetrics().height();
    for (const double amiss : {0.1, 1.0, 10.0}) {
        p.setPen(c.grid);
        p.drawLine(QPointF(area.left(), yOf(amiss)), QPointF(area.right(), yOf(amiss)));
        p.setPen(c.second);
        p.drawText(QRectF(0, yOf(amiss) - line / 2, area.left() - 5, line), Qt::AlignRight | Qt::AlignVCenter,
                   tr("ΔE %1").arg(QLocale().toString(amiss)));
    }
    p.setRenderHint(QPainter::Antialiasing);
    const double wide = area.width() / std::max<qsizetype>(columns_.size(), 1);
    for (int i = 0; i < columns_.size(); ++i) {
        const Column& each = columns_[i];
        const double x = column(i).x();
        if (i == chosen_) p.fillRect(QRectF(x - wide / 2, 0, wide, height()), c.raised);
        p.setPen(i == chosen_ ? c.text : c.second);
        p.drawText(QRectF(x - wide / 2, area.bottom() + 2, wide, line), Qt::AlignCenter, each.name);
        p.setPen(c.second);
        p.drawText(QRectF(x - wide / 2, area.bottom() + 2 + line, wide, line), Qt::AlignCenter, each.cost);
    }
    p.setPen(QPen(c.accent, 1, Qt::DashLine));
    p.drawLine(QPointF(area.left(), lineY()), QPointF(area.right(), lineY()));
    const auto draw = [&](auto measure, const QColor& colour) {
        QPainterPath path;
        QVector<QPointF> dots;
        for (int i = 0; i < columns_.size(); ++i)
            if (const std::optional<double>& amiss = columns_[i].*measure) dots.append({column(i).x(), yOf(*amiss)});
        for (const QPointF& dot : dots) dot == dots.front() ? path.moveTo(dot) : path.lineTo(dot);
        p.setPen(QPen(colour, 1.5));
        p.setBrush(Qt::NoBrush);
        p.drawPath(path);
        p.setPen(Qt::NoPen);
        p.setBrush(colour);
        for (const QPointF& dot : dots) p.drawEllipse(dot, 3, 3);
    };
    draw(&Column::second, c.second);
    draw(&Column::first, c.text);
    // What is what, above the curves, which fall to the right.
    const auto say = [&](const QString& text, const QColor& colour, double y) {
        p.setPen(colour);
        p.drawText(QRectF(area.left(), y, area.width() - 4, line), Qt::AlignRight | Qt::AlignVCenter, text);
    };
    say(names_.second, c.second, 2);
    p.setPen(c.text);
    p.drawText(QRectF(area.left(), 2,
                      area.width() - 4 - fontMetrics().horizontalAdvance(names_.second + QStringLiteral("   ")),
                      line),
               Qt::AlignRight | Qt::AlignVCenter, names_.first);
    // At the left, on the side on which no dot lies.
    const bool isAllBelow = !columns_.isEmpty() && columns_.front().first && *columns_.front().first < enough_;
    const bool isAbove = isAllBelow || lineY() + 1 + line > area.bottom();
    p.setPen(c.accent);
    p.drawText(QRectF(area.left() + 4, isAbove ? lineY() - line - 1 : lineY() + 1, area.width(), line),
               Qt::AlignLeft | Qt::AlignVCenter, tr("near enough: %1").arg(QLocale().toString(enough_, 'f', 2)));
    if (hasFocus()) {
        p.setPen(QPen(c.accent, 1));
        p.setBrush(Qt::NoBrush);
        p.drawRect(QRectF(rect()).adjusted(0.5, 0.5, -0.5, -0.5));
    }
}

void SizePlot::takeEnough(double amiss) {
    const double next = std::clamp(amiss, kLeast, kMost);
    if (next == enough_) return;
    setEnough(next);
    announce(this);
    Q_EMIT enoughChanged(enough_);
}

void SizePlot::takeReadableNumber(double number) {
    takeEnough(number);
}

void SizePlot::moveLineTo(double y) {
    const QRectF area = plot();
    const double amiss = kLeast * std::pow(kMost / kLeast, (area.bottom() - y) / area.height());
    takeEnough(std::round(amiss * 50) / 50);
}

void SizePlot::mousePressEvent(QMouseEvent* event) {
    if (event->button() != Qt::LeftButton) return;
    constexpr double near = 6;
    isDragging_ = std::abs(event->position().y() - lineY()) <= near;
    isMoved_ = false;
    if (!isDragging_) choose(event->position().x());
}

void SizePlot::choose(double x) {
    const QRectF area = plot();
    const double share = (x - area.left()) / area.width();
    const int index = static_cast<int>(std::floor(share * static_cast<double>(columns_.size())));
    if (index >= 0 && index < columns_.size()) Q_EMIT chosen(index);
}

void SizePlot::mouseMoveEvent(QMouseEvent* event) {
    if (isDragging_) {
        isMoved_ = true;
        moveLineTo(event->position().y());
    }
    constexpr double near = 6;
    const bool isOnLine = isDragging_ || std::abs(event->position().y() - lineY()) <= near;
    setCursor(isOnLine ? Qt::SizeVerCursor : Qt::PointingHandCursor);
}

void SizePlot::mouseReleaseEvent(QMouseEvent* event) {
    // The line also lies over columns: who lets go where they pressed meant one of these.
    if (std::exchange(isDragging_, false) && !isMoved_) choose(event->position().x());
}

void SizePlot::keyPressEvent(QKeyEvent* event) {
    constexpr double step = 1.1;
    switch (event->key()) {
    case Qt::Key_Up:
        takeEnough(enough_ * step);
        break;
    case Qt::Key_Down:
        takeEnough(enough_ / step);
        break;
    default:
        QWidget::keyPressEvent(event);
    }
}

QString SizePlot::inWords() const {
    QStringList parts;
    for (const Column& each : columns_)
        if (each.first) parts.append(QStringLiteral("%1: %2").arg(each.name, QString::number(*each.first, 'f', 2)));
    return tr("%1; near enough: %2").arg(parts.join(QStringLiteral(", ")), QString::number(enough_, 'f', 2));
}

} // namespace baryton
