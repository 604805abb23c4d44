#include "picture/metadata.h"
#include "base/file.h"
#include "base/version.h"

#include <cmath>
#include <exiv2/exiv2.hpp>
#include <fmt/format.h>
#include <mutex>

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

std::string text(const Exiv2::ExifData& exif, const char* key) {
    const auto at = exif.findKey(Exiv2::ExifKey(key));
    if (at == exif.end()) return {};
    std::string value = at->toString();
    while (!value.empty() && (value.back() == ' ' || value.back() == '\0')) value.pop_back();
    return value;
}

std::string exposureText(const Exiv2::ExifData& exif) {
    std::string all;
    const auto add = [&](const std::string& part) { all += (all.empty() ? "" : " ") + part; };
    if (const auto t = exif.findKey(Exiv2::ExifKey("Exif.Photo.ExposureTime")); t != exif.end()) {
        const double seconds = t->toFloat();
        if (seconds > 0) add(seconds < 0.4 ? fmt::format("1/{:.0f} s", 1 / seconds) : fmt::format("{:g} s", seconds));
    }
    if (const auto f = exif.findKey(Exiv2::ExifKey("Exif.Photo.FNumber")); f != exif.end() && f->toFloat() > 0)
        add(fmt::format("f/{:g}", std::round(f->toFloat() * 10) / 10));
    if (const auto iso = text(exif, "Exif.Photo.ISOSpeedRatings"); !iso.empty()) add("ISO " + iso);
    return all;
}

/// Describes the picture and its making; anything else in the first directory describes the old file's layout.
bool isWorthKeeping(const Exiv2::Exifdatum& datum) {
    const std::string group = datum.groupName();
    if (group == "Image") {
        for (const char* name :
             {"ImageDescription", "Make", "Model", "Software", "DateTime", "Artist", "Copyright", "Rating"})
            if (datum.tagName() == name) return true;
        return false;
    }
    return group == "Photo" || group == "GPSInfo" || group == "Iop";
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
        if (!exif.empty()) {
            Exiv2::Blob blob;
            Exiv2::ExifParser::encode(blob, Exiv2::littleEndian, exif);
            result.exif.assign(blob.begin(), blob.end());
        }
        if (!image->iptcData().empty()) {
            const Exiv2::DataBuf buffer = Exiv2::IptcParser::encode(image->iptcData());
            result.iptc.assign(reinterpret_cast<const char*>(buffer.pData_), static_cast<std::size_t>(buffer.size_));
        }
        result.xmp = image->xmpPacket();
        result.camera = text(all, "Exif.Image.Make");
        const std::string model = text(all, "Exif.Image.Model");
        if (!model.empty()) result.camera = model.starts_with(result.camera) ? model : result.camera + " " + model;
        result.exposure = exposureText(all);
    } catch (const Exiv2::AnyError&) {
        return {};
    } catch (const Error&) {
        return {};
    }
    return result;
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
    } catch (const Exiv2::AnyError&) {
        return false;
    } catch (const Error&) {
        return false;
    }
}

void putMetadata(const std::filesystem::path& file, const Metadata& metadata, int width, int height) {
    startOnce();
    try {
        auto image = Exiv2::ImageFactory::open(file.string());
        image->readMetadata();
        Exiv2::ExifData kept;
        if (!metadata.exif.empty())
            Exiv2::ExifParser::decode(kept, reinterpret_cast<const Exiv2::byte*>(metadata.exif.data()),
                                      static_cast<std::uint32_t>(metadata.exif.size()));
        Exiv2::ExifData& exif = image->exifData();
        for (const auto& datum : kept) exif[datum.key()] = datum.value();
        if (!kept.empty()) {
            exif["Exif.Photo.PixelXDimension"] = static_cast<std::uint32_t>(width);
            exif["Exif.Photo.PixelYDimension"] = static_cast<std::uint32_t>(height);
        }
        exif["Exif.Image.Orientation"] = std::uint16_t{1};
        exif[kWriterKey] = writer(); // Software stays what the camera said
        if (!metadata.iptc.empty()) {
            Exiv2::IptcData iptc;
            Exiv2::IptcParser::decode(iptc, reinterpret_cast<const Exiv2::byte*>(metadata.iptc.data()),
                                      static_cast<std::uint32_t>(metadata.iptc.size()));
            image->setIptcData(iptc);
        }
        if (!metadata.xmp.empty()) {
            Exiv2::XmpData xmp;
            if (Exiv2::XmpParser::decode(xmp, metadata.xmp) == 0) {
                if (const auto at = xmp.findKey(Exiv2::XmpKey("Xmp.tiff.Orientation")); at != xmp.end())
                    xmp.erase(at);
                image->setXmpData(xmp);
            }
        }
        image->writeMetadata();
    } catch (const Exiv2::AnyError&) {
        return; // as it was encoded
    }
}

} // namespace baryton
