#include "app/grade/frame_editor.h"
#include "app/grade/frame_view.h"
#include "app/grade/samples.h"
#include "app/guide_pictures.h"
#include "app/render_image.h"
#include "app/screen_helpers.h"
#include "picture/find_level.h"
#include "picture/picture_file.h"
#include "render/program.h"
#include "stages/frame.h"

#include <QApplication>
#include <QComboBox>
#include <QPushButton>
#include <cmath>
#include <gtest/gtest.h>

namespace baryton::test {

namespace {

FrameView* openFrame(Driver& d) {
    d.addStage(QStringLiteral("Frame"));
    FrameView* view = d.window().gradePage()->frameView();
    EXPECT_TRUE(Driver::waitFor([&] { return view->isVisible() && !view->frameRect().isEmpty(); }));
    return view;
}

FrameSettings frameOfKey(Driver& d) {
    return frameOf(d.state().keyGrade());
}

void chooseRatio(Driver& d, const char* name) {
    auto* box = d.named<QComboBox>(d.window().gradePage()->editorPanel(), QStringLiteral("Ratio"));
    box->setCurrentIndex(box->findText(QString::fromLatin1(name)));
    Q_EMIT box->activated(box->currentIndex());
}

} // namespace

TEST(FrameScreen, IsDraggedMovedTurnedAndUndoneStepByStep) {
    Driver d({"lake-fog.jpg"});
    d.start();
    FrameView* view = openFrame(d);
    EXPECT_EQ(frameOfKey(d), FrameSettings()) << "added, it is the whole picture";
    const QRectF whole = view->frameRect();
    // A corner: free proportions, the opposite corner stays.
    d.drag(view, whole.bottomRight(), whole.bottomRight() - QPointF(200, 60));
    EXPECT_NEAR(view->frameRect().right(), whole.right() - 200, 2);
    EXPECT_NEAR(view->frameRect().bottom(), whole.bottom() - 60, 2);
    EXPECT_NEAR(view->frameRect().left(), whole.left(), 1);
    const FrameSettings cut = frameOfKey(d);
    // Inside: as far as the picture goes, and along its edge.
    const QRectF before = view->frameRect();
    d.drag(view, before.center(), before.center() + QPointF(90, 900));
    EXPECT_NEAR(view->frameRect().left(), before.left() + 90, 2);
    EXPECT_NEAR(view->frameRect().bottom(), whole.bottom(), 2);
    EXPECT_NEAR(view->frameRect().width(), before.width(), 1);
    const FrameSettings moved = frameOfKey(d);
    // Outside: the picture turns as the hand does, clockwise downward on the right.
    const QPointF beside(view->frameRect().right() + 30, view->frameRect().center().y());
    const double arm = beside.x() - view->frameRect().center().x();
    d.drag(view, beside, beside + QPointF(0, arm * std::tan(5 * M_PI / 180)));
    EXPECT_NEAR(frameOfKey(d).angle, 5, 0.3);
    EXPECT_TRUE(d.undo());
    EXPECT_EQ(frameOfKey(d), moved);
    EXPECT_TRUE(d.undo());
    EXPECT_EQ(frameOfKey(d), cut);
    EXPECT_TRUE(d.undo());
    EXPECT_EQ(frameOfKey(d), FrameSettings());
}

TEST(FrameScreen, AnEdgeKeepsASetRatioAndEscapeTakesTheDragBack) {
    Driver d({"lake-fog.jpg"});
    d.start();
    FrameView* view = openFrame(d);
    chooseRatio(d, "2 : 1");
    EXPECT_EQ(frameOfKey(d).proportions, 2);
    const QRectF from = view->frameRect();
    EXPECT_NEAR(from.width() / from.height(), 2, 0.02);
    d.drag(view, {from.right(), from.center().y()}, {from.right() - 120, from.center().y()});
    EXPECT_NEAR(view->frameRect().width() / view->frameRect().height(), 2, 0.02);
    EXPECT_NEAR(view->frameRect().width(), from.width() - 120, 2);
    EXPECT_NEAR(view->frameRect().left(), from.left(), 2);
    const FrameSettings smaller = frameOfKey(d);
    QTest::mousePress(view, Qt::LeftButton, {}, view->frameRect().center().toPoint());
    QTest::mouseMove(view, (view->frameRect().center() + QPointF(30, 20)).toPoint());
    QTest::mouseMove(view, (view->frameRect().center() + QPointF(40, 20)).toPoint());
    EXPECT_NE(frameOfKey(d), smaller);
    QTest::keyClick(view, Qt::Key_Escape);
    EXPECT_EQ(frameOfKey(d), smaller);
    QTest::mouseRelease(view, Qt::LeftButton, {}, view->frameRect().center().toPoint());
    EXPECT_EQ(frameOfKey(d), smaller);
    d.click(d.button(d.window().gradePage()->editorPanel(), QStringLiteral("Swap the sides")));
    EXPECT_EQ(frameOfKey(d).proportions, 0.5);
}

TEST(FrameScreen, ALineDrawnWithCtrlBecomesLevelOrUpright) {
    Driver d({"dusk-horizon.jpg"});
    d.start();
    FrameView* view = openFrame(d);
    const QPointF at = view->frameRect().center();
    const auto draw = [&](QPointF by) {
        QTest::mousePress(view, Qt::LeftButton, Qt::ControlModifier, at.toPoint());
        QTest::mouseMove(view, (at + by).toPoint());
        QTest::mouseRelease(view, Qt::LeftButton, Qt::ControlModifier, (at + by).toPoint());
    };
    draw({200, 14}); // falls to the right by 4°
    EXPECT_NEAR(frameOfKey(d).angle, -std::atan2(14, 200) * 180 / M_PI, 0.1);
    EXPECT_TRUE(d.undo());
    draw({-7, 200}); // leans
    EXPECT_NEAR(frameOfKey(d).angle, -2, 0.1);
    EXPECT_TRUE(d.undo());
    draw({3, 3}); // a slip
    EXPECT_EQ(frameOfKey(d).angle, 0);
    // Escape while the line is drawn: nothing is turned, nor when the hand lets go.
    QTest::mousePress(view, Qt::LeftButton, Qt::ControlModifier, at.toPoint());
    QTest::mouseMove(view, (at + QPointF(200, 30)).toPoint());
    QTest::keyClick(view, Qt::Key_Escape);
    EXPECT_EQ(frameOfKey(d).angle, 0);
    QTest::mouseRelease(view, Qt::LeftButton, Qt::ControlModifier, (at + QPointF(200, 30)).toPoint());
    EXPECT_EQ(frameOfKey(d).angle, 0);
}

TEST(FrameScreen, LinesDrawnOnThePictureMakeItStraight) {
    Driver d({"lantern-alley.jpg"});
    d.start();
    FrameView* view = openFrame(d);
    auto* button = d.button(d.window().gradePage()->editorPanel(), QStringLiteral("Straighten by lines"));
    view->setFocus();
    QTest::keyClick(view, Qt::Key_L);
    EXPECT_TRUE(view->drawsLines());
    EXPECT_TRUE(button->isChecked());
    const QRectF f = view->frameRect();
    const auto at = [&](double x, double y) { return QPointF(f.x() + x * f.width(), f.y() + y * f.height()); };
    // Houses that run together below, as from above.
    d.drag(view, at(0.12, 0.1), at(0.16, 0.9));
    EXPECT_EQ(frameOfKey(d), FrameSettings()) << "one line says nothing yet";
    d.drag(view, at(0.85, 0.9), at(0.88, 0.1));
    const FrameSettings straight = frameOfKey(d);
    EXPECT_LT(straight.turn.tilt, -2);
    EXPECT_EQ(straight.turn.swing, 0);
    ASSERT_EQ(view->lines().lines().size(), 2U);
    const auto lean = [&](std::size_t which) {
        const DrawnLine& line = view->lines().lines()[which].places;
        const QPointF along = view->onScreen(line.to) - view->onScreen(line.from);
        return std::abs(std::atan2(along.x(), along.y()) * 180 / M_PI);
    };
    for (const std::size_t which : {0U, 1U})
        EXPECT_LT(std::min(lean(which), 180 - lean(which)), 0.15) << "upright now, but for tenths of a degree";
    // An end moved: the same two lines, another turn.
    const QPointF end = view->onScreen(view->lines().lines()[0].places.to);
    d.drag(view, end, end + QPointF(-14, 0));
    EXPECT_EQ(view->lines().lines().size(), 2U);
    EXPECT_LT(std::abs(frameOfKey(d).turn.tilt), std::abs(straight.turn.tilt) - 0.3);
    EXPECT_TRUE(d.undo());
    EXPECT_EQ(frameOfKey(d), straight);
    // Escape while an end is pulled, or a line drawn, takes that back whole.
    for (const QPointF from : {view->onScreen(view->lines().lines()[1].places.to), at(0.5, 0.2)}) {
        const PlacedPoint to = view->lines().lines()[1].places.to;
        QTest::mousePress(view, Qt::LeftButton, {}, from.toPoint());
        QTest::mouseMove(view, (from + QPointF(40, 90)).toPoint());
        QTest::keyClick(view, Qt::Key_Escape);
        QTest::mouseRelease(view, Qt::LeftButton, {}, (from + QPointF(40, 90)).toPoint());
        EXPECT_EQ(frameOfKey(d), straight);
        EXPECT_TRUE(view->drawsLines()) << "the drawing goes on";
        ASSERT_EQ(view->lines().lines().size(), 2U);
        EXPECT_EQ(view->lines().lines()[1].places.to.x, to.x);
    }
    // Two level lines beside them, as they would be seen: the swing comes in.
    const double tilted = straight.turn.tilt;
    d.drag(view, at(0.25, 0.3), at(0.75, 0.31));
    d.drag(view, at(0.25, 0.7), at(0.75, 0.69));
    EXPECT_EQ(view->lines().lines().size(), 4U);
    EXPECT_GT(std::abs(frameOfKey(d).turn.swing), 0.3);
    EXPECT_NEAR(frameOfKey(d).turn.tilt, tilted, 3);
    keepWork(d, "straight");
    keepResult(d, "straight");
    // Lines that no camera sees so change nothing and are told of.
    const FrameSettings before = frameOfKey(d);
    const QString foot = view->footText();
    d.drag(view, at(0.25, 0.7), at(0.6, 0.4));
    EXPECT_EQ(frameOfKey(d), before);
    EXPECT_NE(view->footText(), foot);
    // Done: the hand is the frame's again, the turn stays; typed back to nothing, all is as it was.
    QTest::keyClick(view, Qt::Key_Escape);
    EXPECT_FALSE(view->drawsLines());
    EXPECT_FALSE(button->isChecked());
    EXPECT_EQ(frameOfKey(d), before);
    for (const char* name : {"Camera tilt", "Camera swing", "Angle"})
        d.type(d.named<NumberField>(d.window().gradePage()->editorPanel(), QString::fromLatin1(name)),
               QStringLiteral("0"), true);
    EXPECT_EQ(frameOfKey(d), FrameSettings());
}

TEST(FrameScreen, LinesBelongToThePictureTheyWereDrawnOn) {
    Driver d({"lantern-alley.jpg", "snow-yard.jpg"}); // of one size
    d.start();
    auto* tray = d.window().gradePage()->tray();
    FrameView* view = openFrame(d);
    d.chooseRow(tray, 1);
    openFrame(d);
    view->setDrawsLines(true);
    const QRectF f = view->frameRect();
    d.drag(view, f.topLeft() + QPointF(90, 60), f.bottomLeft() + QPointF(70, -60));
    ASSERT_EQ(view->lines().lines().size(), 1U);
    d.chooseRow(tray, 0);
    EXPECT_TRUE(Driver::waitFor([&] { return view->isVisible() && !view->frameRect().isEmpty(); }));
    EXPECT_TRUE(view->lines().isEmpty());
    EXPECT_FALSE(view->drawsLines());
}

TEST(FrameScreen, WhatIsShownIsTheFileInItsFrame) {
    Driver d({"lake-fog.jpg"});
    d.start();
    GradePage* grade = d.window().gradePage();
    FrameView* view = openFrame(d);
    chooseRatio(d, "2 : 1");
    d.type(d.named<NumberField>(grade->editorPanel(), QStringLiteral("Size")), QStringLiteral("70"), true);
    d.type(d.named<NumberField>(grade->editorPanel(), QStringLiteral("Angle")), QStringLiteral("1.3"), true);
    d.type(d.named<NumberField>(grade->editorPanel(), QStringLiteral("Camera tilt")), QStringLiteral("6"), true);
    QTest::keyClick(view, Qt::Key_Right);
    EXPECT_GT(frameOfKey(d).x, 0.5);
    QTest::keyClick(view, Qt::Key_Return);
    EXPECT_NE(d.state().chosenStage(), "frame-1");
    EXPECT_FALSE(view->isVisible());
    const Picture source = readPicture(d.state().pictures().at(0).file).picture;
    const Placement placement = placementOf(frameOfKey(d), source.width(), source.height());
    const Pyramid framed(placed(source, placement));
    const auto isShown = [&] {
        if (grade->view()->pictureSize() != QSize(placement.width, placement.height)) return false;
        const PictureView::Region r = grade->view()->region();
        return grade->view()->shownAfter() ==
               imageOf(Program::compile(d.state().keyGrade()),
                       viewSource(framed, {r.left, r.top, r.width, r.height, r.scale}, {}));
    };
    EXPECT_TRUE(Driver::waitFor(isShown));
    // And the thumbnail.
    EXPECT_TRUE(Driver::waitFor([&] {
        const QImage& thumbnail = d.state().pictures().at(0).thumbnail;
        return std::abs(double(thumbnail.width()) / thumbnail.height() - 2) < 0.1;
    }));
    // Switched off, all of it is there again; nothing was lost.
    d.state().editStage("frame-1", {}, [](Stage& stage) { stage.enabled = false; });
    EXPECT_TRUE(
        Driver::waitFor([&] { return grade->view()->pictureSize() == QSize(source.width(), source.height()); }));
}

TEST(FrameScreen, SamplesStayOnTheirPlaceOfThePicture) {
    Driver d({"lake-fog.jpg"});
    d.start();
    GradePage* grade = d.window().gradePage();
    for (const double share : {0.02, 0.6}) {
        rightClick(grade->view(), at(d, share, share));
        pick(QStringLiteral("Sample point here"));
        QTest::qWait(50);
        QApplication::setActiveWindow(&d.window());
    }
    const auto points = grade->samples().of(0);
    ASSERT_EQ(points.size(), 2);
    const QString both = grade->samplesText();
    openFrame(d);
    d.type(d.named<NumberField>(grade->editorPanel(), QStringLiteral("Size")), QStringLiteral("70"), true);
    d.type(d.named<NumberField>(grade->editorPanel(), QStringLiteral("Angle")), QStringLiteral("10"), true);
    d.type(d.named<NumberField>(grade->editorPanel(), QStringLiteral("Camera swing")), QStringLiteral("-4"), true);
    const PictureSize whole = readPictureSize(d.state().pictures().at(0).file);
    const Placement placement = placementOf(frameOfKey(d), whole.width, whole.height);
    d.chooseStage("curves");
    ASSERT_TRUE(
        Driver::waitFor([&] { return grade->view()->pictureSize() == QSize(placement.width, placement.height); }));
    d.settle();
    const PlacedPoint there = fromSource(placement, {points[1].x() * whole.width, points[1].y() * whole.height});
    EXPECT_EQ(grade->view()->markAt(grade->view()->fromPicture({there.x, there.y})), 0);
    EXPECT_TRUE(grade->samplesText().startsWith(QStringLiteral("2 "))) << "the first lies outside";
    // Dragged, it keeps its number; off again, both are there.
    const QPointF from = grade->view()->fromPicture({there.x, there.y});
    d.drag(grade->view(), from, from + QPointF(12, 0));
    EXPECT_EQ(grade->samples().of(0)[0], points[0]);
    EXPECT_NE(grade->samples().of(0)[1], points[1]);
    d.state().editStage("frame-1", {}, [](Stage& stage) { stage.enabled = false; });
    EXPECT_TRUE(Driver::waitFor([&] { return grade->samplesText().contains(QStringLiteral("\n2 ")); }));
    EXPECT_EQ(grade->samplesText().section(u'\n', 0, 0), both.section(u'\n', 0, 0));
}

TEST(FrameScreen, SamplesGoAlongWhenThePictureIsTurnedAsAWhole) {
    Driver d({"lake-fog.jpg"});
    d.start();
    GradePage* grade = d.window().gradePage();
    rightClick(grade->view(), at(d, 0.2, 0.7));
    pick(QStringLiteral("Sample point here"));
    QTest::qWait(50);
    QApplication::setActiveWindow(&d.window());
    const auto points = grade->samples().of(0);
    ASSERT_EQ(points.size(), 1);
    FrameView* view = openFrame(d);
    view->setFocus();
    QTest::keyClick(view, Qt::Key_Period);
    QTest::keyClick(view, Qt::Key_M);
    const Orientation turned = frameOfKey(d).orientation;
    EXPECT_EQ(turned, (Orientation{3, true}));
    QTest::keyClick(view, Qt::Key_Return);
    ASSERT_TRUE(Driver::waitFor(
        [&] { return grade->view()->pictureSize().width() < grade->view()->pictureSize().height(); }));
    d.settle();
    EXPECT_EQ(grade->samples().of(0), points);
    const SharePoint there = toOriented(turned, {points[0].x(), points[0].y()});
    EXPECT_EQ(grade->view()->markAt(at(d, there.x, there.y)), 0);
    EXPECT_EQ(grade->view()->markAt(at(d, points[0].x(), points[0].y())), -1) << "it has gone from where it was";
}

TEST(FrameScreen, APictureThatWasLeftBeforeItWasReadTakesNoPlace) {
    Driver d({"lake-fog.jpg", "meadow-cart.jpg"});
    d.start();
    GradePage* grade = d.window().gradePage();
    const auto press = [&](int row) {
        const QModelIndex index = grade->tray()->model()->index(row, 0);
        QTest::mouseClick(grade->tray()->viewport(), Qt::LeftButton, {}, grade->tray()->visualRect(index).center());
    };
    press(1); // its reading begins …
    ASSERT_EQ(d.state().key(), 1);
    press(0); // … and ends after it was left
    ASSERT_EQ(d.state().key(), 0);
    d.settle();
    QTest::qWait(600);
    openFrame(d);
    d.type(d.named<NumberField>(grade->editorPanel(), QStringLiteral("Size")), QStringLiteral("50"), true);
    d.chooseStage("curves");
    const PictureSize whole = readPictureSize(d.state().pictures().at(0).file);
    EXPECT_TRUE(
        Driver::waitFor([&] { return grade->view()->pictureSize() == QSize(whole.width / 2, whole.height / 2); }));
}

TEST(FrameScreen, ClosingTheWindowWhileAStageIsBeingAddedEndsWell) {
    Driver d({"lake-fog.jpg"});
    d.start();
    d.click(d.named<QPushButton>(d.window().gradePage(), QStringLiteral("Add a stage")));
    EXPECT_NE(QApplication::activePopupWidget(), nullptr);
}

TEST(FrameScreen, TurnsMirrorsAndSwapsByKeysAndButtons) {
    Driver d({"lake-fog.jpg"});
    d.start();
    GradePage* grade = d.window().gradePage();
    const QSize whole = grade->view()->pictureSize();
    d.addStage(tr8("Frame"));
    const auto frame = [&] { return frameOf(d.state().keyGrade()); };
    auto* view = grade->frameView();
    ASSERT_TRUE(view);
    view->setFocus();
    QTest::keyClick(view, Qt::Key_Period);
    EXPECT_EQ(frame().orientation, (Orientation{1, false}));
    QTest::keyClick(view, Qt::Key_M);
    EXPECT_TRUE(frame().orientation.mirrored);
    EXPECT_TRUE(d.undo());
    EXPECT_TRUE(d.undo());
    EXPECT_TRUE(frame().orientation.isNone());
    d.click(d.button(grade->editorPanel(), FrameEditor::tr("Turn left")));
    EXPECT_EQ(frame().orientation, (Orientation{3, false}));
    auto* ratio = d.named<QComboBox>(grade->editorPanel(), tr8("Ratio"));
    ratio->setFocus();
    while (ratio->currentText() != tr8("3 : 2")) QTest::keyClick(ratio, Qt::Key_Down);
    view->setFocus();
    QTest::keyClick(view, Qt::Key_X);
    EXPECT_EQ(ratio->currentText(), tr8("2 : 3"));
    QTest::keyClick(view, Qt::Key_Return);
    EXPECT_TRUE(Driver::waitFor([&] { return grade->view()->pictureSize().height() == whole.width(); }))
        << "the picture stands upright in the viewer too";
    EXPECT_LT(grade->view()->pictureSize().width(), grade->view()->pictureSize().height());
}

TEST(FrameScreen, LevelsByItselfAndShowsTheLine) {
    Driver d({"chart-table.jpg"});
    d.start();
    GradePage* grade = d.window().gradePage();
    d.addStage(tr8("Frame"));
    auto* view = grade->frameView();
    ASSERT_TRUE(Driver::waitFor([&] { return !d.state().pictures().wholeSmallOf(d.state().key()).isEmpty(); }));
    d.settle();
    const Picture small = d.state().pictures().wholeSmallOf(d.state().key());
    const FoundLevel found = findLevel(small);
    ASSERT_TRUE(found.isSure());
    const QImage before = view->grab().toImage();
    d.click(d.button(grade->editorPanel(), FrameEditor::tr("Level by itself")));
    EXPECT_NEAR(frameOf(d.state().keyGrade()).angle, found.angle, 0.051);
    EXPECT_NE(view->grab().toImage(), before);
    EXPECT_FALSE(view->foundLine().isNull());
    EXPECT_TRUE(d.undo());
    EXPECT_TRUE(view->foundLine().isNull()) << "with the next change the line is gone";
}

TEST(FrameScreen, GuidesAreChosenAndKept) {
    Driver d({"lake-fog.jpg"});
    d.start();
    GradePage* grade = d.window().gradePage();
    d.addStage(tr8("Frame"));
    auto* view = grade->frameView();
    auto* guides = d.named<QComboBox>(grade->editorPanel(), FrameEditor::tr("Guides"));
    d.settle();
    // They are there while the hand is on the frame.
    const auto held = [&] {
        const QPoint at = view->frameRect().center().toPoint();
        QTest::mousePress(view, Qt::LeftButton, {}, at);
        const QImage image = view->grab().toImage();
        QTest::mouseRelease(view, Qt::LeftButton, {}, at);
        return image;
    };
    std::vector<QImage> seen{held()};
    for (int i = 0; i < 4; ++i) {
        guides->setFocus();
        QTest::keyClick(guides, Qt::Key_Down);
        const QImage image = held();
        EXPECT_EQ(std::count(seen.begin(), seen.end(), image), 0) << i;
        seen.push_back(image);
    }
    EXPECT_EQ(FrameView::keptGuide(), static_cast<int>(FrameView::Guide::None));
    guides->setFocus();
    while (guides->currentIndex() > 0) QTest::keyClick(guides, Qt::Key_Up);
}

} // namespace baryton::test
