#pragma once
#include "app/widgets/picture_view.h"

#include <QObject>
#include <functional>

namespace baryton {

/// What the mouse does on the picture beside panning: picking a colour once, working a stage by pressing and
/// dragging, moving sample points.
class PictureHand : public QObject {
    Q_OBJECT
public:
    explicit PictureHand(PictureView* view, QObject* parent = nullptr);

    /// The next press is handed over (in pixels of the picture, or in fractions of the reference); Escape leaves it,
    /// and so does the end of its owner.
    using Pick = std::function<void(QPointF at, bool onReference)>;
    void startPick(QObject* owner, Pick pick);
    void endPick();
    bool isPicking() const { return static_cast<bool>(pick_); }
    /// Whether presses and drags work the chosen stage; `places`: by its place in the frame, which may lie outside.
    void setWorks(bool works, bool places = false);

Q_SIGNALS:
    void pressed(QPointF picture);                                 ///< a stage is worked at this place
    void dragged(QPointF offset, Qt::KeyboardModifiers modifiers); ///< from the press, in screen pixels, y upward
    void draggedTo(QPointF picture); ///< the same as a place of the picture, slower with Shift
    void released();
    void markMoved(int mark, QPointF picture);
    void menuWanted(QPointF position, QPoint global);

protected:
    bool eventFilter(QObject* watched, QEvent* event) override;

private:
    bool press(QMouseEvent* event);
    bool isOnPicture(QPointF picture) const;

    PictureView* view_;
    Pick pick_;
    QMetaObject::Connection ownerGone_;
    bool works_ = false, places_ = false;
    enum class Drag { None, Stage, Mark } drag_ = Drag::None;
    int mark_ = -1;
    QPointF from_;
};

} // namespace baryton
