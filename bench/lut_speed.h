#pragma once

namespace baryton::bench {

/// Prints what it takes to bake, measure and fit a table, to learn one from a pattern that is in memory, and to judge
/// one.
void compareTables();

} // namespace baryton::bench
