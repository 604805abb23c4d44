#pragma once
#include "grade/takes.h"

#include <functional>
#include <optional>

namespace baryton {

/// A change that is shown and not kept: on the key picture, and on any other that is looked at meanwhile.
class Trial {
public:
    using Change = std::function<PictureWork(const PictureWork&)>;

    /// An empty change ends it.
    void start(Change change, const PictureWork& key);
    void end();
    bool isOn() const { return shown_.has_value(); }
    /// What is shown of the key picture; null when nothing is tried.
    const Grade* shown() const { return shown_ ? &*shown_ : nullptr; }
    /// What is shown of another picture: its own grade when nothing is tried.
    Grade of(const PictureWork& work) const;

private:
    Change change_;
    std::optional<Grade> shown_;
};

} // namespace baryton
