// The first minutes: what stands there when nothing is open, and the demo set.
#include "app/guide/guide_panel.h"
#include "app/screen_helpers.h"
#include "app/welcome.h"

namespace baryton::test {

namespace {

PictureCard* cardNamed(QWidget* parent, const QString& name) {
    for (PictureCard* each : parent->findChildren<PictureCard*>())
        if (each->isVisible() && each->accessibleName() == name) return each;
    return nullptr;
}

} // namespace

TEST(Welcome, ShowsTheTasksAndWhatWasOpenLatelyInPictures) {
    Driver d({"lake-fog.jpg"});
    d.start(); // and it is opened lately
    d.stop();
    MainWindow window(d.libraryRoot());
    window.resize(1280, 800);
    window.show();
    auto* welcome = window.findChild<WelcomePage*>();
    for (const char* task : {"Grade", "Package", "Batch"}) {
        PictureCard* card = cardNamed(welcome, tr8(task));
        ASSERT_NE(card, nullptr) << task;
        EXPECT_TRUE(card->hasPicture()) << task;
        d.click(card);
        ASSERT_NE(window.guide(), nullptr);
        EXPECT_EQ(window.guide()->place().page, tr8("guide/") + tr8(task).toLower());
    }
    PictureCard* lately = cardNamed(welcome, tr8("The Tin Heron Company"));
    ASSERT_NE(lately, nullptr);
    EXPECT_TRUE(Driver::waitFor([&] { return lately->hasPicture(); }));
    d.click(lately);
    EXPECT_EQ(window.state().pictures().size(), 1);
    EXPECT_FALSE(welcome->isVisible());
}

TEST(Welcome, OpensACopyOfTheDemoSetWithSomeOfItGraded) {
    Driver d({"lake-fog.jpg"});
    MainWindow window(d.libraryRoot());
    window.resize(1280, 800);
    window.show();
    d.click(d.button(&window, tr8("The demo set")));
    PictureSet& set = window.state().pictures();
    EXPECT_GE(set.size(), 12);
    int graded = 0;
    for (int i = 0; i < set.size(); ++i) {
        const std::filesystem::path& file = set.at(i).file;
        EXPECT_EQ(file.parent_path(), d.root() / "data/baryton/demo/The Tin Heron Company")
            << "the set itself is never written to";
        graded += std::filesystem::exists(file.string() + ".bgrade");
        if (file.filename() != "lantern-alley.jpg") continue;
        EXPECT_EQ(set.at(i).work.takes.size(), 2U);
        ASSERT_EQ(set.at(i).work.inForce.size(), 1U);
        EXPECT_DOUBLE_EQ(set.at(i).work.inForce[0].strength, 0.8);
    }
    EXPECT_EQ(graded, 3);
    EXPECT_EQ(set.at(window.state().key()).file.filename(), "lantern-alley.jpg") << "one on which something was done";
    EXPECT_TRUE(std::filesystem::exists(d.root() / "data/baryton/demo/The Tin Heron Company/overlays/steam.jpg"));
    // Once: a grade that is taken off stays off.
    const auto grade = d.root() / "data/baryton/demo/The Tin Heron Company/meadow-cart.jpg.bgrade";
    ASSERT_TRUE(std::filesystem::remove(grade));
    openDemoSet();
    EXPECT_FALSE(std::filesystem::exists(grade));
}

} // namespace baryton::test
