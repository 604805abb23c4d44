#include "app/desktop_chooser.h"
#include "base/error.h"
#include "base/file.h"

#include <QByteArray>
#include <QString>
#include <QtGlobal>

namespace baryton {

namespace fs = std::filesystem;

bool hasDesktopChooser(const std::vector<fs::path>& dataFolders) {
    constexpr std::size_t mostBytes = 1 << 16;
    bool hasPortal = false, hasChooser = false;
    std::error_code ignored;
    for (const fs::path& folder : dataFolders) {
        hasPortal =
            hasPortal || fs::exists(folder / "dbus-1/services/org.freedesktop.portal.Desktop.service", ignored);
        for (const auto& entry : fs::directory_iterator(folder / "xdg-desktop-portal/portals", ignored)) {
            if (entry.path().extension() != ".portal") continue;
            try {
                hasChooser =
                    hasChooser || readFile(entry.path(), mostBytes).find("org.freedesktop.impl.portal.FileChooser") !=
                                      std::string::npos;
            } catch (const Error&) {
                // as if it were not there
            }
        }
    }
    return hasPortal && hasChooser;
}

void preferDesktopChooser() {
    std::error_code ignored;
    const fs::path run = qgetenv("XDG_RUNTIME_DIR").toStdString();
    const bool hasBus =
        qEnvironmentVariableIsSet("DBUS_SESSION_BUS_ADDRESS") || (!run.empty() && fs::exists(run / "bus", ignored));
    if (!hasBus || qEnvironmentVariableIsSet("QT_QPA_PLATFORMTHEME")) return;
    const QString told = qEnvironmentVariable("XDG_DATA_DIRS");
    std::vector<fs::path> folders;
    for (const QString& each : (told.isEmpty() ? QStringLiteral("/usr/local/share:/usr/share") : told).split(u':'))
        folders.emplace_back(each.toStdString());
    if (hasDesktopChooser(folders)) qputenv("QT_QPA_PLATFORMTHEME", "xdgdesktopportal");
}

} // namespace baryton
