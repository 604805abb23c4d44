#include "app/run_record.h"
#include "base/error.h"
#include "base/file.h"
#include "base/version.h"
#include "picture/instruction_set.h"

#include <array>
#include <csignal>
#include <cstdio>
#include <cstdlib>
#include <cstring>
#include <exception>
#include <execinfo.h>
#include <fcntl.h>
#include <sys/file.h>
#include <sys/utsname.h>
#include <unistd.h>

namespace baryton {

namespace fs = std::filesystem;

namespace {

constexpr std::size_t kMostRecord = std::size_t(1) << 20;
constexpr const char* kOpen = "open ";    ///< before each path
constexpr const char* kCrash = "crash\n"; ///< before the report

/// What a signal's handler may use: nothing that allocates.
int crashFd = -1;
std::array<char, 4096> crashFile{};

void say(const char* text) {
    [[maybe_unused]] const auto written = ::write(crashFd, text, std::strlen(text));
}

extern "C" void writeCrash(int signal) {
    say(kCrash);
    say("signal ");
    const char digits[] = {static_cast<char>('0' + signal / 10), static_cast<char>('0' + signal % 10), '\n', '\0'};
    say(digits);
    std::array<void*, 64> frames{};
    ::backtrace_symbols_fd(frames.data(), ::backtrace(frames.data(), static_cast<int>(frames.size())), crashFd);
    // As if nobody had caught it: the system may keep its own account.
    ::signal(signal, SIG_DFL);
    ::raise(signal);
}

extern "C" void endQuietly(int signal) {
    ::unlink(crashFile.data());
    ::signal(signal, SIG_DFL);
    ::raise(signal);
}

std::string systemInWords() {
    utsname system{};
    ::uname(&system);
    return std::string(kProgram) + " " + kVersion + ", " + system.sysname + " " + system.release + " " +
           system.machine + ", " + instructionSet() + "\n";
}

BrokenRun readRecord(const std::string& text) {
    BrokenRun run;
    std::string head;
    for (std::size_t at = 0; at < text.size();) {
        if (text.compare(at, std::strlen(kCrash), kCrash) == 0) {
            run.report = head + text.substr(at + std::strlen(kCrash));
            break;
        }
        const std::size_t end = std::min(text.find('\n', at), text.size());
        const std::string line = text.substr(at, end - at);
        if (line.starts_with(kOpen))
            run.open.emplace_back(line.substr(std::strlen(kOpen)));
        else
            head += line + '\n';
        at = end + 1;
    }
    return run;
}

} // namespace

fs::path RunRecord::usersFolder() {
    return userDataFolder() / "running";
}

std::vector<BrokenRun> RunRecord::takeBroken(const fs::path& folder) {
    std::vector<BrokenRun> broken;
    std::error_code failed;
    for (fs::directory_iterator it(folder, failed), end; !failed && it != end; it.increment(failed)) {
        if (it->path().extension() != ".run") continue;
        const int fd = ::open(it->path().c_str(), O_RDONLY | O_NONBLOCK | O_NOFOLLOW | O_CLOEXEC);
        if (fd < 0) continue;
        if (::flock(fd, LOCK_EX | LOCK_NB) == 0) { // nobody holds it any more
            try {
                broken.push_back(readRecord(readFile(it->path(), kMostRecord)));
            } catch (const Error&) {
                // What can't be read tells nothing; it goes all the same.
            }
            ::unlink(it->path().c_str());
        }
        ::close(fd);
    }
    return broken;
}

RunRecord::RunRecord(const fs::path& folder) {
    std::error_code failed;
    fs::create_directories(folder, failed);
    file_ = folder / (std::to_string(::getpid()) + ".run");
    // It gets its name once it is locked: another start would take it for one that nobody holds.
    const fs::path unlocked = folder / (std::to_string(::getpid()) + ".new");
    fd_ = ::open(unlocked.c_str(), O_RDWR | O_CREAT | O_TRUNC | O_APPEND | O_NOFOLLOW | O_CLOEXEC, 0600);
    if (fd_ < 0) return;
    ::flock(fd_, LOCK_EX | LOCK_NB);
    write();
    ::rename(unlocked.c_str(), file_.c_str());
}

RunRecord::~RunRecord() {
    if (fd_ < 0) return;
    if (crashFd == fd_) {
        for (const int each : {SIGSEGV, SIGBUS, SIGFPE, SIGILL, SIGABRT, SIGTERM, SIGHUP, SIGINT})
            ::signal(each, SIG_DFL);
        crashFd = -1;
    }
    ::unlink(file_.c_str());
    ::close(fd_);
}

void RunRecord::setOpen(const std::vector<fs::path>& paths) {
    if (paths == open_) return;
    open_ = paths;
    write();
}

void RunRecord::write() const {
    if (fd_ < 0) return;
    std::string text = systemInWords();
    for (const fs::path& path : open_)
        if (path.string().find('\n') == std::string::npos) text += kOpen + path.string() + '\n';
    // In one write, and by the descriptor that a crash will write to.
    if (::ftruncate(fd_, 0) != 0) return;
    [[maybe_unused]] const auto written = ::write(fd_, text.data(), text.size());
}

void RunRecord::catchSignals() const {
    if (fd_ < 0 || file_.string().size() >= crashFile.size()) return;
    crashFd = fd_;
    std::memcpy(crashFile.data(), file_.c_str(), file_.string().size() + 1);
    // The first call loads what it needs, which must not happen in a handler.
    std::array<void*, 4> none{};
    ::backtrace(none.data(), static_cast<int>(none.size()));
    std::set_terminate([] {
        try {
            if (std::current_exception()) std::rethrow_exception(std::current_exception());
        } catch (const std::exception& e) {
            say(e.what());
            say("\n");
        } catch (...) {
            say("an exception of no kind that is known\n");
        }
        std::abort();
    });
    for (const int each : {SIGSEGV, SIGBUS, SIGFPE, SIGILL, SIGABRT}) ::signal(each, writeCrash);
    for (const int each : {SIGTERM, SIGHUP, SIGINT}) ::signal(each, endQuietly);
}

} // namespace baryton
