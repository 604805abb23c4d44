#include "picture/metadata.h"
#include "base/file.h"
#include "base/version.h"
#include "picture/metadata_support.h"
#include "picture/raw_file.h"
#include "picture/read_support.h"
#include "picture/shot.h"

#include <cmath>
#include <ctime>
#include <exiv2/exiv2.hpp>
#include <fmt/format.h>
#include <iomanip>
#include <mutex>
#include <sstream>

namespace baryton {

namespace {

/// Exiv2's XMP parser keeps global state; it takes this lock around just that.
void lockXmp(void* lock, bool wanted) {
    auto& mutex = *static_cast<std::recursive_mutex*>(lock);
    wanted ? mutex.lock() : mutex.unlock();
}

} // namespace

void startExiv2() {
    static std::once_flag once;
    static std::recursive_mutex lock;
    std::call_once(once, [] {
        Exiv2::LogMsg::setLevel(Exiv2::LogMsg::mute);
        Exiv2::XmpParser::initialize(lockXmp, &lock);
    });
}

std::string writerOfFiles() {
    return std::string(kProgram) + " " + kVersion;
}

void encodeExif(const Exiv2::ExifData& exif, Metadata& result) {
    Exiv2::Blob blob;
    Exiv2::ExifData given = exif, kept;
    Exiv2::ExifParser::encode(blob, Exiv2::littleEndian, given);
    result.exif.assign(blob.begin(), blob.end());
    Exiv2::ExifParser::decode(kept, blob.data(), static_cast<std::uint32_t>(blob.size()));
    for (const auto& datum : exif)
        if (kept.findKey(Exiv2::ExifKey(datum.key())) == kept.end())
            result.leftOut.push_back(datum.tagLabel().empty() ? datum.key() : datum.tagLabel());
}

namespace {

/// Without the spaces and zeros that fill a field.
std::string withoutEnd(std::string value) {
    while (!value.empty() && (value.back() == ' ' || value.back() == '\0')) value.pop_back();
    return value;
}

std::string text(const Exiv2::ExifData& exif, const char* key) {
    const auto at = exif.findKey(Exiv2::ExifKey(key));
    if (at == exif.end()) return {};
    return withoutEnd(at->toString());
}

std::string exposureText(const Exiv2::ExifData& exif) {
    std::string all;
    const auto add = [&](const std::string& part) { all += (all.empty() ? "" : " ") + part; };
    if (const auto t = exif.findKey(Exiv2::ExifKey("Exif.Photo.ExposureTime")); t != exif.end() && t->count() > 0) {
        const double seconds = t->toFloat();
        if (seconds > 0) add(seconds < 0.4 ? fmt::format("1/{:.0f} s", 1 / seconds) : fmt::format("{:g} s", seconds));
    }
    if (const auto f = exif.findKey(Exiv2::ExifKey("Exif.Photo.FNumber"));
        f != exif.end() && f->count() > 0 && f->toFloat() > 0)
        add(fmt::format("f/{:g}", std::round(f->toFloat() * 10) / 10));
    if (const auto iso = text(exif, "Exif.Photo.ISOSpeedRatings"); !iso.empty()) add("ISO " + iso);
    return all;
}

/// Describes the picture and its making; anything else in the first directory describes the old file's layout.
bool isWorthKeeping(const Exiv2::Exifdatum& datum) {
    const std::string group = datum.groupName();
    if (group == "Image") {
        for (const char* name : {"ImageDescription", "DocumentName",       "Make",           "Model",
                                 "Software",         "DateTime",           "Artist",         "Copyright",
                                 "Rating",           "RatingPercent",      "HostComputer",   "ImageNumber",
                                 "ImageHistory",     "CameraSerialNumber", "TimeZoneOffset", "XPTitle",
                                 "XPComment",        "XPAuthor",           "XPKeywords",     "XPSubject"})
            if (datum.tagName() == name) return true;
        return false;
    }
    return group == "Photo" || group == "GPSInfo" || group == "Iop";
}

/// Dots per inch that a file's header gives for printing.
double dotsPerInchOf(const std::filesystem::path& file) {
    try {
        const double perMm = openImage(file).xres();
        constexpr double unsaid = 1; // what the library makes of a file that says nothing
        return perMm == unsaid ? 0 : std::round(perMm * 25.4 * 100) / 100;
    } catch (const vips::VError&) {
        vips_error_clear();
    } catch (const Error&) { // told where the picture is read
    }
    return 0;
}

/// What a file says of itself.
struct FileMetadata {
    Exiv2::ExifData exif;
    Exiv2::IptcData iptc;
    Exiv2::XmpData xmp;
    std::string xmpPacket;
};

std::string blobOf(const vips::VImage& image, const char* name) {
    if (image.get_typeof(name) == 0) return {};
    std::size_t size = 0;
    const void* bytes = image.get_blob(name, &size);
    return {static_cast<const char*>(bytes), size};
}

/// Exiv2 as it is packaged does not open AVIF; libvips hands out what is in it.
FileMetadata ofAvif(const std::filesystem::path& file) {
    FileMetadata found;
    const vips::VImage image = openImage(file);
    std::string exif = blobOf(image, VIPS_META_EXIF_NAME);
    if (exif.starts_with(kExifBegin)) exif.erase(0, kExifBegin.size());
    if (!exif.empty())
        Exiv2::ExifParser::decode(found.exif, reinterpret_cast<const Exiv2::byte*>(exif.data()),
                                  static_cast<std::uint32_t>(exif.size()));
    // The library hands XMP out by its place among the file's items.
    constexpr int mostItems = 8;
    for (int i = 0; i < mostItems && found.xmpPacket.empty(); ++i) {
        std::string bytes = blobOf(image, fmt::format("heif-mime-{}", i).c_str());
        if (bytes.find("<x:xmpmeta") != std::string::npos) found.xmpPacket = std::move(bytes);
    }
    if (!found.xmpPacket.empty()) Exiv2::XmpParser::decode(found.xmp, found.xmpPacket);
    return found;
}

/// Throws what the libraries throw.
FileMetadata metadataOf(const std::filesystem::path& file) {
    startExiv2();
    requireReadable(file);
    if (isAvif(file)) return ofAvif(file);
    const auto image = Exiv2::ImageFactory::open(file.string());
    image->readMetadata();
    return {image->exifData(), image->iptcData(), image->xmpData(), image->xmpPacket()};
}

} // namespace

Metadata readMetadata(const std::filesystem::path& file) {
    Metadata result;
    try {
        const FileMetadata said = metadataOf(file);
        const Exiv2::ExifData& all = said.exif;
        Exiv2::ExifData exif;
        for (const auto& datum : all)
            if (isWorthKeeping(datum)) exif.add(datum);
        if (!exif.empty()) encodeExif(exif, result);
        if (!said.iptc.empty()) {
            const Exiv2::DataBuf buffer = Exiv2::IptcParser::encode(said.iptc);
            result.iptc.assign(reinterpret_cast<const char*>(buffer.pData_), static_cast<std::size_t>(buffer.size_));
        }
        result.xmp = said.xmpPacket;
        result.camera = text(all, "Exif.Image.Make");
        const std::string model = text(all, "Exif.Image.Model");
        if (!model.empty()) result.camera = model.starts_with(result.camera) ? model : result.camera + " " + model;
        result.exposure = exposureText(all);
        result.dotsPerInch = dotsPerInchOf(file);
    } catch (const std::exception&) { // the library's own, and what it lets through from below
        result = {};
    }
    if (result.camera.empty() && isRawName(file)) {
        try {
            result.camera = readRawHeader(file).camera;
        } catch (const Error&) { // told where the picture is read
        }
    }
    return result;
}

namespace {

double positive(Exiv2::ExifData::const_iterator at, const Exiv2::ExifData& exif) {
    if (at == exif.end() || at->count() == 0) return 0;
    const double number = at->toFloat();
    return std::isfinite(number) && number > 0 ? number : 0;
}

std::string shortText(Exiv2::ExifData::const_iterator at, const Exiv2::ExifData& exif) {
    if (at == exif.end()) return {};
    constexpr std::size_t most = 200; // a name
    const std::string value = withoutEnd(at->print(&exif).substr(0, most));
    // What makers write where they do not know, and what the library makes of numbers that it does not know.
    const bool saysNothing = value.starts_with('(') || value.find_first_not_of("-0 .") == std::string::npos;
    return saysNothing ? std::string() : value;
}

/// "2025:06:14 18:03:22" and a text of hundredths, in seconds since 1970.
double secondsFrom(const std::string& when, const std::string& fraction) {
    std::tm parts{};
    std::istringstream stream(when);
    if (!(stream >> std::get_time(&parts, "%Y:%m:%d %H:%M:%S")) || parts.tm_year < 70) return 0;
    const bool isFraction = !fraction.empty() && fraction.find_first_not_of("0123456789") == std::string::npos;
    constexpr std::size_t digits = 6;
    const double part = isFraction ? std::stod("0." + fraction.substr(0, digits)) : 0;
    return static_cast<double>(::timegm(&parts)) + part;
}

} // namespace

std::optional<double> exposureOf(const Shot& shot) {
    if (shot.exposureTime <= 0 || shot.iso <= 0 || shot.aperture <= 0) return std::nullopt;
    return std::log2(shot.exposureTime * shot.iso / (shot.aperture * shot.aperture));
}

Shot readShot(const std::filesystem::path& file) {
    Shot shot;
    try {
        const Exiv2::ExifData exif = metadataOf(file).exif;
        shot.cameraMaker = text(exif, "Exif.Image.Make"), shot.cameraModel = text(exif, "Exif.Image.Model");
        shot.lens = shortText(Exiv2::lensName(exif), exif);
        shot.focal = positive(Exiv2::focalLength(exif), exif);
        shot.focal35 = positive(exif.findKey(Exiv2::ExifKey("Exif.Photo.FocalLengthIn35mmFilm")), exif);
        shot.aperture = positive(Exiv2::fNumber(exif), exif);
        shot.distance = positive(Exiv2::subjectDistance(exif), exif);
        shot.exposureTime = positive(exif.findKey(Exiv2::ExifKey("Exif.Photo.ExposureTime")), exif);
        shot.iso = positive(Exiv2::isoSpeed(exif), exif);
        shot.takenAt =
            secondsFrom(text(exif, "Exif.Photo.DateTimeOriginal"), text(exif, "Exif.Photo.SubSecTimeOriginal"));
        const auto turned = exif.findKey(Exiv2::ExifKey("Exif.Image.Orientation"));
        if (turned != exif.end() && turned->count() > 0)
            shot.orientation = orientationFromExif(static_cast<int>(turned->toLong()));
    } catch (const std::exception&) {
        shot = {};
    }
    if (shot.cameraModel.empty() && isRawName(file)) {
        try {
            shot = readRawHeader(file).shot;
        } catch (const Error&) { // told where the picture is read
        }
    }
    return shot;
}

bool isOwnWork(const std::filesystem::path& file) {
    try {
        const FileMetadata said = metadataOf(file);
        const auto isOurs = [](const std::string& writer) { return writer.starts_with(std::string(kProgram) + " "); };
        const auto tool = said.xmp.findKey(Exiv2::XmpKey(kToolKey));
        return isOurs(text(said.exif, kWriterKey)) || (tool != said.xmp.end() && isOurs(tool->toString()));
    } catch (const std::exception&) {
        return false;
    }
}

bool hasAssociatedAlpha(const std::filesystem::path& file) {
    startExiv2();
    try {
        const auto image = Exiv2::ImageFactory::open(file.string());
        image->readMetadata();
        const Exiv2::ExifData& exif = image->exifData();
        const auto samples = exif.findKey(Exiv2::ExifKey("Exif.Image.ExtraSamples"));
        constexpr long associated = 1;
        return samples != exif.end() && samples->count() > 0 && samples->toLong() == associated;
    } catch (const std::exception&) {
        return false;
    }
}

} // namespace baryton
