// SPDX-License-Identifier: GPL-3.0-or-later
// From the fields of many radios to what holds at each cell.
#pragma once
#include <cstdint>
#include <limits>
#include <span>
#include <vector>

#include "coverage/lens.h"
#include "coverage/radio_fields.h"

namespace yemvo {

/// The three strongest access points on one surface; hundredths of a dBm, silent_cdb where there is none.
/// Planes are padded().
struct Reduction {
    std::vector<std::int16_t> best_cdbm, next_cdbm, third_cdbm;  ///< each of another access point
    std::vector<std::int16_t> serving;                           ///< index into the fields given, -1 for none
};

/// Of the radios in these bands, of these access points (empty: all). Where two are equally strong the one
/// that comes first in the list serves.
Reduction reduce(std::span<const RadioField>, BandSet, std::size_t cells,
                 const std::vector<AccessPointId>& only = {});
/// Of all but one access point.
Reduction reduce_without(std::span<const RadioField>, BandSet, std::size_t cells, AccessPointId);
/// One more access point, which may stand anywhere in the list.
void join(Reduction&, std::span<const RadioField>, BandSet, AccessPointId);

}  // namespace yemvo
