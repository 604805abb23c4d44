#pragma once
#include <cstddef>

namespace baryton {

/// How much memory one picture may take, in bytes: three quarters of what the machine, or the group of programs that
/// this one runs in, has; or what was set.
std::size_t memoryLimit();
/// 0 for what the machine has.
void setMemoryLimit(std::size_t bytes);

/// Throws Error, with how much is wanted and how much there may be, when `bytes` are more than that: for pictures
/// that must be in memory whole, before they are. Names no file.
void requireMemory(double bytes);

} // namespace baryton
