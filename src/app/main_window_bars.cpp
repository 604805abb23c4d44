// The bar at the top with menus and tasks, and the status bar.
#include "app/grade/stage_commands.h"
#include "app/keys.h"
#include "app/main_window.h"
#include "app/widgets/labels.h"

#include <QGridLayout>
#include <QHBoxLayout>
#include <QMenuBar>
#include <QStatusBar>
#include <cmath>

namespace baryton {

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
        byName[name] = menus->addMenu(keyText(name));
    for (const KeyCommand& each : keyCommands()) {
        QMenu* menu = byName.at(each.menu);
        if (each.has(KeyCommand::Trait::StartsGroup)) menu->addSeparator();
        QAction* action = menu->addAction(keyText(each.text));
        action->setCheckable(each.has(KeyCommand::Trait::IsOnOrOff));
        action->setAutoRepeat(!each.has(KeyCommand::Trait::IsOnOrOff)); // a held key would flicker
        actions_[each.command] = action;
        if (each.command == Command::HoldBefore) {
            // A held key: taken in eventFilter, shown here.
            action->setText(action->text() + QStringLiteral("\t") + QString::fromLatin1(each.key));
            action->setEnabled(false);
            continue;
        }
        if (*each.key) action->setShortcut(QKeySequence(QString::fromLatin1(each.key)));
        connect(action, &QAction::triggered, this, [this, command = each.command] { run(command); });
    }
    auto* add = new QMenu(tr("Add a stage"), byName["Look"]);
    for (const StageOffer& offer : stageOffers())
        add->addAction(offer.title, this, [this, id = offer.type->id, part = offer.part] {
            baryton::addStage(state_, id, AddAt::Chosen, part);
        });
    byName["Look"]->insertMenu(actions_.at(Command::DuplicateStage), add);
    for (const char* name : {"View", "Picture", "Look", "Help"})
        connect(byName[name], &QMenu::aboutToShow, this, &MainWindow::checkActions);
    recent_ = new QMenu(tr("Open recent"), byName["File"]);
    byName["File"]->insertMenu(actions_.at(Command::SavePreset), recent_);
    connect(recent_, &QMenu::aboutToShow, this, &MainWindow::fillRecent);
    left->addWidget(menus);
    left->addStretch(1);
    grid->addLayout(left, 0, 0);
    auto* middle = new QHBoxLayout;
    middle->setSpacing(0);
    for (const auto& name : {tr("Grade"), tr("Package"), tr("Batch")}) {
        auto* button = makeButton(name, "task");
        button->setCheckable(true);
        const auto task = static_cast<AppTask>(taskButtons_.size());
        connect(button, &QPushButton::clicked, this, [this, task] { showTask(task); });
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
    problems_ = new ProblemLine;
    frameText_ = makeLabel({}, "second");
    frameText_->setToolTip(tr("How long the last frame took to render"));
    bar->addWidget(pictureText_);
    bar->addWidget(problems_, 1);
    proofText_ = makeLabel({}, "accent");
    proofText_->setToolTip(
        tr("Pictures are shown as this device would print or show them; View, Soft proof ends it"));
    bar->addPermanentWidget(proofText_); // before what is pressed: it comes and goes
    bar->addPermanentWidget(problems_->button());
    bar->addPermanentWidget(frameText_);
    bar->setContentsMargins(8, 0, 8, 0);
    connect(grade_, &GradePage::pictureText, pictureText_, &QLabel::setText);
    connect(grade_, &GradePage::pointerText, this, [this](const QString& text) {
        if (text.isEmpty() && messageTimer_.isActive()) return; // a message is still to be read
        messageTimer_.stop();
        problems_->pointerText()->setText(text);
    });
    // Told now and then and without moving its neighbours: a status bar laid out with every frame slows them all.
    frameText_->setFixedWidth(frameText_->fontMetrics().horizontalAdvance(tr("%1 ms").arg(9999)));
    frameText_->setAlignment(Qt::AlignRight | Qt::AlignVCenter);
    frameTimer_.setSingleShot(true);
    frameTimer_.setInterval(200);
    connect(&frameTimer_, &QTimer::timeout, this,
            [this] { frameText_->setText(tr("%1 ms").arg(std::lround(lastFrame_))); });
    connect(grade_, &GradePage::frameTime, this, [this](double ms) {
        lastFrame_ = ms;
        if (!frameTimer_.isActive()) frameTimer_.start();
    });
}

} // namespace baryton
