#include "sample_picture.h"
#include "picture/picture_file.h"

#include <algorithm>
#include <chrono>
#include <cstdint>

namespace baryton::bench {

void writeJpeg(const std::filesystem::path& file, const Picture& picture) {
    QuantisedPicture eight(picture.width(), picture.height(), 3, 8);
    for (int y = 0; y < picture.height(); ++y)
        eight.setRow(y, 0, picture.width(), picture.row(0, y), picture.row(1, y), picture.row(2, y), nullptr);
    writePicture(file, eight, {}, {FileFormat::Jpeg, 8, 90});
}

Picture samplePicture(const std::filesystem::path& source, int width, int height) {
    Picture picture = resized(readPicture(source).picture, width, height);
    std::uint32_t state = 1;
    for (int y = 0; y < height; ++y)
        for (int k = 0; k < 3; ++k) {
            float* row = picture.row(k, y);
            for (int x = 0; x < width; ++x) {
                state = state * 1664525U + 1013904223U;
                constexpr float noise = 0.012F;
                row[x] =
                    std::clamp(row[x] + noise * (static_cast<float>(state >> 8) / 16777216.0F - 0.5F), 0.0F, 1.0F);
            }
        }
    return picture;
}

double percentile(std::vector<double> values, double share) {
    std::sort(values.begin(), values.end());
    return values.empty() ? 0
                          : values[static_cast<std::size_t>(share * static_cast<double>(values.size() - 1) + 0.5)];
}

std::vector<Timing> sideBySide(const std::vector<std::function<void()>>& contestants, int rounds) {
    std::vector<std::vector<double>> times(contestants.size());
    for (int round = -1; round < rounds; ++round)
        for (std::size_t i = 0; i < contestants.size(); ++i) {
            const auto start = std::chrono::steady_clock::now();
            contestants[i]();
            if (round >= 0)
                times[i].push_back(
                    std::chrono::duration<double, std::milli>(std::chrono::steady_clock::now() - start).count());
        }
    std::vector<Timing> result;
    for (const auto& each : times)
        result.push_back({percentile(each, 0.5), percentile(each, 0), percentile(each, 1)});
    return result;
}

} // namespace baryton::bench
