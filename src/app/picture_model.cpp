#include "app/picture_model.h"
#include "app/dragged_files.h"
#include "app/theme/theme.h"
#include "app/widgets/labels.h"
#include "stages/stage_type.h"

#include <QAbstractItemView>
#include <QMimeData>
#include <QPainter>
#include <QPainterPath>

namespace baryton {

PictureModel::PictureModel(PictureSet& pictures, QObject* parent) : QAbstractListModel(parent), pictures_(pictures) {
    connect(&pictures, &PictureSet::opened, this, [this] {
        beginResetModel();
        endResetModel();
    });
    const auto changed = [this](int row) { Q_EMIT dataChanged(index(row), index(row)); };
    connect(&pictures, &PictureSet::thumbnailChanged, this, changed);
    connect(&pictures, &PictureSet::gradeChanged, this, changed);
}

int PictureModel::rowCount(const QModelIndex& parent) const {
    return parent.isValid() ? 0 : pictures_.size();
}

QVariant PictureModel::data(const QModelIndex& index, int role) const {
    if (!index.isValid() || index.row() >= pictures_.size()) return {};
    const OpenPicture& picture = pictures_.at(index.row());
    switch (role) {
    case Qt::DisplayRole:
    case Qt::AccessibleTextRole:
        return QString::fromStdString(picture.file.filename().string());
    case Qt::ToolTipRole:
        return picture.error.isEmpty() ? QString::fromStdString(picture.file.filename().string()) : picture.error;
    case Qt::DecorationRole:
        if (picture.thumbnail.isNull()) pictures_.want(index.row());
        return picture.thumbnail;
    case GradedRole:
        return !isNeutral(picture.work.grade);
    case ErrorRole:
        return picture.error;
    case TakesRole:
        return static_cast<int>(picture.work.takes.size());
    case ModifiedRole: {
        std::error_code failed;
        const auto time = std::filesystem::last_write_time(picture.file, failed);
        return failed ? 0LL : static_cast<qlonglong>(time.time_since_epoch().count());
    }
    default:
        return {};
    }
}

Qt::ItemFlags PictureModel::flags(const QModelIndex& index) const {
    return QAbstractListModel::flags(index) | Qt::ItemIsDragEnabled;
}

QStringList PictureModel::mimeTypes() const {
    return {QStringLiteral("text/uri-list")};
}

QMimeData* PictureModel::mimeData(const QModelIndexList& indexes) const {
    std::vector<std::filesystem::path> files;
    for (const QModelIndex& each : indexes) files.push_back(pictures_.at(each.row()).file);
    return asDragged(files);
}

void beginCard(QPainter& painter, const QRectF& box, const QColor& fill) {
    painter.save();
    painter.setRenderHint(QPainter::Antialiasing);
    QPainterPath shape;
    shape.addRoundedRect(box, 4, 4);
    painter.setClipPath(shape);
    painter.fillRect(box, fill);
}

void endCard(QPainter& painter, const QRectF& box, bool isCurrent, bool isPointedAt) {
    painter.setClipping(false);
    if (isCurrent || isPointedAt) {
        const auto& c = theme::colours();
        painter.setRenderHint(QPainter::Antialiasing);
        painter.setBrush(Qt::NoBrush);
        painter.setPen(QPen(isCurrent ? c.accent : c.second, isCurrent ? 2 : 1));
        painter.drawRoundedRect(box, 4, 4);
    }
    painter.restore();
}

void drawFitted(QPainter& painter, const QRectF& where, const QImage& image) {
    if (image.isNull()) return;
    const QSizeF size = QSizeF(image.size()).scaled(where.size(), Qt::KeepAspectRatio);
    painter.setRenderHint(QPainter::SmoothPixmapTransform);
    painter.drawImage(QRectF(where.center() - QPointF(size.width() / 2, size.height() / 2), size), image);
}

void drawFilling(QPainter& painter, const QRectF& where, const QImage& image) {
    if (image.isNull()) return;
    const double scale = std::max(where.width() / image.width(), where.height() / image.height());
    const QSizeF part(where.width() / scale, where.height() / scale);
    const QRectF from(QPointF((image.width() - part.width()) / 2, (image.height() - part.height()) / 2), part);
    painter.setRenderHint(QPainter::SmoothPixmapTransform);
    painter.drawImage(where, image, from);
}

QSize ThumbnailDelegate::sizeHint(const QStyleOptionViewItem&, const QModelIndex&) const {
    return {width_, (width_ - 6) * 2 / 3 + 6};
}

void ThumbnailDelegate::paint(QPainter* p, const QStyleOptionViewItem& option, const QModelIndex& index) const {
    const auto& c = theme::colours();
    const QRectF box = QRectF(option.rect).adjusted(3, 3, -3, -3);
    beginCard(*p, box, c.well);
    const auto image = index.data(Qt::DecorationRole).value<QImage>();
    drawFitted(*p, box, image);
    const bool failed = !index.data(PictureModel::ErrorRole).toString().isEmpty();
    const int takes = index.data(PictureModel::TakesRole).toInt();
    const QString badge = failed                                          ? tr("can't be read")
                          : takes > 0                                     ? counted(takes, tr("take"), tr("takes"))
                          : index.data(PictureModel::GradedRole).toBool() ? tr("graded")
                                                                          : QString();
    if (!badge.isEmpty()) {
        QFont small = option.font;
        small.setPixelSize(10);
        p->setFont(small);
        const QSizeF size(QFontMetricsF(small).horizontalAdvance(badge) + 10, 15);
        const QRectF tag(box.bottomRight() - QPointF(size.width() + 3, size.height() + 3), size);
        p->setPen(Qt::NoPen);
        p->setBrush(QColor(0, 0, 0, 190));
        p->drawRoundedRect(tag, 3, 3);
        p->setPen(failed ? c.error : QColor(Qt::white));
        p->drawText(tag, Qt::AlignCenter, badge);
    }
    const auto* view = qobject_cast<const QAbstractItemView*>(option.widget);
    const bool isCurrent = view ? view->currentIndex() == index : option.state.testFlag(QStyle::State_Selected);
    endCard(*p, box, isCurrent, option.state & QStyle::State_MouseOver);
    if (option.state & QStyle::State_Selected && (editsAll_ || !isCurrent)) {
        p->save();
        p->setRenderHint(QPainter::Antialiasing);
        p->setPen(QPen(c.accent, editsAll_ ? 2 : 1, editsAll_ ? Qt::SolidLine : Qt::DashLine));
        p->drawRoundedRect(box, 4, 4);
        // A bar beside each that an edit changes: chosen alone would not say so.
        if (editsAll_) p->fillRect(QRectF(box.topLeft(), QSizeF(6, box.height())), c.accent);
        p->restore();
    }
}

} // namespace baryton
