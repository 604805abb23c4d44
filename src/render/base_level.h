#pragma once
#include "render/program.h"

#include <mutex>
#include <utility>
#include <vector>

namespace baryton {

/// The whole frame at a small, fixed size, from which Wide stages work out what they lay over the picture: file and
/// view share it, so they agree, and its cost does not grow with the reach.
///
/// It is made in one way whatever is asked for (`scaledDown`). Safe to share between threads.
class BaseLevel {
public:
    /// The long side; a smaller picture is its own base level.
    static constexpr int kLongSide = 1500;

    /// The base level of a frame.
    static std::shared_ptr<const BaseLevel> of(const Picture& whole);
    /// From pixels that are already of its size.
    explicit BaseLevel(Picture picture) : picture_(std::move(picture)) {}

    const Picture& picture() const { return picture_; }
    /// What of a grade stands ahead of a stage.
    struct Ahead {
        Grade grade;
        CompileOptions options;
        bool operator==(const Ahead&) const = default;
    };
    /// What a grade makes of it, and a Wide stage made ready on that. The last few are kept: while something behind
    /// them is changed they stay as they are.
    Picture graded(const Ahead& ahead, int threads = 0, const Task* task = nullptr) const;
    Kernel kernelOf(const Stage& stage, const Ahead& ahead, int threads = 0, const Task* task = nullptr) const;

private:
    struct KeptPicture {
        Ahead ahead;
        Picture picture;
    };
    struct KeptKernel {
        Stage stage;
        Ahead ahead;
        Kernel kernel;
    };
    Picture picture_;
    mutable std::mutex lock_;
    mutable std::vector<KeptPicture> pictures_; ///< those asked for last at the end
    mutable std::vector<KeptKernel> kernels_;
};

/// Width and height of a frame's base level.
std::pair<int, int> baseLevelSize(int width, int height);

} // namespace baryton
