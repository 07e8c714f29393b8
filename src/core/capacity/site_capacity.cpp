// SPDX-License-Identifier: GPL-3.0-or-later
#include "capacity/site_capacity.h"

#include <algorithm>
#include <cmath>

#include "capacity/air_of_site.h"
#include "capacity/heard_by_floors.h"
#include "capacity/parts_of_air.h"

namespace yemvo {
namespace {

/// Less of what it asks for and a client is not satisfied.
constexpr double least_delivered = 0.95;
/// Overfull radios let go of clients so often, with a new solution in between.
constexpr int most_sheddings = 3;
/// Fewer clients than this share that went elsewhere change nothing to speak of.
constexpr double least_moved = 0.002;
/// Radios with less headroom take nobody from others.
constexpr double least_room = 0.1;
/// A radio lets go of clients where it delivers less than this share.
constexpr double overfull = 0.99;

/// One busy hour being worked out.
class Hour {
public:
    Hour(const Project& project, const std::vector<AirRadio>& radios,
         const std::vector<std::shared_ptr<const HeardFloor>>& floors,
         std::shared_ptr<const Neighbours> neighbours, std::string_view hour)
        : project_(project),
          radios_(radios),
          floors_(floors),
          neighbours_(std::move(neighbours)),
          hour_(hour),
          rates_(project, radios) {
        for (const auto& floor : floors) {
            const Floor& f = *find_floor(project, floor->floor);
            auto& asks = asks_.emplace_back();
            const std::vector<DemandPlace> places = demand_places(f);
            for (const StandingPlace& s : floor->standing.places)
                asks.push_back({places[s.at], traffic(places[s.at].demand(), project.demand)});
        }
        join_all();
        fall_back_to_20();
    }

    HourCapacity run(PartsOfAir& parts, const CancelToken& cancel) {
        for (int round = 0;; ++round) {
            AirOfSite air(project_, radios_, rates_, floors_, joined_, asks_, *neighbours_);
            const ContentionResult solved = parts.solve(air.contention(), air.identity(), cancel);
            note_delivery(air, solved);
            if (round == most_sheddings || !shed()) return result(air, solved);
        }
    }

private:
    void join_all();
    void fall_back_to_20();
    bool refuses_40(std::size_t radio) const;
    bool has_others_near(std::size_t radio) const;
    bool has_neighbours_near(const AirRadio&) const;
    void note_delivery(const AirOfSite&, const ContentionResult&);
    bool shed();
    HourCapacity result(const AirOfSite&, const ContentionResult&) const;
    void tell_radios(const AirOfSite&, const ContentionResult&, HourCapacity&) const;
    void tell_clients(const AirOfSite&, const ContentionResult&, HourCapacity&) const;
    void tell_unheard(HourCapacity&) const;
    ZoneCapacity capacity_of(const DemandPlace&, FloorId) const;
    double satisfied(const ZoneDemand&, const ClientCapacity&, double down, double up, double voice) const;

