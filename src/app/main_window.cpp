#include "app/main_window.h"
#include "app/grade/stage_commands.h"
#include "app/keys.h"
#include "app/theme/theme.h"
#include "app/widgets/labels.h"

#include <QApplication>
#include <QCloseEvent>
#include <QDialog>
#include <QFileDialog>
#include <QGridLayout>
#include <QHBoxLayout>
#include <QKeyEvent>
#include <QMenuBar>
#include <QMimeData>
#include <QPlainTextEdit>
#include <QStatusBar>
#include <QVBoxLayout>
#include <cmath>

namespace baryton {

MainWindow::MainWindow(std::filesystem::path libraryRoot, QWidget* parent)
    : QMainWindow(parent), state_(std::move(libraryRoot)) {
    setWindowTitle(tr("Baryton"));
    resize(1280, 800);
    setAcceptDrops(true);
    grade_ = new GradePage(state_);
    package_ = new PackagePage(state_);
    batch_ = new BatchPage(state_);
    tasks_ = new QStackedWidget;
    for (QWidget* page : std::initializer_list<QWidget*>{grade_, package_, batch_}) tasks_->addWidget(page);
    auto* centre = new QWidget;
    centre->setObjectName(QStringLiteral("well"));
    centre->setAttribute(Qt::WA_StyledBackground);
    auto* layout = new QVBoxLayout(centre);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addWidget(tasks_, 1);
    // Problems lie over the lower edge, so that nothing moves when one appears.
    notice_ = new QWidget(centre);
    notice_->setObjectName(QStringLiteral("notice"));
    notice_->setAttribute(Qt::WA_StyledBackground);
    auto* noticeRow = new QHBoxLayout(notice_);
    noticeRow->setContentsMargins(12, 3, 6, 3);
    noticeText_ = makeLabel({}, "error");
    noticeText_->setWordWrap(true);
    noticeText_->setTextInteractionFlags(Qt::TextSelectableByMouse);
    auto* close = makeButton({}, "flat");
    close->setIcon(theme::icon(QStringLiteral("close")));
    close->setAccessibleName(tr("Close the message"));
    noticeRow->addWidget(noticeText_, 1);
    noticeRow->addWidget(close);
    notice_->hide();
    setCentralWidget(centre);
    centre->installEventFilter(this);
    makeTopBar();
    makeStatusBar();

    messageTimer_.setSingleShot(true);
    messageTimer_.setInterval(6000);
    connect(&messageTimer_, &QTimer::timeout, this, [this] { pointerText_->clear(); });
    connect(close, &QPushButton::clicked, notice_, &QWidget::hide);
    connect(&state_, &AppState::told, this, &MainWindow::showMessage);
    connect(&state_, &AppState::taskTouched, this, &MainWindow::showTask);
    connect(&state_.undoStack(), &QUndoStack::indexChanged, this, &MainWindow::updateUndo);
    connect(&state_, &AppState::keyChanged, this, [this] {
        setWindowTitle(tr("%1 – Baryton")
                           .arg(QString::fromStdString(state_.pictures().at(state_.key()).file.filename().string())));
        updateUndo();
    });
    qApp->installEventFilter(this);
    updateUndo();
    showTask(0);
}

MainWindow::~MainWindow() {
    qApp->removeEventFilter(this);
    // The pages speak to the state as they go; it must not speak back.
    state_.disconnect(this);
    state_.undoStack().disconnect(this);
    delete takeCentralWidget();
}

void MainWindow::makeTopBar() {
    auto* bar = new QWidget;
    bar->setObjectName(QStringLiteral("topbar"));
    bar->setAttribute(Qt::WA_StyledBackground);
    auto* grid = new QGridLayout(bar);
    grid->setContentsMargins(10, 0, 10, 0);
    auto* left = new QHBoxLayout;
    left->setSpacing(4);
    auto* brand = makeLabel(QStringLiteral("Baryton"), "brand");
    left->addWidget(brand);
    auto* menus = new QMenuBar;
    menus->setNativeMenuBar(false);
    std::map<std::string, QMenu*> byName;
    for (const char* name : {QT_TR_NOOP("File"), QT_TR_NOOP("Edit"), QT_TR_NOOP("Picture"), QT_TR_NOOP("Look"),
                             QT_TR_NOOP("View"), QT_TR_NOOP("Help")})
        byName[name] = menus->addMenu(tr(name));
    for (const KeyCommand& command : keyCommands()) {
        QMenu* menu = byName.at(command.menu);
        const std::string id = command.id;
        if (id == "quit" || id == "save-preset" || id == "reset-stage" || id == "hold-before" || id == "fit" ||
            id == "shelf")
            menu->addSeparator();
        QAction* action = menu->addAction(tr(command.text));
        actions_[id] = action;
        if (id == "hold-before") {
            // A held key: taken in eventFilter, shown here.
            action->setText(action->text() + QStringLiteral("\t") + QString::fromLatin1(command.key));
            action->setEnabled(false);
            continue;
        }
        if (*command.key) action->setShortcut(QKeySequence(QString::fromLatin1(command.key)));
        connect(action, &QAction::triggered, this, [this, id] { run(id); });
    }
    auto* add = new QMenu(tr("Add a stage"), byName["Look"]);
    for (const StageType* type : stageTypes())
        if (type->standsIn(Part::Look))
            add->addAction(QString::fromStdString(type->name), this,
                           [this, id = type->id] { baryton::addStage(state_, id); });
    byName["Look"]->insertMenu(actions_["duplicate-stage"], add);
    actions_["wipe"]->setCheckable(true);
    actions_["shelf"]->setCheckable(true);
    connect(byName["View"], &QMenu::aboutToShow, this, [this] {
        actions_["wipe"]->setChecked(grade_->isWiping());
        actions_["shelf"]->setChecked(grade_->isShelfShown());
    });
    left->addWidget(menus);
    left->addStretch(1);
    grid->addLayout(left, 0, 0);
    auto* middle = new QHBoxLayout;
    middle->setSpacing(0);
    for (const auto& name : {tr("Grade"), tr("Package"), tr("Batch")}) {
        auto* button = makeButton(name, "task");
        button->setCheckable(true);
        const int index = static_cast<int>(taskButtons_.size());
        connect(button, &QPushButton::clicked, this, [this, index] { showTask(index); });
        middle->addWidget(button);
        taskButtons_.push_back(button);
    }
    grid->addLayout(middle, 0, 1);
    grid->setColumnStretch(0, 1);
    grid->setColumnStretch(2, 1);
    setMenuWidget(bar);
}

void MainWindow::makeStatusBar() {
    auto* bar = statusBar();
    bar->setSizeGripEnabled(false);
    pictureText_ = makeLabel({}, "second");
    pointerText_ = makeLabel({}, "");
    pointerText_->setIndent(14);
    frameText_ = makeLabel({}, "second");
    frameText_->setToolTip(tr("How long the last frame took to render"));
    auto* edits = makeLabel(tr("Edits: this picture"), "second");
    bar->addWidget(pictureText_);
    bar->addWidget(pointerText_, 1);
    bar->addPermanentWidget(edits);
    bar->addPermanentWidget(frameText_);
    bar->setContentsMargins(8, 0, 8, 0);
    connect(grade_, &GradePage::pictureText, pictureText_, &QLabel::setText);
    connect(grade_, &GradePage::pointerText, this, [this](const QString& text) {
        if (text.isEmpty() && messageTimer_.isActive()) return; // a message is still to be read
        messageTimer_.stop();
        pointerText_->setText(text);
    });
    connect(grade_, &GradePage::frameTime, this,
            [this](double ms) { frameText_->setText(tr("%1 ms").arg(std::lround(ms))); });
}

void MainWindow::showTask(int task) {
    tasks_->setCurrentIndex(task);
    for (std::size_t i = 0; i < taskButtons_.size(); ++i) taskButtons_[i]->setChecked(static_cast<int>(i) == task);
}

void MainWindow::openPaths(const std::vector<std::filesystem::path>& paths) {
    state_.pictures().open(paths);
    if (state_.pictures().size() > 0) showTask(0);
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

void MainWindow::run(const std::string& command) {
    const auto step = [this](int by) { state_.setKey(state_.key() + by); };
    const std::map<std::string, std::function<void()>> commands = {
        {"open-folder", [this] { openDialog(true); }},
        {"open-files", [this] { openDialog(false); }},
        {"save-preset", [this] { grade_->savePreset(); }},
        {"export-lut", [this] { grade_->exportLut(); }},
        {"quit", [this] { close(); }},
        {"undo", [this] { state_.endGesture(), state_.undoStack().undo(); }},
        {"redo", [this] { state_.endGesture(), state_.undoStack().redo(); }},
        {"reset-stage", [this] { resetStage(state_, state_.chosenStage()); }},
        {"reset-picture", [this] { state_.editKey(startingGrade()); }},
        {"next-picture", [&] { step(1); }},
        {"previous-picture", [&] { step(-1); }},
        {"duplicate-stage", [this] { duplicateStage(state_, state_.chosenStage()); }},
        {"delete-stage", [this] { removeStage(state_, state_.chosenStage()); }},
        {"stage-earlier", [this] { moveStage(state_, state_.chosenStage(), -1); }},
        {"stage-later", [this] { moveStage(state_, state_.chosenStage(), 1); }},
        {"task-grade", [this] { showTask(0); }},
        {"task-package", [this] { showTask(1); }},
        {"task-batch", [this] { showTask(2); }},
        {"wipe", [this] { grade_->setWipe(!grade_->isWiping()); }},
        {"fit", [this] { grade_->view()->fit(); }},
        {"full-size", [this] { grade_->view()->zoomTo(1); }},
        {"zoom-in", [this] { grade_->view()->zoomTo(grade_->view()->scale() * 1.25); }},
        {"zoom-out", [this] { grade_->view()->zoomTo(grade_->view()->scale() / 1.25); }},
        {"shelf", [this] { showTask(0), grade_->showShelf(!grade_->isShelfShown()); }},
        {"full-screen", [this] { setWindowState(windowState() ^ Qt::WindowFullScreen); }},
        {"keys", [this] { showKeys(); }},
        {"about", [this] { showAbout(); }},
    };
    commands.at(command)();
}

void MainWindow::updateUndo() {
    const QUndoStack& stack = state_.undoStack();
    actions_["undo"]->setEnabled(stack.canUndo());
    actions_["redo"]->setEnabled(stack.canRedo());
    actions_["undo"]->setText(stack.canUndo() ? tr("Undo %1").arg(stack.undoText()) : tr("Undo"));
    actions_["redo"]->setText(stack.canRedo() ? tr("Redo %1").arg(stack.redoText()) : tr("Redo"));
}

void MainWindow::showMessage(const QString& text, bool isProblem) {
    if (!isProblem) {
        pointerText_->setText(text);
        messageTimer_.start();
        return;
    }
    // A problem stays until it is closed; the next one comes below it.
    noticeText_->setText(notice_->isVisible() ? noticeText_->text() + u'\n' + text : text);
    notice_->show();
    placeNotice();
}

void MainWindow::showKeys() {
    auto* dialog = new QDialog(this);
    dialog->setAttribute(Qt::WA_DeleteOnClose);
    dialog->setWindowTitle(tr("Keys"));
    auto* grid = new QGridLayout(dialog);
    grid->setContentsMargins(20, 16, 20, 16);
    grid->setHorizontalSpacing(18);
    grid->setVerticalSpacing(4);
    int row = 0;
    const int half = static_cast<int>(keyCommands().size() + 1) / 2;
    for (const KeyCommand& command : keyCommands()) {
        if (!*command.key) continue;
        const int column = row < half ? 0 : 2;
        grid->addWidget(new QLabel(tr(command.text)), row % half, column);
        grid->addWidget(makeLabel(QString::fromLatin1(command.key), "accent"), row % half, column + 1);
        ++row;
    }
    row = half;
    grid->setRowMinimumHeight(row++, 12);
    for (const auto& [what, how] : focusKeys()) {
        grid->addWidget(makeLabel(tr(what), "accent"), row, 0);
        auto* text = new QLabel(tr(how));
        text->setWordWrap(true);
        grid->addWidget(text, row++, 1, 1, 3);
    }
    dialog->resize(640, dialog->sizeHint().height());
    dialog->open();
}

void MainWindow::showAbout() {
    auto* dialog = new QDialog(this);
    dialog->setAttribute(Qt::WA_DeleteOnClose);
    dialog->setWindowTitle(tr("About Baryton"));
    auto* row = new QHBoxLayout(dialog);
    row->setContentsMargins(24, 20, 24, 20);
    row->setSpacing(18);
    auto* mark = new QLabel;
    mark->setPixmap(windowIcon().pixmap(64, 64));
    row->addWidget(mark, 0, Qt::AlignTop);
    auto* text = new QLabel(
        tr("<b>Baryton</b><br>A colour style made on one picture, kept, and put on whole sets.<br><br>"
           "Presets are kept in %1<br>Free software under the GNU General Public License, version 3 or later.<br>"
           "The typeface is Inter, under the SIL Open Font License.")
            .arg(QString::fromStdString(state_.library().root().string()).toHtmlEscaped()));
    row->addWidget(text);
    dialog->open();
}

void MainWindow::closeEvent(QCloseEvent* event) {
    state_.pictures().flush();
    event->accept();
}

void MainWindow::dragEnterEvent(QDragEnterEvent* event) {
    if (event->mimeData()->hasUrls()) event->acceptProposedAction();
}

void MainWindow::dropEvent(QDropEvent* event) {
    std::vector<std::filesystem::path> paths;
    for (const QUrl& url : event->mimeData()->urls())
        if (url.isLocalFile()) paths.emplace_back(url.toLocalFile().toStdString());
    openPaths(paths);
}

void MainWindow::placeNotice() {
    const int width = std::min(760, centralWidget()->width() - 40);
    const int height = std::max(32, notice_->layout()->heightForWidth(width));
    notice_->setGeometry((centralWidget()->width() - width) / 2, centralWidget()->height() - height - 12, width,
                         height);
    notice_->raise();
}

bool MainWindow::eventFilter(QObject* watched, QEvent* event) {
    if (watched == centralWidget() && event->type() == QEvent::Resize && notice_->isVisible()) placeNotice();
    if (event->type() != QEvent::KeyPress && event->type() != QEvent::KeyRelease &&
        event->type() != QEvent::ShortcutOverride)
        return QMainWindow::eventFilter(watched, event);
    const auto* key = static_cast<QKeyEvent*>(event);
    QWidget* focus = QApplication::focusWidget();
    const bool writes = qobject_cast<QLineEdit*>(focus) || qobject_cast<QPlainTextEdit*>(focus);
    if (!writes && isActiveWindow() && key->key() == Qt::Key_B && key->modifiers() == Qt::NoModifier && task() == 0) {
        if (event->type() != QEvent::ShortcutOverride && !key->isAutoRepeat())
            grade_->holdBefore(event->type() == QEvent::KeyPress);
        return true;
    }
    return QMainWindow::eventFilter(watched, event);
}

} // namespace baryton
