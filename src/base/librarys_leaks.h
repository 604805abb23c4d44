#pragma once

#if defined(__SANITIZE_ADDRESS__)
#include <sanitizer/lsan_interface.h>
#endif

namespace baryton {

/// While it lives, the leak check of the address sanitizer looks away: for calls of libraries that keep a little
/// memory for good. Of calls that give nothing back to be freed.
class LibrarysLeaks {
public:
#if defined(__SANITIZE_ADDRESS__)
    LibrarysLeaks() {
        __lsan_disable();
    }
    ~LibrarysLeaks() {
        __lsan_enable();
    }
#else
    LibrarysLeaks() {} // not defaulted: what does something elsewhere is never taken for unused
    ~LibrarysLeaks() {}
#endif
    LibrarysLeaks(const LibrarysLeaks&) = delete;
    LibrarysLeaks& operator=(const LibrarysLeaks&) = delete;
};

} // namespace baryton
