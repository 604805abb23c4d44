#pragma once
#include <string>

namespace baryton {

struct PictureSize;

/// How large files are to be. A picture keeps its shape and is never enlarged but where that is asked for.
struct SizeWish {
    enum class Kind { Own, LongSide, Box, Megapixels, Percent } kind = Kind::Own;
    double amount = 0;         ///< pixels of the long side, megapixels, per cent of each side
    int width = 0, height = 0; ///< of the box that the picture fits into
    bool enlarges = false;

    bool operator==(const SizeWish&) const = default;
};

/// One field, read by what stands in it: "" (its own size), "2400" or "2400 px" (the long side), "2400 × 1600" or
/// "2400x1600" (a box), "6 MP", "50 %". Throws Error for anything else, and for sizes past 1…100 000 pixels,
/// 0.001…400 megapixels or 0.1…1000 %.
SizeWish sizeWishFromText(const std::string& text);
/// As it is read again; of its own size "".
std::string sizeWishText(const SizeWish& wish);

/// The size of a file made of a picture of this size; each side at least 1, and no more than 400 megapixels.
PictureSize outputSize(PictureSize picture, const SizeWish& wish);

} // namespace baryton
