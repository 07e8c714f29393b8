// SPDX-License-Identifier: GPL-3.0-or-later
// The gain stage by kind of antenna: lobes of formulas and measured ones out of their tables, against the
// same formulas worked out at every cell.
#include <cmath>
#include <random>

#include "antenna/gain_table.h"
#include "antenna/pattern/cut_edits.h"
#include "antenna/pattern/measured_pattern.h"
#include "bench/timing.h"
#include "project/edits.h"
#include "propagation/gain_field.h"
#include "propagation/scene.h"
#include "wireless/link_budget.h"

using namespace yemvo;
using namespace yemvo::bench;

namespace {

/// A hall without walls.
struct Hall {
    Project project;
    Scene scene;
    Surface surface;
    Obstruction obstruction;
    Point3 source{30, 20, 4};
    Hall() {
        project = new_project("Hall", {}, 1, 6);
        const FloorId floor = all_floors(project).front()->id;
        Wall wall;
        wall.type = find_type(project, "brick-half");
        wall.points = {{0, 0}, {60, 0}, {60, 40}, {0, 40}, {0, 0}};
        add_wall(project, floor, wall);
        SceneCache cache(std::size_t{16} << 20);
        scene = make_scene(project, cache);
        surface = make_surface(project, scene, *find_floor(project, floor));
        obstruction = cast_shadows(scene, surface, source, {}, 1e9);
    }
};

double by_formula(const Hall& h, const Lobe& lobe, const Orientation& orientation) {
    double sum = 0;
    const double at_one_metre_db = free_space_loss_db(band(band_5).reference_mhz, 1);
    for (std::size_t i = 0; i < h.surface.cells(); ++i) {
        const Point3 way = h.surface.receiver(h.surface.centre(i)) - h.source;
        const double loss_db = at_one_metre_db + 20 * std::log10(std::max(length(way), 0.5));
        sum += relative_gain_db(lobe, orientation.local(way)) - loss_db;
    }
    return sum;
}

MeasuredLobe measured(int frequencies) {
    std::mt19937 random(1);
    std::uniform_real_distribution<double> ripple(-0.4, 0);
    MeasuredPattern pattern;
    for (int f = 0; f < frequencies; ++f) {
        PatternCuts cuts = cuts_of(SectorLobe{65, 30, 3, 25, 20}, 5200 + 100.0 * f);
        for (int degree = 0; degree < Cut::degrees; ++degree) cuts.azimuth[degree] += ripple(random);
        pattern.cuts.push_back(with_peak_at_0(cuts));
    }
    return MeasuredLobe(pattern);
}

}  // namespace

int main() {
    const Hall hall;
    const Turn turn{40, 5, 0};
    const Orientation orientation(turn);
    struct Kind {
        const char* name;
        Lobe lobe;
    };
    const Kind kinds[] = {{"dome", DomeLobe{130, -11}},
                          {"sector", SectorLobe{70, 20, 4, 25, 20}},
                          {"dipole", DipoleLobe{}},
                          {"measured, one frequency", measured(1)},
                          {"measured, of five frequencies", lobe_at(measured(5), 5530)}};
    std::printf("gain stage over %zu cells, median of 300 in turns; by formula in turns as well, scalar\n",
                hall.surface.cells());
    constexpr int rounds = 300;
    std::vector<std::vector<double>> table_ms(std::size(kinds)), formula_ms(std::size(kinds));
    double kept = 0;
    for (int round = 0; round < rounds; ++round)
        for (std::size_t k = 0; k < std::size(kinds); ++k) {
            const Antenna antenna{8, kinds[k].lobe};
            table_ms[k].push_back(milliseconds([&] {
                kept +=
                    make_gain_field(hall.surface, hall.source, turn, antenna, band_5, hall.obstruction, 1e9)
                        .peak_cdb;
            }));
            if (round % 10 == 0)
                formula_ms[k].push_back(
                    milliseconds([&] { kept += by_formula(hall, kinds[k].lobe, orientation); }));
        }
    const double sector_ms = figures(table_ms[1]).median_ms;
    for (std::size_t k = 0; k < std::size(kinds); ++k)
        std::printf("%-32s %8.1f us   against the sector's %.2f   by formula %9.1f us, %.0f times as long\n",
                    kinds[k].name, 1e3 * figures(table_ms[k]).median_ms,
                    figures(table_ms[k]).median_ms / sector_ms, 1e3 * figures(formula_ms[k]).median_ms,
                    figures(formula_ms[k]).median_ms / figures(table_ms[k]).median_ms);
    return kept == 0.123 ? 1 : 0;
}
