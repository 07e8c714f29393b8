// SPDX-License-Identifier: GPL-3.0-or-later
// Every kind of thing that floors hold.
#pragma once
#include <tuple>
#include <vector>

#include "project/kinds/cable_ways.h"
#include "project/kinds/ceiling.h"
#include "project/kinds/closet.h"
#include "project/kinds/device_row.h"
#include "project/kinds/listening_place.h"
#include "project/kinds/note.h"
#include "project/kinds/obstacle.h"
#include "project/kinds/ramp.h"
#include "project/kinds/slab_area.h"
#include "project/kinds/slab_void.h"
#include "project/kinds/wall.h"
#include "project/kinds/zone.h"

namespace yemvo {

template <class... Thing>
struct Things {};

/// What lies lower comes first.
using FloorThings = Things<SlabArea, SlabVoid, Ramp, CeilingArea, Zone, Obstacle, Wall, Tray, Riser, Outlet,
                           Closet, DeviceRow, ListeningPlace, Note>;

template <class List>
struct ListsOf;
template <class... Thing>
struct ListsOf<Things<Thing...>> {
    using Tuple = std::tuple<std::vector<Thing>...>;
};

/// Calls use.operator()<Thing>() for each of them.
template <class Use>
void each_kind(Use use) {
    [&]<class... Thing>(Things<Thing...>) { (use.template operator()<Thing>(), ...); }(FloorThings{});
}

/// The same for the kind of an item; false where floors do not hold it.
template <class Use>
bool of_kind(ItemKind kind, Use use) {
    bool found = false;
    each_kind([&]<class Thing>() {
        if (KindOf<Thing>::kind != kind) return;
        found = true;
        use.template operator()<Thing>();
    });
    return found;
}

}  // namespace yemvo
