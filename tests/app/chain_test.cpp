// The chain of stages: cards dragged, held off, added to the Finish.
#include "app/grade/add_stage_list.h"
#include "app/render_image.h"
#include "app/screen_helpers.h"
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

TEST(Chain, FinishHoldsEachStageOnceInItsOrder) {
    Driver d({"lantern-alley.jpg", "dusk-horizon.jpg"});
    d.start();
    const auto finish = [&](int picture) {
        std::string types;
        for (const Stage& stage : d.state().pictures().at(picture).work.grade.finish) types += stage.type + " ";
        return types;
    };
    // Both pictures are chosen: what is added comes to both.
    GradePage* grade = d.window().gradePage();
    chooseWith(grade->tray(), 1, Qt::ControlModifier);
    d.addStage(tr8("Detail"));
    EXPECT_EQ(d.state().chosenStage(), "detail-1");
    d.addStage(tr8("Bloom"));
    EXPECT_EQ(finish(0), "bloom vignette detail ") << "light first, sharpening last";
    EXPECT_EQ(finish(1), finish(0));
    EXPECT_GT(numberOf(d.state().keyGrade(), "bloom-1", "amount"), 0) << "there is something to see";
    d.type(d.named<NumberField>(grade->editorPanel(), tr8("Reach")), tr8("25"), true);
    EXPECT_EQ(numberOf(d.state().pictures().at(1).work.grade, "bloom-1", "reach"), 25);
    // Wanted once more it is taken in hand, as it is.
    d.chooseStage("curves");
    d.addStage(tr8("Bloom"));
    EXPECT_EQ(d.state().chosenStage(), "bloom-1");
    EXPECT_EQ(finish(0), "bloom vignette detail ");
    EXPECT_EQ(numberOf(d.state().keyGrade(), "bloom-1", "reach"), 25);
    // What every picture has stays; the others are taken away, and undo brings them back.
    QTest::keyClick(grade->chain()->card("bloom-1"), Qt::Key_Delete);
    QTest::keyClick(grade->chain()->card("vignette-1"), Qt::Key_Delete);
    EXPECT_EQ(finish(0), "vignette detail ");
    EXPECT_TRUE(d.undo());
    EXPECT_EQ(finish(0), "bloom vignette detail ");
    // What the viewer shows is what the core makes of the whole picture's pixels.
    d.settle();
    const PictureView::Region r = grade->view()->region();
    const Pyramid pyramid(readPicture(d.state().pictures().at(d.state().key()).file).picture);
    const Program program = Program::compile(d.state().keyGrade());
    const ViewSource source =
        viewSource(pyramid, {r.left, r.top, r.width, r.height, r.scale}, program.needs(r.scale));
    // The exact frame comes when the hand has rested.
    const QImage want = imageOf(program, source);
    EXPECT_TRUE(Driver::waitFor([&] { return grade->view()->shownAfter() == want; }));
}

