// SPDX-License-Identifier: GPL-3.0-or-later
// Blocks cut into the pieces that a page takes or leaves: lines of text, rows of a table, a figure.
#pragma once
#include <memory>

#include "render/report/blocks.h"

namespace yemvo::render::report {

struct Piece {
    double gap = 0;  ///< above it, unless it stands first on a page
    double height = 0;
    bool keep_next = false;  ///< no page ends after it
    std::function<void(QPainter&, QPointF)> paint;
    std::shared_ptr<const Piece> head = nullptr;  ///< painted again where a page begins with this piece
};

/// `width`: of the column, in print pixels. Not for sheets.
std::vector<Piece> pieces_of(const Block&, double width);

}  // namespace yemvo::render::report
