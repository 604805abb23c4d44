#pragma once
#include "app/app_state.h"
#include "app/tile_drawer.h"

#include <QFrame>
#include <QLineEdit>
#include <QListWidget>

namespace baryton {

/// The stages that can be added, found by typing, each shown at work on the key picture.
class AddStageList : public QFrame {
    Q_OBJECT
public:
    explicit AddStageList(AppState& state, QWidget* parent = nullptr);
    /// Opens with its lower left corner there; closes when something is chosen or it loses the focus.
    void popup(QPoint lowerLeft);
    QLineEdit* search() const { return search_; }
    QListWidget* list() const { return list_; }

protected:
    bool eventFilter(QObject* watched, QEvent* event) override;

private:
    void filter();
    void take(QListWidgetItem* item);

    AppState& state_;
    QLineEdit* search_;
    QListWidget* list_;
    TileDrawer drawer_;
};

} // namespace baryton
