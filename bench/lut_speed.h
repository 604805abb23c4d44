#pragma once

namespace baryton::bench {

/// Prints what it takes to bake, measure and fit a table, to learn one from a pattern that is in memory, and to judge
/// one.
void compareTables();
/// Prints how near stages come to every preset of ours that is known by its table alone, and what is learned from a
/// pair of 12 megapixels: what it takes to the first answer and to the whole.
void compareLearning();

} // namespace baryton::bench
