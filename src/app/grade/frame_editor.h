#pragma once
#include "app/grade/editors.h"
#include "stages/frame.h"

namespace baryton {

/// The frame in numbers: its ratio, which can be stood upright, its size and place, the angle; quarter turns and the
/// mirror as buttons, the level found by itself. What the hand does on the picture is in frame_view.h.
class FrameEditor : public StageEditor {
    Q_OBJECT
public:
    FrameEditor(AppState& state, const std::string& stageId, QWidget* parent = nullptr);
    void refresh() override;
    void quarterTurn(bool clockwise) { set(quarterTurned(stage(), clockwise), true); }
    void mirror() { set(mirrored(stage()), true); }
    void swapSides() { set(sidesSwapped(stage()), true); }
    /// Whether lines are being drawn on the picture.
    void showDrawsLines(bool draws) { lines_->setChecked(draws); }

protected:
    /// The first turn of the camera goes by the focal length of the shot.
    void set(const std::map<std::string, Value>& values, bool settled) override;

private:
    void level();
    QPushButton *swap_, *lines_;
    ValueRow* proportions_;
    StillText* found_;
    double foundAngle_ = 0; ///< that is being told of
};

} // namespace baryton
