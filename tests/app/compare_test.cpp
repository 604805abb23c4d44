// Before and after, versions, samples and scopes.
#include "app/screen_helpers.h"
#include "app/theme/theme.h"
#include "picture/picture_file.h"

#include <QComboBox>
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

TEST(Scopes, OfThePictureBeforeAreNotShown) {
    Driver d({"red-curtain.jpg", "lake-fog.jpg"});
    d.start();
    const GradePage* grade = d.window().gradePage();
    ScopePanel* scopes = grade->scopes();
    d.click(scopes->kinds()->button(3));
    d.settle();
    // What is counted of a picture on a thread of its own may come when another one is shown already.
    auto& preview = const_cast<PreviewService&>(grade->preview());
    std::optional<PreviewScopes> last;
    const auto heard =
        QObject::connect(&preview, &PreviewService::scopesReady, scopes, [&](const PreviewScopes& of) { last = of; });
    d.window().state().setKey(1);
    d.settle();
    ASSERT_TRUE(last);
    QObject::disconnect(heard);
    const QImage shown = scopes->vectorscope()->trace();
    ASSERT_EQ(shown, last->vectorscope);
    PreviewScopes late = *last;
    late.vectorscope = shown.mirrored(true, false);
    late.scene -= 1;
    Q_EMIT preview.scopesReady(late);
    EXPECT_EQ(scopes->vectorscope()->trace(), shown);
    late.scene += 1;
    Q_EMIT preview.scopesReady(late);
    EXPECT_EQ(scopes->vectorscope()->trace(), late.vectorscope);
}

TEST(Compare, BeforeIsTheWholeSourceByChoice) {
    Driver d({"lake-fog.jpg", "meadow-cart.jpg"});
    d.start();
    GradePage* grade = d.window().gradePage();
    PictureView* view = grade->view();
    Grade cut = d.state().keyGrade();
    cut.prep.insert(cut.prep.begin(), makeStage(cut, "frame"));
    cut.prep.front().parameters = {{"ratio", std::string("1:1")}, {"size", 0.5}};
    d.state().editKey(cut);
    ASSERT_TRUE(Driver::waitFor([&] { return view->pictureSize().width() == view->pictureSize().height(); }));
    d.settle();
    // Of a square nothing is seen at the sides.
    const auto isSeen = [&](double across) {
        const QColor c =
            view->grab().toImage().pixelColor(static_cast<int>(view->width() * across), view->height() / 2);
        return std::abs(c.lightness() - theme::surround().lightness()) > 12;
    };
    EXPECT_FALSE(isSeen(0.06));
    auto* means = d.named<QComboBox>(grade, tr8("What before means"));
    const auto choose = [&](const char* text) {
        means->setFocus();
        while (means->currentText() != tr8(text) && means->currentIndex() > 0) QTest::keyClick(means, Qt::Key_Up);
        while (means->currentText() != tr8(text)) QTest::keyClick(means, Qt::Key_Down);
        view->setFocus();
    };
    const auto whileHeld = [&](const auto& check) {
        QPushButton* hold = d.button(grade, tr8("Before"));
        QTest::mousePress(hold, Qt::LeftButton);
        d.settle();
        check();
        QTest::mouseRelease(hold, Qt::LeftButton);
        d.settle();
    };
    whileHeld([&] { EXPECT_FALSE(isSeen(0.06)); });
    choose("before = uncut");
    whileHeld([&] { EXPECT_TRUE(isSeen(0.06)) << "all of it, while it is held"; });
    EXPECT_FALSE(isSeen(0.06));
    // Beside it, in a pane of its own.
    QTest::keyClick(view, Qt::Key_D);
    d.settle();
    EXPECT_TRUE(Driver::waitFor([&] { return isSeen(0.06); })) << "the left pane is filled by the whole picture";
    QTest::keyClick(view, Qt::Key_D);
    // Where a line runs between the two they have one place.
    QTest::keyClick(view, Qt::Key_W);
    d.settle();
    EXPECT_FALSE(isSeen(0.06));
    QTest::keyClick(view, Qt::Key_W);
    // And in the grid: a square picture becomes a wide one.
    QTest::keyClick(view, Qt::Key_G);
    ASSERT_TRUE(Driver::waitFor([&] { return !grade->grid()->image(0).isNull(); }));
    EXPECT_EQ(grade->grid()->image(0).width(), grade->grid()->image(0).height());
    whileHeld([&] {
        EXPECT_TRUE(Driver::waitFor(
            [&] { return grade->grid()->image(0).width() > 1.3 * grade->grid()->image(0).height(); }));
    });
    QTest::keyClick(grade->grid(), Qt::Key_G);
}

TEST(Compare, SamplePointsAreSetOneAfterTheOtherAndSayHowFarTheyAreFromTheReference) {
    Driver d({"lake-fog.jpg", "meadow-cart.jpg"});
    d.start();
    GradePage* grade = d.window().gradePage();
    PictureView* view = grade->view();
    grade->loadReference(d.folder() / "meadow-cart.jpg");
    ASSERT_TRUE(Driver::waitFor([&] { return view->hasReference(); }));
    d.settle();
    const QRectF left(0, 0, view->width() / 2.0, view->height());
    d.key("S");
    EXPECT_TRUE(grade->isSampling());
    for (const double share : {0.3, 0.6}) d.click(view, at(d, share, 0.5));
    QPointF onReference;
    for (int x = 10; x < view->width() && onReference.isNull(); x += 20)
        for (int y = 10; y < view->height(); y += 20)
            if (view->toReference(QPointF(x, y))) onReference = QPointF(x, y);
    d.click(view, onReference);
    EXPECT_EQ(grade->samples().of(0).size(), 2);
    EXPECT_EQ(grade->samples().of(Samples::kReference).size(), 1);
    const QStringList lines = grade->samplesText().split(u'\n');
    ASSERT_EQ(lines.size(), 3);
    EXPECT_TRUE(lines[0].startsWith(tr8("1 ")) && lines[1].startsWith(tr8("a ")) && lines[2].startsWith(tr8("2 ")));
    EXPECT_TRUE(lines[1].contains(tr8("ΔE ")) && lines[1].endsWith(tr8("to 1"))) << lines[1].toStdString();
    EXPECT_FALSE(lines[2].contains(tr8("ΔE")));
    QTest::keyClick(view, Qt::Key_Escape);
    EXPECT_FALSE(grade->isSampling());
    d.click(view, at(d, 0.8, 0.8));
    EXPECT_EQ(grade->samples().of(0).size(), 2) << "a press is a press again";
    d.key("S");
    d.key("S");
    EXPECT_FALSE(grade->isSampling());
}

} // namespace baryton::test
