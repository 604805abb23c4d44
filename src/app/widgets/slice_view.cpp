#include "app/widgets/slice_view.h"
#include "app/theme/theme.h"
#include "app/widgets/moved_colours.h"
#include "colour/spaces.h"
#include "colour/transfer.h"

#include <QPainter>
#include <QPainterPath>
#include <algorithm>
#include <cmath>
#include <numbers>

namespace baryton {

namespace {

constexpr double kReach = 0.36; ///< of a and b, from the middle to the edge
/// Skin as it is met (see LutHealth).
constexpr double kSkinFrom = 35, kSkinTo = 75, kSkinLeast = 0.04, kSkinMost = 0.13;

} // namespace

SliceView::SliceView(QWidget* parent) : QWidget(parent) {
    setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Expanding);
}

void SliceView::setMoves(std::vector<ColourMove> moves) {
    moves_ = std::move(moves);
    update();
    announce(this);
}

void SliceView::setShare(double share) {
    share_ = share;
    update();
}

QPointF SliceView::placeOf(double a, double b) const {
    const double scale = std::min(width(), height()) / (2 * kReach);
    return {width() / 2.0 + a * scale, height() / 2.0 - b * scale};
}

QPointF SliceView::place(const std::array<double, 3>& rgb) const {
    const Vec3 lab = oklabFromLinear({srgbToLinear(rgb[0]), srgbToLinear(rgb[1]), srgbToLinear(rgb[2])});
    return placeOf(lab[1], lab[2]);
}

void SliceView::paintEvent(QPaintEvent*) {
    QPainter p(this);
    const auto& c = theme::colours();
    p.fillRect(rect(), c.well);
    p.setRenderHint(QPainter::Antialiasing);
    p.setPen(QPen(c.edge, 1));
    const QPointF middle = placeOf(0, 0);
    for (const double chroma : {0.1, 0.2, 0.3}) {
        const double radius = placeOf(chroma, 0).x() - middle.x();
        p.drawEllipse(middle, radius, radius);
    }
    p.drawLine(placeOf(-kReach, 0), placeOf(kReach, 0));
    p.drawLine(placeOf(0, -kReach), placeOf(0, kReach));
    for (const ColourMove& move : moves_) {
        constexpr double size = 3;
        drawMove(p, move, place(onItsWay(move, 0)), place(onItsWay(move, share_)), share_, size);
    }
    // Over the dots: they fill it.
    QPainterPath skin;
    const auto ring = [&](double chroma) {
        const double radius = placeOf(chroma, 0).x() - middle.x();
        return QRectF(middle.x() - radius, middle.y() - radius, 2 * radius, 2 * radius);
    };
    skin.arcMoveTo(ring(kSkinMost), kSkinFrom);
    skin.arcTo(ring(kSkinMost), kSkinFrom, kSkinTo - kSkinFrom);
    skin.arcTo(ring(kSkinLeast), kSkinTo, kSkinFrom - kSkinTo);
    skin.closeSubpath();
    p.setBrush(Qt::NoBrush);
    p.setPen(QPen(c.text, 1.2));
    p.drawPath(skin);
    const double hue = (kSkinFrom + kSkinTo) / 2 * std::numbers::pi / 180;
    p.drawText(placeOf(kReach * 0.92 * std::cos(hue), kReach * 0.92 * std::sin(hue)) - QPointF(14, 0), tr("skin"));
    p.setPen(QPen(c.faint, 1));
    p.drawLine(placeOf(kSkinMost * std::cos(hue), kSkinMost * std::sin(hue)),
               placeOf(kReach * 0.86 * std::cos(hue), kReach * 0.86 * std::sin(hue)));
}

QString SliceView::inWords() const {
    double sum = 0;
    for (const ColourMove& move : moves_) sum += move.apart;
    return tr("%1 colours of one lightness, ΔE %2 on average")
        .arg(moves_.size())
        .arg(moves_.empty() ? 0 : sum / double(moves_.size()), 0, 'f', 1);
}

} // namespace baryton
