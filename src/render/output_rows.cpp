#include "render/output_rows.h"
#include "base/parallel.h"
#include "picture/quantise.h"
#include "picture/resample.h"
#include "stages/stage_type.h"

#include <algorithm>
#include <cstring>
#include <vector>

namespace baryton {

namespace {

void copyRows(const Picture& from, int first, Picture& to, int at, int count) {
    for (int plane = 0; plane < (from.hasAlpha() ? 4 : 3); ++plane)
        std::memcpy(to.row(plane, at), from.row(plane, first),
                    from.stride() * static_cast<std::size_t>(count) * sizeof(float));
}

void copyAlpha(const Picture& from, int first, Picture& to, int count) {
    for (int i = 0; i < count; ++i) std::copy_n(from.row(3, first + i), from.width(), to.row(3, i));
}

} // namespace

const Picture& RowWindow::show(int top, int end) {
    const int known = top_ + rows_.height();
    if (rows_.isEmpty() || known <= top) {
        rows_ = source_.rows(top, end - top);
    } else {
        Picture next(source_.width, end - top, source_.hasAlpha);
        const Picture& kept = rows_;
        const Picture read = known < end ? source_.rows(known, end - known) : Picture();
        copyRows(kept, top - top_, next, 0, std::min(known, end) - top);
        if (!read.isEmpty()) copyRows(read, 0, next, known - top, end - known);
        rows_ = std::move(next);
    }
    top_ = top;
    return rows_;
}

Picture plannedRows(const Plan& plan, const Picture& band, int first, int count, int threads, const Task* task) {
    Picture out(band.width(), count, band.hasAlpha());
    float* to[] = {out.row(0, 0), out.row(1, 0), out.row(2, 0)};
    const std::size_t stride = out.stride();
    plan.run(
        band, {0, first, band.width(), count},
        [&](int x, int row, int run, const float* r, const float* g, const float* b) {
            const std::size_t at = stride * static_cast<std::size_t>(row - first) + static_cast<std::size_t>(x);
            std::copy_n(r, run, to[0] + at), std::copy_n(g, run, to[1] + at), std::copy_n(b, run, to[2] + at);
        },
        threads, task);
    if (band.hasAlpha()) copyAlpha(band, first, out, count);
    return out;
}

RowSource enlargedRows(RowSource source, int width, int height, int threads) {
    struct Enlarger {
        RowWindow window;
        ResampleAxis across, down;
        int threads;

        Picture rows(int y, int count) {
            const RowSource& from = window.source();
            const auto taps = static_cast<int>(down.taps);
            const auto firstOf = [&](int row) { return static_cast<int>(down.first[static_cast<std::size_t>(row)]); };
            const int top = firstOf(y), end = std::min(from.height, firstOf(y + count - 1) + taps);
            const Picture& band = window.show(top, end);
            Picture out(static_cast<int>(across.first.size()), count, from.hasAlpha);
            const int planes = from.hasAlpha ? 4 : 3;
            float* to[4];
            for (int plane = 0; plane < planes; ++plane) to[plane] = out.row(plane, 0);
            const std::size_t outStride = out.stride();
            inPieces(count, 8, threads, [&](int begin, int last) {
                std::vector<float> row(static_cast<std::size_t>(from.width) + across.taps);
                for (int i = begin; i < last; ++i) {
                    const auto at = static_cast<std::size_t>(y + i);
                    const auto used = static_cast<std::size_t>(std::min(taps, end - firstOf(y + i)));
                    for (int plane = 0; plane < planes; ++plane) {
                        sumRows(band.row(plane, firstOf(y + i) - top), band.stride(),
                                down.weights.data() + at * down.taps, used, down.core[at],
                                static_cast<std::size_t>(from.width), row.data());
                        resampleRow(row.data(), across, to[plane] + outStride * static_cast<std::size_t>(i));
                    }
                }
            });
            return out;
        }
    };
    const auto size = [](int side) { return static_cast<std::size_t>(side); };
    RowSource enlarged{width, height, source.hasAlpha, source.scale * width / source.width, {}};
    const ResampleAxis across(size(source.width), size(width)), down(size(source.height), size(height));
    const auto work = std::make_shared<Enlarger>(Enlarger{RowWindow(std::move(source)), across, down, threads});
    enlarged.rows = [work](int y, int count) { return work->rows(y, count); };
    return enlarged;
}

RowSource sharpenedRows(RowSource source, const OutputSharpening& sharpening, int threads, const Task* task) {
    Grade grade;
    Stage detail = makeStage(grade, "detail");
    detail.parameters["amount"] = sharpening.amount;
    detail.parameters["radius"] = sharpening.radius;
    grade.finish.push_back(std::move(detail));
    struct Sharpener {
        RowWindow window;
        Program program;
        FrameMap frame;
        int margin, threads;
        const Task* task;

        Picture rows(int y, int count) {
            const RowSource& from = window.source();
            const int top = std::max(0, y - margin), end = std::min(from.height, y + count + margin);
            const Picture& band = window.show(top, end);
            return plannedRows(Plan(program, frame.part(0, top), band, threads, task), band, y - top, count, threads,
                               task);
        }
    };
    FrameMap frame; // of the file's own pixels, whatever they were made of
    frame.perPixelX = 1.0 / source.width, frame.perPixelY = 1.0 / source.height;
    frame.aspect = double(source.width) / source.height;
    frame.scale = 1;
    Program program = Program::compile(grade);
    const int margin = program.needs(frame.scale).margin;
    RowSource sharpened{source.width, source.height, source.hasAlpha, source.scale, {}};
    const auto work = std::make_shared<Sharpener>(
        Sharpener{RowWindow(std::move(source)), std::move(program), frame, margin, threads, task});
    sharpened.rows = [work](int y, int count) { return work->rows(y, count); };
    return sharpened;
}

PixelEncoder::PixelEncoder(const Output& output, const FileShape& shape)
    : output_(output), shape_(shape), mark_(output.markIn(shape.width, shape.height)) {}

void PixelEncoder::layMark(int x, int y, int count, float* const* planes, float* alpha) const {
    const Picture& mark = mark_->pixels;
    const int row = y - mark_->y;
    if (row < 0 || row >= mark.height()) return;
    const auto strength = static_cast<float>(output_.settings().mark.strength);
    const int first = std::max(x, mark_->x), last = std::min(x + count, mark_->x + mark.width());
    for (int at = first; at < last; ++at) {
        const float over = mark.row(3, row)[at - mark_->x] * strength;
        // What is clear gives none of its colour.
        const float under = alpha ? alpha[at - x] * (1 - over) : 1 - over, whole = over + under;
        if (whole <= 0) continue;
        for (int plane = 0; plane < 3; ++plane) {
            float& value = planes[plane][at - x];
            value = (over * mark.row(plane, row)[at - mark_->x] + under * value) / whole;
        }
        if (alpha) alpha[at - x] = whole;
    }
}

void PixelEncoder::operator()(int x, int y, int count, const float* r, const float* g, const float* b, const float* a,
                              std::uint8_t* out) const {
    const auto n = static_cast<std::size_t>(count);
    if (mark_ || !output_.profile().isSrgb()) {
        static thread_local std::vector<float> planes[4];
        const float* from[] = {r, g, b, a};
        for (int plane = 0; plane < 4; ++plane)
            if (from[plane]) planes[plane].assign(from[plane], from[plane] + n);
        float* to[] = {planes[0].data(), planes[1].data(), planes[2].data()};
        if (mark_) layMark(x, y, count, to, a ? planes[3].data() : nullptr);
        output_.profile()(to[0], to[1], to[2], n);
        r = to[0], g = to[1], b = to[2];
        if (a) a = planes[3].data();
    }
    if (shape_.bits == 8 && output_.settings().format.dithers) {
        ditherTo8(r, g, b, a, {static_cast<std::uint32_t>(x), static_cast<std::uint32_t>(y)}, n, out);
    } else if (shape_.bits == 8) {
        quantise8(r, g, b, a, n, out);
    } else if (shape_.bits == 16) {
        quantise16(r, g, b, a, n, reinterpret_cast<std::uint16_t*>(out));
    } else {
        auto* to = reinterpret_cast<float*>(out);
        for (std::size_t i = 0; i < n; ++i) {
            *to++ = r[i], *to++ = g[i], *to++ = b[i];
            if (a) *to++ = a[i];
        }
    }
}

} // namespace baryton
