// SPDX-License-Identifier: GPL-3.0-or-later
// A report broken into pages: nothing cut off, no heading alone at a page's foot, no empty page; heads of
// tables stand again on every page that the table goes on to.
#pragma once
#include "render/report/blocks.h"

namespace yemvo::render::report {

struct PageItem {
    QPointF at;
    std::function<void(QPainter&, QPointF)> paint;
};

struct Page {
    QSizeF size_mm;
    QString part;       ///< title of the part that it belongs to
    bool bare = false;  ///< without head and foot
    std::vector<PageItem> items;
};

struct Pages {
    std::vector<Page> pages;
    QString head_left, head_right, foot;
};

/// The list of contents comes after the first part (the cover) where there are more than three parts.
Pages lay_out(const Report&);

/// Into the whole of what the painter paints on, which is `width` wide in the painter's units.
void paint_page(QPainter&, const Pages&, std::size_t index, double width);

}  // namespace yemvo::render::report
