// SPDX-License-Identifier: GPL-3.0-or-later
#include "tuning/widths.h"

#include <algorithm>
#include <cmath>
#include <map>
#include <tuple>

#include "capacity/association.h"
#include "regulation/regulation.h"
#include "wireless/rates.h"

namespace yemvo {
namespace {

/// What carries as much within this share is as good.
constexpr double as_good = 0.001;

class Study {
public:
    Study(const Project& project, const Scene& scene, const SiteHearing& hearing,
          const SiteCapacity* capacity, double seconds, const CancelToken& cancel)
        : project_(project),
          scene_(scene),
          hearing_(hearing),
          capacity_(capacity && !capacity->hours.empty() && has_demand(project) ? capacity : nullptr),
          seconds_(seconds),
          cancel_(cancel),
          radios_(air_radios(project)) {}

    WidthFigures at(BandId id, int width_mhz) {
        WidthFigures f;
        f.band = id;
        f.width_mhz = width_mhz;
        const ClearChannels clear = clear_channels(project_.settings.country, id, width_mhz);
        f.clear = clear.all;
        f.clear_dfs = clear.dfs;
        f.noise_db = 10 * std::log10(width_mhz / 20.0);
        f.most_gain = carriers_gain(width_mhz);
        const Project then = all_so_wide(id, width_mhz);
        for (const AirRadio& r : air_radios(then))
            if (r.channel.band == id) {
                ++f.radios;
                f.narrower += r.channel.width_mhz < width_mhz;
            }
        tell_demand(f);
        tell_air(f, then);
        return f;
    }

private:
    static double carriers_gain(int width_mhz) {
        const Standard s = width_mhz > 160 ? Standard::be : Standard::ax;
        return *phy_rate_mbps(s, width_mhz, 1, 7, 0.8) / *phy_rate_mbps(s, 20, 1, 7, 0.8);
    }

    Project all_so_wide(BandId id, int width_mhz) const {
        RetuneAsk ask;
        ask.bands = id;
        ask.exactly_mhz = {{id, width_mhz}};
        ask.change_worth = 0;
        ask.seconds = seconds_;
        ask.dfs = DfsUse::as_others;
        const RetuneResult found = Retuning(project_, scene_, hearing_, capacity_, ask, cancel_).run(cancel_);
        cancel_.check();
        Project then = project_;
        make_changes(then, found.changes);
        return then;
    }

    /// Of the clients that are on the band today: what the width would gain them, and who knows it.
    void tell_demand(WidthFigures& f) const {
        if (!capacity_) return;
        LinkRates narrow_rates(project_, radios_), wide_rates(project_, radios_);
        for (std::size_t r = 0; r < radios_.size(); ++r) {
            if (radios_[r].channel.band != f.band) continue;
            narrow_rates.set_width(r, 20);
            wide_rates.set_width(r, f.width_mhz);
        }
        double wide = 0, narrow = 0, knows = 0, all = 0;
        for (const HourCapacity& h : capacity_->hours)
            for (const ClientCapacity& c : h.clients) {
                if (c.radio < 0) continue;
                const auto r = static_cast<std::size_t>(c.radio);
                if (radios_[r].channel.band != f.band) continue;
                const auto profile = h.heard[c.floor]->standing.clients[c.client].profile;
                const double weight = double{c.weight};
                const ClientProfile& who = (*project_.clients)[profile];
                all += weight;
                if (who.widest(f.band) >= f.width_mhz) knows += weight;
                narrow += weight * narrow_rates.down(r, profile).rate_mbps(double{c.signal_dbm});
                wide += weight * wide_rates.down(r, profile).rate_mbps(double{c.signal_dbm});
            }
        if (all > 0) f.can_use = knows / all;
        if (narrow > 0) f.gain = wide / narrow;
    }

    void tell_air(WidthFigures& f, const Project& then) const {
        const std::vector<AirRadio> radios = air_radios(then);
        std::shared_ptr<const SiteCapacity> solved;
        if (capacity_) {
            std::vector<std::shared_ptr<const HeardFloor>> heard;
            for (const auto& floor : capacity_->hours.front().heard)
                heard.push_back(heard_among(radios, floor));
            CapacitySolver solver;
            solved = solver.solve(then, radios, heard, cancel_);
            tell_capacity(f, *solved);
        }
        const SiteAir air = site_air(then, hearing_, solved.get());
        const double heard_dbm = then.settings.heard_dbm;
        double demand = 0;
        int meetings = 0;
        for (const AirMeeting& m : air_meetings(air, heard_dbm, 0))
            if (air.radios[m.a].channel.band == f.band && m.heard_dbm >= heard_dbm)
                meetings += (m.a < air.own) + (m.b < air.own);
        for (std::uint32_t i = 0; i < air.own; ++i) {
            if (air.radios[i].channel.band != f.band) continue;
            f.lost +=
                air.demand[i] * air_at(air, i, air.radios[i].channel, air.radios[i].primary, heard_dbm).lost;
            demand += air.demand[i];
        }
        if (demand > 0) f.lost /= demand;
        if (f.radios > 0) f.heard = static_cast<double>(meetings) / f.radios;
    }

