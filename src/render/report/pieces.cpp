// SPDX-License-Identifier: GPL-3.0-or-later
#include "render/report/pieces.h"

#include <QRegularExpression>
#include <QTextLayout>

#include "render/plan_marks.h"
#include "render/report/styles.h"
#include "render/text_style.h"

namespace yemvo::render::report {
namespace {

/// Lines of a text, words too long for the width broken.
QStringList lines_of(const QString& text, const QFont& f, double width) {
    QStringList lines;
    for (const QString& paragraph : text.split('\n')) {
        QTextLayout layout(paragraph, f);
        QTextOption option;
        option.setWrapMode(QTextOption::WrapAtWordBoundaryOrAnywhere);
        layout.setTextOption(option);
        layout.beginLayout();
        for (QTextLine line = layout.createLine(); line.isValid(); line = layout.createLine()) {
            line.setLineWidth(width);
            lines << paragraph.mid(line.textStart(), line.textLength()).trimmed();
        }
        layout.endLayout();
    }
    return lines;
}

std::vector<Piece> cut(const TextBlock& block, double width) {
    const TextStyle& s = style(block.look);
    const QStringList lines = lines_of(block.text, font(s.pixels, s.weight), width);
    std::vector<Piece> pieces;
    for (qsizetype i = 0; i < lines.size(); ++i) {
        Piece piece;
        piece.gap = i == 0 ? s.gap_before : 0;
        piece.height = s.line;
        // two lines at least stay together at either end; a heading stays with what it heads
        piece.keep_next =
            block.look == TextLook::heading || (lines.size() > 1 && (i == 0 || i + 2 == lines.size()));
        piece.paint = [line = lines[i], &s](QPainter& p, QPointF at) {
            p.setFont(font(s.pixels, s.weight));
            p.setPen(s.muted ? print_palette().muted : print_palette().ink);
            p.drawText(at + QPointF(0, s.line * 0.76), line);
        };
        pieces.push_back(std::move(piece));
    }
    return pieces;
}

void paint_tile(QPainter& p, const QRectF& box, const TileBlock::Tile& tile) {
    const auto& colours = print_palette();
    p.setPen(Qt::NoPen);
    p.setBrush(colours.chrome);
    p.drawRoundedRect(box, 6, 6);
    p.setPen(tile.outcome ? outcome_ink(*tile.outcome, colours) : colours.ink);
    p.setFont(font(22, 650));
    p.drawText(box.adjusted(12, 10, -12, 0), Qt::AlignLeft | Qt::AlignTop, tile.figure);
    if (tile.outcome)
        paint_outcome(
            p,
            QPointF(box.left() + 24 + QFontMetricsF(p.font()).horizontalAdvance(tile.figure), box.top() + 25),
            *tile.outcome, colours);
    p.setFont(font(11));
    p.setPen(colours.muted);
    p.drawText(box.adjusted(12, 40, -8, -6), Qt::AlignLeft | Qt::AlignTop | Qt::TextWordWrap, tile.words);
}

std::vector<Piece> cut(const TileBlock& block, double width) {
    constexpr double gap = 10, height = 78;
    Piece piece;
    piece.gap = 10;
    piece.height = height;
    piece.paint = [block, width](QPainter& p, QPointF at) {
        const double each = (width - gap * static_cast<double>(block.tiles.size() - 1)) /
                            static_cast<double>(block.tiles.size());
        for (std::size_t i = 0; i < block.tiles.size(); ++i)
            paint_tile(p, QRectF(at.x() + static_cast<double>(i) * (each + gap), at.y(), each, height),
                       block.tiles[i]);
    };
    return {piece};
}

struct SetCell {
    QStringList lines;
    TableBlock::Cell cell;
    QRectF box;  ///< from the row's top left
    bool figures = false;
};

class TableCutter {
public:
    TableCutter(const TableBlock& table, double width) : table_(table) {
        double x = 0;
        for (double wide : widths(width)) {
            columns_.push_back({x, wide});
            x += wide;
        }
        width_ = width;
    }

    std::vector<Piece> cut() const {
        std::vector<TableBlock::Cell> heads;
        for (const auto& c : table_.columns) heads.push_back({c.head});
        const auto head = std::make_shared<const Piece>(row(heads, Kind::head));
        const bool headed =
            std::ranges::any_of(table_.columns, [](const auto& c) { return !c.head.isEmpty(); });
        std::vector<Piece> pieces;
        if (headed) pieces.push_back(*head);

        for (std::size_t i = 0; i < table_.rows.size(); ++i) {
            const bool sum = table_.ends_with_sum && i + 1 == table_.rows.size();
            Piece piece = row(table_.rows[i], sum ? Kind::sum : Kind::plain);
            if (headed) piece.head = head;
            piece.keep_next = table_.ends_with_sum && i + 2 == table_.rows.size();
            pieces.push_back(std::move(piece));
        }
        if (!pieces.empty()) pieces[0].gap = 10;
        if (table_.rows.empty() && headed) pieces[0].keep_next = false;
        return pieces;
    }

private:
    enum class Kind { head, plain, sum };

    static double mark_width(const TableBlock::Cell& cell) {
        return (cell.outcome ? 14 : 0) + (cell.band ? 14 : 0);
    }

