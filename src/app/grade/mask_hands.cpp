#include "app/grade/mask_hands.h"
#include "grade/mask_moves.h"

#include <QLineF>
#include <algorithm>
#include <cmath>
#include <deque>
#include <numbers>

namespace baryton {

namespace {

/// Numbers as files and rows have them.
double rounded(double v) {
    return std::clamp(std::round(v * 1e4) / 1e4, -kMaskReach, kMaskReach);
}
double radius(double v) {
    return std::clamp(std::round(v * 1e4) / 1e4, 0.005, kMaskReach);
}
double degrees(double radians) {
    return std::round(std::remainder(radians * 180 / std::numbers::pi, 180) * 10) / 10; // half a turn is none
}
double angleOf(QPointF way) {
    return std::atan2(way.y(), way.x());
}

} // namespace

bool MaskHands::setFrame(std::shared_ptr<const FramePlace> place, double aspect) {
    if (place == scene_.frame.place && aspect == scene_.frame.aspect) return false;
    scene_.frame.place = std::move(place), scene_.frame.aspect = aspect;
    return true;
}

QPointF MaskHands::toSource(QPointF frame) const {
    if (!place()) return frame;
    const SharePoint there = place()->toSource({frame.x(), frame.y()});
    return {there.x, there.y};
}

QPointF MaskHands::fromSource(QPointF source) const {
    if (!place()) return source;
    const SharePoint there = place()->fromSource({source.x(), source.y()});
    return {there.x, there.y};
}

QPointF MaskHands::lengths(QPointF source) const {
    return {source.x() * std::min(1.0, sourceAspect()), source.y() * std::min(1.0, 1 / sourceAspect())};
}

QPointF MaskHands::share(QPointF lengths) const {
    return {lengths.x() / std::min(1.0, sourceAspect()), lengths.y() / std::min(1.0, 1 / sourceAspect())};
}

MaskShape MaskHands::newEllipse(QPointF at) const {
    constexpr double reach = 0.22; // of the frame's sides
    const QPointF middle = toSource(at), across = lengths(toSource(at + QPointF(reach, 0))) - lengths(middle),
                  down = lengths(toSource(at + QPointF(0, reach))) - lengths(middle);
    MaskEllipse ellipse;
    ellipse.x = rounded(middle.x()), ellipse.y = rounded(middle.y());
    ellipse.radiusX = radius(std::hypot(across.x(), across.y())),
    ellipse.radiusY = radius(std::hypot(down.x(), down.y()));
    ellipse.turn = degrees(angleOf(across));
    return {ellipse, MaskShape::Way::Add, false, {}};
}

MaskShape MaskHands::newRamp(QPointF at) const {
    constexpr double reach = 0.2;
    const QPointF from = toSource(at - QPointF(0, reach)), to = toSource(at + QPointF(0, reach));
    return {MaskRamp{rounded(from.x()), rounded(from.y()), rounded(to.x()), rounded(to.y())},
            MaskShape::Way::Add,
            false,
            {}};
}

QPointF MaskHands::onEllipse(const MaskEllipse& e, double angle, double scale) const {
    const double a = e.radiusX * std::cos(angle) * scale, b = e.radiusY * std::sin(angle) * scale,
                 turn = e.turn * std::numbers::pi / 180;
    return fromSource(share(lengths({e.x, e.y}) + QPointF(a * std::cos(turn) - b * std::sin(turn),
                                                          a * std::sin(turn) + b * std::cos(turn))));
}

QPointF MaskHands::inside(const MaskEllipse& e, QPointF frame) const {
    const QPointF d = lengths(toSource(frame)) - lengths({e.x, e.y});
    const double turn = e.turn * std::numbers::pi / 180;
    return {(d.x() * std::cos(turn) + d.y() * std::sin(turn)) / e.radiusX,
            (d.y() * std::cos(turn) - d.x() * std::sin(turn)) / e.radiusY};
}

void MaskHands::addForm(const MaskEllipse& e, bool isFaint, PictureFigure& figure) const {
    const auto add = [&](double scale, bool faint) {
        constexpr int pieces = 96;
        QPolygonF points;
        for (int i = 0; i <= pieces; ++i) points.append(onEllipse(e, 2 * std::numbers::pi * i / pieces, scale));
        figure.lines.append({points, faint, {}});
    };
    add(1, isFaint);
    if (isFaint) return;
    if (e.feather > 0.02 && e.feather < 0.98) add(1 - e.feather, true); // whole up to there
    figure.handles.append(fromSource({e.x, e.y}));
    for (int quarter = 0; quarter < 4; ++quarter)
        figure.handles.append(onEllipse(e, quarter * std::numbers::pi / 2, 1));
}

void MaskHands::addForm(const MaskRamp& ramp, bool isFaint, PictureFigure& figure) const {
    const QPointF from = lengths({ramp.fromX, ramp.fromY}), to = lengths({ramp.toX, ramp.toY});
    const QPointF way = to - from, across = QPointF(-way.y(), way.x()) / std::max(std::hypot(way.x(), way.y()), 1e-9);
    const auto add = [&](double part, bool faint) {
        constexpr int pieces = 24; // straight in the source, perhaps not in the frame
        constexpr double reach = 1.5;
        QPolygonF points;
        for (int i = 0; i <= pieces; ++i)
            points.append(fromSource(share(from + way * part + across * (reach * (2.0 * i / pieces - 1)))));
        figure.lines.append({points, faint, {}});
    };
    add(0, isFaint), add(1, isFaint);
    if (isFaint) return;
    add(0.5, true);
    for (const QPointF& end : {from, to}) figure.handles.append(fromSource(share(end)));
}

PictureFigure MaskHands::figure(const Mask& mask, int chosen) const {
    PictureFigure figure;
    for (int i = 0; i < static_cast<int>(mask.shapes.size()); ++i) {
        const MaskShape shape = placed(mask.shapes[static_cast<std::size_t>(i)], mask.placement, sourceAspect());
        std::visit(
            [&](const auto& form) {
                if constexpr (requires { addForm(form, true, figure); }) addForm(form, i != chosen, figure);
            },
            shape.form);
    }
    return figure;
}

PictureFigure MaskHands::figureOf(const MaskShape& shape) const {
    return figure(Mask{{shape}, false, 1}, 0);
}

std::optional<MaskShape> MaskHands::roundAll(const Mask& mask) const {
    const auto bounds = boundsOf(mask, sourceAspect());
    if (!bounds) return std::nullopt;
    const QPointF first = lengths({bounds->left, bounds->top}), last = lengths({bounds->right, bounds->bottom});
    MaskEllipse round;
    round.x = (bounds->left + bounds->right) / 2, round.y = (bounds->top + bounds->bottom) / 2;
    round.radiusX = radius((last.x() - first.x()) / 2), round.radiusY = radius((last.y() - first.y()) / 2);
    round.feather = 0;
    return placed({round, {}, false, {}}, mask.placement, sourceAspect());
}

MaskPlacement MaskHands::placementBy(const Mask& mask, const MaskShape& round) const {
    Mask unplaced = mask;
    unplaced.placement = {};
    const auto before = roundAll(unplaced);
    if (!before) return mask.placement;
    const auto& from = std::get<MaskEllipse>(before->form);
    const auto& to = std::get<MaskEllipse>(round.form);
    MaskPlacement placement = mask.placement;
    if (isIdentity(placement)) placement.x = from.x, placement.y = from.y;
    // A pull of one handle alone pulls both ways.
    const double wider = to.radiusX / from.radiusX, higher = to.radiusY / from.radiusY;
    const double scale = std::abs(wider - placement.scale) > std::abs(higher - placement.scale) ? wider : higher;
    placement.scale = std::clamp(std::round(scale * 1e4) / 1e4, kLeastMaskScale, kMostMaskScale);
    // An ellipse is the same after half a turn, what lies within it is not.
    const double turn = placement.turn + std::remainder(to.turn - placement.turn, 180);
    placement.turn = std::round(std::remainder(turn, 360) * 10) / 10;
    placement.moveX = placement.moveY = 0;
    MaskShape unmoved = placed(*before, placement, sourceAspect());
    const auto& there = std::get<MaskEllipse>(unmoved.form);
    const QPointF by = lengths({to.x, to.y}) - lengths({there.x, there.y});
    placement.moveX = rounded(by.x()), placement.moveY = rounded(by.y());
    return placement;
}

PictureFigure MaskHands::brushFigure(QPointF at, double size, double softness) const {
    PictureFigure figure;
    const QPointF middle = toSource(at);
    MaskEllipse reach;
    reach.x = middle.x(), reach.y = middle.y(), reach.radiusX = reach.radiusY = size, reach.feather = softness;
    addForm(reach, false, figure);
    figure.handles.clear();
    return figure;
}

QPolygonF MaskHands::path(const std::vector<StrokePoint>& points) const {
    QPolygonF line;
    for (const StrokePoint& p : points) line.append(fromSource({p.x, p.y}));
    return line;
}

std::vector<StrokePoint> MaskHands::placesOn(const MaskEllipse& ellipse) const {
    constexpr int pieces = 72;
    std::vector<StrokePoint> places;
    for (int i = 0; i < pieces; ++i)
        places.push_back(strokePoint(onEllipse(ellipse, 2 * std::numbers::pi * i / pieces, 1), 1));
    return simplified(places, sourceAspect(), 0);
}

StrokePoint MaskHands::strokePoint(QPointF at, double width) const {
    const QPointF source = toSource(at);
    return {std::clamp(source.x(), -kMaskReach, kMaskReach), std::clamp(source.y(), -kMaskReach, kMaskReach), width};
}

MaskHands::Pull MaskHands::pullAt(const MaskShape& shape, QPointF at, QSizeF reach) const {
    const QPointF here = lengths(toSource(at));
    const QPointF aside = lengths(toSource(at + QPointF(0, reach.height()))) - here;
    const double near = std::hypot(aside.x(), aside.y());
    const auto away = [&](QPointF frame) { return QLineF(here, lengths(toSource(frame))).length(); };
    if (const auto* ramp = std::get_if<MaskRamp>(&shape.form)) {
        const double from = QLineF(here, lengths({ramp->fromX, ramp->fromY})).length(),
                     to = QLineF(here, lengths({ramp->toX, ramp->toY})).length();
        if (std::min(from, to) < near) return from < to ? Pull::From : Pull::To;
        return Pull::Move;
    }
    const auto* ellipse = std::get_if<MaskEllipse>(&shape.form);
    if (!ellipse) return Pull::None;
    const MaskEllipse& e = *ellipse;
    for (int quarter = 0; quarter < 4; ++quarter)
        if (away(onEllipse(e, quarter * std::numbers::pi / 2, 1)) < near)
            return quarter % 2 == 0 ? Pull::Width : Pull::Height;
    const QPointF in = inside(e, at);
    const double from = std::hypot(in.x(), in.y());
    const double fromMiddle = QLineF(here, lengths({e.x, e.y})).length();
    if (std::abs(from - 1) * fromMiddle / std::max(from, 1e-6) < near) return Pull::Size;
    return from < 1 ? Pull::Move : Pull::Turn;
}

Qt::CursorShape MaskHands::cursorAt(const MaskShape& shape, QPointF at, QSizeF reach) const {
    switch (pullAt(shape, at, reach)) {
    case Pull::Width:
    case Pull::Height:
    case Pull::Size:
        return Qt::SizeFDiagCursor;
    case Pull::Turn:
        return Qt::CrossCursor;
    case Pull::From:
    case Pull::To:
        return Qt::PointingHandCursor;
    case Pull::None:
        return Qt::CrossCursor;
    case Pull::Move:
        break;
    }
    return Qt::SizeAllCursor;
}

void MaskHands::start(const MaskShape& shape, QPointF at, QSizeF reach) {
    pull_ = pullAt(shape, at, reach);
    from_ = shape, at_ = at;
}

MaskEllipse MaskHands::pulled(MaskEllipse e, QPointF at) const {
    const QPointF began = inside(e, at_), now = inside(e, at);
    const QPointF middle = lengths({e.x, e.y});
    switch (pull_) {
    case Pull::Width:
        e.radiusX = radius(e.radiusX * (std::abs(now.x()) + 1 - std::abs(began.x())));
        break;
    case Pull::Height:
        e.radiusY = radius(e.radiusY * (std::abs(now.y()) + 1 - std::abs(began.y())));
        break;
    case Pull::Size: {
        const double by = std::hypot(now.x(), now.y()) / std::max(std::hypot(began.x(), began.y()), 1e-6);
        e.radiusX = radius(e.radiusX * by), e.radiusY = radius(e.radiusY * by);
        break;
    }
    case Pull::Turn:
        e.turn = degrees(e.turn * std::numbers::pi / 180 + angleOf(lengths(toSource(at)) - middle) -
                         angleOf(lengths(toSource(at_)) - middle));
        break;
    default: {
        const QPointF to = share(middle + lengths(toSource(at)) - lengths(toSource(at_)));
        e.x = rounded(to.x()), e.y = rounded(to.y());
    }
    }
    return e;
}

MaskRamp MaskHands::pulled(MaskRamp ramp, QPointF at) const {
    const QPointF by = toSource(at) - toSource(at_);
    MaskRamp next = ramp;
    if (pull_ != Pull::To) next.fromX = rounded(ramp.fromX + by.x()), next.fromY = rounded(ramp.fromY + by.y());
    if (pull_ != Pull::From) next.toX = rounded(ramp.toX + by.x()), next.toY = rounded(ramp.toY + by.y());
    // Its two places never lie on one another.
    return std::hypot(next.toX - next.fromX, next.toY - next.fromY) < 0.005 ? ramp : next;
}

MaskShape MaskHands::pulledTo(QPointF at) const {
    MaskShape shape = from_;
    std::visit(
        [&](auto& form) {
            if constexpr (requires { pulled(form, at); }) form = pulled(form, at);
        },
        shape.form);
    return shape;
}

double MaskHands::weightAt(const Mask& mask, QPointF at, const std::array<float, 3>& colour) const {
    const QPointF source = toSource(at);
    return double(MaskWeights(mask, scene_.frame).at({source.x(), source.y()}, colour));
}

namespace {

/// A mask at a glance: what is smaller than a sixtieth of the frame is nothing to the eye.
struct Glance {
    Mask mask;
    std::shared_ptr<const FramePlace> place;
    double aspect = 1;
    Picture colours; ///< kept, so that another one never stands at its place in memory
    MaskCover cover;
    QImage image;
};
constexpr int kGlanceWidth = 60, kGlanceHeight = 40;

/// The chain, the editor and its list ask for the same masks at every move of a hand: each is looked at once.
const Glance& glanceAt(const Mask& mask, const MaskScene& scene) {
    static std::deque<Glance> known;
    constexpr std::size_t most = 24;
    const auto rowOf = [](const Picture& picture) { return picture.isEmpty() ? nullptr : picture.row(0, 0); };
    for (const Glance& each : known)
        if (each.place == scene.frame.place && each.aspect == scene.frame.aspect &&
            rowOf(each.colours) == rowOf(scene.colours) && each.mask == mask)
            return each;
    static const auto painted = std::make_shared<KeptPaint>();
    MaskScene kept = scene;
    kept.frame.painted = painted;
    const std::vector<float> weights = weightsOver(mask, kept, kGlanceWidth, kGlanceHeight);
    QImage image(kGlanceWidth, kGlanceHeight, QImage::Format_Grayscale8);
    for (int y = 0; y < kGlanceHeight; ++y)
        for (int x = 0; x < kGlanceWidth; ++x)
            image.scanLine(y)[x] =
                static_cast<uchar>(std::lround(weights[static_cast<std::size_t>(y * kGlanceWidth + x)] * 255));
    if (known.size() == most) known.pop_back();
    known.push_front({mask, scene.frame.place, scene.frame.aspect, scene.colours, baryton::coverOf(weights), image});
    return known.front();
}

} // namespace

QImage MaskHands::image(const Mask& mask, QSize size) const {
    return glanceAt(mask, scene_).image.scaled(size, Qt::IgnoreAspectRatio, Qt::SmoothTransformation);
}

MaskCover MaskHands::coverOf(const Mask& mask) const {
    return glanceAt(mask, scene_).cover;
}

} // namespace baryton
