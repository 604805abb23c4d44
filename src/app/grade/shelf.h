#pragma once
#include "app/app_state.h"
#include "app/grade/in_force_list.h"
#include "app/grade/shelf_model.h"
#include "app/tile_drawer.h"
#include "app/widgets/segments.h"
#include "app/widgets/still_text.h"
#include "app/widgets/value_row.h"

#include <QLabel>
#include <QLineEdit>
#include <QListView>
#include <QStackedWidget>
#include <QWidget>

namespace baryton {

/// The presets, each drawn on the key picture. The pointer over one, or stepping to it by keys, tries it in the
/// viewer; a click applies it.
class Shelf : public QWidget {
    Q_OBJECT
public:
    explicit Shelf(AppState& state, QWidget* parent = nullptr);
    QListView* list() const { return list_; }
    ValueRow* strengthRow() const { return strength_; }
    Segments* modes() const { return mode_; }
    InForceList* inForce() const { return inForce_; }

Q_SIGNALS:
    void closeWanted();

protected:
    bool eventFilter(QObject* watched, QEvent* event) override;
    void showEvent(QShowEvent* event) override;
    void hideEvent(QHideEvent* event) override;

private:
    void fill();
    void foldSection(int row);
    void redraw();
    void tryEntry(int row);
    void apply(int row);
    ApplyMode mode() const;
    double strength() const;
    /// What a preset would make of a picture: put on, or swapped for the one that was chosen for it.
    PictureWork changed(const PictureWork& work, const Preset& preset) const;
    void openMenu(QPoint at);
    void showHint();

    AppState& state_;
    QLineEdit* search_;
    Segments* mode_;
    ValueRow* strength_;
    QListView* list_;
    QLabel* nothing_; ///< in place of the list while nothing fits
    QStackedWidget* shown_;
    ShelfModel* model_;
    ShelfMemory memory_;
    QTimer redrawTimer_;
    InForceList* inForce_;
    StillText* hint_;
    TileDrawer drawer_;
    int tried_ = -1;
};

} // namespace baryton
