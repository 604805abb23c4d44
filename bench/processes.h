#pragma once
#include <string>
#include <vector>

namespace baryton::bench {

/// What a process cost, with all its threads.
struct ProcessCost {
    double wall = 0, cpu = 0; ///< seconds
    double peakMegabytes = 0; ///< largest resident size
    int exitCode = -1;
};

/// Runs a program to its end, its output thrown away.
ProcessCost runProcess(const std::vector<std::string>& arguments);

} // namespace baryton::bench
