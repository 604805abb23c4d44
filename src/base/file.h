#pragma once
#include "base/error.h"

#include <cstddef>
#include <cstdint>
#include <filesystem>
#include <optional>
#include <span>
#include <string>
#include <string_view>
#include <vector>

namespace baryton {

/// The whole file as bytes. Throws Error when it is missing, unreadable, a folder, or larger than `limit`.
std::string readFile(const std::filesystem::path& file, std::size_t limit = std::size_t(1) << 30);

/// A file on its way: written beside its target under another name, then put in the target's place. After a crash
/// there is the old file or the new one; when it is given up nothing is left beside it.
class PendingFile {
public:
    /// Makes the folder where it is missing. Throws Error when nothing can be written there.
    explicit PendingFile(std::filesystem::path target);
    PendingFile(const PendingFile&) = delete;
    PendingFile& operator=(const PendingFile&) = delete;
    ~PendingFile();

    /// Where it is written meanwhile; exists, empty.
    const std::filesystem::path& path() const { return part_; }
    /// Appends. Throws Error.
    void write(std::string_view bytes);
    /// Why a library could write no further: the disk is full, the file too large. Nothing when that isn't so.
    std::optional<Error> whyNoFurther();
    /// Flushes it to the disk and renames it over the target. Throws Error.
    void keep();

private:
    std::filesystem::path target_, part_;
    int fd_ = -1;
};

/// Writes beside the target, flushes to the disk, then renames over it: after a crash there is the old file or the
/// new one. Missing folders are made. Throws Error (no permission, disk full…); the target is then untouched and
/// nothing is left beside it.
void writeFileAtomically(const std::filesystem::path& file, std::string_view bytes);

/// 64-bit FNV-1a of the bytes, as 16 hex digits: a name for a content, not a protection against forgery.
std::string contentHash(std::string_view bytes);

/// A name that can stand as one component of a path: separators, control characters and a leading dot replaced.
std::string safeFileName(std::string_view name);

/// $XDG_DATA_HOME/baryton, or ~/.local/share/baryton.
std::filesystem::path userDataFolder();

std::string base64Encode(std::span<const std::uint8_t> bytes);
/// Throws Error when the text is not base64.
std::vector<std::uint8_t> base64Decode(std::string_view text);

} // namespace baryton
