// SPDX-License-Identifier: GPL-3.0-or-later
#include "render/plan_walls.h"

#include <QPainterPath>
#include <optional>

#include "render/plan_solids.h"
#include "render/text_style.h"
#include "venue/wall_shaping.h"

namespace yemvo::render {
namespace {

double width_px(double thickness_m, const PlanMap& map) { return std::max(thickness_m * map.px_per_m, 1.4); }

void stroke(QPainter& p, const QPolygonF& line, const QColor& colour, double width) {
    p.setPen(QPen(colour, width, Qt::SolidLine, Qt::SquareCap, Qt::MiterJoin));
    p.drawPolyline(line);
}

QPolygonF span_polygon(const Segment& s, double thickness_m, const PlanMap& map) {
    const QPointF a = map.to_screen(s.a), b = map.to_screen(s.b);
    const QLineF axis(a, b);
    if (axis.length() < 0.01) return {};
    const QPointF side =
        QPointF(-(b - a).y(), (b - a).x()) / axis.length() * (width_px(thickness_m, map) / 2);
    return QPolygonF({a + side, b + side, b - side, a - side});
}

/// Book shelving and the like: an outline with its compartments.
void paint_shelving(QPainter& p, const Wall& wall, double thickness_m, const PlanMap& map,
                    const Palette& palette) {
    for (int i = 0; i < wall.pieces(); ++i) {
        const Segment s = wall.piece(i);
        const QPolygonF outline = span_polygon(s, thickness_m, map);
        p.setPen(QPen(palette.furniture, 0.75));
        p.setBrush(with_alpha(palette.ink, 0.07));
        p.drawPolygon(outline);
        p.setPen(QPen(palette.faint, 0.75));
        const double l = length(s);
        for (double at = 1; at < l - 0.2; at += 1) {
            const Point c = lerp(s.a, s.b, at / l), side = left_of(unit(s.b - s.a)) * (thickness_m / 2);
            p.drawLine(map.to_screen(c + side), map.to_screen(c - side));
        }
    }
}

/// Lower than this it does not stand in the way of a person: drawn lighter.
constexpr double partition_top_m = 1.8;

/// Two faces with the ground between them, and the type's hatch where there is room.
void paint_hatched(QPainter& p, const QPolygonF& line, const WallType& type, double width, const QColor& ink,
                   const Palette& palette) {
    stroke(p, line, ink, width);
    if (width <= 3) return;
    stroke(p, line, palette.floor, width - 1.8);
    if (type.hatch == Hatch::open || width < 5) return;
    for (int i = 0; i + 1 < line.size(); ++i) {
        const QLineF axis(line[i], line[i + 1]);
        if (axis.length() < 1) continue;
        const QPointF along = (line[i + 1] - line[i]) / axis.length(), side(-along.y(), along.x());
        const double half = width / 2 - 0.9;
        p.setPen(QPen(with_alpha(ink, 0.8), type.hatch == Hatch::dots ? 1.4 : 0.8));
        for (double at = 3; at < axis.length() - 1; at += 5) {
            const QPointF c = line[i] + along * at;
            if (type.hatch == Hatch::dots) {
                p.drawPoint(c + side * (static_cast<int>(at / 5) % 2 ? half * 0.4 : -half * 0.4));
                continue;
            }
            if (type.hatch == Hatch::compartments) {
                p.drawLine(c + side * half, c - side * half);
                continue;
            }
            p.drawLine(c + side * half - along * half, c - side * half + along * half);
            if (type.hatch == Hatch::cross)
                p.drawLine(c + side * half + along * half, c - side * half - along * half);
        }
    }
}

void paint_wall(QPainter& p, const Wall& wall, const WallType& type, const PlanMap& map,
                const Palette& palette) {
    const double width = width_px(type.thickness_m, map);
    const QColor ink = palette.family(type.family);
    if (type.family == Family::timber && type.hatch == Hatch::compartments)
        return paint_shelving(p, wall, type.thickness_m, map, palette);
    const QPolygonF line = polygon_of(flattened(wall), map);
    if (wall.base_m > 1) {  // over our heads: a beam
        p.setPen(QPen(with_alpha(ink, 0.7), 1, Qt::DashLine, Qt::FlatCap));
        const auto side = [&](double by) {
            return polygon_of(offset_run(flattened(wall), wall.closed(), by), map);
        };
        p.drawPolyline(side(type.thickness_m / 2));
        p.drawPolyline(side(-type.thickness_m / 2));
        return;
    }
    const bool low = wall.top_m && *wall.top_m < partition_top_m;
    if (low || type.hatch != Hatch::solid) {
        WallType drawn = type;
        if (low) drawn.hatch = Hatch::open;
        return paint_hatched(p, line, drawn, std::max(width, low ? 3.2 : width),
                             low ? with_alpha(ink, 0.8) : ink, palette);
    }
    stroke(p, line, ink, width);
    if (type.family == Family::glass && width > 2.4) stroke(p, line, palette.tile, width - 1.8);
}

void paint_leaf(QPainter& p, QPointF hinge, QPointF jamb, QPointF open, const QColor& ink,
                const Palette& palette) {
    const double r = QLineF(hinge, jamb).length();
    if (r < 2) return;
    const QRectF round(hinge.x() - r, hinge.y() - r, 2 * r, 2 * r);
    const double from = QLineF(hinge, jamb).angle(), to = QLineF(hinge, open).angle();
    double sweep = to - from;
    if (sweep > 180) sweep -= 360;
    if (sweep < -180) sweep += 360;
    p.setPen(QPen(with_alpha(palette.ink, 0.55), 0.7));
    p.drawArc(round, static_cast<int>(from * 16), static_cast<int>(sweep * 16));
    p.setPen(QPen(ink, 1.5, Qt::SolidLine, Qt::FlatCap));
    p.drawLine(hinge, open);
}

void paint_door(QPainter& p, const Segment& s, const Opening& o, const QColor& ink, const PlanMap& map,
                const Palette& palette) {
    const QPointF a = map.to_screen(s.a), b = map.to_screen(s.b), along = b - a;
    const QPointF side = (o.swings_left ? QPointF(along.y(), -along.x()) : QPointF(-along.y(), along.x()));
    if (o.width_m > 1.3) {
        const QPointF middle = (a + b) / 2;
        paint_leaf(p, a, middle, a + side / 2, ink, palette);
        paint_leaf(p, b, middle, b + side / 2, ink, palette);
    } else if (o.hinge_at_end) {
        paint_leaf(p, b, a, b + side, ink, palette);
    } else {
        paint_leaf(p, a, b, a + side, ink, palette);
    }
}

void paint_opening(QPainter& p, const Wall& wall, const Opening& o, const WallType& in, const WallType& type,
                   const PlanMap& map, const Palette& palette) {
    const Segment s = span(wall, o);
    const QPolygonF gap = span_polygon(s, in.thickness_m + 1.0 / map.px_per_m, map);
    if (gap.isEmpty()) return;
    p.setPen(Qt::NoPen);
    p.setBrush(palette.floor);
    p.drawPolygon(gap);
    p.setBrush(Qt::NoBrush);
    const QColor ink = palette.family(type.family);
    // the jambs
    p.setPen(QPen(palette.family(in.family), 0.8));
    p.drawLine(gap[0], gap[3]);
    p.drawLine(gap[1], gap[2]);
    if (o.kind == OpeningKind::door) {
        if (!o.open) {  // shut: a line closes the gap
            p.setPen(QPen(with_alpha(ink, 0.8), 1.2, Qt::SolidLine, Qt::FlatCap));
            p.drawLine(map.to_screen(s.a), map.to_screen(s.b));
        }
        return paint_door(p, s, o, ink, map, palette);
    }
    if (o.open) return;
    p.drawLine(gap[0], gap[1]);
    p.drawLine(gap[3], gap[2]);
    p.setPen(QPen(palette.glass, 1.1));
    p.drawLine(map.to_screen(s.a), map.to_screen(s.b));
}

int paint_rank(Family f) {
    switch (f) {
        case Family::timber:
            return 0;
        case Family::glass:
            return 1;
        case Family::board:
            return 2;
        case Family::special:
        case Family::steel:
            return 3;
        case Family::brick:
            return 4;
        case Family::concrete:
            return 5;
    }
    return 3;
}

struct DrawnWall {
    const Wall* wall;
    const WallType* type;
};

std::vector<DrawnWall> visible_walls(const Project& project, const Floor& floor, const PlanMap& map,
                                     const QRectF& visible) {
    std::vector<DrawnWall> list;
    for (const Wall& w : *floor.walls) {
        const auto box = w.bulges.empty() ? bounds(w.points) : bounds(flattened(w));
        if (box && map.to_screen(*box).adjusted(-40, -40, 40, 40).intersects(visible))
            list.push_back({&w, &wall_type(project, w.type)});
    }
    std::stable_sort(list.begin(), list.end(), [](const DrawnWall& a, const DrawnWall& b) {
        const int ra = paint_rank(a.type->family), rb = paint_rank(b.type->family);
        return ra != rb ? ra < rb : a.type->id < b.type->id;
    });
    return list;
}

/// So thin on the screen that all walls of a type are drawn at once.
bool is_hairline(const DrawnWall& d, const PlanMap& map) {
    const bool plain = d.wall->base_m <= 1 && !d.wall->top_m;  // no hatch shows at this width
    return plain && d.type->thickness_m * map.px_per_m <= 2;
}

/// Single pieces of a type go at once; the joints of runs stay joined, since casing is not opaque.
void paint_casings(QPainter& p, const std::vector<DrawnWall>& walls, const PlanMap& map,
                   const Palette& palette) {
    QVector<QLineF> single;
    for (std::size_t i = 0; i < walls.size(); ++i) {
        const DrawnWall& d = walls[i];
        if (d.type->family == Family::timber) continue;
        const double width = width_px(d.type->thickness_m, map) + 3.2;
        if (d.wall->points.size() == 2 && d.wall->bulges.empty())
            single << QLineF(map.to_screen(d.wall->points[0]), map.to_screen(d.wall->points[1]));
        else
            stroke(p, polygon_of(flattened(*d.wall), map), palette.casing, width);
        if (i + 1 < walls.size() && walls[i + 1].type == d.type) continue;
        p.setPen(QPen(palette.casing, width, Qt::SolidLine, Qt::SquareCap, Qt::MiterJoin));
        p.drawLines(single);
        single.clear();
    }
}

void paint_bodies(QPainter& p, const std::vector<DrawnWall>& walls, const PlanMap& map,
                  const Palette& palette) {
    constexpr std::size_t crowded = 1500;  // so many that a quicker pen is worth its thinner line
    QVector<QLineF> lines;
    const WallType* type = nullptr;
    const auto flush = [&] {
        if (lines.isEmpty()) return;
        const double width = walls.size() > crowded ? 1 : width_px(type->thickness_m, map);
        p.setPen(QPen(palette.family(type->family), width, Qt::SolidLine,
                      walls.size() > crowded ? Qt::FlatCap : Qt::SquareCap));
        p.drawLines(lines);
        lines.clear();
    };
    for (const DrawnWall& d : walls) {
        if (type != d.type) flush();
        type = d.type;
        if (!is_hairline(d, map)) {
            flush();
            paint_wall(p, *d.wall, *d.type, map, palette);
            continue;
        }
        for_each_chord(*d.wall, [&](const Chord& c) {
            lines << QLineF(map.to_screen(c.line.a), map.to_screen(c.line.b));
        });
    }
    flush();
}

void paint_openings(QPainter& p, const Project& project, const std::vector<DrawnWall>& walls,
                    const PlanMap& map, const Palette& palette) {
    constexpr double told_px = 5;  // narrower ones are gaps only
    QVector<QLineF> gaps;
    for (const DrawnWall& d : walls)
        for (const Opening& o : d.wall->openings) {
            if (o.width_m * map.px_per_m >= told_px) {
                paint_opening(p, *d.wall, o, *d.type, wall_type(project, o.type), map, palette);
                continue;
            }
            const Segment s = span(*d.wall, o);
            gaps << QLineF(map.to_screen(s.a), map.to_screen(s.b));
        }
    p.setPen(QPen(palette.floor, 1.6, Qt::SolidLine, Qt::FlatCap));
    p.drawLines(gaps);
}

void paint_grid(QPainter& p, const PlanMap& map, const QRectF& visible, double step_m, const QColor& colour) {
    const Point low = map.to_floor(visible.bottomLeft()), high = map.to_floor(visible.topRight());
    // filling is several times quicker than drawing lines that blend
    for (double x = std::ceil(low.x / step_m) * step_m; x <= high.x; x += step_m)
        p.fillRect(QRectF(std::round(map.to_screen(Point{x, 0}).x()), visible.top(), 1, visible.height()),
                   colour);
    for (double y = std::ceil(low.y / step_m) * step_m; y <= high.y; y += step_m)
        p.fillRect(QRectF(visible.left(), std::round(map.to_screen(Point{0, y}).y()), visible.width(), 1),
                   colour);
}

}  // namespace

void paint_ground(QPainter& p, const Floor& floor, const PlanMap& map, const QRectF& visible,
                  const Palette& palette, bool fine_grid) {
    p.fillRect(visible, palette.paper);
    if (fine_grid && map.px_per_m >= 6) {
        QColor fine = palette.grid;
        fine.setAlphaF(fine.alphaF() / 2);
        paint_grid(p, map, visible, 1, fine);
    }
    if (map.px_per_m >= 1.5) paint_grid(p, map, visible, 5, palette.grid);
    // what the walls close round is floor
    p.setPen(Qt::NoPen);
    p.setBrush(palette.floor);
    QPainterPath rooms;
    rooms.setFillRule(Qt::WindingFill);
    for (const Wall& w : *floor.walls)
        if (w.closed()) rooms.addPolygon(polygon_of(flattened(w), map));
    for (const Zone& z : *floor.zones) rooms.addPolygon(polygon_of(z.outline, map));
    p.drawPath(rooms);
}

void paint_zones(QPainter& p, const Floor& floor, const PlanMap& map, const Palette& palette, ZoneId selected,
                 bool tinted) {
    for (const Zone& z : *floor.zones) {
        if (z.id == selected) continue;
        const QColor colour = palette.zones[static_cast<std::size_t>(z.colour) % palette.zones.size()];
        const bool served = z.kind == ZoneKind::served;
        const QColor mixed = tinted ? colour : palette.ink;
        QPen pen(with_alpha(mixed, served ? 0.75 : 0.4), 1.1);
        pen.setDashPattern(served ? QVector<qreal>{6, 3} : QVector<qreal>{2, 3});
        pen.setCapStyle(Qt::FlatCap);
        const QPolygonF outline = polygon_of(z.outline, map);
        p.setPen(pen);
        p.setBrush(tinted && served ? QBrush(with_alpha(colour, 0.10)) : QBrush(Qt::NoBrush));
        p.drawPolygon(outline);
        if (!tinted || (z.kind != ZoneKind::keep_out && z.kind != ZoneKind::outside)) continue;
        // where nothing may hang, and what is not ours, is hatched; the pattern is fixed to the screen
        p.setPen(Qt::NoPen);
        p.setBrush(QBrush(with_alpha(z.kind == ZoneKind::keep_out ? palette.not_met : palette.muted, 0.22),
                          z.kind == ZoneKind::keep_out ? Qt::BDiagPattern : Qt::FDiagPattern));
        p.drawPolygon(outline);
    }
}

std::optional<QPointF> label_place(const Zone& z, QSizeF size, const PlanMap& map,
                                   const std::vector<QRectF>& taken) {
    const QPointF middle = map.to_screen(centroid(z.outline));
    const auto free = [&](QPointF c) {
        const QRectF r(c.x() - size.width() / 2 - 4, c.y() - size.height() / 2 - 3, size.width() + 8,
                       size.height() + 6);
        for (QPointF corner : {r.topLeft(), r.topRight(), r.bottomLeft(), r.bottomRight(), r.center()})
            if (!contains(z.outline, map.to_floor(corner))) return false;
        return std::none_of(taken.begin(), taken.end(), [&](const QRectF& t) { return t.intersects(r); });
    };
    const QRectF room = map.to_screen(*bounds(z.outline));
    for (double away = 0; away < std::max(room.width(), room.height()); away += 12)
        for (QPointF way : {QPointF(0, 1), QPointF(0, -1), QPointF(1, 0), QPointF(-1, 0), QPointF(0.7, 0.7),
                            QPointF(-0.7, 0.7), QPointF(0.7, -0.7), QPointF(-0.7, -0.7)})
            if (free(middle + way * away)) return middle + way * away;
    return std::nullopt;
}

void paint_zone_names(QPainter& p, const Project& project, const Floor& floor, const PlanMap& map,
                      const Palette& palette, std::vector<QRectF> taken) {
    for (const Closet& c : *floor.closets)
        taken.push_back(QRectF(-18, -12, 36, 40).translated(map.to_screen(c.position)));
    for (const Zone& z : *floor.zones) {
        const QString name = QString::fromStdString(z.name);
        const bool with_area = z.kind != ZoneKind::not_needed;
        const QSizeF size(QFontMetricsF(font(11.5, 600)).horizontalAdvance(name), with_area ? 27 : 13);
        const auto c = label_place(z, size, map, taken);
        if (!c) continue;
        taken.push_back(
            QRectF(c->x() - size.width() / 2, c->y() - size.height() / 2, size.width(), size.height()));
        draw_halo_text(p, *c - QPointF(0, with_area ? 7 : 0), name, font(11.5, 600), palette.ink,
                       palette.casing);
        if (with_area)
            draw_halo_text(p, *c + QPointF(0, 7),
                           local(format_area(area_m2(z.outline), project.settings.units)), font(11),
                           palette.ink, palette.casing, 3);
    }
}

void paint_voids(QPainter& p, const Floor& floor, const PlanMap& map, const Palette& palette) {
    for (const SlabVoid& v : floor.slab->voids) {
        const QPolygonF outline = polygon_of(v.outline, map);
        p.setPen(QPen(palette.ink, 1));
        p.setBrush(palette.paper);
        p.drawPolygon(outline);
        QPen cross(with_alpha(palette.ink, 0.5), 0.8, Qt::CustomDashLine);
        cross.setDashPattern({9, 3, 2, 3});
        p.setPen(cross);
        if (outline.size() == 4) {
            p.drawLine(outline[0], outline[2]);
            p.drawLine(outline[1], outline[3]);
        }
        draw_halo_text(p, map.to_screen(centroid(v.outline)), QString::fromStdString(v.name), font(11.5, 600),
                       palette.ink, palette.casing);
    }
}

void paint_walls(QPainter& p, const Project& project, const Floor& floor, const PlanMap& map,
                 const QRectF& visible, const Palette& palette, bool cased) {
    p.save();
    p.setRenderHint(QPainter::Antialiasing);
    p.setBrush(Qt::NoBrush);
    const auto walls = visible_walls(project, floor, map, visible);
    if (cased) paint_casings(p, walls, map, palette);
    paint_bodies(p, walls, map, palette);
    paint_openings(p, project, walls, map, palette);
    p.restore();
}

void paint_type_sample(QPainter& p, const QRectF& r, const WallType& type, const Palette& palette) {
    p.save();
    p.setRenderHint(QPainter::Antialiasing);
    p.setClipRect(r);
    p.fillRect(r, palette.tile);
    const QColor ink = palette.family(type.family);
    // as thick as it is: 100 mm are 10 px, at least 3
    const double thick = std::clamp(type.thickness_m * 100, 3.0, r.width() - 8);
    const QRectF body(r.center().x() - thick / 2, r.top() - 1, thick, r.height() + 2);
    p.setPen(QPen(ink, 1));
    p.setBrush(type.family == Family::glass ? QBrush(with_alpha(ink, 0.18)) : QBrush(with_alpha(ink, 0.12)));
    p.drawRect(body);
    p.setClipRect(body.intersected(r));
    p.setPen(QPen(with_alpha(ink, 0.9), 1));
    switch (type.family) {
        case Family::brick:
        case Family::special:
            for (double x = -40; x < 80; x += 5)
                p.drawLine(QPointF(r.left() + x, r.bottom()), QPointF(r.left() + x + r.height(), r.top()));
            break;
        case Family::concrete:
            p.setBrush(ink);
            for (int i = 0; i < 26; ++i)
                p.drawPoint(QPointF(body.left() + (i * 7919 % 97) / 97.0 * body.width(),
                                    r.top() + (i * 104729 % 89) / 89.0 * r.height()));
            break;
        case Family::timber:
            for (double y = 3; y < r.height(); y += 4)
                p.drawLine(QPointF(body.left(), r.top() + y), QPointF(body.right(), r.top() + y - 2));
            break;
        case Family::steel:
            p.fillRect(body, ink);
            break;
        case Family::board:
            p.drawLine(QPointF(body.left() + 2.5, r.top()), QPointF(body.left() + 2.5, r.bottom()));
            p.drawLine(QPointF(body.right() - 2.5, r.top()), QPointF(body.right() - 2.5, r.bottom()));
            break;
        case Family::glass:
            p.drawLine(QPointF(r.center().x(), r.top()), QPointF(r.center().x(), r.bottom()));
            break;
    }
    p.restore();
    p.setPen(QPen(palette.line, 1));
    p.setBrush(Qt::NoBrush);
    p.drawRoundedRect(r.adjusted(-0.5, -0.5, 0.5, 0.5), 2, 2);
}

}  // namespace yemvo::render
