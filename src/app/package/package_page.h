#pragma once
#include "app/app_state.h"
#include "app/carry_tree.h"
#include "app/package/lut_panel.h"
#include "app/tile_drawer.h"

#include <QLineEdit>
#include <QListView>
#include <QListWidget>
#include <QWidget>

namespace baryton {

class PresetTileModel;

/// The Package task: groups, presets drawn for real on the check pictures, and what the chosen one carries.
class PackagePage : public QWidget {
    Q_OBJECT
public:
    explicit PackagePage(AppState& state, QWidget* parent = nullptr);
    QListView* tiles() const { return tiles_; }
    void renameChosen();
    void deleteChosen();

protected:
    void showEvent(QShowEvent* event) override;

private:
    QWidget* makeLeft();
    QWidget* makeMiddle();
    QWidget* makeRight();
    void fill();
    void redraw();
    void showChosen();
    const LibraryEntry* chosen() const;
    std::vector<int> checkPictures() const;
    std::vector<Picture> checkSources() const;

    AppState& state_;
    QLineEdit* search_;
    QListWidget* groups_;
    QListView *checks_, *tiles_;
    PresetTileModel* model_;
    QLabel *groupName_, *count_, *notes_, *error_, *account_;
    QWidget *details_, *usable_;
    QPushButton* apply_;
    QLineEdit* name_;
    CarryTree* carries_;
    Segments* mode_;
    LutPanel* lut_;
    TileDrawer drawer_;
    QTimer redrawTimer_;
    std::filesystem::path chosenFile_;
};

} // namespace baryton
