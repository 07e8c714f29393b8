// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/arrange/arrange_group.h"

#include <QComboBox>
#include <QHBoxLayout>
#include <QPushButton>
#include <algorithm>

#include "app/arrange/arranging.h"
#include "app/forms/form_parts.h"
#include "app/model/selection.h"
#include "project/project.h"
#include "render/tr.h"

namespace yemvo::app {
namespace {

/// What Repeat and Offset were last set to.
struct Arranging {
    int columns = 3, rows = 1;
    double step_x_m = 2, step_y_m = 2, offset_m = 1;
};
Arranging& arranging() {
    static Arranging last;
    return last;
}

QPushButton* button(QHBoxLayout* row, const QString& object, const QString& words, const QString& tip,
                    std::function<void()> run) {
    auto* b = new QPushButton(words);
    b->setObjectName(object);
    b->setToolTip(tip);
    // two and a label fit beside each other in Details
    b->setStyleSheet("padding: 0 4px;");
    b->setMinimumWidth(QFontMetrics(b->font()).horizontalAdvance(words) + 12);
    b->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Fixed);
    // what runs rebuilds this form: it is left first
    QObject::connect(b, &QPushButton::clicked, b, run, Qt::QueuedConnection);
    row->addWidget(b, 1);
    return b;
}

void repeat_rows(Form& form, Workspace& w) {
    auto* count = form.row(tr("Repeat"));
    form.number_field(
        count, "repeatColumns", tr("across"), 0, [] { return arranging().columns; },
        [](double v) { arranging().columns = static_cast<int>(v); }, {1, 200});
    form.number_field(
        count, "repeatRows", tr("up"), 0, [] { return arranging().rows; },
        [](double v) { arranging().rows = static_cast<int>(v); }, {1, 200});
    auto* step = form.row(tr("every"));
    form.length_field(
        step, "repeatX", metre(w), [] { return arranging().step_x_m; },
        [](double v) { arranging().step_x_m = v; }, {-1000, 1000});
    form.length_field(
        step, "repeatY", metre(w), [] { return arranging().step_y_m; },
        [](double v) { arranging().step_y_m = v; }, {-1000, 1000});
    button(form.row({}), "repeat", tr("Repeat"),
           tr("Copies in columns and rows; doors and windows along their wall"), [&w] {
               const Arranging& a = arranging();
               repeat_selection(w, a.columns, a.rows, {a.step_x_m, a.step_y_m});
           });
}

void floors_row(Form& form, Workspace& w) {
    const Building& building = building_with(w.project(), w.floor_id());
    form.built_for([&w] { return floor_names(w); });
    if (building.floors.size() < 2) return;
    std::vector<FloorId> others;
    QStringList names{tr("Copy to…"), tr("All other floors")};
    for (const Floor& f : building.floors)
        if (!(f.id == w.floor_id())) {
            others.push_back(f.id);
            names << QString::fromStdString(f.name);
        }
    form.choice(
        form.row(tr("Floors")), "copyToFloors", names, [] { return 0; },
        [&w, others](int i) {
            if (i == 1) copy_to_floors(w, others);
            if (i > 1) copy_to_floors(w, {others[static_cast<std::size_t>(i) - 2]});
        });
}

}  // namespace

void arrange_group(Form& form, Workspace& w) {
    form.group(tr("Arrange"));
    const auto& chosen = w.selection().items();
    const bool only_openings =
        std::all_of(chosen.begin(), chosen.end(), [](const Item& i) { return i.kind == ItemKind::opening; });
    if (!only_openings) {
        auto* turn = form.row(tr("Turn"));
        button(turn, "turnLeft", tr("Left"), tr("90° counter-clockwise about the middle"),
               [&w] { turn_selection(w, 90); });
        button(turn, "turnRight", tr("Right"), tr("90° clockwise about the middle"),
               [&w] { turn_selection(w, -90); });
        form.number_field(
            turn, "turnBy", "°", 1, [] { return 0.0; },
            [&w](double v) {
                if (v != 0) turn_selection(w, v);
            },
            {-360, 360});
        auto* mirror = form.row(tr("Mirror"));
        button(mirror, "mirrorX", tr("Left–right"), tr("About the middle"),
               [&w] { mirror_selection(w, true); });
        button(mirror, "mirrorY", tr("Up–down"), tr("About the middle"),
               [&w] { mirror_selection(w, false); });
    }
    repeat_rows(form, w);
    const auto walls =
        std::count_if(chosen.begin(), chosen.end(), [](const Item& i) { return i.kind == ItemKind::wall; });
    if (walls > 0) {
        auto* row = form.row(tr("Offset"));
        form.length_field(
            row, "offsetBy", metre(w), [] { return arranging().offset_m; },
            [](double v) { arranging().offset_m = v; }, {-1000, 1000});
        button(row, "offset", tr("Copy beside"),
               tr("Copies to the left of the run; to the right when negative"),
               [&w] { offset_selection(w, arranging().offset_m); });
    }
    if (walls > 1) {
        auto* row = form.row(tr("Walls"));
        button(row, "joinWalls", tr("Join"), tr("Walls whose ends meet become one run (J)"),
               [&w] { join_selection(w); });
        if (walls == 2)
            button(row, "meetWalls", tr("Meet"), tr("The first is lengthened or cut back to meet the second"),
                   [&w] { meet_selection(w); });
    }
    if (!only_openings) floors_row(form, w);
    if (chosen.size() > 1 && !only_openings) {
        auto* row = form.row(tr("Group"));
        button(row, "group", tr("Group"), tr("Selected together from now on (Ctrl+G)"),
               [&w] { group_selection(w); });
        button(row, "ungroup", tr("Ungroup"), tr("Each for itself again (Ctrl+Shift+G)"),
               [&w] { ungroup_selection(w); });
    }
    if (chosen.size() == 1) {
        auto* row = form.row(tr("Alike"));
        button(row, "alikeHere", tr("This floor"), tr("Select everything of this type on this floor"),
               [&w] { select_alike(w, false); });
        button(row, "alikeEverywhere", tr("Everywhere"), tr("Select everything of this type on every floor"),
               [&w] { select_alike(w, true); });
    }
}

}  // namespace yemvo::app
