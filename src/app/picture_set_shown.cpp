// The pictures of a set as they are shown: read for the viewer, kept, and placed in their frames.
#include "app/behind.h"
#include "app/picture_set.h"
#include "base/error.h"
#include "render/placed_base.h"

#include <algorithm>
#include <cmath>

namespace baryton {

namespace fs = std::filesystem;

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

/// In its place, from the level that is enough for a fitted view: at once, until the whole one is there.
std::shared_ptr<const Pyramid> quicklyInPlace(const Pyramid& whole, const Geometry& geometry) {
    const auto& levels = whole.levels();
    const auto level = std::find_if(levels.begin(), levels.end(),
                                    [](const Picture& each) { return each.longSide() <= kFittedSide; });
    const Placement full = placementOf(geometry, whole.width(), whole.height());
    return std::make_shared<const Pyramid>(inPlace(level == levels.end() ? levels.back() : *level, geometry),
                                           full.width, full.height);
}

LoadedPicture placedAs(const LoadedPicture& whole, std::shared_ptr<const Pyramid> pyramid, const Geometry& geometry) {
    LoadedPicture result = whole;
    result.pyramid = std::move(pyramid), result.geometry = geometry;
    return result;
}

} // namespace

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

void PictureSet::readAhead(const fs::path& fileOrFolder, const fs::path& inHand) {
    try {
        std::error_code ignored;
        fs::path file = fs::exists(inHand, ignored) ? inHand : fileOrFolder;
        if (fs::is_directory(file, ignored)) {
            std::vector<fs::path> found = picturesInFolder(file);
            if (pairsAsOne_) leaveOutPairs(found);
            file = found.front();
        }
        const auto work = loadWork(file);
        const Grade grade = work ? work->grade : Grade();
        ahead_ = std::make_unique<ReadAhead>(ViewerWish{file, rawOf(grade), lensOf(grade)});
    } catch (const Error&) { // which is told when it is opened
    }
}

void PictureSet::read(int index, bool withPreview) {
    const Grade& grade = at(index).work.grade;
    const ViewerWish wish{at(index).file, rawOf(grade), lensOf(grade), withPreview};
    ++loading_;
    // The small version is made from what is read here anyway; of what is in hand there is always one.
    const bool smallToo = unread_.erase(index) > 0 || at(index).small.isEmpty();
    const auto take = [this, index, generation = generation_](const ViewerVersion& version) {
        tellWindow(this, [this, index, generation, version] {
            if (generation == generation_) takeLoaded(index, version.picture, version.small, version.message);
        });
    };
    if (const auto ahead = std::exchange(ahead_, nullptr); ahead && ahead->wish() == wish) return ahead->listen(take);
    runBehind(
        readers_, [wish, smallToo, take] { readForViewer(wish, smallToo, take); }, 2);
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
