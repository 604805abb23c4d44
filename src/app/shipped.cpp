#include "app/shipped.h"

#include <QCoreApplication>

namespace baryton {

namespace fs = std::filesystem;

fs::path shippedFolder(const char* installed, const char* inSource) {
    const fs::path program = QCoreApplication::applicationDirPath().toStdString();
    for (const fs::path& place : {program / "../share/baryton" / installed, program / "../.." / inSource}) {
        std::error_code ignored;
        if (fs::is_directory(place, ignored)) return fs::weakly_canonical(place, ignored);
    }
    return {};
}

} // namespace baryton
