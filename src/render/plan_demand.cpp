// SPDX-License-Identifier: GPL-3.0-or-later
#include "render/plan_demand.h"

#include <algorithm>
#include <array>
#include <cmath>

#include "capacity/site_capacity.h"
#include "render/plan_solids.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::render {
namespace {

constexpr std::size_t colours = std::size(density_steps) + 1;

/// One steel hue, its lightness falling steadily.
const std::array<QColor, colours>& hues(bool dark) {
    static const std::array<QColor, colours> on_paper{QColor("#F5F2E9"), QColor("#E8EBE6"), QColor("#D3E0E2"),
                                                      QColor("#B5CDD7"), QColor("#90B4C7"), QColor("#6997B3"),
                                                      QColor("#43799D")};
    static const std::array<QColor, colours> on_dark{QColor("#23282C"), QColor("#293238"), QColor("#2F3F48"),
                                                     QColor("#365060"), QColor("#3F657C"), QColor("#4B7E9C"),
                                                     QColor("#5C99BC")};
    return dark ? on_dark : on_paper;
}

bool is_dark(const Palette& palette) { return palette.paper.lightness() < 128; }

DemandFigures figures_of(const Project& project, const DemandPlace& place) {
    return demand_figures(place, project.demand, project.demand.hour);
}

/// A head with shoulders: 10 px high.
void paint_person(QPainter& p, QPointF at) {
    p.drawEllipse(at + QPointF(0, -2.8), 1.9, 1.9);
    p.drawArc(QRectF(at + QPointF(-3.4, 0), QSizeF(6.8, 8)), 0, 180 * 16);
}
/// Under the middle of a row, or above it, where nothing else is.
std::optional<QPointF> beside_row(const DeviceRow& row, QSizeF size, const PlanMap& map,
                                  const std::vector<QRectF>& taken) {
    const QPointF at = map.to_screen(middle(row));
    for (const double dy : {26.0, -26.0, 50.0, -50.0}) {
        const QPointF c = at + QPointF(0, dy);
        const QRectF box(c - QPointF(size.width() / 2, size.height() / 2), size);
        if (std::ranges::none_of(taken, [&](const QRectF& t) { return t.intersects(box); })) return c;
    }
    return std::nullopt;
}

QString shortened_count(double n) { return n > 0 && n < 1 ? QStringLiteral("<1") : figure(n); }

QString tint_title(DemandTint tint) {
    switch (tint) {
        case DemandTint::people:
            return tr("People a m²");
        case DemandTint::clients:
            return tr("Clients a m²");
        case DemandTint::mbps:
            break;
    }
    return tr("Mbit/s down a m²");
}

/// More of a row are not drawn one by one.
constexpr std::size_t most_drawn_devices = 200;
/// Closer together than this on the screen and some are left out.
constexpr double device_step_px = 9;

}  // namespace

double density(const DemandFigures& f, DemandTint tint) {
    if (f.area_m2 <= 0) return 0;
    return (tint == DemandTint::people    ? f.people
            : tint == DemandTint::clients ? f.clients
                                          : f.down_mbps) /
           f.area_m2;
}

void paint_device(QPainter& p, QPointF at) {
    p.drawRoundedRect(QRectF(at + QPointF(-2.6, -4.5), QSizeF(5.2, 9)), 1, 1);
    p.drawLine(at + QPointF(-0.8, 2.9), at + QPointF(0.8, 2.9));
}

void paint_device_row(QPainter& p, const DeviceRow& row, const PlanMap& map, const Palette& palette) {
    const QPointF from = map.to_screen(row.from), to = map.to_screen(row.to);
    const double length_px = QLineF(from, to).length();
    const auto fits = static_cast<std::size_t>(length_px / device_step_px) + 1;
    const auto there = static_cast<std::size_t>(std::ceil(std::max(row.demand.amount, 1.0)));
    const std::size_t drawn = std::min({there, fits, most_drawn_devices});
    p.setPen(QPen(with_alpha(palette.ink, 0.45), 1, Qt::DotLine));
    p.drawLine(from, to);
    p.setPen(QPen(palette.ink, 1.1));
    p.setBrush(palette.tile);
    for (std::size_t i = 0; i < drawn; ++i) paint_device(p, map.to_screen(place_in_row(row, i, drawn)));
    p.setBrush(Qt::NoBrush);
}

