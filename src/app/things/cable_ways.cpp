// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/things/cable_ways.h"

#include <QKeyEvent>
#include <QPainter>
#include <cmath>

#include "app/arrange/arrange_group.h"
#include "app/forms/form.h"
#include "app/forms/form_parts.h"
#include "app/look/theme.h"
#include "app/model/activity.h"
#include "app/model/selection.h"
#include "app/model/tool_id.h"
#include "app/things/place_tool.h"
#include "project/kinds/thing_edits.h"
#include "project/project.h"
#include "render/plan_cables.h"
#include "render/plan_marks.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {
namespace {

template <class Thing>
bool any_named(const Project& project, const std::string& name) {
    for (const Floor* f : all_floors(project))
        for (const Thing& t : KindOf<Thing>::list(*f))
            if (t.name == name) return true;
    return false;
}
template <class Thing>
std::string free_name_of(const Project& project, const std::string& prefix) {
    return free_label(prefix, [&](const std::string& name) { return any_named<Thing>(project, name); });
}

QRectF small_area(QPointF at) { return QRectF(at.x() - 8, at.y() - 8, 16, 16); }

void paint_label(QPainter& p, QPointF under, const std::string& name, const QColor& ink) {
    if (!name.empty())
        render::draw_halo_text(p, under, QString::fromStdString(name), render::font(10.5, 600), ink,
                               theme().casing);
}

QString outlet_name(const Project&, const Floor& f, const Item& item) {
    return said_text(KindOf<Outlet>::label(*find_outlet(f, OutletId{item.id})));
}
QString tray_name(const Project&, const Floor& f, const Item& item) {
    return said_text(KindOf<Tray>::label(*find_tray(f, TrayId{item.id})));
}
QString riser_name(const Project&, const Floor& f, const Item& item) {
    return said_text(KindOf<Riser>::label(*find_riser(f, RiserId{item.id})));
}

void paint_outlet_mark(QPainter& p, const Floor& f, const Item& item, QPointF at, bool selected) {
    const QColor ink = selected ? theme().accent : theme().ink;
    render::paint_outlet(p, at, ink, theme());
    paint_label(p, at + QPointF(0, 15), find_outlet(f, OutletId{item.id})->name, ink);
}

void paint_riser_mark(QPainter& p, const Floor& f, const Item& item, QPointF at, bool selected) {
    const QColor ink = selected ? theme().accent : theme().ink;
    render::paint_riser(p, at, ink, theme());
    paint_label(p, at + QPointF(0, 18), find_riser(f, RiserId{item.id})->name, ink);
}

void paint_tray_run(QPainter& p, const Floor& f, const Item& item, const render::PlanMap& map) {
    render::paint_tray(p, *find_tray(f, TrayId{item.id}), map, theme());
}

/// Corner by corner; Enter or a click on the last corner ends it.
class TrayTool : public Tool {
public:
    using Tool::Tool;
    QString name() const override { return tr("Cable tray"); }
    std::vector<HintPart> hint() const override {
        if (points_.empty())
            return {{"", tr("click where it begins")},
                    {tr("Alt"), tr("no snapping")},
                    {tr("Esc"), tr("exit tool")}};
        return {{"", tr("click the next corner")},
                {tr("Shift"), tr("15° steps")},
                {tr("Enter"), tr("end")},
                {tr("Esc"), tr("undo last point")}};
    }
    void move(const PointerEvent& e) override {
        if (!floor()) return;
        SnapOptions o = snap_options(e);
        o.drawn = points_;
        if (!points_.empty()) o.from = points_.back();
        pointer_ = snapped_to(e.floor, o);
        surface_.repaint_tool();
    }
    void press(const PointerEvent& e) override {
        if (!floor()) return;
        move(e);
        if (!points_.empty() && distance(points_.back(), pointer_->point) < 0.05) return end();
        points_.push_back(pointer_->point);
        surface_.repaint_tool();
    }
    bool double_click(const PointerEvent&) override {
        if (points_.size() < 2) return false;
        end();
        return true;
    }
    bool key(QKeyEvent& e) override {
        if (points_.empty() || (e.key() != Qt::Key_Return && e.key() != Qt::Key_Enter)) return false;
        end();
        return true;
    }
    bool back() override {
        if (points_.empty()) return false;
        points_.pop_back();
        surface_.repaint_tool();
        return true;
    }
    void leave() override {
        if (points_.size() > 1) return end();
        points_.clear();
    }
    void abandon() override { points_.clear(); }
    void paint(QPainter& p) override {
        if (!pointer_ || !floor()) return;
        if (!points_.empty()) {
            Tray drawn;
            drawn.points = points_;
            drawn.points.push_back(pointer_->point);
            render::paint_tray(p, drawn, map(), theme());
        }
        paint_snap(p, *pointer_);
    }

private:
    void end() {
        const std::vector<Point> points = std::exchange(points_, {});
        if (points.size() < 2) return surface_.repaint_tool();
        const FloorId at = workspace_.floor_id();
        Tray tray{{}, free_name_of<Tray>(workspace_.project(), "T-"), points};
        // as high as the last one drawn on the floor, else below the slab
        tray.height_m = floor()->trays->empty()
                            ? std::max(0.0, floor()->height_m - workspace_.project().cabling.below_top_m)
                            : floor()->trays->back().height_m;
        Workspace& workspace = workspace_;  // this tool may go meanwhile
        TrayId made;
        workspace.edit(tr("Draw cable tray"), [&](Project& p) { made = add_thing(p, at, tray); });
        workspace.selection().select({{ItemKind::tray, made.value}});
    }
    std::vector<Point> points_;
    std::optional<Snapped> pointer_;
};

/// Reads and changes a thing of the floor in view.
template <class Thing>
class Editor {
public:
    Editor(Workspace& w, decltype(Thing::id) id) : w_(w), id_(id) {}
    const Thing& get() const { return entry(KindOf<Thing>::list(*w_.floor()), id_); }
    void change(const QString& label, const std::function<void(Thing&)>& how) const {
        change_thing(
            w_, label, [id = id_](Project&, const Floor& f) { return &entry(KindOf<Thing>::list(f), id); },
            [](Project& p, FloorId at, const Thing& t) { replace_thing(p, at, t); }, how);
    }

private:
    Workspace& w_;
    decltype(Thing::id) id_;
};

template <class Thing>
void name_row(Form& form, const Editor<Thing>& ed, const QString& object, const QString& edit) {
    form.name_field(
        form.row(tr("Name")), object + "Name", [ed] { return QString::fromStdString(ed.get().name); },
        [=](const QString& text) { ed.change(edit, [&](Thing& t) { t.name = text.toStdString(); }); });
}
template <class Thing>
void place_row(Form& form, const Editor<Thing>& ed, const QString& object, const QString& edit) {
    auto* row = form.row(tr("Position"));
    for (const auto& [letter, member] : {std::pair{"x", &Point::x}, {"y", &Point::y}})
        form.length_field(
            row, object + QString(letter).toUpper(), letter,
            [ed, member = member] { return ed.get().position.*member; },
            [=, member = member](double v) { ed.change(edit, [&](Thing& t) { t.position.*member = v; }); });
}
template <class Thing>
void height_row(Form& form, const Editor<Thing>& ed, const QString& object, const QString& edit) {
    form.length_field(
        form.row(tr("Height")), object + "Height", metre(form.workspace()),
        [ed] { return ed.get().height_m; },
        [=](double v) { ed.change(edit, [&](Thing& t) { t.height_m = v; }); }, limits::mounting_m);
}
void end_form(Form& form, Workspace& w) {
    form.text(tr("Floor"), [&w] { return QString::fromStdString(floor_title(w.project(), *w.floor())); });
    arrange_group(form, w);
    form.stretch();
}

Form* outlet_form(Workspace& w, const Item& item) {
    auto* form = new Form(w, nullptr);
    const Editor<Outlet> ed(w, OutletId{item.id});
    title(*form, tr("Outlet"));
    form->note(tr("A cable ends here already: the nearest access point within reach takes it."));
    name_row(*form, ed, "outlet", tr("Rename outlet"));
    place_row(*form, ed, "outlet", tr("Move outlet"));
    height_row(*form, ed, "outlet", tr("Change height of an outlet"));
    end_form(*form, w);
    return form;
}

Form* tray_form(Workspace& w, const Item& item) {
    auto* form = new Form(w, nullptr);
    const Editor<Tray> ed(w, TrayId{item.id});
    title(*form, tr("Cable tray"));
    name_row(*form, ed, "tray", tr("Rename cable tray"));
    height_row(*form, ed, "tray", tr("Change height of a cable tray"));
    form->text(tr("Length"), [ed, &w] {
        double length_m = 0;
        const auto& points = ed.get().points;
        for (std::size_t i = 1; i < points.size(); ++i) length_m += distance(points[i - 1], points[i]);
        return render::local(format_length(length_m, w.units()));
    });
    end_form(*form, w);
    return form;
}

Form* riser_form(Workspace& w, const Item& item) {
    auto* form = new Form(w, nullptr);
    const Editor<Riser> ed(w, RiserId{item.id});
    title(*form, tr("Riser"));
    form->note(tr("Cables go up from this floor, straight through the slabs above."));
    name_row(*form, ed, "riser", tr("Rename riser"));
    form->number_field(
        form->row(tr("Storeys up")), "riserStoreys", "", 0,
        [ed] { return static_cast<double>(ed.get().storeys); },
        [=](double v) {
            ed.change(tr("Change storeys of a riser"),
                      [&](Riser& r) { r.storeys = static_cast<int>(std::lround(v)); });
        },
        limits::riser_storeys);
    place_row(*form, ed, "riser", tr("Move riser"));
    end_form(*form, w);
    return form;
}

std::unique_ptr<Tool> make_outlet_tool(Workspace& w, PlanSurface& s) {
    return std::make_unique<PlaceTool>(
        w, s, PlaceToolWords{tr("Outlet"), tr("click where the socket is"), tr("Place outlet")},
        [](Project& p, FloorId at, Point place) {
            const OutletId id = add_thing(p, at, Outlet{{}, free_name_of<Outlet>(p, "D-"), place});
            return Item{ItemKind::outlet, id.value};
        });
}
std::unique_ptr<Tool> make_riser_tool(Workspace& w, PlanSurface& s) {
    return std::make_unique<PlaceTool>(
        w, s, PlaceToolWords{tr("Riser"), tr("click where cables go up"), tr("Place riser")},
        [](Project& p, FloorId at, Point place) {
            // up to the topmost floor
            int above = 0;
            for (const Floor& f : building_with(p, at).floors)
                above += f.elevation_m > find_floor(p, at)->elevation_m && !f.mezzanine;
            const RiserId id =
                add_thing(p, at, Riser{{}, free_name_of<Riser>(p, "R-"), place, std::max(1, above)});
            return Item{ItemKind::riser, id.value};
        });
}
std::unique_ptr<Tool> make_tray_tool(Workspace& w, PlanSurface& s) {
    return std::make_unique<TrayTool>(w, s);
}

}  // namespace

