// SPDX-License-Identifier: GPL-3.0-or-later
#include "regulation/regulation.h"

#include <algorithm>
#include <cmath>
#include <fstream>
#include <iterator>

#include "embedded/regulation.h"

namespace yemvo {
namespace {

constexpr const char* system_database = "/lib/firmware/regulatory.db";

bool holds(const RegulatoryRange& r, double low, double high) {
    return r.low_mhz <= low + 1e-6 && high <= r.high_mhz + 1e-6;
}

/// How wide a channel in a range may be: as it says, or as wide as the ranges that join on are together.
double widest_in(const CountryRules& c, const RegulatoryRange& r) {
    if (!r.auto_width) return r.max_width_mhz;
    double low = r.low_mhz, high = r.high_mhz;
    for (bool grown = true; grown;) {
        grown = false;
        for (const RegulatoryRange& other : c.ranges) {
            if (!other.auto_width) continue;
            if (std::abs(other.high_mhz - low) < 1e-6) low = other.low_mhz, grown = true;
            if (std::abs(other.low_mhz - high) < 1e-6) high = other.high_mhz, grown = true;
        }
    }
    return std::max(r.max_width_mhz, high - low);
}

/// The ranges that a channel's 20 MHz parts lie in; empty where one lies in none.
std::vector<const RegulatoryRange*> ranges_under(const CountryRules& c, const Channel& channel) {
    std::vector<const RegulatoryRange*> under;
    for (double at = low_mhz(channel); at < high_mhz(channel) - 1e-6; at += 20) {
        const auto r = std::ranges::find_if(
            c.ranges, [&](const RegulatoryRange& x) { return !x.no_ofdm && holds(x, at, at + 20); });
        if (r == c.ranges.end()) return {};
        if (under.empty() || under.back() != &*r) under.push_back(&*r);
    }
    return under;
}

std::optional<RegulatoryDatabase> of_system() {
    std::ifstream file(system_database, std::ios::binary);
    if (!file) return std::nullopt;
    const std::string bytes{std::istreambuf_iterator<char>(file), {}};
    try {
        return RegulatoryDatabase::read(std::as_bytes(std::span(bytes)));
    } catch (const Error&) {
        return std::nullopt;  // the one built in serves, and source() says so
    }
}

struct Standard {
    std::string source = "built in";
    Regulation regulation = make();
    Regulation make() {
        auto database = of_system();
        if (database)
            source = system_database;
        else
            database = RegulatoryDatabase::read(embedded_regulation("regulatory.db"));
        return {std::move(*database), read_own_limits(embedded_regulation("regulation.json"))};
    }
};
const Standard& standard_rules() {
    static const Standard made;
    return made;
}

Said range_text(double low, double high) {
    return say("%1 to %2 MHz", said_figure(low, 0), said_figure(high, 0));
}

}  // namespace

double low_mhz(const Channel& c) { return centre_mhz(c) - c.width_mhz / 2.0; }
double high_mhz(const Channel& c) { return centre_mhz(c) + c.width_mhz / 2.0; }

bool is_preferred_scanning(int primary) { return primary >= 5 && primary <= 229 && (primary - 5) % 16 == 0; }

Regulation::Regulation(RegulatoryDatabase database, OwnLimits own)
    : database_(std::move(database)), own_(std::move(own)) {}

const Regulation& Regulation::standard() { return standard_rules().regulation; }
const std::string& Regulation::source() { return standard_rules().source; }

void Regulation::add_wait(ChannelPermit& permit, const CountryRules& c, double low, double high,
                          int stated_s) const {
    const int usual = stated_s > 0 ? stated_s : own_.usual_wait_s;
    permit.dfs = true;
    permit.dfs_wait_s = std::max(permit.dfs_wait_s, usual);
    for (const LongWait& w : own_.waits)
        if (w.region == c.region && low < w.high_mhz && high > w.low_mhz && w.wait_s > permit.dfs_wait_s) {
            permit.dfs_wait_s = w.wait_s;
            permit.wait_name = w.name;
        }
}

std::optional<ChannelPermit> Regulation::in_database(const std::string& country,
                                                     const Channel& channel) const {
    const CountryRules* c = database_.find(country);
    if (!c) return std::nullopt;
    const auto under = ranges_under(*c, channel);
    if (under.empty()) return std::nullopt;
    ChannelPermit permit;
    permit.channel = channel;
    permit.max_eirp_dbm = under.front()->max_eirp_dbm;
    for (const RegulatoryRange* r : under) {
        if (channel.width_mhz > widest_in(*c, *r) + 1e-6) return std::nullopt;
        permit.max_eirp_dbm = std::min(permit.max_eirp_dbm, r->max_eirp_dbm);
        permit.indoor_only |= r->indoor_only;
        permit.no_initiation |= r->no_initiation;
        if (r->dfs)
            add_wait(permit, *c, std::max(r->low_mhz, low_mhz(channel)),
                     std::min(r->high_mhz, high_mhz(channel)), r->dfs_wait_s);
    }
    return permit;
}

std::vector<const OwnLimit*> Regulation::own_for(const std::string& country, double low, double high) const {
    std::vector<const OwnLimit*> found;
    for (const OwnLimit& l : own_.limits)
        if (low < l.high_mhz - 1e-6 && high > l.low_mhz + 1e-6 &&
            std::ranges::count(l.countries, country) > 0)
            found.push_back(&l);
    return found;
}

std::optional<DeviceClass> Regulation::usual_class(const std::string& country, const Channel& channel,
                                                   Place place) const {
    const auto own = own_for(country, low_mhz(channel), high_mhz(channel));
    const auto any = [&](DeviceClass c) {
        return std::ranges::any_of(own, [&](const OwnLimit* l) { return l->device_class == c; });
    };
    using enum DeviceClass;
    if (place == Place::indoors && any(low_power_indoor)) return low_power_indoor;
    for (DeviceClass c : {standard_power, very_low_power})
        if (any(c)) return c;
    return std::nullopt;
}

void Regulation::lay_over(ChannelPermit& permit, const std::string& country, Place place,
                          std::optional<DeviceClass> device) const {
    std::optional<double> stated;
    for (const OwnLimit* l : own_for(country, low_mhz(permit.channel), high_mhz(permit.channel))) {
        if (l->device_class && l->device_class != device) continue;
        if (l->max_eirp_dbm) stated = std::min(stated.value_or(1e9), *l->max_eirp_dbm);
        if (l->density_dbm_per_mhz)
            permit.density_dbm_per_mhz =
                std::min(permit.density_dbm_per_mhz.value_or(1e9), *l->density_dbm_per_mhz);
        if (l->elevation_outdoors && place == Place::outdoors) permit.elevation = l->elevation_outdoors;
        // what the database says of the weakest class does not hold for one with rules of its own
        if (l->device_class)
            permit.indoor_only = l->indoor_only;
        else
            permit.indoor_only |= l->indoor_only;
        permit.no_initiation = false;
        permit.sources.push_back(l->source);
    }
    if (stated) permit.max_eirp_dbm = *stated;
    if (permit.density_dbm_per_mhz)
        permit.max_eirp_dbm = std::min(
            permit.max_eirp_dbm, *permit.density_dbm_per_mhz + 10 * std::log10(permit.channel.width_mhz));
}

std::optional<ChannelPermit> Regulation::permit(const std::string& country, const Channel& channel,
                                                Place place, std::optional<DeviceClass> device) const {
    if (!knows(country)) {
        ChannelPermit any;
        any.channel = channel;
        any.max_eirp_dbm = any_power_dbm;
        return any;
    }
    auto permit = in_database(country, channel);
    if (!permit) return std::nullopt;
    const auto own = own_for(country, low_mhz(channel), high_mhz(channel));
    const bool by_class =
        std::ranges::any_of(own, [](const OwnLimit* l) { return l->device_class.has_value(); });
    if (by_class) {
        if (!device) device = usual_class(country, channel, place);
        // every part of it has to be free for the class
        for (double at = low_mhz(channel); at < high_mhz(channel) - 1e-6; at += 20)
            if (std::ranges::none_of(own, [&](const OwnLimit* l) {
                    return l->device_class == device && l->low_mhz <= at + 1e-6 &&
                           at + 20 <= l->high_mhz + 1e-6;
                }))
                return std::nullopt;
    }
    lay_over(*permit, country, place, device);
    if (permit->no_initiation) return std::nullopt;
    if (permit->indoor_only && place == Place::outdoors) return std::nullopt;
    return permit;
}

std::vector<ChannelPermit> Regulation::permitted(const std::string& country, BandId band, int width_mhz,
                                                 Place place, std::optional<DeviceClass> device) const {
    std::vector<ChannelPermit> out;
    for (const Channel& c : channels(band, width_mhz))
        if (auto p = permit(country, c, place, device)) out.push_back(std::move(*p));
    return out;
}

Said Regulation::why_barred(const std::string& country, const Channel& channel, Place place,
                            std::optional<DeviceClass> device) const {
    const CountryRules* c = database_.find(country);
    if (!c || permit(country, channel, place, device)) return {};
    const Said range = range_text(low_mhz(channel), high_mhz(channel));
    const auto under = ranges_under(*c, channel);
    if (under.empty()) return say("%1 is not free in this country", range);
    const auto database = in_database(country, channel);
    if (!database) return say("channels of %1 MHz are not allowed at %2", channel.width_mhz, range);
    if (place == Place::outdoors) {
        const auto within = permit(country, channel, Place::indoors, device);
        if (within) return say("%1 is for indoors only", range);
    }
    const auto usual = device ? device : usual_class(country, channel, place);
    if (usual) return say("%1 is not free for %2 devices", range, said_mark(device_class_name(*usual)));
    return say("no access point may begin to send at %1", range);
}

std::vector<double> Regulation::cuts(const CountryRules& c, const Band& b) const {
    std::vector<double> all{b.low_mhz, b.high_mhz};
    const auto cut = [&](double low, double high) {
        for (double at : {low, high})
            if (at > b.low_mhz && at < b.high_mhz) all.push_back(at);
    };
    for (const RegulatoryRange& r : c.ranges) cut(r.low_mhz, r.high_mhz);
    for (const LongWait& w : own_.waits)
        if (w.region == c.region) cut(w.low_mhz, w.high_mhz);
    for (const OwnLimit& l : own_.limits)
        if (std::ranges::count(l.countries, c.code) > 0) cut(l.low_mhz, l.high_mhz);
    std::ranges::sort(all);
    return all;
}

/// As one range has it, with our own limits over it: free where it is for any class of device.
BandStretch Regulation::stretch_in(const CountryRules& c, const RegulatoryRange& r, double low, double high,
                                   Place place) const {
    ChannelPermit wait;
    if (r.dfs) add_wait(wait, c, low, high, r.dfs_wait_s);
    BandStretch s{low,           high,           r.no_initiation, r.dfs,
                  r.indoor_only, r.max_eirp_dbm, wait.dfs_wait_s, wait.wait_name};
    bool by_class = false, free_for_one = false;
    for (const OwnLimit* l : own_for(c.code, low, high)) {
        s.barred = false;
        if (l->max_eirp_dbm) s.max_eirp_dbm = std::max(s.max_eirp_dbm, *l->max_eirp_dbm);
        if (!l->device_class) {
            s.indoor_only |= l->indoor_only;
            continue;
        }
        by_class = true;
        free_for_one |= place == Place::indoors || !l->indoor_only;
        s.indoor_only &= l->indoor_only;
    }
    s.barred |= by_class ? !free_for_one : s.indoor_only && place == Place::outdoors;
    return s;
}

std::vector<BandStretch> Regulation::stretches(const std::string& country, BandId id, Place place) const {
    const CountryRules* c = database_.find(country);
    const Band& b = band(id);
    if (!c) return {{b.low_mhz, b.high_mhz, false, false, false, any_power_dbm, 0, {}}};
    std::vector<BandStretch> out;
    const std::vector<double> at = cuts(*c, b);
    for (std::size_t i = 0; i + 1 < at.size(); ++i) {
        if (at[i + 1] - at[i] < 1e-6) continue;
        BandStretch s{at[i], at[i + 1], true, false, false, 0, 0, {}};
        for (const RegulatoryRange& r : c->ranges)
            if (s.barred && !r.no_ofdm && holds(r, at[i], at[i + 1]))
                s = stretch_in(*c, r, at[i], at[i + 1], place);
        if (!out.empty() && out.back().is_like(s))
            out.back().high_mhz = s.high_mhz;
        else
            out.push_back(std::move(s));
    }
    return out;
}

}  // namespace yemvo
