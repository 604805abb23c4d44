#pragma once
#include <optional>
#include <string>
#include <vector>

namespace baryton {

/// What of a picture's metadata goes into the files made of it. Rights: who made it and what may be done with it.
enum class MetadataKept { All, AllButPlace, Rights, None };
enum class FileFormat { Jpeg, Png, Tiff, WebP, Avif };
/// What lies behind the transparent parts of a picture in a file without transparency; grey reflects 18 %.
enum class Ground { White, Grey, Black };
/// How much of the colour's detail a lossy file keeps. Auto: all of it from a quality of 90 on, else half of it along
/// each side.
enum class Chroma { Auto, Full, Half };
enum class TiffCompression { Deflate, Lzw, None };

/// How a picture is encoded. What means nothing to a format is left alone by it.
struct OutputFormat {
    FileFormat format = FileFormat::Jpeg;
    int bits = 8;                  ///< of a channel; 32: float, as it was worked out, nothing clipped (see depthsOf)
    int quality = 90;              ///< 1…100, of lossy files
    Ground ground = Ground::White; ///< JPEG
    MetadataKept metadata = MetadataKept::All;
    std::string author{}, copyright{}; ///< put in the place of the picture's own where they are not empty
    Chroma chroma = Chroma::Auto;      ///< JPEG and AVIF; a lossy WebP always keeps half
    bool isProgressive = false;        ///< JPEG: comes in passes
    bool isLossless = false;           ///< WebP
    TiffCompression compression = TiffCompression::Deflate;
    bool dithers = true;    ///< 8 bits: by less than half a step, so that what was 8 bit stays as it was
    double dotsPerInch = 0; ///< for printing; 0 as the picture has it

    bool operator==(const OutputFormat&) const = default;
};

/// The depths that a format has: 8, 16, 32 (float).
std::vector<int> depthsOf(FileFormat format);
/// Whether a quality means anything to it.
bool hasQuality(const OutputFormat& format);
/// Throws Error for a depth that the format has not.
void requireDepth(const OutputFormat& format);

// The names that plans and the command line have for them; nothing for other words.
std::string fileFormatName(FileFormat format); ///< "jpeg", "png", "tiff", "webp", "avif"
std::optional<FileFormat> fileFormatFromName(const std::string& name);
/// The extension of a format, without dot: "jpg", "png", "tif", "webp", "avif".
std::string fileExtension(FileFormat format);
std::string metadataKeptName(MetadataKept kept); ///< "all", "all-but-place", "rights", "none"
std::optional<MetadataKept> metadataKeptFromName(const std::string& name);
std::string groundName(Ground ground); ///< "white", "grey", "black"
std::optional<Ground> groundFromName(const std::string& name);
std::string chromaName(Chroma chroma); ///< "auto", "full", "half"
std::optional<Chroma> chromaFromName(const std::string& name);
std::string compressionName(TiffCompression compression); ///< "deflate", "lzw", "none"
std::optional<TiffCompression> compressionFromName(const std::string& name);

} // namespace baryton
