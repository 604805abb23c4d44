#include "base/utf8.h"

#include <glib.h>

namespace baryton {

std::string asUtf8(const std::string& text) {
    std::string utf8;
    const char *at = text.data(), *const end = at + text.size();
    while (at != end) {
        const char* bad = nullptr;
        g_utf8_validate_len(at, static_cast<std::size_t>(end - at), &bad);
        utf8.append(at, bad);
        at = bad;
        if (at == end) break;
        const auto byte = static_cast<unsigned char>(*at++);
        if (byte < 0x80) // a NUL
            utf8 += static_cast<char>(byte);
        else
            utf8 += {static_cast<char>(0xC0 | byte >> 6), static_cast<char>(0x80 | (byte & 0x3F))};
    }
    return utf8;
}

std::string printable(const std::string& text) {
    std::string plain;
    for (std::size_t i = 0; i < text.size(); ++i) {
        const auto byte = static_cast<unsigned char>(text[i]);
        const auto next = i + 1 < text.size() ? static_cast<unsigned char>(text[i + 1]) : 0;
        const bool isUpper = byte == 0xC2 && next >= 0x80 && next < 0xA0; // C1, in UTF-8
        if (isUpper) ++i;
        plain += isUpper || (byte < 32 && byte != '\n' && byte != '\t') || byte == 127 ? '?' : text[i];
    }
    return plain;
}

} // namespace baryton
