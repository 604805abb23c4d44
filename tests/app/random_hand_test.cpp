// A hand that does anything at all: nothing falls over, and undo leads back through all of it.
#include "app/driver.h"
#include "app/keys.h"

#include <QAbstractItemView>
#include <QApplication>
#include <QFileDialog>
#include <QMenu>
#include <QPointer>
#include <QScrollBar>
#include <QTest>
#include <QTimer>
#include <QWheelEvent>
#include <cstdlib>
#include <gtest/gtest.h>
#include <iostream>
#include <random>
#include <set>

namespace baryton::test {

namespace {

class RandomHand {
public:
    RandomHand(Driver& driver, unsigned seed) : driver_(driver), random_(seed) {
        // A button's menu holds the hand until it is closed.
        QObject::connect(&watch_, &QTimer::timeout, [this] {
            QWidget* popup = QApplication::activePopupWidget();
            if (popup && actions_ == watched_) popup->close();
            watched_ = actions_;
        });
        watch_.start(250);
    }

    /// One action on whatever lies uppermost.
    void act() {
        ++actions_;
        driver_.window().show(); // it may have found Quit
        if (QWidget* popup = QApplication::activePopupWidget())
            onPopup(popup);
        else if (QDialog* sheet = driver_.sheetIfAny())
            onSheet(sheet);
        else if (chance(0.3))
            pressCommand();
        else if (chance(0.15))
            pressKey(&driver_.window());
        else
            useSome(&driver_.window());
        QTest::qWait(chance(0.1) ? 120 : 1);
    }

    /// Leaves everything that is open, without a choice.
    void leave() {
        for (int i = 0; i < 20; ++i) {
            if (QWidget* popup = QApplication::activePopupWidget())
                popup->close();
            else if (QDialog* sheet = driver_.sheetIfAny())
                sheet->reject();
            else
                return;
            QTest::qWait(5);
        }
    }

    QString told() const { return told_; }

private:
    bool chance(double share) { return std::uniform_real_distribution<>(0, 1)(random_) < share; }
    int below(int count) { return std::uniform_int_distribution<>(0, count - 1)(random_); }
    template <class Of>
    auto some(const Of& of) {
        return of[below(static_cast<int>(of.size()))];
    }
    QPoint placeIn(const QWidget* widget) { return {below(widget->width()), below(widget->height())}; }
    void tell(const QString& what) {
        told_ = what;
        if (std::getenv("BARYTON_TELL")) std::cerr << what.toStdString() << std::endl;
    }

    void onPopup(QWidget* popup) {
        auto* menu = qobject_cast<QMenu*>(popup);
        if (!menu || chance(0.4)) {
            if (!menu && chance(0.7)) return useSome(popup);
            tell(tr8("close the popup"));
            popup->close();
            return;
        }
        QList<QAction*> enabled;
        for (QAction* action : menu->actions())
            if (action->isEnabled() && action->isVisible() && !action->menu() && !leaves(action->text()))
                enabled.append(action);
        if (enabled.isEmpty()) return void(popup->close());
        QAction* chosen = some(enabled);
        tell(tr8("menu: ") + chosen->text());
        QTest::mouseClick(menu, Qt::LeftButton, {}, menu->actionGeometry(chosen).center());
    }

    void onSheet(QDialog* sheet) {
        if (qobject_cast<QFileDialog*>(sheet) || chance(0.15)) {
            tell(tr8("leave the sheet"));
            sheet->reject();
        } else if (chance(0.15))
            pressKey(sheet);
        else
            useSome(sheet);
    }

    /// What would open other pictures, or another program, is not for this hand.
    static bool leaves(const QString& text) {
        for (const char* each : {"Quit", "Open folder", "Open pictures", "Open this picture with", "Preferences",
                                 "Bring back", "The Tin Heron Company"})
            if (text.startsWith(tr8(each))) return true;
        return false;
    }

    void pressCommand() {
        const KeyCommand& command = some(keyCommands());
        if (!*command.key || leaves(tr8(command.text))) return;
        tell(tr8("key ") + tr8(command.key));
        driver_.key(command.key);
    }

    void pressKey(QWidget* in) {
        static const std::vector<int> keys = {Qt::Key_Up,     Qt::Key_Down,   Qt::Key_Left,   Qt::Key_Right,
                                              Qt::Key_Home,   Qt::Key_End,    Qt::Key_PageUp, Qt::Key_PageDown,
                                              Qt::Key_Delete, Qt::Key_Return, Qt::Key_Tab,    Qt::Key_Space,
                                              Qt::Key_Escape, Qt::Key_7,      Qt::Key_Minus,  Qt::Key_A};
        QWidget* focus = QApplication::focusWidget();
        const int key = some(keys);
        tell(QStringLiteral("press %1").arg(QKeySequence(key).toString()));
        QTest::keyClick(focus ? focus : in, static_cast<Qt::Key>(key),
                        chance(0.2) ? Qt::ShiftModifier : Qt::NoModifier);
    }

