#pragma once
#include "picture/picture_file.h"
#include "picture/shot.h"

namespace baryton {

/// Long side of the small version of a picture that lists, surveys and matches work on.
constexpr int kSmallSide = 480;

/// A picture file as lists, surveys and matches know it.
struct SmallPicture {
    Picture picture; ///< as it lies in the file, without its frame; decoded no further than kSmallSide asks for
    Shot shot;
    PictureSize size; ///< of the file
};

/// Throws Error as readPicture does. A raw file is developed by `raw`.
SmallPicture readSmallPicture(const std::filesystem::path& file, const RawSettings& raw = {});

/// Keeps small pictures in a folder, so that a set that was seen before is there at once: a file each, named by
/// what it was made from. A file that has changed since (its size, or when it was written) is read anew.
class SmallStore {
public:
    static constexpr std::uintmax_t kMostBytes = std::uintmax_t(2) << 30, kLeastFree = std::uintmax_t(1) << 30;

    /// `$XDG_CACHE_HOME/baryton/small`, or ~/.cache/baryton/small; empty where there is no home.
    static std::filesystem::path usersFolder();

    /// Made when the first one is kept; empty: nothing is.
    explicit SmallStore(std::filesystem::path folder = usersFolder(), std::uintmax_t leastFree = kLeastFree)
        : folder_(std::move(folder)), leastFree_(leastFree) {}

    /// From the folder, or from the picture's file, and then kept where so much of the disk is free; the same pixels
    /// either way. Throws Error as readSmallPicture does; what is wrong in the folder is no error.
    SmallPicture read(const std::filesystem::path& file, const RawSettings& raw = {}) const;
    /// Removes those that were not used for longest until at most so many bytes are left.
    void trim(std::uintmax_t bytes = kMostBytes) const;

private:
    std::filesystem::path folder_;
    std::uintmax_t leastFree_ = 0;
};

} // namespace baryton
