#pragma once
#include "base/error.h"

#include <gtest/gtest.h>

namespace baryton::test {

/// The Error that a call throws; fails when it throws none, or one that says nothing to a reader.
template <class F>
Error errorOf(F&& call) {
    try {
        call();
    } catch (const Error& e) {
        EXPECT_FALSE(e.problem().empty());
        EXPECT_FALSE(e.hint().empty()) << e.what();
        return e;
    }
    ADD_FAILURE() << "no error was thrown";
    return Error("", "", "", "");
}

} // namespace baryton::test
