#pragma once
#include "base/file.h"
#include "picture/picture_reader.h"
#include "picture/picture_writer.h"
#include "picture/shot.h"
#include "render/base_level.h"
#include "render/output.h"
#include "render/program.h"
#include "stages/source.h"

#include <filesystem>
#include <memory>
#include <mutex>

namespace baryton {

/// Width and height of a picture developed and in its frame, from its header alone. Throws Error.
PictureSize framedSize(const std::filesystem::path& file, const SourceSettings& settings);

/// A picture file as files are made from it: read a band at a time, or made smaller first, so that what is seen
/// fitted is what is written. Safe to be used by several threads where it was opened for several files.
class FileSource {
public:
    /// Of the picture developed and in its frame, as large as is wished, or as it is where that is larger. `files` is
    /// how many are made from it: for more than one it is decoded once, into memory, and so is one that is to be
    /// turned. Throws Error.
    FileSource(const std::filesystem::path& file, const SourceSettings& settings, const SizeWish& size, int files,
               const Task* task = nullptr);

    int width() const { return width_; }
    int height() const { return height_; }
    /// Of the files that are made: larger than the source where they are enlarged behind the grade.
    int outputWidth() const { return outputWidth_; }
    int outputHeight() const { return outputHeight_; }
    bool hasAlpha() const;
    /// Rows are read as they lie in the file: not turned, nor freed of a lens.
    bool readsInOrder() const { return placement_.copiesPixels(); }
    const Metadata& metadata() const { return metadata_; }
    /// As PictureReader has them.
    const std::vector<std::string>& remarks() const { return remarks_; }
    /// As a frame, with what a program needs of it.
    FrameMap frameFor(const Program& program, const Task* task);

    /// Reads the rows, as PictureReader::rows has it, for one file that is made.
    class Rows {
    public:
        Rows(FileSource& source, int threads) : source_(source), threads_(threads) {}
        Picture operator()(int y, int count);

    private:
        FileSource& source_;
        int threads_;
        Picture band_; ///< of what is to be turned, before it is
        int top_ = 0;
    };

private:
    /// In what it reads, made smaller to this size or not.
    Placement placementIn(int width, int height) const;
    RowSource framed(Rows& rows) const;
    /// The base level's pixels.
    Picture readBase(const Task* task);
    std::filesystem::path file_;
    Metadata metadata_;
    std::vector<std::string> remarks_;
    int width_ = 0, height_ = 0, outputWidth_ = 0, outputHeight_ = 0;
    Picture small_;                         ///< where it is made smaller
    std::unique_ptr<PictureReader> reader_; ///< else
    Geometry geometry_;
    Placement placement_; ///< of the frame in what it reads
    std::shared_ptr<const FramePlace> place_;
    std::mutex baseLock_;
    std::shared_ptr<const BaseLevel> base_;
};

/// Grades a source band by band into a file, from up to `threads` threads (0: all cores), while the band before is
/// being encoded. What comes behind the grade: enlarging, sharpening for output, the mark, the profile, dithering.
/// Alpha is kept, in a JPEG laid over its ground. Throws Error, or Cancelled, and leaves nothing half written.
WrittenPicture writeGraded(const std::filesystem::path& file, FileSource& source, const Program& program,
                           const Output& output, int threads, const Task* task, const Placing& placing = {});

} // namespace baryton
