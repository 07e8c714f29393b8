// SPDX-License-Identifier: GPL-3.0-or-later
#include "capacity/first_answer.h"

#include <algorithm>
#include <cmath>
#include <map>
#include <memory>

#include "airtime/frame_cost.h"
#include "coverage/margins.h"
#include "project/edits.h"
#include "project/library.h"

namespace yemvo {
namespace {

/// A zone that needs less of an access point than this is served from beside it.
constexpr double least_own = 0.3;
/// So much may be missing of a whole one: edges overlap.
constexpr double spare = 0.1;
/// Packets that wait in an access point's queue at most (the airtime model's).
constexpr double queue_msdus = 1000;

double exponent(BandId id) { return band(id).reference_mhz < 3000 ? 30 : 31; }

/// Cells of a honeycomb whose corners are at the reach.
double honeycomb_m2(double reach_m) { return 1.5 * std::sqrt(3.0) * reach_m * reach_m; }

/// Of those around a radio half are within this level of the edge's.
double median_gain_db(BandId id) { return exponent(id) * std::log10(std::sqrt(2.0)); }

int disjoint_channels(BandId id, int width_mhz) {
    int count = 0;
    double free_from_mhz = 0;
    for (const Channel& c : channels(id, width_mhz)) {
        const double low = centre_mhz(c) - width_mhz / 2.0;
        if (count > 0 && low < free_from_mhz - 1) continue;
        ++count;
        free_from_mhz = centre_mhz(c) + width_mhz / 2.0;
    }
    return count;
}

double air_of_queue(const Traffic::Queue& q, const RateLadder::Step& step, BandId band, bool voice,
                    double receivers) {
    if (q.per_s <= 0) return 0;
    FrameWish wish;
    wish.form = step.form;
    wish.band = band;
    wish.msdu_bytes = std::clamp(static_cast<int>(std::lround(q.bytes)), 40, 2304);
    wish.aggregates = !voice;
    const FrameCost cost = frame_cost(wish);
    const double most = std::min(cost.most, std::max(1.0, 2 * queue_msdus / (receivers + 1)));
    return q.per_s / most * (cost.txop_us(most) + sifs_us(band) + 3 * slot_us) * 1e-6;
}

/// How frames go between a radio and a profile where half of its clients have more; null where nothing holds.
struct MedianLink {
    std::shared_ptr<const RateLadder> down_of, up_of;
    const RateLadder::Step *down = nullptr, *up = nullptr;
};

MedianLink median_link(const ClientProfile& c, BandId id, const AnswerBand& own) {
    MedianLink link;
    const auto all = channels(id, own.width_mhz);
    if (c.widest(id) <= 0 || all.empty()) return link;
    const RadioAbility radio{Standard::be, id, own.streams};
    link.down_of = std::make_shared<const RateLadder>(radio, all.front(), c, c.noise_figure_db);
    link.up_of = std::make_shared<const RateLadder>(radio, all.front(), c, access_point_noise_figure_db);
    const double dbm = own.signal_dbm + median_gain_db(id) + c.gain_dbi;
    link.down = link.down_of->step(dbm);
    // the antennas' gains are there both ways: the powers differ
    link.up = link.up_of->step(dbm + c.power_in_dbm(id) - own.power_dbm);
    return link;
}

/// Share of a radio's air that one client takes, up and down.
double air_of_client(const Traffic& t, const MedianLink& link, BandId id) {
    if (!link.down || !link.up) return 0;
    constexpr double receivers = 20;  // that share an access point's queue
    return air_of_queue(t.down, *link.down, id, false, receivers) +
           air_of_queue(t.voice_down, *link.down, id, true, 1) + air_of_queue(t.up, *link.up, id, false, 1) +
           air_of_queue(t.voice_up, *link.up, id, true, 1);
}

class Answering {
public:
    Answering(const Project& project, const AnswerWish& wish) : project_(project), wish_(wish) {}

