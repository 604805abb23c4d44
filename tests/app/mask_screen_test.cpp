// A layer's mask in the window: made, pulled on the picture, typed, and where it goes.
#include "app/carry_tree.h"
#include "app/grade/layer_editor.h"
#include "app/screen_helpers.h"
#include "app/widgets/number_field.h"
#include "base/file.h"
#include "picture/picture_file.h"
#include "render/program.h"
#include "stages/source.h"

#include <QMouseEvent>
#include <QPointingDevice>
#include <QRegularExpression>
#include <QTabletEvent>
#include <QWheelEvent>
#include <gtest/gtest.h>

namespace baryton::test {

namespace {

EditorPanel* layerPanel(Driver& d) {
    return d.window().gradePage()->editorPanel();
}

/// Chooses a layer by its bracket.
void chooseLayer(Driver& d, std::size_t index) {
    ChainView* chain = d.window().gradePage()->chain();
    const StageCard* last = chain->card(d.state().keyGrade().look[index].stages.back().id);
    d.click(chain, QPointF(last->geometry().right() + 4, last->geometry().center().y()));
    ASSERT_EQ(d.state().chosenStage(), d.state().keyGrade().look[index].id);
}

Mask maskOf(Driver& d, std::size_t layer = 0) {
    return d.state().keyGrade().look[layer].mask.value_or(Mask());
}
MaskEllipse ellipseOf(Driver& d, std::size_t shape = 0) {
    return std::get<MaskEllipse>(maskOf(d).shapes.at(shape).form);
}

void tick(Driver& d, const char* text) {
    for (auto* check : layerPanel(d)->editor()->findChildren<QCheckBox*>())
        if (check->text() == tr8(text)) return d.click(check, QPointF(9, check->height() / 2.0));
    FAIL() << "no box " << text;
}

QString coverText(Driver& d) {
    return layerPanel(d)->editor()->findChild<StillText*>()->text();
}

/// What the status line says of the mask under the pointer, in percent.
int weightUnder(Driver& d, QPointF share) {
    PictureView* view = d.window().gradePage()->view();
    QString told;
    const auto listen =
        QObject::connect(d.window().gradePage(), &GradePage::pointerText, [&](const QString& text) { told = text; });
    QTest::mouseMove(view, d.onPicture({0.9, 0.9}).toPoint());
    QTest::mouseMove(view, d.onPicture(share).toPoint());
    QTest::qWait(20);
    QObject::disconnect(listen);
    const auto match = QRegularExpression(QStringLiteral("(\\d+) %$")).match(told);
    EXPECT_TRUE(match.hasMatch()) << told.toStdString();
    return match.captured(1).toInt();
}

/// How far two pictures are apart in a part of them, in levels.
int apart(const QImage& a, const QImage& b, QPointF share) {
    const QPoint at(static_cast<int>(share.x() * a.width()), static_cast<int>(share.y() * a.height()));
    return std::abs(qGray(a.pixel(at)) - qGray(b.pixel(at)));
}

} // namespace

TEST(MaskScreen, AnEllipseIsMadePulledTypedAndHoldsTheLayer) {
    Driver d({"lake-fog.jpg"});
    d.start();
    PictureView* view = d.window().gradePage()->view();
    d.chooseStage("wheels");
    const QImage plain = view->shownAfter();
    d.addStage(tr8("scale from dark"));
    d.type(d.named<NumberField>(layerPanel(d), tr8("Contrast")), tr8("-90"), true);
    d.settle();
    const QImage whole = view->shownAfter();
    ASSERT_GT(apart(plain, whole, {0.06, 0.06}), 3) << "it is seen in the corner";
    chooseLayer(d, 0);
    EXPECT_EQ(coverText(d), tr8("Everywhere: it has no mask"));
    EXPECT_TRUE(view->figure().lines.isEmpty());

    d.click(d.button(layerPanel(d), tr8("Ellipse")));
    d.settle();
    ASSERT_EQ(maskOf(d).shapes.size(), 1u);
    EXPECT_TRUE(layerPanel(d)->isOnPicture()) << "it is there to be placed";
    ASSERT_EQ(view->figure().handles.size(), 5);
    const QImage held = view->shownAfter();
    EXPECT_LE(apart(plain, held, {0.06, 0.06}), 1) << "nothing outside";
    EXPECT_LE(apart(whole, held, {0.5, 0.5}), 1) << "all of it in the middle";
    EXPECT_TRUE(coverText(d).startsWith(tr8("Covers ")));

    // Inside it a pull moves it, at an end it makes it wider, outside it turns it; each is one step.
    d.drag(view, d.onPicture({0.53, 0.53}), d.onPicture({0.33, 0.43}));
    EXPECT_NEAR(ellipseOf(d).x, 0.3, 0.005);
    EXPECT_NEAR(ellipseOf(d).y, 0.4, 0.005);
    const double width = ellipseOf(d).radiusX;
    const QPointF middle = view->figure().handles[0], end = view->figure().handles[1];
    d.drag(view, d.onPicture(end), d.onPicture(middle + (end - middle) * 1.5));
    EXPECT_NEAR(ellipseOf(d).radiusX, 1.5 * width, 0.01);
    EXPECT_TRUE(d.undo());
    EXPECT_NEAR(ellipseOf(d).radiusX, width, 1e-9);
    d.drag(view, d.onPicture({0.9, 0.4}), d.onPicture({0.85, 0.7}));
    EXPECT_GT(std::abs(ellipseOf(d).turn), 5);
    // And every number is typed.
    for (const auto& [name, text] :
         {std::pair("Centre across", "70"), std::pair("Centre down", "60"), std::pair("Radius across", "12"),
          std::pair("Radius down", "20"), std::pair("Turn", "15"), std::pair("Feather", "30")})
        d.type(d.named<NumberField>(layerPanel(d), tr8(name)), tr8(text), true);
    EXPECT_EQ(ellipseOf(d), (MaskEllipse{0.7, 0.6, 0.12, 0.2, 15, 0.3}));
    d.type(d.named<NumberField>(layerPanel(d), tr8("Density")), tr8("50"), true);
    EXPECT_EQ(maskOf(d).density, 0.5);
    EXPECT_TRUE(d.undo());

    // Turned round it holds the layer to the rest.
    tick(d, "All turned round");
    d.settle();
    EXPECT_TRUE(maskOf(d).isInverted);
    EXPECT_LE(apart(plain, view->shownAfter(), {0.7, 0.6}), 1);
    EXPECT_LE(apart(whole, view->shownAfter(), {0.06, 0.06}), 1);

    // The frame is turned and cut: the mask stays on what it was drawn on, and the file is what was seen.
    const Mask before = maskOf(d);
    d.addStage(tr8("Frame"));
    d.type(d.named<NumberField>(layerPanel(d), tr8("Size")), tr8("60"), true);
    d.type(d.named<NumberField>(layerPanel(d), tr8("Angle")), tr8("9"), true);
    d.chooseStage("wheels");
    d.settle();
    EXPECT_EQ(maskOf(d), before);
    const auto file = d.folder() / "lake-fog.jpg";
    const Grade grade = d.state().keyGrade();
    const Picture source = readPicture(file).picture;
    const Picture placedSource = placed(source, placementOf(geometryOf(grade, {}), source.width(), source.height()));
    const Picture made = Program::compile(grade).graded(placedSource);
    const QImage shown = view->shownAfter();
    const Picture fitted = scaledDown(made, shown.width(), shown.height());
    for (const QPoint at :
         {QPoint(shown.width() / 3, shown.height() / 3), QPoint(shown.width() / 2, shown.height() / 2),
          QPoint(3 * shown.width() / 4, shown.height() / 2)})
        EXPECT_NEAR(qGreen(shown.pixel(at)) / 255.0, fitted.row(1, at.y())[at.x()], 0.02);
}

TEST(MaskScreen, ShapesAreListedCombinedAndTakenOut) {
    Driver d({"lake-fog.jpg", "meadow-cart.jpg"});
    d.start();
    d.chooseStage("wheels");
    chooseLayer(d, 0);
    d.click(d.button(layerPanel(d), tr8("Ellipse")));
    d.click(d.button(layerPanel(d), tr8("Ramp")));
    auto* list = layerPanel(d)->findChild<QListWidget*>();
    ASSERT_EQ(list->count(), 2);
    EXPECT_EQ(list->currentRow(), 1) << "the new one is in hand";
    PictureView* view = d.window().gradePage()->view();
    ASSERT_EQ(view->figure().handles.size(), 2);
    // The ramp's far place is pulled to the right: its lines follow.
    d.drag(view, d.onPicture(view->figure().handles[1]), d.onPicture({0.8, 0.5}));
    const auto ramp = std::get<MaskRamp>(maskOf(d).shapes[1].form);
    EXPECT_NEAR(ramp.toX, 0.8, 0.005);
    EXPECT_NEAR(ramp.fromX, 0.5, 1e-9);
    auto* ways = layerPanel(d)->editor()->findChild<Segments*>();
    d.click(ways->button(2));
    EXPECT_EQ(maskOf(d).shapes[1].way, MaskShape::Way::Intersect);
    EXPECT_NE(list->item(1)->text(), list->item(0)->text());
    tick(d, "Outside of it");
    EXPECT_TRUE(maskOf(d).shapes[1].isInverted);
    // The bracket tells of a mask that lets nothing through.
    d.chooseRow(list, 0);
    EXPECT_EQ(view->figure().handles.size(), 5) << "the shape in hand is the one that is placed";
    d.type(d.named<NumberField>(layerPanel(d), tr8("Centre across")), tr8("150"), true);
    d.type(d.named<NumberField>(layerPanel(d), tr8("Radius across")), tr8("5"), true);
    d.type(d.named<NumberField>(layerPanel(d), tr8("Radius down")), tr8("5"), true);
    EXPECT_TRUE(coverText(d).startsWith(tr8("Covers nothing")));

    // To another picture with the layer, as every other value.
    const Mask mask = maskOf(d);
    d.window().gradePage()->tray()->selectAll();
    d.state().setEditsAll(true);
    d.type(d.named<NumberField>(layerPanel(d), tr8("Density")), tr8("80"), true);
    EXPECT_EQ(d.state().pictures().at(1).work.grade.look[0].mask.value_or(Mask()), maskOf(d));
    // Taken out one after the other; without any there is no mask.
    d.click(d.button(layerPanel(d), tr8("Delete shape")));
    d.click(d.button(layerPanel(d), tr8("Delete shape")));
    EXPECT_FALSE(d.state().keyGrade().look[0].mask);
    EXPECT_EQ(coverText(d), tr8("Everywhere: it has no mask"));
    d.undo(), d.undo();
    EXPECT_EQ(maskOf(d).shapes, mask.shapes);
    // It comes back with the picture.
    d.settle();
    d.stop();
    d.start();
    EXPECT_EQ(maskOf(d).shapes, mask.shapes);
}

TEST(MaskScreen, IsSeenInFiveWaysWhileItsLayerIsInHand) {
    Driver d({"lake-fog.jpg"});
    d.start();
    d.chooseStage("wheels");
    chooseLayer(d, 0);
    d.click(d.button(layerPanel(d), tr8("Ellipse")));
    d.key("P"); // the figure is out of the way
    d.settle();
    PictureView* view = d.window().gradePage()->view();
    const auto seen = [&](QPointF share) {
        const QImage screen = view->grab().toImage();
        const QPointF at = d.onPicture(share) * screen.devicePixelRatio();
        return qGray(screen.pixel(at.toPoint()));
    };
    const int corner = seen({0.05, 0.05}), middle = seen({0.5, 0.5});
    auto* how = d.named<QComboBox>(layerPanel(d), tr8("How the mask is seen"));
    const auto show = [&](const char* text) {
        how->setFocus();
        while (how->currentIndex() > 0) QTest::keyClick(how, Qt::Key_Up);
        while (how->currentText() != tr8(text)) QTest::keyClick(how, Qt::Key_Down);
        d.settle();
    };
    show("the rest darkened");
    EXPECT_LT(seen({0.05, 0.05}), corner / 2);
    EXPECT_NEAR(seen({0.5, 0.5}), middle, 3);
    show("as grey");
    EXPECT_EQ(seen({0.05, 0.05}), 0);
    EXPECT_EQ(seen({0.5, 0.5}), 255);
    show("on black");
    EXPECT_EQ(seen({0.05, 0.05}), 0);
    EXPECT_NEAR(seen({0.5, 0.5}), middle, 3);
    show("as a colour");
    EXPECT_NEAR(seen({0.05, 0.05}), corner, 3);
    EXPECT_GT(std::abs(seen({0.5, 0.5}) - middle), 8);
    // The key takes it away and brings it back as it was.
    d.key("K");
    d.settle();
    EXPECT_NEAR(seen({0.5, 0.5}), middle, 3);
    d.key("K");
    d.settle();
    EXPECT_GT(std::abs(seen({0.5, 0.5}) - middle), 8);
    // And so does a stage of no masked layer in hand; the bracket lights the mask while the pointer is on it.
    d.chooseStage("exposure");
    d.settle();
    EXPECT_NEAR(seen({0.5, 0.5}), middle, 3) << "not longer than its layer is in hand";
    ChainView* chain = d.window().gradePage()->chain();
    const QRect first = chain->card(d.state().keyGrade().look[0].stages[0].id)->geometry();
    QTest::mouseMove(chain, QPoint(first.left() + 10, first.top() - 12));
    d.settle();
    EXPECT_LT(seen({0.05, 0.05}), corner / 2);
    QTest::mouseMove(chain, QPoint(first.left() + 10, first.bottom() - 2));
    d.settle();
    EXPECT_NEAR(seen({0.05, 0.05}), corner, 3);
}

TEST(MaskScreen, IsSeenAsLongAsItsKeyIsHeld) {
    Driver d({"lake-fog.jpg"});
    d.start();
    const MaskTools& tools = d.state().maskTools();
    QTest::keyPress(&d.window(), Qt::Key_K);
    EXPECT_NE(tools.veil(), MaskVeil::None);
    QTest::qWait(450);
    QTest::keyRelease(&d.window(), Qt::Key_K);
    EXPECT_EQ(tools.veil(), MaskVeil::None);
    d.key("K");
    EXPECT_NE(tools.veil(), MaskVeil::None) << "a short press keeps it";
    d.key("K");
    EXPECT_EQ(tools.veil(), MaskVeil::None);
}

TEST(MaskScreen, ALayerIsMadeAtAPlaceOfThePictureInOneAction) {
    Driver d({"lake-fog.jpg"});
    d.start();
    PictureView* view = d.window().gradePage()->view();
    const auto pickAt = [&](QPointF share, const char* entry) {
        rightClick(view, d.onPicture(share));
        pick(tr8(entry));
        QTest::qWait(30);
    };
    pickAt({0.3, 0.6}, "New layer in an ellipse here");
    ASSERT_EQ(d.state().keyGrade().look.size(), 2u);
    EXPECT_EQ(d.state().chosenStage(), d.state().keyGrade().look[1].id);
    EXPECT_TRUE(layerPanel(d)->isOnPicture());
    const auto made = std::get<MaskEllipse>(maskOf(d, 1).shapes.at(0).form);
    EXPECT_NEAR(made.x, 0.3, 0.003);
    EXPECT_NEAR(made.y, 0.6, 0.003);
    // What is added next stands in it, and is seen there alone.
    const QImage before = view->shownAfter();
    d.addStage(tr8("scale from dark"));
    d.type(d.named<NumberField>(layerPanel(d), tr8("Contrast")), tr8("-90"), true);
    d.settle();
    ASSERT_EQ(d.state().keyGrade().look[1].stages.size(), 1u);
    EXPECT_EQ(apart(before, view->shownAfter(), {0.85, 0.15}), 0);
    EXPECT_GT(apart(before, view->shownAfter(), {0.3, 0.6}), 1);
    pickAt({0.5, 0.5}, "New layer in a ramp here");
    EXPECT_TRUE(std::holds_alternative<MaskRamp>(maskOf(d, 2).shapes.at(0).form));
    pickAt({0.3, 0.6}, "New layer on this colour");
    d.settle();
    ASSERT_TRUE(std::holds_alternative<MaskColours>(maskOf(d, 3).shapes.at(0).form));
    EXPECT_GT(weightUnder(d, {0.3, 0.6}), 90) << "what was pressed on is in it";
}

TEST(MaskScreen, ABrushPaintsErasesAndIsTakenBackStrokeByStroke) {
    Driver d({"lake-fog.jpg"});
    d.start();
    PictureView* view = d.window().gradePage()->view();
    d.chooseStage("curves");
    chooseLayer(d, 0);
    d.click(d.button(layerPanel(d), tr8("Brush")));
    EXPECT_TRUE(coverText(d).startsWith(tr8("Covers nothing")));
    d.type(d.named<NumberField>(layerPanel(d), tr8("Size")), tr8("6"), true);
    d.type(d.named<NumberField>(layerPanel(d), tr8("Softness")), tr8("20"), true);
    const auto strokes = [&] { return std::get<MaskBrush>(maskOf(d).shapes.at(0).form).strokes; };
    EXPECT_TRUE(view->figure().handles.isEmpty());
    d.drag(view, d.onPicture({0.3, 0.4}), d.onPicture({0.7, 0.4}));
    ASSERT_EQ(strokes().size(), 1u) << "a drag is one stroke";
    EXPECT_EQ(strokes()[0]->size, 0.06);
    EXPECT_LE(strokes()[0]->points.size(), 3u) << "a straight way is its ends";
    EXPECT_EQ(weightUnder(d, {0.5, 0.4}), 100);
    EXPECT_EQ(weightUnder(d, {0.5, 0.6}), 0);
    EXPECT_FALSE(view->figure().lines.isEmpty()) << "the brush is seen where the pointer is";
    // A press alone is a dot; with Ctrl it takes away.
    d.click(view, d.onPicture({0.5, 0.7}));
    EXPECT_EQ(weightUnder(d, {0.5, 0.7}), 100);
    QTest::mouseClick(view, Qt::LeftButton, Qt::ControlModifier, d.onPicture({0.5, 0.4}).toPoint());
    ASSERT_EQ(strokes().size(), 3u);
    EXPECT_TRUE(strokes()[2]->erases);
    EXPECT_EQ(weightUnder(d, {0.5, 0.4}), 0);
    EXPECT_EQ(weightUnder(d, {0.32, 0.4}), 100);
    // Size and softness without leaving the picture: by the wheel and by keys.
    const MaskTools& tools = d.state().maskTools();
    const double size = tools.brush().size, softness = tools.brush().softness;
    const auto wheel = [&](Qt::KeyboardModifiers modifiers) {
        const QPointF at = d.onPicture({0.5, 0.5});
        QWheelEvent turned(at, view->mapToGlobal(at), {}, {0, 120}, Qt::NoButton, modifiers, Qt::NoScrollPhase,
                           false);
        QCoreApplication::sendEvent(view, &turned);
    };
    const double scale = view->scale();
    wheel(Qt::AltModifier);
    EXPECT_GT(tools.brush().size, size);
    EXPECT_EQ(view->scale(), scale) << "the picture stays";
    wheel(Qt::AltModifier | Qt::ShiftModifier);
    EXPECT_GT(tools.brush().softness, softness);
    QTest::keyClick(view, Qt::Key_Down, Qt::AltModifier);
    EXPECT_NEAR(tools.brush().size, size, 1e-9);
    QTest::keyClick(view, Qt::Key_Left, Qt::AltModifier);
    EXPECT_NEAR(tools.brush().softness, softness, 1e-9);
    // Each stroke is a step; Escape takes back the one that is being painted.
    EXPECT_TRUE(d.undo());
    EXPECT_EQ(strokes().size(), 2u);
    QTest::mousePress(view, Qt::LeftButton, {}, d.onPicture({0.2, 0.2}).toPoint());
    QTest::mouseMove(view, d.onPicture({0.3, 0.3}).toPoint());
    EXPECT_EQ(strokes().size(), 3u);
    QTest::keyClick(&d.window(), Qt::Key_Escape);
    QTest::mouseRelease(view, Qt::LeftButton, {}, d.onPicture({0.3, 0.3}).toPoint());
    EXPECT_EQ(strokes().size(), 2u);
    // It belongs to this picture: a preset offers it, and leaves it out unless told otherwise.
    CarryTree tree(true);
    tree.setGrade(d.state().keyGrade());
    const CarryPath mask{Part::Look, d.state().keyGrade().look[0].id, "", kMaskWord};
    const auto includes = [&](const IncludeSet& set) { return std::find(set.begin(), set.end(), mask) != set.end(); };
    EXPECT_FALSE(includes(tree.included()));
    tree.tickAll(true);
    EXPECT_TRUE(includes(tree.included()));
    // However many places a hand goes through, it paints to the end.
    const QPointF first = d.onPicture({0.2, 0.8});
    QTest::mousePress(view, Qt::LeftButton, {}, first.toPoint());
    for (int i = 0; i < 2500; ++i) {
        const QPointF to = first + QPointF(i * 0.08, i % 2);
        QMouseEvent moved(QEvent::MouseMove, to, view->mapToGlobal(to), Qt::NoButton, Qt::LeftButton, {});
        QCoreApplication::sendEvent(view, &moved);
    }
    QTest::mouseRelease(view, Qt::LeftButton, {}, first.toPoint());
    ASSERT_EQ(strokes().size(), 3u);
    EXPECT_NEAR(strokes().back()->points.back().x,
                0.2 + 2499 * 0.08 / (d.onPicture({1, 0}) - d.onPicture({0, 0})).x(), 0.01);
    EXPECT_TRUE(d.undo());
    // A pen that presses lightly paints a narrow line.
    const auto pen = [&](QEvent::Type type, QPointF share, double pressure) {
        static QPointingDevice device(QStringLiteral("pen"), 7, QInputDevice::DeviceType::Stylus,
                                      QPointingDevice::PointerType::Pen, QInputDevice::Capability::Pressure, 1, 1);
        const QPointF at = d.onPicture(share);
        QTabletEvent event(type, &device, at, view->mapToGlobal(at), pressure, 0, 0, 0, 0, 0, {}, Qt::LeftButton,
                           Qt::LeftButton);
        QCoreApplication::sendEvent(view, &event);
    };
    pen(QEvent::TabletPress, {0.2, 0.2}, 0.4);
    QTest::mousePress(view, Qt::LeftButton, {}, d.onPicture({0.2, 0.2}).toPoint());
    pen(QEvent::TabletMove, {0.4, 0.2}, 0.8);
    QTest::mouseMove(view, d.onPicture({0.4, 0.2}).toPoint());
    pen(QEvent::TabletRelease, {0.4, 0.2}, 0);
    QTest::mouseRelease(view, Qt::LeftButton, {}, d.onPicture({0.4, 0.2}).toPoint());
    ASSERT_EQ(strokes().size(), 3u);
    EXPECT_NEAR(strokes()[2]->points.front().width, 0.4, 1e-9);
    EXPECT_NEAR(strokes()[2]->points.back().width, 0.8, 1e-9);
}

TEST(MaskScreen, ARangeIsPressedSweptAndTakenFrom) {
    Driver d({"meadow-cart.jpg"});
    d.start();
    PictureView* view = d.window().gradePage()->view();
    d.chooseStage("curves");
    chooseLayer(d, 0);
    d.click(d.button(layerPanel(d), tr8("Colours")));
    d.settle();
    const auto range = [&](std::size_t shape = 0) { return std::get<MaskColours>(maskOf(d).shapes.at(shape).form); };
    d.click(view, d.onPicture({0.2, 0.85})); // the meadow
    d.settle();
    const MaskColours once = range();
    EXPECT_NE(once, MaskColours());
    EXPECT_GT(weightUnder(d, {0.2, 0.85}), 90);
    EXPECT_LT(weightUnder(d, {0.5, 0.05}), 30) << "not the sky";
    // A sweep takes in what it goes over, as one step.
    d.drag(view, d.onPicture({0.2, 0.85}), d.onPicture({0.8, 0.6}));
    d.settle();
    const MaskColours swept = range();
    EXPECT_NE(swept, once);
    EXPECT_LE(swept.lightnessLow, once.lightnessLow);
    EXPECT_TRUE(d.undo());
    EXPECT_EQ(range(), once);
    // With Ctrl what is pressed on is taken out, by a shape behind it.
    QTest::mouseClick(view, Qt::LeftButton, Qt::ControlModifier, d.onPicture({0.2, 0.85}).toPoint());
    d.settle();
    ASSERT_EQ(maskOf(d).shapes.size(), 2u);
    EXPECT_EQ(maskOf(d).shapes[1].way, MaskShape::Way::TakeAway);
    EXPECT_LT(weightUnder(d, {0.2, 0.85}), 10);
    EXPECT_TRUE(d.undo());
    // What is ahead of the layer, or in it, moves no mask; and it is part of a LUT.
    d.settle();
    const int before = weightUnder(d, {0.3, 0.8});
    d.type(d.named<NumberField>(layerPanel(d), tr8("Density")), tr8("100"), true);
    d.addStage(tr8("scale from dark"));
    d.type(d.named<NumberField>(layerPanel(d), tr8("Contrast")), tr8("90"), true);
    chooseLayer(d, 0);
    d.settle();
    EXPECT_EQ(weightUnder(d, {0.3, 0.8}), before);
    // Begun anew, the next press sets it.
    d.click(d.button(layerPanel(d), tr8("Begin anew")));
    d.click(view, d.onPicture({0.5, 0.05}));
    d.settle();
    EXPECT_GT(weightUnder(d, {0.5, 0.05}), 90);
    EXPECT_LT(weightUnder(d, {0.2, 0.85}), 50);
}

TEST(MaskScreen, AStrokeKeepsToTheColourThatItBeginsOn) {
    Driver d({"meadow-cart.jpg"});
    d.start();
    PictureView* view = d.window().gradePage()->view();
    d.chooseStage("curves");
    chooseLayer(d, 0);
    d.click(d.button(layerPanel(d), tr8("Brush")));
    tick(d, "Keeps to its colour");
    const auto colour = [&](std::size_t stroke) {
        const auto strokes = std::get<MaskBrush>(maskOf(d).shapes.at(0).form).strokes;
        return strokes.at(stroke)->colour.value_or(std::array<double, 3>{});
    };
    // Pressed one after the other without a move of the pointer between: the sky, then the meadow.
    const auto press = [&](QPointF share) {
        const QPoint at = d.onPicture(share).toPoint();
        QMouseEvent down(QEvent::MouseButtonPress, at, view->mapToGlobal(at), Qt::LeftButton, Qt::LeftButton, {}),
            up(QEvent::MouseButtonRelease, at, view->mapToGlobal(at), Qt::LeftButton, Qt::NoButton, {});
        QCoreApplication::sendEvent(view, &down), QCoreApplication::sendEvent(view, &up);
    };
    press({0.5, 0.05}), press({0.2, 0.85});
    EXPECT_GT(std::abs(colour(0)[0] - colour(1)[0]), 0.05);
    EXPECT_LT(colour(1)[1], colour(0)[1]) << "the meadow is the greener one";
}

TEST(MaskScreen, ALayerForTheRestFollowsUntilTheLinkIsCut) {
    Driver d({"lake-fog.jpg"});
    d.start();
    d.chooseStage("curves");
    chooseLayer(d, 0);
    d.click(d.button(layerPanel(d), tr8("Ellipse")));
    const int middle = weightUnder(d, {0.5, 0.5});
    ASSERT_EQ(middle, 100);
    d.click(d.button(layerPanel(d), tr8("Layer for the rest")));
    ASSERT_EQ(d.state().keyGrade().look.size(), 2u);
    EXPECT_EQ(d.state().chosenStage(), d.state().keyGrade().look[1].id) << "it is in hand";
    EXPECT_EQ(weightUnder(d, {0.5, 0.5}), 0);
    EXPECT_EQ(weightUnder(d, {0.05, 0.05}), 100);
    // An edit of the first changes both.
    d.state().chooseStage(d.state().keyGrade().look[0].id);
    d.type(d.named<NumberField>(layerPanel(d), tr8("Centre across")), tr8("150"), true);
    d.state().chooseStage(d.state().keyGrade().look[1].id);
    EXPECT_EQ(weightUnder(d, {0.5, 0.5}), 100);
    EXPECT_TRUE(d.undo());
    EXPECT_EQ(weightUnder(d, {0.5, 0.5}), 0);
    // Cut, it has a shape of its own.
    d.click(d.button(layerPanel(d), tr8("Cut the link")));
    ASSERT_TRUE(std::holds_alternative<MaskEllipse>(maskOf(d, 1).shapes.at(0).form));
    EXPECT_EQ(weightUnder(d, {0.5, 0.5}), 0);
    EXPECT_TRUE(d.undo());
    // A layer that goes leaves its mask to the one that was linked to it.
    d.state().chooseStage(d.state().keyGrade().look[0].id);
    d.click(d.button(layerPanel(d), tr8("Delete layer")));
    ASSERT_EQ(d.state().keyGrade().look.size(), 1u);
    EXPECT_EQ(weightUnder(d, {0.5, 0.5}), 0);
    EXPECT_EQ(weightUnder(d, {0.05, 0.05}), 100);
    // All masked layers off at once, and on again, without an edit.
    const Grade grade = d.state().keyGrade();
    d.addStage(tr8("scale from dark"));
    d.type(d.named<NumberField>(layerPanel(d), tr8("Contrast")), tr8("-90"), true);
    d.settle();
    const QImage with = d.window().gradePage()->view()->shownAfter();
    d.key("Shift+K");
    d.settle();
    EXPECT_GT(apart(with, d.window().gradePage()->view()->shownAfter(), {0.06, 0.06}), 3);
    d.key("Shift+K");
    d.settle();
    EXPECT_EQ(apart(with, d.window().gradePage()->view()->shownAfter(), {0.06, 0.06}), 0);
}

TEST(MaskScreen, ALutIsWrittenWithMasksIgnoredByChoice) {
    Driver d({"lake-fog.jpg"});
    d.start();
    d.chooseStage("saturation");
    d.type(d.named<NumberField>(layerPanel(d), tr8("Saturation")), tr8("-90"), true);
    chooseLayer(d, 0);
    d.click(d.button(layerPanel(d), tr8("Ellipse")));
    d.menu(tr8("File"), tr8("Export LUT…"));
    QDialog* sheet = d.sheet();
    const QString file = QString::fromStdString((d.folder() / "masked.cube").string());
    d.type(d.named<QLineEdit>(sheet, tr8("LUT file")), file);
    auto* everywhere = sheet->findChild<QCheckBox*>();
    ASSERT_TRUE(everywhere->isEnabled());
    const auto write = [&] {
        std::filesystem::remove(file.toStdString());
        d.click(d.button(sheet, tr8("Export LUT")));
        const auto isWritten = [&] {
            return std::filesystem::exists(file.toStdString()) && d.button(sheet, tr8("Export LUT"))->isEnabled();
        };
        EXPECT_TRUE(Driver::waitFor(isWritten, 20));
        return readFile(file.toStdString());
    };
    const std::string without = write();
    d.click(everywhere, QPointF(9, everywhere->height() / 2.0));
    d.settle();
    EXPECT_NE(write(), without);
    bool isTold = false;
    for (const auto* label : sheet->findChildren<QLabel*>())
        isTold = isTold || label->text().contains(tr8("Acts everywhere in it: %1").arg(QStringLiteral("Base")));
    EXPECT_TRUE(isTold);
}

TEST(MaskScreen, ShapesAreRenamedAndDuplicated) {
    Driver d({"lake-fog.jpg"});
    d.start();
    d.chooseStage("curves");
    chooseLayer(d, 0);
    d.click(d.button(layerPanel(d), tr8("Ellipse")));
    d.type(d.named<NumberField>(layerPanel(d), tr8("Centre across")), tr8("30"), true);
    auto* list = layerPanel(d)->findChild<QListWidget*>();
    const auto fromMenu = [&](const char* entry) {
        const QPoint at = list->visualItemRect(list->currentItem()).center();
        Q_EMIT list->customContextMenuRequested(at);
        pick(tr8(entry));
        QTest::qWait(30);
    };
    fromMenu("Duplicate, mirrored");
    ASSERT_EQ(maskOf(d).shapes.size(), 2u);
    EXPECT_NEAR(ellipseOf(d, 1).x, 0.7, 1e-9);
    EXPECT_EQ(list->currentRow(), 1);
    fromMenu("Rename");
    auto* field = list->findChild<QLineEdit*>();
    ASSERT_TRUE(field);
    field->selectAll();
    QTest::keyClicks(field, QStringLiteral("Lamp"));
    QTest::keyClick(field, Qt::Key_Return);
    QTest::qWait(30);
    EXPECT_EQ(maskOf(d).shapes[1].name, "Lamp");
    EXPECT_EQ(list->item(1)->text(), QStringLiteral("Lamp"));
}

} // namespace baryton::test
