// SPDX-License-Identifier: GPL-3.0-or-later
#include "render/spectrum_board.h"

#include <QFontMetricsF>
#include <QPainterPath>
#include <algorithm>
#include <cmath>

#include "render/laid_out_text.h"
#include "render/plan_marks.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::render {
namespace {

constexpr double head_px = 112, names_px = 17, axis_px = 17, ideal_row_px = 16, least_row_px = 4,
                 readable_row_px = 9.6, most_readable_rows = 60;
/// A lane without radios.
constexpr double empty_rows = 1;
constexpr double edge_px = 5;

/// The first and last frequency that a lane shows: barred ends are cut short.
std::pair<double, double> span(const std::vector<BandStretch>& stretches, const Board& board, BandId id) {
    double low = stretches.front().low_mhz, high = stretches.back().high_mhz;
    const double pad = id == band_24 ? 4 : 20;
    if (stretches.front().barred) low = std::max(low, stretches.front().high_mhz - pad);
    if (stretches.back().barred)
        high = std::min(high, stretches.back().low_mhz + std::max(pad, (high - low) * 0.1));
    for (const BoardBlock& b : board.blocks) {
        if (b.channel.band != id) continue;
        low = std::min(low, low_mhz(b.channel) - pad / 2);
        high = std::max(high, high_mhz(b.channel) + pad / 2);
    }
    return {low - pad / 2, high + pad / 2};
}

void hatch(QPainter& p, const QRectF& area, const QColor& colour, double apart, bool both) {
    p.save();
    p.setClipRect(area);
    p.setPen(QPen(colour, 1));
    for (double x = area.left() - area.height(); x < area.right(); x += apart) {
        p.drawLine(QPointF(x, area.bottom()), QPointF(x + area.height(), area.top()));
        if (both) p.drawLine(QPointF(x, area.top()), QPointF(x + area.height(), area.bottom()));
    }
    p.restore();
}

void paint_stretches(QPainter& p, const BoardLane& lane, const Palette& palette) {
    const QFont small = font(11);
    double free_from = lane.area.left();
    for (const BandStretch& s : lane.stretches) {
        const QRectF at =
            QRectF(QPointF(lane.x(s.low_mhz), lane.area.top()), QPointF(lane.x(s.high_mhz), lane.axis_y))
                .intersected(lane.area);
        if (at.width() <= 0) continue;
        p.fillRect(at, s.barred ? palette.chrome : palette.field);
        if (s.barred)
            hatch(p, at, palette.line, 6, true);
        else if (s.dfs)
            hatch(p, at, with_alpha(palette.near, s.wait_name.empty() ? 0.16 : 0.4), 8, false);
        const QString name = stretch_name(s);
        if (name.isEmpty()) continue;
        p.setFont(small);
        const QRectF words(std::max(at.left() + 5, free_from), at.top() + 1,
                           std::min(at.right(), lane.area.right()) - 5 - std::max(at.left() + 5, free_from),
                           names_px - 2);
        const QFontMetricsF metrics(small);
        if (words.width() < metrics.horizontalAdvance(name)) continue;
        if (s.barred) {
            const QRectF ground(words.topLeft() - QPointF(3, 0),
                                QSizeF(metrics.horizontalAdvance(name) + 6, names_px - 2));
            p.fillRect(ground, palette.field);
        }
        p.setPen(s.wait_name.empty() ? palette.muted : palette.near);
        p.drawText(words, Qt::AlignLeft | Qt::AlignVCenter, name);
        free_from = words.left() + metrics.horizontalAdvance(name) + 8;
    }
}

void paint_axis(QPainter& p, const BoardLane& lane, const Palette& palette) {
    p.setPen(QPen(palette.muted, 1));
    p.drawLine(QPointF(lane.area.left(), lane.axis_y), QPointF(lane.area.right(), lane.axis_y));
    const QFont small = font(11), strong = font(11, 600);
    double free_from = -1e9;
    for (const Channel& c : channels(lane.band, 20)) {
        if (lane.band == band_24 && c.number == 14) continue;
        const double x = lane.x(centre_mhz(c));
        if (x < lane.area.left() || x > lane.area.right()) continue;
        const bool scanned = lane.band == band_6 && is_preferred_scanning(c.number);
        p.setPen(QPen(palette.muted, scanned ? 2 : 1));
        p.drawLine(QPointF(x, lane.axis_y), QPointF(x, lane.axis_y + (scanned ? 4 : 3)));
        const QString number = QString::number(c.number);
        const QFontMetricsF metrics(scanned ? strong : small);
        const double width = metrics.horizontalAdvance(number);
        if (x - width / 2 < free_from || x + width / 2 > lane.area.right() + 2) continue;
        p.setFont(scanned ? strong : small);
        p.setPen(scanned ? palette.ink : palette.muted);
        p.drawText(QRectF(x - width, lane.axis_y + 3, 2 * width, axis_px - 4), Qt::AlignCenter, number);
        free_from = x + width / 2 + 3;
    }
}

void paint_head(QPainter& p, const BoardLane& lane, const Palette& palette) {
    p.fillRect(lane.head, palette.chrome);
    paint_band_glyph(p, lane.head.topLeft() + QPointF(17, 17), lane.band, palette);
    p.setFont(font(13, 600));
    p.setPen(palette.ink);
    p.drawText(QRectF(lane.head.left() + 30, lane.head.top() + 7, head_px - 32, 20),
               Qt::AlignLeft | Qt::AlignVCenter, tr("%1 GHz").arg(local(band(lane.band).name)));
    p.setFont(font(11));
    p.setPen(palette.muted);
    QString words = counted("%n radio", "%n radios", lane.radios);
    if (lane.open > 0) words += "\n" + tr("%1 open").arg(lane.open);
    p.drawText(QRectF(lane.head.left() + 12, lane.head.top() + 26, head_px - 16, 30),
               Qt::AlignLeft | Qt::AlignTop, words);
    // how wide 20 MHz are
    const double mhz = 20 * lane.px_per_mhz < head_px - 30 ? 20 : 10;
    const double width = mhz * lane.px_per_mhz;
    if (lane.head.height() < 74) return;
    const double y = lane.head.bottom() - 10, x = lane.head.left() + 12;
    p.setPen(QPen(palette.muted, 1));
    p.drawLine(QPointF(x, y), QPointF(x + width, y));
    for (double end : {x, x + width}) p.drawLine(QPointF(end, y - 3), QPointF(end, y + 3));
    p.drawText(QRectF(x, y - 17, head_px, 14), Qt::AlignLeft | Qt::AlignVCenter,
               tr("%1 MHz").arg(figure(mhz, 0)));
}

void paint_primary(QPainter& p, const BoardLane& lane, const BoardBlock& b, const QRectF& box,
                   const QColor& ink) {
    if (b.channel.width_mhz <= 20 || box.height() < 7) return;
    const double centre = centre_mhz({b.channel.band, b.primary, 20});
    const QRectF mark(lane.x(centre - 7), box.bottom() - 2.5, 14 * lane.px_per_mhz, 2);
    p.fillRect(mark, ink);
}

void paint_block(QPainter& p, const Board& board, const BoardLane& lane, const BoardBlock& b,
                 const QRectF& box, const Palette& palette) {
    const BandColour& colour = palette.band(b.channel.band);
    const double round = std::min(3.0, box.height() / 3);
    const bool solid = b.here && !board.by_use && !b.open && !b.dashed;
    QPen edge(b.selected ? palette.accent : colour.solid, b.selected ? 2.2 : 1);
    if (b.open || b.dashed) edge.setStyle(Qt::DashLine);
    p.setPen(edge);
    p.setBrush(b.open || b.dashed ? QColor(palette.field) : solid ? colour.solid : colour.tint);
    p.drawRoundedRect(box, round, round);
    if (board.by_use && b.use > 0) {
        p.save();
        QPainterPath clip;
        clip.addRoundedRect(box, round, round);
        p.setClipPath(clip);
        p.fillRect(QRectF(box.left(), box.top(), box.width() * std::min(1.0, b.use), box.height()),
                   with_alpha(colour.solid, b.here ? 0.6 : 0.35));
        p.restore();
    }
    const QColor ink = solid ? colour.on_solid : palette.ink;
    paint_primary(p, lane, b, box, ink);
    if (box.height() < 7.5) return;
    const LaidOutText* words =
        &laid_out(b.label, std::clamp(box.height() - 1, 8.5, 11.5), b.here ? 600 : 400);
    if (words->width + 4 > box.width()) return;
    if (board.by_use && b.use > 0) {
        const LaidOutText& use = laid_out(b.label + "   " + tr("%1 %").arg(figure(100 * b.use, 0)),
                                          words->pixels, b.here ? 600 : 400);
        if (use.width + 8 < box.width()) words = &use;
    }
    p.setFont(words->font);
    p.setPen(ink);
    p.drawStaticText(
        QPointF(box.center().x() - words->width / 2, box.center().y() - words->text.size().height() / 2),
        words->text);
    if (b.locked && box.width() > words->width + 26)
        paint_padlock(p, QPointF(box.right() - 9, box.center().y()), ink);
}

void paint_ties(QPainter& p, const Board& board, const BoardLayout& layout, const Palette& palette) {
    constexpr std::size_t most = 6;
    std::size_t drawn = 0;
    std::vector<QRectF> taken;
    for (const BoardTie& t : board.ties) {
        if (!t.strong && (drawn >= most || t.lost < 0.02)) continue;
        if (++drawn > 3 * most) break;
        const QRectF a = layout.rect(t.a), b = layout.rect(t.b);
        const double bulge = 14 + std::min(20.0, std::abs(a.center().y() - b.center().y()) / 3);
        const QPointF from(a.right() - 1, a.center().y()), to(b.right() - 1, b.center().y());
        const double out = std::max(from.x(), to.x()) + bulge;
        QPainterPath path(from);
        path.cubicTo(QPointF(out, from.y()), QPointF(out, to.y()), to);
        QPen pen(palette.not_met, std::clamp(1 + 14 * t.lost, 1.2, 5.0),
                 t.partly ? Qt::DotLine : Qt::SolidLine, Qt::RoundCap);
        p.setBrush(Qt::NoBrush);
        p.setPen(QPen(palette.casing, pen.widthF() + 2));
        p.drawPath(path);
        p.setPen(pen);
        p.drawPath(path);
        const QFont words = font(11, 600);
        const QString text = percent(t.lost, 0);
        const double width = QFontMetricsF(words).horizontalAdvance(text) + 10;
        QRectF tag(path.pointAtPercent(0.5).x() - 2, (from.y() + to.y()) / 2 - 8, width, 16);
        if (std::ranges::any_of(taken, [&](const QRectF& r) { return r.intersects(tag); })) continue;
        taken.push_back(tag);
        p.setPen(QPen(palette.not_met, 1));
        p.setBrush(palette.field);
        p.drawRoundedRect(tag, 3, 3);
        p.setFont(words);
        p.setPen(palette.not_met);
        p.drawText(tag, Qt::AlignCenter, text);
    }
}

}  // namespace

