#include "start_speed.h"
#include "app/main_window.h"
#include "app/settings.h"
#include "app/theme/theme.h"
#include "app/translation.h"
#include "processes.h"
#include "wait.h"

#include <QApplication>
#include <chrono>
#include <fmt/format.h>
#include <fstream>

namespace baryton::bench {

namespace {

constexpr const char* kBegan = "BARYTON_BENCH_BEGAN"; ///< when the process was asked for, ns of the steady clock

long long now() {
    return std::chrono::steady_clock::now().time_since_epoch().count();
}

} // namespace

StartTimes startTimes(const std::filesystem::path& pictures, const std::filesystem::path& folder) {
    qputenv(kBegan, QByteArray::number(now()));
    runProcess({"/proc/self/exe", "start-once", pictures.string(), folder.string()});
    StartTimes times;
    std::ifstream(folder / "start-times") >> times.application >> times.window >> times.shown >> times.picture;
    return times;
}

int startOnce(int argc, char** argv, const std::filesystem::path& pictures, const std::filesystem::path& folder) {
    const long long began = qgetenv(kBegan).toLongLong();
    const auto soFar = [&] { return static_cast<double>(now() - began) / 1e6; };
    StartTimes times;
    QApplication application(argc, argv);
    times.application = soFar();
    dropBrokenLock();
    speak(loadSettings().language);
    theme::install(application);
    MainWindow window(folder / "presets", {pictures});
    window.resize(1280, 800);
    times.window = soFar();
    bool painted = false;
    QObject::connect(window.gradePage()->view(), &PictureView::painted, &window, [&] { painted = true; });
    window.show();
    window.openPaths({pictures});
    times.shown = soFar();
    runUntil([&] { return painted; });
    times.picture = soFar();
    std::ofstream(folder / "start-times")
        << fmt::format("{} {} {} {}\n", times.application, times.window, times.shown, times.picture);
    return 0;
}

} // namespace baryton::bench
