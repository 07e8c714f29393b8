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

/// Where the cells lie as seen from an antenna's body: the same for all radios on it.
struct Directions {
    std::vector<LocalDirection> local;
    std::vector<float> spread_db;  ///< 20 log10 of the distance in metres, not below nearest_distance_m
};
Directions make_directions(const Surface&, Point3 source, const Turn&);

/// The free-space and antenna stage on top of a traced obstruction (dB a cell).
GainField make_gain_field(const Directions&, const Antenna&, BandId,
                          const std::vector<float>& obstruction_db);

}  // namespace yemvo
