// SPDX-License-Identifier: GPL-3.0-or-later
// The loops of lenses and requirements over the cells of a floor, in SIMD, chosen at run time.
//
// Levels are hundredths of a dBm with silent_cdb for nothing. `serving` holds an index or -1 a cell; a table
// "by server" has the value of nobody first: that of index k stands at k + 1.
#pragma once
#include <cstddef>
#include <cstdint>

namespace yemvo::kernels {

/// out = level / 100; NaN for nothing.
void decibels(const std::int16_t* level_cdbm, std::size_t cells, float* out);
/// out = by_server[serving + 1].
void of_serving(const std::int16_t* serving, const float* by_server, std::size_t cells, float* out);
/// out = (level - floor of the server) / 100.
void above_floor(const std::int16_t* level_cdbm, const std::int16_t* serving, const float* floor_cdbm,
                 std::size_t cells, float* out);
/// What a server's signal is above the rest that is left, which goes down to the server's floor; at least 0.
void lost_without(const std::int16_t* level_cdbm, const std::int16_t* left_cdbm, const std::int16_t* serving,
                  const float* floor_cdbm, std::size_t cells, float* out);
/// out += 1 where the gain is at least so much.
void add_heard(const std::int16_t* gain_cdb, std::int16_t least_cdb, std::size_t cells, float* out);
/// out += the weight by server where the gain is at least so much; a radio is no rival of itself.
void add_rival(const std::int16_t* gain_cdb, std::int16_t least_cdb, std::int16_t itself,
               const std::int16_t* serving, const float* weight_by_server, std::size_t cells, float* out);

/// A limit, in the unit of the values.
struct Limit {
    float limit, nothing;  ///< `nothing` stands for NaN
    bool more_is_better;
};
/// By how much the values at the cells keep the limit.
void margins(const float* values, const std::uint32_t* cells, std::size_t count, const Limit&, float* out);
/// How many are 0 or more.
std::size_t kept(const float* margins, std::size_t count);
/// bits |= bit where a margin is below 0.
void mark_missed(const float* margins, std::size_t count, std::uint8_t bit, std::uint8_t* bits);
/// The least value. `count` must not be 0.
float least(const float* values, std::size_t count);
/// Where a value first stands; `count` where it does not.
std::size_t first_of(const float* values, std::size_t count, float value);

}  // namespace yemvo::kernels
