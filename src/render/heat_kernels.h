// SPDX-License-Identifier: GPL-3.0-or-later
// The colouring of a row of the map's pixels in SIMD, chosen at run time: an amount between four cells that
// all have values and are all shown. Its plain twin, for everything else, is in heat_map.cpp.
#pragma once
#include <array>
#include <cstdint>

namespace yemvo::render::kernels {

/// Colours as 0xRRGGBB; `hatch_cover` is the share of the hatch on six pixels in a row, repeated so that a
/// register may begin at any of them.
struct AmountLook {
    static constexpr int phases = 6, longest_register = 64;  ///< pixels
    std::array<std::uint32_t, 12> steps{};
    std::array<float, phases + longest_register> hatch_cover{};
    std::uint32_t contour = 0, hatch = 0;
    float contour_alpha = 0, opacity = 1;
    float low = 0, step = 1, last = 11;  ///< the scale; `last` is the index of its last step
    float threshold = 0;
    float cells_per_pixel = 1;
    bool more_is_better = true, smooth = false;
};

/// A row of pixels: per column of cells the value in the row and how much it rises to the next row of cells;
/// per pixel between which columns it lies, and where; those run on by a register's length beyond the last
/// pixel.
struct AmountRow {
    const float *value, *rise;
    const std::int32_t *low, *high;
    const float* share;
    int y;
};

/// Pixels [from, to) of the row into `out`, premultiplied ARGB; `out` is the row's first pixel.
void shade(const AmountLook&, const AmountRow&, int from, int to, std::uint32_t* out);

}  // namespace yemvo::render::kernels
