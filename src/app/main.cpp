#include "app/main_window.h"
#include "app/theme/theme.h"

#include <QApplication>
#include <QCommandLineParser>
#include <clocale>
#include <iostream>

int main(int argc, char** argv) {
    QApplication application(argc, argv);
    std::setlocale(LC_NUMERIC, "C"); // numbers in files are the same everywhere
    QApplication::setApplicationName(QStringLiteral("baryton"));
    QApplication::setApplicationDisplayName(QStringLiteral("Baryton"));
    QApplication::setApplicationVersion(QStringLiteral(BARYTON_VERSION));
    QCommandLineParser parser;
    parser.setApplicationDescription(QStringLiteral("Baryton: colour styles for whole sets of pictures"));
    parser.addHelpOption();
    parser.addVersionOption();
    parser.addPositionalArgument(QStringLiteral("pictures"), QStringLiteral("A folder, or pictures, to open"),
                                 QStringLiteral("[FOLDER|PICTURES…]"));
    parser.process(application);

    baryton::theme::install(application);
    baryton::MainWindow window(baryton::userLibraryFolder());
    window.show();
    std::vector<std::filesystem::path> paths;
    for (const QString& path : parser.positionalArguments()) paths.emplace_back(path.toStdString());
    if (!paths.empty()) window.openPaths(paths);
    return QApplication::exec();
}
