// SPDX-License-Identifier: GPL-3.0-or-later
// Capacity behind a drag on the demo, both busy hours, and from nothing at size: 20,000 clients on 400
// radios; towers on one channel.
#include <sys/resource.h>

#include <algorithm>
#include <cmath>
#include <cstdio>

#include "bench/timing.h"
#include "capacity/site_capacity.h"
#include "demo/demo.h"
#include "project/edits.h"
#include "project/library.h"

using namespace yemvo;
using namespace yemvo::bench;

namespace {

void drag_on_demo() {
    Project project = demo::compose_venue();
    Predictor predictor;
    CapacitySolver solver;
    SitePrediction site = predictor.predict(project);
    const double first_ms = milliseconds([&] { site_capacity(project, site, solver); });
    std::printf("demo, %zu busy hours: from nothing %.1f ms\n", project.demand.hours.size(), first_ms);
    const Floor& floor = *find_floor(project, "Ground floor");
    std::vector<double> all;
    std::size_t parts = 0;
    for (const AccessPoint& moved : access_points(project, floor.id)) {
        for (int step = 1; step <= 6; ++step) {
            AccessPoint ap = moved;
            ap.position.x += 0.35 * step;
            ap.position.y += 0.2 * step;
            Project after = project;
            replace_access_point(after, floor.id, ap);
            site = predictor.predict(after);
            all.push_back(milliseconds([&] { site_capacity(after, site, solver); }));
            parts += solver.solved();
        }
    }
    print("behind a move of one access point", figures(all));
    std::printf("  %.1f parts of the site solved anew\n",
                static_cast<double>(parts) / static_cast<double>(all.size()));
}

long peak_mb() {
    rusage used{};
    getrusage(RUSAGE_SELF, &used);
    return used.ru_maxrss / 1024;
}

/// Radios on a grid, 50 clients round each, so many channels of 20 MHz at 5 GHz in turn; levels by distance
/// alone.
struct Hall {
    Project project;
    std::vector<AirRadio> radios;
    std::vector<std::shared_ptr<const HeardFloor>> floors;
};

Hall hall(int side, int clients_each, int channel_count) {
    constexpr double apart_m = 12;
    Hall h;
    h.project = new_project("Hall", {}, 1, 6);
    const FloorId floor = all_floors(h.project).front()->id;
    std::vector<ZoneUse> uses = standard_uses();
    const auto& use =
        *std::find_if(uses.begin(), uses.end(), [](const ZoneUse& u) { return u.key == "classroom"; });
    const auto channel_list = channels(band_5, 20);
    for (int r = 0; r < side * side; ++r) {
        const Point at{(r % side) * apart_m, (r / side) * apart_m};
        Zone z{{},
               "Hall",
               ZoneKind::served,
               {at, at + Point{apart_m, 0}, at + Point{apart_m, apart_m}, at + Point{0, apart_m}}};
        z.demand = use.demand;
        z.demand->by = PeopleBy::count;
        z.demand->amount = clients_each;
        z.demand->devices = z.demand->connected = 1;
        add_zone(h.project, floor, z);
        // neighbours far from each other in the list of channels
        const std::size_t turn =
            static_cast<std::size_t>(r % side * 7 + r / side * 11) % static_cast<std::size_t>(channel_count);
        AirRadio radio{AccessPointId{static_cast<std::uint32_t>(r + 1)},
                       r + 1,
                       0,
                       floor,
                       channel_list[turn],
                       channel_list[turn].number,
                       17,
                       {Standard::ax, band_5, 4},
                       6,
                       0,
                       {}};
        h.radios.push_back(radio);
    }
    const auto level_cdbm = [&](Point from, int radio) {
        const Point to{(radio % side + 0.5) * apart_m, (radio / side + 0.5) * apart_m};
        const double d = std::max(1.0, std::hypot(from.x - to.x, from.y - to.y));
        return static_cast<int>(100 * (17 + 3 - 47 - 35 * std::log10(d)));
    };
    auto heard = std::make_shared<HeardFloor>();
    heard->floor = floor;
    for (const AirRadio& r : h.radios) heard->radios.push_back({r.access_point, r.radio});
    heard->first.push_back(0);
    const auto hear = [&](Point at, auto each) {
        for (int r = 0; r < side * side; ++r)
            if (const int level = level_cdbm(at, r); level >= heard_least_cdbm)
                each(HeardLevel{static_cast<std::uint16_t>(r), static_cast<std::int16_t>(level)});
    };
    for (int r = 0; r < side * side; ++r) {
        const std::size_t begin = heard->standing.clients.size();
        for (int c = 0; c < clients_each; ++c) {
            const Point at{(r % side + std::fmod(c * 0.7548776662, 1.0)) * apart_m,
                           (r / side + std::fmod(c * 0.5698402910, 1.0)) * apart_m};
            const auto profile = static_cast<std::uint16_t>(c % 4);
            heard->standing.clients.push_back({0, static_cast<std::uint16_t>(r + 1), profile, at});
            hear(at, [&](HeardLevel l) { heard->levels.push_back(l); });
            heard->first.push_back(static_cast<std::uint32_t>(heard->levels.size()));
        }
        heard->standing.places.push_back(
            {static_cast<std::uint16_t>(r), begin, heard->standing.clients.size()});
        hear(Point{(r % side + 0.5) * apart_m, (r / side + 0.5) * apart_m}, [&](HeardLevel l) {
            if (l.radio != r) heard->between.push_back({static_cast<std::uint16_t>(r), l});
        });
    }
    h.floors.push_back(heard);
    return h;
}

void at_size(int channel_count) {
    std::printf("halls of 50 clients a radio on %d channels, one busy hour, from nothing\n", channel_count);
    double before_ms = 0;
    int before = 0;
    for (int side : {5, 7, 10, 14, 20}) {
        const Hall h = hall(side, 50, channel_count);
        std::vector<double> times;
        std::shared_ptr<const SiteCapacity> site;
        for (int i = 0; i < 3; ++i) {
            CapacitySolver solver;
            times.push_back(milliseconds([&] { site = solver.solve(h.project, h.radios, h.floors); }));
        }
        const int radios = side * side;
        const double best_ms = *std::min_element(times.begin(), times.end());
        std::printf("  %4d radios, %6.0f clients: %7.1f ms, %3d sweeps, %5.1f %% satisfied", radios,
                    site->hours[0].site.clients, best_ms, site->hours[0].sweeps,
                    100 * site->hours[0].site.satisfied_share());
        if (before > 0)
            std::printf(", exponent %.2f",
                        std::log(best_ms / before_ms) / std::log(static_cast<double>(radios) / before));
        std::printf("\n");
        before_ms = best_ms;
        before = radios;
    }
}

/// All radios of a band take turns on one channel, and nobody gets
/// what he needs. Floor by floor, as the window does it.
void tower_on_one_channel(int floors) {
    Project p = new_project("Tower", {}, floors, 3.5);
    ZoneDemand people = standard_uses().front().demand;
    people.by = PeopleBy::count;
    people.amount = 20;
    std::vector<FloorId> ids;
    for (const Floor* f : all_floors(p)) ids.push_back(f->id);
    for (FloorId id : ids) {
        Wall outer;
        outer.type = find_type(p, "concrete-200");
        outer.points = {{0, 0}, {60, 0}, {60, 40}, {0, 40}, {0, 0}};
        add_wall(p, id, outer);
        for (int i = 0; i < 25; ++i) {
            const Point at{i % 5 * 12.0, i / 5 * 8.0};
            Zone z{
                {}, "Office", ZoneKind::served, {at, at + Point{12, 0}, at + Point{12, 8}, at + Point{0, 8}}};
            z.demand = people;
            add_zone(p, id, z);
        }
        for (int i = 0; i < 50; ++i)
            add_access_point(p, id, (*p.models)[2].id, {3.0 + i % 10 * 6, 4.0 + i / 10 * 8});
    }
    const auto radios = air_radios(p);
    std::vector<std::shared_ptr<const HeardFloor>> heard;
    const double heard_ms = milliseconds([&] {
        Predictor predictor;
        for (FloorId id : ids)
            heard.push_back(std::make_shared<const HeardFloor>(
                heard_on(p, radios, predictor.predict(p, {id}).floors.front())));
    });
    const long before_mb = peak_mb();
    CapacitySolver solver;
    std::shared_ptr<const SiteCapacity> site;
    const double ms = milliseconds([&] { site = solver.solve(p, radios, heard); });
    std::printf(
        "  %2d floors, %4zu radios, %6.0f clients: predicted in %5.1f s, solved in %5.2f s, %5.1f %% "
        "satisfied; "
        "peak of memory %ld MB, %ld of it before\n",
        floors, radios.size(), site->hours[0].site.clients, heard_ms / 1000, ms / 1000,
        100 * site->hours[0].site.satisfied_share(), peak_mb(), before_mb);
}

}  // namespace

int main() {
    drag_on_demo();
    at_size(19);
    at_size(4);
    std::printf("towers whose radios of a band are all on one channel\n");
    for (int floors : {5, 10, 20, 40}) tower_on_one_channel(floors);
}
