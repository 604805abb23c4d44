#include "picture/raw_file.h"
#include "base/error.h"
#include "base/file.h"
#include "base/letters.h"
#include "base/parallel.h"
#include "base/words.h"
#include "picture/memory_limit.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <libraw/libraw.h>
#include <optional>
#include <vector>

namespace baryton {

namespace fs = std::filesystem;

namespace {

constexpr double kMostRawPixels = 400e6;

/// The library and what it said of damage while it read.
struct RawReader {
    LibRaw raw;
    std::optional<int> damagedAt;

    RawReader() {
        raw.set_dataerror_handler(
            [](void* self, const char*, int offset) {
                auto& reader = *static_cast<RawReader*>(self);
                if (!reader.damagedAt) reader.damagedAt = offset;
            },
            this);
    }
};

/// `at`: where that was noticed, at the latest.
Error damagedRaw(const fs::path& file, long long at) {
    return {file.string(), inWords("byte {}", at), words("the raw file is damaged or ends early"),
            words("copy it again from the camera or a backup")};
}

Error unknownRaw(const fs::path& file) {
    return {file.string(), "", words("this is no raw file, or a damaged one, or of a camera that is not known here"),
            words("write it as DNG, or develop it to a TIFF where it was made")};
}

Error unknownSensor(const fs::path& file, const std::string& what) {
    return {file.string(), "", inWords("it comes from {}, whose colours can't be judged here", what),
            words("develop it to a TIFF where it was made")};
}

Error wrongLevels(const fs::path& file, const libraw_colordata_t& levels) {
    return {file.string(), "",
            inWords("its black level of {} is not below its white level of {}", levels.black, levels.maximum),
            words("the file is damaged, or was written wrong: copy it again from the camera or a backup")};
}

void check(int result, const RawReader& reader, const fs::path& file) {
    if (result == LIBRAW_SUCCESS && !reader.damagedAt) return;
    if (result == LIBRAW_FILE_UNSUPPORTED || result == LIBRAW_NOT_IMPLEMENTED) throw unknownRaw(file);
    if (result == LIBRAW_UNSUFFICIENT_MEMORY || result == LIBRAW_TOO_BIG || result == LIBRAW_MEMPOOL_OVERFLOW)
        throw Error(file.string(), "", words("there is not enough memory for this picture"),
                    words("close other programs or scale it down"));
    std::error_code ignored;
    const auto size = static_cast<long long>(fs::file_size(file, ignored));
    throw damagedRaw(file, reader.damagedAt ? *reader.damagedAt : size);
}

bool isUsable(const Mat3& m) {
    if (!std::all_of(m.begin(), m.end(), [](double v) { return std::isfinite(v) && std::abs(v) < 100; }))
        return false;
    const double determinant =
        m[0] * (m[4] * m[8] - m[5] * m[7]) - m[1] * (m[3] * m[8] - m[5] * m[6]) + m[2] * (m[3] * m[7] - m[4] * m[6]);
    constexpr double least = 1e-4;
    return std::abs(determinant) > least;
}

/// The temperature of a light source as Exif numbers them (Exif 2.3, LightSource); that of daylight for others.
double temperatureOf(unsigned lightSource) {
    switch (lightSource) {
    case 3:
    case 17:
        return 2856;
    case 24:
        return 3200;
    case 2:
    case 14:
        return 4150;
    case 18:
        return 4874;
    case 23:
        return 5003;
    case 10:
    case 19:
        return 6774;
    case 11:
    case 22:
        return 7504;
    case 21:
        return kNeutralTemperature;
    default:
        return 5503;
    }
}

/// A DNG's own matrix, with the balance and calibration of its camera (DNG 1.4, chapter 6).
std::optional<CameraColour::Matrix> matrixOfDng(const libraw_colordata_t& colour, int index) {
    const libraw_dng_color_t& dng = colour.dng_color[index];
    Mat3 fromXyz{}, calibration{};
    for (unsigned row = 0; row < 3; ++row)
        for (unsigned column = 0; column < 3; ++column) {
            fromXyz[3 * row + column] = dng.colormatrix[row][column];
            calibration[3 * row + column] = dng.calibration[row][column];
        }
    if (!isUsable(calibration)) calibration = diagonal({1, 1, 1}); // it says none
    const float* balance = colour.dng_levels.analogbalance;
    Vec3 gains{1, 1, 1};
    if (balance[0] > 0 && balance[1] > 0 && balance[2] > 0) gains = {balance[0], balance[1], balance[2]};
    CameraColour::Matrix matrix{temperatureOf(dng.illuminant), diagonal(gains) * calibration * fromXyz};
    return isUsable(matrix.fromXyz) ? std::optional(matrix) : std::nullopt;
}

CameraColour colourOf(const libraw_data_t& data, const fs::path& file) {
    const libraw_colordata_t& colour = data.color;
    CameraColour result;
    if (data.idata.dng_version != 0)
        for (int i = 0; i < 2; ++i)
            if (const auto matrix = matrixOfDng(colour, i)) result.matrices.push_back(*matrix);
    if (result.matrices.empty()) {
        CameraColour::Matrix matrix;
        for (unsigned row = 0; row < 3; ++row)
            for (unsigned column = 0; column < 3; ++column)
                matrix.fromXyz[3 * row + column] = colour.cam_xyz[row][column];
        if (!isUsable(matrix.fromXyz))
            throw Error(file.string(), "", words("nothing is known of the colours of its camera"),
                        words("write it as DNG, or develop it to a TIFF where it was made"));
        result.matrices.push_back(matrix);
    }
    const float* shot = colour.cam_mul;
    const auto isMultiplier = [](float v) { return std::isfinite(v) && v > 1e-5F && v < 1e6F; };
    if (std::all_of(shot, shot + 3, isMultiplier))
        for (std::size_t c = 0; c < 3; ++c) result.neutral[c] = double(shot[1]) / shot[c];
    else
        result.neutral = whiteOf(result, 5503, 0).neutral;
    constexpr float mostStops = 5; // unsaid is −999
    const float exposure = colour.dng_levels.baseline_exposure;
    if (data.idata.dng_version != 0 && std::abs(exposure) <= mostStops) result.exposure = exposure;
    return result;
}

RawHeader headerOf(const libraw_data_t& data, const fs::path& file) {
    const libraw_iparams_t& camera = data.idata;
    if (camera.is_foveon != 0) throw unknownSensor(file, words("a sensor with its colours in layers"));
    if (camera.colors == 1) throw unknownSensor(file, words("a sensor without colours"));
    if (camera.colors != 3) throw unknownSensor(file, words("a sensor of four colours"));
    RawHeader header;
    header.width = data.sizes.width, header.height = data.sizes.height;
    if (header.width < 1 || header.height < 1) throw damagedRaw(file, 0);
    if (double(std::max<int>(header.width, data.sizes.raw_width)) *
            std::max<int>(header.height, data.sizes.raw_height) >
        kMostRawPixels)
        throw Error(file.string(), "", words("the picture has more than 400 megapixels"),
                    words("scale it down or cut it into parts first"));
    // dcraw's flip: 1 mirrors, 2 turns upside down, 4 changes rows for columns.
    constexpr std::array<int, 8> orientations{1, 2, 4, 3, 5, 8, 6, 7};
    header.orientation = orientations[static_cast<unsigned>(data.sizes.flip) & 7U];
    const std::string make = camera.make, model = camera.model;
    header.camera = model.starts_with(make) ? model : make + " " + model;
    const auto positive = [](double number) { return std::isfinite(number) && number > 0 ? number : 0; };
    header.shot = {make,
                   model,
                   data.lens.Lens,
                   positive(data.other.focal_len),
                   positive(data.lens.FocalLengthIn35mmFormat),
                   positive(data.other.aperture),
                   0,
                   orientationFromExif(header.orientation),
                   positive(data.other.shutter),
                   positive(data.other.iso_speed),
                   positive(static_cast<double>(data.other.timestamp))};
    header.colour = colourOf(data, file);
    return header;
}

void openRaw(RawReader& reader, const fs::path& file) {
    requireReadable(file);
    std::error_code ignored;
    if (fs::file_size(file, ignored) == 0)
        throw Error(file.string(), "", words("the file is empty"),
                    words("copy it again from the camera or a backup"));
    const int result = reader.raw.open_file(file.c_str());
    if (result == LIBRAW_IO_ERROR || result == LIBRAW_DATA_ERROR)
        throw unknownRaw(file); // it knew no beginning of it
    check(result, reader, file);
}

} // namespace

const std::vector<std::string>& rawExtensions() {
    static const std::vector<std::string> all = {"dng", "cr2", "cr3", "crw", "nef", "nrw", "arw", "srf", "sr2",
                                                 "raf", "orf", "rw2", "raw", "pef", "srw", "rwl", "iiq", "3fr",
                                                 "fff", "mef", "mos", "mrw", "kdc", "dcr", "erf"};
    return all;
}

bool isRawName(const fs::path& file) {
    const std::string extension = lowerCase(file.extension().string());
    const auto& all = rawExtensions();
    return !extension.empty() && std::find(all.begin(), all.end(), extension.substr(1)) != all.end();
}

RawHeader readRawHeader(const fs::path& file) {
    RawReader reader;
    openRaw(reader, file);
    return headerOf(reader.raw.imgdata, file);
}

RawPixels::RawPixels(const fs::path& file, RawDemosaic demosaic, bool half) {
    RawReader reader;
    LibRaw& raw = reader.raw;
    openRaw(reader, file);
    header_ = headerOf(raw.imgdata, file);
    libraw_output_params_t& wanted = raw.imgdata.params;
    // The sensor's numbers, a colour for each pixel (of four numbers), and ours.
    const double pixels = double(header_.width) * header_.height;
    requireMemory(pixels * (half ? 2 + 2 + 1.5 : 2 + 8 + 6));
    wanted.max_raw_memory_mb = 4096;
    wanted.output_color = 0; // the camera's own
    wanted.output_bps = 16;
    wanted.gamm[0] = wanted.gamm[1] = 1;
    wanted.no_auto_bright = 1;
    wanted.highlight = 1;          // else its multipliers clip what is to be rebuilt
    wanted.adjust_maximum_thr = 0; // else white moves with what is in the picture
    wanted.use_camera_wb = wanted.use_auto_wb = 0;
    wanted.half_size = half ? 1 : 0;
    wanted.user_qual = demosaic == RawDemosaic::Fine ? 3 : 2;
    const Vec3& neutral = header_.colour.neutral;
    for (unsigned c = 0; c < 4; ++c) wanted.user_mul[c] = static_cast<float>(1 / neutral[c == 3 ? 1 : c]);
    check(raw.unpack(), reader, file);
    const libraw_colordata_t& levels = raw.imgdata.color;
    if (levels.maximum <= levels.black) throw wrongLevels(file, levels);
    check(raw.dcraw_process(), reader, file);
    if (!raw.imgdata.image) throw damagedRaw(file, 0);
    width_ = raw.imgdata.sizes.width, height_ = raw.imgdata.sizes.height;
    scale_ = double(longSide()) / std::max(header_.width, header_.height);
    const double most = 1 / *std::min_element(neutral.begin(), neutral.end());
    for (std::size_t c = 0; c < 3; ++c) toSensor_[c] = most * neutral[c];
    const std::size_t width = static_cast<std::size_t>(width_);
    numbers_ = std::make_unique_for_overwrite<std::uint16_t[]>(bytes() / 2);
    const std::uint16_t(*from)[4] = raw.imgdata.image;
    forRows(height_, [&](int y) {
        const std::size_t start = width * static_cast<std::size_t>(y);
        for (std::size_t x = start; x < start + width; ++x)
            for (std::size_t c = 0; c < 3; ++c) numbers_[3 * x + c] = from[x][c];
    });
}

RawPixels::RawPixels(const RawPixels& whole, int step)
    : header_(whole.header_), width_(std::max(1, whole.width_ / step)), height_(std::max(1, whole.height_ / step)),
      scale_(whole.scale_ * longSide() / whole.longSide()), toSensor_(whole.toSensor_),
      numbers_(std::make_unique_for_overwrite<std::uint16_t[]>(bytes() / 2)) {
    const int across = std::min(step, whole.width_), down = std::min(step, whole.height_);
    const auto stride = static_cast<std::size_t>(whole.width_) * 3;
    forRows(height_, [&](int y) {
        std::vector<std::uint32_t> sums(static_cast<std::size_t>(width_) * 3);
        for (int row = 0; row < down; ++row) {
            const std::uint16_t* from = whole.data() + stride * static_cast<std::size_t>(y * step + row);
            for (std::size_t x = 0; x < sums.size() / 3; ++x)
                for (int column = 0; column < across; ++column, from += 3)
                    for (std::size_t c = 0; c < 3; ++c) sums[3 * x + c] += from[c];
        }
        const auto count = static_cast<std::uint32_t>(across * down);
        std::uint16_t* to = numbers_.get() + sums.size() * static_cast<std::size_t>(y);
        for (std::size_t i = 0; i < sums.size(); ++i)
            to[i] = static_cast<std::uint16_t>((sums[i] + count / 2) / count);
    });
}

std::string rawPreview(const fs::path& file) {
    RawReader reader;
    openRaw(reader, file);
    if (reader.raw.unpack_thumb() != LIBRAW_SUCCESS) return {};
    const libraw_thumbnail_t& preview = reader.raw.imgdata.thumbnail;
    if (preview.tformat != LIBRAW_THUMBNAIL_JPEG || !preview.thumb) return {};
    return {preview.thumb, preview.tlength};
}

} // namespace baryton
