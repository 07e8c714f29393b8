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

namespace {

template <class Work>
void for_cells(std::size_t cells, Work work) {
    tbb::parallel_for(tbb::blocked_range<std::size_t>(0, cells, 2048), [&](const auto& part) {
        for (std::size_t i = part.begin(); i < part.end(); ++i) work(i);
    });
}

}  // namespace

Directions make_directions(const Surface& surface, Point3 source, const Turn& turn) {
    const Orientation orientation(turn);
    Directions d;
    d.local.resize(surface.cells());
    d.spread_db.resize(surface.cells());
    for_cells(surface.cells(), [&](std::size_t i) {
        const Point3 way = surface.receiver(surface.centre(i)) - source;
        d.local[i] = orientation.local(way);
        d.spread_db[i] = static_cast<float>(20 * std::log10(std::max(length(way), nearest_distance_m)));
    });
    return d;
}

GainField make_gain_field(const Directions& directions, const Antenna& antenna, BandId id,
                          const std::vector<float>& obstruction_db) {
    const double at_one_metre_db = free_space_loss_db(band(id).reference_mhz, 1);
    GainField field;
    field.gain_cdb.resize(obstruction_db.size());
    for_cells(field.gain_cdb.size(), [&](std::size_t i) {
        const double antenna_db = gain_dbi(antenna, directions.local[i]);
        field.gain_cdb[i] = centi_db(antenna_db - at_one_metre_db - double{directions.spread_db[i]} -
                                     double{obstruction_db[i]});
    });
    return field;
}

}  // namespace yemvo
