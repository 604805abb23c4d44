#include "app/batch/match_page.h"
#include "app/behind.h"
#include "app/render_image.h"
#include "app/widgets/labels.h"
#include "base/words.h"

#include <QEvent>
#include <QHBoxLayout>
#include <QVBoxLayout>
#include <algorithm>
#include <cmath>

namespace baryton {

namespace {

QString lightText(const PrepLight& light) {
    return QStringLiteral("%1%2 EV, %3 K")
        .arg(light.stops < 0 ? QStringLiteral("−") : QStringLiteral("+"))
        .arg(std::abs(light.stops), 0, 'f', 2)
        .arg(light.kelvin, 0, 'f', 0);
}

} // namespace

MatchPage::MatchPage(AppState& state, const SetSurvey& survey, QObject* parent)
    : QObject(parent), state_(state), survey_(survey), smalls_(state.pictures()) {
    pool_.setMaxThreadCount(1);
    makeMiddle();
    makePanel();
    for (QTimer* timer : {&refreshTimer_, &drawTimer_}) timer->setSingleShot(true), timer->setInterval(150);
    showTimer_.setSingleShot(true);
    showTimer_.setInterval(40);
    connect(&showTimer_, &QTimer::timeout, this, &MatchPage::show);
    connect(&smalls_, &EachSmall::ready, this, &MatchPage::drawOne);
    connect(&refreshTimer_, &QTimer::timeout, this, &MatchPage::refresh);
    connect(&drawTimer_, &QTimer::timeout, this, &MatchPage::draw);
    connect(&survey, &SetSurvey::runsFound, this, [this] {
        if (!areByHand_) runs_ = survey_.runs();
        refreshSoon();
    });
    connect(&survey, &SetSurvey::drawn, this, [this] {
        if (middle_->isVisible()) drawTimer_.start();
    });
    connect(&state.pictures(), &PictureSet::opened, this, [this] {
        runs_.clear(), byHand_.clear(), staying_.clear(), drawn_.clear();
        matched_ = {};
        areByHand_ = false;
        chosen_ = -1;
        ++generation_;
        refreshSoon();
    });
    connect(&state.pictures(), &PictureSet::gradeChanged, this, [this] { refreshSoon(); });
    connect(&state, &AppState::keyChanged, this, [this] { refreshSoon(); });
}

MatchPage::~MatchPage() {
    if (task_) task_->cancel();
    pool_.clear();
    waitFor(pool_);
}

void MatchPage::makeMiddle() {
    middle_ = new QWidget;
    auto* layout = new QVBoxLayout(middle_);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    auto* bar = new QWidget;
    bar->setObjectName(QStringLiteral("panel"));
    bar->setAttribute(Qt::WA_StyledBackground);
    bar->setFixedHeight(40);
    auto* row = new QHBoxLayout(bar);
    row->setContentsMargins(12, 0, 12, 0);
    row->setSpacing(10);
    summary_ = makeLabel({}, "second");
    row->addWidget(summary_, 1);
    take_ = makeButton(tr("Set their Prep"), "primary");
    take_->setToolTip(tr("Sets exposure and white balance of the pictures as they are shown on the right of each "
                         "pair; one step of undo"));
    row->addWidget(take_);
    layout->addWidget(bar);
    tiles_ = new SetTiles(this);
    list_ = makeSetList(tiles_, tr("Pictures before and after"), true);
    layout->addWidget(list_, 1);
    middle_->installEventFilter(this);
    connect(take_, &QPushButton::clicked, this, &MatchPage::take);
    connect(list_->selectionModel(), &QItemSelectionModel::currentChanged, this, [this](const QModelIndex& now) {
        chosen_ = now.isValid() ? now.data(SetTiles::IndexRole).toInt() : -1;
        showChosen();
    });
}

void MatchPage::makePanel() {
    panel_ = new QWidget;
    panel_->setObjectName(QStringLiteral("panel"));
    panel_->setAttribute(Qt::WA_StyledBackground);
    panel_->setFixedWidth(330);
    auto* layout = new QVBoxLayout(panel_);
    layout->setContentsMargins(14, 12, 14, 12);
    layout->setSpacing(7);
    name_ = makeLabel({}, "heading");
    layout->addWidget(name_);
    auto* pictures = new QHBoxLayout;
    pictures->setSpacing(2);
    before_ = new ShownPicture(tr("As it is"), {150, 120});
    after_ = new ShownPicture(tr("As it would be"), {150, 120});
    pictures->addWidget(before_);
    pictures->addWidget(after_);
    layout->addLayout(pictures);
    words_ = new StillText(2);
    layout->addWidget(words_);
    layout->addWidget(makeLabel(tr("WHAT IT IS SET TO"), "section"));
    prep_ = new PrepRows;
    layout->addWidget(prep_);
    connect(prep_, &PrepRows::edited, this, [this](bool isSettled) { setByHand(prep_->light(), isSettled); });
    stays_ = new QCheckBox(tr("Leave it as it is"));
    layout->addWidget(stays_);
    layout->addWidget(makeLabel(tr("ITS RUN"), "section"));
    auto* buttons = new QHBoxLayout;
    split_ = makeButton(tr("Begin a run here"), "");
    split_->setToolTip(tr("From this picture on they show another scene"));
    join_ = makeButton(tr("Join with the one before"), "");
    join_->setToolTip(tr("This run and the one before show the same scene"));
    buttons->addWidget(split_);
    buttons->addWidget(join_);
    layout->addLayout(buttons);
    layout->addWidget(makeLabel(tr("OTHER SCENES"), "section"));
    between_ = new ValueRow(tr("Toward the key"));
    between_->setRange(0, 100, 5, 0);
    between_->setLabelWidth(std::max(84, between_->nameWidth()));
    between_->setToolTip(
        tr("How far the cast and the key tone of other scenes are drawn to the key picture's: a third of a stop and "
           "60 mired at most. A night stays a night"));
    layout->addWidget(between_);
    layout->addStretch(1);
    connect(between_, &ValueRow::edited, this, [this](double, bool isSettled) {
        if (isSettled) refreshSoon();
    });
    connect(stays_, &QCheckBox::clicked, this, [this](bool stays) {
        if (stays)
            staying_.insert(chosen_);
        else
            staying_.erase(chosen_);
        drawTimer_.start();
        show();
        showChosen();
        Q_EMIT settled();
    });
    connect(split_, &QPushButton::clicked, this, &MatchPage::split);
    connect(join_, &QPushButton::clicked, this, &MatchPage::join);
    show();
    showChosen();
}

bool MatchPage::eventFilter(QObject* watched, QEvent* event) {
    if (watched == middle_ && event->type() == QEvent::Show) {
        if (isStale_)
            refreshTimer_.start();
        else
            drawTimer_.start();
    }
    return false;
}

PrepLight MatchPage::present(int index) const {
    return prepLightOf(state_.pictures().at(index).work.grade);
}

PrepLight MatchPage::wanted(int index) const {
    if (staying_.contains(index)) return present(index);
    if (const auto hand = byHand_.find(index); hand != byHand_.end()) return hand->second;
    const auto at = static_cast<std::size_t>(index);
    return at < matched_.matches.size() ? matched_.matches[at].light : present(index);
}

int MatchPage::changing() const {
    int count = 0;
    for (int i = 0; i < state_.pictures().size(); ++i) count += !(wanted(i) == present(i));
    return count;
}

std::size_t MatchPage::runOf(int index) const {
    for (std::size_t r = 0; r < runs_.size(); ++r) {
        const auto& pictures = runs_[r].pictures;
        if (std::find(pictures.begin(), pictures.end(), static_cast<std::size_t>(index)) != pictures.end()) return r;
    }
    return 0;
}

void MatchPage::setWanted(bool isWanted) {
    if (isWanted == isWanted_) return;
    isWanted_ = isWanted;
    if (isWanted && isStale_) refreshTimer_.start();
}

std::optional<PrepLight> MatchPage::lightFor(int index) const {
    const PrepLight light = wanted(index);
    return light == present(index) ? std::nullopt : std::optional(light);
}

void MatchPage::refresh() {
    if (!middle_->isVisible() && !isWanted_) return;
    if (runs_.empty()) runs_ = survey_.runs();
    show();
    if (runs_.empty() || state_.key() < 0) return; // the survey is still looking
    std::vector<MatchPicture> pictures;
    for (int i = 0; i < state_.pictures().size(); ++i)
        pictures.push_back({survey_.seen()[static_cast<std::size_t>(i)], present(i)});
    MatchWish wish;
    wish.key = static_cast<std::size_t>(state_.key());
    wish.betweenRuns = between_->value() / 100;
    if (task_) task_->cancel();
    task_ = std::make_shared<Task>();
    isMatching_ = true;
    show();
    runBehind(pool_,
              [this, pictures = std::move(pictures), runs = runs_, wish, task = task_, generation = ++generation_] {
                  MatchedSet matched;
                  try {
                      matched = matchRuns(pictures, runs, wish, task.get());
                  } catch (const std::exception&) {
                      return; // another is on its way
                  }
                  tellWindow(this, [this, matched, generation] {
                      if (generation != generation_) return;
                      matched_ = matched;
                      isMatching_ = false;
                      isStale_ = refreshTimer_.isActive();
                      draw();
                      show();
                      showChosen();
                      Q_EMIT settled();
                  });
              });
}

void MatchPage::draw() {
    if (!middle_->isVisible()) return;
    std::vector<int> todo;
    for (int i = 0; i < std::min(survey_.size(), state_.pictures().size()); ++i) {
        if (wanted(i) == present(i)) continue;
        const auto at = drawn_.find(i);
        if (at == drawn_.end() || !(at->second.light == wanted(i)) || at->second.grade != survey_.gradeOf(i))
            todo.push_back(i);
    }
    smalls_.start(todo);
    show();
    showChosen();
}

void MatchPage::drawOne(int index, const Picture& small) {
    if (small.isEmpty() || index >= survey_.size()) return smalls_.done();
    Drawn drawn{{}, {}, wanted(index), survey_.gradeOf(index)};
    runBehind(pool_, [this, index, small, drawn, present = present(index), generation = generation_]() mutable {
        try {
            if (prepLightOf(drawn.grade) != present)
                drawn.before = imageOf(withPrepLight(drawn.grade, present), small);
            drawn.after = imageOf(withPrepLight(drawn.grade, drawn.light), small);
        } catch (const std::exception&) { // no memory for it just now: the place stays as it is
        }
        tellWindow(this, [this, index, drawn, generation] {
            if (generation == generation_ && !drawn.after.isNull()) {
                drawn_[index] = drawn;
                if (!showTimer_.isActive()) showTimer_.start();
                if (index == chosen_) showChosen();
            }
            smalls_.done();
        });
    });
}

QImage MatchPage::before(int index) const {
    if (const auto at = drawn_.find(index); at != drawn_.end() && !at->second.before.isNull() &&
                                            index < survey_.size() && at->second.grade == survey_.gradeOf(index))
        return at->second.before;
    return index < survey_.size() ? survey_.at(index).image : QImage();
}

QImage MatchPage::after(int index) const {
    const auto at = drawn_.find(index);
    return wanted(index) == present(index) || at == drawn_.end() ? before(index) : at->second.after;
}

void MatchPage::show() {
    std::vector<SetTiles::Row> rows;
    const int count = state_.pictures().size();
    int unmatched = 0;
    for (std::size_t r = 0; r < runs_.size(); ++r) {
        const SceneRun& run = runs_[r];
        QString to;
        if (r < matched_.references.size() && run.pictures.size() > 1) {
            const auto reference = static_cast<int>(matched_.references[r]);
            if (reference < count) to = tr("matched to %1").arg(state_.pictures().at(reference).name());
        } else if (run.pictures.size() == 1) {
            to = tr("the only one of its scene");
        }
        rows.push_back(
            {tr("Run %1 · %2").arg(r + 1).arg(counted(qsizetype(run.pictures.size()), tr("picture"), tr("pictures"))),
             to});
        for (const std::size_t picture : run.pictures) {
            const int index = static_cast<int>(picture);
            if (index >= count) continue;
            QString line = wanted(index) == present(index) ? tr("stays") : lightText(wanted(index));
            const bool isUnmatched = picture < matched_.matches.size() && run.pictures.size() > 1 &&
                                     matched_.matches[picture].by == MatchedBy::Nothing && !byHand_.contains(index);
            if (isUnmatched) line = tr("could not be matched: stays"), ++unmatched;
            rows.push_back({state_.pictures().at(index).name(), line, index, before(index), after(index), isUnmatched,
                            staying_.contains(index)});
        }
    }
    tiles_->reset(std::move(rows));
    if (const int row = tiles_->rowOf(chosen_); row >= 0 && list_->currentIndex().row() != row) {
        const QSignalBlocker quiet(list_->selectionModel());
        list_->setCurrentIndex(tiles_->index(row));
    }
    const int changes = changing();
    if (count == 0)
        summary_->setText(tr("Open pictures to match them"));
    else if (runs_.empty())
        summary_->setText(
            tr("Looking which pictures show one scene: %1 of %2").arg(survey_.triedCount()).arg(survey_.size()));
    else if (isMatching_)
        summary_->setText(tr("Matching…"));
    else
        summary_->setText(tr("Left as it is, right as it would be: %1 of %2 change").arg(changes).arg(count) +
                          (unmatched > 0 ? tr(" · %1 could not be matched").arg(unmatched) : QString()));
    take_->setEnabled(changes > 0 && !isMatching_);
}

void MatchPage::showChosen() {
    const bool isThere = chosen_ >= 0 && chosen_ < state_.pictures().size() && !runs_.empty();
    for (QWidget* each : std::initializer_list<QWidget*>{prep_, stays_, split_, join_}) each->setEnabled(isThere);
    name_->setText(isThere ? state_.pictures().at(chosen_).name() : tr("Choose a picture"));
    if (!isThere) {
        words_->setText({});
        before_->clearPicture(), after_->clearPicture();
        prep_->setLight({});
        return;
    }
    const PrepLight light = wanted(chosen_);
    prep_->setLight(light);
    stays_->setChecked(staying_.contains(chosen_));
    const auto at = static_cast<std::size_t>(chosen_);
    QString said;
    if (byHand_.contains(chosen_))
        said = tr("set by hand");
    else if (at < matched_.matches.size())
        said = QString::fromStdString(matchWords(matched_.matches[at]));
    words_->setText(said);
    if (const QImage image = before(chosen_); !image.isNull()) before_->setPicture(image);
    if (const QImage image = after(chosen_); !image.isNull()) after_->setPicture(image);
    const SceneRun& run = runs_[runOf(chosen_)];
    split_->setEnabled(run.pictures.front() != at);
    join_->setEnabled(runOf(chosen_) > 0);
}

void MatchPage::setByHand(const PrepLight& light, bool isSettled) {
    if (chosen_ < 0) return;
    if (!isSettled) {
        if (const Picture small = state_.pictures().smallOf(chosen_); !small.isEmpty() && chosen_ < survey_.size())
            after_->setPicture(imageOf(withPrepLight(survey_.gradeOf(chosen_), light), small));
        return;
    }
    byHand_[chosen_] = light;
    staying_.erase(chosen_);
    draw();
    Q_EMIT settled();
}

void MatchPage::setRuns(std::vector<SceneRun> runs) {
    runs_ = std::move(runs);
    areByHand_ = true;
    matched_ = {};
    isStale_ = true;
    refresh();
}

void MatchPage::split() {
    std::vector<SceneRun> runs = runs_;
    const std::size_t r = runOf(chosen_);
    auto& pictures = runs[r].pictures;
    const auto at = std::find(pictures.begin(), pictures.end(), static_cast<std::size_t>(chosen_));
    SceneRun rest;
    rest.pictures.assign(at, pictures.end());
    pictures.erase(at, pictures.end());
    runs.insert(runs.begin() + static_cast<std::ptrdiff_t>(r) + 1, std::move(rest));
    setRuns(std::move(runs));
}

void MatchPage::join() {
    std::vector<SceneRun> runs = runs_;
    const std::size_t r = runOf(chosen_);
    if (r == 0) return;
    auto& before = runs[r - 1].pictures;
    before.insert(before.end(), runs[r].pictures.begin(), runs[r].pictures.end());
    runs.erase(runs.begin() + static_cast<std::ptrdiff_t>(r));
    setRuns(std::move(runs));
}

void MatchPage::take() {
    std::map<int, Grade> grades;
    for (int i = 0; i < state_.pictures().size(); ++i)
        if (!(wanted(i) == present(i))) grades[i] = withPrepLight(state_.pictures().at(i).work.grade, wanted(i));
    const auto count = static_cast<int>(grades.size());
    byHand_.clear();
    state_.editPictures(tr("Match the light"), grades, kBatchSubject);
    state_.tell(tr("The Prep of %n pictures is set. Undo takes it back", nullptr, count));
}

} // namespace baryton
