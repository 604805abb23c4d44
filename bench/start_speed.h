#pragma once
#include <filesystem>

namespace baryton::bench {

/// Milliseconds since the process was started, as the window's program starts with a folder on its command line.
struct StartTimes {
    double application = 0; ///< Qt and its platform are there
    double window = 0;      ///< fonts, style, texts and the library are read, the window with its three tasks is made
    double shown = 0;       ///< shown, and the folder is listed: the window answers
    double picture = 0;     ///< the first picture is painted as its grade makes it
};

/// Starts a process of its own that opens the pictures, and takes its times. The folder is for what is kept and told.
StartTimes startTimes(const std::filesystem::path& pictures, const std::filesystem::path& folder);

/// What that process does: see startTimes. Its times are written into `folder`.
int startOnce(int argc, char** argv, const std::filesystem::path& pictures, const std::filesystem::path& folder);

} // namespace baryton::bench
