#include "app/preview_service.h"
#include "app/render_image.h"

namespace baryton {

namespace {

/// The level on which scopes are counted: some hundred thousand pixels tell the same as all.
const Picture& scopeLevel(const Pyramid& pyramid) {
    constexpr int enough = 512;
    const auto& levels = pyramid.levels();
    std::size_t i = 0;
    while (i + 1 < levels.size() && levels[i].longSide() > enough) ++i;
    return levels[i];
}

} // namespace

PreviewService::PreviewService(QObject* parent) : QObject(parent), worker_([this] { work(); }) {}

PreviewService::~PreviewService() {
    {
        const std::lock_guard<std::mutex> guard(lock_);
        ending_ = true;
    }
    wake_.notify_one();
    worker_.join();
}

void PreviewService::request(PreviewRequest request) {
    {
        const std::lock_guard<std::mutex> guard(lock_);
        next_ = std::move(request);
        nextSince_ = std::chrono::steady_clock::now();
    }
    wake_.notify_one();
}

void PreviewService::work() {
    for (;;) {
        PreviewRequest request;
        std::chrono::steady_clock::time_point since;
        {
            std::unique_lock<std::mutex> guard(lock_);
            wake_.wait(guard, [this] { return ending_ || next_; });
            if (ending_) return;
            request = std::move(*next_);
            since = nextSince_;
            next_.reset();
        }
        render(request, since);
    }
}

void PreviewService::render(const PreviewRequest& request, std::chrono::steady_clock::time_point since) {
    if (!request.picture || request.region.width < 1 || request.region.height < 1) return;
    if (request.picture != cachedPicture_ || request.region != cachedRegion_) {
        source_ = viewSource(*request.picture, request.region);
        cachedPicture_ = request.picture;
        cachedRegion_ = request.region;
        cachedBefore_.reset();
    }
    PreviewFrame frame;
    frame.after = imageOf(Program::compile(request.grade), source_.pixels, source_.frame);
    if (request.before) {
        if (cachedBefore_ != request.before) {
            before_ = imageOf(Program::compile(*request.before), source_.pixels, source_.frame);
            cachedBefore_ = request.before;
        }
        frame.before = before_;
    }
    frame.region = request.region;
    frame.picture = request.picture.get();
    frame.milliseconds = std::chrono::duration<double, std::milli>(std::chrono::steady_clock::now() - since).count();
    Q_EMIT frameReady(frame);

    const Picture& level = scopeLevel(*request.picture);
    PreviewScopes scopes;
    scopes.after = histogramOf(Program::compile(request.grade).graded(level));
    if (!request.inputOf.empty()) scopes.input = histogramBefore(level, request.grade, request.inputOf);
    scopes.inputOf = request.inputOf;
    Q_EMIT scopesReady(scopes);
}

} // namespace baryton
