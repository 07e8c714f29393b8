// SPDX-License-Identifier: GPL-3.0-or-later
#include "capacity/capacity_verdict.h"

#include <algorithm>
#include <cmath>
#include <set>

#include "capacity/client_air.h"

namespace yemvo {
namespace {

AirFigures::OfRadio figures_of(const RadioCapacity& r) {
    AirFigures::OfRadio f;
    f.use = r.use;
    f.own_use = r.own_use;
    f.satisfied = r.satisfied;
    f.clients = r.clients;
    f.headroom = r.headroom;
    if (r.clients > 0) f.mbps_a_client = r.asked_down_mbps / r.clients * std::max(0.0, 1 + f.headroom);
    return f;
}

double value_of(LensId lens, const AirFigures::OfRadio& f) {
    switch (lens) {
        case LensId::mbps_client:
            return f.mbps_a_client;
        case LensId::air_used:
            return 100 * f.use;
        case LensId::radio_clients:
            return f.clients;
        case LensId::headroom:
            return 100 * f.headroom;
        default:
            return 100 * f.satisfied;
    }
}

/// Of those whom nobody serves: worse than any limit.
double worst_value(const LensInfo& lens) { return lens.more_is_better ? 0 : 1000; }

double client_value(const Project& project, const LensInfo& lens, const HourCapacity& hour,
                    const ClientCapacity& c) {
    if (c.radio < 0) return worst_value(lens);
    switch (lens.id) {
        case LensId::satisfied:
            return 100 * double{c.satisfied};
        case LensId::sinr:
            return client_air(project, hour, c).sinr_db;
        case LensId::interference:
            return client_air(project, hour, c).interference_dbm;
        case LensId::air_here:
            return 100 * client_air(project, hour, c).use;
        default:
            return value_of(lens.id, figures_of(hour.radios[static_cast<std::size_t>(c.radio)]));
    }
}

double margin_of(const Requirement& r, double value, BandId band) {
    return required_lens(r).more_is_better ? value - r.limit_in(band) : r.limit_in(band) - value;
}

const StandingClient& standing_client(const HourCapacity& hour, const ClientCapacity& c) {
    return hour.heard[c.floor]->standing.clients[c.client];
}

/// Null for fixed devices in no zone.
const Zone* zone_of(const StandingClient& c, const Floor& floor) {
    return c.zone > 0 ? &(*floor.zones)[c.zone - 1u] : nullptr;
}
bool holds_in(const RequirementSet& set, const Zone* zone) {
    return set.is_everywhere() || (zone && set.names(*zone));
}

/// What is counted at one place, by band.
struct Tally {
    std::vector<double> asked, met;
    std::optional<Worst> worst;
    Tally() : asked(band_count(), 0), met(band_count(), 0) {}
    void add(BandId band, double weight, double met_weight, const Worst& at) {
        asked[band.index] += weight;
        met[band.index] += met_weight;
        if (!worst || at.margin < worst->margin) worst = at;
    }
    double all() const {
        double sum = 0;
        for (double a : asked) sum += a;
        return sum;
    }
    double share(std::size_t band) const { return asked[band] > 0 ? met[band] / asked[band] : 1; }
};

/// One requirement at one busy hour.
class HourTally {
public:
    HourTally(const Project& project, const RequirementSet& set, const Requirement& r,
              const HourCapacity& hour)
        : project_(project), set_(set), r_(r), info_(required_lens(r)), hour_(hour) {
        if (info_.counts == RequirementCounts::clients)
            count_clients();
        else
            count_radios();
    }
    Tally site;
    std::map<FloorId, Tally> floors;
    std::map<ZoneId, Tally> zones;
    std::map<ZoneId, FloorId> floor_of;

private:
    void count_clients() {
        for (const ClientCapacity& c : hour_.clients) {
            const ClientStanding s = standing_of(project_, set_, r_, hour_, c);
            if (!s.counts) continue;
            const FloorId floor = hour_.floors[c.floor].floor;
            const Worst at{standing_client(hour_, c).place, s.value, s.band, s.margin};
            const double weight = double{c.weight};
            const double met = s.margin >= -1e-6 ? weight : 0;
            site.add(s.band, weight, met, at);
            floors[floor].add(s.band, weight, met, at);
            if (!s.zone) continue;
            zones[s.zone->id].add(s.band, weight, met, at);
            floor_of[s.zone->id] = floor;
        }
        for (const ZoneCapacity& z : hour_.zones)
            if (z.stands_nowhere) count_unreached(z, r_.bands.first());
    }
    /// People in a zone that no prediction has a place for, as outside of the walls: nobody serves them.
    void count_unreached(const ZoneCapacity& z, BandId unserved) {
        const Floor& floor = *find_floor(project_, z.floor);
        const Zone* zone = z.row ? nullptr : find_zone(floor, z.zone);
        const bool served = !zone || zone->kind == ZoneKind::served || zone->kind == ZoneKind::keep_out;
        if (!holds_in(set_, zone) || (!served && set_.is_everywhere())) return;
        const double nothing = worst_value(info_);
        const Worst at{zone ? centroid(zone->outline) : middle(*find_device_row(floor, z.row)), nothing,
                       unserved, margin_of(r_, nothing, unserved)};
        site.add(unserved, z.clients, 0, at);
        floors[z.floor].add(unserved, z.clients, 0, at);
        if (!zone) return;
        zones[z.zone].add(unserved, z.clients, 0, at);
        floor_of[z.zone] = z.floor;
    }

