#pragma once
#include "app/settings.h"

#include <QObject>
#include <functional>
#include <string>

class QScreen;

namespace baryton {

/// Hands the profile that is wanted for a monitor to `take`, as the bytes of an ICC file, empty for sRGB: at once,
/// or, when it is the desktop's and a service had to be asked for it, in the context's thread as soon as that has
/// answered. When a file can't be read, the problem says why.
///
/// The desktop's profile for the monitor of a screen is, under X, the root window's property _ICC_PROFILE ("ICC
/// Profiles in X", freedesktop.org, 0.4); where that is not set, and under Wayland, what the system's colour service
/// (colord, over D-Bus) has for the output of the screen's name. Nobody is asked when there is no desktop
/// (offscreen).
void fetchMonitorProfile(const MonitorWish& wish, const QScreen* screen, QObject* context,
                         const std::function<void(const std::string& icc, const QString& problem)>& take);

/// What colord has for an output ("HDMI-1"); empty when it has nothing, or does not run. Waits for the answer.
std::string colordProfile(const QString& output);

} // namespace baryton
