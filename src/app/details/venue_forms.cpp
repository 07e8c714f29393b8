// SPDX-License-Identifier: GPL-3.0-or-later
#include <QCheckBox>
#include <QComboBox>
#include <QHBoxLayout>
#include <QLabel>
#include <QPushButton>
#include <algorithm>

#include "app/arrange/arrange_group.h"
#include "app/details/demand_rows.h"
#include "app/details/detail_forms.h"
#include "app/forms/form_parts.h"
#include "app/model/countries.h"
#include "app/model/drawings_in_view.h"
#include "app/model/going.h"
#include "app/model/prediction.h"
#include "app/model/results.h"
#include "project/edits.h"
#include "project/project.h"
#include "render/text_style.h"
#include "render/tr.h"
#include "venue/wall_shaping.h"
#include "venue/wall_type.h"

namespace yemvo::app {

namespace {

/// By name; a code that is none of ours stays as it came and is shown.
void add_country(Form* form, Workspace& w) {
    QStringList names, codes;
    for (const auto& [code, name] : countries) {
        codes << code;
        names << tr(name);
    }
    const QString now = QString::fromStdString(w.project().settings.country);
    if (!codes.contains(now)) {
        codes << now;
        names << now;
    }
    form->choice(
        form->row(tr("Country")), "siteCountry", names,
        [&w, codes] {
            return static_cast<int>(codes.indexOf(QString::fromStdString(w.project().settings.country)));
        },
        [&w, codes](int i) {
            w.edit(tr("Change country"), [&](Project& p) { p.settings.country = codes[i].toStdString(); });
        });
}

/// What holds for the whole site.
void add_site(Form* form, Workspace& w) {
    form->group(tr("Site"));
    form->name_field(
        form->row(tr("Name")), "siteName", [&w] { return QString::fromStdString(w.project().name); },
        [&w](const QString& text) {
            w.edit(tr("Rename project"), [&](Project& p) { p.name = text.toStdString(); });
        });
    auto* row = form->row(tr("Lengths in"));
    form->choice(
        row, "siteUnits", {tr("Metres"), tr("Feet and inches")},
        [&w] { return w.units() == LengthUnits::metres ? 0 : 1; },
        [&w](int i) {
            w.edit(tr("Change units"), [&](Project& p) {
                p.settings.units = i == 0 ? LengthUnits::metres : LengthUnits::feet_inches;
            });
        });
    add_country(form, w);
    form->length_field(
        form->row(tr("Client height")), "clientHeight", metre(w),
        [&w] { return w.project().settings.client_height_m; },
        [&w](double v) {
            w.edit(tr("Change client height"), [&](Project& p) { p.settings.client_height_m = v; });
        },
        {0, 20});
    form->number_field(
        form->row(tr("Heard above")), "heardFrom", "dBm", 0, [&w] { return w.project().settings.heard_dbm; },
        [&w](double v) { w.edit(tr("Change level heard"), [&](Project& p) { p.settings.heard_dbm = v; }); },
        {-110, -30});
    QStringList grids;
    for (const double grid_m : grids_m) grids << QString("%1 m").arg(grid_m);
    form->choice(
        form->row(tr("Grid")), "siteGrid", grids,
        [&w] {
            const auto at = std::ranges::find(grids_m, w.project().settings.grid_m);
            return at == grids_m.end() ? -1 : static_cast<int>(at - grids_m.begin());
        },
        [&w](int i) { choose_grid(w, grids_m[static_cast<std::size_t>(i)]); });
    form->number_field(
        form->row(tr("Noise fig.")), "noiseFigure", "dB", 1,
        [&w] { return w.project().settings.client_noise_figure_db; },
        [&w](double v) {
            w.edit(tr("Change noise figure"), [&](Project& p) { p.settings.client_noise_figure_db = v; });
        },
        {0, 30});
    auto* array = new QCheckBox(tr("counts array gain"));
    array->setObjectName("siteArrayGain");
    array->setToolTip(
        tr("What the chains of a radio add up to where they send the same signal, as regulators count "
           "it: 3 dB of two, 6 dB of four. Levels on the map have none"));
    QObject::connect(array, &QCheckBox::clicked, form, [&w](bool on) {
        w.edit(tr("Change what EIRP counts"), [&](Project& p) { p.settings.array_gain_in_eirp = on; });
    });
    form->on_refresh([array, &w] { array->setChecked(w.project().settings.array_gain_in_eirp); });
    form->row("EIRP")->addWidget(array, 1);
}

void add_contents(Form* form, Workspace& w, FloorId id) {
    const auto floor = [&w, id]() -> const Floor& { return *find_floor(w.project(), id); };
    form->group(tr("On this floor"));
    form->text(tr("Walls"), [floor] {
        std::size_t openings = 0;
        for (const Wall& wall : *floor().walls) openings += wall.openings.size();
        return tr("%1, with openings: %2").arg(floor().walls->size()).arg(openings);
    });
    form->text(tr("Zones"), [floor] { return QString::number(floor().zones->size()); });
    form->text(tr("Radios"), [&w, id] {
        std::size_t radios = 0;
        for (const AccessPoint& ap : access_points(w.project(), id)) radios += ap.radios.size();
        return tr("%1, access points: %2").arg(radios).arg(access_points(w.project(), id).size());
    });
}

}  // namespace

/// What the floor's own rows depend on: its plate, its drawings and which of them is chosen.
static QString rows_of_floor(const Workspace& w) {
    const Floor* f = w.floor();
    if (!f) return {};
    QString s = QString("%1 %2").arg(f->plate.size()).arg(f->walls->empty());
    for (const Drawing& d : *f->drawings)
        s += QString(" %1 %2 %3")
                 .arg(d.id.value)
                 .arg(QString::fromStdString(d.name))
                 .arg(d.earlier.has_value());
    if (const Drawing* d = w.drawings().drawing()) s += QString(" of %1").arg(d->id.value);
    return s;
}

Form* floor_form(Workspace& w, QWidget* parent) {
    auto* form = new Form(w, parent);
    form->built_for([&w] { return floor_names(w) + rows_of_floor(w); });
    const FloorId id = w.floor_id();
    const auto floor = [&w, id]() -> const Floor& { return *find_floor(w.project(), id); };
    const auto set = [&w, id](const QString& label, const QString& name, double elevation_m,
                              double height_m) {
        w.edit(label, [&](Project& p) { set_floor(p, id, name.toStdString(), elevation_m, height_m); });
    };
    const auto name = [floor] { return QString::fromStdString(floor().name); };
    form->group(tr("Floor"));
    form->name_field(form->row(tr("Name")), "floorName", name, [=](const QString& text) {
        set(tr("Rename floor"), text, floor().elevation_m, floor().height_m);
    });
    form->length_field(
        form->row(tr("Elevation")), "floorElevation", metre(w), [floor] { return floor().elevation_m; },
        [=](double v) { set(tr("Change elevation"), name(), v, floor().height_m); }, limits::elevation_m);
    const bool yard = building_with(w.project(), id).kind == BuildingKind::yard;
    if (!yard)
        form->length_field(
            form->row(tr("Storey height")), "floorHeight", metre(w), [floor] { return floor().height_m; },
            [=](double v) { set(tr("Change storey height"), name(), floor().elevation_m, v); },
            limits::storey_height_m);

    if (!yard) {
        form->text(tr("Inside"),
                   [&w, id, floor]() -> QString {
                       if (!floor().plate.empty()) return tr("as far as its slab edge");
                       const FloorPrediction* p = w.results().floor_prediction();
                       if (!p || p->floor != id || !p->scene) return tr("being worked out");
                       const FloorMask& mask = p->scene->mask(id);
                       if (!mask.enclosed()) return tr("no walls close round it");
                       return tr("%1 within its walls")
                           .arg(render::local(format_area(mask.area_m2(), w.units(), 0)));
                   })
            ->setWordWrap(true);
    }
    if (yard || floor().slope.x != 0 || floor().slope.y != 0) {
        auto* row = form->row(tr("Rises"));
        const auto axis = [&](const char* object, const QString& unit, double Slope::*part) {
            form->number_field(
                row, object, unit, 1, [floor, part] { return floor().slope.*part * 100; },
                [=, &w](double percent) {
                    w.edit(tr("Change slope"), [&](Project& p) {
                        Slope s = floor().slope;
                        s.*part = percent / 100;
                        set_slope(p, id, s);
                    });
                },
                {-100, 100});
        };
        axis("slopeEast", "% E", &Slope::x);
        axis("slopeNorth", "% N", &Slope::y);
    }
    add_drawings(*form, w);
    if (yard) {
        add_contents(form, w, id);
        add_site(form, w);
        form->stretch();
        return form;
    }

    form->group(tr("Slab under it"));
    if (!floor().plate.empty()) {
        auto* row = form->row(tr("Reaches"));
        auto* words = new QLabel(render::local(format_area(area_m2(floor().plate), w.units(), 1)));
        row->addWidget(words, 1);
        auto* whole = new QPushButton(tr("To the walls"));
        whole->setObjectName("dropPlate");
        whole->setToolTip(tr("As far as what the walls enclose"));
        row->addWidget(whole);
        QObject::connect(whole, &QPushButton::clicked, form,
                         [&w, id] { w.edit(tr("Drop plate"), [&](Project& p) { set_plate(p, id, {}); }); });
    }
    const auto slabs = types_of(w.project(), TypeUse::slab);
    form->choice(
        form->row(tr("Type")), "slabType", type_names(w.project(), slabs),
        [=] { return index_of(slabs, floor().slab->type); },
        [=, &w](int i) {
            w.edit(tr("Change slab"), [&](Project& p) {
                Slab s = *floor().slab;
                s.type = slabs[static_cast<std::size_t>(i)];
                set_slab(p, id, s);
            });
        });
    form->length_field(
        form->row(tr("Thickness")), "slabThickness", metre(w), [floor] { return floor().slab->thickness_m; },
        [=, &w](double v) {
            w.edit(tr("Change slab"), [&](Project& p) {
                Slab s = *floor().slab;
                s.thickness_m = v;
                set_slab(p, id, s);
            });
        },
        {0, 5});
    loss_rows(*form, w, [floor] { return floor().slab->type; });

    add_contents(form, w, id);
    add_site(form, w);
    form->stretch();
    return form;
}

Form* wall_form(Workspace& w, QWidget* parent, WallId id) {
    auto* form = new Form(w, parent);
    const auto wall = [&w, id]() -> const Wall& { return *find_wall(*w.floor(), id); };
    const auto change = [&w, id](const QString& label, std::function<void(Wall&)> how) {
        change_thing(
            w, label, [id](Project&, const Floor& f) { return find_wall(f, id); },
            [](Project& p, FloorId at, const Wall& v) { replace_wall(p, at, v); }, how);
    };
    title(*form, tr("Wall"));
    form->group(tr("Built of"));
    const auto types = types_of(w.project(), TypeUse::wall);
    form->choice(
        form->row(tr("Type")), "wallType", type_names(w.project(), types),
        [=] { return index_of(types, wall().type); },
        [=](int i) {
            change(tr("Change wall type"), [&](Wall& v) { v.type = types[static_cast<std::size_t>(i)]; });
        });
    loss_rows(*form, w, [wall] { return wall().type; });
    form->group(tr("Height"));
    form->length_field(
        form->row(tr("From")), "wallBase", metre(w), [wall] { return wall().base_m; },
        [=](double v) { change(tr("Change wall height"), [&](Wall& x) { x.base_m = v; }); },
        limits::above_floor_m);
    form->choice(
        form->row(tr("Up to")), "wallFull", {tr("The slab above"), tr("A height"), tr("The ceiling")},
        [wall] { return wall().top_m        ? 1
                        : wall().to_ceiling ? 2
                                            : 0; },
        [=](int i) {
            change(tr("Change wall height"), [&](Wall& x) {
                x.top_m = i != 1 ? std::optional<double>() : std::optional<double>(x.top_m.value_or(1.5));
                x.to_ceiling = i == 2;
            });
        });
    form->length_field(
        form->row(tr("Top")), "wallTop", metre(w),
        [wall, &w] { return wall().top_m.value_or(w.floor()->height_m); },
        [=](double v) { change(tr("Change wall height"), [&](Wall& x) { x.top_m = v; }); },
        limits::above_floor_m);
    form->group(tr("Run"));
    form->text(tr("Length"), [wall, &w] {
        return render::local(format_length(length_m(wall()), w.units())) +
               counted(", %n piece", ", %n pieces", wall().pieces());
    });
    form->text(tr("Openings"), [wall] { return QString::number(wall().openings.size()); });
    auto* turn = new QPushButton(tr("Turn the run round"));
    turn->setObjectName("reverseWall");
    turn->setToolTip(tr("What was its left becomes its right"));
    QObject::connect(turn, &QPushButton::clicked, form,
                     [=] { change(tr("Turn wall round"), [](Wall& x) { x = reversed(x); }); });
    form->widget(turn);
    arrange_group(*form, w);
    form->stretch();
    return form;
}

Form* opening_form(Workspace& w, QWidget* parent, WallId wall_id, OpeningId id) {
    auto* form = new Form(w, parent);
    const auto opening = [&w, wall_id, id]() -> const Opening& {
        return *find_opening(*find_wall(*w.floor(), wall_id), id);
    };
    const bool door = opening().kind == OpeningKind::door;
    const QString noun = door ? tr("door") : tr("window");
    const auto change = [&w, wall_id, id, noun](std::function<void(Opening&)> how) {
        change_thing(
            w, tr("Change %1").arg(noun),
            [=](Project&, const Floor& f) { return find_opening(*find_wall(f, wall_id), id); },
            [=](Project& p, FloorId at, const Opening& o) { replace_opening(p, at, wall_id, o); }, how);
    };
    title(*form, door ? tr("Door") : tr("Window"));
    form->group(tr("Built of"));
    const auto types = types_of(w.project(), door ? TypeUse::door : TypeUse::window);
    form->choice(
        form->row(tr("Type")), "openingType", type_names(w.project(), types),
        [=] { return index_of(types, opening().type); },
        [=](int i) { change([&](Opening& o) { o.type = types[static_cast<std::size_t>(i)]; }); });
    loss_rows(*form, w, [opening] { return opening().type; });
    form->group(tr("Size"));
    const auto size = [&](const QString& name, const char* object, double Opening::*field, double low,
                          double high) {
        form->length_field(
            form->row(name), object, metre(w), [=] { return opening().*field; },
            [=](double v) {
                if (field == &Opening::sill_m && v >= opening().head_m)
                    throw Error(say("the sill must lie below the head"));
                if (field == &Opening::head_m && v <= opening().sill_m)
                    throw Error(say("the head must lie above the sill"));
                change([&](Opening& o) { o.*field = v; });
            },
            {low, high});
    };
    size(tr("Width"), "openingWidth", &Opening::width_m, 0.05, 100);
    size(tr("Sill"), "openingSill", &Opening::sill_m, -10, 100);
    size(tr("Head"), "openingHead", &Opening::head_m, -10, 100);
    size(tr("From end"), "openingStart", &Opening::start_m, 0, 1000);
    form->choice(
        form->row(tr("State")), "openingOpen", {tr("Closed"), tr("Open")},
        [opening] { return opening().open ? 1 : 0; },
        [=](int i) { change([&](Opening& o) { o.open = i == 1; }); });
    if (door) {
        form->group(tr("Leaf"));
        form->choice(
            form->row(tr("Hinge")), "doorHinge", {tr("At the start"), tr("At the end")},
            [=] { return opening().hinge_at_end ? 1 : 0; },
            [=](int i) { change([&](Opening& o) { o.hinge_at_end = i == 1; }); });
        form->choice(
            form->row(tr("Opens to")), "doorSide", {tr("The left of the run"), tr("The right of the run")},
            [=] { return opening().swings_left ? 0 : 1; },
            [=](int i) { change([&](Opening& o) { o.swings_left = i == 0; }); });
        auto* flip = new QPushButton(tr("Flip"));
        flip->setObjectName("flipDoor");
        flip->setToolTip(tr("Other hinge, then the other side (F)"));
        QObject::connect(flip, &QPushButton::clicked, form, [=] {
            change([&](Opening& o) {
                if (o.hinge_at_end) o.swings_left = !o.swings_left;
                o.hinge_at_end = !o.hinge_at_end;
            });
        });
        form->widget(flip);
    }
    arrange_group(*form, w);
    form->stretch();
    return form;
}

Form* zone_form(Workspace& w, QWidget* parent, ZoneId id) {
    auto* form = new Form(w, parent);
    const auto zone = [&w, id]() -> const Zone& { return *find_zone(*w.floor(), id); };
    const auto change = [&w, id](const QString& label, std::function<void(Zone&)> how) {
        change_thing(
            w, label, [id](Project&, const Floor& f) { return find_zone(f, id); },
            [](Project& p, FloorId at, const Zone& z) { replace_zone(p, at, z); }, how);
    };
    title(*form, tr("Zone"));
    form->group(tr("What it is"));
    form->name_field(
        form->row(tr("Name")), "zoneName", [zone] { return QString::fromStdString(zone().name); },
        [=](const QString& text) {
            change(tr("Rename zone"), [&](Zone& z) { z.name = text.toStdString(); });
        });
    form->choice(
        form->row(tr("Kind")), "zoneKind", zone_kind_names(),
        [zone] { return static_cast<int>(zone().kind); },
        [=](int i) { change(tr("Change zone kind"), [&](Zone& z) { z.kind = static_cast<ZoneKind>(i); }); });
    form->choice(
        form->row(tr("Colour")), "zoneColour", zone_colour_names(), [zone] { return zone().colour; },
        [=](int i) { change(tr("Change zone colour"), [&](Zone& z) { z.colour = i; }); });
    form->choice(
        form->row(tr("Above it")), "zoneSky", {tr("Roofed"), tr("Open sky (courtyard)")},
        [zone] { return zone().open_air ? 1 : 0; },
        [=](int i) { change(tr("Change roof"), [&](Zone& z) { z.open_air = i == 1; }); });
    form->text(tr("Area"),
               [zone, &w] { return render::local(format_area(area_m2(zone().outline), w.units(), 1)); });
    if (zone().kind == ZoneKind::served || zone().kind == ZoneKind::keep_out)
        demand_rows(*form, w, {ItemKind::zone, id.value});
    form->built_for([zone] { return QString::number(static_cast<int>(zone().kind)); });
    form->group(tr("Requirements here"));
    form->text(tr("Met"),
               [&w, id] {
                   if (w.results().verdict())
                       for (const ZoneArea& z : w.results().verdict()->zones)
                           if (z.zone == id)
                               return tr("%1 of the area meets all of them")
                                   .arg(render::percent(z.met_m2 / z.demanded_m2));
                   return tr("not judged");
               })
        ->setWordWrap(true);
    form->note(tr("Requirements hold in every served zone. They are set in the step Proof."));
    arrange_group(*form, w);
    form->stretch();
    return form;
}

Form* void_form(Workspace& w, QWidget* parent, VoidId id) {
    auto* form = new Form(w, parent);
    const auto hole = [&w, id]() -> const SlabVoid& { return *find_void(*w.floor(), id); };
    title(*form, tr("Void in the slab"));
    form->group(tr("What it is"));
    form->name_field(
        form->row(tr("Name")), "voidName", [hole] { return QString::fromStdString(hole().name); },
        [=, &w](const QString& text) {
            change_thing(
                w, tr("Rename void"), [id](Project&, const Floor& f) { return find_void(f, id); },
                [](Project& p, FloorId at, const SlabVoid& v) { replace_void(p, at, v); },
                [&](SlabVoid& v) { v.name = text.toStdString(); });
        });
    form->text(tr("Area"),
               [hole, &w] { return render::local(format_area(area_m2(hole().outline), w.units(), 1)); });
    form->note(tr("Rays pass through it without the slab's loss."));
    arrange_group(*form, w);
    form->stretch();
    return form;
}

}  // namespace yemvo::app
