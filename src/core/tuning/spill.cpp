// SPDX-License-Identifier: GPL-3.0-or-later
#include "tuning/spill.h"

#include <algorithm>

namespace yemvo {

std::vector<Spill> spill_on(const Project& project, const FloorPrediction& p) {
    std::vector<Spill> out;
    const Floor& floor = *find_floor(project, p.floor);
    for (const Zone& zone : *floor.zones) {
        if (zone.kind != ZoneKind::outside) continue;
        std::vector<std::size_t> cells;
        for (std::size_t i = 0; i < p.surface.cells(); ++i)
            if (contains(zone.outline, p.surface.centre(i))) cells.push_back(i);
        if (cells.empty()) continue;
        for (const RadioField& f : *p.radios) {
            if (f.field->silent) continue;
            const auto& gain = f.field->gain_cdb;
            const std::size_t at =
                *std::ranges::max_element(cells, {}, [&](std::size_t i) { return gain[i]; });
            if (gain[at] <= silent_cdb) continue;
            out.push_back({{f.access_point, f.radio},
                           p.floor,
                           zone.id,
                           p.surface.centre(at),
                           (gain[at] + f.offset_cdb) / 100.0});
        }
    }
    return out;
}

}  // namespace yemvo
