// SPDX-License-Identifier: GPL-3.0-or-later
#include "project/working_radio.h"

#include <algorithm>
#include <cmath>
#include <stdexcept>

namespace yemvo {
namespace {

const PowerAlternative* alternative_of(const AccessPointModel& m, std::optional<PowerSource> source,
                                       int index) {
    const PowerRow* row = source ? power_row(m, *source) : nullptr;
    if (!row || row->alternatives.empty()) return nullptr;
    const auto i = static_cast<std::size_t>(std::max(index, 0));
    return &row->alternatives[i < row->alternatives.size() ? i : 0];
}

const RadioLimit* limit_of(const PowerAlternative* alternative, std::size_t radio) {
    if (!alternative) return nullptr;
    for (const RadioLimit& l : alternative->limits)
        if (l.radio == static_cast<int>(radio)) return &l;
    return nullptr;
}

Chains chains_left(Chains chains, const RadioLimit& limit) {
    const auto at_most = [](int& value, const std::optional<int>& most) {
        if (most) value = std::min(value, *most);
    };
    at_most(chains.transmit, limit.transmit_chains);
    at_most(chains.receive, limit.receive_chains);
    at_most(chains.streams, limit.streams);
    chains.streams = std::min({chains.streams, std::max(chains.transmit, 1), std::max(chains.receive, 1)});
    return chains;
}

double cable_loss_of(const Project& project, const Radio& radio, double frequency_mhz) {
    for (const CableType& c : *project.cables)
        if (c.key == radio.cable) return cable_loss_db(c, radio.cable_m, frequency_mhz);
    return 0;
}

std::string bands_of(const RadioModel& radio) {
    std::string names;
    for (const RadioBand& b : radio.bands) names += (names.empty() ? "" : " / ") + band(b.band).name;
    return names;
}

}  // namespace

WorkingRadio working_radio(const Project& project, const AccessPoint& ap, std::size_t index) {
    const Radio& radio = ap.radios.at(index);
    const AccessPointModel& m = model(project, ap.model);
    WorkingRadio w;
    w.can = radio_band(m, index, radio.channel.band);
    if (!w.can) throw std::logic_error("a radio in a band that its model does not have");
    w.model = &m.radios[index];
    w.chains = w.can->chains;
    w.most_power_dbm = w.can->power.high_dbm;
    if (const RadioLimit* limit = limit_of(alternative_of(m, ap.source, ap.alternative), index)) {
        w.fed = limit->on;
        w.chains = chains_left(w.chains, *limit);
        if (limit->power_high_dbm) w.most_power_dbm = std::min(w.most_power_dbm, *limit->power_high_dbm);
    }
    if (project.settings.array_gain_in_eirp) w.array_gain_db = 10 * std::log10(w.chains.transmit);
    w.on = radio.on && w.fed;
    w.power_dbm = std::min(radio.power_dbm, w.most_power_dbm);
    const double frequency_mhz = centre_mhz(radio.channel);
    w.external = radio.antenna ? find_antenna(project, radio.antenna) : nullptr;
    const Antenna* antenna = w.external ? antenna_in_band(*w.external, radio.channel.band) : nullptr;
    if (antenna)
        w.cable_loss_db = cable_loss_of(project, radio, frequency_mhz);
    else
        antenna = &w.can->antenna, w.external = nullptr;
    w.antenna = {antenna->gain_dbi, lobe_at(antenna->lobe, frequency_mhz)};
    return w;
}

bool is_at_work(const Project& project, const AccessPoint& ap, std::size_t radio) {
    if (!ap.radios.at(radio).on) return false;
    if (!ap.source) return true;
    const RadioLimit* limit =
        limit_of(alternative_of(model(project, ap.model), ap.source, ap.alternative), radio);
    return !limit || limit->on;
}

std::vector<RadioAt> radios_at_work(const Project& project) {
    std::vector<RadioAt> all;
    for (const PlacedAccessPoint& placed : placed_access_points(project))
        for (std::size_t r = 0; r < placed.access_point->radios.size(); ++r)
            if (is_at_work(project, *placed.access_point, r)) all.push_back({placed, r});
    return all;
}

std::vector<Said> lost_to_source(const AccessPointModel& m, PowerSource source, int alternative) {
    std::vector<Said> lost;
    const PowerAlternative* chosen = alternative_of(m, source, alternative);
    if (!chosen) return lost;
    for (const RadioLimit& limit : chosen->limits) {
        const auto index = static_cast<std::size_t>(limit.radio);
        if (index >= m.radios.size()) continue;
        const RadioModel& radio = m.radios[index];
        const RadioBand& can = radio.bands.front();
        const std::string names = bands_of(radio);
        if (!limit.on) {
            lost.push_back(say("%1 GHz is off", names));
            continue;
        }
        if (const Chains left = chains_left(can.chains, limit); !(left == can.chains))
            lost.push_back(
                say("%1 GHz has %2 instead of %3", names, chains_text(left), chains_text(can.chains)));
        if (limit.power_high_dbm && *limit.power_high_dbm < can.power.high_dbm)
            lost.push_back(say("%1 GHz sends with at most %2 dBm instead of %3", names,
                               said_figure(*limit.power_high_dbm, 1), said_figure(can.power.high_dbm, 1)));
    }
    return lost;
}

std::vector<Said> lost_to_source(const Project& project, const AccessPoint& ap) {
    if (!ap.source) return {};
    return lost_to_source(model(project, ap.model), *ap.source, ap.alternative);
}

std::vector<const AntennaModel*> fitting_antennas(const Project& project, const RadioBand& can) {
    std::vector<const AntennaModel*> fitting;
    if (can.connector.empty()) return fitting;
    for (const AntennaModel& a : *project.antennas)
        if (a.connector == can.connector && antenna_in_band(a, can.band)) fitting.push_back(&a);
    return fitting;
}

}  // namespace yemvo
