// The Files view of Batch as people use it: kinds of file, a mark, pausing, what failed made again, what comes after.
#include "app/batch/batch_page.h"
#include "app/driver.h"
#include "app/guide_pictures.h"
#include "base/file.h"
#include "batch/plan_file.h"
#include "picture/picture_file.h"

#include <QComboBox>
#include <QFileDialog>
#include <QListWidget>
#include <QMenu>
#include <QTest>
#include <gtest/gtest.h>

namespace baryton::test {

namespace fs = std::filesystem;

namespace {

/// The program with a set, in Batch, its files to go to "out".
struct BatchScreen {
    Driver d;
    BatchPage* batch;
    fs::path out;

    explicit BatchScreen(const std::vector<std::string>& names) : d(names) {
        d.start();
        d.click(d.button(&d.window(), tr8("Batch")));
        batch = d.window().batchPage();
        out = d.root() / "out";
        d.type(d.named<QLineEdit>(batch, tr8("Output folder")), QString::fromStdString(out.string()), true);
    }
    QListWidget* kinds() { return d.named<QListWidget>(batch, tr8("Kinds of file made of each picture")); }
    QString cell(int row, int column = 3) { return batch->findChild<QTableWidget*>()->item(row, column)->text(); }
    static bool says(QWidget* sheet, const char* text) {
        for (const auto* label : sheet->findChildren<QLabel*>())
            if (label->text() == tr8(text)) return true;
        return false;
    }
    void run(const char* button = "Start") {
        d.click(d.button(batch, tr8(button)));
        ASSERT_TRUE(Driver::waitFor([&] { return !batch->isRunning(); }, 120));
    }
    /// Chooses from the menu under Results; a dialog for a file is answered by `file`.
    void result(const QString& word, const fs::path& file) {
        auto* menu = d.button(batch, tr8("Results"))->menu();
        Q_EMIT menu->aboutToShow();
        for (QAction* each : menu->actions())
            if (each->text() == word && each->isEnabled()) each->trigger();
        auto* dialog = d.window().findChild<QFileDialog*>();
        ASSERT_NE(dialog, nullptr);
        Q_EMIT dialog->fileSelected(QString::fromStdString(file.string()));
        dialog->reject();
    }
};

} // namespace

TEST(BatchScreen, TwoKindsOfFileComeOfEachPicture) {
    BatchScreen s({"lake-fog.jpg", "snow-yard.jpg"});
    Driver& d = s.d;
    auto* size = d.named<QLineEdit>(s.batch->output(), tr8("Size"));
    d.type(size, tr8("5 km"), true);
    EXPECT_FALSE(s.batch->startButton()->isEnabled()) << "it says why, and does not begin";
    d.type(size, tr8("400"), true);
    EXPECT_EQ(size->text(), tr8("400 px"));
    EXPECT_TRUE(s.batch->startButton()->isEnabled());
    d.click(d.button(s.batch, tr8("Add")));
    ASSERT_EQ(s.kinds()->count(), 2);
    EXPECT_EQ(s.kinds()->currentRow(), 1) << "the new one is in hand";
    EXPECT_EQ(s.kinds()->item(0)->text(), tr8("JPEG · 400 px · quality 90"));
    EXPECT_EQ(s.kinds()->item(1)->text(), tr8("TIFF 16 bit"));
    // A mark on the small ones alone, seen in the sheet.
    s.kinds()->setCurrentRow(0);
    d.click(d.button(s.batch, tr8("Encoding, mark, metadata…")));
    auto* preview = d.named<QLabel>(d.sheet(), tr8("The mark on the key picture"));
    const QImage before = preview->pixmap().toImage();
    d.type(d.named<QLineEdit>(d.sheet(), tr8("Text")), tr8("The Tin Heron Company"), true);
    EXPECT_NE(preview->pixmap().toImage(), before);
    d.click(d.named<QPushButton>(d.sheet(), tr8("Top left")));
    d.click(d.button(d.sheet(), tr8("Close")));
    EXPECT_EQ(s.kinds()->item(0)->text(), tr8("JPEG · 400 px · quality 90 · mark"));
    EXPECT_EQ(s.batch->settings().outputs[0].mark.place, MarkPlace::TopLeft);
    EXPECT_FALSE(s.batch->settings().outputs[1].mark.isThere());
    s.run();
    for (const char* stem : {"lake-fog", "snow-yard"}) {
        const PictureFile small = readPicture(s.out / (std::string(stem) + "-own-grade.jpg"));
        EXPECT_EQ(small.picture.width(), 400);
        EXPECT_EQ(readPictureSize(s.out / (std::string(stem) + "-own-grade.tif")).bits, 16);
    }
    EXPECT_TRUE(s.cell(0).startsWith(tr8("done · "))) << qPrintable(s.cell(0));
    EXPECT_TRUE(s.cell(0).contains(tr8(" + "))) << "both sizes are told";
    EXPECT_EQ(std::distance(fs::directory_iterator(s.out), {}), 4);
    // Each step is undone.
    d.menu(tr8("Edit"), tr8("Undo Batch: mark"));
    EXPECT_EQ(s.batch->settings().outputs[0].mark.place, MarkPlace::BottomRight);
    d.click(d.button(s.batch, tr8("Remove")));
    EXPECT_EQ(s.kinds()->count(), 1);
    EXPECT_FALSE(d.button(s.batch, tr8("Remove"))->isEnabled()) << "one there always is";
    d.menu(tr8("Edit"), tr8("Undo Batch: file removed"));
    EXPECT_EQ(s.kinds()->count(), 2);
}

TEST(BatchScreen, TakesAreMadeAsLooksOfTheirOwn) {
    BatchScreen s({"lake-fog.jpg", "snow-yard.jpg"});
    Driver& d = s.d;
    auto* button = d.button(s.batch->output(), tr8("Takes"));
    const auto entries = [&] {
        Q_EMIT button->menu()->aboutToShow();
        return button->menu()->actions();
    };
    ASSERT_EQ(entries().size(), 1);
    EXPECT_FALSE(entries()[0]->isEnabled()) << "it says where they come from";
    PictureWork work = d.state().pictures().at(0).work;
    work.grade.prep[0].parameters["stops"] = -2.0;
    work = withTakeKept(work, "Evening & after");
    work.grade.prep[0].parameters["stops"] = 0.0;
    d.state().pictures().setWork(0, work);
    ASSERT_EQ(entries().size(), 1);
    EXPECT_EQ(entries()[0]->text(), tr8("Evening && after · 1 picture"));
    button->menu()->actions()[0]->trigger();
    EXPECT_EQ(button->text(), tr8("Takes: 1"));
    EXPECT_EQ(s.cell(0, 4), tr8("to be made"));
    EXPECT_EQ(s.cell(1, 4), tr8("has no such take"));
    s.run();
    EXPECT_EQ(std::distance(fs::directory_iterator(s.out), {}), 3);
    const Picture own = readThumbnail(s.out / "lake-fog-own-grade.jpg", 100),
                  evening = readThumbnail(s.out / "lake-fog-evening-after.jpg", 100);
    EXPECT_LT(evening.row(1, 20)[50], own.row(1, 20)[50] * 0.7F);
    EXPECT_EQ(s.cell(1, 4), tr8("left out"));
    d.menu(tr8("Edit"), tr8("Undo Batch: looks"));
    EXPECT_EQ(button->text(), tr8("Takes"));
}

TEST(BatchScreen, PicturesAreTickedAndOnlyThoseAreMade) {
    BatchScreen s({"lake-fog.jpg", "snow-yard.jpg", "meadow-cart.jpg"});
    Driver& d = s.d;
    d.type(d.named<QLineEdit>(s.batch, tr8("Size")), tr8("200"), true);
    auto* table = s.batch->findChild<QTableWidget*>();
    const auto press = [&](int row) { // its box
        const QRect cell = table->visualRect(table->model()->index(row, 1));
        d.click(table->viewport(), QPointF(cell.left() + 12, cell.center().y()));
    };
    press(1);
    EXPECT_EQ(table->item(1, 1)->checkState(), Qt::Unchecked);
    EXPECT_EQ(s.cell(1), tr8("left out"));
    EXPECT_EQ(s.cell(0), tr8("to be made, not graded"));
    d.menu(tr8("Edit"), tr8("Undo Batch: pictures"));
    EXPECT_EQ(s.cell(1), tr8("to be made, not graded"));
    press(1), press(2);
    s.run();
    EXPECT_EQ(std::distance(fs::directory_iterator(s.out), {}), 1);
    EXPECT_TRUE(s.batch->progressText().startsWith(tr8("1 of 1 files are done")))
        << qPrintable(s.batch->progressText());
    EXPECT_EQ(s.batch->findChild<QProgressBar*>()->value(), 1000) << "what is left out is not missing";
    const auto labels = s.batch->findChildren<QLabel*>();
    EXPECT_TRUE(std::any_of(labels.begin(), labels.end(), [](const QLabel* label) {
        return label->text() == tr8("3 pictures × 1 look − 2 left out = 1 file");
    }));
    // What was chosen in Grade is one press away.
    d.click(d.button(&d.window(), tr8("Grade")));
    d.chooseRow(d.window().gradePage()->tray(), 2);
    d.click(d.button(&d.window(), tr8("Batch")));
    Q_EMIT table->customContextMenuRequested(table->visualRect(table->model()->index(0, 1)).center());
    for (QAction* each : s.batch->findChildren<QMenu*>().last()->actions())
        if (each->text() == tr8("Only those chosen in Grade (1)")) each->trigger();
    EXPECT_EQ(table->item(0, 1)->checkState(), Qt::Unchecked);
    EXPECT_EQ(table->item(2, 1)->checkState(), Qt::Checked);
}

TEST(BatchScreen, WhatFailedIsMadeAgainAndTheRestLeftAlone) {
    BatchScreen s({"lake-fog.jpg", "snow-yard.jpg", "meadow-cart.jpg"});
    Driver& d = s.d;
    const fs::path broken = d.folder() / "snow-yard.jpg";
    const std::string whole = readFile(broken);
    writeFileAtomically(broken, whole.substr(0, whole.size() / 2));
    EXPECT_FALSE(d.button(s.batch, tr8("Retry failed"))->isEnabled());
    s.run();
    EXPECT_TRUE(s.cell(2).startsWith(tr8("failed"))) << qPrintable(s.cell(2));
    EXPECT_TRUE(s.batch->progressText().contains(tr8("1 failed")));
    std::map<fs::path, fs::file_time_type> written;
    for (const auto& entry : fs::directory_iterator(s.out)) written[entry.path()] = entry.last_write_time();
    EXPECT_EQ(written.size(), 2U);
    writeFileAtomically(broken, whole);
    s.run("Retry failed");
    EXPECT_TRUE(s.cell(2).startsWith(tr8("done"))) << qPrintable(s.cell(2));
    EXPECT_FALSE(d.button(s.batch, tr8("Retry failed"))->isEnabled());
    for (const auto& [file, time] : written) EXPECT_EQ(fs::last_write_time(file), time) << file;
    EXPECT_EQ(std::distance(fs::directory_iterator(s.out), {}), 3);
    // What comes after: a contact sheet and a table.
    s.result(tr8("Contact sheet…"), d.root() / "sheet.pdf");
    ASSERT_TRUE(Driver::waitFor([&] { return fs::exists(d.root() / "sheet.pdf"); }, 30));
    EXPECT_TRUE(readFile(d.root() / "sheet.pdf").starts_with("%PDF"));
    s.result(tr8("Save report…"), d.root() / "report.csv");
    const std::string table = readFile(d.root() / "report.csv");
    EXPECT_EQ(std::count(table.begin(), table.end(), '\n'), 4);
    EXPECT_NE(table.find("snow-yard-own-grade.jpg"), std::string::npos);
    // Neither ever takes the place of a picture.
    s.result(tr8("Save report…"), d.folder() / "lake-fog.jpg");
    EXPECT_TRUE(isPictureFile(d.folder() / "lake-fog.jpg"));
}

TEST(BatchScreen, APausedRunRestsAndAPictureIsBroughtForward) {
    BatchScreen s({"lake-fog.jpg", "snow-yard.jpg", "meadow-cart.jpg", "red-curtain.jpg", "spotlight.jpg"});
    Driver& d = s.d;
    d.chooseFormat(tr8("PNG"), 16);
    d.click(d.button(s.batch, tr8("Start")));
    d.click(d.button(s.batch, tr8("Pause")));
    EXPECT_TRUE(s.batch->progressText().contains(tr8("paused"))) << qPrintable(s.batch->progressText());
    const auto rendering = [&] {
        int count = 0;
        for (int row = 0; row < 5; ++row) count += s.cell(row) == tr8("rendering…");
        return count;
    };
    ASSERT_TRUE(Driver::waitFor([&] { return rendering() == 0; }, 30)) << "what is in hand is finished";
    const auto made = [&] {
        std::error_code ignored;
        return std::distance(fs::directory_iterator(s.out, ignored), {});
    };
    const auto before = made();
    ASSERT_LT(before, 5);
    QTest::qWait(300);
    EXPECT_EQ(made(), before) << "and then it rests";
    // The last one is wanted first.
    auto* table = s.batch->findChild<QTableWidget*>();
    Q_EMIT table->customContextMenuRequested(table->visualItemRect(table->item(4, 1)).center());
    auto* menu = s.batch->findChild<QMenu*>(QString(), Qt::FindDirectChildrenOnly);
    ASSERT_NE(menu, nullptr);
    menu->actions()[0]->trigger();
    menu->close();
    std::vector<int> order;
    d.click(d.button(s.batch, tr8("Go on")));
    ASSERT_TRUE(Driver::waitFor(
        [&] {
            for (int row = 0; row < 5; ++row)
                if (s.cell(row) == tr8("rendering…") && std::find(order.begin(), order.end(), row) == order.end())
                    order.push_back(row);
            return !s.batch->isRunning();
        },
        60));
    EXPECT_EQ(made(), 5);
    if (before < 3) {
        ASSERT_FALSE(order.empty());
        EXPECT_TRUE(std::find(order.begin(), order.begin() + std::min<std::ptrdiff_t>(2, std::ssize(order)), 4) !=
                    order.begin() + std::min<std::ptrdiff_t>(2, std::ssize(order)))
            << "among the next two";
    }
}

TEST(BatchScreen, TheSeasonAfterAPowerCut) {
    // Twelve pictures, two looks, a JPEG limited in size and a TIFF of 16 bits, one of the files broken.
    Driver d;
    const fs::path broken = d.folder() / "lantern-alley.jpg";
    const std::string whole = readFile(broken);
    writeFileAtomically(broken, whole.substr(0, whole.size() / 2));
    d.start();
    const int before = d.actions();
    d.click(d.button(&d.window(), tr8("Batch")));
    BatchPage* batch = d.window().batchPage();
    d.chooseLook(tr8("Limelight"));
    d.type(d.named<QLineEdit>(batch->output(), tr8("Size")), tr8("600"),
           true); // 2 400 of pictures four times as large
    d.click(d.button(batch, tr8("Add")));
    d.type(d.named<QLineEdit>(batch, tr8("Name template")), tr8("{ext}/{n:00}-{stem}-{look}.{ext}"), true);
    const fs::path out = batch->settings().folder;
    const fs::path data = d.root() / "data" / "baryton" / "runs";
    d.click(d.button(batch, tr8("Start")));
    const int untilStart = d.actions();
    // What is remembered on the disk lags behind; a power cut finds an old state of it, and the journal.
    std::map<fs::path, std::string> early;
    for (const auto& entry : fs::directory_iterator(data))
        if (entry.path().extension() == ".json") early[entry.path()] = readFile(entry.path());
    ASSERT_EQ(early.size(), 1U);
    const auto made = [&] {
        std::vector<fs::path> files;
        std::error_code ignored;
        for (fs::recursive_directory_iterator it(out, ignored), end; it != end; ++it)
            if (it->is_regular_file() && it->path().filename().string().front() != '.') files.push_back(it->path());
        std::sort(files.begin(), files.end());
        return files;
    };
    ASSERT_TRUE(Driver::waitFor([&] { return made().size() >= 9; }, 60));
    ASSERT_TRUE(batch->isRunning());
    d.stop();
    // Of the last file the journal knows that it was begun: the cut came just as it had got its name.
    std::map<fs::path, std::string> journals;
    for (const auto& entry : fs::directory_iterator(data))
        if (entry.path().extension() == ".jsonl") journals[entry.path()] = readFile(entry.path());
    ASSERT_EQ(journals.size(), 1U);
    std::string& told = journals.begin()->second;
    const std::size_t done = told.rfind("\"state\":\"done\"");
    ASSERT_NE(done, std::string::npos);
    told.erase(told.rfind('\n', done) + 1, told.find('\n', done) - told.rfind('\n', done));
    std::map<fs::path, fs::file_time_type> written;
    for (const fs::path& file : made()) written[file] = fs::last_write_time(file);
    for (const auto* kept : {&early, &journals})
        for (const auto& [file, text] : *kept) writeFileAtomically(file, text);
    d.start();
    const int afterCut = d.actions();
    d.click(d.button(&d.window(), tr8("Batch")));
    batch = d.window().batchPage();
    EXPECT_EQ(batch->startButton()->text(), tr8("Continue")) << qPrintable(batch->progressText());
    keepWork(d, "season-programme");
    d.click(batch->startButton());
    const int took = untilStart - before + d.actions() - afterCut;
    EXPECT_LE(took, 12);
    std::printf("the season: %d actions\n", took);
    ASSERT_TRUE(Driver::waitFor([&] { return !batch->isRunning(); }, 120));
    const auto files = made();
    EXPECT_EQ(files.size(), 44U) << "24 + 24 less the broken one's four, each once";
    std::size_t stayed = 0;
    for (const fs::path& file : files) {
        EXPECT_EQ(file.stem().string().find("-2"), std::string::npos) << file;
        EXPECT_NO_THROW(readPicture(file)) << file;
        const PictureSize size = readPictureSize(file);
        const bool isTiff = file.extension() == ".tif";
        EXPECT_EQ(size.bits, isTiff ? 16 : 8) << file;
        if (!isTiff) EXPECT_EQ(std::max(size.width, size.height), 600) << file;
        const auto at = written.find(file);
        stayed += at != written.end() && fs::last_write_time(file) == at->second;
    }
    EXPECT_GE(stayed, 7U) << "what was made stays";
    EXPECT_TRUE(batch->progressText().contains(tr8("4 failed"))) << qPrintable(batch->progressText());
    EXPECT_FALSE(fs::exists(journals.begin()->first)) << "ended, and remembered";
}

TEST(BatchScreen, APlanIsKeptAndRunAgainWhateverSetIsOpen) {
    BatchScreen s({"lake-fog.jpg", "snow-yard.jpg"});
    Driver& d = s.d;
    d.click(d.button(s.batch, tr8("Add"))); // a TIFF as well
    const auto choose = [&](int entry, const fs::path& file) {
        auto* menu = d.button(s.batch, tr8("Plan"))->menu();
        Q_EMIT menu->aboutToShow();
        ASSERT_TRUE(menu->actions()[entry]->isEnabled());
        menu->actions()[entry]->trigger();
        auto* dialog = d.window().findChild<QFileDialog*>();
        ASSERT_NE(dialog, nullptr);
        Q_EMIT dialog->fileSelected(QString::fromStdString(file.string()));
        dialog->reject();
    };
    choose(0, d.root() / "season.bplan");
    ASSERT_TRUE(fs::exists(d.root() / "season.bplan"));
    // The same plan for the command line.
    const std::string command =
        std::string(BARYTON_CLI) + " batch '" + (d.root() / "season.bplan").string() + "' --quiet > /dev/null";
    ASSERT_EQ(std::system(command.c_str()), 0);
    EXPECT_EQ(std::distance(fs::directory_iterator(s.out), {}), 4 + 3) << "a journal and two reports";
    fs::remove_all(s.out);
    // With another set open it runs here.
    const fs::path other = d.root() / "other";
    fs::create_directories(other);
    fs::copy_file(d.folder() / "lake-fog.jpg", other / "one.jpg");
    d.window().openPaths({other});
    d.click(d.button(&d.window(), tr8("Batch")));
    choose(1, d.root() / "season.bplan");
    EXPECT_FALSE(s.batch->isRunning()) << "it shows what it would make, first";
    EXPECT_TRUE(s.says(d.sheet(), "2 pictures → 4 files"));
    d.click(d.button(d.sheet(), tr8("Run")));
    EXPECT_TRUE(s.batch->progressText().startsWith(tr8("season: "))) << qPrintable(s.batch->progressText());
    EXPECT_EQ(s.batch->startButton()->text(), tr8("Queue"));
    ASSERT_TRUE(Driver::waitFor([&] { return !s.batch->isRunning(); }, 60));
    EXPECT_EQ(std::distance(fs::directory_iterator(s.out), {}), 4);
    EXPECT_TRUE(d.isTold("season: 4 of 4 files are done"));
    EXPECT_TRUE(s.cell(0).startsWith(tr8("to be made"))) << "the set that is open was not touched";
    // What is no plan is told.
    writeFileAtomically(d.root() / "none.bplan", "{}");
    choose(1, d.root() / "none.bplan");
    EXPECT_FALSE(s.batch->isRunning());
}

TEST(BatchScreen, WhatIsDroppedJoinsTheSetAndPlansAreShown) {
    BatchScreen s({"lake-fog.jpg", "snow-yard.jpg"});
    Driver& d = s.d;
    d.type(d.named<QLineEdit>(s.batch, tr8("Size")), tr8("300"), true);
    const fs::path more = d.root() / "more";
    fs::create_directories(more);
    fs::copy_file(d.folder() / "lake-fog.jpg", more / "one.jpg");
    fs::copy_file(d.folder() / "lake-fog.jpg", more / "two.jpg");
    d.drop(&d.window(), {more / "one.jpg", d.folder() / "snow-yard.jpg"});
    EXPECT_EQ(d.state().pictures().size(), 3) << "one was there";
    EXPECT_EQ(d.window().task(), AppTask::Batch);
    EXPECT_EQ(s.batch->settings().outputs[0].size.amount, 300) << "what was set stays";
    d.drop(&d.window(), {more});
    EXPECT_EQ(d.state().pictures().size(), 4);
    d.drop(&d.window(), {d.folder() / "lake-fog.jpg"});
    EXPECT_TRUE(d.isTold("They are in the set already"));
    // A plan is shown; where some of its pictures are gone it says so.
    NamedPlan named{"Season", {}};
    named.plan.pictures = {more / "one.jpg", more / "gone.jpg"};
    named.plan.looks = {{"own grade", {}, true}};
    named.plan.folder = s.out;
    writeFileAtomically(d.root() / "season.bplan", planToText(named));
    d.drop(&d.window(), {d.root() / "season.bplan"});
    EXPECT_TRUE(s.says(d.sheet(), "2 pictures → 2 files"));
    EXPECT_TRUE(s.says(d.sheet(), "1 of the pictures are not there; the others are made"));
    d.click(d.button(d.sheet(), tr8("Run")));
    ASSERT_TRUE(Driver::waitFor([&] { return !s.batch->isRunning(); }, 60));
    EXPECT_TRUE(fs::exists(s.out / "one-own-grade.jpg"));
}

TEST(BatchScreen, WhatArrivesInAWatchedFolderIsMade) {
    BatchScreen s({"lake-fog.jpg"});
    Driver& d = s.d;
    const fs::path arrivals = d.root() / "arrivals";
    fs::create_directories(arrivals);
    d.type(d.named<QLineEdit>(s.batch, tr8("Size")), tr8("200"), true);
    const auto choose = [&](const char* entry, const fs::path& folder = {}) {
        auto* menu = d.button(s.batch, tr8("Plan"))->menu();
        Q_EMIT menu->aboutToShow();
        for (QAction* each : menu->actions())
            if (each->text() == tr8(entry) && each->isEnabled()) each->trigger();
        if (folder.empty()) return;
        auto* dialog = d.window().findChild<QFileDialog*>();
        ASSERT_NE(dialog, nullptr);
        Q_EMIT dialog->fileSelected(QString::fromStdString(folder.string()));
        dialog->reject();
    };
    fs::create_directories(s.out);
    choose("Watch a folder…", s.out);
    ASSERT_EQ(s.batch->watcher(), nullptr) << "never the one that it writes into";
    choose("Watch a folder…", arrivals);
    ASSERT_NE(s.batch->watcher(), nullptr);
    EXPECT_TRUE(s.says(d.sheet(), "Nothing has arrived yet"));
    auto* list = d.named<QListWidget>(d.sheet(), tr8("Files made of what arrived"));
    fs::copy_file(d.folder() / "lake-fog.jpg", arrivals / "morning.jpg");
    const std::string whole = readFile(d.folder() / "lake-fog.jpg");
    writeFileAtomically(arrivals / "broken.jpg", whole.substr(0, whole.size() / 2));
    ASSERT_TRUE(Driver::waitFor([&] { return list->count() == 2; }, 60));
    EXPECT_EQ(readPictureSize(s.out / "morning-own-grade.jpg").width, 200);
    EXPECT_EQ(s.batch->progressText(), tr8("Watching arrivals: 1 files made, 1 failed"));
    // Closed, it goes on; opened again, it shows the same.
    d.click(d.button(d.sheet(), tr8("Close")));
    fs::copy_file(d.folder() / "lake-fog.jpg", arrivals / "noon.jpg");
    ASSERT_TRUE(Driver::waitFor([&] { return fs::exists(s.out / "noon-own-grade.jpg"); }, 60));
    ASSERT_TRUE(Driver::waitFor([&] { return s.batch->watcher()->doneCount() == 2; }, 60));
    choose("Watched folder…");
    EXPECT_EQ(d.named<QListWidget>(d.sheet(), tr8("Files made of what arrived"))->count(), 3);
    d.click(d.button(d.sheet(), tr8("Stop watching")));
    EXPECT_EQ(s.batch->watcher(), nullptr);
    EXPECT_EQ(s.batch->progressText(), tr8("Watching arrivals: 2 files made, 1 failed"));
}

TEST(BatchScreen, ARunThatMeetsFilesAsksWhereThatIsWanted) {
    BatchScreen s({"lake-fog.jpg", "snow-yard.jpg"});
    Driver& d = s.d;
    s.run();
    const auto count = [&] { return std::distance(fs::directory_iterator(s.out), {}); };
    auto* exists = d.named<QComboBox>(s.batch, tr8("If it exists"));
    exists->setCurrentText(tr8("Ask"));
    Q_EMIT exists->activated(exists->currentIndex());
    d.click(d.button(s.batch, tr8("Start")));
    EXPECT_FALSE(s.batch->isRunning());
    d.click(d.button(d.sheet(), tr8("Do not start")));
    EXPECT_FALSE(s.batch->isRunning());
    const auto answer = [&](const char* word) {
        d.click(d.button(s.batch, tr8("Start")));
        d.click(d.button(d.sheet(), tr8(word)));
        ASSERT_TRUE(Driver::waitFor([&] { return !s.batch->isRunning(); }, 60));
    };
    answer("Skip them");
    EXPECT_EQ(count(), 2);
    EXPECT_EQ(s.cell(0), tr8("skipped, is there"));
    const auto time = fs::last_write_time(s.out / "lake-fog-own-grade.jpg");
    answer("Replace them");
    EXPECT_EQ(count(), 2);
    EXPECT_NE(fs::last_write_time(s.out / "lake-fog-own-grade.jpg"), time);
    answer("Number the new ones");
    EXPECT_EQ(count(), 4);
}

} // namespace baryton::test
