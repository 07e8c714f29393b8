// SPDX-License-Identifier: GPL-3.0-or-later
#include <QCheckBox>
#include <QComboBox>
#include <QHBoxLayout>
#include <QLabel>
#include <QMenu>
#include <QPainter>
#include <QPushButton>
#include <algorithm>

#include "app/details/detail_forms.h"
#include "app/look/theme.h"
#include "app/model/results.h"
#include "app/model/selection.h"
#include "coverage/verdict.h"
#include "project/edits.h"
#include "project/library.h"
#include "project/project.h"
#include "render/plan_marks.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {
namespace {

bool counts_area(const RequirementResult& r) {
    return required_lens(r.requirement).counts == RequirementCounts::area;
}

/// What a requirement reaches now: of the band that reaches least, and by floor.
class OutcomeLine : public QWidget {
public:
    OutcomeLine(Workspace& w, RequirementId id) : workspace_(w), id_(id) { setFixedHeight(36); }

protected:
    void paintEvent(QPaintEvent*) override {
        const RequirementResult* r =
            workspace_.results().verdict() ? workspace_.results().verdict()->find(id_) : nullptr;
        QPainter p(this);
        if (!r || r->site.asked <= 0) {
            p.setFont(render::font(11.5));
            p.setPen(theme().muted);
            p.drawText(rect(), Qt::AlignVCenter,
                       !r                ? tr("Its set is off")
                       : counts_area(*r) ? tr("No such zone: draw one, or change where it holds")
                                         : tr("Nobody is there: give zones people in the step Demand"));
            return;
        }
        const Outcome o = outcome(r->share_met(), r->requirement.share_required);
        render::paint_outcome(p, QPointF(6, 10), o, theme());
        p.setPen(render::outcome_ink(o, theme()));
        p.setFont(render::font(12.5, 600));
        p.drawText(
            QRectF(18, 0, width() - 18, 20), Qt::AlignVCenter,
            tr("%1, %2 required")
                .arg(render::percent(r->share_met()), render::percent(r->requirement.share_required, 0)));
        p.setFont(render::font(11.5));
        p.setPen(theme().muted);
        QStringList floors;
        for (const PlaceResult& f : r->floors)
            if (const Floor* floor = find_floor(workspace_.project(), f.floor))  // the verdict may be older
                floors << QString::fromStdString(floor->name) + " " + render::percent(r->share_met(f), 0);
        p.drawText(QRectF(0, 19, width(), 16), Qt::AlignVCenter,
                   QFontMetricsF(p.font()).elidedText(floors.join(", "), Qt::ElideRight, width()));
        setToolTip(floors.join(", "));
    }

private:
    Workspace& workspace_;
    RequirementId id_;
};

void change(Workspace& w, RequirementId id, const std::function<void(Requirement&)>& how) {
    w.edit(tr("Change requirement"), [&](Project& p) {
        Requirement r = *find_requirement(p, id);
        how(r);
        replace_requirement(p, r);
    });
}

void change_set(Workspace& w, RequirementSetId id, const QString& label,
                const std::function<void(RequirementSet&)>& how) {
    w.edit(label, [&](Project& p) {
        RequirementSet set = *find_requirement_set(p, id);
        how(set);
        replace_requirement_set(p, set);
    });
}

/// The lenses that can be required.
std::vector<const LensInfo*> amounts() {
    std::vector<const LensInfo*> list;
    for (const LensInfo& info : lenses())
        if (info.may_require()) list.push_back(&info);
    return list;
}

void add_quantity(Form* form, Workspace& w, RequirementId id,
                  const std::function<const Requirement&()>& get) {
    QStringList names;
    for (const LensInfo* info : amounts()) names << tr_mark(info->name);
    form->choice(
        form->row(tr("Lens")), "requirementLens", names,
        [get] {
            const auto list = amounts();
            const auto at = std::ranges::find_if(list, [&](auto* info) { return info->key == get().lens; });
            return at == list.end() ? -1 : static_cast<int>(at - list.begin());
        },
        [&w, id](int i) {
            const LensInfo* info = amounts()[static_cast<std::size_t>(i)];
            change(w, id, [&](Requirement& r) {
                r.lens = info->key;
                r.limit = info->limit;
                r.band_limits.clear();
            });
        });
}

void add_bands(Form* form, Workspace& w, RequirementId id, const std::function<const Requirement&()>& get) {
    auto* row = form->row(tr("Bands"));
    std::vector<QCheckBox*> boxes;
    for (const Band& b : bands()) {
        auto* box = new QCheckBox(QString::fromStdString(b.name));
        box->setObjectName("requirementBand" + QString::fromStdString(b.name));
        row->addWidget(box);
        QObject::connect(box, &QCheckBox::clicked, form, [&w, id, get, box, band = b.id](bool on) {
            if (get().bands.with(band, on).empty()) {
                box->setChecked(true);
                return w.tell(tr("A requirement needs at least one band"), true);
            }
            change(w, id, [&](Requirement& r) {
                r.bands = r.bands.with(band, on);
                std::erase_if(r.band_limits, [&](const auto& own) { return own.first == band && !on; });
            });
        });
        boxes.push_back(box);
    }
    row->addStretch(1);
    form->on_refresh([get, boxes] {
        for (std::size_t i = 0; i < boxes.size(); ++i)
            boxes[i]->setChecked(get().bands.contains(bands()[i].id));
    });
    form->choice(
        form->row(tr("Met in")), "requirementEach", {tr("every band"), tr("at least one band")},
        [get] { return get().any_band ? 1 : 0; },
        [&w, id](int i) { change(w, id, [&](Requirement& r) { r.any_band = i == 1; }); });
}

/// A limit for all its bands, and one for each where they differ.
void add_limits(Form* form, Workspace& w, RequirementId id, const std::function<const Requirement&()>& get) {
    const LensInfo* info = nullptr;
    for (const LensInfo* each : amounts())
        if (each->key == get().lens) info = each;
    if (!info) return;
    const QString unit = tr_mark(info->unit);
    const int decimals = info->step < 1 ? 1 : 0;
    auto* row = form->row(info->more_is_better ? tr("At least") : tr("At most"));
    form->number_field(
        row, "requirementLimit", unit, decimals, [get] { return get().limit; },
        [&w, id](double v) { change(w, id, [&](Requirement& r) { r.limit = v; }); },
        limits::requirement_limit);
    form->number_field(
        row, "requirementShare",
        info->counts == RequirementCounts::area      ? tr("% of area")
        : info->counts == RequirementCounts::clients ? tr("% of clients")
                                                     : tr("% of radios"),
        0, [get] { return 100 * get().share_required; },
        [&w, id](double v) { change(w, id, [&](Requirement& r) { r.share_required = v / 100; }); }, {0, 100});
    if (get().bands.single()) return;
    for (BandId b : get().bands.list()) {
        const QString name = QString::fromStdString(band(b).name);
        form->number_field(
            form->row(name + " GHz"), "requirementLimit" + name, unit, decimals,
            [get, b] { return get().limit_in(b); },
            [&w, id, b](double v) {
                change(w, id, [&](Requirement& r) {
                    std::erase_if(r.band_limits, [&](const auto& own) { return own.first == b; });
                    if (v != r.limit) r.band_limits.emplace_back(b, v);
                });
            },
            {-200, 10000});
    }
}

void add_requirement_rows(Form* form, Workspace& w, RequirementId id) {
    const auto get = [&w, id]() -> const Requirement& { return *find_requirement(w.project(), id); };
    form->group(said_text(requirement_name(get())));
    auto* line = new OutcomeLine(w, id);
    line->setObjectName("requirementOutcome");
    form->widget(line);
    form->on_refresh([line] { line->update(); });
    add_quantity(form, w, id, get);
    add_bands(form, w, id, get);
    add_limits(form, w, id, get);
    auto* remove = new QPushButton(tr("Remove requirement"));
    remove->setObjectName("removeRequirement");
    form->row("")->addWidget(remove);
    QObject::connect(remove, &QPushButton::clicked, form, [&w, id] {
        w.selection().choose_requirement({});
        w.edit(tr("Remove requirement"), [&](Project& p) { remove_requirement(p, id); });
    });
}

QString zone_kind_words(ZoneKind kind) {
    switch (kind) {
        case ZoneKind::served:
            return tr("Served zones");
        case ZoneKind::keep_out:
            return tr("Zones without access points");
        case ZoneKind::not_needed:
            return tr("Zones without demand");
        case ZoneKind::outside:
            break;
    }
    return tr("Zones outside the property");
}

QString where_words(const Project& project, const RequirementSet& set) {
    if (set.is_everywhere()) return tr("Wherever service is demanded");
    if (set.zones.size() > 1) return counted("%n zone", "%n zones", set.zones.size());
    for (const Floor* f : all_floors(project))
        for (const Zone& z : *f->zones)
            if (set.zones.size() == 1 && z.id == set.zones.front())
                return QString::fromStdString(z.name + ", " + f->name);
    QStringList kinds;
    for (ZoneKind kind : set.kinds) kinds << zone_kind_words(kind);
    return kinds.join(", ");
}

/// Everywhere, kinds of zones, or zones by floor; zones and kinds leave each other out.
void fill_where(QMenu* menu, Workspace& w, RequirementSetId id) {
    menu->clear();
    const RequirementSet& set = *find_requirement_set(w.project(), id);
    const auto add = [&](QMenu* to, const QString& text, bool on,
                         const std::function<void(RequirementSet&)>& how) {
        QAction* action = to->addAction(text);
        action->setCheckable(true);
        action->setChecked(on);
        QObject::connect(action, &QAction::triggered, menu,
                         [&w, id, how] { change_set(w, id, tr("Change where it holds"), how); });
    };
    add(menu, tr("Wherever service is demanded"), set.is_everywhere(), [](RequirementSet& s) {
        s.zones.clear();
        s.kinds.clear();
    });
    menu->addSeparator();
    for (ZoneKind kind : {ZoneKind::served, ZoneKind::keep_out, ZoneKind::not_needed})
        add(menu, zone_kind_words(kind), std::ranges::count(set.kinds, kind) > 0, [kind](RequirementSet& s) {
            s.zones.clear();
            if (std::erase(s.kinds, kind) == 0) s.kinds.push_back(kind);
        });
    menu->addSeparator();
    for (const Floor* f : all_floors(w.project())) {
        if (f->zones->empty()) continue;
        QMenu* floor = menu->addMenu(QString::fromStdString(floor_title(w.project(), *f)));
        for (const Zone& z : *f->zones)
            add(floor, QString::fromStdString(z.name), std::ranges::count(set.zones, z.id) > 0,
                [zone = z.id](RequirementSet& s) {
                    s.kinds.clear();
                    if (std::erase(s.zones, zone) == 0) s.zones.push_back(zone);
                });
    }
}

/// It counts clients or radios, and there are several busy hours that it may do so at.
bool can_choose_hour(const Project& project, const RequirementSet& set) {
    return project.demand.hours.size() > 1 && std::ranges::any_of(set.requirements, [](const Requirement& r) {
               return find_lens(r.lens) && required_lens(r).counts != RequirementCounts::area;
           });
}

void add_hour_row(Form* form, Workspace& w, RequirementSetId id) {
    QStringList names{tr("Every busy hour")};
    for (const BusyHour& h : w.project().demand.hours) names << QString::fromStdString(h.name);
    auto* hour = form->choice(
        form->row(tr("Counted at")), "setHour" + QString::number(id.value), names,
        [&w, id] {
            const auto& hours = w.project().demand.hours;
            const auto at =
                std::ranges::find(hours, find_requirement_set(w.project(), id)->hour, &BusyHour::key);
            return at == hours.end() ? 0 : static_cast<int>(at - hours.begin()) + 1;
        },
        [&w, id](int i) {
            const auto& hours = w.project().demand.hours;
            const std::string key = i > 0 ? hours[static_cast<std::size_t>(i - 1)].key : std::string();
            change_set(w, id, tr("Change busy hour of requirement set"),
                       [&](RequirementSet& s) { s.hour = key; });
        });
    hour->setToolTip(tr("When its clients and radios are counted; what asks about area holds at all times"));
}

void add_set_rows(Form* form, Workspace& w, RequirementSetId id) {
    const auto get = [&w, id]() -> const RequirementSet& { return *find_requirement_set(w.project(), id); };
    const QString tail = QString::number(id.value);
    auto* head = form->row(tr("Set"));
    form->name_field(
        head, "setName" + tail, [get] { return QString::fromStdString(get().name); },
        [&w, id](const QString& name) {
            change_set(w, id, tr("Rename requirement set"),
                       [&](RequirementSet& s) { s.name = name.toStdString(); });
        });
    auto* on = new QCheckBox(tr("on"));
    on->setObjectName("setOn" + tail);
    on->setToolTip(tr("Off: it is kept, but nothing is judged by it"));
    head->addWidget(on);
    QObject::connect(on, &QCheckBox::clicked, form, [&w, id](bool is) {
        change_set(w, id, is ? tr("Turn requirement set on") : tr("Turn requirement set off"),
                   [&](RequirementSet& s) { s.on = is; });
    });
    auto* where = new QPushButton;
    where->setObjectName("setWhere" + tail);
    auto* menu = new QMenu(where);
    where->setMenu(menu);
    QObject::connect(menu, &QMenu::aboutToShow, form, [menu, &w, id] { fill_where(menu, w, id); });
    where->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Fixed);  // long words do not widen the form
    where->setMinimumWidth(40);
    form->row(tr("Where"))->addWidget(where, 1);
    form->on_refresh([on, where, get, &w] {
        on->setChecked(get().on);
        const QString words = where_words(w.project(), get());
        constexpr int room_px = 128;
        where->setText(where->fontMetrics().elidedText(words, Qt::ElideRight, room_px));
        where->setToolTip(words);
    });
    if (can_choose_hour(w.project(), get())) add_hour_row(form, w, id);
    auto* buttons = form->row({});
    auto* add = new QPushButton(tr("Add requirement"));
    add->setObjectName("addRequirement" + tail);
    buttons->addWidget(add);
    QObject::connect(add, &QPushButton::clicked, form, [&w, id] {
        RequirementId made;
        w.edit(tr("Add requirement"), [&](Project& p) {
            made = add_requirement(p, id, {{}, "signal", band_5, -67, 0.95});
        });
        w.selection().choose_requirement(made);
    });
    auto* remove = new QPushButton(tr("Remove set"));
    remove->setObjectName("removeSet" + tail);
    buttons->addWidget(remove);
    QObject::connect(remove, &QPushButton::clicked, form, [&w, id] {
        w.edit(tr("Remove requirement set"), [&](Project& p) { remove_requirement_set(p, id); });
    });
}

