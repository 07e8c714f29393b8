// SPDX-License-Identifier: GPL-3.0-or-later
// yemvo-cli: every computation without a window.
#pragma once
#include <iosfwd>

namespace yemvo::cli {

/// Exit codes, the same for every command.
enum ExitCode { done = 0, not_met = 1, wrong_use = 2 };

/// Runs a command line. Results go to `out`, everything else to `err`. Never throws.
int run(int argc, const char* const* argv, std::ostream& out, std::ostream& err);

}  // namespace yemvo::cli
