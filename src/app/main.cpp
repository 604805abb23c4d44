#include "app/behind.h"
#include "app/crash_sheet.h"
#include "app/desktop_chooser.h"
#include "app/main_window.h"
#include "app/settings.h"
#include "app/theme/theme.h"
#include "app/tile_drawer.h"
#include "app/translation.h"
#include "app/welcome.h"
#include "base/error.h"
#include "package/import.h"
#include "picture/lens.h"

#include <QApplication>
#include <QCommandLineParser>
#include <QPointer>
#include <QScreen>
#include <QThreadPool>
#include <clocale>
#include <iostream>

int main(int argc, char** argv) {
    baryton::preferDesktopChooser();
    QApplication application(argc, argv);
    std::setlocale(LC_NUMERIC, "C"); // numbers in files are the same everywhere
    QApplication::setApplicationName(QStringLiteral("baryton"));
    QApplication::setApplicationDisplayName(QStringLiteral("Baryton"));
    QGuiApplication::setDesktopFileName(QStringLiteral("baryton")); // by which Wayland finds the icon
    QApplication::setApplicationVersion(QStringLiteral(BARYTON_VERSION));
    QCommandLineParser parser;
    parser.setApplicationDescription(QStringLiteral("Baryton: colour styles for whole sets of pictures"));
    parser.addHelpOption();
    parser.addVersionOption();
    parser.addPositionalArgument(
        QStringLiteral("pictures"),
        QStringLiteral("A folder, or pictures, to open; a picture named after its folder is shown first"),
        QStringLiteral("[FOLDER|PICTURES…]"));
    parser.process(application);

    baryton::dropBrokenLock();
    baryton::speak(baryton::loadSettings().language);
    baryton::theme::install(application);
    std::string problem;
    try {
        baryton::giveFirstPresets(baryton::Library(baryton::userLibraryFolder()), baryton::givenPresetsFolder());
    } catch (const baryton::Error& e) {
        problem = e.what();
    }
    const auto broken = baryton::RunRecord::takeBroken();
    baryton::RunRecord record;
    record.catchSignals();
    std::vector<std::filesystem::path> paths;
    for (const QString& path : parser.positionalArguments()) paths.emplace_back(path.toStdString());
    baryton::MainWindow window(baryton::userLibraryFolder(), paths);
    QObject::connect(&window, &baryton::MainWindow::opened, &window,
                     [&record](const std::vector<std::filesystem::path>& opened) { record.setOpen(opened); });
    QObject::connect(&window, &baryton::MainWindow::endedInBackground, &application, &QCoreApplication::quit);
    // Never larger than the screen, with room for the desktop's own frame and bars.
    constexpr QSize frame(16, 48);
    window.resize(window.size().boundedTo(window.screen()->availableSize() - frame));
    window.show();
    window.openSecondAgain();
    constexpr qint64 mostTileBytes = qint64(300) << 20;
    baryton::runBehind(*QThreadPool::globalInstance(), [] { baryton::trimTileFolder(mostTileBytes); });
    baryton::runBehind(*QThreadPool::globalInstance(),
                       [] { baryton::Library(baryton::userLibraryFolder()).emptyDeleted(); });
    // Lenses are read before anybody waits for them.
    baryton::runBehind(*QThreadPool::globalInstance(), [state = QPointer(&window.state())] {
        std::size_t fitting = 0;
        baryton::knownLenses({}, fitting);
        for (const auto& file : baryton::unreadLensFiles())
            baryton::tellWindow(qApp, [state, file] {
                if (state)
                    state->tell(baryton::AppState::tr("%1 is no file of lenses that can be read")
                                    .arg(QString::fromStdString(file.string())),
                                true);
            });
    });
    if (!problem.empty()) window.state().tell(QString::fromStdString(problem), true);
    if (!paths.empty()) window.openPaths(paths);
    if (!broken.empty()) window.tellOfCrash(broken);
    return QApplication::exec();
}
