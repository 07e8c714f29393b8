// SPDX-License-Identifier: GPL-3.0-or-later
#include "coverage/costs.h"

#include <algorithm>
#include <map>

#include "propagation/trace.h"

namespace yemvo {

Costs what_costs(const Project& project, const FloorPrediction& floor, BandId band,
                 const std::vector<std::uint8_t>& wanted, const CancelToken& cancel, std::size_t most_links) {
    const Reduction& reduction = *floor.by_band[band.index];
    std::map<AccessPointId, Point3> places;
    for (const PlacedAccessPoint& placed : placed_access_points(project))
        places[placed.access_point->id] = antenna_place(*floor.scene, *placed.floor, *placed.access_point);
    std::vector<std::size_t> cells;
    for (std::size_t i = 0; i < wanted.size(); ++i)
        if (wanted[i] && reduction.serving[i] >= 0) cells.push_back(i);
    const std::size_t every = std::max<std::size_t>(1, (cells.size() + most_links - 1) / most_links);
    struct Sum {
        double db = 0;
        double cells = 0;
    };
    std::map<WallTypeId, Sum> by_type;
    double walked = 0, whole_db = 0;
    for (std::size_t k = 0; k < cells.size(); k += every) {
        if (k % 64 == 0) cancel.check();
        const RadioField& radio = (*floor.radios)[static_cast<std::size_t>(reduction.serving[cells[k]])];
        const auto place = places.find(radio.access_point);
        if (place == places.end()) continue;
        std::map<WallTypeId, double> here;
        for (const Crossing& c :
             trace(*floor.scene, place->second, floor.surface.receiver(floor.surface.centre(cells[k]))))
            here[floor.scene->type_of(c.row, band)] += loss_db(*floor.scene, c, band);
        ++walked;
        for (const auto& [type, db] : here) {
            if (db <= 0) continue;
            by_type[type].db += db;
            by_type[type].cells += 1;
            whole_db += db;
        }
    }
    Costs costs;
    const double cell_m2 = floor.surface.cell_m * floor.surface.cell_m;
    costs.area_m2 = static_cast<double>(cells.size()) * cell_m2;
    if (walked == 0) return costs;
    const double each_m2 = costs.area_m2 / walked;
    costs.mean_way_db = whole_db / walked;
    for (const auto& [type, sum] : by_type)
        costs.rows.push_back({type, sum.db / sum.cells, sum.cells * each_m2});
    std::stable_sort(costs.rows.begin(), costs.rows.end(),
                     [](const CostRow& a, const CostRow& b) { return a.total() > b.total(); });
    return costs;
}

}  // namespace yemvo
