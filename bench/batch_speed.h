#pragma once
#include "grade/grade.h"
#include "picture/picture.h"

#include <filesystem>
#include <vector>

namespace baryton::bench {

/// Files decoded at an eighth by the JPEG library, in as many threads as there are.
void decodeAtAnEighth(const std::vector<std::filesystem::path>& files);

/// A set of 24 MP JPEGs looked at before its run, against the JPEG library that decodes them at an eighth.
void compareSurvey(const Grade& look, const std::filesystem::path& folder);

/// Runs of the command line over sixteen 24 MP JPEGs, through the Look as it is and through a cube, against libvips
/// that only copies them and ffmpeg that puts the cube on; and over many tiny files.
void compareRuns(const Picture& picture, const Grade& look, const std::filesystem::path& folder);

} // namespace baryton::bench
