// SPDX-License-Identifier: GPL-3.0-or-later
#include "project/neighbours.h"

#include <algorithm>
#include <cmath>
#include <map>

#include "base/content_key.h"
#include "wireless/link_budget.h"

namespace yemvo {
namespace {

constexpr double assumed_eirp_dbm = 20;
constexpr double db_a_decade = 30;

void put_in(NeighbourRadio& radio, const Neighbour& n, NeighbourRadio::Reading reading) {
    if (radio.name.empty()) radio.name = n.name;
    radio.address = n.address;
    radio.channel = n.channel;
    radio.primary = n.primary;
    radio.use = std::max(radio.use, n.use);
    radio.stations = std::max(radio.stations, n.stations);
    radio.readings.push_back(reading);
}

std::uint64_t key_of(const std::vector<NeighbourRadio>& radios) {
    ContentKey key;
    for (const NeighbourRadio& r : radios) {
        key.add(int{r.channel.band.index}).add(r.channel.number).add(r.channel.width_mhz).add(r.primary);
        key.add(r.use).add(static_cast<std::uint64_t>(r.readings.size()));
        for (const auto& reading : r.readings)
            key.add(std::uint64_t{reading.floor.value}).add(reading.at.x).add(reading.at.y).add(reading.dbm);
    }
    return radios.empty() ? 0 : key.value();
}

}  // namespace

double NeighbourRadio::strongest_dbm() const { return std::ranges::max(readings, {}, &Reading::dbm).dbm; }

Said NeighbourRadio::label() const {
    return name.empty() ? say("hidden neighbour on %1", primary) : say("neighbour %1", name);
}

std::shared_ptr<const Neighbours> neighbours_of(const Project& project) {
    auto out = std::make_shared<Neighbours>();
    std::map<std::pair<BandId, std::string>, std::size_t> at;
    for (const Floor* floor : all_floors(project))
        for (const ListeningPlace& place : *floor->listening_places)
            for (std::size_t i = 0; i < place.heard.size(); ++i) {
                const Neighbour& n = place.heard[i];
                if (n.own) continue;
                std::size_t index = out->radios.size();
                if (!n.address.empty())
                    index = at.try_emplace({n.channel.band, n.address}, index).first->second;
                if (index == out->radios.size()) out->radios.emplace_back();
                put_in(out->radios[index], n, {floor->id, place.id, i, place.position, n.level_dbm});
            }
    out->key = key_of(out->radios);
    return out;
}

NeighbourLevels::NeighbourLevels(const NeighbourRadio& radio, FloorId floor) {
    const double one_metre_db = free_space_loss_db(1, centre_mhz(radio.channel));
    for (const NeighbourRadio::Reading& r : radio.readings) {
        if (r.floor != floor) continue;
        const double away = std::pow(10, (assumed_eirp_dbm - r.dbm - one_metre_db) / db_a_decade);
        const double distance_m = std::clamp(away, 1.0, 1e4);
        readings_.push_back({r.at, r.dbm, distance_m * distance_m});
    }
}

std::optional<double> NeighbourLevels::at(Point p) const {
    if (readings_.empty()) return std::nullopt;
    double sum = 0, weights = 0;
    for (const Reading& r : readings_) {
        const double dx = p.x - r.at.x, dy = p.y - r.at.y, d2 = dx * dx + dy * dy;
        const double weight = 1 / (1 + d2);
        sum += weight * (r.dbm - db_a_decade / 2 * std::log10(1 + d2 / r.distance2_m2));
        weights += weight;
    }
    return sum / weights;
}

}  // namespace yemvo
