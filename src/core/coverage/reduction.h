// From the fields of many radios to what holds at each cell.
#pragma once
#include <cstdint>
#include <limits>
#include <span>
#include <vector>

#include "coverage/lens.h"
#include "coverage/radio_fields.h"

namespace yemvo {

inline constexpr std::int32_t no_signal_cdb = std::numeric_limits<std::int32_t>::min() / 2;

/// One band on one surface; hundredths of a dB, no_signal_cdb where no radio is.
struct Reduction {
    std::vector<std::int32_t> best_cdbm;
    std::vector<std::int32_t> next_cdbm;  ///< of another access point than the best
    std::vector<std::int16_t> serving;    ///< index into the fields given, -1 for none
    std::vector<std::int32_t> snr_cdb;    ///< best over the serving radio's noise
    std::vector<int> numbers;             ///< access point number of each field given
};

Reduction reduce(std::span<const RadioField>, BandId, std::size_t cells);

/// Values of a lens a cell, in its unit (or the access point's number); NaN where there is none.
std::vector<float> lens_values(const Reduction&, LensId);

}  // namespace yemvo
