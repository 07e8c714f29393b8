// SPDX-License-Identifier: GPL-3.0-or-later
#include "render/report/plan_sheet.h"

#include "render/report/plan_legend.h"
#include "render/report/sections.h"
#include "render/report/styles.h"
#include "render/report/title_block.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::render::report {
namespace {

constexpr double legend_height = 88;
constexpr double frame_mm = 10, inner_mm = 4, overlap_mm = 10;

QRectF plan_area(const QSizeF& sheet_mm) {
    const QRectF frame = QRectF(QPointF(), sheet_mm * print_px_per_mm)
                             .adjusted(frame_mm * print_px_per_mm, frame_mm * print_px_per_mm,
                                       -frame_mm * print_px_per_mm, -frame_mm * print_px_per_mm);
    const double inner = inner_mm * print_px_per_mm;
    return frame.adjusted(inner, inner, -inner, -inner - title_block_height - legend_height);
}

/// Metres that one sheet shows at a scale, and how far one sheet goes on from the next.
QSizeF room_m(const QSizeF& sheet_mm, int scale) { return plan_area(sheet_mm).size() / px_per_m(scale); }

int sheets_for(double extent_m, double room, int scale) {
    if (extent_m <= room) return 1;
    const double step = room - overlap_mm / 1000 * scale;
    return static_cast<int>(std::ceil((extent_m - room) / step)) + 1;
}

SheetScale tiled(const Box& box, const QSizeF& paper_mm, int scale) {
    SheetScale best{scale, {}, 0, 0};
    // lying as the floor does, unless the other way needs fewer sheets
    const bool wide = box.width() > box.height();
    const QSizeF first = wide ? paper_mm.transposed() : paper_mm;
    for (const QSizeF& sheet : {first, first.transposed()}) {
        const QSizeF room = room_m(sheet, scale);
        const SheetScale now{scale, sheet, sheets_for(box.width(), room.width(), scale),
                             sheets_for(box.height(), room.height(), scale)};
        if (best.across == 0 || now.across * now.down < best.across * best.down) best = now;
    }
    return best;
}

Box around(const Box& a, const Box& b) {
    return {{std::min(a.low.x, b.low.x), std::min(a.low.y, b.low.y)},
            {std::max(a.high.x, b.high.x), std::max(a.high.y, b.high.y)}};
}

/// All of the drawings under the floor too, where one sheet holds them at the scale: their own edges are not
/// cut.
Box with_drawings(const Box& box, const Floor& floor, const SheetScale& scale) {
    const auto drawn = drawings_extent(floor);
    if (!drawn || scale.across * scale.down > 1) return box;
    const Box both = around(box, *drawn);
    const QSizeF room = room_m(scale.sheet_mm, scale.scale);
    return {{both.width() <= room.width() ? both.low.x : box.low.x,
             both.height() <= room.height() ? both.low.y : box.low.y},
            {both.width() <= room.width() ? both.high.x : box.high.x,
             both.height() <= room.height() ? both.high.y : box.high.y}};
}

/// One of the sheets of a floor.
struct Tile {
    SheetScale scale;
    int column = 0, row = 0;
    Box box;  ///< of the whole floor
};

PlanMap map_of(const Tile& tile, const QRectF& area) {
    const double k = px_per_m(tile.scale.scale);
    const auto along = [&](double extent_m, double room_px, int count, int index) {
        if (count == 1) return (room_px - extent_m * k) / 2;
        return -index * (extent_m * k - room_px) / (count - 1);
    };
    const double x = along(tile.box.width(), area.width(), tile.scale.across, tile.column);
    const double y = along(tile.box.height(), area.height(), tile.scale.down, tile.row);
    return {k, {area.left() + x - tile.box.low.x * k, area.top() + y + tile.box.high.y * k}};
}

void paint_sheet(QPainter& p, const QRectF& all, const ReportFacts& facts, const Floor& floor,
                 const FloorMap* map, const Tile& tile, const TitleBlock& title) {
    const auto& colours = print_palette();
    const QRectF area = plan_area(all.size() / print_px_per_mm).translated(all.topLeft());
    const PlanMap plan = map_of(tile, area);
    PlanLook look;
    look.map = map;
    look.cables = map == nullptr;
    paint_plan(p, facts, floor, plan, area, look);
    const double frame = frame_mm * print_px_per_mm;
    const QRectF line = all.adjusted(frame, frame, -frame, -frame);
    const QRectF legend(line.left(), line.bottom() - title_block_height - legend_height, line.width(),
                        legend_height);
    p.fillRect(legend, Qt::white);
    p.fillRect(QRectF(legend.left(), legend.top(), legend.width(), 1), colours.line);
    if (map)
        paint_map_legend(p, legend, facts, floor, *map);
    else
        paint_plan_legend(p, legend, facts, floor);
    paint_title_block(
        p, QRectF(line.left(), line.bottom() - title_block_height, line.width(), title_block_height), title,
        plan, facts.project().settings.units);
    p.setPen(QPen(colours.ink, 1.4));
    p.setBrush(Qt::NoBrush);
    p.drawRect(line);
}

}  // namespace

std::span<const int> usual_scales() {
    static constexpr int all[] = {20,  25,  50,   75,   100,  125,  150,  200,  250,    300,   400,
                                  500, 750, 1000, 1250, 1500, 2000, 2500, 5000, 10'000, 20'000};
    return all;
}

SheetScale sheet_scale(const Box& box, const QSizeF& paper_mm, int wanted) {
    if (wanted > 0) return tiled(box, paper_mm, wanted);
    for (int scale : usual_scales())
        if (const SheetScale s = tiled(box, paper_mm, scale); s.across == 1 && s.down == 1) return s;
    return tiled(box, paper_mm, usual_scales().back());
}

std::optional<Box> printed_box(const Project& project, const Floor& floor) {
    std::optional<Box> box = extent(floor);
    for (const AccessPoint& ap : access_points(project, floor.id)) {
        if (!box) box = Box{ap.position, ap.position};
        box = around(*box, {ap.position, ap.position});
    }
    // walls have a body, badges a size
    return box ? std::optional(box->grown(1)) : std::nullopt;
}

std::vector<SheetBlock> plan_sheets(const ReportFacts& facts, const Floor& floor, const FloorMap* map) {
    const auto box = printed_box(facts.project(), floor);
    if (!box) return {};
    const SheetScale scale = sheet_scale(*box, paper_mm(facts.choice().sheet), facts.choice().scale);
    const Box shown = with_drawings(*box, floor, scale);
    const QString name = QString::fromStdString(floor_title(facts.project(), floor));
    std::vector<SheetBlock> sheets;
    for (int row = 0; row < scale.down; ++row)
        for (int column = 0; column < scale.across; ++column) {
            const int count = scale.across * scale.down, index = row * scale.across + column + 1;
            QString part = count > 1 ? tr("part %1 of %2").arg(index).arg(count) : QString();
            TitleBlock title = title_block(facts);
            title.sheet = name;
            title.what = map ? map_name(map->choice) : tr("Access points");
            title.part = part;
            title.scale = scale.scale;
            const Tile tile{scale, column, row, shown};
            SheetBlock sheet;
            sheet.title =
                name + (map ? ": " + map_name(map->choice) : QString()) + (part.isEmpty() ? "" : ", " + part);
            sheet.size_mm = scale.sheet_mm;
            sheet.paint = [&facts, &floor, map, tile, title](QPainter& p, const QRectF& all) {
                paint_sheet(p, all, facts, floor, map, tile, title);
            };
            sheets.push_back(std::move(sheet));
        }
    return sheets;
}

}  // namespace yemvo::render::report
