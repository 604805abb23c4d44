#pragma once
#include "base/thread_edge.h"

#include <QMetaObject>
#include <QThreadPool>
#include <functional>

namespace baryton {

// Work behind the window, and its way back; everything that runs in a pool goes through here.

/// What work in a pool has done when `waitFor` returns.
inline ThreadEdge& poolEdge() {
    static ThreadEdge edge;
    return edge;
}

/// Runs work in a thread of the pool; of what waits there that of the highest priority comes first.
template <class Work>
void runBehind(QThreadPool& pool, Work work, int priority = 0) {
    pool.start(
        [work = handedOver(std::move(work))]() mutable {
            work();
            poolEdge().passOn();
        },
        priority);
}

/// From a thread of a pool: runs work in the thread of `context`, soon; not at all when that is gone by then.
template <class Work>
void tellWindow(QObject* context, Work work) {
    QMetaObject::invokeMethod(context, handedOver(std::move(work)), Qt::QueuedConnection);
}

/// Returns when everything given to the pool is done.
inline void waitFor(QThreadPool& pool) {
    pool.waitForDone();
    poolEdge().takeUp();
}

} // namespace baryton
