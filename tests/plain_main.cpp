// SPDX-License-Identifier: GPL-3.0-or-later
#include "run_catch.h"

int main(int argc, char** argv) { return run_catch(argc, argv); }
