// SPDX-License-Identifier: GPL-3.0-or-later
// Proposals as they come: when there is a whole plan, what it is after 10 s and at last; for the demo, and
// for a tower whose storeys are the demo's first floor.
#include <sys/resource.h>

#include <cstdio>
#include <cstdlib>

#include "base/memory_budget.h"
#include "bench/scenes.h"
#include "demo/demo.h"
#include "proposal/propose.h"

using namespace yemvo;
using namespace yemvo::bench;

namespace {

Project tower(int storeys) {
    Project p = new_project("Tower", {LengthUnits::metres, "GB", 1.2, 7}, storeys, 3.6);
    for (const Floor* f : all_floors(p)) add_walls(p, f->id, rooms(p, 50, 30, 80, 7));
    p.requirement_sets = {};
    add_requirement_set(p, {{}, "Reach", true, {}, {}, {{{}, "signal", band_5, -67, 0.95}}});
    return p;
}

void run(const char* name, const Project& p, double seconds) {
    Predictor predictor;
    ProposalAsk ask;
    ask.seconds = seconds;
    double first = -1;
    std::size_t at_10 = 0;
    const auto better = [&](const Proposal& found) {
        if (first < 0) first = found.seconds;
        if (found.seconds <= 10) at_10 = found.access_points;
    };
    const Proposal found = propose(p, predictor, ask, {}, better);
    rusage used{};
    getrusage(RUSAGE_SELF, &used);
    std::printf(
        "%s: %zu candidates; a whole plan after %.1f s, %zu access points at 10 s, %zu after %.1f s\n", name,
        found.candidates, first, at_10, found.access_points, found.seconds);
    std::printf(
        "  %zu now; at least %.0f for reach alone; %d requirements not met (%d now); %.0f MB at most\n",
        found.access_points_before, found.lower_bound, found.verdict.not_met(), found.before.not_met(),
        double(used.ru_maxrss) / 1024);
}

}  // namespace

int main(int argc, char** argv) {
    give_back_large_blocks();
    run("demo", demo::compose_venue(), argc > 1 ? std::atof(argv[1]) : 60);
    const int storeys = argc > 2 ? std::atoi(argv[2]) : 40;
    if (storeys > 0) run("tower", tower(storeys), argc > 3 ? std::atof(argv[3]) : 600);
}
