#pragma once
#include "app/app_state.h"
#include "app/tile_drawer.h"

#include <QListWidget>
#include <QPushButton>

namespace baryton {

/// The key picture's versions, what is in hand first, then its takes and its start, and what was done to it, step by
/// step. Pointing at a version shows it, a click goes on from it.
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
    void besideWanted(); ///< all versions of the picture side by side
    /// Two versions on either side of the wipe's line.
    void wipeWanted(const baryton::AppState::Version& left, const baryton::AppState::Version& right);

protected:
    void showEvent(QShowEvent* event) override;
    void hideEvent(QHideEvent* event) override;
    bool eventFilter(QObject* watched, QEvent* event) override;

private:
    void fill();
    void drawTakes();
    void openTakeMenu(QPoint at);
    AppState::Version versionAt(const QListWidgetItem* item) const;
    void tryRow(const QListWidgetItem* item);
    void wipeChosen();
    void updateButtons();

    AppState& state_;
    QListWidget *takes_, *steps_;
    QPushButton *remove_, *wipe_, *save_;
    QLabel* empty_; ///< in the place of steps while there are none
    TileDrawer drawer_;
    bool filling_ = false, isTrying_ = false;
};

} // namespace baryton
