#include "render/program.h"
#include "render/steps.h"

#include <algorithm>
#include <cstring>
#include <tbb/parallel_for.h>
#include <tbb/task_arena.h>

namespace baryton {

namespace {
/// Pixels per block: three planes and the kept ones stay within the fast caches.
constexpr std::size_t kBlockPixels = 2048;
constexpr int kSlots = 2; ///< a stage's mix within a layer's mix

struct alignas(64) Scratch {
    float planes[3][kBlockPixels];
    float kept[kSlots][3][kBlockPixels];
};
} // namespace

FrameMap FrameMap::whole(int width, int height) {
    return {0, 0, 1.0 / width, 1.0 / height, double(width) / height};
}

/// Turns a grade into steps, one stage after another.
class Compiler {
public:
    explicit Compiler(const CompileOptions& options) : options_(options) {}

    Program compile(const Grade& grade) {
        if (options_.prep) addStages(grade.prep);
        if (options_.look)
            for (const Layer& layer : grade.look) addLayer(layer);
        if (options_.finish) addStages(grade.finish);
        need(Domain::Encoded);
        return std::move(program_);
    }

private:
    using Step = Program::Step;

    bool counts(const Stage& stage) const {
        if (isNeutral(stage)) return false;
        return findStageType(stage.type)->bakes || !options_.onlyWhatBakes;
    }

    void addLayer(const Layer& layer) {
        const double strength = layer.strengthOrFull();
        const BlendMode mode = blendModeFrom(layer.blendOrNormal());
        // A layer that changes nothing is still laid over: multiplied with itself a picture grows darker.
        const bool any = mode != BlendMode::Normal || std::any_of(layer.stages.begin(), layer.stages.end(),
                                                                  [&](const Stage& s) { return counts(s); });
        if (!layer.isEnabled() || strength <= 0 || !any) return;
        const int slot = strength < 1 || mode != BlendMode::Normal ? keep() : -1;
        addStages(layer.stages);
        if (slot < 0) return;
        mix(slot, strength);
        if (mode == BlendMode::Normal) return;
        program_.steps_.back().kind = Step::Kind::Blend;
        program_.steps_.back().mode = mode;
    }

    void addStages(const std::vector<Stage>& stages) {
        for (const Stage& stage : stages) {
            if (!counts(stage)) continue;
            const StageType& type = *findStageType(stage.type);
            const ParameterReader parameters(type, stage);
            const auto limits = type.standsIn(Part::Look) ? Limits::of(parameters) : std::nullopt;
            const int slot = stage.strengthOrFull() < 1 || limits ? keep() : -1;
            addKernel(type.compile(parameters));
            if (slot < 0) continue;
            mix(slot, stage.strengthOrFull());
            program_.steps_.back().limits = limits;
        }
    }

    void addKernel(Kernel kernel) {
        need(kernel.domain);
        if (kernel.matrix) {
            addMatrix(*kernel.matrix);
            return;
        }
        lastMatrix_.reset();
        Step step;
        step.kernel = std::move(kernel);
        program_.steps_.push_back(std::move(step));
    }

    void addMatrix(const Mat3& matrix) {
        constexpr double mostEntry = 1e6; // beyond it, a product of many matrices would leave the range of floats
        const bool fuse = lastMatrix_ && std::all_of(lastMatrix_->begin(), lastMatrix_->end(),
                                                     [](double v) { return std::abs(v) < mostEntry; });
        lastMatrix_ = fuse ? matrix * *lastMatrix_ : matrix;
        if (!fuse) push(Step::Kind::Matrix);
        std::transform(lastMatrix_->begin(), lastMatrix_->end(), program_.steps_.back().matrix.begin(),
                       [](double v) { return static_cast<float>(v); });
    }

    int keep() {
        need(Domain::Encoded);
        push(Step::Kind::Keep).slot = usedSlots_;
        return usedSlots_++;
    }

    void mix(int slot, double strength) {
        need(Domain::Encoded);
        Step& step = push(Step::Kind::Mix);
        step.slot = slot;
        step.strength = static_cast<float>(strength);
        --usedSlots_;
    }

    void need(Domain domain) {
        if (domain == domain_) return;
        push(domain == Domain::Linear ? Step::Kind::ToLinear : Step::Kind::ToEncoded);
        domain_ = domain;
    }

    Step& push(Step::Kind kind) {
        if (kind != Step::Kind::Matrix) lastMatrix_.reset();
        program_.steps_.emplace_back();
        program_.steps_.back().kind = kind;
        return program_.steps_.back();
    }

