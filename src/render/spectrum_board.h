// SPDX-License-Identifier: GPL-3.0-or-later
// The spectrum board: a lane a band, true to frequency, with every radio as a block as wide as its channel.
// Layout and painting; window and report share them.
#pragma once
#include <QPainter>
#include <optional>
#include <vector>

#include "regulation/regulation.h"
#include "render/palette.h"

namespace yemvo::render {

struct BoardBlock {
    Channel channel;
    int primary = 36;
    QString label;
    int order = 0;     ///< blocks are stacked by it, from the axis up
    double use = 0;    ///< share of time that it sends
    bool here = true;  ///< of the floor in view; others are pale
    bool selected = false, locked = false;
    bool open = false;    ///< nobody chose its channel yet
    bool dashed = false;  ///< drawn as what hides its name, or as not ours
    bool ghost = false;   ///< not ours: not counted
    bool lifted = false;  ///< being dragged: stacked over all others, which keep their places meanwhile
};

/// Two blocks that share air.
struct BoardTie {
    std::size_t a, b;
    double lost = 0;
    bool partly = false;  ///< they overlap without sharing
    bool strong = false;  ///< one of them is selected
};

struct Board {
    std::string country;
    std::vector<BoardBlock> blocks;
    std::vector<BoardTie> ties;  ///< most lost first
    BandSet bands = all_bands();
    bool by_use = false;  ///< blocks are filled as far as they send
};

struct BoardLane {
    BandId band;
    QRectF head, area;  ///< area: from above the stretches' names to below the axis
    double axis_y = 0;  ///< where blocks stand
    double low_mhz = 0, high_mhz = 0;
    double px_per_mhz = 1;
    double row_px = 0;
    int rows = 0;
    int radios = 0, open = 0;  ///< on channels, and with none chosen
    std::vector<BandStretch> stretches;
    double x(double mhz) const { return area.left() + (mhz - low_mhz) * px_per_mhz; }
    double mhz(double x) const { return low_mhz + (x - area.left()) / px_per_mhz; }
};

/// What a place of the board is.
struct BoardHit {
    std::size_t block;
    enum class Part { body, left_edge, right_edge } part;
};

class BoardLayout {
public:
    /// `size`: of the view; the board may be higher than that. `beside_px`: kept free right of the first
    /// lane.
    BoardLayout(const Board&, QSizeF size, double beside_px);
    double height() const { return height_; }
    const std::vector<BoardLane>& lanes() const { return lanes_; }
    const BoardLane* lane(BandId) const;
    const BoardLane* lane_at(QPointF) const;
    QRectF rect(std::size_t block) const { return rects_[block]; }
    std::optional<BoardHit> hit(QPointF) const;
    /// Free for a list, right of the first lane.
    QRectF beside() const { return beside_; }

private:
    void stack(const Board&);
    std::vector<BoardLane> lanes_;
    std::vector<QRectF> rects_;
    std::vector<int> row_;
    QRectF beside_;
    double height_ = 0;
};

/// Whether a stretch above 20 dBm is worth a name, as "25 mW only".
QString stretch_name(const BandStretch&);
void paint_board(QPainter&, const Board&, const BoardLayout&, const Palette&);
/// What lies under the blocks, which a drag leaves as it is: ranges, axes, heads.
void paint_board_ground(QPainter&, const BoardLayout&, const Palette&);
/// The blocks that are chosen or not; the chosen ones with the ties.
enum class BlockPart { still, chosen };
void paint_board_blocks(QPainter&, const Board&, const BoardLayout&, const Palette&, BlockPart);
/// Equal where paint_board_ground looks the same.
std::size_t ground_key(const Board&, const BoardLayout&);
/// Equal where paint_board_ground and the still blocks look the same.
std::size_t still_key(const Board&, const BoardLayout&);

}  // namespace yemvo::render
