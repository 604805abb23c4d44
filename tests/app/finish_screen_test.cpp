// What lies over the frame, in the window: a vignette placed by hand, grain over tone, bars.
#include "app/grade/tone_editors.h"
#include "app/grade/vignette_editor.h"
#include "app/screen_helpers.h"
#include "app/widgets/number_field.h"
#include "stages/film_response.h"

#include <gtest/gtest.h>

namespace baryton::test {

namespace {

/// A number of the first stage of a type in Finish; the default where it says nothing.
double finishNumber(Driver& d, const std::string& type, const std::string& parameter) {
    for (const Stage& stage : d.state().keyGrade().finish)
        if (stage.type == type) return ParameterReader(*findStageType(type), stage).number(parameter);
    ADD_FAILURE() << "no " << type;
    return 0;
}

} // namespace

TEST(FinishScreen, AVignetteIsPlacedByHand) {
    Driver d({"lake-fog.jpg"});
    d.start();
    PictureView* view = d.window().gradePage()->view();
    const auto vignette = [&](const char* parameter) { return finishNumber(d, "vignette", parameter); };
    d.chooseStage("vignette");
    EXPECT_TRUE(view->figure().lines.isEmpty()) << "nothing lies over the picture until it is asked for";
    d.key("P");
    ASSERT_EQ(view->figure().lines.size(), 1);
    EXPECT_EQ(view->figure().handles.size(), 5);
    d.type(d.named<NumberField>(d.window().gradePage()->editorPanel(), tr8("Stops")), tr8("-1"), true);
    EXPECT_EQ(view->figure().lines.size(), 3) << "lines where a third and two thirds of a stop are lost";
    EXPECT_EQ(view->figure().lines[0].label, QStringLiteral("−⅓"));

    d.drag(view, d.onPicture({0.5, 0.6}), d.onPicture({0.6, 0.5}));
    EXPECT_NEAR(vignette("centre.x"), 0.6, 0.011);
    EXPECT_NEAR(vignette("centre.y"), 0.4, 0.011);
    EXPECT_NEAR(view->figure().handles[0].x(), 0.6, 0.011) << "the figure goes along";
    EXPECT_TRUE(d.undo());
    EXPECT_EQ(vignette("centre.x"), 0.5) << "a pull is one step";

    const auto handle = [&](int which) { return d.onPicture(view->figure().handles[which]); };
    d.drag(view, handle(4), d.onPicture({0.5, 0.25})); // the upper end
    EXPECT_NEAR(vignette("radius.y"), 0.5, 0.02);
    EXPECT_EQ(vignette("radius.x"), 1);
    d.drag(view, handle(2), d.onPicture({0.5, 0.95}), Qt::ShiftModifier);
    EXPECT_NEAR(vignette("radius.y"), 0.54, 0.02) << "with Shift a tenth of the way";
    d.drag(view, handle(3), d.onPicture({0.2, 0.5})); // the left one
    EXPECT_NEAR(vignette("radius.x"), 0.6, 0.02);
    // Outside: it turns, by what the hand goes round.
    d.drag(view, d.onPicture({0.5, 0.9}), d.onPicture({0.3, 0.9}));
    EXPECT_GT(vignette("turn"), 15);
    EXPECT_LT(vignette("turn"), 60);
    // Along its line it grows as a whole.
    const double across = vignette("radius.x"), down = vignette("radius.y");
    const QPointF onLine = view->figure().lines.back().points[12], middle = view->figure().handles[0];
    d.drag(view, d.onPicture(onLine), d.onPicture(middle + (onLine - middle) * 1.25));
    EXPECT_NEAR(vignette("radius.x") / across, 1.25, 0.05);
    EXPECT_NEAR(vignette("radius.y") / down, 1.25, 0.05);
    d.key("P");
    EXPECT_TRUE(view->figure().lines.isEmpty());
    const Grade placed = d.state().keyGrade();
    d.drag(view, d.onPicture({0.5, 0.6}), d.onPicture({0.6, 0.5}));
    EXPECT_EQ(d.state().keyGrade(), placed) << "without it the picture is only moved";
}

TEST(FinishScreen, GrainFollowsACurveThatRestsInTheMiddle) {
    Driver d({"workshop-window.jpg"});
    d.start();
    d.addStage(tr8("Grain"));
    GradePage* grade = d.window().gradePage();
    auto* view = d.named<CurveView>(grade->editorPanel(), tr8("Curve over tone"));
    EXPECT_EQ(view->points(), (CurveView::Points{{0, 0.5}, {1, 0.5}}));
    d.drag(view, view->toWidget({1, 0.5}), view->toWidget({1, 0.0}));
    const Stage& stage = d.state().keyGrade().finish.back();
    ASSERT_EQ(stage.type, "grain");
    const Curve quietLights = std::get<Curve>(stage.parameters.at("curve"));
    EXPECT_NEAR(quietLights.back().y, 0, 0.01);
    QTest::mouseDClick(view, Qt::LeftButton, {}, view->toWidget({1, quietLights.back().y}).toPoint());
    EXPECT_EQ(view->points(), (CurveView::Points{{0, 0.5}, {1, 0.5}})) << "it goes back to where it rests";
}

TEST(FinishScreen, ProportionsOfBarsCountWhereTheRatioIsAnOwnOne) {
    Driver d({"lake-fog.jpg"});
    d.start();
    d.addStage(tr8("Bars"));
    GradePage* grade = d.window().gradePage();
    auto* proportions = d.named<NumberField>(grade->editorPanel(), tr8("Proportions"));
    EXPECT_FALSE(proportions->isEnabled());
    auto* ratio = d.named<QComboBox>(grade->editorPanel(), tr8("Ratio"));
    ratio->setFocus();
    while (ratio->currentText() != tr8("Own")) QTest::keyClick(ratio, Qt::Key_Up);
    EXPECT_TRUE(proportions->isEnabled());
    d.settle();
    const QImage two = grade->view()->shownAfter();
    d.type(proportions, tr8("3"), true);
    EXPECT_TRUE(Driver::waitFor([&] { return grade->view()->shownAfter() != two; }));
}

TEST(FinishScreen, AFilmBringsItsGrainAndItsHalation) {
    Driver d({"workshop-window.jpg"});
    d.start();
    d.addStage(tr8("Film response"));
    GradePage* grade = d.window().gradePage();
    QPushButton* grain = d.button(grade->editorPanel(), FilmEditor::tr("Add its grain"));
    QPushButton* halation = d.button(grade->editorPanel(), FilmEditor::tr("Add its halation"));
    ASSERT_TRUE(grain && halation);
    auto* film = editorOf<FilmEditor>(d);
    const auto choose = [&](int row) {
        QTest::mouseClick(film->characters()->viewport(), Qt::LeftButton, {},
                          film->characters()->visualItemRect(film->characters()->item(row)).center());
        QTest::mouseMove(grade->view(), QPoint(4, 4)); // away from the tiles: nothing is tried any more
        QCoreApplication::processEvents();
    };
    choose(1);
    ASSERT_TRUE(grain->isEnabled());
    const std::string chosen = d.state().chosenStage();
    d.click(grain);
    const FilmCharacter& first = filmCharacters()[0];
    EXPECT_NEAR(finishNumber(d, "grain", "amount"), first.body.grain, 1e-9);
    EXPECT_NEAR(finishNumber(d, "grain", "size"), first.body.size, 1e-9);
    EXPECT_EQ(d.state().chosenStage(), chosen) << "the film stays in hand";
    EXPECT_FALSE(grain->isEnabled()) << "it is there";
    d.click(halation);
    EXPECT_NEAR(finishNumber(d, "halation", "amount"), first.body.halation, 1e-9);
    choose(2);
    EXPECT_TRUE(grain->isEnabled()) << "another film has another one";
    d.click(grain);
    EXPECT_NEAR(finishNumber(d, "grain", "amount"), filmCharacters()[1].body.grain, 1e-9);
    EXPECT_EQ(std::count_if(d.state().keyGrade().finish.begin(), d.state().keyGrade().finish.end(),
                            [](const Stage& s) { return s.type == "grain"; }),
              1);
    EXPECT_TRUE(d.undo());
    EXPECT_NEAR(finishNumber(d, "grain", "amount"), first.body.grain, 1e-9);
}

} // namespace baryton::test