QColor density_colour(double per_m2, const Palette& palette) {
    std::size_t step = 0;
    while (step < std::size(density_steps) && per_m2 >= density_steps[step]) ++step;
    return hues(is_dark(palette))[step];
}

void paint_demand(QPainter& p, const Project& project, const Floor& floor, const PlanMap& map,
                  const Palette& palette, ZoneId selected, DemandTint tint) {
    for (const Zone& z : *floor.zones) {
        const bool there = has_demand(z);
        QPen pen(z.id == selected ? palette.accent : with_alpha(palette.ink, there ? 0.55 : 0.3),
                 z.id == selected ? 2 : 1.1);
        if (z.id != selected) pen.setDashPattern({6, 3});
        pen.setCapStyle(Qt::FlatCap);
        p.setPen(pen);
        p.setBrush(there ? QBrush(density_colour(density(figures_of(project, {&z, nullptr}), tint), palette))
                         : QBrush(Qt::NoBrush));
        p.drawPolygon(polygon_of(z.outline, map));
    }
}

void paint_demand_tags(QPainter& p, const Project& project, const Floor& floor, const PlanMap& map,
                       const Palette& palette, ZoneId selected, std::vector<QRectF> taken) {
    // a row's tag gives way to those of zones
    for (const DemandPlace& place : demand_places(floor)) {
        const DemandFigures f = figures_of(project, place);
        const QString name = QString::fromStdString(place.name());
        const QString people = shortened_count(f.people), clients = shortened_count(f.clients);
        const QFont head = font(11.5, 600), small = font(11.5, 500);
        const QFontMetricsF of_head(head), of_small(small);
        const double people_px = place.row ? 0 : 12 + of_small.horizontalAdvance(people) + 14;
        const double figures_px = people_px + 10 + of_small.horizontalAdvance(clients);
        const QSizeF size(std::max(of_head.horizontalAdvance(name), figures_px) + 14, 36);
        const auto c =
            place.row ? beside_row(*place.row, size, map, taken) : label_place(*place.zone, size, map, taken);
        if (!c) continue;
        const QRectF box(c->x() - size.width() / 2, c->y() - size.height() / 2, size.width(), size.height());
        taken.push_back(box);
        const bool chosen = place.zone && place.zone->id == selected;
        p.setPen(QPen(chosen ? palette.accent : palette.line, 1));
        p.setBrush(chosen ? palette.accent : with_alpha(palette.paper, 0.94));
        p.drawRoundedRect(box, 4, 4);
        p.setPen(chosen ? palette.on_accent : palette.ink);
        p.setFont(head);
        p.drawText(QRectF(box.left(), box.top() + 2, box.width(), 16), Qt::AlignCenter, name);
        p.setFont(small);
        p.setBrush(Qt::NoBrush);
        double x = box.center().x() - figures_px / 2;
        const double y = box.top() + 26;
        const auto one = [&](auto paint, const QString& words) {
            p.setPen(QPen(chosen ? palette.on_accent : palette.muted, 1.1));
            paint(p, QPointF(x + 4, y));
            p.setPen(chosen ? palette.on_accent : palette.ink);
            p.drawText(QPointF(x + 12, y + 4), words);
            x += 12 + of_small.horizontalAdvance(words) + 14;
        };
        if (!place.row) one(paint_person, people);
        one(paint_device, clients);
    }
}

