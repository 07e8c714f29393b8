// SPDX-License-Identifier: GPL-3.0-or-later
// The real window without a display, as every bench of it needs it.
#pragma once
#include <QApplication>
#include <QStandardPaths>
#include <QTest>

#include "app/app_window.h"
#include "app/look/theme.h"
#include "app/plan/plan_view.h"
#include "app/prediction/prediction_runner.h"

namespace yemvo::bench {

/// At 1280x800, shown; nothing of it touches the person's own settings.
class BenchWindow {
public:
    BenchWindow(int& argc, char** argv) : app_(argc, argv) {
        QStandardPaths::setTestModeEnabled(true);
        yemvo::app::apply_theme(app_);
        window.emplace();
        window->resize(1280, 800);
        window->show();
    }
    yemvo::app::AppWindow& operator*() { return *window; }

private:
    struct Platform {
        Platform() {
            give_back_large_blocks();  // as the program does
            if (qEnvironmentVariableIsEmpty("QT_QPA_PLATFORM")) qputenv("QT_QPA_PLATFORM", "offscreen");
        }
    } platform_;  ///< chosen before the application is there
    QApplication app_;
    std::optional<yemvo::app::AppWindow> window;
};

}  // namespace yemvo::bench
