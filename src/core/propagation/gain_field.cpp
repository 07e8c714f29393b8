#include "propagation/gain_field.h"

#include <tbb/blocked_range.h>
#include <tbb/parallel_for.h>

#include <algorithm>
#include <cmath>

#include "wireless/link_budget.h"

namespace yemvo {

std::int16_t centi_db(double value_db) {
    return static_cast<std::int16_t>(std::lround(std::clamp(value_db * 100, -32768.0, 32767.0)));
}

GainField make_gain_field(const Surface& surface, Point3 source, const Antenna& antenna, const Turn& turn,
                          BandId id, const std::vector<float>& obstruction_db) {
    const Orientation orientation(turn);
    const double at_one_metre_db = free_space_loss_db(band(id).reference_mhz, 1);
    GainField field;
    field.gain_cdb.resize(surface.cells());
    tbb::parallel_for(
        tbb::blocked_range<std::size_t>(0, field.gain_cdb.size(), 2048), [&](const auto& cells) {
            for (std::size_t i = cells.begin(); i < cells.end(); ++i) {
                const Point3 way = surface.receiver(surface.centre(i)) - source;
                const double distance_m = std::max(length(way), nearest_distance_m);
                const double free_space_db = at_one_metre_db + 20 * std::log10(distance_m);
                const double antenna_db = gain_dbi(antenna, orientation.local(way));
                field.gain_cdb[i] =
                    centi_db(antenna_db - free_space_db - static_cast<double>(obstruction_db[i]));
            }
        });
    return field;
}

}  // namespace yemvo
