#pragma once
#include "base/task.h"
#include "picture/raw_settings.h"
#include "picture/small_picture.h"

#include <deque>
#include <mutex>
#include <vector>

namespace baryton {

/// A picture file, and how it becomes a picture where it is a raw file.
struct SourceFile {
    std::filesystem::path file;
    RawSettings raw{};
    bool operator==(const SourceFile&) const = default;
};

/// Pixels of a picture just as they lie in its file, in the working encoding: every n-th of every n-th row, none of
/// them a mean of several, so that no more than `most` are left; n from 1. Of a raw file each stands for one 2 × 2 of
/// its sensor. Throws Error as readPicture does; Cancelled when the task says so.
Picture readOwnPixels(const SourceFile& source, std::size_t most, const Task* task = nullptr);

/// Keeps such pixels of the pictures asked for last, so that each file is read once. Of a file that has changed since
/// they are read anew. For several threads.
class OwnPixels {
public:
    static constexpr std::size_t kMostPixels = 300000; ///< of a picture
    static constexpr std::size_t kMostKept = 24;       ///< pictures

    /// In the order of the sources; those that can't be read are left out. Throws Cancelled when the task says so.
    std::vector<Picture> of(const std::vector<SourceFile>& sources, const Task* task = nullptr);

private:
    struct Kept {
        SourceFile source;
        FileState state;
        Picture pixels;
    };
    std::mutex lock_;       ///< of what is kept, held while a file is read
    std::deque<Kept> kept_; ///< used last first
};

} // namespace baryton
