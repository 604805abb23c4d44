#include "app/gestures.h"

namespace baryton {

int Gestures::numberFor(const QString& name) {
    if (held_ == 0 && (name.isEmpty() || name != name_)) ++number_;
    name_ = name;
    return held_ != 0 ? held_ : number_;
}

void Gestures::begin() {
    letGo();
    end();
    held_ = lastHeld_ = ++number_;
}

} // namespace baryton
