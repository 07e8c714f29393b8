// SPDX-License-Identifier: GPL-3.0-or-later
#include "project/rule_parts.h"

namespace yemvo {

using namespace rule;

namespace {

void mix(const char* field, const char* words, const Mix& parts) {
    if (parts.size() > limits::mix_parts)
        broken(field, said_mark(words), say("may have at most %1 parts", limits::mix_parts));
    for (std::size_t i = 0; i < parts.size(); ++i) {
        text((indexed(field, i) + ".key").c_str(), words, parts[i].key, limits::key);
        number((indexed(field, i) + ".share").c_str(), words, parts[i].share, limits::mix_share);
        for (std::size_t j = 0; j < i; ++j)
            if (parts[j].key == parts[i].key)
                broken(indexed(field, i), said_mark(words), say("names '%1' twice", parts[i].key));
    }
}

void keyed(const std::string& key, const std::string& name) {
    text("key", mark("key"), key, limits::key);
    if (key.empty()) broken("key", say("key"), say("must not be empty"));
    text("name", mark("name"), name, limits::name);
}

/// A rate that basic frames are sent at.
bool is_basic_rate(double mbps) {
    for (double r : {1.0, 2.0, 5.5, 6.0, 9.0, 11.0, 12.0, 18.0, 24.0, 36.0, 48.0, 54.0})
        if (r == mbps) return true;
    return false;
}

}  // namespace

void check(const ZoneDemand& d) {
    const bool density = d.by == PeopleBy::density;
    number("demand.amount",
           density                   ? mark("people a square metre")
           : d.by == PeopleBy::seats ? mark("number of seats")
                                     : mark("number of people"),
           d.amount, density ? limits::people_per_m2 : limits::people);
    number("demand.taken", mark("share taken"), d.taken, limits::share);
    number("demand.devices", mark("number of devices a head"), d.devices, limits::devices_a_head);
    number("demand.connected", mark("share connected"), d.connected, limits::share);
    number("demand.growth", mark("growth"), d.growth, limits::growth);
    number("demand.limit_down_mbps", mark("limit for each client"), d.limit_down_mbps, limits::demand_mbps);
    number("demand.limit_up_mbps", mark("limit for each client"), d.limit_up_mbps, limits::demand_mbps);
    text("demand.network", mark("network"), d.network, limits::key);
    mix("demand.profiles", mark("mix of client profiles"), d.profiles);
    mix("demand.applications", mark("mix of applications"), d.applications);
    if (d.presence.size() > limits::busy_hours)
        broken("demand.presence", say("presence"), say("may name at most %1 busy hours", limits::busy_hours));
    for (const Presence& p : d.presence) {
        text("demand.presence", mark("busy hour"), p.hour, limits::key);
        number("demand.presence", mark("presence at a busy hour"), p.share, limits::presence);
    }
}

void check(const Application& a) {
    keyed(a.key, a.name);
    number("down_mbps", mark("load down"), a.down_mbps, limits::demand_mbps);
    number("up_mbps", mark("load up"), a.up_mbps, limits::demand_mbps);
    number("active", mark("share of time active"), a.active, limits::share);
    number("packet_down_bytes", mark("packet size down"), a.packet_down_bytes, limits::packet_bytes);
    number("packet_up_bytes", mark("packet size up"), a.packet_up_bytes, limits::packet_bytes);
    number("burst_down", mark("packets together down"), a.burst_down, limits::burst);
    number("burst_up", mark("packets together up"), a.burst_up, limits::burst);
    number("least_signal_dbm", mark("signal needed"), a.least_signal_dbm, limits::needed_dbm);
    number("least_rate_mbps", mark("rate needed"), a.least_rate_mbps, limits::demand_mbps);
}

void check(const BusyHour& h) { keyed(h.key, h.name); }

void check(const Network& n) {
    keyed(n.key, n.name);
    if (n.bands.empty()) broken("bands_ghz", say("bands"), say("needs at least one band"));
    if (!is_basic_rate(n.lowest_rate_mbps))
        broken("lowest_rate_mbps", say("lowest rate"),
               say("must be 1, 2, 5.5, 11, 6, 9, 12, 18, 24, 36, 48 or 54 Mbit/s"));
    number("beacon_bytes", mark("beacon's length"), n.beacon_bytes, limits::beacon_bytes);
    number("limit_down_mbps", mark("limit for each client"), n.limit_down_mbps, limits::demand_mbps);
    number("limit_up_mbps", mark("limit for each client"), n.limit_up_mbps, limits::demand_mbps);
    number("addresses", mark("number of addresses"), n.addresses, limits::counted);
}

void check(const Uplink& u) {
    number("down_mbps", mark("rate down"), u.down_mbps, limits::demand_mbps);
    number("up_mbps", mark("rate up"), u.up_mbps, limits::demand_mbps);
    number("allowed", mark("share allowed"), u.allowed, limits::share);
    number("connections", mark("number of connections"), u.connections, limits::counted);
    number("connections_per_client", mark("number of connections a client"), u.connections_per_client,
           limits::counted);
}

}  // namespace yemvo
