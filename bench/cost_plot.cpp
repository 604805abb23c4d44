#include "cost_plot.h"
#include "render/program.h"
#include "sample_picture.h"
#include "stages/stage_type.h"

#include <QImage>
#include <QPainter>
#include <cmath>
#include <fmt/format.h>
#include <iostream>

namespace baryton::bench {

namespace {

struct Point {
    double x, ms;
};

/// Stages of five kinds in turn, each at a setting that changes the picture.
Grade chainOf(int stages) {
    Grade grade;
    grade.look.emplace_back();
    for (int i = 0; i < stages; ++i) {
        const char* types[] = {"curves", "wheels", "split-tone", "saturation", "tone"};
        Stage stage = makeStage(grade, types[i % 5]);
        switch (i % 5) {
        case 0:
            stage.parameters["rgb"] = Curve{{0, 0.01}, {0.5, 0.51}, {1, 0.99}};
            break;
        case 1:
            stage.parameters["midtones.amount"] = 0.05;
            break;
        case 2:
            stage.parameters["shadows.amount"] = 0.05;
            break;
        case 3:
            stage.parameters["overall"] = i % 2 ? 0.03 : -0.03;
            break;
        default:
            stage.parameters["contrast"] = 0.05;
        }
        grade.look[0].stages.push_back(std::move(stage));
    }
    return grade;
}

double timeOf(const Program& program, const Picture& picture) {
    const auto run = [&] {
        program.run(
            picture, FrameMap::whole(picture), [](int, int, int, const float*, const float*, const float*) {}, 2);
    };
    return sideBySide({run}, 3)[0].median;
}

void panel(QPainter& p, const QRectF& area, const std::vector<Point>& points, const QString& title,
           const QString& unit) {
    double mostX = 0, mostY = 0;
    for (const Point& point : points) mostX = std::max(mostX, point.x), mostY = std::max(mostY, point.ms);
    const auto at = [&](double x, double y) {
        return QPointF(area.left() + x / mostX * area.width(), area.bottom() - y / (1.1 * mostY) * area.height());
    };
    p.setPen(QPen(Qt::black, 1));
    p.drawText(area.adjusted(0, -26, 0, 0), Qt::AlignTop | Qt::AlignLeft, title);
    p.drawLine(area.bottomLeft(), area.bottomRight());
    p.drawLine(area.bottomLeft(), area.topLeft());
    for (int i = 0; i <= 4; ++i) {
        p.drawText(QRectF(at(mostX * i / 4, 0) + QPointF(-30, 4), QSizeF(60, 16)), Qt::AlignCenter,
                   QString::number(mostX * i / 4, 'f', 0));
        p.drawText(QRectF(at(0, mostY * i / 4) + QPointF(-66, -8), QSizeF(60, 16)), Qt::AlignRight | Qt::AlignVCenter,
                   QString::number(mostY * i / 4, 'f', 0));
    }
    p.drawText(QRectF(area.left(), area.bottom() + 20, area.width(), 18), Qt::AlignCenter, unit);
    p.setPen(QPen(QColor(0x9a, 0x6c, 0x10), 2));
    for (std::size_t i = 1; i < points.size(); ++i)
        p.drawLine(at(points[i - 1].x, points[i - 1].ms), at(points[i].x, points[i].ms));
    for (const Point& point : points) p.drawEllipse(at(point.x, point.ms), 3, 3);
}

} // namespace

void plotCosts(const QString& file) {
    std::vector<Point> byStages, byPixels;
    Picture four(2400, 1667);
    const auto paint = [](Picture& picture) {
        for (int k = 0; k < 3; ++k)
            for (int y = 0; y < picture.height(); ++y) {
                float* row = picture.row(k, y);
                for (int x = 0; x < picture.width(); ++x)
                    row[x] = static_cast<float>((x * (7 + k) + y * 13) % 1021) / 1020;
            }
    };
    paint(four);
    std::cout << "\nms by stages (4 megapixels):";
    for (const int stages : {1, 2, 4, 8, 12, 16, 20, 25, 30, 35, 40}) {
        byStages.push_back({double(stages), timeOf(Program::compile(chainOf(stages)), four)});
        std::cout << fmt::format(" {}:{:.0f}", stages, byStages.back().ms) << std::flush;
    }
    std::cout << "\nms by megapixels (four stages):";
    const Program program = Program::compile(chainOf(4));
    for (const int megapixels : {1, 2, 5, 10, 24, 50, 75, 100}) {
        const int width = static_cast<int>(std::lround(std::sqrt(1.5 * megapixels * 1e6)));
        Picture picture(width, width * 2 / 3);
        paint(picture);
        byPixels.push_back({double(megapixels), timeOf(program, picture)});
        std::cout << fmt::format(" {}:{:.0f}", megapixels, byPixels.back().ms) << std::flush;
    }
    std::cout << '\n';
    QImage image(900, 360, QImage::Format_RGB32);
    image.fill(Qt::white);
    QPainter painter(&image);
    painter.setRenderHint(QPainter::Antialiasing);
    panel(painter, {80, 46, 340, 240}, byStages, QStringLiteral("ms for 4 megapixels, two threads"),
          QStringLiteral("stages"));
    panel(painter, {530, 46, 340, 240}, byPixels, QStringLiteral("ms for four stages, two threads"),
          QStringLiteral("megapixels"));
    painter.end();
    image.save(file);
}

} // namespace baryton::bench
