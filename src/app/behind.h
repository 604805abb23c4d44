#pragma once
#include "base/thread_edge.h"

#include <QMetaObject>
#include <QRunnable>
#include <QThreadPool>

namespace baryton {

// Work behind the window, and its way back; everything that runs in a pool goes through here.

/// What work in a pool has done when `waitFor` returns.
inline ThreadEdge& poolEdge() {
    static ThreadEdge edge;
    return edge;
}

template <class Work>
class PoolWork : public QRunnable {
public:
    explicit PoolWork(Work work) : work_(std::move(work)) {}
    void run() override {
        work_();
        poolEdge().passOn();
    }

private:
    HandedOver<Work> work_;
};

/// Runs work in a thread of the pool; of what waits there that of the highest priority comes first.
template <class Work>
void runBehind(QThreadPool& pool, Work work, int priority = 0) {
    pool.start(new PoolWork<Work>(std::move(work)), priority); // the pool deletes it
}

/// From a thread of a pool: runs work in the thread of `context`, soon; not at all when that is gone by then.
template <class Work>
void tellWindow(QObject* context, Work work) {
    QMetaObject::invokeMethod(context, HandedOver<Work>(std::move(work)), Qt::QueuedConnection);
}

/// Returns when everything given to the pool is done.
inline void waitFor(QThreadPool& pool) {
    pool.waitForDone();
    poolEdge().takeUp();
}

} // namespace baryton
