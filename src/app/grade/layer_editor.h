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
    bool placesOnPicture() const override { return !isRange(); }
    PictureFigure figure() const override;
    Qt::CursorShape pullAt(QPointF at, QSizeF reach) const override;
    void startPull(QPointF at, QSizeF reach) override;
    void pullTo(QPointF at) override;
    bool paintsOnPicture() const override;
    bool sweepsOnPicture() const override { return isRange(); }
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
    void widen(const PickedColour& colour, bool begins);
    std::vector<MaskPages::Link> links() const;
    void openShapeMenu(QPoint at);
    void copyShape(bool isMirrored);
    void makeRest();
    void paint(QPointF at);
    void addShape(MaskShape shape);
    void removeShape();
    void showShapes();
    void showChosen();
    void showVeil();

    MaskHands hands_;
    int pulled_ = -1; ///< the row of the shape that is pulled
    int anew_ = -1;   ///< the row of the range that the next press begins
    double pressure_ = 1;
    std::optional<MaskStroke> stroke_; ///< that is being painted, with all points that the hand went through
    std::size_t strokeAt_ = 0;         ///< which of its brush it is
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
    ValueRow* density_ = nullptr;
    QComboBox* veil_;
    QPushButton* veilColour_;
    Mask shown_; ///< in the list
    QPushButton *mergeDown_, *earlier_, *later_, *remove_;
};

} // namespace baryton
