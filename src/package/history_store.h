#pragma once
#include "grade/takes.h"

#include <filesystem>
#include <string>
#include <vector>

namespace baryton {

/// One step that was done to a picture, with its state before and after.
struct KeptStep {
    std::string text; ///< in the language it was told in
    PictureWork before, after;
    bool operator==(const KeptStep&) const = default;
};

/// Of a history so much is kept: the newest steps, and of those as many as the file has room for.
constexpr std::size_t kMostKeptSteps = 60, kMostHistoryBytes = std::size_t(24) << 20;

/// Where the steps of a picture are kept from one start to the next: in the user's data folder, under a hash of the
/// picture's path; never beside the picture.
std::filesystem::path historyFile(const std::filesystem::path& picture);

/// As a file: each state once, the steps as pairs of them. An empty text for no steps.
std::string historyToText(const std::vector<KeptStep>& steps);
/// Throws Error for what is damaged or of another version, naming what is wrong.
std::vector<KeptStep> historyFromText(const std::string& text);

/// Keeps the steps; without any the file goes. Throws Error when it can't be written.
void storeHistory(const std::filesystem::path& picture, const std::vector<KeptStep>& steps);
/// The steps that lead to this state of the picture, which is how it was left; none where the file's last step leads
/// elsewhere (the grade was changed by something else since). Throws Error naming the file.
std::vector<KeptStep> loadHistory(const std::filesystem::path& picture, const PictureWork& now);

} // namespace baryton
