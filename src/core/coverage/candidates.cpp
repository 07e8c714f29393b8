// SPDX-License-Identifier: GPL-3.0-or-later
#include "coverage/candidates.h"

#include <cmath>
#include <numbers>
#include <stdexcept>

#include "antenna/gain_table.h"
#include "coverage/lens_map.h"
#include "project/edits.h"
#include "project/working_radio.h"
#include "propagation/explain.h"
#include "wireless/link_budget.h"

namespace yemvo {
namespace {

void empty_floor(Project& p, FloorId id) {
    for (Building& b : p.buildings)
        for (Floor& f : b.floors) {
            if (!(f.id == id)) continue;
            if (f.plate.empty())
                if (const auto box = extent(f))
                    f.plate = {box->low, {box->high.x, box->low.y}, box->high, {box->low.x, box->high.y}};
            f.walls = {};
            f.obstacles = {};
            f.ceilings = {};
            f.ramps = {};
        }
}

/// The radio in the band with the highest EIRP, of those that are on and fed.
std::optional<std::size_t> strongest(const Project& p, const AccessPoint& ap, BandId band) {
    std::optional<std::size_t> best;
    double most_dbm = -1e9;
    for (std::size_t r = 0; r < ap.radios.size(); ++r) {
        if (!(ap.radios[r].channel.band == band)) continue;
        const WorkingRadio working = working_radio(p, ap, r);
        if (!working.on || working.eirp_dbm() <= most_dbm) continue;
        most_dbm = working.eirp_dbm();
        best = r;
    }
    return best;
}

/// What arrives straight ahead at the client's height, so far along the floor, with nothing in the way [dBm].
class Ahead {
public:
    Ahead(const Project& p, const AccessPoint& ap, const WorkingRadio& radio, const Channel& channel)
        : radio_(radio),
          orientation_(body_turn(radio.antenna.frame(), ap.mount, ap.azimuth_deg, ap.downtilt_deg)),
          frequency_mhz_(centre_mhz(channel)),
          down_m_(ap.height_m - p.settings.client_height_m) {
        constexpr double degree = std::numbers::pi / 180;
        x_ = std::sin(ap.azimuth_deg * degree);
        y_ = std::cos(ap.azimuth_deg * degree);
    }
    double dbm(double along_m) const {
        const Point3 way{x_ * along_m, y_ * along_m, -down_m_};
        return radio_.power_dbm - radio_.cable_loss_db + yemvo::gain_dbi(radio_.antenna, orientation_, way) -
               free_space_loss_db(frequency_mhz_, std::max(length(way), nearest_distance_m));
    }
    /// The farthest place from which on less arrives; 0 where it never does, and never beyond 2 km.
    double reach_m(double level_dbm) const {
        constexpr double most_m = 2000;
        double far_m = 0;
        for (double d = 0.5; d < most_m; d *= 1.02)
            if (dbm(d) >= level_dbm) far_m = d;
        return far_m;
    }

private:
    const WorkingRadio& radio_;
    Orientation orientation_;
    double frequency_mhz_, down_m_, x_, y_;
};

double area_of(const FloorPrediction& predicted, BandId band, double limit_dbm) {
    LensChoice choice;
    choice.lens = LensId::signal;
    choice.bands = band;
    const std::vector<float> values = lens_values(predicted, choice);
    std::size_t cells = 0;
    for (std::size_t i = 0; i < values.size(); ++i)
        cells += predicted.mask->shown[i] && std::isfinite(values[i]) && double{values[i]} >= limit_dbm;
    return static_cast<double>(cells) * predicted.surface.cell_m * predicted.surface.cell_m;
}

}  // namespace

Project with_one(const Project& project, FloorId floor, const AccessPoint& ap, bool in_the_open) {
    Project p = project;
    for (Variant& v : p.variants) v.access_points.clear();
    for (Variant& v : p.variants)
        if (v.id == p.variant) v.access_points[floor] = std::vector<AccessPoint>{ap};
    if (in_the_open) empty_floor(p, floor);
    return p;
}

CandidateFigures candidate_figures(const Project& alone, const FloorPrediction& predicted,
                                   const CandidateQuestion& q) {
    const auto& placed = access_points(alone, q.floor);
    if (placed.size() != 1) throw std::logic_error("candidates are asked one by one");
    const AccessPoint& ap = placed.front();
    const AccessPointModel& m = model(alone, ap.model);
    CandidateFigures f;
    f.price = m.body.price;
    if (const PowerRow* row = ap.source ? power_row(m, *ap.source) : nullptr) f.watts = row->watts;
    f.radio = strongest(alone, ap, q.band);
    if (!f.radio) return f;
    const WorkingRadio working = working_radio(alone, ap, *f.radio);
    const Channel& channel = ap.radios[*f.radio].channel;
    f.power_dbm = working.power_dbm;
    f.gain_dbi = working.antenna.gain_dbi;
    f.cable_loss_db = working.cable_loss_db;
    f.eirp_dbm = working.eirp_dbm();
    f.area_m2 = area_of(predicted, q.band, q.limit_dbm);
    const Ahead ahead(alone, ap, working, channel);
    f.free_m = ahead.reach_m(q.limit_dbm);
    double walls_db = 0;
    for (WallTypeId id : q.walls) walls_db += loss_db(wall_type(alone, id), centre_mhz(channel) / 1000);
    f.behind_walls_m = ahead.reach_m(q.limit_dbm + walls_db);
    const ClientProfile& device = client(alone, alone.settings.client);
    const double level_dbm = ahead.dbm(10);
    f.rate_mbps = RateLadder({working.standard(), q.band, working.chains.streams}, channel, device,
                             device.noise_figure_db)
                      .rate_mbps(level_dbm);
    f.snr_db = level_dbm - client_noise_dbm(alone, channel);
    return f;
}

}  // namespace yemvo
