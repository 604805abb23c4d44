#include "app/grade/grid_view.h"
#include "app/theme/theme.h"
#include "app/widgets/tag.h"

#include <QMouseEvent>
#include <QPainter>
#include <algorithm>
#include <cmath>

namespace baryton {

GridView::GridView(AppState& state, QWidget* parent) : QWidget(parent), state_(state) {
    setAccessibleName(tr("Grid of pictures"));
    connect(&state, &AppState::targetsChanged, this, &GridView::choose);
    connect(&state, &AppState::keyChanged, this, &GridView::choose);
    connect(&state, &AppState::targetsChanged, this, qOverload<>(&QWidget::update));
    connect(&state, &AppState::shownGradeChanged, this, &GridView::redraw);
    connect(&state, &AppState::beforeChanged, this, &GridView::redraw);
    connect(&state.pictures(), &PictureSet::gradeChanged, this, &GridView::redraw);
    connect(&state.pictures(), &PictureSet::thumbnailChanged, this, [this](int index) {
        if (images_.contains(index) || std::find(shown_.begin(), shown_.end(), index) == shown_.end()) return;
        redraw();
    });
    connect(&drawer_, &TileDrawer::drawn, this, [this](int index, const QImage& image) {
        images_[index] = image;
        awaited_.erase(index);
        update();
        if (awaited_.empty()) Q_EMIT drawn();
    });
}

QImage GridView::image(int index) const {
    const auto at = images_.find(index);
    return at == images_.end() ? QImage() : at->second;
}

void GridView::choose() {
    std::vector<int> wanted = state_.selection();
    // One alone is no grid: its neighbours come beside it.
    if (wanted.size() < 2) {
        wanted.clear();
        constexpr int beside = 4;
        const int count = state_.pictures().size();
        const int first = std::clamp(state_.key() - 1, 0, std::max(0, count - beside));
        for (int i = first; i < std::min(count, first + beside); ++i) wanted.push_back(i);
    }
    if (wanted.size() > kMost) wanted.resize(kMost);
    if (wanted != shown_) {
        shown_ = std::move(wanted);
        images_.clear();
        sources_.clear();
    }
    redraw();
    update();
}

void GridView::redraw() {
    if (!isVisible()) return;
    std::vector<TileDrawer::Tile> tiles;
    awaited_.clear();
    const QSizeF room = cell(0).size() * devicePixelRatioF();
    if (room.toSize() != sourceSize_) {
        sourceSize_ = room.toSize();
        sources_.clear();
    }
    for (const int index : shown_) {
        Picture& source = sources_[index];
        if (source.isEmpty()) {
            const Picture small = state_.pictures().smallOf(index);
            if (small.isEmpty()) continue;
            const double scale = std::min({1.0, room.width() / small.width(), room.height() / small.height()});
            source = resized(small, std::max(1, static_cast<int>(std::lround(small.width() * scale))),
                             std::max(1, static_cast<int>(std::lround(small.height() * scale))));
        }
        tiles.push_back({index, isBefore_ ? state_.beforeOf(index) : state_.shownGradeOf(index), source});
        awaited_.insert(index);
    }
    drawer_.draw(std::move(tiles));
}

void GridView::showBefore(bool before) {
    if (before == isBefore_) return;
    isBefore_ = before;
    redraw();
    update();
}

void GridView::showEvent(QShowEvent*) {
    choose();
}

QRectF GridView::cell(std::size_t place) const {
    const auto count = static_cast<int>(std::max<std::size_t>(1, shown_.size()));
    const int columns = static_cast<int>(std::ceil(std::sqrt(double(count)))), rows = (count + columns - 1) / columns;
    const double w = double(width()) / columns, h = double(height()) / rows;
    const auto at = static_cast<int>(place);
    return QRectF(at % columns * w, at / columns * h, w, h).adjusted(4, 4, -4, -4);
}

void GridView::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.fillRect(rect(), theme::surround());
    p.setRenderHint(QPainter::SmoothPixmapTransform);
    const auto& c = theme::colours();
    for (std::size_t i = 0; i < shown_.size(); ++i) {
        const QRectF room = cell(i);
        const QImage picture = image(shown_[i]);
        QRectF where = room;
        if (!picture.isNull()) {
            const QSizeF size = QSizeF(picture.size()).scaled(room.size(), Qt::KeepAspectRatio);
            where = {room.center() - QPointF(size.width() / 2, size.height() / 2), size};
            p.drawImage(where, picture);
            if (isBefore_) drawTag(p, where, state_.beforeName(), Qt::AlignLeft);
        } else {
            const QString& error = state_.pictures().at(shown_[i]).error;
            p.setPen(error.isEmpty() ? c.second : c.error);
            p.drawText(room, Qt::AlignCenter | Qt::TextWordWrap, error.isEmpty() ? tr("Reading…") : error);
        }
        const auto& chosen = state_.selection();
        if (state_.editsAll() && std::find(chosen.begin(), chosen.end(), shown_[i]) != chosen.end())
            p.fillRect(QRectF(where.left() - 4, where.top(), 4, where.height()), c.accent);
        if (shown_[i] == state_.key()) {
            p.setPen(QPen(c.accent, 2));
            p.setBrush(Qt::NoBrush);
            p.drawRect(where.adjusted(-1, -1, 1, 1));
        }
    }
}

void GridView::resizeEvent(QResizeEvent*) {
    redraw();
}

void GridView::mousePressEvent(QMouseEvent* event) {
    for (std::size_t i = 0; i < shown_.size(); ++i)
        if (cell(i).contains(event->position())) state_.setKey(shown_[i]);
}

} // namespace baryton
