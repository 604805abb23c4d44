#pragma once
#include "picture/picture_file.h"
#include "picture/shot.h"

#include <cstdint>
#include <optional>
#include <string>

namespace baryton {

/// Long side of the small version of a picture that lists, surveys and matches work on.
constexpr int kSmallSide = 480;

/// A file as it was at one time: when either differs, it is another.
struct FileState {
    std::uintmax_t bytes = 0;
    std::int64_t written = 0; ///< in the file system's own steps
    bool operator==(const FileState&) const = default;
};

/// Throws std::filesystem::filesystem_error where it can't be asked.
FileState fileStateOf(const std::filesystem::path& file);

/// A picture file as lists, surveys and matches know it.
struct SmallPicture {
    Picture picture; ///< as it lies in the file, without its frame; decoded no further than kSmallSide asks for
    Shot shot;
    PictureSize size; ///< of the file
    FileState state;  ///< of the file when it was read
};

/// What a list shows of a picture: what its file says, and how it looks with its grade.
struct KnownPicture {
    Shot shot;
    PictureSize size;
    FileState state;
    std::string drawn; ///< the bytes of an image file
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
    /// What was kept of a picture in this drawing: the name of all that it depends on but the file. Nothing where it
    /// never was, or the file is another since.
    std::optional<KnownPicture> known(const std::filesystem::path& file, const std::string& drawing) const;
    /// In place of what was kept of it before; where it can't be written there is none.
    void keep(const std::filesystem::path& file, const std::string& drawing, const KnownPicture& known) const;
    /// Removes those that were not used for longest until at most so many bytes are left.
    void trim(std::uintmax_t bytes = kMostBytes) const;

private:
    std::filesystem::path knownAt(const std::filesystem::path& file) const;
    std::filesystem::path folder_;
    std::uintmax_t leastFree_ = 0;
};

} // namespace baryton
