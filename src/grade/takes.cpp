#include "grade/takes.h"

#include <algorithm>

namespace baryton {

namespace {

std::string freeName(const std::vector<Take>& takes) {
    for (std::size_t n = 1;; ++n) {
        std::string name = "Take " + std::to_string(n);
        if (std::none_of(takes.begin(), takes.end(), [&](const Take& t) { return t.name == name; })) return name;
    }
}

} // namespace

std::vector<Take> takesOf(const PictureWork& work) {
    std::vector<Take> takes = work.takes;
    if (takes.empty()) takes.push_back({"Take 1", {}, {}});
    Take& active = takes[std::min(work.active, takes.size() - 1)];
    active.grade = work.grade;
    active.inForce = work.inForce;
    return takes;
}

PictureWork withTakeKept(const PictureWork& work, const std::string& name) {
    PictureWork next{work.grade, takesOf(work), 0, work.inForce};
    Take& kept = next.takes[std::min(work.active, next.takes.size() - 1)];
    if (!name.empty()) kept.name = name;
    next.takes.push_back({freeName(next.takes), work.grade, work.inForce});
    next.active = next.takes.size() - 1;
    return next;
}

PictureWork withTakeChosen(const PictureWork& work, std::size_t index) {
    PictureWork next{work.grade, takesOf(work), work.active, work.inForce};
    if (index >= next.takes.size() || index == work.active) return work;
    next.active = index;
    next.grade = next.takes[index].grade;
    next.inForce = next.takes[index].inForce;
    return next;
}

PictureWork withTakeRenamed(const PictureWork& work, std::size_t index, const std::string& name) {
    PictureWork next{work.grade, takesOf(work), work.active, work.inForce};
    if (index >= next.takes.size() || name.empty()) return work;
    next.takes[index].name = name;
    return next;
}

PictureWork withTakeRemoved(const PictureWork& work, std::size_t index) {
    PictureWork next{work.grade, takesOf(work), work.active, work.inForce};
    if (index >= next.takes.size() || next.takes.size() < 2) return work;
    next.takes.erase(next.takes.begin() + static_cast<std::ptrdiff_t>(index));
    if (index < next.active || next.active == next.takes.size()) --next.active;
    if (index == work.active) {
        next.grade = next.takes[next.active].grade;
        next.inForce = next.takes[next.active].inForce;
    }
    return next;
}

} // namespace baryton
