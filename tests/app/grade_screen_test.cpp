// The Grade screen as it is worked with: editors, the chain, comparisons, takes, several pictures, finding.
#include "app/grade/add_stage_list.h"
#include "app/grade/colour_editors.h"
#include "app/grade/tone_editors.h"
#include "app/palette.h"
#include "app/render_image.h"
#include "app/screen_helpers.h"
#include "base/file.h"
#include "colour/spaces.h"
#include "colour/transfer.h"
#include "grade/grade_json.h"
#include "package/grade_store.h"
#include "picture/picture_file.h"

#include <gtest/gtest.h>

namespace baryton::test {

namespace {

/// A card goes along with the pointer: places are told in the chain.
void dragCard(StageCard* card, QPointF grip, double by) {
    const QPointF from = card->pos() + grip;
    const auto local = [&](double share) { return (from + QPointF(by * share, 0) - card->pos()).toPoint(); };
    QTest::mousePress(card, Qt::LeftButton, {}, grip.toPoint());
    for (int i = 1; i <= 10; ++i) QTest::mouseMove(card, local(i / 10.0));
    QTest::mouseRelease(card, Qt::LeftButton, {}, local(1));
    QTest::qWait(30);
}

} // namespace

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

TEST(Chain, CardsAreDraggedWithinAndBetweenLayers) {
    Driver d({"lake-fog.jpg"});
    d.start();
    ChainView* chain = d.window().gradePage()->chain();
    const auto order = [&](std::size_t layer) {
        std::string names;
        for (const Stage& stage : d.state().keyGrade().look[layer].stages) names += stage.type + " ";
        return names;
    };
    StageCard* first = chain->card("curves-1");
    const QPointF grip(50, 60);
    dragCard(first, grip, 2.3 * (StageCard::kSize.width() + 8));
    EXPECT_EQ(order(0), "wheels saturation curves ");
    d.menu(tr8("Edit"), tr8("Undo Move a stage"));
    EXPECT_EQ(order(0), "curves wheels saturation ");
    d.menu(tr8("Look"), tr8("Add a layer"));
    ASSERT_EQ(d.state().keyGrade().look.size(), 2u);
    QTest::qWait(30);
    // Into the empty layer behind.
    StageCard* last = chain->card("saturation-1");
    dragCard(last, grip, StageCard::kSize.width() + 20);
    EXPECT_EQ(order(0), "curves wheels ");
    EXPECT_EQ(order(1), "saturation ");
    // Split and merge.
    rightClick(chain->card("wheels-1"), {50, 50});
    pick(tr8("Split the layer here"));
    EXPECT_EQ(d.state().keyGrade().look.size(), 3u);
    EXPECT_EQ(order(1), "wheels ");
    d.state().chooseStage(d.state().keyGrade().look[1].id);
    QTest::qWait(20);
    d.click(d.button(d.window().gradePage()->editorPanel(), tr8("Merge down")));
    EXPECT_EQ(order(0), "curves wheels ");
    // The keyboard deletes, the dot is held to see without.
    chain->card("wheels-1")->setFocus();
    QTest::keyClick(chain->card("wheels-1"), Qt::Key_Delete);
    EXPECT_EQ(order(0), "curves ");
}

TEST(Chain, TheDotHeldShowsThePictureWithoutTheStage) {
    Driver d({"lake-fog.jpg"});
    d.start();
    GradePage* grade = d.window().gradePage();
    d.chooseStage("saturation");
    d.type(d.named<NumberField>(grade->editorPanel(), tr8("Saturation")), tr8("-100"), true);
    d.settle();
    StageCard* card = grade->chain()->card("saturation-1");
    const Grade kept = d.state().keyGrade();
    QTest::mouseMove(card, card->dot().center().toPoint() - QPoint(30, -30));
    QTest::mouseMove(card, card->dot().center().toPoint());
    QTest::qWait(400);
    const auto place = findStage(d.state().shownGrade(), "saturation-1");
    EXPECT_FALSE(stageAt(d.state().shownGrade(), *place).isEnabled());
    EXPECT_EQ(d.state().keyGrade(), kept);
    QTest::mouseMove(card, QPoint(20, 60));
    QTest::qWait(30);
    EXPECT_EQ(d.state().shownGrade(), kept);
}

TEST(Compare, BesideWipeAcrossGridAloneAndClips) {
    Driver d({"lake-fog.jpg", "meadow-cart.jpg", "snow-yard.jpg"});
    d.start();
    GradePage* grade = d.window().gradePage();
    d.chooseStage("exposure");
    d.type(d.named<NumberField>(grade->editorPanel(), tr8("Stops")), tr8("2"), true);
    d.settle();
    PictureView* view = grade->view();
    const auto light = [&](QPointF where) { return view->grab().toImage().pixelColor(where.toPoint()).lightness(); };
    view->setFocus();
    QTest::keyClick(view, Qt::Key_D);
    d.settle();
    // The same place in both panes, darker in the one before.
    const QPointF now = at(d, 0.5, 0.3);
    const QPointF shift =
        view->width() * 2 > view->height() * 3 ? QPointF(view->width() / 2.0, 0) : QPointF(0, view->height() / 2.0);
    EXPECT_TRUE(Driver::waitFor([&] { return light(now - shift) < light(now) - 20; }));
    QTest::keyClick(view, Qt::Key_D);
    QTest::keyClick(view, Qt::Key_W, Qt::ShiftModifier);
    d.settle();
    EXPECT_TRUE(Driver::waitFor([&] { return light(at(d, 0.2, 0.3)) < light(at(d, 0.2, 0.7)) - 20; }))
        << "before lies above the line";
    QTest::keyClick(view, Qt::Key_W, Qt::ShiftModifier);
    // Clipped fog is marked.
    QTest::keyClick(view, Qt::Key_C);
    d.settle();
    const QColor marked = view->grab().toImage().pixelColor(at(d, 0.5, 0.15).toPoint());
    EXPECT_TRUE(marked.lightness() < 60 || marked.lightness() > 250) << "stripes: " << marked.name().toStdString();
    QTest::keyClick(view, Qt::Key_C);
    // The grid shows the chosen pictures with what is being tried.
    chooseWith(grade->tray(), 1, Qt::ControlModifier);
    chooseWith(grade->tray(), 2, Qt::ControlModifier);
    QTest::keyClick(view, Qt::Key_G);
    GridView* grid = grade->grid();
    ASSERT_TRUE(grid->isVisible());
    EXPECT_EQ(grid->shown(), (std::vector<int>{0, 1, 2}));
    ASSERT_TRUE(Driver::waitFor([&] { return !grid->image(2).isNull() && !grid->image(1).isNull(); }));
    QTest::qWait(200);
    const QImage untouched = grid->image(1);
    d.state().tryChange([](const Grade& g) {
        Grade next = g;
        next.prep[0].parameters["stops"] = -3.0;
        return next;
    });
    ASSERT_TRUE(Driver::waitFor([&] { return grid->image(1) != untouched; }));
    d.state().tryChange({});
}

TEST(Compare, ASampleReadsWhatIsThereUnderAVignette) {
    Driver d({"dusk-horizon.jpg"});
    d.start();
    d.chooseStage("vignette");
    GradePage* grade = d.window().gradePage();
    d.type(d.named<NumberField>(grade->editorPanel(), tr8("Stops")), tr8("-3"), true);
    d.settle();
    rightClick(grade->view(), at(d, 0.06, 0.08));
    pick(tr8("Sample point here"));
    ASSERT_EQ(grade->samples().of(0).size(), 1);
    const QPointF share = grade->samples().of(0).front();
    const Picture full = readPicture(d.folder() / "dusk-horizon.jpg").picture;
    const Program program = Program::compile(d.state().keyGrade());
    const Picture graded = program.graded(full);
    const auto want = meanColour(graded, share), source = meanColour(full, share);
    EXPECT_LT(want[1], 0.75F * program(source)[1]) << "the corner is darker than the middle would be";
    const auto read = readSample(full, Plan(program, FrameMap::whole(full), full), share);
    for (std::size_t k = 0; k < 3; ++k) EXPECT_NEAR(read.after[k], want[k], 1e-5);
    EXPECT_EQ(grade->samplesText(), sampleText(tr8("1"), read)) << "and so says the list";
}

TEST(Compare, ReferenceWithItsSamplesAndSamplePoints) {
    Driver d({"dusk-horizon.jpg", "lantern-alley.jpg"});
    d.start();
    GradePage* grade = d.window().gradePage();
    grade->loadReference(d.folder() / "lantern-alley.jpg");
    PictureView* view = grade->view();
    ASSERT_TRUE(Driver::waitFor([&] { return view->compare() == PictureView::Compare::Reference; }));
    d.settle();
    rightClick(view, at(d, 0.5, 0.5));
    pick(tr8("Sample point here"));
    EXPECT_EQ(grade->samples().of(0).size(), 1);
    EXPECT_TRUE(grade->samplesText().startsWith(tr8("1 ")));
    // On the reference, in its own pane.
    QPointF onReference;
    for (int x = 10; x < view->width() && onReference.isNull(); x += 20)
        for (int y = 10; y < view->height(); y += 20)
            if (view->toReference(QPointF(x, y))) onReference = QPointF(x, y);
    rightClick(view, onReference);
    pick(tr8("Sample point here"));
    EXPECT_EQ(grade->samples().of(Samples::kReference).size(), 1);
    EXPECT_TRUE(grade->samplesText().contains(tr8("\na ")));
    // Samples are dragged.
    const QPointF from = at(d, 0.5, 0.5);
    d.drag(view, from, from + QPointF(20, 10));
    EXPECT_GT(grade->samples().of(0)[0].x(), 0.5);
    // Their values follow the grade.
    const QString before = grade->samplesText();
    d.chooseStage("exposure");
    d.type(d.named<NumberField>(grade->editorPanel(), tr8("Stops")), tr8("1"), true);
    d.settle();
    EXPECT_NE(grade->samplesText(), before);
}

TEST(Scopes, FollowThePictureAndCarryTheMarks) {
    Driver d({"red-curtain.jpg"});
    d.start();
    ScopePanel* scopes = d.window().gradePage()->scopes();
    d.click(scopes->kinds()->button(3));
    d.settle();
    const QImage colourful = scopes->vectorscope()->trace();
    ASSERT_FALSE(colourful.isNull());
    const auto filled = [](const QImage& image) {
        int n = 0;
        for (int y = 0; y < image.height(); ++y)
            for (int x = 0; x < image.width(); ++x) n += qAlpha(image.pixel(x, y)) > 0;
        return n;
    };
    d.chooseStage("saturation");
    d.type(d.named<NumberField>(d.window().gradePage()->editorPanel(), tr8("Saturation")), tr8("-100"), true);
    d.settle();
    EXPECT_LT(filled(scopes->vectorscope()->trace()) * 4, filled(colourful)) << "grey lies in the middle";
    d.click(scopes->kinds()->button(2));
    d.settle();
    EXPECT_EQ(scopes->parade()->trace().width(), 3 * scopes->waveform()->trace().width());
}

TEST(Takes, KeptComparedAndBroughtBack) {
    Driver d({"lake-fog.jpg"});
    d.start();
    GradePage* grade = d.window().gradePage();
    const auto stops = [&] { return numberOf(d.state().keyGrade(), "exposure-1", "stops"); };
    const auto keptStops = [&](std::size_t i) {
        return numberOf(d.state().keyWork().takes.at(i).grade, "exposure-1", "stops");
    };
    d.chooseStage("exposure");
    auto* field = d.named<NumberField>(grade->editorPanel(), tr8("Stops"));
    d.type(field, tr8("1"), true);
    d.menu(tr8("Picture"), tr8("Takes and steps"));
    QListWidget* takes = grade->steps()->takes();
    const auto goOnFrom = [&](const char* name) {
        d.chooseRow(takes, Driver::rowOf(takes, tr8(name)));
        QTest::qWait(30);
    };
    QTest::qWait(30);
    ASSERT_EQ(takes->count(), 2) << "in hand and the start, which is always there";
    d.click(d.button(grade->steps(), tr8("Keep take")));
    QTest::qWait(30);
    ASSERT_EQ(takes->count(), 3);
    EXPECT_EQ(takes->item(0)->text(), tr8("In hand\nas Take 1"));
    // What is done now does not reach the take.
    d.type(field, tr8("-1"), true);
    QTest::qWait(30);
    EXPECT_EQ(keptStops(0), 1);
    EXPECT_EQ(takes->item(0)->text(), tr8("In hand\nfrom Take 1, changed"));
    // Going back keeps what was in hand and nowhere else.
    goOnFrom("Take 1");
    EXPECT_EQ(stops(), 1);
    ASSERT_EQ(d.state().keyWork().takes.size(), 2u);
    EXPECT_EQ(keptStops(1), -1);
    goOnFrom("Take 2");
    EXPECT_EQ(stops(), -1);
    EXPECT_EQ(d.state().keyWork().takes.size(), 2u) << "nothing new, nothing kept";
    goOnFrom("Start");
    EXPECT_EQ(stops(), 0);
    EXPECT_EQ(takes->item(0)->text(), tr8("In hand\nas the start"));
    d.undo();
    EXPECT_EQ(stops(), -1);
    goOnFrom("Take 1");
    // Another take as the version before.
    auto* means = d.named<QComboBox>(grade, tr8("What before means"));
    EXPECT_EQ(means->count(), 4);
    means->setFocus();
    QTest::keyClick(means, Qt::Key_End);
    EXPECT_EQ(numberOf(d.state().beforeOf(d.state().key()), "exposure-1", "stops"), -1);
    // Undo goes across takes, and all of it is on disk.
    d.undo();
    EXPECT_EQ(stops(), -1);
    d.redo();
    d.state().pictures().flush();
    const auto stored = loadWork(d.folder() / "lake-fog.jpg");
    ASSERT_TRUE(stored);
    ASSERT_EQ(stored->takes.size(), 2u);
    EXPECT_EQ(numberOf(stored->takes[1].grade, "exposure-1", "stops"), -1);
}

TEST(Takes, AreSeenSideBySideAndWiped) {
    Driver d({"lake-fog.jpg"});
    d.start();
    GradePage* grade = d.window().gradePage();
    d.chooseStage("exposure");
    auto* field = d.named<NumberField>(grade->editorPanel(), tr8("Stops"));
    for (const char* stops : {"1", "-1"}) {
        d.type(field, tr8(stops), true);
        d.key("Ctrl+T");
    }
    d.type(field, tr8("0.3"), true);
    const Grade inHand = d.state().keyGrade();
    d.key("Ctrl+H");
    QTest::qWait(50);
    QListWidget* takes = grade->steps()->takes();
    // Pointing shows, and changes nothing.
    const auto centreOf = [&](const char* name) {
        return takes->visualItemRect(takes->item(Driver::rowOf(takes, tr8(name)))).center();
    };
    QTest::mouseMove(takes->viewport(), centreOf("Take 1"));
    QTest::qWait(30);
    EXPECT_EQ(numberOf(d.state().shownGrade(), "exposure-1", "stops"), 1);
    EXPECT_EQ(d.state().keyGrade(), inHand);
    QEvent leave(QEvent::Leave);
    QApplication::sendEvent(takes->viewport(), &leave);
    EXPECT_EQ(d.state().shownGrade(), inHand);
    // All of them together, the one in hand too.
    d.click(d.button(grade->steps(), tr8("Side by side")));
    ASSERT_TRUE(grade->grid()->showsVersions());
    ASSERT_EQ(grade->grid()->versions().size(), 4u);
    ASSERT_TRUE(Driver::waitFor([&] {
        for (int i = 0; i < 4; ++i)
            if (grade->grid()->image(i).isNull()) return false;
        return true;
    }));
    const auto brightness = [&](int i) {
        return grade->grid()->image(i).pixelColor(grade->grid()->image(i).rect().center()).lightness();
    };
    EXPECT_GT(brightness(1), brightness(0)) << "a stop up";
    EXPECT_LT(brightness(2), brightness(0)) << "a stop down";
    QTest::mouseClick(grade->grid(), Qt::LeftButton, {}, grade->grid()->cell(2).center().toPoint());
    QTest::qWait(30);
    EXPECT_EQ(numberOf(d.state().keyGrade(), "exposure-1", "stops"), -1) << "a click goes on from it";
    EXPECT_EQ(d.state().keyWork().takes.size(), 3u) << "and what was in hand is kept";
    // Two of them on either side of the line.
    QTest::mouseClick(takes->viewport(), Qt::LeftButton, Qt::ControlModifier, centreOf("Take 1"));
    takes->item(0)->setSelected(false);
    QTest::mouseClick(takes->viewport(), Qt::LeftButton, Qt::ControlModifier, centreOf("Take 3"));
    d.click(d.button(grade->steps(), tr8("Wipe two")));
    EXPECT_FALSE(grade->grid()->showsVersions());
    EXPECT_EQ(grade->view()->compare(), PictureView::Compare::Wipe);
    EXPECT_EQ(numberOf(d.state().beforeOf(0), "exposure-1", "stops"), 1);
    EXPECT_NEAR(numberOf(d.state().shownGrade(), "exposure-1", "stops"), 0.3, 1e-9);
    EXPECT_EQ(numberOf(d.state().keyGrade(), "exposure-1", "stops"), -1) << "looking changes nothing";
    d.key("W");
    EXPECT_EQ(d.state().shownGrade(), d.state().keyGrade());
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

TEST(History, StepsBecomeAPreset) {
    Driver d({"lake-fog.jpg", "snow-yard.jpg"});
    d.start();
    GradePage* grade = d.window().gradePage();
    d.chooseStage("exposure");
    d.type(d.named<NumberField>(grade->editorPanel(), tr8("Stops")), tr8("1"), true);
    d.chooseStage("saturation");
    d.type(d.named<NumberField>(grade->editorPanel(), tr8("Saturation")), tr8("30"), true);
    d.menu(tr8("Picture"), tr8("Takes and steps"));
    QTest::qWait(30);
    QListWidget* steps = grade->steps()->steps();
    ASSERT_EQ(steps->count(), 2);
    EXPECT_EQ(steps->item(0)->text(), tr8("Saturation: Saturation +30"));
    d.chooseRow(steps, 0);
    d.click(d.button(grade->steps(), tr8("Save these as a preset…")));
    d.type(d.named<QLineEdit>(d.sheet(), tr8("Preset name")), tr8("Just colour"));
    d.click(d.button(d.sheet(), tr8("Save preset")));
    QTest::qWait(50);
    const Preset preset = readPresetFile(d.libraryRoot() / "Tin Heron/Just colour.bpreset");
    EXPECT_TRUE(preset.carried.prep.empty());
    EXPECT_EQ(presentIn(preset.carried).size(), 1u);
    // A step to compare with belongs to its picture.
    d.state().setBefore({Before::Kind::Step, tr8("a step"), d.state().history(0).front().after});
    d.key("Ctrl+Down");
    EXPECT_EQ(d.state().before(), Before{});
    d.key("Ctrl+Up");
    d.settle();
    ASSERT_EQ(steps->count(), 2);
    // Back to the first step.
    QTest::mouseClick(steps->viewport(), Qt::LeftButton, {}, steps->visualItemRect(steps->item(1)).center());
    QTest::mouseDClick(steps->viewport(), Qt::LeftButton, {}, steps->visualItemRect(steps->item(1)).center());
    EXPECT_EQ(numberOf(d.state().keyGrade(), "saturation-1", "overall"), 0);
    EXPECT_EQ(numberOf(d.state().keyGrade(), "exposure-1", "stops"), 1);
    // No step is cut or has a gap: each is as high as its lines.
    d.type(d.named<NumberField>(grade->editorPanel(), tr8("Saturation")), tr8("12"), true);
    QTest::qWait(50);
    for (int row = 0; row < steps->count(); ++row) {
        const QRect at = steps->visualItemRect(steps->item(row));
        const QRect lines = steps->fontMetrics().boundingRect(QRect(0, 0, at.width() - 14, 1000), Qt::TextWordWrap,
                                                              steps->item(row)->text());
        EXPECT_EQ(at.height(), lines.height() + 8) << steps->item(row)->text().toStdString();
    }
    // On the other that is chosen the step goes back too; each one's exposure is its own.
    d.key("Ctrl+Down");
    d.chooseStage("exposure");
    d.type(d.named<NumberField>(grade->editorPanel(), tr8("Stops")), tr8("-2"), true);
    d.key("Ctrl+Up");
    chooseWith(grade->tray(), 1, Qt::ShiftModifier);
    d.chooseStage("saturation");
    d.type(d.named<NumberField>(grade->editorPanel(), tr8("Saturation")), tr8("40"), true);
    d.settle();
    EXPECT_NEAR(numberOf(d.state().pictures().at(1).work.grade, "saturation-1", "overall"), 0.4, 1e-9);
    QTest::mouseClick(steps->viewport(), Qt::LeftButton, {}, steps->visualItemRect(steps->item(1)).center());
    QTest::mouseDClick(steps->viewport(), Qt::LeftButton, {}, steps->visualItemRect(steps->item(1)).center());
    for (int i = 0; i < 2; ++i)
        EXPECT_EQ(numberOf(d.state().pictures().at(i).work.grade, "saturation-1", "overall"), 0) << i;
    EXPECT_EQ(numberOf(d.state().pictures().at(0).work.grade, "exposure-1", "stops"), 1);
    EXPECT_EQ(numberOf(d.state().pictures().at(1).work.grade, "exposure-1", "stops"), -2);
}

TEST(SeveralPictures, AnEditGoesToAllChosenAsOneStep) {
    Driver d({"lake-fog.jpg", "meadow-cart.jpg", "snow-yard.jpg"});
    d.start();
    GradePage* grade = d.window().gradePage();
    QPushButton* chip = grade->compareBar()->chip();
    EXPECT_EQ(chip->text(), tr8("Edits: this picture"));
    d.chooseStage("exposure");
    d.type(d.named<NumberField>(grade->editorPanel(), tr8("Stops")), tr8("0.5"), true);
    chooseWith(grade->tray(), 2, Qt::ShiftModifier);
    EXPECT_EQ(chip->text(), tr8("All 3 change · only this"));
    d.chooseStage("saturation");
    d.type(d.named<NumberField>(grade->editorPanel(), tr8("Saturation")), tr8("-40"), true);
    for (int i = 0; i < 3; ++i)
        EXPECT_NEAR(numberOf(d.state().pictures().at(i).work.grade, "saturation-1", "overall"), -0.4, 1e-9) << i;
    EXPECT_EQ(numberOf(d.state().pictures().at(0).work.grade, "exposure-1", "stops"), 0.5);
    EXPECT_EQ(numberOf(d.state().pictures().at(1).work.grade, "exposure-1", "stops"), 0) << "each keeps its own";
    d.menu(tr8("Edit"), tr8("Undo Saturation: Saturation −40 (3 pictures)"));
    for (int i = 0; i < 3; ++i)
        EXPECT_EQ(numberOf(d.state().pictures().at(i).work.grade, "saturation-1", "overall"), 0) << i;
    // Said otherwise, it goes to one.
    d.menu(tr8("Picture"), tr8("Edits go to all chosen"));
    EXPECT_EQ(chip->text(), tr8("This one changes · all 3"));
    d.type(d.named<NumberField>(grade->editorPanel(), tr8("Saturation")), tr8("10"), true);
    EXPECT_EQ(numberOf(d.state().pictures().at(0).work.grade, "saturation-1", "overall"), 0);
    EXPECT_NEAR(numberOf(d.state().keyGrade(), "saturation-1", "overall"), 0.1, 1e-9);
    // Copied, and pasted with ticks to all.
    d.menu(tr8("Picture"), tr8("Edits go to all chosen"));
    d.menu(tr8("Edit"), tr8("Copy the grade"));
    d.menu(tr8("Edit"), tr8("Paste to the chosen pictures"));
    for (int i = 0; i < 3; ++i)
        EXPECT_NEAR(numberOf(d.state().pictures().at(i).work.grade, "saturation-1", "overall"), 0.1, 1e-9) << i;
    EXPECT_EQ(numberOf(d.state().pictures().at(0).work.grade, "exposure-1", "stops"), 0.5);
    d.menu(tr8("Edit"), tr8("Reset the picture"));
    for (int i = 0; i < 3; ++i) EXPECT_TRUE(isNeutral(d.state().pictures().at(i).work.grade)) << i;
}

TEST(Shelf, AClickTriesTheNextReplacesAnEditKeeps) {
    Driver d({"lake-fog.jpg"});
    d.start();
    GradePage* grade = d.window().gradePage();
    d.click(d.named<QPushButton>(grade->editorPanel(), tr8("Shelf")));
    QTest::qWait(200);
    QListView* shelf = grade->shelf()->list();
    d.chooseRow(shelf, Driver::presetRow(shelf, 0));
    const Grade first = d.state().keyGrade();
    d.chooseRow(shelf, Driver::presetRow(shelf, 1));
    EXPECT_NE(d.state().keyGrade(), first);
    EXPECT_EQ(d.state().history(0).size(), 1) << "the second took the first one's place";
    d.undo();
    EXPECT_TRUE(isNeutral(d.state().keyGrade()));
    // At half strength the numbers go half the way.
    d.chooseRow(shelf, Driver::presetRow(shelf, 0));
    const Grade whole = d.state().keyGrade();
    d.type(grade->shelf()->strengthRow()->field(), tr8("50"), true);
    d.chooseRow(shelf, Driver::presetRow(shelf, 0));
    int halved = 0;
    for (const Change& change : diff(startingGrade(), whole)) {
        if (!change.after || !std::holds_alternative<double>(*change.after)) continue;
        const auto place = findStage(d.state().keyGrade(), change.path.stage);
        if (!place) continue;
        const StageType* type = findStageType(stageAt(whole, *findStage(whole, change.path.stage)).type);
        const ParameterType* parameter = type->parameter(change.path.parameter);
        if (!parameter || parameter->wraps) continue;
        const double from = std::get<double>(parameter->defaultValue), to = std::get<double>(*change.after);
        EXPECT_NEAR(numberOf(d.state().keyGrade(), change.path.stage, change.path.parameter), (from + to) / 2, 1e-9);
        ++halved;
    }
    EXPECT_GT(halved, 0);
    // Edited, it is kept: the next comes on top.
    d.chooseStage("exposure");
    d.type(d.named<NumberField>(grade->editorPanel(), tr8("Stops")), tr8("0.5"), true);
    d.chooseRow(shelf, Driver::presetRow(shelf, 1));
    EXPECT_EQ(numberOf(d.state().keyGrade(), "exposure-1", "stops"), 0.5);
}

TEST(Finding, CommandsStagesPresetsAndPictures) {
    Driver d({"lake-fog.jpg", "snow-yard.jpg"});
    d.start();
    const auto find = [&](const char* words) {
        QTest::keyClick(&d.window(), Qt::Key_K, Qt::ControlModifier);
        QTest::qWait(20);
        auto* palette = d.window().findChild<Palette*>();
        ASSERT_NE(palette, nullptr);
        QTest::keyClicks(palette->search(), tr8(words));
        QTest::keyClick(palette->search(), Qt::Key_Return);
        QTest::qWait(30);
        QApplication::setActiveWindow(&d.window());
    };
    find("snow");
    EXPECT_EQ(d.state().key(), 1);
    find("add primaries");
    EXPECT_TRUE(findStage(d.state().keyGrade(), "primaries-1"));
    find("limelight");
    EXPECT_FALSE(isNeutral(d.state().keyGrade()));
    find("undo");
    find("keep a take");
    EXPECT_EQ(d.state().keyWork().takes.size(), 1u);
}

TEST(Around, ThemesSurroundAndMonitorProfile) {
    Driver d({"red-curtain.jpg"});
    d.start();
    d.menu(tr8("File"), tr8("Preferences…"));
    const QColor dark = d.window().gradePage()->editorPanel()->grab().toImage().pixelColor(3, 3);
    auto* segments = d.named<Segments>(d.sheet(), tr8("Theme"));
    d.click(segments->button(1));
    QTest::qWait(60);
    const QColor light = d.window().gradePage()->editorPanel()->grab().toImage().pixelColor(3, 3);
    EXPECT_GT(light.lightness(), dark.lightness() + 100);
    d.click(segments->button(0));
    d.click(d.named<Segments>(d.sheet(), tr8("Surround"))->button(2));
    EXPECT_GT(d.window().gradePage()->view()->grab().toImage().pixelColor(2, 2).lightness(), 180);
    // The monitor's profile from a file, and what is wrong with one.
    const auto takeProfile = [&](const std::filesystem::path& file) {
        d.click(d.named<Segments>(d.sheet(), tr8("Monitor profile"))->button(2));
        auto* dialog = d.window().findChild<QFileDialog*>();
        Q_EMIT dialog->fileSelected(QString::fromStdString(file.string()));
        dialog->close();
        QTest::qWait(30);
    };
    const std::string icc = QColorSpace(QColorSpace::DisplayP3).iccProfile().toStdString();
    writeFileAtomically(d.root() / "wide.icc", icc);
    takeProfile(d.root() / "wide.icc");
    EXPECT_EQ(monitorProfileId(), contentHash(icc));
    takeProfile(d.root() / "none.icc");
    EXPECT_EQ(monitorProfileId(), "");
    EXPECT_TRUE(d.isTold("none.icc"));
    d.click(d.named<Segments>(d.sheet(), tr8("Monitor profile"))->button(1));
    d.click(d.button(d.sheet(), tr8("Close")));
    EXPECT_EQ(loadSettings().surround, theme::Surround::Light);
    theme::setSurround(theme::Surround::Dark);
    // A wide monitor: the same red needs smaller numbers there.
    const Picture red = [] {
        Picture p(8, 8);
        for (int y = 0; y < 8; ++y)
            for (int x = 0; x < 8; ++x) p.row(0, y)[x] = 1;
        return p;
    }();
    EXPECT_EQ(imageOf(Grade{}, red).pixelColor(4, 4), QColor(255, 0, 0));
    setMonitorProfile(QColorSpace(QColorSpace::DisplayP3).iccProfile().toStdString());
    const QColor wide = imageOf(Grade{}, red).pixelColor(4, 4);
    EXPECT_NEAR(wide.red(), 234, 2); // sRGB's red in Display P3, as CSS Color 4 has it
    EXPECT_NEAR(wide.green(), 51, 2);
    EXPECT_NEAR(wide.blue(), 35, 3);
    setMonitorProfile({});
}

TEST(Around, ThePictureIsWrittenStraightFromHere) {
    Driver d({"lake-fog.jpg"});
    d.start();
    d.chooseStage("exposure");
    d.type(d.named<NumberField>(d.window().gradePage()->editorPanel(), tr8("Stops")), tr8("-1"), true);
    d.menu(tr8("File"), tr8("Write this picture…"));
    auto* dialog = qobject_cast<QFileDialog*>(d.sheet());
    ASSERT_NE(dialog, nullptr);
    const auto target = d.root() / "fog out.jpg";
    dialog->selectFile(QString::fromStdString(target.string()));
    Q_EMIT dialog->fileSelected(QString::fromStdString(target.string()));
    dialog->close();
    ASSERT_TRUE(Driver::waitFor([&] { return std::filesystem::exists(target); }));
    QTest::qWait(200);
    const Picture out = readPicture(target).picture, in = readPicture(d.folder() / "lake-fog.jpg").picture;
    EXPECT_LT(out.row(1, 100)[100], in.row(1, 100)[100] - 0.1F);
    EXPECT_FALSE(std::filesystem::equivalent(target, d.folder() / "lake-fog.jpg"));
}

} // namespace baryton::test
