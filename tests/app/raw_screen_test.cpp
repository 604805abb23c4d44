// Raw files in the window: first looks, white, pairs, and that what is shown is what files hold.
#include "app/guide_pictures.h"
#include "app/preferences.h"
#include "app/screen_helpers.h"
#include "app/widgets/number_field.h"
#include "base/file.h"
#include "picture/picture_reader.h"
#include "stages/raw.h"
#include "support/dng.h"

#include <cstring>
#include <fstream>
#include <gtest/gtest.h>

namespace baryton::test {

namespace {

const char* const kShot = "stage-door.dng";

RawSettings rawInForce(Driver& d) {
    return rawOf(d.state().keyGrade());
}

QComboBox* choice(Driver& d, const char* name) {
    return d.named<QComboBox>(d.window().gradePage()->editorPanel(), tr8(name));
}
void choose(QComboBox* box, int index) {
    box->setFocus();
    while (box->currentIndex() != index)
        QTest::keyClick(box, box->currentIndex() < index ? Qt::Key_Down : Qt::Key_Up);
}
NumberField* field(Driver& d, const char* name) {
    return d.named<NumberField>(d.window().gradePage()->editorPanel(), tr8(name));
}

/// What the viewer shows around a place, once it rests.
QColor seen(Driver& d, QPointF at) {
    d.settle();
    const QImage shown = d.window().gradePage()->view()->grab().toImage();
    const QPoint place = d.onPicture(at).toPoint();
    constexpr int reach = 5;
    int sum[3]{}, count = 0;
    for (int y = -reach; y <= reach; ++y)
        for (int x = -reach; x <= reach; ++x, ++count) {
            const QColor c = shown.pixelColor(place + QPoint(x, y));
            sum[0] += c.red(), sum[1] += c.green(), sum[2] += c.blue();
        }
    return {sum[0] / count, sum[1] / count, sum[2] / count};
}

int greatestDifference(const QColor& a, const QColor& b) {
    return std::max({std::abs(a.red() - b.red()), std::abs(a.green() - b.green()), std::abs(a.blue() - b.blue())});
}

} // namespace

TEST(NoiseScreen, IsMeasuredWherePicturesAreEvenAndSetByThat) {
    Driver d({"backstage-mixed.jpg", "lake-fog.jpg"});
    d.start();
    d.addStage(tr8("Noise"));
    EditorPanel* panel = d.window().gradePage()->editorPanel();
    const auto values = [&] { return d.state().keyGrade().prep.front().parameters; };
    const auto asAdded = values();
    d.click(d.button(panel, tr8("Measure the picture")));
    ASSERT_TRUE(Driver::waitFor([&] { return values() != asAdded; }));
    EXPECT_GT(std::get<double>(values().at("luma")), 0.1);
    EXPECT_GT(std::get<double>(values().at("colour")), 0.1);
    auto* account = panel->findChild<StillText*>();
    ASSERT_NE(account, nullptr);
    EXPECT_TRUE(account->text().contains(tr8("% in brightness"))) << account->text().toStdString();
    EXPECT_FALSE(account->isCut());
    // What the measure says is what stands in the fields, and one step back takes both away.
    EXPECT_EQ(std::lround(field(d, "In colour")->value()),
              std::lround(100 * std::get<double>(values().at("colour"))));
    d.undo();
    EXPECT_EQ(values(), asAdded);
    // Of another picture nothing has been said yet.
    d.state().setKey(1);
    EXPECT_TRUE(account->text().isEmpty());
}

TEST(RawScreen, TheCamerasPictureComesFirstThenHalfThenTheWhole) {
    Driver d({"lake-fog.jpg"});
    Dng dng;
    dng.width = 3000, dng.height = 2000;
    dng.scene = [](int x, int y) {
        const double v = 0.1 + 0.3 * (x + y) / 5000;
        return Vec3{0.5 * v, v, 0.65 * v};
    };
    dng.previewJpeg = readFile(d.folder() / "lake-fog.jpg");
    writeDng(d.folder() / "shot.dng", dng);
    d.start();
    std::vector<int> widths; // of what is shown, one after another
    QObject::connect(&d.state().pictures(), &PictureSet::loaded, &d.window(),
                     [&](int index, const LoadedPicture& picture) {
                         if (index == d.state().key()) widths.push_back(picture.pyramid->full().width());
                         EXPECT_EQ(picture.whole.width, index == 0 ? 1800 : 3000);
                     });
    d.state().setKey(1);
    ASSERT_TRUE(Driver::waitFor([&] { return !widths.empty() && widths.back() == 3000; }));
    EXPECT_EQ(widths, (std::vector<int>{1800, 1500, 3000}));
}

TEST(RawScreen, TheWhiteIsSetByNumbersAndByAPressAndWhatIsSeenIsTheFile) {
    Driver d({kShot});
    d.start();
    d.chooseStage("raw");
    EXPECT_EQ(d.state().keyGrade().prep.front().type, kRawType);
    ASSERT_TRUE(Driver::waitFor([&] { return field(d, "Temperature")->isEnabled(); }));
    EXPECT_NEAR(field(d, "Temperature")->value(), 5200, 15) << "begins as shot";
    EXPECT_TRUE(rawInForce(d).isAsShot);

    // A number sets the white; the other keeps what it was as shot.
    const QPointF wall{0.45, 0.6};
    const QColor asShot = seen(d, wall);
    d.type(field(d, "Temperature"), tr8("3600"), true);
    EXPECT_FALSE(rawInForce(d).isAsShot);
    EXPECT_NEAR(rawInForce(d).kelvin, 3600, 0.5);
    EXPECT_NEAR(rawInForce(d).tint, 0, 0.01);
    QTest::qWait(300);
    const QColor cool = seen(d, wall);
    EXPECT_GT(cool.blue() - cool.red(), asShot.blue() - asShot.red() + 20);
    EXPECT_TRUE(d.undo());
    EXPECT_TRUE(rawInForce(d).isAsShot) << "one step";
    QTest::qWait(60);
    EXPECT_TRUE(d.redo()); // back at what is developed already
    QTest::qWait(300);
    EXPECT_LT(greatestDifference(seen(d, wall), cool), 3);

    // A press on the wall as it is seen, as if it were grey.
    d.click(d.button(d.window().gradePage()->editorPanel(), tr8("Pick a neutral…")));
    d.click(d.window().gradePage()->view(), d.onPicture(wall));
    QTest::qWait(300);
    const QColor grey = seen(d, wall);
    EXPECT_LT(greatestDifference(grey, QColor(grey.green(), grey.green(), grey.green())), 10);

    keepWork(d, "raw-file");

    // What is shown is what a file holds, whatever has been moved before.
    choose(choice(d, "Blown lights"), 1);
    choose(choice(d, "Response"), 1);
    QTest::qWait(400);
    d.settle();
    const Picture want = readPicture(d.folder() / kShot, rawInForce(d)).picture;
    ASSERT_EQ(rawInForce(d).response, RawResponse::Flat);
    const auto raw = d.state().pictures().rawOfPicture(0);
    ASSERT_TRUE(raw);
    const Picture again = developed(*raw, rawInForce(d));
    for (int c = 0; c < 3; ++c)
        for (int y = 0; y < want.height(); y += 37)
            EXPECT_EQ(std::memcmp(again.row(c, y), want.row(c, y), static_cast<std::size_t>(want.width()) * 4), 0);
    for (const QPointF at : {QPointF{0.13, 0.12}, QPointF{0.93, 0.62}, QPointF{0.745, 0.12}}) { // without fine detail
        const int x = static_cast<int>(at.x() * want.width()), y = static_cast<int>(at.y() * want.height());
        Vec3 mean{};
        constexpr int reach = 10; // about as much of the picture as `seen` takes
        for (int dy = -reach; dy <= reach; ++dy)
            for (int dx = -reach; dx <= reach; ++dx)
                for (int c = 0; c < 3; ++c)
                    mean[static_cast<std::size_t>(c)] +=
                        std::clamp(want.row(c, y + dy)[x + dx], 0.0F, 1.0F) / std::pow(2 * reach + 1, 2);
        const QColor file(static_cast<int>(255 * mean[0]), static_cast<int>(255 * mean[1]),
                          static_cast<int>(255 * mean[2]));
        EXPECT_LT(greatestDifference(seen(d, at), file), 6) << at.x();
    }
}

TEST(RawScreen, AMovingTemperatureIsSeenAtOnceAndAsOneStep) {
    Driver d({kShot});
    d.start();
    d.chooseStage("raw");
    ASSERT_TRUE(Driver::waitFor([&] { return field(d, "Temperature")->isEnabled(); }));
    int frames = 0;
    QObject::connect(&d.state().pictures(), &PictureSet::loaded, &d.window(), [&] { ++frames; });
    auto* ruler = d.named<Ruler>(d.window().gradePage()->editorPanel(), tr8("Temperature"));
    const QPointF from(ruler->width() * 0.6, ruler->height() / 2.0);
    QTest::mousePress(ruler, Qt::LeftButton, {}, from.toPoint());
    for (int i = 1; i <= 10; ++i) {
        QTest::mouseMove(ruler, (from - QPointF(3 * i, 0)).toPoint());
        QTest::qWait(30);
    }
    EXPECT_GT(frames, 1) << "while the hand is still there";
    QTest::mouseRelease(ruler, Qt::LeftButton, {}, (from - QPointF(30, 0)).toPoint());
    EXPECT_LT(rawInForce(d).kelvin, 4800);
    ASSERT_TRUE(Driver::waitFor([&] {
        d.settle();
        return d.state().pictures().smallOf(0).longSide() == kSmallSide;
    }));
    EXPECT_TRUE(d.undo());
    EXPECT_TRUE(rawInForce(d).isAsShot);
}

TEST(RawScreen, WhatChangesWhileTheFileIsReadIsTakenUp) {
    Driver d({kShot});
    d.start();
    d.chooseStage("raw");
    ASSERT_TRUE(Driver::waitFor([&] { return field(d, "Temperature")->isEnabled(); }));
    LoadedPicture last;
    QObject::connect(&d.state().pictures(), &PictureSet::loaded, &d.window(),
                     [&](int, const LoadedPicture& picture) { last = picture; });
    choose(choice(d, "Detail"), 1); // it is read again
    d.type(field(d, "Temperature"), tr8("3000"), true);
    choose(choice(d, "Response"), 1);
    const RawSettings wanted = rawInForce(d);
    EXPECT_EQ(wanted.demosaic, RawDemosaic::Quick);
    ASSERT_TRUE(Driver::waitFor([&] {
        d.settle();
        return last.raw && last.developed == wanted && !last.pyramid->isStandIn();
    }));
    const Picture want = readPicture(d.folder() / kShot, wanted).picture;
    for (int y = 0; y < want.height(); y += 101)
        EXPECT_EQ(
            std::memcmp(last.pyramid->full().row(1, y), want.row(1, y), static_cast<std::size_t>(want.width()) * 4),
            0);
}

TEST(RawScreen, WhatACamerasFilesStartFromHoldsForTheRawToo) {
    Driver d({kShot});
    d.start();
    PictureSet& pictures = d.state().pictures();
    LoadedPicture last;
    QObject::connect(&pictures, &PictureSet::loaded, &d.window(),
                     [&](int, const LoadedPicture& picture) { last = picture; });
    pictures.setStart(
        [](const std::filesystem::path&, const std::string& camera) {
            PictureWork work{withRaw(startingGrade()), {}, kStartTake, {}};
            if (camera == "Tin Heron Field Camera One")
                work.grade.prep.front().parameters["response"] = std::string("flat");
            return work;
        },
        true);
    ASSERT_TRUE(pictures.open({d.folder()}));
    pictures.load(0);
    ASSERT_TRUE(Driver::waitFor([&] {
        return rawOf(pictures.at(0).work.grade).response == RawResponse::Flat && last.raw &&
               last.developed.response == RawResponse::Flat && !last.pyramid->isStandIn();
    }));
}

TEST(RawScreen, OtherPicturesSayThatItIsNothingForThem) {
    Driver d({"lake-fog.jpg", kShot});
    d.start();
    d.state().setKey(1);
    d.settle();
    d.chooseStage("raw");
    const Grade raw = d.state().keyGrade();
    d.state().setKey(0);
    d.settle();
    EXPECT_NE(d.state().keyGrade().prep.front().type, kRawType);
    d.state().editKey(raw); // as a preset may bring it
    d.settle();
    d.chooseStage("raw");
    bool isSaid = false;
    for (auto* text : d.window().gradePage()->editorPanel()->findChildren<StillText*>())
        isSaid |= text->text().contains(tr8("no raw file"));
    EXPECT_TRUE(isSaid);
    EXPECT_FALSE(field(d, "Temperature")->isEnabled());
}

TEST(RawScreen, ARawFileAndItsJpegAreOnePictureOrTwo) {
    Driver d({kShot, "lake-fog.jpg"});
    std::filesystem::copy_file(d.folder() / "lake-fog.jpg", d.folder() / "stage-door.jpg");
    d.start();
    EXPECT_EQ(d.state().pictures().size(), 2);
    EXPECT_TRUE(d.isTold("are one picture"));
    d.menu(tr8("File"), tr8("Preferences…"));
    d.click(d.named<Segments>(d.sheet(), tr8("Raw and JPEG"))->button(1));
    d.click(d.button(d.sheet(), tr8("Close")));
    d.window().openPaths({d.folder()});
    d.settle();
    EXPECT_EQ(d.state().pictures().size(), 3);
    Settings settings = loadSettings();
    EXPECT_FALSE(settings.pairsAsOne);
    settings.pairsAsOne = true;
    saveSettings(settings);
}

TEST(RawScreen, ADamagedRawFileIsToldAndTheOthersGoOn) {
    Driver d({"lake-fog.jpg"});
    Dng dng;
    dng.width = 600, dng.height = 400;
    dng.scene = [](int, int) { return Vec3{0.1, 0.2, 0.1}; };
    const std::string bytes = dngBytes(dng);
    std::ofstream(d.folder() / "cut.dng", std::ios::binary) << bytes.substr(0, bytes.size() / 2);
    d.start();
    ASSERT_EQ(d.state().pictures().size(), 2);
    d.state().setKey(0); // "cut" comes first
    ASSERT_TRUE(Driver::waitFor([&] { return !d.state().pictures().at(0).error.isEmpty(); }));
    EXPECT_TRUE(d.state().pictures().at(0).error.contains(tr8("ends early")));
    d.state().setKey(1);
    d.settle();
    EXPECT_FALSE(d.state().pictures().at(1).thumbnail.isNull());
}

} // namespace baryton::test
