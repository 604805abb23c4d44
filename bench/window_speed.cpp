#include "window_speed.h"
#include "app/main_window.h"

#include <QApplication>
#include <QElapsedTimer>
#include <QEventLoop>

namespace baryton::bench {

OpenTimes openTimes(const std::filesystem::path& file, const std::filesystem::path& folder) {
    MainWindow window(folder / "presets");
    window.show();
    OpenTimes times;
    QElapsedTimer clock;
    QEventLoop loop;
    bool isWhole = false;
    QObject::connect(&window.state().pictures(), &PictureSet::loaded, &loop,
                     [&](int, const LoadedPicture& picture) { isWhole = !picture.pyramid->isStandIn(); });
    QObject::connect(window.gradePage()->view(), &PictureView::painted, &loop, [&] {
        const double now = static_cast<double>(clock.nsecsElapsed()) / 1e6;
        if (times.first == 0) times.first = now;
        if (!isWhole) return;
        times.whole = now;
        loop.quit();
    });
    QApplication::processEvents(); // the window stands before a picture is asked for
    clock.start();
    window.openPaths({file});
    loop.exec();
    return times;
}

} // namespace baryton::bench
