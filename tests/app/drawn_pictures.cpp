#include "app/drawn_pictures.h"
#include "app/render_image.h"
#include "app/theme/theme.h"
#include "grade/grade_json.h"
#include "picture/picture_file.h"
#include "stages/examples.h"
#include "stages/frame.h"
#include "stages/lens.h"
#include "stages/raw.h"
#include "stages/source.h"

#include <QPainter>
#include <QPainterPath>

namespace baryton {

namespace {

namespace fs = std::filesystem;

/// What a lens does that bends colours unequally: red and blue a little aside.
void leaveSeams(Picture& picture) {
    constexpr int aside = 3;
    for (const int plane : {0, 2})
        for (int y = 0; y < picture.height(); ++y) {
            float* row = picture.row(plane, y);
            std::copy_backward(row, row + picture.width() - aside, row + picture.width());
        }
}

/// A demo picture, cut to a size.
QImage cut(const QImage& image, QSize size) {
    const QImage large = image.scaled(size, Qt::KeepAspectRatioByExpanding, Qt::SmoothTransformation);
    return large.copy((large.width() - size.width()) / 2, (large.height() - size.height()) / 2, size.width(),
                      size.height());
}

QImage demoPicture(const char* name, const char* preset, QSize size) {
    const fs::path source(BARYTON_SOURCE);
    const Grade grade =
        preset ? applied(Grade(), readPresetFile(source / "share/presets" / preset), ApplyMode::Set) : Grade();
    return cut(imageOf(grade, readThumbnail(source / "demo/pictures" / (std::string(name) + ".jpg"), 640)), size);
}

/// Rows of pictures with narrow lanes between them.
QImage wall(const std::vector<std::pair<const char*, const char*>>& pictures, int across, QSize size) {
    constexpr int lane = 4;
    const int down = static_cast<int>(pictures.size()) / across;
    const QSize tile((size.width() - lane * (across - 1)) / across, (size.height() - lane * (down - 1)) / down);
    QImage all(size, QImage::Format_RGB32);
    all.fill(theme::colours().well);
    QPainter painter(&all);
    for (int i = 0; i < static_cast<int>(pictures.size()); ++i)
        painter.drawImage((i % across) * (tile.width() + lane), (i / across) * (tile.height() + lane),
                          demoPicture(pictures[static_cast<std::size_t>(i)].first,
                                      pictures[static_cast<std::size_t>(i)].second, tile));
    return all;
}

} // namespace

void drawStageStrips(const QString& folder) {
    const std::pair<const char*, const char*> shown[] = {
        {"raw", "stage-door"},
        {"lens", "chart-table"},
        {"frame", "dusk-horizon"},
        {"noise", "backstage-mixed"},
        {"defringe", "lantern-alley"},
        {"exposure", "backstage-mixed"},
        {"white-balance", "snow-yard"},
        {"warmth", "lake-fog"},
        {"tone", "lake-fog"},
        {"levels", "lake-fog"},
        {"curves", "workshop-window"},
        {"wheels", "lantern-alley"},
        {"split-tone", "portrait-light"},
        {"hue-bands", "meadow-cart"},
        {"push-table", "portrait-dark"},
        {"saturation", "red-curtain"},
        {"gamut", "red-curtain"},
        {"primaries", "chart-table"},
        {"channel-mix", "meadow-cart"},
        {"monochrome", "chart-table"},
        {"gradient-map", "dusk-horizon"},
        {"fill", "backstage-mixed"},
        {"film-response", "workshop-window"},
        {"lut", "snow-yard"},
        {"local-contrast", "lake-fog"},
        {"bloom", "lantern-alley"},
        {"halation", "lantern-alley"},
        {"vignette", "red-curtain"},
        {"detail", "chart-table"},
        {"overlay", "red-curtain"},
        {"grain", "workshop-window"},
        {"bars", "lake-fog"},
    };
    for (const auto& [type, picture] : shown) {
        const std::filesystem::path file = std::filesystem::path(BARYTON_SOURCE) / "demo/pictures" /
                                           (std::string(picture) + (type == kRawType ? ".dng" : ".jpg"));
        const Picture source = readThumbnail(file, 240);
        Grade grade;
        Stage stage = makeStage(grade, type);
        stage.parameters = exampleOf(type);
        // Where it may stand: elsewhere it does nothing.
        const StageType& shownType = *findStageType(type);
        (shownType.usualPart() == Part::Prep ? grade.prep : grade.finish).push_back(stage);
        QImage before = imageOf(Grade{}, source);
        QImage after = imageOf(grade, source);
        // What works on pixels of the full size is seen there.
        if (shownType.footprint == Footprint::Narrow || shownType.id == "grain") {
            Picture full = readPicture(file).picture;
            if (shownType.id == "defringe") leaveSeams(full);
            const QRect middle((full.width() - source.width()) / 2, (full.height() - source.height()) / 2,
                               source.width(), source.height());
            before = imageOf(Grade{}, full).copy(middle);
            after = imageOf(grade, full).copy(middle);
        }
        if (type == kRawType) after = imageOf(Grade{}, readThumbnail(file, 240, rawOf(stage)));
        if (type == kLensType) {
            const Geometry geometry{correctionFor(lensOf(stage), {}), {}};
            after = imageOf(Grade{}, placed(source, placementOf(geometry, source.width(), source.height())));
        }
        if (type == kFrameType) { // beside the whole, at the same scale
            const QImage part =
                imageOf(Grade{}, placed(source, placementOf(frameOf(stage), source.width(), source.height())));
            after.fill(theme::colours().list);
            QPainter(&after).drawImage((after.width() - part.width()) / 2, (after.height() - part.height()) / 2,
                                       part);
        }
        QImage strip(before.width() * 2 + 4, before.height(), QImage::Format_RGB32);
        strip.fill(theme::colours().list);
        QPainter painter(&strip);
        painter.drawImage(0, 0, before);
        painter.drawImage(before.width() + 4, 0, after);
        painter.end();
        if (!strip.save(folder + u'/' + QString::fromLatin1(type) + QStringLiteral(".png")))
            qFatal("cannot write a strip");
    }
}

void drawWelcome(const QString& folder) {
    constexpr QSize size(544, 306); // twice what they are shown at
    QImage grade = demoPicture("meadow-cart", nullptr, size);
    QPainter painter(&grade);
    painter.setRenderHint(QPainter::Antialiasing);
    constexpr int half = size.width() / 2;
    painter.drawImage(QPoint(half, 0), demoPicture("meadow-cart", "Meadow and lake/Late straw.bpreset", size),
                      QRect(half, 0, half, size.height()));
    painter.setPen(QPen(Qt::white, 3));
    painter.drawLine(half, 0, half, size.height());
    QPainterPath curve(QPointF(40, 270));
    curve.cubicTo(QPointF(200, 262), QPointF(260, 90), QPointF(504, 60));
    painter.setPen(QPen(QColor(0, 0, 0, 120), 9));
    painter.drawPath(curve);
    painter.setPen(QPen(theme::colours().accent, 5));
    painter.drawPath(curve);
    painter.setBrush(theme::colours().accent);
    for (const double at : {0.3, 0.72}) painter.drawEllipse(curve.pointAtPercent(at), 10, 10);
    painter.end();
    const QImage package = wall({{"portrait-light", "Chalk and ash/Bone.bpreset"},
                                 {"portrait-light", "Meadow and lake/Late straw.bpreset"},
                                 {"portrait-light", "Paper and ink/Ink.bpreset"},
                                 {"portrait-light", "Dusk/Violet hour.bpreset"},
                                 {"portrait-light", "Stage light/Footlight gold.bpreset"},
                                 {"portrait-light", "Paper and ink/Sepia bill.bpreset"}},
                                3, size);
    std::vector<std::pair<const char*, const char*>> set;
    for (const char* name :
         {"workshop-window", "spotlight", "lantern-alley", "meadow-cart", "lake-fog", "dusk-horizon", "red-curtain",
          "backstage-mixed", "portrait-dark", "portrait-light", "snow-yard", "chart-table"})
        set.emplace_back(name, "Film responses/Old programme print.bpreset");
    for (const auto& [image, name] : {std::pair(grade, "grade"), {package, "package"}, {wall(set, 4, size), "batch"}})
        if (!image.save(folder + u'/' + QString::fromLatin1(name) + QStringLiteral(".jpg"), nullptr, 88))
            qFatal("cannot write the welcome");
}

} // namespace baryton
