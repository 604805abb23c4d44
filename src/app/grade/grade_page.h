#pragma once
#include "app/app_state.h"
#include "app/grade/chain_view.h"
#include "app/grade/editor_panel.h"
#include "app/grade/shelf.h"
#include "app/preview_service.h"
#include "app/widgets/histogram_view.h"
#include "app/widgets/picture_view.h"

#include <QComboBox>
#include <QListView>
#include <QStackedWidget>

namespace baryton {

/// The Grade task: tray or shelf, the picture with its compare bar, the editor, and the chain with the scope below.
class GradePage : public QWidget {
    Q_OBJECT
public:
    explicit GradePage(AppState& state, QWidget* parent = nullptr);

    PictureView* view() const { return view_; }
    ChainView* chain() const { return chain_; }
    EditorPanel* editorPanel() const { return panel_; }
    QListView* tray() const { return tray_; }
    Shelf* shelf() const { return shelf_; }

    void showShelf(bool shown);
    bool isShelfShown() const { return left_->currentIndex() == 1; }
    /// Held: the version before is shown as long as it is held.
    void holdBefore(bool held);
    void setWipe(bool on);
    bool isWiping() const { return wipe_->isChecked(); }
    void savePreset();
    void exportLut();

Q_SIGNALS:
    /// What the pointer is on, and how long the last frame took, for the status bar.
    void pointerText(const QString& text);
    void pictureText(const QString& text);
    void frameTime(double milliseconds);
    void wipeChanged(bool on);

protected:
    bool eventFilter(QObject* watched, QEvent* event) override;
    void showEvent(QShowEvent* event) override;

private:
    QWidget* makeCompareBar();
    QWidget* makeBand();
    void keyChanged();
    void requestFrame();
    void updateCompare();
    void showPointer(QPointF picture);
    void clearPointer();
    void showZoom();
    void startPick(const QString& what, std::function<void(std::array<float, 3>)> take);

    AppState& state_;
    PreviewService preview_;
    PictureView* view_;
    ChainView* chain_;
    EditorPanel* panel_;
    HistogramView* histogram_;
    QStackedWidget* left_;
    QListView* tray_;
    Shelf* shelf_;
    QPushButton *before_, *wipe_, *fit_, *full_;
    QComboBox* beforeMeans_;
    QLabel* zoom_;
    LoadedPicture loaded_;
    int loadedFor_ = -1;
    bool held_ = false;
    std::function<void(std::array<float, 3>)> pick_;
    struct PointerPrograms {
        Program all, input; ///< the whole grade, and what stands before the chosen stage
    };
    std::optional<PointerPrograms> pointer_; ///< compiled once for many moves of the pointer
};

} // namespace baryton
