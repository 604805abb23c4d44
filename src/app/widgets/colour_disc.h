#pragma once
#include "app/widgets/readable.h"

#include <QColor>
#include <QImage>
#include <QVector>
#include <QWidget>
#include <functional>

namespace baryton {

/// The plane of the vectorscope as one disc, with handles that pull colours over the picture's own trace. Angles
/// count counter-clockwise from the right, and the trace is drawn to the scale of the pulls: it goes as far as the
/// handle.
///
/// A press picks up the handle under it, else the chosen one, wherever it falls; a drag moves it by what the hand
/// moves (Shift: finely); a double click brings it there. Arrow keys pull the chosen handle (Shift: ten steps), comma
/// and full stop choose the one beside, Home takes its pull away. A small cross marks what lies opposite each pull.
class ColourDisc : public QWidget, public Readable {
    Q_OBJECT
public:
    struct Handle {
        QString name;
        QColor fill;
        bool isSquare = false; ///< acts on everything
        QPointF at;            ///< of the disc's radius, y upward; 0, 0 pulls nothing
        bool operator==(const Handle&) const = default;
    };

    /// `colourOf` gives the colour at an angle. `reach`: how far the rim lies from the middle, in units of Cb and Cr.
    ColourDisc(std::function<QColor(double degrees)> colourOf, double reach, QWidget* parent = nullptr);

    void setHandles(const QVector<Handle>& handles);
    const QVector<Handle>& handles() const { return handles_; }
    void choose(int handle);
    int chosen() const { return chosen_; }
    /// The trace, spanning ±0.5 of Cb and Cr.
    void setTrace(const QImage& trace);
    /// Shows where skin lies, at an angle.
    void setSkinLine(double degrees) { skin_ = degrees; }
    /// The pull as an angle (0…360) and how far (0…1), and back.
    static double angleOf(QPointF at);
    static double amountOf(QPointF at);
    static QPointF pullOf(double degrees, double amount);

    QPointF handlePoint(int handle) const; ///< in widget pixels
    QPointF discPoint(double degrees, double amount) const;
    QSize sizeHint() const override { return {240, 240}; }
    QString inWords() const override;

Q_SIGNALS:
    void edited(int handle, QPointF at, bool settled);
    void chosenChanged(int handle);
    /// A handle is in the hand (−1: none is), and whether the hand rests.
    void held(int handle, bool rests);

protected:
    void paintEvent(QPaintEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void mouseDoubleClickEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;

private:
    QPointF centre() const { return {width() / 2.0, height() / 2.0}; }
    double radius() const;
    int handleAt(QPointF pixel) const;
    void moveTo(QPointF at, bool settled);
    void renderGround();
    void paintHandle(QPainter& painter, int handle) const;
    void letGo();

    std::function<QColor(double)> colourOf_;
    double reach_;
    QVector<Handle> handles_;
    int chosen_ = 0;
    QImage ground_, trace_;
    std::optional<double> skin_;
    bool dragging_ = false;
    QPointF dragAt_; ///< of the pointer
    QPointF pulled_; ///< of the handle, before it is held to the disc
    QTimer* restTimer_;
};

} // namespace baryton
