// How the window starts: what it shows first, and what it has read by then.
#include "app/behind.h"
#include "app/preview_service.h"
#include "app/read_for_viewer.h"
#include "app/screen_helpers.h"
#include "app/theme/theme.h"
#include "app/widgets/number_field.h"
#include "base/file.h"

#include <QElapsedTimer>
#include <QPushButton>
#include <QTableWidget>
#include <fstream>

namespace baryton::test {

namespace {

std::string keyName(const MainWindow& window) {
    AppState& state = const_cast<MainWindow&>(window).state();
    return state.pictures().at(state.key()).file.filename().string();
}

} // namespace

TEST(Start, TheFirstPictureIsReadWhileTheWindowIsMade) {
    Driver d({"lake-fog.jpg", "red-curtain.jpg"});
    MainWindow window(d.libraryRoot(), {d.folder()});
    window.resize(1280, 800);
    waitFor(*QThreadPool::globalInstance());
    // It is there: nobody reads the file once more.
    std::ofstream(d.folder() / "lake-fog.jpg") << "no picture any more";
    window.show();
    window.openPaths({d.folder()});
    PictureView* view = window.gradePage()->view();
    EXPECT_TRUE(Driver::waitFor([&] { return !view->shownAfter().isNull(); }));
    EXPECT_EQ(view->pictureSize(), QSize(1800, 1200));
    EXPECT_TRUE(Driver::waitFor([&] { return !window.state().pictures().at(0).thumbnail.isNull(); }));
    EXPECT_TRUE(window.state().pictures().at(0).error.isEmpty());
}

TEST(Start, WhatWasReadAheadIsLeftWhereAnotherPictureComesFirst) {
    Driver d({"lake-fog.jpg", "red-curtain.jpg"});
    MainWindow window(d.libraryRoot(), {d.folder() / "lake-fog.jpg"});
    window.show();
    window.openPaths({d.folder() / "red-curtain.jpg"});
    EXPECT_TRUE(Driver::waitFor([&] { return !window.gradePage()->view()->shownAfter().isNull(); }));
    EXPECT_EQ(keyName(window), "red-curtain.jpg");
    // What is not there is told, and the welcome page stands there.
    std::filesystem::create_directories(d.root() / "nothing");
    MainWindow other(d.libraryRoot(), {d.root() / "nothing"});
    other.show();
    other.openPaths({d.root() / "nothing"});
    EXPECT_FALSE(other.gradePage()->isVisible());
}

TEST(Start, ASetComesBackAtThePictureLastInHand) {
    Driver d({"lake-fog.jpg", "red-curtain.jpg", "snow-yard.jpg"});
    d.start();
    EXPECT_EQ(keyName(d.window()), "lake-fog.jpg") << "nothing is known of it yet";
    d.chooseRow(d.window().gradePage()->tray(), 2);
    d.window().openPaths({d.folder() / "red-curtain.jpg"}); // another set in between
    d.window().openPaths({d.folder()});
    EXPECT_EQ(keyName(d.window()), "snow-yard.jpg");
    d.chooseRow(d.window().gradePage()->tray(), 1);
    d.window().close();
    d.stop();
    d.start();
    EXPECT_EQ(keyName(d.window()), "red-curtain.jpg");
    // More pictures leave it in hand.
    std::filesystem::copy_file(d.folder() / "lake-fog.jpg", d.root() / "another.jpg");
    d.window().openPaths({d.root() / "another.jpg"}, true);
    EXPECT_EQ(d.state().pictures().size(), 4);
    EXPECT_EQ(keyName(d.window()), "red-curtain.jpg");
    // One that is named after its folder goes first; one that is gone does no harm.
    d.window().openPaths({d.folder(), d.folder() / "snow-yard.jpg"});
    EXPECT_EQ(d.state().pictures().size(), 3);
    EXPECT_EQ(keyName(d.window()), "snow-yard.jpg");
    d.window().close();
    d.stop();
    std::filesystem::remove(d.folder() / "snow-yard.jpg");
    d.start();
    EXPECT_EQ(keyName(d.window()), "lake-fog.jpg");
}

TEST(Start, ASetThatWasSeenBeforeShowsItsThumbnailsAsTheyWereDrawn) {
    Driver d({"lake-fog.jpg", "red-curtain.jpg", "snow-yard.jpg"});
    d.start();
    const auto thumbnail = [&](int index) { return d.state().pictures().at(index).thumbnail; };
    const auto allThere = [&] {
        for (int i = 0; i < 3; ++i)
            if (thumbnail(i).isNull()) return false;
        return true;
    };
    ASSERT_TRUE(Driver::waitFor(allThere));
    d.settle();
    const std::vector<QImage> drawn{thumbnail(0), thumbnail(1), thumbnail(2)};
    d.chooseStage("exposure");
    d.type(d.named<NumberField>(d.window().gradePage()->editorPanel(), tr8("Stops")), tr8("1"), true);
    d.settle();
    d.window().close();
    d.stop();
    // Nothing else can be read of the second one than what was kept; it looks as it did when it was last seen.
    const std::filesystem::path second = d.folder() / "red-curtain.jpg";
    const auto written = std::filesystem::last_write_time(second);
    std::string bytes = readFile(second);
    std::fill(bytes.begin(), bytes.begin() + 4096, 'x');
    std::ofstream(second, std::ios::binary) << bytes;
    std::filesystem::last_write_time(second, written);
    for (const auto& each : std::filesystem::directory_iterator(SmallStore::usersFolder()))
        if (each.path().extension() != ".known") std::filesystem::remove(each);
    d.start();
    ASSERT_TRUE(Driver::waitFor(allThere));
    const auto apart = [](const QImage& a, const QImage& b) {
        if (a.size() != b.size()) return 255;
        int most = 0;
        for (int y = 4; y < a.height(); y += 8)
            for (int x = 4; x < a.width(); x += 8)
                most = std::max(most, std::abs(qGray(a.pixel(x, y)) - qGray(b.pixel(x, y))));
        return most;
    };
    EXPECT_LT(apart(thumbnail(1), drawn[1]), 24) << "what a JPEG changes";
    EXPECT_TRUE(d.state().pictures().at(1).error.isEmpty());
    EXPECT_EQ(d.state().pictures().at(1).size.height, 1800);
    // The grade of the first is another since: it is drawn anew.
    EXPECT_TRUE(
        Driver::waitFor([&] { return qGray(thumbnail(0).pixel(100, 100)) > qGray(drawn[0].pixel(100, 100)); }));
    // What comes into hand has its pixels, and who needs those of another has them read.
    d.state().setKey(2);
    d.settle();
    EXPECT_FALSE(d.state().pictures().smallOf(2).isEmpty());
    d.state().setKey(0);
    d.window().close();
    d.stop();
    d.start();
    ASSERT_TRUE(Driver::waitFor(allThere));
    EXPECT_TRUE(Driver::waitFor([&] { return !d.state().pictures().smallOf(2).isEmpty(); }));
    EXPECT_LT(apart(thumbnail(2), drawn[2]), 24);
}

TEST(Start, PagesThatComeLaterKnowTheSet) {
    Driver d({"lake-fog.jpg", "red-curtain.jpg"});
    d.start();
    EXPECT_EQ(d.window().findChild<BatchPage*>(), nullptr) << "made when it is asked for";
    d.click(d.button(&d.window(), tr8("Batch")));
    auto* batch = d.window().findChild<BatchPage*>();
    auto* table = d.named<QTableWidget>(&d.window(), tr8("Files to make"));
    ASSERT_NE(batch, nullptr);
    EXPECT_EQ(table->rowCount(), 2);
    for (int row = 0; row < 2; ++row)
        EXPECT_FALSE(table->item(row, 0)->data(Qt::DecorationRole).isNull()) << "pictures that were drawn before";
    EXPECT_EQ(batch->settings().folder, (d.folder() / "finished").string());
    d.click(d.button(&d.window(), tr8("Package")));
    EXPECT_EQ(d.named<QListView>(&d.window(), tr8("Check pictures"))->selectionModel()->selectedIndexes().size(), 2);
}

TEST(ReadAhead, TellsWhatCameBeforeAndWhatComesAfter) {
    const std::filesystem::path file = std::filesystem::path(BARYTON_SOURCE) / "demo/pictures/lake-fog.jpg";
    for (const bool late : {false, true}) {
        ReadAhead ahead({file, {}, {}});
        std::vector<ViewerVersion> told;
        std::mutex lock;
        const auto take = [&](const ViewerVersion& version) {
            const std::lock_guard<std::mutex> guard(lock);
            told.push_back(version);
        };
        if (late) waitFor(*QThreadPool::globalInstance());
        ahead.listen(take);
        waitFor(*QThreadPool::globalInstance());
        ASSERT_FALSE(told.empty());
        ASSERT_NE(told.back().picture.pyramid, nullptr);
        EXPECT_FALSE(told.back().picture.pyramid->isStandIn());
        EXPECT_EQ(told.back().picture.whole.width, 1800);
        int smalls = 0;
        for (const ViewerVersion& each : told) smalls += !each.small.isEmpty();
        EXPECT_EQ(smalls, 1) << "once";
    }
    std::vector<ViewerVersion> told;
    readForViewer({"/nowhere/at-all.jpg", {}, {}}, true,
                  [&](const ViewerVersion& version) { told.push_back(version); });
    ASSERT_EQ(told.size(), 1U);
    EXPECT_EQ(told[0].picture.pyramid, nullptr);
    EXPECT_TRUE(told[0].message.contains(tr8("at-all.jpg")));
}

TEST(Theme, WhatIsMadeUndressedIsDressedAfterwards) {
    const QString sheet = qApp->styleSheet();
    ASSERT_FALSE(sheet.isEmpty());
    auto holder = std::make_unique<QWidget>();
    {
        const theme::Undressed undressed;
        EXPECT_TRUE(qApp->styleSheet().isEmpty());
        new QPushButton(tr8("Steam"), holder.get());
    }
    EXPECT_EQ(qApp->styleSheet(), sheet);
    QPushButton after(tr8("Steam"));
    holder->ensurePolished();
    auto* within = holder->findChild<QPushButton*>();
    within->ensurePolished();
    EXPECT_EQ(within->sizeHint(), after.sizeHint());
}

TEST(Preview, ScopesComeWhileFramesFollowOneAnother) {
    Picture picture(1024, 680);
    for (int y = 0; y < picture.height(); ++y)
        for (int k = 0; k < 3; ++k)
            for (int x = 0; x < picture.width(); ++x)
                picture.row(k, y)[x] = static_cast<float>(x) / static_cast<float>(picture.width());
    const auto pyramid = std::make_shared<const Pyramid>(std::move(picture));
    PreviewService service;
    std::vector<std::uint64_t> counted;
    QObject context;
    QObject::connect(&service, &PreviewService::scopesReady, &context,
                     [&](const PreviewScopes& scopes) { counted.push_back(scopes.after.pixels); });
    int frames = 0;
    PreviewRequest request;
    request.picture = pyramid;
    request.region = {0, 0, 512, 340, 0.5};
    request.grade = startingGrade();
    const auto ask = [&] {
        request.grade.prep[0].parameters["stops"] = 0.01 * frames;
        service.request(request);
    };
    QObject::connect(&service, &PreviewService::frameReady, &context, [&](const PreviewFrame&) {
        if (++frames < 120) ask(); // no pause at all
    });
    QElapsedTimer clock;
    clock.start();
    ask();
    ASSERT_TRUE(Driver::waitFor([&] { return frames >= 120; }));
    const std::size_t during = counted.size();
    EXPECT_GE(during, 2U);
    EXPECT_LE(during, 2U + static_cast<std::size_t>(clock.elapsed()) / 40) << "each costs the window a painting";
    ASSERT_TRUE(Driver::waitFor([&] { return service.isAtRest(); }));
    EXPECT_TRUE(Driver::waitFor([&] { return counted.size() > during; })) << "the last one is of what is shown";
}

TEST(Preview, WhatAHandHoldsIsShownQuicklyFromItsFirstChangeOn) {
    Picture picture(640, 480);
    for (int y = 0; y < picture.height(); ++y)
        for (int k = 0; k < 3; ++k)
            for (int x = 0; x < picture.width(); ++x)
                picture.row(k, y)[x] = static_cast<float>((x + k * y) % 640) / 640;
    PreviewRequest request;
    request.picture = std::make_shared<const Pyramid>(std::move(picture));
    request.region = {0, 0, 320, 240, 0.5};
    request.grade = startingGrade();
    request.grade.finish.push_back(makeStage(request.grade, "bloom"));
    request.grade.finish.back().parameters["amount"] = 0.5;
    for (const bool isHeld : {false, true}) {
        PreviewService service;
        QObject context;
        std::vector<bool> exact;
        QObject::connect(&service, &PreviewService::frameReady, &context,
                         [&](const PreviewFrame& frame) { exact.push_back(frame.exact); });
        request.isHeld = isHeld;
        service.request(request);
        ASSERT_TRUE(Driver::waitFor([&] { return !exact.empty() && exact.back() && service.isAtRest(); }));
        EXPECT_EQ(exact, isHeld ? std::vector({false, true}) : std::vector({true}));
    }
}

TEST(PictureView, FillsWhatThePictureLeavesFree) {
    PictureView view;
    view.resize(400, 300);
    view.setPictureSize({200, 100});
    view.show();
    const auto region = view.region();
    QImage red(region.width, region.height, QImage::Format_RGB32);
    red.fill(Qt::red);
    view.setImages(red, {}, region);
    const QImage shown = view.grab().toImage();
    for (const QPoint corner : {QPoint(0, 0), QPoint(399, 0), QPoint(0, 299), QPoint(399, 299)})
        EXPECT_EQ(shown.pixelColor(corner), theme::surround());
    // Row by row: ground, picture, ground, and nothing else.
    int changes = 0, reds = 0;
    for (int y = 0; y < 300; ++y) {
        const QColor colour = shown.pixelColor(200, y);
        EXPECT_TRUE(colour == QColor(Qt::red) || colour == theme::surround()) << y;
        reds += colour == QColor(Qt::red);
        changes += y > 0 && colour != shown.pixelColor(200, y - 1);
    }
    EXPECT_EQ(changes, 2);
    EXPECT_EQ(reds, red.height());
}

} // namespace baryton::test
