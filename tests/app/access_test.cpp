// What those who don't see the screen, or don't use a mouse, are given.
#include "app/cut_text.h"
#include "app/grade/colour_editors.h"
#include "app/grade/tone_editors.h"
#include "app/widgets/readable.h"
#include "app/widgets/triangle_view.h"
#include "package/grade_store.h"

#include <QAccessible>
#include <QMenuBar>
#include <QTest>
#include <QWheelEvent>
#include <gtest/gtest.h>

namespace baryton::test {

namespace {

QString wordsOf(QWidget* widget) {
    return QAccessible::queryAccessibleInterface(widget)->text(QAccessible::Value);
}

/// What can take the focus in sight and has no name for it.
QStringList namelessIn(QWidget* parent) {
    QStringList nameless;
    for (QWidget* each : parent->findChildren<QWidget*>()) {
        if (!each->isVisible() || each->focusPolicy() == Qt::NoFocus || each->focusProxy()) continue;
        if (qobject_cast<QScrollArea*>(each) || qobject_cast<QScrollBar*>(each)) continue;
        // A label is named by its text, which may still be worked out.
        if (const auto* label = qobject_cast<QLabel*>(each); label && label->text().isEmpty()) continue;
        if (QAccessible::queryAccessibleInterface(each)->text(QAccessible::Name).isEmpty())
            nameless.append(tr8(each->metaObject()->className()) + u' ' + each->objectName() + tr8(" in ") +
                            tr8(each->parentWidget()->metaObject()->className()));
    }
    return nameless;
}

/// The canvases below a widget that an assistive tool takes for something else.
QStringList unreadableIn(QWidget* parent) {
    QStringList unreadable;
    for (QWidget* each : parent->findChildren<QWidget*>())
        if (const auto* readable = dynamic_cast<Readable*>(each))
            if (QAccessible::queryAccessibleInterface(each)->role() != readable->readableRole() ||
                wordsOf(each) != readable->inWords())
                unreadable.append(tr8(each->metaObject()->className()) + u' ' + each->accessibleName());
    return unreadable;
}

} // namespace

TEST(Access, CanvasesAreReadableFromTheFirstWindowOn) {
    QAccessible::setActive(true); // a tool listens while the widgets come to be
    Driver d({"lake-fog.jpg"});
    d.start();
    EXPECT_EQ(unreadableIn(&d.window()), QStringList());
    for (const StageType* type : stageTypes()) {
        if (!canAddStage(*type)) continue;
        d.addStage(QString::fromStdString(type->name));
        EXPECT_EQ(unreadableIn(&d.window()), QStringList()) << type->id;
    }
    QAccessible::setActive(false);
}

TEST(Access, EverythingThatTakesTheFocusHasAName) {
    Driver d({"stage-door.dng", "workshop-window.jpg"});
    d.start();
    EXPECT_EQ(namelessIn(&d.window()), QStringList());
    for (const StageType* type : stageTypes()) {
        if (canAddStage(*type))
            d.addStage(QString::fromStdString(type->name));
        else
            d.chooseStage(type->id);
        EXPECT_EQ(namelessIn(d.window().gradePage()->editorPanel()), QStringList()) << type->id;
    }
    d.menu(tr8("Picture"), tr8("Takes and steps"));
    EXPECT_EQ(namelessIn(d.window().gradePage()->steps()), QStringList());
    d.key("Ctrl+L");
    QTest::qWait(100);
    EXPECT_EQ(namelessIn(d.window().gradePage()->shelf()), QStringList());
    for (const char* task : {"Ctrl+2", "Ctrl+3"}) {
        d.key(task);
        QTest::qWait(200);
        EXPECT_EQ(namelessIn(&d.window()), QStringList()) << task;
    }
}

TEST(Access, CanvasesSayWhatTheyShowAndAreWorkedByKeys) {
    Driver d({"lake-fog.jpg"});
    d.start();
    GradePage* grade = d.window().gradePage();
    const auto editor = [&] { return grade->editorPanel()->editor(); };
    d.chooseStage("curves");
    CurveView* curve = qobject_cast<CurvesEditor*>(editor())->view();
    EXPECT_EQ(QAccessible::queryAccessibleInterface(curve)->role(), QAccessible::Slider);
    EXPECT_EQ(wordsOf(curve), tr8("2 points"));
    curve->setFocus();
    d.click(curve, curve->toWidget({0.5, 0.5}));
    QTest::keyClick(curve, Qt::Key_Up, Qt::ShiftModifier);
    EXPECT_TRUE(wordsOf(curve).startsWith(tr8("point 2 of 3: "))) << wordsOf(curve).toStdString();
    const auto& made = std::get<Curve>(
        stageAt(d.state().keyGrade(), *findStage(d.state().keyGrade(), "curves-1")).parameters.at("rgb"))[1];
    EXPECT_TRUE(wordsOf(curve).endsWith(tr8(" to %1").arg(std::lround(made.y * 255))));

    d.chooseStage("wheels");
    auto* wheels = qobject_cast<WheelsEditor*>(editor());
    EXPECT_EQ(wordsOf(wheels->disc()), tr8("Shadows: no pull"));
    wheels->disc()->setFocus();
    QTest::keyClick(wheels->disc(), Qt::Key_Period);
    QTest::keyClick(wheels->disc(), Qt::Key_Up, Qt::ShiftModifier);
    EXPECT_EQ(wordsOf(wheels->disc()), tr8("Midtones: hue %1°, amount 10").arg(std::lround(hueOfDirection(90))));
    wheels->axis()->setFocus();
    QTest::keyClick(wheels->axis(), Qt::Key_Up, Qt::ShiftModifier);
    EXPECT_EQ(wordsOf(wheels->axis()), tr8("Midtones: level 10"));
    QTest::keyClick(wheels->axis(), Qt::Key_Right);
    EXPECT_EQ(wordsOf(wheels->axis()), tr8("Highlights: level 0"));

    d.addStage(tr8("Primaries"));
    TriangleView* triangle = qobject_cast<PrimariesEditor*>(editor())->triangle();
    triangle->setFocus();
    QTest::keyClick(triangle, Qt::Key_Right);
    EXPECT_TRUE(wordsOf(triangle).startsWith(tr8("red corner: turn ")));
    EXPECT_FALSE(wordsOf(triangle).contains(tr8("turn 0°")));

    // An assistive tool turns a ruler as a hand would.
    d.chooseStage("exposure");
    auto* ruler = d.named<Ruler>(grade->editorPanel(), tr8("Stops"));
    QAccessibleValueInterface* value = QAccessible::queryAccessibleInterface(ruler)->valueInterface();
    ASSERT_NE(value, nullptr);
    EXPECT_EQ(value->maximumValue().toDouble(), 5);
    value->setCurrentValue(1.5);
    EXPECT_EQ(
        std::get<double>(
            stageAt(d.state().keyGrade(), *findStage(d.state().keyGrade(), "exposure-1")).parameters.at("stops")),
        1.5);
    EXPECT_EQ(value->currentValue().toDouble(), 1.5);

    EXPECT_EQ(wordsOf(grade->chain()->card("exposure-1")), tr8("on"));
    grade->chain()->card("exposure-1")->setFocus();
    QTest::keyClick(grade->chain()->card("exposure-1"), Qt::Key_Space);
    EXPECT_EQ(wordsOf(grade->chain()->card("exposure-1")), tr8("off"));
    EXPECT_TRUE(wordsOf(grade->view()).startsWith(tr8("1800 by 1200 pixels at ")))
        << wordsOf(grade->view()).toStdString();
}

TEST(Window, EveryCommandCanBeGivenWithNothingOpen) {
    const Driver folders; // of settings and presets
    MainWindow window(folders.libraryRoot());
    window.resize(1280, 800);
    window.show();
    ASSERT_TRUE(QTest::qWaitForWindowActive(&window));
    int given = 0;
    for (QMenu* menu : window.findChild<QMenuBar*>()->findChildren<QMenu*>())
        for (QAction* action : menu->actions()) {
            const QString text = action->text().section(u'\t', 0, 0);
            if (action->menu() || action->isSeparator() || text == tr8("Quit")) continue;
            action->trigger();
            ++given;
            QTest::qWait(5);
            for (QWidget* each : QApplication::topLevelWidgets())
                if (each != &window && each->isVisible()) each->close();
        }
    EXPECT_GT(given, 50);
    EXPECT_EQ(window.state().key(), -1);
    EXPECT_TRUE(window.isVisible());
}

TEST(Window, NoTextIsCut) {
    Driver d({"stage-door.dng", "workshop-window.jpg"}); // a raw file has every editor
    d.start();
    expectNothingCut(d);
}

TEST(Window, TheLayoutIsAsItWasLeft) {
    Driver d({"lake-fog.jpg"});
    d.start();
    ScopePanel* scopes = d.window().gradePage()->scopes();
    d.click(scopes->kinds()->button(3));
    EXPECT_EQ(scopes->wanted(), PreviewRequest::Scope::Vectorscope);
    const int editor = d.window().gradePage()->editorPanel()->height();
    d.click(scopes->fold());
    QTest::qWait(30);
    EXPECT_FALSE(scopes->vectorscope()->isVisible());
    EXPECT_GT(d.window().gradePage()->editorPanel()->height(), editor + 100) << "the editor has its room";
    EXPECT_EQ(scopes->wanted(), PreviewRequest::Scope::None) << "nothing is counted that isn't seen";
    QWheelEvent larger(QPointF(20, 20), d.window().gradePage()->tray()->mapToGlobal(QPointF(20, 20)), {}, {0, 120},
                       Qt::NoButton, Qt::ControlModifier, Qt::NoScrollPhase, false);
    QApplication::sendEvent(d.window().gradePage()->tray()->viewport(), &larger);
    const int tray = d.window().gradePage()->tray()->width();
    d.stop();
    d.start();
    scopes = d.window().gradePage()->scopes();
    EXPECT_FALSE(scopes->vectorscope()->isVisible());
    EXPECT_EQ(d.window().gradePage()->tray()->width(), tray);
    d.click(scopes->fold());
    QTest::qWait(30);
    EXPECT_TRUE(scopes->vectorscope()->isVisible());
}

TEST(Window, LayerPartAndPictureAreResetToHowTheyWereOpenedThenToBare) {
    Driver d({"lake-fog.jpg"});
    Grade opened = startingGrade();
    opened.prep[0].parameters["stops"] = 0.5;
    opened.look[0].strength = 0.8;
    opened.look[0].stages[2].parameters["overall"] = 0.2;
    opened.finish[0].parameters["stops"] = -1.0;
    storeGrade(d.folder() / "lake-fog.jpg", opened);
    d.start();
    const Grade first = d.state().keyGrade();
    const Grade bare = startingGrade();
    GradePage* grade = d.window().gradePage();
    const auto change = [&] {
        for (const auto& [type, name] : {std::pair("exposure", "Stops"), std::pair("saturation", "Saturation"),
                                         std::pair("vignette", "Stops")}) {
            d.chooseStage(type);
            d.type(d.named<NumberField>(grade->editorPanel(), tr8(name)), tr8("1"), true);
        }
        ASSERT_NE(d.state().keyGrade(), first);
    };
    change();
    d.menu(tr8("Edit"), tr8("Reset Prep"));
    EXPECT_EQ(d.state().keyGrade().prep, first.prep);
    EXPECT_NE(d.state().keyGrade().look, first.look);
    d.menu(tr8("Edit"), tr8("Reset Prep"));
    EXPECT_EQ(d.state().keyGrade().prep, bare.prep);
    d.menu(tr8("Edit"), tr8("Reset the Look"));
    EXPECT_EQ(d.state().keyGrade().look, first.look);
    d.menu(tr8("Edit"), tr8("Reset Finish"));
    EXPECT_EQ(d.state().keyGrade().finish, first.finish);
    change();
    d.chooseStage("saturation");
    d.menu(tr8("Edit"), tr8("Reset the layer"));
    EXPECT_EQ(d.state().keyGrade().look, first.look);
    d.menu(tr8("Edit"), tr8("Reset the layer"));
    EXPECT_TRUE(isNeutral(d.state().keyGrade().look[0].stages[2]));
    EXPECT_EQ(d.state().keyGrade().look[0].strengthOrFull(), 1);
    EXPECT_NE(d.state().keyGrade().finish, first.finish) << "just the layer";
    d.menu(tr8("Edit"), tr8("Reset the picture"));
    EXPECT_EQ(d.state().keyGrade(), first);
    d.menu(tr8("Edit"), tr8("Reset the picture"));
    EXPECT_TRUE(isNeutral(d.state().keyGrade()));
    EXPECT_TRUE(d.undo());
    EXPECT_EQ(d.state().keyGrade(), first);
}

} // namespace baryton::test
