// SPDX-License-Identifier: GPL-3.0-or-later
// The plan as data for other programs.
#pragma once
#include <string>

#include "handover/facts.h"

namespace yemvo {

/// GeoJSON (RFC 7946): walls, zones, access points, closets, outlets, trays and risers of every floor. With
/// an anchor in longitude and latitude (WGS 84); without one in the site's metres, which its "yemvo" member
/// says.
std::string plan_geojson(const Project&);

/// One floor as DXF (R12, ASCII, metres of the floor): layers by kind, a block for every access point with
/// its name beside it.
std::string plan_dxf(const Project&, const Floor&);

/// OpenConfig JSON (RFC 7951 encoding of openconfig-access-points 0.3 with openconfig-wifi-types): access
/// points, radios, channels, widths, powers, networks.
std::string radios_openconfig(const Project&);

}  // namespace yemvo
