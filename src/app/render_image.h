#pragma once
#include "picture/soft_proof.h"
#include "render/program.h"
#include "render/view.h"

#include <QImage>
#include <functional>
#include <optional>
#include <string>

namespace baryton {

/// Sets the profile of the monitor (the bytes of an ICC file; none for sRGB) for every image made from now on. It is
/// folded into a cube of 33³. Throws Error when the profile can't be used; nothing then changes.
void setMonitorProfile(const std::string& icc);

/// Makes ready to show images as another device would; nothing: as they are. It takes some tenths of a second, in any
/// thread. What it gives, called in the window's thread, shows every image so from then on. Throws Error as SoftProof
/// does.
std::function<void()> prepareSoftProof(const std::optional<ProofWish>& wish);
/// What the profile that is proofed calls itself; empty where none is.
std::string proofName();

/// A name for how images are fitted to the screen: the monitor profile's content, and what is proofed; empty for
/// sRGB.
std::string monitorProfileId();

/// Graded pixels as the screen takes them: 8 bits, quantised exactly as a file would be, through the monitor's
/// profile.
QImage imageOf(const Program& program, const ViewSource& source, const Task* task = nullptr);

/// What a program gives as numbers from 0 to 1 in its first plane, as 8-bit grey: for no eye, so by no profile.
QImage greyOf(const Program& program, const ViewSource& source);
/// The same as imageOf of a whole picture.
QImage imageOf(const Program& program, const Picture& picture, const Task* task = nullptr);
QImage imageOf(const Grade& grade, const Picture& picture);
/// Of pixels that are graded already.
QImage imageOf(const Picture& graded);

} // namespace baryton
