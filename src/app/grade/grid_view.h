#pragma once
#include "app/app_state.h"
#include "app/tile_drawer.h"

#include <QWidget>

namespace baryton {

/// The chosen pictures of the tray together, up to nine, with the grades that are shown: what is tried is seen on
/// all. A click makes a picture the key picture. Or the versions of the key picture, its start, its takes and what is
/// in hand; there a click goes on from one.
class GridView : public QWidget {
    Q_OBJECT
public:
    static constexpr std::size_t kMost = 9;

    explicit GridView(AppState& state, QWidget* parent = nullptr);
    /// Shows the version before of each instead.
    void showBefore(bool before);
    /// Shows the versions of the key picture instead of several pictures.
    void showVersions(bool on);
    bool showsVersions() const { return showsVersions_; }
    const std::vector<AppState::Version>& versions() const { return versions_; }
    /// The pictures that are shown.
    const std::vector<int>& shown() const { return shown_; }
    QImage image(int index) const;
    QRectF cell(std::size_t place) const;

Q_SIGNALS:
    void drawn(); ///< all cells show what they should

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void showEvent(QShowEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;

private:
    void choose();
    void redraw();

    AppState& state_;
    bool isBefore_ = false, showsVersions_ = false, sourcesAreWhole_ = false;
    std::vector<AppState::Version> versions_;
    std::size_t count() const { return showsVersions_ ? versions_.size() : shown_.size(); }
    void fillVersions();
    void paintCell(QPainter& painter, std::size_t place) const;
    std::vector<int> shown_;
    std::map<int, QImage> images_;
    std::set<int> awaited_;
    std::map<int, Picture> sources_; ///< at the size of a cell, so that no more is graded than is seen
    QSize sourceSize_;
    TileDrawer drawer_;
};

} // namespace baryton
