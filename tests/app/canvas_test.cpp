// The widgets that are drawn: places, mouse, keyboard, bounds.
#include "app/driver.h"
#include "app/grade/samples.h"
#include "app/grade/stage_commands.h"
#include "app/grade/tray_panel.h"
#include "app/theme/theme.h"
#include "app/welcome.h"
#include "app/widgets/handle_bar.h"
#include "app/widgets/hue_lanes.h"
#include "app/widgets/limits_strip.h"
#include "app/widgets/picture_view.h"
#include "app/widgets/scope_view.h"
#include "app/widgets/scrub_cell.h"
#include "app/widgets/triangle_view.h"

#include <QSignalSpy>
#include <gtest/gtest.h>

namespace baryton::test {

namespace {

void drag(QWidget& widget, QPointF from, QPointF to, Qt::KeyboardModifiers modifiers = Qt::NoModifier) {
    const auto send = [&](QEvent::Type type, QPointF at) {
        QMouseEvent event(type, at, widget.mapToGlobal(at), Qt::LeftButton,
                          type == QEvent::MouseButtonRelease ? Qt::NoButton : Qt::LeftButton, modifiers);
        QApplication::sendEvent(&widget, &event);
    };
    send(QEvent::MouseButtonPress, from);
    for (int i = 1; i <= 10; ++i) send(QEvent::MouseMove, from + (to - from) * i / 10);
    send(QEvent::MouseButtonRelease, to);
}

QVector<QColor> greys() {
    return QVector<QColor>(180, QColor(0x80, 0x80, 0x80));
}

} // namespace

TEST(HueLanes, HandlesAndGripsAreDraggedAndHeld) {
    HueLanes lanes(greys());
    lanes.resize(300, 216);
    QVector<HueLanes::Band> bands;
    for (int i = 0; i < 12; ++i) bands.append({30.0 * i, 30, 30, {0, 0, 0}});
    lanes.setBands(bands);
    HueLanes::Band last;
    int lane = -2;
    QObject::connect(&lanes, &HueLanes::edited,
                     [&](int, int l, const HueLanes::Band& band, bool) { last = band, lane = l; });
    const QPointF at = lanes.handle(3, HueLanes::Saturation);
    drag(lanes, at, at - QPointF(0, 300));
    EXPECT_EQ(lanes.chosen(), 3);
    EXPECT_EQ(lane, HueLanes::Saturation);
    EXPECT_EQ(last.value[HueLanes::Saturation], 1) << "held at the end of the lane";
    // Shift is a tenth as quick.
    const QPointF now = lanes.handle(3, HueLanes::Lightness);
    drag(lanes, now, now - QPointF(0, 10));
    const double plain = last.value[HueLanes::Lightness];
    const QPointF next = lanes.handle(4, HueLanes::Lightness);
    drag(lanes, next, next - QPointF(0, 10), Qt::ShiftModifier);
    EXPECT_NEAR(last.value[HueLanes::Lightness], plain / 10, 0.02);
    // A press on the strip takes the band there and moves it sideways; the grip under it widens.
    drag(lanes, {lanes.handle(6, HueLanes::Shift).x(), 50}, {lanes.handle(6, HueLanes::Shift).x() + 24, 50});
    EXPECT_EQ(lane, -1);
    EXPECT_NEAR(last.centre, 180 + 24.0 / 288 * 360, 1.5);
    const double edge = lanes.handle(6, HueLanes::Shift).x() + 15.0 / 360 * 288;
    drag(lanes, {edge, 63}, {edge + 16, 63});
    EXPECT_NEAR(last.width, 30 + 2 * 16.0 / 288 * 360, 2);
    QTest::mouseDClick(&lanes, Qt::LeftButton, {}, lanes.handle(3, HueLanes::Saturation).toPoint());
    EXPECT_EQ(last.value[HueLanes::Saturation], 0);
}

TEST(ScrubCell, DragsFinelyWritesAndHolds) {
    ScrubCell cell(QStringLiteral("n"), -100, 100, 0);
    cell.resize(60, 26);
    cell.show();
    drag(cell, {30, 13}, {330, 13});
    EXPECT_EQ(cell.value(), 100);
    drag(cell, {30, 13}, {10, 13}, Qt::ShiftModifier);
    EXPECT_EQ(cell.value(), 98);
    cell.setFocus();
    QTest::keyClick(&cell, Qt::Key_Return);
    auto* field = cell.findChild<QLineEdit*>();
    ASSERT_NE(field, nullptr);
    QTest::keyClicks(field, QStringLiteral("7*6"));
    QTest::keyClick(field, Qt::Key_Return);
    EXPECT_EQ(cell.value(), 42);
    // Typing begins a number; what is out of range stays to be mended.
    QTest::keyClick(&cell, Qt::Key_9);
    field = cell.findChildren<QLineEdit*>().last(); // the one before goes with the next round of events
    EXPECT_EQ(field->text(), QStringLiteral("9"));
    QTest::keyClicks(field, QStringLiteral("99"));
    QTest::keyClick(field, Qt::Key_Return);
    EXPECT_EQ(cell.value(), 42);
    EXPECT_TRUE(field->property("wrong").toBool());
    QTest::keyClick(field, Qt::Key_Escape);
    QTest::keyClick(field, Qt::Key_Return);
    QTest::keyClick(&cell, Qt::Key_Home);
    EXPECT_EQ(cell.value(), 0);
    EXPECT_EQ(cell.accessibleName(), QStringLiteral("n"));
}

TEST(TriangleView, CornersKeepToTheirReach) {
    TriangleView view;
    view.resize(300, 260);
    TriangleView::Corner last;
    QObject::connect(&view, &TriangleView::edited, [&](int, const TriangleView::Corner& c, bool) { last = c; });
    const QPointF white = view.fromXy({0.3127, 0.3290}), green = view.cornerPoint(1);
    drag(view, green, green + (green - white) * 3);
    EXPECT_NEAR(last.reach, 0.4, 1e-9);
    drag(view, view.cornerPoint(1), white + QPointF(1, -1));
    EXPECT_NEAR(last.reach, -0.6, 1e-9);
    view.setFocus();
    QTest::keyClick(&view, Qt::Key_Home);
    EXPECT_EQ(last, TriangleView::Corner{});
    QTest::keyClick(&view, Qt::Key_Left);
    EXPECT_EQ(last.turn, 1);
    QTest::keyClick(&view, Qt::Key_PageDown);
    QTest::keyClick(&view, Qt::Key_Up, Qt::ShiftModifier);
    EXPECT_NEAR(last.reach, 0.1, 1e-9);
}

TEST(HandleBar, HandlesStayBetweenTheirNeighbours) {
    HandleBar bar(QStringLiteral("bar"));
    bar.resize(272, 76);
    bar.setHandles({{0.2, Qt::black, {}}, {0.5, Qt::gray, {}}, {0.8, Qt::white, {}}});
    double moved = -1;
    QObject::connect(&bar, &HandleBar::moved, [&](int, double at, bool) { moved = at; });
    drag(bar, bar.handlePoint(1), bar.handlePoint(1) + QPointF(500, 0));
    EXPECT_NEAR(moved, 0.8, 1e-9);
    drag(bar, bar.handlePoint(0), bar.handlePoint(0) - QPointF(500, 0));
    EXPECT_EQ(moved, 0);
    QSignalSpy adds(&bar, &HandleBar::addWanted), resets(&bar, &HandleBar::resetWanted);
    QTest::mouseDClick(&bar, Qt::LeftButton, {}, QPoint(100, 20));
    QTest::mouseDClick(&bar, Qt::LeftButton, {}, bar.handlePoint(2).toPoint());
    EXPECT_EQ(adds.size(), 1);
    EXPECT_EQ(resets.size(), 1);
}

TEST(LimitsStrip, BothRangesAreDraggedAndOpenedAgain) {
    LimitsStrip strip(greys());
    strip.resize(300, 62);
    LimitsStrip::Ranges last;
    QObject::connect(&strip, &LimitsStrip::edited, [&](const LimitsStrip::Ranges& r, bool) { last = r; });
    const double y = strip.tones().center().y(), w = strip.tones().width();
    drag(strip, {strip.tones().left(), y}, {strip.tones().left() + w / 4, y});
    EXPECT_NEAR(last.low, 0.25, 0.01);
    drag(strip, {strip.tones().right(), y}, {strip.tones().left() + w / 2, y});
    EXPECT_NEAR(last.high, 0.5, 0.01);
    drag(strip, {strip.tones().left() + w * 0.37, y}, {strip.tones().left() + w * 0.57, y});
    EXPECT_NEAR(last.low, 0.45, 0.015) << "between the ends both go along";
    EXPECT_NEAR(last.high, 0.7, 0.015);
    QTest::mouseDClick(&strip, Qt::LeftButton, {}, QPoint(150, int(y)));
    EXPECT_EQ(last.low, 0);
    EXPECT_EQ(last.high, 1);
}

TEST(ScopeView, PutsColoursWhereTheVectorscopeHasThem) {
    ScopeView scope(ScopeView::Kind::Vectorscope);
    scope.resize(200, 200);
    EXPECT_LT(QLineF(scope.placeOf({0.4F, 0.4F, 0.4F}), {100, 100}).length(), 0.01) << "grey lies in the middle";
    EXPECT_LT(scope.placeOf({1, 0, 0}).y(), 20) << "red is up";
    EXPECT_GT(scope.placeOf({0, 0, 1}).x(), 180) << "blue is right";
    for (int i = 1; i < 7; ++i)
        EXPECT_TRUE(
            scope.rect().contains(scope.placeOf({i & 1 ? 1.0F : 0, i & 2 ? 1.0F : 0, i & 4 ? 1.0F : 0}).toPoint()));
    Picture blue(16, 16);
    for (int y = 0; y < 16; ++y)
        for (int x = 0; x < 16; ++x) blue.row(2, y)[x] = 0.9F;
    scope.setTrace(traceOf(vectorscopeOf(blue, 64)));
    const QPoint where = scope.placeOf({0, 0, 0.9F}).toPoint();
    const QImage seen = scope.grab().toImage();
    int brightest = 0;
    for (int dx = -2; dx <= 2; ++dx)
        for (int dy = -2; dy <= 2; ++dy)
            brightest = std::max(brightest, seen.pixelColor(where + QPoint(dx, dy)).blue());
    EXPECT_GT(brightest, 100);
}

TEST(PictureView, BothPanesShowTheSamePlace) {
    PictureView view;
    view.resize(800, 400);
    view.show();
    view.setPictureSize({1000, 1000});
    view.setCompare(PictureView::Compare::Beside);
    const auto region = view.region();
    QImage after(region.width, region.height, QImage::Format_RGB32), before = after;
    after.fill(Qt::white), before.fill(Qt::black);
    view.setImages(after, before, region);
    const QPointF now = view.fromPicture({300, 700});
    EXPECT_GT(now.x(), 400) << "now is in the right pane";
    const QPointF then = now - QPointF(400, 0);
    const QPointF back = view.toPicture(then);
    EXPECT_NEAR(back.x(), 300, 1);
    EXPECT_NEAR(back.y(), 700, 1);
    const QImage seen = view.grab().toImage();
    EXPECT_EQ(seen.pixelColor(now.toPoint()), QColor(Qt::white));
    EXPECT_EQ(seen.pixelColor(then.toPoint()), QColor(Qt::black));
    view.setMarks({{{300, 700}, QStringLiteral("1")}});
    EXPECT_EQ(view.markAt(now), 0);
    EXPECT_EQ(view.markAt(now + QPointF(40, 0)), -1);
    // A reference keeps to its own pane.
    view.setReference(QImage(200, 100, QImage::Format_RGB32), QStringLiteral("r"));
    view.setCompare(PictureView::Compare::Reference);
    const auto middle = view.toReference({200, 200});
    ASSERT_TRUE(middle);
    EXPECT_NEAR(middle->x(), 0.5, 0.01);
    EXPECT_FALSE(view.toReference({600, 200}));
}

TEST(PictureView, ClipMarksTellTheChannels) {
    PictureView view;
    view.resize(300, 300);
    view.show();
    view.setPictureSize({100, 100});
    view.zoomTo(1);
    const auto region = view.region();
    QImage image(region.width, region.height, QImage::Format_RGB32);
    image.fill(QColor(255, 120, 90)); // red alone has run out
    view.setImages(image, {}, region);
    const QPoint at = view.fromPicture({50, 50}).toPoint();
    EXPECT_EQ(view.grab().toImage().pixelColor(at), QColor(255, 120, 90));
    view.setClipMarks(true, true);
    EXPECT_EQ(view.grab().toImage().pixelColor(at), QColor(255, 0, 0));
    image.fill(QColor(120, 0, 90));
    view.setImages(image, {}, region);
    EXPECT_EQ(view.grab().toImage().pixelColor(at), QColor(0, 150, 0)) << "green has run out below";
    view.setClipMarks(false, false);
    EXPECT_EQ(view.grab().toImage().pixelColor(at), QColor(120, 0, 90));
}

TEST(Samples, AreEightAtMostAndStayInThePicture) {
    Samples samples;
    for (int i = 0; i < Samples::kMost; ++i) EXPECT_TRUE(samples.add(2, {0.1 * i, 0.5}));
    EXPECT_FALSE(samples.add(2, {0.5, 0.5}));
    samples.move(2, 0, {-3, 7});
    EXPECT_EQ(samples.of(2)[0], QPointF(0, 1));
    samples.remove(2, 0);
    EXPECT_EQ(samples.of(2).size(), Samples::kMost - 1);
    EXPECT_TRUE(samples.of(3).isEmpty());
    samples.clear(2);
    EXPECT_TRUE(samples.of(2).isEmpty());
}

TEST(StageCommands, AloneAndWithout) {
    Grade grade = startingGrade();
    Layer second;
    second.id = "layer-2", second.name = "Second";
    second.stages.push_back(makeStage(grade, "primaries"));
    grade.look.push_back(second);
    const Grade alone = aloneIn(grade, "wheels-1");
    EXPECT_TRUE(alone.look[0].stages[1].isEnabled());
    EXPECT_FALSE(alone.look[0].stages[0].isEnabled());
    EXPECT_FALSE(alone.look[1].isEnabled());
    EXPECT_FALSE(alone.finish[0].isEnabled());
    EXPECT_EQ(alone.prep, grade.prep) << "Prep is no part of the style";
    const Grade layer = aloneIn(grade, "layer-2");
    EXPECT_TRUE(layer.look[1].isEnabled() && layer.look[1].stages[0].isEnabled());
    EXPECT_FALSE(layer.look[0].isEnabled());
    EXPECT_FALSE(without(grade, "wheels-1").look[0].stages[1].isEnabled());
    EXPECT_TRUE(canMergeDown(grade, "layer-2"));
    grade.look[1].blend = "multiply";
    EXPECT_FALSE(canMergeDown(grade, "layer-2"));
    EXPECT_FALSE(canMergeDown(grade, grade.look[0].id)) << "nothing lies below the first";
}

TEST(Tray, SortsFiltersAndGrows) {
    Driver d({"lake-fog.jpg", "meadow-cart.jpg", "snow-yard.jpg"});
    d.start();
    QListView* list = d.window().gradePage()->tray();
    d.chooseRow(list, 2);
    d.chooseStage("exposure");
    d.type(d.named<NumberField>(d.window().gradePage()->editorPanel(), QStringLiteral("Stops")), QStringLiteral("1"),
           true);
    auto* more = d.named<QPushButton>(d.window().gradePage(), QStringLiteral("Order and size of the tray"));
    const auto pick = [&](const QString& text) {
        d.click(more);
        auto* menu = qobject_cast<QMenu*>(QApplication::activePopupWidget());
        ASSERT_NE(menu, nullptr);
        for (QAction* action : menu->actions())
            if (action->text() == text)
                QTest::mouseClick(menu, Qt::LeftButton, {}, menu->actionGeometry(action).center());
        QTest::qWait(20);
        QApplication::setActiveWindow(&d.window());
    };
    pick(QStringLiteral("Graded first"));
    EXPECT_EQ(list->model()->index(0, 0).data().toString(), QStringLiteral("snow-yard.jpg"));
    EXPECT_EQ(list->currentIndex().row(), 0) << "the key picture stays the key picture";
    d.chooseRow(list, 1);
    EXPECT_EQ(d.state().pictures().at(d.state().key()).file.filename(), "lake-fog.jpg")
        << "rows are not places of the set";
    pick(QStringLiteral("Not yet graded"));
    EXPECT_EQ(list->model()->rowCount(), 2);
    // The first edit makes it a graded one: it stays where one works until one goes on to another.
    const int worked = d.state().key();
    d.type(d.named<NumberField>(d.window().gradePage()->editorPanel(), QStringLiteral("Stops")), QStringLiteral("1"),
           true);
    QTest::qWait(20);
    EXPECT_EQ(d.state().key(), worked);
    EXPECT_EQ(list->model()->rowCount(), 2);
    d.key("Ctrl+Down");
    EXPECT_EQ(list->model()->rowCount(), 1);
    pick(QStringLiteral("All pictures"));
    const int width = list->width();
    pick(QStringLiteral("Large thumbnails"));
    EXPECT_GT(list->width(), width + 80);
}

TEST(Welcome, StandsThereUntilSomethingIsOpen) {
    Driver d({"lake-fog.jpg"});
    MainWindow window(d.libraryRoot());
    window.resize(1280, 800);
    window.show();
    auto* welcome = window.findChild<WelcomePage*>();
    ASSERT_NE(welcome, nullptr);
    EXPECT_TRUE(welcome->isVisible());
    EXPECT_EQ(window.task(), AppTask::Grade);
    window.openPaths({d.folder()});
    EXPECT_FALSE(welcome->isVisible());
    EXPECT_TRUE(window.gradePage()->isVisible());
    EXPECT_EQ(recentSets().front(), QString::fromStdString(d.folder().string()));
    // What gave no picture is not come back to.
    std::filesystem::create_directory(d.root() / "empty");
    window.openPaths({d.root() / "empty"});
    EXPECT_EQ(window.state().pictures().size(), 1);
    EXPECT_EQ(recentSets().front(), QString::fromStdString(d.folder().string()));
}

} // namespace baryton::test
