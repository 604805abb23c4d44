#pragma once
#include "picture/picture.h"

#include <array>
#include <cstddef>
#include <map>
#include <memory>
#include <mutex>
#include <utility>
#include <vector>

namespace baryton {

/// Room for fields that are written before they are read.
struct GrainFields {
    static constexpr std::size_t kMost = 4; ///< one for all layers, and one for each
    std::array<std::vector<float>, kMost> planes;
    float* rows[kMost]{};

    void makeRoom(int fields, std::size_t count) {
        constexpr std::size_t beyond = 2 * kRowPad; // what the vector code may touch past the last
        for (std::size_t f = 0; f < static_cast<std::size_t>(fields); ++f) {
            if (planes[f].size() < count + beyond) planes[f].resize(count + beyond);
            rows[f] = planes[f].data();
        }
    }
};

/// What the fields at the pixels of a view depend on: neither on how strong they are nor on the colours they lie
/// over.
struct GrainKey {
    double size, clumping, seed;
    bool isColoured;
    double x, dx, aspect, scale;
    int first, count;
    bool operator==(const GrainKey&) const = default;
};

/// The fields of a view, made row by row where they are first asked for: while another control moves, the next frame
/// finds them. Up to 32 MB; what is beyond is made anew each time. Safe for several threads.
class KeptGrain {
public:
    explicit KeptGrain(const GrainKey& key) : key_(key) {}
    const GrainKey& key() const { return key_; }
    /// Those of one of the last two views, or new ones.
    static std::shared_ptr<KeptGrain> of(const GrainKey& key);

    /// The row of a block from column `at` on, or nothing. It stays as long as this does.
    const GrainFields* find(float y, std::size_t at, std::size_t count) const;
    /// Keeps `used` fields of `count` pixels there.
    void keep(float y, std::size_t at, std::size_t count, const GrainFields& fields, int used);

private:
    struct Row {
        std::size_t count = 0;
        GrainFields fields;
    };
    GrainKey key_;
    mutable std::mutex lock_;
    std::map<std::pair<float, std::size_t>, std::unique_ptr<const Row>> rows_;
    std::size_t floats_ = 0;
};

} // namespace baryton
