#include "lut/lut_picture.h"
#include "base/words.h"
#include "lut/bake.h"
#include "lut/pattern.h"

#include <algorithm>
#include <cmath>

namespace baryton {

namespace {

constexpr int kMostKept = 65; // along an edge: a text of more would be 30 MB and larger

bool isOwnPatternsSize(int width, int height) {
    for (int size = PatternLayout::kLeastSize; size <= PatternLayout::kMostSize; ++size)
        if (const PatternLayout layout(size); layout.width() == width && layout.height() == height) return true;
    return false;
}

/// Does nothing that 8 bits could show.
bool isIdentity(const LutTable& table) {
    const int size = table.gridSize();
    constexpr float unseen = 0.6F / 255;
    std::size_t at = 0;
    for (int b = 0; b < size; ++b)
        for (int g = 0; g < size; ++g)
            for (int r = 0; r < size; ++r)
                for (const int place : {r, g, b})
                    if (std::abs(table.grid[at++] - float(place) / float(size - 1)) > unseen) return false;
    return true;
}

/// What a picture teaches that has a pattern's size and, a square cube, its run; nothing of others.
std::optional<LearntLut> patternIn(const std::filesystem::path& file, const Task* task) {
    const PictureSize size = readPictureSize(file);
    const auto level = squareCubeLevel(size.width, size.height);
    if (!level && !isOwnPatternsSize(size.width, size.height)) return {};
    if (level && !runsLikeSquareCube(readPicture(file).picture, *level)) return {};
    LearntLut learnt = learnFromPattern(file, task);
    if (learnt.table.gridSize() > kMostKept)
        learnt.table = bakeLook(lutGrade(learnt.table, learnt.table.title), kMostKept, learnt.table.title);
    return learnt;
}

} // namespace

bool runsLikeSquareCube(const Picture& picture, int level) {
    const int nodes = level * level;
    double steps = 0, runs = 0, seams = 0; // how far colours are apart, summed over the picture
    for (int y = 0; y < picture.height(); ++y) {
        const auto apart = [&](int a, int b) {
            double sum = 0;
            for (std::size_t k = 0; k < 3; ++k) sum += std::abs(picture.row(k, y)[a] - picture.row(k, y)[b]);
            return sum;
        };
        for (int from = 0; from < picture.width(); from += nodes) {
            for (int x = from + 1; x < from + nodes; ++x) steps += apart(x, x - 1);
            // The seam at the end of a row lies between rows; one in `level` may be left out.
            if (from == 0) continue;
            runs += apart(from, from + nodes - 1);
            seams += apart(from, from - 1);
        }
    }
    const double runCount = double(level - 1) * picture.height(), perRun = runs / runCount;
    constexpr double least = 0.01;      // of what red does to all channels: a table that ignores it is none
    constexpr double mostWinding = 2.5; // ups and downs against the way from end to end
    constexpr double seamLike = 0.6;    // a step of green lies in it as well
    return perRun > least && steps / (double(level) * picture.height()) < mostWinding * perRun &&
           std::abs(seams / runs - 1) < seamLike;
}

std::optional<LearntLut> lutInPicture(const std::filesystem::path& file, const Task* task) {
    try {
        std::optional<LearntLut> learnt = patternIn(file, task);
        if (learnt && isIdentity(learnt->table)) learnt.reset();
        return learnt;
    } catch (const Error&) {
        return {}; // what it is instead is for others to say
    }
}

ParsedLut readAnyLut(const std::filesystem::path& file, const Task* task) {
    if (!isPictureFile(file)) return readLutFile(file);
    std::optional<LearntLut> learnt = patternIn(file, task);
    if (!learnt)
        throw Error(
            file.string(), "",
            words("the picture is no LUT: neither a square cube nor a pattern of ours at its own size"),
            words("name a .cube, .3dl or .clf file; a pattern that was resized or cropped can be learned from"));
    ParsedLut lut{std::move(learnt->table), {}, std::move(learnt->account.remarks)};
    if (isIdentity(lut.table)) lut.remarks.push_back(words("nobody graded this pattern: it changes nothing"));
    return lut;
}

} // namespace baryton
