// SPDX-License-Identifier: GPL-3.0-or-later
// Gain fields: what remains of a radio's conducted power at each cell of a surface, before power and channel.
#pragma once
#include <cstdint>
#include <limits>
#include <vector>

#include "antenna/antenna.h"
#include "propagation/shadow_raster.h"

namespace yemvo {

/// A value that says: nothing arrives here.
inline constexpr std::int16_t silent_cdb = std::numeric_limits<std::int16_t>::min();

/// Planes of hundredths end on a whole register, so that loops may work on 64 values at once.
constexpr std::size_t padded(std::size_t cells) { return (cells + 63) / 64 * 64; }

/// Hundredths of a dB, by Surface::index, padded() with silent_cdb. The field is antenna gain - free space at
/// the band's reference frequency - obstruction; silent_cdb where free space and obstruction exceed
/// most_path_loss_db.
struct GainField {
    std::uint64_t key = 0;  ///< equal for equal content
    bool silent = false;    ///< everywhere; then there are no cells
    std::vector<std::int16_t> gain_cdb;
    std::int16_t peak_cdb = silent_cdb;  ///< the highest of them
};

/// Hundredths of a dB, rounded and held within what a field can hold, never silent_cdb.
std::int16_t centi_db(double value_db);

/// The free-space and antenna stage on top of a traced obstruction [dB].
GainField make_gain_field(const Surface&, Point3 source, const Turn&, const Antenna&, BandId,
                          const Obstruction&, double limit_db = most_path_loss_db);

}  // namespace yemvo
