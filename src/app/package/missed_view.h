#pragma once
#include "picture/picture.h"

#include <QImage>
#include <QVector>
#include <QWidget>

namespace baryton {

/// A picture of differences (CIEDE2000, in the first plane): black at 0, amber half way, white from `white` on; 1 is
/// where an eye that compares begins to see one.
QImage imageOfMissed(const Picture& missed, double white = 1);

/// Where a LUT misses its Look, on pictures side by side. A press, or Enter, shows them large.
class MissedView : public QWidget {
    Q_OBJECT
public:
    explicit MissedView(QWidget* parent = nullptr);
    void setImages(const QVector<QImage>& images);
    const QVector<QImage>& images() const { return images_; }
    void showLarge();

protected:
    void paintEvent(QPaintEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;

private:
    QVector<QImage> images_;
};

} // namespace baryton