    void count_radios() {
        std::vector<std::set<ZoneId>> serves(hour_.radios.size());
        for (const ClientCapacity& c : hour_.clients) {
            if (c.radio < 0) continue;
            const Floor& floor = *find_floor(project_, hour_.floors[c.floor].floor);
            const Zone* zone = zone_of(standing_client(hour_, c), floor);
            if (!holds_in(set_, zone)) continue;
            serves[static_cast<std::size_t>(c.radio)].insert(zone ? zone->id : ZoneId{});
            if (zone) floor_of[zone->id] = floor.id;
        }
        for (std::size_t i = 0; i < hour_.radios.size(); ++i) {
            const AirRadio& radio = hour_.radios[i].radio;
            if (serves[i].empty() || !r_.bands.contains(radio.channel.band)) continue;
            const double value = value_of(info_.id, figures_of(hour_.radios[i])),
                         margin = margin_of(r_, value, radio.channel.band);
            const AccessPoint* ap = find_access_point(project_, radio.floor, radio.access_point);
            const Worst at{ap ? ap->position : Point{}, value, radio.channel.band, margin};
            const double met = margin >= -1e-6 ? 1 : 0;
            site.add(radio.channel.band, 1, met, at);
            floors[radio.floor].add(radio.channel.band, 1, met, at);
            for (ZoneId z : serves[i])
                if (z) zones[z].add(radio.channel.band, 1, met, at);
        }
    }

