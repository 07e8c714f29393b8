// SPDX-License-Identifier: GPL-3.0-or-later
#include "coverage/neighbour_field.h"

#include <algorithm>
#include <cmath>

#include "base/content_key.h"
#include "coverage/each.h"

namespace yemvo {
namespace {

struct Heard {
    const NeighbourRadio* radio;
    NeighbourLevels levels;
};

std::vector<Heard> heard_on(const Neighbours& neighbours, FloorId floor) {
    std::vector<Heard> out;
    for (const NeighbourRadio& n : neighbours.radios)
        if (NeighbourLevels levels(n, floor); levels.heard() && n.use > 0)
            out.push_back({&n, std::move(levels)});
    return out;
}

}  // namespace

std::size_t NeighbourField::bytes() const {
    std::size_t sum = 0;
    for (const NeighbourPlanes& p : channels) sum += 3 * p.mean_mw.size() * sizeof(float);
    return sum;
}

std::uint64_t neighbour_field_key(const Neighbours& neighbours, FloorId floor, const Surface& surface,
                                  double heard_dbm) {
    if (neighbours.radios.empty() || heard_on(neighbours, floor).empty()) return 0;
    return ContentKey()
        .add(neighbours.key)
        .add(std::uint64_t{floor.value})
        .add(surface.key())
        .add(heard_dbm)
        .value();
}

NeighbourField neighbour_field(const Neighbours& neighbours, FloorId floor, const Surface& surface,
                               double heard_dbm) {
    NeighbourField out;
    out.key = neighbour_field_key(neighbours, floor, surface, heard_dbm);
    const std::size_t cells = surface.cells();
    for (const Heard& h : heard_on(neighbours, floor)) {
        auto at = std::ranges::find(out.channels, h.radio->channel, &NeighbourPlanes::channel);
        if (at == out.channels.end()) {
            out.channels.push_back({h.radio->channel, std::vector<float>(cells), std::vector<float>(cells),
                                    std::vector<float>(cells)});
            at = out.channels.end() - 1;
        }
        const auto use = static_cast<float>(h.radio->use);
        each(cells, cells > 1000, [&, &planes = *at](std::size_t i) {
            const double dbm = *h.levels.at(surface.centre(i));
            planes.mean_mw[i] += use * static_cast<float>(std::pow(10.0, dbm / 10));
            if (dbm < heard_dbm) return;
            planes.heard[i] += 1;
            planes.heard_use[i] += use;
        });
    }
    return out;
}

}  // namespace yemvo
