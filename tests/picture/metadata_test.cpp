#include "base/file.h"
#include "picture/metadata.h"
#include "picture/picture_writer.h"
#include "picture/shot.h"
#include "picture/vips_support.h"
#include "support/samples.h"
#include "support/temp_folder.h"

#include <exiv2/exiv2.hpp>

namespace baryton::test {

namespace fs = std::filesystem;

namespace {

fs::path plainJpeg(const fs::path& file, double dotsPerInch) {
    initVips();
    const double perMm = dotsPerInch / 25.4;
    vips::VImage::black(32, 24, vips::VImage::option()->set("bands", 3))
        .copy(vips::VImage::option()
                  ->set("interpretation", VIPS_INTERPRETATION_sRGB)
                  ->set("xres", perMm)
                  ->set("yres", perMm))
        .jpegsave(file.c_str());
    return file;
}

WrittenPicture writeWith(const fs::path& file, const Metadata& metadata, FileFormat format = FileFormat::Jpeg) {
    return writePictureInRows(file, {16, 16, 3, 8},
                              [](int, int count, std::uint8_t* out) { std::fill_n(out, 16 * 3 * count, 99); },
                              metadata, {format, 8, 90});
}

std::unique_ptr<Exiv2::Image> opened(const fs::path& file) {
    std::unique_ptr<Exiv2::Image> image(Exiv2::ImageFactory::open(file.string()).release());
    image->readMetadata();
    return image;
}

std::string exifText(const Exiv2::Image& image, const char* key) {
    const auto at = image.exifData().findKey(Exiv2::ExifKey(key));
    return at == image.exifData().end() ? "" : at->toString();
}

} // namespace

TEST(Metadata, DotsPerInchAreKept) {
    const TempFolder folder;
    const Metadata print = readMetadata(plainJpeg(folder / "a.jpg", 300));
    EXPECT_NEAR(print.dotsPerInch, 300, 0.01);
    for (const auto format : {FileFormat::Jpeg, FileFormat::Png, FileFormat::Tiff}) {
        const fs::path file = folder / ("out." + fileExtension(format));
        writeWith(file, print, format);
        EXPECT_NEAR(readMetadata(file).dotsPerInch, 300, 0.5) << file;
    }
    writeWith(folder / "b.jpg", {});
    EXPECT_NEAR(readMetadata(folder / "b.jpg").dotsPerInch, 72, 0.01) << "not one in a millimetre";
}

TEST(Metadata, TitlesAndKeywordsOfTheDesktopStay) {
    const TempFolder folder;
    const fs::path from = plainJpeg(folder / "a.jpg", 72);
    auto image = opened(from);
    const Exiv2::byte title[] = {'H', 0, 'e', 0, 'r', 0, 'o', 0, 'n', 0, 0, 0};
    const auto bytes = Exiv2::Value::create(Exiv2::unsignedByte);
    bytes->read(title, sizeof title, Exiv2::littleEndian);
    for (const char* key : {"Exif.Image.XPTitle", "Exif.Image.XPKeywords", "Exif.Image.XPComment"})
        image->exifData().add(Exiv2::ExifKey(key), bytes.get());
    image->exifData()["Exif.Image.DocumentName"] = "Season programme";
    image->writeMetadata();
    for (const auto format : {FileFormat::Jpeg, FileFormat::Png, FileFormat::Tiff}) {
        const fs::path to = folder / ("out." + fileExtension(format));
        EXPECT_TRUE(writeWith(to, readMetadata(from), format).remarks.empty());
        const auto out = opened(to);
        EXPECT_EQ(exifText(*out, "Exif.Image.XPTitle"), exifText(*image, "Exif.Image.XPTitle"));
        EXPECT_EQ(exifText(*out, "Exif.Image.XPKeywords"), exifText(*image, "Exif.Image.XPKeywords"));
        EXPECT_EQ(exifText(*out, "Exif.Image.DocumentName"), "Season programme");
    }
}

TEST(Metadata, GoesAlongAsFarAsIsWished) {
    const TempFolder folder;
    const fs::path from = plainJpeg(folder / "a.jpg", 72);
    auto image = opened(from);
    image->exifData()["Exif.Image.Artist"] = "A. Wright";
    image->exifData()["Exif.Image.Copyright"] = "The Tin Heron Company";
    image->exifData()["Exif.Image.Model"] = "K1";
    image->exifData()["Exif.GPSInfo.GPSLatitude"] = "47/1 30/1 0/1";
    image->iptcData()["Iptc.Application2.City"] = "Reedmouth";
    image->iptcData()["Iptc.Application2.Byline"] = "A. Wright";
    image->iptcData()["Iptc.Application2.Caption"] = "The heron";
    image->xmpData()["Xmp.iptc.Location"] = "Reedmouth";
    image->xmpData()["Xmp.exif.GPSLatitude"] = "47,30N";
    image->xmpData()["Xmp.dc.creator"] = "A. Wright";
    image->xmpData()["Xmp.dc.subject"] = "heron";
    image->xmpData()["Xmp.xmpRights.UsageTerms"] = "For the programme";
    image->writeMetadata();
    const Metadata metadata = readMetadata(from);
    const auto keysWith = [&](MetadataKept kept, FileFormat format, const std::string& author = "") {
        const fs::path to = folder / ("to." + fileExtension(format));
        OutputFormat wished{format, 8, 90};
        wished.metadata = kept, wished.author = author;
        writePictureInRows(
            to, {16, 16, 3, 8}, [](int, int count, std::uint8_t* out) { std::fill_n(out, 16 * 3 * count, 99); },
            metadata, wished);
        EXPECT_TRUE(isOwnWork(to));
        std::map<std::string, std::string> keys;
        const auto written = opened(to);
        for (const auto& datum : written->exifData()) keys[datum.key()] = datum.toString();
        for (const auto& datum : written->iptcData()) keys[datum.key()] = datum.toString();
        for (const auto& datum : written->xmpData()) keys[datum.key()] = datum.toString();
        return keys;
    };
    const std::vector<std::string> places = {"Exif.GPSInfo.GPSLatitude", "Iptc.Application2.City",
                                             "Xmp.iptc.Location", "Xmp.exif.GPSLatitude"},
                                   rights = {"Exif.Image.Artist", "Exif.Image.Copyright", "Iptc.Application2.Byline",
                                             "Xmp.dc.creator", "Xmp.xmpRights.UsageTerms"},
                                   others = {"Exif.Image.Model", "Iptc.Application2.Caption", "Xmp.dc.subject"};
    for (const FileFormat format : {FileFormat::Jpeg, FileFormat::Png, FileFormat::Tiff}) {
        const auto check = [&](MetadataKept kept, bool hasPlaces, bool hasRights, bool hasOthers) {
            const auto keys = keysWith(kept, format);
            for (const auto& [list, has] :
                 {std::pair{&places, hasPlaces}, {&rights, hasRights}, {&others, hasOthers}})
                for (const std::string& key : *list)
                    EXPECT_EQ(keys.contains(key), has)
                        << key << " " << metadataKeptName(kept) << " " << fileFormatName(format);
        };
        check(MetadataKept::All, true, true, true);
        check(MetadataKept::AllButPlace, false, true, true);
        check(MetadataKept::Rights, false, true, false);
        check(MetadataKept::None, false, false, false);
        const auto filled = keysWith(MetadataKept::None, format, "B. Reed");
        EXPECT_EQ(filled.at("Exif.Image.Artist"), "B. Reed");
        EXPECT_EQ(filled.at("Xmp.dc.creator"), "B. Reed");
        EXPECT_EQ(keysWith(MetadataKept::All, format, "B. Reed").at("Iptc.Application2.Byline"), "B. Reed");
    }
}

TEST(Metadata, GoesIntoWebpAndAvifToo) {
    const TempFolder folder;
    const fs::path from = plainJpeg(folder / "a.jpg", 72);
    auto image = opened(from);
    image->exifData()["Exif.Image.Make"] = "Tin Heron";
    image->exifData()["Exif.Image.Model"] = "K1";
    image->exifData()["Exif.Image.Orientation"] = std::uint16_t{6};
    image->exifData()["Exif.Photo.DateTimeOriginal"] = "2026:06:14 18:03:22";
    image->exifData()["Exif.Photo.FNumber"] = "4/1";
    image->exifData()["Exif.GPSInfo.GPSLatitude"] = "47/1 30/1 0/1";
    image->iptcData()["Iptc.Application2.Caption"] = "The heron";
    image->writeMetadata();
    const Metadata caption = readMetadata(from);
    image->xmpData()["Xmp.dc.subject"] = "heron";
    image->writeMetadata();
    const Metadata metadata = readMetadata(from);
    for (const FileFormat format : {FileFormat::WebP, FileFormat::Avif}) {
        const fs::path to = folder / ("to." + fileExtension(format));
        SCOPED_TRACE(to);
        EXPECT_TRUE(writeWith(to, metadata, format).remarks.empty());
        const Metadata read = readMetadata(to);
        EXPECT_EQ(read.camera, "Tin Heron K1");
        EXPECT_NE(read.xmp.find("heron"), std::string::npos);
        const Shot shot = readShot(to);
        EXPECT_EQ(shot.aperture, 4);
        EXPECT_GT(shot.takenAt, 0);
        EXPECT_EQ(readPictureSize(to).width, 16) << "and is not turned once more";
        EXPECT_TRUE(isOwnWork(to));
        // The block of IPTC has no place there: what it alone says is told.
        const WrittenPicture written = writeWith(to, caption, format);
        ASSERT_EQ(written.remarks.size(), 1U);
        EXPECT_NE(written.remarks[0].find("IPTC"), std::string::npos);
        OutputFormat none{format, 8, 90};
        none.metadata = MetadataKept::None;
        writePictureInRows(
            to, {16, 16, 3, 8}, [](int, int count, std::uint8_t* out) { std::fill_n(out, 16 * 3 * count, 99); },
            metadata, none);
        EXPECT_EQ(readMetadata(to).camera, "");
        EXPECT_EQ(readFile(to).find("Tin Heron K1"), std::string::npos);
        EXPECT_TRUE(isOwnWork(to));
    }
}

TEST(Metadata, ATagWithoutAValueIsPassedOver) {
    const TempFolder folder;
    const fs::path file = plainJpeg(folder / "a.jpg", 72);
    auto image = opened(file);
    image->exifData()["Exif.Image.Make"] = "Tin Heron";
    const Exiv2::URationalValue none;
    for (const char* key : {"Exif.Photo.FNumber", "Exif.Photo.ExposureTime", "Exif.Photo.ISOSpeedRatings"})
        image->exifData().add(Exiv2::ExifKey(key), &none);
    image->writeMetadata();
    const Metadata read = readMetadata(file);
    EXPECT_EQ(read.camera, "Tin Heron");
    EXPECT_EQ(read.exposure, "");
}

TEST(Metadata, OfMoreThanAJpegHoldsTheLargestPartsAreLeftOutAndNamed) {
    const TempFolder folder;
    initVips();
    vips::VImage::black(32, 24, vips::VImage::option()->set("bands", 3)).tiffsave((folder / "from.tif").c_str());
    auto from = opened(folder / "from.tif");
    from->exifData()["Exif.Image.Copyright"] = "The Tin Heron Company";
    from->exifData()["Exif.Photo.UserComment"] = "charset=Ascii " + std::string(70000, 'x');
    from->xmpData()["Xmp.dc.rights"] = "lang=x-default The Tin Heron Company";
    from->xmpData()["Xmp.dc.description"] = "lang=x-default " + std::string(70000, 'y');
    from->writeMetadata();
    const Metadata metadata = readMetadata(folder / "from.tif");

    const WrittenPicture written = writeWith(folder / "a.jpg", metadata);
    ASSERT_EQ(written.remarks.size(), 1U);
    EXPECT_NE(written.remarks[0].find("dc.description"), std::string::npos) << written.remarks[0];
    EXPECT_NE(written.remarks[0].find("omment"), std::string::npos) << written.remarks[0];
    const auto jpeg = opened(folder / "a.jpg");
    EXPECT_EQ(exifText(*jpeg, "Exif.Image.Copyright"), "The Tin Heron Company");
    EXPECT_NE(jpeg->xmpData().findKey(Exiv2::XmpKey("Xmp.dc.rights")), jpeg->xmpData().end());
    // Others hold all of the XMP.
    writeWith(folder / "a.tif", metadata, FileFormat::Tiff);
    EXPECT_GT(opened(folder / "a.tif")->xmpData()["Xmp.dc.description"].toString().size(), 70000U);
}

TEST(Metadata, WhatWouldBeWrongBesideTheNewPixelsStaysBehind) {
    const TempFolder folder;
    Exiv2::XmpData xmp;
    xmp["Xmp.dc.title"] = "lang=x-default Lake fog";
    xmp["Xmp.exif.ColorSpace"] = "65535";
    xmp["Xmp.tiff.Orientation"] = "6";
    xmp["Xmp.crs.Exposure2012"] = "+1.00";
    Exiv2::XmpProperties::registerNs("http://tinheron.example/programme/", "heron"); // any program's own
    xmp["Xmp.heron.ICCProfile"] = "Some wide profile";
    Metadata metadata;
    Exiv2::XmpParser::encode(metadata.xmp, xmp);
    writeWith(folder / "a.png", metadata, FileFormat::Png);
    const auto out = opened(folder / "a.png");
    std::vector<std::string> keys;
    for (const auto& datum : out->xmpData()) keys.push_back(datum.key());
    EXPECT_EQ(keys, std::vector<std::string>{"Xmp.dc.title"});
}

} // namespace baryton::test
