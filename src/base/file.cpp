#include "base/file.h"
#include "base/error.h"
#include "base/first_free.h"
#include "base/words.h"

#include <algorithm>
#include <array>
#include <cerrno>
#include <charconv>
#include <chrono>
#include <csignal>
#include <cstdio>
#include <cstdlib>
#include <cstring>
#include <fcntl.h>
#include <fmt/format.h>
#include <fstream>
#include <mutex>
#include <set>
#include <sys/file.h>
#include <sys/random.h>
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

namespace {

/// Never waits: neither for somebody who writes into a pipe, nor for a device.
int openForReading(const fs::path& file, struct stat& info) {
    const int fd = ::open(file.c_str(), O_RDONLY | O_NONBLOCK | O_CLOEXEC);
    if (fd < 0) throw systemError(file, marked("cannot read"), errno);
    const int code = ::fstat(fd, &info) != 0 ? errno : S_ISDIR(info.st_mode) ? EISDIR : 0;
    if (code == 0 && S_ISREG(info.st_mode)) return fd;
    ::close(fd);
    if (code != 0) throw systemError(file, marked("cannot read"), code);
    throw Error(file.string(), "", words("this is no ordinary file, but a pipe or a device"),
                words("copy what it gives into a file first"));
}

} // namespace

namespace {

std::string sizeInWords(std::size_t bytes) {
    constexpr std::size_t mebi = std::size_t(1) << 20;
    if (bytes < 1024) return fmt::format("{} bytes", bytes);
    return bytes < mebi ? fmt::format("{} KiB", bytes >> 10) : fmt::format("{} MiB", bytes >> 20);
}

} // namespace

void requireReadable(const fs::path& file) {
    struct stat info {};
    const Descriptor fd(openForReading(file, info));
}