    const Project& project_;
    const RequirementSet& set_;
    const Requirement& r_;
    const LensInfo& info_;
    const HourCapacity& hour_;
};

/// Of one requirement at one place the worst busy hour.
class WorstHour {
public:
    void take(const Tally& t, const std::string& hour, FloorId floor, ZoneId zone) {
        if (t.all() <= 0) return;
        PlaceResult p;
        p.floor = floor;
        p.zone = zone;
        p.asked = t.all();
        p.hour = hour;
        p.worst = t.worst;
        p.met_in_all = 0;
        for (std::size_t b = 0; b < t.asked.size(); ++b) {
            p.met.push_back(p.asked * t.share(b));
            *p.met_in_all += t.met[b];
        }
        const auto share = [](const PlaceResult& of) { return *of.met_in_all / of.asked; };
        if (!result || share(p) < share(*result)) result = std::move(p);
    }
    std::optional<PlaceResult> result;
};

const RequirementSet& set_of(const Project& project, RequirementSetId id) {
    return *find_requirement_set(project, id);
}

}  // namespace

ClientStanding standing_of(const Project& project, const RequirementSet& set, const Requirement& r,
                           const HourCapacity& hour, const ClientCapacity& c) {
    ClientStanding s;
    s.zone = zone_of(standing_client(hour, c), *find_floor(project, hour.floors[c.floor].floor));
    // who is not served counts in the first band that is asked about: nobody gets anything in any
    s.band =
        c.radio < 0 ? r.bands.first() : hour.radios[static_cast<std::size_t>(c.radio)].radio.channel.band;
    if (!holds_in(set, s.zone) || !r.bands.contains(s.band)) return s;
    s.counts = true;
    s.value = client_value(project, required_lens(r), hour, c);
    s.margin = margin_of(r, s.value, s.band);
    return s;
}

void judge_uplink(Verdict& verdict, const Project& project) {
    verdict.uplink.reset();
    const Uplink& u = project.demand.uplink;
    if ((u.down_mbps <= 0 && u.up_mbps <= 0) || !has_demand(project)) return;
    for (const BusyHour& h : project.demand.hours) {
        const UplinkLoad load = uplink_load(project.demand, demand_table(project, h.key).site);
        const UplinkResult at{h.key, load.down_share, load.up_share, u.allowed};
        if (!verdict.uplink || at.share() > verdict.uplink->share()) verdict.uplink = at;
    }
}

void add_capacity(Verdict& verdict, const Project& project, const SiteCapacity& site) {
    judge_uplink(verdict, project);
    for (RequirementResult& result : verdict.requirements) {
        const Requirement& r = result.requirement;
        if (required_lens(r).counts == RequirementCounts::area) continue;
        const RequirementSet& set = set_of(project, result.set);
        WorstHour whole;
        std::map<FloorId, WorstHour> floors;
        std::map<ZoneId, WorstHour> zones;
        for (const HourCapacity& hour : site.hours) {
            if (!set.hour.empty() && hour.hour != set.hour && site.find(set.hour)) continue;
            const HourTally t(project, set, r, hour);
            whole.take(t.site, hour.hour, {}, {});
            for (const auto& [id, tally] : t.floors) floors[id].take(tally, hour.hour, id, {});
            for (const auto& [id, tally] : t.zones) zones[id].take(tally, hour.hour, t.floor_of.at(id), id);
        }
        result.floors.clear();
        result.zones.clear();
        result.site = whole.result.value_or(PlaceResult{});
        if (result.site.met.empty()) result.site.met.assign(band_count(), 0);
        // in the order of the project, as areas have it
        for (const Floor* f : all_floors(project)) {
            if (const auto at = floors.find(f->id); at != floors.end() && at->second.result)
                result.floors.push_back(*at->second.result);
            for (const Zone& z : *f->zones)
                if (const auto at = zones.find(z.id); at != zones.end() && at->second.result)
                    result.zones.push_back(*at->second.result);
        }
        if (result.site.worst)
            for (const PlaceResult& f : result.floors)
                if (f.worst && f.worst->place == result.site.worst->place &&
                    f.worst->margin == result.site.worst->margin)
                    result.site.floor = f.floor;
    }
}

std::shared_ptr<const AirFigures> air_figures(const SiteCapacity& site, std::string_view hour) {
    const HourCapacity* h = site.find(hour);
    if (!h) return nullptr;
    auto figures = std::make_shared<AirFigures>();
    ContentKey key;
    for (const RadioCapacity& r : h->radios) {
        const AirFigures::OfRadio f = figures_of(r);
        figures->radios[{r.radio.access_point, r.radio.radio}] = f;
        key.add(std::uint64_t{r.radio.access_point.value})
            .add(static_cast<std::uint64_t>(r.radio.radio))
            .add(f.mbps_a_client)
            .add(f.use)
            .add(f.own_use)
            .add(f.satisfied)
            .add(f.clients)
            .add(f.headroom);
    }
    figures->key = key.value();
    return figures;
}

}  // namespace yemvo
