// Prints the name of the project in FILE and of the newest leftover under ROOT ("-" for none), one a line.
#include <cstdio>
#include <iostream>

#include "project/journal.h"
#include "project/storage.h"

using namespace yemvo;

int main(int argc, char** argv) try {
    if (argc != 3) return 2;
    std::cout << load_project(argv[1]).project.name << "\n";
    const auto found = leftovers(argv[2]);
    std::cout << (found.empty() ? "-" : recover(found.front()).name) << "\n";
    for (const Leftover& l : found) discard(l);
    return 0;
} catch (const std::exception& fault) {
    std::cout << "BROKEN " << fault.what() << "\n";
    return 1;
}
