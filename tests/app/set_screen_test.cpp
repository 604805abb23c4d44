// A set before its run, through the real window: surveyed, mended, matched, and what was said of it done.
#include "app/guide_pictures.h"
#include "driver.h"
#include "edits/apply_strength.h"
#include "package/grade_store.h"
#include "picture/picture_file.h"
#include "render/program.h"
#include "screen_helpers.h"

#include <QComboBox>
#include <QMenu>
#include <QTest>
#include <gtest/gtest.h>

namespace baryton::test {

namespace {

namespace fs = std::filesystem;

/// Three shots each of two scenes, one of each spoilt, and a picture that is no more than its first bytes.
class SpoiltSet {
public:
    SpoiltSet() : d({"meadow-cart.jpg", "workshop-window.jpg"}) {
        d.addShot("meadow-cart.jpg", "meadow-cart-b.jpg", 0.2, 6504);
        d.addShot("meadow-cart.jpg", "meadow-cart-c.jpg", -1.6, 6504);
        d.addShot("workshop-window.jpg", "workshop-window-b.jpg", -0.3, 6200);
        d.addShot("workshop-window.jpg", "workshop-window-c.jpg", 0, 3000);
        d.start();
        batch = d.window().batchPage();
    }
    int index(const char* name) {
        for (int i = 0; i < d.state().pictures().size(); ++i)
            if (d.state().pictures().at(i).file.filename() == name) return i;
        qFatal("no %s", name);
    }
    const SetSurvey& survey() { return batch->surveyPage()->survey(); }
    bool waitForSurvey() {
        QTest::qWait(200);
        return Driver::waitFor([this] { return survey().isDone(); }, 60);
    }
    void openSurvey() {
        d.click(d.button(&d.window(), tr8("Batch")));
        d.click(d.button(batch, tr8("Survey")));
        EXPECT_TRUE(waitForSurvey());
    }
    /// Its tile, by a click.
    void press(QListView* list, const char* name) {
        auto* tiles = dynamic_cast<SetTiles*>(list->model());
        const QModelIndex at = tiles->index(tiles->rowOf(index(name)));
        list->scrollTo(at);
        d.click(list->viewport(), list->visualRect(at).center());
    }
    void tick(QWidget* parent, const char* text) {
        for (auto* box : parent->findChildren<QCheckBox*>())
            if (box->text() == tr8(text)) return d.click(box, {8, box->height() / 2.0});
        qFatal("no %s", text);
    }
    QStringList headings(QListView* list) {
        QStringList all;
        for (int r = 0; r < list->model()->rowCount(); ++r)
            if (list->model()->index(r, 0).data(SetTiles::IsHeadingRole).toBool())
                all.append(list->model()->index(r, 0).data().toString());
        return all;
    }
    PrepLight light(const char* name) { return prepLightOf(d.state().pictures().at(index(name)).work.grade); }

