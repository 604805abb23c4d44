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

template <class T>
void keep(std::vector<T>& kept, T item) {
    constexpr std::size_t most = 3;
    if (kept.size() == most) kept.erase(kept.begin());
    kept.push_back(std::move(item));
}

} // namespace

Picture BaseLevel::graded(const Ahead& ahead, int threads, const Task* task) const {
    {
        const std::lock_guard<std::mutex> guard(lock_);
        for (const KeptPicture& each : pictures_)
            if (each.ahead == ahead) return each.picture;
    }
    Picture result = Program::compile(ahead.grade, ahead.options).graded(picture_, threads, task);
    const std::lock_guard<std::mutex> guard(lock_);
    keep(pictures_, {ahead, result});
    return result;
}

Kernel BaseLevel::kernelOf(const Stage& stage, const Ahead& ahead, int threads, const Task* task) const {
    {
        const std::lock_guard<std::mutex> guard(lock_);
        for (const KeptKernel& each : kernels_)
            if (each.stage == stage && each.ahead == ahead) return each.kernel;
    }
    const StageType& type = *findStageType(stage.type);
    Kernel kernel = type.compileWide(stage, graded(ahead, threads, task));
    const std::lock_guard<std::mutex> guard(lock_);
    keep(kernels_, {stage, ahead, kernel});
    return kernel;
}

} // namespace baryton
