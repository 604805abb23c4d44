#pragma once
#include "app/grade/editors.h"
#include "app/widgets/hue_lanes.h"
#include "app/widgets/scrub_cell.h"
#include "app/widgets/triangle_view.h"

#include <QStackedWidget>

namespace baryton {

/// Hue bands: the circle unrolled with three lanes, and the chosen band's numbers. On the picture, a press takes the
/// band of the hue pressed on (or an unused one, moved there); dragging shifts its hue sideways and its saturation
/// upward, with Alt its lightness.
class HueBandsEditor : public StageEditor {
    Q_OBJECT
public:
    HueBandsEditor(AppState& state, const std::string& stageId, QWidget* parent = nullptr);
    void refresh() override;
    void setPointed(std::optional<std::array<float, 3>> colour) override;
    void setInputPicture(const Picture& picture) override;
    void setInput(const QVector<double> (&counts)[4]) override { limits()->setHistogram(counts[3]); }
    bool worksOnPicture() const override { return true; }
    void pressOnPicture(const PickedColour& colour) override;
    void dragOnPicture(QPointF offset, Qt::KeyboardModifiers modifiers) override;
    HueLanes* lanes() const { return lanes_; }

private:
    std::string id(int band, const char* parameter) const;
    void choose(int band);
    HueLanes* lanes_;
    QVBoxLayout* rowsLayout_;
    std::vector<QWidget*> rowsOf_;
    double pressed_[3] = {};
};

/// Push table: rows of tones or hues down, the three opposite pairs and density across; the chosen row's range below.
/// On the picture, a press takes the hue row or the tone row that acts there most; dragging sideways pushes cyan–red,
/// upward density the other way, so that up is lighter.
class PushTableEditor : public StageEditor {
    Q_OBJECT
public:
    PushTableEditor(AppState& state, const std::string& stageId, QWidget* parent = nullptr);
    void refresh() override;
    void setInputPicture(const Picture& picture) override;
    void setInput(const QVector<double> (&counts)[4]) override { limits()->setHistogram(counts[3]); }
    bool worksOnPicture() const override { return true; }
    void pressOnPicture(const PickedColour& colour) override;
    void dragOnPicture(QPointF offset, Qt::KeyboardModifiers modifiers) override;
    ScrubCell* cell(int row, int column) const { return cells_[row][column]; }
    static constexpr int kRows = 8, kColumns = 4;

private:
    void choose(int row);
    bool isUsed(int row) const;
    bool isOpen(int row) const; ///< named and worked with; the others wait to be chosen
    double weightAt(int row, const std::array<float, 3>& colour) const;
    ScrubCell* cells_[kRows][kColumns];
    QPushButton* names_[kRows];
    QStackedWidget *pages_, *kinds_[kRows]; ///< a page for each row; on it the numbers of tones or of hues
    int chosen_ = 0;
    double pressed_[2] = {};
};

/// Primaries: the triangle with the picture's colours as a cloud, and the numbers.
class PrimariesEditor : public StageEditor {
    Q_OBJECT
public:
    PrimariesEditor(AppState& state, const std::string& stageId, QWidget* parent = nullptr);
    void refresh() override;
    void setInputPicture(const Picture& picture) override;
    void setInput(const QVector<double> (&counts)[4]) override { limits()->setHistogram(counts[3]); }
    TriangleView* triangle() const { return triangle_; }

private:
    TriangleView* triangle_;
};

/// Split tone: shadows and highlights as two handles on one disc over the trace of what comes out, and the balance.
class SplitToneEditor : public StageEditor {
    Q_OBJECT
public:
    SplitToneEditor(AppState& state, const std::string& stageId, QWidget* parent = nullptr);
    void refresh() override;
    void setInput(const QVector<double> (&counts)[4]) override { limits()->setHistogram(counts[3]); }
    void setInputPicture(const Picture&) override { refresh(); }
    ColourDisc* disc() const { return disc_; }

private:
    ColourDisc* disc_;
};

} // namespace baryton
