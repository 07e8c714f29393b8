// SPDX-License-Identifier: GPL-3.0-or-later
#include "demand/zone_demand.h"

#include <algorithm>
#include <array>

namespace yemvo {
namespace {

constexpr std::array<std::string_view, 4> by_names{"count", "seats", "density", "occupancy"};

}  // namespace

double sum(const Mix& mix) {
    double all = 0;
    for (const MixPart& p : mix) all += p.share;
    return all;
}

double share_of(const Mix& mix, std::string_view key) {
    const double all = sum(mix);
    double own = 0;
    for (const MixPart& p : mix)
        if (p.key == key) own += p.share;
    return all > 0 ? own / all : 0;
}

std::string_view people_by_name(PeopleBy by) { return by_names[static_cast<std::size_t>(by)]; }

std::optional<PeopleBy> find_people_by(std::string_view name) {
    const auto at = std::find(by_names.begin(), by_names.end(), name);
    if (at == by_names.end()) return std::nullopt;
    return static_cast<PeopleBy>(at - by_names.begin());
}

double ZoneDemand::presence_at(std::string_view hour) const {
    for (const Presence& p : presence)
        if (p.hour == hour) return p.share;
    return 1;
}

void ZoneDemand::set_presence(const std::string& hour, double share) {
    std::erase_if(presence, [&](const Presence& p) { return p.hour == hour; });
    if (share != 1) presence.push_back({hour, share});
}

double people(const ZoneDemand& d, double area_m2, std::string_view hour) {
    const double there = d.presence_at(hour);
    switch (d.by) {
        case PeopleBy::count:
            return d.amount * there;
        case PeopleBy::seats:
        case PeopleBy::occupancy:
            return d.amount * d.taken * there;
        case PeopleBy::density:
            return d.amount * area_m2 * there;
    }
    return 0;
}

double clients(const ZoneDemand& d, double area_m2, std::string_view hour) {
    return people(d, area_m2, hour) * d.devices * d.connected * (1 + d.growth);
}

}  // namespace yemvo
