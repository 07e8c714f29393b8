// SPDX-License-Identifier: GPL-3.0-or-later
// Cables of the demo, of a hall and of a tower: how long the plan takes, and where closets go when there are
// none.
#include <sys/resource.h>

#include <chrono>
#include <cstdio>
#include <functional>

#include "bench/scenes.h"
#include "cabling/cable_reach.h"
#include "cabling/closet_places.h"
#include "demo/demo.h"
#include "project/kinds/thing_edits.h"

using namespace yemvo;
using namespace yemvo::bench;

namespace {

double ms_of(const std::function<void()>& work) {
    const auto begin = std::chrono::steady_clock::now();
    work();
    return std::chrono::duration<double, std::milli>(std::chrono::steady_clock::now() - begin).count();
}

/// What the lens of cables asks for, on every floor.
void anywhere(const Project& p) {
    std::unique_ptr<CableReach> reach;
    const double ways_ms = ms_of([&] { reach = std::make_unique<CableReach>(p); });
    SceneCache scenes(std::make_shared<MemoryBudget>(usual_budget_bytes()));
    std::size_t cells = 0;
    const double cells_ms = ms_of([&] {
        for (const Floor* f : all_floors(p)) {
            const auto scene = scenes.scene(p, building_with(p, f->id).id);
            cells += reach->links_m(make_surface(p, *scene, *f, p.settings.grid_m)).size();
        }
    });
    std::printf("from anywhere: ways in %.0f ms, %zu cells of all floors in %.0f ms\n", ways_ms, cells,
                cells_ms);
}

void run(const char* name, Project p) {
    CablePlan plan;
    ClosetPlaces places;
    const double planned_ms = ms_of([&] { plan = plan_cables(p); });
    anywhere(p);
    for (const Floor* f : all_floors(p)) floor_of(p, f->id).closets.edit().clear();
    const CablePlan none = plan_cables(p);
    const double places_ms = ms_of([&] { places = closet_places(p, none); });
    for (const ClosetPlace& at : places.places)
        add_thing(p, at.floor, Closet{{}, free_closet_name(p), at.place});
    CablePlan after;
    const double after_ms = ms_of([&] { after = plan_cables(p); });
    std::size_t out = 0;
    for (const CableRun& r : after.runs) out += is_out_of_reach(p.cabling, r);
    rusage used{};
    getrusage(RUSAGE_SELF, &used);
    std::printf(
        "%s: %zu cables planned in %.0f ms; without closets %zu places found in %.0f ms (%s), with them "
        "planned in "
        "%.0f ms, %zu beyond reach then; %.0f MB at most\n",
        name, plan.runs.size(), planned_ms, places.places.size(), places_ms,
        places.fewest ? "the fewest" : "not proven", after_ms, out, double(used.ru_maxrss) / 1024);
    std::fflush(stdout);
}

}  // namespace

int main() {
    run("demo", demo::compose_venue());
    run("hall of 300 by 200 m", hall(10'000, 200));
    run("tower of 40 storeys", tower(40, 50, 30, 200, 50));
}
