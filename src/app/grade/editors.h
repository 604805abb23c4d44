#pragma once
#include "app/app_state.h"
#include "app/widgets/colour_disc.h"
#include "app/widgets/curve_view.h"
#include "app/widgets/hue_picks.h"
#include "app/widgets/limits_strip.h"
#include "app/widgets/picture_figure.h"
#include "app/widgets/segments.h"
#include "app/widgets/still_text.h"
#include "app/widgets/tone_axis.h"
#include "app/widgets/value_row.h"
#include "colour/hue_scale.h"
#include "render/scopes.h"
#include "stages/wheels.h"

#include <QCheckBox>
#include <QComboBox>
#include <QLineF>
#include <QPushButton>
#include <QVBoxLayout>
#include <map>

namespace baryton {

/// A colour that was pressed on: as it is in the source, as it enters the chosen stage, and as it comes out in the
/// end. On a reference picture all three are what is seen there.
struct PickedColour {
    std::array<float, 3> source{}, input{}, after{};
};
using TakePicked = std::function<void(const PickedColour&)>;
/// Its hue (see colour/hue_scale.h).
inline double hueOf(const std::array<float, 3>& c) {
    return hueOf(Vec3{c[0], c[1], c[2]});
}

/// Counts of levels for the views that draw them.
inline QVector<double> toCounts(const std::array<std::uint32_t, 256>& from) {
    return QVector<double>(from.begin(), from.end());
}

/// The editor of one stage (or of one layer: LayerEditor). It shows what the state holds and asks the state for
/// changes.
class StageEditor : public QWidget {
    Q_OBJECT
public:
    StageEditor(AppState& state, std::string stageId, QWidget* parent = nullptr);
    const std::string& stageId() const { return stageId_; }

    /// Shows the values of the stage as it is now.
    virtual void refresh() = 0;
    /// Counts of the 256 levels that enter the stage: red, green, blue, luma.
    virtual void setInput(const QVector<double> (&)[4]) {}
    /// The colour that enters the stage under the pointer; nothing when the pointer is elsewhere.
    virtual void setPointed(std::optional<std::array<float, 3>>) {}
    /// A small version of the picture that enters the stage.
    void takeInput(const Picture& small);
    virtual void setInputPicture(const Picture&) {}
    /// The sample points there are, for controls of a hue.
    void setPins(const QVector<HuePicks::Pin>& pins);

    /// Whether pressing and dragging on the picture works this stage.
    virtual bool worksOnPicture() const { return false; }
    /// Whether the stage has a place in the frame, shown by `figure` and moved there, rather than taking a colour.
    virtual bool placesOnPicture() const { return false; }
    virtual PictureFigure figure() const { return {}; }
    /// What can be pulled at a place, as the pointer shows it; lengths are in fractions of the frame, `reach` how far
    /// from a line or handle a hand may be.
    virtual Qt::CursorShape pullAt(QPointF, QSizeF) const { return Qt::ArrowCursor; }
    virtual void startPull(QPointF, QSizeF) {}
    virtual void pullTo(QPointF) {}
    /// The hand lets go of what it pulled or drew; or Escape has taken that back.
    virtual void endPull() {}
    virtual void dropPull() {}
    /// Whether that is painting: the hand is as quick as ever with Shift.
    virtual bool paintsOnPicture() const { return false; }
    /// How hard a pen presses, 0…1, told ahead of each place; 1 for a mouse.
    virtual void setPressure(double) {}
    /// Where the pointer is, in fractions of the frame; nothing when it is elsewhere.
    virtual void setPointer(std::optional<QPointF>) {}
    /// What there is to say of a place under the pointer, in fractions of the frame.
    virtual QString pointerWords(QPointF) const { return {}; }
    /// What a press there takes or makes, and what dragging from it does (offset in pixels, y upward).
    virtual void pressOnPicture(const PickedColour&) {}
    virtual void dragOnPicture(QPointF, Qt::KeyboardModifiers) {}
    /// Whether a drag takes the colours that it goes over.
    virtual bool sweepsOnPicture() const { return false; }
    virtual void sweepOnPicture(const PickedColour&) {}

