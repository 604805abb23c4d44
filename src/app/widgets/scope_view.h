#pragma once
#include "app/widgets/readable.h"
#include "render/scopes.h"

#include <QImage>
#include <QWidget>

namespace baryton {

/// A colour marked on the scopes: a sample, or what the pointer is on.
struct ScopeMark {
    std::array<float, 3> colour{}; ///< in the working encoding
    QString label;                 ///< empty for the pointer
};

/// A vectorscope's counts as light in the colours that lie there, spanning ±0.5 of Cb and Cr. From any thread.
QImage traceOf(const Vectorscope& scope);

/// Waveform, parade (red, green, blue side by side) or vectorscope of the picture, drawn from counts. The vectorscope
/// carries the skin line, hue ticks and the marked colours; a hover reads the place under the pointer.
class ScopeView : public QWidget, public Readable {
    Q_OBJECT
public:
    enum class Kind { Waveform, Parade, Vectorscope };

    explicit ScopeView(Kind kind, QWidget* parent = nullptr);

    void setWaveform(const Waveform& waveform); ///< for Waveform and Parade
    void setTrace(const QImage& trace);         ///< for Vectorscope, as traceOf makes it
    void setMarks(const QVector<ScopeMark>& marks);
    const QImage& trace() const { return trace_; }
    /// Where a colour lies on the vectorscope, in widget pixels.
    QPointF placeOf(const std::array<float, 3>& colour) const;
    QString inWords() const override; ///< the marked colours
    QAccessible::Role readableRole() const override { return QAccessible::Graphic; }
    QSize sizeHint() const override { return {272, 112}; }

protected:
    void paintEvent(QPaintEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void leaveEvent(QEvent* event) override;

private:
    QRectF plot() const;
    QPointF fromPlane(double cb, double cr) const;
    void paintVectorscope(QPainter& painter) const;
    void paintLevels(QPainter& painter) const;

    Kind kind_;
    QImage trace_;
    QVector<ScopeMark> marks_;
    std::optional<QPointF> pointer_;
};

} // namespace baryton
