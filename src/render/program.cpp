#include "render/program.h"
#include "base/words.h"
#include "grade/cut_grade.h"
#include "grade/mask_links.h"
#include "render/mask_weights.h"
#include "render/plan.h"
#include "stages/finish_order.h"

#include <algorithm>
#include <cstring>

namespace baryton {

FrameMap FrameMap::whole(const Picture& picture) {
    FrameMap map;
    map.perPixelX = 1.0 / picture.width(), map.perPixelY = 1.0 / picture.height();
    map.aspect = double(picture.width()) / picture.height();
    map.scale = picture.scale();
    map.place = picture.framePlace();
    return map;
}

FrameMap FrameMap::part(int x, int y) const {
    FrameMap map = *this;
    map.column += x, map.row += y;
    return map;
}

/// Turns a grade into steps, one stage after another.
class Compiler {
public:
    explicit Compiler(const CompileOptions& options) : options_(options) {
        program_.options_ = options;
        program_.segments_.emplace_back();
    }

    Program compile(const Grade& grade) {
        if (options_.prep)
            for (std::size_t i = 0; i < grade.prep.size(); ++i) addStage(grade, {Part::Prep, 0, i});
        if (options_.look) addLook(grade);
        if (options_.finish)
            for (std::size_t i = 0; i < grade.finish.size(); ++i) addStage(grade, {Part::Finish, 0, i});
        need(Domain::Encoded);
        carryInput();
        return std::move(program_);
    }

    Program compileMask(const Grade& grade, const std::string& layerId) {
        std::vector<Layer> look = grade.look;
        resolveLinks(look);
        const auto at = std::find_if(look.begin(), look.end(), [&](const Layer& each) { return each.id == layerId; });
        const Mask mask = at != look.end() && at->mask ? *at->mask : Mask();
        if (mask.seesColours()) {
            for (std::size_t i = 0; i < grade.prep.size(); ++i) addStage(grade, {Part::Prep, 0, i});
            need(Domain::Encoded);
            push(Step::Kind::KeepInput);
        }
        pushMask(mask, 0);
        steps().back().skip = 1; // also where it lets nothing through
        push(Step::Kind::ShowMask);
        return std::move(program_);
    }

private:
    using Step = PointStep;
    std::vector<Step>& steps() { return program_.segments_.back().points.steps; }

    bool counts(const Stage& stage, Part part) const {
        if (isNeutral(stage)) return false;
        const StageType& type = *findStageType(stage.type);
        if (type.footprint == Footprint::Source) return false;   // has been done before
        if (!type.compile && !type.standsIn(part)) return false; // whatever a file says
        return type.bakes() || !options_.onlyWhatBakes;
    }

    bool isLeftOut(const Layer& layer) const {
        return layer.isMasked() && options_.onlyWhatBakes && !layer.mask->seesOnlyColours();
    }

    void addLook(Grade grade) {
        resolveLinks(grade.look);
        const bool isSeen = std::any_of(grade.look.begin(), grade.look.end(), [&](const Layer& layer) {
            return layer.isEnabled() && layer.isMasked() && layer.mask->seesColours() && !isLeftOut(layer);
        });
        if (isSeen) {
            need(Domain::Encoded);
            push(Step::Kind::KeepInput);
        }
        for (std::size_t l = 0; l < grade.look.size(); ++l) addLayer(grade, l);
    }

    void pushMask(const Mask& mask, int slot) {
        program_.segments_.back().masks.push_back({steps().size(), mask});
        Step& weigh = push(Step::Kind::Mask);
        weigh.slot = slot;
        weigh.mask = std::make_shared<const MaskWeights>(mask, FrameMap()); // until a frame is known
    }

