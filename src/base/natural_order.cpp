#include "base/natural_order.h"

#include <glib.h>
#include <memory>

namespace baryton {

std::string naturalKey(const std::string& name) {
    if (!g_utf8_validate(name.c_str(), static_cast<gssize>(name.size()), nullptr)) return name;
    using Text = std::unique_ptr<gchar, decltype(&g_free)>;
    const Text folded(g_utf8_casefold(name.c_str(), static_cast<gssize>(name.size())), &g_free);
    const Text apart(g_utf8_normalize(folded.get(), -1, G_NORMALIZE_ALL), &g_free); // each letter, then its marks
    std::string plain;
    for (const gchar* at = apart.get(); at && *at; at = g_utf8_next_char(at))
        if (!g_unichar_ismark(g_utf8_get_char(at)))
            plain.append(at, static_cast<std::size_t>(g_utf8_next_char(at) - at));
    const Text key(g_utf8_collate_key_for_filename(plain.c_str(), -1), &g_free);
    return key.get();
}

bool naturallyBefore(const std::string& a, const std::string& b) {
    const std::string first = naturalKey(a), second = naturalKey(b);
    return first != second ? first < second : a < b;
}

} // namespace baryton
