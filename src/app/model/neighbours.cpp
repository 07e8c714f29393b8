// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/model/neighbours.h"

#include <algorithm>

#include "app/model/activity.h"
#include "app/model/results.h"
#include "app/model/selection.h"
#include "app/model/tool_id.h"
#include "app/model/workspace.h"
#include "project/kinds/thing_edits.h"
#include "render/tr.h"
#include "tuning/heard_neighbours.h"

namespace yemvo::app {
namespace {

/// The first of "Place 1", "Place 2", … that no listening place has.
QString free_name(const Project& project) {
    for (int n = 1;; ++n) {
        const QString wanted = tr("Place %1").arg(n);
        bool taken = false;
        for (const Floor* f : all_floors(project))
            for (const ListeningPlace& p : *f->listening_places)
                taken = taken || QString::fromStdString(p.name) == wanted;
        if (!taken) return wanted;
    }
}

}  // namespace

bool is_capture(const QString& file) {
    return file.endsWith(".pcap", Qt::CaseInsensitive) || file.endsWith(".pcapng", Qt::CaseInsensitive) ||
           file.endsWith(".cap", Qt::CaseInsensitive);
}

std::vector<Neighbour> heard_at(const Workspace& w, Point at, const HeardAir& air) {
    const FloorPrediction* predicted = w.results().floor_prediction();
    if (!predicted || predicted->floor != w.floor_id()) return neighbours_of(air);
    return neighbours_of(air, expected_at(w.project(), *predicted, at));
}

void add_listening_place(Workspace& w, Point at, std::vector<Neighbour> heard, const QString& name) {
    ListeningPlace place;
    place.name = (name.isEmpty() ? free_name(w.project()) : name).toStdString();
    place.position = at;
    place.heard = std::move(heard);
    const FloorId floor = w.floor_id();
    ListeningPlaceId made;
    if (!w.edit(tr("Place what was heard"), [&](Project& p) { made = add_thing(p, floor, place); })) return;
    w.activity().set_tool(ToolId::select);
    w.selection().select({{ItemKind::listening_place, made.value}});
}

void add_heard(Workspace& w, ListeningPlaceId id, std::vector<Neighbour> heard) {
    const FloorId floor = w.floor_id();
    w.edit(tr("Add what was heard"), [&](Project& p) {
        const ListeningPlace* found = find_listening_place(*find_floor(p, floor), id);
        if (!found) return;
        ListeningPlace place = *found;
        for (Neighbour& n : heard) {
            const auto same = std::ranges::find_if(place.heard, [&](const Neighbour& old) {
                return !n.address.empty() && old.address == n.address && old.channel.band == n.channel.band;
            });
            if (same == place.heard.end())
                place.heard.push_back(std::move(n));
            else
                *same = std::move(n);
        }
        replace_thing(p, floor, place);
    });
}

QString neighbour_name(const Neighbour& n) {
    return n.name.empty() ? tr("hidden name") : QString::fromStdString(n.name);
}

}  // namespace yemvo::app
