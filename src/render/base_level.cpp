#include "render/base_level.h"

#include <algorithm>
#include <cmath>

namespace baryton {

std::pair<int, int> baseLevelSize(int width, int height) {
    const int longSide = std::max(width, height);
    if (longSide <= BaseLevel::kLongSide) return {width, height};
    const double scale = double(BaseLevel::kLongSide) / longSide;
    const auto side = [&](int length) { return std::max(1, static_cast<int>(std::lround(length * scale))); };
    return {side(width), side(height)};
}

std::shared_ptr<const BaseLevel> BaseLevel::of(const Picture& whole) {
    const auto [width, height] = baseLevelSize(whole.width(), whole.height());
    return std::make_shared<const BaseLevel>(scaledDown(whole, width, height));
}

namespace {

constexpr std::size_t kMostPictures = 3, kMostKernels = 8;

template <class T>
void keep(std::vector<T>& kept, std::size_t most, T item) {
    if (kept.size() == most) kept.erase(kept.begin());
    kept.push_back(std::move(item));
}

/// What was asked for last is kept longest.
template <class T, class Same>
const T* findKept(std::vector<T>& kept, Same same) {
    const auto at = std::find_if(kept.begin(), kept.end(), same);
    if (at == kept.end()) return nullptr;
    std::rotate(at, at + 1, kept.end());
    return &kept.back();
}

} // namespace

Picture BaseLevel::graded(const Ahead& ahead, int threads, const Task* task) const {
    {
        const std::lock_guard<std::mutex> guard(lock_);
        if (const auto* known = findKept(pictures_, [&](const KeptPicture& each) { return each.ahead == ahead; }))
            return known->picture;
    }
    Picture result = Program::compile(ahead.grade, ahead.options).graded(picture_, threads, task);
    const std::lock_guard<std::mutex> guard(lock_);
    keep(pictures_, kMostPictures, {ahead, result});
    return result;
}

Kernel BaseLevel::kernelOf(const Stage& stage, const Ahead& ahead, int threads, const Task* task) const {
    {
        const std::lock_guard<std::mutex> guard(lock_);
        const auto isIt = [&](const KeptKernel& each) { return each.stage == stage && each.ahead == ahead; };
        if (const auto* known = findKept(kernels_, isIt)) return known->kernel;
    }
    const StageType& type = *findStageType(stage.type);
    Kernel kernel = type.compileWide(stage, graded(ahead, threads, task));
    const std::lock_guard<std::mutex> guard(lock_);
    keep(kernels_, kMostKernels, {stage, ahead, kernel});
    return kernel;
}

} // namespace baryton
