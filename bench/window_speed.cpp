#include "window_speed.h"
#include "app/grade/colour_editors.h"
#include "app/main_window.h"
#include "edits/preset_words.h"
#include "grade/grade_json.h"
#include "package/grade_store.h"
#include "wait.h"

#include <QApplication>
#include <QElapsedTimer>
#include <QEventLoop>
#include <QMouseEvent>
#include <QTimer>
#include <cmath>
#include <fstream>
#include <functional>
#include <numeric>
#include <unistd.h>

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

namespace {

using Clock = QElapsedTimer;

void send(QWidget* widget, QEvent::Type type, QPointF at) {
    const Qt::MouseButton button = type == QEvent::MouseMove ? Qt::NoButton : Qt::LeftButton;
    QMouseEvent event(type, at, widget->mapToGlobal(at), button, Qt::LeftButton, Qt::NoModifier);
    QApplication::sendEvent(widget, &event);
}

/// Drags along a path and times each move to the frame that shows it.
DragTimes drag(MainWindow& window, QWidget* widget, QPointF from, QPointF by) {
    constexpr int moves = 120, warmUp = 5;
    PictureView* view = window.gradePage()->view();
    bool painted = false;
    const auto connection = QObject::connect(view, &PictureView::painted, [&] { painted = true; });
    DragTimes times;
    double drawing = 0;
    const auto drawn = QObject::connect(window.gradePage(), &GradePage::frameTime, [&](double ms) { drawing = ms; });
    send(widget, QEvent::MouseButtonPress, from);
    QApplication::processEvents();
    for (int i = 1; i <= moves; ++i) {
        painted = false;
        Clock clock;
        clock.start();
        send(widget, QEvent::MouseMove, from + by * (0.5 + 0.5 * std::sin(i * 0.11)));
        const double taken = since(clock);
        runUntil([&] { return painted; });
        if (i <= warmUp) continue;
        times.whole.push_back(since(clock));
        times.taking.push_back(taken);
        times.drawing.push_back(drawing);
    }
    send(widget, QEvent::MouseButtonRelease, from);
    QObject::disconnect(connection);
    QObject::disconnect(drawn);
    Clock rest;
    rest.start();
    runUntil([&] { return since(rest) > 400; });
    return times;
}

/// A layer that lightens where forty strokes of many bends went.
Layer paintedLayer() {
    MaskBrush brush;
    for (int i = 0; i < 40; ++i) {
        MaskStroke stroke;
        std::vector<StrokePoint> points;
        for (int k = 0; k <= 200; ++k)
            points.push_back({0.1 + 0.004 * k, 0.15 + 0.018 * i + 0.03 * std::sin(k * 0.13 + i), 1});
        stroke.points = simplified(points, 1.5, strokeTolerance(stroke.size));
        brush.strokes.push_back({std::make_shared<const MaskStroke>(std::move(stroke))});
    }
    Layer layer;
    layer.id = "layer-90", layer.name = "Painted";
    layer.mask = Mask{{{brush, MaskShape::Way::Add, false}}, false, 1};
    layer.stages.push_back(makeStage({}, "curves"));
    layer.stages[0].id = "curves-90";
    layer.stages[0].parameters["rgb"] = Curve{{0, 0.1}, {0.5, 0.7}, {1, 1}};
    return layer;
}

} // namespace

DragsTimes dragTimes(const std::filesystem::path& file, const Grade& grade, const std::filesystem::path& folder,
                     bool withSecond) {
    storeGrade(file, completed(grade));
    MainWindow window(folder / "presets");
    window.resize(1280, 800);
    window.show();
    bool whole = false;
    QObject::connect(&window.state().pictures(), &PictureSet::loaded, &window,
                     [&](int, const LoadedPicture& picture) { whole = !picture.pyramid->isStandIn(); });
    window.openPaths({file});
    runUntil([&] { return whole; });
    window.gradePage()->scopes()->kinds()->button(3)->click();
    if (withSecond) window.toggleSecond();
    const auto choose = [&](const char* type) {
        for (const StagePlace& place : stagePlaces(window.state().keyGrade()))
            if (stageAt(window.state().keyGrade(), place).type == type)
                window.state().chooseStage(stageAt(window.state().keyGrade(), place).id);
        Clock rest;
        rest.start();
        runUntil([&] { return since(rest) > 600; });
        return window.gradePage()->editorPanel()->editor();
    };
    DragsTimes times;
    auto* curve = qobject_cast<CurvesEditor*>(choose("curves"))->view();
    times.curve = drag(window, curve, curve->toWidget({0.5, 0.5}), {0, 30});
    auto* disc = qobject_cast<WheelsEditor*>(choose("wheels"))->disc();
    times.wheel = drag(window, disc, disc->handlePoint(0), {18, 12});
    auto* lanes = qobject_cast<HueBandsEditor*>(choose("hue-bands"))->lanes();
    times.band = drag(window, lanes, lanes->handle(4, HueLanes::Shift), {0, 14});
    Grade painted = window.state().keyGrade();
    painted.look.push_back(paintedLayer());
    window.state().editKey(painted);
    window.state().chooseStage("layer-90");
    window.gradePage()->editorPanel()->onPictureButton()->setChecked(true);
    choose("none");
    PictureView* view = window.gradePage()->view();
    times.brush = drag(window, view, QPointF(view->width() * 0.3, view->height() * 0.4), {300, 120});
    return times;
}

