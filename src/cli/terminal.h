#pragma once
#include "base/task.h"

#include <chrono>
#include <csignal>
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

/// Ctrl-C and SIGTERM cancel a task for as long as this lives: what is done stays and is told. The second one ends
/// the program at all costs.
class EndedBySignal {
public:
    explicit EndedBySignal(Task& task) {
        task_ = &task;
        for (const int signal : {SIGINT, SIGTERM}) std::signal(signal, handle);
    }
    EndedBySignal(const EndedBySignal&) = delete;
    EndedBySignal& operator=(const EndedBySignal&) = delete;
    ~EndedBySignal() {
        for (const int signal : {SIGINT, SIGTERM}) std::signal(signal, SIG_DFL);
        task_ = nullptr;
    }

private:
    static void handle(int signal) {
        // The second: the default is death.
        std::signal(signal, SIG_DFL);
        if (Task* running = task_; running && !running->isCancelled())
            running->cancel();
        else
            std::raise(signal);
    }
    static inline std::atomic<Task*> task_{nullptr}; ///< a handler may touch nothing else
};

} // namespace baryton
