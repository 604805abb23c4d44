#pragma once
#include "app/app_state.h"
#include "app/grade/stage_commands.h"
#include "app/tile_drawer.h"
#include "app/widgets/find_popup.h"

namespace baryton {

/// The stages that can be added, found by typing, each shown at work on the key picture.
class AddStageList : public FindPopup {
    Q_OBJECT
public:
    /// All stages, or those of one part.
    AddStageList(AppState& state, AddAt at, std::optional<Part> part, QWidget* parent = nullptr);
    /// Opens with its lower left corner there.
    void popup(QPoint lowerLeft);

protected:
    void filter() override;
    void take(QListWidgetItem* item) override;

private:
    AppState& state_;
    AddAt at_;
    TileDrawer drawer_;
};

} // namespace baryton
