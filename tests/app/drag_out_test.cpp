// Files dragged out of the window: other programs get them, to open or to copy.
#include "app/batch/batch_page.h"
#include "app/grade/shelf_model.h"
#include "app/screen_helpers.h"

#include <QDrag>
#include <QDropEvent>
#include <QMimeData>
#include <QTableWidget>
#include <QTimer>

namespace baryton::test {

namespace {

/// A window of another program: it takes files.
class Receiver : public QWidget {
public:
    Receiver() {
        setAcceptDrops(true);
        setGeometry(0, 0, 200, 200);
    }
    QStringList names;
    Qt::DropActions offered;

protected:
    void dragEnterEvent(QDragEnterEvent* event) override { event->acceptProposedAction(); }
    void dropEvent(QDropEvent* event) override {
        offered = event->possibleActions();
        for (const QUrl& url : event->mimeData()->urls()) names.append(QFileInfo(url.toLocalFile()).fileName());
        event->acceptProposedAction();
    }
};

/// Drags from a place of a list onto another window.
void dragOut(QWidget* from, QPoint at, Receiver& to) {
    to.show();
    to.raise();
    const QPoint far = at + QPoint(QApplication::startDragDistance() + 8, 4);
    // The drag has a loop of its own, in which the hand goes on.
    QTimer::singleShot(200, from, [from, far, &to] {
        QWindow* window = from->window()->windowHandle();
        const QPoint there = window->mapFromGlobal(to.mapToGlobal(QPoint(100, 100)));
        QTest::mouseMove(window, from->mapTo(from->window(), far) + QPoint(9, 9));
        QTest::mouseMove(window, there);
        QTest::mouseRelease(window, Qt::LeftButton, {}, there);
    });
    QTest::mousePress(from, Qt::LeftButton, {}, at);
    for (const QPoint place : {at + QPoint(2, 1), far}) {
        QMouseEvent move(QEvent::MouseMove, place, from->mapToGlobal(place), Qt::NoButton, Qt::LeftButton, {});
        QApplication::sendEvent(from, &move);
    }
    QTest::qWait(400);
    QTest::mouseRelease(from, Qt::LeftButton, {}, far);
    to.hide();
}

QPoint middleOf(const QAbstractItemView* view, int row, int column = 0) {
    return view->visualRect(view->model()->index(row, column)).center();
}

} // namespace

TEST(DragOut, PicturesPresetsAndFinishedFilesGoToOtherPrograms) {
    Driver d({"lake-fog.jpg", "red-curtain.jpg", "snow-yard.jpg"});
    d.start();
    QListView* tray = d.window().gradePage()->tray();
    Receiver one;
    dragOut(tray->viewport(), middleOf(tray, 1), one);
    EXPECT_EQ(one.names, QStringList{tr8("red-curtain.jpg")});
    EXPECT_EQ(one.offered, Qt::CopyAction) << "nothing may be moved away from here";
    // All that are chosen go together.
    d.state().setKey(0);
    chooseWith(tray, 2, Qt::ControlModifier);
    ASSERT_EQ(d.state().selection().size(), 2U);
    Receiver two;
    dragOut(tray->viewport(), middleOf(tray, 2), two);
    two.names.sort();
    EXPECT_EQ(two.names, (QStringList{tr8("lake-fog.jpg"), tr8("snow-yard.jpg")}));
    EXPECT_EQ(d.state().selection().size(), 2U);
    EXPECT_EQ(d.state().pictures().size(), 3);
    // Presets, from the shelf and from Package; a heading is no file.
    d.key("Ctrl+L");
    auto* shelf = d.named<QListView>(d.window().gradePage()->shelf(), tr8("Presets"));
    const int row = Driver::presetRow(shelf, 0);
    ASSERT_GE(row, 0);
    Receiver preset;
    dragOut(shelf->viewport(), middleOf(shelf, row), preset);
    ASSERT_EQ(preset.names.size(), 1);
    EXPECT_TRUE(preset.names[0].endsWith(tr8(".bpreset")));
    EXPECT_FALSE(shelf->model()->flags(shelf->model()->index(0, 0)) & Qt::ItemIsDragEnabled) << "a heading";
    d.click(d.button(&d.window(), tr8("Package")));
    d.settle();
    QListView* tiles = d.window().packagePage()->tiles();
    Receiver tile;
    dragOut(tiles->viewport(), middleOf(tiles, 0), tile);
    ASSERT_EQ(tile.names.size(), 1);
    EXPECT_TRUE(tile.names[0].endsWith(tr8(".bpreset")));
    // In Batch the picture, and once it is made what was made of it.
    d.click(d.button(&d.window(), tr8("Batch")));
    BatchPage* batch = d.window().batchPage();
    batch->showView(BatchPage::View::Files);
    auto* table = d.named<QTableWidget>(batch, tr8("Files to make"));
    Receiver before;
    dragOut(table->viewport(), middleOf(table, 1, 1), before);
    EXPECT_EQ(before.names, QStringList{tr8("red-curtain.jpg")});
    d.type(d.named<QLineEdit>(batch, tr8("Output folder")), QString::fromStdString((d.root() / "out").string()),
           true);
    d.click(batch->startButton());
    ASSERT_TRUE(Driver::waitFor([&] { return !batch->isRunning(); }, 60));
    Receiver after;
    dragOut(table->viewport(), middleOf(table, 1, 3), after);
    ASSERT_EQ(after.names.size(), 1);
    EXPECT_TRUE(std::filesystem::exists(d.root() / "out" / after.names[0].toStdString()))
        << after.names[0].toStdString();
}

TEST(DragOut, WhatComesFromTheWindowIsNotOpenedByItAgain) {
    Driver d({"lake-fog.jpg", "snow-yard.jpg"});
    d.start();
    QListView* tray = d.window().gradePage()->tray();
    const QMimeData* data = tray->model()->mimeData({tray->model()->index(1, 0)});
    const std::unique_ptr<const QMimeData> owner(data);
    QDragEnterEvent foreign(QPoint(100, 100), Qt::CopyAction, data, Qt::LeftButton, {});
    foreign.ignore();
    QApplication::sendEvent(&d.window(), &foreign);
    EXPECT_TRUE(foreign.isAccepted());
    // A slip of the hand over the tray would leave one picture of the set.
    QTimer::singleShot(200, tray, [&] {
        QWindow* window = d.window().windowHandle();
        const QPoint there = d.window().gradePage()->view()->mapTo(&d.window(), QPoint(200, 200));
        QTest::mouseMove(window, there - QPoint(9, 9));
        QTest::mouseMove(window, there);
        QTest::mouseRelease(window, Qt::LeftButton, {}, there);
    });
    auto* drag = new QDrag(tray);
    drag->setMimeData(tray->model()->mimeData({tray->model()->index(1, 0)}));
    drag->exec(Qt::CopyAction);
    QTest::qWait(100);
    EXPECT_EQ(d.state().pictures().size(), 2);
}

} // namespace baryton::test
