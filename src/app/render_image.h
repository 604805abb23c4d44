#pragma once
#include "picture/soft_proof.h"
#include "render/program.h"
#include "render/view.h"

#include <QImage>
#include <array>
#include <functional>
#include <optional>
#include <string>

namespace baryton {

/// The monitors that pictures are shown on: the window's, and that of the second window with the picture alone.
enum class Monitor { Main, Second };
constexpr std::size_t kMonitors = 2;

/// What images are fitted to.
struct ScreenWish {
    /// The profile of each monitor, as the bytes of an ICC file: empty for sRGB, none where nothing is shown.
    std::array<std::optional<std::string>, kMonitors> profiles{std::string(), std::nullopt};
    std::optional<ProofWish> proof{}; ///< images are shown as this device would show or print them

    bool operator==(const ScreenWish&) const = default;
};

/// Makes ready to fit images so; what it gives, called in the window's thread, does it to every image from then on.
/// Profiles become cubes of 33³: some 50 ms for a monitor, some tenths of a second with a proof, in any thread.
/// Throws Error when a profile can't be used (of a proof, as SoftProof does).
std::function<void()> prepareScreens(const ScreenWish& wish);
/// Throws Error when this is no profile that a monitor can have.
void checkMonitorProfile(const std::string& icc);

/// What the profile that is proofed calls itself; empty where none is.
std::string proofName();
/// A name for how images are fitted to a monitor: the content of its profile, and what is proofed; empty for sRGB.
std::string screenId(Monitor monitor = Monitor::Main);

/// Graded pixels as the screen takes them: 8 bits, quantised exactly as a file would be, through the profile
/// of the monitor that they are for.
QImage imageOf(const Program& program, const ViewSource& source, Monitor monitor = Monitor::Main,
               const Task* task = nullptr);

/// What a program gives as numbers from 0 to 1 in its first plane, as 8-bit grey: for no eye, so by no profile.
QImage greyOf(const Program& program, const ViewSource& source);
/// A whole picture, for the window's monitor.
QImage imageOf(const Program& program, const Picture& picture, const Task* task = nullptr);
QImage imageOf(const Grade& grade, const Picture& picture);
/// Of pixels that are graded already.
QImage imageOf(const Picture& graded);

} // namespace baryton
