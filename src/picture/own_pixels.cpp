#include "picture/own_pixels.h"
#include "base/error.h"
#include "picture/picture_reader.h"
#include "picture/raw_file.h"
#include "picture/read_support.h"

#include <algorithm>
#include <cmath>

namespace baryton {

namespace {

/// How many pixels of a side are left of every n-th, the first of them at n / 2.
int leftOf(int side, int n) {
    return std::max(1, (side + n - 1 - n / 2) / n);
}

int placeOf(int index, int n, int side) {
    return std::min(n / 2 + index * n, side - 1);
}

} // namespace

Picture readOwnPixels(const SourceFile& source, std::size_t most, const Task* task) {
    ReadOptions options;
    options.raw = source.raw;
    if (isRawName(source.file)) options.shrink = 2; // by halves nothing is made up between the sensor's places
    PictureReader reader(source.file, options);
    const int width = reader.width(), height = reader.height();
    int n = 1;
    while (std::size_t(leftOf(width, n)) * std::size_t(leftOf(height, n)) > most) ++n;
    return tellingOf(source.file, [&] {
        Picture pixels(leftOf(width, n), leftOf(height, n));
        constexpr int bandRows = 256;
        int next = 0;
        for (int top = 0; top < height && next < pixels.height(); top += bandRows) {
            if (task) task->throwIfCancelled();
            const int rows = std::min(bandRows, height - top);
            const Picture band = reader.rows(top, rows);
            for (; next < pixels.height() && placeOf(next, n, height) < top + rows; ++next)
                for (int k = 0; k < 3; ++k) {
                    const float* from = band.row(k, placeOf(next, n, height) - top);
                    float* to = pixels.row(k, next);
                    for (int x = 0; x < pixels.width(); ++x) to[x] = from[placeOf(x, n, width)];
                }
        }
        pixels.setScale(1.0 / n);
        return pixels;
    });
}

std::vector<Picture> OwnPixels::of(const std::vector<SourceFile>& sources, const Task* task) {
    std::vector<Picture> all;
    for (const SourceFile& source : sources) {
        const std::lock_guard<std::mutex> guard(lock_);
        if (task) task->throwIfCancelled();
        try {
            const FileState state = fileStateOf(source.file);
            const auto known = std::find_if(kept_.begin(), kept_.end(), [&](const Kept& each) {
                return each.source == source && each.state == state;
            });
            if (known != kept_.end()) {
                std::rotate(kept_.begin(), known, known + 1);
            } else {
                kept_.push_front({source, state, readOwnPixels(source, kMostPixels, task)});
                if (kept_.size() > kMostKept) kept_.pop_back();
            }
            all.push_back(kept_.front().pixels);
        } catch (const Cancelled&) {
            throw;
        } catch (const std::exception&) {
            continue; // what is wrong with it is told where it is shown
        }
    }
    return all;
}

} // namespace baryton
