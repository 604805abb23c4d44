#pragma once
#include "base/error.h"

#include <atomic>
#include <chrono>
#include <functional>
#include <thread>

namespace baryton {

/// Progress and cancelling of long work: the one interface for it.
///
/// The worker calls `report` with 0…1 and `throwIfCancelled` between pieces of work; anyone may call `cancel`,
/// a signal's handler too. What can rest between two pieces calls `restWhilePaused` there.
class Task {
public:
    explicit Task(std::function<void(double)> progress = {}) : progress_(std::move(progress)) {}

    void cancel() { cancelled_.store(true, std::memory_order_relaxed); }
    /// Asks the worker to make an end: what is in hand is finished, nothing else is begun.
    void finishUp() { finishing_.store(true, std::memory_order_relaxed); }
    /// What is in hand is finished, then nothing is done until it goes on.
    void setPaused(bool paused) { paused_.store(paused, std::memory_order_relaxed); }
    bool isPaused() const { return paused_.load(std::memory_order_relaxed); }
    /// Comes back at once where nobody has paused it, or it is to end.
    void restWhilePaused() const {
        constexpr std::chrono::milliseconds nap(20);
        while (isPaused() && !isFinishing()) std::this_thread::sleep_for(nap);
    }
    bool isFinishing() const { return finishing_.load(std::memory_order_relaxed) || isCancelled(); }
    bool isCancelled() const { return cancelled_.load(std::memory_order_relaxed); }
    void throwIfCancelled() const {
        if (isCancelled()) throw Cancelled();
    }
    void report(double fraction) const {
        if (progress_) progress_(fraction);
    }

private:
    std::atomic<bool> cancelled_{false}, finishing_{false}, paused_{false};
    std::function<void(double)> progress_;
};

} // namespace baryton
