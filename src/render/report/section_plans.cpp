// SPDX-License-Identifier: GPL-3.0-or-later
// Plans and maps of every floor, and the buildings from the side.
#include "render/report/building_section.h"
#include "render/report/plan_sheet.h"
#include "render/report/sections.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::render::report::section {

std::vector<Part> plans(const ReportFacts& facts) {
    Part part{tr("Plans"), {}};
    for (const Floor* f : all_floors(facts.project()))
        for (SheetBlock& sheet : plan_sheets(facts, *f, nullptr)) part.blocks.push_back(std::move(sheet));
    return part.blocks.empty() ? std::vector<Part>() : std::vector<Part>{part};
}

std::vector<Part> maps(const ReportFacts& facts) {
    Part part{tr("Maps"), {}};
    for (const Floor* f : all_floors(facts.project()))
        if (const FloorFacts* of = facts.find(f->id))
            for (const FloorMap& map : of->maps)
                for (SheetBlock& sheet : plan_sheets(facts, *f, &map))
                    part.blocks.push_back(std::move(sheet));
    return part.blocks.empty() ? std::vector<Part>() : std::vector<Part>{part};
}

std::vector<Part> heights(const ReportFacts& facts) {
    const QSizeF paper = paper_mm(facts.choice().paper);
    constexpr double high_mm = 110;
    const QSizeF room((paper.width() - 36) * print_px_per_mm, high_mm * print_px_per_mm);
    const double stretch = section_stretch(facts.project(), room, true);
    FigureBlock figure_block{
        stretch > 1.01 ? tr("Heights are stretched %1 times against widths.").arg(figure(stretch, 1))
                       : tr("Heights and widths are in one scale."),
        high_mm,
        [&facts](QPainter& p, const QRectF& box) { paint_building_section(p, box, facts.project(), true); }};
    TableBlock table{{{tr("Storey"), 30, false},
                      {tr("Building"), 30, false},
                      {tr("Level"), 14, true},
                      {tr("Height"), 14, true},
                      {tr("Access points"), 14, true}},
                     {},
                     false};
    const LengthUnits units = facts.project().settings.units;
    for (const Building& b : facts.project().buildings)
        for (const Floor& f : b.floors)
            table.rows.push_back({{QString::fromStdString(f.name)},
                                  {QString::fromStdString(b.name)},
                                  {local(format_level(b.level_m + f.elevation_m, units))},
                                  {b.kind == BuildingKind::yard ? QStringLiteral("–")
                                                                : local(format_length(f.height_m, units))},
                                  {QString::number(yemvo::access_points(facts.project(), f.id).size())}});
    if (table.rows.empty()) return {};
    return {{tr("Section"), {figure_block, table}}};
}

}  // namespace yemvo::render::report::section
