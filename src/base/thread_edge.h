#pragma once
#include <memory>
#include <utility>

#ifdef __SANITIZE_THREAD__
#include <sanitizer/tsan_interface.h>
#endif

namespace baryton {

/// What one thread did before `passOn` is seen by another after `takeUp`.
///
/// This makes no such order: it tells ThreadSanitizer of one that a library makes, which the sanitizer can't see
/// because the library is not built with it. Anywhere else it is nothing.
class ThreadEdge {
public:
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

/// Work that another thread is given: it sees what this one has done until now.
template <class Work>
auto handedOver(Work work) {
#ifdef __SANITIZE_THREAD__
    auto edge = std::make_shared<ThreadEdge>();
    edge->passOn();
    return [edge, work = std::move(work)]() mutable {
        edge->takeUp();
        work();
    };
#else
    return work;
#endif
}

} // namespace baryton
