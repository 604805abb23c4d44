#pragma once
#include "app/theme/theme.h"
#include "app/widgets/labels.h"

#include <QMenu>

namespace baryton {

/// A flat button that opens a menu of its own, which is still empty.
inline QPushButton* makeMenuButton(const QString& text) {
    auto* button = makeButton(text, "flat");
    button->setIcon(theme::icon(QStringLiteral("down")));
    button->setLayoutDirection(Qt::RightToLeft); // the arrow behind the word
    auto* menu = new QMenu(button);
    menu->setLayoutDirection(Qt::LeftToRight);
    button->setMenu(menu);
    return button;
}

} // namespace baryton