QString stretch_name(const BandStretch& s) {
    if (s.barred) return tr("barred");
    QStringList parts;
    if (!s.wait_name.empty())
        parts << tr("%1, %2 min wait").arg(tr_mark(s.wait_name)).arg(s.dfs_wait_s / 60);
    else if (s.dfs)
        parts << "DFS";
    if (s.indoor_only) parts << tr("indoor only");
    if (s.max_eirp_dbm < 17) parts << tr("%1 mW only").arg(figure(std::pow(10, s.max_eirp_dbm / 10), 0));
    return parts.join(", ");
}

BoardLayout::BoardLayout(const Board& board, QSizeF size, double beside_px) {
    for (BandId id : board.bands.list()) {
        BoardLane lane;
        lane.band = id;
        lane.stretches = Regulation::standard().stretches(board.country, id, Place::indoors);
        std::tie(lane.low_mhz, lane.high_mhz) = span(lane.stretches, board, id);
        lanes_.push_back(std::move(lane));
    }
    stack(board);
    double rows = 0;
    for (const BoardLane& l : lanes_) rows += std::max<double>(l.rows, empty_rows);
    const double fixed = (names_px + axis_px + 4) * static_cast<double>(lanes_.size());
    // a label fits, and what does not is scrolled to; a tower's stacks are seen as a whole all the same
    const double least = rows <= most_readable_rows ? readable_row_px : least_row_px;
    const double row_px = std::clamp((size.height() - fixed) / std::max(1.0, rows), least, ideal_row_px);
    // what is left over goes to all alike
    const double spare = std::max(0.0, size.height() - fixed - rows * row_px) /
                         static_cast<double>(std::max<std::size_t>(1, lanes_.size()));
    double y = 0;
    for (BoardLane& lane : lanes_) {
        const double height =
            names_px + axis_px + 4 + std::max<double>(lane.rows, empty_rows) * row_px + spare;
        const bool first = &lane == &lanes_.front();
        const double width = size.width() - head_px - (first && lanes_.size() > 1 ? beside_px : 0);
        lane.head = QRectF(0, y, head_px, height);
        lane.area = QRectF(head_px, y, std::max(60.0, width), height);
        lane.axis_y = y + height - axis_px;
        lane.row_px = row_px;
        lane.px_per_mhz = lane.area.width() / (lane.high_mhz - lane.low_mhz);
        if (first && lanes_.size() > 1) beside_ = QRectF(lane.area.right() + 1, y, beside_px - 1, height);
        y += height;
    }
    height_ = y;
    rects_.resize(board.blocks.size());
    for (std::size_t i = 0; i < board.blocks.size(); ++i) {
        const BoardBlock& b = board.blocks[i];
        const BoardLane* l = lane(b.channel.band);
        if (!l) continue;
        const double gap = row_px > 8 ? 2 : row_px > 5 ? 1 : 0.5;
        const double top = l->axis_y - 2 - (row_[i] + 1) * row_px + gap;
        rects_[i] = QRectF(QPointF(l->x(low_mhz(b.channel)) + 0.5, top),
                           QPointF(l->x(high_mhz(b.channel)) - 0.5, top + row_px - gap));
    }
}

