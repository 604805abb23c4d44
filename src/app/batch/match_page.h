#pragma once
#include "app/app_state.h"
#include "app/batch/prep_rows.h"
#include "app/batch/set_survey.h"
#include "app/batch/set_tiles.h"
#include "app/widgets/shown_picture.h"
#include "app/widgets/still_text.h"
#include "app/widgets/value_row.h"
#include "survey/match.h"

#include <QCheckBox>
#include <QListView>
#include <QPushButton>

namespace baryton {

/// The light of the set matched: each picture as it is and as it would be, run by run, before any of it is taken. The
/// pictures are drawn with the look that is surveyed.
class MatchPage : public QObject {
    Q_OBJECT
public:
    MatchPage(AppState& state, const SetSurvey& survey, QObject* parent);
    ~MatchPage() override;

    QWidget* middle() const { return middle_; }
    QWidget* panel() const { return panel_; }
    QListView* list() const { return list_; }
    QPushButton* takeButton() const { return take_; }
    const std::vector<SceneRun>& runs() const { return runs_; }
    bool isMatching() const { return isMatching_; }
    /// The set is matched even while none of it is seen: a run asks for it.
    void setWanted(bool isWanted);
    /// What is shown is of the set as it is now.
    bool isReady() const { return !isStale_ && !isMatching_; }
    /// What a picture is to be set to; nothing where it stays as it stands.
    std::optional<PrepLight> lightFor(int index) const;
    /// How far other scenes are drawn to the key, 0…1.
    double betweenRuns() const { return between_->value() / 100; }
    QString summary() const { return summary_->text(); }
    void refreshSoon() {
        isStale_ = true;
        refreshTimer_.start();
    }

Q_SIGNALS:
    void settled(); ///< what pictures are to be set to may be another

protected:
    bool eventFilter(QObject* watched, QEvent* event) override;

private:
    void makeMiddle();
    void makePanel();
    void refresh();
    void show();
    void draw();
    void drawOne(int index, const Picture& small);
    /// As it is, and as it would be.
    QImage before(int index) const;
    QImage after(int index) const;
    void showChosen();
    void take();
    void setByHand(const PrepLight& light, bool isSettled);
    void setRuns(std::vector<SceneRun> runs);
    void split();
    void join();
    /// What a picture is to be set to: by hand, as matched, or as it stands.
    PrepLight wanted(int index) const;
    PrepLight present(int index) const;
    int changing() const;
    std::size_t runOf(int index) const;

    AppState& state_;
    const SetSurvey& survey_;
    QWidget *middle_ = nullptr, *panel_ = nullptr;
    QListView* list_ = nullptr;
    SetTiles* tiles_ = nullptr;
    ValueRow* between_ = nullptr;
    PrepRows* prep_ = nullptr;
    QLabel *summary_ = nullptr, *name_ = nullptr;
    StillText* words_ = nullptr;
    ShownPicture *before_ = nullptr, *after_ = nullptr;
    QCheckBox* stays_ = nullptr;
    QPushButton *take_ = nullptr, *split_ = nullptr, *join_ = nullptr;
    std::vector<SceneRun> runs_;
    bool areByHand_ = false; ///< the runs were split or joined
    MatchedSet matched_;
    std::map<int, PrepLight> byHand_;
    std::set<int> staying_; ///< pictures that are left as they are
    struct Drawn {
        QImage before; ///< where the survey shows the picture with another light than it has
        QImage after;
        PrepLight light; ///< that it was drawn with
        Grade grade;     ///< and on
    };
    std::map<int, Drawn> drawn_; ///< pictures as they would be
    EachSmall smalls_;
    int chosen_ = -1, generation_ = 0;
    bool isMatching_ = false;
    bool isStale_ = true;   ///< what was found is not of the set as it is now
    bool isWanted_ = false; ///< by a run
    QTimer refreshTimer_, drawTimer_, showTimer_;
    std::shared_ptr<Task> task_;
    QThreadPool pool_;
};

} // namespace baryton
