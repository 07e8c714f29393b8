// Gain fields: what remains of a radio's conducted power at each cell of a surface, before power and channel.
#pragma once
#include <cstdint>
#include <vector>

#include "antenna/antenna.h"
#include "propagation/surface.h"

namespace yemvo {

/// Hundredths of a dB. The field is antenna gain - free space at the band's reference frequency -
/// obstruction.
struct GainField {
    std::uint64_t key = 0;  ///< equal for equal content
    std::vector<std::int16_t> gain_cdb;
};

/// Hundredths of a dB, rounded and held within the type's range.
std::int16_t centi_db(double value_db);

/// The free-space and antenna stage on top of a traced obstruction (dB a cell).
GainField make_gain_field(const Surface&, Point3 source, const Antenna&, const Turn&, BandId,
                          const std::vector<float>& obstruction_db);

}  // namespace yemvo
