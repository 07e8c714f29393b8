// SPDX-License-Identifier: GPL-3.0-or-later
// What a plan gives beyond the property.
#pragma once
#include "capacity/heard.h"

namespace yemvo {

/// The loudest place of a radio in a zone that is not ours (ZoneKind::outside), at the client height.
struct Spill {
    RadioRef radio;
    FloorId floor;
    ZoneId zone;
    Point place;
    double dbm;
};
/// Of every radio in every such zone of the floor that it reaches.
std::vector<Spill> spill_on(const Project&, const FloorPrediction&);

}  // namespace yemvo