    void addLayer(const Grade& grade, std::size_t place) {
        const Layer& layer = grade.look[place];
        const double strength = layer.strengthOrFull();
        const BlendMode mode = blendModeFrom(layer.blendOrNormal());
        // A layer that changes nothing is still laid over: multiplied with itself a picture grows darker.
        const bool any =
            mode != BlendMode::Normal || std::any_of(layer.stages.begin(), layer.stages.end(),
                                                     [&](const Stage& s) { return counts(s, Part::Look); });
        if (!layer.isEnabled() || strength <= 0 || !any) return;
        if (isLeftOut(layer)) return;
        const int slot = strength < 1 || mode != BlendMode::Normal || layer.isMasked() ? keep() : -1;
        // Ahead of its stages a mask spares those that it lets nothing through of; but it must be worked out for the
        // very pixels that are mixed, and what looks around works on more.
        const bool isSpared = std::none_of(layer.stages.begin(), layer.stages.end(), [&](const Stage& each) {
            return counts(each, Part::Look) && findStageType(each.type)->footprint == Footprint::Narrow;
        });
        std::size_t mask = steps().size();
        if (layer.isMasked() && isSpared) pushMask(*layer.mask, slot);
        for (std::size_t i = 0; i < layer.stages.size(); ++i) addStage(grade, {Part::Look, place, i});
        if (slot < 0) return;
        if (layer.isMasked() && !isSpared) {
            need(Domain::Encoded);
            mask = steps().size();
            pushMask(*layer.mask, slot);
        }
        mix(slot, strength);
        steps().back().isWeighted = layer.isMasked();
        if (layer.isMasked()) steps()[mask].skip = isSpared ? steps().size() - mask : 1;
        if (mode == BlendMode::Normal) return;
        steps().back().kind = Step::Kind::Blend;
        steps().back().mode = mode;
    }

    void addStage(const Grade& grade, const StagePlace& place) {
        const Stage& stage = stageAt(grade, place);
        if (!counts(stage, place.part)) return;
        const StageType& type = *findStageType(stage.type);
        if (type.footprint == Footprint::Narrow) return addNarrow(stage);
        const auto limits = type.hasLimits() ? Limits::of(stage) : std::nullopt;
        const int slot = stage.strengthOrFull() < 1 || limits ? keep() : -1;
        if (limits) {
            Step& weigh = push(Step::Kind::Weigh);
            weigh.slot = slot;
            weigh.limits = *limits;
        }
        if (type.compile)
            addKernel(type.compile(stage));
        else
            addLate(grade, place, type);
        if (slot < 0) return;
        mix(slot, stage.strengthOrFull());
        steps().back().isWeighted = limits.has_value();
    }

    void addNarrow(const Stage& stage) {
        need(Domain::Encoded);
        lastMatrix_.reset();
        Program::Segment& segment = program_.segments_.back();
        segment.narrow = Program::NarrowStage{findStageType(stage.type), stage};
        segment.carries.kept = usedSlots_ > 0;
        program_.segments_.emplace_back();
    }

    /// An empty step until its pixels, or the base level, are known.
    void addLate(const Grade& grade, const StagePlace& place, const StageType& type) {
        need(type.lateDomain);
        Program::LateStage late{steps().size(), &type, stageAt(grade, place), {}};
        if (late.isWide()) late.ahead = upTo(grade, place);
        program_.segments_.back().late.push_back(std::move(late));
        push(Step::Kind::Stage).kernel = kernelOf(type.lateDomain, 0, [](const int&, const Block&) {});
    }