    /// Room for the longest word of a column, so that none is broken.
    double least_width(std::size_t column) const {
        const QFontMetricsF head(font(head_px, 600)), plain(font(table_px));
        double least = 0;
        for (const QString& word : table_.columns[column].head.split(' '))
            least = std::max(least, head.horizontalAdvance(word));
        for (const auto& row : table_.rows)
            for (const QString& word : row[column].text.split(QRegularExpression("[ \\n]")))
                least = std::max(least, plain.horizontalAdvance(word) + mark_width(row[column]));
        return least + 2 * cell_pad_x + 1;
    }

    /// By their weights, none below its least; where there is not room for that, by the least widths.
    std::vector<double> widths(double width) const {
        std::vector<double> least, all;
        double needed = 0, weights = 0;
        for (std::size_t i = 0; i < table_.columns.size(); ++i) {
            // one column cannot take all because of one endless word
            least.push_back(std::min(least_width(i), width / 2));
            needed += least.back();
            weights += table_.columns[i].width;
        }
        if (needed >= width) {
            for (double l : least) all.push_back(l * width / needed);
            return all;
        }
        // what goes to those below their least is taken from the others, until all have enough
        std::vector<bool> held(least.size(), false);
        double room = width;
        for (bool more = true; more;) {
            more = false;
            for (std::size_t i = 0; i < least.size(); ++i)
                if (!held[i] && room * table_.columns[i].width / weights < least[i]) {
                    held[i] = more = true;
                    room -= least[i];
                    weights -= table_.columns[i].width;
                }
        }
        for (std::size_t i = 0; i < least.size(); ++i)
            all.push_back(held[i] ? least[i] : room * table_.columns[i].width / weights);
        return all;
    }

    Piece row(const std::vector<TableBlock::Cell>& cells, Kind kind) const {
        const QFont f = font(kind == Kind::head ? head_px : table_px, kind == Kind::plain ? 400 : 600);
        std::vector<SetCell> set;
        qsizetype most = 1;
        for (std::size_t i = 0; i < cells.size(); ++i) {
            const auto [x, wide] = columns_[i];
            const double mark = mark_width(cells[i]);
            SetCell s{lines_of(cells[i].text, f, wide - 2 * cell_pad_x - mark), cells[i],
                      QRectF(x + cell_pad_x, cell_pad_y, wide - 2 * cell_pad_x, 0),
                      table_.columns[i].figures};
            most = std::max(most, s.lines.size());
            set.push_back(std::move(s));
        }
        Piece piece;
        piece.height = static_cast<double>(most) * table_line + 2 * cell_pad_y;
        piece.keep_next = kind == Kind::head;
        piece.paint = [set, f, kind, width = width_, height = piece.height](QPainter& p, QPointF at) {
            paint_row(p, QRectF(at, QSizeF(width, height)), set, f, kind);
        };
        return piece;
    }

    static void paint_row(QPainter& p, const QRectF& row, const std::vector<SetCell>& cells, const QFont& f,
                          Kind kind) {
        const auto& colours = print_palette();
        if (kind == Kind::head) p.fillRect(row, colours.chrome);
        if (kind == Kind::sum) p.fillRect(QRectF(row.left(), row.top(), row.width(), 1.2), colours.ink);
        p.fillRect(QRectF(row.left(), row.bottom() - 0.6, row.width(), 0.6), colours.line);
        for (const SetCell& c : cells) paint_cell(p, row.topLeft(), c, f, kind == Kind::head);
    }

    static void paint_cell(QPainter& p, QPointF at, const SetCell& c, const QFont& f, bool head) {
        const auto& colours = print_palette();
        QRectF line(at.x() + c.box.left(), at.y() + c.box.top(), c.box.width(), table_line);
        if (c.cell.band) {
            paint_band_glyph(p, QPointF(line.left() + 4, line.center().y()), *c.cell.band, colours);
            line.setLeft(line.left() + 14);
        }
        if (c.cell.outcome) {
            paint_outcome(p, QPointF(line.right() - 5, line.center().y()), *c.cell.outcome, colours);
            line.setRight(line.right() - 14);
        }
        p.setFont(f);
        p.setPen(head ? colours.muted : c.cell.outcome ? outcome_ink(*c.cell.outcome, colours) : colours.ink);
        for (const QString& words : c.lines) {
            p.drawText(line,
                       static_cast<int>((c.figures ? Qt::AlignRight : Qt::AlignLeft) | Qt::AlignVCenter),
                       words);
            line.translate(0, table_line);
        }
    }

    const TableBlock& table_;
    std::vector<std::pair<double, double>> columns_;  ///< left edge and width
    double width_ = 0;
};

std::vector<Piece> cut(const TableBlock& table, double width) { return TableCutter(table, width).cut(); }

std::vector<Piece> cut(const FigureBlock& figure, double width) {
    Piece piece;
    piece.gap = 12;
    piece.height = figure.height_mm * print_px_per_mm;
    const double wide = figure.width_mm > 0 ? figure.width_mm * print_px_per_mm : width;
    piece.keep_next = !figure.caption.isEmpty();
    piece.paint = [paint = figure.paint, wide, height = piece.height](QPainter& p, QPointF at) {
        paint(p, QRectF(at, QSizeF(wide, height)));
    };
    std::vector<Piece> pieces{piece};
    if (figure.caption.isEmpty()) return pieces;
    for (Piece& line : cut(TextBlock{TextLook::small, figure.caption}, width))
        pieces.push_back(std::move(line));
    return pieces;
}

std::vector<Piece> cut(const SheetBlock&, double) { return {}; }

}  // namespace

std::vector<Piece> pieces_of(const Block& block, double width) {
    return std::visit([&](const auto& b) { return cut(b, width); }, block);
}

}  // namespace yemvo::render::report
