// SPDX-License-Identifier: GPL-3.0-or-later
#include "capture/air_audit.h"

#include <algorithm>
#include <cmath>
#include <map>
#include <set>

#include "base/number_text.h"
#include "base/utf8.h"
#include "regulation/regulation.h"
#include "wireless/frame_time.h"

namespace yemvo {
namespace {

constexpr double most_use = 0.5, most_retries = 0.2, near_share = 0.8, most_beacons = 0.1;
constexpr int most_networks = 4, usual_24[] = {1, 6, 11};
constexpr double least_rate_mbps = 6;

bool overlap_in_spectrum(const Channel& a, const Channel& b) {
    return a.band == b.band && low_mhz(a) < high_mhz(b) - 1e-6 && low_mhz(b) < high_mhz(a) - 1e-6;
}

Said name_of(const HeardNetwork& n) {
    return n.ssid.empty() ? say("hidden %1", address_text(n.bssid)) : Said(as_utf8(n.ssid));
}

class Audit {
public:
    Audit(const HeardAir& air, const std::string& country) : air_(air), country_(country) {}

    std::vector<AuditLine> run() {
        wide_24();
        odd_24();
        use();
        retries();
        width();
        if (Regulation::standard().knows(country_)) {
            barred();
            radar();
        }
        networks_of_radio();
        beacons();
        lowest_rate();
        scanned();
        std::ranges::stable_sort(lines_, {}, &AuditLine::outcome);
        return std::move(lines_);
    }

private:
    AuditLine& add(std::string_view key, std::string_view name, std::string limit) {
        AuditLine line;
        line.key = key;
        line.name = name;
        line.limit = std::move(limit);
        lines_.push_back(std::move(line));
        return lines_.back();
    }
    /// Names of the first three that a line is about.
    Said names(const std::vector<std::size_t>& networks) const {
        std::vector<Said> parts;
        for (std::size_t i = 0; i < networks.size() && i < 3; ++i)
            parts.push_back(name_of(air_.networks[networks[i]]));
        if (networks.size() > 3) parts.push_back(say("%1 more", networks.size() - 3));
        return Said::joined(", ", std::move(parts));
    }
    /// Networks of a band of which something is true.
    template <class Is>
    std::vector<std::size_t> those(const Is& is) const {
        std::vector<std::size_t> out;
        for (std::size_t i = 0; i < air_.networks.size(); ++i)
            if (is(air_.networks[i])) out.push_back(i);
        return out;
    }
    bool any(BandId band) const {
        return std::ranges::any_of(air_.networks, [&](const HeardNetwork& n) { return n.band == band; });
    }
    void fail(AuditLine& line, std::vector<std::size_t> networks, Said what) const {
        line.outcome = AuditOutcome::fails;
        line.networks = std::move(networks);
        line.what = std::move(what);
    }
    static void untold(AuditLine& line, Said what) {
        line.outcome = AuditOutcome::untold;
        line.what = std::move(what);
    }

