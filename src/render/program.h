#pragma once
#include "base/task.h"
#include "picture/picture.h"
#include "picture/picture_file.h"
#include "stages/blend.h"
#include "stages/limits.h"

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
};

/// Where the pixels that a program runs over lie in the whole frame; position-dependent stages need it.
struct FrameMap {
    double left = 0, top = 0;            ///< of the first pixel's outer corner, in fractions of the frame
    double perPixelX = 0, perPixelY = 0; ///< width and height of one pixel, in fractions of the frame
    double aspect = 1;                   ///< the frame's width over its height

    /// The map of a picture that is the whole frame.
    static FrameMap whole(int width, int height);
};

/// A grade made ready to run: a flat list of steps. Stages that change nothing vanish, neighbouring matrices are
/// fused, and conversions to and from linear light stand only where the domain changes.
///
/// The same input gives the same bytes whatever the number of threads; instruction sets may differ within the
/// tolerance of the stages.
class Program {
public:
    static Program compile(const Grade& grade, const CompileOptions& options = {});

    /// True when it returns its input.
    bool isEmpty() const { return steps_.empty(); }
    std::size_t stepCount() const { return steps_.size(); }

    /// Runs over one block in place.
    void run(const Block& block) const;

    /// Receives finished pixels: `count` of them from x in row y, as planes in the working encoding.
    using Sink = std::function<void(int x, int y, int count, const float* r, const float* g, const float* b)>;

    /// Reads the picture, runs, and hands every finished run of pixels to the sink, from up to `threads` threads (0:
    /// all cores). Each pixel is handed over once; order is free. Throws Cancelled when the task says so.
    void run(const Picture& picture, const FrameMap& frame, const Sink& sink, int threads = 0,
             const Task* task = nullptr) const;

    /// The graded picture; alpha passes through.
    Picture graded(const Picture& picture, int threads = 0, const Task* task = nullptr) const;

    /// The graded picture in the numbers of a file.
    QuantisedPicture quantised(const Picture& picture, int bits, bool keepAlpha, int threads = 0,
                               const Task* task = nullptr) const;

    /// One colour; for positions that matter, the middle of the frame.
    std::array<float, 3> operator()(std::array<float, 3> rgb) const;

private:
    struct Step {
        enum class Kind { Stage, Matrix, ToLinear, ToEncoded, Keep, Mix, Blend } kind = Kind::Stage;
        Kernel kernel;                      ///< Stage
        std::array<float, 9> matrix{};      ///< Matrix
        int slot = 0;                       ///< Keep, Mix
        float strength = 1;                 ///< Mix, Blend: result · strength + kept · (1 − strength)
        std::optional<Limits> limits;       ///< Mix: where the stage acts
        BlendMode mode = BlendMode::Normal; ///< Blend
    };
    friend class Compiler;
    std::vector<Step> steps_;
};

/// The names of the stages that change the picture but can't be part of a LUT, in the order they act.
std::vector<std::string> leftOutOfLut(const Grade& grade);

} // namespace baryton
