#include "picture/small_picture.h"
#include "base/file.h"
#include "base/utf8.h"

#include <algorithm>
#include <atomic>
#include <cmath>
#include <cstdlib>
#include <cstring>
#include <fmt/format.h>
#include <fstream>
#include <nlohmann/json.hpp>
#include <unistd.h>

namespace baryton {

namespace fs = std::filesystem;
using nlohmann::json;

FileState fileStateOf(const fs::path& file) {
    return {fs::file_size(file), fs::last_write_time(file).time_since_epoch().count()};
}

namespace {

// A kept file: the mark, a sum of all that comes behind the header's length (8 bytes), that length (4 bytes), the
// header (CBOR), then what is kept. Of a small picture that is the codes of red, green, blue and alpha, row by row,
// 16 bits each, from the lowest to the highest value of the picture; of a known one an image file. Bytes lie as the
// machine has them: the folder is this machine's own.
constexpr std::string_view kMark = "BarytonSmall1\n", kKnownMark = "BarytonKnown1\n";
constexpr double kCodes = 65535;
constexpr std::size_t kMostHeader = 1 << 16, kMostKnown = 1 << 20;

std::string keyOf(const fs::path& file, const RawSettings& raw) {
    return fmt::format("{}\n{} {} {} {} {} {}", asUtf8(fs::absolute(file).lexically_normal().string()), raw.isAsShot,
                       raw.kelvin, raw.tint, static_cast<int>(raw.highlights), static_cast<int>(raw.response),
                       static_cast<int>(raw.demosaic));
}

/// FNV-1a over words of eight bytes: what became of a file on the disk shows.
std::uint64_t sumOf(std::string_view bytes) {
    std::uint64_t sum = 0xcbf29ce484222325U;
    for (std::size_t at = 0; at < bytes.size(); at += sizeof(sum)) {
        std::uint64_t word = 0;
        std::memcpy(&word, bytes.data() + at, std::min(sizeof(word), bytes.size() - at));
        sum = (sum ^ word) * 0x100000001b3U;
    }
    return sum;
}

static_assert(kMark.size() == kKnownMark.size());
constexpr std::size_t kPrefix = kMark.size() + sizeof(std::uint64_t) + sizeof(std::uint32_t);

json jsonOf(const Shot& shot) {
    return {{"maker", shot.cameraMaker},
            {"model", shot.cameraModel},
            {"lens", shot.lens},
            {"numbers",
             {shot.focal, shot.focal35, shot.aperture, shot.distance, shot.exposureTime, shot.iso, shot.takenAt}},
            {"turns", shot.orientation.quarterTurns},
            {"mirrored", shot.orientation.mirrored}};
}

Shot shotFrom(const json& told) {
    Shot shot;
    shot.cameraMaker = told.at("maker"), shot.cameraModel = told.at("model"), shot.lens = told.at("lens");
    const json& numbers = told.at("numbers");
    double* const into[] = {&shot.focal,        &shot.focal35, &shot.aperture, &shot.distance,
                            &shot.exposureTime, &shot.iso,     &shot.takenAt};
    for (std::size_t i = 0; i < std::size(into); ++i) *into[i] = numbers.at(i);
    shot.orientation.quarterTurns = std::clamp(told.at("turns").get<int>(), 0, 3);
    shot.orientation.mirrored = told.at("mirrored");
    return shot;
}

/// The picture in codes, and the values that the first and the last of them stand for.
struct Coded {
    std::vector<std::uint16_t> codes;
    float low = 0, high = 1;
};

template <class Row>
void eachRow(int width, int height, int planes, const Row& row) {
    std::size_t at = 0;
    for (int plane = 0; plane < planes; ++plane)
        for (int y = 0; y < height; ++y, at += static_cast<std::size_t>(width)) row(plane, y, at);
}

Coded codedOf(const Picture& picture) {
    Coded coded;
    const int width = picture.width(), planes = picture.hasAlpha() ? 4 : 3;
    eachRow(width, picture.height(), planes, [&](int plane, int y, std::size_t) {
        const auto [low, high] = std::minmax_element(picture.row(plane, y), picture.row(plane, y) + width);
        coded.low = std::min(coded.low, *low), coded.high = std::max(coded.high, *high);
    });
    coded.codes.resize(static_cast<std::size_t>(width) * static_cast<std::size_t>(picture.height()) *
                       static_cast<std::size_t>(planes));
    const float scale = static_cast<float>(kCodes) / (coded.high - coded.low);
    eachRow(width, picture.height(), planes, [&](int plane, int y, std::size_t at) {
        const float* in = picture.row(plane, y);
        std::uint16_t* out = coded.codes.data() + at;
        for (int x = 0; x < width; ++x) out[x] = static_cast<std::uint16_t>((in[x] - coded.low) * scale + 0.5F);
    });
    return coded;
}

/// Writes what the codes stand for into a picture of their size.
void decode(const Coded& coded, Picture& picture) {
    const int width = picture.width();
    const float step = (coded.high - coded.low) / static_cast<float>(kCodes);
    eachRow(width, picture.height(), picture.hasAlpha() ? 4 : 3, [&](int plane, int y, std::size_t at) {
        const std::uint16_t* in = coded.codes.data() + at;
        float* out = picture.row(plane, y);
        for (int x = 0; x < width; ++x) out[x] = coded.low + step * static_cast<float>(in[x]);
    });
}

/// What both kinds of kept files say of the picture's own.
json headerOf(const std::string& key, const FileState& state, const PictureSize& size, const Shot& shot) {
    return {
        {"key", key},        {"bytes", state.bytes}, {"written", state.written}, {"size", {size.width, size.height}},
        {"bits", size.bits}, {"shot", jsonOf(shot)}};
}

void put(const fs::path& at, std::string_view mark, const json& facts, std::string_view kept) {
    const std::vector<std::uint8_t> header = json::to_cbor(facts);
    std::string body(reinterpret_cast<const char*>(header.data()), header.size());
    body.append(kept);
    const std::uint64_t sum = sumOf(body);
    const auto length = static_cast<std::uint32_t>(header.size());
    std::string prefix(mark);
    prefix.append(reinterpret_cast<const char*>(&sum), sizeof(sum));
    prefix.append(reinterpret_cast<const char*>(&length), sizeof(length));
    // Not flushed to the disk, as what must not be lost would be: after a power cut it is not whole, and made again.
    static std::atomic<unsigned> count = 0;
    fs::path part = at;
    part += fmt::format(".{}-{}", ::getpid(), ++count);
    std::ofstream out(part, std::ios::binary);
    out.write(prefix.data(), static_cast<std::streamsize>(prefix.size()));
    out.write(body.data(), static_cast<std::streamsize>(body.size()));
    out.close();
    std::error_code failed;
    if (out) fs::rename(part, at, failed);
    if (!out || failed) fs::remove(part, failed);
}

void require(bool holds) {
    if (!holds) throw std::runtime_error("not kept");
}

struct Taken {
    json header;
    std::string_view kept;

