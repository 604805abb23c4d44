#pragma once
#include "app/app_state.h"
#include "app/grade/shelf_model.h"
#include "app/tile_drawer.h"

#include <QLineEdit>
#include <QListView>

namespace baryton {

/// The presets as the shelf shows them, drawn on the key picture, of which any number are chosen by clicks.
class LookPicker : public QWidget {
    Q_OBJECT
public:
    explicit LookPicker(AppState& state, QWidget* parent = nullptr);
    QListView* list() const { return list_; }
    QLineEdit* search() const { return search_; }
    void setChosen(const std::set<std::filesystem::path>& files);
    /// As little as it needs; it takes what room there is.
    QSize sizeHint() const override { return {200, 150}; }

Q_SIGNALS:
    void toggled(const std::filesystem::path& file, bool chosen);

protected:
    void showEvent(QShowEvent* event) override;

private:
    void fill();
    void redraw();
    void press(const QModelIndex& index);
    AppState& state_;
    QLineEdit* search_;
    QListView* list_;
    ShelfModel* model_;
    ShelfMemory memory_;
    std::set<std::filesystem::path> chosen_;
    TileDrawer drawer_;
    QTimer redrawTimer_;
};

} // namespace baryton
