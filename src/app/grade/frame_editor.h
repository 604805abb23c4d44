#pragma once
#include "app/grade/editors.h"

namespace baryton {

/// The frame in numbers: its ratio, which can be stood upright, its size and place, the angle. What the hand does on
/// the picture is in frame_view.h.
class FrameEditor : public StageEditor {
    Q_OBJECT
public:
    FrameEditor(AppState& state, const std::string& stageId, QWidget* parent = nullptr);
    void refresh() override;

private:
    void swapSides();
    QPushButton* swap_;
    ValueRow* proportions_;
};

} // namespace baryton
