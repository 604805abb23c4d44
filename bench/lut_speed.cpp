#include "lut_speed.h"
#include "grade/grade_json.h"
#include "lut/find_look.h"
#include "lut/fit.h"
#include "lut/health.h"
#include "lut/learn_pair.h"
#include "lut/learn_pattern.h"
#include "lut/pattern.h"
#include "rows.h"
#include "sample_picture.h"

#include <algorithm>
#include <chrono>
#include <cstdio>
#include <filesystem>

namespace baryton::bench {

namespace {

/// The picture of a pattern, as it is read back.
Picture patternOf(int size) {
    const QuantisedPicture pattern = ownPattern(size, 16);
    Picture picture(pattern.width, pattern.height);
    const auto* numbers = reinterpret_cast<const std::uint16_t*>(pattern.bytes.data());
    for (int y = 0; y < pattern.height; ++y)
        for (int x = 0; x < pattern.width; ++x)
            for (int k = 0; k < 3; ++k)
                picture.row(k, y)[x] = static_cast<float>(numbers[3 * (y * pattern.width + x) + k]) / 65535;
    return picture;
}

} // namespace

void compareTables() {
    const Preset preset =
        readPresetFile(std::string(BARYTON_SOURCE) + "/share/presets/Meadow and lake/Late straw.bpreset");
    std::vector<Picture> pictures;
    for (const char* name : {"lake-fog.jpg", "backstage-mixed.jpg", "meadow-cart.jpg"})
        pictures.push_back(
            readThumbnail(std::string(BARYTON_SOURCE) + "/demo/pictures/" + name, 670)); // 300 000 pixels
    LutTable table;
    const Picture coarse = patternOf(33), fine = patternOf(65);
    const auto t = sideBySide(
        {[&] { table = bakeLook(preset.carried, 33, ""), measureFidelity(table, preset.carried, pictures); },
         [&] { fittedLook(preset.carried, 33, "", pictures); }, [&] { learnFromPattern(coarse); },
         [&] { learnFromPattern(fine); }, [&] { healthOf(table); }},
        kRounds);
    row("33³ sampled, measured on three pictures of 300 000 pixels", t[0].median);
    row("its nodes fitted", t[1].median, times(t[1].median / t[0].median) + " that");
    row("learned from a pattern of 33³", t[2].median);
    row("learned from a pattern of 65³", t[3].median, times(t[3].median / t[2].median) + " that");
    row("what a table does, judged", t[4].median);
}

namespace {

double since(std::chrono::steady_clock::time_point start) {
    return std::chrono::duration<double, std::milli>(std::chrono::steady_clock::now() - start).count();
}

double middle(std::vector<double> values) {
    std::nth_element(values.begin(), values.begin() + static_cast<std::ptrdiff_t>(values.size() / 2), values.end());
    return values[values.size() / 2];
}

void compareStages() {
    std::vector<double> first, whole, mean, far;
    int promised = 0;
    for (const auto& entry :
         std::filesystem::recursive_directory_iterator(std::string(BARYTON_SOURCE) + "/share/presets")) {
        if (entry.path().extension() != ".bpreset") continue;
        const Grade look = lutGrade(bakeLook(readPresetFile(entry.path()).carried, 33, ""), "");
        const auto start = std::chrono::steady_clock::now();
        double began = 0;
        LookSearch how;
        how.soFar = [&](const FoundLook&) {
            if (began == 0) began = since(start);
        };
        const FoundLook found = findLook(pairsOf(look), how);
        whole.push_back(since(start)), first.push_back(began);
        const Difference apart = compareLooks(look, gradeOf(found.stages, ""), {}).cube;
        mean.push_back(apart.mean), far.push_back(apart.percentile99);
        promised += found.stages.size() <= 6 && apart.mean < 0.6 && apart.percentile99 < 2;
    }
    row("stages of a table, the first; over " + std::to_string(mean.size()) + " presets", middle(first));
    row("the whole", middle(whole),
        "at most " + std::to_string(static_cast<int>(*std::max_element(whole.begin(), whole.end()))));
    std::printf("    mean ΔE %.3f (median), %.2f (most); 99 of 100: %.2f, %.2f; %d of %zu below 0.6 and 2\n",
                middle(mean), *std::max_element(mean.begin(), mean.end()), middle(far),
                *std::max_element(far.begin(), far.end()), promised, mean.size());
}

/// Of 12 megapixels, as a camera would have it: a demo picture enlarged.
Picture large(const Picture& small) {
    constexpr int width = 4243, height = 2828;
    Picture picture(width, height);
    for (int k = 0; k < 3; ++k)
        for (int y = 0; y < height; ++y)
            for (int x = 0; x < width; ++x)
                picture.row(k, y)[x] = small.row(k, y * small.height() / height)[x * small.width() / width];
    return picture;
}

void comparePairs() {
    const Picture before = large(readPicture(std::string(BARYTON_SOURCE) + "/demo/pictures/meadow-cart.jpg").picture);
    std::vector<Picture> others;
    for (const char* name : {"workshop-window.jpg", "red-curtain.jpg", "portrait-dark.jpg"})
        others.push_back(readThumbnail(std::string(BARYTON_SOURCE) + "/demo/pictures/" + name, 300));
    std::vector<double> first, whole, held, other;
    for (const char* name : {"Meadow and lake/Harvest meadow", "Film responses/Matinee print", "Dusk/Ember",
                             "Stage light/Velvet", "Paper and ink/Green filter", "Chalk and ash/Bone"}) {
        Grade look;
        look.look = readPresetFile(std::string(BARYTON_SOURCE) + "/share/presets/" + name + ".bpreset").carried.look;
        const Picture after = Program::compile(look).graded(before);
        const auto start = std::chrono::steady_clock::now();
        double began = 0;
        const LearntFromPairs learnt = learnFromPairs(
            1,
            [&](std::size_t) {
                return PicturePair{before, after};
            },
            33, nullptr,
            [&](const LearntFromPairs&) {
                if (began == 0) began = since(start);
            });
        whole.push_back(since(start)), first.push_back(began);
        held.push_back(learnt.heldBack.mean);
        other.push_back(compareLooks(look, lutGrade(learnt.table, ""), others).pictures.mean);
    }
    row("a pair of 12 MP: the first answer", middle(first));
    row("the whole", middle(whole),
        "at most " + std::to_string(static_cast<int>(*std::max_element(whole.begin(), whole.end()))));
    std::printf("    held back ΔE %.2f (median), %.2f (most); on three other pictures %.2f, %.2f\n", middle(held),
                *std::max_element(held.begin(), held.end()), middle(other),
                *std::max_element(other.begin(), other.end()));
}

} // namespace

void compareLearning() {
    compareStages();
    comparePairs();
}

} // namespace baryton::bench
