#include "support/samples.h"
#include "support/sanitized.h"
#include "support/taken_set.h"
#include "survey/match.h"

#include <numeric>

namespace baryton::test {

namespace {

/// Shots of some scenes one after the other, a run of eight each, taken a few seconds apart, some minutes between.
struct TakenSet {
    std::vector<MatchPicture> pictures;
    std::vector<Taken> taken;
    std::vector<std::size_t> scenes;
};

TakenSet takenSet(const std::vector<Picture>& scenes, unsigned seed, bool isTold, bool isTimed = true) {
    TakenSet set;
    Random random(seed);
    double clock = 1.7e9;
    for (std::size_t s = 0; s < scenes.size(); ++s) {
        clock += uniform(random, 8, 600);
        for (const Taken& t : runOfEight(seed + static_cast<unsigned>(s))) {
            MatchPicture picture;
            picture.seen.scene = sceneVersion(takenAs(scenes[s], t));
            Shot& shot = picture.seen.shot;
            shot.cameraModel = "K1", shot.lens = "35 mm";
            if (isTimed) shot.takenAt = clock += uniform(random, 1, 8);
            if (isTold) shot.exposureTime = std::exp2(t.stops) / 60, shot.iso = 200, shot.aperture = 4;
            set.pictures.push_back(std::move(picture));
            set.taken.push_back(t);
            set.scenes.push_back(s);
        }
    }
    return set;
}

} // namespace

TEST(Match, ARunOfEightOfEachSceneComesToLieAlike) {
    double before = 0, after = 0;
    int told = 0;
    for (std::size_t s = 0; s < demoScenes().size(); ++s) {
        if (kSanitized && s % 4 != 0) continue;
        const Picture scene = demoScene(demoScenes()[s]);
        const TakenSet set = takenSet({scene}, 100 + static_cast<unsigned>(s), s % 2 == 0);
        const MatchedSet matched = matchSet(set.pictures, {});
        for (std::size_t i = 1; i < set.taken.size(); ++i) {
            const Picture shot = takenAs(scene, set.taken[i], false);
            const double was = trustedApart(scene, shot, {}),
                         is = trustedApart(scene, shot, matched.matches[i].light);
            EXPECT_LE(is, was + 0.3) << demoScenes()[s] << " " << i;
            before += was, after += is;
            told += matched.matches[i].by == MatchedBy::Exposure;
        }
        EXPECT_EQ(matched.matches[0].by, MatchedBy::Itself);
        EXPECT_EQ(matched.matches[0].light, PrepLight());
    }
    EXPECT_LT(after, 0.25 * before);
    EXPECT_GT(told, kSanitized ? 17 : 35) << "of 42 (21) whose files tell their exposure";
}

TEST(Match, RunsAreFoundFromTimesAndContent) {
    std::vector<Picture> scenes;
    for (const auto& name : demoScenes()) scenes.push_back(demoScene(name, kSceneSide));
    for (const bool isTimed : {true, false}) {
        if (kSanitized && isTimed) continue;
        const TakenSet set = takenSet(scenes, 7, true, isTimed);
        std::vector<RunPicture> seen;
        for (const auto& p : set.pictures) seen.push_back(p.seen);
        std::vector<std::size_t> runOf(seen.size());
        const auto runs = runsOf(seen);
        for (std::size_t r = 0; r < runs.size(); ++r)
            for (const std::size_t p : runs[r].pictures) runOf[p] = r;
        std::size_t right = 0;
        for (std::size_t i = 1; i < seen.size(); ++i)
            right += (set.scenes[i] != set.scenes[i - 1]) == (runOf[i] != runOf[i - 1]);
        EXPECT_GE(double(right), 0.95 * double(seen.size() - 1)) << isTimed;
    }
}

TEST(Match, TheKeysOwnPrepIsWhatTheOthersAreSetTo) {
    const Picture scene = demoScene("workshop-window");
    TakenSet set = takenSet({scene}, 5, false);
    set.pictures[0].light = {0.4, 5600, 0.03};
    const MatchedSet matched = matchSet(set.pictures, {});
    EXPECT_EQ(matched.matches[0].light, set.pictures[0].light);
    // A shot that is the key's twin but for its exposure comes to the key's light less that.
    TakenSet twins = set;
    twins.pictures.resize(2);
    twins.pictures[1].seen.scene = sceneVersion(takenAs(scene, {-0.8}));
    const PrepLight light = matchSet(twins.pictures, {}).matches[1].light;
    EXPECT_NEAR(light.stops, 1.2, 0.04);
    EXPECT_NEAR(1e6 / light.kelvin, 1e6 / 5600, 3);
    EXPECT_NEAR(light.tint, 0.03, 0.02);
}

TEST(Match, ADarkSceneAmongBrightOnesKeepsItsDarkness) {
    std::vector<MatchPicture> pictures;
    for (const char* name : {"snow-yard", "lake-fog", "portrait-light", "portrait-dark", "spotlight"})
        pictures.push_back({{{}, sceneVersion(demoScene(name))}, {}});
    const MatchedSet apart = matchSet(pictures, {});
    for (const Match& match : apart.matches) EXPECT_EQ(match.light, PrepLight());
    MatchWish wish;
    wish.betweenRuns = 1;
    const MatchedSet drawn = matchSet(pictures, wish);
    ASSERT_EQ(drawn.runs.size(), pictures.size());
    EXPECT_GT(drawn.matches[4].light.stops, 0.02);
    for (const Match& match : drawn.matches) {
        EXPECT_LE(std::abs(match.light.stops), 1.0 / 3 + 0.05);
        EXPECT_LE(std::abs(1e6 / match.light.kelvin - 1e6 / 6504), 61);
    }
}

TEST(Match, WhatGoesTooFarIsHeldAndWhatShowsNothingStays) {
    const Picture scene = demoScene("meadow-cart");
    std::vector<MatchPicture> pictures(4);
    pictures[0].seen.scene = sceneVersion(scene);
    pictures[1].seen.scene = sceneVersion(takenAs(scene, {-1.6, 3600}));
    pictures[2].seen.scene = sceneVersion(takenAs(scene, {8})); // burnt out, between two that are not
    pictures[3].seen.scene = sceneVersion(takenAs(scene, {0.3}));
    pictures[2].light = {0.7, 5000, 0};
    MatchWish wish;
    wish.mostStops = 1, wish.mostMireds = 60;
    const MatchedSet matched = matchSet(pictures, wish);
    ASSERT_EQ(matched.runs.size(), 1U);
    EXPECT_TRUE(matched.matches[1].isHeld);
    EXPECT_DOUBLE_EQ(matched.matches[1].light.stops, 1);
    EXPECT_NEAR(1e6 / matched.matches[1].light.kelvin, 1e6 / 6504 + 60, 0.5);
    EXPECT_EQ(matched.matches[2].by, MatchedBy::Nothing);
    EXPECT_EQ(matched.matches[2].light, pictures[2].light);
    EXPECT_NE(matchWords(matched.matches[2]), matchWords(matched.matches[1]));
    // Split by hand, the second half has a reference of its own.
    const MatchedSet split = matchRuns(pictures, {{{0, 1}}, {{2, 3}}}, wish);
    EXPECT_EQ(split.matches[3].run, 1U);
    EXPECT_EQ(split.matches[3].light, PrepLight());
}

TEST(Match, APrepIsSetWhateverStagesItHas) {
    Grade bare;
    bare.prep.push_back(makeStage(bare, "tone"));
    const Grade set = withPrepLight(bare, {1.25, 5200, -0.05});
    EXPECT_EQ(prepLightOf(set), (PrepLight{1.25, 5200, -0.05}));
    EXPECT_EQ(set.prep.size(), 3U);
    EXPECT_EQ(set.prep.back().type, "tone");
    Grade off = set;
    for (Stage& stage : off.prep) stage.enabled = false;
    EXPECT_EQ(prepLightOf(off), PrepLight());
    EXPECT_EQ(prepLightOf(withPrepLight(off, {0.5, 6000, 0})), (PrepLight{0.5, 6000, 0}));
}

} // namespace baryton::test
