#pragma once
#include "app/grade/editors.h"
#include "app/grade/mask_hands.h"

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
    bool placesOnPicture() const override { return true; }
    PictureFigure figure() const override;
    Qt::CursorShape pullAt(QPointF at, QSizeF reach) const override;
    void startPull(QPointF at, QSizeF reach) override;
    void pullTo(QPointF at) override;
    QString pointerWords(QPointF at) const override;

protected:
    void frameMoved() override;

private:
    /// A number of a shape's form as a row.
    template <class Form>
    struct Number {
        double Form::*member;
        ValueRow* row;
    };
    const Layer* layer() const;
    Mask mask() const;
    const MaskShape* chosenShape() const;
    void edit(const QString& gesture, const std::function<void(Layer&)>& change);
    void editMask(const QString& gesture, const std::function<void(Mask&)>& change);
    void editShape(const QString& gesture, const std::function<void(MaskShape&)>& change);
    void addHead(QVBoxLayout* layout);
    void addOrder(QVBoxLayout* layout);
    void addMask(QVBoxLayout* layout);
    template <class Form>
    void addNumber(QVBoxLayout* layout, std::vector<Number<Form>>& rows, double Form::*member, const QString& name,
                   const QString& tip);
    ValueRow* makeRow(QVBoxLayout* layout, const QString& name, const QString& tip, double low, double high,
                      double standard);
    void addShape(MaskShape shape);
    void removeShape();
    void showShapes();
    void showChosen();
    void showLight();

    MaskHands hands_;
    int pulled_ = -1; ///< the row of the shape that is pulled
    QLineEdit* name_;
    QComboBox* blend_;
    StillText* cover_;
    QWidget* shapePage_; ///< what there is of a mask's shapes; hidden without one
    QListWidget* shapes_;
    Segments* way_;
    QCheckBox *shapeInverted_, *inverted_, *lit_;
    QWidget *ellipsePage_, *rampPage_;
    std::vector<Number<MaskEllipse>> ellipseRows_;
    std::vector<Number<MaskRamp>> rampRows_;
    ValueRow* density_;
    std::vector<ValueRow*> allRows_;
    Mask shown_; ///< in the list
    QPushButton *mergeDown_, *earlier_, *later_, *remove_;
};

} // namespace baryton
