// A look learned from pictures before and after: laid on each other, true to what it has not seen, and told where it
// is not of colours alone.
#include "colour/transfer.h"
#include "grade/grade_json.h"
#include "lut/learn_pair.h"
#include "picture/picture_file.h"
#include "support/expect_error.h"
#include "support/samples.h"
#include "support/sanitized.h"
#include "support/temp_folder.h"

#include <algorithm>
#include <cmath>
#include <gtest/gtest.h>

namespace baryton::test {

namespace {

Picture demoPicture(const std::string& name, int longSide) {
    return readThumbnail(demo() / "pictures" / (name + ".jpg"), longSide);
}

Grade lookNamed(const std::string& name) {
    Grade look;
    look.look = readPresetFile(std::string(BARYTON_SOURCE) + "/share/presets/" + name + ".bpreset").carried.look;
    return look;
}

/// As a file of 8 bits would hold it.
Picture inLevels(Picture picture) {
    for (int k = 0; k < 3; ++k)
        for (int y = 0; y < picture.height(); ++y)
            for (int x = 0; x < picture.width(); ++x) {
                float& v = picture.row(k, y)[x];
                v = std::round(std::clamp(v, 0.0F, 1.0F) * 255) / 255;
            }
    return picture;
}

template <class Gain>
Picture lit(Picture picture, Gain gainAt) {
    for (int y = 0; y < picture.height(); ++y)
        for (int x = 0; x < picture.width(); ++x)
            for (int k = 0; k < 3; ++k) {
                float& v = picture.row(k, y)[x];
                v = static_cast<float>(linearToSrgb(srgbToLinear(double(v)) * gainAt(x, y)));
            }
    return picture;
}

/// The part from (left, top) on, turned by `degrees` about that corner and `scale` as large.
Picture partOf(const Picture& picture, double left, double top, double scale, double degrees, int width, int height) {
    Picture part(width, height);
    const double c = std::cos(degrees * M_PI / 180) / scale, s = std::sin(degrees * M_PI / 180) / scale;
    for (int y = 0; y < height; ++y)
        for (int x = 0; x < width; ++x) {
            const double sx = left + c * (x + 0.5) + s * (y + 0.5) - 0.5,
                         sy = top - s * (x + 0.5) + c * (y + 0.5) - 0.5;
            const int ix = std::clamp(static_cast<int>(sx), 0, picture.width() - 2),
                      iy = std::clamp(static_cast<int>(sy), 0, picture.height() - 2);
            const auto fx = static_cast<float>(sx - ix), fy = static_cast<float>(sy - iy);
            for (int k = 0; k < 3; ++k) {
                const float *above = picture.row(k, iy) + ix, *below = picture.row(k, iy + 1) + ix;
                part.row(k, y)[x] =
                    (1 - fy) * ((1 - fx) * above[0] + fx * above[1]) + fy * ((1 - fx) * below[0] + fx * below[1]);
            }
        }
    return part;
}

bool isTold(const PairAccount& account, const std::string& words) {
    return std::any_of(account.remarks.begin(), account.remarks.end(),
                       [&](const std::string& each) { return each.find(words) != std::string::npos; });
}

LearntFromPairs learnFrom(const std::vector<PicturePair>& pairs, int size, const Task* task = nullptr,
                          const std::function<void(const LearntFromPairs&)>& soFar = {}) {
    return learnFromPairs(
        pairs.size(), [&](std::size_t i) { return pairs[i]; }, size, task, soFar);
}

} // namespace

TEST(PairPlace, FindsWhereAGradedCroppedResizedTurnedVersionLies) {
    const Picture before = demoPicture("meadow-cart", 900);
    const Picture after = Program::compile(lookNamed("Film responses/Matinee print")).graded(before);
    struct Case {
        double left, top, scale, degrees;
        int width, height;
    };
    std::vector<Case> cases = {{0, 0, 1, 0, before.width(), before.height()},
                               {100, 60, 0.8, 0, 500, 360},
                               {90, 80, 1.25, 0.6, 780, 540},
                               {0, 0, 0.5, 0, before.width() / 2, before.height() / 2}};
    if (kSanitized) cases.resize(2);
    for (const Case& c : cases) {
        const PairPlace place =
            findPairPlace(before, partOf(after, c.left, c.top, c.scale, c.degrees, c.width, c.height));
        EXPECT_NEAR(place.scale(), c.scale, 0.002 * c.scale);
        EXPECT_NEAR(place.turn(), c.degrees, 0.05);
        // Its corner, and one far from it.
        const auto& m = place.toAfter;
        for (const auto& [x, y] : {std::pair(0.0, 0.0), {c.width - 1.0, c.height - 1.0}}) {
            const double a = std::cos(c.degrees * M_PI / 180) / c.scale,
                         b = std::sin(c.degrees * M_PI / 180) / c.scale;
            const double sx = c.left + a * (x + 0.5) + b * (y + 0.5) - 0.5,
                         sy = c.top - b * (x + 0.5) + a * (y + 0.5) - 0.5;
            EXPECT_NEAR(m[0] * sx + m[1] * sy + m[2], x, 0.5) << c.scale;
            EXPECT_NEAR(m[3] * sx + m[4] * sy + m[5], y, 0.5) << c.scale;
        }
    }
}

TEST(PairPlace, RefusesPicturesThatAreNotOne) {
    const Error problem =
        errorOf([] { findPairPlace(demoPicture("lake-fog", 400), demoPicture("red-curtain", 400)); });
    EXPECT_NE(std::string(problem.what()).find("not one picture"), std::string::npos) << problem.what();
    errorOf([] { findPairPlace(Picture(300, 200), Picture(300, 200)); });
    errorOf([] { findPairPlace(Picture(1, 1), demoPicture("lake-fog", 200)); });
}

TEST(LearnPair, HoldsOnWhatItHasNotSeenAndOnAnotherPicture) {
    if (kSanitized) GTEST_SKIP() << "how near it comes is measured without them";
    const Picture before = demoPicture("meadow-cart", kSanitized ? 300 : 900),
                  other = demoPicture("workshop-window", 300);
    for (const std::string name : {"Film responses/Matinee print", "Chalk and ash/Bone"}) {
        const Grade look = lookNamed(name);
        const Picture after = inLevels(Program::compile(look).graded(before));
        int told = 0;
        const LearntFromPairs learnt = learnFrom({{before, after}}, 33, nullptr, [&](const LearntFromPairs& first) {
            EXPECT_EQ(first.table.gridSize(), 33);
            ++told;
        });
        EXPECT_GE(told, 1);
        EXPECT_LT(learnt.heldBack.mean, 0.4) << name;                                                  // asked: 0.5
        EXPECT_LT(compareLooks(look, lutGrade(learnt.table, ""), {other}).pictures.mean, 0.8) << name; // 1
        EXPECT_TRUE(learnt.pairs[0].remarks.empty()) << learnt.pairs[0].remarks[0];
        if (kSanitized) break;
    }
}

TEST(LearnPair, TellsAVignetteAPaintedLightACropAndUndoesThem) {
    if (kSanitized) GTEST_SKIP() << "how near it comes is measured without them";
    const Picture before = demoPicture("meadow-cart", 900);
    const Grade look = lookNamed("Meadow and lake/Harvest meadow");
    Picture after = Program::compile(look).graded(before);
    const double w = after.width(), h = after.height();
    after = lit(after, [&](int x, int y) {
        const double dx = (2.0 * x + 1) / w - 1, dy = (2.0 * y + 1) / h - 1;
        const double px = (x - 0.3 * w) / (0.09 * w), py = (y - 0.55 * h) / (0.09 * w);
        return std::exp2(-0.7 * (dx * dx + dy * dy) / 2) * (px * px + py * py < 1 ? 1.7 : 1);
    });
    after =
        inLevels(partOf(after, 0.02 * w, 0.03 * h, 0.9, 0, static_cast<int>(0.86 * w), static_cast<int>(0.85 * h)));
    const LearntFromPairs learnt = learnFrom({{before, after}}, 17);
    const PairAccount& account = learnt.pairs[0];
    EXPECT_NEAR(account.place.scale(), 0.9, 0.004);
    EXPECT_NEAR(account.cornerStops, -0.7, 0.12);
    EXPECT_TRUE(isTold(account, "vignette") && isTold(account, "something else") && isTold(account, "as large"));
    // Where the light was painted, and hardly anywhere else.
    const auto isOut = [&](double x, double y) {
        const int column = static_cast<int>(x * account.columns), row = static_cast<int>(y * account.rows);
        return account.blocks[static_cast<std::size_t>(row * account.columns + column)] != 0;
    };
    EXPECT_TRUE(isOut(0.3, 0.55));
    EXPECT_FALSE(isOut(0.7, 0.3));
    EXPECT_LT(account.leftOut, 0.13);
    EXPECT_LT(compareLooks(look, lutGrade(learnt.table, ""), {before}).pictures.mean, 1.2);
}

TEST(LearnPair, SeveralPairsTellMoreThanOne) {
    if (kSanitized) GTEST_SKIP() << "how near it comes is measured without them";
    const int side = kSanitized ? 240 : 500;
    const Grade look = lookNamed("Dusk/Ember");
    const Program program = Program::compile(look);
    std::vector<PicturePair> pairs;
    for (const char* name : {"lake-fog", "red-curtain"}) {
        const Picture before = demoPicture(name, side);
        pairs.push_back({before, inLevels(program.graded(before))});
    }
    const LearntFromPairs one = learnFrom({pairs[0]}, 17), both = learnFrom(pairs, 17);
    EXPECT_EQ(both.pairs.size(), 2U);
    double seenByOne = 0, seenByBoth = 0;
    for (std::size_t n = 0; n < one.confidence.size(); ++n)
        seenByOne += one.confidence[n], seenByBoth += both.confidence[n];
    EXPECT_GT(seenByBoth, 1.2 * seenByOne);
    const Picture curtain = demoPicture("red-curtain", 200);
    EXPECT_LT(compareLooks(look, lutGrade(both.table, ""), {curtain}).pictures.mean,
              compareLooks(look, lutGrade(one.table, ""), {curtain}).pictures.mean / 2);
    // It is sure of the curtain only when it has seen it.
    const auto sureness = [&](const LearntFromPairs& learnt) {
        double sum = 0;
        for (const float each : confidenceOn(curtain, learnt.confidence, 17)) sum += each;
        return sum / (curtain.width() * curtain.height());
    };
    EXPECT_GT(sureness(both), 0.6);
    EXPECT_LT(sureness(one), 0.3);
    errorOf([] { learnFrom({}, 17); });
}

TEST(LearnPair, CanBeGivenUp) {
    const Picture before = demoPicture("meadow-cart", 300);
    Task task;
    EXPECT_THROW(learnFrom({{before, before}}, 17, &task, [&](const LearntFromPairs&) { task.cancel(); }), Cancelled);
}

} // namespace baryton::test
