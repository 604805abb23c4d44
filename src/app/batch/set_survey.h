#pragma once
#include "app/batch/each_small.h"
#include "survey/survey.h"

#include <QImage>

namespace baryton {

/// A survey of the open set: what each picture becomes, drawn small, and what is at fault with it, worked out behind
/// the window, in sight first. What was worked out for a grade stays until the picture gets another.
class SetSurvey : public QObject {
    Q_OBJECT
public:
    explicit SetSurvey(PictureSet& pictures, QObject* parent = nullptr);
    ~SetSurvey() override;

    /// What each picture of the set gets, by place; the key picture; colours that are to keep their place.
    void survey(std::vector<Grade> grades, int key, const std::vector<Vec3>& sampled);
    void first(const std::vector<int>& inSight) { smalls_.first(inSight); }

    struct Item {
        LookMeasure measure;
        QImage image;
        bool isTried = false;   ///< measured, or found that it can't be read
        bool isFaulted = false; ///< the stages at fault have been looked for
        Faults faults;
        bool fails() const { return !faults.empty() && !faults[0].isRemark(); }
    };
    int size() const { return static_cast<int>(items_.size()); }
    const Item& at(int index) const { return items_[static_cast<std::size_t>(index)]; }
    const Grade& gradeOf(int index) const { return grades_[static_cast<std::size_t>(index)]; }
    int triedCount() const;
    int failingCount() const;
    /// All has been looked at and compared: what is found is what there is.
    bool isJudged() const { return triedCount() == size() && areRunsFound_ && !judgeTimer_.isActive(); }
    /// The stages at fault are known too.
    bool isDone() const;
    /// Runs of one scene; empty until all has been seen once.
    const std::vector<SceneRun>& runs() const { return runs_; }
    /// What runs are told by, by place in the set.
    const std::vector<RunPicture>& seen() const { return seen_; }

Q_SIGNALS:
    void drawn(int index);
    void judged(); ///< faults may have changed
    void runsFound();

private:
    void take(int index, const Picture& small);
    void judge();
    void findRuns();
    void findStages();
    void findStagesOf(int index, const Picture& small);

    PictureSet& pictures_;
    EachSmall smalls_, faultSmalls_; ///< to be measured; whose stages at fault are looked for
    std::vector<Grade> grades_;
    std::vector<Item> items_;
    std::vector<RunPicture> seen_;
    std::vector<SceneRun> runs_;
    int key_ = 0;
    std::vector<Vec3> sampled_;
    int generation_ = 0;    ///< counts what was asked: what comes late for another is dropped
    int setGeneration_ = 0; ///< counts the sets
    bool areRunsFound_ = false, isFindingRuns_ = false;
    QTimer judgeTimer_;
    std::shared_ptr<Task> task_;
    QThreadPool pool_;
};

} // namespace baryton
