#pragma once
#include "app/grade/editors.h"

namespace baryton {

/// Vignette: its rows, and its ellipse on the picture. Inside the ellipse a pull moves it, at its ends it makes it
/// wider or higher, along its line larger, outside it turns it. Lines of equal loss, a third of a stop apart, show
/// where it works however weak it is.
class VignetteEditor : public GenericEditor {
    Q_OBJECT
public:
    VignetteEditor(AppState& state, const std::string& stageId, QWidget* parent = nullptr)
        : GenericEditor(state, stageId, parent) {}
    bool worksOnPicture() const override { return true; }
    bool placesOnPicture() const override { return true; }
    PictureFigure figure() const override;
    Qt::CursorShape pullAt(QPointF at, QSizeF reach) const override;
    void startPull(QPointF at, QSizeF reach) override;
    void pullTo(QPointF at) override;

private:
    enum class Pull { Centre, Width, Height, Size, Turn };
    /// The ellipse as it stands, in frame heights.
    struct Ellipse {
        QPointF centre;
        double across = 1, down = 1, turn = 0; ///< radii; radians

        QPointF at(double angle, double scale = 1) const;
        /// A place in its own coordinates: its line is 1 from the middle.
        QPointF inside(QPointF place) const;
    };
    Ellipse ellipse() const;
    Pull pull(QPointF at, QSizeF reach) const;

    Pull pull_ = Pull::Centre;
    QPointF from_; ///< of the pull, in frame heights
    Ellipse pulledFrom_;
};

} // namespace baryton
