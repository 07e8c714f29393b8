// SPDX-License-Identifier: GPL-3.0-or-later
// Every colour of the program, in one place. A theme is one value of this class.
#pragma once
#include <QColor>
#include <array>

#include "venue/wall_type.h"
#include "wireless/band.h"

namespace yemvo::render {

struct BandColour {
    QColor solid, tint, on_solid;
};

struct Palette {
    QColor paper, floor, chrome, field, tile, button;
    QColor line, line2, ink, muted;
    QColor edge;  ///< of fields: seen against field and panel
    QColor accent, on_accent, accent_tint;
    std::array<BandColour, 3> bands;
    QColor not_met, not_met_tint, near, hatch;
    QColor casing;
    QColor concrete, slab, brick, board, glass, timber, steel;
    QColor furniture, faint, grid, contour;
    std::array<QColor, 12> steps;         ///< weak to strong, already mixed with the paper
    std::array<QColor, 12> blues, greys;  ///< the same in one hue, for those who see few, and for print
    std::array<QColor, 11> change;        ///< worse to better; the middle is no change
    std::array<QColor, 6> serving;
    std::array<QColor, 8> zones;  ///< outlines and soft tints of zones

    static const Palette& light();
    static const Palette& dark();
    const BandColour& band(BandId) const;
    const QColor& family(Family) const;
};

/// `c` with an alpha of `share` in [0, 1].
QColor with_alpha(QColor c, double share);

}  // namespace yemvo::render
