#include "preview_speed.h"
#include "app/preview_service.h"
#include "app/widgets/picture_view.h"

#include <QApplication>
#include <QElapsedTimer>
#include <QEventLoop>

namespace baryton::bench {

std::vector<double> previewTimes(const Picture& picture, const Grade& grade, int changes, const MovedNumber& moved) {
    PictureView view;
    view.resize(1280, 800);
    view.show();
    PreviewService service;
    const auto pyramid = std::make_shared<const Pyramid>(picture);
    view.setPictureSize({picture.width(), picture.height()});
    const auto region = view.region();
    bool isQuick = false;
    QObject::connect(&service, &PreviewService::frameReady, &view, [&](const PreviewFrame& frame) {
        isQuick = !frame.exact;
        view.setImages(frame.after, frame.before, region);
    });
    QEventLoop loop;
    QObject::connect(&view, &PictureView::painted, &loop, &QEventLoop::quit);
    std::vector<double> times;
    Grade now = grade;
    // The hand is moving already: the first change of a movement is shown exactly.
    const auto ask = [&] {
        service.request({pyramid, {region.left, region.top, region.width, region.height, region.scale}, now, {}, {}});
    };
    // A hand sends its changes whether or not a frame was painted meanwhile.
    QElapsedTimer beginning;
    beginning.start();
    constexpr int longest = 4000, between = 8; // milliseconds
    for (QElapsedTimer last; !isQuick && beginning.elapsed() < longest; QApplication::processEvents()) {
        if (last.isValid() && last.elapsed() < between) continue;
        ask();
        last.start();
    }
    for (int i = 0; i < changes + 5; ++i) {
        const auto move = [&](std::vector<Stage>& stages) {
            for (Stage& stage : stages)
                if (stage.type == moved.type) stage.parameters[moved.name] = moved.from + moved.step * i;
        };
        for (auto& layer : now.look) move(layer.stages);
        move(now.finish);
        QElapsedTimer clock;
        clock.start();
        ask();
        loop.exec();
        constexpr int warmUp = 5;
        if (i >= warmUp) times.push_back(static_cast<double>(clock.nsecsElapsed()) / 1e6);
    }
    return times;
}

} // namespace baryton::bench
