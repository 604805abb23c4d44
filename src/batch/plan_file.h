#pragma once
#include "batch/batch.h"

namespace baryton {

/// A plan under a name, as it is kept in a .bplan file (JSON, share/schemas/bplan.schema.json). The looks are in it
/// with all that they hold; pictures are named by their whole paths, their own grades are read as a run begins.
struct NamedPlan {
    std::string name;
    BatchPlan plan;
};

std::string planToText(const NamedPlan& plan);
/// Throws Error, with the line or the place in it, where the text is no plan that this version reads.
NamedPlan planFromText(const std::string& text);

/// Reads the file; throws Error, with the file.
NamedPlan readPlanFile(const std::filesystem::path& file);
/// Whether it is one that can be read: what may be written over by one.
bool isPlanFile(const std::filesystem::path& file);

/// What a plan *is*, as a name: another where anything that comes out could come out otherwise.
std::string planHash(const NamedPlan& plan);

} // namespace baryton
