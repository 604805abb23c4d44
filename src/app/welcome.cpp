#include "app/welcome.h"
#include "app/behind.h"
#include "app/render_image.h"
#include "app/settings.h"
#include "app/shipped.h"
#include "app/theme/theme.h"
#include "app/widgets/labels.h"
#include "base/file.h"
#include "package/grade_store.h"
#include "picture/small_picture.h"
#include "render/view.h"
#include "stages/source.h"

#include <QFileInfo>
#include <QHBoxLayout>
#include <QPainter>
#include <QPointer>
#include <QScrollArea>
#include <QVBoxLayout>

namespace baryton {

namespace fs = std::filesystem;

namespace {

constexpr QSize kTaskPicture(272, 153), kSetPicture(200, 134);
constexpr int kWidth = 3 * 272 + 2 * 16, kMostSets = 4;

/// Of the demo set: it is graded, has a preset in force, and two takes.
constexpr const char* kFirstOfDemo = "lantern-alley.jpg";

fs::path demoFolder() {
    return shippedFolder("demo/pictures", "demo/pictures");
}

/// The picture that was last in hand, or the first one, as its grade makes it; empty where none can be read.
QImage pictureOf(const fs::path& set, const fs::path& inHand) {
    try {
        std::error_code ignored;
        fs::path file = fs::exists(inHand, ignored) ? inHand : set;
        if (fs::is_directory(file, ignored)) file = picturesInFolder(file).front();
        const auto work = loadWork(file);
        const Grade grade = work ? work->grade : Grade();
        const SmallPicture small = SmallStore().read(file, rawOf(grade));
        return imageOf(grade, inPlace(small.picture, geometryOf(grade, small.shot)));
    } catch (const std::exception&) { // that it can't be read, or shown, is told when it is opened
        return {};
    }
}

} // namespace

PictureCard::PictureCard(const QString& title, const QString& line, QSize picture, QWidget* parent)
    : QAbstractButton(parent), line_(line), room_(picture) {
    setText(title);
    setAccessibleName(title);
    setAccessibleDescription(line);
    setFocusPolicy(Qt::StrongFocus);
    setAttribute(Qt::WA_Hover);
    setCursor(Qt::PointingHandCursor);
    setSizePolicy(QSizePolicy::Fixed, QSizePolicy::Fixed);
}

void PictureCard::setPicture(const QImage& picture) {
    if (picture.isNull()) return;
    const double ratio = devicePixelRatioF();
    const QSize pixels = room_ * ratio;
    picture_ = picture.scaled(pixels, Qt::KeepAspectRatioByExpanding, Qt::SmoothTransformation);
    picture_ = picture_.copy((picture_.width() - pixels.width()) / 2, (picture_.height() - pixels.height()) / 2,
                             pixels.width(), pixels.height());
    picture_.setDevicePixelRatio(ratio);
    update();
}

QSize PictureCard::sizeHint() const {
    const int lines = line_.isEmpty() ? 1 : 2;
    return {room_.width(), room_.height() + 10 + lines * fontMetrics().height() + 8};
}

bool PictureCard::event(QEvent* event) {
    if (event->type() == QEvent::HoverEnter || event->type() == QEvent::HoverLeave) update();
    return QAbstractButton::event(event);
}

void PictureCard::paintEvent(QPaintEvent*) {
    QPainter p(this);
    const auto& colours = theme::colours();
    p.fillRect(rect(), underMouse() ? colours.raised : colours.panel);
    const QRect place(QPoint(0, 0), room_);
    p.fillRect(place, colours.well);
    if (!picture_.isNull()) p.drawImage(place.topLeft(), picture_);
    const int left = 10, wide = width() - 2 * left, high = fontMetrics().height();
    QFont heading = font();
    heading.setWeight(QFont::DemiBold);
    p.setPen(colours.text);
    p.setFont(line_.isEmpty() ? font() : heading);
    const QRect title(left, room_.height() + 8, wide, high);
    p.drawText(title, Qt::AlignLeft, p.fontMetrics().elidedText(text(), Qt::ElideMiddle, wide));
    p.setFont(font());
    p.setPen(colours.second);
    p.drawText(title.translated(0, high + 2), Qt::AlignLeft, line_);
    if (hasFocus()) {
        p.setPen(colours.accent);
        p.drawRect(rect().adjusted(0, 0, -1, -1));
    }
}

WelcomePage::WelcomePage(QWidget* parent) : QWidget(parent), recent_(new QHBoxLayout) {
    setObjectName(QStringLiteral("well"));
    setAttribute(Qt::WA_StyledBackground);
    pool_.setMaxThreadCount(1);
    // A low window scrolls it.
    auto* scroll = new QScrollArea;
    scroll->setFrameShape(QFrame::NoFrame);
    scroll->setWidgetResizable(true);
    scroll->setObjectName(QStringLiteral("well"));
    auto* page = new QWidget;
    page->setObjectName(QStringLiteral("well"));
    scroll->setWidget(page);
    auto* whole = new QVBoxLayout(this);
    whole->setContentsMargins(0, 0, 0, 0);
    whole->addWidget(scroll);
    auto* outer = new QHBoxLayout(page);
    outer->addStretch(1);
    auto* middle = new QWidget;
    middle->setFixedWidth(kWidth);
    auto* column = new QVBoxLayout(middle);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(10);
    outer->addWidget(middle);
    outer->addStretch(1);
    column->addStretch(2);
    auto* head = new QHBoxLayout;
    head->setSpacing(14);
    auto* mark = new QLabel;
    mark->setPixmap(QIcon(QStringLiteral(":/icons/baryton.svg")).pixmap(44, 44));
    head->addWidget(mark);
    head->addWidget(makeLabel(tr("A colour style made on one picture, kept, and put on whole sets"), "heading"), 1);
    column->addLayout(head);
    column->addSpacing(6);
    column->addLayout(makeTasks());
    column->addSpacing(10);
    column->addLayout(makeButtons());
    column->addWidget(makeLabel(tr("Or drop a folder, pictures, presets or LUTs anywhere on the window."), "second"));
    column->addSpacing(14);
    column->addWidget(makeLabel(tr("OPENED LATELY"), "section"));
    recent_->setSpacing(16);
    column->addLayout(recent_);
    column->addStretch(3);
}

WelcomePage::~WelcomePage() {
    pool_.clear();
    waitFor(pool_);
}

QBoxLayout* WelcomePage::makeTasks() {
    auto* row = new QHBoxLayout;
    row->setSpacing(16);
    const std::tuple<QString, QString, const char*> tasks[] = {
        {tr("Grade"), tr("What should this look like?"), "grade"},
        {tr("Package"), tr("How do I keep it?"), "package"},
        {tr("Batch"), tr("How does the whole set get it?"), "batch"},
    };
    for (const auto& [title, line, name] : tasks) {
        auto* card = new PictureCard(title, line, kTaskPicture);
        card->setPicture(QImage(QStringLiteral(":/welcome/%1.jpg").arg(QString::fromLatin1(name))));
        card->setToolTip(tr("Opens its page of the guide"));
        row->addWidget(card);
        connect(card, &QAbstractButton::clicked, this,
                [this, page = QStringLiteral("guide/") + QString::fromLatin1(name)] { Q_EMIT guideWanted(page); });
    }
    return row;
}

QBoxLayout* WelcomePage::makeButtons() {
    auto* row = new QHBoxLayout;
    open_ = makeButton(tr("Open folder…"), "primary");
    auto* pictures = makeButton(tr("Open pictures…"), "");
    row->addWidget(open_);
    row->addWidget(pictures);
    connect(open_, &QPushButton::clicked, this, &WelcomePage::folderWanted);
    connect(pictures, &QPushButton::clicked, this, &WelcomePage::picturesWanted);
    if (!demoFolder().empty()) {
        auto* demoSet = makeButton(tr("The demo set"), "");
        demoSet->setToolTip(tr("A copy of it: pictures of a travelling marionette theatre, some of them graded"));
        row->addWidget(demoSet);
        connect(demoSet, &QPushButton::clicked, this,
                [this] { Q_EMIT pathWanted(QString::fromStdString(openDemoSet().string())); });
    }
    row->addStretch(1);
    return row;
}

void WelcomePage::showEvent(QShowEvent*) {
    fill();
    open_->setFocus();
}

void WelcomePage::hideEvent(QHideEvent*) {
    pool_.clear(); // nobody looks any more, and what was opened wants to be read
}

void WelcomePage::fill() {
    while (QLayoutItem* item = recent_->takeAt(0)) {
        delete item->widget();
        delete item;
    }
    for (const QString& path : recentSets()) {
        if (!QFileInfo::exists(path)) continue;
        if (recent_->count() == kMostSets) break;
        auto* card = new PictureCard(QFileInfo(path).fileName(), {}, kSetPicture);
        card->setToolTip(path);
        recent_->addWidget(card);
        connect(card, &QAbstractButton::clicked, this, [this, path] { Q_EMIT pathWanted(path); });
        runBehind(pool_, [card = QPointer(card), set = fs::path(path.toStdString()),
                          inHand = fs::path(lastInHand(path).toStdString())] {
            const QImage image = pictureOf(set, inHand);
            tellWindow(qApp, [card, image] {
                if (card) card->setPicture(image);
            });
        });
    }
    if (recent_->count() == 0)
        recent_->addWidget(makeLabel(tr("Nothing yet: what you open stands here the next time"), "second"));
    recent_->addStretch(1);
}

fs::path openDemoSet() {
    const fs::path demo = demoFolder();
    if (demo.empty()) return {};
    // On a copy: grades are kept beside pictures.
    const fs::path copy = userDataFolder() / "demo" / "The Tin Heron Company";
    constexpr auto how = fs::copy_options::skip_existing | fs::copy_options::recursive;
    std::error_code failed, ignored;
    fs::create_directories(copy, failed);
    const bool isNew = fs::is_empty(copy, ignored);
    fs::copy(demo, copy, how, failed);
    // Once: a grade that was taken off is not to come back.
    if (const fs::path grades = shippedFolder("demo/grades", "demo/grades"); isNew && !grades.empty())
        fs::copy(grades, copy, how, ignored), rememberInHand(QString::fromStdString(copy.string()),
                                                             QString::fromStdString((copy / kFirstOfDemo).string()));
    if (const fs::path overlays = shippedFolder("demo/overlays", "demo/overlays"); !overlays.empty())
        fs::copy(overlays, copy / "overlays", how, ignored);
    return failed ? demo : copy;
}

fs::path givenPresetsFolder() {
    return shippedFolder("presets", "share/presets");
}

} // namespace baryton
