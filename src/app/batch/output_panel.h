#pragma once
#include "app/app_state.h"
#include "app/batch/look_picker.h"
#include "app/widgets/segments.h"
#include "app/widgets/value_row.h"
#include "batch/run_memory.h"

#include <QCheckBox>
#include <QComboBox>
#include <QLabel>
#include <QLineEdit>
#include <QListWidget>
#include <QScrollArea>
#include <QVBoxLayout>

namespace baryton {

/// The right side of the Batch task: what is set for the files that come out. Shows settings and asks for others.
class OutputPanel : public QScrollArea {
    Q_OBJECT
public:
    explicit OutputPanel(AppState& state, QWidget* parent = nullptr);

    void setSettings(const BatchSettings& settings);
    /// Of the names, or what is wrong with them.
    void showExample(const QString& text, bool isProblem);
    /// The template as it stands there, also while it is typed.
    QString nameText() const { return name_->text(); }
    /// What can't be as it stands there; empty when all is well.
    QString problem() const { return sizeProblem_; }
    LookPicker* looks() const { return looks_; }
    /// Which of the kinds of file is shown.
    std::size_t shownOutput() const { return shown_; }
    void setRunning(bool isRunning);

Q_SIGNALS:
    void changeWanted(const QString& what, const BatchSettings& next);
    void typed(); ///< a name or a size, not settled yet

private:
    void makeFiles(QVBoxLayout* layout);
    void makePlace(QVBoxLayout* layout);
    void addRow(QVBoxLayout* layout, const QString& label, QWidget* widget, bool stretches = false);
    const OutputSettings& shown() const { return settings_.outputs[shown_]; }
    /// Asks for the shown kind of file with other settings.
    void change(const QString& what, const OutputSettings& next);
    void showShown();
    void fillTakes();
    void chooseProfile(int index);

    AppState& state_;
    BatchSettings settings_;
    std::size_t shown_ = 0;
    QWidget* panel_;
    QCheckBox *ownGrade_, *enlarges_;
    QPushButton* takes_;
    LookPicker* looks_;
    QListWidget* files_;
    Segments *prep_, *depth_, *sharpen_;
    QComboBox *format_, *profile_, *exists_;
    ValueRow* quality_;
    QLineEdit *size_, *folder_, *name_;
    QPushButton *add_, *remove_, *more_;
    QLabel* example_;
    QString sizeProblem_;
};

/// "JPEG · 2400 px · quality 90": a kind of file in a line.
QString outputWords(const OutputSettings& output);

} // namespace baryton
