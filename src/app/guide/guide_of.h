#pragma once
#include "app/guide/guide.h"

#include <QWidget>

namespace baryton {

/// Says which place of the guide tells of a widget and of what is in it: "guide/batch#names".
void setGuide(QWidget* widget, const QString& place);
/// The same of several widgets: each its part of one page.
void setGuideParts(const QString& page, const std::vector<std::pair<QWidget*, QString>>& parts);
/// The place that tells of a widget: its own or that of what it lies in. Where that is a page without a part, the
/// parts are the names of the controls on the way, innermost first. Empty where nobody says.
GuidePlace guideOf(const QWidget* widget);
/// The place that a question is about: that of what the pointer is on in this window, or else of what has the focus.
GuidePlace askedPlace(const QWidget* window);

} // namespace baryton
