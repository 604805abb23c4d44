#pragma once
#include <utility>

#ifdef __SANITIZE_THREAD__
#include <sanitizer/tsan_interface.h>
#endif

namespace baryton {

/// What one thread did before `passOn` is seen by another after `takeUp`.
///
/// This makes no such order: it tells ThreadSanitizer of one that a library makes, which the sanitizer can't see
/// because the library is not built with it. Anywhere else it is nothing. A copy is another edge.
class ThreadEdge {
public:
    ThreadEdge() = default;
    ThreadEdge(const ThreadEdge& /*other*/) {}
    ThreadEdge& operator=(const ThreadEdge& /*other*/) { return *this; }
    ~ThreadEdge() = default;

#ifdef __SANITIZE_THREAD__
    void passOn() {
        __tsan_release(this);
    }
    void takeUp() {
        __tsan_acquire(this);
    }

private:
    char place_ = 0;
#else
    void passOn() {}
    void takeUp() {}
#endif
};

/// Work that another thread is given: it sees what was done until it came to the place from which it is called.
template <class Work>
class HandedOver {
public:
    explicit HandedOver(Work work) : work_(std::move(work)) { edge_.passOn(); }
    HandedOver(const HandedOver& other) : work_(other.work_) { edge_.passOn(); }
    HandedOver(HandedOver&& other) noexcept : work_(std::move(other.work_)) { edge_.passOn(); }
    HandedOver& operator=(const HandedOver&) = delete;
    HandedOver& operator=(HandedOver&&) = delete;
    ~HandedOver() { edge_.takeUp(); } // where it is thrown away uncalled

    void operator()() {
        edge_.takeUp();
        work_();
    }

private:
    ThreadEdge edge_;
    Work work_;
};

/// While a library calls us back in threads of its own: around the call of the library, and around each call back.
class LentToThreads {
public:
    explicit LentToThreads(ThreadEdge& edge) : edge_(edge) { edge_.passOn(); }
    LentToThreads(const LentToThreads&) = delete;
    LentToThreads& operator=(const LentToThreads&) = delete;
    ~LentToThreads() { edge_.takeUp(); }

private:
    ThreadEdge& edge_;
};
class CalledInThread {
public:
    explicit CalledInThread(ThreadEdge& edge) : edge_(edge) { edge_.takeUp(); }
    CalledInThread(const CalledInThread&) = delete;
    CalledInThread& operator=(const CalledInThread&) = delete;
    ~CalledInThread() { edge_.passOn(); }

private:
    ThreadEdge& edge_;
};

} // namespace baryton
