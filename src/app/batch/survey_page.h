#pragma once
#include "app/app_state.h"
#include "app/batch/prep_rows.h"
#include "app/batch/set_survey.h"
#include "app/batch/set_tiles.h"
#include "app/widgets/segments.h"
#include "app/widgets/shown_picture.h"
#include "app/widgets/still_text.h"
#include "app/widgets/value_row.h"
#include "batch/run_memory.h"

#include <QCheckBox>
#include <QComboBox>
#include <QListView>

namespace baryton {

/// On which pictures a look fails: the set drawn small with it, the worst first under what is wrong with them, and
/// beside it the chosen picture with what mends it. `middle` and `panel` go where the page of the task puts them.
class SurveyPage : public QObject {
    Q_OBJECT
public:
    SurveyPage(AppState& state, std::function<const BatchSettings&()> settings, QObject* parent);

    QWidget* middle() const { return middle_; }
    QWidget* panel() const { return panel_; }
    QListView* list() const { return list_; }
    const SetSurvey& survey() const { return survey_; }
    /// The pictures' sampled places, in fractions of the picture, by their place in the set.
    std::function<std::vector<QPointF>(int)> samplesOf;
    /// What a run sets the light of a picture to; nothing where it stays its own.
    std::function<std::optional<PrepLight>(int)> lightFor;

    /// The look that is surveyed: of the plan, or any preset by its file.
    void surveyPreset(const std::filesystem::path& file);
    /// The plan, the pictures or the presets are not as they were.
    void refreshSoon();
    /// Looks at the whole set, also while something else is shown.
    void lookAtAll() { refresh(true); }
    QString summary() const { return summary_->text(); }
    int chosen() const { return chosen_; }

Q_SIGNALS:
    void wished(const std::filesystem::path& picture, const std::filesystem::path& look,
                const baryton::WishSettings& wish);
    void gradeWanted(int picture, const QString& stageId);
    /// The look (empty: the pictures' own grade) is to be one of the run's, or no longer.
    void lookWanted(const std::filesystem::path& look, bool inRun);

protected:
    bool eventFilter(QObject* watched, QEvent* event) override;

private:
    struct LookChoice {
        BatchLook look;
        std::filesystem::path file; ///< empty for the pictures' own grade
    };
    void makeMiddle();
    void makePanel();
    void fillLooks();
    void refresh(bool alsoUnseen = false);
    void showTiles();
    void sortAnew();
    void showSummary();
    void choose(int index);
    void showChosen();
    void showFaults();
    void wish(const std::function<void(WishSettings&)>& change);
    WishSettings wishOf(int index) const;
    void setPrep(const PrepLight& light, bool isSettled);
    const LookChoice* look() const;
    QString lineOf(int index) const;

    AppState& state_;
    std::function<const BatchSettings&()> settings_;
    SetSurvey survey_;
    QWidget *middle_ = nullptr, *panel_ = nullptr;
    QComboBox *looks_ = nullptr, *instead_ = nullptr;
    QCheckBox* inRun_ = nullptr;
    QLabel* summary_ = nullptr;
    QPushButton* sort_ = nullptr;
    QListView* list_ = nullptr;
    SetTiles* tiles_ = nullptr;
    ShownPicture* picture_ = nullptr;
    QLabel* name_ = nullptr;
    std::vector<QPushButton*> faults_;
    PrepRows* prep_ = nullptr;
    ValueRow* strength_ = nullptr;
    Segments* taken_ = nullptr;
    std::vector<LookChoice> choices_;
    std::vector<std::filesystem::path> listed_; ///< presets, as the choices were last filled
    BatchSettings listedFor_;
    std::filesystem::path wanted_; ///< the file of the look to be surveyed
    bool isWantedByHand_ = false;
    std::vector<std::pair<QString, std::vector<int>>> groups_; ///< as they are shown
    int chosen_ = -1;
    bool isSorted_ = false;
    QTimer refreshTimer_, showTimer_;
};

} // namespace baryton
