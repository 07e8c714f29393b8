// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
/// Runs the tests of the program; its exit code.
int run_catch(int argc, char** argv);
