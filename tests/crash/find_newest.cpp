// SPDX-License-Identifier: GPL-3.0-or-later
// Prints the names of the project in FILE, of every leftover and of the newest earlier versions under STATE,
// one a line.
#include <cstdio>
#include <iostream>

#include "project/journal.h"
#include "project/storage.h"

using namespace yemvo;

int main(int argc, char** argv) try {
    if (argc != 3) return 2;
    const std::filesystem::path state = argv[2];
    std::cout << load_project(argv[1]).project.name << "\n";
    for (const Leftover& l : leftovers(state / "journal")) {
        std::cout << recover(l).name << "\n";
        discard(l);
    }
    constexpr std::size_t most = 6;
    const auto kept = Versions(state / "versions").all();
    for (std::size_t i = 0; i < kept.size() && i < most; ++i)
        std::cout << load_project(kept[i].copy).project.name << "\n";
    return 0;
} catch (const std::exception& fault) {
    std::cout << "BROKEN " << fault.what() << "\n";
    return 1;
}
