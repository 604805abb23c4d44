#include "app/theme/theme.h"

#include <QFile>
#include <QFontDatabase>
#include <QPalette>
#include <QStyleFactory>

static void initResources() {
    Q_INIT_RESOURCE(baryton); // they stand in a static library, where nothing else would pull them in
}

namespace baryton::theme {

const Colours& colours() {
    static const Colours all;
    return all;
}

namespace {

QString styleSheet() {
    QFile file(QStringLiteral(":/styles/baryton.qss"));
    if (!file.open(QIODevice::ReadOnly)) return {};
    QString sheet = QString::fromUtf8(file.readAll());
    const Colours& c = colours();
    const std::pair<const char*, QColor> names[] = {
        {"panel", c.panel},   {"raised", c.raised},       {"well", c.well},     {"edge", c.edge},
        {"button", c.button}, {"pressed", c.pressed},     {"scroll", c.scroll}, {"text", c.text},
        {"second", c.second}, {"faint", c.faint},         {"accent", c.accent}, {"accentLight", c.accentLight},
        {"error", c.error},   {"accentDim", c.accentDim},
    };
    for (const auto& [name, colour] : names) sheet.replace(QStringLiteral("<%1>").arg(name), colour.name());
    return sheet;
}

} // namespace

void install(QApplication& application) {
    initResources();
    for (const char* weight : {"Regular", "SemiBold"})
        QFontDatabase::addApplicationFont(QStringLiteral(":/fonts/Inter-%1.otf").arg(weight));
    QFont font(QStringLiteral("Inter"));
    font.setPixelSize(12);
    application.setFont(font);
    application.setStyle(QStyleFactory::create(QStringLiteral("Fusion")));
    const Colours& c = colours();
    QPalette palette;
    palette.setColor(QPalette::Window, c.panel);
    palette.setColor(QPalette::WindowText, c.text);
    palette.setColor(QPalette::Base, c.well);
    palette.setColor(QPalette::AlternateBase, c.well);
    palette.setColor(QPalette::Text, c.text);
    palette.setColor(QPalette::Button, c.button);
    palette.setColor(QPalette::ButtonText, c.text);
    palette.setColor(QPalette::PlaceholderText, c.second);
    palette.setColor(QPalette::ToolTipBase, c.raised);
    palette.setColor(QPalette::ToolTipText, c.text);
    palette.setColor(QPalette::Highlight, c.accent);
    palette.setColor(QPalette::HighlightedText, QColor(0x16, 0x16, 0x16));
    palette.setColor(QPalette::Link, c.accent);
    application.setPalette(palette);
    application.setStyleSheet(styleSheet());
    application.setWindowIcon(QIcon(QStringLiteral(":/icons/baryton.svg")));
}

QIcon icon(const QString& name) {
    return QIcon(QStringLiteral(":/icons/%1.svg").arg(name));
}

} // namespace baryton::theme
