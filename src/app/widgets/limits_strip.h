#pragma once
#include <QColor>
#include <QVector>
#include <QWidget>

namespace baryton {

/// Where a stage acts: a range of tones over the histogram of lumas, and one of hues over the hue circle. The ends of
/// both are dragged; dragging between them moves the range. Keyboard: the rows below.
class LimitsStrip : public QWidget {
    Q_OBJECT
public:
    struct Ranges {
        double low = 0, high = 1, softness = 0.2;      ///< of luma
        double hue = 0, width = 360, hueSoftness = 30; ///< degrees, OKLCh
    };

    explicit LimitsStrip(const QVector<QColor>& hues, QWidget* parent = nullptr);
    void setRanges(const Ranges& ranges);
    void setHistogram(const QVector<double>& lumas);
    QRectF tones() const { return {6, 2, width() - 12.0, 34}; }
    QRectF hues() const { return {6, 42, width() - 12.0, 16}; }
    QSize sizeHint() const override { return {288, 62}; }

Q_SIGNALS:
    void edited(const baryton::LimitsStrip::Ranges& ranges, bool settled);

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void mouseDoubleClickEvent(QMouseEvent* event) override;

private:
    QVector<QColor> colours_;
    QVector<double> histogram_;
    Ranges ranges_, atPress_;
    enum class Drag { None, Low, High, Tones, HueLow, HueHigh, Hue } drag_ = Drag::None;
    QPointF from_;
};

} // namespace baryton
