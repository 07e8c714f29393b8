// SPDX-License-Identifier: GPL-3.0-or-later
#include <QComboBox>
#include <QHBoxLayout>
#include <QLabel>
#include <QPushButton>

#include "app/details/drawing_forms.h"
#include "app/model/in_view.h"
#include "geometry/point.h"
#include "project/edits.h"
#include "project/project.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {

namespace {

using Change = std::function<void(const QString&, std::function<void(Building&)>)>;

/// Lettered and numbered ones are told together: the other has one field of the same width at first.
void set_spacings(AxisGrid& axes, bool lettered, const std::vector<double>& spacings_m) {
    auto& own = lettered ? axes.letters_m : axes.numbers_m;
    auto& other = lettered ? axes.numbers_m : axes.letters_m;
    own = spacings_m;
    if (own.empty())
        other.clear();
    else if (other.empty())
        other = {own.front()};
}

void axes_rows(Form* form, LengthUnits units, const std::function<Building()>& building,
               const Change& change) {
    form->group(tr("Axes"));
    for (const bool lettered : {true, false})
        form->words_field(
                form->row(lettered ? tr("Lettered every") : tr("Numbered every")),
                lettered ? "axesLetters" : "axesNumbers",
                [=] {
                    const AxisGrid axes = building().axes;
                    return QString::fromStdString(
                        spacings_text(lettered ? axes.letters_m : axes.numbers_m, units));
                },
                [=](const QString& text) {
                    const auto told = read_spacings(render::plain(text), units);
                    change(tr("Change axes"), [&](Building& b) { set_spacings(b.axes, lettered, told); });
                })
            ->setPlaceholderText(tr("6 x 7.2; 5"));
    if (building().axes.empty()) return;
    auto* place = form->row(tr("A1 at"));
    form->length_field(
        place, "axesX", "x", [=] { return building().axes.origin.x; },
        [=](double v) { change(tr("Move axes"), [&](Building& b) { b.axes.origin.x = v; }); });
    form->length_field(
        place, "axesY", "y", [=] { return building().axes.origin.y; },
        [=](double v) { change(tr("Move axes"), [&](Building& b) { b.axes.origin.y = v; }); });
    form->number_field(
        form->row(tr("Letters go")), "axesTurn", "°", 1, [=] { return building().axes.turn_deg; },
        [=](double v) { change(tr("Turn axes"), [&](Building& b) { b.axes.turn_deg = wrapped_deg(v); }); },
        {-360, 360});
}

}  // namespace

Form* building_form(Workspace& w, QWidget* parent) {
    auto* form = new Form(w, parent);
    form->built_for([&w] {
        const Building* b = w.in_view().building();
        return QString("%1 %2 %3 %4")
            .arg(b ? QString::fromStdString(b->name) : QString())
            .arg(b ? static_cast<int>(b->kind) : 0)
            .arg(w.project().buildings.size())
            .arg(b && !b->axes.empty());
    });
    const Building* chosen = w.in_view().building();
    if (!chosen) return form;
    const BuildingId id = chosen->id;
    const auto building = [&w, id]() -> Building {
        const Building* b = find_building(w.project(), id);
        return b ? *b : Building{};
    };
    const auto change = [&w, id, building](const QString& label, std::function<void(Building&)> set) {
        w.edit(label, [&](Project& p) {
            Building b = building();
            b.id = id;
            set(b);
            set_building(p, b);
        });
    };
    const QString metre = w.units() == LengthUnits::metres ? "m" : "";
    form->group(chosen->kind == BuildingKind::yard ? tr("Yard") : tr("Building"));
    form->name_field(
        form->row(tr("Name")), "buildingName", [=] { return QString::fromStdString(building().name); },
        [=](const QString& t) {
            change(tr("Rename building"), [&](Building& b) { b.name = t.toStdString(); });
        });
    form->choice(
        form->row(tr("Kind")), "buildingKind", {tr("Building"), tr("Yard, open air")},
        [=] { return building().kind == BuildingKind::yard ? 1 : 0; },
        [=](int i) {
            change(tr("Change kind"),
                   [&](Building& b) { b.kind = i ? BuildingKind::yard : BuildingKind::building; });
        });
    form->group(tr("Place on the site"));
    form->length_field(
        form->row(tr("East")), "buildingX", metre, [=] { return building().placement.shift.x; },
        [=](double v) { change(tr("Move building"), [&](Building& b) { b.placement.shift.x = v; }); },
        {-50'000, 50'000});
    form->length_field(
        form->row(tr("North")), "buildingY", metre, [=] { return building().placement.shift.y; },
        [=](double v) { change(tr("Move building"), [&](Building& b) { b.placement.shift.y = v; }); },
        {-50'000, 50'000});
    form->number_field(
        form->row(tr("Turned")), "buildingTurn", "°", 1, [=] { return building().placement.turn_deg; },
        [=](double v) {
            change(tr("Turn building"), [&](Building& b) { b.placement.turn_deg = wrapped_deg(v); });
        },
        {-360, 360});
    form->length_field(
        form->row(tr("Datum level")), "buildingLevel", metre, [=] { return building().level_m; },
        [=](double v) { change(tr("Change level"), [&](Building& b) { b.level_m = v; }); },
        limits::elevation_m);
    form->note(
        tr("East, north and turn (counter-clockwise) of its own zero; the datum level is how high its ±0.00 "
           "lies "
           "above the site's."));
    axes_rows(form, w.units(), building, change);
    form->text(tr("Floors"), [=] { return QString::number(building().floors.size()); });

    form->group(tr("Site"));
    auto* row = form->row({});
    for (const auto& [object, words, kind] :
         {std::tuple{"addBuilding", tr("Add a building"), BuildingKind::building},
          std::tuple{"addYard", tr("Add a yard"), BuildingKind::yard}}) {
        auto* add = new QPushButton(words);
        add->setObjectName(object);
        row->addWidget(add, 1);
        QObject::connect(add, &QPushButton::clicked, form, [&w, kind = kind] {
            BuildingId made;
            w.edit(kind == BuildingKind::yard ? tr("Add yard") : tr("Add building"), [&](Project& p) {
                double east_m = 0;  // beside what is there
                for (const Building& b : p.buildings)
                    if (const auto box = extent(b))
                        for (Point q : {box->low, box->high, Point{box->low.x, box->high.y},
                                        Point{box->high.x, box->low.y}})
                            east_m = std::max(east_m, b.placement.apply(q).x);
                const QString name = QString(kind == BuildingKind::yard ? tr("Yard %1") : tr("Building %1"))
                                         .arg(p.buildings.size() + 1);
                made = add_building(p, name.toStdString(), kind, {1, 0, {std::ceil(east_m / 5 + 1) * 5, 0}});
            });
            w.in_view().choose_building(made);
        });
    }
    auto* remove = new QPushButton(tr("Remove %1").arg(QString::fromStdString(chosen->name)));
    remove->setObjectName("removeBuilding");
    remove->setEnabled(w.project().buildings.size() > 1);
    form->widget(remove);
    QObject::connect(remove, &QPushButton::clicked, form, [&w, id] {
        w.edit(tr("Remove building"), [&](Project& p) { remove_building(p, id); });
    });
    form->stretch();
    return form;
}

}  // namespace yemvo::app
