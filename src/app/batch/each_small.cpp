#include "app/batch/each_small.h"

#include <algorithm>

namespace baryton {

namespace {
constexpr int kAtOnce = 2;
}

EachSmall::EachSmall(PictureSet& pictures, QObject* parent) : QObject(parent), pictures_(pictures) {
    connect(&pictures, &PictureSet::thumbnailChanged, this, [this](int index) {
        if (asked_.erase(index) == 0) return;
        left_.push_front(index);
        next();
    });
    connect(&pictures, &PictureSet::opened, this, [this] { start({}); });
}

void EachSmall::start(const std::vector<int>& indexes) {
    asked_.clear();
    left_.assign(indexes.begin(), indexes.end());
    QMetaObject::invokeMethod(this, &EachSmall::next, Qt::QueuedConnection);
}

void EachSmall::first(const std::vector<int>& inSight) {
    for (auto it = inSight.rbegin(); it != inSight.rend(); ++it)
        if (const auto at = std::find(left_.begin(), left_.end(), *it); at != left_.end()) {
            left_.erase(at);
            left_.push_front(*it);
        }
}

void EachSmall::done() {
    --out_;
    next();
}

void EachSmall::next() {
    while (out_ + static_cast<int>(asked_.size()) < kAtOnce && !left_.empty()) {
        const int index = left_.front();
        left_.pop_front();
        if (index >= pictures_.size()) continue;
        const Picture small = pictures_.smallOf(index);
        if (small.isEmpty() && pictures_.at(index).error.isEmpty()) {
            asked_.insert(index);
            continue;
        }
        ++out_;
        Q_EMIT ready(index, small);
    }
}

} // namespace baryton
