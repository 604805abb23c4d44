#include "batch/foresee.h"
#include "base/error.h"
#include "picture/picture_file.h"

#include <algorithm>
#include <cmath>

namespace baryton {

namespace fs = std::filesystem;

namespace {

/// Opening headers takes time: a mean of so many is near enough.
constexpr std::size_t kAsked = 24;

std::uintmax_t freeIn(fs::path folder) {
    std::error_code failed;
    // The folder itself may be made by the run.
    while (!folder.empty() && !fs::exists(folder, failed) && folder.has_relative_path())
        folder = folder.parent_path();
    const fs::space_info space = fs::space(folder.empty() ? fs::path(".") : folder, failed);
    return failed ? 0 : space.available;
}

} // namespace

double usualBytes(const OutputFormat& format, double pixels) {
    // Measured on photographs of 1 to 24 megapixels with some noise in them; what comes out may be half or twice
    // that.
    constexpr double packed8 = 1.9, packed16 = 4.6, packedFloat = 8, head = 20000;
    const double lossy = 0.05 + 0.9 * std::pow(format.quality / 100.0, 5);
    switch (format.format) {
    case FileFormat::Jpeg:
        return head + pixels * lossy;
    case FileFormat::Png:
        return head + pixels * (format.bits == 8 ? packed8 : packed16);
    case FileFormat::Tiff:
        if (format.compression == TiffCompression::None) return head + pixels * 3 * format.bits / 8;
        return head + pixels * (format.bits == 8 ? packed8 : format.bits == 16 ? packed16 : packedFloat);
    case FileFormat::WebP:
        return head + pixels * (format.isLossless ? 1.3 : 0.6 * lossy);
    case FileFormat::Avif:
        break;
    }
    return head + pixels * 0.4 * lossy;
}

Foresight foresee(const BatchPlan& plan) {
    Foresight seen;
    std::vector<double> share(plan.outputs.size()); // of an output's files, those to be made
    const std::vector<BatchJob> jobs = jobsOf(plan);
    for (std::size_t i = 0; i < jobs.size(); ++i) {
        if (jobs[i].state != JobState::Waiting || plan.made.contains(i)) continue;
        ++seen.files;
        ++share[jobs[i].output];
        std::error_code ignored;
        seen.there += fs::exists(jobs[i].file, ignored);
    }
    std::vector<double> bytes(plan.outputs.size());
    const std::size_t step = std::max<std::size_t>(1, plan.pictures.size() / kAsked);
    double asked = 0;
    for (std::size_t p = 0; p < plan.pictures.size(); p += step) {
        try {
            const PictureSize size = readPictureSize(plan.pictures[p]);
            for (std::size_t o = 0; o < plan.outputs.size(); ++o) {
                const PictureSize made = outputSize(size, plan.outputs[o].size);
                bytes[o] += usualBytes(plan.outputs[o].format, double(made.width) * made.height);
            }
            ++asked;
        } catch (const Error&) { // told by the run
        }
    }
    if (asked > 0)
        for (std::size_t o = 0; o < plan.outputs.size(); ++o)
            seen.bytes += static_cast<std::uintmax_t>(bytes[o] / asked * share[o]);
    seen.free = freeIn(plan.folder);
    return seen;
}

} // namespace baryton