    /// What enters the Look is carried on as far as a mask asks for it.
    void carryInput() {
        auto& segments = program_.segments_;
        bool isWanted = false;
        for (std::size_t i = segments.size(); i-- > 0;) {
            segments[i].carries.input = isWanted;
            const auto& made = segments[i].points.steps;
            isWanted = isWanted || std::any_of(segments[i].masks.begin(), segments[i].masks.end(),
                                               [](const auto& late) { return late.mask.seesColours(); });
            if (std::any_of(made.begin(), made.end(),
                            [](const Step& step) { return step.kind == Step::Kind::KeepInput; }))
                isWanted = false;
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
        steps().push_back(std::move(step));
    }

    void addMatrix(const Mat3& matrix) {
        constexpr double mostEntry = 1e6; // beyond it, a product of many matrices would leave the range of floats
        const bool fuse = lastMatrix_ && std::all_of(lastMatrix_->begin(), lastMatrix_->end(),
                                                     [](double v) { return std::abs(v) < mostEntry; });
        lastMatrix_ = fuse ? matrix * *lastMatrix_ : matrix;
        if (!fuse) push(Step::Kind::Matrix);
        std::transform(lastMatrix_->begin(), lastMatrix_->end(), steps().back().matrix.begin(),
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
        steps().emplace_back();
        steps().back().kind = kind;
        return steps().back();
    }

    CompileOptions options_;
    Program program_;
    Domain domain_ = Domain::Encoded;
    std::optional<Mat3> lastMatrix_;
    int usedSlots_ = 0;
};

Program Program::ofMask(const Grade& grade, const std::string& layerId) {
    return Compiler({}).compileMask(grade, layerId);
}

Program Program::compile(const Grade& grade, const CompileOptions& options) {
    if (isInFinishOrder(grade)) return Compiler(options).compile(grade);
    Grade ordered = grade;
    orderFinish(ordered);
    return Compiler(options).compile(ordered);
}

std::size_t Program::stepCount() const {
    std::size_t count = 0;
    for (const Segment& segment : segments_) count += segment.points.steps.size() + segment.narrow.has_value();
    return count;
}

ViewNeeds Program::needs(double scale) const {
    ViewNeeds needs;
    for (const Segment& segment : segments_) {
        for (const LateStage& late : segment.late) (late.isWide() ? needs.base : needs.time) = true;
        if (const auto& narrow = segment.narrow)
            needs.margin += narrow->type->compileNarrow(narrow->stage, scale).margin;
    }
    return needs;
}

void Program::run(const Picture& picture, const FrameMap& frame, const Sink& sink, int threads,
                  const Task* task) const {
    Plan(*this, frame, picture, threads, task)
        .run(picture, {0, 0, picture.width(), picture.height()}, sink, threads, task);
}

Program::Sink into(Picture& picture, int left, int top) {
    const std::array<float*, 3> planes{picture.row(0, 0), picture.row(1, 0), picture.row(2, 0)};
    return [planes, left, top, stride = static_cast<std::ptrdiff_t>(picture.stride())](
               int x, int y, int count, const float* r, const float* g, const float* b) {
        const float* from[] = {r, g, b};
        const std::ptrdiff_t at = stride * (y - top) + (x - left);
        for (std::size_t k = 0; k < 3; ++k)
            std::memcpy(planes[k] + at, from[k], static_cast<std::size_t>(count) * sizeof(float));
    };
}

Picture Program::graded(const Picture& picture, int threads, const Task* task) const {
    if (isEmpty()) return picture;
    Picture result = picture;
    run(picture, FrameMap::whole(picture), into(result), threads, task);
    return result;
}

QuantisedPicture Program::quantised(const Picture& picture, int bits, bool keepAlpha, int threads,
                                    const Task* task) const {
    const bool alpha = keepAlpha && picture.hasAlpha();
    QuantisedPicture result(picture.width(), picture.height(), alpha ? 4 : 3, bits);
    run(
        picture, FrameMap::whole(picture),
        [&](int x, int y, int count, const float* r, const float* g, const float* b) {
            result.setRow(y, x, count, r, g, b, alpha ? picture.row(3, y) + x : nullptr);
        },
        threads, task);
    return result;
}

std::array<float, 3> Program::operator()(std::array<float, 3> rgb) const {
    // What looks around or lies over the frame leaves an even colour as it is, in the mean: the same as without it.
    alignas(64) float planes[3][kRowPad];
    for (std::size_t k = 0; k < 3; ++k) std::fill(std::begin(planes[k]), std::end(planes[k]), rgb[k]);
    Block block;
    block.r = planes[0], block.g = planes[1], block.b = planes[2];
    block.count = kRowPad;
    for (const Segment& segment : segments_) segment.points(block);
    return {planes[0][0], planes[1][0], planes[2][0]};
}

std::vector<std::string> leftOutOfLut(const Grade& grade) {
    std::vector<std::string> names;
    for (const auto& place : stagePlaces(grade)) {
        const Stage& stage = stageAt(grade, place);
        const StageType* type = findStageType(stage.type);
        if (type && !type->bakes() && !isNeutral(stage)) names.push_back(stageTitle(stage));
    }
    std::vector<Layer> look = grade.look;
    resolveLinks(look);
    for (const Layer& layer : look)
        if (layer.isMasked() && !layer.mask->seesOnlyColours() && layer.isEnabled() && layer.strengthOrFull() > 0)
            names.push_back(inWords("{} (its mask)", layer.name));
    return names;
}

} // namespace baryton
