// SPDX-License-Identifier: GPL-3.0-or-later
// Random floors of 800 to 6,000 m2: access points that the search takes, the greedy way of the same model
// takes, and no plan can do without.
//   bench_proposal_floors [FLOORS [SECONDS [SECONDS_OF_THE_BOUND [FIRST_FLOOR]]]]
#include <cmath>
#include <cstdio>
#include <cstdlib>
#include <string>

#include "bench/scenes.h"
#include "cover/cover_bound.h"
#include "cover/cover_search.h"
#include "project/storage.h"
#include "proposal/site_cover.h"

using namespace yemvo;
using namespace yemvo::bench;

namespace {

Project random_floor(unsigned seed) {
    std::mt19937 random(seed);
    const auto any = [&](double low, double high) {
        return std::uniform_real_distribution<>(low, high)(random);
    };
    Project p = new_project("Floor", {LengthUnits::metres, "GB", 1.2, 7}, 1, 3.5);
    const double area = any(800, 6000), width = std::sqrt(area * any(1, 3)), depth = area / width;
    add_walls(p, all_floors(p)[0]->id, rooms(p, width, depth, static_cast<int>(area / any(12, 40)), seed));
    p.requirement_sets = {};
    std::vector<Requirement> asked{{{}, "signal", band_5, std::round(any(-68, -62)), 0.95}};
    if (seed % 2) asked.push_back({{}, "signal", band_24, -65, 0.95});
    if (seed % 3 == 0) asked.push_back({{}, "next_best", band_5, -75, 0.9});
    add_requirement_set(p, {{}, "Reach", true, {}, {}, asked});
    return p;
}

}  // namespace

int main(int argc, char** argv) {
    // bench_proposal_floors --write FOLDER COUNT: as projects, for programs that check from outside
    if (argc == 4 && std::string(argv[1]) == "--write") {
        for (int seed = 1; seed <= std::atoi(argv[3]); ++seed)
            save_project(random_floor(static_cast<unsigned>(seed)),
                         std::string(argv[2]) + "/floor-" + std::to_string(seed) + ".yemvo");
        return 0;
    }
    const unsigned floors = argc > 1 ? static_cast<unsigned>(std::atoi(argv[1])) : 50;
    const double seconds = argc > 2 ? std::atof(argv[2]) : 30;
    const double bound_seconds = argc > 3 ? std::atof(argv[3]) : seconds;
    double gaps = 0, worst = 0;
    std::size_t found_sum = 0, greedy_sum = 0, exact = 0;
    const unsigned from = argc > 4 ? static_cast<unsigned>(std::atoi(argv[4])) : 1;
    for (unsigned seed = from; seed < from + floors; ++seed) {
        Predictor predictor;
        SiteCoverWish wish;
        wish.cells_a_floor = 900;
        const SiteCover cover = site_cover(random_floor(seed), predictor, {}, wish);
        CoverWish how;
        how.seconds = seconds;
        const CoverPlan found = search_cover(cover.problem, how), greedy = greedy_cover(cover.problem);
        BoundWish bound_wish;
        bound_wish.seconds = bound_seconds;
        const CoverBound bound = bound_cover(cover.problem, bound_wish);
        const double gap = (double(found.size()) - bound.cost) / bound.cost;
        std::printf(
            "floor %2u: %4zu places, %6zu rows: %2zu found, %2zu greedy, at least %2.0f%s, gap %4.1f %%\n",
            seed, cover.candidates.size(), cover.problem.rows(), found.size(), greedy.size(), bound.cost,
            bound.exact ? " (exact)" : "", 100 * gap);
        std::fflush(stdout);
        gaps += gap;
        worst = std::max(worst, gap);
        found_sum += found.size();
        greedy_sum += greedy.size();
        exact += gap < 1e-9;
    }
    std::printf(
        "mean gap %.2f %%, worst %.1f %%, %zu proven; %zu access points, %zu by the greedy way: %.1f %% "
        "saved\n",
        100 * gaps / floors, 100 * worst, exact, found_sum, greedy_sum,
        100.0 * double(greedy_sum - found_sum) / double(greedy_sum));
}
