#include "app/grade/grid_view.h"
#include "app/theme/theme.h"
#include "app/widgets/tag.h"

#include <QMouseEvent>
#include <QPainter>
#include <algorithm>
#include <cmath>
#include <utility>

namespace baryton {

GridView::GridView(AppState& state, QWidget* parent) : QWidget(parent), state_(state) {
    setAccessibleName(tr("Grid of pictures"));
    connect(&state, &AppState::targetsChanged, this, &GridView::choose);
    connect(&state, &AppState::keyChanged, this, &GridView::choose);
    connect(&state, &AppState::targetsChanged, this, qOverload<>(&QWidget::update));
    connect(&state, &AppState::shownGradeChanged, this, &GridView::redraw);
    connect(&state, &AppState::beforeChanged, this, &GridView::redraw);
    connect(&state.pictures(), &PictureSet::gradeChanged, this, [this](int index) {
        if (showsVersions_ && index == state_.key()) fillVersions();
        redraw();
    });
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

void GridView::showVersions(bool on) {
    if (on == showsVersions_) return;
    showsVersions_ = on;
    images_.clear();
    sources_.clear();
    fillVersions();
    redraw();
    update();
}

void GridView::fillVersions() {
    if (!showsVersions_ || !state_.hasKey()) {
        versions_.clear();
        return;
    }
    auto next = state_.versionsOf(state_.key());
    next.push_back(
        {AppState::Version::kInHand, tr("In hand: %1").arg(state_.handText(state_.key())), state_.keyWork()});
    // The start and the newest ones have room.
    if (next.size() > kMost)
        next.erase(next.begin() + 1, next.begin() + 1 + static_cast<std::ptrdiff_t>(next.size() - kMost));
    if (next.size() != versions_.size()) {
        images_.clear();
        sources_.clear();
    }
    versions_ = std::move(next);
}

void GridView::choose() {
    if (showsVersions_) {
        images_.clear();
        sources_.clear();
        fillVersions();
    }
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
    const bool wantsWhole = isBefore_ && !showsVersions_ && state_.before().kind == Before::Kind::WholeSource;
    if (std::exchange(sourcesAreWhole_, wantsWhole) != wantsWhole) sources_.clear();
    const QSizeF room = cell(0).size() * devicePixelRatioF();
    if (room.toSize() != sourceSize_) {
        sourceSize_ = room.toSize();
        sources_.clear();
    }
    for (std::size_t i = 0; i < count(); ++i) {
        const int index = showsVersions_ ? static_cast<int>(i) : shown_[i];
        Picture& source = sources_[index];
        if (source.isEmpty()) {
            const Picture small = showsVersions_     ? state_.pictures().smallOf(state_.key())
                                  : sourcesAreWhole_ ? state_.pictures().wholeSmallOf(index)
                                                     : state_.pictures().smallOf(index);
            if (small.isEmpty()) continue;
            const double scale = std::min({1.0, room.width() / small.width(), room.height() / small.height()});
            source = resized(small, std::max(1, static_cast<int>(std::lround(small.width() * scale))),
                             std::max(1, static_cast<int>(std::lround(small.height() * scale))));
        }
        tiles.push_back({index,
                         showsVersions_ ? versions_[i].work.grade
                         : isBefore_    ? state_.beforeOf(index)
                                        : state_.shownGradeOf(index),
                         source});
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
    const auto cells = static_cast<int>(std::max<std::size_t>(1, count()));
    const int columns = static_cast<int>(std::ceil(std::sqrt(double(cells)))), rows = (cells + columns - 1) / columns;
    const double w = double(width()) / columns, h = double(height()) / rows;
    const auto at = static_cast<int>(place);
    constexpr int name = 20; // below a version, so that nothing lies over it
    return QRectF(at % columns * w, at / columns * h, w, h).adjusted(4, 4, -4, showsVersions_ ? -4 - name : -4);
}

void GridView::paintCell(QPainter& p, std::size_t i) const {
    const auto& c = theme::colours();
    const int index = showsVersions_ ? static_cast<int>(i) : shown_[i];
    const QRectF room = cell(i);
    const QImage picture = image(index);
    QRectF where = room;
    if (!picture.isNull()) {
        const QSizeF size = QSizeF(picture.size()).scaled(room.size(), Qt::KeepAspectRatio);
        where = {room.center() - QPointF(size.width() / 2, size.height() / 2), size};
        p.drawImage(where, picture);
        if (isBefore_ && !showsVersions_) drawTag(p, where, state_.beforeName(), Qt::AlignLeft);
    } else {
        const QString& error = state_.pictures().at(showsVersions_ ? state_.key() : index).error;
        p.setPen(error.isEmpty() ? c.second : c.error);
        p.drawText(room, Qt::AlignCenter | Qt::TextWordWrap, error.isEmpty() ? tr("Reading…") : error);
    }
    const auto& chosen = state_.selection();
    if (!showsVersions_ && state_.editsAll() && std::find(chosen.begin(), chosen.end(), index) != chosen.end())
        p.fillRect(QRectF(where.left() - 4, where.top(), 4, where.height()), c.accent);
    const bool isCurrent = showsVersions_ ? versions_[i].take == AppState::Version::kInHand : index == state_.key();
    if (isCurrent) {
        p.setPen(QPen(c.accent, 2));
        p.setBrush(Qt::NoBrush);
        p.drawRect(where.adjusted(-1, -1, 1, 1));
    }
    if (!showsVersions_) return;
    p.setPen(isCurrent ? c.text : c.second);
    p.drawText(QRectF(room.left(), where.bottom() + 3, room.width(), 18), Qt::AlignHCenter | Qt::AlignTop,
               versions_[i].name);
}

void GridView::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.fillRect(rect(), theme::surround());
    p.setRenderHint(QPainter::SmoothPixmapTransform);
    for (std::size_t i = 0; i < count(); ++i) paintCell(p, i);
}

void GridView::resizeEvent(QResizeEvent*) {
    redraw();
}

void GridView::mousePressEvent(QMouseEvent* event) {
    for (std::size_t i = 0; i < count(); ++i) {
        if (!cell(i).contains(event->position())) continue;
        if (!showsVersions_) return state_.setKey(shown_[i]);
        if (versions_[i].take != AppState::Version::kInHand) state_.goOnFrom(versions_[i].take);
        return;
    }
}

} // namespace baryton
