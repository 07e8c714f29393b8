// SPDX-License-Identifier: GPL-3.0-or-later
#include <QApplication>
#include <QSettings>
#include <QStandardPaths>

#include "app/look/theme.h"
#include "run_catch.h"

int main(int argc, char** argv) {
    QApplication app(argc, argv);
    QStandardPaths::setTestModeEnabled(true);
    app.setApplicationName("yemvo-tests");
    app.setOrganizationName("yemvo-tests");
    QSettings().clear();
    yemvo::app::apply_theme(app);
    return run_catch(argc, argv);
}
