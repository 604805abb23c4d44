#pragma once
#include <QString>

namespace baryton {

// Pictures of the pages that show no window, drawn from the demo set.

/// Each stage at an example of what it does, before and after, on the picture that shows it.
void drawStageStrips(const QString& folder);
/// What each of the three tasks is for: a look made, kept, and put on a set.
void drawWelcome(const QString& folder);

} // namespace baryton
