// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/plan/scale_tool.h"

#include <QLineEdit>

#include "app/forms/form.h"
#include "app/look/theme.h"
#include "app/model/drawings_in_view.h"
#include "app/plan/entry_box.h"
#include "project/edits.h"
#include "project/project.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {
namespace {

constexpr double square_foot_m2 = 0.3048 * 0.3048;
constexpr double close_px = 9;

QString percent_off(double share) { return (share >= 0 ? "+" : "") + render::figure(share * 100, 1) + " %"; }

}  // namespace

double parse_area_m2(const QString& typed, LengthUnits units) {
    QString text = typed.trimmed();
    double unit_m2 = units == LengthUnits::metres ? 1 : square_foot_m2;
    for (const auto& [ending, m2] :
         std::initializer_list<std::pair<const char*, double>>{{"m²", 1},
                                                               {"m2", 1},
                                                               {"sqm", 1},
                                                               {"sq m", 1},
                                                               {"sq ft", square_foot_m2},
                                                               {"ft²", square_foot_m2},
                                                               {"ft2", square_foot_m2},
                                                               {"sqft", square_foot_m2}})
        if (text.endsWith(QString::fromUtf8(ending), Qt::CaseInsensitive)) {
            text.chop(QString::fromUtf8(ending).size());
            unit_m2 = m2;
            break;
        }
    return parse_number(text.trimmed(), 0.01, 1e8, {}) * unit_m2;
}

std::vector<HintPart> ScaleTool::hint() const {
    if (!workspace_.drawings().drawing())
        return {{"", tr("this floor has no drawing yet: drop one on the window")}};
    if (by_area()) {
        if (asked_)
            return {{"", tr("type the area, such as 54.3 m²")},
                    {tr("Enter"), tr("set the scale")},
                    {tr("Esc"), tr("undo last point")}};
        return {{"", tr("click the corners of a room whose area you know")},
                {tr("Enter"), tr("close it")},
                {tr("Esc"), tr("undo last point")}};
    }
    if (points_.empty())
        return {{"", checking() ? tr("click one end of a length to check")
                                : tr("click one end of a length you know")},
                {tr("Esc"), tr("exit tool")}};
    if (points_.size() == 1)
        return {{"", tr("click its other end")},
                {tr("Shift"), tr("level or plumb")},
                {tr("Esc"), tr("undo last point")}};
    return {{"", tr("type how long it is, such as 12.5 m or 41' 0\"")},
            {tr("Enter"), checking() ? tr("compare") : tr("set the scale")},
            {tr("Esc"), tr("undo last point")}};
}

void ScaleTool::ask(QPointF at) {
    asked_ = true;
    const bool metric = workspace_.units() == LengthUnits::metres;
    if (by_area())
        surface_.entry().open({{tr("Area"), metric ? "m²" : "sq ft"}});
    else
        surface_.entry().open({{tr("Length"), metric ? "m" : ""}});
    if (checking())
        surface_.entry().set_live(
            {render::local(format_length(distance(points_[0], points_[1]), workspace_.units(), false))});
    surface_.entry().follow(at);
    surface_.entry().field(0)->setFocus();
}

void ScaleTool::press(const PointerEvent& e) {
    if (!workspace_.drawings().drawing())
        return workspace_.tell(tr("This floor has no drawing to scale: drop one on the window"), true);
    if (asked_) leave();
    move(e);
    if (by_area()) {
        if (points_.size() > 2 && QLineF(map().to_screen(points_.front()), e.screen).length() < close_px)
            return close_outline();
        points_.push_back(pointer_);
    } else {
        points_.push_back(pointer_);
        if (points_.size() == 2) ask(e.screen);
    }
    checked_.clear();
    workspace_.tell({});
    surface_.repaint_tool();
}

void ScaleTool::close_outline() {
    if (points_.size() < 3) return workspace_.tell(tr("An area needs three corners or more"), true);
    ask(map().to_screen(centroid(points_)));
    surface_.repaint_tool();
}

