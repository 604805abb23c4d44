#include "cli/terminal.h"
#include "base/utf8.h"

#include <cmath>
#include <cstdio>
#include <fmt/format.h>
#include <iostream>
#include <unistd.h>

namespace baryton {

int PlainStreams::Buffer::overflow(int c) {
    if (c == traits_type::eof()) return 0;
    line_ += static_cast<char>(c);
    return c == '\n' ? (sync() == 0 ? c : traits_type::eof()) : c;
}

int PlainStreams::Buffer::sync() {
    const std::string plain = printable(line_);
    line_.clear();
    const auto size = static_cast<std::streamsize>(plain.size());
    return to_->sputn(plain.data(), size) == size && to_->pubsync() == 0 ? 0 : -1;
}

namespace {
std::streambuf* exactBuffer = nullptr;
}

PlainStreams::PlainStreams() : out_(std::cout.rdbuf()), err_(std::cerr.rdbuf()), plainOut_(out_), plainErr_(err_) {
    exactBuffer = out_;
    std::cout.rdbuf(&plainOut_);
    std::cerr.rdbuf(&plainErr_);
}

PlainStreams::~PlainStreams() {
    std::cout.flush();
    std::cerr.flush();
    std::cout.rdbuf(out_);
    std::cerr.rdbuf(err_);
}

std::ostream& exactOutput() {
    static std::ostream stream(exactBuffer ? exactBuffer : std::cout.rdbuf());
    return stream;
}

ProgressLine::ProgressLine(bool isWanted) : isShown_(isWanted && ::isatty(STDERR_FILENO) == 1) {}

void ProgressLine::show(std::size_t done, std::size_t all) {
    if (!isShown_) return;
    std::string text = fmt::format("{} of {}", done, all);
    const double seconds = std::chrono::duration<double>(std::chrono::steady_clock::now() - start_).count();
    if (done > 0 && done < all && seconds > 1) {
        const double left = seconds / static_cast<double>(done) * static_cast<double>(all - done);
        text += left < 90 ? fmt::format(" · about {:.0f} s left", std::ceil(left))
                          : fmt::format(" · about {:.0f} min left", std::ceil(left / 60));
    }
    std::fprintf(stderr, "\r\x1b[K%s", text.c_str()); // past the filter: it is an order, and meant
    std::fflush(stderr);
}

void ProgressLine::clear() {
    if (!isShown_) return;
    std::fputs("\r\x1b[K", stderr);
    std::fflush(stderr);
}

} // namespace baryton
