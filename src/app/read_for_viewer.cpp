#include "app/read_for_viewer.h"
#include "app/behind.h"
#include "base/error.h"
#include "picture/picture_file.h"
#include "picture/raw_file.h"
#include "picture/small_picture.h"

#include <algorithm>
#include <cmath>

namespace baryton {

namespace fs = std::filesystem;

namespace {

/// A version of a large picture that is enough for a fitted view and is read in a fraction of the time; nothing where
/// the file itself is read as quickly.
std::shared_ptr<const Pyramid> readStandIn(const fs::path& file, const RawSettings& raw) {
    auto smaller = readReduced(file, kFittedSide, raw);
    if (!smaller) return nullptr;
    const PictureSize size = readPictureSize(file);
    return std::make_shared<const Pyramid>(std::move(*smaller), size.width, size.height);
}

/// What the camera made of a raw file, until there is anything of ours.
std::shared_ptr<const Pyramid> readCamerasOwn(const fs::path& file) {
    auto preview = readPreview(file, kFittedSide);
    if (!preview) return nullptr;
    const PictureSize size = readPictureSize(file);
    if (preview->longSide() >= std::max(size.width, size.height)) return nullptr; // it would pass for the picture
    return std::make_shared<const Pyramid>(std::move(*preview), size.width, size.height);
}

LoadedPicture asWhole(std::shared_ptr<const Pyramid> pyramid, Metadata metadata, const Shot& shot) {
    const PictureSize size{pyramid->width(), pyramid->height()};
    return {std::move(pyramid), std::move(metadata), {}, size, shot};
}

} // namespace

Picture smallVersion(const Pyramid& pyramid) {
    const Picture& full = pyramid.full();
    const double scale = std::min(1.0, double(kSmallSide) / full.longSide());
    const Picture& level = *std::find_if(pyramid.levels().rbegin(), pyramid.levels().rend(),
                                         [&](const Picture& p) { return p.longSide() >= kSmallSide || &p == &full; });
    return resized(level, std::max(1, static_cast<int>(std::lround(full.width() * scale))),
                   std::max(1, static_cast<int>(std::lround(full.height() * scale))));
}

void readForViewer(const ViewerWish& wish, bool withSmall, const ViewerListener& tell) {
    const auto& [file, raw, lens, withPreview] = wish;
    LoadedPicture result;
    const Shot shot = result.shot = readShot(file);
    correctionFor(lens, shot);
    QString message;
    const auto deliver = [&](const LoadedPicture& picture, bool isOurs = true) {
        Picture small;
        if (withSmall && picture.pyramid && isOurs) small = smallVersion(*picture.pyramid);
        withSmall = withSmall && small.isEmpty();
        tell({picture, std::move(small), message});
    };
    try {
        if (auto preview = withPreview ? readCamerasOwn(file) : nullptr)
            deliver(asWhole(std::move(preview), {}, shot), false);
        if (auto standIn = readStandIn(file, raw)) deliver(asWhole(std::move(standIn), {}, shot));
        PictureFile read = readPicture(file, raw);
        for (const auto& remark : read.remarks)
            message += (message.isEmpty() ? QString() : QStringLiteral("; ")) + QString::fromStdString(remark);
        result = asWhole(std::make_shared<const Pyramid>(std::move(read.picture)), std::move(read.metadata), shot);
        if (read.raw) {
            const int step = std::max(1, read.raw->longSide() / kFittedSide);
            result.rawSmall = step > 1 ? std::make_shared<const RawPixels>(*read.raw, step) : read.raw;
            result.raw = std::move(read.raw);
            result.developed = raw;
        }
    } catch (const Error& e) {
        message = QString::fromStdString(e.what());
    } catch (const std::exception& e) {
        message = QString::fromStdString(file.string() + ": " + e.what());
    }
    deliver(result);
}

ReadAhead::ReadAhead(ViewerWish wish) : wish_(std::move(wish)) {
    // In a pool that no set empties when it is closed.
    runBehind(*QThreadPool::globalInstance(), [wish = wish_, told = told_] {
        readForViewer(wish, true, [&told](const ViewerVersion& version) {
            const std::lock_guard<std::mutex> guard(told->lock);
            if (told->listener)
                told->listener(version);
            else
                told->versions.push_back(version);
        });
    });
}

void ReadAhead::listen(ViewerListener listener) {
    const std::lock_guard<std::mutex> guard(told_->lock);
    for (const ViewerVersion& version : std::exchange(told_->versions, {})) listener(version);
    told_->listener = std::move(listener);
}

} // namespace baryton