QPushButton* add_set_button(Form* form, Workspace& w) {
    auto* button = new QPushButton(tr("Add a requirement set"));
    button->setObjectName("addSet");
    auto* menu = new QMenu(button);
    menu->setToolTipsVisible(true);
    button->setMenu(menu);
    for (const RequirementSet& set : standard_requirement_sets()) {
        QAction* action = menu->addAction(QString::fromStdString(set.name));
        action->setToolTip(QString::fromStdString(about_requirement_set(set.name)));
        QObject::connect(action, &QAction::triggered, form, [&w, set] {
            w.edit(tr("Add requirement set"), [&](Project& p) { add_requirement_set(p, set); });
        });
    }
    menu->addSeparator();
    QObject::connect(menu->addAction(tr("An empty one")), &QAction::triggered, form, [&w] {
        w.edit(tr("Add requirement set"), [&](Project& p) {
            add_requirement_set(p, {{}, tr("My requirements").toStdString(), true, {}, {}, {}});
        });
    });
    return button;
}

}  // namespace

Form* requirements_form(Workspace& w, QWidget* parent) {
    auto* form = new Form(w, parent);
    form->built_for([&w] {
        QString s;
        for (const RequirementSet& set : *w.project().requirement_sets) {
            s += QString(" %1").arg(set.id.value);
            if (!can_choose_hour(w.project(), set)) continue;
            for (const BusyHour& h : w.project().demand.hours) s += "h" + QString::fromStdString(h.name);
        }
        if (const Requirement* r = find_requirement(w.project(), w.selection().requirement()))
            s += QString(" of %1 %2 %3 %4")
                     .arg(r->id.value)
                     .arg(QString::fromStdString(r->lens))
                     .arg(r->bands.bits())
                     .arg(r->any_band);
        return s;
    });
    if (find_requirement(w.project(), w.selection().requirement())) {
        add_requirement_rows(form, w, w.selection().requirement());
    } else {
        auto* title = new QLabel(tr("Requirements"));
        title->setObjectName("title");
        form->widget(title);
        form->note(tr("Click a requirement in the table to change it."));
    }
    form->group(tr("Requirement sets"));
    for (const RequirementSet& set : *w.project().requirement_sets) add_set_rows(form, w, set.id);
    form->widget(add_set_button(form, w));
    form->stretch();
    return form;
}

}  // namespace yemvo::app
