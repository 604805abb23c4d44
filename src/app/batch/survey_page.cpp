#include "app/batch/survey_page.h"
#include "app/render_image.h"
#include "app/theme/theme.h"
#include "app/widgets/labels.h"
#include "base/words.h"
#include "render/program.h"
#include "stages/stage_type.h"
#include "survey/match.h"

#include <QEvent>
#include <QHBoxLayout>
#include <QScrollBar>
#include <QVBoxLayout>
#include <algorithm>

namespace baryton {

namespace {

constexpr int kFaultRows = 4;

} // namespace

SurveyPage::SurveyPage(AppState& state, std::function<const BatchSettings&()> settings, QObject* parent)
    : QObject(parent), state_(state), settings_(std::move(settings)), survey_(state.pictures()) {
    makeMiddle();
    makePanel();
    refreshTimer_.setSingleShot(true);
    refreshTimer_.setInterval(120);
    connect(&refreshTimer_, &QTimer::timeout, this, [this] { refresh(); });
    showTimer_.setSingleShot(true);
    showTimer_.setInterval(40);
    connect(&showTimer_, &QTimer::timeout, this, &SurveyPage::showTiles);
    connect(&state.pictures(), &PictureSet::opened, this, [this] {
        groups_.clear();
        isSorted_ = false;
        showTiles(); // none of another set can be pressed meanwhile
        choose(-1);
        refreshSoon();
    });
    connect(&state.pictures(), &PictureSet::gradeChanged, this, &SurveyPage::refreshSoon);
    connect(&state, &AppState::keyChanged, this, &SurveyPage::refreshSoon);
    connect(&survey_, &SetSurvey::drawn, this, [this](int index) {
        if (!showTimer_.isActive()) showTimer_.start();
        if (index == chosen_) showChosen();
    });
    connect(&survey_, &SetSurvey::judged, this, [this] {
        if (!isSorted_ && survey_.isJudged()) sortAnew();
        showTiles();
        showFaults();
    });
}

void SurveyPage::makeMiddle() {
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
    row->addWidget(new QLabel(tr("Look")));
    looks_ = new QComboBox;
    looks_->setAccessibleName(tr("Look to survey"));
    looks_->setMinimumWidth(230);
    row->addWidget(looks_);
    inRun_ = new QCheckBox(tr("In the run"));
    inRun_->setToolTip(tr("Whether files are made with this look"));
    row->addWidget(inRun_);
    summary_ = makeLabel({}, "second");
    row->addWidget(summary_, 1);
    sort_ = makeButton(tr("Sort anew"), "flat");
    sort_->setToolTip(
        tr("The worst first again, as it is now: pictures that were changed stay where they are until then"));
    row->addWidget(sort_);
    layout->addWidget(bar);
    tiles_ = new SetTiles(this);
    list_ = makeSetList(tiles_, tr("Pictures with the look"), false);
    layout->addWidget(list_, 1);
    middle_->installEventFilter(this);
    connect(looks_, &QComboBox::activated, this, [this](int i) {
        if (i < 0 || i >= static_cast<int>(choices_.size())) return;
        wanted_ = choices_[static_cast<std::size_t>(i)].file;
        isWantedByHand_ = true;
        isSorted_ = false;
        refresh();
    });
    connect(inRun_, &QCheckBox::clicked, this, [this](bool on) { Q_EMIT lookWanted(wanted_, on); });
    connect(sort_, &QPushButton::clicked, this, [this] {
        sortAnew();
        showTiles();
    });
    connect(list_->selectionModel(), &QItemSelectionModel::currentChanged, this, [this](const QModelIndex& now) {
        choose(now.data(SetTiles::IndexRole).isValid() ? now.data(SetTiles::IndexRole).toInt() : -1);
    });
    connect(list_, &QListView::activated, this, [this](const QModelIndex& at) {
        const int index = at.data(SetTiles::IndexRole).toInt();
        if (index < 0) return;
        const Faults& faults = survey_.at(index).faults;
        Q_EMIT gradeWanted(index, QString::fromStdString(faults.empty() ? "" : faults[0].stageId));
    });
    connect(list_->verticalScrollBar(), &QScrollBar::valueChanged, this, [this] {
        std::vector<int> inSight;
        const QRect seen = list_->viewport()->rect();
        for (int r = 0; r < tiles_->rowCount(); ++r)
            if (list_->visualRect(tiles_->index(r)).intersects(seen) &&
                tiles_->rows()[static_cast<std::size_t>(r)].index >= 0)
                inSight.push_back(tiles_->rows()[static_cast<std::size_t>(r)].index);
        survey_.first(inSight);
    });
}

void SurveyPage::makePanel() {
    panel_ = new QWidget;
    panel_->setObjectName(QStringLiteral("panel"));
    panel_->setAttribute(Qt::WA_StyledBackground);
    panel_->setFixedWidth(330);
    auto* layout = new QVBoxLayout(panel_);
    layout->setContentsMargins(14, 12, 14, 12);
    layout->setSpacing(7);
    name_ = makeLabel({}, "heading");
    layout->addWidget(name_);
    picture_ = new ShownPicture(tr("The picture with the look"), {302, 200});
    layout->addWidget(picture_);
    layout->addWidget(makeLabel(tr("WHAT IS WRONG"), "section"));
    for (int i = 0; i < kFaultRows; ++i) {
        auto* fault = makeButton({}, "flat");
        fault->setStyleSheet(QStringLiteral("text-align: left"));
        fault->setFixedHeight(28);
        faults_.push_back(fault);
        layout->addWidget(fault);
        connect(fault, &QPushButton::clicked, this, [this, i] {
            if (chosen_ < 0) return;
            const Faults& faults = survey_.at(chosen_).faults;
            const auto at = static_cast<std::size_t>(i);
            Q_EMIT gradeWanted(chosen_, at < faults.size() ? QString::fromStdString(faults[at].stageId) : QString());
        });
    }
    layout->addWidget(makeLabel(tr("ITS PREP"), "section"));
    prep_ = new PrepRows;
    layout->addWidget(prep_);
    connect(prep_, &PrepRows::edited, this, [this](bool isSettled) { setPrep(prep_->light(), isSettled); });
    layout->addWidget(makeLabel(tr("IN THE RUN"), "section"));
    taken_ = new Segments({tr("As the others"), tr("Left out")});
    taken_->setAccessibleName(tr("In the run"));
    layout->addWidget(taken_);
    strength_ = new ValueRow(tr("Strength"));
    strength_->setRange(0, 200, 1, 100);
    strength_->setLabelWidth(84);
    strength_->setToolTip(tr("How far this picture gets the look"));
    layout->addWidget(strength_);
    auto* line = new QHBoxLayout;
    auto* label = new QLabel(tr("Look"));
    label->setFixedWidth(84);
    line->addWidget(label);
    instead_ = new QComboBox;
    instead_->setAccessibleName(tr("Look for this picture"));
    instead_->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
    line->addWidget(instead_, 1);
    layout->addLayout(line);
    layout->addStretch(1);
    connect(taken_, &Segments::chosen, this, [this](int i) { wish([i](WishSettings& w) { w.isLeftOut = i == 1; }); });
    connect(strength_, &ValueRow::edited, this, [this](double value, bool isSettled) {
        if (isSettled) wish([value](WishSettings& w) { w.strength = value / 100; });
    });
    connect(instead_, &QComboBox::activated, this, [this](int i) {
        const auto file = instead_->itemData(i).toString().toStdString();
        wish([&file](WishSettings& w) { w.instead = file; });
    });
    choose(-1);
}

bool SurveyPage::eventFilter(QObject* watched, QEvent* event) {
    if (watched == middle_ && event->type() == QEvent::Show) refreshSoon();
    return false;
}

void SurveyPage::refreshSoon() {
    if (!refreshTimer_.isActive()) refreshTimer_.start();
}

void SurveyPage::surveyPreset(const std::filesystem::path& file) {
    wanted_ = file;
    isWantedByHand_ = true;
    isSorted_ = false;
    refreshSoon();
}

const SurveyPage::LookChoice* SurveyPage::look() const {
    const auto at = std::find_if(choices_.begin(), choices_.end(),
                                 [this](const LookChoice& choice) { return choice.file == wanted_; });
    return at == choices_.end() ? nullptr : &*at;
}

void SurveyPage::fillLooks() {
    const BatchSettings& settings = settings_();
    std::vector<std::filesystem::path> listed;
    for (const auto& entry : state_.presets())
        if (entry.preset) listed.push_back(entry.file);
    // Rebuilt only where it is another: it may be open.
    if (listed == listed_ && settings.presets == listedFor_.presets && settings.ownGrade == listedFor_.ownGrade &&
        instead_->property("look").toString().toStdString() == wanted_.string() && look())
        return;
    listed_ = std::move(listed);
    listedFor_ = settings;
    choices_.clear();
    looks_->clear();
    const auto add = [&](const QString& name, LookChoice choice) {
        looks_->addItem(name);
        choices_.push_back(std::move(choice));
    };
    for (const bool isOfPlan : {true, false}) {
        if (!isOfPlan && !choices_.empty()) {
            // A line between; no choice of its own.
            looks_->insertSeparator(looks_->count());
            choices_.push_back({{}, "-"});
        }
        if (isOfPlan == settings.ownGrade) add(tr("Each picture's own grade"), {{"own grade", {}, true}, {}});
        for (const auto& entry : state_.presets())
            if (entry.preset && settings.presets.contains(entry.file) == isOfPlan)
                add(QString::fromStdString(entry.name), {{entry.name, {*entry.preset}, false}, entry.file});
    }
    // Until one is chosen, the first of the run's.
    if ((!look() || !isWantedByHand_) && !choices_.empty()) wanted_ = choices_.front().file;
    if (const LookChoice* now = look()) looks_->setCurrentIndex(static_cast<int>(now - choices_.data()));
    instead_->clear();
    instead_->setProperty("look", QString::fromStdString(wanted_.string()));
    instead_->addItem(tr("As the others"), QString());
    for (const auto& entry : state_.presets())
        if (entry.preset && entry.file != wanted_)
            instead_->addItem(QString::fromStdString(entry.name), QString::fromStdString(entry.file.string()));
}

WishSettings SurveyPage::wishOf(int index) const {
    const auto& wishes = settings_().wishes;
    const auto at = wishes.find({state_.pictures().at(index).file, wanted_});
    return at == wishes.end() ? WishSettings() : at->second;
}

void SurveyPage::refresh(bool alsoUnseen) {
    if (!middle_->isVisible() && !alsoUnseen) return;
    fillLooks();
    const LookChoice* now = look();
    if (!now) return;
    inRun_->setChecked(now->look.ownGrade ? settings_().ownGrade : settings_().presets.contains(wanted_));
    std::vector<Grade> grades;
    for (int i = 0; i < state_.pictures().size(); ++i) {
        BatchLook wished = now->look;
        const WishSettings wish = wishOf(i);
        if (const LibraryEntry* entry = state_.presetIn(wish.instead))
            wished = {entry->name, {*entry->preset}, false};
        wished.strength = std::min(2.0, wished.strength * wish.strength);
        const std::optional<PrepLight> light = lightFor ? lightFor(i) : std::nullopt;
        grades.push_back(
            gradeFor(wished, state_.pictures().at(i).work.grade, settings_().prep, light ? &*light : nullptr));
    }
    std::vector<Vec3> sampled;
    const int key = state_.key();
    if (samplesOf && key >= 0)
        if (const Picture small = state_.pictures().wholeSmallOf(key); !small.isEmpty()) {
            Grade prep;
            prep.prep = state_.keyGrade().prep;
            const Picture before = Program::compile(prep).graded(small);
            for (const QPointF& at : samplesOf(key)) {
                const int x = std::clamp(static_cast<int>(at.x() * small.width()), 0, small.width() - 1),
                          y = std::clamp(static_cast<int>(at.y() * small.height()), 0, small.height() - 1);
                sampled.push_back({before.row(0, y)[x], before.row(1, y)[x], before.row(2, y)[x]});
            }
        }
    survey_.survey(std::move(grades), key, sampled);
    if (groups_.empty() && survey_.size() > 0) {
        std::vector<int> all;
        for (int i = 0; i < survey_.size(); ++i) all.push_back(i);
        groups_ = {{tr("All pictures"), all}};
    }
    showTiles();
    showChosen();
}

void SurveyPage::sortAnew() {
    isSorted_ = true;
    groups_.clear();
    std::map<FaultKind, std::vector<int>> failing;
    std::vector<int> remarked, clean, unread;
    for (int i = 0; i < survey_.size(); ++i) {
        const SetSurvey::Item& item = survey_.at(i);
        if (!item.measure.isMeasured)
            unread.push_back(i);
        else if (item.fails())
            failing[item.faults[0].kind].push_back(i);
        else
            (item.faults.empty() ? clean : remarked).push_back(i);
    }
    const auto severity = [this](int i) { return survey_.at(i).faults[0].severity; };
    std::vector<std::pair<FaultKind, std::vector<int>>> sorted(failing.begin(), failing.end());
    for (auto& [kind, pictures] : sorted)
        std::stable_sort(pictures.begin(), pictures.end(), [&](int a, int b) { return severity(a) > severity(b); });
    std::stable_sort(sorted.begin(), sorted.end(), [&](const auto& a, const auto& b) {
        return severity(a.second.front()) > severity(b.second.front());
    });
    for (auto& [kind, pictures] : sorted)
        groups_.emplace_back(QString::fromStdString(faultTitle(kind)), std::move(pictures));
    if (!unread.empty()) groups_.emplace_back(tr("Can't be read"), unread);
    if (!remarked.empty()) groups_.emplace_back(QString::fromStdString(faultTitle(FaultKind::Idle)), remarked);
    if (!clean.empty()) groups_.emplace_back(tr("Nothing found"), clean);
}

QString SurveyPage::lineOf(int index) const {
    const SetSurvey::Item& item = survey_.at(index);
    const WishSettings wish = wishOf(index);
    QString line;
    if (wish.isLeftOut)
        line = tr("left out");
    else if (!item.isTried || (item.faults.empty() && !survey_.isJudged()))
        line = tr("looking…");
    else if (!item.measure.isMeasured)
        line = state_.pictures().at(index).error;
    else if (!item.faults.empty())
        line = QString::fromStdString(faultWords(item.faults[0]));
    else
        line = tr("nothing found");
    if (!wish.isLeftOut && wish.strength != 1) line += tr(" · at %1 %").arg(wish.strength * 100, 0, 'f', 0);
    if (!wish.isLeftOut && !wish.instead.empty())
        line += QStringLiteral(" · ") + QString::fromStdString(wish.instead.stem().string());
    return line;
}

void SurveyPage::showTiles() {
    std::vector<SetTiles::Row> rows;
    for (const auto& [title, pictures] : groups_) {
        rows.push_back({title, counted(qsizetype(pictures.size()), tr("picture"), tr("pictures"))});
        for (const int index : pictures) {
            if (index >= survey_.size()) continue;
            const SetSurvey::Item& item = survey_.at(index);
            const bool isLeftOut = wishOf(index).isLeftOut;
            const bool isProblem = item.isTried && (item.fails() || !item.measure.isMeasured) && !isLeftOut;
            rows.push_back(
                {state_.pictures().at(index).name(), lineOf(index), index, item.image, {}, isProblem, isLeftOut});
        }
    }
    tiles_->reset(std::move(rows));
    if (const int row = tiles_->rowOf(chosen_); row >= 0 && list_->currentIndex().row() != row) {
        const QSignalBlocker quiet(list_->selectionModel());
        list_->setCurrentIndex(tiles_->index(row));
    }
    showSummary();
}

void SurveyPage::showSummary() {
    const int all = survey_.size(), tried = survey_.triedCount();
    if (all == 0) return summary_->setText(tr("Open pictures to survey them"));
    if (tried < all) return summary_->setText(tr("Looking: %1 of %2").arg(tried).arg(all));
    if (!survey_.isJudged()) return summary_->setText(tr("Comparing…"));
    const QString key = state_.hasKey() ? state_.pictures().at(state_.key()).name() : QString();
    const int failing = survey_.failingCount();
    summary_->setText(failing == 0 ? tr("None of %n pictures fails, against %1", nullptr, all).arg(key)
                                   : tr("%1 of %n pictures fail, against %2", nullptr, all).arg(failing).arg(key));
}

void SurveyPage::choose(int index) {
    chosen_ = index;
    showChosen();
}

void SurveyPage::showChosen() {
    const bool isThere = chosen_ >= 0 && chosen_ < survey_.size();
    for (QWidget* each : std::initializer_list<QWidget*>{prep_, taken_, strength_, instead_})
        each->setEnabled(isThere);
    name_->setText(isThere ? state_.pictures().at(chosen_).name() : tr("Choose a picture"));
    if (!isThere) {
        picture_->clearPicture();
        prep_->setLight({});
        strength_->setValue(100);
        for (QPushButton* fault : faults_) fault->setText({}), fault->setEnabled(false);
        return;
    }
    const QImage& image = survey_.at(chosen_).image;
    if (!image.isNull()) picture_->setPicture(image);
    const PrepLight light = prepLightOf(state_.pictures().at(chosen_).work.grade);
    prep_->setLight(light);
    const WishSettings wish = wishOf(chosen_);
    taken_->setCurrent(wish.isLeftOut ? 1 : 0);
    strength_->setValue(wish.strength * 100);
    // The own grade is not put on by a strength.
    const LookChoice* now = look();
    strength_->setEnabled(now && (!now->look.ownGrade || !wish.instead.empty()));
    instead_->setCurrentIndex(std::max(0, instead_->findData(QString::fromStdString(wish.instead.string()))));
    showFaults();
}

void SurveyPage::showFaults() {
    if (chosen_ < 0 || chosen_ >= survey_.size()) return;
    const SetSurvey::Item& item = survey_.at(chosen_);
    const Grade& grade = survey_.gradeOf(chosen_);
    for (std::size_t i = 0; i < faults_.size(); ++i) {
        QString text;
        if (i < item.faults.size()) {
            text = QString::fromStdString(faultWords(item.faults[i]));
            if (const auto place = findStage(grade, item.faults[i].stageId))
                text =
                    QString::fromStdString(stageTitle(grade, stageAt(grade, *place))) + QStringLiteral(": ") + text;
        } else if (i == 0 && item.isTried) {
            text =
                item.measure.isMeasured ? tr("Nothing found. Open it in Grade") : state_.pictures().at(chosen_).error;
        }
        faults_[i]->setText(text);
        faults_[i]->setToolTip(
            text.isEmpty() ? QString() : text + u'\n' + tr("Opens the picture in Grade, with that stage chosen"));
        faults_[i]->setIcon(text.isEmpty() ? QIcon() : theme::icon(QStringLiteral("right")));
        faults_[i]->setEnabled(!text.isEmpty());
    }
}

void SurveyPage::wish(const std::function<void(WishSettings&)>& change) {
    if (chosen_ < 0) return;
    WishSettings wished = wishOf(chosen_);
    change(wished);
    Q_EMIT this->wished(state_.pictures().at(chosen_).file, wanted_, wished);
}

void SurveyPage::setPrep(const PrepLight& light, bool isSettled) {
    if (chosen_ < 0 || chosen_ >= survey_.size()) return;
    if (!isSettled) { // seen while it is drawn, kept when the hand lets go
        if (const Picture small = state_.pictures().smallOf(chosen_); !small.isEmpty())
            picture_->setPicture(imageOf(withPrepLight(survey_.gradeOf(chosen_), light), small));
        return;
    }
    state_.editPictures(tr("Prep"), {{chosen_, withPrepLight(state_.pictures().at(chosen_).work.grade, light)}},
                        kBatchSubject);
}

} // namespace baryton
