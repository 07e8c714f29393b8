// SPDX-License-Identifier: GPL-3.0-or-later
#include "tuning/heard_neighbours.h"

#include <algorithm>
#include <cmath>
#include <map>

#include "base/utf8.h"
#include "capacity/heard.h"
#include "project/kinds/listening_place.h"

namespace yemvo {
namespace {

/// Data frames of a radio, and one for its beacons.
double heard_frames(const HeardAir& air, const HeardDevice& device) {
    double sum = 1;
    for (std::size_t n : device.networks) sum += static_cast<double>(air.networks[n].data);
    return sum;
}

Neighbour neighbour_of(const HeardAir& air, const HeardDevice& device, double share_of_channel) {
    const HeardNetwork& first = air.networks[device.networks.front()];
    Neighbour n;
    n.address = address_text(first.bssid);
    n.channel = first.channel;
    n.primary = first.primary;
    n.level_dbm = std::round(10 * *first.signal_dbm) / 10;
    n.standard = first.standard;
    n.use = assumed_neighbour_use;
    int names = 0;
    std::size_t data = 0, again = 0;
    for (std::size_t i : device.networks) {
        const HeardNetwork& network = air.networks[i];
        if (n.name.empty()) n.name = as_utf8(network.ssid);
        names += 1 + static_cast<int>(network.more_ssids.size());
        n.stations += network.stations.value_or(0);
        if (network.utilisation) n.use = *network.utilisation * share_of_channel;
        if (network.transmit_dbm && !n.told_dbm) n.told_dbm = *network.transmit_dbm;
        data += network.data;
        again += network.again;
    }
    HeardNetwork all;
    all.data = data;
    all.again = again;
    n.retries = all.retries();
    n.names = std::min(names, static_cast<int>(limits::names_on_a_radio.high));
    n.stations = std::min(n.stations, static_cast<int>(limits::stations.high));
    n.use = std::clamp(std::round(1000 * n.use) / 1000, 0.0, 1.0);
    return n;
}

/// The loudest are matched first; each access point's radio once.
void match(std::vector<Neighbour>& heard, const HeardAir& air, const std::vector<const HeardDevice*>& devices,
           std::span<const ExpectedRadio> expected) {
    std::vector<std::size_t> order(heard.size());
    for (std::size_t i = 0; i < order.size(); ++i) order[i] = i;
    std::ranges::stable_sort(order, std::greater{}, [&](std::size_t i) { return heard[i].level_dbm; });
    std::vector<char> taken(expected.size(), 0);
    for (std::size_t i : order) {
        const auto sends = [&](const ExpectedRadio& e) {
            return std::ranges::any_of(devices[i]->networks, [&](std::size_t n) {
                const std::string& name = air.networks[n].ssid;
                return !name.empty() && std::ranges::count(e.networks, name) > 0;
            });
        };
        std::size_t best = expected.size();
        double off = own_within_db;
        for (std::size_t e = 0; e < expected.size(); ++e) {
            if (taken[e] || expected[e].band != heard[i].channel.band || !sends(expected[e])) continue;
            const double by = std::abs(expected[e].dbm - heard[i].level_dbm);
            if (by <= off) off = by, best = e;
        }
        if (best == expected.size()) continue;
        taken[best] = 1;
        heard[i].own = expected[best].access_point;
    }
}

}  // namespace

std::vector<ExpectedRadio> expected_at(const Project& project, const FloorPrediction& floor, Point place) {
    std::vector<ExpectedRadio> out;
    const auto cell = floor.surface.cell_at(place);
    if (!cell) return out;
    const std::vector<AirRadio> radios = air_radios(project);
    for (const RadioField& f : *floor.radios) {
        if (f.field->silent || f.field->gain_cdb[*cell] <= silent_cdb) continue;
        const auto own = std::ranges::find_if(radios, [&](const AirRadio& r) {
            return r.access_point == f.access_point && r.radio == f.radio;
        });
        if (own == radios.end()) continue;
        ExpectedRadio e{f.access_point, f.band, (f.field->gain_cdb[*cell] + f.offset_cdb) / 100.0, {}};
        for (std::size_t n = 0; n < own->carries.size(); ++n)
            if (own->carries[n]) e.networks.push_back((*project.demand.networks)[n].name);
        out.push_back(std::move(e));
    }
    return out;
}

std::vector<Neighbour> neighbours_of(const HeardAir& air, std::span<const ExpectedRadio> expected) {
    std::map<std::pair<BandId, int>, double> frames_on;
    std::vector<const HeardDevice*> devices;
    for (const HeardDevice& d : air.radios) {
        const HeardNetwork& first = air.networks[d.networks.front()];
        if (!first.signal_dbm || !is_valid(first.channel)) continue;
        devices.push_back(&d);
        frames_on[{first.channel.band, first.primary}] += heard_frames(air, d);
    }
    std::vector<Neighbour> out;
    for (const HeardDevice* d : devices) {
        const HeardNetwork& first = air.networks[d->networks.front()];
        out.push_back(
            neighbour_of(air, *d, heard_frames(air, *d) / frames_on[{first.channel.band, first.primary}]));
    }
    match(out, air, devices, expected);
    return out;
}

}  // namespace yemvo
