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

std::function<void(Project&)> put(FloorId floor, ZoneId id, std::function<void(ZoneDemand&)> change) {
    return [floor, id, change = std::move(change)](Project& p) {
        Zone z = *find_zone(*find_floor(p, floor), id);
        if (z.demand) change(*z.demand);
        replace_zone(p, floor, z);
    };
}

bool in_project(const Project& p, const ClientProfile*, const std::string& key) {
    return std::ranges::find(*p.clients, key, &ClientProfile::key) != p.clients->end();
}
bool in_project(const Project& p, const Application*, const std::string& key) {
    return find_application(p.demand, key) != nullptr;
}

/// Keys of a mix that the project does not have.
template <class Thing>
void check_mix(const Check& c, const Zone& z, Mix ZoneDemand::*mix) {
    for (const MixPart& part : (*z.demand).*mix) {
        if (in_project(c.project, static_cast<const Thing*>(nullptr), part.key)) continue;
        Finding& f = c.add(Rule::demand_unknown, centroid(z.outline),
                           say("%1 counts on '%2', which the project does not have", z.name, part.key),
                           {{ItemKind::zone, z.id.value}});
        f.mends.push_back(
            {say("Take it out of the mix"), put(c.floor.id, z.id, [mix, key = part.key](ZoneDemand& d) {
                 std::erase_if(d.*mix, [&](const MixPart& p) { return p.key == key; });
             })});
    }
}

void check_zone(const Check& c, const Zone& z) {
    check_mix<ClientProfile>(c, z, &ZoneDemand::profiles);
    check_mix<Application>(c, z, &ZoneDemand::applications);
    const std::vector<Item> items{{ItemKind::zone, z.id.value}};
    const Point middle = centroid(z.outline);
    if (z.kind != ZoneKind::served && z.kind != ZoneKind::keep_out) {
        c.add(Rule::demand_unserved, middle, say("%1 has people, but nobody needs service there", z.name),
              items)
            .mends.push_back({say("Take its demand away"), [floor = c.floor.id, id = z.id](Project& p) {
                                  Zone changed = *find_zone(*find_floor(p, floor), id);
                                  changed.demand.reset();
                                  replace_zone(p, floor, changed);
                              }});
        return;
    }
    if (sum(z.demand->profiles) <= 0)
        c.add(Rule::demand_empty, middle,
              say("%1 has people, but its client profiles add to nothing", z.name), items);
    else if (traffic(*z.demand, c.project.demand).nothing())
        c.add(Rule::demand_empty, middle,
              say("%1 has people, but their applications ask for nothing", z.name), items);
}

/// Profiles that zones count on and no radio has a band for.
void check_bands(const Check& c, const Zone& z) {
    BandSet on;
    for (const RadioAt& r : radios_at_work(c.project)) on = on.with(r.set().channel.band);
    if (on.empty()) return;
    for (const MixPart& part : z.demand->profiles) {
        const auto profile = std::ranges::find(*c.project.clients, part.key, &ClientProfile::key);
        if (profile == c.project.clients->end() || part.share <= 0) continue;
        const bool any = std::ranges::any_of(
            profile->widest_mhz, [&](const auto& w) { return w.second > 0 && on.contains(w.first); });
        if (!any)
            c.add(Rule::demand_unserved, centroid(z.outline),
                  say("%1 in %2: no radio is on in a band that it knows", profile->name, z.name),
                  {{ItemKind::zone, z.id.value}});
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

/// Clients of the zones that use a network by name.
double clients_of(const Project& p, const DemandTable& table, const Network& n) {
    double sum = 0;
    for (const ZoneFigures& z : table.zones)
        if (find_zone(*find_floor(p, z.floor), z.zone)->demand->network == n.key) sum += z.clients;
    return sum;
}

void check_addresses(const Project& p, std::vector<Finding>& out) {
    for (std::size_t i = 0; i < p.demand.hours.size(); ++i) {
        const DemandTable table = demand_table(p, p.demand.hours[i].key);
        for (std::size_t k = 0; k < p.demand.networks->size(); ++k) {
            const Network& n = (*p.demand.networks)[k];
            const double needed = n.addresses > 0 ? clients_of(p, table, n) : 0;
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
    for (const Zone& z : *c.floor.zones) {
        if (!has_demand(z)) continue;
        check_zone(c, z);
        check_bands(c, z);
    }
}

void check_site_demand(const Project& p, std::vector<Finding>& out) {
    check_uplink(p, out);
    check_addresses(p, out);
    check_networks(p, out);
}

}  // namespace yemvo
