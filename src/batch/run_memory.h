#pragma once
#include "batch/batch.h"

#include <map>
#include <optional>
#include <set>

namespace baryton {

/// What one picture gets of a look otherwise than the others, as it is set.
struct WishSettings {
    bool isLeftOut = false;
    double strength = 1;             ///< 0…2
    std::filesystem::path instead{}; ///< the file of another preset; empty for the look itself
    bool operator==(const WishSettings&) const = default;
};

/// What the Batch task is set to, as a value.
struct BatchSettings {
    bool ownGrade = true;
    std::set<std::string> takes{};             ///< names of takes, each a look of the pictures that have it
    std::set<std::filesystem::path> presets;   ///< files of the chosen ones
    std::set<std::filesystem::path> leftOut{}; ///< pictures of which nothing is made
    PrepChoice prep = PrepChoice::Own;
    std::vector<OutputSettings> outputs = std::vector<OutputSettings>(1); ///< the files made of each; at least one
    std::string folder, name = "{stem}-{look}.{ext}";
    IfExists ifExists = IfExists::Number;
    bool asksIfExists = false; ///< when a run is begun that meets files
    /// By the file of the picture and that of the look's preset (empty for the pictures' own grade).
    std::map<std::pair<std::filesystem::path, std::filesystem::path>, WishSettings> wishes{};
    bool operator==(const BatchSettings&) const = default;
};
/// As many kinds of file as a run makes at most.
constexpr std::size_t kMostOutputs = 16;

/// What a set's Batch was set to and what its last run came to, kept in the user's data folder so that both are there
/// again after a restart, however the last one ended.
struct RunMemory {
    BatchSettings settings;
    BatchSettings ranWith; ///< the settings of the last run
    struct File {
        std::filesystem::path picture;
        std::string look;
        std::string grade; ///< a hash of the grade that it got
        BatchJob job;      ///< its picture and look as numbers mean nothing here; the output does
    };
    std::vector<File> files; ///< of the last run; empty when there was none
    /// How many files the last run was to make.
    std::size_t wantedCount() const;
    /// Whether the last run ended before all files were tried.
    bool wasInterrupted() const;
};

/// Where the memory of a set is kept: by the folder that its first picture lies in.
std::filesystem::path runMemoryFile(const std::filesystem::path& setFolder);

std::string runMemoryToText(const RunMemory& memory);
/// Throws Error when the text is no such memory. What ran or waited when it was written counts as not made.
RunMemory runMemoryFromText(const std::string& text);

/// Writes it atomically; throws Error.
void storeRunMemory(const std::filesystem::path& file, const RunMemory& memory);
/// Nothing when there is none; throws Error when the file is not understood.
std::optional<RunMemory> loadRunMemory(const std::filesystem::path& file);

} // namespace baryton
