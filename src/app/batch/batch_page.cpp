#include "app/batch/batch_page.h"
#include "app/desktop_calls.h"
#include "app/dragged_files.h"
#include "app/guide/guide_of.h"
#include "app/picture_model.h"
#include "app/theme/theme.h"
#include "app/widgets/labels.h"
#include "base/file.h"
#include "base/words.h"
#include "batch/names.h"
#include "grade/grade_json.h"
#include "stages/frame.h"
#include "stages/stage_type.h"

#include <QHBoxLayout>
#include <QHeaderView>
#include <QPainter>
#include <QVBoxLayout>
#include <tbb/global_control.h>

namespace baryton {

namespace {

/// A change of the settings as a step of undo.
class BatchPart : public UndoPart {
public:
    BatchPart(BatchPage& page, BatchSettings before, BatchSettings after)
        : UndoPart(kBatchSubject), page_(page), before_(std::move(before)), after_(std::move(after)) {}
    bool undo() override { return put(before_); }
    bool redo() override { return put(after_); }

private:
    bool put(const BatchSettings& settings) {
        page_.setSettings(settings);
        return true;
    }
    BatchPage& page_;
    BatchSettings before_, after_;
};

/// The picture's own Prep in a few words: "+0.40 EV, 5200 K", "Frame, 2 : 1, +1.6°".
QString prepText(const Grade& grade) {
    QStringList parts;
    for (const Stage& stage : grade.prep) {
        const StageType* type = findStageType(stage.type);
        if (!type || isNeutral(stage)) continue;
        const bool isFrame = stage.type == kFrameType;
        if (isFrame) parts.append(QString::fromStdString(words(type->name)));
        for (const auto& [id, value] : stage.parameters)
            // Of a frame's place numbers say nothing.
            if (const auto* p = type->parameter(id);
                p && value != p->defaultValue && (!isFrame || id == "ratio" || id == "angle"))
                parts.append((id == "tint" ? BatchPage::tr("tint ") : QString()) +
                             QString::fromStdString(shownText(*p, value)) +
                             (p->unit == Unit::Stops ? QStringLiteral(" EV") : QString()));
    }
    return parts.isEmpty() ? BatchPage::tr("none") : parts.join(QStringLiteral(", "));
}

} // namespace

BatchPage::BatchPage(AppState& state, QWidget* parent) : QWidget(parent), state_(state), table_(new QTableWidget) {
    auto* layout = new QHBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(1);
    auto* middle = new QVBoxLayout;
    middle->setSpacing(0);
    auto* bar = new QWidget;
    bar->setObjectName(QStringLiteral("toolbar"));
    bar->setAttribute(Qt::WA_StyledBackground);
    bar->setFixedHeight(36);
    auto* row = new QHBoxLayout(bar);
    row->setContentsMargins(12, 0, 12, 0);
    head_ = makeLabel({}, "brand");
    counts_ = makeLabel({}, "second");
    view_ = new Segments({tr("Survey"), tr("Match"), tr("Files")});
    view_->setAccessibleName(tr("What of the batch is shown"));
    view_->button(0)->setToolTip(tr("On which pictures does the look fail?"));
    view_->button(1)->setToolTip(tr("Exposure and white balance of each picture so that the look sits alike on all"));
    view_->button(2)->setToolTip(tr("The files that the run makes"));
    row->addWidget(head_);
    row->addSpacing(16);
    row->addWidget(view_);
    row->addStretch(1);
    row->addWidget(counts_);
    row->addSpacing(8);
    row->addWidget(makePlanButton());
    middle->addWidget(bar);
    makeTable();
    survey_ = new SurveyPage(
        state_, [this]() -> const BatchSettings& { return settings_; }, this);
    match_ = new MatchPage(state_, survey_->survey(), this);
    output_ = new OutputPanel(state_);
    middles_ = new QStackedWidget;
    panels_ = new QStackedWidget;
    for (QWidget* each : std::initializer_list<QWidget*>{survey_->middle(), match_->middle(), table_})
        middles_->addWidget(each);
    for (QWidget* each : std::initializer_list<QWidget*>{survey_->panel(), match_->panel(), output_})
        panels_->addWidget(each);
    panels_->setFixedWidth(330);
    setGuide(this, QStringLiteral("guide/batch"));
    setGuideParts(QStringLiteral("guide/batch"), {{survey_->middle(), tr("Survey")},
                                                  {survey_->panel(), tr("Survey")},
                                                  {match_->middle(), tr("Match")},
                                                  {match_->panel(), tr("Match")},
                                                  {table_, tr("Files")}});
    middle->addWidget(middles_, 1);
    middle->addWidget(makeRunBar());
    layout->addLayout(middle, 1);
    layout->addWidget(panels_);
    connect(output_, &OutputPanel::changeWanted, this, &BatchPage::change);
    connect(output_, &OutputPanel::typed, this, &BatchPage::showPlan);
    connect(view_, &Segments::chosen, this, [this](int i) { showView(static_cast<View>(i)); });
    connect(survey_, &SurveyPage::gradeWanted, this, &BatchPage::gradeWanted);
    connect(survey_, &SurveyPage::lookWanted, this, [this](const std::filesystem::path& look, bool inRun) {
        BatchSettings next = settings_;
        if (look.empty())
            next.ownGrade = inRun;
        else if (inRun)
            next.presets.insert(look);
        else
            next.presets.erase(look);
        change(tr("Batch: looks"), next);
    });
    connect(
        survey_, &SurveyPage::wished, this,
        [this](const std::filesystem::path& picture, const std::filesystem::path& look, const WishSettings& wish) {
            BatchSettings next = settings_;
            if (wish == WishSettings())
                next.wishes.erase({picture, look});
            else
                next.wishes[{picture, look}] = wish;
            change(tr("Batch: %1").arg(QString::fromStdString(picture.filename().string())), next);
        });
    survey_->lightFor = [this](int index) {
        return settings_.prep == PrepChoice::Matched ? match_->lightFor(index) : std::nullopt;
    };
    connect(match_, &MatchPage::settled, this, [this] {
        if (settings_.prep == PrepChoice::Matched) showPlan();
    });
    showView(View::Files);
    rememberTimer_.setSingleShot(true);
    rememberTimer_.setInterval(500);
    connect(&rememberTimer_, &QTimer::timeout, this, &BatchPage::remember);
    connect(&state.pictures(), &PictureSet::opened, this, [this] {
        if (rememberTimer_.isActive()) remember(); // of the set that was open
        recall();
    });
    connect(&state.pictures(), &PictureSet::thumbnailChanged, this, &BatchPage::showThumbnail);
    connect(&state.pictures(), &PictureSet::gradeChanged, this, [this](int index) {
        if (auto* item = table_->item(index, kPrepColumn)) item->setText(prepTextOf(index));
        if (runOfSet() || !settings_.ownGrade) return;
        if (auto* item = table_->item(index, kFirstLook); item && item->text().startsWith(tr("to be made")))
            item->setText(waitingText(plan(), index, 0));
    });
    connect(&state, &AppState::presetsChanged, this, &BatchPage::showPlan);
    if (state.pictures().size() > 0)
        recall();
    else
        setSettings(settings_);
    for (int i = 0; i < state.pictures().size(); ++i)
        if (!state.pictures().at(i).thumbnail.isNull()) showThumbnail(i);
}

void BatchPage::showThumbnail(int index) {
    if (index >= table_->rowCount()) return;
    QPixmap pixmap(44, 30);
    pixmap.fill(theme::colours().well);
    QPainter painter(&pixmap);
    drawFilling(painter, QRectF(0, 0, 44, 30), state_.pictures().at(index).thumbnail);
    painter.end();
    auto* item = new QTableWidgetItem;
    item->setData(Qt::DecorationRole, pixmap);
    table_->setItem(index, 0, item);
}

void BatchPage::showView(View view) {
    view_->setCurrent(static_cast<int>(view));
    middles_->setCurrentIndex(static_cast<int>(view));
    panels_->setCurrentIndex(static_cast<int>(view));
    // Which pictures show one scene the survey finds as it looks at all of them.
    if (view == View::Match) survey_->lookAtAll();
    if (isVisible() && view != View::Files) (view == View::Survey ? survey_->list() : match_->list())->setFocus();
}

BatchPage::~BatchPage() {
    if (rememberTimer_.isActive()) remember();
    runs_.clear(); // each is stopped, and remembers what it made
}

void BatchPage::makeTable() {
    table_->setAccessibleName(tr("Files to make"));
    table_->setSelectionMode(QAbstractItemView::NoSelection);
    table_->setEditTriggers(QAbstractItemView::NoEditTriggers);
    table_->setFocusPolicy(Qt::StrongFocus);
    table_->setShowGrid(false);
    table_->verticalHeader()->hide();
    table_->verticalHeader()->setDefaultSectionSize(40);
    table_->horizontalHeader()->setHighlightSections(false);
    table_->horizontalHeader()->setDefaultAlignment(Qt::AlignLeft | Qt::AlignVCenter);
    table_->setVerticalScrollMode(QAbstractItemView::ScrollPerPixel);
    table_->setObjectName(QStringLiteral("plan"));
    table_->setContextMenuPolicy(Qt::CustomContextMenu);
    connect(table_, &QTableWidget::customContextMenuRequested, this, &BatchPage::showRowMenu);
    dragFilesFrom(table_, [this](const QModelIndex& at) { return filesAt(at); });
    connect(table_, &QTableWidget::itemChanged, this, [this](QTableWidgetItem* item) {
        if (isFilling_ || item->column() != kPictureColumn) return;
        if (runOfSet()) return showPlan(); // what runs is settled
        std::set<std::filesystem::path> leftOut = settings_.leftOut;
        const std::filesystem::path& file = state_.pictures().at(item->row()).file;
        if (item->checkState() == Qt::Checked)
            leftOut.erase(file);
        else
            leftOut.insert(file);
        leaveOut(std::move(leftOut));
    });
}

void BatchPage::setSettings(const BatchSettings& settings) {
    settings_ = settings;
    output_->setSettings(settings_);
    matchWhereWanted();
    showPlan();
    if (!isRecalling_ && state_.pictures().size() > 0) rememberTimer_.start();
}

void BatchPage::recall() {
    std::error_code ignored;
    const auto folder = std::filesystem::absolute(state_.pictures().at(0).file.parent_path(), ignored);
    BatchSettings settings = settings_;
    settings.folder = (folder / "finished").string();
    memory_ = std::make_shared<RunMemory>();
    memoryFile_ = runMemoryFile(folder);
    const BatchRun* run = runOfSet();
    try {
        if (run) {
            memory_ = run->memory();
            settings = memory_->settings;
        } else if (auto found = loadRunMemory(memoryFile_)) {
            *memory_ = std::move(*found);
            learnFromJournal();
            settings = memory_->settings;
        }
    } catch (const Error& e) {
        state_.tell(QString::fromStdString(e.what()), true);
    }
    isRecalling_ = true; // reading is no change to be written
    setSettings(settings);
    isRecalling_ = false;
    output_->setRunning(run != nullptr);
    const auto all = memory_->wantedCount();
    const auto made = static_cast<std::size_t>(std::count_if(
        memory_->files.begin(), memory_->files.end(), [](const auto& f) { return f.job.state == JobState::Done; }));
    endText_.clear();
    if (!run && all > 0)
        endText_ = memory_->wasInterrupted()
                       ? tr("The last run made %1 of %2 files. Continue makes the rest.").arg(made).arg(all)
                       : tr("The last run made %1 of %2 files.").arg(made).arg(all);
    showRun();
}

void BatchPage::remember() {
    rememberTimer_.stop();
    if (memoryFile_.empty()) return;
    memory_->settings = settings_;
    try {
        storeRunMemory(memoryFile_, *memory_);
    } catch (const Error& e) {
        state_.tell(QString::fromStdString(e.what()), true);
    }
}

std::map<std::size_t, BatchJob> BatchPage::madeBefore(const BatchPlan& plan, bool retries) const {
    std::map<std::size_t, BatchJob> made;
    if (!(memory_->wasInterrupted() || retries) || !(memory_->ranWith == settings_)) return made;
    std::map<std::pair<std::string, std::string>, std::pair<std::size_t, std::size_t>> places;
    for (std::size_t p = 0; p < plan.pictures.size(); ++p)
        for (std::size_t l = 0; l < plan.looks.size(); ++l)
            places[{plan.pictures[p].string(), plan.looks[l].name}] = {p, l};
    for (const auto& file : memory_->files) {
        const auto place = places.find({file.picture.string(), file.look});
        std::error_code ignored;
        // What was deleted since, or would come out otherwise now, is made again.
        if (place != places.end() && file.job.state == JobState::Done && file.job.output < plan.outputs.size() &&
            std::filesystem::exists(file.job.file, ignored) &&
            gradeHash(plan, place->second.first, place->second.second) == file.grade)
            made[placeOf(plan, place->second.first, place->second.second, file.job.output)] = file.job;
    }
    return made;
}

QString BatchPage::waitingText(const BatchPlan& plan, int picture, int look) const {
    const auto at = std::pair{static_cast<std::size_t>(picture), static_cast<std::size_t>(look)};
    const Grade* own = ownGradeFor(plan.looks[at.second], state_.pictures().at(picture).work);
    if (!own) return tr("has no such take");
    const bool isBare = plan.looks[at.second].ownGrade && isNeutral(*own);
    QString text = isBare ? tr("to be made, not graded") : tr("to be made");
    if (const auto wish = plan.wishes.find(at); wish != plan.wishes.end()) {
        if (wish->second.strength != 1) text += tr(" · at %1 %").arg(wish->second.strength * 100, 0, 'f', 0);
        if (wish->second.instead) text += QStringLiteral(" · ") + QString::fromStdString(wish->second.instead->name);
        if (wish->second.isLeftOut) text = tr("left out");
    }
    return text;
}

std::string BatchPage::gradeHash(const BatchPlan& plan, std::size_t picture, std::size_t look) const {
    const BatchLook wished = lookFor(plan, picture, look);
    const Grade* found = ownGradeFor(wished, state_.pictures().at(static_cast<int>(picture)).work);
    if (!found) return {};
    Grade own = *found;
    own.picture = {}; // known sooner or later, and no part of what comes out
    return contentHash(gradeToText(gradeFor(wished, own, plan.prep, lightFor(plan, picture))));
}

void BatchPage::change(const QString& what, const BatchSettings& next) {
    if (next == settings_) return;
    std::vector<std::unique_ptr<UndoPart>> parts;
    parts.push_back(std::make_unique<BatchPart>(*this, settings_, next));
    setSettings(next);
    state_.undoHistory().push(what, std::move(parts));
}

BatchPlan BatchPage::plan() const {
    BatchPlan plan;
    plan.name = output_->nameText().toStdString();
    const bool asksTakes = !settings_.takes.empty() || asksWhichTake(plan.name);
    for (int i = 0; i < state_.pictures().size(); ++i) {
        const OpenPicture& picture = state_.pictures().at(i);
        // A grade that could not be read is tried again by the run, and told.
        if (!picture.gradeUnreadable) {
            PictureWork& own = plan.works[plan.pictures.size()];
            own.grade = picture.work.grade;
            if (asksTakes) own.takes = picture.work.takes, own.from = picture.work.from;
        }
        if (settings_.prep == PrepChoice::Matched)
            if (const auto light = match_->lightFor(i)) plan.lights[plan.pictures.size()] = *light;
        if (picture.shot != Shot()) plan.shots[plan.pictures.size()] = picture.shot;
        plan.pictures.push_back(picture.file);
    }
    if (settings_.ownGrade) plan.looks.push_back({"own grade", {}, true});
    for (const std::string& take : settings_.takes) {
        plan.looks.push_back({take, {}, true});
        plan.looks.back().take = take;
    }
    for (const auto& entry : state_.presets())
        if (entry.preset && settings_.presets.contains(entry.file))
            plan.looks.push_back({entry.name, {*entry.preset}, false});
    plan.prep = settings_.prep;
    if (plan.prep == PrepChoice::Matched) {
        plan.betweenRuns = match_->betweenRuns();
        if (state_.hasKey()) plan.matchedTo = state_.pictures().at(state_.key()).file;
    }
    std::vector<std::optional<std::filesystem::path>> files; // of the looks; takes have none
    if (settings_.ownGrade) files.emplace_back(std::filesystem::path());
    files.resize(files.size() + settings_.takes.size());
    for (const auto& entry : state_.presets())
        if (entry.preset && settings_.presets.contains(entry.file)) files.push_back(entry.file);
    for (std::size_t p = 0; p < plan.pictures.size() && !settings_.wishes.empty(); ++p)
        for (std::size_t l = 0; l < files.size(); ++l)
            if (const auto at =
                    files[l] ? settings_.wishes.find({plan.pictures[p], *files[l]}) : settings_.wishes.end();
                at != settings_.wishes.end()) {
                PictureWish wish{at->second.isLeftOut, at->second.strength, {}};
                if (const LibraryEntry* entry = state_.presetIn(at->second.instead))
                    wish.instead = BatchLook{entry->name, {*entry->preset}, false};
                plan.wishes[{p, l}] = std::move(wish);
            }
    for (std::size_t p = 0; p < plan.pictures.size() && !settings_.leftOut.empty(); ++p)
        for (std::size_t l = 0; l < plan.looks.size(); ++l)
            if (settings_.leftOut.contains(plan.pictures[p])) plan.wishes[{p, l}].isLeftOut = true;
    plan.outputs = settings_.outputs;
    plan.folder = settings_.folder;
    plan.ifExists = settings_.ifExists;
    // As many as Preferences allow.
    plan.workers = static_cast<int>(tbb::global_control::active_value(tbb::global_control::max_allowed_parallelism));
    return plan;
}

void BatchPage::matchWhereWanted() {
    const bool isWanted = settings_.prep == PrepChoice::Matched && isVisible();
    match_->setWanted(isWanted);
    if (isWanted && !match_->isReady()) survey_->lookAtAll(); // which finds the scenes
}

void BatchPage::showEvent(QShowEvent* event) {
    QWidget::showEvent(event);
    matchWhereWanted();
    showRun();
}

void BatchPage::hideEvent(QHideEvent* event) {
    QWidget::hideEvent(event);
    matchWhereWanted();
}

QString BatchPage::prepTextOf(int picture) const {
    const Grade& own = state_.pictures().at(picture).work.grade;
    const auto light = settings_.prep == PrepChoice::Matched ? match_->lightFor(picture) : std::nullopt;
    if (settings_.prep == PrepChoice::None) return tr("none");
    return light ? tr("matched: %1").arg(prepText(withPrepLight(own, *light))) : prepText(own);
}

void BatchPage::showPlan() {
    survey_->refreshSoon();
    const BatchPlan now = shownPlan();
    const int pictures = state_.pictures().size(), looks = static_cast<int>(now.looks.size());
    const auto kinds = static_cast<int>(now.outputs.size());
    int leftOut = 0;
    for (int p = 0; p < pictures; ++p)
        for (int l = 0; l < looks; ++l) {
            const auto wish = now.wishes.find({static_cast<std::size_t>(p), static_cast<std::size_t>(l)});
            const bool isWished = wish == now.wishes.end() || !wish->second.isLeftOut;
            const BatchLook& look = now.looks[static_cast<std::size_t>(l)];
            leftOut += !isWished || !ownGradeFor(look, state_.pictures().at(p).work);
        }
    head_->setText(state_.pictures().name());
    QStringList factors = {counted(pictures, tr("picture"), tr("pictures")), counted(looks, tr("look"), tr("looks"))};
    if (kinds > 1) factors.append(counted(kinds, tr("kind of file"), tr("kinds of file")));
    const QString less = leftOut > 0 ? tr(" − %1 left out").arg(leftOut * kinds) : QString();
    counts_->setText(factors.join(QStringLiteral(" × ")) + less + QStringLiteral(" = ") +
                     counted((pictures * looks - leftOut) * kinds, tr("file"), tr("files")));
    QString problem = output_->problem();
    try {
        const auto jobs = jobsOf(now);
        const auto longest = std::max_element(jobs.begin(), jobs.end(), [](const BatchJob& a, const BatchJob& b) {
            return a.file.native().size() < b.file.native().size();
        });
        const auto shown = [&](const BatchJob& job) {
            return QString::fromStdString(job.file.lexically_relative(now.folder).string());
        };
        QString example = tr("for example %1").arg(shown(jobs.front()));
        if (jobs.size() > 1 && longest->file != jobs.front().file)
            example += tr("; the longest %1").arg(shown(*longest));
        if (problem.isEmpty()) output_->showExample(example, false);
    } catch (const Error& e) {
        problem = QString::fromStdString(e.problem() + ": " + e.hint());
    }
    if (!problem.isEmpty()) output_->showExample(problem, true);
    isPlanPossible_ = problem.isEmpty() && !settings_.folder.empty();

    isFilling_ = true;
    QStringList heads = {QString(), tr("Picture"), tr("Prep")};
    for (const auto& look : now.looks)
        heads.append(!look.take.empty() ? tr("Take %1").arg(QString::fromStdString(look.take))
                     : look.ownGrade    ? tr("Own grade")
                                        : QString::fromStdString(look.name));
    table_->setColumnCount(static_cast<int>(heads.size()));
    table_->setHorizontalHeaderLabels(heads);
    if (table_->rowCount() != pictures) table_->setRowCount(pictures);
    table_->setIconSize({44, 30});
    table_->setColumnWidth(0, 62);
    table_->setColumnWidth(kPictureColumn, 170);
    table_->setColumnWidth(kPrepColumn, 130);
    for (int c = kFirstLook; c < table_->columnCount(); ++c) table_->setColumnWidth(c, 190);
    table_->horizontalHeader()->setStretchLastSection(true);
    for (int p = 0; p < pictures; ++p) {
        const auto set = [&](int column, const QString& text, const QColor& colour) {
            auto* item = new QTableWidgetItem(text);
            item->setForeground(colour);
            table_->setItem(p, column, item);
        };
        const std::filesystem::path& file = state_.pictures().at(p).file;
        const bool isIn = !settings_.leftOut.contains(file);
        set(kPictureColumn, QString::fromStdString(file.filename().string()),
            isIn ? theme::colours().text : theme::colours().second);
        QTableWidgetItem* name = table_->item(p, kPictureColumn);
        name->setFlags(name->flags() | Qt::ItemIsUserCheckable);
        name->setCheckState(isIn ? Qt::Checked : Qt::Unchecked);
        set(kPrepColumn, prepTextOf(p), theme::colours().second);
    }
    showCells(now);
    isFilling_ = false;
    showRun();
}

} // namespace baryton
