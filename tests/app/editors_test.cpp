// The editors of the Grade screen as they are worked with, on the panel and on the picture.
#include "app/grade/colour_editors.h"
#include "app/grade/tone_editors.h"
#include "app/screen_helpers.h"
#include "colour/spaces.h"
#include "colour/transfer.h"
#include "picture/picture_file.h"

#include <gtest/gtest.h>

namespace baryton::test {

TEST(Editors, HueBandsByMouseAndKeyboard) {
    Driver d({"meadow-cart.jpg"});
    d.start();
    d.addStage(tr8("Hue bands"));
    auto* editor = editorOf<HueBandsEditor>(d);
    ASSERT_NE(editor, nullptr);
    HueLanes* lanes = editor->lanes();
    const QPointF handle = lanes->handle(4, HueLanes::Shift);
    d.drag(lanes, handle, handle - QPointF(0, 12));
    const double shifted = numberOf(d.state().keyGrade(), "hue-bands-1", "band5.shift");
    EXPECT_GT(shifted, 10);
    EXPECT_EQ(lanes->chosen(), 4);
    lanes->setFocus();
    QTest::keyClick(lanes, Qt::Key_Down);
    EXPECT_LT(numberOf(d.state().keyGrade(), "hue-bands-1", "band5.shift"), shifted);
    QTest::keyClick(lanes, Qt::Key_PageDown); // to the saturation lane
    QTest::keyClick(lanes, Qt::Key_Up, Qt::ShiftModifier);
    EXPECT_NEAR(numberOf(d.state().keyGrade(), "hue-bands-1", "band5.saturation"), 0.1, 1e-9);
    QTest::keyClick(lanes, Qt::Key_Right, Qt::ShiftModifier);
    EXPECT_NEAR(numberOf(d.state().keyGrade(), "hue-bands-1", "band5.centre"), 130, 1e-9);
    QTest::keyClick(lanes, Qt::Key_Home);
    EXPECT_EQ(numberOf(d.state().keyGrade(), "hue-bands-1", "band5.saturation"), 0);
    QTest::keyClick(lanes, Qt::Key_Period);
    EXPECT_EQ(lanes->chosen(), 5);
    // The whole movement of the mouse was one step.
    d.menu(tr8("View"), tr8("Fit the window"));
    while (numberOf(d.state().keyGrade(), "hue-bands-1", "band5.shift") != 0 && d.undo()) {
    }
    EXPECT_TRUE(findStage(d.state().keyGrade(), "hue-bands-1"))
        << "one undo more than the drags would take the stage";
}

TEST(Editors, PressingOnThePictureFindsBandPointAndNeutral) {
    Driver d({"meadow-cart.jpg"});
    d.start();
    GradePage* grade = d.window().gradePage();
    d.addStage(tr8("Hue bands"));
    d.click(d.button(grade->editorPanel(), tr8("On picture")));
    // On the meadow: a green band is taken, and dragged toward yellow and quieter.
    const QPointF grass = at(d, 0.5, 0.95);
    const Picture source = readPicture(d.folder() / "meadow-cart.jpg").picture;
    const auto colour = meanColour(source, {0.5, 0.95});
    d.drag(grade->view(), grass, grass + QPointF(-80, 40));
    auto* editor = editorOf<HueBandsEditor>(d);
    const int band = editor->lanes()->chosen();
    const std::string id = "band" + std::to_string(band + 1);
    EXPECT_NEAR(std::remainder(numberOf(d.state().keyGrade(), "hue-bands-1", id + ".centre") - hueOf(colour), 360), 0,
                1);
    EXPECT_NEAR(numberOf(d.state().keyGrade(), "hue-bands-1", id + ".shift"), -20, 1.1);
    EXPECT_NEAR(numberOf(d.state().keyGrade(), "hue-bands-1", id + ".saturation"), -0.2, 0.02);
    // Once more on the same colour: the same band.
    d.drag(grade->view(), grass, grass + QPointF(0, 10));
    EXPECT_EQ(editor->lanes()->chosen(), band);
    // A curve: the point of that tone is made and lifted.
    d.chooseStage("curves");
    d.click(d.button(grade->editorPanel(), tr8("On picture")));
    d.drag(grade->view(), grass, grass - QPointF(0, 40));
    const auto place = findStage(d.state().keyGrade(), "curves-1");
    const auto curve = std::get<Curve>(stageAt(d.state().keyGrade(), *place).parameters.at("rgb"));
    ASSERT_EQ(curve.size(), 3u);
    EXPECT_NEAR(curve[1].y - curve[1].x, 0.1, 0.02);
    // White balance: what was pressed on comes out neutral.
    d.chooseStage("white-balance");
    d.click(d.button(grade->editorPanel(), tr8("On picture")));
    d.click(grade->view(), grass);
    const auto balanced = findStage(d.state().keyGrade(), "white-balance-1");
    Grade only;
    only.prep = {stageAt(d.state().keyGrade(), *balanced)};
    const auto out = Program::compile(only)(colour);
    EXPECT_LT(std::abs(out[0] - out[2]), std::abs(colour[0] - colour[2]) / 4 + 0.02);
    // Space pans instead.
    const Grade before = d.state().keyGrade();
    grade->view()->setFocus();
    QTest::keyPress(grade->view(), Qt::Key_Space);
    d.drag(grade->view(), grass, grass + QPointF(30, 30));
    QTest::keyRelease(grade->view(), Qt::Key_Space);
    EXPECT_EQ(d.state().keyGrade(), before);
}

TEST(Editors, PushTableCellsRowsAndTyping) {
    Driver d({"portrait-dark.jpg"});
    d.start();
    d.addStage(tr8("Push table"));
    auto* editor = editorOf<PushTableEditor>(d);
    ASSERT_NE(editor, nullptr);
    ScrubCell* cell = editor->cell(0, 2);
    const QPointF middle(cell->width() / 2.0, cell->height() / 2.0);
    d.drag(cell, middle, middle + QPointF(30, 0));
    EXPECT_NEAR(numberOf(d.state().keyGrade(), "push-table-1", "row1.yellow.blue"), 0.3, 1e-9);
    cell->setFocus();
    QTest::keyClick(cell, Qt::Key_Up, Qt::ShiftModifier);
    EXPECT_NEAR(numberOf(d.state().keyGrade(), "push-table-1", "row1.yellow.blue"), 0.4, 1e-9);
    // Typing opens a field that calculates.
    QTest::keyClick(cell, Qt::Key_2);
    auto* field = cell->findChild<QLineEdit*>();
    ASSERT_NE(field, nullptr);
    QTest::keyClicks(field, tr8("0+5"));
    QTest::keyClick(field, Qt::Key_Return);
    EXPECT_NEAR(numberOf(d.state().keyGrade(), "push-table-1", "row1.yellow.blue"), 0.25, 1e-9);
    QTest::mouseDClick(cell, Qt::LeftButton, {}, middle.toPoint());
    EXPECT_EQ(numberOf(d.state().keyGrade(), "push-table-1", "row1.yellow.blue"), 0);
    // A free row is taken by choosing it.
    d.click(d.button(editor, tr8("free")));
    EXPECT_EQ(d.named<NumberField>(editor, tr8("Row 4 tones from"))->value(), 0);
}

TEST(Editors, PrimariesSplitToneGradientLevelsMixAndFilm) {
    Driver d({"chart-table.jpg"});
    d.start();
    d.addStage(tr8("Primaries"));
    auto* primaries = editorOf<PrimariesEditor>(d);
    TriangleView* triangle = primaries->triangle();
    const QPointF red = triangle->cornerPoint(0), white = triangle->fromXy({0.3127, 0.3290});
    d.drag(triangle, red, red + (white - red) * 0.3);
    EXPECT_NEAR(numberOf(d.state().keyGrade(), "primaries-1", "red.reach"), -0.3, 0.03);
    EXPECT_NEAR(numberOf(d.state().keyGrade(), "primaries-1", "red.turn"), 0, 2);
    triangle->setFocus();
    QTest::keyClick(triangle, Qt::Key_Home);
    EXPECT_EQ(numberOf(d.state().keyGrade(), "primaries-1", "red.reach"), 0);

    d.addStage(tr8("Split tone"));
    auto* split = editorOf<SplitToneEditor>(d);
    d.pull(split->disc(), 0, 200, 0.5);
    EXPECT_NEAR(numberOf(d.state().keyGrade(), "split-tone-1", "shadows.hue"), 200, 3);
    d.click(d.button(split, tr8("Give the other the opposite")));
    EXPECT_NEAR(numberOf(d.state().keyGrade(), "split-tone-1", "highlights.hue"), 20, 3);
    EXPECT_NEAR(numberOf(d.state().keyGrade(), "split-tone-1", "highlights.amount"), 0.5, 0.03);

    d.addStage(tr8("Gradient map"));
    auto* gradient = editorOf<GradientEditor>(d);
    HandleBar* ramp = gradient->ramp();
    // A stop's colour by the wheel: the first is the dark one; what lies opposite goes to the light one.
    d.pull(gradient->disc(), 0, 215, 0.2);
    d.click(d.button(gradient, tr8("Opposite → lights")));
    const auto stop = [&](int n) {
        const auto channel = [&](const char* c) {
            return numberOf(d.state().keyGrade(), "gradient-map-1", "stop" + std::to_string(n) + "." + c);
        };
        return Vec3{channel("r"), channel("g"), channel("b")};
    };
    const auto dark = chromaPlane(stop(1)), light = chromaPlane(stop(2));
    EXPECT_NEAR(std::remainder(std::atan2(dark[1], dark[0]) * 180 / std::numbers::pi - 215, 360), 0, 4);
    EXPECT_NEAR(std::remainder(std::atan2(light[1], light[0]) * 180 / std::numbers::pi - 35, 360), 0, 4);
    EXPECT_LT(luma(stop(1)[0], stop(1)[1], stop(1)[2]), luma(stop(2)[0], stop(2)[1], stop(2)[2]));
    QTest::mouseDClick(ramp, Qt::LeftButton, {}, QPoint(ramp->width() / 2, 20));
    EXPECT_EQ(numberOf(d.state().keyGrade(), "gradient-map-1", "stops"), 3);
    EXPECT_NEAR(numberOf(d.state().keyGrade(), "gradient-map-1", "stop2.position"), 0.5, 0.01);
    d.drag(ramp, ramp->handlePoint(1), ramp->handlePoint(1) + QPointF(40, 0));
    EXPECT_GT(numberOf(d.state().keyGrade(), "gradient-map-1", "stop2.position"), 0.6);
    QTest::mouseDClick(ramp, Qt::LeftButton, {}, ramp->handlePoint(1).toPoint());
    EXPECT_EQ(numberOf(d.state().keyGrade(), "gradient-map-1", "stops"), 2);

    d.addStage(tr8("Levels"));
    auto* levels = editorOf<LevelsEditor>(d);
    d.drag(levels->input(), levels->input()->handlePoint(0), levels->input()->handlePoint(0) + QPointF(30, 0));
    EXPECT_NEAR(numberOf(d.state().keyGrade(), "levels-1", "rgb.in.black"), 30.0 / (levels->input()->width() - 16),
                0.01);
    levels->output()->setFocus();
    QTest::keyClick(levels->output(), Qt::Key_Right, Qt::ShiftModifier);
    EXPECT_NEAR(numberOf(d.state().keyGrade(), "levels-1", "rgb.out.black"), 10.0 / 255, 1e-6);
    d.click(levels->channels()->button(3));
    d.drag(levels->input(), levels->input()->handlePoint(2), levels->input()->handlePoint(2) - QPointF(40, 0));
    EXPECT_LT(numberOf(d.state().keyGrade(), "levels-1", "b.in.white"), 0.95);

    d.addStage(tr8("Channel mix"));
    auto* mix = editorOf<ChannelMixEditor>(d);
    mix->cell(1, 0)->setFocus();
    QTest::keyClick(mix->cell(1, 0), Qt::Key_Up, Qt::ShiftModifier);
    EXPECT_NEAR(numberOf(d.state().keyGrade(), "channel-mix-1", "green.from.red"), 0.1, 1e-9);

    d.addStage(tr8("Film response"));
    auto* film = editorOf<FilmEditor>(d);
    d.chooseRow(film->characters(), 3);
    const auto place = findStage(d.state().keyGrade(), "film-response-1");
    EXPECT_EQ(std::get<std::string>(stageAt(d.state().keyGrade(), *place).parameters.at("response")),
              findStageType("film-response")->parameter("response")->options[3].id);
}

TEST(Editors, CurvesOverLabAndChromaShowWhatEntersThem) {
    Driver d({"meadow-cart.jpg"});
    d.start();
    GradePage* grade = d.window().gradePage();
    // How high the counts stand at a share of the width, in pixels.
    const auto height = [](CurveView* view, double share) {
        const QImage seen = view->grab().toImage();
        int counted = 0;
        for (int y = 0; y < seen.height(); ++y)
            counted += seen.pixelColor(view->toWidget({share, 0}).toPoint().x(), y) == theme::colours().counts;
        return counted;
    };
    d.chooseStage("curves");
    auto* curves = editorOf<CurvesEditor>(d);
    for (const int channel : {6, 7}) {
        d.click(curves->channels()->button(channel));
        EXPECT_TRUE(Driver::waitFor([&] {
            return std::max(height(curves->view(), 0.48), height(curves->view(), 0.55)) > 40;
        })) << "most colours are mild";
        EXPECT_LT(height(curves->view(), 0.98), 4) << "none reaches the axis' end";
    }
    d.chooseStage("saturation");
    auto* chroma = d.named<CurveView>(grade->editorPanel(), tr8("Curve over chroma"));
    EXPECT_TRUE(Driver::waitFor([&] { return height(chroma, 0.2) > 40; }));
    EXPECT_LT(height(chroma, 0.95), 4);
    // The pointer's colour is marked on it.
    const QImage before = chroma->grab().toImage();
    QTest::mouseMove(grade->view(), at(d, 0.5, 0.95).toPoint());
    EXPECT_TRUE(Driver::waitFor([&] { return chroma->grab().toImage() != before; }));
}

TEST(Editors, LimitsAreDraggedAndHuesPicked) {
    Driver d({"meadow-cart.jpg"});
    d.start();
    GradePage* grade = d.window().gradePage();
    d.chooseStage("saturation");
    auto* strip = grade->editorPanel()->findChild<LimitsStrip*>();
    ASSERT_NE(strip, nullptr);
    d.drag(strip, {strip->tones().right(), strip->tones().center().y()},
           {strip->tones().center().x(), strip->tones().center().y()});
    EXPECT_NEAR(numberOf(d.state().keyGrade(), "saturation-1", "limits.tone.high"), 0.5, 0.02);
    d.click(strip, {strip->hues().left() + strip->hues().width() / 3, strip->hues().center().y()});
    EXPECT_NEAR(numberOf(d.state().keyGrade(), "saturation-1", "limits.hue.centre"), 120, 2);
    EXPECT_NEAR(numberOf(d.state().keyGrade(), "saturation-1", "limits.hue.width"), 60, 1e-9);
    // A wheel takes its hue from the picture.
    d.chooseStage("wheels");
    d.click(d.button(grade->editorPanel(), tr8("Hue from picture…")));
    d.click(grade->view(), at(d, 0.5, 0.95));
    const auto colour = meanColour(readPicture(d.folder() / "meadow-cart.jpg").picture, {0.5, 0.95});
    EXPECT_NEAR(std::remainder(
                    hueOfDirection(numberOf(d.state().keyGrade(), "wheels-1", "shadows.hue")) - hueOf(colour), 360),
                0, 1.5);
    // A pick ends with the editor that asked for it.
    d.click(d.button(grade->editorPanel(), tr8("Hue from picture…")));
    QTest::mouseMove(grade->view(), at(d, 0.5, 0.5).toPoint());
    EXPECT_EQ(grade->view()->cursor().shape(), Qt::CrossCursor);
    d.chooseStage("vignette");
    EXPECT_EQ(grade->view()->cursor().shape(), Qt::ArrowCursor);
    const Grade before = d.state().keyGrade();
    d.click(grade->view(), at(d, 0.3, 0.5));
    EXPECT_EQ(d.state().keyGrade(), before);
}

TEST(Editors, APinnedOneKeepsItsStageItsInputAndItsPointer) {
    Driver d({"lake-fog.jpg", "snow-yard.jpg"});
    d.start();
    GradePage* grade = d.window().gradePage();
    d.chooseStage("curves");
    d.click(d.named<QPushButton>(grade->editorPanel(), tr8("Kept settings")));
    auto* menu = qobject_cast<QMenu*>(QApplication::activePopupWidget());
    ASSERT_TRUE(menu);
    QTest::mouseClick(menu, Qt::LeftButton, {}, menu->actionGeometry(menu->actions().front()).center());
    ASSERT_TRUE(grade->pinnedPanel()->isVisible());
    EXPECT_LE(d.window().minimumSizeHint().width(), 1280) << "there is room for it on a small screen";
    EXPECT_TRUE(grade->compareBar()->chip()->isVisible());
    d.chooseStage("exposure");
    auto* curves = qobject_cast<CurvesEditor*>(grade->pinnedPanel()->editor());
    ASSERT_TRUE(curves);
    d.settle();
    const QImage asShot = curves->view()->grab().toImage();
    d.type(d.named<NumberField>(grade->editorPanel(), tr8("Stops")), tr8("-2"), true);
    ASSERT_TRUE(Driver::waitFor([&] { return curves->view()->grab().toImage() != asShot; }))
        << "what enters the pinned stage is darker now, and its histogram shows it";
    d.settle();
    const QImage darker = curves->view()->grab().toImage();
    QTest::mouseMove(grade->view(), d.onPicture({0.5, 0.4}).toPoint());
    EXPECT_TRUE(Driver::waitFor([&] { return curves->view()->grab().toImage() != darker; }))
        << "the colour under the pointer is marked there too";
    // It works its own stage, not the chosen one.
    d.drag(curves->view(), curves->view()->toWidget({0.5, 0.5}), curves->view()->toWidget({0.5, 0.7}));
    EXPECT_TRUE(d.undo());
    EXPECT_EQ(
        std::get<double>(
            stageAt(d.state().keyGrade(), *findStage(d.state().keyGrade(), "exposure-1")).parameters.at("stops")),
        -2)
        << "the curve went back, the exposure stayed";
    d.key("F8");
    EXPECT_FALSE(grade->pinnedPanel()->isVisible());
    d.key("F8");
    EXPECT_TRUE(grade->pinnedPanel()->isVisible());
    d.click(d.named<QPushButton>(grade->pinnedPanel(), tr8("Close this editor")));
    EXPECT_FALSE(grade->pinnedPanel()->isVisible());
}

} // namespace baryton::test
