// SPDX-License-Identifier: GPL-3.0-or-later
// Gain by direction as a table that all antennas share, whatever their gain is described by: one way to look
// it up, for fields and for explanations alike.
//
// The sphere is unfolded onto a square by the octahedron: a direction (right, front, up) over the sum of its
// absolute parts lies on the octahedron |x| + |y| + |z| = 1, whose upper half fills the diamond |x| + |y| <=
// 1 and whose lower half is folded out into the corners (after Cigolle et al., A Survey of Efficient
// Representations for Independent Unit Vectors, Journal of Computer Graphics Techniques 3(2), 2014). Neither
// poles nor trigonometry, steps of 0.4 to 0.9 degrees, and values between them by lines, in dB.
#pragma once
#include <cstdint>
#include <memory>
#include <vector>

#include "antenna/antenna.h"

namespace yemvo {

class GainTable {
public:
    /// Odd: the middle is a node, and creases run along the diagonals of cells.
    static constexpr int side = 257;

    explicit GainTable(const Lobe&);
    std::uint64_t key() const { return key_; }  ///< equal for equal lobes
    /// Relative to the peak, in hundredths of a dB, [row * side + column], column along `right`, row along
    /// `front`: in the lower 16 bits that of the node, in the upper ones that of the next column, so that one
    /// look gives both.
    const std::int32_t* pairs() const { return pairs_.data(); }
    /// In the antenna's body, of any length; a null vector counts as up.
    double relative_db(Point3 right_front_up) const;

private:
    std::uint64_t key_;
    std::vector<std::int32_t> pairs_;
};

/// Of all that a lobe is described by; equal for equal lobes.
std::uint64_t key_of(const Lobe&);
/// Made when a lobe is first asked for, and shared. Safe from several threads at once.
std::shared_ptr<const GainTable> gain_table(const Lobe&);

/// Of a lobe that is turned, round a circle of directions from `from` through `through`, a quarter of a turn
/// on; both unit vectors. Every `step_deg`, which divides 360 [dB relative to the peak].
std::vector<double> circle_of_gains_db(const Lobe&, const Orientation&, Point3 from, Point3 through,
                                       int step_deg);

/// Of an antenna that is turned, toward a place that is not its own [dBi].
double gain_dbi(const Antenna&, const Orientation&, Point3 toward);

}  // namespace yemvo
