#include "app/grade/grade_page.h"
#include "app/grade/sheets.h"
#include "app/picture_model.h"
#include "app/render_image.h"
#include "app/theme/theme.h"
#include "app/widgets/labels.h"
#include "colour/spaces.h"

#include <QHBoxLayout>
#include <QKeyEvent>
#include <QMouseEvent>
#include <QScrollArea>
#include <QScrollBar>
#include <QVBoxLayout>
#include <cmath>
#include <numbers>

namespace baryton {

namespace {

constexpr int kTrayWidth = 112, kShelfWidth = 216, kBandHeight = 150;

ViewRegion toViewRegion(const PictureView::Region& r) {
    return {r.left, r.top, r.width, r.height, r.scale};
}
PictureView::Region fromViewRegion(const ViewRegion& r) {
    return {r.left, r.top, r.width, r.height, r.scale};
}

QVector<double> counts(const std::array<std::uint32_t, 256>& from) {
    return QVector<double>(from.begin(), from.end());
}

int level(float v) {
    return static_cast<int>(std::lround(std::clamp(v, 0.0F, 1.0F) * 255));
}

} // namespace

GradePage::GradePage(AppState& state, QWidget* parent)
    : QWidget(parent), state_(state), view_(new PictureView), chain_(new ChainView(state)),
      panel_(new EditorPanel(state)), histogram_(new HistogramView), left_(new QStackedWidget), tray_(new QListView),
      shelf_(new Shelf(state)) {
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    auto* upper = new QHBoxLayout;
    upper->setSpacing(1);

    auto* trayPanel = new QWidget;
    trayPanel->setObjectName(QStringLiteral("panel"));
    trayPanel->setAttribute(Qt::WA_StyledBackground);
    auto* trayLayout = new QVBoxLayout(trayPanel);
    trayLayout->setContentsMargins(4, 8, 0, 0);
    trayLayout->setSpacing(4);
    auto* setName = makeLabel({}, "second");
    trayLayout->addWidget(setName);
    tray_->setModel(new PictureModel(state.pictures(), this));
    tray_->setItemDelegate(new ThumbnailDelegate(tray_));
    tray_->setAccessibleName(tr("Tray"));
    tray_->setMouseTracking(true);
    tray_->setVerticalScrollMode(QAbstractItemView::ScrollPerPixel);
    tray_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    tray_->setStyleSheet(QStringLiteral("QListView { background: transparent; }"));
    trayLayout->addWidget(tray_, 1);
    left_->addWidget(trayPanel);
    left_->addWidget(shelf_);
    left_->setFixedWidth(kTrayWidth);
    upper->addWidget(left_);

    auto* middle = new QVBoxLayout;
    middle->setSpacing(0);
    middle->addWidget(makeCompareBar());
    middle->addWidget(view_, 1);
    upper->addLayout(middle, 1);
    upper->addWidget(panel_);
    layout->addLayout(upper, 1);
    layout->addSpacing(1);
    layout->addWidget(makeBand());

    connect(&state.pictures(), &PictureSet::opened, this, [this, setName] {
        loadedFor_ = -1;
        const QString count = QStringLiteral(" · %1").arg(state_.pictures().size());
        const QFontMetrics metrics = setName->fontMetrics();
        const int room = kTrayWidth - 12 - metrics.horizontalAdvance(count);
        setName->setText(metrics.elidedText(state_.pictures().name(), Qt::ElideRight, room) + count);
        setName->setToolTip(state_.pictures().name());
    });
    connect(tray_->selectionModel(), &QItemSelectionModel::currentChanged, this, [this](const QModelIndex& index) {
        if (index.isValid()) state_.setKey(index.row());
    });
    connect(&state, &AppState::keyChanged, this, &GradePage::keyChanged);
    connect(&state, &AppState::shownGradeChanged, this, &GradePage::requestFrame);
    connect(&state, &AppState::stageChosen, this, &GradePage::requestFrame);
    connect(&state, &AppState::beforeMeansChanged, this, &GradePage::updateCompare);
    connect(&state.pictures(), &PictureSet::loaded, this, [this](int index, const LoadedPicture& picture) {
        if (index != state_.key()) return;
        const Pyramid& pyramid = *picture.pyramid;
        // The picture itself takes the place of its stand-in: what is seen stays in its place.
        if (loadedFor_ != index || view_->pictureSize() != QSize(pyramid.width(), pyramid.height()))
            view_->setPictureSize({pyramid.width(), pyramid.height()});
        loaded_ = picture;
        loadedFor_ = index;
        pointer_.reset();
        requestFrame();
        QString text = QStringLiteral("%1 · %2 × %3")
                           .arg(QString::fromStdString(state_.pictures().at(index).file.filename().string()))
                           .arg(pyramid.width())
                           .arg(pyramid.height());
        if (!picture.metadata.exposure.empty())
            text += QStringLiteral(" · ") + QString::fromStdString(picture.metadata.exposure);
        Q_EMIT pictureText(text);
    });
    connect(&state.pictures(), &PictureSet::loadFailed, this, [this](int index, const QString& message) {
        if (index != state_.key()) return;
        view_->setNotice(message);
        Q_EMIT pictureText(QString::fromStdString(state_.pictures().at(index).file.filename().string()));
    });

    connect(view_, &PictureView::regionChanged, this, &GradePage::requestFrame);
    connect(view_, &PictureView::zoomChanged, this, &GradePage::showZoom);
    connect(view_, &PictureView::pointed, this, &GradePage::showPointer);
    connect(view_, &PictureView::pointerLeft, this, &GradePage::clearPointer);
    view_->installEventFilter(this);
    connect(&preview_, &PreviewService::frameReady, this, [this](const PreviewFrame& frame) {
        if (frame.picture != loaded_.pyramid.get() || loadedFor_ != state_.key()) return;
        view_->setImages(frame.after, frame.before, fromViewRegion(frame.region));
        Q_EMIT frameTime(frame.milliseconds);
    });
    connect(&preview_, &PreviewService::scopesReady, this, [this](const PreviewScopes& scopes) {
        histogram_->setCounts(counts(scopes.after.r), counts(scopes.after.g), counts(scopes.after.b),
                              static_cast<double>(scopes.after.pixels));
        StageEditor* editor = panel_->editor();
        if (!editor || !scopes.input || scopes.inputOf != editor->stageId()) return;
        const QVector<double> input[4] = {counts(scopes.input->r), counts(scopes.input->g), counts(scopes.input->b),
                                          counts(scopes.input->luma)};
        editor->setInput(input);
    });
    connect(&preview_, &PreviewService::reportsReady, chain_, &ChainView::setReports);
    connect(panel_, &EditorPanel::savePresetWanted, this, &GradePage::savePreset);
    connect(panel_, &EditorPanel::exportLutWanted, this, &GradePage::exportLut);
    connect(panel_, &EditorPanel::shelfWanted, this, [this] { showShelf(!isShelfShown()); });
    connect(panel_, &EditorPanel::pickWanted, this, &GradePage::startPick);
    connect(shelf_, &Shelf::closeWanted, this, [this] { showShelf(false); });
    view_->setNotice(tr("Open a folder of pictures to begin: File, Open folder… or drop one here."));
    updateCompare();
}

QWidget* GradePage::makeCompareBar() {
    auto* bar = new QWidget;
    bar->setObjectName(QStringLiteral("toolbar"));
    bar->setAttribute(Qt::WA_StyledBackground);
    bar->setFixedHeight(36);
    auto* row = new QHBoxLayout(bar);
    row->setContentsMargins(10, 0, 10, 0);
    row->setSpacing(4);
    before_ = makeButton(tr("Before"), "flat");
    before_->setToolTip(tr("Shows the version before as long as it is held (key B)"));
    wipe_ = makeButton(tr("Wipe"), "flat");
    wipe_->setCheckable(true);
    wipe_->setToolTip(tr("The version before on the left of a line that can be dragged (key W)"));
    beforeMeans_ = new QComboBox;
    beforeMeans_->addItems({tr("before = source"), tr("before = Prep only")});
    beforeMeans_->setAccessibleName(tr("What before means"));
    fit_ = makeButton(tr("Fit"), "flat");
    full_ = makeButton(tr("100 %"), "flat");
    for (auto* each : {fit_, full_}) each->setCheckable(true);
    zoom_ = makeLabel({}, "second");
    zoom_->setFixedWidth(48);
    zoom_->setAlignment(Qt::AlignRight | Qt::AlignVCenter);
    row->addWidget(before_);
    row->addWidget(wipe_);
    row->addWidget(beforeMeans_);
    row->addStretch(1);
    row->addWidget(fit_);
    row->addWidget(full_);
    row->addWidget(zoom_);
    connect(before_, &QPushButton::pressed, this, [this] { holdBefore(true); });
    connect(before_, &QPushButton::released, this, [this] { holdBefore(false); });
    connect(wipe_, &QPushButton::toggled, this, [this](bool on) {
        updateCompare();
        Q_EMIT wipeChanged(on);
    });
    connect(beforeMeans_, &QComboBox::activated, this,
            [this](int index) { state_.setBeforeMeans(index == 0 ? BeforeMeans::Source : BeforeMeans::PrepOnly); });
    connect(fit_, &QPushButton::clicked, this, [this] { view_->fit(); });
    connect(full_, &QPushButton::clicked, this, [this] { view_->zoomTo(1); });
    return bar;
}

QWidget* GradePage::makeBand() {
    auto* band = new QWidget;
    band->setFixedHeight(kBandHeight);
    auto* row = new QHBoxLayout(band);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(1);
    auto* scroll = new QScrollArea;
    scroll->setWidgetResizable(true);
    scroll->setFrameShape(QFrame::NoFrame);
    scroll->setVerticalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    scroll->setStyleSheet(QStringLiteral("QScrollArea { background: %1; }").arg(theme::colours().panel.name()));
    chain_->setObjectName(QStringLiteral("panel"));
    scroll->viewport()->setStyleSheet(QStringLiteral("background: %1;").arg(theme::colours().panel.name()));
    scroll->setWidget(chain_);
    connect(chain_, &ChainView::cardShown, scroll,
            [scroll](QWidget* card) { scroll->ensureWidgetVisible(card, 60, 0); });
    row->addWidget(scroll, 1);
    auto* scope = new QWidget;
    scope->setObjectName(QStringLiteral("panel"));
    scope->setAttribute(Qt::WA_StyledBackground);
    scope->setFixedWidth(312);
    auto* scopeLayout = new QVBoxLayout(scope);
    scopeLayout->setContentsMargins(12, 6, 10, 10);
    scopeLayout->setSpacing(5);
    scopeLayout->addWidget(new QLabel(tr("Histogram")));
    scopeLayout->addWidget(histogram_, 1);
    row->addWidget(scope);
    return band;
}

void GradePage::showEvent(QShowEvent*) {
    requestFrame();
}

void GradePage::keyChanged() {
    pointer_.reset();
    pick_ = {};
    const QModelIndex index = tray_->model()->index(state_.key(), 0);
    tray_->setCurrentIndex(index);
    tray_->scrollTo(index);
    loadedFor_ = -1;
    view_->setPictureSize({});
    view_->setNotice(tr("Reading %1…").arg(index.data().toString()));
    state_.pictures().load(state_.key());
}

void GradePage::requestFrame() {
    pointer_.reset();
    if (!isVisible() || loadedFor_ != state_.key() || !loaded_.pyramid) return;
    PreviewRequest request;
    request.picture = loaded_.pyramid;
    request.region = toViewRegion(view_->region());
    request.grade = state_.shownGrade();
    if (view_->compare() != PictureView::Compare::After) request.before = state_.beforeGrade(request.grade);
    request.inputOf = state_.chosenStage();
    preview_.request(std::move(request));
}

void GradePage::holdBefore(bool held) {
    if (held == held_) return;
    held_ = held;
    updateCompare();
}

void GradePage::setWipe(bool on) {
    wipe_->setChecked(on);
}

void GradePage::updateCompare() {
    view_->setBeforeName(state_.beforeMeans() == BeforeMeans::Source ? tr("before: source")
                                                                     : tr("before: Prep only"));
    view_->setCompare(held_                ? PictureView::Compare::Before
                      : wipe_->isChecked() ? PictureView::Compare::Wipe
                                           : PictureView::Compare::After);
    requestFrame();
}

void GradePage::showZoom() {
    zoom_->setText(view_->pictureSize().isEmpty() ? QString() : tr("%1 %").arg(std::lround(view_->scale() * 100)));
    fit_->setChecked(view_->isFitted());
    full_->setChecked(!view_->isFitted() && view_->scale() == 1);
}

void GradePage::showShelf(bool shown) {
    left_->setCurrentIndex(shown ? 1 : 0);
    left_->setFixedWidth(shown ? kShelfWidth : kTrayWidth);
}

void GradePage::showPointer(QPointF at) {
    if (loadedFor_ != state_.key() || !loaded_.pyramid) return;
    const Picture& full = loaded_.pyramid->full();
    at *= double(full.width()) / loaded_.pyramid->width(); // a stand-in is smaller
    const int x = std::clamp(static_cast<int>(at.x()), 0, full.width() - 1);
    const int y = std::clamp(static_cast<int>(at.y()), 0, full.height() - 1);
    if (!pointer_)
        pointer_ = {Program::compile(state_.shownGrade()),
                    Program::compile(upTo(state_.shownGrade(), state_.chosenStage()))};
    const auto after = colourAt(pointer_->all, full, x, y);
    const std::array<double, 3> encoded = {after[0], after[1], after[2]};
    const auto chroma = chromaPlane(encoded);
    QString text = tr("R %1 G %2 B %3 → R %4 G %5 B %6")
                       .arg(level(full.row(0, y)[x]))
                       .arg(level(full.row(1, y)[x]))
                       .arg(level(full.row(2, y)[x]))
                       .arg(level(after[0]))
                       .arg(level(after[1]))
                       .arg(level(after[2]));
    constexpr double least = 0.01; // below it a hue is noise
    if (std::hypot(chroma[0], chroma[1]) > least)
        text +=
            tr("   hue %1°")
                .arg(std::lround(std::fmod(std::atan2(chroma[1], chroma[0]) * 180 / std::numbers::pi + 360, 360)));
    Q_EMIT pointerText(text);
    if (panel_->editor()) panel_->editor()->setPointed(colourAt(pointer_->input, full, x, y));
}

void GradePage::clearPointer() {
    Q_EMIT pointerText({});
    if (panel_->editor()) panel_->editor()->setPointed({});
}

void GradePage::startPick(const QString& what, std::function<void(std::array<float, 3>)> take) {
    pick_ = std::move(take);
    state_.tell(what + tr(" (Escape to leave it)"));
    view_->setFocus();
}

bool GradePage::eventFilter(QObject* watched, QEvent* event) {
    if (watched == view_ && pick_) {
        if (event->type() == QEvent::MouseButtonPress) {
            QPointF at = view_->toPicture(static_cast<QMouseEvent*>(event)->position());
            if (loaded_.pyramid && loadedFor_ == state_.key() &&
                QRectF(QPointF(), QSizeF(view_->pictureSize())).contains(at)) {
                const Picture& full = loaded_.pyramid->full();
                at *= double(full.width()) / loaded_.pyramid->width();
                // The mean of a small square: one pixel is noise.
                constexpr int reach = 2;
                std::array<float, 3> mean{};
                int count = 0;
                for (int y = std::max(0, static_cast<int>(at.y()) - reach);
                     y <= std::min(full.height() - 1, static_cast<int>(at.y()) + reach); ++y)
                    for (int x = std::max(0, static_cast<int>(at.x()) - reach);
                         x <= std::min(full.width() - 1, static_cast<int>(at.x()) + reach); ++x, ++count)
                        for (int k = 0; k < 3; ++k) mean[static_cast<std::size_t>(k)] += full.row(k, y)[x];
                for (float& v : mean) v /= static_cast<float>(count);
                const auto take = std::move(pick_);
                pick_ = {};
                take(mean);
            }
            return true;
        }
        if (event->type() == QEvent::KeyPress && static_cast<QKeyEvent*>(event)->key() == Qt::Key_Escape) {
            pick_ = {};
            return true;
        }
        if (event->type() == QEvent::MouseMove) view_->setCursor(Qt::CrossCursor);
    }
    return QWidget::eventFilter(watched, event);
}

void GradePage::savePreset() {
    if (!state_.hasKey()) return;
    auto* sheet = new SavePresetSheet(state_, window());
    sheet->open();
}

void GradePage::exportLut() {
    if (!state_.hasKey()) return;
    auto* sheet = new ExportLutSheet(state_, window());
    sheet->open();
}

} // namespace baryton
