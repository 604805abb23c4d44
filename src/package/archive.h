#pragma once
#include <string>
#include <string_view>
#include <vector>

namespace baryton {

/// A file of an archive: its path with forward slashes, in UTF-8, and what it holds.
struct ArchiveFile {
    std::string path;
    std::string bytes;
    bool operator==(const ArchiveFile&) const = default;
};

/// What an archive may hold at most, so that a small one cannot fill the memory.
struct ArchiveLimits {
    std::size_t entries = 20000;
    std::size_t fileBytes = std::size_t(128) << 20;
    std::size_t allBytes = std::size_t(1) << 30;
};

/// The files of a zip archive, in its order; folders are left out.
///
/// Throws Error for what is no zip, is damaged or encrypted, and for archives that are not to be trusted: paths that
/// are absolute, lead out ("..") or hold control characters, links and devices, the same path twice (also when it
/// differs only in letter case), more than the limits.
std::vector<ArchiveFile> readZip(std::string_view bytes, const ArchiveLimits& limits = {});

/// A zip archive of the files, in the order given; the same files give the same bytes.
std::string writeZip(const std::vector<ArchiveFile>& files);

} // namespace baryton
