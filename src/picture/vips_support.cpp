#include "picture/vips_support.h"

#include <mutex>

namespace baryton {

void initVips() {
    static std::once_flag once;
    std::call_once(once, [] {
        if (VIPS_INIT("baryton") != 0) std::terminate();
        vips_concurrency_set(1); // our own workers are the parallel ones
        vips_cache_set_max(0);   // a file changed on disk must be read anew
        g_log_set_handler(
            "VIPS", G_LOG_LEVEL_MASK, [](const char*, GLogLevelFlags, const char*, void*) {}, nullptr);
    });
}

std::string tidyVipsMessage(const std::string& message) {
    std::string line = message.substr(0, message.find('\n'));
    for (char& c : line)
        if (static_cast<unsigned char>(c) < 32) c = ' ';
    while (!line.empty() && line.back() == ' ') line.pop_back();
    // "VipsJpeg: premature end…": the name of a part of the library tells a photographer nothing.
    const auto colon = line.find(": ");
    if (colon != std::string::npos && line.find(' ') > colon) line.erase(0, colon + 2);
    return line.empty() ? "the data is damaged" : line;
}

} // namespace baryton
