// The second window, with the picture alone: what it shows, on a monitor of its own.
#include "app/grade/picture_window.h"
#include "app/render_image.h"
#include "app/screen_helpers.h"
#include "app/settings.h"
#include "base/file.h"
#include "picture/placement.h"

#include <QColorSpace>
#include <QScreen>

namespace baryton::test {

namespace {

QImage seenBy(const PictureView* view, const Pyramid& picture, const Grade& grade, Monitor monitor = Monitor::Main) {
    const PictureView::Region r = view->region();
    const Program program = Program::compile(grade);
    const ViewRegion region{r.left, r.top, r.width, r.height, r.scale};
    return imageOf(program, viewSource(picture, region, program.needs(gradedScale(picture, region))), monitor);
}

void openSecond(Driver& d) {
    d.key("F9");
    ASSERT_NE(d.window().second(), nullptr);
    ASSERT_TRUE(Driver::waitFor([&] { return !d.window().second()->view()->shownAfter().isNull(); }));
}

/// How far two images of one size are apart, in 8-bit steps: the mean over pixels and channels.
double apart(const QImage& a, const QImage& b) {
    double sum = 0;
    for (int y = 0; y < a.height(); ++y)
        for (int x = 0; x < a.width(); ++x) {
            const QColor p = a.pixelColor(x, y), q = b.pixelColor(x, y);
            sum += std::abs(p.red() - q.red()) + std::abs(p.green() - q.green()) + std::abs(p.blue() - q.blue());
        }
    return sum / (3.0 * a.width() * a.height());
}

} // namespace

TEST(SecondWindow, ShowsWhatGradeShowsOrTheVersionBeforeOrTheReference) {
    Driver d({"lake-fog.jpg", "snow-yard.jpg"});
    d.start();
    openSecond(d);
    PictureWindow* second = d.window().second();
    const Pyramid fog(readPicture(d.state().pictures().at(0).file).picture);
    const auto shows = [&](const Pyramid& picture, const Grade& grade) {
        return Driver::waitFor([&] {
            return second->view()->pictureSize() == QSize(picture.width(), picture.height()) &&
                   second->view()->shownAfter() == seenBy(second->view(), picture, grade);
        });
    };
    EXPECT_TRUE(shows(fog, {}));
    baryton::addStage(d.state(), "tone", AddAt::Chosen, Part::Look);
    d.state().setParameters(d.state().chosenStage(), {{"contrast", 60.0}}, true);
    ASSERT_NE(seenBy(second->view(), fog, d.state().keyGrade()), seenBy(second->view(), fog, {}));
    EXPECT_TRUE(shows(fog, d.state().keyGrade()));
    // Held, with the keys of either window.
    QApplication::setActiveWindow(second);
    QTest::keyPress(second->view(), Qt::Key_B);
    EXPECT_TRUE(shows(fog, {}));
    QTest::keyRelease(second->view(), Qt::Key_B);
    EXPECT_TRUE(shows(fog, d.state().keyGrade()));
    // Always the version before, beside what Grade shows.
    rightClick(second, {50, 50});
    pick(tr8("Show the version before"));
    EXPECT_TRUE(shows(fog, {}));
    EXPECT_NE(d.window().gradePage()->view()->shownAfter(), seenBy(d.window().gradePage()->view(), fog, {}));
    // What Grade shows in other tasks too, and of another picture.
    second->setVersion(GradePage::Version::Now);
    d.click(d.button(&d.window(), tr8("Package")));
    d.state().setKey(1);
    const Pyramid snow(readPicture(d.state().pictures().at(1).file).picture);
    EXPECT_TRUE(shows(snow, d.state().keyGrade()));
    EXPECT_TRUE(second->windowTitle().contains(tr8("snow-yard.jpg")));
    // The reference: how to get one, then itself.
    second->setVersion(GradePage::Version::Reference);
    EXPECT_TRUE(second->view()->notice().contains(tr8("Reference picture…")));
    d.window().gradePage()->loadReference(d.state().pictures().at(0).file);
    EXPECT_TRUE(Driver::waitFor([&] {
        return second->view()->notice().isEmpty() &&
               double(second->view()->pictureSize().width()) / second->view()->pictureSize().height() ==
                   double(fog.full().width()) / fog.full().height();
    }));
}

TEST(SecondWindow, IsFittedToItsOwnMonitor) {
    Driver d({"red-curtain.jpg"});
    writeFileAtomically(d.root() / "wide.icc", QColorSpace(QColorSpace::DisplayP3).iccProfile().toStdString());
    Settings settings = loadSettings();
    settings.secondMonitor = {MonitorWish::Kind::File, QString::fromStdString((d.root() / "wide.icc").string())};
    saveSettings(settings);
    EXPECT_EQ(loadSettings(), settings);
    d.start();
    const QImage main = d.window().gradePage()->view()->shownAfter();
    openSecond(d);
    PictureWindow* second = d.window().second();
    ASSERT_TRUE(Driver::waitFor([&] { return !screenId(Monitor::Second).empty(); }));
    const Pyramid curtain(readPicture(d.state().pictures().at(0).file).picture);
    const QImage plain = seenBy(second->view(), curtain, {}).convertToFormat(QImage::Format_RGB888);
    QImage judge = plain;
    judge.setColorSpace(QColorSpace::SRgb);
    judge.convertToColorSpace(QColorSpace::DisplayP3);
    const auto now = [&] { return second->view()->shownAfter().convertToFormat(QImage::Format_RGB888); };
    EXPECT_TRUE(Driver::waitFor([&] { return apart(now(), judge) < 0.5; })) << apart(now(), judge);
    EXPECT_GT(apart(now(), plain), 2);
    EXPECT_EQ(d.window().gradePage()->view()->shownAfter(), main) << "the window's own monitor is another";
    EXPECT_EQ(screenId(), "");
    // By the preferences, seen at once.
    d.menu(tr8("File"), tr8("Preferences…"));
    d.click(d.named<Segments>(d.sheet(), tr8("Second monitor profile"))->button(1));
    d.click(d.button(d.sheet(), tr8("Close")));
    EXPECT_TRUE(Driver::waitFor([&] { return now() == plain; })) << apart(now(), plain);
    EXPECT_EQ(loadSettings().secondMonitor.kind, MonitorWish::Kind::Srgb);
}

TEST(SecondWindow, ShowsWhatLiesInTheFrameWhileThatIsWorkedOn) {
    Driver d({"lake-fog.jpg"});
    d.start();
    openSecond(d);
    PictureWindow* second = d.window().second();
    d.addStage(tr8("Frame"));
    const std::string frame = d.state().chosenStage();
    d.state().setParameters(frame, {{"angle", 4.0}, {"size", 0.6}, {"turns", std::string("right")}}, true);
    const auto stage = findStage(d.state().keyGrade(), frame);
    ASSERT_TRUE(stage);
    const Picture source = readPicture(d.state().pictures().at(0).file).picture;
    const Placement placement =
        placementOf(frameOf(stageAt(d.state().keyGrade(), *stage)), source.width(), source.height());
    ASSERT_GT(placement.height, placement.width);
    d.settle();
    ASSERT_TRUE(Driver::waitFor([&] { return second->view()->compare() == PictureView::Compare::Before; }));
    QTest::qWait(300);
    // What is painted is the picture in its frame, as the core places it.
    const QImage judge = imageOf(Grade{}, placed(source, placement));
    QImage shown = second->view()->grab().toImage();
    const QSizeF size = QSizeF(judge.size()).scaled(QSizeF(shown.size()) - QSizeF(20, 20), Qt::KeepAspectRatio);
    QRectF where(QPointF(), size);
    where.moveCenter(QRectF(shown.rect()).center());
    shown = shown.copy(where.toRect().adjusted(2, 2, -2, -2));
    const QImage expected = judge.scaled(where.size().toSize(), Qt::IgnoreAspectRatio, Qt::SmoothTransformation)
                                .copy(2, 2, shown.width(), shown.height());
    EXPECT_LT(apart(shown, expected), 3);
    // Done: the framed picture itself.
    QTest::keyClick(d.window().gradePage()->frameView(), Qt::Key_Return);
    EXPECT_TRUE(Driver::waitFor([&] {
        return second->view()->compare() == PictureView::Compare::After &&
               second->view()->pictureSize() == QSize(placement.width, placement.height);
    }));
}

TEST(SecondWindow, SharesAPlaceAndTheKeysAndComesBackAtTheNextStart) {
    Driver d({"lake-fog.jpg"});
    d.start();
    openSecond(d);
    PictureWindow* second = d.window().second();
    PictureView *here = d.window().gradePage()->view(), *there = second->view();
    // Places of their own at first.
    here->zoomTo(1, here->rect().topLeft());
    EXPECT_TRUE(there->isFitted());
    rightClick(second, {50, 50});
    pick(tr8("The same place as in Grade"));
    EXPECT_EQ(there->scale(), 1);
    const auto middle = [](const PictureView* view) { return view->toPicture(QRectF(view->rect()).center()); };
    d.drag(here, {300, 250}, {250, 220});
    EXPECT_LT(QLineF(middle(here), middle(there)).length(), 40);
    const QPointF before = middle(here);
    d.drag(there, {300, 250}, {200, 150});
    EXPECT_GT(QLineF(middle(here), before).length(), 50) << "and the other way round";
    // Menus' keys mean the same there, and those of the view this one's.
    baryton::addStage(d.state(), "tone", AddAt::Chosen, Part::Look);
    const Grade graded = d.state().keyGrade();
    QApplication::setActiveWindow(second);
    QTest::keySequence(second, QKeySequence(QStringLiteral("Ctrl+Z")));
    EXPECT_NE(d.state().keyGrade(), graded);
    QTest::keySequence(second, QKeySequence(QStringLiteral("F11")));
    EXPECT_TRUE(second->isFullScreen());
    EXPECT_FALSE(d.window().isFullScreen());
    QTest::keyClick(second, Qt::Key_Escape);
    EXPECT_FALSE(second->isFullScreen());
    QCursor::setPos(second->mapToGlobal(QPoint(40, 40)));
    QTest::keySequence(second, QKeySequence(QStringLiteral("F1")));
    ASSERT_NE(d.window().guide(), nullptr);
    EXPECT_EQ(d.window().guide()->place().page, "guide/window");
    EXPECT_EQ(d.window().guide()->place().parts, QStringList{tr8("A second window")});
    second->setFollowing(false);
    QTest::keySequence(second, QKeySequence(QStringLiteral("Ctrl+0")));
    EXPECT_TRUE(there->isFitted());
    EXPECT_FALSE(here->isFitted());
    // Closed with the window, it is there again with the next.
    d.window().close();
    EXPECT_EQ(d.window().second(), nullptr);
    d.stop();
    d.start();
    EXPECT_EQ(d.window().second(), nullptr);
    d.window().openSecondAgain();
    ASSERT_NE(d.window().second(), nullptr);
    EXPECT_TRUE(Driver::waitFor([&] { return !d.window().second()->view()->shownAfter().isNull(); }));
    // F9 once more closes it; then it stays closed.
    QApplication::setActiveWindow(d.window().second());
    QTest::keySequence(d.window().second(), QKeySequence(QStringLiteral("F9")));
    EXPECT_EQ(d.window().second(), nullptr);
    d.window().close();
    d.stop();
    d.start();
    d.window().openSecondAgain();
    EXPECT_EQ(d.window().second(), nullptr);
}

TEST(Monitors, TheSecondWindowFillsTheOtherOne) {
    const auto screens = QGuiApplication::screens();
    if (screens.size() < 2) GTEST_SKIP() << "one monitor here; under Wayland it is run with two";
    Driver d({"lake-fog.jpg"});
    d.start();
    openSecond(d);
    PictureWindow* second = d.window().second();
    // The compositor answers when it likes.
    EXPECT_TRUE(Driver::waitFor([&] { return second->isFullScreen(); }));
    ASSERT_TRUE(Driver::waitFor([&] { return second->screen() != d.window().screen(); }));
    EXPECT_TRUE(Driver::waitFor([&] { return second->size() == second->screen()->geometry().size(); }));
    EXPECT_TRUE(second->view()->isFitted());
}

} // namespace baryton::test
