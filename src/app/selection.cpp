#include "app/selection.h"

#include <algorithm>
#include <cstdlib>

namespace baryton {

bool Selection::isChosen(int index) const {
    return std::binary_search(chosen_.begin(), chosen_.end(), index);
}

bool Selection::choose(std::vector<int> indexes) {
    std::sort(indexes.begin(), indexes.end());
    if (indexes == chosen_) return false;
    if (indexes.size() < 2) editsAll_ = true;
    chosen_ = std::move(indexes);
    return true;
}

std::vector<int> Selection::targets() const {
    std::vector<int> all{key_};
    if (editsAll())
        for (const int index : chosen_)
            if (index != key_) all.push_back(index);
    return all;
}

std::optional<Selection::Toggled> Selection::toggled(int index) const {
    Toggled next{chosen_, key_};
    const auto at = std::lower_bound(next.chosen.begin(), next.chosen.end(), index);
    if (at == next.chosen.end() || *at != index) {
        next.chosen.insert(at, index);
        return next;
    }
    if (next.chosen.size() == 1) return std::nullopt;
    next.chosen.erase(at);
    if (index == key_)
        next.key = *std::min_element(next.chosen.begin(), next.chosen.end(),
                                     [this](int a, int b) { return std::abs(a - key_) < std::abs(b - key_); });
    return next;
}

void Selection::clear() {
    key_ = -1;
    chosen_.clear();
}

} // namespace baryton
