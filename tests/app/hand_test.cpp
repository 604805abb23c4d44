// What a hand relies on: nothing moves under it, and a gesture stays with what it began on.
#include "app/grade/colour_editors.h"
#include "app/grade/tone_editors.h"
#include "app/screen_helpers.h"
#include "app/theme/theme.h"
#include "edits/changed.h"

namespace baryton::test {

namespace {

/// Presses a widget and pulls, without letting go.
void pullOn(QWidget* widget, QPointF from, QPointF to) {
    QTest::mousePress(widget, Qt::LeftButton, {}, from.toPoint());
    constexpr int steps = 5;
    for (int i = 1; i <= steps; ++i) {
        const QPointF at = from + (to - from) * i / steps;
        QMouseEvent move(QEvent::MouseMove, at, widget->mapToGlobal(at), Qt::LeftButton, Qt::LeftButton, {});
        QApplication::sendEvent(widget, &move);
    }
}

Ruler* rulerOf(Driver& d, const char* name) {
    return d.named<Ruler>(d.window().gradePage()->editorPanel(), tr8(name));
}

QPointF middleOf(const QWidget* widget) {
    return QPointF(widget->width() / 2.0, widget->height() / 2.0);
}

/// Where each control of a panel stands that is in sight.
std::map<QWidget*, QRect> placesIn(QWidget* panel) {
    std::map<QWidget*, QRect> places;
    for (QWidget* each : panel->findChildren<QWidget*>())
        if (each->isVisible() && each->focusPolicy() != Qt::NoFocus && !qobject_cast<QAbstractScrollArea*>(each))
            places[each] = QRect(each->mapTo(panel, QPoint(0, 0)), each->size());
    return places;
}

/// The names of those that stand elsewhere now. What went out of sight or came is another matter.
QStringList movedSince(QWidget* panel, const std::map<QWidget*, QRect>& before) {
    QStringList moved;
    for (const auto& [widget, place] : placesIn(panel))
        if (const auto was = before.find(widget); was != before.end() && was->second != place)
            moved.append(QStringLiteral("%1 “%2”").arg(QString::fromLatin1(widget->metaObject()->className()),
                                                       widget->accessibleName()));
    return moved;
}

} // namespace

TEST(Hand, NothingMovesInAnEditorWhenAFindingComes) {
    Driver d({"stage-door.dng"}); // a raw file has every editor
    d.start();
    EditorPanel* panel = d.window().gradePage()->editorPanel();
    const std::string words = "Pushes 3.1 % of the pixels past the ends of the range: reds at the light end, and "
                              "flattens folds that the picture had in its darkest tones";
    for (const StageType* type : stageTypes()) {
        if (canAddStage(*type))
            d.addStage(QString::fromStdString(type->name));
        else
            d.chooseStage(type->id);
        const auto finding = [&](const std::string& sentence) {
            StageReport report;
            report.stageId = d.state().chosenStage();
            report.sentence = sentence;
            panel->setReports({report});
            QTest::qWait(1);
        };
        finding({});
        std::vector<QPointer<QWidget>> controls;
        for (const auto& [widget, place] : placesIn(panel)) {
            // What opens a list or a dialog is no second press on the same place.
            const auto* button = qobject_cast<QPushButton*>(widget);
            if (qobject_cast<QComboBox*>(widget) ||
                (button && (button->text().contains(QChar(0x2026)) || button->menu() || button->text().isEmpty())))
                continue;
            controls.emplace_back(widget);
        }
        ASSERT_GE(controls.size(), 3u) << type->id;
        const auto* scroll = panel->findChild<QScrollArea*>();
        for (const QPointer<QWidget>& control : controls) {
            if (!control || !control->isVisible()) continue;
            // A click into a number chooses it, which scrolls it into sight first, as Tab does.
            const_cast<QScrollArea*>(scroll)->ensureWidgetVisible(control, 0, 0);
            const auto before = placesIn(panel);
            const std::string name = type->id + " " + control->accessibleName().toStdString();
            QTest::mouseClick(control, Qt::LeftButton);
            finding(words);
            EXPECT_EQ(movedSince(panel, before), QStringList()) << name << ", a finding came";
            if (control && control->isVisible()) QTest::mouseClick(control, Qt::LeftButton);
            EXPECT_EQ(movedSince(panel, before), QStringList()) << name << ", pressed twice";
            finding({});
            EXPECT_EQ(movedSince(panel, before), QStringList()) << name << ", the finding went";
        }
    }
    EXPECT_TRUE(panel->findings()->text()->text().isEmpty());
}

TEST(Hand, AFindingIsSaidWholeWhereItHasNoRoom) {
    StillText text(2);
    text.resize(120, text.sizeHint().height());
    text.setText(tr8("short"));
    text.grab();
    EXPECT_FALSE(text.isCut());
    const int height = text.sizeHint().height();
    text.setText(tr8("a sentence that is a good deal longer than two lines of so narrow a place can ever hold"));
    text.grab();
    EXPECT_TRUE(text.isCut());
    EXPECT_EQ(text.toolTip(), text.text());
    EXPECT_EQ(text.sizeHint().height(), height);
}

TEST(Hand, AGestureStaysWithItsPicture) {
    Driver d({"lake-fog.jpg", "meadow-cart.jpg"});
    d.start();
    d.chooseStage("saturation");
    const Grade second = d.state().pictures().at(1).work.grade;
    Ruler* ruler = rulerOf(d, "Saturation");
    const QPointF from = middleOf(ruler);
    pullOn(ruler, from, from + QPointF(20, 0));
    const double pulled = numberOf(d.state().keyGrade(), "saturation-1", "overall");
    EXPECT_GT(pulled, 0);
    QTest::keyClick(&d.window(), Qt::Key_Down, Qt::ControlModifier); // to the next picture, the button still down
    ASSERT_EQ(d.state().key(), 1);
    pullOn(ruler, from + QPointF(20, 0), from + QPointF(50, 0));
    QTest::mouseRelease(ruler, Qt::LeftButton, {}, (from + QPointF(50, 0)).toPoint());
    EXPECT_EQ(numberOf(d.state().pictures().at(0).work.grade, "saturation-1", "overall"), pulled);
}

TEST(Hand, WhatItStillDoesAfterAChangeGoesNowhere) {
    Driver d({"lake-fog.jpg", "meadow-cart.jpg"});
    d.start();
    GradePage* grade = d.window().gradePage();
    const auto movesOn = [&](QWidget* widget, QPointF at) {
        for (int i = 1; i <= 5; ++i) {
            const QPointF to = at + QPointF(8 * i, -4 * i);
            QMouseEvent move(QEvent::MouseMove, to, widget->mapToGlobal(to), Qt::LeftButton, Qt::LeftButton, {});
            QApplication::sendEvent(widget, &move);
        }
        QTest::mouseRelease(widget, Qt::LeftButton, {}, (at + QPointF(40, -20)).toPoint());
    };
    d.chooseStage("saturation");
    Ruler* ruler = rulerOf(d, "Saturation");
    const QPointF middle = middleOf(ruler);
    // Another picture.
    pullOn(ruler, middle, middle + QPointF(20, 0));
    QTest::keyClick(&d.window(), Qt::Key_Down, Qt::ControlModifier);
    ASSERT_EQ(d.state().key(), 1);
    const Grade untouched = d.state().keyGrade();
    movesOn(ruler, middle + QPointF(20, 0));
    EXPECT_EQ(d.state().keyGrade(), untouched) << "the next picture is not what was pulled";
    // The next press is a gesture of its own again.
    d.drag(ruler, middle, middle + QPointF(10, 0));
    EXPECT_NE(d.state().keyGrade(), untouched);
    d.undo();
    // Another page.
    pullOn(ruler, middle, middle + QPointF(20, 0));
    const Grade pulled = d.state().keyGrade();
    QTest::keyClick(&d.window(), Qt::Key_2, Qt::ControlModifier);
    movesOn(ruler, middle + QPointF(20, 0));
    EXPECT_EQ(d.state().keyGrade(), pulled);
    QTest::keyClick(&d.window(), Qt::Key_1, Qt::ControlModifier);
    // Undo in the middle of a pull takes the pull back, and what follows goes nowhere.
    d.undo();
    EXPECT_EQ(d.state().keyGrade(), untouched);
    pullOn(ruler, middle, middle + QPointF(-20, 0));
    QTest::keyClick(&d.window(), Qt::Key_Z, Qt::ControlModifier);
    movesOn(ruler, middle - QPointF(20, 0));
    EXPECT_EQ(d.state().keyGrade(), untouched);
    // On the picture: another stage.
    d.addStage(tr8("Hue bands"));
    d.click(d.button(grade->editorPanel(), tr8("On picture")));
    const QPointF grass = at(d, 0.5, 0.95);
    pullOn(grade->view(), grass, grass + QPointF(-40, 0));
    const Grade bands = d.state().keyGrade();
    d.state().chooseStage("wheels-1"); // as the arrow keys in the chain do
    movesOn(grade->view(), grass + QPointF(-40, 0));
    EXPECT_EQ(d.state().keyGrade(), bands);
    EXPECT_FALSE(grade->editorPanel()->isOnPicture()) << "what a press does is asked for again";
}

TEST(Hand, EscapeTakesAGestureBackWhole) {
    Driver d({"meadow-cart.jpg"});
    d.start();
    GradePage* grade = d.window().gradePage();
    d.addStage(tr8("Hue bands"));
    const Grade before = d.state().keyGrade();
    const auto steps = d.state().history(0).size();
    d.click(d.button(grade->editorPanel(), tr8("On picture")));
    const QPointF grass = at(d, 0.5, 0.95);
    pullOn(grade->view(), grass, grass + QPointF(-40, 20));
    EXPECT_NE(d.state().keyGrade(), before);
    QTest::keyClick(grade->view(), Qt::Key_Escape);
    EXPECT_EQ(d.state().keyGrade(), before) << "the band's place too";
    EXPECT_EQ(d.state().history(0).size(), steps) << "as if it had never been";
    QTest::mouseRelease(grade->view(), Qt::LeftButton, {}, grass.toPoint());
    EXPECT_EQ(d.state().keyGrade(), before);
    EXPECT_TRUE(grade->editorPanel()->isOnPicture()) << "the next pull is tried again at once";
    // On a curve the point that the press made goes again, too.
    d.chooseStage("curves");
    auto* curves = editorOf<CurvesEditor>(d);
    pullOn(curves->view(), curves->view()->toWidget({0.3, 0.3}), curves->view()->toWidget({0.3, 0.5}));
    EXPECT_EQ(curves->view()->points().size(), 3);
    QTest::keyClick(&d.window(), Qt::Key_Escape);
    EXPECT_EQ(d.state().keyGrade(), before);
    EXPECT_EQ(curves->view()->points().size(), 2);
}

TEST(Hand, AGestureIsOneStepAndUndoTakesAllOfItBack) {
    Driver d({"meadow-cart.jpg"});
    d.start();
    GradePage* grade = d.window().gradePage();
    d.addStage(tr8("Hue bands"));
    const Grade before = d.state().keyGrade();
    d.click(d.button(grade->editorPanel(), tr8("On picture")));
    d.drag(grade->view(), at(d, 0.5, 0.95), at(d, 0.5, 0.95) + QPointF(-40, 20));
    EXPECT_NE(d.state().keyGrade(), before);
    d.undo();
    EXPECT_EQ(d.state().keyGrade(), before) << "the centre of the band as well";
}

TEST(Hand, PresetsCarryNoLeavings) {
    Driver d({"meadow-cart.jpg"});
    d.start();
    GradePage* grade = d.window().gradePage();
    d.addStage(tr8("Hue bands"));
    d.click(d.button(grade->editorPanel(), tr8("On picture")));
    const QPointF grass = at(d, 0.5, 0.95), dress = at(d, 0.73, 0.45);
    d.click(grade->view(), dress); // a band is moved there, and nothing done with it
    d.drag(grade->view(), grass, grass + QPointF(-40, 0));
    d.chooseStage("wheels");
    d.type(d.named<NumberField>(grade->editorPanel(), tr8("Shadows hue")), tr8("200"), true);
    IncludeSet carried = changedIn(d.state().keyGrade());
    ASSERT_FALSE(carried.empty());
    std::set<std::string> bands;
    for (const CarryPath& path : carried) {
        EXPECT_NE(path.stage, "wheels-1") << "a hue with no amount does nothing";
        bands.insert(path.parameter.substr(0, path.parameter.find('.')));
    }
    EXPECT_EQ(bands.size(), 1u) << "only the band that does something";
    // The sheet ticks the same.
    d.menu(tr8("File"), tr8("Save preset…"));
    d.type(d.named<QLineEdit>(d.sheet(), tr8("Preset name")), tr8("Straw"));
    d.click(d.button(d.sheet(), tr8("Save preset")));
    const LibraryEntry* saved = nullptr;
    for (const LibraryEntry& entry : d.state().presets())
        if (entry.name == "Straw") saved = &entry;
    ASSERT_NE(saved, nullptr);
    IncludeSet there = presentIn(saved->preset->carried);
    EXPECT_EQ(there.size(), carried.size());
}

TEST(Hand, TheWipesLineIsTheLineAllAlong) {
    Driver d({"meadow-cart.jpg"});
    d.start();
    GradePage* grade = d.window().gradePage();
    PictureView* view = grade->view();
    d.addStage(tr8("Hue bands"));
    d.key("W");
    d.settle();
    d.click(d.button(grade->editorPanel(), tr8("On picture")));
    const Grade before = d.state().keyGrade();
    const auto shapeAt = [&](QPointF place) {
        QTest::mouseMove(view, place.toPoint());
        QMouseEvent move(QEvent::MouseMove, place, view->mapToGlobal(place), Qt::NoButton, Qt::NoButton, {});
        QApplication::sendEvent(view, &move);
        return view->cursor().shape();
    };
    for (const double height : {0.1, 0.5, 0.9}) {
        const QPointF line = at(d, view->wipePosition(), height);
        EXPECT_EQ(shapeAt(line), Qt::SplitHCursor);
        const double was = view->wipePosition();
        d.drag(view, line, line + QPointF(30, 0));
        EXPECT_GT(view->wipePosition(), was) << height;
        EXPECT_EQ(d.state().keyGrade(), before) << "the line moved, not the colour";
    }
    const QPointF beside = at(d, view->wipePosition(), 0.95) + QPointF(60, 0);
    EXPECT_EQ(shapeAt(beside), Qt::CrossCursor) << "here a press works the stage, and the pointer says so";
    EXPECT_EQ(shapeAt({2, 2}), Qt::ArrowCursor) << "beside the picture it does not";
    d.drag(view, beside, beside + QPointF(-30, 0));
    EXPECT_NE(d.state().keyGrade(), before);
}

TEST(Hand, AHueIsTakenFromASampleByOnePressAndShownOnThePicture) {
    Driver d({"red-curtain.jpg"});
    d.start();
    GradePage* grade = d.window().gradePage();
    rightClick(grade->view(), at(d, 0.63, 0.60));
    pick(tr8("Sample point here"));
    QTest::qWait(30);
    ASSERT_TRUE(grade->samplesText().contains(tr8("hue"))) << grade->samplesText().toStdString();
    // Beside the picture there is nothing to pin.
    rightClick(grade->view(), at(d, -0.2, 0.5));
    auto* menu = qobject_cast<QMenu*>(QApplication::activePopupWidget());
    ASSERT_TRUE(menu);
    for (const QAction* action : menu->actions()) EXPECT_NE(action->text(), tr8("Sample point here"));
    menu->close();
    const auto colour = meanColour(readPicture(d.folder() / "red-curtain.jpg").picture, {0.63, 0.60});
    const double hue = hueOf(colour);
    EXPECT_TRUE(grade->samplesText().contains(tr8("hue %1°").arg(std::lround(hue)))) << "as every control tells it";
    EXPECT_TRUE(grade->samplesText().contains(tr8("lightness")));
    // A band, a limit's own scale and a handle of the disc: one press each, one number everywhere.
    d.addStage(tr8("Hue bands"));
    const QString own = tr8("Hue of sample 1: %1°").arg(std::lround(hue));
    const auto opposite = [&] {
        for (QPushButton* each : grade->editorPanel()->findChildren<QPushButton*>())
            if (each->isVisible() && each->accessibleName().startsWith(tr8("Opposite of sample 1: "))) return each;
        return static_cast<QPushButton*>(nullptr);
    };
    d.click(d.named<QPushButton>(grade->editorPanel(), own));
    const int band = editorOf<HueBandsEditor>(d)->lanes()->chosen() + 1;
    EXPECT_EQ(d.named<NumberField>(grade->editorPanel(), tr8("Band %1 hue").arg(band))->value(), std::round(hue));
    d.chooseStage("wheels");
    d.click(d.named<QPushButton>(grade->editorPanel(), own));
    auto* field = d.named<NumberField>(grade->editorPanel(), tr8("Shadows hue"));
    EXPECT_NEAR(field->value(), hue, 1) << "the click fell on a pixel beside";
    const double pulled = numberOf(d.state().keyGrade(), "wheels-1", "shadows.hue");
    // The pull has changed what the sample reads: the opposite of what it read before.
    EXPECT_TRUE(d.undo());
    d.settle();
    d.click(opposite());
    EXPECT_NEAR(std::remainder(numberOf(d.state().keyGrade(), "wheels-1", "shadows.hue") - (pulled + 180), 360), 0,
                1e-6)
        << "right across the disc";
    // Typed in the one scale, it is the same pull.
    d.type(field, tr8("29"), true);
    EXPECT_NEAR(hueOfDirection(numberOf(d.state().keyGrade(), "wheels-1", "shadows.hue")), 29, 1e-6);
    EXPECT_TRUE(d.undo());
    EXPECT_TRUE(d.undo());
    d.settle();
    d.click(d.named<QPushButton>(grade->editorPanel(), own));
    // The other way round: where this hue lies. The curtain stays lit, the teal coat does not.
    d.settle();
    const QPointF curtain = at(d, 0.63, 0.60), coat = at(d, 0.42, 0.62);
    const auto seen = [&](QPointF place) {
        return grade->view()->grab().toImage().pixelColor(place.toPoint()).lightness();
    };
    const int curtainBefore = seen(curtain), coatBefore = seen(coat);
    QPushButton* show = d.button(grade->editorPanel(), tr8("Show where"));
    QTest::mousePress(show, Qt::LeftButton);
    EXPECT_GT(seen(curtain), curtainBefore * 0.8);
    EXPECT_LT(seen(coat), coatBefore * 0.6);
    QTest::mouseRelease(show, Qt::LeftButton);
    EXPECT_EQ(seen(coat), coatBefore) << "let go, all is as it was";
    // A handle in the hand lights its tones; the hand that moves sees the picture.
    auto* disc = editorOf<WheelsEditor>(d)->disc();
    const QPointF middle = disc->discPoint(0, 0);
    const QPointF dark = at(d, 0.04, 0.5), light = at(d, 0.408, 0.345);
    const int darkBefore = seen(dark), lightBefore = seen(light);
    QTest::mousePress(disc, Qt::LeftButton, {}, middle.toPoint());
    EXPECT_LT(seen(light), lightBefore * 0.75) << "the face is no shadow";
    EXPECT_GE(seen(dark), darkBefore * 0.8);
    pullOn(disc, middle, middle + QPointF(1, 0));
    EXPECT_NEAR(seen(light), lightBefore, 12) << "while it moves, the picture is judged";
    QTest::mouseRelease(disc, Qt::LeftButton, {}, middle.toPoint());
    EXPECT_EQ(d.state().history(0).back().isDone, true);
}

TEST(Hand, CtrlClickAddsAndTakesAway) {
    Driver d({"lake-fog.jpg", "meadow-cart.jpg", "snow-yard.jpg", "red-curtain.jpg", "spotlight.jpg"});
    d.start();
    QListView* tray = d.window().gradePage()->tray();
    const auto chosen = [&] { return d.state().selection(); };
    chooseWith(tray, 0, Qt::NoModifier);
    EXPECT_EQ(chosen(), (std::vector<int>{0}));
    chooseWith(tray, 3, Qt::ControlModifier);
    EXPECT_EQ(chosen(), (std::vector<int>{0, 3}));
    EXPECT_EQ(d.state().key(), 0) << "what is looked at stays";
    chooseWith(tray, 4, Qt::ControlModifier);
    EXPECT_EQ(chosen(), (std::vector<int>{0, 3, 4}));
    EXPECT_EQ(tray->selectionModel()->selectedIndexes().size(), 3) << "and the tray shows it";
    chooseWith(tray, 3, Qt::ControlModifier);
    EXPECT_EQ(chosen(), (std::vector<int>{0, 4}));
    chooseWith(tray, 0, Qt::ControlModifier);
    EXPECT_EQ(chosen(), (std::vector<int>{4}));
    EXPECT_EQ(d.state().key(), 4) << "the one that is left";
    chooseWith(tray, 4, Qt::ControlModifier);
    EXPECT_EQ(chosen(), (std::vector<int>{4})) << "one stays chosen";
    chooseWith(tray, 1, Qt::ShiftModifier);
    EXPECT_EQ(chosen().size(), 4u);
    chooseWith(tray, 2, Qt::NoModifier);
    EXPECT_EQ(chosen(), (std::vector<int>{2}));
}

TEST(Hand, EditsOfSeveralAreShownAndMadeOfOneByOnePress) {
    Driver d({"lake-fog.jpg", "meadow-cart.jpg", "snow-yard.jpg"});
    d.start();
    GradePage* grade = d.window().gradePage();
    // Beside a field, Ctrl+A is not of pictures.
    d.chooseStage("saturation");
    auto* field = d.named<NumberField>(grade->editorPanel(), tr8("Saturation"));
    rulerOf(d, "Saturation")->setFocus();
    QTest::keyClick(rulerOf(d, "Saturation"), Qt::Key_A, Qt::ControlModifier);
    EXPECT_EQ(d.state().selection().size(), 1u);
    d.click(field);
    QTest::keyClick(field, Qt::Key_A, Qt::ControlModifier);
    EXPECT_EQ(d.state().selection().size(), 1u);
    EXPECT_EQ(field->selectedText(), field->text());
    // In the tray it is.
    const QImage alone = grade->view()->grab().toImage();
    grade->tray()->setFocus();
    QTest::keyClick(grade->tray(), Qt::Key_A, Qt::ControlModifier);
    ASSERT_EQ(d.state().selection().size(), 3u);
    d.settle();
    EXPECT_NE(grade->view()->grab().toImage(), alone) << "a frame beside the picture";
    EXPECT_EQ(grade->view()->grab().toImage().pixelColor(1, 60), theme::colours().accent);
    d.type(field, tr8("-40"), true);
    const auto saturationOf = [&](int i) {
        return numberOf(d.state().pictures().at(i).work.grade, "saturation-1", "overall");
    };
    for (int i = 0; i < 3; ++i) EXPECT_NEAR(saturationOf(i), -0.4, 1e-9) << i;
    // One press: it was meant for this one.
    QPushButton* chip = grade->compareBar()->chip();
    const QRect place = chip->geometry();
    d.click(chip);
    EXPECT_NEAR(saturationOf(0), -0.4, 1e-9);
    EXPECT_EQ(saturationOf(1), 0);
    EXPECT_EQ(saturationOf(2), 0);
    EXPECT_EQ(chip->geometry(), place);
    EXPECT_EQ(d.state().selection().size(), 3u) << "they stay chosen";
    d.type(field, tr8("-10"), true);
    EXPECT_EQ(saturationOf(1), 0);
    d.undo();
    EXPECT_NEAR(saturationOf(0), -0.4, 1e-9);
    d.undo();
    EXPECT_EQ(saturationOf(0), 0);
    EXPECT_EQ(saturationOf(1), 0);
    // Another press: to all again.
    d.click(chip);
    d.type(field, tr8("20"), true);
    EXPECT_NEAR(saturationOf(2), 0.2, 1e-9);
    d.undo();
    EXPECT_EQ(saturationOf(2), 0);
}

} // namespace baryton::test
