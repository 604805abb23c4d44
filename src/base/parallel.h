#pragma once

#ifdef __SANITIZE_THREAD__
#include <algorithm>
#include <atomic>
#include <exception>
#include <mutex>
#include <thread>
#include <vector>
#else
#include <tbb/blocked_range.h>
#include <tbb/parallel_for.h>
#include <tbb/task_arena.h>
#endif

namespace baryton {

/// Calls piece(first, last) for stretches of 0…count, of `grain` or more where that is shared out, in the threads of
/// oneTBB. `threads` at most; 0: as many as there are; 1: here, in one stretch.
template <class Piece>
void inPieces(int count, int grain, int threads, const Piece& piece) {
    if (threads == 1) {
        piece(0, count);
        return;
    }
#ifdef __SANITIZE_THREAD__
    // ThreadSanitizer can't see how oneTBB's threads wait for one another; threads of our own it can.
    std::atomic<int> next{0};
    std::exception_ptr failure;
    std::mutex lock;
    const auto work = [&] {
        try {
            for (int first = next.fetch_add(grain); first < count; first = next.fetch_add(grain))
                piece(first, std::min(first + grain, count));
        } catch (...) {
            const std::lock_guard<std::mutex> guard(lock);
            failure = std::current_exception();
        }
    };
    std::vector<std::thread> others;
    for (int i = 1; i < (threads > 0 ? threads : 3); ++i) others.emplace_back(work);
    work();
    for (std::thread& other : others) other.join();
    if (failure) std::rethrow_exception(failure);
#else
    const auto share = [&] {
        tbb::parallel_for(tbb::blocked_range<int>(0, count, static_cast<std::size_t>(grain)),
                          [&](const tbb::blocked_range<int>& range) { piece(range.begin(), range.end()); });
    };
    if (threads > 0)
        tbb::task_arena(threads).execute(share);
    else
        share();
#endif
}

/// Calls row(y) for every y of 0…height, a few in one thread.
template <class Row>
void forRows(int height, const Row& row) {
    constexpr int grain = 16;
    inPieces(height, grain, 0, [&](int first, int last) {
        for (int y = first; y < last; ++y) row(y);
    });
}

} // namespace baryton
