#include "app/guide_pictures.h"
#include "app/render_image.h"

#include <QDialog>
#include <QPainter>
#include <QTest>

namespace baryton::test {

namespace {

QString fileOf(const std::string& page, const char* which) {
    const QString folder = qEnvironmentVariable("BARYTON_GUIDE_PICTURES");
    return folder.isEmpty()
               ? QString()
               : QStringLiteral("%1/%2-%3.jpg").arg(folder, QString::fromStdString(page), QString::fromLatin1(which));
}

void write(const QImage& image, const QString& file) {
    constexpr int quality = 86;
    if (!image.save(file, "JPG", quality)) qFatal("%s could not be written", qPrintable(file));
}

/// A picture of the set in its frame, with its grade or without what follows the frame.
QImage drawn(Driver& d, int index, bool isGraded, QSize room) {
    PictureSet& set = d.state().pictures();
    Driver::waitFor([&] { return !set.smallOf(index).isEmpty(); });
    const Grade& grade = set.at(index).work.grade;
    return imageOf(isGraded ? grade : Grade{}, isGraded ? set.smallOf(index) : set.wholeSmallOf(index))
        .scaled(room, Qt::KeepAspectRatio, Qt::SmoothTransformation);
}

} // namespace

void keepWork(Driver& d, const std::string& page) {
    const QString file = fileOf(page, "work");
    if (file.isEmpty()) return;
    d.settle();
    constexpr int tiles = 800; // milliseconds: those of the shelf are drawn after the picture
    QTest::qWait(tiles);
    const QImage image = d.window().grab().toImage();
    constexpr int width = 1000;
    write(image.scaledToWidth(width, Qt::SmoothTransformation), file);
}

void keepSheet(Driver& d, const std::string& page) {
    const QString file = fileOf(page, "work");
    if (file.isEmpty()) return;
    d.settle();
    write(d.sheet()->grab().toImage(), file);
}

void keepResult(Driver& d, const std::string& page, std::vector<int> pictures) {
    const QString file = fileOf(page, "result");
    if (file.isEmpty()) return;
    d.settle();
    if (pictures.empty()) pictures.push_back(d.state().key());
    constexpr QSize room(496, 331);
    constexpr int between = 8;
    std::vector<std::array<QImage, 2>> rows;
    int width = 0, height = -between;
    for (const int index : pictures) {
        rows.push_back({drawn(d, index, false, room), drawn(d, index, true, room)});
        for (const QImage& each : rows.back()) width = std::max(width, each.width());
        height += std::max(rows.back()[0].height(), rows.back()[1].height()) + between;
    }
    QImage image(2 * width + between, height, QImage::Format_RGB32);
    image.fill(QColor(0x1a, 0x1a, 0x1a));
    QPainter painter(&image);
    int top = 0;
    for (const auto& [before, after] : rows) {
        const int tall = std::max(before.height(), after.height());
        painter.drawImage((width - before.width()) / 2, top + (tall - before.height()) / 2, before);
        painter.drawImage(width + between + (width - after.width()) / 2, top + (tall - after.height()) / 2, after);
        top += tall + between;
    }
    painter.end();
    write(image, file);
}

} // namespace baryton::test
