// SPDX-License-Identifier: GPL-3.0-or-later
// The inner loops of the wall-shadow raster, for the instruction set that the machine has.
//
// Receivers lie in tiles of 4x4 cells, 16 floats each, tile after tile along a row of tiles; the loops work
// on a block of four such rows. For the raster's own use (shadow_raster.cpp).
#pragma once
#include <array>
#include <cstddef>
#include <cstdint>
#include <string>
#include <vector>

#include "propagation/angle_law.h"

namespace yemvo::shadow {

inline constexpr int tile_side = 4, tile_cells = 16, block_tiles = 4, block_rows = tile_side * block_tiles;
/// Bands are worked on in groups of at most so many.
inline constexpr int most_bands = 3;

/// f(column, row) = c0 + cx column + cy row.
struct Linear {
    double c0 = 0, cx = 0, cy = 0;
};

/// Kept where f >= 0, or where f > 0 when strict.
struct HalfPlane {
    Linear f;
    double inverse_cx = 0;  ///< 0 when f.cx is
    bool strict = false;
};

/// The cells behind an upright rectangle, and the way along its normal: u = along / distance.
struct PanelShadow {
    HalfPlane plane[5];
    int planes = 0;
    int first_row = 0, end_row = 0;  ///< no cell outside these rows
    int law = 0;                     ///< row of the loss table
    Linear along;                    ///< positive in the shadow [m]
};

/// A convex solid: the receiver's side of each face; the source's is known.
struct PrismShadow {
    struct Face {
        Linear receiver;  ///< positive inside [m]
        double source;
    };
    std::vector<Face> faces;
    HalfPlane plane[4];  ///< a little more than its shadow
    int planes = 0;
    std::array<float, most_bands> db_per_m{}, most_db{};
    bool saturates = false;
};

/// Angle laws of one type in up to most_bands bands.
using LawSet = std::array<const AngleLaw*, most_bands>;

/// Four rows of tiles of one surface.
struct Block {
    int first_row = 0;  ///< of cells
    int columns = 0;    ///< of cells
    int tile_columns = 0;
    int bands = 0;
    std::array<float*, most_bands> loss_db{};             ///< each block_tiles * tile_columns * tile_cells
    const float* per_distance = nullptr;                  ///< 1 / m, as many
    int alive_low[block_tiles], alive_high[block_tiles];  ///< tile columns that still count
};

/// 1 / distance from a source to each cell; a distance below 1 mm counts as that.
void inverse_distances(float* out, int first_row, int tile_columns, const Linear& x, const Linear& y,
                       const Linear& z);
void add_panels(const PanelShadow* shadows, std::size_t count, const LawSet* laws, Block&);
/// Columns [low, high) of each of the 16 rows, of one law.
void add_spans(const std::int32_t* low, const std::int32_t* high, const Linear& along, const LawSet&, Block&);
void add_prism(const PrismShadow&, Block&);
/// sum += part^2
void add_squares(float* sum, const float* part, std::size_t count);
/// Columns of 16 rows that all half planes keep, low > high where none; false when no row has any.
bool spans(const HalfPlane* planes, int count, int first_row, int columns, std::int32_t* low,
           std::int32_t* high);

}  // namespace yemvo::shadow
