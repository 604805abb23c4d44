#include "survey/match.h"
#include "base/parallel.h"
#include "colour/illuminant.h"
#include "colour/spaces.h"

#include <Eigen/SparseCholesky>
#include <algorithm>
#include <cmath>
#include <map>

namespace baryton {

namespace {

constexpr double kTold = 0.15; ///< stops within which pixels and the file's exposure say the same
constexpr double kLeft = 0.15; ///< stops of cast, red against blue, from which on it is told that some is left
constexpr double kAgree = 0.6; ///< the same, where only the tones on the whole can be asked
constexpr double kBetweenStops = 1.0 / 3, kBetweenMireds = 60;

using Pair = std::pair<std::size_t, std::size_t>;
using Gains = std::map<Pair, SceneGain>;

double luminanceOf(const Vec3& cones) {
    return cones[1]; // the second cone of CAT16 is near luminance
}

/// log2 of the gains of cone responses that a Prep's light comes to.
Vec3 conesOf(const PrepLight& light) {
    // Its matrix is diagonal in these cones: what it makes of them is read off any colour.
    const Mat3 balance =
        kCat16 * kSrgbToXyz * whiteBalanceMatrix(light.kelvin, light.tint) * kXyzToSrgb * inverse(kCat16);
    return {std::log2(balance[0]) + light.stops, std::log2(balance[4]) + light.stops,
            std::log2(balance[8]) + light.stops};
}

/// The settings that come nearest to gains of cone responses.
PrepLight lightOf(const Vec3& cones) {
    const Vec3 white = kCat16 * kD65;
    const Vec3 cast = inverse(kCat16) * Vec3{white[0] * std::exp2(-cones[0]), white[1] * std::exp2(-cones[1]),
                                             white[2] * std::exp2(-cones[2])};
    const TemperatureTint found = neutralise(kXyzToSrgb * cast);
    const double kelvin = std::round(found.kelvin / 10) * 10, tint = std::round(found.tint * 100) / 100;
    const Vec3 balance = conesOf({0, kelvin, tint});
    double stops = 0;
    for (unsigned k = 0; k < 3; ++k) stops += (cones[k] - balance[k]) / 3;
    return {std::clamp(std::round(stops * 100) / 100, -5.0, 5.0), kelvin, tint};
}

double miredOf(const PrepLight& light) {
    return 1e6 / light.kelvin;
}

Vec3 plus(const Vec3& a, const Vec3& b, double factor = 1) {
    return {a[0] + factor * b[0], a[1] + factor * b[1], a[2] + factor * b[2]};
}

/// The gains of a run's pictures against its first, from those between pairs; of those that no chain of pairs
/// reaches, nothing.
std::map<std::size_t, Vec3> settledGains(const SceneRun& run, const Gains& gains) {
    std::map<std::size_t, std::size_t> places;
    for (const std::size_t picture : run.pictures) places.emplace(picture, places.size());
    struct Edge {
        std::size_t a, b;
        Vec3 gain; ///< x_b − x_a
        double weight;
    };
    std::vector<Edge> edges;
    for (const auto& [pair, gain] : gains)
        if (places.contains(pair.first) && places.contains(pair.second) && gain.isTrusted())
            edges.push_back({places[pair.first], places[pair.second], gain.cones,
                             gain.likeness * gain.likeness / (0.05 + gain.spread)});
    // What is reached from the first.
    std::vector<char> isReached(places.size(), 0);
    isReached[0] = 1;
    for (bool grows = true; grows;) {
        grows = false;
        for (const Edge& e : edges)
            if (isReached[e.a] != isReached[e.b]) isReached[e.a] = isReached[e.b] = 1, grows = true;
    }
    const auto count = static_cast<Eigen::Index>(places.size());
    Eigen::MatrixX3d x = Eigen::MatrixX3d::Zero(count, 3);
    std::vector<double> trust(edges.size(), 1);
    constexpr int rounds = 6; // of reweighting
    for (int round = 0; round < rounds && !edges.empty(); ++round) {
        std::vector<Eigen::Triplet<double>> entries;
        Eigen::MatrixX3d right = Eigen::MatrixX3d::Zero(count, 3);
        for (Eigen::Index i = 0; i < count; ++i)
            entries.emplace_back(i, i, i == 0 || !isReached[static_cast<std::size_t>(i)] ? 1e9 : 1e-9);
        for (std::size_t e = 0; e < edges.size(); ++e) {
            const auto a = static_cast<Eigen::Index>(edges[e].a), b = static_cast<Eigen::Index>(edges[e].b);
            const double w = edges[e].weight * trust[e];
            entries.emplace_back(a, a, w), entries.emplace_back(b, b, w);
            entries.emplace_back(a, b, -w), entries.emplace_back(b, a, -w);
            for (Eigen::Index k = 0; k < 3; ++k) {
                const double pull = w * edges[e].gain[static_cast<std::size_t>(k)];
                right(b, k) += pull, right(a, k) -= pull;
            }
        }
        Eigen::SparseMatrix<double> matrix(count, count);
        matrix.setFromTriplets(entries.begin(), entries.end());
        const Eigen::SimplicialLDLT<Eigen::SparseMatrix<double>> solver(matrix);
        x = solver.solve(right);
        for (std::size_t e = 0; e < edges.size(); ++e) {
            double off = 0;
            for (Eigen::Index k = 0; k < 3; ++k)
                off = std::max(off, std::abs(x(static_cast<Eigen::Index>(edges[e].b), k) -
                                             x(static_cast<Eigen::Index>(edges[e].a), k) -
                                             edges[e].gain[static_cast<std::size_t>(k)]));
            trust[e] = 1 / (1 + off * off / 0.01); // Cauchy's weights, a tenth of a stop
        }
    }
    std::map<std::size_t, Vec3> settled;
    for (const auto& [picture, place] : places)
        if (isReached[place]) {
            const auto i = static_cast<Eigen::Index>(place);
            settled[picture] = {x(i, 0), x(i, 1), x(i, 2)};
        }
    return settled;
}

class Matcher {
public:
    Matcher(const std::vector<MatchPicture>& pictures, const MatchWish& wish, const Task* task)
        : pictures_(pictures), wish_(wish), task_(task) {}

