// Objects drawn round on the picture, whole masks taken elsewhere, and the job that wants a subject apart.
#include "app/grade/layer_editor.h"
#include "app/guide_pictures.h"
#include "app/screen_helpers.h"
#include "app/widgets/number_field.h"
#include "grade/mask_links.h"
#include "grade/mask_moves.h"
#include "render/mask_weights.h"
#include "support/outlining_hand.h"

#include <QWheelEvent>
#include <gtest/gtest.h>

namespace baryton::test {

namespace {

EditorPanel* maskPanel(Driver& d) {
    return d.window().gradePage()->editorPanel();
}
const Layer& layerOf(Driver& d, std::size_t layer) {
    return d.state().keyGrade().look.at(layer);
}
const MaskObject& objectOf(Driver& d, std::size_t layer) {
    return std::get<MaskObject>(layerOf(d, layer).mask->shapes.at(0).form);
}

/// Draws a closed path on the key picture.
void drawRound(Driver& d, const std::vector<StrokePoint>& outline) {
    QVector<QPointF> through;
    for (const StrokePoint& p : outline) through.append(d.onPicture({p.x, p.y}));
    d.draw(d.window().gradePage()->view(), through);
}

bool isFound(Driver& d) {
    return Driver::waitFor([&] { return !d.state().objectSearch().wish(); });
}

/// How well the first shape of a layer's mask is the object.
double fitOf(Driver& d, std::size_t layer, const cv::Mat& truth) {
    return overlap(weightsOf(objectOf(d, layer), truth.size()), truth);
}

/// Paints what the hand in the tests of the search would paint.
void correct(Driver& d, std::size_t layer, const cv::Mat& truth) {
    const auto stroke = strokeFor(weightsOf(objectOf(d, layer), truth.size()), truth);
    ASSERT_TRUE(stroke);
    d.type(d.named<NumberField>(maskPanel(d), tr8("Size")), QString::number(stroke->size * 100), true);
    QVector<QPointF> through;
    for (const StrokePoint& p : stroke->points) through.append(d.onPicture({p.x, p.y}));
    d.draw(d.window().gradePage()->view(), through, stroke->erases ? Qt::ControlModifier : Qt::NoModifier);
    ASSERT_TRUE(isFound(d));
}

void newLayerOnAnObject(Driver& d) {
    rightClick(d.window().gradePage()->view(), d.onPicture({0.5, 0.5}));
    pick(tr8("New layer on an object, drawn round"));
    QTest::qWait(20);
}

/// The middle of what a mask lets through, in fractions of the picture.
QPointF middleOf(const Mask& mask, double aspect) {
    MaskScene scene;
    scene.frame.aspect = aspect;
    constexpr int width = 150, height = 100;
    const std::vector<float> weights = weightsOver(mask, scene, width, height);
    double x = 0, y = 0, sum = 0;
    for (int v = 0; v < height; ++v)
        for (int u = 0; u < width; ++u) {
            const double w = double(weights[static_cast<std::size_t>(v * width + u)]);
            x += w * (u + 0.5) / width, y += w * (v + 0.5) / height, sum += w;
        }
    return {x / sum, y / sum};
}

} // namespace

TEST(ObjectScreen, IsDrawnRoundFoundCorrectedAndTakenBack) {
    const TrueObject object = trueObject("snow-yard");
    Driver d({"snow-yard.jpg", "lake-fog.jpg"});
    d.start();
    PictureView* view = d.window().gradePage()->view();
    newLayerOnAnObject(d);
    const std::size_t layer = d.state().keyGrade().look.size() - 1;
    const auto words = [&] {
        return maskPanel(d)->editor()->findChild<MaskPages*>()->findChild<StillText*>()->text();
    };
    EXPECT_TRUE(words().startsWith(tr8("Draw loosely round it")));
    const Grade before = d.state().keyGrade();
    d.drag(view, d.onPicture({0.3, 0.3}), d.onPicture({0.301, 0.301}));
    QVector<QPointF> few = {d.onPicture({0.3, 0.3}), d.onPicture({0.4, 0.3}), d.onPicture({0.4, 0.4})};
    d.draw(view, few);
    EXPECT_EQ(d.state().keyGrade(), before) << "a slip is no outline";
    EXPECT_TRUE(d.isTold("all the way round"));

    // Escape takes back a line that is being drawn.
    QTest::mousePress(view, Qt::LeftButton, {}, d.onPicture({0.2, 0.2}).toPoint());
    for (int i = 0; i < 12; ++i) {
        const QPoint at = d.onPicture({0.2 + 0.02 * i, 0.3}).toPoint();
        QMouseEvent move(QEvent::MouseMove, at, view->mapToGlobal(at), Qt::LeftButton, Qt::LeftButton, {});
        QApplication::sendEvent(view, &move);
    }
    EXPECT_FALSE(view->figure().lines.isEmpty()) << "the line is seen while it is drawn";
    QTest::keyClick(view, Qt::Key_Escape);
    QTest::mouseRelease(view, Qt::LeftButton, {}, d.onPicture({0.5, 0.3}).toPoint());
    QTest::qWait(20);
    EXPECT_EQ(d.state().keyGrade(), before);
    EXPECT_FALSE(d.state().objectSearch().wish());

    drawRound(d, outlineRound(object.truth, 0.02, true));
    EXPECT_TRUE(d.state().objectSearch().wish());
    EXPECT_TRUE(words().startsWith(tr8("Looking for it")));
    ASSERT_TRUE(isFound(d));
    const double atFirst = fitOf(d, layer, object.truth);
    EXPECT_GT(atFirst, 0.7);
    EXPECT_EQ(d.state().maskTools().veil(), MaskVeil::Coloured) << "a layer that does nothing yet shows where it is";
    EXPECT_TRUE(words().startsWith(tr8("Paint over what is missing")));
    correct(d, layer, object.truth);
    EXPECT_GT(fitOf(d, layer, object.truth), atFirst);
    EXPECT_EQ(objectOf(d, layer).strokes.size(), 1U);
    // What was drawn and what was found of it are one step.
    EXPECT_TRUE(d.undo());
    EXPECT_EQ(fitOf(d, layer, object.truth), atFirst);
    EXPECT_TRUE(d.undo());
    EXPECT_EQ(d.state().keyGrade(), before);
    EXPECT_TRUE(d.redo() && d.redo());

    // Drawn anew it begins without strokes; on another picture the line is gone, and that is said.
    d.click(d.button(maskPanel(d), tr8("Draw anew")));
    EXPECT_TRUE(words().startsWith(tr8("Draw loosely round it")));
    drawRound(d, outlineRound(object.truth, 0.03, true));
    ASSERT_TRUE(isFound(d));
    EXPECT_TRUE(objectOf(d, layer).strokes.empty());
    const Grade found = d.state().keyGrade();
    d.click(d.button(maskPanel(d), tr8("Draw anew")));
    drawRound(d, outlineRound(object.truth, 0.02, true));
    d.state().setKey(1);
    ASSERT_TRUE(isFound(d));
    EXPECT_TRUE(d.isTold("left before its object was found"));
    d.state().setKey(0);
    EXPECT_EQ(d.state().keyGrade(), found);
}

TEST(ObjectScreen, AnEllipseBecomesTheObjectInItWithoutAMouse) {
    const TrueObject object = trueObject("workshop-window");
    Driver d({"workshop-window.jpg"});
    d.start();
    d.state().chooseStage(d.state().keyGrade().look[0].id);
    d.settle();
    QTest::keyClick(d.button(maskPanel(d), tr8("Ellipse")), Qt::Key_Space);
    const auto bounds = boundsOf(Mask{{{[&] {
                                            MaskObject drawn;
                                            drawn.outline = outlineRound(object.truth, 0.02, true);
                                            return drawn;
                                        }(),
                                        {},
                                        false,
                                        {}}},
                                      false,
                                      1},
                                 1.5);
    const auto set = [&](const char* name, double value) {
        d.type(d.named<NumberField>(maskPanel(d), tr8(name)), QString::number(value * 100), true);
    };
    set("Centre across", (bounds->left + bounds->right) / 2), set("Centre down", (bounds->top + bounds->bottom) / 2);
    set("Radius across", (bounds->right - bounds->left) / 2),
        set("Radius down", (bounds->bottom - bounds->top) / 2 / 1.5);
    QTest::keyClick(d.button(maskPanel(d), tr8("Find the object in it")), Qt::Key_Space);
    ASSERT_TRUE(isFound(d));
    ASSERT_EQ(layerOf(d, 0).mask->shapes.size(), 1U);
    EXPECT_GT(fitOf(d, 0, object.truth), 0.5); // an ellipse is a looser line than a hand draws
    EXPECT_TRUE(d.undo());
    EXPECT_TRUE(std::holds_alternative<MaskEllipse>(layerOf(d, 0).mask->shapes[0].form));
}

TEST(ObjectScreen, AWholeMaskIsPulledElsewhereGrownAndPutBack) {
    Driver d({"lake-fog.jpg"});
    d.start();
    PictureView* view = d.window().gradePage()->view();
    d.state().chooseStage(d.state().keyGrade().look[0].id);
    d.settle();
    for (const char* shape : {"Ellipse", "Brush"}) d.click(d.button(maskPanel(d), tr8(shape)));
    d.drag(view, d.onPicture({0.45, 0.45}), d.onPicture({0.55, 0.5}));
    const Mask drawn = *layerOf(d, 0).mask;
    const QPointF from = middleOf(drawn, 1.5);
    auto* moveAll = d.button(maskPanel(d), tr8("Move all"));
    d.click(moveAll);
    d.drag(view, d.onPicture(from), d.onPicture(from + QPointF(0.15, -0.1)));
    const Mask moved = *layerOf(d, 0).mask;
    EXPECT_EQ(moved.shapes, drawn.shapes) << "where it lies is a value of its own";
    EXPECT_NEAR(middleOf(moved, 1.5).x(), from.x() + 0.15, 0.01);
    EXPECT_NEAR(middleOf(moved, 1.5).y(), from.y() - 0.1, 0.01);
    // Outside turns all; typed as well.
    const QPointF now = middleOf(moved, 1.5);
    d.drag(view, d.onPicture(now + QPointF(0, 0.36)), d.onPicture(now + QPointF(-0.36 / 1.5, 0)));
    EXPECT_NEAR(layerOf(d, 0).mask->placement.turn, 90, 3);
    d.type(d.named<NumberField>(maskPanel(d), tr8("Scale all")), tr8("50"), true);
    EXPECT_EQ(layerOf(d, 0).mask->placement.scale, 0.5);
    EXPECT_NEAR(middleOf(*layerOf(d, 0).mask, 1.5).x(), now.x(), 0.02) << "about the middle of what was drawn";
    // A stroke painted there lies there.
    d.click(moveAll);
    d.draw(view, {d.onPicture({0.1, 0.9}), d.onPicture({0.12, 0.9})});
    MaskScene scene;
    scene.frame.aspect = 1.5;
    const std::vector<float> weights = weightsOver(*layerOf(d, 0).mask, scene, 30, 20);
    EXPECT_GT(weights[18 * 30 + 3], 0.8F);
    d.click(d.button(maskPanel(d), tr8("Put back")));
    EXPECT_EQ(layerOf(d, 0).mask->placement, MaskPlacement());
    const auto coverOfAll = [&] { return coverOf(weightsOver(*layerOf(d, 0).mask, scene, 60, 40)).mean; };
    const double plain = coverOfAll();
    d.type(d.named<NumberField>(maskPanel(d), tr8("Grow")), tr8("4"), true);
    EXPECT_GT(coverOfAll(), plain * 1.2);
    d.type(d.named<NumberField>(maskPanel(d), tr8("Grow")), tr8("-4"), true);
    EXPECT_LT(coverOfAll(), plain * 0.8);
}

/// Job 15: the front puppet picked as an object, all else by the same mask turned round and linked; warm within, cool
/// without; the edge mended with a brush whose size changes on the picture.
TEST(Jobs, SubjectApart) {
    const TrueObject object = trueObject("backstage-mixed");
    Driver d({"backstage-mixed.jpg"});
    d.start();
    PictureView* view = d.window().gradePage()->view();
    d.countFromHere();
    int uncounted = 2; // the menu and its entry
    newLayerOnAnObject(d);
    const std::size_t subject = d.state().keyGrade().look.size() - 1;
    drawRound(d, outlineRound(object.truth, 0.02, true));
    ASSERT_TRUE(isFound(d));
    for (int i = 0; i < 2; ++i) correct(d, subject, object.truth);
    EXPECT_GT(fitOf(d, subject, object.truth), 0.85);
    d.addStage(tr8("Warmth"));
    d.type(d.named<NumberField>(maskPanel(d), tr8("Warmth")), tr8("35"), true);
    ASSERT_EQ(layerOf(d, subject).stages.size(), 1U);
    d.state().chooseStage(layerOf(d, subject).id), ++uncounted;
    d.settle();
    d.click(d.button(maskPanel(d), tr8("Layer for the rest")));
    ASSERT_EQ(d.state().keyGrade().look.size(), subject + 2);
    const std::size_t rest = subject + 1;
    d.addStage(tr8("Warmth"));
    d.type(d.named<NumberField>(maskPanel(d), tr8("Warmth")), tr8("-35"), true);
    ASSERT_EQ(layerOf(d, rest).stages.size(), 1U);
    // Its edge mended with a brush of a size set on the picture.
    d.state().chooseStage(layerOf(d, subject).id), ++uncounted;
    d.settle();
    d.click(d.button(maskPanel(d), tr8("Brush")));
    const double size = d.state().maskTools().brush().size;
    const QPointF at = d.onPicture({0.45, 0.6});
    QWheelEvent turned(at, view->mapToGlobal(at), {}, {0, 240}, Qt::NoButton, Qt::AltModifier, Qt::NoScrollPhase,
                       false);
    QCoreApplication::sendEvent(view, &turned);
    ++uncounted;
    EXPECT_GT(d.state().maskTools().brush().size, size);
    const Mask restBefore = resolvedMask(d.state().keyGrade().look, layerOf(d, rest));
    d.drag(view, d.onPicture({0.42, 0.56}), d.onPicture({0.44, 0.6}));
    EXPECT_LE(d.actions() + uncounted, 24);
    keepWork(d, "subject-apart");
    keepResult(d, "subject-apart");

    const auto& look = d.state().keyGrade().look;
    const Mask within = resolvedMask(look, look[subject]), without = resolvedMask(look, look[rest]);
    EXPECT_NE(without, restBefore) << "one edit changes both";
    MaskScene scene;
    scene.frame.aspect = 1.5;
    const std::vector<float> a = weightsOver(within, scene, 180, 120), b = weightsOver(without, scene, 180, 120);
    for (std::size_t i = 0; i < a.size(); ++i) ASSERT_NEAR(a[i] + b[i], 1, 1e-6) << i;
    EXPECT_GT(a[static_cast<std::size_t>(0.57 * 120) * 180 + static_cast<std::size_t>(0.43 * 180)], 0.9F);
}

} // namespace baryton::test
