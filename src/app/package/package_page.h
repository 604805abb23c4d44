#pragma once
#include "app/app_state.h"
#include "app/package/check_wall.h"
#include "app/package/group_list.h"
#include "app/package/preset_details.h"
#include "app/tile_drawer.h"
#include "app/widgets/segments.h"

#include <QComboBox>
#include <QLineEdit>
#include <QListView>
#include <QSplitter>
#include <QWidget>

namespace baryton {

class PresetTileModel;

/// The Package task: groups, presets drawn for real on the check pictures, the one that is pointed at on all of them,
/// and what the chosen one carries.
class PackagePage : public QWidget {
    Q_OBJECT
public:
    /// How many check pictures there can be at most.
    static constexpr int kMostChecks = 9;

    explicit PackagePage(AppState& state, QWidget* parent = nullptr);
    QListView* tiles() const { return tiles_; }
    CheckWall* wall() const { return wall_; }
    GroupList* groups() const { return groups_; }
    PresetDetails* details() const { return details_; }
    TileDrawer& drawer() { return drawer_; }
    void exportPack(const QString& group = {});
    /// The chosen presets as LUT files, or all of a group.
    void exportLuts(const QString& group = {});
    /// The two that are chosen, beside each other.
    void compareTwo();
    void openStarts();
    void renameChosen() { details_->rename(); }
    void deleteChosen();
    void toggleSelectedFavourite();

protected:
    void showEvent(QShowEvent* event) override;
    bool eventFilter(QObject* watched, QEvent* event) override;

    /// On a small screen its panels scroll.
    QSize minimumSizeHint() const override { return {720, 400}; }

private:
    QWidget* makeLeft();
    QWidget* makeMiddle();
    QWidget* makeRight();
    void fill();   ///< the library has changed
    void filter(); ///< what is searched for, the group or the order has
    void fillTiles();
    void redraw();
    void chooseChecks();
    void showChosen();
    void showOnWall(int hovered);
    void openMenu(QPoint at);
    std::vector<LibraryEntry> selected() const;
    /// Where two are chosen, and can be used.
    std::optional<std::pair<LibraryEntry, LibraryEntry>> chosenTwo() const;
    /// Those of a group; without one those chosen, or where that is but one, all in sight.
    std::vector<LibraryEntry> exported(const QString& group) const;
    std::vector<int> checkPictures() const;
    std::vector<SourceFile> checkSources() const;
    QString checksKey() const;

    AppState& state_;
    QLineEdit* search_;
    GroupList* groups_;
    QListView *checks_, *tiles_;
    PresetTileModel* model_;
    QLabel *groupName_, *count_;
    QComboBox* sort_;
    Segments* ground_;
    QPushButton* compare_; ///< live while two are chosen
    CheckWall* wall_;
    QSplitter* split_;
    PresetDetails* details_;
    TileDrawer drawer_;
    QTimer redrawTimer_, detailTimer_;
    std::filesystem::path chosenFile_;
    std::filesystem::path addedLast_; ///< in the library, as it was seen here
    std::map<int, Picture> sources_;  ///< check pictures at the size of tiles
    int hovered_ = -1;
    std::vector<QString> searched_; ///< what the search looks through, for each preset
    bool filling_ = false;
};

} // namespace baryton
