#pragma once
#include <QApplication>
#include <QColor>
#include <QIcon>

namespace baryton::theme {

/// The colours of the window. Greys are exactly neutral, so that nothing around a picture tints it; brass stands only
/// for "on", "chosen" and "changed".
struct Colours {
    QColor surround{0x1e, 0x1e, 0x1e}; ///< around the picture
    QColor panel{0x24, 0x24, 0x24}, raised{0x2d, 0x2d, 0x2d}, well{0x1a, 0x1a, 0x1a}, edge{0x3c, 0x3c, 0x3c};
    QColor button{0x3a, 0x3a, 0x3a}, pressed{0x46, 0x46, 0x46}, scroll{0x55, 0x55, 0x55};
    QColor text{0xdc, 0xdc, 0xdc}, second{0xa4, 0xa4, 0xa4}, faint{0x70, 0x70, 0x70};
    QColor accent{0xd2, 0xa8, 0x57}, accentLight{0xe0, 0xb9, 0x6c}, accentDim{0x6b, 0x58, 0x33};
    QColor error{0xe0, 0x8a, 0x7a};
    QColor red{0xd8, 0x5c, 0x54}, green{0x62, 0xb0, 0x62}, blue{0x5c, 0x86, 0xd8};
};
const Colours& colours();

/// Font, palette and style sheet, from what is built into the program.
void install(QApplication& application);

/// A line icon by the name of its file.
QIcon icon(const QString& name);

} // namespace baryton::theme
