#pragma once
#include <compare>
#include <cstdint>
#include <filesystem>
#include <functional>
#include <optional>
#include <set>
#include <string>

namespace baryton {

/// A file whatever it is called: two names of one file, also through links, have the same.
struct FileIdentity {
    std::uint64_t device = 0, inode = 0;
    auto operator<=>(const FileIdentity&) const = default;
};
/// Nothing when there is no such file.
std::optional<FileIdentity> identityOf(const std::filesystem::path& file);

/// The files that something reads: none of its outputs may be one of them.
class InputSet {
public:
    /// One that is not there is none.
    void add(const std::filesystem::path& file);
    bool holds(const std::filesystem::path& file) const;

private:
    std::set<FileIdentity> files_;
};

/// Whether what lies there already is of the kind that is about to be written.
using IsOfKind = std::function<bool(const std::filesystem::path& there)>;

/// The door that every output with a name of the user's goes through. Throws Error when the target is an input, is
/// neither absent nor a regular file, or is another kind of file. `kind` says in words what is about to be written:
/// "a LUT".
void requireOutput(const std::filesystem::path& target, const InputSet& inputs, const IsOfKind& isOfKind,
                   const std::string& kind);

} // namespace baryton
