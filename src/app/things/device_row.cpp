// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/things/device_row.h"

#include <QKeyEvent>
#include <QPainter>

#include "app/arrange/arrange_group.h"
#include "app/details/demand_rows.h"
#include "app/forms/form.h"
#include "app/forms/form_parts.h"
#include "app/look/theme.h"
#include "app/model/activity.h"
#include "app/model/selection.h"
#include "app/model/tool_id.h"
#include "app/plan/tool.h"
#include "project/demand_place.h"
#include "project/kinds/device_row.h"
#include "project/kinds/thing_edits.h"
#include "project/library.h"
#include "render/plan_demand.h"
#include "render/tr.h"

namespace yemvo::app {
namespace {

/// Shorter drags are a click: all stand at one place.
constexpr double shortest_row_m = 0.3;

QString row_name(const Project&, const Floor& f, const Item& item) {
    return said_text(KindOf<DeviceRow>::label(*find_device_row(f, DeviceRowId{item.id})));
}

void paint_row(QPainter& p, const Floor& f, const Item& item, const render::PlanMap& map) {
    render::paint_device_row(p, *find_device_row(f, DeviceRowId{item.id}), map, theme());
}

/// The first of "Devices 1", "Devices 2", … that no row of the project has.
std::string free_row_name(const Project& project) {
    for (int n = 1;; ++n) {
        std::string wanted = tr("Devices %1").arg(n).toStdString();
        bool taken = false;
        for (const Floor* f : all_floors(project))
            for (const DeviceRow& r : *f->device_rows) taken = taken || r.name == wanted;
        if (!taken) return wanted;
    }
}

/// As the one drawn before, else of the first of the usual devices.
ZoneDemand next_demand(const Project& project) {
    for (const Floor* f : all_floors(project))
        if (!f->device_rows->empty()) return f->device_rows->back().demand;
    return standard_devices().front().demand;
}

class DeviceRowTool : public Tool {
public:
    using Tool::Tool;
    QString name() const override { return tr("Fixed devices"); }
    std::vector<HintPart> hint() const override {
        if (first_) return {{"", tr("click where the last stands")}, {tr("Esc"), tr("undo last point")}};
        return {{"", tr("click where the first stands, or drag along the row")},
                {tr("Alt"), tr("no snapping")},
                {tr("Esc"), tr("exit tool")}};
    }
    void move(const PointerEvent& e) override {
        if (!floor()) return;
        SnapOptions o = snap_options(e);
        o.angles = false;
        pointer_ = snapped_to(e.floor, o);
        surface_.repaint_tool();
    }
    void press(const PointerEvent& e) override {
        if (!floor()) return;
        move(e);
        if (first_) return place(pointer_->point);
        pressed_ = e.screen;
        first_ = pointer_->point;
        surface_.repaint_tool();
    }
    void release(const PointerEvent& e) override {
        if (first_ && QLineF(pressed_, e.screen).length() > 8) {
            move(e);
            place(pointer_->point);
        }
    }
    bool key(QKeyEvent& e) override {
        if (!first_ || (e.key() != Qt::Key_Return && e.key() != Qt::Key_Enter)) return false;
        place(*first_);
        return true;
    }
    bool back() override {
        if (!first_) return false;
        leave();
        surface_.repaint_tool();
        return true;
    }
    void leave() override { first_.reset(); }
    void paint(QPainter& p) override {
        if (!pointer_ || !floor()) return;
        paint_snap(p, *pointer_);
        if (first_)
            render::paint_device_row(p, DeviceRow{{}, {}, *first_, pointer_->point, next_demand(project())},
                                     map(), theme());
    }

private:
    const Project& project() const { return workspace_.project(); }
    void place(Point last) {
        DeviceRow row{{}, free_row_name(project()), *first_, last, next_demand(project())};
        if (distance(row.from, row.to) < shortest_row_m) row.to = row.from;
        leave();
        const FloorId at = workspace_.floor_id();
        Workspace& workspace = workspace_;  // this tool goes when another is chosen
        DeviceRowId made;
        workspace.edit(tr("Place fixed devices"), [&](Project& p) { made = add_thing(p, at, row); });
        workspace.activity().set_tool(ToolId::select);
        workspace.selection().select({{ItemKind::device_row, made.value}});
    }
    std::optional<Snapped> pointer_;
    std::optional<Point> first_;
    QPointF pressed_;
};

Form* row_form(Workspace& w, const Item& item) {
    const DeviceRowId id{item.id};
    auto* form = new Form(w, nullptr);
    const auto row = [&w, id]() -> const DeviceRow& { return *find_device_row(*w.floor(), id); };
    const auto change = [&w, id](const QString& label, std::function<void(DeviceRow&)> how) {
        change_thing(
            w, label, [id](Project&, const Floor& f) { return find_device_row(f, id); },
            [](Project& p, FloorId at, const DeviceRow& r) { replace_thing(p, at, r); }, how);
    };
    title(*form, tr("Fixed devices"));
    form->group(tr("What it is"));
    form->name_field(
        form->row(tr("Name")), "deviceRowName", [row] { return QString::fromStdString(row().name); },
        [=](const QString& text) {
            change(tr("Rename fixed devices"), [&](DeviceRow& r) { r.name = text.toStdString(); });
        });
    demand_rows(*form, w, item);
    form->group(tr("Where they are"));
    const auto place = [&](const QString& label, const QString& object, Point DeviceRow::*end) {
        auto* line = form->row(label);
        for (const auto& [letter, member] : {std::pair{"x", &Point::x}, {"y", &Point::y}})
            form->length_field(
                line, object + QString(letter).toUpper(), letter,
                [row, end, member = member] { return row().*end.*member; },
                [=, member = member](double v) {
                    change(tr("Move fixed devices"), [&](DeviceRow& r) { r.*end.*member = v; });
                });
    };
    place(tr("First"), "deviceRowFrom", &DeviceRow::from);
    place(tr("Last"), "deviceRowTo", &DeviceRow::to);
    form->text(tr("Floor"), [&w] { return QString::fromStdString(floor_title(w.project(), *w.floor())); });
    arrange_group(*form, w);
    form->stretch();
    return form;
}

std::unique_ptr<Tool> make_row_tool(Workspace& w, PlanSurface& s) {
    return std::make_unique<DeviceRowTool>(w, s);
}

}  // namespace

KindFace device_row_face() {
    return {ItemKind::device_row,
            PickBy::run,
            mark("fixed devices"),
            row_name,
            row_form,
            true,
            nullptr,
            nullptr,
            ToolInfo{ToolId::device_row,
                     mark("Fixed devices"),
                     "devices",
                     "Shift+Z",
                     mark("Place devices that stay where they are: a row of tills, cameras, sensors"),
                     make_row_tool,
                     {Step::demand, Step::venue},
                     ToolId::device_row},
            paint_row};
}

}  // namespace yemvo::app