std::vector<double> gridTimes(const std::filesystem::path& pictures, const std::filesystem::path& presets,
                              const std::filesystem::path& folder) {
    MainWindow window(folder / "presets");
    window.resize(1280, 800);
    window.show();
    window.openPaths({pictures});
    PictureSet& set = window.state().pictures();
    const auto all = [&] {
        for (int i = 0; i < set.size(); ++i)
            if (set.at(i).thumbnail.isNull()) return false;
        return true;
    };
    runUntil(all);
    std::vector<int> nine(9);
    std::iota(nine.begin(), nine.end(), 0);
    window.state().setSelection(nine);
    window.gradePage()->compareBar()->toggleMode(CompareBar::Mode::Grid);
    Clock rest;
    rest.start();
    runUntil([&] { return since(rest) > 800; });
    std::vector<double> times;
    for (int round = 0; round < 5; ++round)
        for (const auto& entry : std::filesystem::directory_iterator(presets)) {
            const Preset preset = readPresetFile(entry.path());
            bool drawn = false;
            const auto connection =
                QObject::connect(window.gradePage()->grid(), &GridView::drawn, [&] { drawn = true; });
            Clock clock;
            clock.start();
            window.state().tryChange([&](const Grade& grade) { return applied(grade, preset, ApplyMode::Set); });
            runUntil([&] { return drawn; });
            window.gradePage()->grid()->repaint();
            times.push_back(since(clock));
            QObject::disconnect(connection);
        }
    window.state().tryChange({});
    return times;
}

std::vector<double> changeTimes(const std::filesystem::path& pictures, const std::filesystem::path& folder) {
    std::vector<double> times;
    MainWindow window(folder / "presets");
    window.resize(1280, 800);
    window.show();
    bool painted = false;
    QObject::connect(window.gradePage()->view(), &PictureView::painted, &window, [&] { painted = true; });
    window.openPaths({pictures});
    runUntil([&] { return painted; });
    Clock rest;
    rest.start();
    runUntil([&] { return since(rest) > 3000; });
    for (int i = 0; i < 20; ++i) {
        const int to = 1 + i % 2;
        painted = false;
        Clock clock;
        clock.start();
        window.state().setKey(to);
        runUntil([&] { return painted; });
        if (i >= 4) times.push_back(since(clock)); // both are in memory by then
        rest.start();
        runUntil([&] { return since(rest) > 150; });
    }
    return times;
}

ManyTimes manyTimes(const std::filesystem::path& pictures, const std::filesystem::path& folder) {
    ManyTimes times;
    MainWindow window(folder / "presets");
    window.resize(1280, 800);
    window.show();
    QApplication::processEvents();
    Clock clock;
    clock.start();
    window.openPaths({pictures});
    QApplication::processEvents();
    times.usable = since(clock);
    const QListView* tray = window.gradePage()->tray();
    const PictureSet& set = window.state().pictures();
    const auto areDrawn = [&](const QRect& where) {
        for (int i = 0; i < set.size(); ++i)
            if (tray->visualRect(tray->model()->index(i, 0)).intersects(where) && set.at(i).thumbnail.isNull())
                return false;
        return true;
    };
    runUntil([&] { return areDrawn(tray->viewport()->rect()); });
    times.inSight = since(clock);
    runUntil([&] {
        for (int i = 0; i < set.size(); ++i)
            if (set.at(i).thumbnail.isNull()) return false;
        return true;
    });
    times.thumbnails = since(clock);
    std::ifstream statm("/proc/self/statm");
    long all = 0, resident = 0;
    statm >> all >> resident;
    times.megabytes = double(resident) * double(::sysconf(_SC_PAGESIZE)) / (1 << 20);
    return times;
}

} // namespace baryton::bench