    FirstAnswer run() {
        answer_.radios.assign(band_count(), 0);
        for (const Band& b : bands()) {
            const AnswerBand& own = wish_.bands[b.id.index];
            answer_.reach_m.push_back(
                own.used ? yemvo::reach_m(b.id, own.eirp_dbm, own.signal_dbm, wish_.margin_db) : 0);
            answer_.cell_m2.push_back(honeycomb_m2(answer_.reach_m.back()));
            answer_.channels.push_back(disjoint_channels(b.id, own.width_mhz));
        }
        for (const Floor* f : all_floors(project_)) add_floor(*f);
        if (answer_.zones.empty())
            throw Error(say("no zone needs service"), {},
                        say("Draw a zone and say who is there, or begin with length, width and people"));
        answer_.uplink = uplink_load(project_.demand, answer_.site);
        return std::move(answer_);
    }

private:
    void add_floor(const Floor& f) {
        AnswerFloor floor;
        floor.floor = f.id;
        std::vector<AnswerZone> zones;
        const std::vector<DemandPlace> places = demand_places(f);
        for (const Zone& z : *f.zones) {
            if (z.kind != ZoneKind::served && z.kind != ZoneKind::keep_out) continue;
            AnswerZone zone;
            zone.floor = f.id;
            zone.zone = z.id;
            zone.area_m2 = area_m2(z.outline);
            zone.bands.resize(band_count());
            for (const DemandPlace& place : places)
                if (place.row ? contains(z.outline, place.middle()) : place.zone == &z)
                    add_place(zone, place);
            zones.push_back(zone);
            floor += zone;
        }
        if (zones.empty()) return;
        double shared = 0;
        for (AnswerZone& zone : zones) {
            weigh(zone);
            shared += zone.share;
            floor.access_points += zone.access_points;
        }
        floor.shared = shared > 0 ? std::max(floor.access_points > 0 ? 0 : 1, whole(shared)) : 0;
        floor.access_points += floor.shared;
        answer_.access_points += floor.access_points;
        for (const Band& b : bands())
            if (wish_.bands[b.id.index].used) {
                answer_.radios[b.id.index] += floor.access_points;
                answer_.short_of_channels = answer_.short_of_channels || !channels_do(floor, zones, b.id);
            }
        answer_.site += floor;
        answer_.floors.push_back(floor);
        answer_.zones.insert(answer_.zones.end(), zones.begin(), zones.end());
    }
    static int whole(double radios) { return static_cast<int>(std::ceil(radios - spare)); }

    /// The highest band that is used and the profile knows.
    std::optional<BandId> band_of(const ClientProfile& c) const {
        for (std::size_t b = band_count(); b-- > 0;) {
            const BandId id{static_cast<std::uint8_t>(b)};
            if (wish_.bands[b].used && c.widest(id) > 0) return id;
        }
        return std::nullopt;
    }

    /// What people of a zone, or devices that stand in it, ask of each band.
    void add_place(AnswerZone& zone, const DemandPlace& place) {
        const double area_m2 = zone.area_m2;
        const DemandFigures asked = demand_figures(place, project_.demand, wish_.hour);
        zone += asked;
        zone.area_m2 = area_m2;
        const Traffic each = traffic(place.demand(), project_.demand);
        for (const ClientProfile& c : *project_.clients) {
            const double clients = asked.clients * share_of(place.demand().profiles, c.key);
            const auto id = clients > 0 ? band_of(c) : std::nullopt;
            if (!id) continue;
            const AnswerBand& own = wish_.bands[id->index];
            AnswerOfBand& of = zone.bands[id->index];
            of.clients += clients;
            const auto [link, fresh] = links_.try_emplace({c.key, *id});
            if (fresh) link->second = median_link(c, *id, own);
            of.air += clients * air_of_client(each, link->second, *id);
        }
    }

    void weigh(AnswerZone& zone) {
        double most = 0;
        for (const Band& b : bands()) {
            const std::size_t i = b.id.index;
            if (!wish_.bands[i].used) continue;
            AnswerOfBand& of = zone.bands[i];
            of.by_area = answer_.cell_m2[i] > 0 ? zone.area_m2 / answer_.cell_m2[i] : 0;
            of.by_clients = of.clients / std::max(1.0, wish_.most_clients);
            of.by_air = radios_for(of.air, b.id);
            if (of.needed() > most) {
                most = of.needed();
                zone.decides = b.id;
                zone.rule = of.rule();
            }
        }
        if (most < least_own) {
            zone.rule = AnswerRule::shared;
            zone.share = most;
        } else {
            zone.access_points = std::max(1, whole(most));
        }
    }

