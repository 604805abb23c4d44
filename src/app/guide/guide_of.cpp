#include "app/guide/guide_of.h"

#include <QAbstractButton>
#include <QApplication>
#include <QCursor>
#include <QLabel>

namespace baryton {

namespace {

constexpr const char* kProperty = "guide";

QString ownName(const QWidget* widget) {
    if (!widget->accessibleName().isEmpty()) return widget->accessibleName();
    if (const auto* button = qobject_cast<const QAbstractButton*>(widget)) return button->text();
    if (const auto* label = qobject_cast<const QLabel*>(widget)) return label->text();
    return {};
}

} // namespace

void setGuide(QWidget* widget, const QString& place) {
    widget->setProperty(kProperty, place);
}

void setGuideParts(const QString& page, const std::vector<std::pair<QWidget*, QString>>& parts) {
    for (const auto& [widget, part] : parts) setGuide(widget, page + u'#' + part);
}

GuidePlace guideOf(const QWidget* widget) {
    QStringList names;
    for (const QWidget* at = widget; at; at = at->isWindow() ? nullptr : at->parentWidget()) {
        if (const QString place = at->property(kProperty).toString(); !place.isEmpty())
            return {place.section(u'#', 0, 0), place.contains(u'#') ? QStringList{place.section(u'#', 1)} : names};
        if (const QString name = ownName(at); !name.isEmpty()) names.append(name);
    }
    return {};
}

GuidePlace askedPlace(const QWidget* window) {
    if (const QWidget* under = window->childAt(window->mapFromGlobal(QCursor::pos())))
        if (GuidePlace place = guideOf(under); !place.page.isEmpty()) return place;
    return guideOf(QApplication::focusWidget());
}

} // namespace baryton
