#pragma once
#include "base/task.h"
#include "picture/picture.h"
#include "picture/picture_file.h"
#include "render/frame_map.h"
#include "render/point_run.h"
#include "stages/stage_type.h"

#include <functional>
#include <string>
#include <vector>

namespace baryton {

/// What of a grade is compiled.
struct CompileOptions {
    bool prep = true;
    bool look = true;
    bool finish = true;
    bool onlyWhatBakes = false; ///< leaves out stages that are not a function of colour alone
    bool operator==(const CompileOptions&) const = default;
};

/// A grade as a run of steps: stages that change nothing vanish, neighbouring point stages are one run, neighbouring
/// matrices are fused, and conversions to and from linear light stand only where the domain changes. Stages that look
/// around cut it into segments; they are made ready when it is known for which picture at which scale (see Plan).
///
/// The same input gives the same bytes whatever the number of threads and however the picture is cut; instruction
/// sets may differ within the tolerance of the stages.
class Program {
public:
    static Program compile(const Grade& grade, const CompileOptions& options = {});
    /// Where a layer acts: the weights of its mask, as grey (1 everywhere for a layer without one).
    static Program ofMask(const Grade& grade, const std::string& layerId);

    /// True when it returns its input.
    bool isEmpty() const { return stepCount() == 0; }
    std::size_t stepCount() const;
    /// What it wants to see of the picture around a view of it, at that view's scale.
    ViewNeeds needs(double scale) const;

    /// Receives finished pixels: `count` of them from x in row y, as planes in the working encoding.
    using Sink = std::function<void(int x, int y, int count, const float* r, const float* g, const float* b)>;

    /// Reads the picture, runs, and hands every finished run of pixels to the sink, from up to `threads` threads (0:
    /// all cores). Each pixel is handed over once; order is free. Throws Cancelled when the task says so.
    void run(const Picture& picture, const FrameMap& frame, const Sink& sink, int threads = 0,
             const Task* task = nullptr) const;

    /// The graded picture, which is the whole frame; alpha passes through.
    Picture graded(const Picture& picture, int threads = 0, const Task* task = nullptr) const;

    /// The graded picture in the numbers of a file.
    QuantisedPicture quantised(const Picture& picture, int bits, bool keepAlpha, int threads = 0,
                               const Task* task = nullptr) const;

    /// What becomes of a colour that fills the frame; where places matter, in its middle.
    std::array<float, 3> operator()(std::array<float, 3> rgb) const;

private:
    friend class Compiler;
    friend class Plan;

    /// A stage that stands in a run as an empty step: a Wide one, filled in when the base level is there, or one that
    /// must know its pixels.
    struct LateStage {
        std::size_t step = 0;
        const StageType* type = nullptr;
        Stage stage;
        Grade ahead; ///< of a Wide one: what stands before it, in its layer too

        bool isWide() const { return type->footprint == Footprint::Wide; }
    };
    /// What follows a run of points, on tiles with a margin.
    struct NarrowStage {
        const StageType* type = nullptr;
        Stage stage;
    };
    /// A mask that is made ready when the frame is known.
    struct LateMask {
        std::size_t step = 0;
        Mask mask;
    };
    struct Segment {
        PointRun points;
        std::vector<LateStage> late;
        std::vector<LateMask> masks;
        std::optional<NarrowStage> narrow; ///< in all but the last
        Carries carries;                   ///< past the narrow stage
    };
    CompileOptions options_;
    std::vector<Segment> segments_;
};

/// A sink that puts pixels into a picture, `left` and `top` taken off their place. Its planes are this value's own
/// from then on: it must not be copied while the sink is used.
Program::Sink into(Picture& picture, int left = 0, int top = 0);

/// The names of the stages that change the picture but can't be part of a LUT, in the order they act, and those of
/// layers that are held to a mask which is not of colours alone.
std::vector<std::string> leftOutOfLut(const Grade& grade);

} // namespace baryton
