// Before and after, versions, samples and scopes.
#include "app/screen_helpers.h"
#include "picture/picture_file.h"

#include <gtest/gtest.h>

namespace baryton::test {

TEST(Compare, BesideWipeAcrossGridAloneAndClips) {
    Driver d({"lake-fog.jpg", "meadow-cart.jpg", "snow-yard.jpg"});
    d.start();
    GradePage* grade = d.window().gradePage();
    d.chooseStage("exposure");
    d.type(d.named<NumberField>(grade->editorPanel(), tr8("Stops")), tr8("2"), true);
    d.settle();
    PictureView* view = grade->view();
    const auto light = [&](QPointF where) { return view->grab().toImage().pixelColor(where.toPoint()).lightness(); };
    view->setFocus();
    QTest::keyClick(view, Qt::Key_D);
    d.settle();
    // The same place in both panes, darker in the one before.
    const QPointF now = at(d, 0.5, 0.3);
    const QPointF shift =
        view->width() * 2 > view->height() * 3 ? QPointF(view->width() / 2.0, 0) : QPointF(0, view->height() / 2.0);
    EXPECT_TRUE(Driver::waitFor([&] { return light(now - shift) < light(now) - 20; }));
    QTest::keyClick(view, Qt::Key_D);
    QTest::keyClick(view, Qt::Key_W, Qt::ShiftModifier);
    d.settle();
    EXPECT_TRUE(Driver::waitFor([&] { return light(at(d, 0.2, 0.3)) < light(at(d, 0.2, 0.7)) - 20; }))
        << "before lies above the line";
    QTest::keyClick(view, Qt::Key_W, Qt::ShiftModifier);
    // Clipped fog is marked.
    QTest::keyClick(view, Qt::Key_C);
    d.settle();
    const QColor marked = view->grab().toImage().pixelColor(at(d, 0.5, 0.15).toPoint());
    EXPECT_TRUE(marked.lightness() < 60 || marked.lightness() > 250) << "stripes: " << marked.name().toStdString();
    QTest::keyClick(view, Qt::Key_C);
    // The grid shows the chosen pictures with what is being tried.
    chooseWith(grade->tray(), 1, Qt::ControlModifier);
    chooseWith(grade->tray(), 2, Qt::ControlModifier);
    QTest::keyClick(view, Qt::Key_G);
    GridView* grid = grade->grid();
    ASSERT_TRUE(grid->isVisible());
    EXPECT_EQ(grid->shown(), (std::vector<int>{0, 1, 2}));
    ASSERT_TRUE(Driver::waitFor([&] { return !grid->image(2).isNull() && !grid->image(1).isNull(); }));
    QTest::qWait(200);
    const QImage untouched = grid->image(1);
    d.state().tryChange([](const Grade& g) {
        Grade next = g;
        next.prep[0].parameters["stops"] = -3.0;
        return next;
    });
    ASSERT_TRUE(Driver::waitFor([&] { return grid->image(1) != untouched; }));
    d.state().tryChange({});
}

TEST(Compare, ASampleReadsWhatIsThereUnderAVignette) {
    Driver d({"dusk-horizon.jpg"});
    d.start();
    d.chooseStage("vignette");
    GradePage* grade = d.window().gradePage();
    d.type(d.named<NumberField>(grade->editorPanel(), tr8("Stops")), tr8("-3"), true);
    d.settle();
    rightClick(grade->view(), at(d, 0.06, 0.08));
    pick(tr8("Sample point here"));
    ASSERT_EQ(grade->samples().of(0).size(), 1);
    const QPointF share = grade->samples().of(0).front();
    const Picture full = readPicture(d.folder() / "dusk-horizon.jpg").picture;
    const Program program = Program::compile(d.state().keyGrade());
    const Picture graded = program.graded(full);
    const auto want = meanColour(graded, share), source = meanColour(full, share);
    EXPECT_LT(want[1], 0.75F * program(source)[1]) << "the corner is darker than the middle would be";
    const auto read = readSample(full, Plan(program, FrameMap::whole(full), full), share);
    for (std::size_t k = 0; k < 3; ++k) EXPECT_NEAR(read.after[k], want[k], 1e-5);
    EXPECT_EQ(grade->samplesText(), sampleText(tr8("1"), read)) << "and so says the list";
}

TEST(Compare, ReferenceWithItsSamplesAndSamplePoints) {
    Driver d({"dusk-horizon.jpg", "lantern-alley.jpg"});
    d.start();
    GradePage* grade = d.window().gradePage();
    grade->loadReference(d.folder() / "lantern-alley.jpg");
    PictureView* view = grade->view();
    ASSERT_TRUE(Driver::waitFor([&] { return view->compare() == PictureView::Compare::Reference; }));
    d.settle();
    rightClick(view, at(d, 0.5, 0.5));
    pick(tr8("Sample point here"));
    EXPECT_EQ(grade->samples().of(0).size(), 1);
    EXPECT_TRUE(grade->samplesText().startsWith(tr8("1 ")));
    // On the reference, in its own pane.
    QPointF onReference;
    for (int x = 10; x < view->width() && onReference.isNull(); x += 20)
        for (int y = 10; y < view->height(); y += 20)
            if (view->toReference(QPointF(x, y))) onReference = QPointF(x, y);
    rightClick(view, onReference);
    pick(tr8("Sample point here"));
    EXPECT_EQ(grade->samples().of(Samples::kReference).size(), 1);
    EXPECT_TRUE(grade->samplesText().contains(tr8("\na ")));
    // Samples are dragged.
    const QPointF from = at(d, 0.5, 0.5);
    d.drag(view, from, from + QPointF(20, 10));
    EXPECT_GT(grade->samples().of(0)[0].x(), 0.5);
    // Their values follow the grade.
    const QString before = grade->samplesText();
    d.chooseStage("exposure");
    d.type(d.named<NumberField>(grade->editorPanel(), tr8("Stops")), tr8("1"), true);
    d.settle();
    EXPECT_NE(grade->samplesText(), before);
}

TEST(Scopes, FollowThePictureAndCarryTheMarks) {
    Driver d({"red-curtain.jpg"});
    d.start();
    ScopePanel* scopes = d.window().gradePage()->scopes();
    d.click(scopes->kinds()->button(3));
    d.settle();
    const QImage colourful = scopes->vectorscope()->trace();
    ASSERT_FALSE(colourful.isNull());
    const auto filled = [](const QImage& image) {
        int n = 0;
        for (int y = 0; y < image.height(); ++y)
            for (int x = 0; x < image.width(); ++x) n += qAlpha(image.pixel(x, y)) > 0;
        return n;
    };
    d.chooseStage("saturation");
    d.type(d.named<NumberField>(d.window().gradePage()->editorPanel(), tr8("Saturation")), tr8("-100"), true);
    d.settle();
    EXPECT_LT(filled(scopes->vectorscope()->trace()) * 4, filled(colourful)) << "grey lies in the middle";
    d.click(scopes->kinds()->button(2));
    d.settle();
    EXPECT_EQ(scopes->parade()->trace().width(), 3 * scopes->waveform()->trace().width());
}

} // namespace baryton::test
