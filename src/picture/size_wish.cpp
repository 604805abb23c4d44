#include "picture/size_wish.h"
#include "base/error.h"
#include "base/letters.h"
#include "base/words.h"
#include "picture/picture_file.h"

#include <algorithm>
#include <charconv>
#include <cmath>
#include <fmt/format.h>

namespace baryton {

namespace {

constexpr double kMostSide = 100000, kMostMegapixels = 400;

Error notASize(const std::string& text) {
    return {"", "", inWords("\"{}\" is no size", text),
            words("write 2400 px for the long side, 2400 x 1600 for a box, 6 MP or 50 %; nothing for its own size")};
}

/// The number that a text begins with; the text goes on behind it. Nothing where there is none above 0.
double takeNumber(std::string_view& text) {
    double number = 0;
    const auto [end, failure] =
        std::from_chars(text.data(), text.data() + text.size(), number, std::chars_format::fixed);
    if (failure != std::errc()) return 0;
    text.remove_prefix(static_cast<std::size_t>(end - text.data()));
    return std::isfinite(number) && number > 0 ? number : 0;
}

/// A whole number of pixels: "2,400" may have been meant for thousands, and is asked for again.
bool isSide(double pixels) {
    return pixels >= 1 && pixels <= kMostSide && pixels == std::round(pixels);
}

/// Without spaces, in lower case, with a point for a decimal comma and an x for a times sign.
std::string plain(const std::string& text) {
    std::string out;
    for (std::size_t i = 0; i < text.size(); ++i) {
        if (text.compare(i, 2, "×") == 0)
            out += 'x', ++i;
        else if (text.compare(i, 2, "\u00a0") == 0)
            ++i;
        else if (text.compare(i, 3, "\u202f") == 0)
            i += 2;
        else if (text[i] == ',')
            out += '.';
        else if (text[i] != ' ')
            out += text[i];
    }
    return lowerCase(out);
}

} // namespace

SizeWish sizeWishFromText(const std::string& text) {
    const std::string whole = plain(text);
    if (whole.empty()) return {};
    std::string_view rest = whole;
    SizeWish wish;
    wish.amount = takeNumber(rest);
    if (wish.amount <= 0) throw notASize(text);
    if (rest.empty() || rest == "px") {
        wish.kind = SizeWish::Kind::LongSide;
        if (!isSide(wish.amount)) throw notASize(text);
    } else if (rest == "mp") {
        wish.kind = SizeWish::Kind::Megapixels;
        if (wish.amount < 0.001 || wish.amount > kMostMegapixels) throw notASize(text);
    } else if (rest == "%") {
        wish.kind = SizeWish::Kind::Percent;
        if (wish.amount < 0.1 || wish.amount > 1000) throw notASize(text);
    } else if (rest.starts_with("x")) {
        rest.remove_prefix(1);
        const double width = wish.amount, height = takeNumber(rest);
        if (!isSide(width) || !isSide(height) || !(rest.empty() || rest == "px")) throw notASize(text);
        wish.kind = SizeWish::Kind::Box;
        wish.amount = 0, wish.width = static_cast<int>(width), wish.height = static_cast<int>(height);
    } else {
        throw notASize(text);
    }
    return wish;
}

std::string sizeWishText(const SizeWish& wish) {
    switch (wish.kind) {
    case SizeWish::Kind::LongSide:
        return fmt::format("{:.0f} px", wish.amount);
    case SizeWish::Kind::Box:
        return fmt::format("{} × {}", wish.width, wish.height);
    case SizeWish::Kind::Megapixels:
        return fmt::format("{:g} MP", wish.amount);
    case SizeWish::Kind::Percent:
        return fmt::format("{:g} %", wish.amount);
    case SizeWish::Kind::Own:
        break;
    }
    return {};
}

PictureSize outputSize(PictureSize picture, const SizeWish& wish) {
    const double width = picture.width, height = picture.height, pixels = width * height;
    double scale = 1;
    switch (wish.kind) {
    case SizeWish::Kind::Own:
        break;
    case SizeWish::Kind::LongSide:
        scale = wish.amount / std::max(width, height);
        break;
    case SizeWish::Kind::Box:
        scale = std::min(wish.width / width, wish.height / height);
        break;
    case SizeWish::Kind::Megapixels:
        scale = std::sqrt(wish.amount * 1e6 / pixels);
        break;
    case SizeWish::Kind::Percent:
        scale = wish.amount / 100;
        break;
    }
    if (scale > 1)
        scale = wish.enlarges ? std::min(scale, std::max(1.0, std::sqrt(kMostMegapixels * 1e6 / pixels))) : 1;
    if (scale == 1) return picture;
    const auto side = [&](double length) { return std::max(1, static_cast<int>(std::lround(length * scale))); };
    picture.width = side(width), picture.height = side(height);
    return picture;
}

} // namespace baryton
