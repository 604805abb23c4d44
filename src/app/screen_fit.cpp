#include "app/screen_fit.h"
#include "app/behind.h"
#include "app/desktop_profile.h"
#include "base/error.h"

#include <QEvent>
#include <QGuiApplication>
#include <QScreen>
#include <QWindow>

namespace baryton {

ScreenFit::ScreenFit(QObject* parent) : QObject(parent) {
    pool_.setMaxThreadCount(1);
    connect(qApp, &QGuiApplication::applicationStateChanged, this, [this](Qt::ApplicationState now) {
        if (now == Qt::ApplicationActive) fetchAll();
    });
}

ScreenFit::~ScreenFit() {
    waitFor(pool_);
    prepareScreens({})(); // nothing is shown any more
}

void ScreenFit::watch(Monitor monitor, QWidget* window) {
    monitors_[static_cast<std::size_t>(monitor)].window = window;
    window->installEventFilter(this);
    fetch(monitor);
}

void ScreenFit::leave(Monitor monitor) {
    const auto i = static_cast<std::size_t>(monitor);
    if (monitors_[i].window) monitors_[i].window->removeEventFilter(this);
    monitors_[i].window = nullptr;
    if (!wish_.profiles[i]) return;
    wish_.profiles[i].reset();
    prepare();
}

bool ScreenFit::eventFilter(QObject* watched, QEvent* event) {
    // Only with its first showing does a window have one of the desktop's, which knows its screen.
    if (event->type() == QEvent::Show)
        for (std::size_t i = 0; i < kMonitors; ++i)
            if (QWidget* window = monitors_[i].window; window == watched && window->windowHandle()) {
                connect(window->windowHandle(), &QWindow::screenChanged, this, &ScreenFit::fetchAll,
                        Qt::UniqueConnection);
                fetch(static_cast<Monitor>(i));
            }
    return QObject::eventFilter(watched, event);
}

void ScreenFit::setSettings(const Settings& settings) {
    monitors_[0].wish = settings.monitor;
    monitors_[1].wish = settings.secondMonitor;
    fetchAll();
}

void ScreenFit::fetchAll() {
    for (std::size_t i = 0; i < kMonitors; ++i) fetch(static_cast<Monitor>(i));
}

void ScreenFit::fetch(Monitor monitor) {
    const Watched& of = monitors_[static_cast<std::size_t>(monitor)];
    if (!of.window) return;
    fetchMonitorProfile(of.wish, of.window->screen(), this,
                        [this, monitor, window = of.window](const std::string& icc, const QString& problem) {
                            // Answers may come late.
                            if (window && window == monitors_[static_cast<std::size_t>(monitor)].window)
                                take(monitor, icc, problem);
                        });
}

void ScreenFit::take(Monitor monitor, const std::string& icc, QString problem) {
    const auto i = static_cast<std::size_t>(monitor);
    std::string usable = icc;
    try {
        checkMonitorProfile(icc);
    } catch (const Error& e) {
        usable.clear();
        problem = QString::fromStdString(e.inFile(tr("the monitor's profile").toStdString()).what());
    }
    if (!problem.isEmpty() && problem != monitors_[i].told) Q_EMIT this->problem(problem);
    monitors_[i].told = problem;
    if (wish_.profiles[i] == usable) return;
    wish_.profiles[i] = usable;
    prepare();
}

void ScreenFit::setProof(const std::optional<ProofWish>& wish, const Told& told) {
    wish_.proof = wish;
    told_ = told;
    prepare();
}

void ScreenFit::prepare() {
    runBehind(pool_, [this, wish = wish_, asked = ++asked_]() mutable {
        std::function<void()> ready;
        QString problem;
        try {
            ready = prepareScreens(wish);
        } catch (const Error& e) {
            // Of the monitors' profiles only those are asked for that can be used.
            problem = QString::fromStdString(e.what());
            wish.proof.reset();
            ready = prepareScreens(wish);
        }
        tellWindow(this, [this, wish, ready, problem, asked] {
            if (asked_ == asked) show(wish, ready, problem);
        });
    });
}

void ScreenFit::show(const ScreenWish& made, const std::function<void()>& ready, const QString& problem) {
    std::array<std::string, kMonitors> before;
    for (std::size_t i = 0; i < kMonitors; ++i) before[i] = screenId(static_cast<Monitor>(i));
    ready();
    wish_ = made;
    for (std::size_t i = 0; i < kMonitors; ++i)
        if (screenId(static_cast<Monitor>(i)) != before[i]) Q_EMIT changed(static_cast<Monitor>(i));
    if (const Told told = std::exchange(told_, {}))
        told(problem);
    else if (!problem.isEmpty())
        Q_EMIT this->problem(problem);
}

} // namespace baryton
