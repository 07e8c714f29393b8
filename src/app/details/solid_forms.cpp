// SPDX-License-Identifier: GPL-3.0-or-later
// Forms of what fills a floor: obstacles, ceilings, slab areas, notes.
#include <QHBoxLayout>
#include <QPlainTextEdit>
#include <QPushButton>
#include <algorithm>
#include <cmath>

#include "app/arrange/arrange_group.h"
#include "app/details/detail_forms.h"
#include "app/details/photo_rows.h"
#include "app/forms/form_parts.h"
#include "app/model/document.h"
#include "app/model/wishes.h"
#include "geometry/point.h"
#include "project/edits.h"
#include "project/project.h"
#include "render/text_style.h"
#include "render/tr.h"
#include "venue/wall_type.h"

namespace yemvo::app {

namespace {

void area_row(Form& form, Workspace& w, std::function<std::vector<Point>()> outline) {
    form.text(tr("Area"),
              [&w, outline] { return render::local(format_area(area_m2(outline()), w.units(), 1)); });
}

}  // namespace

Form* obstacle_form(Workspace& w, QWidget* parent, ObstacleId id) {
    auto* form = new Form(w, parent);
    const auto get = [&w, id]() -> const Obstacle& { return *find_obstacle(*w.floor(), id); };
    const auto change = [&w, id](const QString& label, std::function<void(Obstacle&)> how) {
        change_thing(
            w, label, [id](Project&, const Floor& f) { return find_obstacle(f, id); },
            [](Project& p, FloorId at, const Obstacle& o) { replace_obstacle(p, at, o); }, how);
    };
    title(*form, obstacle_kind_names()[static_cast<int>(get().kind)]);
    form->group(tr("What it is"));
    form->name_field(
        form->row(tr("Name")), "obstacleName", [get] { return QString::fromStdString(get().name); },
        [=](const QString& text) {
            change(tr("Rename obstacle"), [&](Obstacle& o) { o.name = text.toStdString(); });
        });
    form->choice(
        form->row(tr("Kind")), "obstacleKind", obstacle_kind_names(),
        [get] { return static_cast<int>(get().kind); },
        [=](int i) {
            change(tr("Change obstacle kind"), [&](Obstacle& o) { o.kind = static_cast<ObstacleKind>(i); });
        });
    const auto types = types_of(w.project(), TypeUse::obstacle);
    form->choice(
        form->row(tr("Made of")), "obstacleType", type_names(w.project(), types),
        [=] { return index_of(types, get().type); },
        [=](int i) {
            change(tr("Change obstacle type"),
                   [&](Obstacle& o) { o.type = types[static_cast<std::size_t>(i)]; });
        });
    loss_rows(*form, w, [get] { return get().type; });
    form->text(tr("At most"), [&w, get] {
        const WallType& t = wall_type(w.project(), get().type);
        return QString("%1 dB%2").arg(t.most_db).arg(t.saturates ? tr(", approached slowly") : "");
    });
    form->group(tr("Height"));
    form->length_field(
        form->row(tr("From")), "obstacleBase", metre(w), [get] { return get().base_m; },
        [=](double v) { change(tr("Change height"), [&](Obstacle& o) { o.base_m = v; }); },
        limits::above_floor_m);
    form->length_field(
        form->row(tr("Top")), "obstacleTop", metre(w),
        [get, &w] { return get().top_m.value_or(w.floor()->height_m); },
        [=, &w](double v) {
            change(tr("Change height"), [&](Obstacle& o) {
                o.top_m = v >= w.floor()->height_m - 1e-6 ? std::nullopt : std::optional(v);
            });
        },
        limits::above_floor_m);
    if (get().round)
        form->length_field(
            form->row(tr("Diameter")), "obstacleDiameter", metre(w),
            [get] { return 2 * distance(get().outline[0], get().outline[1]); },
            [=](double v) {
                change(tr("Change diameter"), [&](Obstacle& o) {
                    o.outline[1] = o.outline[0] + Point{v / 2, 0};
                });
            },
            {0.02, 200});
    area_row(*form, w, [get] { return body(get()); });
    arrange_group(*form, w);
    form->stretch();
    return form;
}

Form* ceiling_form(Workspace& w, QWidget* parent, CeilingId id) {
    auto* form = new Form(w, parent);
    form->built_for([&w, id] {
        const CeilingArea* c = w.floor() ? find_ceiling(*w.floor(), id) : nullptr;
        return c && c->type ? tr("hung") : tr("bare");
    });
    const auto get = [&w, id]() -> const CeilingArea& { return *find_ceiling(*w.floor(), id); };
    const auto change = [&w, id](const QString& label, std::function<void(CeilingArea&)> how) {
        change_thing(
            w, label, [id](Project&, const Floor& f) { return find_ceiling(f, id); },
            [](Project& p, FloorId at, const CeilingArea& c) { replace_ceiling(p, at, c); }, how);
    };
    title(*form, tr("Ceiling area"));
    form->group(tr("What it is"));
    form->name_field(
        form->row(tr("Name")), "ceilingName", [get] { return QString::fromStdString(get().name); },
        [=](const QString& text) {
            change(tr("Rename ceiling"), [&](CeilingArea& c) { c.name = text.toStdString(); });
        });
    form->length_field(
        form->row(tr("Height")), "ceilingHeight", metre(w), [get] { return get().height_m; },
        [=](double v) { change(tr("Change ceiling height"), [&](CeilingArea& c) { c.height_m = v; }); },
        {0.5, 200});
    const auto types = types_of(w.project(), TypeUse::ceiling);
    form->choice(
        form->row(tr("Hung with")), "ceilingType",
        QStringList{tr("Nothing")} + type_names(w.project(), types),
        [=] { return get().type ? index_of(types, *get().type) + 1 : 0; },
        [=](int i) {
            change(tr("Change ceiling type"), [&](CeilingArea& c) {
                c.type = i == 0 ? std::nullopt : std::optional(types[static_cast<std::size_t>(i) - 1]);
            });
        });
    if (get().type) loss_rows(*form, w, [get, types] { return get().type.value_or(types.front()); });
    area_row(*form, w, [get] { return get().outline; });
    form->note(tr("Access points hang at this height here. Walls up to the ceiling end at it."));
    arrange_group(*form, w);
    form->stretch();
    return form;
}

Form* slab_area_form(Workspace& w, QWidget* parent, SlabAreaId id) {
    auto* form = new Form(w, parent);
    const auto get = [&w, id]() -> const SlabArea& { return *find_slab_area(*w.floor(), id); };
    const auto change = [&w, id](const QString& label, std::function<void(SlabArea&)> how) {
        change_thing(
            w, label, [id](Project&, const Floor& f) { return find_slab_area(f, id); },
            [](Project& p, FloorId at, const SlabArea& a) { replace_slab_area(p, at, a); }, how);
    };
    title(*form, tr("Slab area"));
    form->group(tr("What it is"));
    form->name_field(
        form->row(tr("Name")), "slabAreaName", [get] { return QString::fromStdString(get().name); },
        [=](const QString& text) {
            change(tr("Rename slab area"), [&](SlabArea& a) { a.name = text.toStdString(); });
        });
    const auto types = types_of(w.project(), TypeUse::slab);
    form->choice(
        form->row(tr("Type")), "slabAreaType", type_names(w.project(), types),
        [=] { return index_of(types, get().type); },
        [=](int i) {
            change(tr("Change slab area"), [&](SlabArea& a) { a.type = types[static_cast<std::size_t>(i)]; });
        });
    loss_rows(*form, w, [get] { return get().type; });
    area_row(*form, w, [get] { return get().outline; });
    arrange_group(*form, w);
    form->stretch();
    return form;
}

Form* ramp_form(Workspace& w, QWidget* parent, RampId id) {
    auto* form = new Form(w, parent);
    const auto get = [&w, id]() -> const Ramp& { return *find_ramp(*w.floor(), id); };
    const auto change = [&w, id](const QString& label, std::function<void(Ramp&)> how) {
        change_thing(
            w, label, [id](Project&, const Floor& f) { return find_ramp(f, id); },
            [](Project& p, FloorId at, const Ramp& r) { replace_ramp(p, at, r); }, how);
    };
    title(*form, tr("Ramp"));
    form->group(tr("What it is"));
    form->name_field(
        form->row(tr("Name")), "rampName", [get] { return QString::fromStdString(get().name); },
        [=](const QString& text) {
            change(tr("Rename ramp"), [&](Ramp& r) { r.name = text.toStdString(); });
        });
    const auto types = types_of(w.project(), TypeUse::slab);
    form->choice(
        form->row(tr("Type")), "rampType", type_names(w.project(), types),
        [=] { return index_of(types, get().type); },
        [=](int i) {
            change(tr("Change ramp"), [&](Ramp& r) { r.type = types[static_cast<std::size_t>(i)]; });
        });
    loss_rows(*form, w, [get] { return get().type; });
    form->group(tr("Slope"));
    form->length_field(
        form->row(tr("Foot at")), "rampFoot", metre(w), [get] { return get().foot_m; },
        [=](double v) { change(tr("Change ramp"), [&](Ramp& r) { r.foot_m = v; }); }, limits::above_floor_m);
    form->length_field(
        form->row(tr("Rises")), "rampRise", metre(w), [get] { return get().rise_m; },
        [=](double v) { change(tr("Change ramp"), [&](Ramp& r) { r.rise_m = v; }); }, limits::rise_m);
    form->text(tr("Slope"), [get] {
        return QString::number(
                   std::round(get().rise_m / std::max(0.01, distance(foot(get()), head(get()))) * 1000) /
                   10) +
               " %";
    });
    auto* turn = new QPushButton(tr("Rise the other way"));
    turn->setObjectName("turnRamp");
    QObject::connect(turn, &QPushButton::clicked, form, [=] {
        change(tr("Turn ramp round"),
               [](Ramp& r) { std::rotate(r.outline.begin(), r.outline.begin() + 2, r.outline.end()); });
    });
    form->widget(turn);
    arrange_group(*form, w);
    form->stretch();
    return form;
}

Form* note_form(Workspace& w, QWidget* parent, NoteId id) {
    auto* form = new Form(w, parent);
    const auto get = [&w, id]() -> const Note& { return *find_note(*w.floor(), id); };
    const auto change = [&w, id](const QString& label, std::function<void(Note&)> how, int key = 0) {
        const FloorId at = w.floor_id();
        w.edit(
            label,
            [&](Project& p) {
                Note n = *find_note(*find_floor(p, at), id);
                how(n);
                replace_note(p, at, n);
            },
            key);
    };
    title(*form, tr("Note"));
    form->group(tr("Words"));
    auto* words = new QPlainTextEdit;
    words->setObjectName("noteText");
    words->setFixedHeight(120);
    words->setPlaceholderText(tr("What is to be known about this place"));
    words->setTabChangesFocus(true);
    form->widget(words);
    form->on_refresh([words, get] {
        const QString text = QString::fromStdString(get().text);
        if (words->toPlainText() != text) words->setPlainText(text);
    });
    const int key = w.document().new_merge_key();
    QObject::connect(words, &QPlainTextEdit::textChanged, form, [words, get, change, key] {
        const std::string text = words->toPlainText().left(5000).toStdString();
        if (text != get().text)
            change(
                tr("Write note"), [&](Note& n) { n.text = text; }, key);
    });
    photo_rows(
        *form, w, {ItemKind::note, id.value}, [get] { return get().photo; },
        [change] { change(tr("Drop photo"), [](Note& n) { n.photo.clear(); }); });
    form->stretch();
    return form;
}

}  // namespace yemvo::app
