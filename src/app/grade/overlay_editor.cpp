#include "app/grade/overlay_editor.h"
#include "app/carried_files.h"
#include "app/theme/theme.h"
#include "app/widgets/labels.h"
#include "picture/picture_file.h"

#include <QDragEnterEvent>
#include <QFileDialog>
#include <QHBoxLayout>
#include <QLineF>
#include <QMimeData>
#include <QPainter>
#include <algorithm>
#include <cmath>
#include <numbers>

namespace baryton {

namespace {

constexpr int kThumbnail = 84; ///< px
constexpr double kArm = 0.16;  ///< of the lever, in frame heights

QPointF turned(QPointF p, double angle) {
    return {p.x() * std::cos(angle) - p.y() * std::sin(angle), p.x() * std::sin(angle) + p.y() * std::cos(angle)};
}

/// The picture on a checked ground, which shows where it is transparent; a grey place without one.
QPixmap thumbnailOf(const PictureContent& picture, double ratio) {
    const int side = static_cast<int>(kThumbnail * ratio);
    const QImage image = carriedThumbnail(picture, side);
    QImage out(side, side * 2 / 3, QImage::Format_ARGB32_Premultiplied);
    out.fill(theme::colours().well);
    QPainter p(&out);
    const QRect all = out.rect();
    if (image.isNull()) {
        p.setPen(QPen(theme::colours().faint, ratio, Qt::DashLine));
        p.drawRect(all.adjusted(1, 1, -2, -2));
    } else {
        const QSize size = image.size().scaled(all.size(), Qt::KeepAspectRatio).expandedTo({1, 1});
        const QRect place(QPoint((all.width() - size.width()) / 2, (all.height() - size.height()) / 2), size);
        if (image.hasAlphaChannel()) p.fillRect(place, QBrush(theme::colours().faint, Qt::Dense4Pattern));
        p.setRenderHint(QPainter::SmoothPixmapTransform);
        p.drawImage(place, image);
    }
    p.end();
    QPixmap pixmap = QPixmap::fromImage(out);
    pixmap.setDevicePixelRatio(ratio);
    return pixmap;
}

} // namespace

OverlayEditor::OverlayEditor(AppState& state, const std::string& stageId, QWidget* parent)
    : StageEditor(state, stageId, parent), thumbnail_(new QLabel), account_(new StillText(3)),
      choose_(makeButton(tr("Choose a picture…"), "")), takeOut_(makeButton(tr("Take out"), "")) {
    QVBoxLayout* layout = startLayout();
    auto* head = new QHBoxLayout;
    head->setSpacing(10);
    thumbnail_->setAccessibleName(tr("The picture that is laid over"));
    head->addWidget(thumbnail_, 0, Qt::AlignTop);
    head->addWidget(account_, 1);
    layout->addLayout(head);
    choose_->setToolTip(tr("A picture file of any kind that can be opened here; it can be dropped here as well"));
    connect(choose_, &QPushButton::clicked, this, &OverlayEditor::choosePicture);
    takeOut_->setToolTip(tr("Nothing is laid over any more; the settings stay"));
    connect(takeOut_, &QPushButton::clicked, this, [this] { set({{"picture", PictureContent{}}}, true); });
    auto* buttons = new QHBoxLayout;
    buttons->addWidget(choose_);
    buttons->addWidget(takeOut_);
    buttons->addStretch(1);
    layout->addLayout(buttons);
    layout->addSpacing(4);
    addChoice(layout, "blend");
    for (const char* parameter : {"scale", "turn", "shift.x", "shift.y"}) addRow(layout, parameter);
    addToggle(layout, "mirror");
    layout->addSpacing(4);
    for (const char* parameter : {"blur.length", "blur.angle"}) addRow(layout, parameter);
    layout->addStretch(1);
    setAcceptDrops(true);
    OverlayEditor::refresh();
}

PictureContent OverlayEditor::picture() const {
    return ParameterReader(type(), stage()).picture("picture");
}

void OverlayEditor::refresh() {
    if (stage().type != kOverlayType) return;
    refreshRows();
    const PictureContent now = picture();
    const QString name = QString::fromStdString(now.name);
    if (now != shown_ || thumbnail_->pixmap().isNull()) thumbnail_->setPixmap(thumbnailOf(now, devicePixelRatioF()));
    shown_ = now;
    takeOut_->setEnabled(!now.name.empty());
    if (!reading_.isEmpty())
        account_->setText(tr("%1 is being read…").arg(reading_));
    else if (now.name.empty())
        account_->setText(tr("Choose what is laid over, or drop a picture file here: steam, dust, paper, a flare."));
    else if (carriedThumbnail(now, kThumbnail).isNull())
        account_->setText(tr("“%1” did not come along whole: nothing is laid over. Choose it again.").arg(name));
    else
        account_->setText(name + u'\n' + tr("goes along in presets"));
}

void OverlayEditor::choosePicture() {
    QStringList patterns;
    for (const std::string& extension : readableExtensions())
        patterns.append(QStringLiteral("*.") + QString::fromStdString(extension));
    auto* dialog = new QFileDialog(window(), tr("Choose a picture to lay over"), {},
                                   tr("Pictures (%1);;All files (*)").arg(patterns.join(u' ')));
    dialog->setAttribute(Qt::WA_DeleteOnClose);
    dialog->setFileMode(QFileDialog::ExistingFile);
    connect(dialog, &QFileDialog::fileSelected, this, [this](const QString& file) { take(file.toStdString()); });
    dialog->open();
}

void OverlayEditor::take(const std::filesystem::path& file) {
    reading_ = QString::fromStdString(file.filename().string());
    refresh();
    // What was chosen for one picture is not laid over another, nor what was chosen before something else.
    const std::filesystem::path picture = state_.pictures().at(state_.key()).file;
    state_.carriedFiles().read(file, this, [this, picture, wish = ++wish_](const CarriedFiles::Result& result) {
        if (wish != wish_) return;
        reading_.clear();
        if (!state_.hasKey() || state_.pictures().at(state_.key()).file != picture || stage().type != kOverlayType)
            return refresh();
        if (!result.problem.isEmpty()) {
            refresh();
            return state_.tell(result.problem, true);
        }
        std::map<std::string, Value> values{{"picture", result.picture}};
        // The first one says by its tones how it is meant; after that it is the hand that says so.
        if (this->picture().name.empty() && !stage().parameters.contains("blend"))
            values["blend"] = blendModes()[static_cast<std::size_t>(result.blend)].id;
        set(values, true);
        for (const QString& remark : result.remarks) state_.tell(remark);
    });
}

void OverlayEditor::dragEnterEvent(QDragEnterEvent* event) {
    const QList<QUrl> urls = event->mimeData()->urls();
    if (urls.size() == 1 && urls.front().isLocalFile()) event->acceptProposedAction();
}

void OverlayEditor::dropEvent(QDropEvent* event) {
    event->acceptProposedAction();
    take(event->mimeData()->urls().front().toLocalFile().toStdString());
}

QPolygonF OverlayEditor::outline() const {
    const OverlayPlace p = place();
    const QPointF centre(p.centreX, p.centreY);
    QPolygonF corners;
    for (const QPointF& corner : {QPointF(-1, -1), QPointF(1, -1), QPointF(1, 1), QPointF(-1, 1), QPointF(-1, -1)})
        corners.append(centre + turned({corner.x() * p.width / 2, corner.y() * p.height / 2}, p.turn));
    return corners;
}

QPointF OverlayEditor::turnHandle() const {
    const OverlayPlace p = place();
    return QPointF(p.centreX, p.centreY) + turned({0, -kArm}, p.turn);
}

std::optional<QPointF> OverlayEditor::sizeHandle() const {
    const QPolygonF corners = outline();
    constexpr double inside = 0.005; // a corner on the frame's own is hard to get hold of
    const QRectF frame(inside, inside, 1 - 2 * inside, 1 - 2 * inside);
    if (std::any_of(corners.begin(), corners.end(), [&](const QPointF& c) { return frame.contains(share(c)); }))
        return std::nullopt;
    const OverlayPlace p = place();
    return QPointF(p.centreX, p.centreY) + turned({kArm, 0}, p.turn);
}

PictureFigure OverlayEditor::figure() const {
    PictureFigure figure;
    const OverlayPlace p = place();
    if (p.width == 0) return figure;
    const QPolygonF corners = outline();
    const QPointF centre(p.centreX, p.centreY);
    const auto line = [&](const QPolygonF& points, bool isFaint) {
        QPolygonF shares;
        for (const QPointF& each : points) shares.append(share(each));
        figure.lines.append({shares, isFaint, {}});
    };
    line(corners, false);
    line({centre, turnHandle()}, true);
    figure.handles = {share(centre), share(turnHandle())};
    if (const auto handle = sizeHandle()) {
        line({centre, *handle}, true);
        figure.handles.append(share(*handle));
    }
    for (qsizetype i = 0; i < 4; ++i) figure.handles.append(share(corners[i]));
    return figure;
}

OverlayEditor::Pull OverlayEditor::pull(QPointF at, QSizeF reach) const {
    const QPointF here = heights(at);
    const auto isNear = [&](QPointF handle) { return QLineF(here, handle).length() < reach.height(); };
    if (isNear(turnHandle())) return Pull::Turn;
    if (const auto handle = sizeHandle(); handle && isNear(*handle)) return Pull::Size;
    const QPolygonF corners = outline();
    return std::any_of(corners.begin(), corners.end(), isNear) ? Pull::Size : Pull::Place;
}

Qt::CursorShape OverlayEditor::pullAt(QPointF at, QSizeF reach) const {
    if (place().width == 0) return Qt::ArrowCursor;
    const Pull wanted = pull(at, reach);
    return wanted == Pull::Turn ? Qt::CrossCursor : wanted == Pull::Size ? Qt::SizeFDiagCursor : Qt::SizeAllCursor;
}

void OverlayEditor::startPull(QPointF at, QSizeF reach) {
    pull_ = pull(at, reach);
    from_ = heights(at);
    pulledFrom_ = place();
}

void OverlayEditor::pullTo(QPointF at) {
    const OverlayPlace& p = pulledFrom_;
    if (p.width == 0) return;
    const QPointF here = heights(at), centre(p.centreX, p.centreY);
    switch (pull_) {
    case Pull::Place: {
        // In smaller steps than are typed: a hand sees where it puts things.
        const QPointF to = share(centre + here - from_);
        const ParameterType& x = *type().parameter("shift.x");
        const auto fine = [&](double v) {
            return std::clamp(std::round((v - 0.5) * 1000) / 1000, x.minimum, x.maximum);
        };
        return set({{"shift.x", fine(to.x())}, {"shift.y", fine(to.y())}}, false);
    }
    case Pull::Size: {
        const double by = QLineF(centre, here).length() / std::max(QLineF(centre, from_).length(), 1e-6);
        const OverlayPlace whole = [&] {
            Stage full = stage();
            full.parameters.erase("scale");
            return overlayPlace(full, aspect());
        }();
        return set({{"scale", kept("scale", p.width * by / whole.width)}}, false);
    }
    case Pull::Turn: {
        const auto angle = [&](QPointF from) { return std::atan2((from - centre).y(), (from - centre).x()); };
        const double turn = (p.turn + angle(here) - angle(from_)) * 180 / std::numbers::pi;
        return set({{"turn", kept("turn", std::remainder(turn, 360))}}, false);
    }
    }
}

} // namespace baryton
