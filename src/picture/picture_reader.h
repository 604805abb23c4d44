#pragma once
#include "picture/orientation.h"
#include "picture/picture_file.h"
#include "picture/raw_settings.h"

#include <functional>
#include <memory>

namespace baryton {

class RawPixels;

/// How a file is read.
struct ReadOptions {
    /// 2, 4 or 8 decodes a JPEG no further than to that part of its size, and a raw file to half; others ignore it.
    int shrink = 1;
    Orientation orientation{}; ///< on top of the file's own
    RawSettings raw{};         ///< of a raw file
    /// Of a raw file, where not 0: the JPEG that its camera put into it, with a long side of at least this.
    int previewSide = 0;
};

/// A picture file that is read a band of rows at a time, so that it is never in memory as a whole.
///
/// What can't be read that way is put aside first: a picture to be turned (its orientation tag), in memory or, beyond
/// 100 MB, in a temporary file. One thread at a time.
class PictureReader {
public:
    /// Reads the header; where the picture can't be read in rows, works out the memory first. A raw file is
    /// demosaiced here. Throws Error as readPicture does.
    explicit PictureReader(const std::filesystem::path& file, const ReadOptions& options = {});
    ~PictureReader();
    PictureReader(const PictureReader&) = delete;
    PictureReader& operator=(const PictureReader&) = delete;

    /// After orientation.
    int width() const;
    int height() const;
    bool hasAlpha() const;
    /// As in PictureFile.
    const std::string& profileName() const;
    /// Of a raw file: what it is developed from.
    const std::shared_ptr<const RawPixels>& raw() const;
    /// What of the file could not be taken as it says, each a sentence without a full stop: another picture in it, a
    /// damaged profile.
    const std::vector<std::string>& remarks() const;
    /// Pixels for one of the full-size picture, along a side.
    double scale() const;

    /// Rows y to y + count in the working encoding. Each call begins where the one before it ended or a few rows
    /// earlier; after `keepDecoded` it may begin anywhere. Throws Error where the file is damaged.
    Picture rows(int y, int count);
    /// Decodes the whole picture into memory, in the numbers of the file: what is read from then on costs no
    /// decoding.
    void keepDecoded();
    /// How much that takes; a raw file has taken it anyway.
    std::size_t decodedBytes() const;
    /// Begins again at the first row.
    void rewind();

private:
    struct Decoder;
    std::filesystem::path file_;
    ReadOptions options_;
    std::unique_ptr<Decoder> decoder_;
};

/// All of a raw file's pixels as a picture, oriented: the same numbers as a PictureReader gives.
Picture developed(const RawPixels& raw, const RawSettings& settings);

/// A picture whose rows are asked for from the top down.
struct RowSource {
    int width = 0, height = 0;
    bool hasAlpha = false;
    double scale = 1;
    std::function<Picture(int y, int count)> rows;
};

/// The picture made smaller while it is read, the same bytes as scaledDown of all of it: only a version of up to
/// twice the size is ever in memory.
Picture readScaledDown(const RowSource& source, int width, int height, const Task* task = nullptr);
Picture readScaledDown(PictureReader& reader, int width, int height, const Task* task = nullptr);

} // namespace baryton
