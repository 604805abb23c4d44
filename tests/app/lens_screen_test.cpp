#include "app/grade/frame_view.h"
#include "app/grade/lens_list.h"
#include "app/render_image.h"
#include "app/screen_helpers.h"
#include "app/widgets/find_popup.h"
#include "picture/picture_file.h"
#include "render/program.h"
#include "stages/source.h"
#include "support/lenses.h"

#include <QApplication>
#include <QPushButton>
#include <gtest/gtest.h>

namespace baryton::test {

namespace {

/// What the editor says of the lens.
QString account(Driver& d) {
    QString all;
    for (const StillText* text : d.window().gradePage()->editorPanel()->findChildren<StillText*>())
        all += text->text() + u'\n';
    return all;
}

/// What is shown is the file placed by what its grade and its own data say.
bool showsTheFileInPlace(Driver& d) {
    const OpenPicture& picture = d.state().pictures().at(d.state().key());
    const Picture source = readPicture(picture.file).picture;
    const Geometry geometry = geometryOf(d.state().keyGrade(), readShot(picture.file));
    const Pyramid want(placed(source, placementOf(geometry, source.width(), source.height())));
    PictureView* view = d.window().gradePage()->view();
    return Driver::waitFor([&] {
        if (view->pictureSize() != QSize(want.width(), want.height())) return false;
        const PictureView::Region r = view->region();
        return view->shownAfter() == imageOf(Program::compile(d.state().keyGrade()),
                                             viewSource(want, {r.left, r.top, r.width, r.height, r.scale}, {}));
    });
}

} // namespace

TEST(LensScreen, TheFilesOwnLensIsFoundAndTheScreenIsTheFile) {
    Driver d({"workshop-window.jpg", "lake-fog.jpg"});
    addOwnLenses(d.folder() / "lenses");
    writeShot(d.folder() / "workshop-window.jpg", kStagelight, 24, 2);
    d.start();
    GradePage* grade = d.window().gradePage();
    const auto choose = [&](const char* name) {
        for (int i = 0; i < d.state().pictures().size(); ++i)
            if (d.state().pictures().at(i).file.filename() == name) d.chooseRow(grade->tray(), i);
        d.settle();
    };
    choose("workshop-window.jpg");
    d.addStage(QStringLiteral("Lens"));
    EXPECT_TRUE(account(d).contains(QString::fromUtf8(kStagelight)));
    EXPECT_TRUE(showsTheFileInPlace(d));
    // Each correction is a share of its own, and what is set by hand comes on top.
    for (const char* name : {"Distortion", "Fringes", "Corner shading"})
        d.type(d.named<NumberField>(grade->editorPanel(), QString::fromLatin1(name)), QStringLiteral("0"), true);
    EXPECT_TRUE(geometryOf(d.state().keyGrade(), d.state().pictures().shotOf(d.state().key())).isNone());
    EXPECT_TRUE(showsTheFileInPlace(d));
    d.type(d.named<NumberField>(grade->editorPanel(), QStringLiteral("Barrel")), QStringLiteral("-6"), true);
    EXPECT_TRUE(showsTheFileInPlace(d));
    // The frame lies in what is straight already, and the pointer tells of the place below it.
    d.addStage(QStringLiteral("Frame"));
    d.type(d.named<NumberField>(grade->editorPanel(), QStringLiteral("Size")), QStringLiteral("60"), true);
    d.chooseStage("curves");
    EXPECT_TRUE(showsTheFileInPlace(d));
    for (int i = 0; i < 6; ++i) EXPECT_TRUE(d.undo());
    EXPECT_EQ(lensOf(d.state().keyGrade()), (LensSettings{true, "", 1, 1, 1})) << "as it was added";
}

TEST(LensScreen, AnUnknownLensIsToldAndAnotherIsChosenByTyping) {
    Driver d({"lake-fog.jpg"});
    addOwnLenses(d.folder() / "lenses");
    writeShot(d.folder() / "lake-fog.jpg", "Nobody's 12mm", 12, 8);
    d.start();
    GradePage* grade = d.window().gradePage();
    d.addStage(QStringLiteral("Lens"));
    EXPECT_TRUE(account(d).contains(QStringLiteral("Nobody's 12mm")));
    auto* own = d.button(grade->editorPanel(), QStringLiteral("As in the file"));
    EXPECT_FALSE(own->isEnabled());
    d.click(d.button(grade->editorPanel(), QStringLiteral("Choose a lens…")));
    auto* list = qobject_cast<LensList*>(QApplication::activePopupWidget());
    ASSERT_TRUE(list);
    QTest::keyClicks(list->search(), QStringLiteral("no lens is called so"));
    EXPECT_TRUE(list->isEmpty());
    list->search()->clear();
    QTest::keyClicks(list->search(), QStringLiteral("heron plain"));
    QTest::keyClick(list->search(), Qt::Key_Return);
    EXPECT_EQ(lensOf(d.state().keyGrade()).lens, kPlain);
    EXPECT_TRUE(account(d).contains(QString::fromUtf8(kPlain)));
    EXPECT_TRUE(showsTheFileInPlace(d));
    d.click(own);
    EXPECT_EQ(lensOf(d.state().keyGrade()).lens, "");
    EXPECT_TRUE(d.undo());
    EXPECT_EQ(lensOf(d.state().keyGrade()).lens, kPlain) << "one step each";
}

TEST(LensScreen, TheCamerasTurnGoesByTheShotsFocalLength) {
    Driver d({"lantern-alley.jpg"});
    addOwnLenses(d.folder() / "lenses");
    writeShot(d.folder() / "lantern-alley.jpg", kStagelight, 24, 2);
    d.start();
    GradePage* grade = d.window().gradePage();
    d.addStage(QStringLiteral("Frame"));
    const auto turn = [&] { return frameOf(d.state().keyGrade()).turn; };
    auto* tilt = d.named<NumberField>(grade->editorPanel(), QStringLiteral("Camera tilt"));
    d.type(tilt, QStringLiteral("5"), true);
    EXPECT_EQ(turn().focal, 36) << "24 mm before a sensor 1.5 times smaller";
    d.type(d.named<NumberField>(grade->editorPanel(), QStringLiteral("Focal length")), QStringLiteral("50"), true);
    d.type(tilt, QStringLiteral("6"), true);
    EXPECT_EQ(turn().focal, 50) << "what was set stays";
    for (int i = 0; i < 3; ++i) EXPECT_TRUE(d.undo());
    EXPECT_EQ(turn(), CameraTurn());
    // Lines go by it as well.
    FrameView* view = grade->frameView();
    ASSERT_TRUE(Driver::waitFor([&] { return !view->frameRect().isEmpty(); }));
    view->setDrawsLines(true);
    const QRectF f = view->frameRect();
    const auto at = [&](double x, double y) { return QPointF(f.x() + x * f.width(), f.y() + y * f.height()); };
    d.drag(view, at(0.12, 0.1), at(0.16, 0.9));
    d.drag(view, at(0.88, 0.1), at(0.85, 0.9));
    EXPECT_LT(turn().tilt, -2);
    EXPECT_EQ(turn().focal, 36);
}

TEST(LensScreen, ALensChangedWhileTheFrameIsInHandIsSeenThere) {
    Driver d({"lake-fog.jpg"});
    d.start();
    GradePage* grade = d.window().gradePage();
    d.addStage(QStringLiteral("Lens"));
    d.addStage(QStringLiteral("Frame"));
    FrameView* view = grade->frameView();
    ASSERT_TRUE(Driver::waitFor([&] { return view->isVisible() && !view->frameRect().isEmpty(); }));
    d.settle();
    const QImage before = view->grab().toImage();
    d.state().setParameters("lens-1", {{"barrel", 0.1}}, true);
    EXPECT_TRUE(Driver::waitFor([&] { return view->grab().toImage() != before; }));
    EXPECT_TRUE(d.undo());
    EXPECT_TRUE(Driver::waitFor([&] { return view->grab().toImage() == before; }));
}

TEST(LensScreen, WhatMovesIsShownWhileItMoves) {
    Driver d({"lake-fog.jpg"});
    d.start();
    GradePage* grade = d.window().gradePage();
    d.addStage(QStringLiteral("Lens"));
    d.settle();
    auto* field = d.named<NumberField>(grade->editorPanel(), QStringLiteral("Barrel"));
    const QImage before = grade->view()->shownAfter();
    // As a hand turns it: several values before the first of them can be whole.
    int frames = 0;
    QImage last = before;
    const auto move = [&](double barrel) {
        d.state().setParameters("lens-1", {{"barrel", barrel}}, false);
        QTest::qWait(30);
        if (grade->view()->shownAfter() != last) ++frames, last = grade->view()->shownAfter();
    };
    for (int step = 1; step <= 300 && frames < 2; ++step) move(0.005 + 0.01 * (step % 9)); // never at rest
    move(0.1);
    d.state().endGesture();
    EXPECT_GT(frames, 1) << "it is seen on the way";
    EXPECT_EQ(field->value(), 10);
    EXPECT_TRUE(showsTheFileInPlace(d));
    EXPECT_TRUE(d.undo());
    EXPECT_TRUE(Driver::waitFor([&] { return grade->view()->shownAfter() == before; }));
}

} // namespace baryton::test
