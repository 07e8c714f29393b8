// SPDX-License-Identifier: GPL-3.0-or-later
// Which clients miss what is required of them, by place and radio.
#pragma once
#include "capacity/site_capacity.h"
#include "coverage/worst_places.h"

namespace yemvo {

/// Of each requirement that counts clients and does not hold: those that miss it at the site's worst busy
/// hour for it, together by zone (or row of devices) and radio, the most first; at most `most`. A
/// requirement's value is that of the worst of them.
std::vector<WorstPlace> worst_clients(const Project&, const Verdict&, const SiteCapacity&, std::size_t most);

}  // namespace yemvo
