#pragma once
#include "app/render_image.h"
#include "lut/accelerate.h"
#include "render/diagnose.h"
#include "render/histogram.h"
#include "render/kept_paint.h"
#include "render/scopes.h"
#include "render/view.h"

#include <QImage>
#include <QObject>
#include <condition_variable>
#include <memory>
#include <mutex>
#include <optional>
#include <string>
#include <thread>
#include <vector>

namespace baryton {

/// What is to be shown of a picture.
struct PreviewRequest {
    std::shared_ptr<const Pyramid> picture;
    ViewRegion region;
    Grade grade;
    std::optional<Grade> before;       ///< the version to compare with, when it is on screen
    std::vector<std::string> inputsOf; ///< the stages whose input is wanted for their editors, the one in hand first
    std::string maskOf = {};           ///< the layer whose mask is wanted; empty for none
    enum class Scope { None, Waveform, Vectorscope } scope = Scope::None; ///< beside the histogram
    bool wantsAccounts = true;                                            ///< histograms, and what each stage does
    bool isHeld = false; ///< a hand holds what it changes: shown quickly from the first change on
    int scene = 0; ///< comes back with all that is told: by it who asked tells what is shown from what no longer is
};

struct PreviewFrame {
    QImage after, before;
    QImage mask; ///< the weights of the layer's mask that was asked for, 8-bit grey, over the same region
    std::string maskOf;
    ViewRegion region;
    int scene = 0;
    double milliseconds = 0; ///< from the request to the finished pixels
    bool exact = true;       ///< false: through a cube, to be replaced when the control rests
};

/// What enters a stage.
struct StageInput {
    std::string stageId;
    Histogram histogram;
    Picture small;
};

struct PreviewScopes {
    Histogram after;
    std::vector<StageInput> inputs;
    std::optional<Waveform> waveform;
    QImage vectorscope; ///< drawn, as traceOf does
    int scene = 0;
};

/// Renders what the viewer shows on a thread of its own. The newest request wins: while one is rendered, later ones
/// replace each other; what is being rendered is finished, so that a moving control is never starved of frames. The
/// region's source pixels and the version before are kept from one request to the next.
///
/// While requests follow one another closely a control is moving: of a long program then only the stage in hand and
/// what follows is run, on kept pixels, or where that is long too all of it through a cube. When none has come for a
/// moment, the exact frame follows, and after it the account of what each stage does. Scopes are counted beside all
/// that, on another thread, so that no frame waits for them.
class PreviewService : public QObject {
    Q_OBJECT
public:
    explicit PreviewService(Monitor monitor = Monitor::Main, QObject* parent = nullptr);
    ~PreviewService() override;

    void request(PreviewRequest request);
    /// Whether all that was asked for is rendered, exactly, and has been handed over.
    bool isAtRest() const;

Q_SIGNALS:
    void frameReady(const baryton::PreviewFrame& frame);
    void scopesReady(const baryton::PreviewScopes& scopes);
    void failed(const QString& why); ///< a request could not be rendered; the next one is tried as any other
    void reportsReady(const std::vector<baryton::StageReport>& reports, int scene);

private:
    void work();
    void workOnCounts();
    /// A frame that has been shown, and of which scopes are due.
    struct Counting {
        PreviewRequest request;
        Program program;
        bool quickly = false;
    };
    void askForCount(const PreviewRequest& request, bool quickly);
    void render(const PreviewRequest& request, std::chrono::steady_clock::time_point since, bool quickly);
    const Program& programOf(const Grade& grade);
    QImage quickImage(const PreviewRequest& request, const Program& program, bool& exact);
    void count(const Counting& counting);
    StageInput inputOf(const PreviewRequest& request, const std::string& stageId);
    void report(const PreviewRequest& request);

    const Monitor monitor_;
    mutable std::mutex lock_;
    std::condition_variable wake_, wakeCounter_;
    std::optional<PreviewRequest> next_;
    std::chrono::steady_clock::time_point nextSince_;
    bool nextMoves_ = false; ///< it belongs to a movement: shown quickly, exactly once the hand rests
    std::optional<Counting> nextCount_;
    bool ending_ = false;
    bool isDrawn_ = true, isCounted_ = true; ///< nothing is due but accounts
    std::shared_ptr<Task> reporting_;        ///< cancelled by the next request

    // Only the worker touches these.
    std::shared_ptr<const Pyramid> cachedPicture_;
    ViewRegion cachedRegion_;
    ViewSource source_;
    ViewNeeds cachedNeeds_;
    std::shared_ptr<KeptPaint> painted_ = std::make_shared<KeptPaint>(); ///< what is kept of brushed masks
    std::optional<Grade> cachedBefore_;
    QImage before_;
    std::optional<Grade> compiledFor_; ///< the grade shown last, whose frame and scopes share a program
    Program compiled_;
    std::optional<Grade> cachedHead_; ///< what stands before the stage in hand, and its pixels
    ViewSource head_;
    Accelerator accelerator_;

    // Only the counter touches these.
    struct KnownInput {
        Grade ahead; ///< what stands before the stage
        StageInput input;
    };
    std::vector<KnownInput> knownInputs_;
    std::shared_ptr<const Pyramid> knownInputsOf_;

    std::thread worker_, counter_;
};

} // namespace baryton
