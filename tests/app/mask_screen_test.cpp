// A layer's mask in the window: made, pulled on the picture, typed, and where it goes.
#include "app/grade/layer_editor.h"
#include "app/screen_helpers.h"
#include "app/widgets/number_field.h"
#include "picture/picture_file.h"
#include "render/program.h"
#include "stages/source.h"

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

/// Of the boxes in their order: a shape turned round, all of it turned round, the rest darkened.
void tick(Driver& d, int box) {
    auto* check = layerPanel(d)->editor()->findChildren<QCheckBox*>()[box];
    d.click(check, QPointF(9, check->height() / 2.0));
}

QString coverText(Driver& d) {
    return layerPanel(d)->editor()->findChild<StillText*>()->text();
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

    d.click(d.button(layerPanel(d), tr8("Add ellipse")));
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
    tick(d, 1);
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
    d.click(d.button(layerPanel(d), tr8("Add ellipse")));
    d.click(d.button(layerPanel(d), tr8("Add ramp")));
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
    tick(d, 0);
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

TEST(MaskScreen, TheRestIsDarkenedWhileThatIsTicked) {
    Driver d({"lake-fog.jpg"});
    d.start();
    d.chooseStage("wheels");
    chooseLayer(d, 0);
    d.click(d.button(layerPanel(d), tr8("Add ellipse")));
    d.key("P"); // the figure is out of the way
    d.settle();
    PictureView* view = d.window().gradePage()->view();
    const auto seen = [&](QPointF share) {
        const QImage screen = view->grab().toImage();
        const QPointF at = d.onPicture(share) * screen.devicePixelRatio();
        return qGray(screen.pixel(at.toPoint()));
    };
    const int corner = seen({0.05, 0.05}), middle = seen({0.5, 0.5});
    tick(d, 2);
    EXPECT_LT(seen({0.05, 0.05}), corner / 2);
    EXPECT_NEAR(seen({0.5, 0.5}), middle, 3);
    d.chooseStage("curves");
    EXPECT_NEAR(seen({0.05, 0.05}), corner, 3) << "not longer than its layer is in hand";
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
}

} // namespace baryton::test
