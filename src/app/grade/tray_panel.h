#pragma once
#include "app/app_state.h"
#include "app/picture_model.h"

#include <QLabel>
#include <QListView>
#include <QSortFilterProxyModel>

namespace baryton {

/// The pictures of the set as thumbnails, graded live: sorted, filtered, and chosen by click, Ctrl, Shift or a band
/// drawn with the mouse.
class TrayPanel : public QWidget {
    Q_OBJECT
public:
    explicit TrayPanel(AppState& state, QWidget* parent = nullptr);
    QListView* list() const { return list_; }
    /// The place in the list of a picture, and the other way; −1 where it is filtered out.
    int rowOf(int picture) const;
    int pictureAt(int row) const;
    /// Thumbnails for a panel of this width, which is asked for.
    void setThumbnailWidth(int width);
    /// The width it had when the program was left.
    static int lastWidth();
    static constexpr int kLeastWidth = 112, kMostWidth = 280; ///< of the panel

Q_SIGNALS:
    void widthWanted(int width);

protected:
    bool eventFilter(QObject* watched, QEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;

private:
    void showName();
    QLabel* name_ = nullptr;
    void chooseUpTo(int row); ///< from the picture that was clicked last
    void takeSelection();
    void showSelection();

    AppState& state_;
    PictureModel* model_;
    QSortFilterProxyModel* sorted_;
    QListView* list_;
    ThumbnailDelegate* delegate_;
    bool showing_ = false;
    int anchor_ = -1; ///< the picture that was clicked last, from which Shift chooses
};

} // namespace baryton
