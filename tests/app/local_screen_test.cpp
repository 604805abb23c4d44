// Stages that look around, and pictures that are laid over, in a layer with a mask: there alone.
#include "app/carry_tree.h"
#include "app/grade/chain_view.h"
#include "app/screen_helpers.h"
#include "app/widgets/number_field.h"
#include "picture/picture_file.h"
#include "render/program.h"

#include <QFileDialog>
#include <QLineEdit>
#include <QMenu>
#include <algorithm>
#include <cmath>
#include <gtest/gtest.h>

namespace baryton::test {

namespace {

void newLayerInAnEllipse(Driver& d) {
    rightClick(d.window().gradePage()->view(), d.onPicture({0.4, 0.5}));
    pick(tr8("New layer in an ellipse here"));
    QTest::qWait(20);
}

/// The largest difference of the graded picture from its source in a square, in shares of the picture.
double changeAt(Driver& d, const Picture& source, double x, double y) {
    const Picture out = Program::compile(d.state().keyGrade()).graded(source);
    const int side = source.longSide() / 20;
    const int left = int(x * source.width()) - side / 2, top = int(y * source.height()) - side / 2;
    double most = 0;
    for (int k = 0; k < 3; ++k)
        for (int v = top; v < top + side; ++v)
            for (int u = left; u < left + side; ++u)
                most = std::max(most, std::abs(double(out.row(k, v)[u]) - source.row(k, v)[u]));
    return most;
}

} // namespace

TEST(LocalScreen, DetailAndLocalContrastStandInTheLayerThatIsWorkedIn) {
    Driver d({"snow-yard.jpg"});
    d.start();
    const Picture source = readPicture(d.folder() / "snow-yard.jpg").picture;
    newLayerInAnEllipse(d);
    const auto look = [&]() -> const std::vector<Layer>& { return d.state().keyGrade().look; };
    const std::size_t layer = look().size() - 1;
    d.addStage(tr8("Detail (in the layer)"));
    ASSERT_EQ(look()[layer].stages.size(), 1U);
    EXPECT_EQ(look()[layer].stages[0].type, "detail");
    EXPECT_EQ(d.state().chosenStage(), look()[layer].stages[0].id);
    EXPECT_GT(changeAt(d, source, 0.4, 0.5), 0.02) << "it begins with an amount that shows";
    EXPECT_EQ(changeAt(d, source, 0.05, 0.05), 0) << "and nothing outside";
    auto* amount = d.named<NumberField>(d.window().gradePage()->editorPanel(), tr8("Amount"));
    const double before = changeAt(d, source, 0.4, 0.5);
    d.type(amount, tr8("200"), true);
    EXPECT_GT(changeAt(d, source, 0.4, 0.5), 1.2 * before);
    EXPECT_TRUE(d.undo());

    // A second kind, by the menu; what is found without more words goes over the whole frame, as before.
    for (QMenu* menu : d.window().findChildren<QMenu*>())
        for (QAction* entry : menu->actions())
            if (entry->text() == tr8("Local contrast (in the layer)")) entry->trigger();
    ASSERT_EQ(look()[layer].stages.size(), 2U);
    d.addStage(tr8("Detail"));
    EXPECT_EQ(look()[layer].stages.size(), 2U);
    ASSERT_FALSE(d.state().keyGrade().finish.empty());
    EXPECT_EQ(d.state().keyGrade().finish.back().type, "detail");
    EXPECT_GT(changeAt(d, source, 0.9, 0.9), 0.001);
    EXPECT_TRUE(d.undo());
    // In the layer they are moved, copied and taken away as any of its stages.
    d.state().chooseStage(look()[layer].stages[0].id);
    duplicateStage(d.state(), look()[layer].stages[0].id);
    EXPECT_EQ(look()[layer].stages.size(), 3U);
    d.settle();
    EXPECT_EQ(changeAt(d, source, 0.05, 0.05), 0);
}

TEST(LocalScreen, APictureFillsALayerWhereItsMaskLetsIt) {
    Driver d({"snow-yard.jpg"});
    d.start();
    const Picture source = readPicture(d.folder() / "snow-yard.jpg").picture;
    PictureView* view = d.window().gradePage()->view();
    newLayerInAnEllipse(d);
    d.addStage(tr8("Overlay (in the layer)"));
    d.click(d.button(d.window().gradePage()->editorPanel(), tr8("Choose a picture…")));
    auto* files = d.window().findChild<QFileDialog*>();
    Q_EMIT files->fileSelected(QString::fromStdString(std::string(BARYTON_SOURCE) + "/demo/overlays/paper.jpg"));
    files->close();
    const auto stage = [&]() -> const Stage& { return d.state().keyGrade().look.back().stages.at(0); };
    ASSERT_TRUE(Driver::waitFor([&] { return stage().parameters.count("picture") > 0; }));
    EXPECT_GT(changeAt(d, source, 0.4, 0.5), 0.02);
    EXPECT_EQ(changeAt(d, source, 0.05, 0.05), 0);
    // It is placed on the picture, as one over the whole frame is.
    d.key("P");
    d.settle();
    ASSERT_FALSE(view->figure().lines.isEmpty());
    d.drag(view, d.onPicture({0.3, 0.3}), d.onPicture({0.4, 0.3}));
    EXPECT_NEAR(std::get<double>(stage().parameters.at("shift.x")), 0.1, 0.004);
}

TEST(LocalScreen, APresetTakesItsMaskIntoAnotherPicturesFrame) {
    Driver d({"snow-yard.jpg", "lake-fog.jpg"});
    d.start();
    EditorPanel* panel = d.window().gradePage()->editorPanel();
    const auto size = [&](const char* percent) {
        d.addStage(tr8("horizon"));
        d.type(d.named<NumberField>(panel, tr8("Size")), tr8(percent), true);
        d.key("Ctrl+1");
        d.settle();
    };
    size("50");
    newLayerInAnEllipse(d);
    d.addStage(tr8("Detail (in the layer)"));
    const auto middle = [](const Mask& mask) {
        const auto& ellipse = std::get<MaskEllipse>(mask.shapes.at(0).form);
        return QPointF(ellipse.x, ellipse.y);
    };
    const auto own = [&]() -> const Grade& { return d.state().keyGrade(); };
    const Mask drawn = *own().look.back().mask;
    d.menu(tr8("File"), tr8("Save preset…"));
    auto* tree = d.sheet()->findChild<CarryTree*>();
    bool isTold = false;
    for (QTreeWidgetItemIterator it(tree); *it; ++it)
        isTold = isTold || (*it)->text(1).contains(tr8("placed by the frame"));
    EXPECT_TRUE(isTold);
    d.type(d.named<QLineEdit>(d.sheet(), tr8("Preset name")), tr8("Keeper"));
    d.click(d.button(d.sheet(), tr8("Save preset")));
    ASSERT_TRUE(Driver::waitFor([&] { return d.sheetIfAny() == nullptr; }));
    const auto saved = std::find_if(d.state().presets().begin(), d.state().presets().end(),
                                    [](const LibraryEntry& each) { return each.name == "Keeper"; });
    ASSERT_TRUE(saved != d.state().presets().end());
    const Preset preset = *saved->preset;
    // Half a frame about the middle: what is 0.1 from it in the picture is 0.2 in the frame.
    const QPointF there = middle(*preset.carried.look.back().mask);
    EXPECT_NEAR(there.x() - 0.5, 2 * (middle(drawn).x() - 0.5), 2e-3);
    EXPECT_NEAR(there.y() - 0.5, 2 * (middle(drawn).y() - 0.5), 2e-3);

    d.chooseRow(d.window().gradePage()->tray(), 1);
    d.settle();
    size("80");
    d.state().applyPreset(preset, ApplyMode::AddAbove, 1);
    const QPointF here = middle(*own().look.back().mask);
    EXPECT_NEAR(here.x() - 0.5, 0.8 * (there.x() - 0.5), 2e-3);
    EXPECT_NEAR(here.y() - 0.5, 0.8 * (there.y() - 0.5), 2e-3);
    // Cut anew, its strength changed: the mask stays on what it lay on.
    const Mask laid = *own().look.back().mask;
    d.chooseStage("frame");
    d.type(d.named<NumberField>(panel, tr8("Size")), tr8("60"), true);
    InForce weaker = d.state().keyWork().inForce.at(0);
    weaker.strength = 0.5;
    d.state().changePresetInForce(0, weaker);
    EXPECT_EQ(*own().look.back().mask, laid);
}

} // namespace baryton::test
