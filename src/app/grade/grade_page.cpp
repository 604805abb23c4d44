#include "app/grade/grade_page.h"
#include "app/behind.h"
#include "app/grade/chain_scroll.h"
#include "app/grade/frame_editor.h"
#include "app/grade/sheets.h"
#include "app/grade/stage_commands.h"
#include "app/grade/tray_panel.h"
#include "app/guide/guide_of.h"
#include "app/render_image.h"
#include "app/widgets/labels.h"
#include "base/error.h"
#include "colour/spaces.h"
#include "grade/cut_grade.h"
#include "picture/lens.h"

#include <QCoreApplication>
#include <QFileDialog>
#include <QHBoxLayout>
#include <QMenu>
#include <QPointer>
#include <QThreadPool>
#include <QVBoxLayout>
#include <cmath>

namespace baryton {

namespace {

ViewRegion toViewRegion(const PictureView::Region& r) {
    return {r.left, r.top, r.width, r.height, r.scale};
}
PictureView::Region fromViewRegion(const ViewRegion& r) {
    return {r.left, r.top, r.width, r.height, r.scale};
}

PictureView::Compare compareOf(CompareBar::Mode mode) {
    switch (mode) {
    case CompareBar::Mode::Wipe:
        return PictureView::Compare::Wipe;
    case CompareBar::Mode::WipeAcross:
        return PictureView::Compare::WipeAcross;
    case CompareBar::Mode::Beside:
        return PictureView::Compare::Beside;
    case CompareBar::Mode::Reference:
        return PictureView::Compare::Reference;
    default:
        return PictureView::Compare::After;
    }
}

} // namespace

GradePage::GradePage(AppState& state, QWidget* parent)
    : QWidget(parent), state_(state), view_(new PictureView), grid_(new GridView(state)), frame_(new FrameView),
      views_(new QStackedWidget), compare_(new CompareBar(state)), chain_(new ChainView(state)),
      panel_(new EditorPanel(state)), pinned_(new EditorPanel(state, EditorPanel::Role::Pinned)),
      scopes_(new ScopePanel), trayPanel_(new TrayPanel(state)), side_(new QStackedWidget), shelf_(new Shelf(state)),
      steps_(new StepsPanel(state)), sampleList_(new SampleList), hand_(new PictureHand(view_, this)) {
    auto* trayColumn = new QWidget;
    trayColumn->setObjectName(QStringLiteral("panel"));
    trayColumn->setAttribute(Qt::WA_StyledBackground);
    trayColumn->setMinimumWidth(TrayPanel::kLeastWidth);
    trayColumn->setMaximumWidth(TrayPanel::kMostWidth);
    auto* column = new QVBoxLayout(trayColumn);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(0);
    column->addWidget(trayPanel_, 1);
    column->addWidget(sampleList_);
    side_->addWidget(shelf_);
    side_->addWidget(steps_);
    auto* middle = new QWidget;
    auto* rows = new QVBoxLayout(middle);
    rows->setContentsMargins(0, 0, 0, 0);
    rows->setSpacing(0);
    rows->addWidget(compare_);
    views_->addWidget(view_);
    views_->addWidget(grid_);
    views_->addWidget(frame_);
    rows->addWidget(views_, 1);
    setGuide(this, QStringLiteral("guide/grade"));
    setGuideParts(QStringLiteral("guide/grade"), {{trayPanel_, tr("The set")},
                                                  {sampleList_, tr("Samples")},
                                                  {shelf_, tr("Shelf")},
                                                  {steps_, tr("Takes and steps")},
                                                  {compare_, tr("Compare")},
                                                  {views_, tr("The picture")},
                                                  {frame_, tr("Frame")},
                                                  {chain_, tr("The chain")},
                                                  {scopes_, tr("Scopes")}});
    area_ = new WorkArea({trayColumn, side_, middle, pinned_, panel_, makeChainBand(), scopes_});
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->addWidget(area_);
    connectState();
    connectPicture();
    connectHand();
    connectFrame();
    view_->setNotice(tr("Open a folder of pictures to begin: File, Open folder… or drop one here."));
    updateCompare();
}

void GradePage::restoreLayout() {
    area_->setTrayWidth(trayPanel_->lastWidth());
    scopes_->restoreLayout();
    area_->restoreEdges();
}

QListView* GradePage::tray() const {
    return trayPanel_->list();
}

void GradePage::showGrade() {
    if (!state_.isTrying()) view_->setNowName({}); // two versions were wiped: what is in hand is seen again
    updateFraming();
    updateFigure();
    requestFrame();
}

void GradePage::connectState() {
    connect(&state_.pictures(), &PictureSet::opened, this, [this] {
        loadedFor_ = -1;
        samples_ = {};
    });
    connect(&state_, &AppState::keyChanged, this, &GradePage::keyChanged);
    connect(&state_, &AppState::stageChosen, this, [this] {
        if (!alone_.empty()) alone_ = state_.chosenStage(); // what is shown alone follows the choice
        updateCompare();
    });
    connect(&state_, &AppState::beforeChanged, this, &GradePage::updateCompare);
    connect(&state_, &AppState::targetsChanged, this, [this] { view_->setShared(state_.editsAll()); });
    connect(trayPanel_, &TrayPanel::widthWanted, area_, &WorkArea::setTrayWidth);
    connect(shelf_, &Shelf::closeWanted, this, [this] { showSide(Side::None); });
    connect(steps_, &StepsPanel::closeWanted, this, [this] { showSide(Side::None); });
    connect(steps_, &StepsPanel::saveWanted, this, [this](const Grade& grade, const IncludeSet& changed) {
        auto* sheet = new SavePresetSheet(state_, window());
        sheet->setSource(grade, changed);
        sheet->open();
    });
    connect(steps_, &StepsPanel::besideWanted, this, [this] {
        if (compare_->mode() != CompareBar::Mode::Grid) compare_->toggleMode(CompareBar::Mode::Grid);
        grid_->showVersions(true);
    });
    connect(steps_, &StepsPanel::wipeWanted, this,
            [this](const AppState::Version& left, const AppState::Version& right) {
                if (compare_->mode() != CompareBar::Mode::Wipe) compare_->toggleMode(CompareBar::Mode::Wipe);
                state_.setBefore({Before::Kind::Step, left.name, left.work.grade});
                state_.tryOnWorks([work = right.work](const PictureWork&) { return work; });
                wiped_ = right.name;
                view_->setNowName(wiped_);
            });
    connect(panel_, &EditorPanel::savePresetWanted, this, &GradePage::savePreset);
    connect(panel_, &EditorPanel::exportLutWanted, this, &GradePage::exportLut);
    connect(panel_, &EditorPanel::shelfWanted, this,
            [this] { showSide(side() == Side::Shelf ? Side::None : Side::Shelf); });
    connect(panel_, &EditorPanel::stepsWanted, this,
            [this] { showSide(side() == Side::Steps ? Side::None : Side::Steps); });
    connect(panel_, &EditorPanel::pinWanted, this, [this](const std::string& stageId) {
        pinned_->pin(stageId);
        area_->showPinned(true);
        requestFrame();
    });
    connect(pinned_, &EditorPanel::unpinWanted, this, [this] {
        pinned_->pin({});
        area_->showPinned(false);
    });
    for (EditorPanel* each : panels()) connect(each, &EditorPanel::litChanged, view_, &PictureView::setLit);
    for (EditorPanel* each : panels())
        connect(each, &EditorPanel::pickWanted, this, [this, each](const QString& what, TakePicked take) {
            startPick(each->editor(), what, std::move(take));
        });
    connect(chain_, &ChainView::heldOff, this, [this](const std::string& stageId) {
        if (stageId.empty())
            state_.tryChange({});
        else
            state_.tryChange([stageId](const Grade& grade) { return without(grade, stageId); });
    });
    connect(scopes_, &ScopePanel::wantedChanged, this, &GradePage::requestFrame);
    connect(scopes_, &ScopePanel::heightWanted, area_, &WorkArea::setScopeHeight);
    connect(scopes_, &ScopePanel::clipMarksToggled, this, [this](bool on) { view_->setClipMarks(on, on); });
}

void GradePage::connectPicture() {
    connect(&state_.pictures(), &PictureSet::loaded, this, [this](int index, const LoadedPicture& picture) {
        if (index != state_.key()) return;
        const Pyramid& pyramid = *picture.pyramid;
        // Of one picture in one frame each look is still one when the next is there already; other frames are not.
        if (loadedFor_ != index || picture.geometry.frame != loaded_.geometry.frame) ++scene_;
        // The picture itself takes the place of its stand-in: what is seen stays in its place.
        if (loadedFor_ != index || view_->pictureSize() != QSize(pyramid.width(), pyramid.height()))
            view_->setPictureSize({pyramid.width(), pyramid.height()});
        if (stageInFraming()) frame_->setPictureSize({pyramid.width(), pyramid.height()});
        frame_->setShot(picture.shot);
        loaded_ = picture;
        loadedFor_ = index;
        view_->setWholeBefore(wholeBefore());
        updateFigure();
        requestFrame();
        QString text = QStringLiteral("%1 · %2 × %3")
                           .arg(QString::fromStdString(state_.pictures().at(index).file.filename().string()))
                           .arg(pyramid.width())
                           .arg(pyramid.height());
        if (!picture.metadata.exposure.empty())
            text += QStringLiteral(" · ") + QString::fromStdString(picture.metadata.exposure);
        Q_EMIT pictureText(text);
    });
    connect(&state_.pictures(), &PictureSet::loadFailed, this, [this](int index, const QString& message) {
        if (index != state_.key()) return;
        view_->setNotice(message);
        Q_EMIT shownChanged();
        Q_EMIT pictureText(QString::fromStdString(state_.pictures().at(index).file.filename().string()));
    });
    connect(view_, &PictureView::regionChanged, this, &GradePage::requestFrame);
    connect(view_, &PictureView::zoomChanged, this, &GradePage::showZoom);
    connect(view_, &PictureView::pointed, this, &GradePage::showPointer);
    connect(view_, &PictureView::pointerLeft, this, &GradePage::clearPointer);
    connect(&preview_, &PreviewService::frameReady, this, [this](const PreviewFrame& frame) {
        if (frame.scene != scene_ || !hasPixels()) return;
        if (stageInFraming())
            frame_->setImage(frame.after);
        else
            view_->setImages(frame.after, frame.before, fromViewRegion(frame.region));
        showVeil(frame);
        view_->repaint(); // before scopes, which may have come meanwhile
        if (frame.exact != isExact_) pointer_.reset();
        isExact_ = frame.exact;
        Q_EMIT frameTime(frame.milliseconds);
    });
    connect(&preview_, &PreviewService::failed, this, [this](const QString& why) {
        state_.tell(tr("The picture could not be drawn (%1): close other programs, or a few pictures").arg(why),
                    true);
    });
    connect(&preview_, &PreviewService::scopesReady, this, [this](const PreviewScopes& scopes) {
        if (scopes.scene != scene_) return;
        scopes_->show(scopes);
        for (EditorPanel* each : panels()) each->setInput(scopes);
        for (const StageInput& each : scopes.inputs)
            if (each.stageId == colourMaskOf(state_.shownGrade())) chain_->setLookInput(each.small);
        showSamples();
    });
    connect(&preview_, &PreviewService::reportsReady, this,
            [this](const std::vector<StageReport>& reports, int scene) {
                if (scene != scene_ || !hasPixels()) return;
                chain_->setReports(reports);
                for (EditorPanel* each : panels()) each->setReports(reports);
            });
    connect(compare_, &CompareBar::modeChanged, this, [this] {
        if (compare_->mode() == CompareBar::Mode::Reference && reference_.isEmpty()) chooseReference();
        if (compare_->mode() != CompareBar::Mode::Grid) grid_->showVersions(false);
        if (compare_->mode() != CompareBar::Mode::Wipe && !std::exchange(wiped_, {}).isEmpty()) state_.tryChange({});
        updateCompare();
    });
    connect(compare_, &CompareBar::beforeHeld, this, &GradePage::holdBefore);
    connect(compare_, &CompareBar::fitWanted, view_, &PictureView::fit);
    connect(compare_, &CompareBar::zoomWanted, this, [this](double scale) { view_->zoomTo(scale); });
}

void GradePage::connectFrame() {
    connect(frame_, &FrameView::edited, this, [this](const std::map<std::string, Value>& values, bool settled) {
        if (const auto stage = stageInFraming()) state_.setParameters(stage->id, values, settled);
    });
    connect(frame_, &FrameView::released, this, [this] { state_.endGesture(); });
    connect(frame_, &FrameView::resized, this, &GradePage::requestFrame);
    connect(panel_, &EditorPanel::lineFound, frame_, &FrameView::setFoundLine);
    connect(panel_, &EditorPanel::guideChosen, frame_,
            [this](int guide) { frame_->setGuide(static_cast<FrameView::Guide>(guide)); });
    connect(panel_, &EditorPanel::linesWanted, frame_, &FrameView::setDrawsLines);
    connect(frame_, &FrameView::drawsLinesChanged, this, [this](bool draws) {
        if (auto* editor = qobject_cast<FrameEditor*>(panel_->editor())) editor->showDrawsLines(draws);
    });
    const auto change = [this](std::map<std::string, Value> (*how)(const Stage&)) {
        if (const auto stage = stageInFraming()) state_.setParameters(stage->id, how(*stage), true);
    };
    connect(frame_, &FrameView::mirrorWanted, this, [change] { change(mirrored); });
    connect(frame_, &FrameView::swapWanted, this, [change] { change(sidesSwapped); });
    connect(frame_, &FrameView::quarterTurnWanted, this, [this](bool clockwise) {
        if (const auto stage = stageInFraming())
            state_.setParameters(stage->id, quarterTurned(*stage, clockwise), true);
    });
    connect(frame_, &FrameView::doneWanted, this, [this] {
        for (const StagePlace& place : stagePlaces(state_.keyGrade())) {
            const Stage& stage = stageAt(state_.keyGrade(), place);
            if (stage.type != kFrameType) return state_.chooseStage(stage.id);
        }
    });
}

std::optional<Stage> GradePage::stageInFraming() const {
    if (!state_.hasKey() || held_ || compare_->mode() == CompareBar::Mode::Grid) return std::nullopt;
    const auto place = findStage(state_.shownGrade(), state_.chosenStage());
    if (!place) return std::nullopt;
    const Stage& stage = stageAt(state_.shownGrade(), *place);
    return stage.type == kFrameType && stage.isEnabled() ? std::optional(stage) : std::nullopt;
}

void GradePage::updateFraming() {
    const auto stage = stageInFraming();
    if (stage) {
        const auto ratio = stage->parameters.find("ratio");
        const auto* choice = ratio != stage->parameters.end() ? std::get_if<std::string>(&ratio->second) : nullptr;
        frame_->setFrame(frameOf(*stage), !choice || proportionsOf(*choice).has_value());
    } else {
        frame_->setPictureSize({}); // the next one comes as a whole first
    }
    if (compare_->mode() != CompareBar::Mode::Grid)
        views_->setCurrentWidget(stage ? static_cast<QWidget*>(frame_) : view_);
    state_.pictures().setShowsWhole(stage.has_value());
}

QWidget* GradePage::makeChainBand() {
    chain_->setObjectName(QStringLiteral("panel"));
    auto* scroll = new ChainScroll(chain_);
    scroll->setObjectName(QStringLiteral("band"));
    connect(chain_, &ChainView::cardShown, scroll,
            [scroll](QWidget* card) { scroll->ensureWidgetVisible(card, 60, 0); });
    return scroll;
}

void GradePage::showEvent(QShowEvent*) {
    requestFrame();
}

void GradePage::keyChanged() {
    frame_->setFoundLine({}); // it was the other picture's, as are lines that are being drawn
    frame_->setDrawsLines(false);
    pointer_.reset();
    hand_->endPick();
    chain_->setLookInput({});
    loadedFor_ = -1;
    view_->setPictureSize({});
    view_->setNotice(
        tr("Reading %1…").arg(QString::fromStdString(state_.pictures().at(state_.key()).file.filename().string())));
    showSamples();
    Q_EMIT shownChanged();
    state_.pictures().load(state_.key());
}

Grade GradePage::displayedGrade() const {
    const Grade& shown = state_.shownGrade();
    return !alone_.empty() ? aloneIn(shown, alone_) : withoutMasked_ ? withoutMaskedLayers(shown) : shown;
}

void GradePage::requestFrame() {
    pointer_.reset();
    Q_EMIT shownChanged();
    if (!isVisible() || !hasPixels()) return;
    PreviewRequest request;
    request.picture = loaded_.pyramid;
    request.scene = scene_;
    request.region = toViewRegion(view_->region());
    if (stageInFraming()) {
        const double scale = frame_->imageScale();
        const auto side = [&](int length) { return std::max(1, static_cast<int>(std::lround(length * scale))); };
        request.region = {0, 0, side(loaded_.pyramid->width()), side(loaded_.pyramid->height()), scale};
    }
    request.grade = displayedGrade();
    if (view_->compare() != PictureView::Compare::After && view_->compare() != PictureView::Compare::Reference)
        request.before = state_.beforeOf(state_.key());
    request.inputsOf = {state_.chosenStage()};
    if (isPinned() && pinned_->target() != state_.chosenStage()) request.inputsOf.push_back(pinned_->target());
    if (const std::string masked = colourMaskOf(state_.shownGrade()); !masked.empty())
        if (std::find(request.inputsOf.begin(), request.inputsOf.end(), masked) == request.inputsOf.end())
            request.inputsOf.push_back(masked);
    request.maskOf = seenMask();
    if (request.maskOf.empty()) view_->setVeil({});
    request.scope = scopes_->wanted();
    request.isHeld = state_.isHeld();
    preview_.request(std::move(request));
}

void GradePage::holdBefore(bool held) {
    if (held == held_) return;
    held_ = held;
    updateCompare();
}

void GradePage::toggleAlone() {
    withoutMasked_ = false;
    alone_ = alone_.empty() ? state_.chosenStage() : std::string();
    updateCompare();
}

void GradePage::updateCompare() {
    view_->setBeforeName(state_.beforeName());
    view_->setWholeBefore(wholeBefore());
    QString tag;
    if (!alone_.empty()) {
        const auto place = findStage(state_.shownGrade(), alone_);
        tag = place ? tr("%1 alone")
                          .arg(QString::fromStdString(
                              stageTitle(state_.shownGrade(), stageAt(state_.shownGrade(), *place))))
                    : tr("this layer alone");
    } else if (withoutMasked_) {
        tag = tr("without the masked layers");
    }
    view_->setTag(tag);
    const bool isGrid = compare_->mode() == CompareBar::Mode::Grid;
    updateFraming();
    views_->setCurrentWidget(isGrid             ? static_cast<QWidget*>(grid_)
                             : stageInFraming() ? static_cast<QWidget*>(frame_)
                                                : view_);
    grid_->showBefore(held_);
    view_->setCompare(held_ ? PictureView::Compare::Before : compareOf(compare_->mode()));
    requestFrame();
}

void GradePage::showZoom() {
    compare_->setZoom(view_->pictureSize().isEmpty() ? 0 : view_->scale(), view_->isFitted());
}

void GradePage::showSide(Side which) {
    if (which != Side::None) side_->setCurrentIndex(which == Side::Shelf ? 0 : 1);
    openSide_ = which;
    area_->showSide(which != Side::None);
}

PickedColour GradePage::colourPicked(QPointF fraction) const {
    const Picture& full = loaded_.pyramid->full();
    const PixelRect square = sampledSquare(full, fraction);
    return {meanColour(full, fraction), planOf(upTo(state_.shownGrade(), state_.chosenStage())).mean(full, square),
            planOf(state_.shownGrade()).mean(full, square)};
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
