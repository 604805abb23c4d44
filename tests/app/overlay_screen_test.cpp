// A picture laid over the frame, in the window: taken from a file, dropped, placed by hand, missing.
#include "app/grade/overlay_editor.h"
#include "app/guide_pictures.h"
#include "app/screen_helpers.h"
#include "app/widgets/number_field.h"
#include "base/file.h"
#include "picture/carried_picture.h"

#include <QDropEvent>
#include <QFileDialog>
#include <QMimeData>
#include <gtest/gtest.h>

namespace baryton::test {

namespace {

const Stage& overlayOf(Driver& d, int index = 0) {
    for (const Stage& stage : d.state().pictures().at(index).work.grade.finish)
        if (stage.type == kOverlayType) return stage;
    throw std::logic_error("no overlay");
}

double overlayNumber(Driver& d, const char* parameter) {
    return ParameterReader(*findStageType(kOverlayType), overlayOf(d)).number(parameter);
}

PictureContent pictureIn(Driver& d, int index = 0) {
    return ParameterReader(*findStageType(kOverlayType), overlayOf(d, index)).picture("picture");
}

QWidget* overlayEditor(Driver& d) {
    return d.window().gradePage()->editorPanel()->editor();
}

QString accountIn(Driver& d) {
    return overlayEditor(d)->findChild<StillText*>()->text();
}

std::filesystem::path demoOverlay(const char* name) {
    return std::filesystem::path(BARYTON_SOURCE) / "demo/overlays" / name;
}

void choose(Driver& d, const std::filesystem::path& file) {
    d.click(d.button(overlayEditor(d), tr8("Choose a picture…")));
    auto* dialog = d.window().findChild<QFileDialog*>();
    Q_EMIT dialog->fileSelected(QString::fromStdString(file.string()));
    dialog->close();
    QTest::qWait(20);
}

void drop(QWidget* where, const std::filesystem::path& file) {
    QMimeData data;
    data.setUrls({QUrl::fromLocalFile(QString::fromStdString(file.string()))});
    QDragEnterEvent enter(QPoint(20, 20), Qt::CopyAction, &data, Qt::LeftButton, Qt::NoModifier);
    QApplication::sendEvent(where, &enter);
    ASSERT_TRUE(enter.isAccepted());
    QDropEvent dropped(QPointF(20, 20), Qt::CopyAction, &data, Qt::LeftButton, Qt::NoModifier);
    QApplication::sendEvent(where, &dropped);
}

} // namespace

TEST(OverlayScreen, APictureIsTakenFromAFileAndPlacedByHand) {
    Driver d({"lake-fog.jpg", "meadow-cart.jpg"});
    d.start();
    PictureView* view = d.window().gradePage()->view();
    d.chooseStage("vignette");
    d.addStage(tr8("Overlay"));
    d.key("P");
    EXPECT_TRUE(view->figure().lines.isEmpty()) << "there is nothing to place";
    const QImage before = view->shownAfter();
    choose(d, demoOverlay("steam.jpg"));
    ASSERT_TRUE(Driver::waitFor([&] { return pictureIn(d).encoded != nullptr; }));
    d.settle();
    EXPECT_NE(view->shownAfter(), before) << "it is seen";
    EXPECT_TRUE(accountIn(d).startsWith(tr8("steam.jpg")));
    EXPECT_EQ(overlayOf(d).parameters.count("blend"), 0u) << "light on black: Screen, which is where it begins";

    keepWork(d, "overlay");
    keepResult(d, "overlay");
    ASSERT_EQ(view->figure().lines.size(), 3) << "its outline and two arms: its corners are the frame's";
    d.drag(view, d.onPicture({0.3, 0.3}), d.onPicture({0.4, 0.2}));
    EXPECT_NEAR(overlayNumber(d, "shift.x"), 0.1, 0.004);
    EXPECT_NEAR(overlayNumber(d, "shift.y"), -0.1, 0.004);
    EXPECT_TRUE(d.undo());
    EXPECT_EQ(overlayNumber(d, "shift.x"), 0) << "a pull is one step";
    const auto handle = [&](int which) { return view->figure().handles[which]; };
    const QPointF middle = handle(0);
    // Half as long an arm, half the size; then its corners are in sight and do the same.
    d.drag(view, d.onPicture(handle(2)), d.onPicture(middle + (handle(2) - middle) / 2));
    EXPECT_NEAR(overlayNumber(d, "scale"), 0.5, 0.02);
    ASSERT_EQ(view->figure().lines.size(), 2);
    EXPECT_NEAR(handle(2).x(), 0.25, 0.02) << "the left upper corner";
    d.drag(view, d.onPicture(handle(2)), d.onPicture(middle + (handle(2) - middle) * 0.6));
    EXPECT_NEAR(overlayNumber(d, "scale"), 0.3, 0.02);
    // A quarter turn of the arm that points up.
    const double aspect = 1.5;
    const double arm = middle.y() - handle(1).y();
    d.drag(view, d.onPicture(handle(1)), d.onPicture(middle + QPointF(arm / aspect, 0)));
    EXPECT_NEAR(overlayNumber(d, "turn"), 90, 1.5);
    EXPECT_EQ(overlayNumber(d, "shift.x"), 0) << "and it stayed where it was";
    for (const char* name : {"Motion blur", "Size"})
        d.type(d.named<NumberField>(overlayEditor(d), tr8(name)), tr8("60"), true);
    EXPECT_EQ(overlayNumber(d, "blur.length"), 60);
    EXPECT_NEAR(overlayNumber(d, "scale"), 0.6, 1e-9);

    // To both pictures at once; they share what is carried.
    d.window().gradePage()->tray()->selectAll();
    d.state().setEditsAll(true);
    drop(overlayEditor(d), demoOverlay("paper.jpg"));
    ASSERT_TRUE(Driver::waitFor([&] { return pictureIn(d).name == "paper.jpg"; }));
    EXPECT_EQ(pictureIn(d, 1).encoded, pictureIn(d).encoded);
    EXPECT_EQ(overlayOf(d).parameters.count("blend"), 0u) << "how it blends is the hand's from the second on";
    d.click(d.button(overlayEditor(d), tr8("Take out")));
    EXPECT_TRUE(pictureIn(d).name.empty());
    EXPECT_NEAR(overlayNumber(d, "scale"), 0.6, 1e-9) << "the settings stay";
    EXPECT_TRUE(view->figure().lines.isEmpty());
    d.undo();
    EXPECT_EQ(pictureIn(d).name, "paper.jpg");
}

TEST(OverlayScreen, PaperIsMultipliedAndWhatCannotBeReadIsTold) {
    Driver d({"lake-fog.jpg", "meadow-cart.jpg"});
    d.start();
    d.chooseStage("vignette");
    d.addStage(tr8("Overlay"));
    const auto text = d.root() / "notes.jpg";
    writeFileAtomically(text, "no picture at all");
    const Grade empty = d.state().keyGrade();
    choose(d, text);
    ASSERT_TRUE(Driver::waitFor([&] { return d.isTold("notes.jpg"); }));
    EXPECT_EQ(d.state().keyGrade(), empty);
    EXPECT_TRUE(accountIn(d).contains(tr8("Choose"))) << "and the place says what to do, as before";
    drop(overlayEditor(d), demoOverlay("paper.jpg"));
    ASSERT_TRUE(Driver::waitFor([&] { return pictureIn(d).encoded != nullptr; }));
    EXPECT_EQ(overlayOf(d).parameters.at("blend"), Value(std::string("multiply")));

    // Who goes on to another picture while it is read has taken nothing there.
    choose(d, demoOverlay("steam.jpg"));
    d.chooseRow(d.window().gradePage()->tray(), 1);
    QTest::qWait(400);
    EXPECT_TRUE(d.state().pictures().at(1).work.grade == startingGrade());
}

TEST(OverlayScreen, OneThatDidNotComeAlongIsToldWithItsRemedy) {
    Driver d({"lake-fog.jpg"});
    d.start();
    d.chooseStage("vignette");
    d.addStage(tr8("Overlay"));
    d.state().setParameters(d.state().chosenStage(), {{"picture", PictureContent{"steam.jpg", nullptr}}}, true);
    d.settle();
    EXPECT_TRUE(accountIn(d).contains(tr8("did not come along")));
    EXPECT_TRUE(d.button(overlayEditor(d), tr8("Choose a picture…"))->isEnabled()) << "right beside it";
    choose(d, demoOverlay("steam.jpg"));
    ASSERT_TRUE(Driver::waitFor([&] { return pictureIn(d).encoded != nullptr; }));
    EXPECT_FALSE(accountIn(d).contains(tr8("did not come along")));
}

} // namespace baryton::test
