#pragma once
#include "lut/lut_file.h"

#include <QStringList>

namespace baryton {

/// The formats that can be written here, in the order of `lutFormats`.
inline QStringList lutFormatWords() {
    QStringList all;
    for (const LutFormat format : lutFormats()) all.append(u'.' + QString::fromStdString(lutExtension(format)));
    return all;
}

} // namespace baryton
