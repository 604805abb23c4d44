#pragma once
#include "app/picture_set.h"

#include <QAbstractListModel>
#include <QStyledItemDelegate>

namespace baryton {

/// The set as rows for list views: name, graded thumbnail, whether it is graded.
class PictureModel : public QAbstractListModel {
    Q_OBJECT
public:
    enum Role { GradedRole = Qt::UserRole, ErrorRole, ModifiedRole, TakesRole };

    explicit PictureModel(PictureSet& pictures, QObject* parent = nullptr);
    int rowCount(const QModelIndex& parent = {}) const override;
    QVariant data(const QModelIndex& index, int role) const override;
    /// Pictures are dragged as their files.
    Qt::ItemFlags flags(const QModelIndex& index) const override;
    QStringList mimeTypes() const override;
    QMimeData* mimeData(const QModelIndexList& indexes) const override;
    Qt::DropActions supportedDragActions() const override { return Qt::CopyAction; }

private:
    PictureSet& pictures_;
};

/// Draws a picture as a thumbnail that fills its place; the current one is outlined, chosen ones too but thinner, a
/// graded one says so, and how many takes it has.
class ThumbnailDelegate : public QStyledItemDelegate {
    Q_OBJECT
public:
    using QStyledItemDelegate::QStyledItemDelegate;
    void paint(QPainter* painter, const QStyleOptionViewItem& option, const QModelIndex& index) const override;
    QSize sizeHint(const QStyleOptionViewItem& option, const QModelIndex& index) const override;
    void setWidth(int width) { width_ = width; }
    /// Whether edits go to all that are chosen: those are marked as what they change.
    void setEditsAll(bool all) { editsAll_ = all; }

private:
    int width_ = 96;
    bool editsAll_ = false;
};

/// A card of a list view: saves the painter, clips it to the rounded box and fills it; `endCard` outlines the box
/// where it is the current one or under the pointer, and restores.
void beginCard(QPainter& painter, const QRectF& box, const QColor& fill);
void endCard(QPainter& painter, const QRectF& box, bool isCurrent, bool isPointedAt);

/// Draws an image whole into the middle of a rectangle: heads stay on.
void drawFitted(QPainter& painter, const QRectF& where, const QImage& image);
/// Draws an image into a rectangle so that it is filled, what stands over cut off on both sides alike.
void drawFilling(QPainter& painter, const QRectF& where, const QImage& image);

} // namespace baryton
