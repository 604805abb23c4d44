#pragma once
#include "grade/grade.h"
#include "picture/picture.h"

#include <QImage>
#include <QObject>
#include <QThreadPool>
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
    };

    explicit TileDrawer(QObject* parent = nullptr);
    ~TileDrawer() override;

    void draw(std::vector<Tile> tiles); ///< in this order

Q_SIGNALS:
    void drawn(int id, const QImage& image);

private:
    QThreadPool pool_;
    int list_ = 0;
};

} // namespace baryton