    /// What does nothing of its own.
    static bool isIdle(const QWidget* widget) {
        static const std::set<std::string> idle = {"QWidget",        "QLabel",      "QFrame",
                                                   "QStackedWidget", "QScrollArea", "QStatusBar",
                                                   "QSplitter",      "QMenuBar",    "QScrollBar"};
        return idle.contains(widget->metaObject()->className()) && !widget->parent()->inherits("QAbstractItemView");
    }

    /// Click, double click, drag, wheel or the context menu, on some widget in sight.
    void useSome(QWidget* in) {
        QWidgetList usable;
        for (QWidget* each : in->findChildren<QWidget*>())
            if (each->isVisible() && each->isEnabled() && !each->visibleRegion().isEmpty() &&
                each->window() == in->window() && !isIdle(each))
                usable.append(each);
        if (usable.isEmpty()) return;
        const QPointer<QWidget> chosen = some(usable);
        const QPoint at = placeIn(chosen);
        const int what = below(10);
        tell(QStringLiteral("%1 on %2 %3 at %4 %5")
                 .arg(what)
                 .arg(tr8(chosen->metaObject()->className()), chosen->accessibleName() + chosen->objectName())
                 .arg(at.x())
                 .arg(at.y()));
        const Qt::KeyboardModifiers keys = chance(0.15)   ? Qt::ControlModifier
                                           : chance(0.15) ? Qt::ShiftModifier
                                                          : Qt::NoModifier;
        if (what < 4)
            QTest::mouseClick(chosen, Qt::LeftButton, keys, at);
        else if (what < 7)
            driver_.drag(chosen, at, placeIn(chosen), keys);
        else if (what == 7) {
            QTest::mouseClick(chosen, Qt::LeftButton, {}, at);
            if (chosen && QApplication::widgetAt(chosen->mapToGlobal(at)) == chosen)
                QTest::mouseDClick(chosen, Qt::LeftButton, {}, at);
        } else if (what == 8) {
            QWheelEvent wheel(at, chosen->mapToGlobal(at), {}, {0, chance(0.5) ? 120 : -120}, {}, keys,
                              Qt::NoScrollPhase, false);
            QApplication::sendEvent(chosen, &wheel);
        } else {
            QContextMenuEvent menu(QContextMenuEvent::Mouse, at, chosen->mapToGlobal(at));
            QApplication::sendEvent(chosen, &menu);
        }
    }

    Driver& driver_;
    std::mt19937 random_;
    QString told_;
    QTimer watch_;
    int actions_ = 0, watched_ = 0;
};

/// Ids that stand for more than one stage or layer of a grade.
std::string sharedIds(const Grade& grade) {
    std::set<std::string> seen;
    std::string shared;
    for (const StagePlace& place : stagePlaces(grade))
        if (!seen.insert(stageAt(grade, place).id).second) shared += stageAt(grade, place).id + " ";
    for (const Layer& layer : grade.look)
        if (!seen.insert(layer.id).second) shared += layer.id + " ";
    return shared;
}

int numberFrom(const char* variable, int otherwise) {
    const char* set = std::getenv(variable);
    return set ? std::atoi(set) : otherwise;
}

} // namespace

TEST(RandomHand, NothingFallsOverAndUndoLeadsBackThroughAllOfIt) {
    Driver d({"lake-fog.jpg", "snow-yard.jpg", "meadow-cart.jpg"});
    d.start();
    const int opened = d.state().pictures().size();
    std::vector<PictureWork> before;
    for (int i = 0; i < opened; ++i) before.push_back(d.state().pictures().at(i).work);
    const auto seed = static_cast<unsigned>(numberFrom("BARYTON_SEED", 1));
    RandomHand hand(d, seed);
    for (int i = 0, actions = numberFrom("BARYTON_ACTIONS", 120); i < actions; ++i) {
        hand.act();
        for (int p = 0; p < opened; ++p)
            ASSERT_EQ(sharedIds(d.state().pictures().at(p).work.grade), "") << hand.told().toStdString();
        ASSERT_EQ(d.state().pictures().size(), opened) << hand.told().toStdString();
    }
    hand.leave();
    d.key("Ctrl+1");
    for (int i = 0; i < opened; ++i) {
        d.state().setKey(i);
        int steps = 0;
        while (d.undo() && ++steps < 5000) {
        }
        EXPECT_EQ(d.state().pictures().at(i).work.grade, before[static_cast<std::size_t>(i)].grade) << i;
        EXPECT_EQ(d.state().pictures().at(i).work.takes.size(), before[static_cast<std::size_t>(i)].takes.size())
            << i;
    }
    d.settle();
}

} // namespace baryton::test
