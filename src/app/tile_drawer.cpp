#include "app/tile_drawer.h"
#include "app/behind.h"
#include "app/picture_model.h"
#include "app/render_image.h"

#include <QCryptographicHash>
#include <QDateTime>
#include <QDir>
#include <QPainter>
#include <QSaveFile>
#include <QStandardPaths>

namespace baryton {

namespace {

constexpr int kKeptKilobytes = 192 << 10;
/// Counts the ways of drawing: tiles drawn by an older program are not used.
const QByteArray kDrawing = QByteArrayLiteral("3");

QString fileOf(const QByteArray& key) {
    return tileFolder() + u'/' + QString::fromLatin1(key.left(2)) + u'/' + QString::fromLatin1(key) +
           QStringLiteral(".jpg");
}

QImage readTile(const QByteArray& key) {
    QImage image(fileOf(key));
    return image.isNull() ? image : image.convertToFormat(QImage::Format_RGB32);
}

void writeTile(const QByteArray& key, const QImage& image) {
    const QString file = fileOf(key);
    QDir().mkpath(QFileInfo(file).path());
    QSaveFile out(file); // a cache that can't be written is none: nothing to tell
    if (out.open(QIODevice::WriteOnly) && image.save(&out, "JPG", 95)) out.commit();
}

QImage filling(const QImage& image, QSize size) {
    QImage filled(size, QImage::Format_RGB32);
    filled.fill(Qt::black);
    QPainter painter(&filled);
    drawFilling(painter, QRectF(QPointF(), size), image);
    return filled;
}

} // namespace

TileDrawer::TileDrawer(QObject* parent) : QObject(parent), kept_(kKeptKilobytes) {
    pool_.setMaxThreadCount(1); // each drawing uses all cores by itself
}

TileDrawer::~TileDrawer() {
    pool_.clear();
    waitFor(pool_);
}

void TileDrawer::draw(std::vector<Tile> tiles) {
    pool_.clear();
    const int list = ++list_;
    for (Tile& tile : tiles) {
        const QByteArray keptAs = tile.key.isEmpty()     ? QByteArray()
                                  : tile.fills.isEmpty() ? tile.key
                                                         : tile.key + ' ' + QByteArray::number(tile.fills.width()) +
                                                               ' ' + QByteArray::number(tile.fills.height());
        if (!keptAs.isEmpty())
            if (const QImage* kept = kept_.object(keptAs)) {
                Q_EMIT drawn(tile.id, *kept);
                continue;
            }
        runBehind(pool_, [this, list, keptAs, tile = std::move(tile)] {
            QImage image;
            try {
                if (!tile.key.isEmpty()) image = readTile(tile.key);
                if (image.isNull()) {
                    image = imageOf(tile.grade, tile.picture);
                    ++drawn_;
                    if (!tile.key.isEmpty()) writeTile(tile.key, image);
                }
                if (!tile.fills.isEmpty()) image = filling(image, tile.fills);
            } catch (const std::exception&) {
                return; // no memory for it just now: it stays empty, and is drawn when it is asked for again
            }
            tellWindow(this, [this, list, id = tile.id, keptAs, image] {
                if (!keptAs.isEmpty())
                    kept_.insert(keptAs, new QImage(image), static_cast<int>(image.sizeInBytes() >> 10) + 1);
                if (list == list_) Q_EMIT drawn(id, image);
            });
        });
    }
}

QByteArray tileKey(const QByteArrayList& dependsOn) {
    QCryptographicHash hash(QCryptographicHash::Sha1);
    hash.addData(kDrawing + '\0' + QByteArray::fromStdString(screenId()) + '\0' + dependsOn.join('\0'));
    return hash.result().toHex();
}

QString tileFolder() {
    return QStandardPaths::writableLocation(QStandardPaths::GenericCacheLocation) + QStringLiteral("/baryton/tiles");
}

void trimTileFolder(qint64 bytes) {
    QFileInfoList files;
    for (const QFileInfo& folder : QDir(tileFolder()).entryInfoList(QDir::Dirs | QDir::NoDotAndDotDot))
        files += QDir(folder.filePath()).entryInfoList(QDir::Files);
    std::sort(files.begin(), files.end(), [](const QFileInfo& a, const QFileInfo& b) {
        return a.lastModified() > b.lastModified(); // newest first
    });
    for (const QFileInfo& file : files) {
        bytes -= file.size();
        if (bytes < 0) QFile::remove(file.filePath());
    }
}

} // namespace baryton
