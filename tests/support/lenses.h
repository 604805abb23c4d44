#pragma once
#include <filesystem>

namespace baryton::test {

/// Writes a file of our own lens in Lensfun's format into a folder, and has it read: "Tin Heron Stagelight 24mm f/2",
/// which fits the camera "Tin Heron Model One" (crop factor 1.5), known by its distortion, fringes and shading; and
/// "Tin Heron Plain 50mm f/4", of which nothing but the distortion is known.
void addOwnLenses(const std::filesystem::path& folder);

inline constexpr const char *kStagelight = "Tin Heron Stagelight 24mm f/2", *kPlain = "Tin Heron Plain 50mm f/4";

/// Writes into a JPEG by what it was taken.
void writeShot(const std::filesystem::path& jpeg, const char* lens, int focal, double aperture,
               const char* camera = "Model One");

} // namespace baryton::test
