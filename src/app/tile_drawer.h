#pragma once
#include "grade/grade.h"
#include "picture/picture.h"

#include <QCache>
#include <QImage>
#include <QObject>
#include <QThreadPool>
#include <atomic>
#include <vector>

namespace baryton {

/// Draws small pictures with grades behind the window. A new list replaces what of the old one is not yet drawn, and
/// nothing of the old one is reported any more.
class TileDrawer : public QObject {
    Q_OBJECT
public:
    struct Tile {
        int id = 0;
        Grade grade;
        Picture picture;
        /// What the tile shows, as a name: tiles that have one are kept in memory and in the user's cache folder, and
        /// come from there when they are asked for again. Empty: drawn every time.
        QByteArray key = {};
        /// The image is cut and made smaller to fill this, so that it is painted as it is; empty: not at all.
        QSize fills = {};
    };

    explicit TileDrawer(QObject* parent = nullptr);
    ~TileDrawer() override;

    /// In this order. Tiles that are in memory are reported at once.
    void draw(std::vector<Tile> tiles);
    int drawnCount() const { return drawn_; } ///< how many were really drawn, and not found

Q_SIGNALS:
    void drawn(int id, const QImage& image);

private:
    QThreadPool pool_;
    QCache<QByteArray, QImage> kept_;
    int list_ = 0;
    std::atomic<int> drawn_ = 0;
};

/// A name for a tile, from all that it depends on: what is put on (LibraryEntry::contentId), how, on what.
QByteArray tileKey(const QByteArrayList& dependsOn);

/// The folder of tiles in the user's cache folder ($XDG_CACHE_HOME/baryton/tiles).
QString tileFolder();
/// Deletes the tiles that were used longest ago until the folder holds at most this many bytes.
void trimTileFolder(qint64 bytes);

} // namespace baryton
