#pragma once
#include "app/app_state.h"
#include "app/carry_tree.h"
#include "app/widgets/sheet.h"

#include <QCheckBox>
#include <QComboBox>
#include <QLabel>
#include <QLineEdit>
#include <QPlainTextEdit>
#include <QPushButton>

namespace baryton {

/// Saves what is ticked of the key picture's grade as a preset.
class SavePresetSheet : public Sheet {
    Q_OBJECT
public:
    explicit SavePresetSheet(AppState& state, QWidget* parent = nullptr);
    /// Offers another grade than the key picture's, with just these ticked.
    void setSource(const Grade& grade, const IncludeSet& ticked);

private:
    void openOnly();
    void review();
    void save();
    Preset preset() const;

    AppState& state_;
    Grade source_;
    QLineEdit *name_, *author_;
    QCheckBox *cover_, *keepBoth_;
    QComboBox* group_;
    QPushButton* only_;
    QPlainTextEdit* notes_;
    CarryTree* tree_;
    QLabel* account_;
    QPushButton* save_;
};

/// Exports the key picture's Look as a LUT file.
class ExportLutSheet : public Sheet {
    Q_OBJECT
public:
    explicit ExportLutSheet(AppState& state, QWidget* parent = nullptr);
};

} // namespace baryton
