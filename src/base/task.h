#pragma once
#include "base/error.h"

#include <atomic>
#include <functional>

namespace baryton {

/// Progress and cancelling of long work: the one interface for it.
///
/// The worker calls `report` with 0…1 and `throwIfCancelled` between pieces of work; anyone may call `cancel`.
class Task {
public:
    explicit Task(std::function<void(double)> progress = {}) : progress_(std::move(progress)) {}

    void cancel() { cancelled_.store(true, std::memory_order_relaxed); }
    /// Asks the worker to make an end: what is in hand is finished, nothing else is begun.
    void finishUp() { finishing_.store(true, std::memory_order_relaxed); }
    bool isFinishing() const { return finishing_.load(std::memory_order_relaxed) || isCancelled(); }
    bool isCancelled() const { return cancelled_.load(std::memory_order_relaxed); }
    void throwIfCancelled() const {
        if (isCancelled()) throw Cancelled();
    }
    void report(double fraction) const {
        if (progress_) progress_(fraction);
    }

private:
    std::atomic<bool> cancelled_{false}, finishing_{false};
    std::function<void(double)> progress_;
};

} // namespace baryton
