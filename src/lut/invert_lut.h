#pragma once
#include "lut/bake.h"

namespace baryton {

/// What takes back what a table does.
struct InvertedLut {
    LutTable table;
    /// The share of a grid's colours that the table makes of no colour: they go to what it takes nearest to them.
    double unreached = 0;
    Difference thereAndBack; ///< a colour through the table and back against itself, over the cube
};

/// The inverse of a table. Of one dimension: tone by tone, over all that it gives; a 1D table of 4 096 entries. Of a
/// grid: at each of `size`³ colours over 0…1 the one that the table takes there, by Gauss and Newton's steps from the
/// nearest of a coarse sampling, damped as by Levenberg; where there are several, one of them. A table that folds
/// comes back as far as `thereAndBack` says.
///
/// Throws Error for a 1D table that goes back, or stands still throughout; Cancelled when the task says so.
InvertedLut invertedLut(const LutTable& table, int size, const Task* task = nullptr);

} // namespace baryton
