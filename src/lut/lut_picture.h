#pragma once
#include "lut/learn_pattern.h"
#include "lut/lut_file.h"

#include <optional>

namespace baryton {

/// The LUT that a picture is: a square cube that was graded, or our own pattern at its own size. Nothing for other
/// pictures, among them those that only have such a size, for patterns that nobody graded, and for what can't be
/// read. Of more than 65 nodes along an edge as many are kept. Throws Cancelled when the task says so.
///
/// A square cube is known by how it runs: red rises over level² pixels by small steps, then all of that is taken back
/// at once. Icons and photographs of such a size know nothing of these places.
std::optional<LearntLut> lutInPicture(const std::filesystem::path& file, const Task* task = nullptr);

/// The LUT of a file, be it a text (readLutFile) or such a picture; of one that nobody graded it says so. Throws
/// Error naming the file where it is neither; Cancelled when the task says so.
ParsedLut readAnyLut(const std::filesystem::path& file, const Task* task = nullptr);

/// True for a picture that runs like a square cube of this level.
bool runsLikeSquareCube(const Picture& picture, int level);

} // namespace baryton
