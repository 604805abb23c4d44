#pragma once
#include "app/app_state.h"
#include "app/tile_drawer.h"

#include <QListWidget>
#include <QPushButton>

namespace baryton {

/// The takes of the key picture and what was done to it, step by step.
class StepsPanel : public QWidget {
    Q_OBJECT
public:
    explicit StepsPanel(AppState& state, QWidget* parent = nullptr);

    QListWidget* takes() const { return takes_; }
    QListWidget* steps() const { return steps_; }
    /// What the chosen steps changed, and the grade that has it.
    std::pair<Grade, IncludeSet> chosenSteps() const;

Q_SIGNALS:
    void closeWanted();
    void saveWanted(const baryton::Grade& grade, const baryton::IncludeSet& changed);

protected:
    void showEvent(QShowEvent* event) override;

private:
    void fill();
    void drawTakes();
    void openTakeMenu(QPoint at);
    std::size_t chosenTake() const;

    AppState& state_;
    QListWidget *takes_, *steps_;
    QPushButton *remove_, *save_;
    QLabel* empty_; ///< in the place of steps while there are none
    TileDrawer drawer_;
    bool filling_ = false;
};

} // namespace baryton
