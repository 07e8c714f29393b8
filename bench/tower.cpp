// SPDX-License-Identifier: GPL-3.0-or-later
// Sites at size: a tower, a floor of thousands of access points, files with hundreds of thousands of walls, a
// drag of thousands. Each in a process of its own, so that its peak of memory is its own.
#include <sys/resource.h>
#include <sys/wait.h>
#include <unistd.h>

#include <filesystem>

#include "bench/scenes.h"
#include "bench/timing.h"
#include "coverage/floor_by_floor.h"
#include "project/items.h"
#include "project/rules.h"
#include "project/storage.h"

using namespace yemvo;
using namespace yemvo::bench;

namespace {

/// Runs in a child; tells its peak of memory.
template <class Work>
void apart(Work work) {
    std::fflush(stdout);
    const pid_t child = fork();
    if (child == 0) {
        work();
        rusage used{};
        getrusage(RUSAGE_SELF, &used);
        std::printf("    peak of memory %ld MB\n", used.ru_maxrss / 1024);
        std::fflush(stdout);
        _exit(0);
    }
    int status = 0;
    waitpid(child, &status, 0);
    if (!WIFEXITED(status) || WEXITSTATUS(status) != 0) std::printf("    FAILED\n");
}

/// An access point moved on a floor in the middle: only the floors that it reaches are judged again.
void judge_after_edit(const Project& p, FloorByFloor& floors) {
    const FloorId middle = all_floors(p)[all_floors(p).size() / 2]->id;
    Project moved = p, walled = p;
    AccessPoint ap = access_points(moved, middle).front();
    ap.position.x += 1;
    replace_access_point(moved, middle, ap);
    Wall wall = find_floor(p, middle)->walls->front();
    wall.points = {{10, 10}, {14, 12}};
    wall.openings.clear();
    wall.bulges.clear();
    add_wall(walled, middle, wall);
    for (const auto& [what, after] :
         {std::pair("an access point moved", &moved), std::pair("a wall added", &walled)}) {
        const std::size_t before = floors.predicted();
        const double ms = milliseconds([&] { judge_by_floors(*after, floors); });
        std::printf("    %s: judged again after %.1f s, %zu of %zu floors worked out\n", what, ms / 1000,
                    floors.predicted() - before, all_floors(p).size());
        judge_by_floors(p, floors);
    }
}

void judge_site(const char* what, const Project& p) {
    std::printf("%s\n", what);
    apart([&] {
        Predictor predictor;
        double first_ms = 0, all_ms = 0, cpu_ms = 0;
        Verdict v;
        first_ms = milliseconds([&] { predictor.predict(p, {all_floors(p)[all_floors(p).size() / 2]->id}); });
        FloorByFloor floors(predictor);
        const bool one = all_floors(p).size() == 1;
        cpu_ms = cpu_milliseconds([&] {
            all_ms =
                milliseconds([&] { v = one ? judge_by_floors(p, predictor) : judge_by_floors(p, floors); });
        });
        std::printf(
            "    floor in view after %.2f s; every floor judged after %.1f s more (%.1f s of CPU): %zu of "
            "%zu floors, %.0f m2\n",
            first_ms / 1000, all_ms / 1000, cpu_ms / 1000, v.floors_judged, v.floors_all, v.demanded_m2());
        if (!one) judge_after_edit(p, floors);
    });
}

void open_file() {
    const std::filesystem::path file =
        std::filesystem::temp_directory_path() / ("yemvo-tower-" + std::to_string(getpid()) + ".yemvo");
    std::printf("40 floors with 10,000 walls and 5 access points each, from a file\n");
    apart([&] {
        const Project p = tower(40, 120, 80, 10'000, 5);
        const double ms = milliseconds([&] { save_project(p, file); });
        std::printf("    saved and read back in %.1f s, %.1f MB\n", ms / 1000,
                    static_cast<double>(std::filesystem::file_size(file)) / 1e6);
    });
    apart([&] {
        Project p;
        const double opened_ms = milliseconds([&] { p = load_project(file).project; });
        Predictor predictor;
        const double seen_ms = milliseconds([&] { predictor.predict(p, {all_floors(p)[20]->id}); });
        std::printf("    opened in %.1f s, the floor in view after %.1f s more\n", opened_ms / 1000,
                    seen_ms / 1000);
    });
    std::filesystem::remove(file);
}

void drag_walls() {
    const Project p = hall(10'000, 1);
    const FloorId at = all_floors(p)[0]->id;
    std::vector<Item> items;
    for (const Wall& w : *all_floors(p)[0]->walls)
        if (items.size() < 5000) items.push_back({ItemKind::wall, w.id.value});
    const auto frame = [&](Project& now, double by) {
        Project after = p;
        move_items(after, at, items, shifted({by, 0}));
        check_edit(now, after);
        const bool same = after == now;
        now = std::move(after);
        return same;
    };
    Project now = p;
    std::vector<double> ms;
    for (int i = 1; i <= 60; ++i) ms.push_back(milliseconds([&] { frame(now, 0.1 * i); }));
    const Figures f = figures(ms);
    // as it was: the floor's list copied for each thing that moves
    const double one_ms =
        milliseconds([&] {
            Project after = p;
            for (int i = 0; i < 50; ++i) {
                const Project held = after;
                move_items(after, at, {items[static_cast<std::size_t>(i)]}, shifted({0.1, 0}));
            }
        }) /
        50;
    std::printf(
        "5,000 of 10,000 walls dragged: an edit a frame %.1f ms median, %.1f worst (goal: 33 ms a frame); "
        "copied for each wall "
        "it would be %.0f ms, %.0f times as long\n",
        f.median_ms, f.worst_ms, one_ms * 5000, one_ms * 5000 / f.median_ms);
}

}  // namespace

int main() {
    give_back_large_blocks();  // as the programs do
    drag_walls();
    judge_site("Tower: 40 floors of 80 x 40 m, 400 walls and 50 access points each, 3 bands, 0.5 m",
               tower(40, 80, 40, 400, 50));
    {
        Project p = hall(10'000, 2000);
        p.settings.grid_m = 1;
        judge_site("One floor of 300 x 200 m, 10,000 walls, 2,000 access points, 3 bands, 1 m", p);
    }
    open_file();
}
