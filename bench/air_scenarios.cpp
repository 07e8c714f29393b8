// SPDX-License-Identifier: GPL-3.0-or-later
// The airtime model against packet-level simulations: every scenario with what was measured and what the
// model gives, then the spread of the errors. `bench_air_scenarios tests/data/air_scenarios.json [list]`
#include <algorithm>
#include <chrono>
#include <cstdio>
#include <fstream>
#include <sstream>

#include "bench/air_errors.h"

using namespace yemvo;

int main(int argc, char** argv) {
    if (argc < 2) return std::fprintf(stderr, "usage: bench_air_scenarios FILE [list]\n"), 2;
    std::ifstream in(argv[1]);
    std::stringstream text;
    text << in.rdbuf();
    const auto before = std::chrono::steady_clock::now();
    const auto errors = bench::air_errors(text.str());
    const double seconds = std::chrono::duration<double>(std::chrono::steady_clock::now() - before).count();
    if (argc > 2)
        for (const auto& e : errors)
            std::printf("%-4s %-28s %9.3f measured %9.3f model  %6.1f %% +- %.0f  %s%s\n", e.scenario.c_str(),
                        e.what.c_str(), e.measured, e.model, 100 * e.error(), 100 * e.half_width,
                        e.overload ? "overload" : "carried", e.beyond() ? "  BEYOND" : "");
    std::printf("%s", bench::table(errors).c_str());
    std::printf("%.0f ms for all\n", 1000 * seconds);
}
