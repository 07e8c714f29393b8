// SPDX-License-Identifier: GPL-3.0-or-later
// Why a client gets the rate that it gets: what it has in common with the radio, and what of that its signal
// allows.
#pragma once
#include <vector>

#include "base/said.h"
#include "gear/client.h"

namespace yemvo {

struct RateStory {
    double mbps = 0;            ///< PHY rate; 0: none
    Said form;                  ///< "MCS 9, 2 streams, 80 MHz, 802.11ax"
    std::vector<Said> because;  ///< standard, width, streams and level in turn: which end decides each
};

/// `working_mhz`: the width that the radio works with, less than the channel's where it has fallen back.
/// `received_dbm` and `noise_figure_db` are the receiver's: the client's for the way down, the radio's for
/// the way up.
RateStory rate_story(const RadioAbility&, const Channel&, int working_mhz, const ClientProfile&,
                     double received_dbm, double noise_figure_db);

}  // namespace yemvo
