// SPDX-License-Identifier: GPL-3.0-or-later
#include <iostream>

#include "base/memory_budget.h"
#include "cli/commands.h"

int main(int argc, char** argv) {
    yemvo::give_back_large_blocks();
    return yemvo::cli::run(argc, argv, std::cout, std::cerr);
}