    MatchedSet matched(std::vector<SceneRun> runs) {
        MatchedSet set;
        set.runs = std::move(runs);
        set.matches.resize(pictures_.size());
        std::erase_if(set.runs, [](const SceneRun& run) { return run.pictures.empty(); });
        set.references.resize(set.runs.size());
        for (std::size_t r = 0; r < set.runs.size(); ++r) matchRun(set, r);
        if (wish_.betweenRuns > 0) drawTogether(set);
        for (std::size_t i = 0; i < pictures_.size(); ++i) settle(i, set.matches[i]);
        return set;
    }

private:
    /// Compares those pairs that are not known yet.
    void compare(const std::vector<Pair>& pairs) {
        std::vector<SceneGain*> missing;
        std::vector<Pair> which;
        for (const Pair& pair : pairs) {
            const auto [at, isNew] = gains_.try_emplace(pair);
            if (isNew) missing.push_back(&at->second), which.push_back(pair);
        }
        inPieces(static_cast<int>(missing.size()), 1, 0, [&](int first, int last) {
            for (auto i = static_cast<std::size_t>(first); i < static_cast<std::size_t>(last); ++i) {
                if (task_) task_->throwIfCancelled();
                const Picture &a = pictures_[which[i].first].seen.scene, &b = pictures_[which[i].second].seen.scene;
                if (!a.isEmpty() && !b.isEmpty()) *missing[i] = sceneGain(a, b, task_);
            }
        });
    }

    /// The key, or the picture in the middle of the exposures.
    std::size_t referenceOf(const SceneRun& run) {
        if (std::find(run.pictures.begin(), run.pictures.end(), wish_.key) != run.pictures.end()) return wish_.key;
        const auto settled = settledGains(run, gains_);
        std::vector<std::pair<double, std::size_t>> byLight;
        byLight.reserve(settled.size());
        for (const auto& [picture, gain] : settled)
            byLight.emplace_back(luminanceOf(conesOf(pictures_[picture].light)) - luminanceOf(gain), picture);
        std::sort(byLight.begin(), byLight.end());
        return byLight[(byLight.size() - 1) / 2].second;
    }

    void matchRun(MatchedSet& set, std::size_t r) {
        SceneRun run = set.runs[r];
        std::vector<Pair> pairs;
        for (std::size_t i = 1; i < run.pictures.size(); ++i)
            pairs.emplace_back(run.pictures[i - 1], run.pictures[i]);
        compare(pairs);
        const std::size_t reference = set.references[r] = referenceOf(run);
        // The first of the list is what the gains are told against.
        std::stable_partition(run.pictures.begin(), run.pictures.end(),
                              [&](std::size_t p) { return p == reference; });
        pairs.clear();
        for (std::size_t i = 1; i < run.pictures.size(); ++i) pairs.emplace_back(reference, run.pictures[i]);
        compare(pairs);
        const auto settled = settledGains(run, gains_);
        const Vec3 wanted = conesOf(pictures_[reference].light);
        for (const std::size_t picture : run.pictures) {
            Match& match = set.matches[picture];
            match.run = r;
            wanted_[picture] = conesOf(pictures_[picture].light);
            if (picture == reference) {
                match.by = MatchedBy::Itself;
                continue;
            }
            const auto told = toldStops(reference, picture);
            if (const auto found = settled.find(picture); found != settled.end()) {
                Vec3 gain = found->second;
                match.by = MatchedBy::Pixels;
                if (told && std::abs(*told - luminanceOf(gain)) < kTold) {
                    const double exactly = *told - luminanceOf(gain);
                    gain = plus(gain, {exactly, exactly, exactly});
                    match.by = MatchedBy::Exposure;
                }
                wanted_[picture] = plus(wanted, gain);
            } else {
                byTones(reference, picture, told, match);
            }
        }
    }

    /// By how many stops more light the settings of the reference gave than those of the picture.
    std::optional<double> toldStops(std::size_t reference, std::size_t picture) const {
        const auto one = exposureOf(pictures_[reference].seen.shot), other = exposureOf(pictures_[picture].seen.shot);
        if (!one || !other) return std::nullopt;
        return *one - *other;
    }

