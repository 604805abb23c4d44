#include "app/batch/batch_page.h"
#include "app/picture_model.h"
#include "app/theme/theme.h"
#include "app/widgets/labels.h"
#include "batch/names.h"
#include "stages/stage_type.h"

#include <QCheckBox>
#include <QDesktopServices>
#include <QFileDialog>
#include <QHBoxLayout>
#include <QHeaderView>
#include <QPainter>
#include <QScrollArea>
#include <QUrl>
#include <QVBoxLayout>
#include <cmath>

namespace baryton {

namespace {

constexpr int kPictureColumn = 1, kPrepColumn = 2, kFirstLook = 3;

struct FormatChoice {
    FileFormat format;
    int bits;
};
constexpr FormatChoice kFormats[] = {{FileFormat::Jpeg, 8},
                                     {FileFormat::Png, 8},
                                     {FileFormat::Png, 16},
                                     {FileFormat::Tiff, 8},
                                     {FileFormat::Tiff, 16}};

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

/// The picture's own Prep in a few words: "+0.40 EV", "5200 K".
QString prepText(const Grade& grade) {
    QStringList words;
    for (const Stage& stage : grade.prep) {
        const StageType* type = findStageType(stage.type);
        if (!type || isNeutral(stage)) continue;
        for (const auto& [id, value] : stage.parameters)
            if (const auto* p = type->parameter(id); p && value != p->defaultValue)
                words.append((p->name == "Tint" ? QStringLiteral("tint ") : QString()) +
                             QString::fromStdString(shownText(*p, value)) +
                             (p->unit == Unit::Stops ? QStringLiteral(" EV") : QString()));
    }
    return words.isEmpty() ? QStringLiteral("—") : words.join(QStringLiteral(", "));
}

QString sizeText(std::uintmax_t bytes) {
    return bytes < 1000000 ? QStringLiteral("%1 kB").arg((bytes + 500) / 1000)
                           : QStringLiteral("%1 MB").arg(static_cast<double>(bytes) / 1e6, 0, 'f', 1);
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
    row->addWidget(head_);
    row->addStretch(1);
    row->addWidget(counts_);
    middle->addWidget(bar);
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
    middle->addWidget(table_, 1);
    middle->addWidget(makeRunBar());
    layout->addLayout(middle, 1);
    layout->addWidget(makeOutput());
    pool_.setMaxThreadCount(1);
    connect(&state.pictures(), &PictureSet::opened, this, [this] {
        if (task_) task_->cancel();
        std::error_code ignored;
        settings_.folder =
            (std::filesystem::absolute(state_.pictures().at(0).file.parent_path(), ignored) / "finished").string();
        jobs_.clear();
        setSettings(settings_);
    });
    connect(&state.pictures(), &PictureSet::thumbnailChanged, this, [this](int index) {
        if (index >= table_->rowCount()) return;
        const QImage image = state_.pictures().at(index).thumbnail;
        QPixmap pixmap(44, 30);
        pixmap.fill(theme::colours().well);
        QPainter painter(&pixmap);
        drawFilling(painter, QRectF(0, 0, 44, 30), image);
        painter.end();
        auto* item = new QTableWidgetItem;
        item->setData(Qt::DecorationRole, pixmap);
        table_->setItem(index, 0, item);
    });
    connect(&state.pictures(), &PictureSet::gradeChanged, this, [this](int index) {
        if (auto* item = table_->item(index, kPrepColumn))
            item->setText(prepText(state_.pictures().at(index).work.grade));
    });
    connect(&state, &AppState::presetsChanged, this, &BatchPage::fillLooks);
    fillLooks();
    setSettings(settings_);
}

BatchPage::~BatchPage() {
    if (task_) task_->cancel();
    pool_.waitForDone();
}

QWidget* BatchPage::makeRunBar() {
    auto* bar = new QWidget;
    bar->setObjectName(QStringLiteral("panel"));
    bar->setAttribute(Qt::WA_StyledBackground);
    bar->setFixedHeight(50);
    auto* row = new QHBoxLayout(bar);
    row->setContentsMargins(14, 0, 14, 0);
    row->setSpacing(12);
    start_ = makeButton(tr("Start"), "primary");
    cancel_ = makeButton(tr("Cancel"), "");
    cancel_->setEnabled(false);
    progress_ = new QProgressBar;
    progress_->setTextVisible(false);
    progress_->setRange(0, 1000);
    progressText_ = makeLabel({}, "second");
    open_ = makeButton(tr("Open folder"), "flat");
    auto* lines = new QVBoxLayout;
    lines->setSpacing(5);
    lines->addStretch(1);
    lines->addWidget(progress_);
    lines->addWidget(progressText_);
    lines->addStretch(1);
    row->addWidget(start_);
    row->addWidget(cancel_);
    row->addLayout(lines, 1);
    row->addWidget(open_);
    connect(start_, &QPushButton::clicked, this, &BatchPage::start);
    connect(cancel_, &QPushButton::clicked, this, [this] {
        if (task_) task_->cancel();
        progressText_->setText(tr("Cancelling…"));
    });
    connect(open_, &QPushButton::clicked, this,
            [this] { QDesktopServices::openUrl(QUrl::fromLocalFile(QString::fromStdString(settings_.folder))); });
    return bar;
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
    for (int i = 0; i < state_.pictures().size(); ++i) plan.pictures.push_back(state_.pictures().at(i).file);
    if (settings_.ownGrade) plan.looks.push_back({"own grade", {}, true});
    for (const auto& entry : state_.presets())
        if (entry.preset && settings_.presets.contains(entry.file))
            plan.looks.push_back({entry.name, {*entry.preset}, false});
    plan.prep = settings_.prep;
    const FormatChoice& choice = kFormats[settings_.format];
    plan.format = {choice.format, choice.bits, settings_.quality};
    plan.longSide = settings_.longSide;
    plan.folder = settings_.folder;
    plan.name = name_->text().toStdString();
    plan.ifExists = settings_.ifExists;
    return plan;
}

void BatchPage::showPlan() {
    if (task_) return;
    const BatchPlan now = plan();
    const int pictures = state_.pictures().size(), looks = static_cast<int>(now.looks.size());
    head_->setText(state_.pictures().name());
    counts_->setText(QStringLiteral("%1 × %2 = %3")
                         .arg(counted(pictures, tr("picture"), tr("pictures")),
                              counted(looks, tr("look"), tr("looks")),
                              counted(pictures * looks, tr("file"), tr("files"))));
    QString problem;
    try {
        const auto jobs = jobsOf(now);
        example_->setText(
            tr("for example %1")
                .arg(QString::fromStdString(jobs.front().file.lexically_relative(now.folder).string())));
    } catch (const Error& e) {
        problem = QString::fromStdString(e.problem() + ": " + e.hint());
        example_->setText(problem);
    }
    setRole(example_, problem.isEmpty() ? "second" : "error");
    start_->setEnabled(problem.isEmpty() && !settings_.folder.empty());

    QStringList heads = {QString(), tr("Picture"), tr("Prep")};
    for (const auto& look : now.looks)
        heads.append(look.ownGrade ? tr("Own grade") : QString::fromStdString(look.name));
    table_->setColumnCount(static_cast<int>(heads.size()));
    table_->setHorizontalHeaderLabels(heads);
    if (table_->rowCount() != pictures) table_->setRowCount(pictures);
    table_->setIconSize({44, 30});
    table_->setColumnWidth(0, 62);
    table_->setColumnWidth(kPictureColumn, 170);
    table_->setColumnWidth(kPrepColumn, 130);
    for (int c = kFirstLook; c < table_->columnCount(); ++c) table_->setColumnWidth(c, 170);
    table_->horizontalHeader()->setStretchLastSection(true);
    for (int p = 0; p < pictures; ++p) {
        const auto set = [&](int column, const QString& text, const QColor& colour) {
            auto* item = new QTableWidgetItem(text);
            item->setForeground(colour);
            table_->setItem(p, column, item);
        };
        set(kPictureColumn, QString::fromStdString(state_.pictures().at(p).file.filename().string()),
            theme::colours().text);
        set(kPrepColumn, prepText(state_.pictures().at(p).work.grade), theme::colours().second);
        for (int l = 0; l < looks; ++l) set(kFirstLook + l, tr("—"), theme::colours().second);
    }
}

void BatchPage::start() {
    if (task_) return;
    showPlan();
    state_.pictures().flush(); // the run reads each picture's grade from its file
    const BatchPlan now = plan();
    try {
        jobs_ = jobsOf(now);
    } catch (const Error& e) {
        state_.tell(QString::fromStdString(e.what()), true);
        return;
    }
    looksInRun_ = now.looks.size();
    done_ = failed_ = 0;
    task_ = std::make_shared<Task>();
    for (std::size_t i = 0; i < jobs_.size(); ++i) jobChanged(i, jobs_[i]);
    start_->setEnabled(false);
    cancel_->setEnabled(true);
    output_->setEnabled(false);
    clock_.start();
    showProgress();
    pool_.start([this, now, task = task_] {
        std::vector<BatchJob> jobs;
        QString failure;
        try {
            jobs = runBatch(
                now,
                [this](std::size_t index, const BatchJob& job) {
                    QMetaObject::invokeMethod(this, [this, index, job] { jobChanged(index, job); });
                },
                task.get());
        } catch (const std::exception& e) {
            failure = QString::fromStdString(e.what());
        }
        QMetaObject::invokeMethod(this, [this, jobs, failure] {
            if (!failure.isEmpty()) state_.tell(failure, true);
            ended(jobs);
        });
    });
}

void BatchPage::jobChanged(std::size_t index, const BatchJob& job) {
    if (index >= jobs_.size()) return;
    const auto& c = theme::colours();
    QString text, tip = QString::fromStdString(job.file.string());
    QColor colour = c.text;
    switch (job.state) {
    case JobState::Waiting:
        text = tr("waiting"), colour = c.second;
        break;
    case JobState::Running:
        text = tr("rendering…"), colour = c.accent;
        break;
    case JobState::Done:
        text = tr("done · %1").arg(sizeText(job.bytes));
        if (!job.warning.empty()) text += tr(" · see note"), tip = QString::fromStdString(job.warning);
        ++done_;
        break;
    case JobState::Skipped:
        text = tr("skipped, is there"), colour = c.second;
        ++done_;
        break;
    case JobState::Failed:
        text = tr("failed: %1").arg(QString::fromStdString(job.error)), colour = c.error;
        tip = QString::fromStdString(job.error + ". " + job.errorHint);
        ++failed_;
        break;
    case JobState::Cancelled:
        text = tr("cancelled"), colour = c.second;
        break;
    }
    jobs_[index] = job;
    auto* item = new QTableWidgetItem(text);
    item->setForeground(colour);
    item->setToolTip(tip);
    table_->setItem(static_cast<int>(job.picture), kFirstLook + static_cast<int>(job.look), item);
    if (task_) showProgress();
}

void BatchPage::showProgress() {
    const std::size_t ended = done_ + failed_, all = jobs_.size();
    progress_->setValue(all == 0 ? 0 : static_cast<int>(1000 * ended / all));
    QString text = tr("%1 of %2 files").arg(ended).arg(all);
    if (failed_ > 0) text += tr(" · %1 failed").arg(failed_);
    const double seconds = static_cast<double>(clock_.elapsed()) / 1000;
    if (ended > 0 && seconds > 0.2 && ended < all) {
        text += tr(" · %1 files a second").arg(static_cast<double>(ended) / seconds, 0, 'f', 1);
        text +=
            tr(" · about %1 s left")
                .arg(std::ceil(seconds * static_cast<double>(all - ended) / static_cast<double>(ended)), 0, 'f', 0);
    }
    progressText_->setText(text);
}

void BatchPage::ended(const std::vector<BatchJob>& jobs) {
    const bool cancelled = task_ && task_->isCancelled();
    for (std::size_t i = 0; i < jobs.size(); ++i)
        if (jobs[i].state == JobState::Cancelled) jobChanged(i, jobs[i]);
    task_.reset();
    start_->setEnabled(true);
    cancel_->setEnabled(false);
    output_->setEnabled(true);
    QString text = cancelled
                       ? tr("Cancelled. %1 of %2 files were made; none is half written.").arg(done_).arg(jobs_.size())
                       : tr("%1 of %2 files are done in %3 s.")
                             .arg(done_)
                             .arg(jobs_.size())
                             .arg(static_cast<double>(clock_.elapsed()) / 1000, 0, 'f', 1);
    if (failed_ > 0) text += tr(" %1 failed; point at them in the table to read why.").arg(failed_);
    progressText_->setText(text);
    Q_EMIT finished();
}

} // namespace baryton
