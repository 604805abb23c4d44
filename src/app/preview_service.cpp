#include "app/preview_service.h"
#include "app/behind.h"
#include "app/widgets/scope_view.h"
#include "grade/cut_grade.h"

#include <algorithm>

namespace baryton {

namespace {

/// The smallest level whose long side is at most `most`, or the smallest there is.
const Picture& levelOf(const Pyramid& pyramid, int most) {
    const auto& levels = pyramid.levels();
    std::size_t i = 0;
    while (i + 1 < levels.size() && levels[i].longSide() > most) ++i;
    return levels[i];
}

using Clock = std::chrono::steady_clock;
constexpr auto kTogether = std::chrono::milliseconds(120); // requests closer than this belong to one movement
} // namespace

PreviewService::PreviewService(Monitor monitor, QObject* parent)
    : QObject(parent), monitor_(monitor), worker_([this] { work(); }), counter_([this] { workOnCounts(); }) {}

PreviewService::~PreviewService() {
    {
        const std::lock_guard<std::mutex> guard(lock_);
        ending_ = true;
        if (reporting_) reporting_->cancel();
    }
    wake_.notify_one();
    wakeCounter_.notify_one();
    worker_.join();
    counter_.join();
}

void PreviewService::request(PreviewRequest request) {
    {
        const std::lock_guard<std::mutex> guard(lock_);
        next_ = std::move(request);
        // By when they come, not by when there was time for them: an exact frame may take longer than a movement's
        // pauses.
        const auto now = Clock::now();
        nextMoves_ = next_->isHeld || now - nextSince_ < kTogether;
        nextSince_ = now;
        isDrawn_ = false;
        if (reporting_) reporting_->cancel();
    }
    wake_.notify_one();
}

bool PreviewService::isAtRest() const {
    const std::lock_guard<std::mutex> guard(lock_);
    return isDrawn_ && isCounted_;
}

void PreviewService::work() {
    constexpr auto rest = std::chrono::milliseconds(60); // after it the exact frame follows
    PreviewRequest request;
    Clock::time_point since{};
    bool exactDue = false, reportDue = false;
    for (;;) {
        bool isNew = false;
        {
            std::unique_lock<std::mutex> guard(lock_);
            const auto ready = [this] { return ending_ || next_; };
            isDrawn_ = !next_ && !exactDue;
            if (exactDue || reportDue)
                wake_.wait_for(guard, rest, ready);
            else
                wake_.wait(guard, ready);
            if (ending_) return;
            if (next_) {
                request = std::move(*next_);
                since = nextSince_;
                exactDue = nextMoves_;
                next_.reset();
                isNew = true;
            }
        }
        try {
            if (isNew) {
                reportDue = request.wantsAccounts;
                render(request, since, exactDue);
                askForCount(request, exactDue);
            } else if (exactDue) {
                exactDue = false;
                render(request, Clock::now(), false);
                askForCount(request, false);
            } else {
                reportDue = false;
                report(request);
            }
        } catch (const std::exception& e) {
            // No memory, most likely. What was kept of a half-done request is worth nothing.
            exactDue = reportDue = false;
            cachedPicture_.reset(), cachedBefore_.reset(), cachedHead_.reset(), compiledFor_.reset();
            tellWindow(this, [this, why = QString::fromUtf8(e.what())] { Q_EMIT failed(why); });
        }
    }
}

void PreviewService::askForCount(const PreviewRequest& request, bool quickly) {
    if (!request.wantsAccounts || !request.picture) return;
    Counting counting{request, programOf(request.grade), quickly};
    {
        const std::lock_guard<std::mutex> guard(lock_);
        nextCount_ = std::move(counting);
        isCounted_ = false;
    }
    wakeCounter_.notify_one();
}

void PreviewService::workOnCounts() {
    constexpr auto pause = std::chrono::milliseconds(40); // while a control moves: they are live, and few
    Clock::time_point last{};
    for (;;) {
        std::optional<Counting> counting;
        {
            std::unique_lock<std::mutex> guard(lock_);
            isCounted_ = !nextCount_;
            wakeCounter_.wait(guard, [this] { return ending_ || nextCount_; });
            // The newest after the pause; what is exact waits for nothing.
            wakeCounter_.wait_until(guard, last + pause, [this] { return ending_ || !nextCount_->quickly; });
            if (ending_) return;
            std::swap(counting, nextCount_);
        }
        try {
            count(*counting);
        } catch (const std::exception& e) {
            knownInputs_.clear();
            tellWindow(this, [this, why = QString::fromUtf8(e.what())] { Q_EMIT failed(why); });
        }
        last = Clock::now();
    }
}

void PreviewService::report(const PreviewRequest& request) {
    if (!request.picture) return;
    auto task = std::make_shared<Task>();
    {
        const std::lock_guard<std::mutex> guard(lock_);
        if (next_ || ending_) return;
        reporting_ = task;
    }
    try {
        tellWindow(this, [this, scene = request.scene,
                          reports = diagnose(request.grade, levelOf(*request.picture, 256), task.get())] {
            Q_EMIT reportsReady(reports, scene);
        });
    } catch (const Cancelled&) {
        // the next request brings its own
    }
}

const Program& PreviewService::programOf(const Grade& grade) {
    if (compiledFor_ != grade) {
        compiled_ = Program::compile(grade);
        compiledFor_ = grade;
    }
    return compiled_;
}

QImage PreviewService::quickImage(const PreviewRequest& request, const Program& program, bool& exact) {
    constexpr std::size_t longProgram = 6; // a shorter one is as quick as a cube and needs no baking
    // What looks over the whole frame works on a smaller version of it while a control moves.
    ViewSource source = source_;
    if (source.frame.base) {
        source.frame.base = request.picture->quickBase();
        exact = false;
    }
    if (cachedNeeds_.margin > 0 || program.needs(source.frame.scale).time) {
        source.frame.isMoving = true;
        exact = false;
    }
    if (program.stepCount() < longProgram) return imageOf(program, source, monitor_);
    exact = false;
    // What stands ahead of the stage in hand stays as it is while that stage is changed.
    const std::string inHand = request.inputsOf.empty() ? std::string() : request.inputsOf.front();
    if (const auto rest = fromOn(request.grade, inHand)) {
        const Program tail = Program::compile(*rest);
        if (tail.stepCount() < longProgram) {
            Grade head = upTo(request.grade, inHand);
            if (cachedHead_ != head) {
                const Program ahead = Program::compile(head);
                head_ = source;
                ahead.run(source.pixels, source.frame, into(head_.pixels));
                if (head_.frame.base)
                    head_.frame.base = std::make_shared<const BaseLevel>(head_.frame.base->graded({head, {}}));
                cachedHead_ = std::move(head);
            }
            return imageOf(tail, head_, monitor_);
        }
    }
    return imageOf(accelerator_.accelerated(request.grade), source, monitor_);
}

void PreviewService::render(const PreviewRequest& request, std::chrono::steady_clock::time_point since,
                            bool quickly) {
    if (!request.picture || request.region.width < 1 || request.region.height < 1) return;
    const Program& program = programOf(request.grade);
    const double scale = gradedScale(*request.picture, request.region);
    ViewNeeds needs = program.needs(scale);
    const bool isElsewhere = request.picture != cachedPicture_ || request.region != cachedRegion_;
    std::optional<Program> before;
    if (request.before && (isElsewhere || cachedBefore_ != request.before)) {
        before = Program::compile(*request.before);
        const ViewNeeds theirs = before->needs(scale);
        needs = {std::max(needs.margin, theirs.margin), needs.base || theirs.base};
    }
    if (isElsewhere || !cachedNeeds_.covers(needs)) {
        source_ = viewSource(*request.picture, request.region, needs);
        source_.frame.painted = painted_;
        cachedPicture_ = request.picture;
        cachedRegion_ = request.region;
        cachedNeeds_ = needs;
        cachedHead_.reset();
        if (isElsewhere) cachedBefore_.reset();
    }
    PreviewFrame frame;
    frame.after = quickly ? quickImage(request, program, frame.exact) : imageOf(program, source_, monitor_);
    if (request.before) {
        if (before) {
            before_ = imageOf(*before, source_, monitor_);
            cachedBefore_ = request.before;
        }
        frame.before = before_;
    }
    if (!request.maskOf.empty()) {
        frame.mask = greyOf(Program::ofMask(request.grade, request.maskOf), source_);
        frame.maskOf = request.maskOf;
    }
    frame.region = request.region;
    frame.scene = request.scene;
    frame.milliseconds = std::chrono::duration<double, std::milli>(std::chrono::steady_clock::now() - since).count();
    tellWindow(this, [this, frame] { Q_EMIT frameReady(frame); });
}

StageInput PreviewService::inputOf(const PreviewRequest& request, const std::string& stageId) {
    if (knownInputsOf_ != request.picture) knownInputs_.clear();
    knownInputsOf_ = request.picture;
    const Grade ahead = upTo(request.grade, stageId);
    const auto known = std::find_if(knownInputs_.begin(), knownInputs_.end(),
                                    [&](const KnownInput& each) { return each.input.stageId == stageId; });
    // While the stage in hand moves, what enters it stays as it is.
    if (known != knownInputs_.end() && known->ahead == ahead) return known->input;
    const Program program = Program::compile(ahead);
    StageInput input{stageId, histogramOf(program.graded(levelOf(*request.picture, 512))),
                     program.graded(levelOf(*request.picture, 256))};
    if (known != knownInputs_.end()) knownInputs_.erase(known);
    constexpr std::size_t most = 4;
    if (knownInputs_.size() == most) knownInputs_.erase(knownInputs_.begin());
    knownInputs_.push_back({ahead, input});
    return input;
}

void PreviewService::count(const Counting& counting) {
    const auto& [request, program, quickly] = counting;
    // Some hundred thousand pixels tell the same as all; while a control moves, some ten thousand must do.
    const Picture& level = levelOf(*request.picture, quickly ? 256 : 512);
    PreviewScopes scopes;
    scopes.scene = request.scene;
    Picture graded = level;
    // Of so few pixels each is the mean of thousands: what is worked out for every pixel there takes its quick way.
    FrameMap map = FrameMap::whole(level);
    map.isMoving = quickly;
    map.painted = painted_;
    if (!quickly && program.needs(map.scale).base) map.base = request.picture->base(); // is there for the exact frame
    if (!program.isEmpty()) program.run(level, map, into(graded));
    scopes.after = histogramOf(graded);
    constexpr int columns = 256, vectorscopeSide = 192;
    if (request.scope == PreviewRequest::Scope::Waveform) scopes.waveform = waveformOf(graded, columns);
    if (request.scope == PreviewRequest::Scope::Vectorscope)
        scopes.vectorscope = traceOf(vectorscopeOf(graded, vectorscopeSide));
    for (const std::string& stageId : request.inputsOf) scopes.inputs.push_back(inputOf(request, stageId));
    tellWindow(this, [this, scopes] { Q_EMIT scopesReady(scopes); });
}

} // namespace baryton
