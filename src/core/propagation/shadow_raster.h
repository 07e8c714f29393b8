// SPDX-License-Identifier: GPL-3.0-or-later
// Obstruction of a whole receiver surface at once: each panel's shadow, seen from the source, is drawn onto
// the grid and its loss added to the cells inside; every band from one trace. Exact: the same rule as
// trace.h, the same angle law.
#pragma once
#include <vector>

#include "base/aligned.h"
#include "base/progress.h"
#include "propagation/surface.h"

namespace yemvo {

/// A link that loses more than this on its way (free space and obstruction) is taken not to arrive: 36 dBm of
/// EIRP would come in at -114 dBm, 20 dB under the noise of 20 MHz at a receiver of 7 dB; no lens, no limit
/// and no count of radios asks for so little (tests/core/tower_test.cpp). So a radio has no field on floors
/// it cannot reach.
inline constexpr double most_path_loss_db = 150;
/// For cast_shadows: work every cell out, however weak.
inline constexpr double no_limit_db = 1e9;

/// Values of the cells of a surface in tiles of 4x4, row by row of tiles, 16 cells each.
class TilePlane {
public:
    TilePlane() = default;
    explicit TilePlane(const Surface&);
    std::size_t index(int column, int row) const {
        return static_cast<std::size_t>((row / 4) * tile_columns_ + column / 4) * 16 +
               static_cast<std::size_t>((row % 4) * 4 + column % 4);
    }
    float at(int column, int row) const { return values_[index(column, row)]; }
    /// By Surface::index.
    float at(std::size_t cell) const {
        const auto width = static_cast<std::size_t>(columns_);
        return at(static_cast<int>(cell % width), static_cast<int>(cell / width));
    }
    /// Of tile rows [first, first + 4), which are always there.
    float* block(int first_tile_row) { return values_.data() + first_tile_row * tile_columns_ * 16; }
    const float* block(int first_tile_row) const {
        return values_.data() + first_tile_row * tile_columns_ * 16;
    }
    int tile_columns() const { return tile_columns_; }
    int tile_rows() const { return tile_rows_; }  ///< a multiple of 4
    std::size_t bytes() const { return values_.size() * sizeof(float); }

private:
    int columns_ = 0, tile_columns_ = 0, tile_rows_ = 0;
    std::vector<float, AlignedAllocator<float>> values_;
};

/// Loss [dB] of all that stands between the source and each cell, one plane a band. Where free space and loss
/// exceed the limit in every band, the loss is only known to be so much.
struct Obstruction {
    std::vector<TilePlane> by_band;
    /// Tile columns [low, high) of each row of tiles within the limit.
    std::vector<int> alive_low, alive_high;
    /// Distance and slabs alone take every cell beyond the limit: walls were not looked at.
    bool by_slabs = false;
    /// Nothing arrives anywhere.
    bool silent() const;
    std::size_t bytes() const;
};

/// Throws Cancelled.
Obstruction cast_shadows(const Scene&, const Surface&, Point3 source, const CancelToken&,
                         double limit_db = most_path_loss_db);

/// Whether distance and slabs alone take every cell beyond the limit. Throws Cancelled.
bool is_silent_by_slabs(const Scene&, const Surface&, Point3 source, const CancelToken&,
                        double limit_db = most_path_loss_db);
/// What cast_shadows gives where distance and slabs take everything.
Obstruction nothing_arrives(const Surface&);

/// Standard deviation [dB] of what stands in the way, one plane a band: the deviations of crossings of one
/// type add up, the types' then by squares. As deviation_db() in trace.h without the model's own share.
std::vector<TilePlane> cast_deviation(const Scene&, const Surface&, Point3 source, const CancelToken&);

/// Whether a panel's or an obstacle's shadow reaches a cell; with `of`, only cells that are within its limit
/// count.
bool can_touch(const Surface&, Point3 engine_source, const ScenePanel&, const Obstruction* of);

}  // namespace yemvo
