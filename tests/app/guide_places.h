#pragma once
#include "app/driver.h"
#include "app/guide/guide_of.h"
#include "app/guide/guide_panel.h"

namespace baryton::test {

/// The pages and parts that are named in a window but are not in the guide.
inline QStringList missingInGuide(const QWidget* window, const Guide& guide) {
    QStringList missing;
    GuideBrowser browser;
    const auto check = [&](const QWidget* each) {
        const GuidePlace place = guideOf(each);
        const GuidePage* page = guide.find(place.page);
        if (!page) return missing.append(tr8(each->metaObject()->className()) + tr8(" has ") + place.page);
        if (!each->property("guide").toString().contains(u'#')) return;
        browser.showPage(*page);
        browser.goTo(place.parts);
        if (browser.marked() != place.parts.value(0)) missing.append(page->id + u'#' + place.parts.join(u','));
    };
    check(window);
    for (const QWidget* each : window->findChildren<QWidget*>())
        if (each->window() == window && (each->isVisible() || each->property("guide").isValid())) check(each);
    return missing;
}

} // namespace baryton::test
