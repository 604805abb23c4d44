#pragma once
#include "base/thread_edge.h"

#include <tbb/blocked_range.h>
#include <tbb/parallel_for.h>
#include <tbb/task_arena.h>

namespace baryton {

/// Calls piece(first, last) for stretches of 0…count, of `grain` or more where that is shared out, in the threads of
/// oneTBB. `threads` at most; 0: as many as there are; 1: here, in one stretch.
template <class Piece>
void inPieces(int count, int grain, int threads, const Piece& piece) {
    if (threads == 1) {
        piece(0, count);
        return;
    }
    ThreadEdge begin, end;
    begin.passOn();
    const auto share = [&] {
        tbb::parallel_for(tbb::blocked_range<int>(0, count, static_cast<std::size_t>(grain)),
                          [&](const tbb::blocked_range<int>& range) {
                              begin.takeUp();
                              piece(range.begin(), range.end());
                              end.passOn();
                          });
    };
    if (threads > 0)
        tbb::task_arena(threads).execute(share);
    else
        share();
    end.takeUp();
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
