#include "app/driver.h"
#include "app/grade/add_stage_list.h"
#include "app/keys.h"
#include "picture/picture_file.h"
#include "render/program.h"
#include "survey/match.h"

#include <QApplication>
#include <QComboBox>
#include <QDialog>
#include <QDropEvent>
#include <QElapsedTimer>
#include <QMimeData>
#include <QPointer>
#include <QSettings>
#include <QTest>

namespace baryton {

namespace fs = std::filesystem;

Driver::Driver(const std::vector<std::string>& names) {
    const fs::path demo = fs::path(BARYTON_SOURCE) / "demo";
    fs::create_directories(folder());
    for (const auto& entry : fs::directory_iterator(demo / "pictures")) {
        const std::string name = entry.path().filename().string();
        const bool wanted = names.empty() ? entry.path().extension() == ".jpg"
                                          : std::find(names.begin(), names.end(), name) != names.end();
        if (wanted) fs::copy_file(entry.path(), folder() / name);
    }
    fs::create_directories(libraryRoot());
    fs::copy(demo / "presets", libraryRoot() / "Tin Heron", fs::copy_options::recursive);
    qputenv("XDG_DATA_HOME", (root() / "data").c_str());
    qputenv("XDG_CACHE_HOME", (root() / "cache").c_str());
    QSettings::setPath(QSettings::IniFormat, QSettings::UserScope,
                       QString::fromStdString((root() / "config").string()));
}

void Driver::start() {
    window_ = std::make_unique<MainWindow>(libraryRoot());
    window_->resize(1280, 800);
    window_->show();
    window_->activateWindow();
    if (!QTest::qWaitForWindowActive(window_.get())) qFatal("the window did not become active");
    window_->openPaths({folder()});
    settle();
}

bool Driver::waitFor(const std::function<bool()>& condition, double seconds) {
    return QTest::qWaitFor(condition, static_cast<int>(seconds * 1000));
}

void Driver::settle() {
    const auto ready = [this] {
        for (int i = 0; i < state().pictures().size(); ++i) {
            const OpenPicture& picture = state().pictures().at(i);
            if (picture.thumbnail.isNull() && picture.error.isEmpty()) return false;
        }
        return !window().gradePage()->isVisible() || !window().gradePage()->view()->shownAfter().isNull() ||
               !state().pictures().at(state().key()).error.isEmpty();
    };
    if (!waitFor(ready)) qFatal("the window does not come to rest");
    QTest::qWait(150); // what is asked for after a moment has been asked for
    if (!waitFor([this] { return window().gradePage()->preview().isAtRest(); }))
        qFatal("the viewer does not come to rest");
    QTest::qWait(10); // what it sent has come
}

QMenu* Driver::menuNamed(const QString& name) {
    for (QMenu* menu : window().findChildren<QMenu*>())
        if (menu->title() == name) return menu;
    qFatal("there is no menu %s", qPrintable(name));
}

void Driver::menu(const QString& menuName, const QString& entry) {
    QMenu* menu = menuNamed(menuName);
    for (QAction* action : menu->actions())
        if (action->text().section(u'\t', 0, 0) == entry) {
            auto* bar = window().findChild<QMenuBar*>();
            QTest::mouseClick(bar, Qt::LeftButton, {}, bar->actionGeometry(menu->menuAction()).center());
            QTest::mouseClick(menu, Qt::LeftButton, {}, menu->actionGeometry(action).center());
            actions_ += 2;
            QTest::qWait(30);
            // Without a window manager nobody gives the focus back when a menu closes.
            if (!sheetIfAny()) QApplication::setActiveWindow(&window());
            return;
        }
    qFatal("there is no %s in the menu %s", qPrintable(entry), qPrintable(menuName));
}

bool Driver::editEntry(int place) {
    const auto* edit = menuNamed(keyText("Edit"));
    const QAction* action = edit->actions().at(place);
    if (!action->isEnabled()) return false;
    menu(keyText("Edit"), action->text().section(u'\t', 0, 0));
    return true;
}

bool Driver::isTold(const char* words) {
    const auto labels = window().findChildren<QLabel*>();
    return std::any_of(labels.begin(), labels.end(), [&](const QLabel* label) {
        return label->isVisible() && label->text().contains(QString::fromUtf8(words));
    });
}

int Driver::rowOf(const QAbstractItemView* view, const QString& name) {
    for (int row = 0; row < view->model()->rowCount(); ++row)
        if (view->model()->index(row, 0).data().toString() == name) return row;
    qFatal("no row %s", qPrintable(name));
}

void Driver::addShot(const std::string& from, const std::string& name, double stops, double kelvin) {
    constexpr int longSide = 700;
    const Picture picture = Program::compile(withPrepLight(startingGrade(), {stops, kelvin, 0}))
                                .graded(readThumbnail(folder() / from, longSide));
    QuantisedPicture quantised(picture.width(), picture.height(), 3, 8);
    for (int y = 0; y < picture.height(); ++y)
        quantised.setRow(y, 0, picture.width(), picture.row(0, y), picture.row(1, y), picture.row(2, y), nullptr);
    writePicture(folder() / name, quantised, {}, {FileFormat::Jpeg, 8, 95});
}

void Driver::chooseFormat(const QString& format, int bits) {
    QWidget* page = window().batchPage()->output();
    auto* combo = named<QComboBox>(page, QStringLiteral("Format"));
    combo->setCurrentText(format);
    Q_EMIT combo->activated(combo->currentIndex());
    QPushButton* depth = button(page, bits == 32 ? QStringLiteral("float") : QString::number(bits));
    if (depth->isEnabled()) click(depth);
}

void Driver::chooseLook(const QString& name) {
    LookPicker* looks = window().batchPage()->looks();
    type(looks->search(), name);
    chooseRow(looks->list(), rowOf(looks->list(), name));
    looks->search()->clear();
}

int Driver::presetRow(const QListView* shelf, int n) {
    for (int row = 0; row < shelf->model()->rowCount(); ++row)
        if (!shelf->model()->index(row, 0).data(ShelfModel::IsOpenRole).isValid() && n-- == 0) return row;
    return -1;
}

int Driver::presetsOn(const QListView* shelf) {
    int presets = 0;
    while (presetRow(shelf, presets) >= 0) ++presets;
    return presets;
}

QPointF Driver::onPicture(QPointF share) {
    const PictureView* view = window().gradePage()->view();
    return view->fromPicture({share.x() * view->pictureSize().width(), share.y() * view->pictureSize().height()});
}

void Driver::click(QWidget* widget, QPointF at) {
    ++actions_;
    QTest::mouseClick(widget, Qt::LeftButton, {}, at.x() < 0 ? widget->rect().center() : at.toPoint());
    QTest::qWait(20);
}

void Driver::drop(QWidget* widget, const std::vector<std::filesystem::path>& files) {
    ++actions_;
    QMimeData data;
    QList<QUrl> urls;
    for (const auto& file : files) urls.append(QUrl::fromLocalFile(QString::fromStdString(file.string())));
    data.setUrls(urls);
    QDragEnterEvent enter({20, 20}, Qt::CopyAction, &data, Qt::LeftButton, Qt::NoModifier);
    QApplication::sendEvent(widget, &enter);
    if (!enter.isAccepted()) qFatal("nothing takes what is dropped");
    QDropEvent drop({20, 20}, Qt::CopyAction, &data, Qt::LeftButton, Qt::NoModifier);
    QApplication::sendEvent(widget, &drop);
    QTest::qWait(50);
}

void Driver::drag(QWidget* widget, QPointF from, QPointF to, Qt::KeyboardModifiers modifiers) {
    QVector<QPointF> through;
    constexpr int steps = 8;
    for (int i = 0; i <= steps; ++i) through.append(from + (to - from) * i / steps);
    draw(widget, through, modifiers);
}

void Driver::draw(QWidget* widget, const QVector<QPointF>& through, Qt::KeyboardModifiers modifiers) {
    ++actions_;
    const QPointer<QWidget> there = widget; // a press may close what it was on
    QTest::mousePress(widget, Qt::LeftButton, modifiers, through.front().toPoint());
    for (qsizetype i = 1; i < through.size() && there; ++i) {
        const QPoint at = through[i].toPoint();
        QMouseEvent move(QEvent::MouseMove, at, widget->mapToGlobal(at), Qt::LeftButton, Qt::LeftButton, modifiers);
        QApplication::sendEvent(widget, &move);
        QTest::qWait(5);
    }
    if (there) QTest::mouseRelease(widget, Qt::LeftButton, modifiers, through.back().toPoint());
    QTest::qWait(20);
}

void Driver::type(QWidget* widget, const QString& text, bool enter) {
    ++actions_;
    widget->setFocus();
    QTest::keyClick(widget, Qt::Key_A, Qt::ControlModifier);
    QTest::keyClicks(widget, text);
    if (enter) QTest::keyClick(widget, Qt::Key_Return);
    QTest::qWait(20);
}

QPushButton* Driver::button(QWidget* parent, const QString& text) {
    for (auto* each : parent->findChildren<QPushButton*>())
        if (each->text() == text && each->isVisible()) return each;
    qFatal("no button \"%s\" is in sight", qPrintable(text));
}

QDialog* Driver::sheetIfAny() {
    QDialog* found = nullptr;
    for (auto* each : window().findChildren<QDialog*>())
        if (each->isVisible()) found = each;
    return found;
}

QDialog* Driver::sheet() {
    if (!waitFor([&] { return sheetIfAny() != nullptr; })) qFatal("no sheet opened");
    return sheetIfAny();
}

void Driver::addStage(const QString& name) {
    const auto open = [] { return qobject_cast<AddStageList*>(QApplication::activePopupWidget()); };
    // A compositor may close at once what is opened while it is busy: a hand presses again.
    for (int tries = 0; tries < 3 && !open(); ++tries) {
        click(named<QPushButton>(window().gradePage(), ChainView::tr("Add a stage")));
        waitFor([&] { return open() != nullptr; }, 5);
    }
    auto* list = open();
    if (!list) qFatal("the list of stages did not open");
    ++actions_;
    for (const QChar letter : name) // keyClicks knows ASCII only
        QTest::sendKeyEvent(QTest::Click, list->search(), Qt::Key_unknown, QString(letter), Qt::NoModifier);
    QTest::keyClick(list->search(), Qt::Key_Return);
    QTest::qWait(30);
    QApplication::setActiveWindow(window_.get());
}

void Driver::chooseStage(const std::string& type) {
    for (const auto& place : stagePlaces(state().keyGrade()))
        if (const Stage& stage = stageAt(state().keyGrade(), place); stage.type == type) {
            StageCard* card = window().gradePage()->chain()->card(stage.id);
            click(card, {40, 55});
            return;
        }
    qFatal("the chain has no %s", type.c_str());
}

void Driver::chooseRow(QAbstractItemView* view, int row) {
    ++actions_;
    const QModelIndex index = view->model()->index(row, 0);
    view->scrollTo(index);
    QTest::mouseClick(view->viewport(), Qt::LeftButton, {}, view->visualRect(index).center());
    QTest::qWait(20);
}

void Driver::key(const char* sequence) {
    ++actions_;
    const QKeySequence keys(QString::fromLatin1(sequence));
    if (!sheetIfAny()) QApplication::setActiveWindow(&window());
    window().gradePage()->view()->setFocus();
    QTest::keySequence(&window(), keys);
    QTest::qWait(30);
}

} // namespace baryton
