#include "app/plan/scale_tool.h"

#include <QLineEdit>

#include "app/plan/entry_box.h"
#include "app/shell/theme.h"
#include "project/edits.h"
#include "render/text_style.h"

namespace yemvo::app {

Drawing rescaled(Drawing d, Point from, Point to, double length_m) {
    const double now_m = distance(from, to);
    if (!(now_m > 1e-9)) throw Error("the two places are the same", {}, "Click two places far apart");
    if (!(length_m > 0)) throw Error("the length must be above 0");
    const double factor = length_m / now_m;
    d.placement.shift = from + (d.placement.shift - from) * factor;
    d.placement.scale *= factor;
    d.to_scale = true;
    return d;
}

std::vector<HintPart> ScaleTool::hint() const {
    if (floor() && !*floor()->drawing)
        return {{"", "this floor has no drawing yet: drop a PNG or JPEG on the window"}};
    if (ends_.empty()) return {{"", "click one end of a length you know"}, {"Esc", "leave"}};
    if (ends_.size() == 1)
        return {{"", "click its other end"}, {"Shift", "level or plumb"}, {"Esc", "one back"}};
    return {{"", "type how long it is, such as 12.5 m or 41' 0\""},
            {"Enter", "set the scale"},
            {"Esc", "one back"}};
}

void ScaleTool::press(const PointerEvent& e) {
    if (!floor() || !*floor()->drawing)
        return workspace_.tell("This floor has no drawing to scale: drop a PNG or JPEG on the window", true);
    if (ends_.size() == 2) ends_.clear();
    move(e);
    ends_.push_back(pointer_);
    if (ends_.size() == 2) {
        surface_.entry().open({{"Length", workspace_.units() == LengthUnits::metres ? "m" : ""}});
        surface_.entry().follow(e.screen);
        surface_.entry().field(0)->setFocus();
    }
    workspace_.tell({});
    surface_.repaint_tool();
}

void ScaleTool::move(const PointerEvent& e) {
    pointer_ = e.floor;
    if (ends_.size() == 1 && (e.keys & Qt::ShiftModifier)) {
        const Point d = pointer_ - ends_[0];
        pointer_ =
            std::abs(d.x) > std::abs(d.y) ? Point{pointer_.x, ends_[0].y} : Point{ends_[0].x, pointer_.y};
    }
    surface_.repaint_tool();
}

bool ScaleTool::back() {
    if (ends_.empty()) return false;
    ends_.pop_back();
    surface_.entry().close_box();
    surface_.repaint_tool();
    return true;
}

void ScaleTool::leave() {
    ends_.clear();
    surface_.entry().close_box();
}

void ScaleTool::entered(const std::vector<QString>& typed) {
    if (ends_.size() != 2 || !floor()) return;
    try {
        const double length_m = parse_length_m(typed[0].toStdString(), workspace_.units());
        const Drawing d = rescaled(*floor()->drawing, ends_[0], ends_[1], length_m);
        const FloorId at = workspace_.floor_id();
        leave();
        workspace_.edit("Set scale", [&](Project& p) { set_drawing(p, at, d); });
        workspace_.tell(
            "The drawing is to scale: " +
            QString::fromStdString(format_length(d.width_px * d.placement.scale, workspace_.units())) +
            " wide");
        workspace_.set_tool(ToolId::select);
    } catch (const Error& fault) {
        surface_.entry().show_fault(0, QString::fromUtf8(fault.what()));
        workspace_.tell(QString::fromUtf8(fault.what()), true);
    }
}

void ScaleTool::paint(QPainter& p) {
    if (ends_.empty()) return;
    const auto& colours = theme();
    const QPointF a = map().to_screen(ends_[0]), b = map().to_screen(ends_.size() == 2 ? ends_[1] : pointer_);
    for (const QPen& pen : {QPen(colours.casing, 6), QPen(colours.accent, 1.6)}) {
        p.setPen(pen);
        p.drawLine(a, b);
    }
    for (QPointF c : {a, b}) {
        p.setPen(QPen(colours.accent, 1.6));
        p.drawLine(c + QPointF(-7, 7), c + QPointF(7, -7));
        p.setBrush(colours.tile);
        p.drawEllipse(c, 3, 3);
    }
}

}  // namespace yemvo::app
