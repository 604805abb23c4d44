#include "picture/metadata.h"
#include "base/file.h"
#include "base/version.h"
#include "base/words.h"
#include "picture/raw_file.h"
#include "picture/read_support.h"
#include "picture/shot.h"

#include <algorithm>
#include <cmath>
#include <ctime>
#include <exiv2/exiv2.hpp>
#include <fmt/format.h>
#include <functional>
#include <iomanip>
#include <map>
#include <mutex>
#include <sstream>

namespace baryton {

namespace {

/// Which program processed the picture, beside the camera's own Software.
constexpr const char *kWriterKey = "Exif.Image.ProcessingSoftware", *kToolKey = "Xmp.xmp.CreatorTool";

std::string writer() {
    return std::string(kProgram) + " " + kVersion;
}

/// Exiv2's XMP parser keeps global state; it takes this lock around just that.
void lockXmp(void* lock, bool wanted) {
    auto& mutex = *static_cast<std::recursive_mutex*>(lock);
    wanted ? mutex.lock() : mutex.unlock();
}

void startOnce() {
    static std::once_flag once;
    static std::recursive_mutex lock;
    std::call_once(once, [] {
        Exiv2::LogMsg::setLevel(Exiv2::LogMsg::mute);
        Exiv2::XmpParser::initialize(lockXmp, &lock);
    });
}

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

/// Exif as bytes. The library leaves the largest parts out where it is more than 64 kB.
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

} // namespace

Metadata readMetadata(const std::filesystem::path& file) {
    startOnce();
    Metadata result;
    try {
        requireReadable(file);
        const auto image = Exiv2::ImageFactory::open(file.string());
        image->readMetadata();
        const Exiv2::ExifData& all = image->exifData();
        Exiv2::ExifData exif;
        for (const auto& datum : all)
            if (isWorthKeeping(datum)) exif.add(datum);
        if (!exif.empty()) encodeExif(exif, result);
        if (!image->iptcData().empty()) {
            const Exiv2::DataBuf buffer = Exiv2::IptcParser::encode(image->iptcData());
            result.iptc.assign(reinterpret_cast<const char*>(buffer.pData_), static_cast<std::size_t>(buffer.size_));
        }
        result.xmp = image->xmpPacket();
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
    startOnce();
    Shot shot;
    try {
        requireReadable(file);
        const auto image = Exiv2::ImageFactory::open(file.string());
        image->readMetadata();
        const Exiv2::ExifData& exif = image->exifData();
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

std::string writerPacket() {
    startOnce();
    Exiv2::XmpData xmp;
    xmp[kToolKey] = writer();
    std::string packet;
    return Exiv2::XmpParser::encode(packet, xmp) == 0 ? packet : std::string();
}

bool isOwnWork(const std::filesystem::path& file) {
    startOnce();
    try {
        requireReadable(file);
        const auto image = Exiv2::ImageFactory::open(file.string());
        image->readMetadata();
        const auto isOurs = [](const std::string& writer) { return writer.starts_with(std::string(kProgram) + " "); };
        const Exiv2::XmpData& xmp = image->xmpData();
        const auto tool = xmp.findKey(Exiv2::XmpKey(kToolKey));
        return isOurs(text(image->exifData(), kWriterKey)) || (tool != xmp.end() && isOurs(tool->toString()));
    } catch (const std::exception&) {
        return false;
    }
}

bool hasAssociatedAlpha(const std::filesystem::path& file) {
    startOnce();
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

namespace {

/// What a segment of a JPEG holds, less what stands before XMP.
constexpr std::size_t kMostXmp = 65535 - 2 - 29;

void erase(Exiv2::ExifData& exif, const char* key) {
    for (auto at = exif.findKey(Exiv2::ExifKey(key)); at != exif.end(); at = exif.findKey(Exiv2::ExifKey(key)))
        exif.erase(at);
}

/// The pixels are sRGB now, whatever the camera wrote (Exif 2.3, ColorSpace; DCF 2.0, R98).
void sayThatColoursAreSrgb(Exiv2::ExifData& exif) {
    exif["Exif.Photo.ColorSpace"] = std::uint16_t{1};
    erase(exif, "Exif.Photo.Gamma");
    if (exif.findKey(Exiv2::ExifKey("Exif.Iop.InteroperabilityIndex")) != exif.end())
        exif["Exif.Iop.InteroperabilityIndex"] = "R98";
}

std::string furtherXmp() {
    return words("the further XMP");
}

/// The property that a value of an array or structure belongs to: "Xmp.dc.subject" of "Xmp.dc.subject[2]".
std::string propertyOf(const Exiv2::Xmpdatum& datum) {
    const std::string key = datum.key();
    return key.substr(0, key.find_first_of("[/"));
}

template <class Unwanted>
void eraseProperties(Exiv2::XmpData& xmp, Unwanted unwanted) {
    Exiv2::XmpData kept;
    for (const auto& datum : xmp)
        if (!unwanted(propertyOf(datum))) kept.add(datum);
    xmp = kept;
}

bool isWrongBesideThesePixels(const std::string& property) {
    // The namespace of raw developing settings (XMP specification, part 2).
    if (property.starts_with("Xmp.crs.")) return true;
    const std::string name = property.substr(property.rfind('.') + 1);
    for (const char* each : {"Orientation", "ImageWidth", "ImageLength", "PixelXDimension", "PixelYDimension",
                             "ColorSpace", "ColorMode", "Gamma", "ICCProfile"})
        if (name == each) return true;
    return false;
}

std::size_t encodedSize(const Exiv2::XmpData& xmp) {
    std::string packet;
    Exiv2::XmpParser::encode(packet, xmp, Exiv2::XmpParser::useCompactFormat);
    return packet.size();
}

void fitIntoJpeg(Exiv2::XmpData& xmp, std::vector<std::string>& leftOut) {
    while (!xmp.empty() && encodedSize(xmp) > kMostXmp) {
        std::map<std::string, std::size_t> sizes;
        for (const auto& datum : xmp) sizes[propertyOf(datum)] += datum.key().size() + datum.toString().size();
        const auto largest = std::max_element(sizes.begin(), sizes.end(),
                                              [](const auto& a, const auto& b) { return a.second < b.second; });
        leftOut.push_back(largest->first.substr(4)); // less "Xmp."
        eraseProperties(xmp, [&](const std::string& property) { return property == largest->first; });
    }
}

Exiv2::ExifData exifFor(const Exiv2::ExifData& encoded, const Metadata& metadata, int width, int height) {
    Exiv2::ExifData exif = encoded, kept;
    if (!metadata.exif.empty())
        Exiv2::ExifParser::decode(kept, reinterpret_cast<const Exiv2::byte*>(metadata.exif.data()),
                                  static_cast<std::uint32_t>(metadata.exif.size()));
    for (const auto& datum : kept) exif[datum.key()] = datum.value();
    if (!kept.empty()) {
        exif["Exif.Photo.PixelXDimension"] = static_cast<std::uint32_t>(width);
        exif["Exif.Photo.PixelYDimension"] = static_cast<std::uint32_t>(height);
        sayThatColoursAreSrgb(exif);
    }
    exif["Exif.Image.Orientation"] = std::uint16_t{1};
    exif[kWriterKey] = writer(); // Software stays what the camera said
    return exif;
}

Exiv2::XmpData xmpFor(const Metadata& metadata, std::vector<std::string>& leftOut) {
    Exiv2::XmpData xmp;
    if (metadata.xmp.empty()) return xmp;
    if (Exiv2::XmpParser::decode(xmp, metadata.xmp) != 0) {
        leftOut.push_back("XMP");
        return {};
    }
    eraseProperties(xmp, isWrongBesideThesePixels);
    // What stands in further segments of a JPEG is not read.
    eraseProperties(xmp, [&](const std::string& property) {
        const bool isMore = property == "Xmp.xmpNote.HasExtendedXMP";
        if (isMore) leftOut.push_back(furtherXmp());
        return isMore;
    });
    return xmp;
}

} // namespace

namespace {

/// Where a picture was taken: Exif's GPS directory, and what IPTC and XMP say in words or numbers.
bool saysWhere(const std::string& key) {
    if (key.starts_with("Exif.GPSInfo.") || key == "Exif.Image.GPSTag" || key.starts_with("Xmp.exif.GPS"))
        return true;
    const std::string name = key.substr(key.rfind('.') + 1);
    for (const char* each : {"City", "State", "Country", "CountryCode", "CountryName", "ProvinceState", "SubLocation",
                             "Location", "LocationCode", "LocationName"})
        if (name == each) return true;
    return key.find("LocationCreated") != std::string::npos || key.find("LocationShown") != std::string::npos;
}

/// Who made it, and what may be done with it.
bool saysWhose(const std::string& key) {
    for (const char* each :
         {"Exif.Image.Artist", "Exif.Image.Copyright", "Iptc.Application2.Byline", "Iptc.Application2.BylineTitle",
          "Iptc.Application2.Copyright", "Iptc.Application2.Credit", "Xmp.dc.creator", "Xmp.dc.rights"})
        if (key == each) return true;
    // The IPTC's core properties stand in several namespaces of XMP.
    const std::string name = key.substr(key.rfind('.') + 1);
    return key.starts_with("Xmp.xmpRights.") ||
           (key.starts_with("Xmp.") && (name == "Credit" || name == "AuthorsPosition"));
}

template <class Data>
void keepOnly(Data& data, const std::function<bool(const std::string&)>& isKept) {
    Data kept;
    for (const auto& datum : data)
        if (isKept(datum.key())) kept.add(datum);
    data = kept;
}

} // namespace

Metadata chosenMetadata(const Metadata& metadata, const OutputFormat& format) {
    const bool isFilledIn = !format.author.empty() || !format.copyright.empty();
    if (format.metadata == MetadataKept::All && !isFilledIn) return metadata;
    startOnce();
    Metadata chosen = metadata;
    chosen.exif.clear(), chosen.iptc.clear(), chosen.xmp.clear();
    if (format.metadata == MetadataKept::None || format.metadata == MetadataKept::Rights) chosen.leftOut.clear();
    const auto isKept = [&](const std::string& key) {
        switch (format.metadata) {
        case MetadataKept::All:
            return true;
        case MetadataKept::AllButPlace:
            return !saysWhere(key);
        case MetadataKept::Rights:
            return saysWhose(key);
        case MetadataKept::None:
            break;
        }
        return false;
    };
    try {
        Exiv2::ExifData exif;
        Exiv2::IptcData iptc;
        Exiv2::XmpData xmp;
        if (!metadata.exif.empty())
            Exiv2::ExifParser::decode(exif, reinterpret_cast<const Exiv2::byte*>(metadata.exif.data()),
                                      static_cast<std::uint32_t>(metadata.exif.size()));
        if (!metadata.iptc.empty())
            Exiv2::IptcParser::decode(iptc, reinterpret_cast<const Exiv2::byte*>(metadata.iptc.data()),
                                      static_cast<std::uint32_t>(metadata.iptc.size()));
        if (!metadata.xmp.empty()) Exiv2::XmpParser::decode(xmp, metadata.xmp);
        keepOnly(exif, isKept);
        keepOnly(iptc, isKept);
        // Of an array or a structure by the property that it belongs to.
        eraseProperties(xmp, [&](const std::string& property) { return !isKept(property); });
        if (!format.author.empty()) {
            exif["Exif.Image.Artist"] = format.author;
            erase(exif, "Exif.Image.XPAuthor");
            eraseProperties(xmp, [](const std::string& property) { return property == "Xmp.dc.creator"; });
            xmp["Xmp.dc.creator"] = format.author;
            if (!iptc.empty()) iptc["Iptc.Application2.Byline"] = format.author;
        }
        if (!format.copyright.empty()) {
            exif["Exif.Image.Copyright"] = format.copyright;
            eraseProperties(xmp, [](const std::string& property) { return property == "Xmp.dc.rights"; });
            xmp["Xmp.dc.rights"] = format.copyright;
            if (!iptc.empty()) iptc["Iptc.Application2.Copyright"] = format.copyright;
        }
        if (!exif.empty()) encodeExif(exif, chosen);
        if (!iptc.empty()) {
            const Exiv2::DataBuf buffer = Exiv2::IptcParser::encode(iptc);
            chosen.iptc.assign(reinterpret_cast<const char*>(buffer.pData_), static_cast<std::size_t>(buffer.size_));
        }
        if (!xmp.empty()) Exiv2::XmpParser::encode(chosen.xmp, xmp);
    } catch (const std::exception&) {
        chosen.exif.clear(), chosen.iptc.clear(), chosen.xmp.clear();
        chosen.leftOut = {words("all of it")};
    }
    return chosen;
}

std::vector<std::string> putMetadata(const std::filesystem::path& file, FileFormat format, const Metadata& metadata,
                                     int width, int height) {
    startOnce();
    std::vector<std::string> leftOut = metadata.leftOut;
    try {
        auto image = Exiv2::ImageFactory::open(file.string());
        image->readMetadata();
        Exiv2::ExifData exif = exifFor(image->exifData(), metadata, width, height);
        Exiv2::XmpData xmp = xmpFor(metadata, leftOut);
        if (format == FileFormat::Jpeg) fitIntoJpeg(xmp, leftOut);
        image->setExifData(exif);
        if (!metadata.iptc.empty()) {
            Exiv2::IptcData iptc;
            Exiv2::IptcParser::decode(iptc, reinterpret_cast<const Exiv2::byte*>(metadata.iptc.data()),
                                      static_cast<std::uint32_t>(metadata.iptc.size()));
            image->setIptcData(iptc);
        }
        if (!xmp.empty()) image->setXmpData(xmp);
        image->writeMetadata();
    } catch (const std::exception&) {
        return {words("all of it")}; // as it was encoded
    }
    return leftOut;
}

} // namespace baryton