    void tell_capacity(WidthFigures& f, const SiteCapacity& solved) const {
        PlaceCapacity site;
        std::map<std::tuple<FloorId, ZoneId, DeviceRowId>, PlaceCapacity> places;
        for (const HourCapacity& h : solved.hours) {
            site += h.site;
            for (const ZoneCapacity& z : h.zones) places[{z.floor, z.zone, z.row}] += z;
        }
        const auto hours = static_cast<double>(solved.hours.size());
        f.carried_mbps = (site.got_down_mbps + site.got_up_mbps) / hours;
        f.satisfied = site.satisfied_share();
        f.could_get_mbps = site.could_get_mbps / hours;
        for (const auto& [key, p] : places)
            f.places.push_back({std::get<0>(key), std::get<1>(key), std::get<2>(key), p.clients / hours,
                                p.satisfied_share(), (p.got_down_mbps + p.got_up_mbps) / hours,
                                p.could_get_mbps / hours});
    }

    const Project& project_;
    const Scene& scene_;
    const SiteHearing& hearing_;
    const SiteCapacity* capacity_;
    double seconds_;
    const CancelToken& cancel_;
    std::vector<AirRadio> radios_;
};

/// Carries more; of equals leaves more room. Without demand loses less air.
bool is_better(const WidthFigures& a, const WidthFigures& b) {
    if (!a.carried_mbps) return a.lost < b.lost - 1e-9;
    const double least = as_good * std::max(*a.carried_mbps, *b.carried_mbps);
    if (std::abs(*a.satisfied - *b.satisfied) > as_good) return *a.satisfied > *b.satisfied;
    if (std::abs(*a.carried_mbps - *b.carried_mbps) > least) return *a.carried_mbps > *b.carried_mbps;
    return *a.could_get_mbps > *b.could_get_mbps * (1 + as_good);
}

bool serves_better(const PlaceAtWidth& a, const PlaceAtWidth& b) {
    constexpr double worth_telling = 0.02;
    return a.satisfied > b.satisfied + worth_telling;
}

bool is_same(const PlaceAtWidth& a, const PlaceAtWidth& b) {
    return a.floor == b.floor && a.zone == b.zone && a.row == b.row;
}

/// The places that one of the other widths serves better, with the best of them.
void tell_otherwise(WidthStudy& study, const WidthFigures& best) {
    for (const PlaceAtWidth& here : best.places) {
        const PlaceAtWidth* better = &here;
        int width = best.width_mhz;
        for (const WidthFigures& row : study.rows) {
            if (row.band != best.band) continue;
            for (const PlaceAtWidth& p : row.places)
                if (is_same(p, here) && serves_better(p, *better)) better = &p, width = row.width_mhz;
        }
        if (better != &here)
            study.otherwise.push_back(
                {here.floor, here.zone, here.row, best.band, width, better->satisfied, here.satisfied});
    }
}

/// The width that most radios of the band have.
int common_width(const std::vector<AirRadio>& radios, BandId id) {
    std::map<int, int> count;
    for (const AirRadio& r : radios)
        if (r.channel.band == id) ++count[r.channel.width_mhz];
    const auto most = std::ranges::max_element(count, {}, [](const auto& c) { return c.second; });
    return most == count.end() ? 0 : most->first;
}

}  // namespace

const WidthFigures* WidthStudy::find(BandId id, int width_mhz) const {
    for (const WidthFigures& r : rows)
        if (r.band == id && r.width_mhz == width_mhz) return &r;
    return nullptr;
}

ClearChannels clear_channels(const std::string& country, BandId id, int width_mhz) {
    auto permits = Regulation::standard().permitted(country, id, width_mhz, Place::indoors);
    std::ranges::sort(permits, {}, [](const ChannelPermit& p) { return high_mhz(p.channel); });
    ClearChannels out;
    double up_to = 0;
    for (const ChannelPermit& p : permits) {
        if (low_mhz(p.channel) < up_to - 1e-6) continue;
        up_to = high_mhz(p.channel);
        ++out.all;
        out.dfs += p.dfs;
    }
    return out;
}

WidthStudy study_widths(const Project& project, const Scene& scene, const SiteHearing& hearing,
                        const SiteCapacity* capacity, double seconds, const CancelToken& cancel,
                        const std::function<void(double)>& progress) {
    const std::vector<AirRadio> radios = air_radios(project);
    std::vector<std::pair<BandId, int>> wanted;
    for (const Band& b : bands()) {
        if (common_width(radios, b.id) == 0) continue;
        for (int width : channel_widths_mhz())
            if (!channels(b.id, width).empty()) wanted.push_back({b.id, width});
    }
    Study study(project, scene, hearing, capacity, seconds, cancel);
    WidthStudy out;
    for (std::size_t i = 0; i < wanted.size(); ++i) {
        cancel.check();
        if (progress) progress(static_cast<double>(i) / static_cast<double>(wanted.size()));
        out.rows.push_back(study.at(wanted[i].first, wanted[i].second));
        out.rows.back().now = wanted[i].second == common_width(radios, wanted[i].first);
    }
    for (const Band& b : bands()) {
        WidthFigures* best = nullptr;
        for (WidthFigures& row : out.rows)
            // where none can be so wide it says nothing of that width
            if (row.band == b.id && row.narrower < row.radios && row.clear > 0 &&
                (!best || is_better(row, *best)))
                best = &row;
        if (!best) continue;
        best->best = true;
        tell_otherwise(out, *best);
    }
    return out;
}

}  // namespace yemvo
