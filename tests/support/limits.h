#pragma once
#include <csignal>
#include <cstdlib>
#include <filesystem>
#include <sys/resource.h>
#include <unistd.h>

namespace baryton::test {

/// As long as it lives files can't grow beyond some bytes: stands for a full disk, on which a write fails half way.
class FullDisk {
public:
    explicit FullDisk(rlim_t bytes) : handler_(std::signal(SIGXFSZ, SIG_IGN)) {
        ::getrlimit(RLIMIT_FSIZE, &before_);
        const rlimit small{bytes, before_.rlim_max};
        ::setrlimit(RLIMIT_FSIZE, &small);
    }
    ~FullDisk() {
        ::setrlimit(RLIMIT_FSIZE, &before_);
        std::signal(SIGXFSZ, handler_);
    }
    FullDisk(const FullDisk&) = delete;
    FullDisk& operator=(const FullDisk&) = delete;

private:
    rlimit before_{};
    void (*handler_)(int);
};

/// As long as it lives the process is somebody without special rights, who can't write what only root may.
class Unprivileged {
public:
    static constexpr uid_t kNobody = 65534;
    Unprivileged() : before_(::geteuid()) {
        if (before_ == 0 && ::seteuid(kNobody) != 0) isPrivileged_ = true;
    }
    ~Unprivileged() {
        if (before_ == 0 && ::seteuid(before_) != 0) std::abort();
    }
    Unprivileged(const Unprivileged&) = delete;
    Unprivileged& operator=(const Unprivileged&) = delete;
    bool isPrivileged() const { return isPrivileged_; }

private:
    uid_t before_;
    bool isPrivileged_ = false;
};

/// Lets anybody write into a folder, as a user may into their own.
inline void openToAll(const std::filesystem::path& folder) {
    std::filesystem::create_directories(folder);
    std::filesystem::permissions(folder, std::filesystem::perms::all);
}

} // namespace baryton::test
