// Calm, room and finding: warnings with their remedies, problems that cover nothing, panels that stay, searches by
// purpose, a history that comes back, and a small job by keys alone.
#include "app/grade/add_stage_list.h"
#include "app/grade/chain_scroll.h"
#include "app/grade/colour_editors.h"
#include "app/grade/tone_editors.h"
#include "app/palette.h"
#include "app/screen_helpers.h"
#include "base/file.h"
#include "lut/lut_file.h"
#include "package/grade_store.h"

#include <QScrollBar>
#include <QSplitterHandle>

namespace baryton::test {

namespace fs = std::filesystem;

namespace {

AddStageList* openAddList(Driver& d) {
    d.key("Ctrl+Shift+N");
    return qobject_cast<AddStageList*>(QApplication::activePopupWidget());
}

QStringList found(const FindPopup* popup) {
    QStringList names;
    for (int row = 0; row < popup->list()->count(); ++row)
        if (!popup->list()->item(row)->isHidden())
            names.append(popup->list()->item(row)->text().section(u'\n', 0, 0));
    return names;
}

/// Where a widget lies in the window.
QRect inWindow(Driver& d, const QWidget* widget) {
    return {widget->mapTo(&d.window(), QPoint(0, 0)), widget->size()};
}

/// Goes on with Tab until a widget of a class has the focus.
template <class T>
T* tabTo() {
    for (int i = 0; i < 80; ++i) {
        if (auto* there = qobject_cast<T*>(QApplication::focusWidget())) return there;
        QTest::keyClick(QApplication::focusWidget(), Qt::Key_Tab);
    }
    return nullptr;
}

} // namespace

TEST(Warnings, HaveTheirRemedyBesideThemShownByPointingAndDoneByAPress) {
    Driver d({"lake-fog.jpg", "red-curtain.jpg"});
    d.start();
    GradePage* grade = d.window().gradePage();
    d.chooseRow(grade->tray(), 1);
    d.settle();
    d.addStage(tr8("Hue bands"));
    const std::string id = d.state().chosenStage();
    d.state().setParameters(id, {{"band1.centre", 25.0}, {"band1.width", 45.0}, {"band1.saturation", 0.35}}, true);
    FindingsStrip* findings = grade->editorPanel()->findings();
    ASSERT_TRUE(Driver::waitFor([&] { return findings->mend()->isVisible(); }));
    EXPECT_EQ(findings->mend()->text(), tr8("Hold colours in"));
    EXPECT_TRUE(findings->text()->text().contains(tr8("folds")));
    int warned = 0;
    for (StageCard* card : grade->chain()->findChildren<StageCard*>()) warned += card->inWords().contains(u',');
    EXPECT_EQ(warned, 1) << "once, at the stage at fault";
    const Grade before = d.state().keyGrade();
    const QRect place = inWindow(d, findings->mend());
    QTest::mouseMove(findings->mend());
    ASSERT_TRUE(Driver::waitFor([&] { return d.state().isTrying(); }, 5));
    EXPECT_EQ(d.state().shownGrade().look.back().stages.back().type, "gamut") << "pointing shows it";
    d.settle();
    EXPECT_EQ(inWindow(d, findings->mend()), place);
    EXPECT_TRUE(findings->mend()->isVisible()) << "it stays under the pointer";
    d.click(findings->mend());
    EXPECT_EQ(d.state().keyGrade().look.back().stages.back().type, "gamut");
    ASSERT_TRUE(Driver::waitFor([&] { return !findings->mend()->isVisible(); })) << "it is mended";
    d.undo();
    EXPECT_EQ(d.state().keyGrade(), before) << "one step";
    // A remedy is this picture's: with the next one it is gone at once.
    ASSERT_TRUE(Driver::waitFor([&] { return findings->mend()->isVisible(); }));
    d.state().setKey(0);
    EXPECT_FALSE(findings->mend()->isVisible());
    EXPECT_TRUE(findings->text()->text().isEmpty());
}

TEST(Problems, CoverNothingAndAreKeptUntilCleared) {
    Driver d({"lake-fog.jpg", "snow-yard.jpg"});
    d.start();
    auto* line = d.window().findChild<ProblemLine*>();
    EXPECT_FALSE(line->button()->isVisible());
    const QRegion chain = d.window().gradePage()->chain()->visibleRegion();
    d.state().tell(tr8("thing.cube: line 3: not a number. Write it anew"), true);
    EXPECT_TRUE(d.isTold("line 3"));
    EXPECT_EQ(d.window().gradePage()->chain()->visibleRegion(), chain);
    for (QWidget* each : d.window().findChildren<QWidget*>())
        if (each->isVisible() && each->parentWidget() == d.window().centralWidget())
            EXPECT_TRUE(d.window().centralWidget()->layout()->indexOf(each) >= 0) << "nothing lies over the work";
    line->rest();
    EXPECT_EQ(line->currentWidget(), line->pointerText());
    ASSERT_TRUE(line->button()->isVisible());
    d.click(line->button());
    auto* popup = QApplication::activePopupWidget();
    ASSERT_NE(popup, nullptr);
    EXPECT_TRUE(QRect(popup->pos(), popup->size()).bottom() < line->button()->mapToGlobal(QPoint(0, 0)).y());
    d.click(d.button(popup, tr8("Clear")));
    EXPECT_TRUE(line->problems().isEmpty());
    EXPECT_FALSE(line->button()->isVisible());
}

TEST(Finding, StagesAreFoundByWhatTheyAreFor) {
    Driver d({"lake-fog.jpg"});
    d.start();
    const std::pair<const char*, const char*> wanted[] = {{"burn", "Tone"},
                                                          {"soft", "Saturation"},
                                                          {"fade", "Film response"},
                                                          {"old photograph", "Monochrome"},
                                                          {"neon", "Gamut compression"},
                                                          {"autumn", "Hue bands"}};
    for (const auto& [words, name] : wanted) {
        AddStageList* list = openAddList(d);
        ASSERT_NE(list, nullptr);
        EXPECT_TRUE(list->search()->text().isEmpty()) << "the last word is forgotten";
        QTest::keyClicks(list->search(), tr8(words));
        EXPECT_TRUE(found(list).contains(tr8(name))) << words << ": " << found(list).join(u' ').toStdString();
        EXPECT_LT(found(list).size(), 11) << words;
        QTest::keyClick(list->search(), Qt::Key_Escape);
    }
    AddStageList* list = openAddList(d);
    QTest::keyClicks(list->search(), tr8("qqq"));
    EXPECT_TRUE(list->isEmpty());
    bool isSaid = false;
    for (auto* label : list->findChildren<QLabel*>())
        isSaid = isSaid || (label->isVisible() && !label->text().isEmpty());
    EXPECT_TRUE(isSaid) << "an empty list says so";
    QTest::keyClick(list->search(), Qt::Key_Escape);
    // In everything that can be found, presets tell their group.
    d.key("Ctrl+K");
    auto* palette = qobject_cast<Palette*>(QApplication::activePopupWidget());
    QTest::keyClicks(palette->search(), tr8("limelight tin"));
    EXPECT_EQ(found(palette), QStringList{tr8("Limelight")});
}

TEST(Shelf, GroupsFoldKeysStepTheTrayStaysAndWhatWasUsedIsOnTop) {
    Driver d({"lake-fog.jpg", "snow-yard.jpg"});
    d.start();
    GradePage* grade = d.window().gradePage();
    d.key("Ctrl+L");
    QListView* list = grade->shelf()->list();
    auto* search = grade->shelf()->findChild<QLineEdit*>();
    EXPECT_TRUE(grade->tray()->isVisible()) << "pictures can be switched";
    d.chooseRow(grade->tray(), 1);
    EXPECT_EQ(d.state().key(), 1);
    d.settle();
    // Down from the search is at the first preset, and shows it; on to the next; Enter puts it on.
    search->setFocus();
    QTest::keyClick(search, Qt::Key_Down);
    ASSERT_TRUE(d.state().isTrying());
    const Grade first = d.state().shownGrade();
    QTest::keyClick(list, Qt::Key_Right);
    ASSERT_TRUE(d.state().isTrying());
    EXPECT_NE(d.state().shownGrade(), first) << "the picture follows";
    EXPECT_TRUE(isNeutral(d.state().keyGrade()));
    const QString taken = list->currentIndex().data().toString();
    const Grade shown = d.state().shownGrade();
    QTest::keyClick(list, Qt::Key_Return);
    EXPECT_EQ(d.state().keyGrade(), shown);
    // A heading folds its presets away and says so.
    const int all = Driver::presetsOn(list);
    d.chooseRow(list, Driver::rowOf(list, tr8("Tin Heron")));
    EXPECT_LT(Driver::presetsOn(list), all);
    EXPECT_FALSE(
        list->model()->index(Driver::rowOf(list, tr8("Tin Heron")), 0).data(ShelfModel::IsOpenRole).toBool());
    d.type(search, tr8("limelight"));
    EXPECT_EQ(Driver::presetsOn(list), 1) << "a search looks into folded groups";
    d.type(search, tr8("qqq"));
    EXPECT_FALSE(list->isVisible()) << "an empty result says so";
    d.key("Ctrl+L");
    d.key("Ctrl+L");
    EXPECT_TRUE(search->text().isEmpty()) << "the last word is forgotten";
    EXPECT_EQ(list->model()->index(0, 0).data().toString(), tr8("Used last"));
    EXPECT_EQ(list->model()->index(1, 0).data().toString(), taken);
    EXPECT_FALSE(list->model()->index(Driver::rowOf(list, tr8("Tin Heron")), 0).data(ShelfModel::IsOpenRole).toBool())
        << "folded as it was left";
}

TEST(Samples, AreToldBelowTheTrayAndLieOverNoPicture) {
    Driver d({"red-curtain.jpg"});
    d.start();
    GradePage* grade = d.window().gradePage();
    const QRect picture = inWindow(d, grade->view());
    QContextMenuEvent menu(QContextMenuEvent::Mouse, at(d, 0.3, 0.4).toPoint(),
                           grade->view()->mapToGlobal(at(d, 0.3, 0.4).toPoint()));
    QApplication::sendEvent(grade->view(), &menu);
    pick(tr8("Sample point here"));
    auto* list = grade->findChild<SampleList*>();
    ASSERT_TRUE(list->isVisible());
    QTest::qWait(30);
    EXPECT_TRUE(list->text().contains(tr8("hue")));
    EXPECT_FALSE(inWindow(d, list).intersects(inWindow(d, grade->view())));
    EXPECT_EQ(inWindow(d, grade->view()), picture) << "the picture stays where it was";
    d.click(d.named<QPushButton>(list, tr8("Remove all sample points")));
    EXPECT_FALSE(list->isVisible());
}

TEST(Chain, ShowsThatThereIsMoreAddsAtTheEndAndTellsStagesOfAKindApart) {
    Driver d({"lake-fog.jpg"});
    d.start();
    GradePage* grade = d.window().gradePage();
    auto* scroll = grade->findChild<ChainScroll*>();
    EXPECT_FALSE(scroll->later()->isVisible());
    StageCard* finish = grade->chain()->card("vignette-1");
    d.key("Ctrl+Shift+L"); // a second layer
    d.state().chooseStage("curves-1");
    d.click(d.named<QPushButton>(grade, tr8("Add a stage")));
    auto* list = qobject_cast<AddStageList*>(QApplication::activePopupWidget());
    QTest::keyClicks(list->search(), tr8("curves"));
    QTest::keyClick(list->search(), Qt::Key_Return);
    EXPECT_EQ(d.state().keyGrade().look.back().stages.back().type, "curves") << "the + at the end adds at the end";
    EXPECT_EQ(grade->chain()->card(d.state().chosenStage())->accessibleName(), tr8("Curves 2"));
    finish = grade->chain()->card("vignette-1");
    QTest::qWait(30);
    EXPECT_EQ(finish->visibleRegion().boundingRect(), finish->rect()) << "Finish is in sight with two layers";
    for (int i = 0; i < 7; ++i) d.addStage(tr8("Split tone"));
    QTest::qWait(30);
    d.state().chooseStage("exposure-1");
    QTest::qWait(30);
    ASSERT_TRUE(scroll->later()->isVisible());
    for (int i = 0; i < 8 && scroll->later()->isVisible(); ++i) d.click(scroll->later());
    finish = grade->chain()->card("vignette-1");
    EXPECT_FALSE(finish->visibleRegion().isEmpty());
    EXPECT_TRUE(scroll->earlier()->isVisible());
    d.chooseStage("vignette");
    EXPECT_EQ(finish->visibleRegion().boundingRect(), finish->rect()) << "the chain goes to what is chosen";
}

TEST(Words, SayWhatIsSo) {
    Driver d({"lake-fog.jpg", "snow-yard.jpg"});
    d.start();
    GradePage* grade = d.window().gradePage();
    const auto titleOf = [&](const QString& text) {
        for (auto* label : grade->editorPanel()->findChildren<QLabel*>())
            if (label->property("role").toString() == tr8("heading") && label->isVisible())
                return label->text() == text;
        return false;
    };
    d.key("Ctrl+Shift+L");
    EXPECT_TRUE(titleOf(QString::fromStdString(d.state().keyGrade().look.back().name)))
        << "no layer called layer twice";
    d.state().chooseStage(d.state().keyGrade().look.front().id);
    EXPECT_TRUE(titleOf(tr8("Layer · Base")));
    // No name of a row is cut.
    d.addStage(tr8("Split tone"));
    d.type(d.named<NumberField>(grade->editorPanel(), tr8("Shadows amount")), tr8("20"), true);
    for (auto* label : grade->editorPanel()->findChildren<QLabel*>())
        EXPECT_FALSE(label->isVisible() && label->text().endsWith(QChar(0x2026))) << label->text().toStdString();
    // A batch that has not run says so, and which picture has no grade of its own.
    d.click(d.button(&d.window(), tr8("Batch")));
    auto* table = d.window().batchPage()->findChild<QTableWidget*>();
    EXPECT_EQ(table->item(0, 3)->text(), tr8("to be made")) << "graded since the set was opened";
    EXPECT_EQ(table->item(1, 3)->text(), tr8("to be made, not graded"));
    d.chooseLook(tr8("Limelight"));
    EXPECT_EQ(table->item(1, 4)->text(), tr8("to be made"));
    const auto* looks = d.window().batchPage()->looks()->list();
    const QModelIndex chosen = looks->model()->index(Driver::rowOf(looks, tr8("Limelight")), 0);
    EXPECT_TRUE(chosen.data(ShelfModel::IsChosenRole).toBool());
    EXPECT_TRUE(Driver::waitFor([&] { return !chosen.data(Qt::DecorationRole).value<QImage>().isNull(); }))
        << "drawn on the key picture";
    d.undo();
    EXPECT_FALSE(chosen.data(ShelfModel::IsChosenRole).toBool());
    // The star is hollow while a preset is no favourite.
    d.click(d.button(&d.window(), tr8("Package")));
    QTest::qWait(200);
    auto* star = d.named<QPushButton>(d.window().packagePage(), tr8("Favourite"));
    EXPECT_EQ(star->text(), QString(QChar(0x2606)));
    d.click(star);
    EXPECT_EQ(star->text(), QString(QChar(0x2605)));
}

TEST(Window, PanelEdgesAreDraggedComeBackAndTheScopeGrowsWithoutThePicture) {
    Driver d({"lake-fog.jpg"});
    d.start();
    GradePage* grade = d.window().gradePage();
    const QSize picture = grade->view()->size();
    const int chain = grade->chain()->height();
    d.click(d.named<QPushButton>(grade->scopes(), tr8("Larger scope")));
    EXPECT_EQ(grade->view()->size(), picture);
    EXPECT_EQ(grade->chain()->height(), chain) << "no bare band";
    EXPECT_GT(grade->scopes()->height(), 280);
    d.click(d.named<QPushButton>(grade->scopes(), tr8("Larger scope")));
    QSplitterHandle* edge = grade->area()->columns()->handle(1);
    d.drag(edge, {0, 200}, {-90, 200});
    const int wide = grade->editorPanel()->width();
    EXPECT_GT(wide, 380);
    d.stop();
    d.start();
    grade = d.window().gradePage();
    EXPECT_NEAR(grade->editorPanel()->width(), wide, 2);
    // All of it fits a screen of 1920 × 1080 at scale 2, with shelf and a pinned editor: panels fold for it.
    EXPECT_LE(d.window().minimumSizeHint().width(), 960);
    EXPECT_LE(d.window().minimumSizeHint().height(), 540);
    d.key("Ctrl+L");
    Q_EMIT grade->editorPanel()->pinWanted("curves-1");
    d.window().resize(960, 540);
    QTest::qWait(50);
    EXPECT_EQ(d.window().size(), QSize(960, 540));
    EXPECT_GE(grade->view()->width(), 200);
    EXPECT_FALSE(grade->pinnedPanel()->isVisible()) << "it folds, and comes back with room for it";
    d.window().resize(1600, 900);
    QTest::qWait(50);
    EXPECT_TRUE(grade->tray()->isVisible());
    EXPECT_TRUE(grade->pinnedPanel()->isVisible());
}

TEST(Editors, EndInWholeRows) {
    Driver d({"lake-fog.jpg"});
    d.start();
    EditorPanel* panel = d.window().gradePage()->editorPanel();
    auto* scroll = panel->findChild<WholeRows*>();
    int covered = 0;
    for (const StageType* type : stageTypes()) {
        if (!type->standsIn(Part::Look)) continue;
        d.addStage(QString::fromStdString(type->name));
        for (const int to : {0, 37, scroll->verticalScrollBar()->maximum()}) {
            scroll->verticalScrollBar()->setValue(to);
            QTest::qWait(10);
            const int top = scroll->coveredAbove(), bottom = scroll->viewport()->height() - scroll->coveredBelow();
            covered += scroll->coveredBelow() > 0;
            for (const auto* row : scroll->widget()->findChildren<QWidget*>(Qt::FindDirectChildrenOnly)) {
                const int from = row->mapTo(scroll->viewport(), QPoint(0, 0)).y(), end = from + row->height();
                if (row->isHidden() || row->height() > 48) continue;
                EXPECT_FALSE(from < top && end > top) << type->id << ' ' << to;
                EXPECT_FALSE(from < bottom && end > bottom) << type->id << ' ' << to;
            }
        }
    }
    EXPECT_GT(covered, 3) << "there was something to cover";
}

TEST(Around, PreferencesOpenOverTheWindow) {
    Driver d({"lake-fog.jpg"});
    d.start();
    d.menu(tr8("File"), tr8("Preferences…"));
    QTest::qWait(30);
    const QRect window(d.window().pos(), d.window().size());
    EXPECT_TRUE(window.contains(QRect(d.sheet()->pos(), d.sheet()->size()).center()));
    d.sheet()->reject();
}

TEST(Editors, FilmResponsesAreDrawnAndTriedByPointing) {
    Driver d({"workshop-window.jpg"});
    d.start();
    d.addStage(tr8("Film response"));
    QListWidget* characters = editorOf<FilmEditor>(d)->characters();
    const Grade added = d.state().keyGrade();
    EXPECT_FALSE(isNeutral(added)) << "one that is added shows";
    ASSERT_TRUE(
        Driver::waitFor([&] { return !characters->item(2)->data(Qt::DecorationRole).value<QImage>().isNull(); }));
    EXPECT_NE(characters->item(2)->data(Qt::DecorationRole).value<QImage>(),
              characters->item(5)->data(Qt::DecorationRole).value<QImage>());
    const QRect tile = characters->visualItemRect(characters->item(4));
    QTest::mouseMove(characters->viewport(), tile.center());
    ASSERT_TRUE(Driver::waitFor([&] { return d.state().isTrying(); }, 5));
    EXPECT_EQ(d.state().keyGrade(), added);
    const Grade shown = d.state().shownGrade();
    EXPECT_EQ(characters->visualItemRect(characters->item(4)), tile);
    QTest::mouseClick(characters->viewport(), Qt::LeftButton, {}, tile.center());
    EXPECT_EQ(d.state().keyGrade(), shown);
    QTest::mouseMove(d.window().gradePage()->view(), QPoint(40, 40));
    QTest::qWait(30);
    EXPECT_FALSE(d.state().isTrying());
}

TEST(History, SurvivesARestart) {
    Driver d({"lake-fog.jpg", "snow-yard.jpg"});
    d.start();
    d.chooseStage("exposure");
    auto* stops = d.named<NumberField>(d.window().gradePage()->editorPanel(), tr8("Stops"));
    d.type(stops, tr8("0.5"), true);
    d.type(stops, tr8("0.75"), true);
    d.chooseRow(d.window().gradePage()->tray(), 1);
    d.settle();
    d.type(stops, tr8("-1"), true);
    d.stop();
    for (const auto& each : fs::directory_iterator(d.folder()))
        EXPECT_TRUE(each.path().extension() == ".jpg" || each.path().extension() == ".bgrade") << each.path();
    d.start();
    EXPECT_EQ(numberOf(d.state().keyGrade(), "exposure-1", "stops"), 0.75);
    EXPECT_EQ(d.state().history(0).size(), 2u);
    d.undo();
    EXPECT_EQ(numberOf(d.state().keyGrade(), "exposure-1", "stops"), 0.5);
    d.undo();
    EXPECT_TRUE(isNeutral(d.state().keyGrade()));
    d.redo();
    d.chooseRow(d.window().gradePage()->tray(), 1);
    d.settle();
    ASSERT_TRUE(d.undo()) << "each picture has its own";
    EXPECT_TRUE(isNeutral(d.state().keyGrade()));
    // Undone steps are left behind, and what was changed by something else begins anew.
    d.stop();
    Grade other = startingGrade();
    other.prep[0].parameters["stops"] = 0.1;
    storeGrade(d.folder() / "lake-fog.jpg", other);
    d.start();
    EXPECT_TRUE(d.state().history(0).empty());
}

TEST(Keys, AWholeSmallJobIsDoneByKeysAlone) {
    Driver d({"meadow-cart.jpg"});
    d.start();
    GradePage* grade = d.window().gradePage();
    const auto press = [](int key, Qt::KeyboardModifiers modifiers = Qt::NoModifier) {
        QWidget* there = QApplication::activePopupWidget() ? QApplication::activePopupWidget()->focusWidget()
                                                           : QApplication::focusWidget();
        QTest::keyClick(there, static_cast<Qt::Key>(key), modifiers);
        QTest::qWait(20);
    };
    const auto write = [](const char* text) { QTest::keyClicks(QApplication::focusWidget(), tr8(text)); };
    const auto find = [&](const char* words) {
        d.key("Ctrl+K");
        auto* palette = qobject_cast<Palette*>(QApplication::activePopupWidget());
        ASSERT_NE(palette, nullptr);
        QTest::keyClicks(palette->search(), tr8(words));
        QTest::keyClick(palette->search(), Qt::Key_Return);
        QTest::qWait(30);
        QApplication::setActiveWindow(&d.window());
    };
    // A curve: one point added and lifted.
    find("curves stage");
    EXPECT_EQ(d.state().chosenStage(), "curves-1");
    grade->chain()->card("curves-1")->setFocus(); // where the arrow keys of the chain lead
    ASSERT_NE(tabTo<CurveView>(), nullptr);
    press(Qt::Key_PageUp);
    press(Qt::Key_Insert);
    press(Qt::Key_Up, Qt::ShiftModifier);
    press(Qt::Key_Up, Qt::ShiftModifier);
    const auto& curve = std::get<Curve>(
        stageAt(d.state().keyGrade(), *findStage(d.state().keyGrade(), "curves-1")).parameters.at("rgb"));
    ASSERT_EQ(curve.size(), 3u);
    EXPECT_NEAR(curve[1].y - curve[1].x, 20 / 255.0, 1e-6);
    // A hue: greens to ochre.
    find("add hue bands");
    ASSERT_NE(tabTo<HueLanes>(), nullptr);
    for (int i = 0; i < 4; ++i) press(Qt::Key_Period);
    for (int i = 0; i < 3; ++i) press(Qt::Key_Down, Qt::ShiftModifier);
    EXPECT_FALSE(isNeutral(stageAt(d.state().keyGrade(), *findStage(d.state().keyGrade(), "hue-bands-1"))));
    // A preset.
    d.key("Ctrl+S");
    ASSERT_NE(d.sheet(), nullptr);
    write("Late keys");
    press(Qt::Key_Return);
    EXPECT_EQ(d.sheetIfAny(), nullptr);
    const auto& presets = d.state().presets();
    EXPECT_TRUE(std::any_of(presets.begin(), presets.end(), [](const auto& e) { return e.name == "Late keys"; }));
    EXPECT_TRUE(d.isTold("on the shelf")) << "it is said where it went";
    // And a LUT: Enter exports.
    d.key("Ctrl+E");
    ASSERT_NE(d.sheet(), nullptr);
    auto* file = d.named<QLineEdit>(d.sheet(), tr8("LUT file"));
    const fs::path lut = file->text().toStdString();
    EXPECT_TRUE(lut.is_absolute());
    QTest::keyClick(d.sheet(), Qt::Key_Return);
    ASSERT_TRUE(Driver::waitFor([&] { return fs::exists(lut); }));
    ASSERT_TRUE(Driver::waitFor([&] { return d.isTold("LUT written"); }));
    EXPECT_NO_THROW(readLutFile(lut));
    press(Qt::Key_Escape);
}

} // namespace baryton::test
