#include "base/words.h"
#include "picture/metadata.h"
#include "picture/metadata_support.h"

#include <algorithm>
#include <functional>
#include <map>

namespace baryton {

namespace {

/// What a segment of a JPEG holds, less what stands before XMP.
constexpr std::size_t kMostXmp = 65535 - 2 - 29;

void erase(Exiv2::ExifData& exif, const char* key) {
    for (auto at = exif.findKey(Exiv2::ExifKey(key)); at != exif.end(); at = exif.findKey(Exiv2::ExifKey(key)))
        exif.erase(at);
}

/// What the pixels are now, whatever the camera wrote (Exif 2.3, ColorSpace; DCF 2.0, R98): sRGB, or what the profile
/// says.
void sayWhatColoursAre(Exiv2::ExifData& exif, bool areSrgb) {
    constexpr std::uint16_t srgb = 1, uncalibrated = 0xFFFF;
    exif["Exif.Photo.ColorSpace"] = areSrgb ? srgb : uncalibrated;
    erase(exif, "Exif.Photo.Gamma");
    if (exif.findKey(Exiv2::ExifKey("Exif.Iop.InteroperabilityIndex")) == exif.end()) return;
    if (areSrgb)
        exif["Exif.Iop.InteroperabilityIndex"] = "R98";
    else
        erase(exif, "Exif.Iop.InteroperabilityIndex");
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

Exiv2::ExifData exifFor(const Exiv2::ExifData& encoded, const Metadata& metadata, const OutputFacts& facts) {
    Exiv2::ExifData exif = encoded, kept;
    if (!metadata.exif.empty())
        Exiv2::ExifParser::decode(kept, reinterpret_cast<const Exiv2::byte*>(metadata.exif.data()),
                                  static_cast<std::uint32_t>(metadata.exif.size()));
    for (const auto& datum : kept) exif[datum.key()] = datum.value();
    if (!kept.empty()) {
        exif["Exif.Photo.PixelXDimension"] = static_cast<std::uint32_t>(facts.width);
        exif["Exif.Photo.PixelYDimension"] = static_cast<std::uint32_t>(facts.height);
        sayWhatColoursAre(exif, facts.isSrgb);
    }
    exif["Exif.Image.Orientation"] = std::uint16_t{1};
    exif[kWriterKey] = writerOfFiles(); // Software stays what the camera said
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
    startExiv2();
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

namespace {

/// Where XMP is there as well it says the same, as programs that write both keep it.
bool saysMoreAsIptc(const Metadata& metadata) {
    return !metadata.iptc.empty() && metadata.xmp.empty();
}

} // namespace

std::vector<std::string> putMetadata(const std::filesystem::path& file, const Metadata& metadata,
                                     const OutputFacts& facts) {
    startExiv2();
    std::vector<std::string> leftOut = metadata.leftOut;
    try {
        auto image = Exiv2::ImageFactory::open(file.string());
        image->readMetadata();
        Exiv2::ExifData exif = exifFor(image->exifData(), metadata, facts);
        Exiv2::XmpData xmp = xmpFor(metadata, leftOut);
        if (facts.format == FileFormat::Jpeg) fitIntoJpeg(xmp, leftOut);
        image->setExifData(exif);
        const bool takesIptc = facts.format != FileFormat::WebP;
        if (!takesIptc && saysMoreAsIptc(metadata)) leftOut.push_back("IPTC");
        if (takesIptc && !metadata.iptc.empty()) {
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

EncodedMetadata encodeMetadata(const Metadata& metadata, const OutputFacts& facts) {
    startExiv2();
    EncodedMetadata encoded;
    encoded.lost = metadata.leftOut;
    try {
        Exiv2::ExifData exif = exifFor({}, metadata, facts);
        Exiv2::Blob blob;
        Exiv2::ExifParser::encode(blob, Exiv2::littleEndian, exif);
        encoded.exif.assign(kExifBegin).append(blob.begin(), blob.end());
        Exiv2::XmpData xmp = xmpFor(metadata, encoded.lost);
        xmp[kToolKey] = writerOfFiles();
        if (Exiv2::XmpParser::encode(encoded.xmp, xmp) != 0) encoded.xmp.clear();
        if (saysMoreAsIptc(metadata)) encoded.lost.push_back("IPTC");
    } catch (const std::exception&) {
        encoded.lost = {words("all of it")};
    }
    return encoded;
}

} // namespace baryton
