// SPDX-License-Identifier: GPL-3.0-or-later
// Catch2 itself, compiled once for all test programs.
#define CATCH_CONFIG_RUNNER
#include <catch2/catch.hpp>

#include "run_catch.h"

int run_catch(int argc, char** argv) { return Catch::Session().run(argc, argv); }
