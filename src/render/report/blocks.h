// SPDX-License-Identifier: GPL-3.0-or-later
// What a report is made of, whatever it is written as: texts, tables, figures, whole sheets.
#pragma once
#include <QPainter>
#include <QString>
#include <functional>
#include <optional>
#include <variant>
#include <vector>

#include "coverage/verdict.h"

namespace yemvo::render::report {

/// Paints into a rectangle given in the painter's own units, print_px_per_mm to the millimetre.
using Paint = std::function<void(QPainter&, const QRectF&)>;

/// Logical pixels a millimetre of paper has: what is 11 px high on screen is 2.75 mm high in print.
inline constexpr double print_px_per_mm = 4;

enum class TextLook { heading, lead, body, small };
struct TextBlock {
    TextLook look;
    QString text;
};

struct TileBlock {
    struct Tile {
        QString figure, words;
        std::optional<Outcome> outcome = {};
    };
    std::vector<Tile> tiles;  ///< at most five in a row
};

struct TableBlock {
    struct Column {
        QString head;
        double width = 10;  ///< against that of the others
        bool figures = false;
    };
    struct Cell {
        QString text;
        std::optional<Outcome> outcome = {};
        std::optional<BandId> band = {};
    };
    std::vector<Column> columns;
    std::vector<std::vector<Cell>> rows;
    bool ends_with_sum = false;
};

struct FigureBlock {
    QString caption;
    double height_mm;
    Paint paint;
    double width_mm = 0;  ///< 0: of the column
};

/// A page of its own size and look.
struct SheetBlock {
    QString title;  ///< as the list of contents has it; empty: not listed
    QSizeF size_mm;
    Paint paint;
};

using Block = std::variant<TextBlock, TileBlock, TableBlock, FigureBlock, SheetBlock>;

struct Part {
    QString title;  ///< empty: none is shown, and the list of contents leaves it out
    std::vector<Block> blocks;
    bool goes_on = false;  ///< may begin below the part before it, where half a page is left
    void text(TextLook, const QString&);
    void table(const TableBlock&);
};

struct Report {
    QString title, site, customer, author, foot;  ///< foot: revision and date
    QSizeF paper_mm{210, 297};
    std::vector<Part> parts;
};

}  // namespace yemvo::render::report
