#include "base/utf8.h"

#include <gtest/gtest.h>

namespace baryton::test {

TEST(Utf8, WhatIsValidStaysAndTheRestIsLatin1) {
    EXPECT_EQ(asUtf8(""), "");
    EXPECT_EQ(asUtf8("Späte Reiher 舞台 🎭"), "Späte Reiher 舞台 🎭");
    EXPECT_EQ(asUtf8("Sp\xe4t"), "Spät");
    EXPECT_EQ(asUtf8("Gr\xfc\xdf"
                     "e"),
              "Grüße");
    // One damaged byte spoils no letter beside it.
    EXPECT_EQ(asUtf8("ä\xff"
                     "ö"),
              "äÿö");
    EXPECT_EQ(asUtf8(std::string("a\0b", 3)), std::string("a\0b", 3));
}

TEST(Utf8, ATerminalGetsNoOrders) {
    EXPECT_EQ(printable("one\ttwo\n"), "one\ttwo\n");
    EXPECT_EQ(printable("\x1b[31mred\r\x7f"), "?[31mred??");
    EXPECT_EQ(printable("a\xc2\x9b"
                        "2J ä"),
              "a?2J ä");
}

} // namespace baryton::test