    /// Of its air that a radio may use for demand.
    double for_demand(BandId id) const {
        const double beacons =
            wish_.networks * beacon_share(300, basic_rate_in(id, wish_.lowest_rate_mbps), 1, 1, id);
        return wish_.most_air - beacons;
    }
    double radios_for(double air, BandId id) const {
        if (air <= 0) return 0;
        return for_demand(id) > 0 ? air / for_demand(id) : 1e3;
    }
    /// Radios in hearing beyond the channels that do not overlap take turns, and carry no more together.
    bool channels_do(const AnswerFloor& floor, const std::vector<AnswerZone>& zones, BandId id) const {
        double air = 0;
        for (const AnswerZone& z : zones) air += z.bands[id.index].air;
        const AnswerBand& own = wish_.bands[id.index];
        const double heard_m = yemvo::reach_m(id, own.eirp_dbm, project_.settings.heard_dbm, wish_.margin_db);
        const double heard_share = std::min(1.0, M_PI * heard_m * heard_m / std::max(floor.area_m2, 1.0));
        const double at_once =
            std::min<double>(floor.access_points, answer_.channels[id.index] / heard_share);
        return air <= at_once * std::max(for_demand(id), 0.0) + 1e-9;
    }

    const Project& project_;
    const AnswerWish& wish_;
    FirstAnswer answer_;
    std::map<std::pair<std::string, BandId>, MedianLink> links_;
};

}  // namespace

AnswerRule AnswerOfBand::rule() const {
    if (by_air >= by_area && by_air >= by_clients) return AnswerRule::airtime;
    return by_clients >= by_area ? AnswerRule::clients : AnswerRule::area;
}

double reach_m(BandId id, double eirp_dbm, double level_dbm, double margin_db) {
    const double loss_db = eirp_dbm - level_dbm - margin_db;
    const double at_1_m = 20 * std::log10(band(id).reference_mhz) - 28;
    return loss_db < at_1_m ? 0 : std::pow(10, (loss_db - at_1_m) / exponent(id));
}

FirstAnswer first_answer(const Project& project, const AnswerWish& wish) {
    return Answering(project, wish).run();
}

AnswerWish usual_answer(const Project& project) {
    AnswerWish wish;
    wish.hour = project.demand.hour;
    wish.networks = std::max(1, static_cast<int>(project.demand.networks->size()));
    const AccessPointModel* best = nullptr;
    for (const AccessPointModel& m : *project.models)
        if (m.mount == Mount::ceiling && (!best || m.radios.size() > best->radios.size()) &&
            m.radios.size() <= band_count())
            best = &m;
    if (best) wish.model = best->id;
    for (const Band& b : bands()) {
        AnswerBand own;
        own.width_mhz = b.id == band_24 ? 20 : b.id == band_5 ? 40 : 80;
        own.signal_dbm = signal_asked_dbm(project, b.id);
        own.used = false;
        for (std::size_t r = 0; best && r < best->radios.size(); ++r)
            if (const RadioBand* can = radio_band(*best, r, b.id); can && !own.used) {
                own.used = true;
                own.streams = can->chains.streams;
                own.power_dbm = can->power.nearest_dbm((can->power.low_dbm + can->power.high_dbm) / 2);
                own.eirp_dbm = own.power_dbm + can->antenna.gain_dbi;
            }
        wish.bands.push_back(own);
    }
    return wish;
}

std::vector<Point> rough_positions(const std::vector<Point>& outline, int count) {
    std::vector<Point> cells;
    const auto box = bounds(outline);
    if (!box || count <= 0) return {};
    const double step = std::max(0.25, std::sqrt(area_m2(outline) / 600));
    for (double y = box->low.y + step / 2; y < box->high.y; y += step)
        for (double x = box->low.x + step / 2; x < box->high.x; x += step)
            if (contains(outline, {x, y})) cells.push_back({x, y});
    if (cells.empty()) return std::vector<Point>(static_cast<std::size_t>(count), centroid(outline));
    const auto nearest_to = [](const std::vector<Point>& among, Point p) {
        return static_cast<std::size_t>(
            std::ranges::min_element(among, {}, [&](Point q) { return distance(p, q); }) - among.begin());
    };
    // begun far from each other
    std::vector<Point> places{cells.front()};
    while (places.size() < static_cast<std::size_t>(count))
        places.push_back(*std::ranges::max_element(
            cells, {}, [&](Point c) { return distance(c, places[nearest_to(places, c)]); }));
    // each to the middle of the cells nearest to it (Lloyd)
    for (int round = 0; round < 80; ++round) {
        std::vector<Point> sum(places.size());
        std::vector<double> members(places.size(), 0);
        for (Point c : cells) {
            const std::size_t nearest = nearest_to(places, c);
            sum[nearest] = sum[nearest] + c;
            ++members[nearest];
        }
        double moved_m = 0;
        for (std::size_t k = 0; k < places.size(); ++k) {
            if (members[k] <= 0) continue;
            const Point middle = sum[k] * (1 / members[k]);
            moved_m = std::max(moved_m, distance(middle, places[k]));
            places[k] = middle;
        }
        if (moved_m < 0.01) break;
    }
    // the middle of a bent zone may lie outside of it
    for (Point& p : places)
        if (!contains(outline, p)) p = cells[nearest_to(cells, p)];
    return places;
}

std::vector<RoughPlace> rough_places(const Project& project, const FirstAnswer& answer, FloorId only) {
    std::vector<RoughPlace> all;
    for (const AnswerFloor& floor : answer.floors) {
        if (only && floor.floor != only) continue;
        const Floor& f = *find_floor(project, floor.floor);
        std::vector<const AnswerZone*> shared;
        for (const AnswerZone& z : answer.zones) {
            if (z.floor != floor.floor) continue;
            if (z.rule == AnswerRule::shared) shared.push_back(&z);
            for (Point p : rough_positions(find_zone(f, z.zone)->outline, z.access_points))
                all.push_back({floor.floor, z.zone, p});
        }
        // those for small zones stand in the ones that ask for most
        std::ranges::stable_sort(shared, std::greater(), &AnswerZone::share);
        for (int i = 0; i < floor.shared && static_cast<std::size_t>(i) < shared.size(); ++i) {
            const ZoneId zone = shared[static_cast<std::size_t>(i)]->zone;
            all.push_back({floor.floor, zone, rough_positions(find_zone(f, zone)->outline, 1).front()});
        }
    }
    return all;
}

std::vector<AccessPointId> place_as_a_start(Project& project, const AnswerWish& wish,
                                            const std::vector<RoughPlace>& places) {
    std::vector<AccessPointId> made;
    for (const RoughPlace& place : places) {
        const AccessPointId id = add_access_point(project, place.floor, wish.model, place.at);
        AccessPoint ap = *find_access_point(project, place.floor, id);
        for (Radio& r : ap.radios) {
            const AnswerBand& own = wish.bands[r.channel.band.index];
            const auto all = channels(r.channel.band, own.width_mhz);
            if (all.empty()) continue;
            // neighbours in the list on different channels
            const Channel& c = all[made.size() % all.size()];
            r = retuned(r, c.band, primaries(c).front(), c.width_mhz);
        }
        replace_access_point(project, place.floor, ap);
        made.push_back(id);
    }
    return made;
}

Project plain_site(const PlainSite& s) {
    Project p = new_project("First answer", {}, s.floors, 3.5);
    for (const Floor* f : all_floors(p)) {
        Zone z{{},
               "Floor",
               ZoneKind::served,
               {{0, 0}, {s.length_m, 0}, {s.length_m, s.width_m}, {0, s.width_m}}};
        for (const ZoneUse& use : standard_uses())
            if (use.key == s.use) z.demand = use.demand;
        if (!z.demand) throw Error(say("there is no use '%1'", s.use));
        z.demand->by = PeopleBy::count;
        z.demand->amount = s.people / s.floors;
        add_zone(p, FloorId(f->id), z);
    }
    return p;
}

}  // namespace yemvo
