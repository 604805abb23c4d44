#pragma once
#include <QScrollArea>

class QTimer;

namespace baryton {

/// A scroll area that ends in whole rows: of a control that its edge would cut through nothing is shown. What is
/// larger than a row (a curve, a disc) is cut as usual. Nothing moves for it: the rest of the row is covered.
class WholeRows : public QScrollArea {
    Q_OBJECT
public:
    explicit WholeRows(QWidget* parent = nullptr);
    /// The height that is covered at the upper and at the lower edge.
    int coveredAbove() const { return above_->isHidden() ? 0 : above_->height(); }
    int coveredBelow() const { return below_->isHidden() ? 0 : below_->height(); }

protected:
    bool viewportEvent(QEvent* event) override;
    bool eventFilter(QObject* watched, QEvent* event) override;
    void scrollContentsBy(int dx, int dy) override;

private:
    void cover();
    QWidget *above_, *below_;
    QTimer* later_; ///< once the page has its layout
};

} // namespace baryton
