#pragma once
#include "grade/content_pool.h"
#include "grade/json.h"
#include "grade/takes.h"

namespace baryton {

// The pieces that the files of this floor are made of. `path` is where a piece stands in its file, for errors; the
// pool is what large contents are shared by, where the file shares them.

Value valueFromJson(const Json& json, const std::string& path, ContentPool* pool = nullptr);
/// Of a LUT or a picture.
Value contentFromJson(const Json& json, const std::string& path, ContentPool* pool);
Json contentToJson(const LutContent& lut, ContentPool* pool);
Json contentToJson(const PictureContent& picture, ContentPool* pool);
Mask maskFromJson(const Json& json, const std::string& path, ContentPool* pool);
Json maskToJson(const Mask& mask, ContentPool* pool);
std::vector<Stage> stagesFromJson(const Json& json, const char* key, const std::string& path,
                                  ContentPool* pool = nullptr);
Json stagesToJson(const std::vector<Stage>& stages, ContentPool* pool = nullptr);
std::vector<Layer> layersFromJson(const Json& json, const char* key, const std::string& path,
                                  ContentPool* pool = nullptr);
Json layersToJson(const std::vector<Layer>& layers, ContentPool* pool = nullptr);
Grade gradeFromJson(const Json& json, const std::string& path = {}, ContentPool* pool = nullptr);
void gradeIntoJson(const Grade& grade, Json& json, ContentPool* pool = nullptr);
Preset presetFromJson(const Json& json, const std::string& path = {}, ContentPool* pool = nullptr);
void presetIntoJson(const Preset& preset, Json& json, ContentPool* pool = nullptr);

std::vector<InForce> inForceFromJson(const Json& json, const std::string& path, ContentPool* pool);
Json inForceToJson(const std::vector<InForce>& presets, ContentPool* pool);

} // namespace baryton
