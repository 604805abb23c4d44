#include "stages/finish_order.h"
#include "stages/stage_type.h"

#include <algorithm>

namespace baryton {

namespace {

bool actsBefore(const Stage& a, const Stage& b) {
    const auto& types = stageTypes();
    const auto rank = [&](const Stage& stage) {
        return std::find_if(types.begin(), types.end(), [&](const StageType* t) { return t->id == stage.type; });
    };
    return rank(a) < rank(b);
}

} // namespace

bool isInFinishOrder(const Grade& grade) {
    return std::is_sorted(grade.finish.begin(), grade.finish.end(), actsBefore);
}

void orderFinish(Grade& grade) {
    std::stable_sort(grade.finish.begin(), grade.finish.end(), actsBefore);
}

} // namespace baryton
