#pragma once
#include "base/task.h"
#include "picture/picture_reader.h"
#include "picture/picture_writer.h"
#include "render/output.h"
#include "render/plan.h"

#include <optional>

namespace baryton {

/// Rows of a source, of which each is read once though bands overlap by their margins.
class RowWindow {
public:
    explicit RowWindow(RowSource source) : source_(std::move(source)) {}
    /// Rows `top` to `end`; neither goes back from one call to the next.
    const Picture& show(int top, int end);
    /// The row that the picture last shown begins with.
    int top() const { return top_; }
    const RowSource& source() const { return source_; }

private:
    RowSource source_;
    Picture rows_;
    int top_ = 0;
};

/// Rows `first` to `first` + `count` of a picture as a plan makes them, with its alpha.
Picture plannedRows(const Plan& plan, const Picture& band, int first, int count, int threads, const Task* task);

// What is done with a graded picture on its way into a file, a band at a time; each gives the same bytes whatever the
// bands are.

/// Enlarged by Lanczos of three lobes, each pixel held to the range of those next to it, so that nothing rings.
RowSource enlargedRows(RowSource source, int width, int height, int threads);
/// Sharpened for output.
RowSource sharpenedRows(RowSource source, const OutputSharpening& sharpening, int threads, const Task* task);

/// The last steps, pixel by pixel: the mark laid over, the numbers of the profile, and those of the file. Safe from
/// any thread.
class PixelEncoder {
public:
    PixelEncoder(const Output& output, const FileShape& shape);
    /// `count` pixels of the working encoding from column x of row y on; `out` is where the first goes.
    void operator()(int x, int y, int count, const float* r, const float* g, const float* b, const float* a,
                    std::uint8_t* out) const;

private:
    void layMark(int x, int y, int count, float* const* planes, float* alpha) const;
    const Output& output_;
    FileShape shape_;
    std::optional<MarkRaster> mark_;
};

} // namespace baryton