    /// The frame that the stage has a place in: its width over its height, and where it lies in its source (null: it
    /// is the source).
    void setFrame(double aspect, const std::shared_ptr<const FramePlace>& place);

Q_SIGNALS:
    /// The next press on the picture gives a colour; the source's colour there is handed to `take`.
    void pickWanted(const QString& what, baryton::TakePicked take);
    /// A line of the picture that the stage has gone by, in fractions of it.
    void lineFound(const QLineF& line);
    /// The lines that help to place a frame (see FrameView::Guide).
    void guideChosen(int guide);
    /// Lines are drawn on the picture that make it straight, or are done.
    void linesWanted(bool draws);
    /// What `figure` says has changed without a change of the grade; and presses on the picture are to work the
    /// stage.
    void figureChanged();
    void onPictureWanted();
    /// What of the picture is to stay lit, as shares of 255 over the whole picture; a null image: all of it.
    void litChanged(const QImage& mask);

protected:
    AppState& state_;
    /// Gives the names of all rows one width in which the longest is whole.
    void showEvent(QShowEvent* event) override;
    Stage stage() const; ///< as shown; an empty one when it is gone
    const StageType& type() const { return *type_; }
    double number(const std::string& parameter) const;
    virtual void set(const std::map<std::string, Value>& values, bool settled);
    /// The layout of an editor, which begins with what its stage is for.
    QVBoxLayout* startLayout();
    /// Ways to take a hue from the picture into a parameter, and to see where it lies.
    HuePicks* addHuePicks(QBoxLayout* layout, const std::function<std::string()>& parameter);
    /// Lights the picture by a share (0…1) of each colour that enters the stage; nothing lights all of it.
    void light(const std::function<double(const std::array<float, 3>& colour)>& share);
    /// The input as it comes out of the stage, as a trace of the vectorscope.
    QImage traceAfter() const;
    /// A check box for a toggle, a list for a choice, bound to it.
    QCheckBox* addToggle(QVBoxLayout* layout, const std::string& parameter);
    QComboBox* addChoice(QVBoxLayout* layout, const std::string& parameter);
    /// A row for a parameter, bound to it.
    ValueRow* addRow(QVBoxLayout* layout, const std::string& parameter, const QString& name = {});
    void refreshRows();
    /// A label in front of something of the editor's own, made as wide as the names of the rows.
    void addNamed(QLabel* name) { choiceNames_.push_back(name); }
    /// The strip and the rows that hold the stage to a range of tones and of hues, where it has them.
    void addLimits(QVBoxLayout* layout);
    LimitsStrip* limits() const { return limits_; }
    double aspect() const { return aspect_; }
    const std::shared_ptr<const FramePlace>& framePlace() const { return framePlace_; }
    /// After another frame was set.
    virtual void frameMoved() {}
    /// A place in fractions of the frame in frame heights, in which lengths are as long either way; and back.
    QPointF heights(QPointF share) const { return {share.x() * aspect_, share.y()}; }
    QPointF share(QPointF heights) const { return {heights.x() / aspect_, heights.y()}; }
    /// A number as its parameter takes it: at one of its steps, within its range.
    double kept(const std::string& parameter, double value) const;

private:
    std::string stageId_;
    const StageType* type_;
    std::map<std::string, ValueRow*> rows_;
    std::vector<QLabel*> choiceNames_;
    std::map<std::string, QCheckBox*> toggles_;
    std::map<std::string, QComboBox*> choices_;
    LimitsStrip* limits_ = nullptr;
    std::vector<HuePicks*> picks_;
    QVector<HuePicks::Pin> pins_;
    double aspect_ = 1.5;
    std::shared_ptr<const FramePlace> framePlace_;
    Picture input_;
};

/// An editor built from the parameter descriptions; serves every stage that needs no more.
class GenericEditor : public StageEditor {
    Q_OBJECT
public:
    GenericEditor(AppState& state, const std::string& stageId, QWidget* parent = nullptr);
    void refresh() override;
    bool worksOnPicture() const override { return type().id == "white-balance"; }
    void pressOnPicture(const PickedColour& colour) override;
    void setInput(const QVector<double> (&counts)[4]) override;
    void setPointed(std::optional<std::array<float, 3>> colour) override;
    void setInputPicture(const Picture& picture) override;

private:
    std::map<std::string, CurveView*> curves_;
    void addTintDisc(QVBoxLayout* layout);
    void refreshTint();
    ColourDisc* tint_ = nullptr; ///< where the stage lays a tint over the picture
};

class CurvesEditor : public StageEditor {
    Q_OBJECT
public:
    CurvesEditor(AppState& state, const std::string& stageId, QWidget* parent = nullptr);
    void refresh() override;
    void setInput(const QVector<double> (&counts)[4]) override;
    void setPointed(std::optional<std::array<float, 3>> colour) override;
    void setInputPicture(const Picture& picture) override;
    bool worksOnPicture() const override { return true; }
    void pressOnPicture(const PickedColour& colour) override;
    void dragOnPicture(QPointF offset, Qt::KeyboardModifiers modifiers) override;
    CurveView* view() const { return view_; }
    Segments* channels() const { return channels_; }

private:
    void showChannel();
    void showPoint();
    std::string parameter() const;
    void showInput();
    double shownLevel(const std::array<float, 3>& colour) const; ///< of a colour, on the shown channel
    Segments *channels_, *response_, *spline_;
    CurveView* view_;
    QLabel* pointName_;
    NumberField *in_, *out_;
    QVector<double> input_[7]; ///< as the channels name them
    Picture picture_;          ///< what the last three of them are still to be counted of
    QPointF pressedPoint_;
};

/// Wheels: shadows, midtones, highlights and the whole as four handles on one disc over the trace of what comes out,
/// their levels on one tone axis, and the chosen one's numbers. The tones of the handle in hand are lit on the
/// picture while the hand rests.
class WheelsEditor : public StageEditor {
    Q_OBJECT
public:
    WheelsEditor(AppState& state, const std::string& stageId, QWidget* parent = nullptr);
    void refresh() override;
    void setInput(const QVector<double> (&counts)[4]) override;
    void setInputPicture(const Picture&) override { refresh(); }
    int chosen() const { return disc_->chosen(); }
    ColourDisc* disc() const { return disc_; }
    ToneAxis* axis() const { return axis_; }

private:
    void choose(int range);
    void giveOpposite(int range);
    std::array<double, 3> weights(double tone) const;
    WheelsConstants ranges_; ///< where the ranges lie, for many questions of it
    ColourDisc* disc_;
    ToneAxis* axis_;
    QWidget* typed_[4];
};

/// The editor that fits a stage best.
StageEditor* makeEditor(AppState& state, const std::string& stageId, QWidget* parent);

} // namespace baryton
