// SPDX-License-Identifier: GPL-3.0-or-later
#include "render/report/building_section.h"

#include <algorithm>

#include "base/length_text.h"
#include "render/report/styles.h"
#include "render/text_style.h"

namespace yemvo::render::report {
namespace {

constexpr double gap_m = 6, levels_px = 60;

struct Stack {
    const Building* building;
    Box box;               ///< in its own metres
    double left_m;         ///< of the drawing
    double low_m, high_m;  ///< above the site's zero
};

struct Side {
    std::vector<Stack> stacks;
    double width_m = 0, low_m = 0, high_m = 0;
};

Side side_of(const Project& project) {
    Side side;
    bool first = true;
    for (const Building& b : project.buildings) {
        const auto box = extent(b);
        if (!box || b.floors.empty()) continue;
        Stack s{&b, *box, side.width_m, b.level_m + b.floors.front().elevation_m, b.level_m};
        s.high_m = b.kind == BuildingKind::yard ? s.low_m + 1 : b.level_m + b.floors.back().top_m();
        side.width_m += box->width() + gap_m;
        side.low_m = first ? s.low_m : std::min(side.low_m, s.low_m);
        side.high_m = first ? s.high_m : std::max(side.high_m, s.high_m);
        first = false;
        side.stacks.push_back(s);
    }
    side.width_m = std::max(1.0, side.width_m - gap_m);
    return side;
}

struct Scale {
    double x = 1, y = 1;  ///< pixels a metre
};

Scale scale_of(const Side& side, const QSizeF& size, bool told) {
    const double width = size.width() - (told ? levels_px : 0);
    Scale s;
    s.x = width / side.width_m;
    s.y = std::min((size.height() - 40) / std::max(1.0, side.high_m - side.low_m), s.x * 6);
    if (s.y < s.x) s.x = s.y;
    return s;
}

class Painter {
public:
    Painter(QPainter& p, const QRectF& box, const Project& project, bool told)
        : p_(p),
          project_(project),
          side_(side_of(project)),
          scale_(scale_of(side_, box.size(), told)),
          told_(told) {
        left_ = box.left() + (told ? levels_px : 0);
        base_ = box.bottom() - 20 + side_.low_m * scale_.y;
    }

    void paint() {
        for (const Stack& s : side_.stacks)
            for (const Floor& f : s.building->floors) storey(s, f);
        if (told_) levels();
    }

private:
    double x(const Stack& s, double own_m) const {
        return left_ + (s.left_m + own_m - s.box.low.x) * scale_.x;
    }
    double y(double level_m) const { return base_ - level_m * scale_.y; }

    void storey(const Stack& s, const Floor& f) {
        const auto& colours = print_palette();
        const bool yard = s.building->kind == BuildingKind::yard;
        const Box own = extent(f).value_or(s.box);
        const double low = s.building->level_m + f.elevation_m, high = low + f.height_m;
        const QRectF room(QPointF(x(s, own.low.x), y(high)), QPointF(x(s, own.high.x), y(low)));
        p_.setPen(Qt::NoPen);
        if (!yard) {
            p_.setBrush(colours.floor);
            p_.drawRect(room);
            p_.setPen(QPen(colours.slab, 1));
            p_.drawLine(room.topLeft(), room.bottomLeft());
            p_.drawLine(room.topRight(), room.bottomRight());
            if (&f == &s.building->floors.back()) p_.drawLine(room.topLeft(), room.topRight());
        }
        p_.setPen(QPen(colours.slab, yard ? 1.2 : 3, Qt::SolidLine, Qt::FlatCap));
        p_.drawLine(room.bottomLeft(), room.bottomRight());
        for (const AccessPoint& ap : access_points(project_, f.id)) dot(s, low, ap);
        if (told_) name(room, f);
    }

    void dot(const Stack& s, double low, const AccessPoint& ap) {
        const auto& colours = print_palette();
        const QPointF at(x(s, ap.position.x), y(low + ap.height_m));
        p_.setPen(QPen(colours.accent, 1.2));
        p_.setBrush(colours.tile);
        p_.drawEllipse(at, 3.4, 3.4);
        if (!told_) return;
        p_.setPen(colours.ink);
        p_.setFont(font(9, 600));
        p_.drawText(QRectF(at.x() - 20, at.y() + 3, 40, 12), Qt::AlignCenter, QString::number(ap.number));
    }

    void name(const QRectF& room, const Floor& f) {
        p_.setFont(font(10.5, 600));
        p_.setPen(print_palette().ink);
        const QString words = QFontMetricsF(p_.font()).elidedText(
            QString::fromStdString(f.name), Qt::ElideRight, std::max(40.0, room.width() - 12));
        const double high = std::min(18.0, room.height() - 2);
        p_.drawText(QRectF(room.left() + 6, room.bottom() - high - 2, room.width(), high),
                    Qt::AlignLeft | Qt::AlignVCenter, words);
    }

    void levels() {
        // those of buildings first: a yard's level may have to give way
        std::vector<double> all, taken;
        for (const BuildingKind kind : {BuildingKind::building, BuildingKind::yard})
            for (const Stack& s : side_.stacks)
                if (s.building->kind == kind)
                    for (const Floor& f : s.building->floors)
                        all.push_back(s.building->level_m + f.elevation_m);
        for (double level : all) {
            const double at = y(level);
            if (std::ranges::any_of(taken, [&](double other) { return std::abs(other - at) < 13; })) continue;
            taken.push_back(at);
            p_.setFont(font(10));
            p_.setPen(print_palette().muted);
            p_.drawText(QRectF(left_ - levels_px, at - 8, levels_px - 8, 16),
                        Qt::AlignRight | Qt::AlignVCenter,
                        local(format_level(level, project_.settings.units)));
        }
    }

    QPainter& p_;
    const Project& project_;
    Side side_;
    Scale scale_;
    bool told_;
    double left_ = 0, base_ = 0;
};

}  // namespace

double section_stretch(const Project& project, const QSizeF& size, bool told) {
    const Scale s = scale_of(side_of(project), size, told);
    return s.y / s.x;
}

void paint_building_section(QPainter& p, const QRectF& box, const Project& project, bool told) {
    Painter(p, box, project, told).paint();
}

}  // namespace yemvo::render::report