    PictureSize size() const { return {header.at("size").at(0), header.at("size").at(1), header.at("bits")}; }
};

/// Throws where the bytes are not whole, or not of that file as it is.
Taken taken(std::string_view mark, const std::string& bytes, const std::string& key, const FileState& state) {
    require(bytes.size() > kPrefix && bytes.starts_with(mark));
    std::uint64_t sum = 0;
    std::uint32_t length = 0;
    std::memcpy(&sum, bytes.data() + kMark.size(), sizeof(sum));
    std::memcpy(&length, bytes.data() + kMark.size() + sizeof(sum), sizeof(length));
    const std::string_view body = std::string_view(bytes).substr(kPrefix);
    require(length <= kMostHeader && body.size() >= length && sum == sumOf(body));
    const Taken taken{json::from_cbor(body.begin(), body.begin() + length), body.substr(length)};
    require(taken.header.at("key") == key && taken.header.at("bytes") == state.bytes &&
            taken.header.at("written") == state.written);
    return taken;
}

SmallPicture smallFrom(const Taken& taken, const FileState& state) {
    const json& header = taken.header;
    const int width = header.at("width"), height = header.at("height");
    const bool hasAlpha = header.at("alpha");
    require(width > 0 && height > 0 && width <= kSmallSide && height <= kSmallSide);
    Coded coded;
    coded.low = header.at("low"), coded.high = header.at("high");
    require(std::isfinite(coded.low) && std::isfinite(coded.high) && coded.high > coded.low);
    coded.codes.resize(static_cast<std::size_t>(width) * static_cast<std::size_t>(height) * (hasAlpha ? 4 : 3));
    require(taken.kept.size() == coded.codes.size() * sizeof(std::uint16_t));
    std::memcpy(coded.codes.data(), taken.kept.data(), taken.kept.size());
    SmallPicture small;
    small.state = state;
    small.size = taken.size();
    small.shot = shotFrom(header.at("shot"));
    small.picture = Picture(width, height, hasAlpha);
    small.picture.setScale(header.at("scale"));
    decode(coded, small.picture);
    return small;
}

bool hasRoom(const fs::path& folder, std::uintmax_t leastFree) {
    std::error_code unknown;
    const fs::space_info space = fs::space(folder, unknown);
    return !unknown && space.available > leastFree;
}

} // namespace

SmallPicture readSmallPicture(const fs::path& file, const RawSettings& raw) {
    SmallPicture small;
    small.size = readPictureSize(file);
    small.picture = readThumbnail(file, kSmallSide, raw);
    small.shot = readShot(file);
    return small;
}

fs::path SmallStore::usersFolder() {
    if (const char* cache = std::getenv("XDG_CACHE_HOME"); cache && *cache) return fs::path(cache) / "baryton/small";
    const char* home = std::getenv("HOME");
    return home && *home ? fs::path(home) / ".cache/baryton/small" : fs::path();
}

SmallPicture SmallStore::read(const fs::path& file, const RawSettings& raw) const {
    std::string key;
    FileState state;
    fs::path at;
    try {
        key = keyOf(file, raw);
        state = fileStateOf(file);
        if (!folder_.empty()) at = folder_ / contentHash(key);
        std::error_code none;
        if (fs::exists(at, none)) {
            const std::string bytes = readFile(at);
            SmallPicture small = smallFrom(taken(kMark, bytes, key, state), state);
            // What was used last is removed last.
            fs::last_write_time(at, fs::file_time_type::clock::now(), none);
            return small;
        }
    } catch (const std::exception&) {
        // Not of this file, not whole, or no longer: it is read from the picture's own.
    }
    SmallPicture small = readSmallPicture(file, raw);
    small.state = state;
    const Coded coded = codedOf(small.picture);
    decode(coded, small.picture);
    try {
        if (!at.empty()) fs::create_directories(folder_);
        // One that was written to while it was read is not kept: which of its states was seen, who knows.
        const FileState after = fileStateOf(file);
        if (!at.empty() && after == state && hasRoom(folder_, leastFree_)) {
            json header = headerOf(key, state, small.size, small.shot);
            header.update({{"width", small.picture.width()},
                           {"height", small.picture.height()},
                           {"alpha", small.picture.hasAlpha()},
                           {"scale", small.picture.scale()},
                           {"low", coded.low},
                           {"high", coded.high}});
            put(at, kMark, header,
                {reinterpret_cast<const char*>(coded.codes.data()), coded.codes.size() * sizeof(std::uint16_t)});
        }
    } catch (const std::exception&) {
        // A folder that can't be written keeps nothing: the picture is there all the same.
    }
    return small;
}

fs::path SmallStore::knownAt(const fs::path& file) const {
    return folder_.empty() ? fs::path() : folder_ / (contentHash(keyOf(file, {})) + ".known");
}

std::optional<KnownPicture> SmallStore::known(const fs::path& file, const std::string& drawing) const {
    try {
        const fs::path at = knownAt(file);
        std::error_code none;
        if (at.empty() || !fs::exists(at, none)) return std::nullopt;
        const FileState state = fileStateOf(file);
        const std::string bytes = readFile(at, kMostKnown);
        const Taken found = taken(kKnownMark, bytes, keyOf(file, {}) + drawing, state);
        fs::last_write_time(at, fs::file_time_type::clock::now(), none);
        return KnownPicture{shotFrom(found.header.at("shot")), found.size(), state, std::string(found.kept)};
    } catch (const std::exception&) {
        return std::nullopt; // drawn otherwise, of the file as it was, or not whole
    }
}

void SmallStore::keep(const fs::path& file, const std::string& drawing, const KnownPicture& known) const {
    try {
        const fs::path at = knownAt(file);
        if (at.empty()) return;
        fs::create_directories(folder_);
        if (hasRoom(folder_, leastFree_))
            put(at, kKnownMark, headerOf(keyOf(file, {}) + drawing, known.state, known.size, known.shot),
                known.drawn);
    } catch (const std::exception&) {
        // It is drawn again the next time.
    }
}

void SmallStore::trim(std::uintmax_t bytes) const {
    struct Kept {
        fs::path file;
        std::uintmax_t bytes;
        fs::file_time_type used;
    };
    std::vector<Kept> all;
    std::uintmax_t sum = 0;
    std::error_code failed;
    for (fs::directory_iterator it(folder_, failed), end; !failed && it != end; it.increment(failed)) {
        std::error_code unknown;
        const Kept each{it->path(), it->file_size(unknown), it->last_write_time(unknown)};
        if (unknown) continue;
        sum += each.bytes;
        all.push_back(each);
    }
    std::sort(all.begin(), all.end(), [](const Kept& a, const Kept& b) { return a.used < b.used; });
    for (const Kept& each : all) {
        if (sum <= bytes) return;
        if (fs::remove(each.file, failed)) sum -= each.bytes;
    }
}

} // namespace baryton
