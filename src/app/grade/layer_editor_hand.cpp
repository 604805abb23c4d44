// What the hand does with a layer's mask on the picture: shapes are pulled, strokes painted, ranges pressed and
// swept.
#include "app/grade/layer_editor.h"
#include "grade/mask_links.h"
#include "grade/mask_moves.h"
#include "render/mask_ranges.h"

#include <QGuiApplication>
#include <cmath>

namespace baryton {

PictureFigure LayerEditor::figure() const {
    const Mask all = mask();
    PictureFigure figure = hands_.figure(all, movesAll() ? -1 : shapes_->currentRow());
    if (movesAll()) {
        const auto round = hands_.roundAll(all);
        if (!round) return figure;
        const PictureFigure lines = hands_.figureOf(*round);
        figure.lines += lines.lines, figure.handles = lines.handles;
        return figure;
    }
    if (const MaskObject* now = object()) {
        figure.lines += objectFigure().lines;
        if (now->outline.empty() || anew_ == shapes_->currentRow()) return figure;
    }
    if (!paintsOnPicture() || !pointer_) return figure;
    const MaskTools::Brush& brush = state_.maskTools().brush();
    figure.lines += hands_.brushFigure(*pointer_, brush.size, brush.softness).lines;
    return figure;
}

std::optional<MaskShape> LayerEditor::pulledShape() const {
    const Mask all = mask();
    if (movesAll()) return hands_.roundAll(all);
    const MaskShape* shape = chosenShape();
    if (!shape) return std::nullopt;
    return placed(*shape, all.placement, hands_.sourceAspect());
}

Qt::CursorShape LayerEditor::pullAt(QPointF at, QSizeF reach) const {
    const auto shape = pulledShape();
    return shape ? hands_.cursorAt(*shape, at, reach) : Qt::ArrowCursor;
}

void LayerEditor::startPull(QPointF at, QSizeF reach) {
    const MaskShape* shape = chosenShape();
    pulled_ = shape ? shapes_->currentRow() : -1;
    stroke_.reset(), drawing_.reset();
    looksFor_ = false;
    if (!shape) return;
    if (movesAll())
        if (const auto round = pulledShape()) return hands_.start(*round, at, reach);
    if (std::holds_alternative<MaskObject>(shape->form)) return startDrawing(at);
    const auto* brush = std::get_if<MaskBrush>(&shape->form);
    if (!brush) return hands_.start(*pulledShape(), at, reach);
    const MaskTools::Brush& hand = state_.maskTools().brush();
    const bool isOther = QGuiApplication::keyboardModifiers() & Qt::ControlModifier;
    stroke_ = MaskStroke{hand.size, hand.softness, hand.flow, hand.erases != isOther, {}, {}};
    strokePath_ = DrawnPath(hands_.sourceAspect(), strokeTolerance(hand.size));
    if (hand.keepsToColour && pointed_)
        stroke_->colour = oklabOf({double((*pointed_)[0]), double((*pointed_)[1]), double((*pointed_)[2])});
    strokeAt_ = brush->strokes.size();
    paint(at);
}

void LayerEditor::paint(QPointF at) {
    strokePath_.add(hands_.strokePoint(at, pressure_));
    MaskStroke kept = *stroke_;
    kept.points = strokePath_.points();
    const MaskPlacement back = inverse(mask().placement);
    if (kept.points.size() > kMostStrokePoints) return;
    MaskShape alone{MaskBrush{{{std::make_shared<const MaskStroke>(std::move(kept))}}, 1}, {}, false, {}};
    if (!isIdentity(back)) alone = placed(alone, back, hands_.sourceAspect());
    const SharedStroke shared = std::get<MaskBrush>(alone.form).strokes.front();
    editShape(QStringLiteral("/stroke"), [&](MaskShape& shape) {
        auto* brush = std::get_if<MaskBrush>(&shape.form);
        if (!brush || brush->strokes.size() < strokeAt_ || strokeAt_ >= kMostStrokes) return;
        brush->strokes.resize(strokeAt_);
        std::size_t points = shared->points.size();
        for (const SharedStroke& each : brush->strokes) points += each->points.size();
        if (points > kMostBrushPoints) return;
        brush->strokes.push_back(shared);
    });
}

void LayerEditor::pullTo(QPointF at) {
    // Undo may have taken it away under the hand: no other shape becomes it.
    if (!chosenShape() || shapes_->currentRow() != pulled_) return;
    if (movesAll()) return place(hands_.placementBy(mask(), hands_.pulledTo(at)), QStringLiteral("/pull"));
    if (drawing_) return drawTo(at);
    if (stroke_) {
        const auto* brush = std::get_if<MaskBrush>(&chosenShape()->form);
        if (!brush || brush->strokes.size() != strokeAt_ + 1) return;
        setPointer(at);
        return paint(at);
    }
    editShape(QStringLiteral("/pull"), [&](MaskShape& shape) {
        const MaskShape next = placed(hands_.pulledTo(at), inverse(mask().placement), hands_.sourceAspect());
        if (next.form.index() == shape.form.index()) shape.form = next.form;
    });
}

void LayerEditor::dropPull() {
    // Escape first lets go in the hand's place: what that began goes as well, what was sought before goes on.
    if (std::exchange(looksFor_, false)) {
        if (soughtBefore_)
            lookFor(*std::exchange(soughtBefore_, std::nullopt));
        else
            state_.objectSearch().drop();
    }
    drawing_.reset();
    Q_EMIT figureChanged();
}

void LayerEditor::setPointer(std::optional<QPointF> at) {
    pointer_ = at;
    if (paintsOnPicture()) Q_EMIT figureChanged();
}

void LayerEditor::pressOnPicture(const PickedColour& colour) {
    pulled_ = shapes_->currentRow();
    const bool takesOut = QGuiApplication::keyboardModifiers() & Qt::ControlModifier;
    const bool begins = anew_ == pulled_;
    anew_ = -1;
    if (!takesOut || begins) return widen(colour, begins);
    // What is taken out is a shape of its own behind this one, and the hand goes on with it.
    const MaskShape* shape = chosenShape();
    if (!shape) return;
    MaskShape gone;
    gone.way = MaskShape::Way::TakeAway;
    if (std::holds_alternative<MaskTones>(shape->form))
        gone.form = MaskTones{};
    else
        gone.form = MaskColours{};
    const std::array<double, 3> seen = {double(colour.input[0]), double(colour.input[1]), double(colour.input[2])};
    if (auto* tones = std::get_if<MaskTones>(&gone.form)) *tones = tonesAround(seen);
    if (auto* colours = std::get_if<MaskColours>(&gone.form)) *colours = coloursAround(seen);
    const int row = pulled_ + 1;
    editMask(QStringLiteral("/shape/%1/range").arg(row),
             [&](Mask& next) { next.shapes.insert(next.shapes.begin() + row, gone); });
    shapes_->setCurrentRow(row);
    pulled_ = row;
}

void LayerEditor::sweepOnPicture(const PickedColour& colour) {
    if (shapes_->currentRow() == pulled_) widen(colour, false);
}

void LayerEditor::widen(const PickedColour& colour, bool begins) {
    const std::array<double, 3> seen = {double(colour.input[0]), double(colour.input[1]), double(colour.input[2])};
    editShape(QStringLiteral("/range"), [&](MaskShape& shape) {
        if (auto* tones = std::get_if<MaskTones>(&shape.form))
            *tones = begins ? tonesAround(seen) : widenedBy(*tones, seen);
        if (auto* colours = std::get_if<MaskColours>(&shape.form))
            *colours = begins ? coloursAround(seen) : widenedBy(*colours, seen);
    });
}

QString LayerEditor::pointerWords(QPointF at) const {
    const Layer* here = layer();
    if (!here || !here->isMasked()) return {};
    const double weight =
        hands_.weightAt(resolvedMask(state_.shownGrade().look, *here), at, pointed_.value_or(std::array<float, 3>{}));
    return tr("   mask %1 %").arg(std::lround(weight * 100));
}

} // namespace baryton
