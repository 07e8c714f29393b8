// SPDX-License-Identifier: GPL-3.0-or-later
#include "render/headless.h"

#include <unistd.h>

#include <QGuiApplication>
#include <QLocale>
#include <clocale>
#include <filesystem>
#include <string>

namespace yemvo::render {
namespace {

int argument_count = 1;
char program[] = "yemvo-cli";
char* arguments[] = {program, nullptr};

/// Qt keeps run-time files in a folder of the user's own, and complains aloud where a session has none.
void own_runtime_folder() {
    if (!qEnvironmentVariableIsEmpty("XDG_RUNTIME_DIR")) return;
    namespace fs = std::filesystem;
    std::error_code ignored;
    const fs::path folder =
        fs::temp_directory_path(ignored) / ("yemvo-runtime-" + std::to_string(::getuid()));
    fs::create_directory(folder, ignored);
    fs::permissions(folder, fs::perms::owner_all, ignored);
    qputenv("XDG_RUNTIME_DIR", folder.c_str());
}

}  // namespace

Headless::Headless() {
    if (QCoreApplication::instance()) return;
    qputenv("QT_QPA_PLATFORM", "offscreen");
    own_runtime_folder();
    application_ = std::make_unique<QGuiApplication>(argument_count, arguments);
    // what is written without a window has a decimal point, whatever the desktop's language
    std::setlocale(LC_NUMERIC, "C");
    QLocale::setDefault(QLocale::c());
}

Headless::~Headless() = default;

}  // namespace yemvo::render
