#pragma once
#include "app/widgets/readable.h"
#include "lut/colour_moves.h"

#include <QWidget>

namespace baryton {

/// Colours of one lightness as they lie around grey (OKLab: red at the right, yellow above): each a dot where it is
/// taken, with a line from where it was. Where skin lies is marked.
class SliceView : public QWidget, public Readable {
    Q_OBJECT
public:
    explicit SliceView(QWidget* parent = nullptr);
    void setMoves(std::vector<ColourMove> moves);
    /// How much of their way the colours have gone, 0…1.
    void setShare(double share);
    /// Where a colour lies on the widget.
    QPointF place(const std::array<double, 3>& rgb) const;
    int dots() const { return static_cast<int>(moves_.size()); }

    QSize sizeHint() const override { return {420, 380}; }
    QString inWords() const override;
    QAccessible::Role readableRole() const override { return QAccessible::Graphic; }

protected:
    void paintEvent(QPaintEvent* event) override;

private:
    QPointF placeOf(double a, double b) const;
    std::vector<ColourMove> moves_;
    double share_ = 1;
};

} // namespace baryton
