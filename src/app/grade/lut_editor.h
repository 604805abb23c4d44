#pragma once
#include "app/grade/editors.h"

#include <QThreadPool>

namespace baryton {

/// A table from a file: which, in what spaces it is read and written, and what it does that its wearer would want to
/// know, with the remedy beside it where it seems made for another space.
class LutEditor : public StageEditor {
    Q_OBJECT
public:
    LutEditor(AppState& state, const std::string& stageId, QWidget* parent = nullptr);
    ~LutEditor() override;
    void refresh() override;
    const QString& healthText() const { return health_->text(); }

private:
    void load();
    void judge(const LutContent& lut);
    void turnIntoStages();
    void showMoves();
    StillText *name_, *health_;
    QPushButton *remedy_, *asStages_, *moves_;
    LutContent judged_;
    std::string judgedAs_; ///< the choices under which it was
    std::string madeFor_;  ///< the id of the space that is offered
    QThreadPool pool_;
};

} // namespace baryton
