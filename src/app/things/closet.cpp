// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/things/closet.h"

#include <QPainter>
#include <cmath>

#include "app/arrange/arrange_group.h"
#include "app/forms/form.h"
#include "app/forms/form_parts.h"
#include "app/look/theme.h"
#include "app/model/activity.h"
#include "app/model/selection.h"
#include "app/model/tool_id.h"
#include "app/plan/tool.h"
#include "project/item.h"
#include "project/kinds/thing_edits.h"
#include "project/project.h"
#include "render/plan_marks.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {
namespace {

const Closet* find(const Floor& f, ClosetId id) {
    for (const Closet& c : *f.closets)
        if (c.id == id) return &c;
    return nullptr;
}

QRectF mark_area(QPointF at) { return QRectF(at.x() - 9, at.y() - 11, 18, 22); }

/// A cabinet of three drawers, its name under it.
void paint_mark(QPainter& p, const Floor& f, const Item& item, QPointF at, bool selected) {
    const Closet& closet = *find(f, ClosetId{item.id});
    const QRectF body(at.x() - 7, at.y() - 9, 14, 18);
    const QColor ink = selected ? theme().accent : theme().ink;
    p.save();
    p.setRenderHint(QPainter::Antialiasing);
    p.setPen(QPen(theme().casing, 4));
    p.drawRect(body);
    p.setPen(QPen(ink, 1.3));
    p.setBrush(theme().tile);
    p.drawRect(body);
    for (int i = 0; i < 3; ++i) {
        const double top = body.top() + 6 * i;
        if (i > 0) p.drawLine(QPointF(body.left(), top), QPointF(body.right(), top));
        p.drawLine(QPointF(at.x() - 2, top + 3), QPointF(at.x() + 2, top + 3));
    }
    p.restore();
    if (!closet.name.empty())
        render::draw_halo_text(p, QPointF(at.x(), body.bottom() + 9), QString::fromStdString(closet.name),
                               render::font(10.5, 600), ink, theme().casing);
}

QString name(const Project&, const Floor& f, const Item& item) {
    return said_text(KindOf<Closet>::label(*find(f, ClosetId{item.id})));
}

/// The first of "TR-1", "TR-2", … that no closet of the project has.
std::string free_name(const Project& project) {
    for (int n = 1;; ++n) {
        const std::string wanted = "TR-" + std::to_string(n);
        bool taken = false;
        for (const Floor* f : all_floors(project))
            for (const Closet& c : *f->closets) taken = taken || c.name == wanted;
        if (!taken) return wanted;
    }
}

class ClosetTool : public Tool {
public:
    using Tool::Tool;
    QString name() const override { return tr("Closet"); }
    std::vector<HintPart> hint() const override {
        return {{"", tr("click where the racks stand")},
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
        const FloorId at = workspace_.floor_id();
        Workspace& workspace = workspace_;  // this tool goes when another is chosen
        ClosetId made;
        workspace.edit(tr("Place closet"), [&, place = pointer_->point](Project& p) {
            made = add_thing(p, at, Closet{{}, free_name(p), place});
        });
        workspace.activity().set_tool(ToolId::select);
        workspace.selection().select({{ItemKind::closet, made.value}});
    }
    void paint(QPainter& p) override {
        if (pointer_ && floor()) paint_snap(p, *pointer_);
    }

private:
    std::optional<Snapped> pointer_;
};

Form* form(Workspace& w, const Item& item) {
    const ClosetId id{item.id};
    auto* form = new Form(w, nullptr);
    const auto closet = [&w, id]() -> const Closet& { return *find(*w.floor(), id); };
    const auto change = [&w, id](const QString& label, std::function<void(Closet&)> how) {
        change_thing(
            w, label, [id](Project&, const Floor& f) { return find(f, id); },
            [](Project& p, FloorId at, const Closet& c) { replace_thing(p, at, c); }, how);
    };
    title(*form, tr("Telecommunications closet"));
    form->group(tr("What it is"));
    form->name_field(
        form->row(tr("Name")), "closetName", [closet] { return QString::fromStdString(closet().name); },
        [=](const QString& text) {
            change(tr("Rename closet"), [&](Closet& c) { c.name = text.toStdString(); });
        });
    form->number_field(
        form->row(tr("Racks")), "closetRacks", "", 0,
        [closet] { return static_cast<double>(closet().racks); },
        [=](double v) {
            change(tr("Change number of racks"),
                   [&](Closet& c) { c.racks = static_cast<int>(std::lround(v)); });
        },
        limits::racks);
    form->group(tr("Where it is"));
    auto* row = form->row(tr("Position"));
    form->length_field(
        row, "closetX", "x", [closet] { return closet().position.x; },
        [=](double v) { change(tr("Move closet"), [&](Closet& c) { c.position.x = v; }); });
    form->length_field(
        row, "closetY", "y", [closet] { return closet().position.y; },
        [=](double v) { change(tr("Move closet"), [&](Closet& c) { c.position.y = v; }); });
    form->text(tr("Floor"), [&w] { return QString::fromStdString(floor_title(w.project(), *w.floor())); });
    arrange_group(*form, w);
    form->stretch();
    return form;
}

std::unique_ptr<Tool> make_tool(Workspace& w, PlanSurface& s) { return std::make_unique<ClosetTool>(w, s); }

}  // namespace

KindFace closet_face() {
    return {ItemKind::closet,
            PickBy::mark,
            mark("closets"),
            name,
            form,
            true,
            mark_area,
            paint_mark,
            ToolInfo{ToolId::closet,
                     mark("Closet"),
                     "closet",
                     "V",
                     mark("Place a telecommunications closet: its racks, where cables end"),
                     make_tool,
                     {Step::venue, Step::placement},
                     ToolId::closet}};
}

}  // namespace yemvo::app
