#include "app/carried_files.h"
#include "app/behind.h"
#include "base/error.h"
#include "picture/carried_picture.h"
#include "stages/overlay.h"

#include <QBuffer>
#include <QImageReader>
#include <QPointer>
#include <algorithm>
#include <vector>

namespace baryton {

CarriedFiles::~CarriedFiles() {
    waitFor(reader_);
}

void CarriedFiles::read(const std::filesystem::path& file, QObject* who,
                        const std::function<void(const Result&)>& take) {
    reader_.setMaxThreadCount(1);
    runBehind(reader_, [this, file, who = QPointer<QObject>(who), take] {
        Result result;
        result.picture.name = file.filename().string();
        try {
            CarriedPicture carried = carriedFrom(file);
            result.picture.encoded = std::make_shared<const std::string>(std::move(carried.encoded));
            result.blend = likelyBlend(result.picture);
            for (const std::string& remark : carried.remarks) result.remarks.append(QString::fromStdString(remark));
        } catch (const std::exception& e) {
            result.problem = QString::fromStdString(e.what());
        }
        tellWindow(this, [who, take, result] {
            if (who) take(result);
        });
    });
}

QImage carriedThumbnail(const PictureContent& picture, int side) {
    struct Kept {
        std::shared_ptr<const std::string> of;
        int side;
        QImage image;
    };
    static std::vector<Kept> kept; // only the window's thread asks
    constexpr std::size_t most = 12;
    if (!picture.encoded) return {};
    const auto at = std::find_if(kept.begin(), kept.end(),
                                 [&](const Kept& each) { return each.of == picture.encoded && each.side == side; });
    if (at != kept.end()) return at->image;
    QByteArray bytes =
        QByteArray::fromRawData(picture.encoded->data(), static_cast<qsizetype>(picture.encoded->size()));
    QBuffer buffer(&bytes);
    QImageReader reader(&buffer);
    if (const QSize size = reader.size(); size.isValid()) // a JPEG is then decoded no further than that
        reader.setScaledSize(size.scaled(side, side, Qt::KeepAspectRatio).expandedTo({1, 1}));
    const QImage image = reader.read();
    if (kept.size() == most) kept.erase(kept.begin());
    kept.push_back({picture.encoded, side, image});
    return image;
}

} // namespace baryton
