#pragma once
#include <QApplication>
#include <QElapsedTimer>
#include <QTimer>
#include <functional>

namespace baryton::bench {

inline double since(const QElapsedTimer& clock) {
    return static_cast<double>(clock.nsecsElapsed()) / 1e6;
}

/// Runs the event loop until the condition holds; sleeps between events, so that no core is taken from the window.
inline void runUntil(const std::function<bool()>& holds) {
    QTimer tick; // for conditions that no event announces
    tick.start(20);
    while (!holds()) QApplication::processEvents(QEventLoop::WaitForMoreEvents);
}

inline void pause(double milliseconds) {
    QElapsedTimer rest;
    rest.start();
    runUntil([&] { return since(rest) > milliseconds; });
}

} // namespace baryton::bench
