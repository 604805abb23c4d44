#include "app/theme/theme.h"

#include <QApplication>
#include <gtest/gtest.h>

int main(int argc, char** argv) {
    testing::InitGoogleTest(&argc, argv);
    if (!qEnvironmentVariableIsSet("QT_QPA_PLATFORM"))
        qputenv("QT_QPA_PLATFORM", "offscreen"); // no monitor is needed
    QApplication application(argc, argv);
    baryton::theme::install(application);
    return RUN_ALL_TESTS();
}
