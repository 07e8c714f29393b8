// SPDX-License-Identifier: GPL-3.0-or-later
// Several things at once: what they share can be changed, what differs is shown as such.
#include <QComboBox>
#include <QHBoxLayout>
#include <QPushButton>
#include <map>
#include <optional>

#include "app/arrange/arrange_group.h"
#include "app/details/demand_rows.h"
#include "app/details/detail_forms.h"
#include "app/forms/form_parts.h"
#include "app/model/selection.h"
#include "project/edits.h"
#include "project/item.h"
#include "project/items.h"
#include "project/project.h"
#include "render/text_style.h"
#include "render/tr.h"
#include "venue/wall_type.h"

namespace yemvo::app {
namespace {

struct Chosen {
    const Floor* floor;
    Item item;
};

std::vector<Chosen> all_chosen(Workspace& w) {
    std::vector<Chosen> out;
    for (const Item& i : w.selection().items()) out.push_back({w.floor(), i});
    for (const auto& [at, items] : w.selection().elsewhere())
        if (const Floor* f = find_floor(w.project(), at))
            for (const Item& i : items) out.push_back({f, i});
    return out;
}

/// The value all of them have; none when they differ.
template <class Get>
auto shared_value(Workspace& w, Get get) {
    using T = typename std::invoke_result_t<Get, const Chosen&>::value_type;
    std::optional<T> value;
    for (const Chosen& c : all_chosen(w)) {
        const std::optional<T> one = get(c);
        if (!one) continue;
        if (value && !(*value == *one)) return std::optional<T>();
        value = one;
    }
    return value;
}

QString kind_words(Workspace& w) {
    std::map<QString, int> counts;
    for (const Chosen& c : all_chosen(w)) ++counts[tr_mark(item_kind_name(c.item.kind))];
    QStringList words;
    for (const auto& [name, n] : counts) words << QString("%1 × %2").arg(n).arg(name);
    return words.join(", ");
}

/// A length that all of them have; typed once for all.
void shared_length(Form& form, Workspace& w, const QString& label, const QString& object,
                   std::function<std::optional<double>(const Chosen&)> get,
                   std::function<void(Project&, FloorId, const Item&, double)> set, double low_m,
                   double high_m) {
    auto* field = new UnitField(metre(w));
    field->setObjectName(object);
    form.row(label)->addWidget(field, 1);
    QObject::connect(
        field, &UnitField::confirmed, &form, [&w, field, set, label, low_m, high_m](const QString& text) {
            try {
                const double v = parse_length_m(render::plain(text), w.units());
                if (v < low_m || v > high_m) throw Error(say("that is no %1", label.toLower().toStdString()));
                w.selection().edit(tr("Change %1").arg(label.toLower()),
                                   [&](Project& p, FloorId at, const Item& i) { set(p, at, i, v); });
            } catch (const Error& fault) {
                field->show_fault(fault_text(fault));
                w.tell(fault_text(fault), true);
            }
        });
    form.on_refresh([&w, field, get] {
        const auto value = shared_value(w, get);
        field->setPlaceholderText(tr("differs"));
        field->show_value(value ? render::local(format_length(*value, w.units(), false)) : QString());
    });
}

void wall_heights(Form& form, Workspace& w) {
    form.group(tr("Height"));
    const auto wall = [](const Chosen& c) { return find_wall(*c.floor, WallId{c.item.id}); };
    shared_length(
        form, w, tr("From"), "severalBase",
        [wall](const Chosen& c) { return std::optional(wall(c)->base_m); },
        [](Project& p, FloorId at, const Item& i, double v) {
            Wall x = *find_wall(*find_floor(p, at), WallId{i.id});
            x.base_m = v;
            replace_wall(p, at, x);
        },
        -20, 100);
    shared_length(
        form, w, tr("Top"), "severalTop",
        [wall](const Chosen& c) { return std::optional(wall(c)->top_m.value_or(c.floor->height_m)); },
        [](Project& p, FloorId at, const Item& i, double v) {
            Wall x = *find_wall(*find_floor(p, at), WallId{i.id});
            x.top_m = v >= find_floor(p, at)->height_m - 1e-6 ? std::nullopt : std::optional(v);
            replace_wall(p, at, x);
        },
        0.05, 200);
}

void opening_sizes(Form& form, Workspace& w) {
    form.group(tr("Size"));
    const auto field = [&](const QString& label, const char* object, double Opening::*part, double low,
                           double high) {
        shared_length(
            form, w, label, object,
            [part](const Chosen& c) {
                return std::optional(
                    find_opening(*find_wall(*c.floor, WallId{c.item.wall}), OpeningId{c.item.id})->*part);
            },
            [part](Project& p, FloorId at, const Item& i, double v) {
                Opening o = *find_opening(*find_wall(*find_floor(p, at), WallId{i.wall}), OpeningId{i.id});
                o.*part = v;
                if (o.sill_m < o.head_m) replace_opening(p, at, WallId{i.wall}, o);
            },
            low, high);
    };
    field(tr("Width"), "severalWidth", &Opening::width_m, 0.05, 100);
    field(tr("Sill"), "severalSill", &Opening::sill_m, -10, 100);
    field(tr("Head"), "severalHead", &Opening::head_m, -10, 100);
    auto* combo = form.choice(
        form.row(tr("State")), "severalOpen", {tr("Closed"), tr("Open")},
        [&w] {
            const auto open = shared_value(w, [](const Chosen& c) {
                return std::optional(
                    find_opening(*find_wall(*c.floor, WallId{c.item.wall}), OpeningId{c.item.id})->open);
            });
            return open ? static_cast<int>(*open) : -1;
        },
        [&w](int i) {
            w.selection().edit(
                i == 1 ? tr("Open") : tr("Closed"), [&](Project& p, FloorId at, const Item& item) {
                    Opening o =
                        *find_opening(*find_wall(*find_floor(p, at), WallId{item.wall}), OpeningId{item.id});
                    o.open = i == 1;
                    replace_opening(p, at, WallId{item.wall}, o);
                });
        });
    combo->setPlaceholderText(tr("differs"));
}

}  // namespace

Form* several_form(Workspace& w, QWidget* parent) {
    auto* form = new Form(w, parent);
    title(*form, tr("Several things"));
    form->text(tr("Selected"), [&w] { return kind_words(w); })->setWordWrap(true);
    if (!w.selection().elsewhere().empty())
        form->text(tr("Floors"),
                   [&w] { return tr("this one and %1 more").arg(w.selection().elsewhere().size()); });
    const auto all = all_chosen(w);
    std::optional<TypeUse> use;
    bool same_use = true;
    for (const Chosen& c : all) {
        const auto one = use_of(*c.floor, c.item);
        same_use = same_use && one && (!use || *use == *one);
        use = one;
    }
    if (same_use && use) {
        form->group(tr("Built of"));
        const auto types = types_of(w.project(), *use);
        auto* combo = form->choice(
            form->row(tr("Type")), "severalType", type_names(w.project(), types),
            [&w, types] {
                const auto type =
                    shared_value(w, [&w](const Chosen& c) { return type_of(w.project(), *c.floor, c.item); });
                return type ? index_of(types, *type) : -1;
            },
            [&w, types](int i) {
                const WallTypeId type = types[static_cast<std::size_t>(i)];
                w.selection().edit(tr("Change type"), [&](Project& p, FloorId at, const Item& item) {
                    set_type(p, at, item, type);
                });
            });
        combo->setPlaceholderText(tr("differs"));
        if (*use == TypeUse::wall) wall_heights(*form, w);
        if (*use == TypeUse::door || *use == TypeUse::window) opening_sizes(*form, w);
    }
    several_demand_rows(*form, w);
    if (w.selection().elsewhere().empty() && w.floor()) arrange_group(*form, w);
    auto* remove = new QPushButton(tr("Delete them"));
    remove->setObjectName("deleteSeveral");
    QObject::connect(
        remove, &QPushButton::clicked, form, [&w] { w.selection().remove(); }, Qt::QueuedConnection);
    form->widget(remove);
    form->stretch();
    return form;
}

}  // namespace yemvo::app