void ScaleTool::move(const PointerEvent& e) {
    pointer_ = e.floor;
    if (!points_.empty() && (e.keys & Qt::ShiftModifier)) {
        const Point d = pointer_ - points_.back();
        pointer_ = std::abs(d.x) > std::abs(d.y) ? Point{pointer_.x, points_.back().y}
                                                 : Point{points_.back().x, pointer_.y};
    }
    surface_.repaint_tool();
}

bool ScaleTool::double_click(const PointerEvent&) {
    if (by_area() && points_.size() > 2) close_outline();
    return true;
}

bool ScaleTool::key(QKeyEvent& e) {
    if (by_area() && !asked_ && (e.key() == Qt::Key_Return || e.key() == Qt::Key_Enter)) {
        close_outline();
        return true;
    }
    return false;
}

bool ScaleTool::back() {
    if (points_.empty()) return false;
    if (!by_area() || !asked_) points_.pop_back();
    asked_ = false;
    surface_.entry().close_box();
    surface_.repaint_tool();
    return true;
}

void ScaleTool::leave() {
    points_.clear();
    asked_ = false;
    surface_.entry().close_box();
}

void ScaleTool::set_length(double length_m) {
    Drawing d = *workspace_.drawings().drawing();
    if (d.scale_by != ScaleBy::lengths) d.lengths.clear();
    d.lengths.push_back({d.to_sheet(points_[0]), d.to_sheet(points_[1]), length_m});
    const Point fixed = d.to_venue(d.lengths.front().a);
    d = scaled_by_lengths(d);
    const FloorId at = workspace_.floor_id();
    const bool with_floor = workspace_.drawings().scales_floor();
    leave();
    workspace_.edit(tr("Set scale"), [&](Project& p) { set_drawing_scale(p, at, d, fixed, with_floor); });
    std::vector<ScalePair> pairs;
    for (const KnownLength& k : d.lengths) pairs.push_back({distance(k.a, k.b), k.length_m});
    const double worst = fit_scale(pairs).worst();
    const QString wide = tr("The drawing is to scale: %1 wide")
                             .arg(render::local(format_length(d.source.sheet.width() * d.placement.scale,
                                                              workspace_.units())));
    if (std::abs(worst) > scale_tolerance)
        workspace_.tell(
            tr("The lengths disagree by up to %1: check them in Details; one may be typed or clicked wrong")
                .arg(percent_off(worst)),
            true);
    else
        workspace_.tell(d.lengths.size() > 1
                            ? tr("%1; the lengths agree within %2").arg(wide, percent_off(std::abs(worst)))
                            : tr("%1. Another known length makes it surer").arg(wide));
}

void ScaleTool::set_area(double area) {
    Drawing d = *workspace_.drawings().drawing();
    std::vector<Point> sheet;
    for (Point p : points_) sheet.push_back(d.to_sheet(p));
    const double drawn = area_m2(sheet);
    if (!(drawn > 0))
        throw Error(say("the outline has no area"), {}, say("Click the corners in their order"));
    const Point fixed = points_.front();
    d.lengths.clear();
    d = rescaled(d, std::sqrt(area / drawn), fixed, ScaleBy::area);
    const FloorId at = workspace_.floor_id();
    const bool with_floor = workspace_.drawings().scales_floor();
    leave();
    workspace_.edit(tr("Set scale"), [&](Project& p) { set_drawing_scale(p, at, d, fixed, with_floor); });
    workspace_.tell(tr("The drawing is to scale by its area. Check a length to be sure"));
}

void ScaleTool::tell_check(double length_m) {
    const double drawn_m = distance(points_[0], points_[1]), off = (drawn_m - length_m) / length_m;
    const auto one = [&](double m) { return render::local(format_length(m, workspace_.units())); };
    checked_ = tr("%1 drawn, %2 known: %3").arg(one(drawn_m), one(length_m), percent_off(off));
    asked_ = true;
    surface_.entry().close_box();
    workspace_.tell(checked_, std::abs(off) > scale_tolerance);
    surface_.repaint_tool();
}