    const Project& project_;
    const std::vector<AirRadio>& radios_;
    const std::vector<std::shared_ptr<const HeardFloor>>& floors_;
    std::shared_ptr<const Neighbours> neighbours_;
    std::string_view hour_;
    LinkRates rates_;
    std::vector<std::vector<PlaceAsk>> asks_;
    std::vector<Joined> joined_;
    std::vector<double> delivered_, headroom_, clients_;  ///< of each radio
};

void Hour::join_all() {
    const Chooser chooser{project_, radios_, rates_};
    for (std::uint32_t f = 0; f < floors_.size(); ++f) {
        const StandingFloor& standing = floors_[f]->standing;
        for (std::size_t at = 0; at < standing.places.size(); ++at) {
            const DemandPlace& place = asks_[f][at].place;
            const Attendance there = attendance(place, standing.places[at], hour_);
            for (std::size_t i = 0; i < there.count; ++i) {
                Joined j = chooser.choose(
                    *floors_[f], static_cast<std::uint32_t>(standing.places[at].begin + i), place.demand());
                j.floor = f;
                j.place_at = static_cast<std::uint16_t>(at);
                j.weight = static_cast<float>(there.weight);
                joined_.push_back(j);
            }
        }
    }
}

bool Hour::refuses_40(std::size_t radio) const {
    return std::ranges::any_of(joined_, [&](const Joined& j) {
        return j.radio == static_cast<std::int32_t>(radio) && (*project_.clients)[j.profile].refuses_40_at_24;
    });
}

bool Hour::has_others_near(std::size_t radio) const {
    const AirRadio& own = radios_[radio];
    if (own.channel_open) return false;
    for (const auto& floor : floors_)
        for (const HeardFloor::Pair& p : floor->between) {
            if (p.listener != radio || p.heard.cdbm < 100 * project_.settings.heard_dbm) continue;
            const AirRadio& other = radios_[p.heard.radio];
            if (other.channel.band == band_24 && !other.channel_open &&
                !(other.channel == own.channel && other.primary == own.primary) &&
                relation(own.channel, own.primary, other.channel, other.primary) != ChannelRelation::apart)
                return true;
        }
    return has_neighbours_near(own);
}

bool Hour::has_neighbours_near(const AirRadio& own) const {
    if (neighbours_->radios.empty()) return false;
    const AccessPoint* ap = find_access_point(project_, own.floor, own.access_point);
    return ap && std::ranges::any_of(neighbours_->radios, [&](const NeighbourRadio& n) {
               if (relation(own.channel, own.primary, n.channel, n.primary) == ChannelRelation::apart ||
                   (n.channel == own.channel && n.primary == own.primary))
                   return false;
               const auto dbm = NeighbourLevels(n, own.floor).at(ap->position);
               return dbm && *dbm >= project_.settings.heard_dbm;
           });
}

void Hour::fall_back_to_20() {
    bool changed = false;
    for (std::size_t r = 0; r < radios_.size(); ++r) {
        if (radios_[r].channel.band != band_24 || radios_[r].channel.width_mhz <= 20) continue;
        if (!refuses_40(r) && !has_others_near(r)) continue;
        rates_.set_width(r, 20);
        changed = true;
    }
    if (!changed) return;
    joined_.clear();
    join_all();
}

void Hour::note_delivery(const AirOfSite& air, const ContentionResult& solved) {
    delivered_.assign(radios_.size(), 1);
    headroom_.assign(radios_.size(), most_headroom);
    clients_.assign(radios_.size(), 0);
    const auto note = [&](std::size_t radio, std::int32_t k) {
        if (k < 0) return;
        const ContenderShare& s = solved.of[static_cast<std::size_t>(k)];
        delivered_[radio] = std::min(delivered_[radio], s.delivered);
        headroom_[radio] = std::min(headroom_[radio], s.headroom());
    };
    for (std::size_t r = 0; r < radios_.size(); ++r) {
        note(r, air.queues(r).down);
        note(r, air.queues(r).voice_down);
    }
    for (std::size_t k = 0; k < joined_.size(); ++k) {
        if (joined_[k].radio < 0) continue;
        const auto r = static_cast<std::size_t>(joined_[k].radio);
        note(r, air.queues_of_client(k).up);
        note(r, air.queues_of_client(k).voice_up);
        clients_[r] += double{joined_[k].weight};
    }
}

/// Clients of overfull radios go where they have another choice with room; false where none did.
bool Hour::shed() {
    std::vector<double> excess(radios_.size(), 0), taken(radios_.size(), 0);
    bool any = false;
    for (std::size_t r = 0; r < radios_.size(); ++r) {
        const double most = radios_[r].most_clients > 0 ? radios_[r].most_clients : 1e9;
        // as many as it takes to be full; half of that, since where they go fills as well
        if (delivered_[r] < overfull)
            excess[r] = clients_[r] * (1 - 1 / (1 - std::min(headroom_[r], 0.0))) * 0.5;
        excess[r] = std::max(excess[r], clients_[r] - most);
        any = any || excess[r] > 0;
    }
    if (!any) return false;
    const Chooser chooser{project_, radios_, rates_};
    double moved = 0;
    // the weakest go first: they cost their radio most
    std::vector<std::size_t> order;
    for (std::size_t k = 0; k < joined_.size(); ++k)
        if (joined_[k].radio >= 0 && excess[static_cast<std::size_t>(joined_[k].radio)] > 0)
            order.push_back(k);
    std::ranges::stable_sort(order, {}, [&](std::size_t k) { return joined_[k].cdbm; });
    for (std::size_t k : order) {
        Joined& j = joined_[k];
        const auto from = static_cast<std::size_t>(j.radio);
        if (excess[from] <= 0) continue;
        const ClientProfile& profile = (*project_.clients)[j.profile];
        const ZoneDemand& demand = asks_[j.floor][j.place_at].place.demand();
        std::int32_t best = -1;
        HeardLevel to{};
        double best_score = 0;
        for (const HeardLevel& l : floors_[j.floor]->of(j.client)) {
            if (l.radio == from || l.cdbm / 100.0 + profile.gain_dbi < profile.leaves_dbm) continue;
            if (profile.widest(radios_[l.radio].channel.band) <= 0) continue;
            const double most = radios_[l.radio].most_clients > 0 ? radios_[l.radio].most_clients : 1e9;
            if (clients_[l.radio] + taken[l.radio] + j.weight > most) continue;
            // each that it takes uses up room in the same measure as those it has
            const double left = headroom_[l.radio] - taken[l.radio] / std::max(clients_[l.radio], 5.0);
            if (left < least_room || !chooser.can_use(l.radio, j.profile, l.cdbm, demand)) continue;
            const double mbps =
                rates_.down(l.radio, j.profile).rate_mbps(l.cdbm / 100.0 + rates_.gain_db(j.profile));
            const double score = mbps * left / (1 + left);
            if (score <= best_score) continue;
            best_score = score;
            best = l.radio;
            to = l;
        }
        if (best < 0) continue;
        excess[from] -= double{j.weight};
        taken[to.radio] += double{j.weight};
        j.radio = best;
        j.cdbm = to.cdbm;
        moved += double{j.weight};
    }
    return moved > least_moved * static_cast<double>(joined_.size());
}

double Hour::satisfied(const ZoneDemand& demand, const ClientCapacity& c, double down, double up,
                       double voice) const {
    double share = 0;
    for (const MixPart& part : demand.applications) {
        const Application* a = find_application(project_.demand, part.key);
        if (!a || part.share <= 0) continue;
        const bool speaks = a->delay == DelayClass::real_time;
        const double got_down = a->mean_down_mbps() > 0 ? (speaks ? voice : down) : 1;
        const double got_up = a->mean_up_mbps() > 0 ? (speaks ? voice : up) : 1;
        if (double{c.signal_dbm} >= a->least_signal_dbm && double{c.down_mbps} >= a->least_rate_mbps &&
            got_down >= least_delivered && got_up >= least_delivered)
            share += share_of(demand.applications, part.key);
    }
    return share;
}

HourCapacity Hour::result(const AirOfSite& air, const ContentionResult& solved) const {
    HourCapacity h;
    h.hour = hour_;
    h.heard = floors_;
    h.neighbours = neighbours_;
    h.sweeps = solved.sweeps;
    h.settled = solved.unrest < 0.02;
    for (const auto& f : floors_) h.floors.push_back({{}, f->floor});
    tell_radios(air, solved, h);
    tell_clients(air, solved, h);
    tell_unheard(h);
    for (const ZoneCapacity& z : h.zones) {
        for (FloorCapacity& f : h.floors)
            if (f.floor == z.floor) f += z;
        h.site += z;
    }
    for (RadioCapacity& r : h.radios)
        r.satisfied = r.clients > 0 ? std::min(1.0, r.satisfied / r.clients) : 1;
    for (const RadioCapacity& r : h.radios) {
        const auto at = std::ranges::find_if(h.channels, [&](const ChannelCapacity& c) {
            return c.band == r.radio.channel.band && c.primary == r.radio.primary;
        });
        ChannelCapacity& c =
            at == h.channels.end()
                ? h.channels.emplace_back(ChannelCapacity{r.radio.channel.band, r.radio.primary})
                : *at;
        ++c.radios;
        c.use = std::max(c.use, r.use);
    }
    return h;
}

void Hour::tell_radios(const AirOfSite& air, const ContentionResult& solved, HourCapacity& h) const {
    for (std::size_t r = 0; r < radios_.size(); ++r) {
        RadioCapacity c;
        c.radio = radios_[r];
        c.width_mhz = rates_.width_mhz(r);
        c.fell_back = c.width_mhz < radios_[r].channel.width_mhz;
        c.beacons = air.beacon_share(r);
        c.own_use = c.beacons;
        c.headroom = headroom_[r];
        c.shares_with = air.shares_with(r);
        c.satisfied = 0;  // clients, until all are told
        const Queues& q = air.queues(r);
        const auto share = [&](std::int32_t k) { return solved.of[static_cast<std::size_t>(k)]; };
        if (q.down >= 0) c.own_use += share(q.down).use;
        if (q.voice_down >= 0) c.own_use += share(q.voice_down).use;
        const std::int32_t listener = q.down >= 0 ? q.down : q.voice_down >= 0 ? q.voice_down : q.beacons;
        c.use = listener >= 0 ? share(listener).heard_use : 0;
        h.radios.push_back(std::move(c));
    }
}

/// Of a place with nobody counted yet.
ZoneCapacity Hour::capacity_of(const DemandPlace& place, FloorId floor) const {
    ZoneCapacity z;
    z.floor = floor;
    if (place.row)
        z.row = place.row->id;
    else
        z.zone = place.zone->id;
    z.people = place.people_at(hour_);
    return z;
}

void Hour::tell_clients(const AirOfSite& air, const ContentionResult& solved, HourCapacity& h) const {
    std::map<std::pair<std::uint32_t, std::uint16_t>, std::size_t> zone_at;
    std::vector<double> asked_down(radios_.size(), 0), asked_up(radios_.size(), 0);
    for (std::size_t k = 0; k < joined_.size(); ++k) {
        const Joined& j = joined_[k];
        const DemandPlace& place = asks_[j.floor][j.place_at].place;
        const Traffic& t = asks_[j.floor][j.place_at].each;
        const auto [at, added] = zone_at.try_emplace({j.floor, j.place_at}, h.zones.size());
        if (added) h.zones.push_back(capacity_of(place, floors_[j.floor]->floor));
        ZoneCapacity& z = h.zones[at->second];
        const double weight = double{j.weight};
        z.clients += weight;
        z.asked_down_mbps += weight * t.down_mbps;
        z.asked_up_mbps += weight * t.up_mbps;
        ClientCapacity c{j.floor, j.client, static_cast<std::uint32_t>(at->second), j.radio, j.weight, 0, 0,
                         0,       0};
        if (j.radio < 0) {
            z.not_reached += weight;
            h.clients.push_back(c);
            continue;
        }
        const auto r = static_cast<std::size_t>(j.radio);
        RadioCapacity& radio = h.radios[r];
        const auto share = [&](std::int32_t q) {
            return q < 0 ? 1.0 : solved.of[static_cast<std::size_t>(q)].delivered;
        };
        const double down = share(air.queues(r).down), up = share(air.queues_of_client(k).up);
        const double voice =
            std::min(share(air.queues(r).voice_down), share(air.queues_of_client(k).voice_up));
        const double dbm = j.cdbm / 100.0 + rates_.gain_db(j.profile);
        c.signal_dbm = static_cast<float>(dbm);
        c.down_mbps = static_cast<float>(rates_.down(r, j.profile).rate_mbps(dbm));
        c.up_mbps =
            static_cast<float>(rates_.up(r, j.profile).rate_mbps(dbm + rates_.up_shift_db(r, j.profile)));
        c.satisfied = static_cast<float>(satisfied(place.demand(), c, down, up, voice));
        const auto got = [&](const Traffic::Queue& q, const Traffic::Queue& v, double share_of_q) {
            return (q.per_s * q.bytes * share_of_q + v.per_s * v.bytes * voice) * 8e-6;
        };
        const double got_down = weight * got(t.down, t.voice_down, down);
        const double got_up = weight * got(t.up, t.voice_up, up);
        z.got_down_mbps += got_down;
        z.got_up_mbps += got_up;
        z.satisfied += weight * double{c.satisfied};
        z.could_get_mbps += weight * t.down_mbps * std::max(0.0, 1 + headroom_[r]);
        radio.clients += weight;
        radio.asked_down_mbps += weight * t.down_mbps;
        radio.asked_up_mbps += weight * t.up_mbps;
        radio.got_down_mbps += got_down;
        radio.got_up_mbps += got_up;
        radio.satisfied += weight * double{c.satisfied};
        if (const std::int32_t q = air.queues_of_client(k).up; q >= 0)
            radio.own_use += weight * solved.of[static_cast<std::size_t>(q)].use;
        if (const std::int32_t q = air.queues_of_client(k).voice_up; q >= 0)
            radio.own_use += weight * solved.of[static_cast<std::size_t>(q)].use;
        const auto weaker = [&](const WeakClient& w) {
            return double{c.satisfied} != w.satisfied ? double{c.satisfied} < w.satisfied
                                                      : double{c.down_mbps} < w.down_mbps;
        };
        if (!radio.weakest || weaker(*radio.weakest))
            radio.weakest = WeakClient{z.floor,
                                       z.zone,
                                       z.row,
                                       floors_[j.floor]->standing.clients[j.client].place,
                                       j.profile,
                                       dbm,
                                       double{c.down_mbps},
                                       double{c.up_mbps},
                                       double{c.satisfied}};
        h.clients.push_back(c);
    }
    for (RadioCapacity& r : h.radios) {
        r.delivered_down = r.asked_down_mbps > 0 ? std::min(1.0, r.got_down_mbps / r.asked_down_mbps) : 1;
        r.delivered_up = r.asked_up_mbps > 0 ? std::min(1.0, r.got_up_mbps / r.asked_up_mbps) : 1;
    }
}

/// Zones with people that no prediction has a place for: nobody reaches them.
void Hour::tell_unheard(HourCapacity& h) const {
    for (const Floor* f : all_floors(project_))
        for (const DemandPlace& place : demand_places(*f)) {
            if (place.row ? h.find(place.row->id) : h.find(place.zone->id)) continue;
            const DemandFigures asked = demand_figures(place, project_.demand, hour_);
            if (asked.clients <= 0) continue;
            ZoneCapacity z = capacity_of(place, f->id);
            z.stands_nowhere = true;
            z.clients = z.not_reached = asked.clients;
            z.asked_down_mbps = asked.down_mbps;
            z.asked_up_mbps = asked.up_mbps;
            h.zones.push_back(z);
        }
}

}  // namespace

PlaceCapacity& PlaceCapacity::operator+=(const PlaceCapacity& o) {
    people += o.people;
    clients += o.clients;
    asked_down_mbps += o.asked_down_mbps;
    asked_up_mbps += o.asked_up_mbps;
    got_down_mbps += o.got_down_mbps;
    got_up_mbps += o.got_up_mbps;
    satisfied += o.satisfied;
    not_reached += o.not_reached;
    could_get_mbps += o.could_get_mbps;
    return *this;
}

const RadioCapacity* HourCapacity::find(AccessPointId id, std::size_t radio) const {
    for (const RadioCapacity& r : radios)
        if (r.radio.access_point == id && r.radio.radio == radio) return &r;
    return nullptr;
}

const ZoneCapacity* HourCapacity::find(ZoneId id) const {
    const auto at = std::ranges::find(zones, id, &ZoneCapacity::zone);
    return at == zones.end() ? nullptr : &*at;
}

const ZoneCapacity* HourCapacity::find(DeviceRowId id) const {
    const auto at = std::ranges::find(zones, id, &ZoneCapacity::row);
    return at == zones.end() ? nullptr : &*at;
}

const HourCapacity* SiteCapacity::find(std::string_view hour) const {
    const auto at = std::ranges::find(hours, hour, &HourCapacity::hour);
    return at == hours.end() ? nullptr : &*at;
}

const HourCapacity* SiteCapacity::worst() const {
    const HourCapacity* worst = nullptr;
    for (const HourCapacity& h : hours)
        if (h.site.clients > 0 && (!worst || h.site.satisfied_share() < worst->site.satisfied_share()))
            worst = &h;
    return worst;
}

class CapacitySolver::Kept {
public:
    std::map<std::string, PartsOfAir> parts;  ///< by busy hour
    std::size_t solved = 0;
};

CapacitySolver::CapacitySolver() : kept_(std::make_unique<Kept>()) {}
CapacitySolver::~CapacitySolver() = default;

std::size_t CapacitySolver::solved() const { return kept_->solved; }

std::shared_ptr<const SiteCapacity> CapacitySolver::solve(
    const Project& project, const std::vector<AirRadio>& radios,
    const std::vector<std::shared_ptr<const HeardFloor>>& floors, const CancelToken& cancel) {
    std::vector<std::shared_ptr<const HeardFloor>> heard;
    for (const auto& f : floors) heard.push_back(heard_among(radios, f));
    auto site = std::make_shared<SiteCapacity>();
    kept_->solved = 0;
    const auto neighbours = neighbours_of(project);
    ContentKey key;
    key.add(neighbours->key);
    for (const BusyHour& hour : project.demand.hours) {
        cancel.check();
        PartsOfAir& parts = kept_->parts[hour.key];
        site->hours.push_back(Hour(project, radios, heard, neighbours, hour.key).run(parts, cancel));
        kept_->solved += parts.solved();
        for (const RadioCapacity& r : site->hours.back().radios)
            key.add(r.use).add(r.clients).add(r.headroom).add(r.satisfied);
    }
    site->key = key.value();
    return site;
}

std::shared_ptr<const SiteCapacity> site_capacity(const Project& project, const SitePrediction& site,
                                                  CapacitySolver& solver, const CancelToken& cancel) {
    const auto radios = air_radios(project);
    std::vector<std::shared_ptr<const HeardFloor>> floors;
    for (const FloorPrediction& p : site.floors)
        floors.push_back(std::make_shared<const HeardFloor>(heard_on(project, radios, p)));
    return solver.solve(project, radios, floors, cancel);
}

std::shared_ptr<const SiteCapacity> capacity_by_floors(const Project& project, Predictor& predictor,
                                                       const CancelToken& cancel) {
    const auto radios = air_radios(project);
    CapacitySolver solver;
    return solver.solve(project, radios, heard_by_floors(project, radios, predictor, cancel), cancel);
}

}  // namespace yemvo
