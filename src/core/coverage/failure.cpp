// SPDX-License-Identifier: GPL-3.0-or-later
#include "coverage/failure.h"

#include "propagation/gain_field.h"

namespace yemvo {

Area lost_without(const Project& project, const SitePrediction& site, AccessPointId id, BandId band) {
    const std::int16_t asked_cdbm = centi_db(signal_asked_dbm(project, band));
    Area lost;
    for (const FloorPrediction& p : site.floors) {
        const Reduction& r = *p.by_band[band.index];
        const double cell_m2 = p.surface.cell_m * p.surface.cell_m;
        for (std::size_t i = 0; i < p.surface.cells(); ++i) {
            if (!p.mask->demanded[i]) continue;
            lost.demanded_m2 += cell_m2;
            const int serving = r.serving[i];
            if (serving < 0 || r.best_cdbm[i] < asked_cdbm || r.next_cdbm[i] >= asked_cdbm) continue;
            if ((*p.radios)[static_cast<std::size_t>(serving)].access_point == id) lost.met_m2 += cell_m2;
        }
    }
    return lost;
}

}  // namespace yemvo
