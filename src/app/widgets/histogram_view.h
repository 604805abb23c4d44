#pragma once
#include "app/widgets/readable.h"

#include <QVector>
#include <QWidget>

namespace baryton {

/// Three overlaid histograms (red, green, blue) that add up to light where they meet; the pointer reads a level.
class HistogramView : public QWidget, public Readable {
    Q_OBJECT
public:
    explicit HistogramView(QWidget* parent = nullptr);

    /// Counts of 256 levels each, and how many pixels were counted.
    void setCounts(const QVector<double>& red, const QVector<double>& green, const QVector<double>& blue,
                   double pixels);
    QSize sizeHint() const override { return {272, 112}; }
    QString inWords() const override;
    QAccessible::Role readableRole() const override { return QAccessible::Graphic; }

protected:
    void paintEvent(QPaintEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void leaveEvent(QEvent* event) override;

private:
    QRectF plot() const;
    QVector<double> channels_[3];
    double pixels_ = 0;
    int pointedLevel_ = -1;
};

} // namespace baryton
