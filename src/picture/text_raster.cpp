#include "picture/text_raster.h"
#include "base/error.h"
#include "base/words.h"
#include "picture/blur.h"

#include <algorithm>
#include <cmath>
#include <ft2build.h>
#include FT_FREETYPE_H
#include FT_OUTLINE_H
#include <hb-ft.h>
#include <hb.h>
#include <memory>
#include <type_traits>

// The typeface, as it lies among the program's files.
asm(".section .rodata\n"
    ".global baryton_mark_font\n"
    ".global baryton_mark_font_end\n"
    "baryton_mark_font:\n"
    ".incbin \"" BARYTON_MARK_FONT "\"\n"
    "baryton_mark_font_end:\n"
    ".byte 0\n"
    ".previous\n");
extern "C" {
extern const unsigned char baryton_mark_font[], baryton_mark_font_end[];
}

namespace baryton {

namespace {

template <class T, auto close>
using Held = std::unique_ptr<std::remove_pointer_t<T>, decltype([](T each) { close(each); })>;

Error cannotDraw(const std::string& text) {
    return {"", "", inWords("the mark \"{}\" has letters that the typeface has not", text),
            words("write other letters, or take a picture for a mark")};
}

constexpr double kUnits = 64; ///< of both libraries, in a pixel

/// Shaped by HarfBuzz, so that letters stand as the typeface wants them to, and drawn by FreeType without fitting
/// them to pixels, which differs between versions. The ink, 0…1, is in the first plane.
Picture drawn(const std::string& text, double size, int lineHeight, int margin) {
    FT_Library library = nullptr;
    FT_Face face = nullptr;
    if (FT_Init_FreeType(&library) != 0) throw std::bad_alloc();
    const Held<FT_Library, FT_Done_FreeType> heldLibrary(library);
    if (FT_New_Memory_Face(library, baryton_mark_font, baryton_mark_font_end - baryton_mark_font, 0, &face) != 0)
        throw std::bad_alloc();
    const Held<FT_Face, FT_Done_Face> heldFace(face);
    FT_Set_Char_Size(face, 0, static_cast<FT_F26Dot6>(std::lround(size * kUnits)), 0, 0);
    const Held<hb_font_t*, hb_font_destroy> font(hb_ft_font_create_referenced(face));
    hb_ft_font_set_load_flags(font.get(), FT_LOAD_NO_HINTING);
    const Held<hb_buffer_t*, hb_buffer_destroy> buffer(hb_buffer_create());
    hb_buffer_add_utf8(buffer.get(), text.data(), static_cast<int>(text.size()), 0, -1);
    hb_buffer_guess_segment_properties(buffer.get());
    hb_shape(font.get(), buffer.get(), nullptr, 0);
    unsigned count = 0;
    const hb_glyph_info_t* glyphs = hb_buffer_get_glyph_infos(buffer.get(), &count);
    const hb_glyph_position_t* places = hb_buffer_get_glyph_positions(buffer.get(), &count);
    double length = 0;
    for (unsigned i = 0; i < count; ++i) {
        if (glyphs[i].codepoint == 0) throw cannotDraw(text);
        length += places[i].x_advance / kUnits;
    }
    Picture ink(static_cast<int>(std::ceil(length)) + 2 * margin, lineHeight + 2 * margin);
    const double baseline = margin + lineHeight * 0.78; // of the typeface: what is below it takes a fifth
    double pen = margin;
    for (unsigned i = 0; i < count; ++i) {
        if (FT_Load_Glyph(face, glyphs[i].codepoint, FT_LOAD_NO_HINTING | FT_LOAD_NO_BITMAP) != 0)
            throw cannotDraw(text);
        const double x = pen + places[i].x_offset / kUnits, whole = std::floor(x);
        FT_Outline_Translate(&face->glyph->outline, std::lround((x - whole) * kUnits), places[i].y_offset);
        if (FT_Render_Glyph(face->glyph, FT_RENDER_MODE_NORMAL) != 0) throw cannotDraw(text);
        const FT_Bitmap& bitmap = face->glyph->bitmap;
        const int left = static_cast<int>(whole) + face->glyph->bitmap_left;
        const int top = static_cast<int>(std::lround(baseline)) - face->glyph->bitmap_top;
        for (int row = 0; row < static_cast<int>(bitmap.rows); ++row)
            for (int column = 0; column < static_cast<int>(bitmap.width); ++column) {
                const int atX = left + column, atY = top + row;
                if (atX < 0 || atY < 0 || atX >= ink.width() || atY >= ink.height()) continue;
                const float more = static_cast<float>(bitmap.buffer[row * bitmap.pitch + column]) / 255;
                float& cover = ink.row(0, atY)[atX];
                cover = std::min(1.0F, cover + more);
            }
        pen += places[i].x_advance / kUnits;
    }
    return ink;
}

} // namespace

std::string_view typeface() {
    return {reinterpret_cast<const char*>(baryton_mark_font),
            static_cast<std::size_t>(baryton_mark_font_end - baryton_mark_font)};
}

Picture textRaster(const std::string& text, int height) {
    constexpr double lineHeights = 1.21; // of the typeface, for one of its size
    constexpr std::size_t most = 400;    // bytes: a line, not a page
    if (text.size() > most)
        throw Error("", "", words("the mark is too long for a line"), words("write no more than 400 letters"));
    const double seam = std::max(0.6, height * 0.04);
    const int margin = static_cast<int>(std::ceil(3 * seam));
    const Picture ink = drawn(text, height / lineHeights, height, margin), shade = blurred(ink, seam);
    Picture picture(ink.width(), ink.height(), true);
    constexpr float mostShade = 0.55F;
    for (int y = 0; y < ink.height(); ++y)
        for (int x = 0; x < ink.width(); ++x) {
            const float white = ink.row(0, y)[x], dark = mostShade * std::min(1.0F, 2 * shade.row(0, y)[x]);
            const float alpha = white + (1 - white) * dark;
            for (int plane = 0; plane < 3; ++plane) picture.row(plane, y)[x] = alpha > 0 ? white / alpha : 0;
            picture.row(3, y)[x] = alpha;
        }
    return picture;
}

} // namespace baryton
