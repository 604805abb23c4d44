#include "grade/takes.h"
#include "base/first_free.h"

#include <algorithm>

namespace baryton {

namespace {

std::string freeName(const std::vector<Take>& takes) {
    return firstFree([](int n) { return "Take " + std::to_string(n); },
                     [&](const std::string& name) {
                         return std::any_of(takes.begin(), takes.end(),
                                            [&](const Take& t) { return t.name == name; });
                     });
}

bool isThere(const PictureWork& work, int take) {
    return take >= 0 && take < static_cast<int>(work.takes.size());
}

} // namespace

PictureWork withTakeKept(const PictureWork& work, const std::string& name) {
    PictureWork next = work;
    next.takes.push_back({name.empty() ? freeName(work.takes) : name, work.grade, work.inForce});
    next.from = static_cast<int>(next.takes.size()) - 1;
    return next;
}

bool isKeptAsTake(const PictureWork& work) {
    return std::any_of(work.takes.begin(), work.takes.end(),
                       [&](const Take& take) { return take.grade == work.grade && take.inForce == work.inForce; });
}

PictureWork withTakeInHand(const PictureWork& work, int take) {
    if (!isThere(work, take)) return work;
    const Take& chosen = work.takes[static_cast<std::size_t>(take)];
    return {chosen.grade, work.takes, take, chosen.inForce};
}

PictureWork withTakeRenamed(const PictureWork& work, int take, const std::string& name) {
    if (!isThere(work, take) || name.empty()) return work;
    PictureWork next = work;
    next.takes[static_cast<std::size_t>(take)].name = name;
    return next;
}

PictureWork withTakeRemoved(const PictureWork& work, int take) {
    if (!isThere(work, take)) return work;
    PictureWork next = work;
    next.takes.erase(next.takes.begin() + take);
    if (take == work.from)
        next.from = kStartTake;
    else if (take < work.from)
        --next.from;
    return next;
}

} // namespace baryton
