// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/things/closet.h"

#include <QPainter>
#include <cmath>

#include "app/arrange/arrange_group.h"
#include "app/forms/form.h"
#include "app/forms/form_parts.h"
#include "app/look/theme.h"
#include "app/model/tool_id.h"
#include "app/things/place_tool.h"
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

using Change = std::function<void(const QString&, std::function<void(Closet&)>)>;

/// Names as choices have them: no power first.
QStringList port_powers() {
    QStringList names{tr("no power")};
    for (const PowerSource s : power_sources)
        if (s != PowerSource::dc) names << tr_mark(power_source_name(s));
    return names;
}

/// Two lines a switch: what it is called with its ports, and what it gives.
void switch_rows(Form& form, std::size_t i, const std::function<const Switch&()>& get, const Change& change) {
    const QString object = QStringLiteral("switch%1").arg(i);
    const auto set = [change, i](const QString& label, const std::function<void(Switch&)>& how) {
        change(label, [&how, i](Closet& c) {
            if (i < c.switches.size()) how(c.switches[i]);
        });
    };
    auto* row = form.row(tr("Switch"));
    form.name_field(
        row, object + "Name", [get] { return QString::fromStdString(get().name); },
        [=](const QString& text) {
            set(tr("Rename switch"), [&](Switch& s) { s.name = text.toStdString(); });
        });
    form.number_field(
        row, object + "Ports", tr("ports"), 0, [get] { return static_cast<double>(get().ports); },
        [=](double v) {
            set(tr("Change ports of a switch"),
                [&](Switch& s) { s.ports = static_cast<int>(std::lround(v)); });
        },
        limits::ports);
    form.choice(
        form.row(tr("Gives")), object + "Source", port_powers(),
        [get] { return get().source ? static_cast<int>(*get().source) + 1 : 0; },
        [=](int n) {
            set(tr("Change power of a switch"), [&](Switch& s) {
                s.source =
                    n == 0 ? std::nullopt : std::optional(power_sources[static_cast<std::size_t>(n) - 1]);
            });
        });
    row = form.row(tr("Watts, uplink"));
    form.number_field(
        row, object + "Budget", "W", 0, [get] { return get().budget_w; },
        [=](double v) { set(tr("Change watts of a switch"), [&](Switch& s) { s.budget_w = v; }); },
        limits::switch_w);
    form.number_field(
        row, object + "Uplink", tr("Gbit/s"), 1, [get] { return get().uplink_mbps / 1000; },
        [=](double v) { set(tr("Change uplink of a switch"), [&](Switch& s) { s.uplink_mbps = v * 1000; }); },
        {0, limits::demand_mbps.high / 1000});
    auto* remove = push_button(tr("Remove this switch"), object + "Remove");
    form.widget(remove);
    QObject::connect(remove, &QPushButton::clicked, &form, [=] {
        change(tr("Remove switch"), [i](Closet& c) {
            if (i < c.switches.size()) c.switches.erase(c.switches.begin() + static_cast<std::ptrdiff_t>(i));
        });
    });
}

/// As the one before it, under a name of its own.
Switch next_switch(const Closet& c) {
    Switch s = c.switches.empty() ? Switch() : c.switches.back();
    s.name = free_label(c.name + "-", [&](const std::string& name) {
        return std::ranges::find(c.switches, name, &Switch::name) != c.switches.end();
    });
    return s;
}

Form* form(Workspace& w, const Item& item) {
    const ClosetId id{item.id};
    auto* form = new Form(w, nullptr);
    const auto closet = [&w, id]() -> const Closet& { return *find(*w.floor(), id); };
    const auto change = [&w, id](const QString& label, std::function<void(Closet&)> how) {
        change_thing(
            w, label, [id](Project&, const Floor& f) { return find(f, id); },
            [](Project& p, FloorId at, const Closet& c) { replace_thing(p, at, c); }, how);
    };
    title(*form, tr("Closet"));
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
    form->group(tr("Switches"));
    form->built_for([closet] { return QString::number(closet().switches.size()); });
    for (std::size_t i = 0; i < closet().switches.size(); ++i)
        switch_rows(
            *form, i, [closet, i]() -> const Switch& { return closet().switches.at(i); }, change);
    if (closet().switches.empty()) form->note(tr("Without a switch its ports and watts are not counted."));
    auto* add = push_button(tr("Add a switch"), "closetAddSwitch");
    QObject::connect(add, &QPushButton::clicked, form, [=] {
        change(tr("Add switch"), [](Closet& c) { c.switches.push_back(next_switch(c)); });
    });
    form->widget(add);
    arrange_group(*form, w);
    form->stretch();
    return form;
}

std::unique_ptr<Tool> make_tool(Workspace& w, PlanSurface& s) {
    return std::make_unique<PlaceTool>(
        w, s, PlaceToolWords{tr("Closet"), tr("click where the racks stand"), tr("Place closet")},
        [](Project& p, FloorId at, Point place) {
            return Item{ItemKind::closet, add_thing(p, at, Closet{{}, free_closet_name(p), place}).value};
        });
}

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
