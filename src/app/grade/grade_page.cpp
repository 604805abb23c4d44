#include "app/grade/grade_page.h"
#include "app/grade/sheets.h"
#include "app/grade/stage_commands.h"
#include "app/grade/tray_panel.h"
#include "app/render_image.h"
#include "app/widgets/labels.h"
#include "base/error.h"
#include "colour/spaces.h"

#include <QFileDialog>
#include <QHBoxLayout>
#include <QMenu>
#include <QScrollArea>
#include <QVBoxLayout>
#include <cmath>

namespace baryton {

namespace {

constexpr int kBandHeight = 150, kLargeBandHeight = 300, kShelfWidth = 208;

ViewRegion toViewRegion(const PictureView::Region& r) {
    return {r.left, r.top, r.width, r.height, r.scale};
}
PictureView::Region fromViewRegion(const ViewRegion& r) {
    return {r.left, r.top, r.width, r.height, r.scale};
}

int level(float v) {
    return static_cast<int>(std::lround(std::clamp(v, 0.0F, 1.0F) * 255));
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
    : QWidget(parent), state_(state), view_(new PictureView), grid_(new GridView(state)), views_(new QStackedWidget),
      compare_(new CompareBar(state)), chain_(new ChainView(state)), panel_(new EditorPanel(state)),
      pinned_(new EditorPanel(state, EditorPanel::Role::Pinned)), scopes_(new ScopePanel),
      trayPanel_(new TrayPanel(state)), left_(new QStackedWidget), shelf_(new Shelf(state)),
      steps_(new StepsPanel(state)), sampleText_(makeLabel({}, "overlay", view_)),
      hand_(new PictureHand(view_, this)) {
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    auto* upper = new QHBoxLayout;
    upper->setSpacing(1);
    for (QWidget* each : std::initializer_list<QWidget*>{trayPanel_, shelf_, steps_}) left_->addWidget(each);
    left_->setFixedWidth(trayPanel_->width());
    upper->addWidget(left_);
    auto* middle = new QVBoxLayout;
    middle->setSpacing(0);
    middle->addWidget(compare_);
    views_->addWidget(view_);
    views_->addWidget(grid_);
    middle->addWidget(views_, 1);
    upper->addLayout(middle, 1);
    upper->addWidget(pinned_);
    upper->addWidget(panel_);
    pinned_->hide();
    layout->addLayout(upper, 1);
    layout->addSpacing(1);
    band_ = makeBand();
    layout->addWidget(band_);
    sampleText_->setAttribute(Qt::WA_TransparentForMouseEvents);
    sampleText_->hide();
    view_->installEventFilter(this);
    connectState();
    connectPicture();
    connectHand();
    view_->setNotice(tr("Open a folder of pictures to begin: File, Open folder… or drop one here."));
    updateCompare();
    scopes_->restoreLayout();
}

QListView* GradePage::tray() const {
    return trayPanel_->list();
}

void GradePage::connectState() {
    connect(&state_.pictures(), &PictureSet::opened, this, [this] {
        loadedFor_ = -1;
        samples_ = {};
    });
    connect(&state_, &AppState::keyChanged, this, &GradePage::keyChanged);
    connect(&state_, &AppState::shownGradeChanged, this, [this] {
        if (!state_.isTrying()) view_->setNowName({}); // two versions were wiped: what is in hand is seen again
        requestFrame();
    });
    connect(&state_, &AppState::stageChosen, this, [this] {
        if (!alone_.empty()) alone_ = state_.chosenStage(); // what is shown alone follows the choice
        updateCompare();
    });
    connect(&state_, &AppState::beforeChanged, this, &GradePage::updateCompare);
    connect(&state_, &AppState::targetsChanged, this, [this] { view_->setShared(state_.editsAll()); });
    connect(trayPanel_, &TrayPanel::widthWanted, this, [this](int width) {
        if (left() == Left::Tray) left_->setFixedWidth(width);
    });
    connect(shelf_, &Shelf::closeWanted, this, [this] { showLeft(Left::Tray); });
    connect(steps_, &StepsPanel::closeWanted, this, [this] { showLeft(Left::Tray); });
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
            [this] { showLeft(left() == Left::Shelf ? Left::Tray : Left::Shelf); });
    connect(panel_, &EditorPanel::stepsWanted, this,
            [this] { showLeft(left() == Left::Steps ? Left::Tray : Left::Steps); });
    connect(panel_, &EditorPanel::pinWanted, this, [this](const std::string& stageId) {
        pinned_->pin(stageId);
        pinned_->show();
        requestFrame();
    });
    connect(pinned_, &EditorPanel::unpinWanted, this, [this] {
        pinned_->pin({});
        pinned_->hide();
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
    connect(scopes_, &ScopePanel::sizeWanted, this,
            [this](bool large) { band_->setFixedHeight(large ? kLargeBandHeight : kBandHeight); });
    connect(scopes_, &ScopePanel::clipMarksToggled, this, [this](bool on) { view_->setClipMarks(on, on); });
}

void GradePage::connectPicture() {
    connect(&state_.pictures(), &PictureSet::loaded, this, [this](int index, const LoadedPicture& picture) {
        if (index != state_.key()) return;
        const Pyramid& pyramid = *picture.pyramid;
        // The picture itself takes the place of its stand-in: what is seen stays in its place.
        if (loadedFor_ != index || view_->pictureSize() != QSize(pyramid.width(), pyramid.height()))
            view_->setPictureSize({pyramid.width(), pyramid.height()});
        loaded_ = picture;
        loadedFor_ = index;
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
        Q_EMIT pictureText(QString::fromStdString(state_.pictures().at(index).file.filename().string()));
    });
    connect(view_, &PictureView::regionChanged, this, &GradePage::requestFrame);
    connect(view_, &PictureView::zoomChanged, this, &GradePage::showZoom);
    connect(view_, &PictureView::pointed, this, &GradePage::showPointer);
    connect(view_, &PictureView::pointerLeft, this, &GradePage::clearPointer);
    connect(&preview_, &PreviewService::frameReady, this, [this](const PreviewFrame& frame) {
        if (frame.picture != loaded_.pyramid.get() || !hasPixels()) return;
        view_->setImages(frame.after, frame.before, fromViewRegion(frame.region));
        Q_EMIT frameTime(frame.milliseconds);
    });
    connect(&preview_, &PreviewService::scopesReady, this, [this](const PreviewScopes& scopes) {
        scopes_->show(scopes);
        for (EditorPanel* each : panels()) each->setInput(scopes);
        showSamples();
    });
    connect(&preview_, &PreviewService::reportsReady, this, [this](const std::vector<StageReport>& reports) {
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

void GradePage::connectHand() {
    const auto fraction = [this](QPointF picture) {
        return QPointF(picture.x() / view_->pictureSize().width(), picture.y() / view_->pictureSize().height());
    };
    connect(panel_, &EditorPanel::onPictureToggled, hand_, &PictureHand::setWorks);
    connect(hand_, &PictureHand::pressed, this, [this, fraction](QPointF at) {
        if (hasPixels()) panel_->picturePressed(colourPicked(fraction(at)));
    });
    connect(hand_, &PictureHand::dragged, panel_, &EditorPanel::pictureDragged);
    connect(hand_, &PictureHand::released, this, [this] { state_.endGesture(); });
    connect(hand_, &PictureHand::markMoved, this, [this, fraction](int mark, QPointF at) {
        samples_.move(state_.key(), mark, fraction(at));
        showSamples();
    });
    connect(hand_, &PictureHand::menuWanted, this, &GradePage::openPictureMenu);
}

QWidget* GradePage::makeBand() {
    auto* band = new QWidget;
    band->setFixedHeight(kBandHeight);
    auto* row = new QHBoxLayout(band);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(1);
    auto* scroll = new QScrollArea;
    scroll->setObjectName(QStringLiteral("band"));
    scroll->setWidgetResizable(true);
    scroll->setFrameShape(QFrame::NoFrame);
    scroll->setVerticalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    chain_->setObjectName(QStringLiteral("panel"));
    scroll->setWidget(chain_);
    connect(chain_, &ChainView::cardShown, scroll,
            [scroll](QWidget* card) { scroll->ensureWidgetVisible(card, 60, 0); });
    row->addWidget(scroll, 1);
    row->addWidget(scopes_);
    return band;
}

void GradePage::showEvent(QShowEvent*) {
    requestFrame();
}

void GradePage::keyChanged() {
    pointer_.reset();
    hand_->endPick();
    loadedFor_ = -1;
    view_->setPictureSize({});
    view_->setNotice(
        tr("Reading %1…").arg(QString::fromStdString(state_.pictures().at(state_.key()).file.filename().string())));
    showSamples();
    state_.pictures().load(state_.key());
}

Grade GradePage::displayedGrade() const {
    return alone_.empty() ? state_.shownGrade() : aloneIn(state_.shownGrade(), alone_);
}

void GradePage::requestFrame() {
    pointer_.reset();
    if (!isVisible() || !hasPixels()) return;
    PreviewRequest request;
    request.picture = loaded_.pyramid;
    request.region = toViewRegion(view_->region());
    request.grade = displayedGrade();
    if (view_->compare() != PictureView::Compare::After && view_->compare() != PictureView::Compare::Reference)
        request.before = state_.beforeOf(state_.key());
    request.inputsOf = {state_.chosenStage()};
    if (isPinned() && pinned_->target() != state_.chosenStage()) request.inputsOf.push_back(pinned_->target());
    request.scope = scopes_->wanted();
    preview_.request(std::move(request));
}

void GradePage::holdBefore(bool held) {
    if (held == held_) return;
    held_ = held;
    updateCompare();
}

void GradePage::toggleAlone() {
    alone_ = alone_.empty() ? state_.chosenStage() : std::string();
    updateCompare();
}

void GradePage::updateCompare() {
    view_->setBeforeName(state_.beforeName());
    QString tag;
    if (!alone_.empty()) {
        const auto place = findStage(state_.shownGrade(), alone_);
        tag = place ? tr("%1 alone").arg(QString::fromStdString(stageTitle(stageAt(state_.shownGrade(), *place))))
                    : tr("this layer alone");
    }
    view_->setTag(tag);
    const bool isGrid = compare_->mode() == CompareBar::Mode::Grid;
    views_->setCurrentWidget(isGrid ? static_cast<QWidget*>(grid_) : view_);
    grid_->showBefore(held_);
    view_->setCompare(held_ ? PictureView::Compare::Before : compareOf(compare_->mode()));
    requestFrame();
}

void GradePage::showZoom() {
    compare_->setZoom(view_->pictureSize().isEmpty() ? 0 : view_->scale(), view_->isFitted());
}

void GradePage::showLeft(Left which) {
    left_->setCurrentIndex(static_cast<int>(which));
    left_->setFixedWidth(which == Left::Tray ? trayPanel_->width() : kShelfWidth);
}

void GradePage::showPanels(bool shown) {
    for (QWidget* each : std::initializer_list<QWidget*>{left_, panel_, band_}) each->setVisible(shown);
    pinned_->setVisible(shown && isPinned());
}

PickedColour GradePage::colourPicked(QPointF fraction) const {
    const auto source = meanColour(loaded_.pyramid->full(), fraction);
    return {source, Program::compile(upTo(state_.shownGrade(), state_.chosenStage()))(source),
            Program::compile(state_.shownGrade())(source)};
}

void GradePage::showPointer(QPointF at) {
    if (!hasPixels()) return;
    const Picture& full = loaded_.pyramid->full();
    at *= double(full.width()) / loaded_.pyramid->width(); // a stand-in is smaller
    const int x = std::clamp(static_cast<int>(at.x()), 0, full.width() - 1);
    const int y = std::clamp(static_cast<int>(at.y()), 0, full.height() - 1);
    if (!pointer_) {
        pointer_ = PointerPrograms{Program::compile(displayedGrade()), {}};
        for (EditorPanel* each : panels())
            pointer_->inputs.push_back(Program::compile(upTo(state_.shownGrade(), each->target())));
    }
    const auto after = colourAt(pointer_->all, full, x, y);
    const Vec3 seen = {after[0], after[1], after[2]};
    const auto chroma = chromaPlane(seen);
    QString text = tr("R %1 G %2 B %3 → R %4 G %5 B %6")
                       .arg(level(full.row(0, y)[x]))
                       .arg(level(full.row(1, y)[x]))
                       .arg(level(full.row(2, y)[x]))
                       .arg(level(after[0]))
                       .arg(level(after[1]))
                       .arg(level(after[2]));
    constexpr double least = 0.01; // below it a hue is noise
    if (std::hypot(chroma[0], chroma[1]) > least) text += tr("   hue %1°").arg(std::lround(hueOf(seen)));
    Q_EMIT pointerText(text);
    pointedAfter_ = after;
    for (std::size_t i = 0; i < panels().size(); ++i)
        panels()[i]->setPointed(colourAt(pointer_->inputs[i], full, x, y));
    showSamples();
}

void GradePage::clearPointer() {
    Q_EMIT pointerText({});
    pointedAfter_.reset();
    for (EditorPanel* each : panels()) each->setPointed({});
    showSamples();
}

void GradePage::showSamples() {
    QVector<ScopeMark> scopeMarks;
    QVector<PictureView::Mark> marks;
    QStringList lines;
    QVector<HuePicks::Pin> pins;
    constexpr double least = 0.01; // below it a hue is noise
    const auto addPin = [&](const QString& label, const SampledPoint& sample) {
        if (sample.chroma > least) pins.append({label, sample.hue, sample.opposite});
    };
    if (hasPixels() && !samples_.of(state_.key()).isEmpty()) {
        const Program program = Program::compile(displayedGrade());
        int number = 0;
        for (const QPointF& at : samples_.of(state_.key())) {
            const QString label = QString::number(++number);
            const SampledPoint sample = readSample(loaded_.pyramid->full(), program, at);
            marks.append({{at.x() * view_->pictureSize().width(), at.y() * view_->pictureSize().height()}, label});
            scopeMarks.append({sample.after, label});
            lines.append(sampleText(label, sample));
            addPin(label, sample);
        }
    }
    if (!reference_.isEmpty()) {
        char letter = 'a';
        for (const QPointF& at : samples_.of(Samples::kReference)) {
            const QString label{QLatin1Char(letter++)};
            const SampledPoint sample = readSample(reference_, Program(), at);
            scopeMarks.append({sample.after, label});
            lines.append(sampleText(label, sample));
            addPin(label, sample);
        }
    }
    for (EditorPanel* each : panels()) each->setPins(pins);
    if (pointedAfter_) scopeMarks.append({*pointedAfter_, {}});
    scopes_->setMarks(scopeMarks);
    view_->setMarks(marks);
    sampleText_->setText(lines.join(u'\n'));
    sampleText_->setVisible(!lines.isEmpty());
    sampleText_->adjustSize();
    sampleText_->move(12, view_->height() - sampleText_->height() - 12);
}

void GradePage::openPictureMenu(QPointF position, QPoint global) {
    if (!hasPixels()) return;
    auto* menu = new QMenu(this);
    menu->setAttribute(Qt::WA_DeleteOnClose);
    const auto onReference = view_->toReference(position);
    const int picture = onReference ? Samples::kReference : state_.key();
    const QPointF at = view_->toPicture(position);
    const QPointF share =
        onReference.value_or(QPointF(at.x() / view_->pictureSize().width(), at.y() / view_->pictureSize().height()));
    const bool isOnPicture = QRectF(0, 0, 1, 1).contains(share); // beside it there is nothing to sample
    if (const int mark = onReference ? -1 : view_->markAt(position); mark >= 0)
        menu->addAction(tr("Remove sample %1").arg(mark + 1), this, [this, mark] {
            samples_.remove(state_.key(), mark);
            showSamples();
        });
    else if (isOnPicture)
        menu->addAction(tr("Sample point here"), this, [this, picture, share] {
            if (!samples_.add(picture, share))
                state_.tell(tr("There are %1 sample points already: remove one first").arg(Samples::kMost));
            showSamples();
        });
    auto* clear = menu->addAction(tr("Remove all sample points"), this, [this, picture] {
        samples_.clear(picture);
        showSamples();
    });
    clear->setEnabled(!samples_.of(picture).isEmpty());
    menu->addSeparator();
    menu->addAction(tr("Reference picture…"), this, &GradePage::chooseReference);
    auto* asReference = menu->addAction(tr("This picture as it is now as the reference"), this, [this] {
        reference_ = Program::compile(state_.shownGrade()).graded(state_.pictures().smallOf(state_.key()));
        view_->setReference(imageOf(Grade{}, reference_),
                            QString::fromStdString(state_.pictures().at(state_.key()).file.filename().string()));
        samples_.clear(Samples::kReference);
        if (compare_->mode() != CompareBar::Mode::Reference) compare_->toggleMode(CompareBar::Mode::Reference);
    });
    asReference->setEnabled(!state_.pictures().smallOf(state_.key()).isEmpty());
    menu->popup(global);
}

void GradePage::chooseReference() {
    auto* dialog = new QFileDialog(this, tr("Reference picture"));
    dialog->setAttribute(Qt::WA_DeleteOnClose);
    dialog->setFileMode(QFileDialog::ExistingFile);
    connect(dialog, &QFileDialog::fileSelected, this,
            [this](const QString& file) { loadReference(file.toStdString()); });
    connect(dialog, &QFileDialog::rejected, this, [this] {
        if (reference_.isEmpty() && compare_->mode() == CompareBar::Mode::Reference)
            compare_->toggleMode(CompareBar::Mode::Reference);
    });
    dialog->open();
}

void GradePage::loadReference(const std::filesystem::path& file) {
    constexpr int enough = 1200; // it is looked at fitted
    try {
        reference_ = readThumbnail(file, enough);
    } catch (const Error& e) {
        state_.tell(QString::fromStdString(e.what()), true);
        return;
    }
    samples_.clear(Samples::kReference);
    view_->setReference(imageOf(Grade{}, reference_), QString::fromStdString(file.filename().string()));
    if (compare_->mode() != CompareBar::Mode::Reference) compare_->toggleMode(CompareBar::Mode::Reference);
    updateCompare();
}

void GradePage::startPick(QObject* owner, const QString& what, TakePicked take) {
    state_.tell(what + tr(" (Escape to leave it)"));
    hand_->startPick(owner, [this, take = std::move(take)](QPointF at, bool onReference) {
        if (onReference) {
            const auto colour = meanColour(reference_, at);
            take({colour, colour, colour});
        } else if (hasPixels()) {
            take(colourPicked({at.x() / view_->pictureSize().width(), at.y() / view_->pictureSize().height()}));
        }
    });
}

bool GradePage::eventFilter(QObject* watched, QEvent* event) {
    if (watched == view_ && event->type() == QEvent::Resize) showSamples();
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
