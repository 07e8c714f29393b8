// SPDX-License-Identifier: GPL-3.0-or-later
// Radios whose channel, width or power is not permitted, or breaks good practice.
#include <algorithm>
#include <cmath>

#include "base/number_text.h"
#include "checks/radio_check.h"
#include "project/gear_edits.h"
#include "project/working_radio.h"
#include "tuning/permits.h"

namespace yemvo {
namespace {

/// The permitted setting that is nearest: as wide where there is one, then by frequency.
std::optional<OpenChannel> nearest_permitted(const RadioCheck& r) {
    const Channel& now = r.set().channel;
    std::optional<OpenChannel> best;
    double best_off = 1e300;
    for (OpenChannel& o : open_channels(r.c.project, r.place, r.ap, r.radio)) {
        const double off = 1e6 * std::abs(o.permit.channel.width_mhz - now.width_mhz) +
                           (o.permit.dfs ? 300 : 0) +
                           std::abs(centre_mhz(o.permit.channel) - centre_mhz(now));
        if (off < best_off) best_off = off, best = std::move(o);
    }
    return best;
}

/// True where it may work there.
bool check_channel(const RadioCheck& r) {
    const Regulation& rules = Regulation::standard();
    const std::string& country = r.c.project.settings.country;
    if (permit_of(r.c.project, r.place, r.ap, r.set().channel)) return true;
    Finding& f = r.add(Rule::channel_barred,
                       say("%1 is on %2: %3", r.name(), channel_text(r.set()),
                           rules.why_barred(country, r.set().channel, r.place, r.ap.device_class)));
    if (const auto to = nearest_permitted(r)) move_to(r, f, to->permit.channel, to->primary);
    return false;
}

void check_eirp(const RadioCheck& r) {
    const auto permit = permit_of(r.c.project, r.place, r.ap, r.set().channel);
    if (!permit) return;
    const double over_limit = limit_of(r.c.project, Rule::eirp_over);
    const WorkingRadio working = working_radio(r.c.project, r.ap, r.radio);
    double over = working.eirp_dbm() - permit->max_eirp_dbm;
    Said what = say("%1 sends %2 dBm EIRP, %3 permitted on %4", r.name(), said_figure(working.eirp_dbm(), 1),
                    said_figure(permit->max_eirp_dbm, 1), channel_text(r.set()));
    if (permit->elevation && working.eirp_dbm() > permit->elevation->max_eirp_dbm) {
        const double up = eirp_above(r.c.project, r.ap, r.radio, permit->elevation->above_deg);
        if (up - permit->elevation->max_eirp_dbm > over) {
            over = up - permit->elevation->max_eirp_dbm;
            what = say("%1 sends %2 dBm EIRP more than %3° up, %4 permitted there", r.name(),
                       said_figure(up, 1), said_figure(permit->elevation->above_deg, 0),
                       said_figure(permit->elevation->max_eirp_dbm, 1));
        }
    }
    if (over <= over_limit + 0.05) return;
    Finding& f = r.add(Rule::eirp_over, std::move(what));
    const double wanted = r.set().power_dbm - over + over_limit;
    const double given = working.can->power.nearest_dbm(std::floor(wanted * 100) / 100, wanted);
    if (given <= wanted + 1e-6)
        r.mend(f, say("Lower it to %1 dBm", said_figure(given, 1)),
               [given](Radio& radio) { radio.power_dbm = given; });
}

void check_24(const RadioCheck& r) {
    const Radio& set = r.set();
    if (set.channel.band != band_24) return;
    if (set.channel.width_mhz > limit_of(r.c.project, Rule::wide_24)) {
        Finding& f = r.add(Rule::wide_24, say("%1 is %2 MHz wide", r.name(), set.channel.width_mhz));
        move_to(r, f, {band_24, set.primary, 20}, set.primary);
    }
    constexpr int usual[] = {1, 6, 11};
    if (std::ranges::count(usual, set.primary) > 0) return;
    // a plan on 1, 5, 9 and 13 keeps clear of itself as well
    constexpr int four[] = {1, 5, 9, 13};
    bool all_four = std::ranges::count(four, set.primary) > 0;
    for (const RadioAt& other : radios_at_work(r.c.project)) {
        const Radio& o = other.set();
        if (o.channel.band == band_24 && !o.channel_open)
            all_four = all_four && std::ranges::count(four, o.primary) > 0;
    }
    if (all_four) return;
    Finding& f = r.add(Rule::odd_24, say("%1 is on %2", r.name(), set.primary));
    int to = usual[0];
    for (int n : usual)
        if (std::abs(n - set.primary) < std::abs(to - set.primary)) to = n;
    if (permit_of(r.c.project, r.place, r.ap, {band_24, to, 20})) move_to(r, f, {band_24, to, 20}, to);
}

void check_radar(const RadioCheck& r) {
    const Channel& channel = r.set().channel;
    if (channel.band != band_5) return;
    const auto permit = permit_of(r.c.project, r.place, r.ap, channel);
    const auto to_quiet = [&](Finding& f, auto fits) {
        std::optional<OpenChannel> best;
        for (OpenChannel& o : open_channels(r.c.project, r.place, r.ap, r.radio, channel.width_mhz))
            if (o.permit.channel.width_mhz == channel.width_mhz && fits(o) &&
                (!best || std::abs(centre_mhz(o.permit.channel) - centre_mhz(channel)) <
                              std::abs(centre_mhz(best->permit.channel) - centre_mhz(channel))))
                best = std::move(o);
        if (best) move_to(r, f, best->permit.channel, best->primary);
    };
    const auto seen_on = [&](const Channel& c) { return radar_seen_on(r.c.project, c); };
    const double longest = limit_of(r.c.project, Rule::long_radar_wait);
    if (permit && permit->dfs_wait_s > longest) {
        Finding& f = r.add(Rule::long_radar_wait, say("%1 is on %2: %3 s of listening before it sends",
                                                      r.name(), channel_text(r.set()), permit->dfs_wait_s));
        to_quiet(f, [&](const OpenChannel& o) {
            return o.permit.dfs_wait_s <= longest && !seen_on(o.permit.channel);
        });
    }
    if (seen_on(channel)) {
        Finding& f = r.add(Rule::radar_seen, say("%1 is on %2", r.name(), channel_text(r.set())));
        to_quiet(f, [&](const OpenChannel& o) { return !seen_on(o.permit.channel); });
    }
}

void check_scanned(const RadioCheck& r) {
    const Radio& set = r.set();
    if (set.channel.band != band_6 || is_preferred_scanning(set.primary)) return;
    Finding& f = r.add(Rule::not_scanned, say("%1 has its primary on %2", r.name(), set.primary));
    const int better = best_primary(set.channel, -1);
    if (is_preferred_scanning(better))
        r.mend(f, say("Make %1 the primary", better), [better, channel = set.channel](Radio& radio) {
            if (radio.channel == channel) radio.primary = better;
        });
}

void check_automatic(const RadioCheck& r) {
    if (!r.set().automatic) return;
    Finding& f = r.add(Rule::left_automatic, say("%1 is left to its controller", r.name()));
    r.mend(f, say("Set it by hand"), [](Radio& radio) { radio.automatic = false; });
}

/// By the client that rates are shown for: both ways have the same loss, so powers and noise figures tell.
void check_way_back(const RadioCheck& r) {
    const ClientProfile& client = yemvo::client(r.c.project, r.c.project.settings.client);
    const BandId id = r.set().channel.band;
    if (client.widest(id) <= 0) return;
    const WorkingRadio working = working_radio(r.c.project, r.ap, r.radio);
    const double out_dbm = working.power_dbm - r.c.project.settings.client_noise_figure_db;
    const double back_dbm = client.power_in_dbm(id) - working.can->noise_figure_db;
    const double most = limit_of(r.c.project, Rule::way_back_weak);
    if (out_dbm - back_dbm <= most + 0.05) return;
    Finding& f = r.add(Rule::way_back_weak, say("%1: the way back from %2 is %3 dB weaker than the way out",
                                                r.name(), client.name, said_figure(out_dbm - back_dbm, 0)));
    const double wanted = r.set().power_dbm - (out_dbm - back_dbm - most);
    const double given = working.can->power.nearest_dbm(std::floor(wanted), wanted);
    if (given <= wanted + 1e-6)
        r.mend(f, say("Lower it to %1 dBm", said_figure(given, 0)),
               [given](Radio& radio) { radio.power_dbm = given; });
}

void check_equal_powers(const Check& c, const AccessPoint& ap) {
    const Radio *low = nullptr, *high = nullptr;
    std::size_t low_at = 0;
    for (std::size_t i = 0; i < ap.radios.size(); ++i) {
        if (!is_at_work(c.project, ap, i)) continue;
        if (ap.radios[i].channel.band == band_24) low = &ap.radios[i], low_at = i;
        if (ap.radios[i].channel.band == band_5) high = &ap.radios[i];
    }
    const double least = limit_of(c.project, Rule::equal_powers);
    if (!low || !high || high->power_dbm - low->power_dbm >= least - 1e-6) return;
    const RadioCheck r{c, ap, low_at, yemvo::Place::indoors};
    Finding& f =
        r.add(Rule::equal_powers, say("access point %1 sends %2 dBm at 2.4 GHz and %3 at 5 GHz", ap.number,
                                      said_figure(low->power_dbm, 0), said_figure(high->power_dbm, 0)));
    const double wanted = high->power_dbm - least;
    const double given = working_radio(c.project, ap, low_at).can->power.nearest_dbm(wanted, wanted);
    if (given <= wanted + 1e-6)
        r.mend(f, say("Lower 2.4 GHz to %1 dBm", said_figure(given, 0)),
               [given](Radio& radio) { radio.power_dbm = given; });
}

void check_all_dfs(const Check& c, const std::vector<RadioCheck>& radios) {
    int count = 0, silenced = 0;
    bool could_else = false;  // outdoors some countries leave nothing else
    for (const RadioCheck& r : radios) {
        if (r.set().channel.band != band_5 || r.set().channel_open) continue;
        const auto permit = permit_of(c.project, r.place, r.ap, r.set().channel);
        ++count;
        silenced += permit && permit->dfs;
        for (const OpenChannel& o : open_channels(c.project, r.place, r.ap, r.radio, 20))
            could_else = could_else || !o.permit.dfs;
    }
    if (count < limit_of(c.project, Rule::all_dfs) || silenced < count || !could_else) return;
    Finding f;
    f.rule = Rule::all_dfs;
    f.floor = c.floor.id;
    f.subjects = {c.floor.id.value};
    f.what = say_counted("the %n radio of %1 at 5 GHz may be silenced by radar",
                         "all %n radios of %1 at 5 GHz may be silenced by radar", count,
                         floor_title(c.project, c.floor));
    c.out.push_back(std::move(f));
}

void check_clients_talk(const RadioCheck& r) {
    const Channel& channel = r.set().channel;
    if (!clients_talk_on(channel)) return;
    Finding& f = r.add(Rule::clients_talk, say("%1 is on %2", r.name(), channel_text(r.set())));
    for (const OpenChannel& o : open_channels(r.c.project, r.place, r.ap, r.radio, channel.width_mhz))
        if (o.permit.channel.width_mhz == channel.width_mhz && !clients_talk_on(o.permit.channel) &&
            !o.permit.dfs)
            return move_to(r, f, o.permit.channel, o.primary);
}

}  // namespace

void check_radios(const Check& c, const KnownAir* known) {
    std::vector<RadioCheck> radios;
    for (const AccessPoint& ap : access_points(c.project, c.floor.id)) {
        const yemvo::Place place = place_of(c.scene, c.floor, ap);
        for (std::size_t i = 0; i < ap.radios.size(); ++i)
            if (is_at_work(c.project, ap, i)) radios.push_back({c, ap, i, place});
        check_equal_powers(c, ap);
    }
    for (const RadioCheck& r : radios) {
        check_automatic(r);
        check_way_back(r);
        if (r.set().channel_open) continue;
        if (check_channel(r)) check_eirp(r);
        check_24(r);
        check_radar(r);
        check_scanned(r);
        check_clients_talk(r);
    }
    check_all_dfs(c, radios);
    check_heard(c, known);
}

void check_site_air(const Project& p, std::vector<Finding>& out) {
    const auto add = [&](Rule rule, Said what, std::uint32_t subject) {
        Finding f;
        f.rule = rule;
        f.what = std::move(what);
        f.subjects = {subject};
        out.push_back(std::move(f));
    };
    if (!Regulation::standard().knows(p.settings.country))
        add(Rule::no_country_data,
            say("nothing is known of the rules of %1: choose the country in Details of the site",
                p.settings.country),
            0);
    const double least = limit_of(p, Rule::slow_lowest_rate);
    for (std::size_t i = 0; i < p.demand.networks->size(); ++i) {
        const Network& n = (*p.demand.networks)[i];
        if (n.lowest_rate_mbps >= least - 1e-6) continue;
        add(Rule::slow_lowest_rate,
            say("%1 goes down to %2 Mbit/s", n.name, said_figure(n.lowest_rate_mbps, 1)),
            static_cast<std::uint32_t>(i));
    }
}

}  // namespace yemvo
