#pragma once
#include <QColor>
#include <QImage>

namespace baryton {

/// How a mask is seen over the picture it belongs to.
enum class MaskVeil {
    None,
    Darkened, ///< the picture, darkened where little is let through
    Coloured, ///< a colour where much is let through
    Grey,     ///< the weights alone
    Edge,     ///< the line where half is let through
    OnBlack,  ///< the picture on black
};

/// What is laid over the picture for it; a null image for none. `weights`: 8-bit grey.
QImage veilOf(const QImage& weights, MaskVeil how, const QColor& colour);

} // namespace baryton