    /// Where nothing of the one is found in the other.
    void byTones(std::size_t reference, std::size_t picture, const std::optional<double>& told, Match& match) {
        const Picture &a = pictures_[reference].seen.scene, &b = pictures_[picture].seen.scene;
        if (a.isEmpty() || b.isEmpty()) return;
        const SceneLight one = sceneLight(a), other = sceneLight(b);
        if (std::min(one.share, other.share) < 0.3 || !hasLikeTones(one, other)) return;
        Vec3 gain = plus(one.cones, other.cones, -1);
        if (told) {
            if (std::abs(*told - luminanceOf(gain)) > kAgree) return;
            const double exactly = *told - luminanceOf(gain);
            gain = plus(gain, {exactly, exactly, exactly});
        }
        match.by = MatchedBy::Tones;
        wanted_[picture] = plus(conesOf(pictures_[reference].light), gain);
    }

    /// Draws other runs' cast and key tone a little to those of the key's run.
    void drawTogether(MatchedSet& set) {
        const std::size_t home = set.matches[wish_.key].run;
        const auto referenceOfRun = [&](std::size_t r) -> const MatchPicture& {
            return pictures_[set.references[r]];
        };
        const auto lightOfRun = [&](std::size_t r) {
            SceneLight light = sceneLight(referenceOfRun(r).seen.scene);
            const Vec3 prep = conesOf(referenceOfRun(r).light);
            light.cones = plus(light.cones, prep);
            light.luminance += luminanceOf(prep);
            return light;
        };
        if (referenceOfRun(home).seen.scene.isEmpty()) return;
        const SceneLight key = lightOfRun(home);
        for (std::size_t r = 0; r < set.runs.size(); ++r) {
            if (r == home || referenceOfRun(r).seen.scene.isEmpty()) continue;
            const SceneLight light = lightOfRun(r);
            const double stops =
                std::clamp((key.luminance - light.luminance) / 3, -kBetweenStops, kBetweenStops) * wish_.betweenRuns;
            const Vec3 reference = conesOf(referenceOfRun(r).light);
            const double from = miredOf(referenceOfRun(r).light);
            const double cast = miredOf(lightOf(plus(reference, plus(key.cones, light.cones, -1)))) - from;
            const double toward = std::clamp(cast / 2, -kBetweenMireds, kBetweenMireds);
            PrepLight drawn = referenceOfRun(r).light;
            drawn.kelvin = 1e6 / (from + toward * wish_.betweenRuns);
            const Vec3 change = plus(plus(conesOf(drawn), reference, -1), {stops, stops, stops});
            for (const std::size_t picture : set.runs[r].pictures)
                if (set.matches[picture].by != MatchedBy::Nothing) wanted_[picture] = plus(wanted_[picture], change);
        }
    }

    /// From the wanted gains to settings, within the limits.
    void settle(std::size_t picture, Match& match) const {
        const PrepLight now = pictures_[picture].light;
        const auto wanted = wanted_.find(picture);
        match.light = now;
        if (wanted == wanted_.end()) return;
        const Vec3 change = plus(wanted->second, conesOf(now), -1);
        if (std::max({std::abs(change[0]), std::abs(change[1]), std::abs(change[2])}) < 1e-6) return;
        PrepLight next = lightOf(wanted->second);
        match.stopsOff = now.stops - next.stops;
        match.miredsOff = miredOf(next) - miredOf(now);
        const double stops = std::clamp(next.stops, now.stops - wish_.mostStops, now.stops + wish_.mostStops);
        const double mired =
            std::clamp(miredOf(next), miredOf(now) - wish_.mostMireds, miredOf(now) + wish_.mostMireds);
        constexpr double slight = 1e-9;
        // Some lights are past what a white balance reaches.
        const Vec3 reached = plus(conesOf(next), wanted->second, -1);
        match.isHeld = std::abs(stops - next.stops) > slight || std::abs(mired - miredOf(next)) > slight ||
                       std::abs(reached[0] - reached[2]) > kLeft;
        next.stops = stops;
        if (std::abs(mired - miredOf(next)) > slight) next.kelvin = std::round(1e5 / mired) * 10;
        match.light = next;
    }

    const std::vector<MatchPicture>& pictures_;
    const MatchWish& wish_;
    Gains gains_;
    const Task* task_;
    std::map<std::size_t, Vec3> wanted_; ///< gains of the cone responses of each picture's source
};

} // namespace

MatchedSet matchSet(const std::vector<MatchPicture>& pictures, const MatchWish& wish, const Task* task) {
    std::vector<RunPicture> seen;
    seen.reserve(pictures.size());
    for (const MatchPicture& picture : pictures) seen.push_back(picture.seen);
    return matchRuns(pictures, runsOf(seen, task), wish, task);
}

MatchedSet matchRuns(const std::vector<MatchPicture>& pictures, std::vector<SceneRun> runs, const MatchWish& wish,
                     const Task* task) {
    return Matcher(pictures, wish, task).matched(std::move(runs));
}

} // namespace baryton