    void wide_24() {
        AuditLine& line = add("wide-24", mark("40 MHz at 2.4 GHz"), "20 MHz");
        if (!any(band_24)) return untold(line, say("nothing was heard at 2.4 GHz"));
        const auto wide =
            those([](const HeardNetwork& n) { return n.band == band_24 && n.channel.width_mhz > 20; });
        if (wide.empty())
            line.what = say("all channels at 2.4 GHz are 20 MHz wide");
        else
            fail(line, wide,
                 say("%1: takes two of the three channels that keep clear of each other", names(wide)));
    }
    void odd_24() {
        AuditLine& line = add("odd-24", mark("Odd channel at 2.4 GHz"), "1, 6, 11");
        if (!any(band_24)) return untold(line, say("nothing was heard at 2.4 GHz"));
        const auto odd = those([](const HeardNetwork& n) {
            return n.band == band_24 && n.channel.width_mhz == 20 &&
                   std::ranges::count(usual_24, n.primary) == 0;
        });
        if (odd.empty())
            line.what = say("all are on 1, 6 or 11");
        else
            fail(line, odd,
                 say("%1: lies across two channels that others use, disturbs both and shares neither",
                     names(odd)));
    }
    void use() {
        AuditLine& line = add("channel-full", mark("Use of a channel"), "≤ 50 %");
        std::vector<std::size_t> full;
        double most = -1;
        std::size_t fullest = 0;
        for (std::size_t i = 0; i < air_.networks.size(); ++i) {
            const double share = air_.networks[i].utilisation.value_or(-1);
            if (share > most_use) full.push_back(i);
            if (share > most) most = share, fullest = i;
        }
        if (most < 0) return untold(line, say("no radio tells how much of its channel is in use"));
        const HeardNetwork& n = air_.networks[fullest];
        Said what = say("%1 hears %2 in use on channel %3 at %4 GHz", name_of(n), format_percent(most, 0),
                        n.primary, band(n.band).name);
        if (!full.empty()) return fail(line, std::move(full), std::move(what));
        line.what = std::move(what);
        line.networks = {fullest};
        if (most > near_share * most_use) line.outcome = AuditOutcome::near;
    }
    void retries() {
        AuditLine& line = add("retries", mark("Retries"), "≤ 20 %");
        const auto enough = those([](const HeardNetwork& n) { return n.retries().has_value(); });
        if (enough.empty()) return untold(line, say("too few data frames were heard to tell"));
        const auto share = [&](std::size_t i) { return *air_.networks[i].retries(); };
        const std::size_t worst = *std::ranges::max_element(enough, {}, share);
        std::vector<std::size_t> many;
        for (std::size_t i : enough)
            if (share(i) > most_retries) many.push_back(i);
        Said what = say("%1: %2 of its frames were sent again", name_of(air_.networks[worst]),
                        format_percent(share(worst), 0));
        if (!many.empty()) return fail(line, std::move(many), std::move(what));
        line.what = std::move(what);
        if (share(worst) > near_share * most_retries) line.outcome = AuditOutcome::near;
    }
    /// A wide channel whose parts others use is no gain to anybody.
    void width() {
        AuditLine& line = add("width", mark("Width for the radios heard"), "≤ 2");
        std::vector<std::size_t> crowded, close;
        for (std::size_t i = 0; i < air_.networks.size(); ++i) {
            if (air_.networks[i].channel.width_mhz <= 20) continue;
            const std::size_t count = sharing_air(air_, i).size();
            if (count > 2)
                crowded.push_back(i);
            else if (count > 0)
                close.push_back(i);
        }
        if (!crowded.empty()) {
            const auto others = sharing_air(air_, crowded.front()).size();
            return fail(line, crowded,
                        say("%1: %2 other radios are heard on its %3 MHz", names({crowded.front()}), others,
                            air_.networks[crowded.front()].channel.width_mhz));
        }
        if (close.empty()) {
            line.what = say("no wide channel lies over another radio's");
            return;
        }
        line.outcome = AuditOutcome::near;
        line.networks = close;
        line.what = say("%1: others are heard within its width", names(close));
    }
    void barred() {
        AuditLine& line = add("channel-barred", mark("Channel that the country bars"), country_);
        const auto bad = those(
            [&](const HeardNetwork& n) { return !Regulation::standard().in_database(country_, n.channel); });
        if (bad.empty())
            line.what = say("all channels are free in this country");
        else
            fail(line, bad,
                 say("%1: %2", names(bad),
                     Regulation::standard().why_barred(country_, air_.networks[bad.front()].channel,
                                                       Place::indoors)));
    }
    void radar() {
        AuditLine& line = add("long-radar-wait", mark("Channel of weather radars"), "none");
        if (!any(band_5)) return untold(line, say("nothing was heard at 5 GHz"));
        const auto on = those([&](const HeardNetwork& n) {
            const auto permit = Regulation::standard().in_database(country_, n.channel);
            return permit && permit->dfs_wait_s > Regulation::standard().own().usual_wait_s;
        });
        if (on.empty())
            line.what = say("no channel has to wait for more than a minute");
        else
            fail(line, on, say("%1: ten minutes of silence before it sends", names(on)));
    }
    void networks_of_radio() {
        AuditLine& line = add("many-networks", mark("Networks on a radio"), "≤ 4");
        std::size_t most = 0, which = 0;
        for (std::size_t r = 0; r < air_.radios.size(); ++r) {
            std::size_t count = air_.radios[r].networks.size();
            for (std::size_t i : air_.radios[r].networks) count += air_.networks[i].more_ssids.size();
            if (count > most) most = count, which = r;
        }
        if (most == 0) return untold(line, say("no network was heard"));
        const std::vector<std::size_t>& of = air_.radios[which].networks;
        Said what = say_counted("%1 has %n name", "%1 has %n names", most, names({of.front()}));
        if (most > static_cast<std::size_t>(most_networks)) return fail(line, of, std::move(what));
        line.what = std::move(what);
    }
    /// Beacons of all that are heard on a channel, at their lowest rates.
    void beacons() {
        AuditLine& line = add("beacons", mark("Beacons on a channel"), "≤ 10 %");
        std::map<std::pair<BandId, int>, std::pair<double, std::vector<std::size_t>>> by_channel;
        for (std::size_t i = 0; i < air_.networks.size(); ++i) {
            const HeardNetwork& n = air_.networks[i];
            if (n.lowest_mbps <= 0) continue;
            constexpr double usual_bytes = 300;
            auto& [share, of] = by_channel[{n.band, n.primary}];
            share += beacon_share(usual_bytes, basic_rate_in(n.band, n.lowest_mbps), 1, 1, n.band);
            of.push_back(i);
        }
        if (by_channel.empty()) return untold(line, say("no lowest rate was told"));
        const auto worst =
            std::ranges::max_element(by_channel, {}, [](const auto& c) { return c.second.first; });
        Said what = say("%1 of the air on channel %2 at %3 GHz", format_percent(worst->second.first, 1),
                        worst->first.second, band(worst->first.first).name);
        if (worst->second.first > most_beacons) return fail(line, worst->second.second, std::move(what));
        line.what = std::move(what);
        if (worst->second.first > near_share * most_beacons) line.outcome = AuditOutcome::near;
    }
    void lowest_rate() {
        AuditLine& line = add("slow-lowest-rate", mark("Lowest rate"), "≥ 6");
        const auto told = those([](const HeardNetwork& n) { return n.lowest_mbps > 0; });
        if (told.empty()) return untold(line, say("no lowest rate was told"));
        const auto slow =
            those([](const HeardNetwork& n) { return n.lowest_mbps > 0 && n.lowest_mbps < least_rate_mbps; });
        if (slow.empty())
            line.what = say("6 Mbit/s or more at all radios");
        else
            fail(line, slow,
                 say("%1: beacons and far clients go down to %2 Mbit/s", names(slow),
                     said_figure(air_.networks[slow.front()].lowest_mbps, 1)));
    }
    void scanned() {
        AuditLine& line = add("not-scanned", mark("6 GHz primary channels"), "PSC");
        if (!any(band_6)) return untold(line, say("nothing was heard at 6 GHz"));
        const auto off = those(
            [](const HeardNetwork& n) { return n.band == band_6 && !is_preferred_scanning(n.primary); });
        if (off.empty())
            line.what = say("all are preferred scanning channels");
        else
            fail(line, off, say("%1: clients do not look there", names(off)));
    }

    const HeardAir& air_;
    const std::string& country_;
    std::vector<AuditLine> lines_;
};

}  // namespace

std::vector<std::size_t> sharing_air(const HeardAir& air, std::size_t network) {
    const HeardNetwork& own = air.networks[network];
    std::set<std::size_t> radios;
    std::vector<std::size_t> out;
    for (std::size_t i = 0; i < air.networks.size(); ++i) {
        const HeardNetwork& other = air.networks[i];
        if (other.group == own.group || !overlap_in_spectrum(own.channel, other.channel)) continue;
        if (other.signal_dbm.value_or(-200) < audit_heard_dbm) continue;
        if (radios.insert(other.group).second) out.push_back(i);
    }
    return out;
}

std::vector<AuditLine> audit(const HeardAir& air, const std::string& country) {
    return Audit(air, country).run();
}

}  // namespace yemvo
