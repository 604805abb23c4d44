#pragma once
#include "app/app_state.h"
#include "app/tile_drawer.h"

#include <QWidget>
#include <map>

namespace baryton {

/// The check pictures side by side, as large as the room allows, each with a preset on it; with two presets each
/// picture stands twice, so that they can be compared.
class CheckWall : public QWidget {
    Q_OBJECT
public:
    /// How the pictures stand there before the preset is put on.
    enum class Ground { Bare, AsGraded };
    struct Worn {
        QString name;
        Preset preset;
    };

    explicit CheckWall(AppState& state, QWidget* parent = nullptr);

    void setPictures(const std::vector<int>& pictures);
    void setGround(Ground ground);
    void setHow(ApplyMode mode, double strength);
    /// None, one or two presets; none shows the pictures without.
    void setPresets(const std::vector<Worn>& presets);
    /// What is drawn of a picture with the first or second preset; null until it is.
    QImage image(int picture, int preset = 0) const;
    QSize minimumSizeHint() const override { return {200, 120}; }

Q_SIGNALS:
    void drawn(); ///< all that is shown is drawn

protected:
    void paintEvent(QPaintEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;
    void showEvent(QShowEvent* event) override;

private:
    struct Layout {
        int columns = 1, rows = 1;
        QSizeF cell;
    };
    Layout layoutFor(std::size_t count) const;
    QRectF cell(std::size_t picture, std::size_t preset) const;
    void redraw();

    AppState& state_;
    std::vector<int> pictures_;
    std::vector<Worn> presets_;
    Ground ground_ = Ground::Bare;
    ApplyMode mode_ = ApplyMode::AddAbove;
    double strength_ = 1;
    std::map<int, Picture> sources_;
    QSize sourceSize_;
    std::map<int, QImage> images_; ///< by picture · 2 + preset
    std::set<int> awaited_;
    TileDrawer drawer_;
};

} // namespace baryton
