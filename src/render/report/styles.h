// SPDX-License-Identifier: GPL-3.0-or-later
// How a report looks: its palette, its type sizes, its margins. In print pixels.
#pragma once
#include <QFont>

#include "render/palette.h"
#include "render/report/blocks.h"

namespace yemvo::render::report {

const Palette& print_palette();

struct TextStyle {
    double pixels;
    int weight;
    bool muted;
    double gap_before, line;  ///< line: from one base line to the next
};
const TextStyle& style(TextLook);

inline constexpr double margin_x = 18 * print_px_per_mm, margin_top = 22 * print_px_per_mm,
                        margin_bottom = 19 * print_px_per_mm;
inline constexpr double table_px = 11, head_px = 10.5, cell_pad_x = 5, cell_pad_y = 4, table_line = 15;

}  // namespace yemvo::render::report
