#pragma once
#include <string>
#include <vector>

namespace baryton {

/// The instruction sets that pixels can be worked on with here, the best first: "avx512", "avx2", "sse4"… Sums are
/// rounded in other places by each, so that a file may differ by its last bit between machines that use others.
std::vector<std::string> instructionSets();
/// That which is in use.
std::string instructionSet();
/// From now on the whole program uses none better than this. Throws Error where the machine does not have it.
void useInstructionSet(const std::string& name);

} // namespace baryton
