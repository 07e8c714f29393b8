#include <iostream>

#include "cli/commands.h"

int main(int argc, char** argv) { return yemvo::cli::run(argc, argv, std::cout, std::cerr); }
