// What the hand does on the picture in Grade, and how the masks that it makes are seen there.
#include "app/grade/grade_page.h"
#include "app/widgets/mask_veil.h"
#include "render/histogram.h"
#include "render/mask_ranges.h"

#include <algorithm>

namespace baryton {

void GradePage::connectHand() {
    connect(sampleList_, &SampleList::clearWanted, this, [this] {
        samples_.clear(state_.key());
        samples_.clear(Samples::kReference);
        showSamples();
    });
    const auto fraction = [this](QPointF picture) { return shareOf(picture); };
    connect(panel_, &EditorPanel::onPictureToggled, this, [this](bool on) {
        hand_->setWorks(on, workOfHand());
        updateFigure();
    });
    connect(panel_, &EditorPanel::figureChanged, this, [this] {
        if (hand_->works() && *hand_->works() != workOfHand()) hand_->setWorks(true, workOfHand());
        updateFigure();
    });
    connect(hand_, &PictureHand::pressed, this, [this](QPointF at) {
        if (!hasPixels()) return;
        if (placesStage()) {
            showPointer(at); // what is there now: the last move of the pointer may have been another stroke's
            panel_->editor()->setPressure(hand_->pressure());
            panel_->editor()->startPull(shareOf(at), pullReach());
        } else {
            panel_->picturePressed(colourPicked(shareOf(at)));
        }
    });
    connect(hand_, &PictureHand::dragged, panel_, &EditorPanel::pictureDragged);
    connect(hand_, &PictureHand::draggedTo, this, [this](QPointF at) {
        if (placesStage()) {
            panel_->editor()->setPressure(hand_->pressure());
            panel_->editor()->pullTo(shareOf(at));
        } else if (panel_->editor() && panel_->editor()->sweepsOnPicture() && hasPixels()) {
            const QPointF share = shareOf(at);
            if (QRectF(0, 0, 1, 1).contains(share)) panel_->editor()->sweepOnPicture(colourPicked(share));
        }
    });
    connect(hand_, &PictureHand::brushTurned, this,
            [this](double sizeBy, double softerBy) { state_.maskTools().changeBrush(sizeBy, softerBy); });
    connect(&state_.maskTools(), &MaskTools::veilChanged, this, &GradePage::requestFrame);
    connect(chain_, &ChainView::maskPointed, this, [this](const std::string& layerId) {
        pointedMask_ = layerId;
        requestFrame();
    });
    connect(hand_, &PictureHand::released, this, [this] {
        if (placesStage()) panel_->editor()->endPull();
        state_.endGesture();
    });
    connect(hand_, &PictureHand::markMoved, this, [this, fraction](int mark, QPointF at) {
        samples_.move(state_.key(), marked_[static_cast<std::size_t>(mark)], ofWhole(fraction(at)));
        showSamples();
    });
    connect(hand_, &PictureHand::menuWanted, this, &GradePage::openPictureMenu);
}

void GradePage::takeBackPull() {
    if (panel_->editor()) panel_->editor()->dropPull();
}

void GradePage::startPick(QObject* owner, const QString& what, TakePicked take) {
    isSampling_ = false;
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

PictureHand::Work GradePage::workOfHand() const {
    const StageEditor* editor = panel_->editor();
    if (!editor || !editor->placesOnPicture()) return PictureHand::Work::Colours;
    return editor->paintsOnPicture() ? PictureHand::Work::Paints : PictureHand::Work::Places;
}

void GradePage::addMaskedLayer(MaskStart start, QPointF share) {
    MaskHands hands;
    hands.setFrame(loaded_.pyramid->full().framePlace(),
                   double(view_->pictureSize().width()) / view_->pictureSize().height());
    MaskShape shape;
    if (start == MaskStart::Ellipse) shape = hands.newEllipse(share);
    if (start == MaskStart::Ramp) shape = hands.newRamp(share);
    if (start == MaskStart::Brush) shape.form = MaskBrush{};
    if (start == MaskStart::Object) shape.form = MaskObject{};
    if (start == MaskStart::Colours) {
        Grade prep = state_.shownGrade();
        prep.look.clear(), prep.finish.clear();
        const Picture& full = loaded_.pyramid->full();
        const SampledPoint seen = readSample(full, planOf(prep), share);
        shape.form = coloursAround({double(seen.after[0]), double(seen.after[1]), double(seen.after[2])});
    }
    addLayer(state_, Mask{{std::move(shape)}, false, 1});
    panel_->onPictureButton()->setChecked(true); // it is there to be placed
}

std::string GradePage::seenMask() const {
    const auto& look = state_.shownGrade().look;
    if (!pointedMask_.empty()) return pointedMask_;
    if (state_.maskTools().veil() == MaskVeil::None || held_) return {};
    for (const Layer& layer : look) {
        const bool isIt = layer.id == state_.chosenStage() ||
                          std::any_of(layer.stages.begin(), layer.stages.end(),
                                      [&](const Stage& stage) { return stage.id == state_.chosenStage(); });
        if (isIt && layer.isMasked()) return layer.id;
    }
    return {};
}

void GradePage::showVeil(const PreviewFrame& frame) {
    // While a value moves it is judged by the picture alone.
    const bool isJudged =
        findStage(state_.shownGrade(), state_.chosenStage()) && !frame.exact && pointedMask_.empty();
    if (frame.maskOf != seenMask() || frame.maskOf.empty() || isJudged) return view_->setVeil({});
    const MaskTools& tools = state_.maskTools();
    view_->setVeil(veilOf(frame.mask, pointedMask_.empty() ? tools.veil() : MaskVeil::Darkened, tools.colour()));
}

void GradePage::toggleWithoutMasked() {
    withoutMasked_ = !withoutMasked_;
    alone_.clear();
    updateCompare();
}

std::string GradePage::colourMaskOf(const Grade& grade) {
    const auto at = std::find_if(grade.look.begin(), grade.look.end(),
                                 [](const Layer& layer) { return layer.isMasked() && layer.mask->seesColours(); });
    return at == grade.look.end() ? std::string() : at->id;
}

} // namespace baryton
