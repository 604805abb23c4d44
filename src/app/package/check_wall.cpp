#include "app/package/check_wall.h"
#include "app/theme/theme.h"
#include "edits/in_force.h"

#include <QPainter>
#include <cmath>

namespace baryton {

namespace {
constexpr int kHead = 22; ///< the line with the presets' names
}

CheckWall::CheckWall(AppState& state, QWidget* parent) : QWidget(parent), state_(state) {
    setAccessibleName(tr("Check pictures with the preset"));
    connect(&state.pictures(), &PictureSet::opened, this, [this] {
        pictures_.clear();
        sources_.clear();
        images_.clear();
    });
    connect(&state.pictures(), &PictureSet::thumbnailChanged, this, [this](int index) {
        if (sources_.contains(index) || std::find(pictures_.begin(), pictures_.end(), index) == pictures_.end())
            return;
        redraw();
    });
    connect(&drawer_, &TileDrawer::drawn, this, [this](int id, const QImage& image) {
        images_[id] = image;
        awaited_.erase(id);
        update();
        if (awaited_.empty()) Q_EMIT drawn();
    });
}

void CheckWall::setPictures(const std::vector<int>& pictures) {
    if (pictures == pictures_) return;
    pictures_ = pictures;
    images_.clear();
    sources_.clear();
    redraw();
    update();
}

void CheckWall::setGround(Ground ground) {
    ground_ = ground;
    redraw();
}

void CheckWall::setHow(ApplyMode mode, double strength) {
    mode_ = mode;
    strength_ = strength;
    redraw();
}

void CheckWall::setPresets(const std::vector<Worn>& presets) {
    if (presets.size() != presets_.size()) images_.clear(), sources_.clear();
    presets_ = presets;
    redraw();
    update();
}

QImage CheckWall::image(int picture, int preset) const {
    const auto at = images_.find(picture * 2 + preset);
    return at == images_.end() ? QImage() : at->second;
}

CheckWall::Layout CheckWall::layoutFor(std::size_t count) const {
    // The number of columns that lets pictures of 3:2 be largest.
    Layout best;
    double largest = 0;
    const double room = height() - kHead;
    for (int columns = 1; columns <= static_cast<int>(count); ++columns) {
        const int rows = (static_cast<int>(count) + columns - 1) / columns;
        const double w = double(width()) / columns, h = room / rows;
        const double size = std::min(w / (presets_.size() > 1 ? 3 : 1.5), h);
        if (size <= largest) continue;
        largest = size;
        best = {columns, rows, QSizeF(w, h)};
    }
    return best;
}

QRectF CheckWall::cell(std::size_t picture, std::size_t preset) const {
    const Layout layout = layoutFor(std::max<std::size_t>(1, pictures_.size()));
    const int at = static_cast<int>(picture);
    QRectF where(QPointF(at % layout.columns * layout.cell.width(),
                         kHead + double(at / layout.columns) * layout.cell.height()),
                 layout.cell);
    where.adjust(4, 4, -4, -4);
    if (presets_.size() < 2) return where;
    const double half = (where.width() - 2) / 2;
    return {where.left() + static_cast<double>(preset) * (half + 2), where.top(), half, where.height()};
}

void CheckWall::redraw() {
    if (!isVisible()) return;
    const QSizeF room = cell(0, 0).size() * devicePixelRatioF();
    if (room.toSize() != sourceSize_) {
        sourceSize_ = room.toSize();
        sources_.clear();
    }
    std::vector<TileDrawer::Tile> tiles;
    awaited_.clear();
    for (const int index : pictures_) {
        if (index >= state_.pictures().size()) continue;
        Picture& source = sources_[index];
        if (source.isEmpty()) {
            const Picture small = state_.pictures().smallOf(index);
            if (small.isEmpty()) {
                sources_.erase(index);
                continue;
            }
            const double scale = std::min({1.0, room.width() / small.width(), room.height() / small.height()});
            source = resized(small, std::max(1, static_cast<int>(std::lround(small.width() * scale))),
                             std::max(1, static_cast<int>(std::lround(small.height() * scale))));
        }
        PictureWork base = state_.pictures().at(index).work;
        if (ground_ == Ground::Bare) {
            base.grade.look.clear();
            base.grade.finish.clear();
            base.inForce.clear();
        }
        for (std::size_t p = 0; p < std::max<std::size_t>(1, presets_.size()); ++p) {
            const int id = index * 2 + static_cast<int>(p);
            tiles.push_back(
                {id, presets_.empty() ? base.grade : withPreset(base, presets_[p].preset, mode_, strength_).grade,
                 source});
            awaited_.insert(id);
        }
    }
    drawer_.draw(std::move(tiles));
}

void CheckWall::paintEvent(QPaintEvent*) {
    QPainter p(this);
    const auto& c = theme::colours();
    p.fillRect(rect(), theme::surround());
    p.setRenderHint(QPainter::SmoothPixmapTransform);
    const QRectF head(10, 0, width() - 20, kHead);
    p.setPen(c.second);
    if (pictures_.empty()) {
        p.drawText(rect(), Qt::AlignCenter, tr("Choose check pictures at the left"));
        return;
    }
    QString text = tr("Check pictures without a preset");
    if (presets_.size() == 1) text = tr("%1 on the check pictures").arg(presets_[0].name);
    if (presets_.size() > 1) text = tr("%1 (left)  ·  %2 (right)").arg(presets_[0].name, presets_[1].name);
    p.drawText(head, Qt::AlignVCenter | Qt::AlignLeft,
               p.fontMetrics().elidedText(text, Qt::ElideMiddle, static_cast<int>(head.width())));
    for (std::size_t i = 0; i < pictures_.size(); ++i)
        for (std::size_t k = 0; k < std::max<std::size_t>(1, presets_.size()); ++k) {
            const QRectF room = cell(i, k);
            const QImage picture = image(pictures_[i], static_cast<int>(k));
            if (picture.isNull()) {
                p.fillRect(room, c.well);
                continue;
            }
            const QSizeF size = QSizeF(picture.size()).scaled(room.size(), Qt::KeepAspectRatio);
            QPointF at = room.center() - QPointF(size.width() / 2, size.height() / 2);
            if (presets_.size() > 1) at.setX(k == 0 ? room.right() - size.width() : room.left()); // pairs touch
            p.drawImage(QRectF(at, size), picture);
        }
}

void CheckWall::resizeEvent(QResizeEvent*) {
    redraw();
}

void CheckWall::showEvent(QShowEvent*) {
    redraw();
}

} // namespace baryton
