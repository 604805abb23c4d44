#pragma once
#include "app/grade/editors.h"
#include "app/package/lut_health_view.h"

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
    void read(const QString& file);
    /// The table that takes back what this one does, its spaces the other way round.
    void invert();
    /// Puts in the stage's table what `make` comes up with behind the window, and says its remarks.
    template <class Make>
    void takeFrom(const QString& meanwhile, Make make);
    LutUse use() const;
    void turnIntoStages();
    void showMoves();
    StillText* name_;
    LutHealthView* health_;
    QPushButton *asStages_, *invert_, *moves_;
    std::shared_ptr<Task> task_; ///< of what is being read or inverted
    QThreadPool pool_;
};

} // namespace baryton