/// Each block as low as it fits over those before it.
void BoardLayout::stack(const Board& board) {
    std::vector<std::size_t> order(board.blocks.size());
    for (std::size_t i = 0; i < order.size(); ++i) order[i] = i;
    std::ranges::stable_sort(
        order, {}, [&](std::size_t i) { return std::pair(board.blocks[i].lifted, board.blocks[i].order); });
    row_.assign(board.blocks.size(), 0);
    for (BoardLane& lane : lanes_) {
        struct Taken {
            double low, high;
        };
        std::vector<std::vector<Taken>> rows;
        std::optional<std::size_t> resting;  // rows of those that are not dragged
        for (std::size_t i : order) {
            const BoardBlock& b = board.blocks[i];
            if (b.channel.band != lane.band) continue;
            if (!b.ghost) ++(b.open ? lane.open : lane.radios);
            if (b.lifted && !resting) resting = rows.size();
            const Taken own{low_mhz(b.channel), high_mhz(b.channel)};
            std::size_t row = 0;
            for (; row < rows.size(); ++row)
                if (std::ranges::none_of(rows[row], [&](const Taken& t) {
                        return own.low < t.high - 0.1 && own.high > t.low + 0.1;
                    }))
                    break;
            if (row == rows.size()) rows.emplace_back();
            rows[row].push_back(own);
            row_[i] = static_cast<int>(row);
        }
        // one row is kept for what is dragged, so that nothing jumps where it finds no room below
        lane.rows = static_cast<int>(std::max(rows.size(), resting ? *resting + 1 : 0));
    }
}

