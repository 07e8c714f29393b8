// SPDX-License-Identifier: GPL-3.0-or-later
#include "proposal/candidate_gear.h"

#include <algorithm>
#include <cmath>
#include <map>
#include <numbers>

#include "coverage/margins.h"
#include "project/edits.h"
#include "project/gear_sum.h"
#include "project/working_radio.h"
#include "tuning/permits.h"

namespace yemvo {
namespace {

bool hangs_inside(const AccessPointModel& m) {
    return m.mount == Mount::ceiling || std::ranges::count(m.mounts, Mount::ceiling) > 0;
}
bool stands_outside(const AccessPointModel& m) {
    return m.body.outdoor || m.mount == Mount::pole || std::ranges::count(m.mounts, Mount::pole) > 0;
}

double most_imbalance_db(const Project& project, BandId band) {
    constexpr double usual_db = 8;
    double most = usual_db;
    for (const Requirement* r : requirements_in_force(project))
        if (required_lens(*r).id == LensId::balance && r->bands.contains(band))
            most = std::min(most, r->limit_in(band));
    return most;
}

}  // namespace

std::vector<ModelId> models_for(const Project& project, const ProposalAsk& ask, bool in_the_open) {
    const auto fits = [&](ModelId id) {
        const AccessPointModel& m = model(project, id);
        return in_the_open ? stands_outside(m) : hangs_inside(m) && !m.body.outdoor;
    };
    std::vector<ModelId> out;
    for (const ModelId id : ask.models)
        if (fits(id)) out.push_back(id);
    if (!ask.models.empty()) {
        // who names one model alone wants it, whatever it is made for
        return out.empty() && !in_the_open ? ask.models : out;
    }
    std::map<ModelId, int> used;
    for (const PlacedAccessPoint& placed : placed_access_points(project))
        if (fits(placed.access_point->model)) ++used[placed.access_point->model];
    const auto most = std::ranges::max_element(used, {}, [](const auto& u) { return u.second; });
    if (most != used.end()) return {most->first};
    for (const AccessPointModel& m : *project.models)
        if (fits(m.id)) return {m.id};
    return {};
}

double planned_power_dbm(const Project& project, Place place, const AccessPoint& ap, std::size_t radio) {
    const BandId band = ap.radios[radio].channel.band;
    const RadioBand& can = *radio_band(model(project, ap.model), radio, band);
    const ClientProfile& who = client(project, project.settings.client);
    double most_dbm = can.power.high_dbm;
    if (who.widest(band) > 0)
        most_dbm = std::min(most_dbm, who.power_in_dbm(band) - can.noise_figure_db +
                                          project.settings.client_noise_figure_db +
                                          most_imbalance_db(project, band) - 1);
    AccessPoint loudest = ap;
    loudest.radios[radio].power_dbm = can.power.high_dbm;
    const WorkingRadio working = working_radio(project, loudest, radio);
    most_dbm = std::min(most_dbm, working.most_power_dbm);
    for (const OpenChannel& open :
         open_channels(project, place, ap, radio, ap.radios[radio].channel.width_mhz))
        if (open.permit.channel.width_mhz == ap.radios[radio].channel.width_mhz)
            most_dbm = std::min(most_dbm, power_within(project, loudest, radio, open.permit.max_eirp_dbm));
    return can.power.nearest_dbm(most_dbm, most_dbm);
}

AccessPoint candidate_at(const Project& project, const Scene& scene, const Floor& floor,
                         const ProposalAsk& ask, ModelId id, Point at, Point towards) {
    Project hung = project;
    AccessPoint ap = *find_access_point(hung, floor.id, place_access_point(hung, floor.id, id, at));
    if (length(towards - at) > 0.5 && ap.mount != Mount::ceiling) {
        const double turn = std::atan2(towards.x - at.x, towards.y - at.y) * 180 / std::numbers::pi;
        ap.azimuth_deg = std::fmod(std::round(turn) + 360, 360);
    }
    const Place place = place_of(scene, floor, ap);
    for (std::size_t r = 0; r < ap.radios.size(); ++r) {
        Radio& radio = ap.radios[r];
        radio.on = radio.on && ask.bands.contains(radio.channel.band);
        if (radio.on) radio.power_dbm = planned_power_dbm(project, place, ap, r);
    }
    ap.id = {};
    ap.number = 0;
    return ap;
}

double access_point_cost(const Project& project, const AccessPoint& ap, ProposalGoal goal) {
    if (goal == ProposalGoal::count) return 1;
    const double cost =
        goal == ProposalGoal::price ? model(project, ap.model).body.price : drawn_watts(project, ap);
    if (cost > 0) return cost;
    return 1;
}

}  // namespace yemvo
