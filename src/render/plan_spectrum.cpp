// SPDX-License-Identifier: GPL-3.0-or-later
#include "render/plan_spectrum.h"

#include <algorithm>
#include <cmath>
#include <map>

#include "project/project.h"
#include "render/plan_marks.h"
#include "render/text_style.h"
#include "tuning/meetings.h"

namespace yemvo::render {
namespace {

/// A line for less would be a web.
constexpr double least_drawn = 0.01;
constexpr std::size_t most_drawn = 60;

void line(QPainter& p, QPointF from, QPointF to, const QPen& pen, const Palette& palette) {
    p.setPen(QPen(palette.casing, pen.widthF() + 2.5, Qt::SolidLine, Qt::RoundCap));
    p.drawLine(from, to);
    p.setPen(pen);
    p.drawLine(from, to);
}

void tag(QPainter& p, QPointF at, const QString& words, const Palette& palette) {
    const QFont small = font(11.5, 600);
    const double width = QFontMetricsF(small).horizontalAdvance(words) + 12;
    const QRectF box(at.x() - width / 2, at.y() - 9, width, 18);
    p.setPen(QPen(palette.not_met, 1));
    p.setBrush(palette.paper);
    p.drawRoundedRect(box, 3, 3);
    p.setFont(small);
    p.setPen(palette.not_met);
    p.drawText(box, Qt::AlignCenter, words);
}

}  // namespace

void paint_channels(QPainter& p, const Project& project, const Floor& floor, BandSet bands,
                    const PlanMap& map, QSizeF view, const Palette& palette) {
    const QRectF seen = QRectF(QPointF(0, 0), view).adjusted(-40, -40, 40, 40);
    const QFont small = font(12, 500);
    for (const AccessPoint& ap : access_points(project, floor.id)) {
        const QPointF at = map.to_screen(ap.position);
        if (!seen.contains(at)) continue;
        double y = badge_area(at).bottom() + 9;
        bool locked = false;
        for (const Radio& r : ap.radios) {
            if (!r.on || !bands.contains(r.channel.band)) continue;
            const QString words = r.channel_open ? QStringLiteral("–")
                                                 : local(short_channel_text(r.primary, r.channel.width_mhz));
            draw_halo_text(p, {at.x(), y}, words, small,
                           bands.single() ? palette.ink : palette.band(r.channel.band).solid, palette.casing);
            y += channel_line_px;
            locked = locked || r.locked;
        }
        if (locked) paint_padlock(p, badge_area(at).topRight() + QPointF(5, 2), palette.ink);
    }
}

void paint_meetings(QPainter& p, const Project& project, const Floor& floor, const SiteAir& air,
                    const std::vector<AirMeeting>& meetings, BandSet bands, const PlanMap& map,
                    const Palette& palette, MeetingPart part) {
    std::map<AccessPointId, QPointF> places;
    for (const AccessPoint& ap : access_points(project, floor.id)) places[ap.id] = map.to_screen(ap.position);
    // a neighbour stands where it was heard on this floor
    const auto place_of = [&](std::uint32_t i) -> std::optional<QPointF> {
        if (const NeighbourRadio* other = air.neighbour(i)) {
            for (const NeighbourRadio::Reading& r : other->readings)
                if (r.floor == floor.id) return map.to_screen(r.at);
            return std::nullopt;
        }
        const auto at = places.find(air.radios[i].access_point);
        return at == places.end() ? std::nullopt : std::optional(at->second);
    };
    std::vector<std::pair<QPointF, QString>> tags;
    std::size_t drawn = 0;
    for (const AirMeeting& m : meetings) {
        const AirRadio& a = air.radios[m.a];
        const AirRadio& b = air.radios[m.b];
        if (m.lost() < least_drawn || drawn >= most_drawn) break;
        if (!bands.contains(a.channel.band)) continue;
        const auto from = place_of(m.a), to = place_of(m.b);
        if (!from && !to) continue;
        if (air.neighbour(m.b) && (!from || !to)) continue;
        ++drawn;
        const QString words = percent(m.lost(), m.lost() < 0.1 ? 1 : 0);
        const QPen pen(palette.not_met, std::clamp(1 + 20 * m.lost(), 1.5, 7.0),
                       m.how == Sharing::partly ? Qt::DotLine : Qt::SolidLine, Qt::RoundCap);
        if (from && to) {
            if (part == MeetingPart::lines) line(p, *from, *to, pen, palette);
            // a neighbour has a mark of its own, which the figure leaves free
            const double along = air.neighbour(m.b) ? 0.35 : 0.5;
            tags.push_back({*from + along * (*to - *from), words});
            continue;
        }
        const bool here_is_a = from.has_value();
        const QPointF at = here_is_a ? *from : *to;
        const FloorId other = here_is_a ? b.floor : a.floor;
        const Floor* far = find_floor(project, other);
        const bool up = far && far->elevation_m > floor.elevation_m;
        const QPointF end = at + QPointF(34, up ? -34 : 34);
        if (part == MeetingPart::lines) line(p, at, end, pen, palette);
        tags.push_back(
            {end + QPointF(24, up ? -6 : 6), QString("%1 %2 %3")
                                                 .arg(words, up ? QStringLiteral("↑") : QStringLiteral("↓"))
                                                 .arg(here_is_a ? b.number : a.number)});
    }
    if (part == MeetingPart::tags)
        for (const auto& [at, words] : tags) tag(p, at, words, palette);
}

}  // namespace yemvo::render
