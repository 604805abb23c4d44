#pragma once
#include "picture/picture.h"

#include <string>
#include <string_view>

namespace baryton {

/// A line of text as a picture with alpha, `height` pixels from one line to the next, in the typeface that comes with
/// the program, so that every machine draws the same: white, with a thin soft dark seam that keeps it readable on
/// light ground. Throws Error for letters that the typeface has not.
Picture textRaster(const std::string& text, int height);

/// The bytes of that typeface (OpenType).
std::string_view typeface();

} // namespace baryton