    CompileOptions options_;
    Program program_;
    Domain domain_ = Domain::Encoded;
    std::optional<Mat3> lastMatrix_;
    int usedSlots_ = 0;
};

Program Program::compile(const Grade& grade, const CompileOptions& options) {
    return Compiler(options).compile(grade);
}

void Program::run(const Block& whole) const {
    // What Keep sets aside is as large as a block, so a longer run is cut into blocks.
    static thread_local Scratch scratch;
    for (std::size_t start = 0; start < whole.count; start += kBlockPixels) {
        Block block = whole;
        block.r += start, block.g += start, block.b += start;
        block.count = std::min(kBlockPixels, whole.count - start);
        block.x += block.dx * static_cast<float>(start);
        for (const Step& step : steps_) {
            switch (step.kind) {
            case Step::Kind::Stage:
                step.kernel.run(step.kernel.constants.get(), block);
                break;
            case Step::Kind::Matrix:
                runMatrix(step.matrix.data(), block);
                break;
            case Step::Kind::ToLinear:
                runToLinear(block);
                break;
            case Step::Kind::ToEncoded:
                runToEncoded(block);
                break;
            case Step::Kind::Keep: {
                const float* planes[3] = {block.r, block.g, block.b};
                for (int k = 0; k < 3; ++k)
                    std::memcpy(scratch.kept[step.slot][k], planes[k], block.count * sizeof(float));
                break;
            }
            case Step::Kind::Mix:
                if (step.limits)
                    runMixLimited(scratch.kept[step.slot][0], kBlockPixels, step.strength, *step.limits, block);
                else
                    runMix(scratch.kept[step.slot][0], kBlockPixels, step.strength, block);
                break;
            case Step::Kind::Blend:
                runBlend(scratch.kept[step.slot][0], kBlockPixels, step.strength, step.mode, block);
                break;
            }
        }
    }
}

void Program::run(const Picture& picture, const FrameMap& frame, const Sink& sink, int threads,
                  const Task* task) const {
    const auto width = static_cast<std::size_t>(picture.width());
    const auto rows = [&](const tbb::blocked_range<int>& range) {
        static thread_local Scratch scratch;
        for (int y = range.begin(); y < range.end(); ++y) {
            if (task && task->isCancelled()) return;
            for (std::size_t x = 0; x < width; x += kBlockPixels) {
                const std::size_t count = std::min(kBlockPixels, width - x);
                const std::size_t padded = (count + kRowPad - 1) / kRowPad * kRowPad;
                for (int k = 0; k < 3; ++k)
                    std::memcpy(scratch.planes[k], picture.row(k, y) + x, padded * sizeof(float));
                Block block;
                block.r = scratch.planes[0], block.g = scratch.planes[1], block.b = scratch.planes[2];
                block.count = padded;
                block.x = static_cast<float>(frame.left + (static_cast<double>(x) + 0.5) * frame.perPixelX);
                block.dx = static_cast<float>(frame.perPixelX);
                block.y = static_cast<float>(frame.top + (y + 0.5) * frame.perPixelY);
                block.aspect = static_cast<float>(frame.aspect);
                run(block);
                sink(static_cast<int>(x), y, static_cast<int>(count), block.r, block.g, block.b);
            }
        }
    };
    if (threads == 1) {
        rows(tbb::blocked_range<int>(0, picture.height()));
    } else {
        tbb::task_arena arena(threads > 0 ? threads : tbb::task_arena::automatic);
        arena.execute([&] { tbb::parallel_for(tbb::blocked_range<int>(0, picture.height(), 4), rows); });
    }
    if (task) task->throwIfCancelled();
}

Picture Program::graded(const Picture& picture, int threads, const Task* task) const {
    if (isEmpty()) return picture;
    Picture result = picture;
    float* planes[3] = {result.row(0, 0), result.row(1, 0), result.row(2, 0)};
    const std::size_t stride = result.stride();
    run(
        picture, FrameMap::whole(picture.width(), picture.height()),
        [&](int x, int y, int count, const float* r, const float* g, const float* b) {
            const float* from[3] = {r, g, b};
            for (int k = 0; k < 3; ++k)
                std::memcpy(planes[k] + stride * static_cast<std::size_t>(y) + x, from[k],
                            static_cast<std::size_t>(count) * sizeof(float));
        },
        threads, task);
    return result;
}

QuantisedPicture Program::quantised(const Picture& picture, int bits, bool keepAlpha, int threads,
                                    const Task* task) const {
    const bool alpha = keepAlpha && picture.hasAlpha();
    QuantisedPicture result(picture.width(), picture.height(), alpha ? 4 : 3, bits);
    run(
        picture, FrameMap::whole(picture.width(), picture.height()),
        [&](int x, int y, int count, const float* r, const float* g, const float* b) {
            result.setRow(y, x, count, r, g, b, alpha ? picture.row(3, y) + x : nullptr);
        },
        threads, task);
    return result;
}

std::array<float, 3> Program::operator()(std::array<float, 3> rgb) const {
    alignas(64) float planes[3][kRowPad];
    for (std::size_t k = 0; k < 3; ++k) std::fill(std::begin(planes[k]), std::end(planes[k]), rgb[k]);
    Block block;
    block.r = planes[0], block.g = planes[1], block.b = planes[2];
    block.count = kRowPad;
    run(block);
    return {planes[0][0], planes[1][0], planes[2][0]};
}

std::vector<std::string> leftOutOfLut(const Grade& grade) {
    std::vector<std::string> names;
    for (const auto& place : stagePlaces(grade)) {
        const Stage& stage = stageAt(grade, place);
        const StageType* type = findStageType(stage.type);
        if (type && !type->bakes && !isNeutral(stage)) names.push_back(stageTitle(stage));
    }
    return names;
}

} // namespace baryton
