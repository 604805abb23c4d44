#include "app/welcome.h"
#include "app/settings.h"
#include "app/widgets/labels.h"
#include "base/file.h"

#include <QCoreApplication>
#include <QFileInfo>
#include <QHBoxLayout>
#include <QVBoxLayout>

namespace baryton {

namespace fs = std::filesystem;

WelcomePage::WelcomePage(QWidget* parent) : QWidget(parent), recent_(new QVBoxLayout) {
    setObjectName(QStringLiteral("well"));
    setAttribute(Qt::WA_StyledBackground);
    auto* outer = new QHBoxLayout(this);
    outer->addStretch(1);
    auto* column = new QVBoxLayout;
    column->setSpacing(10);
    outer->addLayout(column);
    outer->addStretch(1);
    column->addStretch(2);
    auto* mark = new QLabel;
    mark->setPixmap(QIcon(QStringLiteral(":/icons/baryton.svg")).pixmap(72, 72));
    column->addWidget(mark);
    column->addWidget(makeLabel(tr("A colour style made on one picture, kept, and put on whole sets"), "heading"));
    column->addSpacing(8);
    auto* row = new QHBoxLayout;
    auto* folder = makeButton(tr("Open folder…"), "primary");
    auto* pictures = makeButton(tr("Open pictures…"), "");
    row->addWidget(folder);
    row->addWidget(pictures);
    if (const fs::path demo = demoFolder(); !demo.empty()) {
        auto* demoSet = makeButton(tr("The demo set"), "");
        demoSet->setToolTip(tr("A copy of it: twelve pictures of a travelling marionette theatre"));
        row->addWidget(demoSet);
        connect(demoSet, &QPushButton::clicked, this, [this, demo] {
            // On a copy: grades are kept beside pictures.
            const fs::path copy = userDataFolder() / "demo" / "The Tin Heron Company";
            std::error_code failed;
            fs::create_directories(copy, failed);
            fs::copy(demo, copy, fs::copy_options::skip_existing | fs::copy_options::recursive, failed);
            Q_EMIT pathWanted(QString::fromStdString((failed ? demo : copy).string()));
        });
    }
    row->addStretch(1);
    column->addLayout(row);
    column->addWidget(makeLabel(tr("Or drop a folder, pictures, presets or LUTs anywhere on the window."), "second"));
    column->addSpacing(12);
    column->addWidget(makeLabel(tr("OPENED LATELY"), "section"));
    recent_->setSpacing(2);
    column->addLayout(recent_);
    column->addStretch(3);
    connect(folder, &QPushButton::clicked, this, &WelcomePage::folderWanted);
    connect(pictures, &QPushButton::clicked, this, &WelcomePage::picturesWanted);
}

void WelcomePage::showEvent(QShowEvent*) {
    fill();
}

void WelcomePage::fill() {
    while (QLayoutItem* item = recent_->takeAt(0)) {
        delete item->widget();
        delete item;
    }
    for (const QString& path : recentSets()) {
        if (!QFileInfo::exists(path)) continue;
        auto* button = makeButton(QFileInfo(path).fileName(), "flat");
        button->setToolTip(path);
        button->setStyleSheet(QStringLiteral("text-align: left;"));
        recent_->addWidget(button);
        connect(button, &QPushButton::clicked, this, [this, path] { Q_EMIT pathWanted(path); });
    }
    if (recent_->count() == 0) recent_->addWidget(makeLabel(tr("Nothing yet"), "second"));
}

namespace {

/// A folder that comes with the program: where it is installed, or in the source tree.
fs::path shippedFolder(const char* installed, const char* inSource) {
    const fs::path program = QCoreApplication::applicationDirPath().toStdString();
    for (const fs::path& place : {program / "../share/baryton" / installed, program / "../.." / inSource}) {
        std::error_code ignored;
        if (fs::is_directory(place, ignored)) return fs::weakly_canonical(place, ignored);
    }
    return {};
}

} // namespace

fs::path demoFolder() {
    return shippedFolder("demo/pictures", "demo/pictures");
}

fs::path givenPresetsFolder() {
    return shippedFolder("presets", "share/presets");
}

} // namespace baryton
