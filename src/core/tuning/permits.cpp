// SPDX-License-Identifier: GPL-3.0-or-later
#include "tuning/permits.h"

#include <algorithm>
#include <cmath>
#include <numbers>

#include "geometry/polygon.h"
#include "project/working_radio.h"

namespace yemvo {

Place place_of(const Scene& scene, const Floor& floor, const AccessPoint& ap) {
    const auto& at = scene.floor(floor.id);
    if (at.kind == BuildingKind::yard) return Place::outdoors;
    const bool out = floor.plate.empty() ? at.mask->enclosed() && !at.mask->inside(ap.position)
                                         : !contains(floor.plate, ap.position);
    return out ? Place::outdoors : Place::indoors;
}

std::optional<ChannelPermit> permit_of(const Project& project, Place place, const AccessPoint& ap,
                                       const Channel& channel) {
    return Regulation::standard().permit(project.settings.country, channel, place, ap.device_class);
}

int best_primary(const Channel& channel, int present) {
    const std::vector<int> inside = primaries(channel);
    if (std::ranges::count(inside, present) > 0) return present;
    if (channel.band == band_6)
        for (int p : inside)
            if (is_preferred_scanning(p)) return p;
    return inside.front();
}

std::vector<OpenChannel> open_channels(const Project& project, Place place, const AccessPoint& ap,
                                       std::size_t radio, int widest_mhz) {
    const Radio& set = ap.radios[radio];
    const RadioBand& can = *radio_band(model(project, ap.model), radio, set.channel.band);
    std::vector<OpenChannel> out;
    for (int width : channel_widths_mhz()) {
        if (width > std::min(widest_mhz, can.widest_mhz)) continue;
        for (ChannelPermit& p : Regulation::standard().permitted(project.settings.country, set.channel.band,
                                                                 width, place, ap.device_class))
            out.push_back({p, best_primary(p.channel, set.channel == p.channel ? set.primary : -1)});
    }
    return out;
}

bool clients_talk_on(const Channel& c) {
    constexpr double from_mhz = 5735, to_mhz = 5815;
    return c.band == band_5 && high_mhz(c) > from_mhz + 1e-6 && low_mhz(c) < to_mhz - 1e-6;
}

bool radar_seen_on(const Project& project, const Channel& channel) {
    return channel.band == band_5 && std::ranges::any_of(primaries(channel), [&](int p) {
               return std::ranges::count(project.air.radar, p) > 0;
           });
}

double power_within(const Project& project, const AccessPoint& ap, std::size_t radio, double max_eirp_dbm) {
    const WorkingRadio working = working_radio(project, ap, radio);
    return std::min(ap.radios[radio].power_dbm, max_eirp_dbm - (working.eirp_dbm() - working.power_dbm));
}

double eirp_above(const Project& project, const AccessPoint& ap, std::size_t radio, double elevation_deg) {
    const WorkingRadio working = working_radio(project, ap, radio);
    const Orientation body(body_turn(working.antenna.frame(), ap.mount, ap.azimuth_deg, ap.downtilt_deg));
    double best_db = -1000;
    for (double up = std::ceil(elevation_deg); up <= 90; up += 2)
        for (double round = 0; round < 360; round += 5) {
            const double e = up * std::numbers::pi / 180, a = round * std::numbers::pi / 180;
            const Point3 direction{std::cos(e) * std::sin(a), std::cos(e) * std::cos(a), std::sin(e)};
            best_db = std::max(best_db, relative_gain_db(working.antenna.lobe, body.local(direction)));
        }
    return working.eirp_dbm() + best_db;
}

}  // namespace yemvo
