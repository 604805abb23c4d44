#include "app/grade/miniatures.h"
#include "app/grade/placed_miniatures.h"
#include "app/grade/source_miniatures.h"
#include "app/render_image.h"
#include "app/theme/theme.h"
#include "colour/illuminant.h"
#include "colour/spaces.h"
#include "colour/transfer.h"
#include "render/program.h"
#include "stages/overlay.h"
#include "stages/raw.h"
#include "stages/source.h"
#include "stages/spline.h"
#include "stages/stage_type.h"

#include <QLinearGradient>
#include <QPainterPath>
#include <algorithm>
#include <array>
#include <cmath>
#include <numbers>

namespace baryton {

QColor hueColour(double degrees) {
    const Vec3 d = hueDirection(degrees);
    const auto channel = [&](std::size_t k) {
        return static_cast<int>(std::clamp(0.52 + 0.36 * d[k], 0.0, 1.0) * 255 + 0.5);
    };
    return {channel(0), channel(1), channel(2)};
}

QColor perceptualHueColour(double degrees) {
    constexpr double lightness = 0.7, chroma = 0.13;
    const double angle = degrees * std::numbers::pi / 180;
    const Vec3 linear = linearFromOklab({lightness, chroma * std::cos(angle), chroma * std::sin(angle)});
    const auto channel = [&](std::size_t k) {
        return static_cast<int>(std::lround(std::clamp(linearToSrgb(linear[k]), 0.0, 1.0) * 255));
    };
    return {channel(0), channel(1), channel(2)};
}

QVector<QPointF> toPoints(const Curve& curve) {
    QVector<QPointF> points;
    for (const CurvePoint& p : curve) points.push_back({p.x, p.y});
    return points;
}

Curve toCurve(const QVector<QPointF>& points) {
    Curve curve;
    for (const QPointF& p : points) curve.push_back({p.x(), p.y()});
    return curve;
}

namespace {

QPointF in(const QRectF& r, double x, double y) {
    return {r.left() + x * r.width(), r.bottom() - y * r.height()};
}

void drawFunction(QPainter& p, const QRectF& r, const std::function<double(double)>& f, const QPen& pen) {
    QPainterPath path;
    constexpr int steps = 32;
    for (int i = 0; i <= steps; ++i) {
        const double x = double(i) / steps;
        const QPointF at = in(r, x, std::clamp(f(x), 0.0, 1.0));
        i == 0 ? path.moveTo(at) : path.lineTo(at);
    }
    p.setPen(pen);
    p.drawPath(path);
}

void paintCurves(QPainter& p, const QRectF& r, const ParameterReader& read) {
    const auto& c = theme::colours();
    const std::pair<const char*, QColor> channels[] = {{"r", c.red}, {"g", c.green}, {"b", c.blue}, {"rgb", c.text}};
    for (const auto& [id, colour] : channels) {
        const Curve& curve = read.curve(id);
        if (std::string(id) != "rgb" && isStraight(curve)) continue;
        const Spline spline(curve);
        drawFunction(
            p, r, [&](double x) { return spline(x); }, QPen(colour, 1.5));
    }
}

void paintWheels(QPainter& p, const QRectF& r, const ParameterReader& read) {
    // One disc, as the editor has it: what each range is pulled toward, the levels as a line beside.
    const auto& c = theme::colours();
    const double radius = std::min(r.width(), r.height()) / 2;
    const QPointF centre = r.center();
    p.setPen(QPen(c.second, 1.2));
    p.setBrush(Qt::NoBrush);
    p.drawEllipse(centre, radius, radius);
    for (const char* range : {"whole", "midtones", "shadows", "highlights"}) {
        const std::string id = range;
        const double amount = read.number(id + ".amount"), angle = read.number(id + ".hue") * std::numbers::pi / 180;
        const QPointF at = centre + radius * amount * QPointF(std::cos(angle), -std::sin(angle));
        p.setPen(QPen(c.second, 1));
        p.drawLine(centre, at);
        p.setPen(Qt::NoPen);
        p.setBrush(amount > 0 ? hueColour(read.number(id + ".hue")) : c.second);
        p.drawEllipse(at, amount > 0 ? 3.5 : 2, amount > 0 ? 3.5 : 2);
    }
}

void paintStrip(QPainter& p, const QRectF& r, const QGradientStops& stops, double at) {
    QLinearGradient gradient(r.topLeft(), r.topRight());
    gradient.setStops(stops);
    const QRectF bar(r.left(), r.center().y() - 5, r.width(), 10);
    p.setPen(Qt::NoPen);
    p.setBrush(gradient);
    p.drawRoundedRect(bar, 2, 2);
    p.setPen(QPen(Qt::white, 2));
    p.drawLine(QPointF(bar.left() + at * bar.width(), bar.top() - 4),
               QPointF(bar.left() + at * bar.width(), bar.bottom() + 4));
}

void paintLut(QPainter& p, const QRectF& r, const ParameterReader& read) {
    const LutContent& lut = read.lut("file");
    const double side = std::min(r.width(), r.height());
    const QRectF square(r.center().x() - side / 2, r.center().y() - side / 2, side, side);
    constexpr int cells = 4;
    for (int y = 0; y < cells; ++y)
        for (int x = 0; x < cells; ++x) {
            QColor colour(0x3a, 0x3a, 0x3a);
            if (lut.table && !lut.table->grid.empty()) {
                const int n = lut.table->gridSize();
                const auto node = [&](int i) { return static_cast<std::size_t>(i * (n - 1) / (cells - 1)); };
                const std::size_t at =
                    3 * (node(x) +
                         static_cast<std::size_t>(n) * (node(y) + static_cast<std::size_t>(n) * node(cells - 1 - x)));
                const auto channel = [&](std::size_t k) {
                    return static_cast<int>(std::clamp(lut.table->grid[at + k], 0.0F, 1.0F) * 255);
                };
                colour = QColor(channel(0), channel(1), channel(2));
            }
            p.fillRect(QRectF(square.left() + x * side / cells, square.top() + (cells - 1 - y) * side / cells,
                              side / cells - 1, side / cells - 1),
                       colour);
        }
}

using Colour = std::array<float, 3>;

Program alone(const Stage& stage) {
    Grade grade;
    grade.finish.push_back(stage);
    return Program::compile(grade);
}

/// What the stage makes of greys from black to white, a line for each channel that goes its own way.
void paintAnswer(QPainter& p, const QRectF& r, const Stage& stage) {
    const auto& c = theme::colours();
    const Program program = alone(stage);
    constexpr int steps = 32;
    std::vector<Colour> answers;
    bool isGrey = true;
    for (int i = 0; i <= steps; ++i) {
        const float v = static_cast<float>(i) / steps;
        answers.push_back(program({v, v, v}));
        const Colour& a = answers.back();
        isGrey = isGrey && std::abs(a[0] - a[1]) < 0.01F && std::abs(a[2] - a[1]) < 0.01F;
    }
    const QColor colours[] = {c.red, c.green, c.blue};
    for (std::size_t k = isGrey ? 2 : 0; k < 3; ++k)
        drawFunction(
            p, r, [&](double x) { return double(answers[static_cast<std::size_t>(std::lround(x * steps))][k]); },
            QPen(isGrey ? c.text : colours[k], 1.5));
}

/// A row of colours above, and what the stage makes of them below.
void paintPatches(QPainter& p, const QRectF& r, const Stage& stage, bool greys) {
    const Program program = alone(stage);
    constexpr int patches = 10;
    const double width = r.width() / patches, half = r.height() / 2 - 3;
    const auto shown = [](const Colour& c) {
        const auto level = [](float v) { return static_cast<int>(std::lround(std::clamp(v, 0.0F, 1.0F) * 255)); };
        return QColor(level(c[0]), level(c[1]), level(c[2]));
    };
    for (int i = 0; i < patches; ++i) {
        Colour colour;
        if (greys) {
            colour.fill(static_cast<float>(i) / (patches - 1));
        } else {
            const Vec3 d = hueDirection(110 - 360.0 * i / patches); // red first
            for (std::size_t k = 0; k < 3; ++k)
                colour[k] = static_cast<float>(std::clamp(0.5 + 0.34 * d[k], 0.0, 1.0));
        }
        p.fillRect(QRectF(r.left() + i * width, r.top() + 2, width + 0.5, half), shown(colour));
        p.fillRect(QRectF(r.left() + i * width, r.top() + 4 + half, width + 0.5, half), shown(program(colour)));
    }
}

/// A lamp and a lit window at night, as the stage lets them shine.
void paintLamps(QPainter& p, const QRectF& r, const Stage& stage) {
    const int width = static_cast<int>(r.width()), height = static_cast<int>(r.height());
    Picture night(width, height);
    for (int y = 0; y < height; ++y)
        for (int x = 0; x < width; ++x) {
            const bool isWindow = x > width * 0.62 && x < width * 0.82 && y > height * 0.25 && y < height * 0.75;
            const bool isLamp = std::hypot(x - width * 0.28, y - height * 0.5) < height * 0.09;
            const Colour colour = isWindow ? Colour{1, 0.92F, 0.75F}
                                  : isLamp ? Colour{1, 1, 0.95F}
                                           : Colour{0.13F, 0.15F, 0.22F};
            for (int k = 0; k < 3; ++k) night.row(k, y)[x] = colour[static_cast<std::size_t>(k)];
        }
    p.drawImage(r.topLeft(), imageOf(alone(stage), night));
}

/// An edge from dark to light before and after.
void paintEdge(QPainter& p, const QRectF& r, const Stage& stage) {
    const auto& c = theme::colours();
    constexpr int width = 40, height = 15;
    Picture edge(width, height);
    for (int k = 0; k < 3; ++k)
        for (int y = 0; y < height; ++y)
            for (int x = 0; x < width; ++x)
                edge.row(k, y)[x] = std::clamp(0.3F + 0.4F * static_cast<float>(x - width / 2 + 2) / 4, 0.3F, 0.7F);
    const Picture out = alone(stage).graded(edge, 1);
    const auto draw = [&](const Picture& picture, const QPen& pen) {
        drawFunction(
            p, r, [&](double x) { return double(picture.row(1, height / 2)[std::lround(x * (width - 1))]); }, pen);
    };
    draw(edge, QPen(c.faint, 1));
    draw(out, QPen(c.text, 1.5));
}

/// Texture on either side of an edge, before and after.
void paintTexture(QPainter& p, const QRectF& r, const Stage& stage) {
    const auto& c = theme::colours();
    constexpr int width = 160, height = 40;
    Picture texture(width, height);
    for (int k = 0; k < 3; ++k)
        for (int y = 0; y < height; ++y)
            for (int x = 0; x < width; ++x)
                texture.row(k, y)[x] =
                    (x < width / 2 ? 0.3F : 0.72F) +
                    0.05F * static_cast<float>(std::sin(2 * std::numbers::pi * x / (width / 10.0)));
    Stage wide = stage;
    wide.parameters["reach"] = 100.0; // it is this texture that is meant
    const auto draw = [&](const Picture& picture, const QPen& pen) {
        drawFunction(
            p, r, [&](double x) { return double(picture.row(1, height / 2)[std::lround(x * (width - 1))]); }, pen);
    };
    draw(texture, QPen(c.faint, 1));
    draw(alone(wide).graded(texture, 1), QPen(c.text, 1.5));
}

/// A ramp with grain, as the pixels of a 24 megapixel picture have it.
void paintGrain(QPainter& p, const QRectF& r, const Stage& stage) {
    const int width = static_cast<int>(r.width()), height = static_cast<int>(r.height());
    Picture ramp(width, height);
    for (int k = 0; k < 3; ++k)
        for (int y = 0; y < height; ++y)
            for (int x = 0; x < width; ++x)
                ramp.row(k, y)[x] = 0.15F + 0.7F * static_cast<float>(x) / static_cast<float>(width);
    constexpr double longSide = 6000, shortSide = 4000;
    FrameMap map;
    map.perPixelX = 1 / longSide, map.perPixelY = 1 / shortSide, map.aspect = longSide / shortSide;
    Picture out(width, height);
    alone(stage).run(ramp, map, into(out), 1);
    p.drawImage(r.topLeft(), imageOf(Grade{}, out));
}

/// A sky and a roof as a sensor sees them in the evening, and what the stage leaves of that.
void paintNoise(QPainter& p, const QRectF& r, const Stage& stage) {
    const int width = static_cast<int>(r.width()), height = static_cast<int>(r.height());
    Picture noisy(width, height);
    std::uint32_t state = 7; // the same specks each time
    for (int k = 0; k < 3; ++k)
        for (int y = 0; y < height; ++y)
            for (int x = 0; x < width; ++x) {
                state = state * 1664525U + 1013904223U;
                const float chance = static_cast<float>(state >> 8) / 16777216.0F - 0.5F;
                const bool isRoof = y > height * 2 / 3 - std::abs(x - width / 2) / 3;
                noisy.row(k, y)[x] = (isRoof ? 0.2F : 0.55F) + 0.12F * chance;
            }
    p.drawImage(r.topLeft(), imageOf(alone(stage), noisy));
}

/// A dark branch before a bright sky, with the seams that a lens leaves, and what is left of them.
void paintSeams(QPainter& p, const QRectF& r, const Stage& stage) {
    const int width = static_cast<int>(r.width()), height = static_cast<int>(r.height());
    Picture branch(width, height);
    constexpr int seam = 3;
    for (int y = 0; y < height; ++y)
        for (int x = 0; x < width; ++x) {
            const int from = width * 2 / 5 + y / 6, to = width * 3 / 5 + y / 6; // it leans
            const bool isDark = x >= from && x < to, isLeft = x >= from - seam && x < from,
                       isRight = x >= to && x < to + seam;
            const std::array<float, 3> c = isDark    ? std::array{0.12F, 0.12F, 0.12F}
                                           : isLeft  ? std::array{0.72F, 0.45F, 0.88F}
                                           : isRight ? std::array{0.45F, 0.78F, 0.48F}
                                                     : std::array{0.85F, 0.85F, 0.85F};
            for (int k = 0; k < 3; ++k) branch.row(k, y)[x] = c[static_cast<std::size_t>(k)];
        }
    p.drawImage(r.topLeft(), imageOf(alone(stage), branch));
}

/// A small frame that is filled.
void paintFill(QPainter& p, const QRectF& r, const Stage& stage) {
    const QRectF frame = r.adjusted(r.width() * 0.1, 2, -r.width() * 0.1, -2);
    Grade only;
    only.look.emplace_back().stages = {stage};
    only.look.front().stages.front().enabled.reset();
    Picture grey(36, 24);
    for (int k = 0; k < 3; ++k)
        for (int y = 0; y < grey.height(); ++y) std::fill_n(grey.row(k, y), grey.width(), 0.35F);
    p.drawImage(frame, imageOf(only, grey));
}

/// A frame and what of it the bars leave open.
void paintBars(QPainter& p, const QRectF& r, const Stage& stage) {
    const int height = static_cast<int>(r.height() * 0.9), width = height * 3 / 2;
    Picture grey(width, height);
    for (int k = 0; k < 3; ++k)
        for (int y = 0; y < height; ++y) std::fill_n(grey.row(k, y), width, 0.5F);
    p.drawImage(r.center() - QPointF(width / 2.0, height / 2.0), imageOf(alone(stage), grey));
}

/// The triangle as its corners have been moved, over the one they came from.
void paintPrimaries(QPainter& p, const QRectF& r, const ParameterReader& read) {
    const auto& c = theme::colours();
    const QPointF corners[] = {{0.64, 0.33}, {0.30, 0.60}, {0.15, 0.06}}, white(0.3127, 0.3290);
    const char* names[] = {"red", "green", "blue"};
    const auto place = [&](QPointF xy) {
        constexpr double span = 0.66; // of y that is shown
        const double scale = r.height() / span;
        return QPointF(r.center().x() + (xy.x() - 0.36) * scale, r.center().y() - (xy.y() - 0.33) * scale);
    };
    QPolygonF from, to;
    for (int i = 0; i < 3; ++i) {
        const std::string name = names[i];
        const double angle = (read.number(name + ".turn") + read.number("all.turn")) * std::numbers::pi / 180;
        const double length = 1 + read.number(name + ".reach") + read.number("all.reach");
        const QPointF d = corners[i] - white;
        from.append(place(corners[i]));
        to.append(place(white + length * QPointF(d.x() * std::cos(angle) - d.y() * std::sin(angle),
                                                 d.x() * std::sin(angle) + d.y() * std::cos(angle))));
    }
    p.setPen(QPen(c.faint, 1));
    p.drawPolygon(from);
    p.setPen(QPen(c.text, 1.5));
    p.drawPolygon(to);
    const QColor dots[] = {c.red, c.green, c.blue};
    p.setPen(Qt::NoPen);
    for (int i = 0; i < 3; ++i) {
        p.setBrush(dots[i]);
        p.drawEllipse(to[i], 2.5, 2.5);
    }
}

/// The cells of the table's first rows, each washed with what it pushes to.
void paintPushTable(QPainter& p, const QRectF& r, const ParameterReader& read) {
    const auto& c = theme::colours();
    const std::pair<QColor, QColor> pairs[] = {{QColor(0x30, 0xb0, 0xb8), c.red},
                                               {QColor(0xc0, 0x50, 0xb8), c.green},
                                               {QColor(0xd0, 0xb8, 0x40), c.blue},
                                               {QColor(0xd8, 0xd8, 0xd8), QColor(0x10, 0x10, 0x10)}};
    const char* columns[] = {"cyan.red", "magenta.green", "yellow.blue", "density"};
    constexpr int rows = 4;
    for (int row = 0; row < rows; ++row)
        for (int column = 0; column < 4; ++column) {
            const double v = read.number("row" + std::to_string(row + 1) + "." + columns[column]);
            const QRectF cell(r.left() + column * r.width() / 4, r.top() + row * r.height() / rows, r.width() / 4,
                              r.height() / rows);
            p.setPen(Qt::NoPen);
            p.setBrush(c.well);
            p.drawRect(cell.adjusted(1, 1, -1, -1));
            if (v == 0) continue;
            QColor wash = v < 0 ? pairs[column].first : pairs[column].second;
            wash.setAlphaF(static_cast<float>(std::min(1.0, 0.3 + 0.9 * std::abs(v))));
            p.setBrush(wash);
            p.drawRect(cell.adjusted(1, 1, -1, -1));
        }
}

/// Where a temperature stands on the strip of light's colours.
void paintTemperature(QPainter& p, const QRectF& r, double kelvin) {
    const double mired = 1e6 / kelvin, low = 1e6 / kHighestTemperature, high = 1e6 / kLowestTemperature;
    paintStrip(p, r, {{0, QColor(0x5c, 0x86, 0xd8)}, {0.6, QColor(0x9a, 0x9a, 0x9a)}, {1, QColor(0xe0, 0xb0, 0x50)}},
               (high - mired) / (high - low));
}

/// The mosaic of a sensor's colours; where the white is set, the light that becomes neutral.
void paintRaw(QPainter& p, const QRectF& r, const Stage& stage) {
    const RawSettings raw = rawOf(stage);
    constexpr int columns = 8, rows = 4;
    QRectF area = r.adjusted(0, 2, 0, -2);
    if (!raw.isAsShot) {
        area.setHeight(area.height() * 0.62);
        paintTemperature(p, QRectF(r.left(), area.bottom() + 2, r.width(), r.bottom() - area.bottom() - 2),
                         raw.kelvin);
    }
    const double side = std::min(area.width() / columns, area.height() / rows);
    const QPointF corner = area.center() - QPointF(side * columns / 2, side * rows / 2);
    p.setPen(Qt::NoPen);
    for (int y = 0; y < rows; ++y)
        for (int x = 0; x < columns; ++x) {
            p.setBrush(y % 2 == 0 && x % 2 == 0   ? QColor(0xb0, 0x4a, 0x42)
                       : y % 2 != 0 && x % 2 != 0 ? QColor(0x42, 0x60, 0xb0)
                                                  : QColor(0x4c, 0x92, 0x58));
            p.drawRect(
                QRectF(corner + QPointF(x * side, y * side), QSizeF(side, side)).adjusted(0.5, 0.5, -0.5, -0.5));
        }
}

} // namespace

void paintMiniature(QPainter& p, const QRectF& r, const Stage& stage) {
    const StageType* type = findStageType(stage.type);
    const auto& c = theme::colours();
    p.setBrush(Qt::NoBrush);
    if (!type) {
        p.setPen(c.second);
        p.drawText(r, Qt::AlignCenter, QStringLiteral("?"));
        return;
    }
    const ParameterReader read(*type, stage);
    if (type->id == "curves") {
        paintCurves(p, r, read);
    } else if (type->id == "wheels") {
        paintWheels(p, r, read);
    } else if (type->id == kLensType) {
        paintLens(p, r, stage);
    } else if (type->id == "vignette") {
        paintVignette(p, r, stage);
    } else if (type->id == kOverlayType) {
        paintOverlay(p, r, stage);
    } else if (type->id == kRawType) {
        paintRaw(p, r, stage);
    } else if (type->id == kFrameType) {
        paintFrame(p, r, stage);
    } else if (type->id == "bloom" || type->id == "halation") {
        paintLamps(p, r, stage);
    } else if (type->id == "local-contrast") {
        paintTexture(p, r, stage);
    } else if (type->id == "noise") {
        paintNoise(p, r, stage);
    } else if (type->id == "defringe") {
        paintSeams(p, r, stage);
    } else if (type->id == "grain") {
        paintGrain(p, r, stage);
    } else if (type->id == "fill") {
        paintFill(p, r, stage);
    } else if (type->id == "bars") {
        paintBars(p, r, stage);
    } else if (type->id == "detail") {
        paintEdge(p, r, stage);
    } else if (type->id == "lut") {
        paintLut(p, r, read);
    } else if (type->id == "white-balance") {
        paintTemperature(p, r, read.number("temperature"));
    } else if (type->id == "primaries") {
        paintPrimaries(p, r, read);
    } else if (type->id == "push-table") {
        paintPushTable(p, r, read);
    } else if (type->id == "gradient-map") {
        paintPatches(p, r, stage, true);
    } else if (type->id == "exposure" || type->id == "tone" || type->id == "levels" || type->id == "split-tone" ||
               type->id == "film-response") {
        paintAnswer(p, r, stage);
    } else {
        paintPatches(p, r, stage, false);
    }
}

} // namespace baryton
