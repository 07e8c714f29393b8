// SPDX-License-Identifier: GPL-3.0-or-later
// Demand that cannot be meant, or that something other than the radios cannot carry.
#include <algorithm>
#include <cmath>

#include "base/number_text.h"
#include "capacity/demand_table.h"
#include "checks/collector.h"
#include "project/working_radio.h"
#include "wireless/frame_time.h"

namespace yemvo {
namespace {

/// More of the air for beacons than this is told.
constexpr double most_beacons = 0.05;

bool in_project(const Project& p, const ClientProfile*, const std::string& key) {
    return std::ranges::find(*p.clients, key, &ClientProfile::key) != p.clients->end();
}
bool in_project(const Project& p, const Application*, const std::string& key) {
    return find_application(p.demand, key) != nullptr;
}

/// Keys of a mix that the project does not have.
template <class Thing>
void check_mix(const Check& c, const DemandPlace& place, Mix ZoneDemand::*mix) {
    for (const MixPart& part : place.demand().*mix) {
        if (in_project(c.project, static_cast<const Thing*>(nullptr), part.key)) continue;
        Finding& f = c.add(Rule::demand_unknown, place.middle(),
                           say("%1 counts on '%2', which the project does not have", place.name(), part.key),
                           {place.item()});
        f.mends.push_back({say("Take it out of the mix"),
                           [floor = c.floor.id, item = place.item(), mix, key = part.key](Project& p) {
                               change_demand(p, floor, item, [&](ZoneDemand& d) {
                                   std::erase_if(d.*mix, [&](const MixPart& m) { return m.key == key; });
                               });
                           }});
    }
}

void check_place(const Check& c, const DemandPlace& place) {
    check_mix<ClientProfile>(c, place, &ZoneDemand::profiles);
    check_mix<Application>(c, place, &ZoneDemand::applications);
    const std::vector<Item> items{place.item()};
    if (place.zone && place.zone->kind != ZoneKind::served && place.zone->kind != ZoneKind::keep_out) {
        c.add(Rule::demand_unserved, place.middle(),
              say("%1 has people, but nobody needs service there", place.name()), items)
            .mends.push_back(
                {say("Take its demand away"),
                 [floor = c.floor.id, item = place.item()](Project& p) { remove_demand(p, floor, item); }});
        return;
    }
    if (sum(place.demand().profiles) <= 0)
        c.add(Rule::demand_empty, place.middle(),
              place.row ? say("%1 has devices, but its client profiles add to nothing", place.name())
                        : say("%1 has people, but its client profiles add to nothing", place.name()),
              items);
    else if (traffic(place.demand(), c.project.demand).nothing())
        c.add(Rule::demand_empty, place.middle(),
              place.row ? say("%1 has devices, but their applications ask for nothing", place.name())
                        : say("%1 has people, but their applications ask for nothing", place.name()),
              items);
}

/// Profiles that demand counts on and no radio has a band for.
void check_bands(const Check& c, const DemandPlace& place) {
    BandSet on;
    for (const RadioAt& r : radios_at_work(c.project)) on = on.with(r.set().channel.band);
    if (on.empty()) return;
    for (const MixPart& part : place.demand().profiles) {
        const auto profile = std::ranges::find(*c.project.clients, part.key, &ClientProfile::key);
        if (profile == c.project.clients->end() || part.share <= 0) continue;
        const bool any = std::ranges::any_of(
            profile->widest_mhz, [&](const auto& w) { return w.second > 0 && on.contains(w.first); });
        if (!any)
            c.add(Rule::demand_unserved, place.middle(),
                  say("%1 in %2: no radio is on in a band that it knows", profile->name, place.name()),
                  {place.item()});
    }
}

void check_uplink(const Project& p, std::vector<Finding>& out) {
    for (std::size_t i = 0; i < p.demand.hours.size(); ++i) {
        const BusyHour& hour = p.demand.hours[i];
        const UplinkLoad load = uplink_load(p.demand, demand_table(p, hour.key).site);
        const double worst = std::max(load.down_share, load.up_share);
        const auto add = [&](Said what, std::uint32_t which) {
            Finding f;
            f.rule = Rule::uplink_narrow;
            f.what = std::move(what);
            f.subjects = {static_cast<std::uint32_t>(i), which};
            out.push_back(std::move(f));
        };
        if (worst > p.demand.uplink.allowed)
            add(say("%1: demand takes %2 of the circuit, %3 allowed", hour.name, format_percent(worst, 0),
                    format_percent(p.demand.uplink.allowed, 0)),
                0);
        if (p.demand.uplink.connections > 0 && load.connections > p.demand.uplink.connections)
            add(say("%1: %2 connections are needed, the gateway holds %3", hour.name,
                    said_figure(load.connections, 0), said_figure(p.demand.uplink.connections, 0)),
                1);
    }
}

/// Clients that use a network by name.
double clients_of(const Project& p, const Network& n, const std::string& hour) {
    double sum = 0;
    for (const Floor* f : all_floors(p))
        for (const DemandPlace& place : demand_places(*f))
            if (place.demand().network == n.key) sum += place.clients_at(hour);
    return sum;
}

void check_addresses(const Project& p, std::vector<Finding>& out) {
    for (std::size_t i = 0; i < p.demand.hours.size(); ++i) {
        for (std::size_t k = 0; k < p.demand.networks->size(); ++k) {
            const Network& n = (*p.demand.networks)[k];
            const double needed = n.addresses > 0 ? clients_of(p, n, p.demand.hours[i].key) : 0;
            if (needed <= n.addresses) continue;
            Finding f;
            f.rule = Rule::uplink_narrow;
            f.what = say("%1: %2 needs %3 addresses and has %4 to give out", p.demand.hours[i].name, n.name,
                         said_figure(std::ceil(needed), 0), said_figure(n.addresses, 0));
            f.subjects = {static_cast<std::uint32_t>(i), static_cast<std::uint32_t>(2 + k)};
            out.push_back(std::move(f));
        }
    }
}

void check_networks(const Project& p, std::vector<Finding>& out) {
    for (const Band& b : bands()) {
        double share = 0;
        int count = 0;
        for (const Network& n : *p.demand.networks) {
            if (!n.bands.contains(b.id)) continue;
            share += beacon_share(n.beacon_bytes, basic_rate_in(b.id, n.lowest_rate_mbps), 1, 1, b.id);
            ++count;
        }
        if (share <= most_beacons) continue;
        Finding f;
        f.rule = Rule::many_networks;
        f.what = say("%1 networks take %2 of the air for beacons at each radio at %3 GHz", count,
                     format_percent(share, 1), b.name);
        f.subjects = {b.id.index};
        out.push_back(std::move(f));
    }
}

}  // namespace

void check_demand(const Check& c) {
    for (const DemandPlace& place : demand_places(c.floor)) {
        check_place(c, place);
        check_bands(c, place);
    }
}

void check_site_demand(const Project& p, std::vector<Finding>& out) {
    check_uplink(p, out);
    check_addresses(p, out);
    check_networks(p, out);
}

}  // namespace yemvo
