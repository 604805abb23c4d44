#pragma once
#include <QApplication>
#include <QColor>
#include <QIcon>

namespace baryton::theme {

/// The colours of the window. Greys are exactly neutral, so that nothing around a picture tints it; brass stands only
/// for "on", "chosen" and "changed".
struct Colours {
    QColor list{0x1e, 0x1e, 0x1e}; ///< the ground of tiles and tables
    QColor panel{0x24, 0x24, 0x24}, raised{0x2d, 0x2d, 0x2d}, well{0x1a, 0x1a, 0x1a}, edge{0x3c, 0x3c, 0x3c};
    QColor button{0x3a, 0x3a, 0x3a}, pressed{0x46, 0x46, 0x46}, scroll{0x55, 0x55, 0x55};
    QColor text{0xdc, 0xdc, 0xdc}, second{0xa4, 0xa4, 0xa4}, faint{0x70, 0x70, 0x70};
    QColor accent{0xd2, 0xa8, 0x57}, accentLight{0xe0, 0xb9, 0x6c}, accentDim{0x6b, 0x58, 0x33};
    QColor error{0xe0, 0x8a, 0x7a};
    QColor grid{0x2e, 0x2e, 0x2e}, counts{0x36, 0x36, 0x36}; ///< lines and histograms in wells
    QColor red{0xd8, 0x5c, 0x54}, green{0x62, 0xb0, 0x62}, blue{0x5c, 0x86, 0xd8};
};
const Colours& colours();

enum class Kind { Dark, Light };
/// How light the ground around a picture is: what surrounds it decides how light it looks.
enum class Surround { Dark, Middle, Light };

/// Font, palette and style sheet, from what is built into the program. May be called again with another kind.
void install(QApplication& application, Kind kind = Kind::Dark);
Kind kind();

/// While it lives, widgets are made without the style sheet, which Qt would work out anew for all that a widget holds
/// each time it is put into another; at its end it is worked out once for each.
class Undressed {
public:
    Undressed();
    ~Undressed();
    Q_DISABLE_COPY_MOVE(Undressed)

private:
    QString sheet_;
};

void setSurround(Surround surround);
QColor surround();

/// A line icon by the name of its file, in the text colour of the theme it is painted under.
QIcon icon(const QString& name);

} // namespace baryton::theme
