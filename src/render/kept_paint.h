#pragma once
#include "grade/mask_stroke.h"
#include "render/frame_map.h"

#include <deque>
#include <memory>
#include <mutex>
#include <vector>

namespace baryton {

/// What the first strokes of a brush leave bare of the pixels of one view, kept from frame to frame: while a stroke
/// is painted those before it stay as they are, and the same numbers go on from there. May be asked from any thread.
class KeptPaint {
public:
    /// The pixels that a plane stands for.
    struct View {
        FrameMap frame;
        int width = 0, height = 0;
        bool operator==(const View& other) const;
    };
    /// 1 − what is painted, row by row; see BrushWeights.
    using Plane = std::shared_ptr<const std::vector<float>>;
    struct Found {
        std::size_t strokes = 0; ///< how many of the first
        Plane bare;              ///< null where none is kept
    };
    /// The plane of the most of these strokes.
    Found find(const std::vector<SharedStroke>& strokes, const View& view);
    void keep(std::vector<SharedStroke> strokes, const View& view, Plane bare);

private:
    struct Entry {
        std::vector<SharedStroke> strokes;
        View view;
        Plane bare;
    };
    std::mutex lock_;
    std::deque<Entry> entries_; ///< the newest first
};

} // namespace baryton
