// SPDX-License-Identifier: GPL-3.0-or-later
#include <QGuiApplication>

#include "run_catch.h"

int main(int argc, char** argv) {
    QGuiApplication app(argc, argv);
    return run_catch(argc, argv);
}