void paint_demand_legend(QPainter& p, QPointF lower_right, const Palette& palette, DemandTint tint) {
    constexpr double step_px = 40, height_px = 11;
    const QRectF strip(lower_right.x() - step_px * colours, lower_right.y() - height_px - 15,
                       step_px * colours, height_px);
    const QFont small = font(11);
    const QString title = tint_title(tint);
    const double wide = QFontMetricsF(font(12, 600)).horizontalAdvance(title);
    p.setPen(Qt::NoPen);
    p.setBrush(with_alpha(palette.paper, 0.85));
    p.drawRoundedRect(QRectF(strip.left() - wide - 22, strip.top() - 8, strip.width() + wide + 30, 36), 4, 4);
    for (std::size_t i = 0; i < colours; ++i)
        p.fillRect(QRectF(strip.left() + step_px * static_cast<double>(i), strip.top(), step_px, height_px),
                   hues(is_dark(palette))[i]);
    p.setPen(palette.edge);
    p.setBrush(Qt::NoBrush);
    p.drawRect(strip);
    p.setPen(palette.ink);
    p.setFont(font(12, 600));
    p.drawText(QRectF(strip.left() - wide - 14, strip.top() - 3, wide + 6, 18),
               Qt::AlignLeft | Qt::AlignVCenter, title);
    p.setFont(small);
    p.setPen(palette.muted);
    for (std::size_t i = 0; i < std::size(density_steps); ++i) {
        const double x = strip.left() + step_px * static_cast<double>(i + 1);
        p.drawText(QRectF(x - 20, strip.bottom() + 1, 40, 14), Qt::AlignCenter,
                   figure(density_steps[i], density_steps[i] < 0.1 ? 2
                                            : density_steps[i] < 1 ? 1
                                                                   : 0));
    }
}

void paint_clients(QPainter& p, const Project& project, const Floor& floor, const HourCapacity& hour,
                   const PlanMap& map, QSizeF view, const Palette& palette) {
    const QRectF seen = QRectF(QPointF(0, 0), view).adjusted(-20, -20, 20, 20);
    std::vector<QPointF> served_at(hour.radios.size());
    std::vector<bool> here(hour.radios.size(), false);
    for (std::size_t r = 0; r < hour.radios.size(); ++r)
        if (hour.radios[r].radio.floor == floor.id)
            if (const AccessPoint* ap =
                    find_access_point(project, floor.id, hour.radios[r].radio.access_point)) {
                served_at[r] = map.to_screen(ap->position);
                here[r] = true;
            }
    const auto each = [&](auto paint) {
        for (const ClientCapacity& c : hour.clients) {
            if (hour.floors[c.floor].floor != floor.id) continue;
            const QPointF at = map.to_screen(hour.heard[c.floor]->standing.clients[c.client].place);
            if (seen.contains(at)) paint(c, at);
        }
    };
    each([&](const ClientCapacity& c, QPointF at) {
        if (c.radio < 0 || !here[static_cast<std::size_t>(c.radio)]) return;
        const BandId band = hour.radios[static_cast<std::size_t>(c.radio)].radio.channel.band;
        p.setPen(QPen(with_alpha(palette.band(band).solid, 0.28), 0.9));
        p.drawLine(at, served_at[static_cast<std::size_t>(c.radio)]);
    });
    each([&](const ClientCapacity& c, QPointF at) {
        if (c.radio < 0) {
            p.setPen(QPen(palette.not_met, 1.6));
            p.drawLine(at + QPointF(-3, -3), at + QPointF(3, 3));
            p.drawLine(at + QPointF(-3, 3), at + QPointF(3, -3));
            return;
        }
        const BandColour& band =
            palette.band(hour.radios[static_cast<std::size_t>(c.radio)].radio.channel.band);
        const bool satisfied = c.satisfied >= 0.95f;
        p.setPen(QPen(satisfied ? palette.paper : palette.not_met, satisfied ? 0.8 : 1.5));
        p.setBrush(satisfied ? QBrush(band.solid) : QBrush(palette.paper));
        p.drawEllipse(at, 2.8, 2.8);
    });
    p.setBrush(Qt::NoBrush);
}

}  // namespace yemvo::render
