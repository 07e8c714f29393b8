// SPDX-License-Identifier: GPL-3.0-or-later
#include "capacity/link_story.h"

#include "project/working_radio.h"

namespace yemvo {

LinkStory link_story(const Project& project, const LinkExplanation& link, const ClientProfile& client,
                     int working_mhz) {
    const auto placed = placed_access_points(project);
    const auto at = std::ranges::find_if(
        placed, [&](const PlacedAccessPoint& p) { return p.access_point->id == link.access_point; });
    if (at == placed.end() || link.radio >= at->access_point->radios.size()) return {};
    const WorkingRadio radio = working_radio(project, *at->access_point, link.radio);
    const RadioAbility ability{radio.standard(), link.channel.band, radio.chains.streams};
    const int width_mhz = working_mhz > 0 ? working_mhz : link.channel.width_mhz;
    const double down_dbm = link.received_dbm + client.gain_dbi;
    const double up_dbm = down_dbm + client.power_in_dbm(link.channel.band) - radio.power_dbm;
    return {rate_story(ability, link.channel, width_mhz, client, down_dbm, client.noise_figure_db),
            rate_story(ability, link.channel, width_mhz, client, up_dbm, radio.can->noise_figure_db)};
}

}  // namespace yemvo
