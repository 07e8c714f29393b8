// SPDX-License-Identifier: GPL-3.0-or-later
#include "tuning/retune.h"

#include <algorithm>
#include <cmath>
#include <set>

#include "project/edits.h"
#include "project/gear_edits.h"
#include "tuning/pair_costs.h"

namespace yemvo {
namespace {

/// At some busy hour.
bool carries_less(const SiteCapacity& then, const SiteCapacity& now) {
    return std::ranges::any_of(then.hours, [&](const HourCapacity& h) {
        const HourCapacity* before = now.find(h.hour);
        return !before || h.site.satisfied < before->site.satisfied - 0.05 ||
               h.site.got_down_mbps < before->site.got_down_mbps * 0.999;
    });
}

/// Losing a channel to radar for some minutes, of the air that a radio uses. A planning figure.
constexpr double dfs_cost = 0.05;
/// Client devices that pair with each other are on the channel at any time. A planning figure.
constexpr double talk_cost = 0.05;
/// A wait of ten minutes after each restart weighs more.
constexpr double long_wait_cost = 0.25;

/// Every radio at a width (or its widest below it), alone on its spectrum.
Project alone_at(const Project& project, int width_mhz) {
    Project p = project;
    for (Variant& v : p.variants) {
        if (v.id != p.variant) continue;
        for (auto& [floor, list] : v.access_points)
            for (AccessPoint& ap : list.edit())
                for (std::size_t r = 0; r < ap.radios.size(); ++r) {
                    Radio& radio = ap.radios[r];
                    radio.channel_open = true;
                    const RadioBand* can = radio_band(model(p, ap.model), r, radio.channel.band);
                    int width = std::min(width_mhz, can ? can->widest_mhz : 20);
                    while (width > 20 && channels(radio.channel.band, width).empty()) width /= 2;
                    try {
                        radio = retuned(radio, radio.channel.band, radio.primary, width);
                    } catch (const InvalidChannel&) {
                        // a primary that no channel of this width has, as 2 at 6 GHz: as it is
                    }
                }
    }
    return p;
}

}  // namespace

/// Every level so much lower.
static std::shared_ptr<const HeardFloor> weaker(std::shared_ptr<const HeardFloor> floor, int down_db) {
    if (down_db == 0) return floor;
    auto out = std::make_shared<HeardFloor>(*floor);
    const auto down = [&](std::int16_t& cdbm) { cdbm = static_cast<std::int16_t>(cdbm - 100 * down_db); };
    for (HeardLevel& l : out->levels) down(l.cdbm);
    for (HeardFloor::Pair& p : out->between) down(p.heard.cdbm);
    return out;
}

AirByWidth air_by_width(const Project& project, const std::vector<std::shared_ptr<const HeardFloor>>& floors,
                        const CancelToken& cancel, int down_db) {
    AirByWidth out;
    int widest = 20;
    for (const AccessPointModel& m : *project.models)
        for (const RadioModel& r : m.radios)
            for (const RadioBand& b : r.bands) widest = std::max(widest, b.widest_mhz);
    for (int width : channel_widths_mhz()) {
        if (width > widest) break;
        cancel.check();
        const Project alone = alone_at(project, width);
        const std::vector<AirRadio> at = air_radios(alone);
        std::vector<std::shared_ptr<const HeardFloor>> heard;
        for (const auto& f : floors) heard.push_back(weaker(heard_among(at, f), down_db));
        CapacitySolver solver;
        const auto capacity = has_demand(project) ? solver.solve(alone, at, heard, cancel) : nullptr;
        const SiteAir air = site_air(alone, heard, capacity.get());
        out[width] = air.use;
    }
    return out;
}

Retuning::Retuning(const Project& project, const Scene& scene, const SiteHearing& hearing,
                   const SiteCapacity* capacity, RetuneAsk ask, const CancelToken& cancel,
                   const TuningRoom* room)
    : project_(project), air_(site_air(project, hearing, capacity)), ask_(std::move(ask)) {
    if (!air_.assumed) {
        capacity_ = std::make_shared<const SiteCapacity>(*capacity);
        const int steps = ask_.powers && room ? power_steps : 0;
        for (int k = 0; k <= steps; ++k)
            by_width_.push_back(
                air_by_width(project, capacity->hours.front().heard, cancel, k * power_step_db));
    }
    if (room) room_ = *room;
    instance_.heard_dbm = project.settings.heard_dbm;
    instance_.change_cost = ask_.change_worth;
    neighbours_of_.resize(air_.own);
    for (const HeardRadio& h : air_.hearing)
        if (h.heard >= air_.own) neighbours_of_[h.listener].push_back(h);
    for (std::uint32_t i = 0; i < air_.own; ++i) add_radio(scene, i);
    add_pairs();
}

double Retuning::air_at_width(std::uint32_t radio, int width_mhz, int down_db) const {
    // beacons and the like go out at any time
    constexpr double least = 0.002;
    const auto step = static_cast<std::size_t>(down_db / power_step_db);
    if (step < by_width_.size()) {
        const auto at = by_width_[step].find(width_mhz);
        if (at != by_width_[step].end()) return std::max(least, at->second[radio]);
    }
    if (!air_.assumed) return air_.use[radio];
    // what does not shrink with the width: preambles, waiting, answers
    constexpr double fixed = 0.3;
    return assumed_use * (fixed + (1 - fixed) * air_.radios[radio].channel.width_mhz / width_mhz);
}

/// A hundredth of the radio's demand for each 10 dB too much: it decides between plans that are alike in air.
double Retuning::way_back_cost(std::uint32_t radio, double power_dbm) const {
    const AirRadio& own = air_.radios[radio];
    const ClientProfile& who = client(project_, project_.settings.client);
    if (!ask_.powers || who.widest(own.channel.band) <= 0) return 0;
    const double out_dbm = power_dbm - project_.settings.client_noise_figure_db;
    const double back_dbm = who.power_in_dbm(own.channel.band) - own.noise_figure_db;
    return air_.demand[radio] * 0.001 * std::max(0.0, out_dbm - back_dbm - ask_.way_back_db);
}

void Retuning::add_pairs() {
    std::map<std::uint32_t, std::uint32_t> at;
    for (std::uint32_t k = 0; k < of_.size(); ++k) at[of_[k]] = k;
    std::map<std::pair<std::uint32_t, std::uint32_t>, TunedPair> pairs;
    for (const HeardRadio& h : air_.hearing) {
        if (!at.contains(h.listener) || !at.contains(h.heard)) continue;
        if (air_.radios[h.listener].channel.band != air_.radios[h.heard].channel.band) continue;
        if (heard_share(h.dbm - instance_.heard_dbm) <= 0) continue;
        const std::uint32_t listener = at[h.listener], heard = at[h.heard];
        const auto key = std::minmax(listener, heard);
        TunedPair& p = pairs.try_emplace({key.first, key.second}, TunedPair{key.first, key.second, 2, {}, {}})
                           .first->second;
        const double loss_db = air_.radios[h.heard].power_dbm - h.dbm;
        (heard == p.a ? p.loss_ab_db : p.loss_ba_db) = loss_db;
    }
    constexpr double never_heard_db = 1000;
    for (auto& [key, p] : pairs) {
        if (!p.loss_ab_db) p.loss_ab_db = never_heard_db;
        if (!p.loss_ba_db) p.loss_ba_db = never_heard_db;
        instance_.pairs.push_back(p);
    }
}

/// Whether what is asked leaves a permitted channel to a radio.
bool Retuning::may_take(const AirRadio& own, const OpenChannel& open) const {
    const Channel& c = open.permit.channel;
    if (!ask_.widths && !ask_.exactly_mhz.contains(c.band) && c.width_mhz != own.channel.width_mhz)
        return false;
    // a wide one at 2.4 GHz goes by its primary
    const int at_24 = c.width_mhz > 20 ? open.primary : c.number;
    if (c.band == band_24 && std::ranges::count(ask_.channels_24, at_24) == 0) return false;
    if (open.permit.dfs && ask_.dfs == DfsUse::never) return false;
    if (const auto out = ask_.left_out.find(c.band); out != ask_.left_out.end())
        for (const int inside : primaries(c))
            if (std::ranges::count(out->second, inside) > 0) return false;
    return !radar_seen_on(project_, c);
}

TunedSetting Retuning::setting(std::uint32_t radio, const Channel& c, int primary, double power_dbm,
                               double more) const {
    const double air = air_at_width(radio, c.width_mhz);
    return {c, primary, power_dbm,
            air_.demand[radio] * (air * (1 + more) + lost_to_neighbours(radio, c, primary)) +
                way_back_cost(radio, power_dbm),
            air};
}

/// Share of time that other people take, who stay where they are.
double Retuning::lost_to_neighbours(std::uint32_t radio, const Channel& c, int primary) const {
    double lost = 0;
    for (const HeardRadio& h : neighbours_of_[radio]) {
        const AirRadio& other = air_.radios[h.heard];
        lost += air_share(c, primary, other.channel, other.primary) *
                heard_share(h.dbm - project_.settings.heard_dbm) * air_.use[h.heard];
    }
    return lost;
}

int Retuning::widest_asked(const AirRadio& own) const {
    if (const auto exactly = ask_.exactly_mhz.find(own.channel.band); exactly != ask_.exactly_mhz.end())
        return exactly->second;
    if (!ask_.widths) return own.channel.width_mhz;
    const auto most = ask_.widest_mhz.find(own.channel.band);
    return most == ask_.widest_mhz.end() ? channel_widths_mhz().back() : most->second;
}

void Retuning::allow_channels(TunedRadio& out, std::uint32_t i, Place place, const AccessPoint& ap) {
    const AirRadio& own = air_.radios[i];
    const Radio& set = ap.radios[own.radio];
    const RadioBand& can = *radio_band(model(project_, ap.model), own.radio, own.channel.band);
    const int widest = widest_asked(own);
    const std::vector<OpenChannel> all = open_channels(project_, place, ap, own.radio, widest);
    int exactly = 0;
    if (ask_.exactly_mhz.contains(own.channel.band))
        for (const OpenChannel& open : all)
            if (may_take(own, open)) exactly = std::max(exactly, open.permit.channel.width_mhz);
    std::set<int> takes_rate;  // widths on which a requirement would no longer hold
    if (room_ && exactly == 0)
        for (const int width : channel_widths_mhz())
            if (width != own.channel.width_mhz && !room_->room_db({own.access_point, own.radio}, width))
                takes_rate.insert(width);
    for (const OpenChannel& open : all) {
        if (exactly > 0 && open.permit.channel.width_mhz != exactly) continue;
        if (takes_rate.contains(open.permit.channel.width_mhz)) continue;
        if (!may_take(own, open)) continue;
        const double power = power_within(project_, ap, own.radio, open.permit.max_eirp_dbm);
        const double given = can.power.nearest_dbm(power, power);
        if (given > power + 1e-6) continue;  // it cannot go down so far
        const bool costs = open.permit.dfs && ask_.dfs == DfsUse::only_if_worth;
        double more = !costs ? 0 : open.permit.wait_name.empty() ? dfs_cost : long_wait_cost;
        if (clients_talk_on(open.permit.channel)) more += talk_cost;
        out.allowed.push_back(setting(i, open.permit.channel, open.primary, given, more));
        if (!set.channel_open && open.permit.channel == set.channel && open.primary == set.primary)
            out.now = static_cast<int>(out.allowed.size()) - 1;
    }
    if (out.allowed.empty())
        cannot_.push_back(say("Access point %1 has no permitted channel at %2 GHz", own.number,
                              band(own.channel.band).name));
}

void Retuning::add_radio(const Scene& scene, std::uint32_t i) {
    const AirRadio& own = air_.radios[i];
    if (!ask_.bands.contains(own.channel.band)) return;
    const Floor& floor = *find_floor(project_, own.floor);
    const AccessPoint& ap = *find_access_point(project_, own.floor, own.access_point);
    const Radio& set = ap.radios[own.radio];
    const bool asked = ask_.only.empty() || std::ranges::count(ask_.only, own.access_point) > 0;
    TunedRadio out;
    out.name = std::to_string(own.number) + "/" + std::to_string(own.radio + 1);
    out.weight = air_.demand[i];
    if (asked && !set.locked) allow_channels(out, i, place_of(scene, floor, ap), ap);
    if (out.allowed.empty()) {
        if (set.channel_open) return;  // nobody chose one, and nobody may: it meets nobody
        out.allowed.push_back(setting(i, set.channel, set.primary, set.power_dbm, 0));
        out.now = 0;
        out.locked = true;
    }
    of_.push_back(i);
    instance_.radios.push_back(std::move(out));
}

/// Two settings a radio: the present one, and the one chosen; changes cost nothing.
RetuneInstance Retuning::plain(const Chosen& chosen) const {
    RetuneInstance out = instance_;
    out.change_cost = 0;
    for (std::size_t k = 0; k < of_.size(); ++k) {
        TunedRadio& r = out.radios[k];
        const AirRadio& own = air_.radios[of_[k]];
        TunedSetting now;
        if (r.now >= 0) {
            now = r.allowed[static_cast<std::size_t>(r.now)];
        } else {
            const double air = air_.use[of_[k]];
            const double others = own.channel_open ? 0 : lost_to_neighbours(of_[k], own.channel, own.primary);
            now = {own.channel, own.primary, own.power_dbm,
                   r.weight * (air + others) + way_back_cost(of_[k], own.power_dbm),
                   own.channel_open ? 0 : air};
        }
        r.allowed = {now, chosen[k]};
        r.now = 0;
    }
    return out;
}

Retuning::Chosen Retuning::chosen_of(const Assignment& at) const {
    Chosen out;
    for (std::size_t k = 0; k < at.size(); ++k) out.push_back(instance_.radios[k].allowed[at[k]]);
    return out;
}

RetuneChange Retuning::change_of(std::size_t k, const TunedSetting& to) const {
    const AirRadio& own = air_.radios[of_[k]];
    RetuneChange c;
    c.floor = own.floor;
    c.access_point = own.access_point;
    c.number = own.number;
    c.radio = own.radio;
    c.before = find_access_point(project_, own.floor, own.access_point)->radios[own.radio];
    c.after = c.before;
    c.after.channel = to.channel;
    c.after.primary = to.primary;
    c.after.power_dbm = std::min(c.before.power_dbm, to.power_dbm);
    c.after.channel_open = false;
    return c;
}

RetuneResult Retuning::tell(const Chosen& chosen) const {
    const RetuneInstance all = plain(chosen);
    const PairCosts costs(all);
    const Assignment now(of_.size(), 0);
    Assignment then(of_.size(), 0);
    const auto same = [](const TunedSetting& a, const TunedSetting& b) {
        return a.channel == b.channel && a.primary == b.primary && a.power_dbm == b.power_dbm &&
               a.air == b.air;
    };
    for (std::size_t k = 0; k < of_.size(); ++k)
        then[k] = same(all.radios[k].allowed[0], all.radios[k].allowed[1]) ? 0 : 1;
    RetuneResult out;
    out.radios = of_.size();
    // whatever is changed, no radio takes less than by itself
    for (std::size_t k = 0; k < of_.size(); ++k)
        out.lower_bound +=
            std::min(std::ranges::min(instance_.radios[k].allowed, {}, &TunedSetting::cost).cost,
                     all.radios[k].allowed[then[k]].cost);
    out.before = costs.total(now);
    out.after = costs.total(then);
    out.cannot = cannot_;
    Assignment without = then;
    for (std::size_t k = 0; k < of_.size(); ++k) {
        if (then[k] == 0) continue;
        RetuneChange c = change_of(k, all.radios[k].allowed[1]);
        if (c.after == c.before) continue;
        without[k] = 0;
        c.gain = costs.total(without) - out.after;
        without[k] = 1;
        out.changes.push_back(std::move(c));
    }
    std::ranges::stable_sort(out.changes, std::greater{}, &RetuneChange::gain);
    return out;
}

/// Each on the channel that it has, with its present power or less, as far as it may.
RetuneInstance Retuning::with_powers(const Chosen& chosen) const {
    RetuneInstance out = instance_;
    for (std::size_t k = 0; k < of_.size(); ++k) {
        TunedRadio& r = out.radios[k];
        const AirRadio& own = air_.radios[of_[k]];
        const AccessPoint& ap = *find_access_point(project_, own.floor, own.access_point);
        const RadioBand& can = *radio_band(model(project_, ap.model), own.radio, own.channel.band);
        r.allowed = {chosen[k]};
        r.now = 0;
        if (r.locked) continue;
        const double room =
            room_->room_db({own.access_point, own.radio}, chosen[k].channel.width_mhz).value_or(0);
        const double lost =
            air_.demand[of_[k]] * lost_to_neighbours(of_[k], chosen[k].channel, chosen[k].primary);
        for (int step = 0; step <= power_steps; ++step) {
            const int down = step * power_step_db;
            const double wanted = own.power_dbm - down;
            const double given = can.power.nearest_dbm(wanted, wanted);
            // a model with coarse steps may go lower than asked, and no lower than there is room for
            if (given > wanted + 1e-6 || own.power_dbm - given > room + 1e-6) continue;
            if (given > chosen[k].power_dbm + 1e-6) continue;
            TunedSetting s = chosen[k];
            s.power_dbm = given;
            s.air = air_at_width(of_[k], s.channel.width_mhz, down);
            s.cost = air_.demand[of_[k]] * s.air + lost + way_back_cost(of_[k], given);
            if (s.power_dbm == chosen[k].power_dbm)
                r.allowed.front() = s;
            else
                r.allowed.push_back(s);
        }
    }
    return out;
}

/// Every channel again, with the power that each has by now.
RetuneInstance Retuning::with_channels(const Chosen& chosen) const {
    RetuneInstance out = instance_;
    for (std::size_t k = 0; k < of_.size(); ++k) {
        const double down_db = air_.radios[of_[k]].power_dbm - chosen[k].power_dbm;
        const int step = std::clamp(static_cast<int>(std::lround(down_db / power_step_db)), 0, power_steps);
        for (TunedSetting& s : out.radios[k].allowed) {
            const double before = s.air;
            s.power_dbm = std::min(s.power_dbm, chosen[k].power_dbm);
            s.air = air_at_width(of_[k], s.channel.width_mhz, step * power_step_db);
            s.cost += air_.demand[of_[k]] * (s.air - before);
        }
    }
    return out;
}

/// Powers, then channels once more; true where something got better.
bool Retuning::tune_powers(Chosen& chosen, const SearchWish& wish, const CancelToken& cancel) const {
    if (!ask_.powers || !room_ || !room_->unknown.empty() || of_.empty()) return false;
    bool any = false;
    for (const bool powers : {true, false}) {
        if (cancel.cancelled()) break;
        const RetuneInstance next = powers ? with_powers(chosen) : with_channels(chosen);
        const SearchResult found = search(next, wish, cancel);
        Chosen better;
        for (std::size_t k = 0; k < of_.size(); ++k)
            better.push_back(next.radios[k].allowed[found.chosen[k]]);
        const double then = tell(better).after, now = tell(chosen).after;
        any = any || then < now - 1e-12;
        if (then <= now) chosen = std::move(better);
    }
    return any;
}

/// 2.4 GHz radios that nobody needs, those first that take most air from others; each only where no busy hour
/// carries less by it. Two that hear each other do not both go: each may be what the other leaves.
void Retuning::switch_off(RetuneResult& result, const CancelToken& cancel) const {
    if (!ask_.off || !room_ || !room_->unknown.empty() || room_->totals.empty() || !capacity_) return;
    std::vector<std::pair<double, std::size_t>> order;  // air taken from others
    for (std::size_t k = 0; k < of_.size(); ++k) {
        const AirRadio& own = air_.radios[of_[k]];
        if (own.channel.band != band_24 || instance_.radios[k].locked) continue;
        if (!room_->can_go({own.access_point, own.radio})) continue;
        order.push_back(
            {air_at(air_, of_[k], own.channel, own.primary, project_.settings.heard_dbm).taken, k});
    }
    std::ranges::stable_sort(order, std::greater{}, [](const auto& o) { return o.first; });
    std::set<std::uint32_t> off;
    auto now = capacity_after(result.changes, cancel);
    for (const auto& [taken, k] : order) {
        if (cancel.cancelled()) return;
        if (has_gone_beside(of_[k], off)) continue;
        std::vector<RetuneChange> with = result.changes;
        std::erase_if(with, [&, &own = air_.radios[of_[k]]](const RetuneChange& x) {
            return x.access_point == own.access_point && x.radio == own.radio;
        });
        RetuneChange change = change_of(k, instance_.radios[k].allowed.front());
        change.after = change.before;
        change.after.on = false;
        change.gain = air_.demand[of_[k]] * taken;
        with.push_back(std::move(change));
        auto then = capacity_after(with, cancel);
        if (carries_less(*then, *now)) continue;
        off.insert(of_[k]);
        result.changes = std::move(with);
        now = std::move(then);
    }
}

bool Retuning::has_gone_beside(std::uint32_t radio, const std::set<std::uint32_t>& off) const {
    return std::ranges::any_of(air_.hearing, [&](const HeardRadio& h) {
        return h.dbm >= project_.settings.heard_dbm && ((h.listener == radio && off.contains(h.heard)) ||
                                                        (h.heard == radio && off.contains(h.listener)));
    });
}

RetuneResult Retuning::run(const CancelToken& cancel,
                           const std::function<void(const RetuneResult&)>& better) const {
    SearchWish wish;
    wish.seed = ask_.seed;
    wish.seconds = ask_.seconds;
    wish.exact_seconds = ask_.seconds;
    if (better) wish.better = [&](const Assignment& at, double) { better(tell(chosen_of(at))); };
    const SearchResult found = search(instance_, wish, cancel);
    Chosen chosen = chosen_of(found.chosen);
    wish.better = {};
    const bool by_power = tune_powers(chosen, wish, cancel);
    RetuneResult out = tell(chosen);
    out.proven = found.proven && !by_power;
    out.out_of_time = found.out_of_time;
    out.worst_start = found.worst_start;
    out.seconds = found.seconds;
    out.parts = found.parts;
    if (!cancel.cancelled()) switch_off(out, cancel);
    if ((ask_.powers || ask_.off) && room_)
        for (const std::string& name : room_->unknown)
            out.cannot.push_back(say("Powers stay as they are: nobody knows what less does to \"%1\"", name));
    if (!cancel.cancelled()) carry(out, cancel);
    return out;
}

/// Who is heard where does not change with channels, and falls with powers.
std::shared_ptr<const SiteCapacity> Retuning::capacity_after(const std::vector<RetuneChange>& changes,
                                                             const CancelToken& cancel) const {
    Project after = project_;
    make_changes(after, changes);
    const std::vector<AirRadio> radios = air_radios(after);
    std::map<RadioRef, int> down;  // by how much each comes down [hundredths of a dB]
    for (const RetuneChange& c : changes)
        down[{c.access_point, c.radio}] =
            static_cast<int>(std::lround(100 * (c.before.power_dbm - c.after.power_dbm)));
    std::vector<std::shared_ptr<const HeardFloor>> heard;
    for (const auto& f : capacity_->hours.front().heard) {
        auto floor = std::make_shared<HeardFloor>(*heard_among(radios, f));
        const auto lower = [&](HeardLevel& l) {
            const auto at = down.find({radios[l.radio].access_point, radios[l.radio].radio});
            if (at != down.end()) l.cdbm = static_cast<std::int16_t>(l.cdbm - at->second);
        };
        for (HeardLevel& l : floor->levels) lower(l);
        for (HeardFloor::Pair& p : floor->between) lower(p.heard);
        heard.push_back(std::move(floor));
    }
    CapacitySolver solver;
    return solver.solve(after, radios, heard, cancel);
}

void Retuning::carry(RetuneResult& result, const CancelToken& cancel) const {
    if (!capacity_) return;
    const auto solved = capacity_after(result.changes, cancel);
    for (const HourCapacity& now : capacity_->hours)
        if (const HourCapacity* then = solved->find(now.hour))
            result.hours.push_back({now.hour, now.site.satisfied_share(), then->site.satisfied_share(),
                                    now.site.got_down_mbps + now.site.got_up_mbps,
                                    then->site.got_down_mbps + then->site.got_up_mbps});
}

void make_changes(Project& project, std::span<const RetuneChange> changes) {
    for (const RetuneChange& c : changes) {
        const std::vector<AccessPoint>& here = access_points(project, c.floor);
        auto at = std::ranges::find(here, c.access_point, &AccessPoint::id);
        if (at == here.end()) at = std::ranges::find(here, c.number, &AccessPoint::number);
        if (at == here.end() || c.radio >= at->radios.size()) continue;
        AccessPoint ap = *at;
        ap.radios[c.radio] = c.after;
        replace_access_point(project, c.floor, ap);
    }
}

}  // namespace yemvo
