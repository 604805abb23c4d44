#pragma once
#include "app/grade/editors.h"

namespace baryton {

/// What a lens did, taken back: whose corrections, how much of each; and what is set by hand.
class LensEditor : public StageEditor {
    Q_OBJECT
public:
    LensEditor(AppState& state, const std::string& stageId, QWidget* parent = nullptr);
    void refresh() override;

private:
    void chooseLens();
    StillText* account_;
    QPushButton *choose_, *own_;
};

} // namespace baryton
