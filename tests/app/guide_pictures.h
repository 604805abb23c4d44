#pragma once
#include "app/driver.h"

#include <string>
#include <vector>

namespace baryton::test {

// Pictures for the guide's pages of jobs, drawn by the tests that do these jobs: what a page shows is what came of
// its steps. They go into the folder that BARYTON_GUIDE_PICTURES names (docs/make-screenshots sets it); without it
// nothing is done.

/// The window as it stands now: PAGE-work.jpg.
void keepWork(Driver& d, const std::string& page);
/// The sheet that is open, likewise.
void keepSheet(Driver& d, const std::string& page);
/// Pictures of the set, each as it is and as it has become, below one another; the key picture where none are named:
/// PAGE-result.jpg.
void keepResult(Driver& d, const std::string& page, std::vector<int> pictures = {});

} // namespace baryton::test