const BoardLane* BoardLayout::lane(BandId id) const {
    for (const BoardLane& l : lanes_)
        if (l.band == id) return &l;
    return nullptr;
}

const BoardLane* BoardLayout::lane_at(QPointF at) const {
    for (const BoardLane& l : lanes_)
        if (l.area.contains(at)) return &l;
    return nullptr;
}

std::optional<BoardHit> BoardLayout::hit(QPointF at) const {
    for (std::size_t i = 0; i < rects_.size(); ++i) {
        const QRectF& r = rects_[i];
        if (r.isNull() || !r.adjusted(-2, 0, 2, 1).contains(at)) continue;
        const double grip = std::min(edge_px, r.width() / 4);
        using enum BoardHit::Part;
        return BoardHit{i, at.x() < r.left() + grip    ? left_edge
                           : at.x() > r.right() - grip ? right_edge
                                                       : body};
    }
    return std::nullopt;
}

void paint_board(QPainter& p, const Board& board, const BoardLayout& layout, const Palette& palette) {
    paint_board_ground(p, layout, palette);
    paint_board_blocks(p, board, layout, palette, BlockPart::still);
    paint_board_blocks(p, board, layout, palette, BlockPart::chosen);
}

void paint_board_ground(QPainter& p, const BoardLayout& layout, const Palette& palette) {
    p.setRenderHint(QPainter::Antialiasing);
    for (const BoardLane& lane : layout.lanes()) {
        p.fillRect(lane.area, palette.field);
        paint_stretches(p, lane, palette);
        p.fillRect(QRectF(lane.area.left(), lane.axis_y, lane.area.width(), lane.area.bottom() - lane.axis_y),
                   palette.paper);
        paint_axis(p, lane, palette);
        paint_head(p, lane, palette);
        p.setPen(QPen(palette.line, 1));
        p.drawLine(QPointF(0, lane.head.bottom()), QPointF(lane.area.right(), lane.head.bottom()));
        p.drawLine(lane.head.topRight(), lane.head.bottomRight());
    }
}

