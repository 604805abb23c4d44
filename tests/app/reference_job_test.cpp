// A goal that people set out with, beside a reference picture; see docs/guide/actions.md.
#include "app/guide_pictures.h"
#include "app/screen_helpers.h"
#include "app/widgets/number_field.h"
#include "colour/spaces.h"
#include "picture/picture_file.h"
#include "render/program.h"

#include <QFileDialog>
#include <gtest/gtest.h>

namespace baryton::test {

namespace {

/// Mean CIEDE2000 between two pictures at places that are the same in both.
double apartAt(const QVector<QPointF>& places, const Picture& one, const Picture& other) {
    const auto lab = [](const Picture& picture, QPointF at) {
        const auto colour = meanColour(picture, at);
        return labFromSrgb({std::clamp(double(colour[0]), 0.0, 1.0), std::clamp(double(colour[1]), 0.0, 1.0),
                            std::clamp(double(colour[2]), 0.0, 1.0)});
    };
    double sum = 0;
    for (const QPointF& at : places) sum += deltaE2000(lab(one, at), lab(other, at));
    return sum / static_cast<double>(places.size());
}

} // namespace

TEST(Jobs, LikeThatOne) {
    Driver d({"dusk-horizon.jpg"});
    const std::filesystem::path tiff = d.folder() / "dusk-horizon.tif", reference = d.root() / "last season.jpg";
    const Picture source = readPicture(d.folder() / "dusk-horizon.jpg").picture;
    writePicture(tiff, Program().quantised(source, 16, false), {}, {FileFormat::Tiff, 16, 90});
    std::filesystem::remove(d.folder() / "dusk-horizon.jpg");
    // As it was printed last season, by a look that nobody has any more.
    Grade theirs = startingGrade();
    const auto add = [&](const char* type, std::map<std::string, Value> values) {
        theirs.look.front().stages.push_back(makeStage(theirs, type));
        theirs.look.front().stages.back().parameters = std::move(values);
    };
    add("exposure", {{"stops", 0.55}});
    add("warmth", {{"warmth", 30.0}, {"tint", 0.1}});
    add("saturation", {{"overall", -0.35}});
    add("split-tone", {{"shadows.hue", 200.0}, {"shadows.amount", 0.08}});
    const Picture wanted = Program::compile(theirs).graded(source);
    writePicture(reference, Program().quantised(wanted, 8, false), {}, {});
    d.start();
    GradePage* grade = d.window().gradePage();
    PictureView* view = grade->view();

    d.countFromHere();
    int inDialogs = 0;
    const auto accept = [&](const std::filesystem::path& file) {
        auto* dialog = d.window().findChild<QFileDialog*>();
        ASSERT_NE(dialog, nullptr);
        Q_EMIT dialog->fileSelected(QString::fromStdString(file.string()));
        dialog->close();
        delete dialog;
        ++inDialogs;
    };
    d.menu(tr8("Picture"), tr8("Reference picture…"));
    accept(reference);
    ASSERT_TRUE(Driver::waitFor([&] { return view->hasReference(); }));
    d.settle();
    d.key("Ctrl+T");
    // Sky, sun's glow, cart, ground, tree, each on both.
    d.key("S");
    const QVector<QPointF> places{{0.2, 0.15}, {0.62, 0.45}, {0.4, 0.62}, {0.75, 0.85}, {0.9, 0.3}};
    const auto onReference = [&](QPointF share) {
        // Where a fraction of the reference is seen: found as a hand does, by going there.
        QPointF best;
        double nearest = 1e9;
        for (int x = 0; x < view->width(); x += 2)
            for (int y = 0; y < view->height(); y += 2)
                if (const auto there = view->toReference(QPointF(x, y))) {
                    const double away = std::hypot(there->x() - share.x(), there->y() - share.y());
                    if (away < nearest) nearest = away, best = QPointF(x, y);
                }
        return best;
    };
    for (const QPointF& place : places) {
        d.click(view, at(d, place.x(), place.y()));
        d.click(view, onReference(place));
    }
    QTest::keyClick(view, Qt::Key_Escape);
    ASSERT_EQ(grade->samples().of(0).size(), 5);
    ASSERT_EQ(grade->samples().of(Samples::kReference).size(), 5);
    const auto apart = [&] {
        const Picture own = readPicture(tiff).picture;
        return apartAt(places, Program::compile(d.state().keyGrade()).graded(own), readPicture(reference).picture);
    };
    const double before = apart();
    EXPECT_GT(before, 8);
    const auto type = [&](const char* stage, const char* field, const char* value) {
        d.chooseStage(stage);
        d.type(d.named<NumberField>(grade->editorPanel(), tr8(field)), tr8(value), true);
    };
    type("exposure", "Stops", "0.5");
    type("white-balance", "Temperature", "9200");
    type("saturation", "Saturation", "-35");
    d.settle();
    d.key("Ctrl+T");
    EXPECT_LT(apart(), before / 2) << "of five matched samples";
    keepWork(d, "like-that-one");
    keepResult(d, "like-that-one");
    // The list says so too.
    double told = 0;
    int pairs = 0;
    for (const QString& line : grade->samplesText().split(u'\n'))
        if (const auto mark = line.indexOf(tr8("ΔE ")); mark >= 0) {
            told += line.mid(mark + 3).section(u' ', 0, 0).toDouble();
            ++pairs;
        }
    ASSERT_EQ(pairs, 5);
    EXPECT_NEAR(told / pairs, apart(), 0.6);
    const PictureWork& work = d.state().keyWork();
    ASSERT_EQ(work.takes.size(), 2u);
    EXPECT_EQ(work.takes[0].grade, startingGrade());
    EXPECT_EQ(work.takes[1].grade, work.grade);
    const std::filesystem::path file = d.root() / "like that one.jpg";
    d.key("Ctrl+Shift+E");
    accept(file);
    ASSERT_TRUE(Driver::waitFor([&] { return std::filesystem::exists(file); }));
    EXPECT_LE(d.actions() + inDialogs + 1, 26) << "Escape is one more";
    QTest::qWait(200);
    EXPECT_LT(apartAt(places, readPicture(file).picture, readPicture(reference).picture), before / 2);
}

} // namespace baryton::test
