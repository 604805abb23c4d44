// How an object of the picture is drawn round, and how strokes correct what was found of it.
#include "app/grade/layer_editor.h"
#include "grade/mask_moves.h"
#include "render/find_object.h"

#include <QGuiApplication>
#include <cmath>
#include <numbers>

namespace baryton {

namespace {

/// Fewer places enclose nothing that a hand could have meant.
constexpr std::size_t kLeastOutline = 8;

} // namespace

const MaskObject* LayerEditor::object() const {
    const MaskShape* shape = chosenShape();
    const auto* now = shape ? std::get_if<MaskObject>(&shape->form) : nullptr;
    if (!now) return nullptr;
    const auto& wish = state_.objectSearch().wish();
    const bool isSought = wish && wish->picture == state_.key() && wish->layer == stageId() &&
                          wish->shape == shapes_->currentRow() && wish->before == *shape;
    return isSought ? &wish->drawn : now;
}

void LayerEditor::startDrawing(QPointF at) {
    if (!isIdentity(mask().placement))
        return state_.tell(tr("The mask was taken elsewhere: put it back before you draw round an object"));
    const MaskTools::Brush& hand = state_.maskTools().brush();
    const bool isOther = QGuiApplication::keyboardModifiers() & Qt::ControlModifier;
    drawing_ = Drawing{object()->outline.empty() || anew_ == shapes_->currentRow(),
                       MaskStroke{hand.size, hand.softness, 1, hand.erases != isOther, {}, {}}};
    drawTo(at);
}

void LayerEditor::drawTo(QPointF at) {
    constexpr std::size_t many = 1000;
    std::vector<StrokePoint>& points = drawing_->stroke.points;
    points.push_back(hands_.strokePoint(at, drawing_->isOutline ? 1 : pressure_));
    if (points.size() % many == 0) points = simplified(points, hands_.sourceAspect(), kOutlineTolerance);
    pointer_ = at;
    Q_EMIT figureChanged();
}

void LayerEditor::endPull() {
    if (!drawing_) return;
    const Drawing drawn = *std::exchange(drawing_, std::nullopt);
    const MaskObject* now = object();
    if (!now || shapes_->currentRow() != pulled_) return Q_EMIT figureChanged();
    MaskObject next = *now;
    std::vector<StrokePoint> points =
        simplified(drawn.stroke.points, hands_.sourceAspect(),
                   drawn.isOutline ? kOutlineTolerance : strokeTolerance(drawn.stroke.size));
    if (points.size() > kMostStrokePoints) points.resize(kMostStrokePoints);
    if (drawn.isOutline) {
        Q_EMIT figureChanged();
        if (drawn.stroke.points.size() < kLeastOutline)
            return state_.tell(tr("Draw all the way round the object: press, go round it, let go"));
        next = MaskObject();
        next.outline = std::move(points);
    } else {
        MaskStroke stroke = drawn.stroke;
        stroke.points = std::move(points);
        if (next.strokes.size() < kMostStrokes)
            next.strokes.push_back({std::make_shared<const MaskStroke>(std::move(stroke))});
    }
    anew_ = -1;
    looksFor_ = true;
    soughtBefore_ = state_.objectSearch().wish() ? std::optional(*now) : std::nullopt;
    lookFor(std::move(next));
}

void LayerEditor::lookFor(MaskObject drawn) {
    const auto source = state_.pictures().wholeShown();
    const MaskShape* shape = chosenShape();
    if (!source || !shape) return;
    // What is found in a layer that does nothing yet could not be seen.
    if (state_.maskTools().veil() == MaskVeil::None && layer()->stages.empty()) state_.maskTools().toggleVeil();
    state_.objectSearch().look(source, {state_.key(), stageId(), shapes_->currentRow(), *shape, std::move(drawn)});
}

void LayerEditor::findInEllipse() {
    const MaskShape* shape = chosenShape();
    const auto* ellipse = shape ? std::get_if<MaskEllipse>(&shape->form) : nullptr;
    if (!ellipse) return;
    MaskObject drawn;
    drawn.outline = hands_.placesOn(*ellipse);
    if (!isIdentity(mask().placement))
        return state_.tell(tr("The mask was taken elsewhere: put it back before you draw round an object"));
    lookFor(std::move(drawn));
}

PictureFigure LayerEditor::objectFigure() const {
    PictureFigure figure;
    const MaskObject* now = object();
    if (!now) return figure;
    const bool isSought = state_.objectSearch().wish().has_value();
    const MaskShape shape = placed({*now, {}, false, {}}, mask().placement, hands_.sourceAspect());
    const auto& there = std::get<MaskObject>(shape.form);
    const bool drawsAnew = drawing_ && drawing_->isOutline;
    if (!there.outline.empty() && !drawsAnew) {
        QPolygonF line = hands_.path(there.outline);
        line.append(line.front());
        figure.lines.append({line, !isSought, {}});
    }
    if (isSought && !there.strokes.empty())
        figure.lines.append({hands_.path(there.strokes.back()->points), false, {}});
    if (drawing_) figure.lines.append({hands_.path(drawing_->stroke.points), false, {}});
    return figure;
}

QString LayerEditor::objectWords() const {
    const MaskObject* now = object();
    if (!now) return {};
    const ObjectSearch& search = state_.objectSearch();
    if (search.wish()) return tr("Looking for it… %1 %").arg(std::lround(search.progress() * 100));
    if (anew_ == shapes_->currentRow() || now->outline.empty())
        return tr("Draw loosely round it on the picture: press, go all the way round, let go.");
    if (!now->found.encoded || hands_.coverOf(Mask{{*chosenShape()}, false, 1}).isNothing())
        return tr("Nothing was found within the line. Paint over what belongs to it, or draw anew.");
    return tr("Paint over what is missing; over what does not belong with Ctrl.");
}

} // namespace baryton
