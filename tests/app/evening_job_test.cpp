// Job 4: a morning in the workshop becomes the evening that never was.
#include "app/carry_tree.h"
#include "app/guide_pictures.h"
#include "app/screen_helpers.h"
#include "app/widgets/number_field.h"
#include "grade/mask_links.h"
#include "picture/picture_file.h"
#include "render/mask_weights.h"
#include "render/program.h"
#include "stages/source.h"

#include <QFileDialog>
#include <gtest/gtest.h>

namespace baryton::test {

namespace {

struct MeanColour {
    double r = 0, g = 0, b = 0;
    double luma() const { return (r + g + b) / 3; }
};

/// Of a square of the picture, in shares of it.
MeanColour meanAt(const Picture& picture, double x, double y, double side = 0.03) {
    MeanColour mean;
    double* const sums[] = {&mean.r, &mean.g, &mean.b};
    const int left = int((x - side / 2) * picture.width()), top = int((y - side / 2) * picture.height());
    const int across = int(side * picture.width()), down = int(side * picture.height());
    for (int k = 0; k < 3; ++k)
        for (int v = 0; v < down; ++v)
            for (int u = 0; u < across; ++u) *sums[k] += double(picture.row(k, top + v)[left + u]) / (across * down);
    return mean;
}

} // namespace

TEST(Jobs, TheEveningThatNeverWas) {
    Driver d({"workshop-window.jpg"});
    d.start();
    GradePage* grade = d.window().gradePage();
    PictureView* view = grade->view();
    EditorPanel* panel = grade->editorPanel();
    const Picture source = readPicture(d.folder() / "workshop-window.jpg").picture;
    const Grade before = d.state().keyGrade();
    int menus = 0; // a press for the menu and one for its entry are no actions of the driver's own
    const auto newLayer = [&](QPointF at, const char* entry) {
        rightClick(view, d.onPicture(at));
        pick(tr8(entry));
        menus += 2;
        d.settle();
    };
    const auto set = [&](const char* name, const char* value) {
        d.type(d.named<NumberField>(panel, tr8(name)), tr8(value), true);
    };
    d.countFromHere();
    // All of it darker and cooler than it is, whatever that be.
    d.addStage(tr8("Exposure"));
    set("Stops", "-1");
    d.addStage(tr8("Warmth"));
    set("Warmth", "-30");
    // The light that stays, straw-coloured: pressed on a pane, then on a face.
    newLayer({0.08, 0.2}, "New layer on this colour");
    d.click(
        d.button(panel, tr8("Colours"))); // a range of its own: one that holds both would hold the wall between them
    d.click(view, d.onPicture({0.205, 0.45}));
    d.addStage(tr8("Warmth"));
    set("Warmth", "60");
    // The bench falls dark toward its front.
    newLayer({0.5, 0.75}, "New layer in a ramp here");
    d.drag(view, d.onPicture(view->figure().handles[1]), d.onPicture({0.52, 0.65}));
    d.drag(view, d.onPicture(view->figure().handles[0]), d.onPicture({0.5, 0.95}));
    d.addStage(tr8("Exposure"));
    set("Stops", "-0.8");
    // Haze where the room goes on, as a fill that is blended.
    newLayer({0.55, 0.15}, "New layer in an ellipse here");
    d.addStage(tr8("gel"));
    set("Lightness", "45");
    auto* blend = [&] {
        d.state().chooseStage(d.state().keyGrade().look.back().id), ++menus;
        d.settle();
        return d.named<QComboBox>(panel, tr8("Blend mode"));
    }();
    blend->setCurrentIndex(blend->findText(tr8("Screen"))), ++menus;
    Q_EMIT blend->activated(blend->currentIndex());
    keepWork(d, "evening");
    // Steam from a picture, and the frame.
    d.addStage(tr8("Overlay"));
    d.click(d.button(panel->editor(), tr8("Choose a picture…")));
    auto* files = d.window().findChild<QFileDialog*>();
    Q_EMIT files->fileSelected(QString::fromStdString(std::string(BARYTON_SOURCE) + "/demo/overlays/steam.jpg"));
    files->close(), ++menus;
    ASSERT_TRUE(Driver::waitFor([&] {
        return !d.state().keyGrade().finish.empty() &&
               d.state().keyGrade().finish.back().parameters.count("picture") > 0;
    }));
    d.addStage(tr8("horizon"));
    auto* ratio = d.named<QComboBox>(panel, tr8("Ratio"));
    ratio->setCurrentIndex(ratio->findText(tr8("4 : 3"))), ++menus;
    Q_EMIT ratio->activated(ratio->currentIndex());
    QTest::keyClick(grade->frameView(), Qt::Key_X), ++menus;
    EXPECT_LE(d.actions() + menus, 36);
    keepResult(d, "evening");

    const Grade evening = d.state().keyGrade();
    const Geometry frame = geometryOf(evening, {});
    const Picture framed = placed(source, placementOf(frame, source.width(), source.height()));
    EXPECT_NEAR(double(framed.width()) / framed.height(), 0.75, 0.01);
    // The mood is none of this picture's own settings: a preset has it whole.
    for (const Stage& stage : evening.prep)
        if (stage.type != "frame") EXPECT_TRUE(stage.parameters.empty()) << stage.type;
    ASSERT_EQ(evening.look.size(), before.look.size() + 3);
    // No light falls nowhere, and none everywhere.
    MaskScene scene;
    scene.frame.aspect = 1.5;
    Grade prep = evening;
    prep.look.clear(), prep.finish.clear();
    scene.colours = scaledDown(source, 300, 200);
    for (std::size_t i = before.look.size(); i < evening.look.size(); ++i) {
        const MaskCover cover = coverOf(weightsOver(resolvedMask(evening.look, evening.look[i]), scene, 150, 100));
        EXPECT_GT(cover.mean, 0.01) << i;
        EXPECT_LT(cover.mean, 0.7) << i;
    }
    Grade whole = evening; // the same places as the source, and without the steam
    whole.prep.clear(), whole.finish.clear();
    const Picture result = Program::compile(whole).graded(source);
    const auto warmthOf = [](const MeanColour& c) { return c.r - c.b; };
    const MeanColour wall = meanAt(source, 0.4, 0.5), wallNow = meanAt(result, 0.4, 0.5);
    EXPECT_LT(wallNow.luma(), 0.9 * wall.luma());
    EXPECT_LT(warmthOf(wallNow), warmthOf(wall)) << "all else is cooler";
    const MeanColour pane = meanAt(source, 0.08, 0.2), paneNow = meanAt(result, 0.08, 0.2);
    EXPECT_GT(warmthOf(paneNow), warmthOf(pane) + 0.02) << "the pane is straw-coloured";
    const MeanColour face = meanAt(source, 0.205, 0.45), faceNow = meanAt(result, 0.205, 0.45);
    EXPECT_GT(warmthOf(faceNow) / faceNow.luma(), warmthOf(face) / face.luma()) << "and so is the face";
    const double bench = meanAt(source, 0.7, 0.97).luma(), benchNow = meanAt(result, 0.7, 0.97).luma();
    EXPECT_LT(benchNow / bench, 0.85 * wallNow.luma() / wall.luma());
}

} // namespace baryton::test
