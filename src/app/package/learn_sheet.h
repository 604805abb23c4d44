#pragma once
#include "app/app_state.h"
#include "app/package/keep_row.h"
#include "app/package/pair_step.h"
#include "app/package/pattern_step.h"
#include "app/tile_drawer.h"
#include "app/widgets/segments.h"
#include "app/widgets/sheet.h"
#include "app/widgets/shown_picture.h"
#include "lut/learn_pair.h"
#include "lut/learn_pattern.h"

#include <QLabel>
#include <QPushButton>
#include <QStackedWidget>
#include <QThreadPool>

namespace baryton {

/// Another program's grade as a LUT: learned from a pattern that is graded there, or from pictures before and after
/// it, with an account of what else befell them, the key picture as it would become, and what of it was never seen.
class LearnSheet : public Sheet {
    Q_OBJECT
public:
    explicit LearnSheet(AppState& state, QWidget* parent = nullptr);
    ~LearnSheet() override;

    void learnFrom(const QString& pattern);
    void learnFrom(const std::vector<PairStep::Files>& pairs);

protected:
    void dragEnterEvent(QDragEnterEvent* event) override;
    void dropEvent(QDropEvent* event) override;

private:
    /// What is known of a grade so far.
    struct Learnt {
        LutTable table;
        std::vector<float> confidence;     ///< of each node; none of a pattern, which shows all
        std::vector<Stage> stages;         ///< of pairs
        std::vector<PairAccount> accounts; ///< of pairs
        QImage before;                     ///< the first of them, small
    };
    void begin(const QString& name);
    template <class Work>
    void runLearning(Work work);
    void show(Learnt learnt, const QString& account, bool isWhole);
    void showWay();
    void drawPictures();
    void drawOverlay();
    void check();
    void keep();
    void turnIntoStages();

    AppState& state_;
    Segments *way_, *look_;
    QStackedWidget *steps_, *beforeHead_;
    PatternStep* pattern_;
    PairStep* pair_;
    QLabel* account_;
    ShownPicture *before_, *after_;
    KeepRow* name_;
    QPushButton *asStages_, *keep_;
    std::optional<Learnt> learnt_;
    QImage plain_; ///< the key picture as it is
    TileDrawer drawer_;
    QThreadPool pool_;
    std::shared_ptr<Task> task_; ///< of what was asked for last
};

} // namespace baryton
