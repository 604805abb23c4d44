#include "render/graded_file.h"
#include "base/parallel.h"
#include "picture/frame_place.h"
#include "picture/metadata.h"
#include "picture/picture_writer.h"
#include "render/output_rows.h"
#include "render/placed_base.h"
#include "render/plan.h"

#include <algorithm>
#include <cmath>
#include <cstring>

namespace baryton {

PictureSize framedSize(const std::filesystem::path& file, const SourceSettings& settings) {
    const PictureSize size = readPictureSize(file);
    const Placement placement =
        placementOf(geometryOf(settings, settings.lens.isWanted ? readShot(file) : Shot()), size.width, size.height);
    return {placement.width, placement.height, size.bits};
}

FileSource::FileSource(const std::filesystem::path& file, const SourceSettings& settings, const SizeWish& wish,
                       int files, const Task* task)
    : file_(file), metadata_(readMetadata(file)),
      reader_(std::make_unique<PictureReader>(
          file, ReadOptions{.orientation = settings.frame.orientation, .raw = settings.raw})) {
    const Shot shot = settings.lens.isWanted ? readShot(file) : Shot();
    geometry_ = geometryOf(settings, shot);
    placement_ = placementIn(reader_->width(), reader_->height());
    Placement asWanted = placement_;
    asWanted.orientation = geometry_.frame.orientation; // done by the reader, but masks are of the file as it is
    place_ = std::make_shared<const FramePlace>(asWanted, reader_->width(), reader_->height());
    remarks_ = reader_->remarks();
    if (const std::string lacks = lensProblem(geometry_.lens, shot); !lacks.empty()) remarks_.push_back(lacks);
    const PictureSize size = baryton::outputSize({placement_.width, placement_.height}, wish);
    const bool isSmaller = size.width < placement_.width || size.height < placement_.height;
    outputWidth_ = size.width, outputHeight_ = size.height;
    // What is turned wants rows from far above and below.
    if (!placement_.copiesPixels() || (files > 1 && !isSmaller)) reader_->keepDecoded();
    width_ = placement_.width, height_ = placement_.height;
    if (!isSmaller) return;
    Rows rows(*this, 0);
    small_ = readScaledDown(framed(rows), size.width, size.height, task);
    small_.setFramePlace(place_);
    width_ = size.width, height_ = size.height;
    reader_.reset();
}

Placement FileSource::placementIn(int width, int height) const {
    const bool isTurned = geometry_.frame.orientation.swapsSides();
    Placement placement = placementOf(geometry_, isTurned ? height : width, isTurned ? width : height);
    placement.orientation = {}; // the reader gives it oriented
    return placement;
}

RowSource FileSource::framed(Rows& rows) const {
    return {placement_.width, placement_.height, reader_->hasAlpha(), reader_->scale(), std::ref(rows)};
}

bool FileSource::hasAlpha() const {
    return reader_ ? reader_->hasAlpha() : small_.hasAlpha();
}

FrameMap FileSource::frameFor(const Program& program, const Task* task) {
    FrameMap map;
    map.perPixelX = 1.0 / width_, map.perPixelY = 1.0 / height_;
    map.aspect = double(width_) / height_;
    map.scale = reader_ ? reader_->scale() : small_.scale();
    map.place = place_;
    if (!program.needs(map.scale).base) return map;
    const std::lock_guard<std::mutex> guard(baseLock_);
    if (!base_ && !reader_) base_ = BaseLevel::of(small_);
    if (!base_) {
        // It is needed before the first band: the file is read twice, from memory where it is not too large.
        constexpr std::size_t mostKept = std::size_t(160) << 20;
        if (reader_->decodedBytes() <= mostKept) reader_->keepDecoded();
        Picture base = readBase(task);
        base.setFramePlace(place_);
        base_ = std::make_shared<const BaseLevel>(std::move(base));
        if (reader_->decodedBytes() > mostKept && placement_.copiesPixels()) reader_->rewind();
    }
    map.base = base_;
    return map;
}

Picture FileSource::readBase(const Task* task) {
    const int halvings = baseHalvings(placement_);
    if (halvings == 0) {
        const auto [width, height] = baseLevelSize(width_, height_);
        Rows rows(*this, 0);
        return readScaledDown(framed(rows), width, height, task);
    }
    const auto part = [&](int side) { return (side + (1 << halvings) - 1) >> halvings; };
    const Picture source = readScaledDown(*reader_, part(reader_->width()), part(reader_->height()), task);
    return placedBase(source, placementIn(source.width(), source.height()), {width_, height_}, task);
}

Picture FileSource::Rows::operator()(int y, int count) {
    if (!source_.reader_) return cropped(source_.small_, 0, y, source_.width_, count);
    PictureReader& reader = *source_.reader_;
    const Placement& placement = source_.placement_;
    if (placement == wholeOf(reader.width(), reader.height())) return reader.rows(y, count);
    const RowRange behind = rowsBehind(placement, reader.height(), y, count);
    if (placement.copiesPixels())
        return placedRows(reader.rows(behind.top, behind.count), behind.top, reader.height(), placement, y, count);
    if (band_.isEmpty() || behind.top < top_ || behind.top + behind.count > top_ + band_.height()) {
        // Many at once, so that what lies behind two bands is not made ready for each of them anew.
        const int ahead = std::max({count, 256, behind.count - count});
        const RowRange range = rowsBehind(placement, reader.height(), y, std::min(ahead, placement.height - y));
        band_ = Picture(); // the old one is given up first
        band_ = reader.rows(range.top, range.count);
        top_ = range.top;
    }
    return placedRows(band_, top_, reader.height(), placement, y, count, threads_);
}

namespace {

/// The source graded, as a picture.
RowSource gradedRows(FileSource& source, RowWindow& window, const Program& program, const FrameMap& frame,
                     int threads, const Task* task) {
    RowSource graded{source.width(), source.height(), source.hasAlpha(), frame.scale, {}};
    const int margin = program.needs(frame.scale).margin;
    graded.rows = [&window, &program, &frame, graded, margin, threads, task](int y, int count) {
        const int top = std::max(0, y - margin), end = std::min(graded.height, y + count + margin);
        const Picture& band = window.show(top, end);
        return plannedRows(Plan(program, frame.part(0, top), band, threads, task), band, y - top, count, threads,
                           task);
    };
    return graded;
}

/// How many rows are worked on at a time: where each pixel is of itself alone, so few that what is decoded is still
/// in a core's cache when it is graded and encoded; where pixels are asked for around them, so many that those cost
/// little.
int bandRowsFor(const Program& program, const FrameMap& frame, bool isReworked, int threads) {
    const auto needs = program.needs(frame.scale);
    if (isReworked || needs.margin > 0 || needs.base) return kBandRows;
    constexpr int few = 16;
    return std::min(few * std::max(threads, 1), kBandRows);
}

} // namespace

WrittenPicture writeGraded(const std::filesystem::path& file, FileSource& source, const Program& program,
                           const Output& output, int threads, const Task* task, const Placing& placing) {
    const FrameMap frame = source.frameFor(program, task);
    const bool alpha = source.hasAlpha();
    const OutputFormat& format = output.settings().format;
    const FileShape shape{source.outputWidth(), source.outputHeight(), alpha ? 4 : 3, format.bits, &output.profile()};
    const PixelEncoder encoder(output, shape);
    FileSource::Rows read(source, threads);
    RowWindow window({source.width(), source.height(), alpha, frame.scale, std::ref(read)});
    const double dotsPerInch = format.dotsPerInch > 0 ? format.dotsPerInch : source.metadata().dotsPerInch;
    const OutputSharpening sharpening = sharpeningFor(output.settings(), dotsPerInch);
    const bool isLarger = shape.width != source.width() || shape.height != source.height();
    RowSource rows;
    if (isLarger || sharpening.amount > 0) {
        rows = gradedRows(source, window, program, frame, threads, task);
        if (isLarger) rows = enlargedRows(std::move(rows), shape.width, shape.height, threads);
        if (sharpening.amount > 0) rows = sharpenedRows(std::move(rows), sharpening, threads, task);
    }
    const int margin = program.needs(frame.scale).margin;
    const auto at = [&shape](int x, int row) {
        return shape.rowBytes() * static_cast<std::size_t>(row) +
               static_cast<std::size_t>(x) * static_cast<std::size_t>(shape.channels * shape.bits / 8);
    };
    return writePictureInRows(
        file, shape,
        [&](int y, int count, std::uint8_t* out) {
            if (task) task->throwIfCancelled();
            if (rows.rows) {
                const Picture band = rows.rows(y, count);
                inPieces(count, 8, threads, [&](int first, int last) {
                    for (int i = first; i < last; ++i)
                        encoder(0, y + i, shape.width, band.row(0, i), band.row(1, i), band.row(2, i),
                                alpha ? band.row(3, i) : nullptr, out + at(0, i));
                });
                return;
            }
            const int top = std::max(0, y - margin), end = std::min(shape.height, y + count + margin);
            const Picture& band = window.show(top, end);
            const Plan plan(program, frame.part(0, top), band, threads, task);
            plan.run(
                band, {0, y - top, shape.width, count},
                [&](int x, int row, int run, const float* r, const float* g, const float* b) {
                    encoder(x, row + top, run, r, g, b, alpha ? band.row(3, row) + x : nullptr,
                            out + at(x, row + top - y));
                },
                threads, task);
        },
        source.metadata(), format, placing,
        bandRowsFor(program, frame, rows.rows != nullptr || !source.readsInOrder(), threads));
}

} // namespace baryton
