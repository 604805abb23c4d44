#pragma once
#include <QLabel>
#include <QPushButton>
#include <QStyle>

namespace baryton {

/// A label in one of the style sheet's roles: "heading", "second", "section", "error", "accent", "account".
inline QLabel* makeLabel(const QString& text, const char* role, QWidget* parent = nullptr) {
    auto* label = new QLabel(text, parent);
    label->setProperty("role", QString::fromLatin1(role));
    return label;
}

/// A button in one of the style sheet's roles: "primary", "flat", "task"; empty for the plain one.
inline QPushButton* makeButton(const QString& text, const char* role, QWidget* parent = nullptr) {
    auto* button = new QPushButton(text, parent);
    button->setProperty("role", QString::fromLatin1(role));
    button->setAutoDefault(false);
    return button;
}

/// Gives a widget another role after it has been shown.
inline void setRole(QWidget* widget, const char* role) {
    widget->setProperty("role", QString::fromLatin1(role));
    widget->style()->unpolish(widget);
    widget->style()->polish(widget);
}

/// "1 value", "3 values".
inline QString counted(qsizetype n, const QString& one, const QString& many) {
    return QStringLiteral("%1 %2").arg(n).arg(n == 1 ? one : many);
}

} // namespace baryton
