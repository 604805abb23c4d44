#pragma once
#include "grade/takes.h"

#include <QString>

namespace baryton {

/// What the version before means in comparisons: the source, each picture's Prep alone, each picture's take of a
/// name, or a step of the key picture's history, all of them in the frame of now; or the whole source, which is
/// neither cut nor turned nor freed of its lens. Where a line runs between the two it is in the frame as well.
struct Before {
    enum class Kind { Source, WholeSource, PrepOnly, Take, Step } kind = Kind::Source;
    QString name; ///< of the take or the step
    Grade grade;  ///< of the step
    bool operator==(const Before&) const = default;
};

/// The version before of a picture, whose work this is and of which `shown` is shown now. A step is laid over the own
/// Prep of pictures other than the key picture; a picture without a take of that name shows its source.
Grade gradeBefore(const Before& before, const PictureWork& work, const Grade& shown, bool isKey);

} // namespace baryton
