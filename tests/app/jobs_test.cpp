// What people set out to do, done through the window on the demo set; the actions it took are counted, and what must
// hold in the end is measured on the pictures.
#include "app/driver.h"
#include "app/grade/colour_editors.h"
#include "app/grade/frame_view.h"
#include "app/grade/samples.h"
#include "app/grade/tone_editors.h"
#include "app/guide_pictures.h"
#include "app/render_image.h"
#include "app/screen_helpers.h"
#include "app/widgets/number_field.h"
#include "base/file.h"
#include "colour/spaces.h"
#include "colour/transfer.h"
#include "picture/picture_file.h"
#include "picture/placement.h"
#include "render/histogram.h"
#include "render/program.h"
#include "stages/frame.h"

#include <QComboBox>
#include <QFileDialog>
#include <QListWidget>
#include <QMenu>
#include <QTest>
#include <gtest/gtest.h>

namespace baryton::test {

namespace {

/// A place of a picture before and after its grade.
struct Place {
    std::array<float, 3> before, after;
    double hueMoved() const { return std::remainder(hueOf(after) - hueOf(before), 360); }
    double difference() const {
        const auto lab = [](const std::array<float, 3>& c) { return labFromSrgb({c[0], c[1], c[2]}); };
        return deltaE2000(lab(before), lab(after));
    }
};
Place placeOf(const Picture& picture, const Grade& grade, QPointF share) {
    const auto before = meanColour(picture, share);
    return {before, Program::compile(grade)(before)};
}

/// Mean difference of two images, in levels; the second is brought to the size of the first.
double meanApart(const QImage& a, const QImage& b) {
    const QImage other = b.scaled(a.size(), Qt::IgnoreAspectRatio, Qt::SmoothTransformation);
    double sum = 0;
    for (int y = 0; y < a.height(); ++y)
        for (int x = 0; x < a.width(); ++x) {
            const QRgb p = a.pixel(x, y), q = other.pixel(x, y);
            sum += std::abs(qRed(p) - qRed(q)) + std::abs(qGreen(p) - qGreen(q)) + std::abs(qBlue(p) - qBlue(q));
        }
    return sum / 3 / a.width() / a.height();
}

} // namespace

TEST(Jobs, PlumCurtain) {
    Driver d({"red-curtain.jpg", "spotlight.jpg"});
    d.start();
    GradePage* grade = d.window().gradePage();
    // The other picture already wears something.
    d.chooseRow(grade->tray(), 1);
    d.settle();
    d.state().applyPreset(readPresetFile(d.libraryRoot() / "Tin Heron/Limelight.bpreset"));
    const Grade worn = d.state().keyGrade();
    d.chooseRow(grade->tray(), 0);
    d.settle();

    d.countFromHere();
    d.addStage(tr8("Hue bands"));
    d.key("P");
    d.drag(grade->view(), d.onPicture({0.63, 0.60}), d.onPicture({0.63, 0.60}) + QPointF(-130, 45));
    const int band = qobject_cast<HueBandsEditor*>(grade->editorPanel()->editor())->lanes()->chosen() + 1;
    const auto field = [&](const char* name) {
        return d.named<NumberField>(grade->editorPanel(), tr8("Band %1 %2").arg(band).arg(tr8(name)));
    };
    d.type(field("width"), tr8("10"), true);
    d.type(field("feather"), tr8("12"), true);
    keepWork(d, "plum-curtain");
    d.chooseStage("wheels");
    auto* disc = qobject_cast<WheelsEditor*>(grade->editorPanel()->editor())->disc();
    d.pull(disc, 0, 60, 0.06);
    d.key("Ctrl+S");
    d.type(d.named<QLineEdit>(d.sheet(), tr8("Preset name")), tr8("Plum"), true); // Enter saves
    QTest::qWait(100);
    EXPECT_EQ(d.sheetIfAny(), nullptr);
    d.chooseRow(grade->tray(), 1);
    d.click(d.named<QPushButton>(grade->editorPanel(), tr8("Shelf")));
    QTest::qWait(100);
    int row = -1;
    for (int i = 0; i < grade->shelf()->list()->model()->rowCount(); ++i)
        if (grade->shelf()->list()->model()->index(i, 0).data().toString() == tr8("Plum")) row = i;
    ASSERT_GE(row, 0);
    d.chooseRow(grade->shelf()->list(), row);
    EXPECT_LE(d.actions(), 14);

    const Picture picture = readPicture(d.folder() / "red-curtain.jpg").picture;
    const Grade& made = d.state().pictures().at(0).work.grade;
    EXPECT_GE(std::abs(placeOf(picture, made, {0.63, 0.60}).hueMoved()), 25) << "the curtain";
    EXPECT_LT(placeOf(picture, made, {0.933, 0.43}).difference(), 3) << "gold";
    EXPECT_LT(placeOf(picture, made, {0.408, 0.345}).difference(), 3) << "the face";
    keepResult(d, "plum-curtain", {0});
    // On the other picture nothing but band and wheel changed.
    for (const Change& change : diff(worn, d.state().keyGrade())) {
        const Grade& now = d.state().keyGrade();
        const auto place = findStage(now, change.path.stage);
        ASSERT_TRUE(place);
        const std::string& type = stageAt(now, *place).type;
        EXPECT_TRUE(type == "hue-bands" || (type == "wheels" && change.path.parameter.rfind("shadows.", 0) == 0))
            << type << ' ' << change.path.parameter;
    }
}

TEST(Jobs, LateStraw) {
    Driver d({"meadow-cart.jpg"});
    d.start();
    GradePage* grade = d.window().gradePage();
    d.countFromHere();
    d.addStage(tr8("Hue bands"));
    d.key("P");
    d.drag(grade->view(), d.onPicture({0.3, 0.93}), d.onPicture({0.3, 0.93}) + QPointF(-116, 10));
    d.key("O"); // this stage alone
    EXPECT_TRUE(grade->isAlone());
    d.key("O");
    EXPECT_LE(d.actions(), 18);
    keepWork(d, "late-straw");
    keepResult(d, "late-straw");
    const Picture picture = readPicture(d.folder() / "meadow-cart.jpg").picture;
    double moved = 0;
    const QPointF greens[] = {{0.3, 0.93}, {0.1, 0.9}, {0.6, 0.95}, {0.45, 0.18}};
    for (const QPointF& green : greens)
        moved += std::abs(placeOf(picture, d.state().keyGrade(), green).hueMoved()) / 4;
    EXPECT_GE(moved, 20);
    EXPECT_LE(moved, 40);
    EXPECT_LT(placeOf(picture, d.state().keyGrade(), {0.73, 0.25}).difference(), 4) << "the face";
    EXPECT_LT(placeOf(picture, d.state().keyGrade(), {0.21, 0.55}).difference(), 4) << "the cart";
}

TEST(Jobs, InkPages) {
    Driver d; // all twelve; seven of them are the pages
    d.start();
    GradePage* grade = d.window().gradePage();
    d.countFromHere();
    d.chooseRow(grade->tray(), 0);
    QTest::mouseClick(grade->tray()->viewport(), Qt::LeftButton, Qt::ShiftModifier,
                      grade->tray()->visualRect(grade->tray()->model()->index(6, 0)).center());
    EXPECT_EQ(grade->compareBar()->chip()->text(), tr8("All 7 change · only this"));
    // By hue, kept; by gradient map in its place; the first is the better one, and taken up again on all seven.
    d.addStage(tr8("Monochrome"));
    d.type(d.named<NumberField>(grade->editorPanel(), tr8("Reds")), tr8("30"), true);
    d.key("Ctrl+T");
    d.key("Ctrl+Backspace");
    d.addStage(tr8("Gradient map"));
    d.key("Ctrl+H");
    QTest::qWait(50);
    auto* takes = d.named<QListWidget>(grade->steps(), tr8("Takes"));
    d.chooseRow(takes, Driver::rowOf(takes, tr8("Take 1"))); // the other is kept on the way
    // Levels drawn in for uncoated paper.
    d.addStage(tr8("Levels"));
    d.type(d.named<NumberField>(grade->editorPanel(), tr8("RGB black out")), tr8("8"), true);
    d.type(d.named<NumberField>(grade->editorPanel(), tr8("RGB white out")), tr8("94"), true);
    EXPECT_LE(d.actions() + 1, 22); // the click with Shift
    d.settle();
    keepWork(d, "ink-pages");
    keepResult(d, "ink-pages", {0, 3});
    for (int i = 0; i < 7; ++i) {
        const auto& work = d.state().pictures().at(i).work;
        const Picture small = readThumbnail(d.state().pictures().at(i).file, 64);
        const Picture out = Program::compile(work.grade).graded(small);
        for (int y = 0; y < out.height(); y += 7)
            for (int x = 0; x < out.width(); x += 7) {
                EXPECT_NEAR(out.row(0, y)[x], out.row(2, y)[x], 2e-3) << i;
                EXPECT_GT(out.row(0, y)[x], 0.07) << "no ink is blacker than that";
            }
    }
    EXPECT_TRUE(isNeutral(d.state().pictures().at(8).work.grade)) << "the others are left alone";
    for (int i = 0; i < 7; ++i) {
        const PictureWork& work = d.state().pictures().at(i).work;
        ASSERT_EQ(work.takes.size(), 2u) << "both takes of each";
        EXPECT_EQ(work.from, 0);
        EXPECT_TRUE(findStage(work.grade, "monochrome-1"));
        EXPECT_TRUE(findStage(work.takes[1].grade, "gradient-map-1"));
        EXPECT_FALSE(findStage(work.takes[1].grade, "monochrome-1"));
    }
    // A hue band behind the monochrome has nothing to act on, and its card says so.
    d.addStage(tr8("Hue bands"));
    auto* lanes = qobject_cast<HueBandsEditor*>(grade->editorPanel()->editor())->lanes();
    d.drag(lanes, lanes->handle(2, HueLanes::Shift), lanes->handle(2, HueLanes::Shift) - QPointF(0, 12));
    const auto place = findStage(d.state().keyGrade(), d.state().chosenStage());
    const std::string id = stageAt(d.state().keyGrade(), *place).id;
    EXPECT_TRUE(
        Driver::waitFor([&] { return grade->chain()->card(id)->toolTip().contains(tr8("nothing to work on")); }));
    // One undo takes it from all seven.
    d.undo();
    d.undo();
    for (int i = 0; i < 7; ++i) EXPECT_FALSE(findStage(d.state().pictures().at(i).work.grade, "hue-bands-1")) << i;
}

TEST(Jobs, MossAndRose) {
    Driver d({"lake-fog.jpg", "meadow-cart.jpg", "snow-yard.jpg", "spotlight.jpg"});
    d.start();
    GradePage* grade = d.window().gradePage();
    d.countFromHere();
    QTest::mouseClick(grade->tray()->viewport(), Qt::LeftButton, Qt::ShiftModifier,
                      grade->tray()->visualRect(grade->tray()->model()->index(3, 0)).center());
    d.key("G");
    d.click(grade->scopes()->kinds()->button(3));
    // With wheels: moss in the darks, and in one click what lies opposite in the lights.
    d.chooseStage("wheels");
    auto* wheels = qobject_cast<WheelsEditor*>(grade->editorPanel()->editor());
    d.pull(wheels->disc(), 0, 215, 0.25);
    d.button(wheels, tr8("Opposite to…"))->menu()->popup(wheels->mapToGlobal(QPoint(0, 0)));
    QMenu* menu = d.button(wheels, tr8("Opposite to…"))->menu();
    QTest::mouseClick(menu, Qt::LeftButton, {}, menu->actionGeometry(menu->actions().at(2)).center());
    d.key("Ctrl+T");
    // With a gradient map in its place.
    d.key("Ctrl+R");
    d.addStage(tr8("Gradient map"));
    auto* gradient = qobject_cast<GradientEditor*>(grade->editorPanel()->editor());
    d.pull(gradient->disc(), 0, 215, 0.15);
    d.click(d.button(gradient, tr8("Opposite → lights")));
    // Both on all four: the take that was kept is what B shows.
    auto* means = d.named<QComboBox>(grade, tr8("What before means"));
    means->setFocus();
    QTest::keyClick(means, Qt::Key_End);
    constexpr int notSeen = 1 + 2 + 1 + 1; // the click with Shift, the two of the menu, End, B
    EXPECT_LE(d.actions() + notSeen, 16);
    d.settle();
    ASSERT_EQ(grade->grid()->shown().size(), 4u);
    std::map<int, QImage> withGradient, withWheels;
    ASSERT_TRUE(Driver::waitFor([&] { return !grade->grid()->image(3).isNull(); }));
    for (int i = 0; i < 4; ++i) withGradient[i] = grade->grid()->image(i);
    keepWork(d, "moss-and-rose");
    keepResult(d, "moss-and-rose", {0, 1});
    grade->view()->setFocus();
    QTest::keyPress(&d.window(), Qt::Key_B);
    QTest::qWait(300);
    for (int i = 0; i < 4; ++i) withWheels[i] = grade->grid()->image(i);
    QTest::keyRelease(&d.window(), Qt::Key_B);
    for (int i = 0; i < 4; ++i) {
        const PictureWork& work = d.state().pictures().at(i).work;
        ASSERT_EQ(work.takes.size(), 1u) << "the one with the gradient is in hand";
        const Picture small = readThumbnail(d.state().pictures().at(i).file, 480);
        // Each picture's own take, as it would be written.
        EXPECT_LT(meanApart(withWheels[i], imageOf(work.takes[0].grade, small)), 2.5) << i;
        EXPECT_GT(meanApart(withWheels[i], withGradient[i]), 3) << i << ": the two takes differ to the eye";
        // Moss is green, rose its opposite: dark greys move one way, light greys the other.
        for (const Grade& look : {work.takes[0].grade, work.grade}) {
            const Program program = Program::compile(look);
            const auto chroma = [&](float level) {
                const auto c = program({level, level, level});
                return chromaPlane({c[0], c[1], c[2]});
            };
            const auto dark = chroma(0.2F), light = chroma(0.8F);
            EXPECT_LT(dark[1], -0.004) << i;
            EXPECT_GT(light[1], 0.004) << i;
            EXPECT_LT(dark[0] * light[0] + dark[1] * light[1], 0) << i << ": opposite";
        }
    }
}

namespace {

/// The edge of portrait-light's burnt window is softer by a third, the room as it was.
void expectEased(Driver& d) {
    const Picture small = readThumbnail(d.folder() / "portrait-light.jpg", 240);
    const Picture eased = Program::compile(d.state().keyGrade()).graded(small);
    const auto steepest = [](const Picture& p) {
        double most = 0;
        const int y = p.height() / 10;
        const auto lumaAt = [&](int x) { return luma(p.row(0, y)[x], p.row(1, y)[x], p.row(2, y)[x]); };
        for (int x = p.width() * 38 / 100; x < p.width() * 46 / 100; ++x)
            most = std::max(most, std::abs(lumaAt(x + 1) - lumaAt(x)));
        return most;
    };
    EXPECT_LT(steepest(eased), steepest(small) * 2 / 3) << "the edge of the white patch";
    const Picture picture = readPicture(d.folder() / "portrait-light.jpg").picture;
    const QPointF room[] = {{0.02, 0.35}, {0.46, 0.31}, {0.85, 0.687}, {0.1, 0.87}, {0.1, 0.1}};
    for (const QPointF& place : room)
        EXPECT_LT(placeOf(picture, d.state().keyGrade(), place).difference(), 2) << place.x() << ' ' << place.y();
}

} // namespace

TEST(Jobs, CoverFormat) {
    Driver d({"lake-fog.jpg"});
    d.start();
    const PictureSize whole = readPictureSize(d.state().pictures().at(0).file);
    d.countFromHere();
    d.addStage(QStringLiteral("horizon")); // found by what it is for
    GradePage* grade = d.window().gradePage();
    FrameView* view = grade->frameView();
    ASSERT_TRUE(Driver::waitFor([&] { return view->isVisible() && !view->frameRect().isEmpty(); }));
    auto* ratio = d.named<QComboBox>(grade->editorPanel(), QStringLiteral("Ratio"));
    d.click(ratio);
    ratio->hidePopup();
    ratio->setCurrentIndex(ratio->findText(QStringLiteral("2 : 1")));
    Q_EMIT ratio->activated(ratio->currentIndex());
    d.drag(view, view->frameRect().bottomRight(), view->frameRect().bottomRight() - QPointF(120, 60));
    d.drag(view, view->frameRect().center(), view->frameRect().center() + QPointF(110, 90));
    d.type(d.named<NumberField>(grade->editorPanel(), QStringLiteral("Angle")), QStringLiteral("0.8"), true);
    EXPECT_EQ(d.actions() + 1, 7) << "the choice in the open list is one";
    keepWork(d, "cover");
    const Grade framed = d.state().keyGrade();
    // The boat comes out, the fog stays; a dark band below for the title.
    d.addStage(tr8("structure")); // found by what it is for
    ASSERT_EQ(d.state().keyGrade().finish.front().type, "local-contrast");
    d.type(d.named<NumberField>(grade->editorPanel(), tr8("Amount")), tr8("90"), true);
    d.type(d.named<NumberField>(grade->editorPanel(), tr8("Reach")), tr8("80"), true);
    d.addStage(tr8("title"));
    ASSERT_EQ(d.state().keyGrade().finish.back().type, "bars");
    d.type(d.named<NumberField>(grade->editorPanel(), tr8("Place")), tr8("0"), true);
    EXPECT_LE(d.actions() + 1, 20);
    const Grade cover = d.state().keyGrade();
    keepResult(d, "cover");
    {
        const Picture source = readPicture(d.folder() / "lake-fog.jpg").picture;
        const Picture picture = placed(source, placementOf(frameOf(cover), whole.width, whole.height));
        Grade open = cover; // without the band
        std::erase_if(open.finish, [](const Stage& stage) { return stage.type == "bars"; });
        const Picture clear = Program::compile(open).graded(picture);
        const auto spread = [](const Picture& p, double x, double y, double w, double h) {
            const Picture part =
                cropped(p, int(x * p.width()), int(y * p.height()), int(w * p.width()), int(h * p.height()));
            double sum = 0, squares = 0, n = 0;
            for (int v = 0; v < part.height(); ++v)
                for (int u = 0; u < part.width(); ++u)
                    sum += double(part.row(1, v)[u]), squares += std::pow(double(part.row(1, v)[u]), 2), n += 1;
            return std::sqrt(squares / n - sum / n * (sum / n));
        };
        EXPECT_GT(spread(clear, 0.2, 0.3, 0.5, 0.5), 1.15 * spread(picture, 0.2, 0.3, 0.5, 0.5)) << "the boat";
        EXPECT_LT(spread(clear, 0.02, 0.02, 0.2, 0.1), spread(picture, 0.02, 0.02, 0.2, 0.1) + 0.01) << "the fog";
        const Histogram ends = histogramOf(clear), own = histogramOf(picture);
        const auto hardly = static_cast<std::uint32_t>(ends.pixels / 10000);
        EXPECT_LE(ends.luma[0], own.luma[0] + hardly) << "no end is clipped";
        EXPECT_LE(ends.luma[255], own.luma[255] + hardly);
        const Picture out = Program::compile(cover).graded(picture);
        EXPECT_EQ(out.row(1, out.height() - 4)[out.width() / 2], 0.0F) << "the band";
        EXPECT_GT(out.row(1, 4)[out.width() / 2], 0.2F);
    }
    EXPECT_GT(frameOf(framed).x, 0.5) << "the boat lies left of the middle";
    EXPECT_EQ(frameOf(framed).angle, 0.8);
    d.stop();
    d.start();
    EXPECT_EQ(d.state().keyGrade(), cover);
    const std::filesystem::path file = d.root() / "cover.jpg";
    d.menu(QStringLiteral("File"), QStringLiteral("Write this picture…"));
    Q_EMIT qobject_cast<QFileDialog*>(d.sheet())->fileSelected(QString::fromStdString(file.string()));
    d.sheet()->close();
    ASSERT_TRUE(Driver::waitFor([&] { return std::filesystem::exists(file); }));
    QTest::qWait(200);
    const PictureSize size = readPictureSize(file);
    EXPECT_NEAR(double(size.width) / size.height, 2, 0.01);
    EXPECT_LT(size.width, whole.width);
    // Undone after saving, step by step.
    for (int steps = 0; d.state().keyGrade() != startingGrade() && steps < 12; ++steps) EXPECT_TRUE(d.undo());
    EXPECT_EQ(frameOf(d.state().keyGrade()), FrameSettings());
    EXPECT_TRUE(Driver::waitFor(
        [&] { return d.window().gradePage()->view()->pictureSize() == QSize(whole.width, whole.height); }));
}

TEST(Jobs, FromNegativeToPrint) {
    Driver d({"workshop-window.jpg"});
    const std::filesystem::path tiff = d.folder() / "workshop-window.tif";
    {
        const Picture picture = readPicture(d.folder() / "workshop-window.jpg").picture;
        writePicture(tiff, Program().quantised(picture, 16, false), {}, {FileFormat::Tiff, 16, 90});
        std::filesystem::remove(d.folder() / "workshop-window.jpg");
    }
    d.start();
    GradePage* grade = d.window().gradePage();
    d.countFromHere();
    d.addStage(tr8("Film response"));
    auto* film = editorOf<FilmEditor>(d);
    ASSERT_TRUE(film);
    const auto choose = [&](const char* id) {
        const auto& options = findStageType("film-response")->parameter("response")->options;
        for (int row = 0; row < film->characters()->count(); ++row)
            if (options[static_cast<std::size_t>(row)].id == id) {
                film->characters()->scrollToItem(film->characters()->item(row));
                d.click(film->characters()->viewport(),
                        film->characters()->visualItemRect(film->characters()->item(row)).center());
            }
        QTest::mouseMove(grade->view(), QPoint(4, 4));
        QCoreApplication::processEvents();
    };
    choose("pewter");
    d.key("Ctrl+T"); // in mono: the first take
    const Grade mono = d.state().keyGrade();
    choose("straw-hat");
    d.type(d.named<NumberField>(grade->editorPanel(), tr8("Crossover blue")), tr8("-40"), true);
    d.click(d.button(grade->editorPanel(), FilmEditor::tr("Add its grain")));
    d.click(d.button(grade->editorPanel(), FilmEditor::tr("Add its halation")));
    d.chooseStage("grain");
    auto* curve = d.named<CurveView>(grade->editorPanel(), tr8("Curve over tone"));
    d.drag(curve, curve->toWidget({1, 0.5}), curve->toWidget({1, 0.0})); // quiet in the sky of the window
    d.key("Ctrl+Alt+0");                                                 // judged at 100 %
    d.key("Ctrl+T");
    EXPECT_LE(d.actions(), 20);
    d.settle();
    EXPECT_EQ(grade->view()->scale(), 1);
    EXPECT_EQ(d.state().pictures().at(d.state().key()).work.takes.size(), 2U);
    keepWork(d, "negative-to-print");
    keepResult(d, "negative-to-print");

    const auto through = [](const Grade& g, float v) {
        Grade look = g;
        look.prep.clear(), look.finish.clear();
        return Program::compile(look)({v, v, v});
    };
    for (const float v : {0.2F, 0.5F, 0.8F}) {
        const auto c = through(mono, v);
        EXPECT_NEAR(c[0], c[2], 1e-3) << "mono is grey";
    }
    const Grade print = d.state().keyGrade();
    const auto dark = through(print, 0.15F), light = through(print, 0.85F), grey = through(print, 0.4614F);
    EXPECT_GT(dark[2], dark[0] + 0.01F) << "shadows a little blue";
    EXPECT_GT(light[0], light[2] + 0.01F) << "lights a little warm";
    for (const float c : grey) EXPECT_NEAR(c, 0.4614F, 0.02F) << "the anchored grey stays";
    // The grain: quiet where the window is, there on the wall.
    const Picture picture = readPicture(tiff).picture;
    Grade smooth = print;
    std::erase_if(smooth.finish, [](const Stage& s) { return s.type == "grain"; });
    const Picture with = Program::compile(print).graded(picture), without = Program::compile(smooth).graded(picture);
    double squares[2]{}, counts[2]{};
    for (int y = 0; y < picture.height(); ++y)
        for (int x = 0; x < picture.width(); ++x) {
            const float tone = without.row(1, y)[x];
            const int which = tone > 0.85F ? 0 : tone > 0.25F && tone < 0.55F ? 1 : -1;
            if (which < 0) continue;
            const double away = double(with.row(1, y)[x]) - double(tone);
            squares[which] += away * away, counts[which] += 1;
        }
    ASSERT_GT(counts[0], 1000);
    ASSERT_GT(counts[1], 1000);
    EXPECT_LT(std::sqrt(squares[0] / counts[0]), 0.35 * std::sqrt(squares[1] / counts[1]));
    EXPECT_GT(std::sqrt(squares[1] / counts[1]), 0.01);
}

TEST(Jobs, TooBrightAMorning) {
    Driver d({"portrait-light.jpg"});
    d.start();
    GradePage* grade = d.window().gradePage();
    d.countFromHere();
    d.key("C");
    d.chooseStage("curves");
    CurveView* curve = qobject_cast<CurvesEditor*>(grade->editorPanel()->editor())->view();
    d.click(curve, curve->toWidget({0.5, 0.5}));
    d.click(curve, curve->toWidget({0.84, 0.84}));                       // below it all stays
    d.drag(curve, curve->toWidget({1, 1}), curve->toWidget({1, 0.925})); // above it runs out gently
    QTest::mouseDClick(grade->view(), Qt::LeftButton, {}, d.onPicture({0.4, 0.1}).toPoint()); // the edge, at 100 %
    EXPECT_LE(d.actions() + 1, 10);
    d.settle();
    EXPECT_EQ(grade->view()->scale(), 1);
    keepWork(d, "bright-morning");
    keepResult(d, "bright-morning");
    expectEased(d);
    // The marks of clipped highlights are gone from the patch.
    const QColor white = grade->view()->shownAfter().pixelColor(grade->view()->shownAfter().rect().center());
    EXPECT_LT(white.red(), 250);
}

TEST(Jobs, TooBrightAMorningWithToneFirst) {
    Driver d({"portrait-light.jpg"});
    d.start();
    d.countFromHere();
    d.addStage(tr8("burnt")); // found by what it is for
    ASSERT_EQ(stageAt(d.state().keyGrade(), *findStage(d.state().keyGrade(), d.state().chosenStage())).type, "tone");
    d.type(d.named<NumberField>(d.window().gradePage()->editorPanel(), tr8("Roll-off")), tr8("60"), true);
    EXPECT_LE(d.actions(), 4);
    d.settle();
    expectEased(d);
}

TEST(Jobs, NoonInOpponentColoursWithAToeEased) {
    Driver d({"snow-yard.jpg"});
    d.start();
    GradePage* grade = d.window().gradePage();
    d.countFromHere();
    d.chooseStage("curves");
    auto* curves = qobject_cast<CurvesEditor*>(grade->editorPanel()->editor());
    const auto shape = [&](const char* channel, QPointF from, QPointF to) {
        d.click(d.button(curves->channels(), tr8(channel)));
        d.drag(curves->view(), curves->view()->toWidget(from), curves->view()->toWidget(to));
    };
    shape("a", {0.5, 0.5}, {0.5, 0.53});
    shape("b", {0.5, 0.5}, {0.5, 0.54});
    d.addStage(tr8("Gradient map"));
    auto* gradient = qobject_cast<GradientEditor*>(grade->editorPanel()->editor());
    d.pull(gradient->disc(), 0, 330, 0.15);
    d.click(d.button(gradient, tr8("Opposite → lights")));
    auto* blend = d.named<QComboBox>(gradient, tr8("Blend"));
    blend->setFocus();
    for (int i = 0; i < blend->count() && blend->currentText() != tr8("Overlay"); ++i)
        QTest::keyClick(blend, Qt::Key_Down);
    ASSERT_EQ(blend->currentText(), tr8("Overlay"));
    // A toe so firm that the coat loses its folds, which its card says.
    d.chooseStage("curves");
    curves = qobject_cast<CurvesEditor*>(grade->editorPanel()->editor());
    shape("RGB", {0.45, 0.45}, {0.45, 0.03});
    StageCard* card = grade->chain()->card("curves-1");
    EXPECT_TRUE(Driver::waitFor([&] { return card->toolTip().contains(tr8("folds")); }))
        << card->toolTip().toStdString();
    const Picture picture = readThumbnail(d.folder() / "snow-yard.jpg", 400);
    const auto folds = [&](const Picture& p) { // how much the coat's tones spread
        double sum = 0, squares = 0;
        int n = 0;
        for (int y = p.height() * 55 / 100; y < p.height() * 72 / 100; ++y)
            for (int x = p.width() * 27 / 100; x < p.width() * 38 / 100; ++x, ++n) {
                const double v = luma(p.row(0, y)[x], p.row(1, y)[x], p.row(2, y)[x]);
                sum += v, squares += v * v;
            }
        return std::sqrt(squares / n - sum / n * sum / n);
    };
    const double firm = folds(Program::compile(d.state().keyGrade()).graded(picture));
    d.drag(curves->view(), curves->view()->toWidget({0.45, 0.03}), curves->view()->toWidget({0.45, 0.34}));
    EXPECT_TRUE(Driver::waitFor([&] { return !card->toolTip().contains(tr8("folds")); }));
    keepWork(d, "noon");
    keepResult(d, "noon");
    constexpr int notSeen = 2; // the list of blends
    EXPECT_LE(d.actions() + notSeen, 20);
    const double eased = folds(Program::compile(d.state().keyGrade()).graded(picture));
    EXPECT_GT(eased, 2 * firm);
    EXPECT_GT(eased, 0.6 * folds(picture)) << "the folds are back";
}

} // namespace baryton::test
