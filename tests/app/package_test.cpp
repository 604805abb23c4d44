// The Package task, the shelf and imports in the real window.
#include "app/driver.h"
#include "app/package/pack_sheets.h"
#include "base/file.h"
#include "grade/grade_json.h"
#include "lut/lut_file.h"
#include "package/archive.h"
#include "package/import.h"
#include "stages/stage_type.h"
#include "support/bytes_of.h"

#include <QCheckBox>
#include <QComboBox>
#include <QContextMenuEvent>
#include <QDropEvent>
#include <QKeySequenceEdit>
#include <QMenu>
#include <QMimeData>
#include <QTest>
#include <cstring>
#include <gtest/gtest.h>

namespace baryton::test {

namespace fs = std::filesystem;

namespace {

QString noticeText(Driver& d) {
    QString all;
    for (auto* label : d.window().findChildren<QLabel*>())
        if (label->property("role").toString() == tr8("error") && label->isVisible()) all += label->text();
    return all;
}

/// Lets files go over a widget, as a file manager does.
void dropAt(QAbstractItemView* view, QPoint at, QMimeData* data) {
    QDragEnterEvent enter(at, Qt::MoveAction, data, Qt::LeftButton, Qt::NoModifier);
    QApplication::sendEvent(view->viewport(), &enter);
    QDragMoveEvent move(at, Qt::MoveAction, data, Qt::LeftButton, Qt::NoModifier);
    QApplication::sendEvent(view->viewport(), &move);
    EXPECT_TRUE(move.isAccepted());
    QDropEvent drop(at, Qt::MoveAction, data, Qt::LeftButton, Qt::NoModifier);
    QApplication::sendEvent(view->viewport(), &drop);
    QTest::qWait(50);
}

void dropOn(QAbstractItemView* view, int row, QMimeData* data) {
    dropAt(view, view->visualRect(view->model()->index(row, 0)).center(), data);
}

PackagePage* openPackage(Driver& d) {
    d.click(d.button(&d.window(), tr8("Package")));
    PackagePage* page = d.window().packagePage();
    EXPECT_TRUE(Driver::waitFor([&] { return page->tiles()->model()->rowCount() > 0; }));
    return page;
}

double meanDifference(const QImage& a, const QImage& b) {
    if (a.size() != b.size() || a.isNull()) return 255;
    double sum = 0;
    for (int y = 0; y < a.height(); ++y)
        for (int x = 0; x < a.width(); ++x)
            sum += std::abs(qRed(a.pixel(x, y)) - qRed(b.pixel(x, y))) +
                   std::abs(qBlue(a.pixel(x, y)) - qBlue(b.pixel(x, y)));
    return sum / (2.0 * a.width() * a.height());
}

} // namespace

TEST(Package, PresetsInForceAreListedWeakenedSwappedAndTakenOff) {
    Driver d({"lake-fog.jpg"});
    d.start();
    GradePage* grade = d.window().gradePage();
    const Grade bare = d.state().keyGrade();
    d.click(d.named<QPushButton>(grade, tr8("Shelf")));
    Shelf* shelf = grade->shelf();
    // A click on the shelf moves nothing on it.
    std::map<QWidget*, QRect> places;
    for (auto* each : shelf->findChildren<QWidget*>())
        if (each->isVisible() && !shelf->inForce()->isAncestorOf(each) && each != shelf->inForce())
            places[each] = QRect(each->mapTo(shelf, QPoint()), each->size());
    d.chooseRow(shelf->list(), Driver::rowOf(shelf->list(), tr8("Limelight")));
    const Grade worn = d.state().keyGrade();
    for (const auto& [each, place] : places)
        EXPECT_EQ(QRect(each->mapTo(shelf, QPoint()), each->size()), place) << each->accessibleName().toStdString();
    ASSERT_EQ(d.state().keyWork().inForce.size(), 1u);
    EXPECT_TRUE(shelf->inForce()->isVisible());
    auto* name = d.named<QPushButton>(shelf, tr8("Preset Limelight on"));
    d.click(name);
    EXPECT_EQ(d.state().keyGrade(), bare) << "switched off it is as before";
    EXPECT_EQ(d.state().keyWork().inForce.size(), 1u) << "and remembered";
    d.click(name);
    EXPECT_EQ(d.state().keyGrade(), worn);
    d.type(d.named<NumberField>(shelf->inForce(), tr8("Strength of the preset")), tr8("50"), true);
    EXPECT_EQ(d.state().keyWork().inForce[0].strength, 0.5);
    EXPECT_NE(d.state().keyGrade(), worn);
    d.undo();
    EXPECT_EQ(d.state().keyGrade(), worn);
    d.click(d.button(shelf->inForce(), tr8("Swap")));
    d.chooseRow(shelf->list(), Driver::rowOf(shelf->list(), tr8("Lantern blue")));
    ASSERT_EQ(d.state().keyWork().inForce.size(), 1u);
    EXPECT_EQ(d.state().keyWork().inForce[0].preset.name, "Lantern blue");
    EXPECT_TRUE(shelf->inForce()->swapped() == std::nullopt);
    d.click(d.named<QPushButton>(shelf->inForce(), tr8("Take the preset off")));
    EXPECT_EQ(d.state().keyGrade(), bare);
    EXPECT_TRUE(d.state().keyWork().inForce.empty());
    d.undo();
    // It is kept with the picture.
    d.state().pictures().flush();
    d.start();
    ASSERT_EQ(d.state().keyWork().inForce.size(), 1u);
    EXPECT_EQ(d.state().keyWork().inForce[0].preset.name, "Lantern blue");
}

TEST(Package, CardsLightUpWhileAPresetIsPointedAt) {
    Driver d({"lake-fog.jpg"});
    d.start();
    GradePage* grade = d.window().gradePage();
    d.click(d.named<QPushButton>(grade, tr8("Shelf")));
    QListView* list = grade->shelf()->list();
    const QModelIndex index = list->model()->index(Driver::rowOf(list, tr8("Limelight")), 0);
    list->scrollTo(index);
    QTest::mouseMove(list->viewport(), list->visualRect(index).center());
    QTest::qWait(80);
    const auto lit = [&](const char* type) {
        for (const StagePlace& place : stagePlaces(d.state().keyGrade()))
            if (const Stage& stage = stageAt(d.state().keyGrade(), place); stage.type == type)
                return grade->chain()->card(stage.id)->isLit();
        return false;
    };
    EXPECT_TRUE(lit("curves"));
    EXPECT_TRUE(lit("wheels"));
    EXPECT_FALSE(lit("exposure"));
    const Grade shown = d.state().shownGrade();
    d.chooseRow(list, index.row());
    EXPECT_EQ(d.state().keyGrade(), shown) << "a click gives just what was seen";
    QTest::mouseMove(grade->view(), {10, 10});
    QTest::qWait(80);
    EXPECT_FALSE(lit("curves"));
    // The next one takes the place of what is tried: pointing at it shows it without that.
    const QModelIndex next = list->model()->index(Driver::rowOf(list, tr8("Harvest meadow")), 0);
    list->scrollTo(next);
    QTest::mouseMove(list->viewport(), list->visualRect(next).center());
    QTest::qWait(80);
    const Grade seen = d.state().shownGrade();
    EXPECT_NE(seen, shown);
    d.chooseRow(list, next.row());
    EXPECT_EQ(d.state().keyGrade(), seen);
    EXPECT_EQ(d.state().keyWork().inForce.size(), 1u);
}

TEST(Package, TheAccountOfAnImportWaitsForAHandThatHoldsSomething) {
    Driver d({"lake-fog.jpg"});
    d.start();
    const fs::path kit = d.root() / "kit.zip";
    writeFileAtomically(kit, writeZip({{"one.cube", "LUT_1D_SIZE 2\n0 0 0\n1 1 1\n"}, {"two.txt", "words"}}));
    Ruler* ruler = d.window().gradePage()->findChild<Ruler*>();
    ASSERT_NE(ruler, nullptr);
    QTest::mousePress(ruler, Qt::LeftButton, {}, {ruler->width() / 2, ruler->height() / 2});
    ASSERT_TRUE(d.state().isHeld());
    d.drop(&d.window(), {kit});
    EXPECT_FALSE(Driver::waitFor([&] { return d.sheetIfAny() != nullptr; }, 0.5));
    QTest::mouseRelease(ruler, Qt::LeftButton, {}, {ruler->width() / 2, ruler->height() / 2});
    EXPECT_NE(qobject_cast<ImportSheet*>(d.sheet()), nullptr);
}

TEST(Package, EntriesAreChangedAndDroppedWithoutAPicture) {
    Driver d({"lake-fog.jpg"});
    d.start();
    PackagePage* page = openPackage(d);
    d.chooseRow(page->tiles(), Driver::rowOf(page->tiles(), tr8("Harvest meadow")));
    const fs::path file = d.libraryRoot() / "Tin Heron/Harvest meadow.bpreset";
    const auto bytes = readFile(file);
    auto* tree = page->details()->findChild<CarryTree*>();
    const auto leaf = [&](const char* name) {
        for (QTreeWidgetItemIterator it(tree); *it; ++it)
            if ((*it)->text(0) == QString::fromLatin1(name)) return *it;
        qFatal("no entry %s", name);
    };
    const auto press = [&](const char* name) {
        tree->scrollToItem(leaf(name));
        QRect where = tree->visualItemRect(leaf(name));
        where.setLeft(where.right() - 30);
        return where.center();
    };
    QTest::mouseClick(tree->viewport(), Qt::LeftButton, {}, press("Midtones amount"));
    QTest::mouseDClick(tree->viewport(), Qt::LeftButton, {}, press("Midtones amount"));
    auto* editor = tree->findChild<QLineEdit*>();
    ASSERT_NE(editor, nullptr);
    d.type(editor, tr8("20 + 5"), true);
    QTest::qWait(50);
    const auto value = [&](const char* id) {
        const Preset preset = readPresetFile(file);
        for (const StagePlace& place : stagePlaces(preset.carried))
            if (const auto& p = stageAt(preset.carried, place).parameters; p.contains(id))
                return std::get<double>(p.at(id));
        return -1.0;
    };
    EXPECT_EQ(value("midtones.amount"), 0.25);
    d.click(tree->viewport(), press("Shadows hue"));
    QTest::keyClick(tree, Qt::Key_Delete);
    QTest::qWait(50);
    EXPECT_EQ(value("shadows.hue"), -1);
    EXPECT_EQ(value("shadows.amount"), 0.06) << "just the one entry";
    d.undo();
    d.undo();
    EXPECT_EQ(readFile(file), bytes);
}

TEST(Package, PresetsAreDraggedBetweenGroupsAndGroupsPutInOrder) {
    Driver d({"lake-fog.jpg"});
    d.start();
    PackagePage* page = openPackage(d);
    d.click(d.named<QPushButton>(page, tr8("New group")));
    auto* editor = page->groups()->findChild<QLineEdit*>();
    ASSERT_NE(editor, nullptr) << "a new group is named at once";
    d.type(editor, tr8("Evening"), true);
    QTest::qWait(80);
    EXPECT_TRUE(fs::is_directory(d.libraryRoot() / "Evening"));
    page->groups()->setCurrentRow(0);
    QTest::qWait(30);
    const auto before = bytesOf(d.libraryRoot());
    const int row = Driver::rowOf(page->tiles(), tr8("Limelight"));
    std::unique_ptr<QMimeData> data(page->tiles()->model()->mimeData({page->tiles()->model()->index(row, 0)}));
    dropOn(page->groups(), Driver::rowOf(page->groups(), tr8("Evening")), data.get());
    EXPECT_TRUE(fs::exists(d.libraryRoot() / "Evening/Limelight.bpreset"));
    EXPECT_FALSE(fs::exists(d.libraryRoot() / "Tin Heron/Limelight.bpreset"));
    d.undo();
    EXPECT_EQ(bytesOf(d.libraryRoot()), before);
    // A group is dragged before another one.
    EXPECT_EQ(d.state().library().groups(), (std::vector<std::string>{"Evening", "Tin Heron"}));
    page->groups()->setCurrentRow(Driver::rowOf(page->groups(), tr8("Tin Heron")));
    std::unique_ptr<QMimeData> group(page->groups()->model()->mimeData({page->groups()->currentIndex()}));
    const QRect where = page->groups()->visualRect(page->groups()->model()->index(2, 0));
    dropAt(page->groups(), {where.center().x(), where.top() + 2}, group.get());
    EXPECT_EQ(d.state().library().groups(), (std::vector<std::string>{"Tin Heron", "Evening"}));
    EXPECT_EQ(Driver::rowOf(page->groups(), tr8("Tin Heron")), 2);
    d.undo();
    EXPECT_EQ(d.state().library().groups(), (std::vector<std::string>{"Evening", "Tin Heron"}));
    page->groups()->setCurrentRow(0);
    QTest::qWait(30);
    // Several are deleted at once, and come back at once.
    page->tiles()->setFocus();
    QTest::keyClick(page->tiles(), Qt::Key_A, Qt::ControlModifier);
    QTest::keyClick(page->tiles(), Qt::Key_Delete);
    EXPECT_EQ(page->tiles()->model()->rowCount(), 0);
    d.undo();
    EXPECT_EQ(bytesOf(d.libraryRoot()), before);
}

TEST(Package, PointingShowsAPresetOnAllCheckPictures) {
    Driver d({"lake-fog.jpg", "meadow-cart.jpg", "red-curtain.jpg"});
    d.start();
    PackagePage* page = openPackage(d);
    QListView* tiles = page->tiles();
    d.chooseRow(tiles, Driver::rowOf(tiles, tr8("Harvest meadow")));
    CheckWall* wall = page->wall();
    const auto seen = [&] {
        QTest::qWait(700);
        return std::array{wall->image(0), wall->image(1), wall->image(2)};
    };
    const auto chosen = seen();
    const QModelIndex index = tiles->model()->index(Driver::rowOf(tiles, tr8("Limelight")), 0);
    tiles->scrollTo(index);
    QTest::mouseMove(tiles->viewport(), tiles->visualRect(index).center());
    const auto pointed = seen();
    for (std::size_t i = 0; i < 3; ++i) {
        ASSERT_FALSE(chosen[i].isNull() || pointed[i].isNull());
        EXPECT_GT(meanDifference(chosen[i], pointed[i]), 2) << "picture " << i;
    }
    // Two chosen stand side by side.
    QTest::mouseClick(tiles->viewport(), Qt::LeftButton, Qt::ControlModifier, tiles->visualRect(index).center());
    QTest::mouseMove(page->groups()->viewport(), {4, 4});
    QTest::qWait(700);
    ASSERT_FALSE(wall->image(0, 1).isNull());
    EXPECT_GT(meanDifference(wall->image(0, 0), wall->image(0, 1)), 2);
    // What was drawn once comes from the cache the next time.
    EXPECT_GT(page->drawer().drawnCount(), 0);
    d.start();
    page = openPackage(d);
    QTest::qWait(1200);
    EXPECT_EQ(page->drawer().drawnCount(), 0);
}

TEST(Package, APackTravelsByDragAndDropAndUndoTakesItOut) {
    Driver d({"lake-fog.jpg"});
    d.start();
    PackagePage* page = openPackage(d);
    const fs::path pack = d.root() / "tin heron.bpack";
    d.menu(tr8("File"), tr8("Export a pack…"));
    d.type(d.named<QLineEdit>(d.sheet(), tr8("Author")), tr8("The Tin Heron Company"));
    d.type(d.named<QLineEdit>(d.sheet(), tr8("File")), QString::fromStdString(pack.string()));
    d.click(d.button(d.sheet(), tr8("Write the pack")));
    ASSERT_TRUE(fs::exists(pack));
    const auto before = bytesOf(d.libraryRoot());
    fs::remove(d.libraryRoot() / "Tin Heron/Limelight.bpreset");
    Preset other = readPresetFile(d.libraryRoot() / "Tin Heron/Lantern blue.bpreset");
    other.notes = "changed since";
    writePresetFile(d.libraryRoot() / "Tin Heron/Lantern blue.bpreset", other);
    d.state().reloadPresets();
    const auto changed = bytesOf(d.libraryRoot());
    d.drop(&d.window(), {pack});
    auto* list = d.sheet()->findChild<QTreeWidget*>();
    EXPECT_EQ(list->topLevelItemCount(), 1);
    auto* choice = d.named<QComboBox>(d.sheet(), tr8("What happens with Lantern blue"));
    choice->setCurrentText(tr8("replace yours"));
    d.click(d.button(d.sheet(), tr8("Add 2")));
    EXPECT_EQ(readFile(d.libraryRoot() / "Tin Heron/Limelight.bpreset"), before.at("Tin Heron/Limelight.bpreset"));
    EXPECT_EQ(readPresetFile(d.libraryRoot() / "Tin Heron/Lantern blue.bpreset").notes.find("changed"),
              std::string::npos);
    EXPECT_EQ(page->tiles()->model()->rowCount(), 3);
    d.undo();
    EXPECT_EQ(bytesOf(d.libraryRoot()), changed);
}

TEST(Package, HostilePacksAreRefusedWithAReasonAndWriteNothing) {
    Driver d({"lake-fog.jpg"});
    d.start();
    openPackage(d);
    const auto before = bytesOf(d.root() / "data");
    const std::string good = writeZip({{"AAAA/evil.bpreset", "x"}});
    const auto renamed = [&](const std::string& to) {
        std::string zip = good;
        for (std::size_t at = 0; (at = zip.find("AAAA/", at)) != std::string::npos; at += 5) zip.replace(at, 5, to);
        return zip;
    };
    std::string link = writeZip({{"link", "/etc/passwd"}});
    const std::uint32_t mode = 0120777U << 16;
    std::memcpy(link.data() + link.find("PK\x01\x02") + 38, &mode, 4);
    std::string twice = writeZip({{"one.cube", "x"}, {"two.cube", "y"}});
    for (std::size_t at = 0; (at = twice.find("two.", at)) != std::string::npos; at += 4)
        twice.replace(at, 4, "ONE.");
    std::vector<ArchiveFile> many;
    for (int i = 0; i < 21000; ++i) many.push_back({std::to_string(i) + ".cube", ""});
    const std::pair<std::string, const char*> packs[] = {
        {renamed("../.."), "outside its own folder"},
        {renamed("/etc/"), "outside its own folder"},
        {link, "link"},
        {twice, "twice"},
        {writeZip({{"bomb.cube", std::string(std::size_t(140) << 20, '0')}}), "unpacks to more"},
        {writeZip(many), "entries"},
        {"this is no archive at all", "damaged"},
        {writeZip({{"pack.json", R"({"format":"baryton-pack","version":9,"name":"x","groups":[]})"}}),
         "newer version"},
    };
    for (const auto& [bytes, reason] : packs) {
        const fs::path pack = d.root() / "hostile.bpack";
        writeFileAtomically(pack, bytes);
        for (auto* button : d.window().findChildren<QPushButton*>())
            if (button->accessibleName() == tr8("Close the message") && button->isVisible()) d.click(button);
        d.drop(&d.window(), {pack});
        EXPECT_TRUE(Driver::waitFor([&] { return noticeText(d).contains(QString::fromLatin1(reason)); }))
            << reason << ": " << noticeText(d).toStdString();
        EXPECT_TRUE(noticeText(d).contains(tr8("hostile.bpack")));
        EXPECT_EQ(d.sheetIfAny(), nullptr);
        EXPECT_EQ(bytesOf(d.root() / "data"), before);
    }
}

TEST(Package, AnOwnKeyPutsThePresetOn) {
    Driver d({"lake-fog.jpg"});
    d.start();
    PackagePage* page = openPackage(d);
    d.chooseRow(page->tiles(), Driver::rowOf(page->tiles(), tr8("Limelight")));
    auto* key = page->details()->findChild<QKeySequenceEdit*>();
    key->setFocus();
    // The field takes a key a second after it was pressed; later on a busy machine.
    QTest::keyClick(key, Qt::Key_S, Qt::ControlModifier);
    EXPECT_TRUE(QTest::qWaitFor([&] { return noticeText(d).contains(tr8("Save preset")); }, 20000))
        << "taken by a command";
    key->setFocus();
    QTest::keyClick(key, Qt::Key_F6);
    const auto keptKey = [&] {
        const auto& items = d.state().libraryIndex().items;
        const auto item = items.find("Tin Heron/Limelight.bpreset");
        return item == items.end() ? std::string() : item->second.key;
    };
    EXPECT_TRUE(QTest::qWaitFor([&] { return keptKey() == "F6"; }, 20000)) << keptKey();
    d.click(d.button(&d.window(), tr8("Grade")));
    QTest::keyClick(&d.window(), Qt::Key_F6);
    QTest::qWait(30);
    ASSERT_EQ(d.state().keyWork().inForce.size(), 1u);
    EXPECT_EQ(d.state().keyWork().inForce[0].preset.name, "Limelight");
}

TEST(Package, NewPicturesStartFromTheChosenPreset) {
    Driver d({"lake-fog.jpg", "dusk-horizon.tif"});
    d.start();
    d.menu(tr8("Picture"), tr8("Start of new pictures…"));
    auto* any = d.named<QComboBox>(d.sheet(), tr8("Start of every picture"));
    any->setCurrentIndex(any->findText(tr8("Tin Heron · Limelight")));
    d.click(d.button(d.sheet(), tr8("Another start for a camera or file type")));
    d.named<QComboBox>(d.sheet(), tr8("Camera or file type"))->setCurrentIndex(1);
    d.type(d.named<QLineEdit>(d.sheet(), tr8("Which")), tr8("tif"));
    auto* its = d.named<QComboBox>(d.sheet(), tr8("Its start"));
    its->setCurrentIndex(its->findText(tr8("Tin Heron · Lantern blue")));
    d.click(d.button(d.sheet(), tr8("Keep")));
    d.start();
    const auto nameOf = [&](int i) {
        const auto& worn = d.state().pictures().at(i).work.inForce;
        return worn.empty() ? std::string() : worn[0].preset.name;
    };
    EXPECT_EQ(nameOf(0), "Lantern blue");
    EXPECT_EQ(nameOf(1), "Limelight");
    EXPECT_FALSE(fs::exists(d.folder() / "lake-fog.jpg.bgrade")) << "nothing is written before something is changed";
    d.undo();
    EXPECT_EQ(nameOf(1), "Limelight");
}

TEST(Package, ACameraHasAStartOfItsOwn) {
    Driver d({"lake-fog.jpg", "chart-table.jpg"});
    d.start();
    LibraryIndex index = d.state().libraryIndex();
    index.startByCamera["Tin Heron Field Camera One"] = "Tin Heron/Lantern blue.bpreset";
    index.start = "Tin Heron/Gone.bpreset";
    d.state().editLibrary([&] { return d.state().library().setIndex(index, "Starts"); });
    d.start();
    const auto wears = [&](int i) {
        const auto& worn = d.state().pictures().at(i).work.inForce;
        return worn.size() == 1 && worn[0].preset.name == "Lantern blue";
    };
    EXPECT_TRUE(Driver::waitFor([&] { return wears(0) && wears(1); }));
}

TEST(Package, FilesPutThereByHandAppearAtOnce) {
    Driver d({"lake-fog.jpg"});
    d.start();
    PackagePage* page = openPackage(d);
    const int before = page->tiles()->model()->rowCount();
    Preset preset = readPresetFile(d.libraryRoot() / "Tin Heron/Limelight.bpreset");
    preset.name = "By hand";
    writePresetFile(d.libraryRoot() / "Tin Heron/By hand.bpreset", preset);
    EXPECT_TRUE(Driver::waitFor([&] { return page->tiles()->model()->rowCount() == before + 1; }, 5));
    fs::create_directories(d.libraryRoot() / "Luts");
    EXPECT_TRUE(Driver::waitFor([&] { return page->groups()->count() == 4; }, 5));
    writeFileAtomically(d.libraryRoot() / "Luts/plain.cube", "LUT_1D_SIZE 2\n0 0 0\n1 1 1\n");
    EXPECT_TRUE(Driver::waitFor(
        [&] {
            const LibraryEntry* entry = d.state().presetEntry("Luts/plain.cube");
            return entry && entry->preset;
        },
        5))
        << "a LUT is listed at once and read behind the window";
    EXPECT_EQ(page->tiles()->model()->rowCount(), before + 2);
}

TEST(Package, SavingOffersOneStageBothNamesAndACover) {
    Driver d({"lake-fog.jpg"});
    d.start();
    d.state().applyPreset(readPresetFile(d.libraryRoot() / "Tin Heron/Limelight.bpreset"));
    d.menu(tr8("File"), tr8("Save preset…"));
    d.type(d.named<QLineEdit>(d.sheet(), tr8("Preset name")), tr8("Limelight"));
    d.click(d.button(d.sheet(), tr8("Just one…")));
    auto* menu = qobject_cast<QMenu*>(QApplication::activePopupWidget());
    ASSERT_NE(menu, nullptr);
    for (QAction* action : menu->actions())
        if (action->text() == tr8("Wheels")) {
            QTest::mouseClick(menu, Qt::LeftButton, {}, menu->actionGeometry(action).center());
            break;
        }
    d.type(d.named<QLineEdit>(d.sheet(), tr8("Author")), tr8("The Tin Heron Company"));
    for (auto* box : d.sheet()->findChildren<QCheckBox*>())
        if (box->text().startsWith(tr8("Cover")) || box->text() == tr8("Keep both"))
            d.click(box, {8, box->height() / 2.0});
    d.click(d.button(d.sheet(), tr8("Save preset")));
    const Preset saved = readPresetFile(d.libraryRoot() / "Tin Heron/Limelight 2.bpreset");
    ASSERT_EQ(saved.carried.look.size(), 1u);
    ASSERT_EQ(saved.carried.look[0].stages.size(), 1u);
    EXPECT_EQ(saved.carried.look[0].stages[0].type, "wheels");
    EXPECT_TRUE(saved.carried.finish.empty());
    EXPECT_EQ(saved.author, "The Tin Heron Company");
    ASSERT_EQ(saved.covers.size(), 1u);
    QImage cover;
    EXPECT_TRUE(cover.loadFromData(QByteArray::fromStdString(saved.covers[0]), "JPG"));
    EXPECT_EQ(cover.width(), 320);
}

TEST(Package, TheShippedPresetsAreGivenOnce) {
    const QTemporaryDir folder;
    const Library library(fs::path(folder.path().toStdString()) / "presets");
    const fs::path given = fs::path(BARYTON_SOURCE) / "share/presets";
    EXPECT_TRUE(giveFirstPresets(library, given));
    EXPECT_EQ(library.groups().size(), 6u);
    EXPECT_GE(library.entries().size(), 36u);
    for (const auto& entry : library.entries()) {
        ASSERT_TRUE(entry.preset) << entry.error;
        EXPECT_FALSE(entry.preset->notes.empty()) << entry.name;
        EXPECT_TRUE(entry.preset->carried.prep.empty()) << entry.name << " carries no picture's Prep";
    }
    perform(library.removeGroup("Dusk"));
    EXPECT_FALSE(giveFirstPresets(library, given)) << "what was deleted stays away";
    EXPECT_EQ(library.groups().size(), 5u);
}

TEST(Package, AMenuIsOfTheTileItOpensOn) {
    Driver d({"lake-fog.jpg"});
    d.start();
    d.key("Ctrl+2");
    QListView* tiles = d.window().packagePage()->tiles();
    tiles->selectionModel()->clear(); // as Ctrl+click on the chosen one leaves it
    const QPoint at = tiles->visualRect(tiles->model()->index(2, 0)).center();
    QContextMenuEvent asked(QContextMenuEvent::Keyboard, at, tiles->viewport()->mapToGlobal(at));
    QApplication::sendEvent(tiles->viewport(), &asked);
    auto* menu = qobject_cast<QMenu*>(QApplication::activePopupWidget());
    ASSERT_NE(menu, nullptr);
    ASSERT_EQ(tiles->selectionModel()->selectedIndexes().size(), 1);
    EXPECT_EQ(tiles->selectionModel()->selectedIndexes().front().row(), 2);
    menu->close();
}

} // namespace baryton::test
