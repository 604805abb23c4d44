#include "render/diagnose.h"
#include "base/words.h"
#include "colour/spaces.h"
#include "colour/transfer.h"
#include "grade/cut_grade.h"
#include "render/detail.h"
#include "render/histogram.h"
#include "stages/overlay_raster.h"

#include <algorithm>
#include <cmath>
#include <fmt/format.h>

namespace baryton {

namespace {

constexpr double kSeen = 0.1;        ///< ΔE below which a change can't be seen
constexpr double kClipShare = 0.005; ///< of the pixels, from which on clipping is told
constexpr double kLostShare = 0.01;  ///< of the picture, from which on lost folds are warned of
constexpr double kFlatSlope = 0.15;  ///< levels out for each level in
constexpr int kFlatTold = 12;        ///< levels in a run, from which on it is told
constexpr double kFlatShare = 0.02;
constexpr int kStretchTold = 6;     ///< stretched levels from which on banding is told
constexpr double kContrasty = 0.82; ///< spread of luma from which on a film response turns dull

Vec3 colourOf(const Picture& p, int x, int y) {
    return {p.row(0, y)[x], p.row(1, y)[x], p.row(2, y)[x]};
}

Vec3 clipped(Vec3 v) {
    for (double& c : v) c = std::clamp(c, 0.0, 1.0);
    return v;
}

/// A grade with one stage in a place of another: that stage acts on what it is given.
Grade onlyStage(const Grade& grade, const StagePlace& place, const Stage& stage) {
    Grade alone;
    if (place.part == Part::Prep) alone.prep.push_back(stage);
    if (place.part == Part::Finish) alone.finish.push_back(stage);
    if (place.part == Part::Look) {
        Layer layer = grade.look[place.layer];
        layer.stages = {stage};
        layer.blend.reset(), layer.mask.reset(); // the stage's own doing, before its layer is laid over
        alone.look.push_back(std::move(layer));
    }
    return alone;
}

/// The largest difference of any pixel; the first that reaches `enough` ends the search.
double largestChange(const Picture& a, const Picture& b, double enough = 1e9) {
    double largest = 0;
    for (int y = 0; y < a.height(); ++y)
        for (int x = 0; x < a.width(); ++x) {
            const Vec3 v = colourOf(a, x, y), w = colourOf(b, x, y);
            double furthest = 0;
            for (std::size_t k = 0; k < 3; ++k) furthest = std::max(furthest, std::abs(v[k] - w[k]));
            // The costly difference only where it can be the largest one.
            if (furthest > 1e-4 && furthest * 250 > largest)
                largest = std::max(largest, deltaE2000(labFromSrgb(clipped(v)), labFromSrgb(clipped(w))));
            if (largest >= enough) return largest;
        }
    return largest;
}

/// Every second pixel of every second row.
Picture thinned(const Picture& p) {
    Picture small(std::max(1, p.width() / 2), std::max(1, p.height() / 2));
    for (int k = 0; k < 3; ++k)
        for (int y = 0; y < small.height(); ++y)
            for (int x = 0; x < small.width(); ++x) small.row(k, y)[x] = p.row(k, 2 * y)[2 * x];
    return small;
}

/// Colours of the whole cube, 16 steps along each edge.
const Picture& everyColour() {
    static const Picture all = [] {
        Picture p(64, 64);
        for (int i = 0; i < 64 * 64; ++i)
            for (int k = 0; k < 3; ++k) p.row(k, i / 64)[i % 64] = static_cast<float>(i >> (4 * k) & 15) / 15;
        return p;
    }();
    return all;
}

std::vector<std::string> deadParametersOf(const Grade& grade, const StagePlace& place, const StageType& type,
                                          const Picture& in, const Task* task) {
    std::vector<std::string> dead;
    const Stage& stage = stageAt(grade, place);
    const Program whole = Program::compile(onlyStage(grade, place, stage));
    const Picture with = whole.graded(in, 0, task);
    for (const auto& [id, value] : stage.parameters) {
        const ParameterType* parameter = type.parameter(id);
        if (!parameter || parameter->kind != ParameterKind::Number || value == parameter->defaultValue) continue;
        Stage other = stage;
        other.parameters.erase(id);
        const Program without = Program::compile(onlyStage(grade, place, other));
        if (largestChange(with, without.graded(in, 0, task), kSeen) >= kSeen) continue;
        if (largestChange(whole.graded(everyColour(), 0, task), without.graded(everyColour(), 0, task), 1) >= 1)
            dead.push_back(id);
    }
    return dead;
}

/// `byLevels`: also how levels of luma come to lie, which is asked of stages that go by the pixel's colour alone.
void measure(StageReport& report, const Picture& in, const Picture& out, bool byLevels) {
    report.largestChange = largestChange(in, out);
    const double pixels = double(in.width()) * in.height();
    bool filled[256] = {};
    double sums[256] = {};
    int counts[256] = {};
    for (int y = 0; y < in.height(); ++y)
        for (int x = 0; x < in.width(); ++x) {
            const Vec3 a = colourOf(in, x, y), b = colourOf(out, x, y);
            for (std::size_t k = 0; k < 3; ++k) {
                // Past half a level of 8 bits: what only touches the end has not lost anything.
                constexpr double edge = 0.5 / 255;
                report.newBlack[k] += (a[k] > edge && b[k] < -edge) / pixels;
                report.newWhite[k] += (a[k] < 1 - edge && b[k] > 1 + edge) / pixels;
            }
            const double before = std::clamp(luma(a[0], a[1], a[2]), 0.0, 1.0) * 255,
                         after = luma(b[0], b[1], b[2]) * 255;
            const auto level = static_cast<std::size_t>(std::lround(before));
            sums[level] += after - before + static_cast<double>(level);
            ++counts[level];
        }
    if (!byLevels) return;
    // A level counts as filled when a smooth area could be made of it.
    for (int i = 0; i < 256; ++i) filled[i] = counts[i] > pixels / 4000;
    int flatStart = 0;
    for (int i = 1; i < 256; ++i) {
        const bool both = filled[i] && filled[i - 1];
        if (!both || std::abs(sums[i] / counts[i] - sums[i - 1] / counts[i - 1]) >= kFlatSlope)
            flatStart = i;
        else if (i - flatStart > report.flatTo - report.flatFrom)
            report.flatFrom = flatStart, report.flatTo = i;
        if (both) {
            const double low = sums[i - 1] / counts[i - 1], high = sums[i] / counts[i];
            report.stretchedLevels +=
                std::abs(high - low) > 2 && std::max(low, high) > 0 && std::min(low, high) < 255;
        }
    }
    for (int i = report.flatFrom; i <= report.flatTo && report.flatTo > report.flatFrom; ++i)
        report.flatShare += counts[i] / pixels;
}

std::string ends(const double (&share)[3]) {
    const std::string names[] = {words("red"), words("green"), words("blue")};
    std::string text;
    for (int k = 0; k < 3; ++k)
        if (share[k] >= kClipShare)
            text += fmt::format("{}{} {:.1f} %", text.empty() ? "" : ", ", names[k], share[k] * 100);
    return text;
}

void putIntoWords(StageReport& r, const StageType& type, const std::string& title) {
    if (r.isDead) {
        r.mark = words("no effect here");
        r.isWarning = true;
        r.sentence =
            inWords("{} finds nothing to work on: what stands before it has taken the colours it acts on.", title);
        return;
    }
    if (r.largestChange < kSeen) {
        r.mark = words("changes nothing"); // no warning: on the next picture it may
        r.sentence = inWords("{} changes no pixel of this picture by as much as ΔE {}.", title, kSeen);
        return;
    }
    const auto tell = [&r](const std::string& sentence) { r.sentence += (r.sentence.empty() ? "" : " ") + sentence; };
    const std::string black = ends(r.newBlack), white = ends(r.newWhite);
    if (!black.empty() || !white.empty()) {
        std::string lost;
        if (!black.empty()) lost = inWords("below black {}", black);
        if (!white.empty()) lost += (black.empty() ? "" : "; ") + inWords("above white {}", white);
        tell(inWords("{} pushes pixels past the ends: {}. A later stage may bring them back.", title, lost));
    }
    if (r.flatTo - r.flatFrom >= kFlatTold && r.flatShare >= kFlatShare)
        tell(inWords("{} lays the levels {} to {} almost together ({:.0f} % of the picture): folds and "
                     "texture are lost there. A softer bend keeps them.",
                     title, r.flatFrom, r.flatTo, r.flatShare * 100));
    if (r.stretchedLevels >= kStretchTold)
        tell(inWords("{} draws {} neighbouring levels more than 2 apart: smooth areas may show bands.", title,
                     r.stretchedLevels));
    if (r.tooContrasty) {
        r.mark = words("contrasty source");
        r.isWarning = true;
        tell(inWords("The picture is already contrasty (its tones span {:.0f} % of the scale): {} will look dull. "
                     "Flatten it first with Tone, or lower the film contrast.",
                     r.sourceSpread * 100, title));
    }
    if (!r.deadParameters.empty()) {
        std::string names;
        for (const std::string& id : r.deadParameters)
            names += (names.empty() ? "" : ", ") + type.parameter(id)->name;
        tell(inWords("This picture has no colours here for some of {}: {}.", title, names));
    }
}

/// What there is to tell of a LUT or picture that is named but not there, or can't be decoded; nothing where all is
/// well.
std::optional<StageReport> contentReport(const Grade& grade, const Stage& stage, const StageType& type) {
    const ParameterReader read(type, stage);
    StageReport report;
    report.stageId = stage.id;
    report.isWarning = true;
    for (const ParameterType& p : type.parameters) {
        if (p.kind == ParameterKind::LutFile && !read.lut(p.id).table && !read.lut(p.id).name.empty()) {
            report.mark = words("LUT missing");
            report.sentence = inWords("{} names the LUT “{}”, but its content did not come along: the picture passes "
                                      "through. Load the file again.",
                                      stageTitle(grade, stage), read.lut(p.id).name);
            return report;
        }
        if (p.kind != ParameterKind::Picture) continue;
        const PictureContent picture = read.picture(p.id);
        report.mark = words("picture missing");
        if (!picture.encoded && !picture.name.empty()) {
            report.sentence =
                inWords("{} names the picture “{}”, but its content did not come along: nothing is laid "
                        "over. Choose the picture again.",
                        stageTitle(grade, stage), picture.name);
            return report;
        }
        if (const std::string problem = overlayProblem(picture); !problem.empty()) {
            report.sentence = inWords("{}: {}. Nothing is laid over; choose the picture “{}” again.",
                                      stageTitle(grade, stage), problem, picture.name);
            return report;
        }
    }
    return std::nullopt;
}

/// The spread of luma, 5th to 95th percentile.
double spreadOf(const Picture& picture) {
    const Histogram h = histogramOf(picture);
    const auto percentile = [&](double share) {
        std::uint64_t sum = 0;
        for (std::size_t i = 0; i < 256; ++i)
            if (sum += h.luma[i]; static_cast<double>(sum) >= share * static_cast<double>(h.pixels))
                return static_cast<double>(i) / 255;
        return 1.0;
    };
    return percentile(0.95) - percentile(0.05);
}

/// What a stage is given, and what the grade makes of the picture.
Picture inputOf(const Grade& grade, const std::string& stageId, const Picture& small, const Task* task) {
    return Program::compile(upTo(grade, stageId)).graded(small, 0, task);
}
Picture finished(const Grade& grade, const Picture& small, const Task* task) {
    return Program::compile(grade).graded(small, 0, task);
}

/// A place ahead of an earlier stage at which the stage has something to work on: the latest such.
std::optional<Remedy> moveAhead(const Grade& grade, const std::string& stageId, const Picture& small,
                                const Task* task) {
    const StagePlace at = *findStage(grade, stageId);
    std::vector<StagePlace> places = stagePlaces(grade);
    for (auto other = places.rbegin(); other != places.rend(); ++other) {
        if (other->part != at.part || other->layer > at.layer ||
            (other->layer == at.layer && other->index >= at.index))
            continue;
        const Remedy remedy{Remedy::Kind::MoveAhead, stageId, 0, stageAt(grade, *other).id};
        const Grade moved = remedied(grade, remedy);
        const StagePlace there = *findStage(moved, stageId);
        const Picture in = inputOf(moved, stageId, small, task);
        if (largestChange(in, Program::compile(onlyStage(moved, there, stageAt(moved, there))).graded(in, 0, task)) >=
            1)
            return remedy;
    }
    return std::nullopt;
}

std::optional<Remedy> flattenFirst(const Grade& grade, const std::string& stageId, const Picture& small,
                                   const Task* task) {
    for (const double amount : {0.2, 0.4, 0.6, 0.8}) {
        const Remedy remedy{Remedy::Kind::FlattenFirst, stageId, amount};
        if (spreadOf(inputOf(remedied(grade, remedy), stageId, small, task)) <= kContrasty) return remedy;
    }
    return std::nullopt;
}

/// The gentlest remedy after which too little is lost to be told; nothing where none does it.
std::optional<Remedy> mending(const Grade& grade, const std::string& stageId, const LostDetail& lost,
                              const std::vector<float>& sourceDetail, const Picture& small, const Task* task) {
    const auto mends = [&](const Remedy& remedy) {
        if (task) task->throwIfCancelled();
        // Well below where it is told, so that the next small change does not bring it back.
        return lostDetail(sourceDetail, finished(remedied(grade, remedy), small, task)).share < kLostShare * 0.8;
    };
    std::vector<Remedy> candidates;
    if (lost.colours >= 0.3)
        for (const double reach : {1.5, 2.2, 3.0}) candidates.push_back({Remedy::Kind::HoldColours, stageId, reach});
    if (lost.lights >= 0.3)
        for (const double amount : {0.4, 0.7, 1.0}) candidates.push_back({Remedy::Kind::RollOff, stageId, amount});
    const double strength = stageAt(grade, *findStage(grade, stageId)).strengthOrFull();
    for (const double share : {0.9, 0.8, 0.7, 0.6, 0.5, 0.4, 0.3})
        candidates.push_back({Remedy::Kind::Ease, stageId, std::round(strength * share * 20) / 20});
    const auto first = std::find_if(candidates.begin(), candidates.end(), mends);
    return first == candidates.end() ? std::nullopt : std::optional(*first);
}

/// Warns of what the finished picture has lost, at the stage that took most of it.
void reportLost(std::vector<StageReport>& reports, const Grade& grade, const Picture& small, const Task* task) {
    if (reports.empty()) return;
    const std::vector<float> sourceDetail = detailOf(small);
    const LostDetail lost = lostDetail(sourceDetail, finished(grade, small, task));
    if (lost.share < kLostShare) return;
    // Each stage's part: by how many octaves the detail of those pixels falls from its input to the next one's.
    const auto octaves = [&](const Picture& picture) {
        const std::vector<float> detail = detailOf(picture);
        double sum = 0;
        for (const std::size_t i : lost.pixels) sum += std::log2(detail[i] + 0.25);
        return sum;
    };
    std::vector<double> standing;
    for (const StageReport& report : reports)
        standing.push_back(octaves(inputOf(grade, report.stageId, small, task)));
    standing.push_back(octaves(finished(grade, small, task)));
    std::size_t most = 0;
    for (std::size_t i = 1; i < reports.size(); ++i)
        if (standing[i] - standing[i + 1] > standing[most] - standing[most + 1]) most = i;
    StageReport& report = reports[most];
    if (report.isWarning && !report.tooContrasty) return;
    const double percent = lost.share * 100;
    report.lostShare = lost.share;
    report.isWarning = true;
    std::string sentence;
    if (lost.lights >= std::max(lost.colours, lost.tones)) {
        report.mark = words("burns out");
        sentence = inWords("{:.0f} % of the picture is lost to white: folds that the source has are gone.", percent);
    } else if (lost.colours >= lost.tones) {
        report.mark = words("cuts colours");
        sentence =
            inWords("{:.0f} % of the picture is more colourful than a file holds: folds are cut off.", percent);
    } else {
        report.mark = words("loses folds");
        sentence = inWords("{:.0f} % of the picture has its tones laid together: folds are gone there.", percent);
    }
    report.sentence = sentence + (report.sentence.empty() ? "" : " ") + report.sentence;
    report.remedy = mending(grade, report.stageId, lost, sourceDetail, small, task);
}

} // namespace

std::vector<StageReport> diagnose(const Grade& grade, const Picture& small, const Task* task) {
    std::vector<StageReport> reports;
    for (const StagePlace& place : stagePlaces(grade)) {
        if (task) task->throwIfCancelled();
        const Stage& stage = stageAt(grade, place);
        const StageType* type = findStageType(stage.type);
        if (!type) continue;
        if (auto report = stage.isEnabled() ? contentReport(grade, stage, *type) : std::nullopt) {
            reports.push_back(std::move(*report));
            continue;
        }
        if (isNeutral(stage) || findStageType(stage.type)->footprint == Footprint::Source) continue;
        if (place.part == Part::Look && !grade.look[place.layer].isEnabled()) continue;
        StageReport report;
        report.stageId = stage.id;
        const Picture in = Program::compile(upTo(grade, stage.id)).graded(small, 0, task);
        const Program alone = Program::compile(onlyStage(grade, place, stage));
        measure(report, in, alone.graded(in, 0, task), findStageType(stage.type)->bakes());
        if (report.largestChange < kSeen) {
            // What works on pixels of the full size may do much there and nothing here.
            if (type->footprint == Footprint::Narrow || type->compileForPixels) continue;
            // Dead: on the source itself the same stage would be seen.
            StageReport onSource;
            measure(onSource, small, alone.graded(small, 0, task), true);
            report.isDead = onSource.largestChange >= 1;
        }
        if (stage.type == "film-response") {
            report.sourceSpread = spreadOf(in);
            report.tooContrasty = report.sourceSpread > kContrasty;
        }
        if (report.largestChange >= kSeen)
            report.deadParameters = deadParametersOf(grade, place, *type, thinned(in), task);
        putIntoWords(report, *type, stageTitle(grade, stage));
        if (report.isDead) report.remedy = moveAhead(grade, stage.id, small, task);
        if (report.tooContrasty) report.remedy = flattenFirst(grade, stage.id, small, task);
        reports.push_back(std::move(report));
    }
    reportLost(reports, grade, small, task);
    return reports;
}

} // namespace baryton
