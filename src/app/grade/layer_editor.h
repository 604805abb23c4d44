#pragma once
#include "app/grade/editors.h"
#include "app/grade/mask_hands.h"
#include "app/grade/mask_pages.h"

#include <QLabel>
#include <QLineEdit>
#include <QListWidget>

namespace baryton {

/// A layer: its name, how it is laid over, where it stands among the others, and its mask, whose shapes are listed
/// with a picture of each, typed in rows and pulled on the picture.
class LayerEditor : public StageEditor {
    Q_OBJECT
public:
    LayerEditor(AppState& state, const std::string& layerId, QWidget* parent = nullptr);
    void refresh() override;
    bool worksOnPicture() const override { return true; }
    bool placesOnPicture() const override { return movesAll() || !isRange(); }
    PictureFigure figure() const override;
    Qt::CursorShape pullAt(QPointF at, QSizeF reach) const override;
    void startPull(QPointF at, QSizeF reach) override;
    void pullTo(QPointF at) override;
    void endPull() override;
    void dropPull() override;
    bool paintsOnPicture() const override;
    bool sweepsOnPicture() const override { return isRange() && !movesAll(); }
    void pressOnPicture(const PickedColour& colour) override;
    void sweepOnPicture(const PickedColour& colour) override;
    void setPressure(double pressure) override { pressure_ = pressure; }
    void setPointer(std::optional<QPointF> at) override;
    void setPointed(std::optional<std::array<float, 3>> colour) override { pointed_ = colour; }
    void setInputPicture(const Picture& picture) override;
    QString pointerWords(QPointF at) const override;

protected:
    void frameMoved() override;

private:
    const Layer* layer() const;
    Mask mask() const;
    const MaskShape* chosenShape() const;
    void edit(const QString& gesture, const std::function<void(Layer&)>& change);
    void editMask(const QString& gesture, const std::function<void(Mask&)>& change);
    void editShape(const QString& gesture, const std::function<void(MaskShape&)>& change);
    void addHead(QVBoxLayout* layout);
    void addOrder(QVBoxLayout* layout);
    void addMask(QVBoxLayout* layout);
    void addShapeList(QVBoxLayout* page);
    void addWhole(QVBoxLayout* page);
    bool isRange() const;
    bool movesAll() const { return moveAll_->isChecked(); }
    void place(MaskPlacement placement, const QString& gesture);
    void addPlacement(QVBoxLayout* page);
    void widen(const PickedColour& colour, bool begins);
    std::vector<MaskPages::Link> links() const;
    void openShapeMenu(QPoint at);
    void copyShape(bool isMirrored);
    void makeRest();
    void paint(QPointF at);
    /// What is pulled on the picture, as it lies there: the chosen shape, or an ellipse round all.
    std::optional<MaskShape> pulledShape() const;
    const MaskObject* object() const; ///< the chosen one, as it is being looked for; null for other shapes
    void startDrawing(QPointF at);
    void drawTo(QPointF at);
    void lookFor(MaskObject drawn);
    void findInEllipse();
    PictureFigure objectFigure() const;
    QString objectWords() const;
    void addShape(MaskShape shape);
    void removeShape();
    void showShapes();
    void showChosen();
    void showVeil();

    MaskHands hands_;
    int pulled_ = -1; ///< the row of the shape that is pulled
    int anew_ = -1;   ///< the row of the range that the next press begins
    double pressure_ = 1;
    std::optional<MaskStroke> stroke_; ///< that is being painted, without its points
    DrawnPath strokePath_{1, 0};       ///< its points
    /// A line round an object, or a stroke over what belongs to it or does not, as far as it is drawn.
    struct Drawing {
        bool isOutline = false;
        MaskStroke stroke;
    };
    std::optional<Drawing> drawing_;
    bool looksFor_ = false;                  ///< the gesture that just ended began a search
    std::optional<MaskObject> soughtBefore_; ///< what was being looked for until then
    std::size_t strokeAt_ = 0;               ///< which of its brush it is
    std::optional<QPointF> pointer_;
    std::optional<std::array<float, 3>> pointed_; ///< what enters the Look there
    QLineEdit* name_;
    QComboBox* blend_;
    StillText* cover_;
    QWidget* shapePage_; ///< what there is of a mask's shapes; hidden without one
    QListWidget* shapes_;
    Segments* way_;
    QCheckBox *shapeInverted_, *inverted_;
    MaskPages* pages_;
    /// A number of the whole mask, and of where it lies.
    template <class Whole>
    struct WholeRow {
        double Whole::*member;
        double scale;
        ValueRow* row;
    };
    std::vector<WholeRow<Mask>> wholeRows_;
    std::vector<WholeRow<MaskPlacement>> placeRows_;
    QPushButton *moveAll_, *putBack_;
    QComboBox* veil_;
    QPushButton* veilColour_;
    Mask shown_; ///< in the list
    QPushButton *mergeDown_, *earlier_, *later_, *remove_;
};

} // namespace baryton
