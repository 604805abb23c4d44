#include "library_speed.h"
#include "app/main_window.h"
#include "app/package/tile_model.h"
#include "grade/grade_json.h"
#include "wait.h"

#include <QApplication>
#include <QLineEdit>
#include <QMouseEvent>
#include <QScrollBar>
#include <fmt/format.h>

namespace baryton::bench {

namespace fs = std::filesystem;

namespace {

constexpr int kPresets = 500, kGroups = 20, kLuts = 300;

void makeLibrary(const fs::path& given, const fs::path& root) {
    std::vector<Preset> sources;
    for (const auto& entry : fs::recursive_directory_iterator(given))
        if (entry.path().extension() == ".bpreset") sources.push_back(readPresetFile(entry.path()));
    for (int i = 0; i < kPresets; ++i) {
        Preset preset = sources[static_cast<std::size_t>(i) % sources.size()];
        preset.name = fmt::format("{} {}", preset.name, i);
        preset.notes += fmt::format(" Number {}.", i); // each a content of its own
        writePresetFile(root / fmt::format("Group {:02}", i % kGroups) / (preset.name + ".bpreset"), preset);
    }
}

void makeLuts(const fs::path& given, const fs::path& root) {
    fs::create_directories(root / "LUTs");
    int i = 0;
    while (i < kLuts)
        for (const auto& entry : fs::recursive_directory_iterator(given)) {
            if (entry.path().extension() != ".bpreset" || i == kLuts) continue;
            writeLutFile(root / "LUTs" / fmt::format("{:03}.cube", i++),
                         bakeLook(readPresetFile(entry.path()).carried, 33, fmt::format("LUT {}", i)),
                         LutFormat::Cube);
        }
}

/// Waits until every picture of the set has its thumbnail.
void awaitThumbnails(const PictureSet& set) {
    runUntil([&] {
        for (int i = 0; i < set.size(); ++i)
            if (set.at(i).thumbnail.isNull()) return false;
        return true;
    });
}

/// The rows of tiles in sight that have all their pictures.
bool isSightDrawn(PackagePage& page) {
    const auto* model = qobject_cast<PresetTileModel*>(page.tiles()->model());
    for (int row = 0; row < model->rowCount(); ++row) {
        if (!page.tiles()->visualRect(model->index(row)).intersects(page.tiles()->viewport()->rect())) continue;
        for (const QImage& image : model->tile(row).images)
            if (image.isNull()) return false;
    }
    return model->rowCount() > 0;
}

} // namespace

LibraryTimes libraryTimes(const fs::path& given, const fs::path& pictures, const fs::path& folder) {
    LibraryTimes times;
    const fs::path root = folder / "library";
    makeLibrary(given, root);
    const fs::path luts = folder / "luts";
    makeLuts(given, luts); // long before they are read: the disk is to be at rest
    qputenv("XDG_CACHE_HOME", (folder / "cache").c_str());
    for (int round = 0; round < 7; ++round) {
        QElapsedTimer clock;
        clock.start();
        if (Library(root).entries().size() != kPresets) qFatal("the library is not whole");
        times.open.push_back(since(clock));
    }
    for (int visit = 0; visit < 4; ++visit) {
        MainWindow window(root);
        window.resize(1280, 800);
        window.show();
        window.openPaths({pictures});
        PictureSet& set = window.state().pictures();
        awaitThumbnails(set);
        pause(500);
        PackagePage& page = *window.packagePage();
        QElapsedTimer clock;
        clock.start();
        window.showTask(AppTask::Package);
        if (visit == 0) {
            // The first visit draws everything; what is timed is drawing and nothing that was kept.
            runUntil([&] { return page.drawer().drawnCount() >= kPresets * kTilePictures; });
            times.coldTile = since(clock) / kPresets;
            pause(500);
            continue;
        }
        runUntil([&] { return isSightDrawn(page); });
        pause(1500);
        // Another screenful that this window has not shown yet, from the disk.
        if (page.drawer().drawnCount() > 0) qFatal("tiles were drawn that the disk has");
        auto* search = page.findChild<QLineEdit*>();
        const QString word = QStringLiteral("harvest 4");
        for (int n = 1; n <= word.size(); ++n) {
            clock.start();
            search->setText(word.left(n));
            page.tiles()->viewport()->repaint();
            times.keys.push_back(since(clock));
            pause(60);
        }
        search->clear();
        std::vector<int> nine;
        for (int i = 0; i < std::min(9, set.size()); ++i) nine.push_back(i);
        page.wall()->setPictures(nine);
        pause(800);
        for (int row = 0; row < 20; ++row) {
            bool drawn = false;
            const auto connection = QObject::connect(page.wall(), &CheckWall::drawn, [&] { drawn = true; });
            const auto* model = qobject_cast<PresetTileModel*>(page.tiles()->model());
            clock.start();
            page.wall()->setPresets({{QString(), *model->entry(row).preset}});
            runUntil([&] { return drawn; });
            page.wall()->repaint();
            times.hovers.push_back(since(clock));
            QObject::disconnect(connection);
        }
    }
    {
        QElapsedTimer clock;
        clock.start();
        if (Library(luts).entries().size() != kLuts) qFatal("the LUTs are not whole");
        times.lutsRead = since(clock) / kLuts;
        MainWindow window(luts);
        window.resize(1280, 800);
        window.show();
        window.openPaths({pictures});
        awaitThumbnails(window.state().pictures());
        pause(500);
        clock.start();
        window.showTask(AppTask::Package);
        runUntil([&] { return window.packagePage()->drawer().drawnCount() >= kLuts * kTilePictures; });
        times.lutTile = since(clock) / kLuts;
    }
    // Tiles alone, without the window's start around them: a drawer that finds a screenful on the disk.
    const auto entries = Library(root).entries();
    for (int visit = 0; visit < 7; ++visit) {
        TileDrawer drawer;
        int arrived = 0;
        QObject::connect(&drawer, &TileDrawer::drawn, [&](int, const QImage&) { ++arrived; });
        std::vector<TileDrawer::Tile> tiles;
        constexpr int screenful = 9 * kTilePictures;
        for (int i = 0; i < screenful; ++i) {
            Picture small(240, 160);
            tiles.push_back({i, entries[static_cast<std::size_t>(i)].preset->carried, small,
                             tileKey({QByteArrayLiteral("bench"), QByteArray::number(i)})});
        }
        QElapsedTimer clock;
        clock.start();
        drawer.draw(std::move(tiles));
        runUntil([&] { return arrived == screenful; });
        if (visit > 0) times.warm.push_back(since(clock));
    }
    return times;
}

} // namespace baryton::bench
