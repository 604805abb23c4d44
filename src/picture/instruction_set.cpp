#include "picture/instruction_set.h"
#include "base/error.h"
#include "base/letters.h"
#include "base/words.h"

#include <cstdint>
#include <hwy/highway.h>
#include <hwy/targets.h>

namespace baryton {

namespace {

std::string nameOf(std::int64_t target) {
    const std::string name = lowerCase(hwy::TargetName(target));
    return name.starts_with("avx3") ? "avx512" : name; // its variants differ in what this program does not use
}

/// Of the sets that there is code for and that the machine has; a lower bit is a better one.
std::int64_t targets() {
    return hwy::SupportedTargets() & HWY_TARGETS;
}

} // namespace

std::vector<std::string> instructionSets() {
    std::vector<std::string> names;
    for (std::int64_t bit = 1; bit > 0 && bit <= targets(); bit <<= 1)
        if ((targets() & bit) != 0 && (names.empty() || names.back() != nameOf(bit))) names.push_back(nameOf(bit));
    return names;
}

std::string instructionSet() {
    return instructionSets().front();
}

void useInstructionSet(const std::string& name) {
    for (std::int64_t bit = 1; bit > 0 && bit <= targets(); bit <<= 1)
        if ((targets() & bit) != 0 && nameOf(bit) == name) {
            hwy::DisableTargets(bit - 1);
            hwy::GetChosenTarget().Update(hwy::SupportedTargets());
            return;
        }
    std::string all;
    for (const std::string& each : instructionSets()) all += (all.empty() ? "" : ", ") + each;
    throw Error("", "", inWords("this machine does not work with the instruction set \"{}\"", name),
                inWords("ask for one that all machines have; here: {}", all));
}

} // namespace baryton
