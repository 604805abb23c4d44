#pragma once
#include "colour/matrix.h"

#include <cstddef>
#include <memory>
#include <optional>
#include <utility>

namespace baryton {

/// What a stage must see to know what a pixel becomes; how it is run follows from it.
enum class Footprint {
    Colour, ///< the pixel's colour alone: it can become part of a LUT ("bakes")
    Place,  ///< the colour and where it lies in the frame
    Narrow, ///< pixels around it, a few of the full-size picture: run on tiles with a margin
    Source, ///< no colour: how the picture comes from its file (stages/raw.h), which part of it there is (frame.h)
    Wide,   ///< much of the frame: worked out on one small version of it, laid over at any size
};

/// What a stage's numbers are: the working encoding, or linear light. The program converts where this changes.
enum class Domain { Encoded, Linear };

/// Values between stages are held to ±this, in the working encoding.
constexpr float kHeldRange = 64.0F;

/// A run of pixels of one row, as planes, worked on in place. `count` is a multiple of kRowPad; lanes past the
/// picture's edge hold finite values and are computed along.
///
/// Pixel i of the run lies at (x + (first + i)·dx, y) in fractions of the frame. Computed like this and not
/// otherwise, a pixel's place, and with it its colour, does not depend on how a picture was cut into runs.
struct Block {
    float* r = nullptr;
    float* g = nullptr;
    float* b = nullptr;
    std::size_t count = 0;
    float first = 0;        ///< column of the first pixel in the picture, a whole number
    float x = 0.5F, dx = 0; ///< centre of column 0 in the frame's width, and the step from column to column
    float y = 0.5F;         ///< fraction of the frame's height
    float aspect = 1;       ///< the frame's width over its height
};

/// A stage made ready to run: its parameters worked into constants once, and a function that runs them over blocks.
struct Kernel {
    using Run = void (*)(const void* constants, const Block& block);
    Domain domain = Domain::Encoded;
    std::shared_ptr<const void> constants;
    Run run = nullptr;
    /// Set when the stage is a matrix in linear light and nothing more: neighbours are fused. `run` is then not used.
    std::optional<Mat3> matrix;
};

/// A kernel of these constants; the last argument is a lambda without captures taking (const Constants&, const
/// Block&), over blocks.
template <class Constants, class Runner>
Kernel kernelOf(Domain domain, Constants constants, Runner) {
    Kernel kernel;
    kernel.domain = domain;
    kernel.constants = std::make_shared<const Constants>(std::move(constants));
    kernel.run = [](const void* erased, const Block& block) {
        Runner{}(*static_cast<const Constants*>(erased), block);
    };
    return kernel;
}

/// The columns of pixels that a stage is made ready for: those of one view, or of a file.
struct PixelColumns {
    double x = 0.5, dx = 0; ///< as those of a Block
    int first = 0, count = 0;
    double aspect = 1;     ///< the frame's width over its height
    double scale = 1;      ///< pixels for one of the full-size picture
    bool isMoving = false; ///< a control moves: quick counts for more than exact
};

/// A matrix in linear light.
inline Kernel matrixKernel(const Mat3& matrix) {
    Kernel kernel;
    kernel.domain = Domain::Linear;
    kernel.matrix = matrix;
    return kernel;
}

/// A rectangle of pixels and what lies around it, as planes of the working encoding.
struct AreaTile {
    const float*
        in[3]{}; ///< (width + 2·margin) × (height + 2·margin) pixels; past the picture's edge the last repeats
    std::size_t inStride = 0;
    float* out[3]{}; ///< width × height pixels
    std::size_t outStride = 0;
    int width = 0, height = 0;
};

/// A Narrow stage made ready to run at one scale.
struct AreaKernel {
    using Run = void (*)(const void* constants, const AreaTile& tile);
    int margin = 0; ///< how many pixels around a tile it reads
    std::shared_ptr<const void> constants;
    Run run = nullptr; ///< nothing where the scale leaves nothing to do
};

} // namespace baryton
