#include "support/dng.h"
#include "colour/spaces.h"

#include <algorithm>
#include <cmath>
#include <cstdint>
#include <cstring>
#include <fstream>

namespace baryton::test {

const Mat3 kDayCamera{0.72, -0.18, -0.06, -0.42, 1.22, 0.22, -0.08, 0.20, 0.60};
const Mat3 kLampCamera{0.84, -0.26, -0.02, -0.36, 1.14, 0.26, -0.04, 0.16, 0.72};

Vec3 seenBy(const Mat3& camera, const Vec3& light, const Vec3& linear) {
    return camera * (adaptation(kCat16, kD65, light) * (kSrgbToXyz * linear));
}

namespace {

enum FieldType : std::uint16_t { kByte = 1, kAscii = 2, kShort = 3, kLong = 4, kRational = 5, kSigned = 10 };

template <class T>
void put(std::string& bytes, T value) {
    char raw[sizeof(T)];
    std::memcpy(raw, &value, sizeof(T));
    bytes.append(raw, sizeof(T));
}

/// A directory of a TIFF (6.0), little-endian.
class Directory {
public:
    void add(int tag, FieldType type, std::uint32_t count, std::string bytes) {
        entries_.push_back({tag, type, count, std::move(bytes)});
    }
    void numbers(int tag, FieldType type, const std::vector<std::uint32_t>& values) {
        std::string bytes;
        for (const std::uint32_t v : values) {
            if (type == kByte)
                put(bytes, static_cast<std::uint8_t>(v));
            else if (type == kShort)
                put(bytes, static_cast<std::uint16_t>(v));
            else
                put(bytes, v);
        }
        add(tag, type, static_cast<std::uint32_t>(values.size()), std::move(bytes));
    }
    void fractions(int tag, FieldType type, const std::vector<double>& values) {
        std::string bytes;
        constexpr int unit = 1000000;
        for (const double v : values) put(bytes, static_cast<std::int32_t>(std::lround(v * unit))), put(bytes, unit);
        add(tag, type, static_cast<std::uint32_t>(values.size()), std::move(bytes));
    }
    void text(int tag, const std::string& words) {
        add(tag, kAscii, static_cast<std::uint32_t>(words.size() + 1), words + '\0');
    }
    std::size_t size() const {
        std::size_t all = 2 + 12 * entries_.size() + 4;
        for (const Entry& each : entries_)
            if (each.bytes.size() > 4) all += (each.bytes.size() + 1) / 2 * 2;
        return all;
    }
    std::string bytesAt(std::uint32_t place) {
        std::sort(entries_.begin(), entries_.end(), [](const Entry& a, const Entry& b) { return a.tag < b.tag; });
        std::string head, tail;
        put(head, static_cast<std::uint16_t>(entries_.size()));
        const auto behind = static_cast<std::uint32_t>(place + 2 + 12 * entries_.size() + 4);
        for (Entry& each : entries_) {
            put(head, static_cast<std::uint16_t>(each.tag));
            put(head, static_cast<std::uint16_t>(each.type));
            put(head, each.count);
            if (each.bytes.size() > 4) {
                put(head, static_cast<std::uint32_t>(behind + tail.size()));
                tail += each.bytes;
                if (tail.size() % 2 != 0) tail += '\0';
            } else {
                head += each.bytes + std::string(4 - each.bytes.size(), '\0');
            }
        }
        put(head, std::uint32_t{0});
        return head + tail;
    }

private:
    struct Entry {
        int tag;
        FieldType type;
        std::uint32_t count;
        std::string bytes;
    };
    std::vector<Entry> entries_;
};

std::vector<double> listed(const Mat3& m) {
    return {m.begin(), m.end()};
}

std::string mosaicOf(const Dng& dng) {
    const int side = dng.pattern.size() == 36 ? 6 : 2;
    const int width = dng.left + dng.width + dng.right, height = dng.top + dng.height + dng.bottom;
    std::string pixels;
    for (int row = 0; row < height; ++row)
        for (int column = 0; column < width; ++column) {
            const int x = column - dng.left, y = row - dng.top;
            double value = 0;
            if (x >= 0 && y >= 0 && x < dng.width && y < dng.height) {
                const char colour =
                    dng.pattern.empty() ? 'G' : dng.pattern[static_cast<std::size_t>(y % side * side + x % side)];
                value = dng.scene(x, y)[colour == 'R' ? 0 : colour == 'G' ? 1 : 2];
            }
            const double number = dng.black + value * (dng.white - dng.black);
            put(pixels, static_cast<std::uint16_t>(std::lround(std::clamp<double>(number, 0, dng.white))));
        }
    return pixels;
}

/// Where the parts of a file begin.
struct Places {
    std::uint32_t raw = 8, pixels = 0, preview = 0;
};

Directory rawDirectory(const Dng& dng, const Places& places) {
    const auto number = [](int v) { return static_cast<std::uint32_t>(v); };
    const std::uint32_t width = number(dng.left + dng.width + dng.right),
                        height = number(dng.top + dng.height + dng.bottom), side = dng.pattern.size() == 36 ? 6 : 2;
    Directory raw;
    raw.numbers(254, kLong, {0});
    raw.numbers(256, kLong, {width});
    raw.numbers(257, kLong, {height});
    raw.numbers(258, kShort, {16});
    raw.numbers(259, kShort, {1});
    raw.numbers(262, kShort, {dng.pattern.empty() ? 34892U : 32803U}); // linear, or a mosaic of colours
    raw.numbers(273, kLong, {places.pixels});
    raw.numbers(277, kShort, {1});
    raw.numbers(278, kLong, {height});
    raw.numbers(279, kLong, {2 * width * height});
    if (!dng.pattern.empty()) {
        raw.numbers(33421, kShort, {side, side});
        std::vector<std::uint32_t> pattern;
        for (const char colour : dng.pattern) pattern.push_back(colour == 'R' ? 0 : colour == 'G' ? 1 : 2);
        raw.numbers(33422, kByte, pattern);
    }
    raw.numbers(50714, kLong, {number(dng.black)});
    raw.numbers(50717, kLong, {number(dng.white)});
    raw.numbers(50829, kLong,
                {number(dng.top), number(dng.left), number(dng.top + dng.height), number(dng.left + dng.width)});
    return raw;
}

/// Of the camera as a whole: in the first directory.
void addCamera(const Dng& dng, Directory& first) {
    first.text(271, "Tin Heron");
    first.text(272, dng.model);
    first.numbers(274, kShort, {static_cast<std::uint32_t>(dng.orientation)});
    first.numbers(50706, kByte, {1, 4, 0, 0});
    first.text(50708, "Tin Heron " + dng.model);
    for (std::size_t i = 0; i < dng.matrices.size() && i < 2; ++i) {
        first.fractions(50721 + static_cast<int>(i), kSigned, listed(dng.matrices[i].second));
        first.numbers(50778 + static_cast<int>(i), kShort, {static_cast<std::uint32_t>(dng.matrices[i].first)});
    }
    first.fractions(50728, kRational, {dng.neutral[0], dng.neutral[1], dng.neutral[2]});
    first.fractions(50730, kSigned, {dng.exposure});
}

Directory previewDirectory(const Dng& dng, const Places& places) {
    Directory first;
    first.numbers(254, kLong, {1});
    first.numbers(256, kLong, {static_cast<std::uint32_t>(dng.width)});
    first.numbers(257, kLong, {static_cast<std::uint32_t>(dng.height)});
    first.numbers(258, kShort, {8, 8, 8});
    first.numbers(259, kShort, {7}); // JPEG
    first.numbers(262, kShort, {6}); // YCbCr
    first.numbers(273, kLong, {places.preview});
    first.numbers(277, kShort, {3});
    first.numbers(278, kLong, {static_cast<std::uint32_t>(dng.height)});
    first.numbers(279, kLong, {static_cast<std::uint32_t>(dng.previewJpeg.size())});
    first.numbers(330, kLong, {places.raw}); // the raw picture hangs below
    addCamera(dng, first);
    return first;
}

} // namespace

std::string dngBytes(const Dng& dng) {
    const bool hasPreview = !dng.previewJpeg.empty();
    Places places;
    const auto raw = [&] {
        Directory directory = rawDirectory(dng, places);
        if (!hasPreview) addCamera(dng, directory);
        return directory;
    };
    if (hasPreview) places.raw += static_cast<std::uint32_t>(previewDirectory(dng, places).size());
    places.preview = places.raw + static_cast<std::uint32_t>(raw().size());
    places.pixels = places.preview + static_cast<std::uint32_t>((dng.previewJpeg.size() + 1) / 2 * 2);
    std::string file = "II";
    put(file, std::uint16_t{42});
    put(file, std::uint32_t{8});
    if (hasPreview) file += previewDirectory(dng, places).bytesAt(8);
    file += raw().bytesAt(places.raw) + dng.previewJpeg;
    file.resize(places.pixels, '\0');
    return file + mosaicOf(dng);
}

void writeDng(const std::filesystem::path& file, const Dng& dng) {
    const std::string bytes = dngBytes(dng);
    std::ofstream(file, std::ios::binary).write(bytes.data(), static_cast<std::streamsize>(bytes.size()));
}

} // namespace baryton::test
