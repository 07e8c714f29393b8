// SPDX-License-Identifier: GPL-3.0-or-later
#include <QApplication>
#include <QSettings>
#include <QStandardPaths>
#include <QTemporaryDir>

#ifdef __SANITIZE_THREAD__
#include <tbb/global_control.h>
#endif

#include "app/look/theme.h"
#include "run_catch.h"

int main(int argc, char** argv) {
    // a home of its own: tests that run at once must not see each other's settings and recent files
    const QTemporaryDir home;
    qputenv("HOME", home.path().toLocal8Bit());
    QApplication app(argc, argv);
    QStandardPaths::setTestModeEnabled(true);
    app.setApplicationName("yemvo-tests");
    app.setOrganizationName("yemvo-tests");
    QSettings().clear();
    yemvo::app::apply_theme(app);
#ifdef __SANITIZE_THREAD__
    // how TBB hands work to its own threads cannot be seen: what is looked at here are the program's threads
    const tbb::global_control alone(tbb::global_control::max_allowed_parallelism, 1);
#endif
    return run_catch(argc, argv);
}
