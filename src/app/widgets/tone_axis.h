#pragma once
#include "app/widgets/readable.h"

#include <QVector>
#include <QWidget>
#include <array>
#include <functional>

namespace baryton {

/// The tones from black to white over the picture's histogram: how far shadows, midtones and highlights reach as soft
/// curves, and how much each is lifted or lowered as four short rulers, the whole's beside.
///
/// A press picks up the nearest ruler, wherever it falls, and a drag moves it by what the hand moves (Shift: finely);
/// the two marks at the foot move where the ranges lie. A double click takes a ruler, or a mark, back to where it was
/// at the start. Arrow keys up and down move the chosen ruler, left and right choose, Home takes it back.
class ToneAxis : public QWidget, public Readable {
    Q_OBJECT
public:
    static constexpr int kRanges = 4; ///< shadows, midtones, highlights, the whole
    /// Shares of shadows, midtones and highlights at a tone 0…1.
    using Weights = std::function<std::array<double, 3>(double tone)>;

    explicit ToneAxis(const QStringList& names, QWidget* parent = nullptr);
    void setHistogram(const QVector<double>& counts);
    void setWeights(const Weights& weights);
    void setLevels(const std::array<double, kRanges>& levels); ///< −1…1
    void setMarks(double shadows, double highlights);          ///< tones 0…1
    void choose(int range);
    int chosen() const { return chosen_; }
    QPointF knob(int range) const;
    QPointF mark(int which) const;
    QPointF name(int range) const; ///< the middle of a range's name
    QSize sizeHint() const override { return {288, 118}; }
    QString inWords() const override;

Q_SIGNALS:
    void levelEdited(int range, double level, bool settled);
    void markEdited(int which, double tone, bool settled); ///< 0: shadows, 1: highlights
    void levelResetWanted(int range);
    void markResetWanted(int which);
    void chosenChanged(int range);

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void mouseDoubleClickEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;

private:
    QRectF plot() const; ///< of the histogram
    QRectF ruler(int range) const;
    int rulerNear(QPointF at) const;
    int markNear(QPointF at) const;
    void setLevel(double level, bool settled);

    QStringList names_;
    QVector<double> histogram_;
    Weights weights_;
    std::array<double, kRanges> levels_{};
    std::array<double, 2> marks_{0.33, 0.66};
    int chosen_ = 0;
    enum class Drag { None, Level, Mark } drag_ = Drag::None;
    int draggedMark_ = 0;
    QPointF dragAt_;
    double dragged_ = 0;
};

} // namespace baryton
