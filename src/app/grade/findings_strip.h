#pragma once
#include "app/app_state.h"
#include "app/widgets/still_text.h"
#include "render/diagnose.h"

#include <QPushButton>

namespace baryton {

/// What a stage does to the picture, in a place that is always there, and beside it the button that mends what is
/// warned of. Pointing at the button shows the picture mended; a press does it, as one step.
class FindingsStrip : public QWidget {
    Q_OBJECT
public:
    explicit FindingsStrip(AppState& state, QWidget* parent = nullptr);
    /// Nothing: there is nothing to say of the stage.
    void show(const StageReport* report);
    const StillText* text() const { return text_; }
    QPushButton* mend() const { return mend_; }

protected:
    bool eventFilter(QObject* watched, QEvent* event) override;

private:
    AppState& state_;
    StillText* text_;
    QPushButton* mend_;
    std::optional<Remedy> remedy_;
};

} // namespace baryton
