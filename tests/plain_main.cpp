#include "run_catch.h"

int main(int argc, char** argv) { return run_catch(argc, argv); }
