// The Files view of Batch as people use it: kinds of file, a mark, pausing, what failed made again, what comes after.
#include "app/batch/batch_page.h"
#include "app/driver.h"
#include "base/file.h"
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

} // namespace baryton::test
