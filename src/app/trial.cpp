#include "app/trial.h"
#include "edits/preset_words.h"

namespace baryton {

void Trial::start(Change change, const PictureWork& key) {
    end();
    if (!change) return;
    change_ = std::move(change);
    shown_ = of(key);
}

void Trial::end() {
    change_ = {};
    shown_.reset();
}

Grade Trial::of(const PictureWork& work) const {
    return change_ ? completed(change_(work).grade) : work.grade;
}

} // namespace baryton
