// SPDX-License-Identifier: GPL-3.0-or-later
// Edits that are the same for every kind of thing on a floor.
#pragma once
#include <cmath>

#include "project/items.h"
#include "project/kinds/all.h"
#include "project/parts.h"

namespace yemvo {

template <class Id>
void renew(Project& project, Id& id) {
    id = new_id<Id>(project);
}

/// Under new ids.
template <class Thing>
auto add_thing(Project& project, FloorId floor, Thing thing) {
    KindOf<Thing>::each_id(thing, [&](auto& id) { renew(project, id); });
    std::vector<Thing>& list = KindOf<Thing>::edit(floor_of(project, floor));
    list.push_back(std::move(thing));
    return list.back().id;
}

template <class Thing>
void replace_thing(Project& project, FloorId floor, const Thing& thing) {
    entry(KindOf<Thing>::edit(floor_of(project, floor)), thing.id) = thing;
}

template <class Thing>
void remove_thing(Project& project, FloorId floor, decltype(Thing::id) id) {
    Floor& f = floor_of(project, floor);
    const Thing gone = entry(KindOf<Thing>::list(f), id);
    erase_id(KindOf<Thing>::edit(f), id);
    KindOf<Thing>::was_removed(project, gone);
}

/// Where something points after it was carried along.
inline double azimuth_carried(double azimuth_deg, const Motion& m) {
    const double before = m.mirrored ? -azimuth_deg : azimuth_deg;
    return std::fmod(std::fmod(before - m.then.turn_deg, 360) + 360, 360);
}

/// Its points, and what else follows a mirror.
template <class Thing>
void carry(Thing& t, const Motion& m) {
    auto points = KindOf<Thing>::points(t);
    for (Point& p : points) p = m.apply(p);
    KindOf<Thing>::set_points(t, points);
    if (m.mirrored) KindOf<Thing>::mirror(t);
}

}  // namespace yemvo
