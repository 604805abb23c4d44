#include "app/widgets/tone_axis.h"
#include "app/theme/theme.h"
#include "app/widgets/shift_speed.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QPainterPath>
#include <algorithm>
#include <cmath>

namespace baryton {

namespace {
constexpr double kNames = 30;  ///< pixels below the plot for names and levels
constexpr double kFoot = 9;    ///< of the plot's height, where the marks are
constexpr double kColumn = 52; ///< at the right, for the whole
constexpr double kInset = 12;  ///< of the rulers' ends from the plot's
constexpr double kPlaces[] = {0.14, 0.5, 0.86};
} // namespace

ToneAxis::ToneAxis(const QStringList& names, QWidget* parent) : QWidget(parent), names_(names) {
    setFocusPolicy(Qt::StrongFocus);
    setFixedHeight(sizeHint().height());
}

QRectF ToneAxis::plot() const {
    return {0, 0, width() - kColumn - 4, height() - kNames};
}

QRectF ToneAxis::ruler(int range) const {
    const QRectF area = plot();
    const double x = range < 3 ? area.left() + kPlaces[range] * area.width() : width() - kColumn / 2;
    return {x, area.top() + kInset, 0, area.height() - kFoot - 2 * kInset};
}

QPointF ToneAxis::knob(int range) const {
    const QRectF line = ruler(range);
    return {line.x(), line.center().y() - levels_[static_cast<std::size_t>(range)] * line.height() / 2};
}

QPointF ToneAxis::mark(int which) const {
    const QRectF area = plot();
    return {area.left() + marks_[static_cast<std::size_t>(which)] * area.width(), area.bottom() - kFoot / 2};
}

QPointF ToneAxis::name(int range) const {
    return {ruler(range).x(), height() - kNames / 2};
}

void ToneAxis::setHistogram(const QVector<double>& counts) {
    histogram_ = counts;
    update();
}

void ToneAxis::setWeights(const Weights& weights) {
    weights_ = weights;
    update();
}

void ToneAxis::setLevels(const std::array<double, kRanges>& levels) {
    if (levels == levels_) return;
    levels_ = levels;
    update();
}

void ToneAxis::setMarks(double shadows, double highlights) {
    marks_ = {shadows, highlights};
    update();
}

void ToneAxis::choose(int range) {
    if (range == chosen_ || range < 0 || range >= kRanges) return;
    chosen_ = range;
    update();
    announce(this);
    Q_EMIT chosenChanged(range);
}

void ToneAxis::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    const auto& c = theme::colours();
    const QRectF area = plot();
    p.setPen(Qt::NoPen);
    p.setBrush(c.well);
    p.drawRoundedRect(area, 4, 4);
    p.drawRoundedRect(QRectF(width() - kColumn, 0, kColumn, area.height()), 4, 4);
    const double foot = area.bottom() - kFoot;
    if (histogram_.size() == 256) {
        const double most = std::max(1.0, *std::max_element(histogram_.begin() + 1, histogram_.end() - 1));
        p.setRenderHint(QPainter::Antialiasing,
                        false); // bars side by side need none, and it is drawn with every pull
        for (int i = 0; i < 256; ++i) {
            const double h = std::sqrt(std::min(1.0, histogram_[i] / most)) * (foot - 4);
            p.fillRect(QRectF(area.left() + i * area.width() / 256, foot - h, area.width() / 256 + 0.5, h), c.scroll);
        }
    }
    p.setRenderHint(QPainter::Antialiasing);
    if (weights_) {
        constexpr int steps = 64;
        std::array<QPainterPath, 3> paths;
        for (int i = 0; i <= steps; ++i) {
            const double tone = double(i) / steps;
            const auto share = weights_(tone);
            for (std::size_t k = 0; k < 3; ++k) {
                const QPointF at(area.left() + tone * area.width(), foot - share[k] * (foot - 8));
                i == 0 ? paths[k].moveTo(at) : paths[k].lineTo(at);
            }
        }
        p.setBrush(Qt::NoBrush);
        for (int k = 0; k < 3; ++k) {
            const bool isLit = k == chosen_ || chosen_ == 3;
            p.setPen(QPen(isLit ? c.text : c.second, isLit ? 1.5 : 1));
            p.drawPath(paths[static_cast<std::size_t>(k)]);
        }
        p.setPen(QPen(c.panel, 1));
        p.setBrush(c.text);
        for (int which = 0; which < 2; ++which) {
            const QPointF at = mark(which);
            p.drawPolygon(QPolygonF({at + QPointF(0, -5), at + QPointF(5, 4), at + QPointF(-5, 4)}));
        }
    }
    for (int i = 0; i < kRanges; ++i) {
        const QRectF line = ruler(i);
        const double level = levels_[static_cast<std::size_t>(i)];
        p.setPen(QPen(c.second, 1));
        p.drawLine(line.topLeft(), line.bottomLeft());
        p.drawLine(line.center() - QPointF(4, 0), line.center() + QPointF(4, 0));
        p.setPen(QPen(i == chosen_ && hasFocus() ? c.accent : c.well, i == chosen_ && hasFocus() ? 1.5 : 1));
        p.setBrush(level != 0 ? c.accent : c.text);
        p.drawRoundedRect(QRectF(knob(i) - QPointF(11, 4), QSizeF(22, 8)), 4, 4);
        const QRectF words(line.x() - 48, height() - kNames, 96, kNames);
        p.setPen(i == chosen_ ? c.text : c.second);
        p.drawText(words.adjusted(0, 2, 0, 0), Qt::AlignTop | Qt::AlignHCenter, names_[i]);
        p.setPen(level != 0 ? c.accent : c.second);
        const long shown = std::lround(level * 100);
        const QString sign = shown > 0 ? QStringLiteral("+") : shown < 0 ? QStringLiteral("−") : QString();
        p.drawText(words, Qt::AlignBottom | Qt::AlignHCenter, sign + QString::number(std::abs(shown)));
    }
}

