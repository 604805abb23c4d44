// Takes, the list of steps, edits of several pictures.
#include "app/screen_helpers.h"
#include "grade/grade_json.h"
#include "package/grade_store.h"

#include <gtest/gtest.h>

namespace baryton::test {

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
    EXPECT_EQ(means->count(), 5);
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

} // namespace baryton::test
