#pragma once
#include "base/error.h"
#include "base/words.h"
#include "picture/vips_support.h"

#include <filesystem>
#include <new>
#include <string>
#include <vector>

namespace baryton {

/// Checks what can be told before decoding, and opens the file with one of our five loaders only, chosen by what it
/// holds. Of a TIFF with several pictures it is the largest; what is not taken goes into `remarks`. Takes the
/// options.
vips::VImage openImage(const std::filesystem::path& file, vips::VOption* options = nullptr,
                       std::vector<std::string>* remarks = nullptr);
/// By its first bytes.
bool isAvif(const std::filesystem::path& file);
/// Throws Error for more than 400 megapixels.
void checkSize(const vips::VImage& image, const std::filesystem::path& file);
/// What decoding keeps in memory, in bytes, because the format can't be read row by row; 0 where it can.
double bytesToDecode(const vips::VImage& image);

/// True for what the library says where it was given no memory or no thread: the file is not at fault.
bool isAboutMemory(const std::string& message);
Error noMemory(const std::filesystem::path& file);

/// Runs a reading function and tells any failure of the library as an error of ours about that file.
template <class Read>
auto tellingOf(const std::filesystem::path& file, Read read) {
    try {
        return read();
    } catch (const vips::VError& e) {
        const std::string message = tidyVipsMessage(e.what());
        vips_error_clear();
        if (isAboutMemory(message)) throw noMemory(file);
        throw Error(file.string(), "", inWords("cannot decode: {}", message),
                    words("the file is damaged or ends early: copy it again from the camera or a backup"));
    } catch (const Error& e) {
        if (!e.file().empty()) throw;
        throw e.inFile(file.string());
    } catch (const std::bad_alloc&) {
        throw noMemory(file);
    }
}

} // namespace baryton
