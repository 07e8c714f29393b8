// SPDX-License-Identifier: GPL-3.0-or-later
// why [SECONDS] [PLACES]: a proposal for the demo, then of each of its access points what fails without it
// and where it may be moved. Each answer is tried out by a program path that remembers nothing: whether what
// is said to fail does, and whether all holds at random places of the area.
#include "proposal/why.h"

#include <chrono>
#include <cstdio>
#include <cstdlib>
#include <random>

#include "demo/demo.h"
#include "proposal/propose.h"
#include "tuning/known_site.h"

using namespace yemvo;

namespace {

double now_s() {
    return std::chrono::duration<double>(std::chrono::steady_clock::now().time_since_epoch()).count();
}

Verdict tried(const Project& p) {
    Predictor predictor;
    return know_site(p, predictor).verdict;
}

}  // namespace

int main(int argc, char** argv) {
    const double seconds = argc > 1 ? std::atof(argv[1]) : 30;
    const int places = argc > 2 ? std::atoi(argv[2]) : 3;
    const Project present = demo::compose_venue();
    Predictor predictor;
    ProposalAsk ask;
    ask.seconds = seconds;
    const Project plan = propose(present, predictor, ask).plan.project;
    const Verdict with = tried(plan);
    SiteVerdicts verdicts(predictor);
    std::mt19937 random(1);
    double without_s = 0, area_s = 0, longest_s = 0, area_m2 = 0;
    std::size_t needed = 0, true_losses = 0, said_losses = 0, tries = 0, held = 0, in_area = 0;
    const auto all = placed_access_points(plan);
    for (const PlacedAccessPoint& placed : all) {
        const AccessPointId id = placed.access_point->id;
        const double begin = now_s();
        const Project without = without_access_point(plan, id);
        const auto lost = losses(with, verdicts.of(without).verdict);
        without_s += now_s() - begin;
        needed += !lost.empty() && lost.front().fails;
        const auto truly = losses(with, tried(without));
        said_losses += lost.size();
        for (const VerdictLoss& l : lost)
            for (const VerdictLoss& t : truly)
                true_losses += t.requirement == l.requirement && t.band == l.band && t.fails == l.fails;
        const double asked = now_s();
        const MovableArea area = movable_area(plan, id, ask, verdicts);
        const double took = now_s() - asked;
        area_s += took;
        longest_s = std::max(longest_s, took);
        tries += area.tried;
        area_m2 += area.area_m2();
        if (area.cells.empty()) continue;
        for (int i = 0; i < places; ++i) {
            const Point low = area.cells[random() % area.cells.size()];
            std::uniform_real_distribution<double> within(0, area.step_m);
            const Point to = low + Point{within(random), within(random)};
            held += losses(with, tried(with_access_point_at(plan, area.floor, id, to))).empty();
            ++in_area;
        }
    }
    std::printf("%zu access points (%zu now); something fails without %zu of them\n", all.size(),
                placed_access_points(present).size(), needed);
    std::printf("what fails: %zu said, %zu true when tried; %.2f s each\n", said_losses, true_losses,
                without_s / double(all.size()));
    std::printf("areas: %.0f m2 each, %.1f s each (longest %.1f), %.0f ms a try\n",
                area_m2 / double(all.size()), area_s / double(all.size()), longest_s,
                1000 * area_s / double(tries));
    std::printf("random places in areas: %zu, all holds at %zu\n", in_area, held);
}
