#pragma once
#include "app/app_state.h"
#include "app/tile_drawer.h"
#include "app/widgets/sheet.h"
#include "package/import.h"

#include <QCheckBox>
#include <QLabel>
#include <QLineEdit>
#include <QPlainTextEdit>
#include <QPushButton>
#include <QTreeWidget>

namespace baryton {

/// The account of an import, before anything is written: what is new, what the library has, what differs, and what is
/// left out and why. Clashes are decided here.
class ImportSheet : public Sheet {
    Q_OBJECT
public:
    ImportSheet(AppState& state, ImportAccount account, QWidget* parent = nullptr);

private:
    void addItem(std::size_t index);
    void review();
    void import();

    AppState& state_;
    ImportAccount account_;
    QTreeWidget* list_;
    QLabel* summary_;
    QPushButton* import_;
    TileDrawer drawer_;
};

/// Writes library entries into one pack.
class ExportPackSheet : public Sheet {
    Q_OBJECT
public:
    ExportPackSheet(AppState& state, std::vector<LibraryEntry> entries, QWidget* parent = nullptr);

private:
    void chooseFile();
    void write();
    void review();
    std::vector<LibraryEntry> ticked() const;

    AppState& state_;
    std::vector<LibraryEntry> entries_;
    QTreeWidget* list_;
    QLineEdit *name_, *author_, *licence_, *file_;
    QPlainTextEdit* notes_;
    QCheckBox* cover_;
    QLabel* summary_;
    QPushButton* write_;
};

/// A small JPEG of the key picture with its grade, as a cover; empty when none is open.
std::string coverOf(AppState& state);

} // namespace baryton
