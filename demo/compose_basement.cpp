// SPDX-License-Identifier: GPL-3.0-or-later
// Basement: the archive in mobile racks behind its fire wall, a workshop, servers and plant.
#include "demo/composer.h"

namespace yemvo::demo {
namespace {

void walls(Composer& c) {
    c.ring("concrete-250", {{16, 9}, {60, 9}, {60, 35}, {16, 35}});
    // archive
    c.wall("block-dense", {{38, 35}, {38, 16}, {60, 16}});
    c.door("door-fire-double", {38, 18}, 1.8);
    c.door("door-steel", {56, 16}, 1.0);
    // workshop
    c.wall("plasterboard-double", {{16, 20}, {24, 20}});
    c.door("door-timber", {22.6, 20}, 1.2);
    c.window("window-single", {19, 20}, 2.4, 0.9, 2.1);
    // servers and plant
    c.wall("block-hollow", {{16, 15}, {38, 15}, {38, 9}});
    c.wall("block-hollow", {{27, 15}, {27, 9}});
    c.door("door-steel", {25, 15}, 1.2);
    c.door("door-steel", {30, 15}, 1.0);
    c.wall("metal-cabinets", {{29, 12.2}, {36.5, 12.2}}, 0, 2.1);
    c.door("door-steel", {42, 16}, 1.0);
}

void solids(Composer& c) {
    c.rows("racking-dry", ObstacleKind::shelving, "Rack", {39.6, 17.6}, {58.6, 25.2}, {6, 0.8, false}, 2.4);
    c.rows("racking-dry", ObstacleKind::shelving, "Map rack", {39.6, 26.6}, {58.6, 33.8}, {6, 0.8, false},
           2.4);
    c.obstacle("machinery", ObstacleKind::machinery, "Boilers", Composer::box(17.2, 10.2, 19.6, 13.4), 2.0);
    c.obstacle("machinery", ObstacleKind::machinery, "Air handling", Composer::box(21.5, 10.2, 25.6, 12.4),
               2.2);
    for (Point p : {Point{19, 17.4}, {25.5, 17.4}, {32, 17.4}}) c.column(p, 0.5);
    c.note("Racks roll: the aisle is wherever somebody opens it", {49, 26});
}

void zones(Composer& c) {
    c.zone("Archive", Composer::box(38, 16, 60, 35));
    c.zone("Workshop", Composer::box(16, 20, 24, 35));
    c.zone("Corridor", {{16, 15}, {38, 15}, {38, 20}, {16, 20}});
    c.zone("Servers", Composer::box(27, 9, 38, 15));
    c.zone("Delivery", Composer::box(38, 9, 60, 16), ZoneKind::not_needed);
    c.zone("Plant", Composer::box(16, 9, 27, 15), ZoneKind::not_needed);
    c.zone("Core", Composer::box(24, 20, 35, 29), ZoneKind::not_needed);
    c.zone("Store", {{24, 29}, {35, 29}, {35, 20}, {38, 20}, {38, 35}, {24, 35}}, ZoneKind::not_needed);
}

void gear(Composer& c) {
    c.access_point("ceiling-six", {43.5, 25.9}, 3.2, {{6, 20, 9}, {36, 40, 15}, {5, 80, 18}});
    c.access_point("ceiling-six", {54.5, 25.9}, 3.2, {{11, 20, 9}, {100, 40, 15}, {37, 80, 18}});
    c.access_point("ceiling-six", {23.2, 18.4}, 3.2, {{1, 20, 9}, {132, 40, 15}, {53, 80, 18}});
}

}  // namespace

void compose_basement(Composer c) {
    walls(c);
    compose_core(c);
    solids(c);
    zones(c);
    gear(c);
}

}  // namespace yemvo::demo
