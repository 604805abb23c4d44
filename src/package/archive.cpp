#include "package/archive.h"
#include "base/error.h"
#include "base/letters.h"
#include "base/words.h"

#include <algorithm>
#include <archive.h>
#include <archive_entry.h>
#include <locale.h>
#include <memory>
#include <set>

namespace baryton {

namespace {

using Reader = std::unique_ptr<archive, decltype(&archive_read_free)>;
using Writer = std::unique_ptr<archive, decltype(&archive_write_free)>;
using Entry = std::unique_ptr<archive_entry, decltype(&archive_entry_free)>;

std::string hintForHostile() {
    return words("nothing was taken from it; ask whoever made it for another archive");
}

/// The archive library writes and reads names by the locale: this thread has one of UTF-8 while it does, whatever the
/// program was started in.
class Utf8Names {
public:
    Utf8Names() : own_(newlocale(LC_CTYPE_MASK, "C.UTF-8", nullptr)), before_(own_ ? uselocale(own_) : nullptr) {}
    Utf8Names(const Utf8Names&) = delete;
    Utf8Names& operator=(const Utf8Names&) = delete;
    ~Utf8Names() {
        if (!own_) return;
        uselocale(before_);
        freelocale(own_);
    }

private:
    locale_t own_, before_;
};

void requireSafe(const std::string& path) {
    const bool control = std::any_of(path.begin(), path.end(),
                                     [](char c) { return static_cast<unsigned char>(c) < 0x20 || c == 0x7f; });
    // "C:/…": elsewhere in a name a colon is a letter like others.
    bool escapes = path.empty() || path[0] == '/' || (path.size() > 1 && path[1] == ':');
    for (std::size_t from = 0; from <= path.size();) {
        const std::size_t to = std::min(path.find('/', from), path.size());
        escapes = escapes || path.substr(from, to - from) == "..";
        from = to + 1;
    }
    if (control) throw Error("", "", words("a name in the archive holds control characters"), hintForHostile());
    if (escapes) throw Error("", path, words("the archive tries to write outside its own folder"), hintForHostile());
}

std::string pathOf(archive_entry* entry) {
    const char* name = archive_entry_pathname_utf8(entry);
    if (!name) name = archive_entry_pathname(entry);
    std::string path = name ? name : "";
    std::replace(path.begin(), path.end(), '\\', '/');
    while (path.starts_with("./")) path.erase(0, 2);
    return path;
}

} // namespace

std::vector<ArchiveFile> readZip(std::string_view bytes, const ArchiveLimits& limits) {
    const Utf8Names names;
    const Reader reader(archive_read_new(), archive_read_free);
    archive_read_support_format_zip(reader.get());
    const auto broken = [&](const std::string& place) -> Error {
        const char* why = archive_error_string(reader.get());
        return {"", place,
                why ? inWords("the archive is damaged or no zip: {}", why)
                    : words("the archive is damaged or no zip"),
                words("download it again, or ask for a plain zip")};
    };
    if (archive_read_open_memory(reader.get(), bytes.data(), bytes.size()) != ARCHIVE_OK) throw broken("");
    std::vector<ArchiveFile> files;
    std::set<std::string> seen;
    std::size_t entries = 0, total = 0;
    archive_entry* entry = nullptr;
    for (;;) {
        const int next = archive_read_next_header(reader.get(), &entry);
        if (next == ARCHIVE_EOF) break;
        if (next < ARCHIVE_WARN) throw broken("");
        if (++entries > limits.entries)
            throw Error("", "", inWords("the archive has more than {} entries", limits.entries), hintForHostile());
        const std::string path = pathOf(entry);
        requireSafe(path);
        if (archive_entry_is_encrypted(entry))
            throw Error("", path, words("the archive is locked with a password"),
                        words("unpack it and import the folder"));
        const auto type = archive_entry_filetype(entry);
        if (type == AE_IFDIR || path.ends_with('/')) continue;
        if (type != AE_IFREG || archive_entry_symlink(entry) || archive_entry_hardlink(entry))
            throw Error("", path, words("the archive holds a link or a device"), hintForHostile());
        if (!seen.insert(lowerCase(path)).second)
            throw Error("", path, words("the archive holds the same name twice"), hintForHostile());
        ArchiveFile file{path, {}};
        char block[65536];
        for (;;) {
            const la_ssize_t got = archive_read_data(reader.get(), block, sizeof block);
            if (got < 0) throw broken(path);
            if (got == 0) break;
            file.bytes.append(block, static_cast<std::size_t>(got));
            total += static_cast<std::size_t>(got);
            if (file.bytes.size() > limits.fileBytes || total > limits.allBytes)
                throw Error("", path, words("the archive unpacks to more than a set of presets can hold"),
                            hintForHostile());
        }
        files.push_back(std::move(file));
    }
    // An empty zip has no entries but its own end mark; other bytes without entries are none.
    if (entries == 0 && !bytes.starts_with("PK")) throw broken("");
    return files;
}

std::string writeZip(const std::vector<ArchiveFile>& files) {
    const Utf8Names names;
    std::string out;
    const Writer writer(archive_write_new(), archive_write_free);
    archive_write_set_format_zip(writer.get());
    archive_write_set_bytes_per_block(writer.get(), 0);
    const auto append = [](archive*, void* to, const void* data, std::size_t size) -> la_ssize_t {
        static_cast<std::string*>(to)->append(static_cast<const char*>(data), size);
        return static_cast<la_ssize_t>(size);
    };
    const auto check = [&](int result) {
        if (result < ARCHIVE_WARN)
            throw Error("", "", inWords("cannot write the archive: {}", archive_error_string(writer.get())),
                        words("try again with fewer files"));
    };
    check(archive_write_open(writer.get(), &out, nullptr, append, nullptr));
    for (const ArchiveFile& file : files) {
        const Entry entry(archive_entry_new(), archive_entry_free);
        archive_entry_set_pathname(entry.get(), file.path.c_str());
        archive_entry_set_filetype(entry.get(), AE_IFREG);
        archive_entry_set_perm(entry.get(), 0644);
        archive_entry_set_mtime(entry.get(), 315532800 + 86400, 0); // zip knows no time before 1980
        archive_entry_set_size(entry.get(), static_cast<la_int64_t>(file.bytes.size()));
        check(archive_write_header(writer.get(), entry.get()));
        if (!file.bytes.empty() && archive_write_data(writer.get(), file.bytes.data(), file.bytes.size()) < 0)
            check(ARCHIVE_FATAL);
    }
    check(archive_write_close(writer.get()));
    return out;
}

} // namespace baryton
