// SPDX-License-Identifier: GPL-3.0-or-later
// Loss against the angle of incidence, in the form in which both the link walk and the raster read it.
//
// The law itself is loss_at_angle_db() (venue/wall_type.h). Here it stands as cubic pieces over
// u = |cos(angle to the normal)|, so that a row of cells can look it up in registers; within 0.1 dB of the
// law for every type of the library (tests/core/angle_law_test.cpp).
#pragma once
#include <algorithm>
#include <array>
#include <vector>

#include "venue/wall_type.h"

namespace yemvo {

/// Where a cosine lies on the pieces: at = place[0] + u (place[1] + u place[2]), u held within [least_u, 1].
/// Loss [dB] = c[0] + v (c[1] + v (c[2] + v c[3])) on piece floor(at), v in [-0.5, 0.5) from its middle.
struct AngleLaw {
    static constexpr float least_u = 0.21643961f;  ///< cos 77.5 degrees: nothing is taken to be more grazing
    static constexpr int most_pieces = 16;
    using Row = std::array<float, most_pieces>;  ///< as wide as a register; the first `pieces` count
    std::array<Row, 4> c{};
    std::array<float, 3> place{};
    int pieces = 8;    ///< or most_pieces
    bool flat = true;  ///< the same at every angle

    static AngleLaw constant(double loss_db);
    double loss_db(double u) const {
        if (flat) return double{c[0][0]};
        const double held = std::clamp(u, double{least_u}, 1.0);
        const double at = double{place[0]} + held * (double{place[1]} + held * double{place[2]});
        const auto piece = static_cast<std::size_t>(std::clamp(static_cast<int>(at), 0, pieces - 1));
        const double v = at - static_cast<double>(piece) - 0.5;
        return double{c[0][piece]} +
               v * (double{c[1][piece]} + v * (double{c[2][piece]} + v * double{c[3][piece]}));
    }
};

/// The laws of a type at several frequencies, all on the same pieces: eight, or sixteen where eight would be
/// off by more than 0.05 dB. Obstacles' laws are constant and a metre's.
std::vector<AngleLaw> angle_laws(const WallType&, const std::vector<double>& frequencies_ghz);

/// Laws of different types put on the same pieces, so that they can stand in one row.
std::vector<AngleLaw> on_same_pieces(std::vector<AngleLaw>);

}  // namespace yemvo
