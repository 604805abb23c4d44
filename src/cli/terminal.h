#pragma once
#include <chrono>
#include <ostream>
#include <streambuf>

namespace baryton {

/// Holds what goes to standard output and error to printable characters for as long as this lives: names and titles
/// come from files, and a terminal would take some for orders.
class PlainStreams {
public:
    PlainStreams();
    PlainStreams(const PlainStreams&) = delete;
    PlainStreams& operator=(const PlainStreams&) = delete;
    ~PlainStreams();

private:
    class Buffer : public std::streambuf {
    public:
        explicit Buffer(std::streambuf* to) : to_(to) {}
        ~Buffer() override { sync(); }

    protected:
        int overflow(int c) override;
        int sync() override;

    private:
        std::streambuf* to_;
        std::string line_; ///< a character may come in parts
    };
    std::streambuf *out_, *err_;
    Buffer plainOut_, plainErr_;
};

/// Standard output, byte by byte: for what another program reads.
std::ostream& exactOutput();

/// The last line of a terminal: how far a run is, and how long it will still take. Nothing where standard error is no
/// terminal.
class ProgressLine {
public:
    explicit ProgressLine(bool isWanted);
    void show(std::size_t done, std::size_t all);
    /// Before anything else is printed.
    void clear();

private:
    bool isShown_;
    std::chrono::steady_clock::time_point start_ = std::chrono::steady_clock::now();
};

} // namespace baryton
