// Stages that look around, and pictures that are laid over, in a layer with a mask: there alone.
#include "app/grade/chain_view.h"
#include "app/screen_helpers.h"
#include "app/widgets/number_field.h"
#include "picture/picture_file.h"
#include "render/program.h"

#include <QFileDialog>
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

} // namespace baryton::test
