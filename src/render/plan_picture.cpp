// SPDX-License-Identifier: GPL-3.0-or-later
#include "render/plan_picture.h"

#include <QPainter>

#include "base/error.h"
#include "base/number_text.h"
#include "render/drawings/drawing_layer.h"
#include "render/headless.h"
#include "render/legend.h"
#include "render/plan_axes.h"
#include "render/plan_marks.h"
#include "render/plan_solids.h"
#include "render/plan_walls.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::render {
namespace {

constexpr int title_px = 64, foot_px = 100, side_px = 28;

void paint_title(QPainter& p, const Project& project, const Floor& floor, const MapChoice& choice,
                 const QString& other, double cell_m, int width, const Palette& palette) {
    QStringList parts{map_name(choice)};
    if (choice.needs_other()) parts << (choice.is_change() ? tr("change %1").arg(other) : other);
    if (lens(choice.lens).of_radios())
        parts << tr("client at %1")
                     .arg(local(format_length(project.settings.client_height_m, project.settings.units)));
    if (cell_m > project.settings.grid_m * 1.001)
        parts << tr("every %1 m").arg(figure(cell_m, cell_m < 1 ? 2 : 0));
    p.setPen(palette.ink);
    p.setFont(font(20, 650));
    p.drawText(QRectF(side_px, 12, width - 2 * side_px, 28), Qt::AlignLeft | Qt::AlignVCenter,
               QString::fromStdString(project.name + ", " + floor_title(project, floor)));
    p.setFont(font(13));
    p.setPen(palette.muted);
    p.drawText(QRectF(side_px, 38, width - 2 * side_px, 20), Qt::AlignLeft | Qt::AlignVCenter,
               parts.join(", "));
    p.drawText(QRectF(side_px, 38, width - 2 * side_px, 20), Qt::AlignRight | Qt::AlignVCenter,
               tr("Predicted with Yemvo"));
}

}  // namespace

QImage plan_picture(const Project& project, const Floor& floor, const FloorPrediction& prediction,
                    MapChoice choice, const HeldAgainst& other, const Palette& palette, int width) {
    if (!other.floor || !other.project) choice.against = Against::nothing;
    const Box box = (prediction.surface.cells() ? prediction.surface.box()
                                                : extent(floor).value_or(Box{{0, 0}, {20, 15}}))
                        .grown(0.8);
    const int plan_height =
        std::clamp(static_cast<int>((width - 2 * side_px) * box.height() / box.width()), 200, 4 * width);
    QImage image(width, title_px + plan_height + foot_px, QImage::Format_ARGB32_Premultiplied);
    image.fill(palette.paper);
    QPainter p(&image);
    p.setRenderHints(QPainter::Antialiasing | QPainter::TextAntialiasing);
    const QRectF area(side_px, title_px, width - 2 * side_px, plan_height);
    const PlanMap map = PlanMap::fit(box, area);

    p.setClipRect(area);
    paint_ground(p, floor, map, area, palette, false);
    const auto values = map_values(project, prediction, choice, other.project, other.floor);
    p.drawImage(0, 0, paint_heat_map(prediction, values, choice, map, image.size(), palette));
    SheetCache drawings(std::make_shared<MemoryBudget>(usual_budget_bytes()));
    p.drawImage(0, 0, drawings_picture(project, floor, drawings, map, image.size()));
    paint_voids(p, floor, map, palette);
    paint_obstacles(p, project, floor, map, area, palette);
    paint_axes(p, building_with(project, floor.id).axes, map, area, palette);
    paint_walls(p, project, floor, map, area, palette, true);
    std::vector<QRectF> taken;
    for (const AccessPoint& ap : access_points(project, floor.id))
        taken.push_back(badge_area(map.to_screen(ap.position)));
    if (choice.labels) paint_value_labels(p, prediction, values, choice, map, image.size(), palette);
    paint_zone_names(p, project, floor, map, palette, taken);
    for (const AccessPoint& ap : access_points(project, floor.id))
        paint_badge(p, map.to_screen(ap.position), project, ap, BadgeState::plain, palette);
    p.setClipping(false);

    paint_title(p, project, floor, choice, QString::fromStdString(other.name), prediction.surface.cell_m,
                width, palette);
    const MapStatistics s = statistics(prediction, values, choice);
    LegendLayout legend(QPointF(width - side_px + 8, image.height() - 2), choice);
    legend.set_other(QString::fromStdString(other.name));
    legend.paint(p, s, palette);
    paint_scale_bar(p, QPointF(side_px, image.height() - 30), map, project.settings.units, palette);
    paint_north(p, QPointF(side_px + 240, image.height() - 36), palette);
    return image;
}

void save_plan_picture(const Project& project, const Floor& floor, const FloorPrediction& prediction,
                       const MapChoice& choice, const std::string& file, const HeldAgainst& other) {
    const Headless headless;
    if (!plan_picture(project, floor, prediction, choice, other).save(QString::fromStdString(file), "PNG"))
        throw Error(say("could not be written"), file, say("Choose another place"));
}

}  // namespace yemvo::render
