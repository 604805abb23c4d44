#pragma once
#include "app/widgets/picture_view.h"

#include <QObject>
#include <functional>
#include <optional>

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
    /// How presses and drags work the chosen stage: by the colours they go over, or by places in the frame, which may
    /// lie outside; one that paints is as quick as ever with Shift, and has a brush that is changed here.
    enum class Work { Colours, Places, Paints };
    void setWorks(bool works, Work how = Work::Colours);
    std::optional<Work> works() const { return works_ ? std::optional(how_) : std::nullopt; }
    /// How hard the pen presses, 0…1; 1 for a mouse.
    double pressure() const { return pressure_; }

Q_SIGNALS:
    void pressed(QPointF picture);                                 ///< a stage is worked at this place
    void dragged(QPointF offset, Qt::KeyboardModifiers modifiers); ///< from the press, in screen pixels, y upward
    void draggedTo(QPointF picture); ///< the same as a place of the picture, slower with Shift
    void released();
    /// The brush is to be this much larger and softer.
    void brushTurned(double sizeBy, double softerBy);
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
    bool turnBrush(QEvent* event);
    bool works_ = false;
    Work how_ = Work::Colours;
    double pressure_ = 1;
    enum class Drag { None, Stage, Mark } drag_ = Drag::None;
    int mark_ = -1;
    QPointF from_;
};

} // namespace baryton