void paint_board_blocks(QPainter& p, const Board& board, const BoardLayout& layout, const Palette& palette,
                        BlockPart part) {
    p.setRenderHint(QPainter::Antialiasing);
    for (std::size_t i = 0; i < board.blocks.size(); ++i) {
        const BoardBlock& b = board.blocks[i];
        const BoardLane* lane = layout.lane(b.channel.band);
        if (lane && b.selected == (part == BlockPart::chosen))
            paint_block(p, board, *lane, b, layout.rect(i), palette);
    }
    if (part == BlockPart::chosen) paint_ties(p, board, layout, palette);
}

std::size_t ground_key(const Board& board, const BoardLayout& layout) {
    std::size_t key = qHash(QString::fromStdString(board.country));
    const auto add = [&](auto... values) { ((key = qHashMulti(key, values)), ...); };
    for (const BoardLane& l : layout.lanes())
        add(l.head.top(), l.axis_y, l.area.width(), l.low_mhz, l.px_per_mhz, l.radios, l.open);
    return key;
}

std::size_t still_key(const Board& board, const BoardLayout& layout) {
    std::size_t key = qHashMulti(ground_key(board, layout), board.by_use);
    const auto add = [&](auto... values) { ((key = qHashMulti(key, values)), ...); };
    for (const BoardLane& l : layout.lanes()) add(l.row_px);
    for (std::size_t i = 0; i < board.blocks.size(); ++i) {
        const BoardBlock& b = board.blocks[i];
        const QRectF& r = layout.rect(i);
        if (b.selected) continue;
        add(r.left(), r.top(), r.width(), r.height(), b.label, b.primary, b.here, b.locked, b.open, b.dashed,
            board.by_use ? b.use : 0.0);
    }
    return key;
}

}  // namespace yemvo::render
