// Raw files whose development is changed: seen at once on a small version, and whole after a rest.
#include "app/behind.h"
#include "app/picture_set.h"
#include "picture/picture_reader.h"

#include <algorithm>
#include <utility>

namespace baryton {

PictureSet::Kept* PictureSet::keptShown() {
    const auto at = std::find_if(kept_.begin(), kept_.end(), [&](const Kept& each) { return each.index == shown_; });
    return at == kept_.end() ? nullptr : &*at;
}

std::shared_ptr<const RawPixels> PictureSet::rawOfPicture(int index) const {
    const auto at = std::find_if(kept_.begin(), kept_.end(), [&](const Kept& each) { return each.index == index; });
    return at == kept_.end() ? nullptr : at->whole.raw;
}

void PictureSet::rawChanged(int index) {
    smallsDue_.insert(index);
    developTimer_.start();
    const auto kept = std::find_if(kept_.begin(), kept_.end(), [&](const Kept& each) { return each.index == index; });
    if (kept == kept_.end()) return; // being read, or not wanted yet: who reads it looks again
    const RawSettings now = rawOf(at(index).work.grade);
    if (index != shown_ || kept->whole.developed.demosaic != now.demosaic) {
        kept_.erase(kept);
        if (index == shown_) read(index, false);
        return;
    }
    if (kept->whole.developed == now)
        return showKept(); // back at what is there: no quick look is to stay in its place
    developQuickly();
}

void PictureSet::developQuickly() {
    const Kept* kept = keptShown();
    if (!kept || !kept->whole.rawSmall) return;
    if (isDeveloping_) {
        developsAgain_ = true;
        return;
    }
    isDeveloping_ = true;
    LoadedPicture whole = kept->whole;
    whole.developed = rawOf(at(shown_).work.grade);
    whole.geometry = geometryNow(shown_);
    runBehind(
        readers_,
        [this, index = shown_, generation = generation_, whole]() mutable {
            bool isDone = false;
            try {
                const Picture small = developed(*whole.rawSmall, whole.developed);
                const Placement full = placementOf(whole.geometry, whole.whole.width, whole.whole.height);
                const Placement here = placementOf(whole.geometry, small.width(), small.height());
                whole.pyramid = std::make_shared<const Pyramid>(placed(small, here), full.width, full.height);
                isDone = true;
            } catch (const std::exception&) { // no memory for it just now: the whole one follows
            }
            tellWindow(this, [this, index, generation, whole, isDone] {
                if (generation != generation_) return;
                isDeveloping_ = false;
                if (std::exchange(developsAgain_, false)) developQuickly();
                const Kept* shown = keptShown();
                const bool isBehind = shown && shown->whole.developed == rawOf(at(index).work.grade);
                if (isDone && index == shown_ && shown && !isBehind) Q_EMIT loaded(index, whole);
            });
        },
        2);
}

void PictureSet::developWhole() {
    const Kept* kept = keptShown();
    const bool isHere = kept && kept->whole.raw && rawOf(at(shown_).work.grade) != kept->whole.developed;
    if (isHere) smallsDue_.erase(shown_); // made from the whole one
    for (const int index : std::exchange(smallsDue_, {})) {
        unread_.insert(index);
        want(index);
    }
    readNext();
    if (!isHere) return;
    LoadedPicture whole = kept->whole;
    whole.developed = rawOf(at(shown_).work.grade);
    runBehind(
        readers_,
        [this, index = shown_, generation = generation_, whole]() mutable {
            QString problem;
            Picture small;
            try {
                whole.pyramid = std::make_shared<const Pyramid>(developed(*whole.raw, whole.developed));
                small = smallVersion(*whole.pyramid);
            } catch (const std::exception& e) {
                problem = QString::fromUtf8(e.what());
            }
            tellWindow(this, [this, index, generation, whole, small, problem] {
                if (generation != generation_) return;
                if (!problem.isEmpty()) return Q_EMIT this->problem(problem);
                if (rawOf(at(index).work.grade) != whole.developed) return; // the next one is due already
                for (Kept& each : kept_)
                    if (each.index == index) each.whole = whole, each.framed.reset();
                dropKept();
                takeSmall(index, small, {});
                if (index == shown_ && keptShown()) showKept();
            });
        },
        1);
}

} // namespace baryton
