#pragma once
#include "lut/find_look.h"
#include "lut/pair_place.h"

#include <string>
#include <vector>

namespace baryton {

/// A picture and what a grade made of it elsewhere.
struct PicturePair {
    Picture before, after;
};

/// What there is to tell of a pair.
struct PairAccount {
    PairPlace place;
    double overlap = 1;     ///< the share of the picture before that the one after shows
    double cornerStops = 0; ///< a vignette that was found and taken out: light in the corners against the middle
    double leftOut = 0;     ///< the share of it where something else was done than elsewhere
    /// Where that is: of `columns` × `rows` even blocks of the picture before, 1 for one that was left out.
    int columns = 0, rows = 0;
    std::vector<char> blocks;
    std::vector<std::string> remarks; ///< all that is worth telling, in words
};

struct LearntFromPairs {
    std::vector<Stage> stages;        ///< the Look that was found first, and that the table departs from
    LutTable table;                   ///< it, and what is left where there is something to learn from
    std::vector<float> confidence;    ///< of each node, 0…1: how well the pairs tell what becomes of its colour
    Difference stagesAlone, heldBack; ///< of the stages and of the table, on pixels that neither has learned from
    std::vector<PairAccount> pairs;
};

/// Learns a Look and a LUT of `size`³ nodes from pictures and graded versions of them: stages first, table second.
///
/// Each pair is laid on each other (findPairPlace); where neighbouring pixels differ much, colours mix at edges and
/// count less. What differs between places rather than between colours is no part of a LUT: a vignette is fitted to
/// the light that the stages leave unexplained, in stops over the second and fourth power of the distance from the
/// middle, and taken out; blocks where something else was done than elsewhere are left out and told. Every fifth
/// block is held back, and what is told of the error is measured there, but for those beside blocks that were left
/// out.
///
/// `pairAt` is asked for one pair after the other, so that no two are in memory at their full size. `soFar` gets a
/// first table from the stages as soon as there is one. Sizes 2…129. The same pairs give the same result. Throws
/// Error where the two of a pair are not one picture, and Cancelled when the task says so.
LearntFromPairs learnFromPairs(std::size_t count, const std::function<PicturePair(std::size_t)>& pairAt, int size,
                               const Task* task = nullptr,
                               const std::function<void(const LearntFromPairs&)>& soFar = {});

/// How sure a table is of each pixel of a picture, 0…1: `confidence` between the nodes.
std::vector<float> confidenceOn(const Picture& picture, const std::vector<float>& confidence, int size);

} // namespace baryton