KindFace outlet_face() {
    return {ItemKind::outlet,
            PickBy::mark,
            mark("outlets"),
            outlet_name,
            outlet_form,
            true,
            small_area,
            paint_outlet_mark,
            ToolInfo{ToolId::outlet,
                     mark("Outlet"),
                     "outlet",
                     "Shift+O",
                     mark("Place a socket at which a cable ends already"),
                     make_outlet_tool,
                     {Step::venue, Step::placement},
                     ToolId::closet}};
}

KindFace tray_face() {
    return {ItemKind::tray,
            PickBy::run,
            mark("cable trays"),
            tray_name,
            tray_form,
            true,
            nullptr,
            nullptr,
            ToolInfo{ToolId::tray,
                     mark("Cable tray"),
                     "tray",
                     "Shift+T",
                     mark("Draw a cable tray: cables follow it"),
                     make_tray_tool,
                     {Step::venue, Step::placement},
                     ToolId::closet},
            paint_tray_run};
}

KindFace riser_face() {
    return {ItemKind::riser,
            PickBy::mark,
            mark("risers"),
            riser_name,
            riser_form,
            true,
            small_area,
            paint_riser_mark,
            ToolInfo{ToolId::riser,
                     mark("Riser"),
                     "riser",
                     "Shift+V",
                     mark("Place a riser: cables go up through the slabs there"),
                     make_riser_tool,
                     {Step::venue, Step::placement},
                     ToolId::closet}};
}

}  // namespace yemvo::app
