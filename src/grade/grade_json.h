#pragma once
#include "grade/preset.h"
#include "grade/takes.h"

#include <filesystem>
#include <string>

namespace baryton {

class ContentPool;

/// The files of grades and presets: JSON with `format` and `version` (see docs/formats/preset.md and the schemas
/// shipped in share/schemas). Fields that this version does not know are kept and written back.
///
/// Parsing checks the shape against the schema and throws Error naming the line (broken JSON) or the JSON path; a
/// newer version is refused; a newer `minor` version is read, and what it adds is kept. Whether stage types exist and
/// values lie in their ranges is checked by `validate` (stages floor).
Grade gradeFromText(const std::string& text);
std::string gradeToText(const Grade& grade);

/// A grade file with the takes of its picture: the grade in hand stands at the top as in any grade file, `takes`
/// holds the kept ones, `from` tells which of them it goes on from, `inForce` the presets put on it.
PictureWork workFromText(const std::string& text);
std::string workToText(const PictureWork& work);
/// Several that share their large contents, LUTs and pictures, one after the other.
PictureWork workFromText(const std::string& text, ContentPool& pool);
std::string workToText(const PictureWork& work, ContentPool& pool);

Preset presetFromText(const std::string& text);
std::string presetToText(const Preset& preset);

/// The same from and to files; errors name the file.
Grade readGradeFile(const std::filesystem::path& file);
PictureWork readWorkFile(const std::filesystem::path& file);
void writeWorkFile(const std::filesystem::path& file, const PictureWork& work);
Preset readPresetFile(const std::filesystem::path& file);
void writePresetFile(const std::filesystem::path& file, const Preset& preset);

} // namespace baryton