TEST(Chain, PrepAndFinishHaveAPlusOfTheirOwnUntilTheyAreFull) {
    Driver d({"lake-fog.jpg"});
    d.start();
    const auto plus = [&](const char* name) {
        return d.named<QPushButton>(d.window().gradePage(), ChainView::tr(name));
    };
    const auto addFrom = [&](const char* name, int down = 1) {
        const QRect before = plus(name)->geometry();
        d.click(plus(name));
        auto* list = qobject_cast<AddStageList*>(QApplication::activePopupWidget());
        EXPECT_NE(list, nullptr);
        QStringList names;
        for (int row = 0; row < list->list()->count(); ++row)
            names.append(list->list()->item(row)->text().section(u'\n', 0, 0));
        for (int i = 0; i < down; ++i) QTest::keyClick(list->search(), Qt::Key_Down);
        QTest::keyClick(list->search(), Qt::Key_Return);
        QTest::qWait(30);
        QApplication::setActiveWindow(&d.window());
        EXPECT_EQ(plus(name)->size(), before.size());
        return names;
    };
    EXPECT_EQ(addFrom("Add to Prep", 2),
              (QStringList{tr8("Lens"), tr8("Frame"), tr8("Noise"), tr8("Defringe"), tr8("Tone")}));
    const auto types = [](const std::vector<Stage>& stages) {
        std::vector<std::string> all;
        for (const Stage& stage : stages) all.push_back(stage.type);
        return all;
    };
    EXPECT_EQ(types(d.state().keyGrade().prep), (std::vector<std::string>{"noise", "exposure", "white-balance"}))
        << "ahead of colours";
    EXPECT_EQ(d.state().chosenStage(), d.state().keyGrade().prep.front().id);
    EXPECT_TRUE(plus("Add to Prep")->isEnabled());
    EXPECT_EQ(addFrom("Add to Prep", 2), (QStringList{tr8("Lens"), tr8("Frame"), tr8("Defringe"), tr8("Tone")}));
    EXPECT_EQ(addFrom("Add to Prep", 2), (QStringList{tr8("Lens"), tr8("Frame"), tr8("Tone")}));
    d.addStage(tr8("Frame"));
    d.addStage(tr8("Lens"));
    EXPECT_EQ(types(d.state().keyGrade().prep),
              (std::vector<std::string>{"lens", "frame", "noise", "defringe", "exposure", "white-balance", "tone"}));
    EXPECT_FALSE(plus("Add to Prep")->isEnabled()) << "Prep holds each once";
    EXPECT_EQ(addFrom("Add to the Finish"), (QStringList{tr8("Local contrast"), tr8("Bloom"), tr8("Halation"),
                                                         tr8("Detail"), tr8("Overlay"), tr8("Grain"), tr8("Bars")}));
    EXPECT_EQ(types(d.state().keyGrade().finish), (std::vector<std::string>{"bloom", "vignette"}))
        << "each stands where it acts";
    EXPECT_EQ(d.state().chosenStage(), d.state().keyGrade().finish.front().id);
    for (const char* name : {"Grain", "Halation", "Detail", "Overlay", "Bars", "Local contrast"}) {
        EXPECT_TRUE(plus("Add to the Finish")->isEnabled());
        d.addStage(tr8(name));
    }
    EXPECT_EQ(types(d.state().keyGrade().finish),
              (std::vector<std::string>{"local-contrast", "bloom", "halation", "vignette", "detail", "overlay",
                                        "grain", "bars"}));
    EXPECT_FALSE(plus("Add to the Finish")->isEnabled());
    d.key("Ctrl+Backspace");
    EXPECT_TRUE(plus("Add to the Finish")->isEnabled());
}

TEST(Chain, OnlyTheCardOfWhatMovesIsPainted) {
    Driver d({"lake-fog.jpg"});
    d.start();
    // More than stand there at full width: the cards are narrower.
    for (const char* type : {"scale from dark", "Split tone", "Hue bands", "Levels", "Primaries"})
        d.addStage(tr8(type));
    ChainView* chain = d.window().gradePage()->chain();
    d.chooseStage("curves");
    d.settle();
    ASSERT_LT(chain->card("curves-1")->width(), StageCard::kSize.width());
    struct Painted : QObject {
        std::map<QObject*, int> times;
        bool eventFilter(QObject* watched, QEvent* event) override {
            times[watched] += event->type() == QEvent::Paint;
            return false;
        }
    } painted;
    for (const char* id : {"curves-1", "wheels-1", "vignette-1"}) chain->card(id)->installEventFilter(&painted);
    auto* curves = qobject_cast<CurvesEditor*>(d.window().gradePage()->editorPanel()->editor());
    CurveView* view = curves->view();
    QTest::mousePress(view, Qt::LeftButton, {}, view->toWidget({0.25, 0.25}).toPoint());
    painted.times.clear();
    for (int i = 1; i <= 12; ++i) {
        QTest::mouseMove(view, (view->toWidget({0.25, 0.25}) - QPointF(0, i)).toPoint());
        QTest::qWait(30);
    }
    EXPECT_GE(painted.times[chain->card("curves-1")], 6);
    EXPECT_EQ(painted.times[chain->card("wheels-1")], 0);
    EXPECT_EQ(painted.times[chain->card("vignette-1")], 0);
    QTest::mouseRelease(view, Qt::LeftButton, {}, (view->toWidget({0.25, 0.25}) - QPointF(0, 12)).toPoint());
}

} // namespace baryton::test
