#include "batch/contact_sheet.h"
#include "base/error.h"
#include "base/file.h"
#include "base/letters.h"
#include "base/parallel.h"
#include "base/version.h"
#include "base/words.h"
#include "picture/carried_picture.h"
#include "picture/metadata.h"
#include "picture/picture_file.h"
#include "picture/quantise.h"
#include "picture/text_raster.h"

#include <algorithm>
#include <cairo-ft.h>
#include <cairo-pdf.h>
#include <cmath>
#include <memory>
#include <set>

namespace baryton {

namespace fs = std::filesystem;

namespace {

/// All measures are those of a page 842 wide: points of A4.
constexpr double kPageWidth = 842, kPageHeight = 595, kMargin = 32, kTitle = 15, kGap = 12;
constexpr double kCaption = 8.5, kCaptionLine = 11.5, kRatio = 2.0 / 3; ///< of a picture's field, height to width
constexpr double kPngScale = 2400 / kPageWidth;
constexpr int kMostPngHeight = 30000; ///< pixels
constexpr int kThumbnailSide = 720;

template <class T, auto close>
using Held = std::unique_ptr<T, decltype([](T* each) { close(each); })>;
using Surface = Held<cairo_surface_t, cairo_surface_destroy>;
using Context = Held<cairo_t, cairo_destroy>;
using Face = Held<cairo_font_face_t, cairo_font_face_destroy>;

/// The typeface that comes with the program, for cairo.
class Letters {
public:
    Letters() {
        FT_Init_FreeType(&library_);
        const std::string_view bytes = typeface();
        FT_New_Memory_Face(library_, reinterpret_cast<const FT_Byte*>(bytes.data()),
                           static_cast<FT_Long>(bytes.size()), 0, &face_);
        font_.reset(cairo_ft_font_face_create_for_ft_face(face_, FT_LOAD_NO_HINTING));
    }
    ~Letters() {
        font_.reset();
        FT_Done_Face(face_);
        FT_Done_FreeType(library_);
    }
    Letters(const Letters&) = delete;
    Letters& operator=(const Letters&) = delete;
    cairo_font_face_t* font() const { return font_.get(); }

private:
    FT_Library library_ = nullptr;
    FT_Face face_ = nullptr;
    Face font_;
};

struct SheetLayout {
    int across, rows; ///< of a page; of a PNG all of them
    double field, fieldHeight, height;
};

SheetLayout layoutFor(std::size_t count, int across, bool isPng) {
    SheetLayout layout{};
    layout.across = std::clamp(across > 0 ? across : 4, 1, 12);
    layout.field = (kPageWidth - 2 * kMargin - (layout.across - 1) * kGap) / layout.across;
    layout.fieldHeight = layout.field * kRatio;
    const double row = layout.fieldHeight + 2 * kCaptionLine + kGap, head = kMargin + 2 * kTitle;
    const auto all = (static_cast<int>(count) + layout.across - 1) / layout.across;
    layout.rows = isPng ? all : std::max(1, static_cast<int>((kPageHeight - head - kMargin / 2) / row));
    layout.height = isPng ? head + all * row + kMargin / 2 : kPageHeight;
    return layout;
}

/// Cut with dots to what a width takes.
std::string fitted(cairo_t* cr, const std::string& text, double width) {
    cairo_text_extents_t extents;
    cairo_text_extents(cr, text.c_str(), &extents);
    if (extents.x_advance <= width) return text;
    std::string cut = text;
    while (!cut.empty()) {
        do cut.pop_back();
        while (!cut.empty() && (static_cast<unsigned char>(cut.back()) & 0xC0U) == 0x80U);
        if (!cut.empty() && (static_cast<unsigned char>(cut.back()) & 0xC0U) == 0xC0U) cut.pop_back();
        cairo_text_extents(cr, (cut + "…").c_str(), &extents);
        if (extents.x_advance <= width) return cut + "…";
    }
    return {};
}

/// A picture as cairo takes it, with its encoded bytes beside it, which go into a PDF as they are.
Surface surfaceOf(const Picture& picture) {
    Surface surface(cairo_image_surface_create(CAIRO_FORMAT_RGB24, picture.width(), picture.height()));
    if (cairo_surface_status(surface.get()) != CAIRO_STATUS_SUCCESS) throw std::bad_alloc();
    unsigned char* to = cairo_image_surface_get_data(surface.get());
    const int stride = cairo_image_surface_get_stride(surface.get());
    std::vector<std::uint8_t> row(3 * static_cast<std::size_t>(picture.width()));
    for (int y = 0; y < picture.height(); ++y) {
        quantise8(picture.row(0, y), picture.row(1, y), picture.row(2, y), nullptr,
                  static_cast<std::size_t>(picture.width()), row.data());
        auto* pixels = reinterpret_cast<std::uint32_t*>(to + static_cast<std::ptrdiff_t>(stride) * y);
        for (std::size_t x = 0; x < static_cast<std::size_t>(picture.width()); ++x)
            pixels[x] = std::uint32_t(row[3 * x]) << 16 | std::uint32_t(row[3 * x + 1]) << 8 | row[3 * x + 2];
    }
    cairo_surface_mark_dirty(surface.get());
    const std::string jpeg = encodeCarried(picture);
    auto* bytes = new std::string(jpeg);
    if (cairo_surface_set_mime_data(
            surface.get(), CAIRO_MIME_TYPE_JPEG, reinterpret_cast<const unsigned char*>(bytes->data()),
            static_cast<unsigned long>(bytes->size()), [](void* each) { delete static_cast<std::string*>(each); },
            bytes) != CAIRO_STATUS_SUCCESS)
        delete bytes;
    return surface;
}

/// Without its alpha: laid over white, as paper is.
Picture onWhite(const Picture& picture) {
    Picture out(picture.width(), picture.height());
    for (int y = 0; y < picture.height(); ++y)
        for (int plane = 0; plane < 3; ++plane)
            for (int x = 0; x < picture.width(); ++x) {
                const float alpha = picture.hasAlpha() ? picture.row(3, y)[x] : 1;
                out.row(plane, y)[x] = picture.row(plane, y)[x] * alpha + 1 - alpha;
            }
    return out;
}

void drawCell(cairo_t* cr, const SheetCell& cell, const Picture& picture, double x, double y,
              const SheetLayout& layout) {
    if (picture.isEmpty()) {
        cairo_set_source_rgb(cr, 0.88, 0.88, 0.88);
        cairo_rectangle(cr, x, y, layout.field, layout.fieldHeight);
        cairo_fill(cr);
    } else {
        const double scale = std::min(layout.field / picture.width(), layout.fieldHeight / picture.height());
        const Surface surface = surfaceOf(picture);
        cairo_save(cr);
        cairo_translate(cr, x + (layout.field - scale * picture.width()) / 2,
                        y + layout.fieldHeight - scale * picture.height());
        cairo_scale(cr, scale, scale);
        cairo_set_source_surface(cr, surface.get(), 0, 0);
        cairo_pattern_set_filter(cairo_get_source(cr), CAIRO_FILTER_GOOD);
        cairo_paint(cr);
        cairo_restore(cr);
    }
    cairo_set_font_size(cr, kCaption);
    const double line = y + layout.fieldHeight + kCaptionLine;
    cairo_set_source_rgb(cr, 0.1, 0.1, 0.1);
    cairo_move_to(cr, x, line);
    cairo_show_text(cr, fitted(cr, cell.name, layout.field).c_str());
    cairo_set_source_rgb(cr, 0.45, 0.45, 0.45);
    cairo_move_to(cr, x, line + kCaptionLine);
    cairo_show_text(cr, fitted(cr, cell.look, layout.field).c_str());
}

void drawPage(cairo_t* cr, const std::string& title, const std::vector<SheetCell>& cells, std::size_t first,
              std::size_t last, const SheetLayout& layout, double pixels, const Task* task) {
    cairo_set_source_rgb(cr, 1, 1, 1);
    cairo_paint(cr);
    cairo_set_source_rgb(cr, 0.1, 0.1, 0.1);
    cairo_set_font_size(cr, kTitle);
    cairo_move_to(cr, kMargin, kMargin + kTitle * 0.7);
    cairo_show_text(cr, fitted(cr, title, kPageWidth - 2 * kMargin).c_str());
    // Pictures are read several at a time, a few rows of them ahead of what is drawn.
    const int side = std::min(kThumbnailSide, static_cast<int>(std::ceil(layout.field * pixels)));
    constexpr std::size_t together = 24;
    for (std::size_t from = first; from < last; from += together) {
        const auto count = static_cast<int>(std::min(together, last - from));
        std::vector<Picture> pictures(static_cast<std::size_t>(count));
        inPieces(count, 1, 0, [&](int begin, int end) {
            for (int i = begin; i < end; ++i) {
                if (task && task->isCancelled()) return;
                try {
                    const auto at = static_cast<std::size_t>(i);
                    pictures[at] = onWhite(readThumbnail(cells[from + at].file, side));
                } catch (const Error&) { // a grey field
                }
            }
        });
        if (task) {
            task->throwIfCancelled();
            task->report(double(from + static_cast<std::size_t>(count)) / static_cast<double>(cells.size()));
        }
        for (int i = 0; i < count; ++i) {
            const std::size_t at = from + static_cast<std::size_t>(i);
            const auto column = static_cast<int>((at - first) % static_cast<std::size_t>(layout.across));
            const auto row = static_cast<int>((at - first) / static_cast<std::size_t>(layout.across));
            drawCell(cr, cells[at], pictures[static_cast<std::size_t>(i)], kMargin + column * (layout.field + kGap),
                     kMargin + 2 * kTitle + row * (layout.fieldHeight + 2 * kCaptionLine + kGap), layout);
        }
    }
}

std::string creator() {
    return std::string(kProgram) + " " + kVersion;
}

QuantisedPicture quantisedOf(cairo_surface_t* surface) {
    cairo_surface_flush(surface);
    QuantisedPicture picture(cairo_image_surface_get_width(surface), cairo_image_surface_get_height(surface), 3, 8);
    const unsigned char* from = cairo_image_surface_get_data(surface);
    std::uint8_t* to = picture.bytes.data();
    for (int y = 0; y < picture.height; ++y) {
        const auto* pixels = reinterpret_cast<const std::uint32_t*>(
            from + static_cast<std::ptrdiff_t>(cairo_image_surface_get_stride(surface)) * y);
        for (int x = 0; x < picture.width; ++x)
            for (const int shift : {16, 8, 0}) *to++ = static_cast<std::uint8_t>(pixels[x] >> shift);
    }
    return picture;
}

cairo_status_t appendTo(void* pending, const unsigned char* bytes, unsigned count) {
    try {
        static_cast<PendingFile*>(pending)->write({reinterpret_cast<const char*>(bytes), count});
        return CAIRO_STATUS_SUCCESS;
    } catch (const Error&) {
        return CAIRO_STATUS_WRITE_ERROR;
    }
}

void requireWritten(cairo_status_t status, const fs::path& file) {
    if (status == CAIRO_STATUS_SUCCESS) return;
    throw Error(file.string(), "", inWords("cannot write: {}", cairo_status_to_string(status)),
                words("make room on the disk, or choose another folder"));
}

} // namespace

bool isContactSheet(const fs::path& file) {
    if (isOwnWork(file)) return true; // as a picture
    try {
        constexpr std::size_t most = std::size_t(1) << 30;
        const std::string text = readFile(file, most);
        return text.starts_with("%PDF") && text.find("/Creator (" + std::string(kProgram) + " ") != std::string::npos;
    } catch (const Error&) {
        return false;
    }
}

std::vector<SheetCell> sheetCells(const BatchPlan& plan, const std::vector<BatchJob>& jobs) {
    std::vector<SheetCell> cells;
    std::set<std::pair<std::size_t, std::size_t>> shown;
    for (const BatchJob& job : jobs) {
        if (job.state != JobState::Done && job.state != JobState::Skipped) continue;
        if (!shown.insert({job.picture, job.look}).second) continue;
        cells.push_back({job.file, plan.pictures[job.picture].filename().string(), plan.looks[job.look].name});
    }
    return cells;
}

int sheetColumns(const BatchPlan& plan) {
    constexpr int least = 2, most = 6;
    const auto looks = static_cast<int>(plan.looks.size());
    return looks >= least && looks <= most ? (looks == 2 ? 4 : looks) : 4;
}

void writeContactSheet(const fs::path& file, const std::string& title, const std::vector<SheetCell>& cells,
                       int across, const Task* task) {
    const std::string extension = lowerCase(file.extension().string());
    if (extension != ".pdf" && extension != ".png")
        throw Error(file.string(), "", words("the name ends neither in .pdf nor in .png"), words("add one of them"));
    if (cells.empty())
        throw Error(file.string(), "", words("there is no picture to put on the sheet"),
                    words("run the batch first"));
    const bool isPng = extension == ".png";
    const SheetLayout layout = layoutFor(cells.size(), across, isPng);
    const Letters letters;
    const auto startDrawing = [&](cairo_surface_t* surface) {
        Context context(cairo_create(surface));
        cairo_set_font_face(context.get(), letters.font());
        return context;
    };
    if (isPng) {
        const double height = std::ceil(layout.height * kPngScale);
        if (height > kMostPngHeight)
            throw Error(file.string(), "", words("so many pictures are more than one PNG holds"),
                        words("name the sheet .pdf, or put more of them in a row"));
        const Surface surface(cairo_image_surface_create(
            CAIRO_FORMAT_RGB24, static_cast<int>(std::lround(kPageWidth * kPngScale)), static_cast<int>(height)));
        if (cairo_surface_status(surface.get()) != CAIRO_STATUS_SUCCESS) throw std::bad_alloc();
        {
            const Context context = startDrawing(surface.get());
            cairo_scale(context.get(), kPngScale, kPngScale);
            drawPage(context.get(), title, cells, 0, cells.size(), layout, kPngScale, task);
        }
        writePicture(file, quantisedOf(surface.get()), {}, {FileFormat::Png});
    } else {
        PendingFile pending(file);
        const Surface surface(cairo_pdf_surface_create_for_stream(appendTo, &pending, kPageWidth, kPageHeight));
        cairo_pdf_surface_set_metadata(surface.get(), CAIRO_PDF_METADATA_TITLE, title.c_str());
        cairo_pdf_surface_set_metadata(surface.get(), CAIRO_PDF_METADATA_CREATOR, creator().c_str());
        {
            const Context context = startDrawing(surface.get());
            const auto onPage = static_cast<std::size_t>(layout.across * layout.rows);
            constexpr double printed = 300.0 / 72; // pixels for a point
            for (std::size_t first = 0; first < cells.size(); first += onPage) {
                drawPage(context.get(), title, cells, first, std::min(cells.size(), first + onPage), layout, printed,
                         task);
                cairo_show_page(context.get());
            }
        }
        cairo_surface_finish(surface.get());
        requireWritten(cairo_surface_status(surface.get()), file);
        pending.keep();
    }
}

} // namespace baryton
