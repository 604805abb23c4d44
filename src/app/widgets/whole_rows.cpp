#include "app/widgets/whole_rows.h"

#include <QEvent>
#include <QTimer>
#include <algorithm>

namespace baryton {

namespace {

constexpr int kTallestRow = 48; ///< px

struct Edges {
    int top, bottom;
};

/// Draws the edges in to the next whole rows. `y`: of the parent in the viewport. What is taller than a row is looked
/// into.
void cutRows(const QWidget& parent, int y, int end, Edges& edges) {
    for (const QObject* child : parent.children()) {
        const auto* row = qobject_cast<const QWidget*>(child);
        if (!row || row->isHidden() || row->isWindow()) continue;
        const int from = y + row->y(), to = from + row->height();
        if (row->height() > kTallestRow) {
            if (!qobject_cast<const QAbstractScrollArea*>(row)) cutRows(*row, from, end, edges);
            continue;
        }
        if (from < 0 && to > 0) edges.top = std::max(edges.top, to);
        if (from < end && to > end) edges.bottom = std::min(edges.bottom, from);
    }
}

QWidget* makeCover(QWidget* over) {
    auto* cover = new QWidget(over);
    cover->setObjectName(QStringLiteral("panel"));
    cover->setAttribute(Qt::WA_StyledBackground);
    cover->hide();
    return cover;
}

} // namespace

WholeRows::WholeRows(QWidget* parent)
    : QScrollArea(parent), above_(makeCover(viewport())), below_(makeCover(viewport())), later_(new QTimer(this)) {
    later_->setSingleShot(true);
    later_->setInterval(0);
    connect(later_, &QTimer::timeout, this, &WholeRows::cover);
}

bool WholeRows::viewportEvent(QEvent* event) {
    if (event->type() == QEvent::Resize || event->type() == QEvent::LayoutRequest) later_->start();
    return QScrollArea::viewportEvent(event);
}

bool WholeRows::eventFilter(QObject* watched, QEvent* event) {
    // The area watches its page; so does this.
    if (event->type() == QEvent::Resize || event->type() == QEvent::LayoutRequest) later_->start();
    return QScrollArea::eventFilter(watched, event);
}

void WholeRows::scrollContentsBy(int dx, int dy) {
    QScrollArea::scrollContentsBy(dx, dy);
    cover();
}

void WholeRows::cover() {
    Edges edges{0, viewport()->height()};
    if (widget()) cutRows(*widget(), widget()->y(), viewport()->height(), edges);
    const int top = edges.top, bottom = edges.bottom, end = viewport()->height();
    above_->setGeometry(0, 0, viewport()->width(), top);
    below_->setGeometry(0, bottom, viewport()->width(), end - bottom);
    above_->setVisible(top > 0);
    below_->setVisible(bottom < end);
    above_->raise();
    below_->raise();
}

} // namespace baryton
