#pragma once
#include "app/app_state.h"
#include "app/widgets/curve_view.h"
#include "app/widgets/segments.h"
#include "app/widgets/value_row.h"
#include "app/widgets/wheel_view.h"

#include <QCheckBox>
#include <QComboBox>
#include <QVBoxLayout>
#include <map>

namespace baryton {

/// The editor of one stage. It shows what the state holds and asks the state for changes.
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

Q_SIGNALS:
    /// The next press on the picture gives a colour; the source's colour there is handed to `take`.
    void pickWanted(const QString& what, std::function<void(std::array<float, 3>)> take);

protected:
    AppState& state_;
    Stage stage() const; ///< as shown; an empty one when it is gone
    const StageType& type() const { return *type_; }
    double number(const std::string& parameter) const;
    void set(const std::map<std::string, Value>& values, bool settled);
    /// A row for a parameter, bound to it.
    ValueRow* addRow(QVBoxLayout* layout, const std::string& parameter, const QString& name = {});
    void refreshRows();
    /// The rows that hold the stage to a range of tones and of hues, where it has them.
    void addLimits(QVBoxLayout* layout);

private:
    std::string stageId_;
    const StageType* type_;
    std::map<std::string, ValueRow*> rows_;
};

/// An editor built from the parameter descriptions; serves every stage that needs no more.
class GenericEditor : public StageEditor {
    Q_OBJECT
public:
    GenericEditor(AppState& state, const std::string& stageId, QWidget* parent = nullptr);
    void refresh() override;

private:
    void loadLut(const std::string& parameter);
    std::map<std::string, QLabel*> lutNames_;
    std::map<std::string, QCheckBox*> toggles_;
    std::map<std::string, QComboBox*> choices_;
};

class CurvesEditor : public StageEditor {
    Q_OBJECT
public:
    CurvesEditor(AppState& state, const std::string& stageId, QWidget* parent = nullptr);
    void refresh() override;
    void setInput(const QVector<double> (&counts)[4]) override;
    void setPointed(std::optional<std::array<float, 3>> colour) override;
    CurveView* view() const { return view_; }
    Segments* channels() const { return channels_; }

private:
    void showChannel();
    void showPoint();
    std::string parameter() const;
    void showInput();
    Segments *channels_, *response_, *spline_;
    CurveView* view_;
    QLabel* pointName_;
    NumberField *in_, *out_;
    QVector<double> input_[4];
};

class WheelsEditor : public StageEditor {
    Q_OBJECT
public:
    WheelsEditor(AppState& state, const std::string& stageId, QWidget* parent = nullptr);
    void refresh() override;
    WheelView* wheel(int range) const { return wheels_[range]; }

private:
    void choose(int range);
    WheelView* wheels_[4];
    QLabel* names_[4];
    QWidget* typed_[4];
};

/// The editor that fits a stage best.
StageEditor* makeEditor(AppState& state, const std::string& stageId, QWidget* parent);

} // namespace baryton
