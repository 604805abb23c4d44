#pragma once

namespace baryton::test {

/// Whether the sanitizers watch: what is looked for there does not grow with the picture, nor with repeating what
/// only the numbers of a run can show, and every check takes many times as long.
#ifdef __SANITIZE_ADDRESS__
constexpr bool kSanitized = true;
#else
constexpr bool kSanitized = false;
#endif

/// How often a random check is made: all of `rounds`, or a sixth of them where the sanitizers watch.
constexpr int roundsOf(int rounds) {
    return kSanitized ? (rounds + 5) / 6 : rounds;
}

} // namespace baryton::test