std::string readFile(const fs::path& file, std::size_t limit) {
    struct stat info {};
    const Descriptor fd(openForReading(file, info));
    const auto tooLarge = [&] {
        return Error(file.string(), "", inWords("the file is larger than {}", sizeInWords(limit)),
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

namespace {

constexpr std::string_view kPartMark = ".baryton-", kPartEnd = ".part";

/// Sixteen hex digits that no other file has, whatever numbers processes get.
std::string nonce() {
    std::uint64_t bits = 0;
    if (::getrandom(&bits, sizeof bits, 0) != sizeof bits)
        bits = static_cast<std::uint64_t>(std::chrono::steady_clock::now().time_since_epoch().count()) ^
               static_cast<std::uint64_t>(::getpid()) << 40;
    return contentHash({reinterpret_cast<const char*>(&bits), sizeof bits});
}

/// Takes away what runs that are no more have left in a folder: "….baryton-PID-….part" that nobody holds a lock on,
/// whose process is gone or that is a day old. The lock is what counts where processes are not seen (containers).
void clearLeavings(const fs::path& folder) {
    std::error_code failed;
    for (fs::directory_iterator at(folder, failed), end; !failed && at != end; at.increment(failed)) {
        const std::string name = at->path().filename().string();
        const std::size_t mark = name.rfind(kPartMark);
        if (mark == std::string::npos || !name.starts_with('.') || !name.ends_with(kPartEnd)) continue;
        int process = 0;
        const char* digits = name.data() + mark + kPartMark.size();
        if (std::from_chars(digits, name.data() + name.size(), process).ec != std::errc() || process <= 0) continue;
        const Descriptor left(::open(at->path().c_str(), O_RDONLY | O_NOFOLLOW | O_NONBLOCK | O_CLOEXEC));
        struct stat info {};
        if (left.get() < 0 || ::fstat(left.get(), &info) != 0 || !S_ISREG(info.st_mode)) continue;
        constexpr std::time_t day = 24 * 60 * 60;
        const bool isOld = std::time(nullptr) - info.st_mtime > day;
        if (!isOld && (::kill(process, 0) == 0 || errno != ESRCH)) continue;
        if (::flock(left.get(), LOCK_EX | LOCK_NB) == 0) ::unlink(at->path().c_str());
    }
}

/// Once for each folder of a run: a large one takes a moment to list.
void clearLeavingsOnce(const fs::path& folder) {
    static std::mutex lock;
    static std::set<fs::path> cleared;
    const std::lock_guard<std::mutex> guard(lock);
    if (cleared.insert(fs::absolute(folder).lexically_normal()).second) clearLeavings(folder);
}

} // namespace

PendingFile::PendingFile(fs::path target) : target_(std::move(target)) {
    const fs::path folder = target_.has_parent_path() ? target_.parent_path() : fs::path(".");
    std::error_code failed;
    fs::create_directories(folder, failed);
    if (failed) throw systemError(folder, marked("cannot make the folder"), failed.value());
    clearLeavingsOnce(folder);
    part_ = folder / ("." + target_.filename().string().substr(0, 180) + std::string(kPartMark) +
                      std::to_string(::getpid()) + "-" + nonce() + std::string(kPartEnd));
    fd_ = ::open(part_.c_str(), O_WRONLY | O_CREAT | O_EXCL | O_APPEND | O_CLOEXEC, 0666);
    if (fd_ < 0) {
        const int code = errno;
        part_.clear();
        throw systemError(target_, marked("cannot write"), code);
    }
    ::flock(fd_, LOCK_EX | LOCK_NB); // says that it is in hand; not every file system can
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

bool PendingFile::takeFree(const fs::path& name) {
    if (::renameat2(AT_FDCWD, part_.c_str(), AT_FDCWD, name.c_str(), RENAME_NOREPLACE) == 0) return true;
    if (errno == EEXIST) return false;
    if (errno != EINVAL && errno != ENOSYS) throw systemError(name, marked("cannot write"), errno);
    // A file system that can't: the name is taken by an empty file first.
    const Descriptor claim(::open(name.c_str(), O_WRONLY | O_CREAT | O_EXCL | O_CLOEXEC, 0666));
    if (claim.get() < 0) {
        if (errno == EEXIST) return false;
        throw systemError(name, marked("cannot write"), errno);
    }
    if (::rename(part_.c_str(), name.c_str()) == 0) return true;
    const int code = errno;
    ::unlink(name.c_str());
    throw systemError(name, marked("cannot write"), code);
}

fs::path PendingFile::keep(const Placing& placing) {
    // By its name: a library may have put another file there.
    const Descriptor written(::open(part_.c_str(), O_RDONLY | O_CLOEXEC));
    if (written.get() < 0 || ::fsync(written.get()) != 0) throw systemError(target_, marked("cannot write"), errno);
    if (::close(std::exchange(fd_, -1)) != 0) throw systemError(target_, marked("cannot write"), errno);
    ::flock(written.get(), LOCK_EX | LOCK_NB);
    fs::path name = target_;
    if (!placing.mayReplace) {
        if (::rename(part_.c_str(), name.c_str()) != 0) throw systemError(name, marked("cannot write"), errno);
    } else if (!takeFree(name)) {
        if (placing.mayReplace(name)) {
            if (::rename(part_.c_str(), name.c_str()) != 0) throw systemError(name, marked("cannot write"), errno);
        } else if (placing.numbers) {
            name = freeFile(
                target_,
                [&](const fs::path& each) {
                    return each == target_ || (placing.isSpokenFor && placing.isSpokenFor(each)) || !takeFree(each);
                },
                "-");
        } else {
            return {}; // the part goes with this
        }
    }
    part_.clear();
    const fs::path folder = name.has_parent_path() ? name.parent_path() : fs::path(".");
    const Descriptor folderFd(::open(folder.c_str(), O_RDONLY | O_DIRECTORY | O_CLOEXEC));
    if (folderFd.get() >= 0) ::fsync(folderFd.get()); // the name itself reaches the disk; not every file system can
    return name;
}

void writeFileAtomically(const fs::path& file, std::string_view bytes) {
    PendingFile pending(file);
    pending.write(bytes);
    pending.keep();
}

namespace {

constexpr std::uint64_t kEmptyHash = 14695981039346656037ULL;

std::uint64_t hashOn(std::uint64_t hash, std::string_view bytes) {
    for (const char c : bytes) hash = (hash ^ static_cast<std::uint8_t>(c)) * 1099511628211ULL;
    return hash;
}

std::string hexOf(std::uint64_t hash) {
    std::string hex(16, '0');
    for (int i = 15; i >= 0; --i, hash >>= 4) hex[static_cast<std::size_t>(i)] = "0123456789abcdef"[hash & 15];
    return hex;
}

} // namespace

std::string contentHash(std::string_view bytes) {
    return hexOf(hashOn(kEmptyHash, bytes));
}

std::string fileHash(const fs::path& file) {
    requireReadable(file);
    std::ifstream stream(file, std::ios::binary);
    std::vector<char> piece(std::size_t(1) << 20);
    std::uint64_t hash = kEmptyHash;
    while (stream.read(piece.data(), static_cast<std::streamsize>(piece.size())), stream.gcount() > 0)
        hash = hashOn(hash, {piece.data(), static_cast<std::size_t>(stream.gcount())});
    if (stream.bad())
        throw Error(file.string(), "", words("cannot read to its end"), words("check the disk, and try again"));
    return hexOf(hash);
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
    const Error bad("", "", words("the data is not base64"),
                    words("the file was damaged or edited by hand: take it from a backup"));
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
