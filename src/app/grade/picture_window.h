#pragma once
#include "app/grade/grade_page.h"
#include "app/preview_service.h"
#include "app/widgets/picture_view.h"

#include <QTimer>
#include <QWidget>

namespace baryton {

/// The key picture alone, in a window of its own for a second monitor: nothing beside it, nothing over it. It shows
/// what Grade shows of it, or always the version before, or the reference, so that two versions stand on two
/// monitors; at a place of its own or at that of Grade's view. While the frame is worked on it shows what lies in it.
class PictureWindow : public QWidget {
    Q_OBJECT
public:
    PictureWindow(AppState& state, GradePage& page);

    PictureView* view() const { return view_; }
    const PreviewService& preview() const { return preview_; }
    void setVersion(GradePage::Version version);
    GradePage::Version version() const { return version_; }
    /// Whether it and Grade's view show the same place of the picture; kept for the next start.
    void setFollowing(bool follows);
    bool isFollowing() const { return follows_; }
    /// Where it was last; at the first time it fills another screen than that of a window, if there is one.
    void showBeside(const QWidget* window);
    void toggleFullScreen();
    void refresh(); ///< what is to be seen, or how it is fitted to the monitor, may be another

Q_SIGNALS:
    void closed();

protected:
    void closeEvent(QCloseEvent* event) override;
    void contextMenuEvent(QContextMenuEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;

private:
    void request(); ///< pixels of what is seen, soon
    void requestNow();
    void showFrame(const PreviewFrame& frame);
    void follow(const PictureView* from, PictureView* to);

    AppState& state_;
    GradePage& page_;
    PreviewService preview_{Monitor::Second};
    PictureView* view_;
    GradePage::Version version_ = GradePage::Version::Now;
    std::optional<GradePage::Shown> shown_;
    QTimer pace_; ///< until the next request may go
    bool isDue_ = false;
    int scene_ = 0; ///< counts what has places of its own
    bool follows_ = false, isFollowingNow_ = false;
};

} // namespace baryton
