#pragma once
#include "app/app_state.h"
#include "app/tile_drawer.h"

#include <QAbstractListModel>
#include <QLineEdit>
#include <QListView>
#include <QWidget>

namespace baryton {

/// The presets, each drawn on the key picture. The pointer over one tries it in the viewer; a click applies it.
class Shelf : public QWidget {
    Q_OBJECT
public:
    explicit Shelf(AppState& state, QWidget* parent = nullptr);
    QListView* list() const { return list_; }

Q_SIGNALS:
    void closeWanted();

protected:
    bool eventFilter(QObject* watched, QEvent* event) override;
    void showEvent(QShowEvent* event) override;
    void hideEvent(QHideEvent* event) override;

private:
    void fill();
    void redraw();
    void tryEntry(int row);

    AppState& state_;
    QLineEdit* search_;
    QListView* list_;
    class ShelfModel* model_;
    QTimer redrawTimer_;
    TileDrawer drawer_;
    int tried_ = -1;
};

} // namespace baryton