int ToneAxis::rulerNear(QPointF at) const {
    int best = 0;
    for (int i = 1; i < kRanges; ++i)
        if (std::abs(ruler(i).x() - at.x()) < std::abs(ruler(best).x() - at.x())) best = i;
    return best;
}

int ToneAxis::markNear(QPointF at) const {
    constexpr double reach = 9;
    if (!weights_ || at.y() < plot().bottom() - kFoot - 3 || at.y() > plot().bottom() + 2) return -1;
    const double toFirst = std::abs(mark(0).x() - at.x()), toSecond = std::abs(mark(1).x() - at.x());
    if (std::min(toFirst, toSecond) > reach) return -1;
    return toFirst <= toSecond ? 0 : 1;
}

void ToneAxis::setLevel(double level, bool settled) {
    level = std::clamp(std::round(level * 100) / 100, -1.0, 1.0);
    double& now = levels_[static_cast<std::size_t>(chosen_)];
    if (level == now && !settled) return;
    now = level;
    update();
    announce(this);
    Q_EMIT levelEdited(chosen_, level, settled);
}

void ToneAxis::mousePressEvent(QMouseEvent* event) {
    if (event->button() != Qt::LeftButton) return;
    dragAt_ = event->position();
    if (const int which = markNear(dragAt_); which >= 0) {
        drag_ = Drag::Mark;
        draggedMark_ = which;
        dragged_ = marks_[static_cast<std::size_t>(which)];
        return;
    }
    choose(rulerNear(dragAt_));
    if (dragAt_.y() > plot().bottom()) return; // on a name: chosen, no more
    drag_ = Drag::Level;
    dragged_ = levels_[static_cast<std::size_t>(chosen_)];
}

void ToneAxis::mouseMoveEvent(QMouseEvent* event) {
    if (drag_ == Drag::None) return;
    const double speed = dragSpeed(event->modifiers());
    const QPointF by = speed * (event->position() - dragAt_);
    dragAt_ = event->position();
    if (drag_ == Drag::Level) {
        dragged_ = std::clamp(dragged_ - by.y() / (ruler(chosen_).height() / 2), -1.0, 1.0);
        return setLevel(dragged_, false);
    }
    dragged_ = std::clamp(dragged_ + by.x() / plot().width(), 0.0, 1.0);
    marks_[static_cast<std::size_t>(draggedMark_)] = std::round(dragged_ * 100) / 100;
    update();
    Q_EMIT markEdited(draggedMark_, marks_[static_cast<std::size_t>(draggedMark_)], false);
}

void ToneAxis::mouseReleaseEvent(QMouseEvent*) {
    const Drag was = std::exchange(drag_, Drag::None);
    if (was == Drag::Level) setLevel(levels_[static_cast<std::size_t>(chosen_)], true);
    if (was == Drag::Mark) Q_EMIT markEdited(draggedMark_, marks_[static_cast<std::size_t>(draggedMark_)], true);
}

void ToneAxis::mouseDoubleClickEvent(QMouseEvent* event) {
    drag_ = Drag::None;
    if (const int which = markNear(event->position()); which >= 0) {
        Q_EMIT markResetWanted(which);
        return;
    }
    choose(rulerNear(event->position()));
    Q_EMIT levelResetWanted(chosen_);
}

void ToneAxis::keyPressEvent(QKeyEvent* event) {
    const double step = 0.01 * keySteps(event->modifiers());
    const double now = levels_[static_cast<std::size_t>(chosen_)];
    switch (event->key()) {
    case Qt::Key_Up:
        return setLevel(now + step, false);
    case Qt::Key_Down:
        return setLevel(now - step, false);
    case Qt::Key_Left:
        return choose(chosen_ - 1);
    case Qt::Key_Right:
        return choose(chosen_ + 1);
    case Qt::Key_Home:
        Q_EMIT levelResetWanted(chosen_);
        return;
    default:
        QWidget::keyPressEvent(event);
    }
}

QString ToneAxis::inWords() const {
    return tr("%1: level %2").arg(names_[chosen_]).arg(std::lround(levels_[static_cast<std::size_t>(chosen_)] * 100));
}

} // namespace baryton
