#pragma once
#include "app/app_state.h"

#include <QComboBox>
#include <QLabel>
#include <QPushButton>

namespace baryton {

/// The bar over the picture: how versions are compared and what before means, which pictures an edit changes, zoom.
class CompareBar : public QWidget {
    Q_OBJECT
public:
    enum class Mode { Single, Wipe, WipeAcross, Beside, Grid, Reference };

    explicit CompareBar(AppState& state, QWidget* parent = nullptr);
    Mode mode() const { return mode_; }
    /// Chooses a mode; the one that is on goes back to the single picture.
    void toggleMode(Mode mode);
    void setZoom(double scale, bool isFitted); ///< 0: no picture
    QPushButton* chip() const { return chip_; }

    /// A narrow bar leaves out what the menus have as well.
    QSize minimumSizeHint() const override { return {240, height()}; }

Q_SIGNALS:
    void modeChanged();
    void beforeHeld(bool held);
    void fitWanted();
    void zoomWanted(double scale);
    void referenceWanted(); ///< a reference is asked for and none is there

protected:
    void resizeEvent(QResizeEvent* event) override;

private:
    void leaveOut(); ///< what a narrow bar has no room for
    void showMode();
    void fillBefore();
    void showTargets();

    AppState& state_;
    Mode mode_ = Mode::Single;
    std::map<Mode, QPushButton*> modes_;
    QComboBox* before_;
    std::vector<Before> beforeChoices_;
    QPushButton *chip_, *fit_, *full_, *double_;
    QLabel* zoom_;
};

} // namespace baryton
