#include "base/file.h"
#include "base/error.h"
#include "base/words.h"

#include <array>
#include <atomic>
#include <cerrno>
#include <cstdlib>
#include <cstring>
#include <fcntl.h>
#include <sys/stat.h>
#include <unistd.h>
#include <utility>

namespace baryton {

namespace fs = std::filesystem;

namespace {

std::string hintFor(int code) {
    switch (code) {
    case ENOENT:
        return words("check the name, or whether the folder was moved");
    case EACCES:
    case EPERM:
        return words("change the permissions, or choose another folder");
    case EROFS:
        return words("the disk is read-only: choose another folder");
    case ENOSPC:
    case EDQUOT:
        return words("the disk is full: free some space or choose another folder");
    case EFBIG:
        return words(
            "the file would pass the size limit set on this system: choose another folder or a smaller size");
    case EISDIR:
        return words("this is a folder: choose a file");
    default:
        return words("try again, or choose another folder");
    }
}

/// `doing` is English, so that nothing stands between the failure and its code.
Error systemError(const fs::path& file, const char* doing, int code) {
    return {file.string(), "", words(doing) + ": " + std::strerror(code), hintFor(code)};
}

/// A file descriptor that closes itself.
class Descriptor {
public:
    explicit Descriptor(int fd) : fd_(fd) {}
    Descriptor(const Descriptor&) = delete;
    Descriptor& operator=(const Descriptor&) = delete;
    ~Descriptor() {
        if (fd_ >= 0) ::close(fd_);
    }
    int get() const { return fd_; }

private:
    int fd_;
};

void writeAll(int fd, std::string_view bytes, const fs::path& file) {
    while (!bytes.empty()) {
        const ssize_t n = ::write(fd, bytes.data(), bytes.size());
        if (n < 0 && errno == EINTR) continue;
        if (n < 0) throw systemError(file, marked("cannot write"), errno);
        bytes.remove_prefix(static_cast<std::size_t>(n));
    }
}

} // namespace

std::string readFile(const fs::path& file, std::size_t limit) {
    const Descriptor fd(::open(file.c_str(), O_RDONLY | O_CLOEXEC));
    if (fd.get() < 0) throw systemError(file, marked("cannot read"), errno);
    struct stat info {};
    if (::fstat(fd.get(), &info) != 0) throw systemError(file, marked("cannot read"), errno);
    if (S_ISDIR(info.st_mode)) throw systemError(file, marked("cannot read"), EISDIR);
    const auto tooLarge = [&] {
        return Error(file.string(), "", inWords("the file is larger than {} MiB", limit >> 20),
                     words("this can't be a file of this kind"));
    };
    if (info.st_size > 0 && static_cast<std::size_t>(info.st_size) > limit) throw tooLarge();
    std::string bytes;
    bytes.reserve(static_cast<std::size_t>(info.st_size) + 1);
    std::array<char, 65536> chunk{};
    for (;;) {
        const ssize_t n = ::read(fd.get(), chunk.data(), chunk.size());
        if (n < 0 && errno == EINTR) continue;
        if (n < 0) throw systemError(file, marked("cannot read"), errno);
        if (n == 0) return bytes;
        bytes.append(chunk.data(), static_cast<std::size_t>(n));
        if (bytes.size() > limit) throw tooLarge();
    }
}

PendingFile::PendingFile(fs::path target) : target_(std::move(target)) {
    const fs::path folder = target_.has_parent_path() ? target_.parent_path() : fs::path(".");
    std::error_code failed;
    fs::create_directories(folder, failed);
    if (failed) throw systemError(folder, marked("cannot make the folder"), failed.value());
    static std::atomic<unsigned> serial{0};
    part_ = folder / ("." + target_.filename().string().substr(0, 200) + "." + std::to_string(::getpid()) + "-" +
                      std::to_string(serial++) + ".part");
    fd_ = ::open(part_.c_str(), O_WRONLY | O_CREAT | O_EXCL | O_APPEND | O_CLOEXEC, 0666);
    if (fd_ < 0) {
        const int code = errno;
        part_.clear();
        throw systemError(target_, marked("cannot write"), code);
    }
}

PendingFile::~PendingFile() {
    if (fd_ >= 0) ::close(fd_);
    if (!part_.empty()) ::unlink(part_.c_str());
}

void PendingFile::write(std::string_view bytes) {
    writeAll(fd_, bytes, target_);
}

std::optional<Error> PendingFile::whyNoFurther() {
    try {
        writeAll(fd_, std::string_view("\0", 1), target_);
    } catch (const Error& e) {
        return e;
    }
    return {};
}

void PendingFile::keep() {
    // By its name: a library may have put another file there.
    const Descriptor written(::open(part_.c_str(), O_RDONLY | O_CLOEXEC));
    if (written.get() < 0 || ::fsync(written.get()) != 0) throw systemError(target_, marked("cannot write"), errno);
    if (::close(std::exchange(fd_, -1)) != 0) throw systemError(target_, marked("cannot write"), errno);
    if (::rename(part_.c_str(), target_.c_str()) != 0) throw systemError(target_, marked("cannot write"), errno);
    const fs::path folder = target_.has_parent_path() ? target_.parent_path() : fs::path(".");
    part_.clear();
    const Descriptor folderFd(::open(folder.c_str(), O_RDONLY | O_DIRECTORY | O_CLOEXEC));
    if (folderFd.get() >= 0) ::fsync(folderFd.get()); // the name itself reaches the disk; not every file system can
}

void writeFileAtomically(const fs::path& file, std::string_view bytes) {
    PendingFile pending(file);
    pending.write(bytes);
    pending.keep();
}

std::string contentHash(std::string_view bytes) {
    std::uint64_t hash = 14695981039346656037ULL;
    for (const char c : bytes) hash = (hash ^ static_cast<std::uint8_t>(c)) * 1099511628211ULL;
    std::string hex(16, '0');
    for (int i = 15; i >= 0; --i, hash >>= 4) hex[static_cast<std::size_t>(i)] = "0123456789abcdef"[hash & 15];
    return hex;
}

std::string safeFileName(std::string_view name) {
    std::string safe;
    for (const char c : name)
        safe += (static_cast<unsigned char>(c) < 32 || c == '/' || c == '\\' || c == 127) ? '-' : c;
    while (!safe.empty() && safe.back() == ' ') safe.pop_back();
    if (!safe.empty() && safe.front() == '.') safe.front() = '-';
    std::size_t most = 120; // cut between characters, not within one
    while (most < safe.size() && most > 0 && (static_cast<unsigned char>(safe[most]) & 0xC0) == 0x80) --most;
    if (safe.size() > most) safe.resize(most);
    return safe.empty() ? "unnamed" : safe;
}

fs::path userDataFolder() {
    if (const char* data = std::getenv("XDG_DATA_HOME"); data && *data) return fs::path(data) / "baryton";
    const char* home = std::getenv("HOME");
    return fs::path(home && *home ? home : ".") / ".local/share/baryton";
}

namespace {
constexpr std::string_view kBase64 = "ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789+/";
}

std::string base64Encode(std::span<const std::uint8_t> bytes) {
    std::string text;
    text.reserve((bytes.size() + 2) / 3 * 4);
    for (std::size_t i = 0; i < bytes.size(); i += 3) {
        const std::size_t left = std::min<std::size_t>(3, bytes.size() - i);
        std::uint32_t group = 0;
        for (std::size_t k = 0; k < 3; ++k) group = group << 8 | (k < left ? bytes[i + k] : 0U);
        for (std::size_t k = 0; k < 4; ++k) text += k <= left ? kBase64[group >> (18 - 6 * k) & 63] : '=';
    }
    return text;
}

std::vector<std::uint8_t> base64Decode(std::string_view text) {
    const Error bad("", "", "the data is not base64",
                    "the file was damaged or edited by hand: take it from a backup");
    if (text.size() % 4 != 0) throw bad;
    std::size_t padding = 0;
    while (padding < 2 && padding < text.size() && text[text.size() - 1 - padding] == '=') ++padding;
    std::vector<std::uint8_t> bytes;
    bytes.reserve(text.size() / 4 * 3);
    std::uint32_t group = 0;
    for (std::size_t i = 0; i < text.size(); ++i) {
        const bool pad = i >= text.size() - padding;
        const std::size_t digit = pad ? 0 : kBase64.find(text[i]);
        if (digit == std::string_view::npos) throw bad;
        group = group << 6 | static_cast<std::uint32_t>(digit);
        if (i % 4 == 3) {
            for (int shift = 16; shift >= 0; shift -= 8) bytes.push_back(static_cast<std::uint8_t>(group >> shift));
            group = 0;
        }
    }
    bytes.resize(bytes.size() - padding);
    return bytes;
}

} // namespace baryton
