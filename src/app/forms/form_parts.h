// SPDX-License-Identifier: GPL-3.0-or-later
// What several forms are made of.
#pragma once
#include <QLabel>
#include <QPushButton>
#include <vector>

#include "app/forms/form.h"
#include "project/project.h"

namespace yemvo::app {

void title(Form&, const QString& words);
QPushButton* push_button(const QString& words, const QString& object, const QString& tip = {});
QString metre(Workspace&);
/// -1 for one that is not among them.
int index_of(const std::vector<WallTypeId>&, WallTypeId);
/// Loss a band, and its source.
void loss_rows(Form&, Workspace&, std::function<WallTypeId()> get);
/// Of the building in view, with their ids: for Form::built_for, where a form offers floors by name.
QString floor_names(const Workspace&);

/// Changes a copy of a thing of the floor in view and puts it back, as one edit.
template <class Get, class Put, class Change>
void change_thing(Workspace& w, const QString& label, Get get, Put put, Change change) {
    const FloorId at = w.floor_id();
    w.edit(label, [&](Project& p) {
        auto copy = *get(p, *find_floor(p, at));
        change(copy);
        put(p, at, copy);
    });
}

}  // namespace yemvo::app
