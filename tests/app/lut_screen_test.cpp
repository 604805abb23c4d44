// A Look as a LUT file: which grid does, where it misses, with Prep; and many presets at once. In the real window.
#include "app/guide_pictures.h"
#include "app/package/colour_moves_sheet.h"
#include "app/package/export_luts_sheet.h"
#include "app/package/lut_panel.h"
#include "app/package/package_page.h"
#include "app/package/two_looks_sheet.h"
#include "app/screen_helpers.h"
#include "grade/grade_json.h"

#include <algorithm>
#include <gtest/gtest.h>

namespace baryton::test {

namespace fs = std::filesystem;

namespace {

/// The sheet that exports the key picture's Look, measured.
LutPanel* openPanel(Driver& d) {
    d.key("Ctrl+E");
    auto* panel = d.sheet()->findChild<LutPanel*>();
    const auto isKnown = [&] {
        const auto& columns = panel->plot()->columns();
        return columns.size() == 5 && columns.back().first && panel->missed()->images().size() > 0;
    };
    EXPECT_TRUE(Driver::waitFor(isKnown));
    return panel;
}

bool isGrid(LutPanel* panel, int index) {
    return Driver::waitFor([&] { return panel->grids()->current() == index; });
}

} // namespace

TEST(LutScreen, TheSmallestGridThatDoesIsChosenUntilAHandChooses) {
    Driver d({"lake-fog.jpg"});
    d.start();
    Grade grade = d.state().keyGrade();
    grade.look = readPresetFile(std::string(BARYTON_SOURCE) + "/share/presets/Dusk/Ember.bpreset").carried.look;
    d.state().editKey(grade);
    d.settle();
    LutPanel* panel = openPanel(d);
    const std::vector<Picture> pictures = d.state().ownPixels()->of({d.state().pictures().sourceOf(0)});
    EXPECT_EQ(pictures[0].scale(), 1.0 / 3) << "pixels of the file, not means of several";
    const auto sizes = fidelityByGrid(grade, {}, kUsualSizes, pictures);
    SizePlot* plot = panel->plot();
    for (std::size_t i = 0; i < sizes.size(); ++i) {
        const SizePlot::Column& column = plot->columns()[static_cast<int>(i)];
        EXPECT_NEAR(*column.first, sizes[i].fidelity.pictures.percentile99, 1e-3);
        EXPECT_NEAR(*column.second, sizes[i].fidelity.cube.percentile99, 1e-3);
    }
    const auto indexFor = [&](double enough) {
        const int size = smallestWithin(sizes, enough).value_or(65);
        return static_cast<int>(std::find(kUsualSizes.begin(), kUsualSizes.end(), size) - kUsualSizes.begin());
    };
    EXPECT_TRUE(isGrid(panel, indexFor(plot->enough())));
    d.click(panel->pages()->button(1));
    ASSERT_TRUE(plot->isVisible());
    // The line dragged up: less will do.
    const QPointF line(plot->width() / 2.0, plot->lineY());
    d.drag(plot, line, line - QPointF(0, 18));
    EXPECT_GT(plot->enough(), 0.6);
    EXPECT_TRUE(isGrid(panel, indexFor(plot->enough())));
    EXPECT_LT(indexFor(plot->enough()), indexFor(0.1)) << "else this proves nothing";
    // A column pressed is the hand's choice, and the file has it.
    QTest::mouseClick(plot, Qt::LeftButton, {}, plot->column(4).toPoint());
    EXPECT_TRUE(isGrid(panel, 4));
    d.settle();
    EXPECT_EQ(panel->grids()->current(), 4);
    // Where it misses: less at a finer grid.
    d.click(panel->pages()->button(2));
    const auto light = [&] {
        Driver::waitFor([&] { return !panel->missed()->images().isEmpty(); });
        const QImage image = panel->missed()->images().front();
        double sum = 0;
        for (int y = 0; y < image.height(); ++y)
            for (int x = 0; x < image.width(); ++x) sum += qGray(image.pixel(x, y));
        return sum;
    };
    const double fine = light();
    d.click(panel->grids()->button(0));
    const double coarse = light();
    EXPECT_GT(coarse, 2 * fine);
    QTest::mouseClick(panel->missed(), Qt::LeftButton);
    EXPECT_TRUE(isSaid(d.sheet(), "black is nothing"));
}

TEST(LutScreen, ASetThatWasSeenBeforeIsMeasuredOnAsManyOfItsPictures) {
    Driver d({"lake-fog.jpg", "red-curtain.jpg", "snow-yard.jpg"});
    d.start();
    const auto allThere = [&] {
        for (int i = 0; i < 3; ++i)
            if (d.state().pictures().at(i).thumbnail.isNull()) return false;
        return true;
    };
    ASSERT_TRUE(Driver::waitFor(allThere));
    d.settle();
    d.window().close();
    d.stop();
    d.start();
    ASSERT_TRUE(Driver::waitFor(allThere));
    d.settle();
    EXPECT_TRUE(d.state().pictures().at(2).small.isEmpty()) << "its thumbnail was kept; else this proves nothing";
    d.menu(tr8("File"), tr8("Export LUT…"));
    EXPECT_TRUE(Driver::waitFor([&] { return isSaid(d.sheet(), "on 3 pictures"); }));
}

TEST(LutScreen, ALutThatMatches) {
    Driver d({"lantern-alley.jpg"});
    d.start();
    Grade grade = d.state().keyGrade();
    grade.look = readPresetFile(std::string(BARYTON_SOURCE) + "/share/presets/Dusk/Ember.bpreset").carried.look;
    grade.finish[0].parameters["stops"] = -0.8;
    d.state().editKey(grade);
    d.settle();
    d.countFromHere();
    LutPanel* panel = openPanel(d);
    EXPECT_TRUE(panel->accountText().contains(tr8("Vignette"))) << "what is left out is told";
    d.click(panel->pages()->button(1));
    d.click(panel->plot(), panel->plot()->column(3));
    EXPECT_TRUE(isGrid(panel, 3)) << "a press on the line that is let go is one on the column";
    keepSheet(d, "lut-that-matches");
    d.click(panel->pages()->button(2));
    auto* file = d.named<QLineEdit>(d.sheet(), tr8("LUT file"));
    d.click(d.button(d.sheet(), tr8("Export LUT")));
    const fs::path written = file->text().toStdString();
    ASSERT_TRUE(Driver::waitFor([&] { return fs::exists(written) && panel->exportButton()->isEnabled(); }));
    EXPECT_LE(d.actions(), 5);
    const Fidelity apart =
        compareLooks(grade, lutGrade(readLutFile(written).table, "t"), {d.state().pictures().smallOf(0)});
    EXPECT_LT(apart.pictures.percentile99, 1);
    d.click(d.button(d.sheet(), tr8("Close")));
    grade.finish.clear();
    d.state().editKey(grade);
    d.settle();
    keepResult(d, "lut-that-matches");
}

TEST(LutScreen, PrepIsBakedWhereItIsTicked) {
    Driver d({"lake-fog.jpg"});
    d.start();
    Grade grade = d.state().keyGrade();
    d.state().editKey(grade);
    {
        LutPanel* panel = openPanel(d);
        EXPECT_FALSE(panel->withPrep()->isEnabled()) << "it does nothing here";
        d.click(d.button(d.sheet(), tr8("Close")));
    }
    grade.prep[0].parameters["stops"] = 0.7;
    d.state().editKey(grade);
    LutPanel* panel = openPanel(d);
    ASSERT_TRUE(panel->withPrep()->isEnabled());
    for (const bool isTicked : {false, true}) {
        if (isTicked) QTest::mouseClick(panel->withPrep(), Qt::LeftButton, {}, {8, panel->withPrep()->height() / 2});
        EXPECT_EQ(panel->withPrep()->isChecked(), isTicked);
        const fs::path file = d.root() / (isTicked ? "with.cube" : "without.cube");
        d.type(d.named<QLineEdit>(d.sheet(), tr8("LUT file")), QString::fromStdString(file.string()));
        d.click(d.button(d.sheet(), tr8("Export LUT")));
        ASSERT_TRUE(Driver::waitFor([&] { return fs::exists(file) && panel->exportButton()->isEnabled(); }));
        const LutTable table = readLutFile(file).table;
        EXPECT_LT(measureFidelity(table, grade, {}, {.withPrep = isTicked}).cube.mean, 0.3);
        EXPECT_GT(measureFidelity(table, grade, {}, {.withPrep = !isTicked}).cube.mean, 3);
    }
}

TEST(LutScreen, ACommonLutFormatFileGoesOutAndJoinsTheLibrary) {
    Driver d({"lake-fog.jpg"});
    d.start();
    LutPanel* panel = openPanel(d);
    d.click(d.button(d.sheet(), QStringLiteral(".clf")));
    auto* file = d.named<QLineEdit>(d.sheet(), tr8("LUT file"));
    EXPECT_TRUE(file->text().endsWith(QStringLiteral(".clf")));
    const fs::path clf = d.root() / "lake.clf";
    d.type(file, QString::fromStdString(clf.string()));
    d.click(d.button(d.sheet(), tr8("Export LUT")));
    ASSERT_TRUE(Driver::waitFor([&] { return fs::exists(clf) && panel->exportButton()->isEnabled(); }));
    EXPECT_EQ(readLutFile(clf).format, LutFormat::Clf);
    d.click(d.button(d.sheet(), tr8("Close")));
    d.click(d.button(&d.window(), tr8("Package")));
    d.drop(&d.window(), {clf});
    ASSERT_TRUE(Driver::waitFor([&] { return d.state().presetEntry("Added/lake.clf") != nullptr; }));
    EXPECT_EQ(readFile(d.libraryRoot() / "Added/lake.clf"), readFile(clf));
}

TEST(LutScreen, WhereALutTakesColoursIsSeenInACubeThatTurnsAndInASlice) {
    Driver d({"lake-fog.jpg"});
    fs::create_directories(d.libraryRoot() / "Kit");
    LutTable table;
    for (int i = 0; i < 8; ++i)
        for (int k = 0; k < 3; ++k) table.grid.push_back(i >> k & 1 ? 0.0F : 1.0F);
    writeLutFile(d.libraryRoot() / "Kit/inverted.cube", table, LutFormat::Cube);
    d.start();
    d.click(d.button(&d.window(), tr8("Package")));
    PackagePage* page = d.window().packagePage();
    EXPECT_TRUE(Driver::waitFor([&] { return page->tiles()->model()->rowCount() > 0; }));
    d.chooseRow(page->tiles(), Driver::rowOf(page->tiles(), tr8("inverted")));
    d.click(d.button(page, tr8("See it…")));
    ASSERT_NE(qobject_cast<ColourMovesSheet*>(d.sheet()), nullptr);
    ColourMovesView* view = qobject_cast<ColourMovesSheet*>(d.sheet())->view();
    CubeView* cube = view->cube();
    ASSERT_TRUE(Driver::waitFor([&] { return cube->dots() == 9 * 9 * 9 && view->slice()->dots() > 100; }));
    const std::vector<ColourMove> moves = colourMoves(lutGrade(table, "t"), cubeColours(9));
    const auto farthest =
        std::max_element(moves.begin(), moves.end(), [](const auto& a, const auto& b) { return a.apart < b.apart; });
    EXPECT_TRUE(view->said().contains(QLocale().toString(farthest->apart, 'f', 1))) << view->said().toStdString();
    EXPECT_GT(cube->place({0, 0, 0}).y(), cube->place({1, 1, 1}).y()) << "black below";
    // Cyan has come to where red was; half way all of them meet in grey.
    const auto isRed = [&] {
        const QImage shown = cube->grab().toImage();
        const QColor there = shown.pixelColor((cube->place({1, 0, 0}) * cube->devicePixelRatio()).toPoint());
        return there.red() > 180 && there.green() < 90;
    };
    EXPECT_TRUE(isRed());
    d.type(view->share()->field(), QStringLiteral("50"), true);
    EXPECT_EQ(cube->share(), 0.5);
    EXPECT_FALSE(isRed());
    // It turns under the hand and by keys, and back.
    const double turn = cube->turn(), tilt = cube->tilt();
    d.drag(cube, QPointF(200, 200), QPointF(260, 180));
    EXPECT_NEAR(cube->turn(), turn + 30, 1);
    EXPECT_NEAR(cube->tilt(), tilt - 10, 1);
    QTest::keyClick(cube, Qt::Key_Right);
    EXPECT_NEAR(cube->turn(), turn + 35, 1);
    QTest::mouseDClick(cube, Qt::LeftButton, {}, QPoint(200, 200));
    EXPECT_EQ(cube->turn(), turn);
    // The slice: of another lightness other colours.
    EXPECT_FALSE(view->lightness()->isEnabled());
    d.click(view->views()->button(1));
    ASSERT_TRUE(view->lightness()->isEnabled());
    const int dots = view->slice()->dots();
    d.type(view->lightness()->field(), QStringLiteral("92"), true);
    EXPECT_TRUE(Driver::waitFor([&] { return view->slice()->dots() < dots; })) << "there are few so light";
    EXPECT_FALSE(view->slice()->inWords().isEmpty());
}

TEST(LutScreen, TwoLooksAreComparedOnCheckPicturesAndOverAllColours) {
    Driver d({"lake-fog.jpg", "red-curtain.jpg"});
    fs::create_directories(d.libraryRoot() / "Kit");
    const Preset ember = readPresetFile(std::string(BARYTON_SOURCE) + "/share/presets/Dusk/Ember.bpreset");
    writePresetFile(d.libraryRoot() / "Kit/Ember.bpreset", ember);
    writeLutFile(d.libraryRoot() / "Kit/Ember fine.cube", bakeLook(ember.carried, 49, "e"), LutFormat::Cube);
    Preset dark = ember;
    dark.name = "Ember dark";
    dark.carried.look.front().stages.push_back(makeStage(dark.carried, "exposure"));
    dark.carried.look.front().stages.back().parameters["stops"] = -1.0;
    dark.carried.finish.push_back(makeStage(dark.carried, "vignette"));
    dark.carried.finish.back().parameters["stops"] = -1.0;
    writePresetFile(d.libraryRoot() / "Kit/Ember dark.bpreset", dark);
    d.start();
    d.click(d.button(&d.window(), tr8("Package")));
    PackagePage* page = d.window().packagePage();
    EXPECT_TRUE(Driver::waitFor([&] { return page->tiles()->model()->rowCount() >= 3; }));
    auto* compare = d.button(page, tr8("Compare two…"));
    const auto choose = [&](const char* name, Qt::KeyboardModifiers with) {
        const auto index = page->tiles()->model()->index(Driver::rowOf(page->tiles(), tr8(name)), 0);
        page->tiles()->scrollTo(index);
        QTest::mouseClick(page->tiles()->viewport(), Qt::LeftButton, with, page->tiles()->visualRect(index).center());
    };
    const auto compared = [&](const char* first, const char* second) {
        choose(first, {});
        EXPECT_FALSE(compare->isEnabled()) << "one alone";
        choose(second, Qt::ControlModifier);
        d.click(compare);
        auto* sheet = qobject_cast<TwoLooksSheet*>(d.sheet());
        EXPECT_NE(sheet, nullptr);
        EXPECT_TRUE(Driver::waitFor([&] { return sheet->isDone(); }, 30));
        return sheet;
    };
    // A fine LUT of a preset is as good as the preset; the figures are those of the files' own pixels.
    TwoLooksSheet* sheet = compared("Ember", "Ember fine");
    ASSERT_EQ(sheet->beside()->shown().size(), 2U);
    const auto own = d.state().ownPixels()->of({d.state().pictures().sourceOf(0)});
    const LooksBeside::Row near = sheet->beside()->shown()[0];
    const LutTable fine = readLutFile(d.libraryRoot() / "Kit/Ember fine.cube").table;
    EXPECT_NEAR(near.difference->mean, compareLooks(ember.carried, lutGrade(fine, "e"), own).pictures.mean, 1e-6);
    EXPECT_LT(near.difference->percentile99, 0.5);
    EXPECT_TRUE(isSaid(sheet, "white is ΔE 1"));
    d.click(d.button(sheet, tr8("Close")));
    // One a stop darker is not: where, is seen, and what is not compared is named.
    sheet = compared("Ember", "Ember dark");
    const LooksBeside::Row far = sheet->beside()->shown()[0];
    EXPECT_GT(far.difference->mean, 5);
    EXPECT_EQ(far.apart.size(), near.apart.size());
    const auto light = [](const QImage& image) {
        return qGray(image.scaled(1, 1, {}, Qt::SmoothTransformation).pixel(0, 0));
    };
    EXPECT_GT(light(far.one), light(far.other) + 10);
    EXPECT_GT(light(far.apart), 30);
    EXPECT_TRUE(sheet->said().contains(tr8("Not compared: Vignette of Ember dark"))) << sheet->said().toStdString();
    EXPECT_FALSE(sheet->beside()->inWords().isEmpty());
    d.click(sheet->pages()->button(1));
    EXPECT_TRUE(Driver::waitFor([&] { return sheet->colours()->cube()->dots() == 9 * 9 * 9; }));
    EXPECT_TRUE(sheet->colours()->said().contains(tr8("apart on average")));
    keepSheet(d, "all-colours");
    d.click(sheet->pages()->button(0));
    keepSheet(d, "two-looks");
    d.click(d.button(sheet, tr8("Close")));
    // Without a check picture there are the colours.
    auto* checks = page->findChild<QListView*>(QStringLiteral("checks"));
    checks->clearSelection();
    d.settle();
    d.click(compare);
    sheet = qobject_cast<TwoLooksSheet*>(d.sheet());
    ASSERT_NE(sheet, nullptr);
    EXPECT_TRUE(sheet->colours()->isVisible());
    EXPECT_FALSE(sheet->pages()->button(0)->isEnabled());
    EXPECT_TRUE(Driver::waitFor([&] { return sheet->isDone(); }, 30));
}

TEST(LutScreen, ALutFileInTheLibrarySaysWhatItDoesAndIsReadAsItWasMeant) {
    Driver d({"lake-fog.jpg"});
    const fs::path kit = d.libraryRoot() / "Kit";
    fs::create_directories(kit);
    const Preset ember = readPresetFile(std::string(BARYTON_SOURCE) + "/share/presets/Dusk/Ember.bpreset");
    const LutSpaces log{Encoding::AcesCct, Encoding::Srgb};
    writeLutFile(kit / "stranger.cube", bakeLook(ember.carried, 33, "stranger", {.spaces = log}), LutFormat::Cube);
    writePresetFile(kit / "Ember.bpreset", ember);
    d.start();
    d.click(d.button(&d.window(), tr8("Package")));
    PackagePage* page = d.window().packagePage();
    EXPECT_TRUE(Driver::waitFor([&] { return page->tiles()->model()->rowCount() >= 2; }));
    d.chooseRow(page->tiles(), Driver::rowOf(page->tiles(), tr8("Ember")));
    EXPECT_TRUE(isSaid(page->details(), "WHAT IT CARRIES"));
    d.chooseRow(page->tiles(), Driver::rowOf(page->tiles(), tr8("stranger")));
    EXPECT_TRUE(isSaid(page->details(), "WHAT IT DOES"));
    auto* health = page->details()->findChild<LutHealthView*>();
    ASSERT_TRUE(Driver::waitFor([&] { return health->text().contains(tr8("made for pictures in ACEScct")); }));
    d.click(d.button(page->details(), tr8("Read it as ACEScct")));
    // The file stays, and a preset beside it looks as the LUT was meant.
    EXPECT_TRUE(fs::exists(kit / "stranger.cube"));
    const auto made = [&]() -> const LibraryEntry* {
        for (const LibraryEntry& each : d.state().presets())
            if (each.name == "stranger" && each.kind == LibraryEntry::Kind::Preset) return &each;
        return nullptr;
    };
    ASSERT_TRUE(Driver::waitFor([&] { return made() != nullptr; }));
    EXPECT_EQ(made()->group, "Kit");
    const std::vector<Picture> on = {d.state().pictures().smallOf(0)};
    const LutTable table = readLutFile(kit / "stranger.cube").table;
    EXPECT_EQ(compareLooks(lutGrade(table, "meant", log), made()->preset->carried, on).cube.worst, 0);
    EXPECT_GT(compareLooks(lutGrade(table, "plain"), made()->preset->carried, on).pictures.mean, 10);
    EXPECT_TRUE(Driver::waitFor([&] { return isSaid(page->details(), "WHAT IT CARRIES"); })) << "it is chosen";
    EXPECT_TRUE(d.undo());
    EXPECT_EQ(made(), nullptr);
}

TEST(LutScreen, AGroupBecomesLutsAtOnceWithOneAccount) {
    Driver d({"lake-fog.jpg"});
    d.start();
    for (const char* name : {"Dusk/Ember", "Stage light/Limelight"})
        d.state().editLibrary([&] {
            return d.state().library().add(
                readPresetFile(std::string(BARYTON_SOURCE) + "/share/presets/" + name + ".bpreset"), "Season", false);
        });
    d.menu(tr8("File"), tr8("Export presets as LUTs…"));
    auto* sheet = qobject_cast<ExportLutsSheet*>(d.sheet());
    ASSERT_NE(sheet, nullptr);
    ASSERT_GE(sheet->list()->topLevelItemCount(), 2);
    const int count = sheet->list()->topLevelItemCount();
    d.type(d.named<QLineEdit>(sheet, tr8("Folder")), QString::fromStdString((d.root() / "out").string()));
    auto* names = d.named<QLineEdit>(sheet, tr8("Names"));
    d.type(names, QStringLiteral("same.{ext}"));
    QPushButton* write = d.button(sheet, tr8("Write LUTs"));
    EXPECT_FALSE(write->isEnabled()) << "all of them would have one name";
    d.type(names, QStringLiteral("{folder}/{n}-{look}.{ext}"));
    EXPECT_TRUE(write->isEnabled());
    EXPECT_TRUE(sheet->list()->topLevelItem(0)->text(0).contains(QStringLiteral("001-")));
    // What a LUT can't hold is told whether masks are ignored or not.
    const auto leavesOut = [&] {
        for (int row = 0; row < count; ++row)
            if (sheet->list()->topLevelItem(row)->text(5).contains(tr8("Vignette"))) return true;
        return false;
    };
    EXPECT_TRUE(leavesOut());
    auto* everywhere = sheet->findChild<QCheckBox*>();
    for (int i = 0; i < 2; ++i) {
        QTest::mouseClick(everywhere, Qt::LeftButton, {}, {8, everywhere->height() / 2});
        EXPECT_TRUE(leavesOut());
    }
    d.click(write);
    ASSERT_TRUE(Driver::waitFor([&] { return !sheet->list()->topLevelItem(count - 1)->text(2).isEmpty(); }));
    ASSERT_TRUE(Driver::waitFor([&] { return write->text() == tr8("Write LUTs"); }));
    int files = 0;
    for (const auto& entry : fs::recursive_directory_iterator(d.root() / "out"))
        files += entry.is_regular_file() && isLutFile(entry.path());
    EXPECT_EQ(files, count);
    for (int row = 0; row < count; ++row) EXPECT_LE(sheet->list()->topLevelItem(row)->text(3).toDouble(), 0.5);
}

} // namespace baryton::test
