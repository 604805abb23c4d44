#include "app/main_window.h"
#include "app/batch/closing_sheet.h"
#include "app/crash_sheet.h"
#include "app/gesture_keeper.h"
#include "app/grade/frame_view.h"
#include "app/grade/stage_commands.h"
#include "app/guide/guide_of.h"
#include "app/keys.h"
#include "app/library_commands.h"
#include "app/preferences.h"
#include "app/settings.h"
#include "app/theme/theme.h"
#include "app/welcome.h"
#include "app/widgets/labels.h"
#include "app/widgets/readable.h"
#include "base/error.h"
#include "lut/lut_file.h"
#include "picture/memory_limit.h"

#include <QApplication>
#include <QCloseEvent>
#include <QDialog>
#include <QFileDialog>
#include <QHBoxLayout>
#include <QKeyEvent>
#include <QMimeData>
#include <QPlainTextEdit>
#include <QVBoxLayout>
#include <cmath>
#include <utility>

namespace baryton {

namespace {

std::filesystem::path inFull(const std::filesystem::path& path) {
    std::error_code ignored;
    const auto full = std::filesystem::absolute(path, ignored);
    return full.empty() ? path : full;
}

/// The picture that is shown first: one that is named after its folder, or the one that was in hand when the set was
/// open last.
std::filesystem::path inHandOf(const std::vector<std::filesystem::path>& paths) {
    const std::filesystem::path& set = paths.front();
    if (paths.size() == 2 && paths[1].parent_path() == set) return paths[1];
    return lastInHand(QString::fromStdString(set.string())).toStdString();
}

} // namespace

MainWindow::MainWindow(std::filesystem::path libraryRoot, const std::vector<std::filesystem::path>& willOpen,
                       QWidget* parent)
    : QMainWindow(parent), state_(std::move(libraryRoot)) {
    if (!willOpen.empty()) {
        std::vector<std::filesystem::path> paths;
        for (const auto& path : willOpen) paths.push_back(inFull(path));
        state_.pictures().setPairsAsOne(loadSettings().pairsAsOne);
        state_.pictures().readAhead(paths.front(), inHandOf(paths));
    }
    std::optional<theme::Undressed> undressed(std::in_place);
    // Before the pages: what is asked for a widget first is kept for as long as it lives.
    installReadables();
    setWindowTitle(tr("Baryton"));
    resize(1280, 800);
    setAcceptDrops(true);
    grade_ = new GradePage(state_);
    tasks_ = new QStackedWidget;
    tasks_->addWidget(grade_);
    setGuide(this, QStringLiteral("guide/window"));
    auto* centre = new QWidget;
    centre->setObjectName(QStringLiteral("well"));
    centre->setAttribute(Qt::WA_StyledBackground);
    auto* layout = new QVBoxLayout(centre);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    sides_ = new QSplitter;
    sides_->setChildrenCollapsible(false);
    sides_->setHandleWidth(1);
    sides_->addWidget(tasks_);
    layout->addWidget(sides_, 1);
    setCentralWidget(centre);
    makeCommands();
    makeTopBar();
    makeStatusBar();

    messageTimer_.setSingleShot(true);
    messageTimer_.setInterval(6000);
    connect(&messageTimer_, &QTimer::timeout, this, [this] { problems_->pointerText()->clear(); });
    connect(&state_, &AppState::told, this, &MainWindow::showMessage);
    connect(&state_.undoHistory(), &UndoHistory::changed, this, &MainWindow::updateUndo);
    connect(&state_.pictures(), &PictureSet::gradeChanged, this, [this] { closesWithoutGrades_ = false; });
    connect(&state_, &AppState::keyChanged, this, [this] {
        problems_->restSoon();
        setWindowTitle(tr("%1 – Baryton")
                           .arg(QString::fromStdString(state_.pictures().at(state_.key()).file.filename().string())));
        updateUndo();
    });
    connect(&state_, &AppState::guideWanted, this, [this](const QString& page) { openGuide({page}); });
    connect(&state_, &AppState::surveyWanted, this, [this](const std::filesystem::path& preset) {
        showTask(AppTask::Batch);
        batchPage()->surveyPage()->surveyPreset(preset);
        batchPage()->showView(BatchPage::View::Survey);
    });
    new PresetKeys(state_, this);
    auto* gestures = new GestureKeeper(state_, this);
    for (QWidget* each : std::initializer_list<QWidget*>{grade_->editorPanel(), grade_->pinnedPanel(), grade_->view(),
                                                         grade_->frameView()})
        gestures->watch(each);
    connect(gestures, &GestureKeeper::takenBack, grade_->frameView(), &FrameView::takeBackLine);
    connect(gestures, &GestureKeeper::takenBack, grade_, &GradePage::takeBackPull);
    qApp->installEventFilter(this);
    fitToScreens();
    takeSettings(loadSettings());
    undressed.reset();
    grade_->restoreLayout(); // edges go by how large things are
    restoreGeometry(layoutState(QStringLiteral("window")));
    if (layoutState(QStringLiteral("panels")) == "hidden") grade_->showPanels(false);
    updateUndo();
    if (willOpen.empty()) showTask(AppTask::Grade);
}

MainWindow::~MainWindow() {
    second_.reset();
    qApp->removeEventFilter(this);
    // The pages speak to the state as they go; it must not speak back.
    state_.disconnect(this);
    state_.undoHistory().disconnect(this);
    delete centralWidget();
}

void MainWindow::openPaths(const std::vector<std::filesystem::path>& paths, bool adds) {
    // Plans, presets and LUTs among what was dropped or named go where they belong.
    std::vector<std::filesystem::path> pictures, others;
    for (const auto& path : paths)
        if (path.extension() == ".bplan") {
            showTask(AppTask::Batch);
            batchPage()->offerPlan(path);
        } else if (isForLibrary(path))
            others.push_back(path);
        else if (!openOther(path))
            pictures.push_back(path);
    if (!others.empty()) importFiles(state_, others, this);
    const auto stayHere = [this] {
        if (!state_.hasKey()) showTask(task_); // the welcome page
    };
    if (pictures.empty()) return stayHere();
    for (auto& path : pictures) path = inFull(path);
    const std::filesystem::path set = pictures.front();
    const int before = adds ? state_.pictures().size() : 0;
    for (int i = before; i-- > 0;) pictures.insert(pictures.begin(), state_.pictures().at(i).file);
    state_.keepHistories();
    rememberPlace();
    const bool keepsKey = adds && state_.hasKey();
    if (!state_.pictures().open(pictures, keepsKey ? state_.pictures().at(state_.key()).file : inHandOf(pictures)))
        return stayHere();
    if (adds && state_.pictures().size() == before) state_.tell(tr("They are in the set already"));
    Q_EMIT opened(pictures);
    if (adds) return;
    showTask(AppTask::Grade);
    grade_->view()->setFocus();
    set_ = QString::fromStdString(set.string());
    rememberSet(set_);
}

void MainWindow::rememberPlace() {
    if (set_.isEmpty() || !state_.hasKey()) return;
    rememberInHand(set_, QString::fromStdString(state_.pictures().at(state_.key()).file.string()));
}

void MainWindow::tellOfCrash(const std::vector<BrokenRun>& runs) {
    auto* sheet = new CrashSheet(runs, this);
    connect(sheet, &CrashSheet::openWanted, this,
            [this](const std::vector<std::filesystem::path>& paths) { openPaths(paths); });
    sheet->open();
}

bool MainWindow::isForLibrary(const std::filesystem::path& path) const {
    const QString name = QString::fromStdString(path.extension().string()).toLower();
    if (name == QStringLiteral(".bpreset") || name == QStringLiteral(".bpack") || name == QStringLiteral(".zip"))
        return true;
    // In Grade a LUT becomes a stage; in Package it joins the library.
    return task_ == AppTask::Package && isLutName(path);
}

bool MainWindow::openOther(const std::filesystem::path& path) {
    if (!isLutName(path)) return false;
    try {
        addLutStage(state_, path);
    } catch (const Error& e) {
        state_.tell(QString::fromStdString(e.what()), true);
    }
    return true;
}

void MainWindow::openDialog(bool folder) {
    auto* dialog = new QFileDialog(this, folder ? tr("Open folder") : tr("Open pictures"));
    dialog->setAttribute(Qt::WA_DeleteOnClose);
    dialog->setFileMode(folder ? QFileDialog::Directory : QFileDialog::ExistingFiles);
    if (!folder) {
        QStringList patterns;
        for (const auto& extension : readableExtensions())
            patterns.append(QStringLiteral("*.") + QString::fromStdString(extension));
        dialog->setNameFilter(tr("Pictures (%1)").arg(patterns.join(u' ')));
    }
    connect(dialog, &QFileDialog::filesSelected, this, [this](const QStringList& files) {
        std::vector<std::filesystem::path> paths;
        for (const QString& file : files) paths.emplace_back(file.toStdString());
        openPaths(paths);
    });
    dialog->open();
}

void MainWindow::fillRecent() {
    recent_->clear();
    for (const QString& path : recentSets())
        recent_->addAction(path, this, [this, path] { openPaths({path.toStdString()}); });
    if (recent_->isEmpty()) recent_->addAction(tr("Nothing opened yet"))->setEnabled(false);
}

void MainWindow::openPreferences() {
    auto* sheet = new PreferencesSheet(second_ ? second_->screen() : nullptr, this);
    connect(sheet, &PreferencesSheet::changed, this, &MainWindow::takeSettings);
    sheet->open();
}

void MainWindow::takeSettings(const Settings& settings) {
    applySettings(settings);
    screens_->setSettings(settings);
    state_.pictures().setPairsAsOne(settings.pairsAsOne);
    state_.pictures().setKeptBytes(static_cast<std::size_t>(settings.cacheMegabytes) << 20);
    setMemoryLimit(static_cast<std::size_t>(settings.pictureMegabytes) << 20);
    if (state_.before().kind == Before::Kind::Source || state_.before().kind == Before::Kind::PrepOnly)
        state_.setBefore({settings.beforeIsPrep ? Before::Kind::PrepOnly : Before::Kind::Source, {}, {}});
    for (QWidget* each : findChildren<QWidget*>()) each->update();
}

void MainWindow::updateUndo() {
    const auto show = [this](Command command, const QString& plain, const QString& of, const QString& step) {
        actions_.at(command)->setEnabled(!step.isNull());
        actions_.at(command)->setText(step.isNull() ? plain : of.arg(step));
    };
    const UndoHistory::Scope scope = state_.undoScope(task_);
    show(Command::Undo, tr("Undo"), tr("Undo %1"), state_.undoHistory().undoText(scope));
    show(Command::Redo, tr("Redo"), tr("Redo %1"), state_.undoHistory().redoText(scope));
}

void MainWindow::showMessage(const QString& text, bool isProblem) {
    if (isProblem) return problems_->tell(text);
    problems_->rest();
    problems_->pointerText()->setText(text);
    messageTimer_.start();
}

void MainWindow::askBeforeClosing() {
    if (leaving_ != Leaving::No) return; // it has been said
    for (const auto* open : findChildren<ClosingSheet*>())
        if (open->isVisible()) return;
    auto* sheet = new ClosingSheet(this);
    connect(sheet, &ClosingSheet::stopWanted, this, [this] {
        showTask(AppTask::Batch);
        batchPage()->finishUp();
        leaving_ = Leaving::WhenStopped;
        if (!isRunning()) close();
    });
    connect(sheet, &ClosingSheet::backgroundWanted, this, [this] {
        leaving_ = Leaving::InBackground;
        QGuiApplication::setQuitOnLastWindowClosed(false);
        hide();
        if (!isRunning()) Q_EMIT endedInBackground();
    });
    sheet->open();
}

void MainWindow::closeEvent(QCloseEvent* event) {
    if (isRunning()) {
        event->ignore();
        return askBeforeClosing();
    }
    if (!state_.pictures().flush() && !closesWithoutGrades_) {
        closesWithoutGrades_ = true;
        showMessage(
            tr("%n grades are not on the disk yet, so the window stays open. Make room, or close it once more to "
               "leave without them",
               nullptr, state_.pictures().unsavedCount()),
            true);
        event->ignore();
        return;
    }
    closeSecond();
    rememberPlace();
    rememberLayout(QStringLiteral("window"), saveGeometry());
    rememberLayout(QStringLiteral("panels"), grade_->arePanelsShown() ? "shown" : "hidden");
    event->accept();
}

void MainWindow::dragEnterEvent(QDragEnterEvent* event) {
    // What comes from here is open here already.
    if (event->mimeData()->hasUrls() && !event->source()) event->acceptProposedAction();
}

void MainWindow::dropEvent(QDropEvent* event) {
    std::vector<std::filesystem::path> paths;
    for (const QUrl& url : event->mimeData()->urls())
        if (url.isLocalFile()) paths.emplace_back(url.toLocalFile().toStdString());
    // What is dropped into a batch joins it.
    openPaths(paths, task_ == AppTask::Batch && state_.pictures().size() > 0);
}

bool MainWindow::eventFilter(QObject* watched, QEvent* event) {
    if (event->type() != QEvent::KeyPress && event->type() != QEvent::KeyRelease &&
        event->type() != QEvent::ShortcutOverride)
        return QMainWindow::eventFilter(watched, event);
    const auto* key = static_cast<QKeyEvent*>(event);
    if (event->type() == QEvent::KeyPress && answerFromDialog(*key)) return true;
    QWidget* focus = QApplication::focusWidget();
    const bool writes = qobject_cast<QLineEdit*>(focus) || qobject_cast<QPlainTextEdit*>(focus);
    // In an editor Ctrl+A is of what is written there; pictures are chosen in the tray or by the menu.
    const auto isIn = [focus](const QWidget* panel) { return panel->isAncestorOf(focus); };
    if (event->type() != QEvent::KeyRelease && key->matches(QKeySequence::SelectAll) && focus && !writes &&
        (isIn(grade_->editorPanel()) || isIn(grade_->pinnedPanel()))) {
        event->accept();
        return true;
    }
    if (!writes && (isActiveWindow() || hasSecondTheKeys()) && key->key() == Qt::Key_B &&
        key->modifiers() == Qt::NoModifier && task_ == AppTask::Grade) {
        if (event->type() != QEvent::ShortcutOverride && !key->isAutoRepeat())
            grade_->holdBefore(event->type() == QEvent::KeyPress);
        return true;
    }
    // The key of the mask, held: what it did is taken back with it.
    if (event->type() == QEvent::KeyRelease && key->key() == Qt::Key_K && !key->isAutoRepeat() &&
        maskShown_.isValid()) {
        constexpr qint64 press = 400; // milliseconds
        if (maskShown_.elapsed() > press) state_.maskTools().toggleVeil();
        maskShown_.invalidate();
    }
    return QMainWindow::eventFilter(watched, event);
}

} // namespace baryton
