// What the hand does with a layer's mask on the picture: shapes are pulled, strokes painted, ranges pressed and
// swept.
#include "app/grade/layer_editor.h"
#include "grade/mask_links.h"
#include "render/mask_ranges.h"

#include <QGuiApplication>
#include <cmath>

namespace baryton {

PictureFigure LayerEditor::figure() const {
    PictureFigure figure = hands_.figure(mask(), shapes_->currentRow());
    if (!paintsOnPicture() || !pointer_) return figure;
    const MaskTools::Brush& brush = state_.maskTools().brush();
    figure.lines += hands_.brushFigure(*pointer_, brush.size, brush.softness).lines;
    return figure;
}

Qt::CursorShape LayerEditor::pullAt(QPointF at, QSizeF reach) const {
    const MaskShape* shape = chosenShape();
    return shape ? hands_.cursorAt(*shape, at, reach) : Qt::ArrowCursor;
}

void LayerEditor::startPull(QPointF at, QSizeF reach) {
    const MaskShape* shape = chosenShape();
    pulled_ = shape ? shapes_->currentRow() : -1;
    stroke_.reset();
    if (!shape) return;
    const auto* brush = std::get_if<MaskBrush>(&shape->form);
    if (!brush) return hands_.start(*shape, at, reach);
    const MaskTools::Brush& hand = state_.maskTools().brush();
    const bool isOther = QGuiApplication::keyboardModifiers() & Qt::ControlModifier;
    stroke_ = MaskStroke{hand.size, hand.softness, hand.flow, hand.erases != isOther, {}, {}};
    if (hand.keepsToColour && pointed_)
        stroke_->colour = oklabOf({double((*pointed_)[0]), double((*pointed_)[1]), double((*pointed_)[2])});
    strokeAt_ = brush->strokes.size();
    paint(at);
}

void LayerEditor::paint(QPointF at) {
    constexpr std::size_t many = 1000; // a pen goes through as many in a few seconds
    stroke_->points.push_back(hands_.strokePoint(at, pressure_));
    MaskStroke kept = *stroke_;
    kept.points = simplified(stroke_->points, hands_.sourceAspect(), strokeTolerance(stroke_->size));
    if (stroke_->points.size() >= many) stroke_->points = kept.points;
    if (kept.points.size() > kMostStrokePoints) return;
    const SharedStroke shared{std::make_shared<const MaskStroke>(std::move(kept))};
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
    if (stroke_) {
        const auto* brush = std::get_if<MaskBrush>(&chosenShape()->form);
        if (!brush || brush->strokes.size() != strokeAt_ + 1) return;
        setPointer(at);
        return paint(at);
    }
    editShape(QStringLiteral("/pull"), [&](MaskShape& shape) {
        const MaskShape next = hands_.pulledTo(at);
        if (next.form.index() == shape.form.index()) shape.form = next.form;
    });
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
