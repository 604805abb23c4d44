#pragma once
#include "app/grade/editors.h"
#include "stages/overlay.h"

namespace baryton {

/// Overlay: its picture, taken from a file or dropped here, its rows, and its outline on the picture. Inside it a
/// pull moves it, at its corners it changes its size, at the end of its lever it turns it; where the corners lie
/// outside the frame, the lever's other arm does for them.
class OverlayEditor : public StageEditor {
    Q_OBJECT
public:
    OverlayEditor(AppState& state, const std::string& stageId, QWidget* parent = nullptr);
    void refresh() override;
    bool worksOnPicture() const override { return true; }
    bool placesOnPicture() const override { return true; }
    PictureFigure figure() const override;
    Qt::CursorShape pullAt(QPointF at, QSizeF reach) const override;
    void startPull(QPointF at, QSizeF reach) override;
    void pullTo(QPointF at) override;
    /// Reads a file behind the window and lays it over.
    void take(const std::filesystem::path& file);

protected:
    void dragEnterEvent(QDragEnterEvent* event) override;
    void dropEvent(QDropEvent* event) override;

private:
    enum class Pull { Place, Size, Turn };
    void choosePicture();
    PictureContent picture() const;
    OverlayPlace place() const { return overlayPlace(stage(), aspect()); }
    /// Corners, the first twice, then the ends of the arms that turn it and change its size; in frame heights.
    QPolygonF outline() const;
    QPointF turnHandle() const;
    std::optional<QPointF> sizeHandle() const;
    Pull pull(QPointF at, QSizeF reach) const;

    QLabel* thumbnail_;
    StillText* account_;
    QPushButton *choose_, *takeOut_;
    PictureContent shown_; ///< in the thumbnail
    QString reading_;      ///< the file that is being read
    int wish_ = 0;         ///< the newest of them
    Pull pull_ = Pull::Place;
    QPointF from_; ///< of the pull, in frame heights
    OverlayPlace pulledFrom_;
};

} // namespace baryton