    Driver d;
    BatchPage* batch = nullptr;
};

} // namespace

TEST(SurveyScreen, NamesWhatFailsAndMendsItInPlace) {
    SpoiltSet set;
    Driver& d = set.d;
    set.openSurvey();
    auto* list = set.batch->surveyPage()->list();
    EXPECT_EQ(set.headings(list),
              (QStringList{tr8("Cooler than the others"), tr8("Darker than the others"), tr8("Nothing found")}))
        << "the worst first";
    EXPECT_GT(set.survey().at(set.index("workshop-window-c.jpg")).faults.at(0).severity,
              set.survey().at(set.index("meadow-cart-c.jpg")).faults.at(0).severity);
    EXPECT_EQ(set.survey().failingCount(), 2);
    EXPECT_TRUE(set.batch->surveyPage()->summary().startsWith(tr8("2 of 6 pictures fail")));

    // Mended by its Prep where it stands; the tile stays where it was until the list is sorted anew.
    set.press(list, "meadow-cart-c.jpg");
    const int row = list->currentIndex().row();
    auto* panel = set.batch->surveyPage()->panel();
    const auto faultButton = [&](const char* stage) {
        for (auto* button : panel->findChildren<QPushButton*>())
            if (button->text().startsWith(tr8(stage))) return button;
        qFatal("no fault of %s", stage);
    };
    EXPECT_TRUE(faultButton("Exposure:")->text().endsWith(tr8("stops darker")));
    d.type(d.named<NumberField>(panel, tr8("Exposure")), tr8("1.6"), true);
    ASSERT_TRUE(set.waitForSurvey());
    EXPECT_TRUE(set.survey().at(set.index("meadow-cart-c.jpg")).faults.empty());
    EXPECT_EQ(list->currentIndex().row(), row);
    EXPECT_NEAR(set.light("meadow-cart-c.jpg").stops, 1.6, 1e-9);
    d.click(d.button(set.batch, tr8("Sort anew")));
    EXPECT_EQ(set.headings(list).size(), 2);
    EXPECT_TRUE(d.undo());
    EXPECT_EQ(set.light("meadow-cart-c.jpg"), PrepLight());
    EXPECT_TRUE(d.redo());

    // One press opens the other in Grade with the stage at fault chosen.
    set.press(list, "workshop-window-c.jpg");
    d.click(faultButton("White balance:"));
    EXPECT_TRUE(d.window().gradePage()->isVisible());
    EXPECT_EQ(d.state().key(), set.index("workshop-window-c.jpg"));
    EXPECT_EQ(stageAt(d.state().keyGrade(), *findStage(d.state().keyGrade(), d.state().chosenStage())).type,
              "white-balance");
}

TEST(SurveyScreen, WhatIsSaidOfAPictureIsWhatTheRunDoes) {
    SpoiltSet set;
    Driver& d = set.d;
    d.click(d.button(&d.window(), tr8("Batch")));
    d.chooseLook(tr8("Limelight"));
    set.tick(set.batch, "Each picture's own grade");
    const fs::path out = d.root() / "out";
    d.type(d.named<QLineEdit>(set.batch, tr8("Output folder")), QString::fromStdString(out.string()), true);
    d.click(d.button(set.batch, tr8("Survey")));
    ASSERT_TRUE(set.waitForSurvey());
    auto* list = set.batch->surveyPage()->list();
    auto* panel = set.batch->surveyPage()->panel();
    set.press(list, "meadow-cart-c.jpg");
    d.click(d.button(panel, tr8("Left out")));
    set.press(list, "workshop-window-c.jpg");
    d.type(d.named<NumberField>(panel, tr8("Strength")), tr8("50"), true);
    set.press(list, "workshop-window-b.jpg");
    auto* instead = d.named<QComboBox>(panel, tr8("Look for this picture"));
    instead->setFocus();
    QTest::keyClicks(instead, tr8("Lantern"));
    Q_EMIT instead->activated(instead->currentIndex());
    ASSERT_TRUE(set.waitForSurvey());
    const BatchSettings settings = set.batch->settings();
    EXPECT_EQ(settings.wishes.size(), 3U);
    EXPECT_TRUE(d.undo()); // the other look
    EXPECT_EQ(set.batch->settings().wishes.size(), 2U);
    EXPECT_TRUE(d.redo());
    EXPECT_EQ(set.batch->settings(), settings);

    d.click(d.button(set.batch, tr8("Files")));
    d.chooseFormat(tr8("PNG"));
    d.click(d.button(set.batch, tr8("Start")));
    ASSERT_TRUE(Driver::waitFor([&] { return !set.batch->isRunning(); }, 120));
    EXPECT_TRUE(set.batch->progressText().startsWith(tr8("5 of 5 files"))) << set.batch->progressText().toStdString();
    EXPECT_FALSE(fs::exists(out / "meadow-cart-c-limelight.png"));
    const auto preset = [&](const char* name) {
        for (const auto& entry : d.state().presets())
            if (entry.name == name) return *entry.preset;
        qFatal("no preset %s", name);
    };
    const auto differs = [&](const char* file, const char* source, const Grade& grade) {
        const Picture made = readPicture(out / file).picture, from = readPicture(d.folder() / source).picture;
        const Picture wanted = Program::compile(grade).graded(from);
        double worst = 0;
        for (int y = 0; y < made.height(); ++y)
            for (int x = 0; x < made.width(); ++x)
                worst = std::max(
                    worst, std::abs(double(made.row(1, y)[x]) - std::clamp(double(wanted.row(1, y)[x]), 0.0, 1.0)));
        return worst;
    };
    EXPECT_LT(differs("workshop-window-c-limelight.png", "workshop-window-c.jpg",
                      appliedWithStrength(Grade(), preset("Limelight"), ApplyMode::AddAbove, 0.5)),
              1.0 / 255); // dithered
    EXPECT_LT(differs("workshop-window-b-lantern-blue.png", "workshop-window-b.jpg",
                      appliedWithStrength(Grade(), preset("Lantern blue"), ApplyMode::AddAbove, 1)),
              1.0 / 255); // dithered
    // What was left out, and for whom, is there again after a restart.
    d.stop();
    d.start();
    EXPECT_EQ(d.window().batchPage()->settings().wishes, settings.wishes);
}

TEST(SurveyScreen, WhichOfTheseFailInFourteenActions) {
    SpoiltSet set;
    Driver& d = set.d;
    d.countFromHere();
    d.click(d.button(&d.window(), tr8("Batch")));
    d.click(d.button(set.batch, tr8("Survey")));
    ASSERT_TRUE(set.waitForSurvey());
    auto* looks = d.named<QComboBox>(set.batch, tr8("Look to survey")); // opened and pressed: two
    looks->setCurrentText(tr8("Limelight"));
    Q_EMIT looks->activated(looks->currentIndex());
    ASSERT_TRUE(set.waitForSurvey());
    for (const char* spoilt : {"meadow-cart-c.jpg", "workshop-window-c.jpg"})
        EXPECT_TRUE(set.survey().at(set.index(spoilt)).fails()) << spoilt;
    EXPECT_LE(set.survey().failingCount(), 4);
    keepWork(d, "which-of-these-fail");
    const double severity = set.survey().at(set.index("workshop-window-c.jpg")).faults[0].severity;
    auto* list = set.batch->surveyPage()->list();
    auto* panel = set.batch->surveyPage()->panel();
    set.press(list, "meadow-cart-c.jpg");
    d.type(d.named<NumberField>(panel, tr8("Exposure")), tr8("1.6"), true);
    set.press(list, "workshop-window-c.jpg");
    d.type(d.named<NumberField>(panel, tr8("Temperature")), tr8("25000"), true);
    ASSERT_TRUE(set.waitForSurvey());
    EXPECT_FALSE(set.survey().at(set.index("meadow-cart-c.jpg")).fails());
    const SetSurvey::Item& cool = set.survey().at(set.index("workshop-window-c.jpg"));
    EXPECT_TRUE(!cool.fails() || cool.faults[0].severity < severity / 2) << "past what a white balance reaches";
    set.press(list, "meadow-cart.jpg");
    d.type(d.named<NumberField>(panel, tr8("Strength")), tr8("50"), true);
    set.press(list, "workshop-window.jpg");
    d.click(d.button(panel, tr8("Left out")));
    d.click(d.button(set.batch, tr8("Match")));
    MatchPage* match = set.batch->matchPage();
    ASSERT_TRUE(Driver::waitFor([&] { return match->takeButton()->isEnabled(); }, 60));
    d.click(match->takeButton());
    EXPECT_LE(d.actions() + 2, 14);
    const BatchSettings settings = set.batch->settings();
    EXPECT_EQ(settings.wishes.size(), 2U);
    // The three shots of each scene lie alike now, whatever they were.
    const auto apart = [&](const char* one, const char* other, double stops) {
        EXPECT_NEAR(set.light(one).stops - set.light(other).stops, stops, 0.12) << one;
    };
    apart("meadow-cart-c.jpg", "meadow-cart.jpg", 1.6);
    apart("meadow-cart-b.jpg", "meadow-cart.jpg", -0.2);
    apart("workshop-window-b.jpg", "workshop-window.jpg", 0.3);
}

TEST(MatchScreen, ShowsBeforeAndAfterAndIsTakenInOneStep) {
    SpoiltSet set;
    Driver& d = set.d;
    d.chooseRow(d.window().gradePage()->tray(), set.index("meadow-cart.jpg"));
    d.click(d.button(&d.window(), tr8("Batch")));
    d.click(d.button(set.batch, tr8("Match")));
    MatchPage* match = set.batch->matchPage();
    ASSERT_TRUE(Driver::waitFor([&] { return match->takeButton()->isEnabled(); }, 60));
    EXPECT_EQ(match->runs().size(), 2U);
    ASSERT_EQ(set.headings(match->list()).size(), 2);
    EXPECT_EQ(set.light("meadow-cart-c.jpg"), PrepLight()) << "only shown so far";

    // One is set by hand, one is left as it is; the rest as matched.
    auto* panel = match->panel();
    set.press(match->list(), "workshop-window-b.jpg");
    const double before = set.light("workshop-window-b.jpg").stops;
    d.type(d.named<NumberField>(panel, tr8("Exposure")), tr8("0.55"), true);
    set.press(match->list(), "meadow-cart-b.jpg");
    set.tick(panel, "Leave it as it is");
    d.click(match->takeButton());
    EXPECT_NEAR(set.light("meadow-cart-c.jpg").stops, 1.6, 0.1);
    EXPECT_EQ(set.light("meadow-cart-b.jpg"), PrepLight());
    EXPECT_NEAR(set.light("workshop-window-b.jpg").stops, 0.55, 1e-9);
    EXPECT_EQ(set.light("meadow-cart.jpg"), PrepLight());
    ASSERT_TRUE(d.undo());
    EXPECT_EQ(set.light("meadow-cart-c.jpg"), PrepLight());
    EXPECT_EQ(set.light("workshop-window-b.jpg").stops, before);
    ASSERT_TRUE(d.redo());
    EXPECT_TRUE(d.state().pictures().flush());
    EXPECT_NEAR(prepLightOf(*loadGrade(d.folder() / "meadow-cart-c.jpg")).stops, 1.6, 0.1);
}

TEST(MatchScreen, ARunIsMatchedAndTheGradesStayAsTheyAre) {
    SpoiltSet set;
    Driver& d = set.d;
    d.chooseRow(d.window().gradePage()->tray(), set.index("meadow-cart.jpg"));
    d.click(d.button(&d.window(), tr8("Batch")));
    const fs::path out = d.root() / "out";
    d.type(d.named<QLineEdit>(set.batch, tr8("Output folder")), QString::fromStdString(out.string()), true);
    d.chooseFormat(tr8("PNG"), 8);
    const auto prepCell = [&] {
        return set.batch->findChild<QTableWidget*>()->item(set.index("meadow-cart-c.jpg"), 2)->text();
    };
    d.click(d.button(set.batch->output(), tr8("Matched")));
    EXPECT_FALSE(set.batch->startButton()->isEnabled()) << "not before it is known what to";
    EXPECT_EQ(set.batch->progressText(), tr8("Matching the light of the set…"));
    ASSERT_TRUE(Driver::waitFor([&] { return set.batch->startButton()->isEnabled(); }, 60));
    EXPECT_TRUE(prepCell().startsWith(tr8("matched: +1."))) << qPrintable(prepCell());
    // What Match shows is what is taken: there the pictures as they are on the left, as they will be on the right.
    d.click(d.button(set.batch, tr8("Match")));
    ASSERT_TRUE(set.waitForSurvey());
    set.press(set.batch->matchPage()->list(), "meadow-cart-b.jpg");
    set.tick(set.batch->matchPage()->panel(), "Leave it as it is");
    d.click(d.button(set.batch, tr8("Files")));
    ASSERT_TRUE(Driver::waitFor([&] { return set.batch->startButton()->isEnabled(); }, 60));
    d.click(set.batch->startButton());
    ASSERT_TRUE(Driver::waitFor([&] { return !set.batch->isRunning(); }, 120));
    EXPECT_EQ(set.light("meadow-cart-c.jpg"), PrepLight()) << "the grade is the picture's own";
    const auto light = [&](const char* name) {
        return sceneLight(readPicture(out / (std::string(name) + "-own-grade.png")).picture).luminance;
    };
    const auto own = [&](const char* name) {
        return sceneLight(readPicture(d.folder() / (std::string(name) + ".jpg")).picture).luminance;
    };
    EXPECT_NEAR(light("meadow-cart-c"), light("meadow-cart"), 0.35);
    EXPECT_LT(own("meadow-cart-c"), own("meadow-cart") - 1);
    EXPECT_NEAR(light("meadow-cart-b"), own("meadow-cart-b"), 0.01) << "it was left as it is";
    // What is graded elsewhere is matched anew when Batch is seen again, and not before.
    d.click(d.button(&d.window(), tr8("Grade")));
    Grade brighter = d.state().pictures().at(set.index("meadow-cart.jpg")).work.grade;
    brighter.prep[0].parameters["stops"] = 0.5;
    d.state().editPictures(tr8("Brighter"), {{set.index("meadow-cart.jpg"), brighter}}, 0);
    QTest::qWait(600);
    EXPECT_FALSE(set.batch->matchPage()->isMatching());
    EXPECT_FALSE(set.batch->matchPage()->isReady());
    d.click(d.button(&d.window(), tr8("Batch")));
    EXPECT_FALSE(set.batch->startButton()->isEnabled());
    ASSERT_TRUE(Driver::waitFor([&] { return set.batch->startButton()->isEnabled(); }, 60));
    EXPECT_TRUE(prepCell().startsWith(tr8("matched: +2."))) << qPrintable(prepCell());
    d.menu(tr8("Edit"), tr8("Undo Batch: Prep"));
    EXPECT_FALSE(prepCell().contains(tr8("matched")));
}

TEST(MatchScreen, RunsAreSplitAndJoinedByHand) {
    SpoiltSet set;
    Driver& d = set.d;
    d.menu(tr8("Picture"), tr8("Match the set's light"));
    MatchPage* match = set.batch->matchPage();
    ASSERT_TRUE(Driver::waitFor([&] { return match->takeButton()->isEnabled(); }, 60));
    auto* panel = match->panel();
    set.press(match->list(), "meadow-cart-c.jpg");
    d.click(d.button(panel, tr8("Begin a run here")));
    EXPECT_EQ(match->runs().size(), 3U);
    ASSERT_TRUE(Driver::waitFor([&] { return !match->isMatching(); }, 60));
    set.press(match->list(), "meadow-cart-c.jpg");
    EXPECT_NEAR(d.named<NumberField>(panel, tr8("Exposure"))->value(), 0, 1e-9) << "the only one of its scene";
    d.click(d.button(panel, tr8("Join with the one before")));
    EXPECT_EQ(match->runs().size(), 2U);
    ASSERT_TRUE(Driver::waitFor([&] { return !match->isMatching(); }, 60));
    set.press(match->list(), "meadow-cart-c.jpg");
    EXPECT_GT(d.named<NumberField>(panel, tr8("Exposure"))->value(), 1.4);
}

TEST(SurveyScreen, APresetIsTriedOnTheSetFromTheShelf) {
    SpoiltSet set;
    Driver& d = set.d;
    d.key("Ctrl+L");
    auto* shelf = d.window().gradePage()->shelf()->list();
    const int row = Driver::rowOf(shelf, tr8("Harvest meadow"));
    d.chooseRow(shelf, row);
    Q_EMIT shelf->customContextMenuRequested(shelf->visualRect(shelf->model()->index(row, 0)).center());
    auto* menu = qobject_cast<QMenu*>(QApplication::activePopupWidget());
    ASSERT_TRUE(menu);
    for (QAction* action : menu->actions())
        if (action->text() == tr8("Survey the set with it")) action->trigger();
    menu->close();
    EXPECT_TRUE(set.batch->isVisible());
    ASSERT_TRUE(set.waitForSurvey());
    EXPECT_EQ(d.named<QComboBox>(set.batch, tr8("Look to survey"))->currentText(), tr8("Harvest meadow"));
    EXPECT_TRUE(set.batch->settings().presets.empty()) << "a look that is surveyed is not yet one of the run";
    set.tick(set.batch->surveyPage()->middle(), "In the run");
    EXPECT_EQ(set.batch->settings().presets.size(), 1U);
    EXPECT_EQ(d.named<QComboBox>(set.batch, tr8("Look to survey"))->currentText(), tr8("Harvest meadow"));
    EXPECT_TRUE(d.undo());
    EXPECT_TRUE(set.batch->settings().presets.empty());
}

} // namespace baryton::test
