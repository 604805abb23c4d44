#include "app/theme/theme.h"

#include <QFile>
#include <QFontDatabase>
#include <QIconEngine>
#include <QLayout>
#include <QPainter>
#include <QPalette>
#include <QStyleFactory>
#include <QSvgRenderer>

static void initResources() {
    Q_INIT_RESOURCE(baryton); // they stand in a static library, where nothing else would pull them in
}

namespace baryton::theme {

namespace {

Kind currentKind = Kind::Dark;
Surround currentSurround = Surround::Dark;

Colours lightColours() {
    const auto grey = [](int v) { return QColor(v, v, v); };
    Colours c;
    c.list = grey(0xd6);
    c.panel = grey(0xe4), c.raised = grey(0xf2), c.well = grey(0xd2), c.edge = grey(0xb2);
    c.button = grey(0xd0), c.pressed = grey(0xbe), c.scroll = grey(0x96);
    c.text = grey(0x1a), c.second = grey(0x48), c.faint = grey(0x80);
    c.accent = QColor(0x74, 0x4e, 0x08), c.accentLight = QColor(0x94, 0x6a, 0x1c),
    c.accentDim = QColor(0xc8, 0xb4, 0x88);
    c.error = QColor(0xa0, 0x2c, 0x1c);
    c.grid = grey(0xc2), c.counts = grey(0xb4);
    c.red = QColor(0xb4, 0x2c, 0x24), c.green = QColor(0x24, 0x78, 0x28), c.blue = QColor(0x28, 0x50, 0xb0);
    return c;
}

/// Paints the drawing in the text colour of the moment, so that icons follow the theme.
class LineIcon : public QIconEngine {
public:
    explicit LineIcon(const QString& name) : name_(name) {}
    void paint(QPainter* painter, const QRect& rect, QIcon::Mode mode, QIcon::State) override {
        QFile file(QStringLiteral(":/icons/%1.svg").arg(name_));
        if (!file.open(QIODevice::ReadOnly)) return;
        QByteArray drawing = file.readAll();
        const QColor colour = mode == QIcon::Disabled ? colours().faint : colours().text;
        drawing.replace("#dcdcdc", colour.name().toLatin1());
        QSvgRenderer(drawing).render(painter, rect);
    }
    QPixmap pixmap(const QSize& size, QIcon::Mode mode, QIcon::State state) override {
        QPixmap map(size);
        map.fill(Qt::transparent);
        QPainter painter(&map);
        paint(&painter, QRect(QPoint(), size), mode, state);
        return map;
    }
    QIconEngine* clone() const override { return new LineIcon(name_); }

private:
    QString name_;
};

} // namespace

const Colours& colours() {
    static const Colours dark, light = lightColours();
    return currentKind == Kind::Dark ? dark : light;
}

Kind kind() {
    return currentKind;
}

void setSurround(Surround surround) {
    currentSurround = surround;
}

QColor surround() {
    const int level = currentSurround == Surround::Dark ? 0x1e : currentSurround == Surround::Middle ? 0x76 : 0xd4;
    return {level, level, level};
}

namespace {

QString styleSheet() {
    QFile file(QStringLiteral(":/styles/baryton.qss"));
    if (!file.open(QIODevice::ReadOnly)) return {};
    QString sheet = QString::fromUtf8(file.readAll());
    const Colours& c = colours();
    const std::pair<const char*, QColor> names[] = {
        {"panel", c.panel},
        {"raised", c.raised},
        {"well", c.well},
        {"edge", c.edge},
        {"button", c.button},
        {"pressed", c.pressed},
        {"scroll", c.scroll},
        {"text", c.text},
        {"second", c.second},
        {"faint", c.faint},
        {"accent", c.accent},
        {"accentLight", c.accentLight},
        {"error", c.error},
        {"accentDim", c.accentDim},
        {"onAccent", currentKind == Kind::Dark ? QColor(0x16, 0x16, 0x16) : QColor(0xff, 0xff, 0xff)},
        {"list", c.list},
    };
    for (const auto& [name, colour] : names) sheet.replace(QStringLiteral("<%1>").arg(name), colour.name());
    // Pictures that the style sheet names, for light grounds and for dark ones.
    const bool isDark = currentKind == Kind::Dark;
    sheet.replace(QStringLiteral("<suffix>"), isDark ? QString() : QStringLiteral("-light"));
    sheet.replace(QStringLiteral("<check>"), isDark ? QStringLiteral("-dark") : QStringLiteral("-light"));
    return sheet;
}

} // namespace

void install(QApplication& application, Kind kind) {
    initResources();
    currentKind = kind;
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
    palette.setColor(QPalette::HighlightedText,
                     kind == Kind::Dark ? QColor(0x16, 0x16, 0x16) : QColor(0xff, 0xff, 0xff));
    palette.setColor(QPalette::Link, c.accent);
    application.setPalette(palette);
    application.setStyleSheet(styleSheet());
    application.setWindowIcon(QIcon(QStringLiteral(":/icons/baryton.svg")));
}

Undressed::Undressed() : sheet_(qApp->styleSheet()) {
    qApp->setStyleSheet({});
}

Undressed::~Undressed() {
    qApp->setStyleSheet(sheet_);
    // Layouts have kept how large things were without it.
    for (const QWidget* window : QApplication::topLevelWidgets())
        for (QLayout* each : window->findChildren<QLayout*>()) each->invalidate();
}

QIcon icon(const QString& name) {
    return QIcon(new LineIcon(name));
}

} // namespace baryton::theme
