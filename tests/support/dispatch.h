#pragma once
#include <gtest/gtest.h>
#include <hwy/highway.h>
#include <hwy/targets.h>

namespace baryton::test {

/// Runs a check at every instruction set that this machine has, one after another.
template <class F>
void atEveryDispatchLevel(F&& check) {
    const auto supported = hwy::SupportedTargets();
    int levels = 0;
    for (std::int64_t bit = 1; bit != 0 && bit <= supported; bit <<= 1) {
        if ((supported & HWY_TARGETS & bit) == 0) continue;
        hwy::GetChosenTarget().Update(bit);
        SCOPED_TRACE(hwy::TargetName(bit));
        check();
        ++levels;
    }
    hwy::GetChosenTarget().Update(supported);
    EXPECT_GE(levels, 1);
}

} // namespace baryton::test
