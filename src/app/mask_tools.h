#pragma once
#include "app/widgets/mask_veil.h"

#include <QObject>

namespace baryton {

/// What hand and eye use on masks, the same for all pictures and from one start to the next; nothing of any grade.
class MaskTools : public QObject {
    Q_OBJECT
public:
    /// What the next stroke will be (see MaskStroke).
    struct Brush {
        double size = 0.05, softness = 0.6, flow = 1;
        bool erases = false, keepsToColour = false;
        bool operator==(const Brush&) const = default;
    };
    explicit MaskTools(QObject* parent = nullptr);

    const Brush& brush() const { return brush_; }
    /// Numbers are held to what a brush can have.
    void setBrush(Brush brush);
    /// Larger by a factor, softer by a step.
    void changeBrush(double sizeBy, double softerBy);

    /// How the mask in hand is seen over the picture.
    MaskVeil veil() const { return veil_; }
    void setVeil(MaskVeil veil);
    /// None, or again as it was last seen.
    void toggleVeil();
    QColor colour() const { return colour_; }
    void setColour(const QColor& colour);

Q_SIGNALS:
    void brushChanged();
    void veilChanged();

private:
    void keep() const;
    Brush brush_;
    MaskVeil veil_ = MaskVeil::None, last_ = MaskVeil::Coloured;
    QColor colour_{64, 214, 190}; // a colour that pictures seldom hold
};

} // namespace baryton
