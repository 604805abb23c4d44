#pragma once
#include <cstddef>
#include <cstdint>
#include <filesystem>
#include <span>
#include <string>
#include <string_view>
#include <vector>

namespace baryton {

/// The whole file as bytes. Throws Error when it is missing, unreadable, a folder, or larger than `limit`.
std::string readFile(const std::filesystem::path& file, std::size_t limit = std::size_t(1) << 30);

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
