// SPDX-License-Identifier: GPL-3.0-or-later
// What the failure of one access point takes.
#pragma once
#include "coverage/verdict.h"

namespace yemvo {

/// The demanded area of the site, and of it what has the signal asked for now but not without that access
/// point (demanded_m2, met_m2 in that order), in one band.
Area lost_without(const Project&, const SitePrediction&, AccessPointId, BandId);

}  // namespace yemvo
