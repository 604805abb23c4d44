// The pictures of a set as they are shown: read for the viewer, kept, and placed in their frames.
#include "app/behind.h"
#include "app/picture_set.h"
#include "base/error.h"
#include "render/placed_base.h"

#include <algorithm>
#include <cmath>

namespace baryton {

namespace fs = std::filesystem;

namespace {

constexpr int kFittedSide = 1400; ///< enough for a fitted view

} // namespace

Picture PictureSet::framedSmall(int index) {
    OpenPicture& picture = pictures_[static_cast<std::size_t>(index)];
    if (picture.small.isEmpty()) return {};
    const Geometry geometry = geometryOf(picture.work.grade, picture.shot);
    if (picture.framedSmall.isEmpty() || picture.framedFor != geometry) {
        picture.framedSmall = inPlace(picture.small, geometry);
        picture.framedFor = geometry;
    }
    return picture.framedSmall;
}

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

/// In its place, from the level that is enough for a fitted view: at once, until the whole one is there.
std::shared_ptr<const Pyramid> quicklyInPlace(const Pyramid& whole, const Geometry& geometry) {
    const auto& levels = whole.levels();
    const auto level = std::find_if(levels.begin(), levels.end(),
                                    [](const Picture& each) { return each.longSide() <= kFittedSide; });
    const Placement full = placementOf(geometry, whole.width(), whole.height());
    return std::make_shared<const Pyramid>(inPlace(level == levels.end() ? levels.back() : *level, geometry),
                                           full.width, full.height);
}

LoadedPicture asWhole(std::shared_ptr<const Pyramid> pyramid, Metadata metadata, const Shot& shot) {
    const PictureSize size{pyramid->width(), pyramid->height()};
    return {std::move(pyramid), std::move(metadata), {}, size, shot};
}
LoadedPicture placedAs(const LoadedPicture& whole, std::shared_ptr<const Pyramid> pyramid, const Geometry& geometry) {
    LoadedPicture result = whole;
    result.pyramid = std::move(pyramid), result.geometry = geometry;
    return result;
}

} // namespace

Picture PictureSet::smallVersion(const Pyramid& pyramid) {
    const Picture& full = pyramid.full();
    const double scale = std::min(1.0, double(kSmallSide) / full.longSide());
    const Picture& level = *std::find_if(pyramid.levels().rbegin(), pyramid.levels().rend(),
                                         [&](const Picture& p) { return p.longSide() >= kSmallSide || &p == &full; });
    return resized(level, std::max(1, static_cast<int>(std::lround(full.width() * scale))),
                   std::max(1, static_cast<int>(std::lround(full.height() * scale))));
}

std::shared_ptr<const Pyramid> PictureSet::wholeShown() {
    const Kept* kept = keptShown();
    return kept ? kept->whole.pyramid : nullptr;
}

void PictureSet::load(int index) {
    shown_ = index;
    for (std::size_t i = 0; i < kept_.size(); ++i)
        if (kept_[i].index == index) {
            std::rotate(kept_.begin(), kept_.begin() + static_cast<std::ptrdiff_t>(i),
                        kept_.begin() + static_cast<std::ptrdiff_t>(i) + 1);
            showKept();
            return;
        }
    read(index, true);
}

