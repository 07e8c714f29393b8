// SPDX-License-Identifier: GPL-3.0-or-later
#include "tuning/retune.h"

#include <algorithm>

#include "project/edits.h"
#include "project/gear_edits.h"
#include "tuning/pair_costs.h"

namespace yemvo {
namespace {

/// Losing a channel to radar for some minutes, of the air that a radio uses. A planning figure.
constexpr double dfs_cost = 0.05;
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

AirByWidth air_by_width(const Project& project, const std::vector<std::shared_ptr<const HeardFloor>>& floors,
                        const CancelToken& cancel) {
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
        for (const auto& f : floors) heard.push_back(heard_among(at, f));
        CapacitySolver solver;
        const auto capacity = has_demand(project) ? solver.solve(alone, at, heard, cancel) : nullptr;
        const SiteAir air = site_air(alone, heard, capacity.get());
        out[width] = air.use;
    }
    return out;
}

Retuning::Retuning(const Project& project, const Scene& scene, const SiteHearing& hearing,
                   const SiteCapacity* capacity, RetuneAsk ask, const CancelToken& cancel)
    : project_(project), air_(site_air(project, hearing, capacity)), ask_(std::move(ask)) {
    if (!air_.assumed) {
        capacity_ = std::make_shared<const SiteCapacity>(*capacity);
        by_width_ = air_by_width(project, capacity->hours.front().heard, cancel);
    }
    instance_.heard_dbm = project.settings.heard_dbm;
    instance_.change_cost = ask_.change_worth;
    neighbours_of_.resize(air_.own);
    for (const HeardRadio& h : air_.hearing)
        if (h.heard >= air_.own) neighbours_of_[h.listener].push_back(h);
    for (std::uint32_t i = 0; i < air_.own; ++i) add_radio(scene, i);
    add_pairs();
}

double Retuning::air_at_width(std::uint32_t radio, int width_mhz) const {
    // beacons and the like go out at any time
    constexpr double least = 0.002;
    const auto at = by_width_.find(width_mhz);
    if (at != by_width_.end()) return std::max(least, at->second[radio]);
    if (!air_.assumed) return air_.use[radio];
    // what does not shrink with the width: preambles, waiting, answers
    constexpr double fixed = 0.3;
    return assumed_use * (fixed + (1 - fixed) * air_.radios[radio].channel.width_mhz / width_mhz);
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
    return !radar_seen_on(project_, c);
}

TunedSetting Retuning::setting(std::uint32_t radio, const Channel& c, int primary, double power_dbm,
                               double more) const {
    const double air = air_at_width(radio, c.width_mhz);
    return {c, primary, power_dbm,
            air_.demand[radio] * (air * (1 + more) + lost_to_neighbours(radio, c, primary)), air};
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
    for (const OpenChannel& open : all) {
        if (exactly > 0 && open.permit.channel.width_mhz != exactly) continue;
        if (!may_take(own, open)) continue;
        const double power = power_within(project_, ap, own.radio, open.permit.max_eirp_dbm);
        const double given = can.power.nearest_dbm(power, power);
        if (given > power + 1e-6) continue;  // it cannot go down so far
        const bool costs = open.permit.dfs && ask_.dfs == DfsUse::only_if_worth;
        const double more = !costs ? 0 : open.permit.wait_name.empty() ? dfs_cost : long_wait_cost;
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

/// Without what a change has to be worth, and with the present setting of each radio, where that is none of
/// those that it may take, as one more.
RetuneInstance Retuning::plain(Assignment& now) const {
    RetuneInstance out = instance_;
    out.change_cost = 0;
    for (std::size_t k = 0; k < of_.size(); ++k) {
        TunedRadio& r = out.radios[k];
        if (r.now < 0) {
            const AirRadio& own = air_.radios[of_[k]];
            const double air = air_.use[of_[k]];
            const double others = own.channel_open ? 0 : lost_to_neighbours(of_[k], own.channel, own.primary);
            r.allowed.push_back({own.channel, own.primary, own.power_dbm, r.weight * (air + others),
                                 own.channel_open ? 0 : air});
        }
        now.push_back(r.now < 0 ? static_cast<std::uint32_t>(r.allowed.size() - 1)
                                : static_cast<std::uint32_t>(r.now));
    }
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

RetuneResult Retuning::tell(const Assignment& chosen) const {
    Assignment now;
    const RetuneInstance all = plain(now);
    const PairCosts costs(all);
    RetuneResult out;
    out.radios = of_.size();
    // whatever is changed, no radio takes less than by itself
    for (const TunedRadio& r : all.radios)
        out.lower_bound += std::ranges::min(r.allowed, {}, &TunedSetting::cost).cost;
    out.before = costs.total(now);
    out.after = costs.total(chosen);
    out.cannot = cannot_;
    Assignment without = chosen;
    for (std::size_t k = 0; k < of_.size(); ++k) {
        if (chosen[k] == now[k]) continue;
        RetuneChange c = change_of(k, all.radios[k].allowed[chosen[k]]);
        without[k] = now[k];
        c.gain = costs.total(without) - out.after;
        without[k] = chosen[k];
        out.changes.push_back(std::move(c));
    }
    std::ranges::stable_sort(out.changes, std::greater{}, &RetuneChange::gain);
    return out;
}

RetuneResult Retuning::run(const CancelToken& cancel,
                           const std::function<void(const RetuneResult&)>& better) const {
    SearchWish wish;
    wish.seed = ask_.seed;
    wish.seconds = ask_.seconds;
    wish.exact_seconds = ask_.seconds;
    if (better) wish.better = [&](const Assignment& chosen, double) { better(tell(chosen)); };
    const SearchResult found = search(instance_, wish, cancel);
    RetuneResult out = tell(found.chosen);
    out.proven = found.proven;
    out.out_of_time = found.out_of_time;
    out.worst_start = found.worst_start;
    out.seconds = found.seconds;
    out.parts = found.parts;
    if (!cancel.cancelled()) carry(out, cancel);
    return out;
}

/// Who is heard where does not change with channels, but for a power that has to come down: levels are those
/// of now.
void Retuning::carry(RetuneResult& result, const CancelToken& cancel) const {
    if (!capacity_) return;
    Project after = project_;
    make_changes(after, result.changes);
    const std::vector<AirRadio> radios = air_radios(after);
    std::vector<std::shared_ptr<const HeardFloor>> heard;
    for (const auto& f : capacity_->hours.front().heard) heard.push_back(heard_among(radios, f));
    CapacitySolver solver;
    const auto solved = solver.solve(after, radios, heard, cancel);
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
