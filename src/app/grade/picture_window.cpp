#include "app/grade/picture_window.h"
#include "app/grade/framed_image.h"
#include "app/guide/guide_of.h"
#include "app/settings.h"

#include <QCloseEvent>
#include <QGuiApplication>
#include <QMenu>
#include <QScreen>
#include <QVBoxLayout>
#include <QWindow>
#include <cmath>
#include <utility>

namespace baryton {

namespace {

const QString kPlaceName = QStringLiteral("picture-window");
const QString kFollowsName = QStringLiteral("picture-window-follows");

} // namespace

PictureWindow::PictureWindow(AppState& state, GradePage& page) : state_(state), page_(page), view_(new PictureView) {
    setGuide(this, QStringLiteral("guide/window#") + tr("A second window"));
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->addWidget(view_);
    resize(900, 640);
    view_->setAccessibleName(tr("Picture in the second window"));
    view_->setFocus();
    follows_ = layoutState(kFollowsName) == "yes";
    // While a control moves the view under the hand comes first: this one follows at a slower pace.
    constexpr auto pace = std::chrono::milliseconds(40);
    pace_.setSingleShot(true);
    pace_.setInterval(pace);
    connect(&pace_, &QTimer::timeout, this, &PictureWindow::requestNow);
    connect(&page_, &GradePage::shownChanged, this, &PictureWindow::refresh);
    connect(view_, &PictureView::regionChanged, this, [this] {
        request();
        follow(view_, page_.view());
    });
    connect(page_.view(), &PictureView::regionChanged, this, [this] { follow(page_.view(), view_); });
    connect(&preview_, &PreviewService::frameReady, this, &PictureWindow::showFrame);
    connect(&preview_, &PreviewService::failed, view_, &PictureView::setNotice);
    refresh();
    follow(page_.view(), view_);
}

void PictureWindow::setVersion(GradePage::Version version) {
    version_ = version;
    refresh();
}

void PictureWindow::setFollowing(bool follows) {
    follows_ = follows;
    rememberLayout(kFollowsName, follows ? "yes" : "no");
    follow(page_.view(), view_);
}

void PictureWindow::follow(const PictureView* from, PictureView* to) {
    // One picture in two windows: what the one does to the other is not done back.
    if (!follows_ || isFollowingNow_ || from->pictureSize() != to->pictureSize()) return;
    isFollowingNow_ = true;
    to->showPlace(from->place());
    isFollowingNow_ = false;
}

void PictureWindow::showBeside(const QWidget* window) {
    const QByteArray place = layoutState(kPlaceName);
    const auto screens = QGuiApplication::screens();
    const auto other =
        std::find_if(screens.begin(), screens.end(), [&](const QScreen* each) { return each != window->screen(); });
    if (place.isEmpty() && other != screens.end()) {
        // Filling it: under Wayland only then may a program say which one.
        setScreen(*other);
        setGeometry((*other)->geometry());
        return showFullScreen();
    }
    restoreGeometry(place);
    show();
}

void PictureWindow::toggleFullScreen() {
    setWindowState(windowState() ^ Qt::WindowFullScreen);
}

void PictureWindow::refresh() {
    const auto before = std::exchange(shown_, page_.shown(version_));
    const QString name = state_.hasKey() ? state_.pictures().at(state_.key()).name() : QString();
    setWindowTitle(name.isEmpty() ? tr("Picture – Baryton") : tr("%1, the picture – Baryton").arg(name));
    if (!shown_) {
        ++scene_;
        view_->setPictureSize({});
        view_->setNotice(version_ == GradePage::Version::Reference
                             ? tr("No reference yet: Picture, Reference picture… takes one.")
                         : page_.view()->notice().isEmpty() ? tr("No picture is open.")
                                                            : page_.view()->notice());
        return;
    }
    const QSize size(shown_->picture->width(), shown_->picture->height());
    if (!before || before->scene != shown_->scene || before->framing.has_value() != shown_->framing.has_value())
        ++scene_;
    if (!before || before->picture->width() != size.width() || before->picture->height() != size.height() ||
        before->index != shown_->index) {
        ++scene_;
        view_->setPictureSize(size); // asks for its pixels
        return follow(page_.view(), view_);
    }
    request();
}

void PictureWindow::request() {
    isDue_ = true;
    if (!pace_.isActive()) requestNow();
}

void PictureWindow::requestNow() {
    if (!std::exchange(isDue_, false) || !shown_) return;
    pace_.start();
    PreviewRequest request;
    request.picture = shown_->picture;
    request.grade = shown_->grade;
    request.wantsAccounts = false;
    request.scene = scene_;
    const PictureView::Region region = view_->region();
    request.region = {region.left, region.top, region.width, region.height, region.scale};
    if (shown_->framing) {
        // All of it, as large as its frame will be seen.
        const QSize size = view_->pictureSize(), framed = framedSize(*shown_->framing, size);
        const QSize room = view_->size() * view_->devicePixelRatioF();
        const double scale =
            std::min({double(room.width()) / framed.width(), double(room.height()) / framed.height(), 1.0});
        request.region = {0, 0, std::max(1, static_cast<int>(std::lround(size.width() * scale))),
                          std::max(1, static_cast<int>(std::lround(size.height() * scale))), scale};
    }
    preview_.request(std::move(request));
}

void PictureWindow::showFrame(const PreviewFrame& frame) {
    if (frame.scene != scene_ || !shown_) return;
    const ViewRegion& r = frame.region;
    view_->setWholeBefore(shown_->framing ? framedImage(frame.after, *shown_->framing, view_->pictureSize(),
                                                        view_->size() * view_->devicePixelRatioF())
                                          : QImage());
    view_->setCompare(shown_->framing ? PictureView::Compare::Before : PictureView::Compare::After);
    view_->setImages(frame.after, {}, {r.left, r.top, r.width, r.height, r.scale});
}

void PictureWindow::contextMenuEvent(QContextMenuEvent* event) {
    auto* menu = new QMenu(this);
    menu->setAttribute(Qt::WA_DeleteOnClose);
    using Version = GradePage::Version;
    for (const auto& [version, text] : {std::pair(Version::Now, tr("Show what Grade shows")),
                                        std::pair(Version::Before, tr("Show the version before")),
                                        std::pair(Version::Reference, tr("Show the reference"))}) {
        QAction* action = menu->addAction(text, this, [this, version = version] { setVersion(version); });
        action->setCheckable(true);
        action->setChecked(version == version_);
    }
    menu->addSeparator();
    QAction* place = menu->addAction(tr("The same place as in Grade"), this, &PictureWindow::setFollowing);
    place->setCheckable(true);
    place->setChecked(follows_);
    menu->addAction(tr("Fit the window"), view_, &PictureView::fit);
    menu->addAction(tr("Full size (100 %)"), this, [this] { view_->zoomTo(1); });
    menu->addSeparator();
    menu->addAction(tr("Full screen"), this, &PictureWindow::toggleFullScreen);
    menu->addAction(tr("Close"), this, &QWidget::close);
    menu->popup(event->globalPos());
}

void PictureWindow::keyPressEvent(QKeyEvent* event) {
    if (event->key() == Qt::Key_Escape && isFullScreen()) return toggleFullScreen();
    QWidget::keyPressEvent(event);
}

void PictureWindow::closeEvent(QCloseEvent* event) {
    rememberLayout(kPlaceName, saveGeometry());
    event->accept();
    Q_EMIT closed();
}

} // namespace baryton
