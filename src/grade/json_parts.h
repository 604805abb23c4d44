#pragma once
#include "grade/json.h"
#include "grade/takes.h"

namespace baryton {

// The pieces that the files of this floor are made of. `path` is where a piece stands in its file, for errors.

Value valueFromJson(const Json& json, const std::string& path);
std::vector<Stage> stagesFromJson(const Json& json, const char* key, const std::string& path);
Json stagesToJson(const std::vector<Stage>& stages);
std::vector<Layer> layersFromJson(const Json& json, const char* key, const std::string& path);
Json layersToJson(const std::vector<Layer>& layers);
Grade gradeFromJson(const Json& json, const std::string& path = {});
void gradeIntoJson(const Grade& grade, Json& json);
Preset presetFromJson(const Json& json, const std::string& path = {});
void presetIntoJson(const Preset& preset, Json& json);

std::vector<InForce> inForceFromJson(const Json& json, const std::string& path);
Json inForceToJson(const std::vector<InForce>& presets);

/// Writes the content of each LUT once: where it comes again, its name and the key of the content stand alone.
void shareLuts(Json& json);
/// The other way round. A key without content leaves the LUT named only: its stage then says that it is missing.
void unshareLuts(Json& json);

} // namespace baryton
