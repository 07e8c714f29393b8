// SPDX-License-Identifier: GPL-3.0-or-later
// What the country permits a radio where its access point hangs.
#pragma once
#include "project/project.h"
#include "propagation/scene.h"
#include "regulation/regulation.h"

namespace yemvo {

/// Outdoors in a yard, in a courtyard, and beyond the plate or the walls of its floor.
Place place_of(const Scene&, const Floor&, const AccessPoint&);

/// None where it is barred there.
std::optional<ChannelPermit> permit_of(const Project&, Place, const AccessPoint&, const Channel&);

/// All that the radio could be set to: channels that its model knows in the band, no wider than the model and
/// `widest_mhz`, permitted there; for each the primary that fits best (one that 6 GHz clients look at; the
/// present one where it lies inside).
struct OpenChannel {
    ChannelPermit permit;
    int primary;
};
std::vector<OpenChannel> open_channels(const Project&, Place, const AccessPoint&, std::size_t radio,
                                       int widest_mhz = 320);
/// As open_channels chooses it.
int best_primary(const Channel&, int present);

/// Channels 149 to 161, in 5735 to 5815 MHz: client devices that pair with each other prefer them in most
/// countries.
bool clients_talk_on(const Channel&);

/// The project says that radar was seen on some part of the channel.
bool radar_seen_on(const Project&, const Channel&);

/// The conducted power with which the radio keeps a limit of EIRP [dBm], at most its present one.
double power_within(const Project&, const AccessPoint&, std::size_t radio, double max_eirp_dbm);

/// The strongest EIRP that it sends above an elevation, by its antenna as it is aimed.
double eirp_above(const Project&, const AccessPoint&, std::size_t radio, double elevation_deg);

}  // namespace yemvo
