#pragma once
#include <filesystem>
#include <string>

namespace baryton {

/// What `make` gives for the first number, from 1 on, for which that is not taken. Where a name needs no number as
/// long as it is the only one, `make` leaves out the 1.
template <class Make, class IsTaken>
auto firstFree(const Make& make, const IsTaken& isTaken) {
    for (int n = 1;; ++n)
        if (auto made = make(n); !isTaken(made)) return made;
}

/// The file, or the first one with a number from 2 on behind its stem that is not taken.
template <class IsTaken>
std::filesystem::path freeFile(const std::filesystem::path& file, const IsTaken& isTaken,
                               const std::string& separator = " ") {
    return firstFree(
        [&](int n) {
            if (n == 1) return file;
            std::filesystem::path numbered = file.parent_path() / file.stem();
            numbered += separator + std::to_string(n);
            return numbered += file.extension();
        },
        isTaken);
}

} // namespace baryton