void PictureSet::read(int index, bool withPreview) {
    const int generation = generation_;
    const fs::path file = at(index).file;
    const RawSettings raw = rawOf(at(index).work.grade);
    const LensSettings lens = lensOf(at(index).work.grade);
    ++loading_;
    // The small version is made from what is read here anyway.
    const bool smallToo = unread_.erase(index) > 0;
    runBehind(
        readers_,
        [this, index, generation, file, smallToo, raw, lens, withPreview] {
            LoadedPicture result;
            const Shot shot = result.shot = readShot(file);
            correctionFor(lens, shot); // so that the window finds it at once
            QString message;
            bool smallDue = smallToo;
            const auto deliver = [&](const LoadedPicture& picture, bool isOurs = true) {
                Picture small;
                if (smallDue && picture.pyramid && isOurs) small = smallVersion(*picture.pyramid);
                smallDue = smallDue && small.isEmpty();
                tellWindow(this, [this, index, generation, picture, small, message] {
                    if (generation == generation_) takeLoaded(index, picture, small, message);
                });
            };
            try {
                if (auto preview = withPreview ? readCamerasOwn(file) : nullptr)
                    deliver(asWhole(std::move(preview), {}, shot), false);
                if (auto standIn = readStandIn(file, raw)) deliver(asWhole(std::move(standIn), {}, shot));
                PictureFile read = readPicture(file, raw);
                for (const auto& remark : read.remarks)
                    message +=
                        (message.isEmpty() ? QString() : QStringLiteral("; ")) + QString::fromStdString(remark);
                result =
                    asWhole(std::make_shared<const Pyramid>(std::move(read.picture)), std::move(read.metadata), shot);
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
        },
        2);
}

void PictureSet::takeLoaded(int index, const LoadedPicture& whole, const Picture& small, const QString& message) {
    const bool isStandIn = whole.pyramid && whole.pyramid->isStandIn();
    pictures_[static_cast<std::size_t>(index)].shot = whole.shot;
    if (!isStandIn) --loading_;
    if (!whole.pyramid) {
        takeSmall(index, {}, message);
        Q_EMIT loadFailed(index, message);
        readNext();
        return;
    }
    noteShape(index, whole.pyramid->width(), whole.pyramid->height());
    if (!small.isEmpty()) takeSmall(index, small, {});
    if (!message.isEmpty() && remarked_.insert(index).second)
        Q_EMIT said(QString::fromStdString(at(index).file.filename().string() + ": ") + message);
    if (isStandIn) {
        const Geometry geometry = geometryNow(index);
        Q_EMIT loaded(index, geometry.isNone() ? whole
                                               : placedAs(whole, quicklyInPlace(*whole.pyramid, geometry), geometry));
    } else {
        // One that was left before it was read comes behind the one that is shown.
        const bool isShown = index == shown_;
        kept_.insert(kept_.begin() + (isShown || kept_.empty() ? 0 : 1), {index, whole, {}, nullptr});
        dropKept();
        if (isShown)
            showKept();
        else
            Q_EMIT loaded(index, whole);
        if (whole.raw && rawOf(at(index).work.grade) != whole.developed) rawChanged(index); // it changed meanwhile
    }
    readNext();
}

void PictureSet::dropKept() {
    std::size_t bytes = 0, count = 0;
    for (const Kept& each : kept_) {
        bytes += each.bytes();
        if (count > 0 && bytes > keptBytes_) break;
        ++count;
    }
    kept_.resize(count);
}

void PictureSet::showKept() {
    const Kept& kept = kept_.front();
    const Geometry geometry = geometryNow(kept.index);
    if (placing_) placing_->cancel();
    const int wish = ++wishes_;
    if (geometry.isNone()) {
        wishShown_ = wish;
        Q_EMIT loaded(kept.index, kept.whole);
        return;
    }
    if (kept.framed && kept.geometry == geometry) {
        wishShown_ = wish;
        Q_EMIT loaded(kept.index, placedAs(kept.whole, kept.framed, geometry));
        return;
    }
    placing_ = std::make_shared<Task>();
    runBehind(
        readers_,
        [this, index = kept.index, generation = generation_, whole = kept.whole, geometry, task = placing_, wish] {
            const auto deliver = [&](const std::shared_ptr<const Pyramid>& there) {
                tellWindow(this, [this, index, generation, whole, geometry, there, wish] {
                    if (generation != generation_) return;
                    const bool isQuick = there->isStandIn();
                    for (Kept& each : kept_)
                        if (each.whole.pyramid == whole.pyramid && !isQuick)
                            each.geometry = geometry, each.framed = there;
                    dropKept();
                    // Of what has changed meanwhile the next is asked for; a quick look is still one.
                    const Kept* shown = keptShown();
                    if (index != shown_ || !shown || shown->whole.pyramid != whole.pyramid) return;
                    const Geometry now = geometryNow(index);
                    if (wish < wishShown_ || (isQuick ? now.frame != geometry.frame : now != geometry)) return;
                    wishShown_ = wish;
                    Q_EMIT loaded(index, placedAs(whole, there, geometry));
                });
            };
            try {
                if (task->isCancelled()) return; // the next one waits already
                deliver(quicklyInPlace(*whole.pyramid, geometry));
                deliver(placedPyramid(*whole.pyramid, geometry, task.get()));
            } catch (const Cancelled&) {
                return;
            } catch (const std::exception& e) {
                tellWindow(this, [this, what = QString::fromUtf8(e.what())] { Q_EMIT problem(what); });
            }
        },
        2);
}

Geometry PictureSet::geometryNow(int index) const {
    Geometry geometry = geometryOf(at(index).work.grade, at(index).shot);
    if (showsWhole_) geometry.frame = {};
    return geometry;
}

void PictureSet::geometryChanged(int index) {
    if (index == shown_ && !kept_.empty() && kept_.front().index == index) showKept();
}

void PictureSet::setShowsWhole(bool whole) {
    if (showsWhole_ == whole) return;
    showsWhole_ = whole;
    if (shown_ >= 0 && !kept_.empty() && kept_.front().index == shown_) showKept();
}

} // namespace baryton
