#include "picture/memory_limit.h"
#include "base/error.h"
#include "base/words.h"

#include <atomic>
#include <fmt/format.h>
#include <fstream>
#include <unistd.h>

namespace baryton {

namespace {

std::atomic<std::size_t> chosen{0};

std::size_t ofMachine() {
    static const std::size_t bytes = [] {
        double most = static_cast<double>(sysconf(_SC_PHYS_PAGES)) * static_cast<double>(sysconf(_SC_PAGE_SIZE));
        // A container tells its share here; "max" for no limit is no number.
        for (const char* file : {"/sys/fs/cgroup/memory.max", "/sys/fs/cgroup/memory/memory.limit_in_bytes"}) {
            double limit = 0;
            if (std::ifstream(file) >> limit && limit > 0) most = std::min(most, limit);
        }
        return static_cast<std::size_t>(most * 0.75);
    }();
    return bytes;
}

std::string gigabytes(double bytes) {
    return fmt::format("{:.1f} GB", bytes / 1e9);
}

} // namespace

std::size_t memoryLimit() {
    const std::size_t set = chosen;
    return set > 0 ? set : ofMachine();
}

void setMemoryLimit(std::size_t bytes) {
    chosen = bytes;
}

void requireMemory(double bytes) {
    if (bytes <= static_cast<double>(memoryLimit())) return;
    throw Error("", "",
                inWords("this picture would take {} of memory, and {} may be used", gigabytes(bytes),
                        gigabytes(static_cast<double>(memoryLimit()))),
                words("scale it down, save it without interlacing and upright, or raise the limit"));
}

} // namespace baryton
