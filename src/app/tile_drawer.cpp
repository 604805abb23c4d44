#include "app/tile_drawer.h"
#include "app/render_image.h"

namespace baryton {

TileDrawer::TileDrawer(QObject* parent) : QObject(parent) {
    pool_.setMaxThreadCount(1); // each drawing uses all cores by itself
}

TileDrawer::~TileDrawer() {
    pool_.clear();
    pool_.waitForDone();
}

void TileDrawer::draw(std::vector<Tile> tiles) {
    pool_.clear();
    const int list = ++list_;
    for (Tile& tile : tiles)
        pool_.start([this, list, tile = std::move(tile)] {
            const QImage image = imageOf(tile.grade, tile.picture);
            QMetaObject::invokeMethod(this, [this, list, id = tile.id, image] {
                if (list == list_) Q_EMIT drawn(id, image);
            });
        });
}

} // namespace baryton