void ScaleTool::entered(const std::vector<QString>& typed) {
    if (!asked_ || !workspace_.drawings().drawing()) return;
    try {
        if (by_area()) return set_area(parse_area_m2(typed[0], workspace_.units()));
        if (checking() && typed[0].isEmpty()) return tell_check(distance(points_[0], points_[1]));
        const double length_m = parse_length_m(render::plain(typed[0]), workspace_.units());
        if (!(length_m > 0)) throw Error(say("the length must be above 0"));
        if (checking())
            tell_check(length_m);
        else
            set_length(length_m);
    } catch (const Error& fault) {
        surface_.entry().show_fault(0, fault_text(fault));
        workspace_.tell(fault_text(fault), true);
    }
}

void ScaleTool::paint_line(QPainter& p, Point from, Point to, const QColor& ink) {
    const auto& colours = theme();
    const QPointF a = map().to_screen(from), b = map().to_screen(to);
    for (const QPen& pen : {QPen(colours.casing, 6), QPen(ink, 1.6)}) {
        p.setPen(pen);
        p.drawLine(a, b);
    }
    for (QPointF c : {a, b}) {
        p.setPen(QPen(ink, 1.6));
        p.drawLine(c + QPointF(-7, 7), c + QPointF(7, -7));
        p.setBrush(colours.tile);
        p.drawEllipse(c, 3, 3);
    }
}

void ScaleTool::paint_known(QPainter& p, const Drawing& d) {
    const auto& colours = theme();
    int number = 0;
    for (const KnownLength& k : d.lengths) {
        const Point a = d.to_venue(k.a), b = d.to_venue(k.b);
        const double off = (distance(a, b) - k.length_m) / k.length_m;
        const bool bad = std::abs(off) > scale_tolerance;
        paint_line(p, a, b, bad ? colours.not_met : colours.accent);
        const QString words = QString("%1  ").arg(++number) +
                              render::local(format_length(k.length_m, workspace_.units())) +
                              (d.lengths.size() > 1 ? "  " + percent_off(off) : QString());
        QPointF middle = map().to_screen(lerp(a, b, 0.5)) + QPointF(0, -12);
        const double half = QFontMetricsF(render::font(11.5, 600)).horizontalAdvance(words) / 2 + 8;
        middle.setX(std::clamp(middle.x(), half, std::max(half, p.viewport().width() - half)));
        render::draw_halo_text(p, middle, words, render::font(11.5, 600),
                               bad ? colours.not_met : colours.accent, colours.casing, 4);
    }
}

void ScaleTool::paint(QPainter& p) {
    const auto& colours = theme();
    if (const Drawing* d = workspace_.drawings().drawing(); d && d->scale_by == ScaleBy::lengths)
        paint_known(p, *d);
    if (points_.empty()) return;
    if (!by_area()) {
        const Point end = points_.size() == 2 ? points_[1] : pointer_;
        paint_line(p, points_[0], end, colours.accent);
        if (!checked_.isEmpty())
            render::draw_halo_text(p, map().to_screen(lerp(points_[0], end, 0.5)) + QPointF(0, -12), checked_,
                                   render::font(11.5, 600), colours.accent, colours.casing, 4);
        return;
    }
    QPolygonF outline;
    for (Point q : points_) outline << map().to_screen(q);
    if (!asked_) outline << map().to_screen(pointer_);
    p.setPen(QPen(colours.accent, 1.6));
    p.setBrush(render::with_alpha(colours.accent, 0.12));
    p.drawPolygon(outline);
    p.setBrush(colours.tile);
    for (Point q : points_) p.drawEllipse(map().to_screen(q), 3.5, 3.5);
}

}  // namespace yemvo::app
