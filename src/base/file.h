#pragma once
#include "base/error.h"

#include <cstddef>
#include <cstdint>
#include <filesystem>
#include <functional>
#include <optional>
#include <span>
#include <string>
#include <string_view>
#include <vector>

namespace baryton {

/// Throws Error when the file is missing, can't be read, or is no ordinary file: a folder, or a pipe or device, which
/// might keep one waiting for ever.
void requireReadable(const std::filesystem::path& file);

/// The whole file as bytes. Throws Error as requireReadable does, and when it is larger than `limit`.
std::string readFile(const std::filesystem::path& file, std::size_t limit = std::size_t(1) << 30);

/// What a finished file does where something lies at its name already.
struct Placing {
    /// Of what lies there; asked just before it would be replaced. Empty: whatever it is.
    std::function<bool(const std::filesystem::path& there)> mayReplace{};
    /// Where it may not replace: the first name with a number behind its stem that nothing lies at takes it, or, when
    /// false, it is given up.
    bool numbers = true;
    /// Names that are free but meant for others.
    std::function<bool(const std::filesystem::path&)> isSpokenFor{};
};

/// A file on its way: written beside its target under another name, then put in the target's place. After a crash
/// there is the old file or the new one; when it is given up nothing is left beside it, and what a run that was
/// killed left there goes with the next file that is written into the folder.
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
    /// Flushes it to the disk and gives it its name: where it lies then, empty when it was given up. A name at which
    /// nothing lies is taken in one step, so that two programs never take the same. Throws Error.
    std::filesystem::path keep(const Placing& placing = {});

private:
    /// False when something lies there.
    bool takeFree(const std::filesystem::path& name);
    std::filesystem::path target_, part_;
    int fd_ = -1;
};

/// Writes beside the target, flushes to the disk, then renames over it: after a crash there is the old file or the
/// new one. Missing folders are made. Throws Error (no permission, disk full…); the target is then untouched and
/// nothing is left beside it.
void writeFileAtomically(const std::filesystem::path& file, std::string_view bytes);

/// 64-bit FNV-1a of the bytes, as 16 hex digits: a name for a content, not a protection against forgery.
std::string contentHash(std::string_view bytes);
/// The same of a file's content, whatever its size. Throws Error.
std::string fileHash(const std::filesystem::path& file);

/// A name that can stand as one component of a path: separators, control characters and a leading dot replaced.
std::string safeFileName(std::string_view name);

/// $XDG_DATA_HOME/baryton, or ~/.local/share/baryton.
std::filesystem::path userDataFolder();

std::string base64Encode(std::span<const std::uint8_t> bytes);
/// Throws Error when the text is not base64.
std::vector<std::uint8_t> base64Decode(std::string_view text);

} // namespace baryton
